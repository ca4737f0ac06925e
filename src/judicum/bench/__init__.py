"""How well beads are measured: a fixed set of drawn photos, measured and compared with their truth."""
