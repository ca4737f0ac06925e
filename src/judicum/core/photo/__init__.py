"""Measuring a bead from one photo; docs/measuring.md says how and how well.

Doors: `decode` (bytes to pixels), `measure` (a photo to a measurement), `strip` (the straightened
bead), `printing` (the scale cards). `measure` and `strip` take seconds to import and are left to
those who measure.
"""
