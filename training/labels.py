"""What is told of each place of a drawn or labelled picture."""

OTHER, TINTED, FACE, GRANULAR, HOLE = range(5)
"""Surfaces that are told apart: plate and all else, plate with film, bead, grey granular bead, hole through the bead."""
FRONT, PORE, SPECK, CRATER, GROOVE = range(5)
"""What is told besides: ripple fronts, pores, specks, craters, grooves at a toe."""
EXTRAS = 5
