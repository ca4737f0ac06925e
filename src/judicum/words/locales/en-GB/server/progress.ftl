biggest-loss = biggest loss: { $criterion }
chance-of-passing = Chance of passing next: { $percent }%
fault-returns = { $fault } in { $times } of the last 4
figure-pitch_cv = { criterion-ripple_evenness }
figure-tint_level = { criterion-tint }
figure-toe_waviness = { criterion-straight_toes }
figure-total = { -Mark }
figure-width_cv = { criterion-width_evenness }
keeps-coming-back = keeps coming back: { $faults }
on-a-plateau = on a plateau
share-now = { $now } of { $now_of ->
    [one] 1 bead
   *[other] { $now_of } beads
}
share-now-and-before = { $now } of { $now_of ->
    [one] 1 bead
   *[other] { $now_of } beads
}, { $before } of { $before_of } in the month before
step-done = done
step-locked = locked
step-ready = ready to start
step-tried = started
student-better = You are getting better.
student-biggest-gain = Biggest gain: { $criterion }.
student-chance-even = Passing next time: about even.
student-chance-likely = Passing next time: likely.
student-chance-not-yet = Passing next time: not there yet.
student-ready = You have { $in_a_row ->
    [one] 1 pass
   *[other] { $in_a_row } passes in a row
}: you are ready for the next coupon.
student-to-go = You need { $to_go }.
student-watch-for = Watch for: { $faults }.
to-go-about = about { $attempts ->
    [one] 1 more attempt
   *[other] { $attempts } more attempts
} to { $in_a_row ->
    [one] 1 pass
   *[other] { $in_a_row } passes in a row
}
to-go-at-least = at least { $low ->
    [one] 1 more attempt
   *[other] { $low } more attempts
} to { $in_a_row ->
    [one] 1 pass
   *[other] { $in_a_row } passes in a row
}
to-go-many = more than { $attempts ->
    [one] 1 more attempt
   *[other] { $attempts } attempts
} to { $in_a_row ->
    [one] 1 pass
   *[other] { $in_a_row } passes in a row
}
to-go-range = about { $low }–{ $high } more attempts to { $in_a_row ->
    [one] 1 pass
   *[other] { $in_a_row } passes in a row
}
to-go-reached = { $in_a_row ->
    [one] 1 pass
   *[other] { $in_a_row } passes in a row
} reached
trend-better = getting better
trend-level = no clear trend
trend-unknown = too few attempts for a trend
trend-worse = getting worse
