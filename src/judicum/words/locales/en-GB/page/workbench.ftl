workbench-copy-link-for = Copy link for { $panel }
workbench-current-over-three-pulses = { -Current } over three pulses
workbench-hottest-beside-the-bead = Hottest beside the bead, outwards: { $most } °C to { $least } °C
workbench-film-beside-the-bead = Oxide film beside the bead, { $most } nm to { $least } nm over 10 mm
workbench-part-over-the-runs = Part through { $runs ->
    [one] one { -run }
   *[other] { $runs } { -runs }
 }, hottest { $most } °C
workbench-heat-in-the-work-over-travel = Heat in the work over travel, { $value } to { $value_2 }
workbench-min = { $n } rpm · { $speed }
workbench-practice-to = practice { $from } to { $to }
workbench-puts-these-figures-into-the-page = Puts these figures into the page address
workbench-reynolds-number = Reynolds number { $number }
workbench-rules-of-thumb-and-public-formulas = Rules of thumb and public formulas. The school's own rules, local codes and a qualified supervisor come first.
workbench-runs-round-the-seam-welded-in = { $count ->
    [one] 1 { -run } round the seam
   *[other] { $count } { -runs } round the seam
}, welded in the order { $order }
workbench-trial-bands = Trial bands: { $rpm }
workbench-turbulent = turbulent { $turbulent }
workbench-turbulent-from = turbulent from { $turbulent }
workbench-turns-a-minute = { $n } rpm, { $speed }
workbench-warned-from = warned from { $warn }
