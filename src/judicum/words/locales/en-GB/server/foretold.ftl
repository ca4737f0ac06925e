foretold-class = Learnt from { $count } measured beads of this course.
foretold-not-measured = Foretold, not measured: it counts nowhere.
foretold-physics = From physics and what the trade knows: this course has too few measured beads to learn from.
hazard-burn_through = burn-through
hazard-grey = grey
hazard-no_fusion = lack of fusion
hazard-undercut = undercut
