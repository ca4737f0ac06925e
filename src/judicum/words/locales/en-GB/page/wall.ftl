wall-0-varies-steadiest = 0% varies: steadiest
wall-assign-to-all = Assign { $title } to all { $count }
wall-attempts-best = { $attempts ->
    [one] 1 attempt
   *[other] { $attempts } attempts
}, best { $best }, { $word }
wall-by-name = name
wall-by-step = step
wall-confirmed-causes = Confirmed causes
wall-each-dot-is-a-student-further = Each dot is a student. Further left is steadier; shaded is good.
wall-failed-in-a-row = failed { $failed_in_a_row } in a row
wall-furthest-off-with = , furthest off { $name } with { $value }
wall-good = good { $good }
wall-is-stuck = stuck
wall-last-week-of-welding = Last week of welding
wall-last-week-of-welding-to = Last week of welding, { $date } to { $date_2 }
wall-no-longer-seen = No longer seen: { $gone }.
wall-no-measured-beads-yet-they-appear = No measured beads yet. They appear here when students send photos.
wall-no-one = No one.
wall-no-one-yet = No one yet.
wall-none = None.
wall-not-welded-since = not welded since { $date }
wall-of = { $good_in_a_row } of { $in_a_row }
wall-of-within = { $words }: { $inside } of { $count } within { $good }
wall-passes-in-a-row-attempts-best = Passes in a row, attempts, best { -mark }, chance of passing next
wall-people-by-coupons = People by coupons
wall-ready = ready
wall-ready-for-the-next-coupon = Ready for the next coupon
wall-stuck = Stuck
wall-where-everybody-stands = Where everybody stands
wall-where-everyone-stands-last-three-beads = Where everyone stands (last three beads)
wall-who-needs-it-most = who needs it most
