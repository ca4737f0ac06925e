time-at-from-to-over-attempts = { $figure } at { $coupon }: from { $first } to { $last } over { $count ->
    [one] 1 attempt
   *[other] { $count } attempts
}
time-at-not-measured-yet = { $figure } at { $coupon }: not measured yet
time-attempt = { field-attempt }
time-attempts-higher-is-better = Attempts → · higher is better
time-attempts-lower-is-better = Attempts → · lower is better
time-beads-2 = Beads
time-changes = Changes
time-changes-asked-for = Changes asked for
time-changes-you-were-asked-to-make = Changes you were asked to make
time-compare-first-and-last = compare first and last
time-fault = Fault
time-faults-and-when-each-was-last = Faults and when each was last seen
time-faults-by-bead = Faults by bead
time-hide-later-steps = Hide later steps
time-last-seen = Last seen
time-later-steps = { $far ->
    [one] 1 later step
   *[other] { $far } later steps
}
time-measured-with-versions-small-changes-may = measured with versions { $engines }: small changes may come from that
time-more-attempts-until = { $low } to { $high } more attempts, most likely { $median }, until { $in_a_row ->
    [one] 1 pass
   *[other] { $in_a_row } passes in a row
}
time-no-bead-photos-yet = No bead photos yet.
time-no-beads-yet = No beads yet.
time-no-changes-asked-for-yet = No changes asked for yet.
time-no-faults-seen-in-any-bead = No faults seen in any bead.
time-no-measured-or-marked-beads-yet = No measured or { -marked } beads yet.
time-not-seen-for = not seen for { $beads ->
    [one] 1 bead
   *[other] { $beads } beads
}
time-not-seen-for-well-done = not seen for { $beads ->
    [one] 1 bead
   *[other] { $beads } beads
} – well done
time-of-passes-in-a-row = <strong>{ $have } of { $needed }</strong> passes in a row
time-print-my-report = Print my report
time-print-report = Print report
time-propped = Steadier with the hand propped?
time-propped-on =
    { $count ->
        [one] { $prop }: toes waver { $waviness }, 1 bead
       *[other] { $prop }: toes waver { $waviness }, { $count } beads
    }
