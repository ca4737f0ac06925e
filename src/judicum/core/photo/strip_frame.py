"""How the strip lies: its scale, its height, and how far it reaches past the bead."""

STRIP_PX_PER_MM = 10
HALF_HEIGHT_MM = 8.0
OVERHANG_MM = 4.0
