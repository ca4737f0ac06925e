desk-all-coupons = all coupons
desk-being-measured = { $measuring } being measured
desk-join-code-for-new-students-people = Join code for new students: <strong>{ $join_code }</strong>. <go>People, join code, new course</go>; <go2>import and export</go2>
desk-low-stock = { $count ->
    [one] Stock: 1 item running low
   *[other] Stock: { $count } items running low
}
desk-more-appear-when-these-are-marked = { $count ->
    [one] 1 more appears when these are { -marked }.
   *[other] { $count } more appear when these are { -marked }.
}
desk-new-here-start-with-the-reference = New here? Start with the <go>reference beads</go>: { -mark } ten beads blind, about five minutes.
desk-not-welded-lately = not welded lately
desk-nothing-to-mark-new-photos-appear = Nothing to { -mark }. New photos appear here when students send them.
desk-open-stock = Open stock
desk-overdue = { $overdue } overdue
desk-photo-could-not-be-measured-mark = Photo could not be measured. { -Mark } by eye or ask for another photo.
desk-ready-to-mark-marked-not-returned = { $to_mark } ready to { -mark } · { $to_return } { -marked }, not returned · { $welding } being welded
desk-ripple-variation = ripple variation { $pitch_cv }
desk-scale-cards = Scale cards:
desk-show-one-coupon = Show one coupon
desk-strip-of-s-bead = Strip of { $name }'s bead
desk-width-variation = width variation { $width_cv }
desk-window = window
desk-long-strip = long strip
desk-target = phone check
