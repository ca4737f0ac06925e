shared-a = { $rule }: { $current_a } A
shared-a-second = { $dabs_per_s } per second
shared-above-the-card = <strong>{ $field } { $used }</strong>, { $outside } over { $low } to { $high }: { $effect }.
shared-all-four-points-set-enter-the = All four points set. Enter the value at the end of the scale.
shared-angle-to-read = Angle to read
shared-angles-wait = { $count ->
        [one] 1 angle is computed
       *[other] { $count } angles are computed
    } when the photo has been sent.
shared-apart = { $aim } apart
shared-arcs = Arcs
shared-at = { $words } at { $s_mm }
shared-bead-in-use = Bead { $number } is in use.
shared-bead-of-attempt = { $date }, attempt { $number }
shared-bead-of-coupon = { $date }, { $title } { $number }
shared-bead-straightened-long = Bead straightened, { $length } long
shared-bead-suggested = The program suggests bead { $number }, the longest and clearest.
shared-bead-this-one-counts = Bead { $number }: in use
shared-beads-by-date-to-one-scale = Beads by date, to one scale
shared-below-the-card = <strong>{ $field } { $used }</strong>, { $outside } under { $low } to { $high }: { $effect }.
shared-bottle-c = { -Bottle }, °C
shared-coming-while-the-demo-loads = Coming: the demo is still loading.
shared-cover = The gas reaches { $reach } behind the arc: each place stays under it for { $under }.
shared-read-logger = Read last weld of logger { $name }
shared-current-along = Current along the bead
shared-placed-by-dabs = placed by the dabs that current and ripples both show
shared-placed-by-even-travel = placed as if travel had been even
shared-current-spread = Current spread
shared-dabs-each-order = { $dabs } dabs each; order { $order }
shared-data-log = What the machine did
shared-data-log-replace = Replace data log
shared-data-log-send = Add data log (CSV)
shared-direction-of-travel-from-the-arc = direction of travel, from the arc forward
shared-down-slope = { field-downslope_s }
shared-end-of-scale = End of scale, { $unit }
shared-energy = Energy
shared-energy-kj = { $kj } kJ, { $per_mm } kJ per mm
shared-energy-only = { $kj } kJ
shared-fault-with-a-pinhole = { $fault } with a pinhole
shared-faults = faults
shared-faults-cut-out-of-the-photo = Faults, cut out of the photo
shared-filler = filler { $filler }°
shared-first-end-of = { $line }: first end
shared-from-the-side = From the side: torch pushed at { $travel_deg }°, filler rod at { $filler_deg }°
shared-from-the-side-fused = From the side: torch pushed at { $travel_deg }°
shared-gauge-reading = Gauge, { $unit }
shared-give-this-link-to-it-works = Give this link to { $name }. It works once, for a day: <strong>{ $address }</strong>
shared-heat-kj-mm-at-the-arc = Heat { $arc } kJ/mm at the arc, { $net } reaches the work. Gas for a { -run } of { $run_mm }: { $gas_l_per_run } L; Reynolds number { $reynolds }.
shared-help-on = Help: { $words }
shared-in-passed-attempts = { $attempts ->
    [one] in { $attempts } passed attempt
   *[other] in { $attempts } passed attempts
}
shared-log-missing = Samples are missing for { $missing } s.
shared-longest-run =
    { $dabs ->
        [0] Longest { -run }: { $length }, { $why }.
       *[other] Longest { -run }: { $length } or { $dabs } dabs, { $why }.
    }
shared-move-along-the-strip-for-values = Move along the strip for values.
shared-no-one-in-this-course-has = No one in this course has passed this coupon yet. The settings above come from the rules.
shared-no-pumping = none seen
shared-not-measured-yet = not measured yet
shared-of = { $count } of { $length_mm }
shared-of-run = of { -run }
shared-or-photograph-the-gauge = Or photograph the gauge
shared-phone-full = This phone has no room to keep your change, and there is no connection. Keep this page open and try again.
shared-photo-could-not-be-measured = photo could not be measured
shared-photo-of-the-bead-with-its = Photo of the bead with its traced toes and { $count ->
    [one] 1 ripple front
   *[other] { $count } ripple fronts
}
shared-photo-of-the-torch-with-two = Photo of the torch with two lines
shared-photo-with-beads-numbered = Photo with { $count ->
    [one] 1 bead
   *[other] { $count } beads
}, numbered
shared-place-along-the-bead = Place along the bead
shared-plate-from-the-joint-outward = plate, from the joint outward
shared-polarity = { field-polarity }
shared-puddle-before-moving = Puddle before moving
shared-pulse-mean = Pulse mean
shared-pumping = Pedal pumping
shared-pumping-figures = { $hertz } per second, ± { $depth }% of the mean
shared-push = push { $travel_deg }°
shared-push-and-filler = push { $travel_deg }°, filler { $filler_deg }°
shared-read-an-angle = Read angle
shared-right-and-down = { $right } right, { $down } down
shared-ripple-gaps = Ripple gaps
shared-ripples = ripples
shared-rod-for-bead = { $rod } for { $bead }
shared-rpm = { $aim } rpm
shared-run-of-a-card = { $technique }, cup { $cup } at { $stickout }, gas { $gas }, rod { $rod }
shared-runs-in-section =
    { $count ->
        [one] One { -run } in section
       *[other] { $count } { -runs } in section, numbered as they are welded
    }
shared-runs-round-the-tube = { -Runs } round the tube
shared-save-reading = Save reading
shared-save-to-log = Save to log
shared-second-end-of = { $line }: second end
shared-section-of-the-joint-torch-at = Section of the joint, torch at { $work_deg }° to the plate
shared-settings-match-the-card = Settings match the card.
shared-size-at = { $size } at { $at }
shared-size-at-doubtful = { $size } at { $at }, doubtful
shared-size-of-the-strip = Size of the strip
shared-strip-of = Strip of { $words }
shared-strip-scrolled-sideways = Strip, scrolled sideways
shared-suggested-bead-in-use = Bead { $number } is in use; the program suggests it as the longest and clearest.
shared-tacks = Tacks
shared-tap = Tap { $next }.
shared-tap-another-number-to-choose-that = Tap another number to choose that bead. Measurements of all beads are kept.
shared-taper = taper { $taper_mm }
shared-the-0-of-the-scale = the 0 of the scale
shared-the-end-of-the-scale = the end of the scale
shared-the-gauge-as-photographed = The gauge as photographed
shared-the-hub-that-the-needle-turns = the hub that the needle turns on
shared-the-needles-tip = the needle's tip
shared-the-photo-was-deleted-by-the = The photo was deleted by the retention rule. Strip and measurements remain.
shared-tint = tint
shared-to = { $low } to { $high }
shared-to-3 = ({ $low } to { $high })
shared-torch-from-the-tip-upward = torch, from the tip upward
shared-travel = travel
shared-travel-angle = Travel angle
shared-true-size = true size
shared-turntable = Turntable
shared-typed = typed { $value }
shared-undo-last-tap = Undo last tap
shared-undo-u-s = Undo <kbd>u</kbd> { $left } s
shared-unsure = unsure
shared-unsure-here-the-toes-hardly-stand = Unsure here: the toes hardly stand out
shared-use-bead = Use bead { $number } instead
shared-use-suggested-bead = Use bead { $number } instead, as the program suggests
shared-voltage = Voltage
shared-volts = { $volts } V
shared-volumes-first = { $volumes } volumes first
shared-wait-s = wait { $wait_s } s
shared-waits-to-be-sent = Waits to be sent
shared-warnings-about-this-photo = Warnings about this photo
shared-what-worked-here = What worked here
shared-whole = whole
shared-width = width
shared-width-and-tint-here = At { $at }: width { $width }, tint { $tint }
shared-width-here = At { $at }: width { $width }
shared-work = work { $work_deg }°
shared-work-angle = { field-work_angle_deg }
shared-work-travel-angle = Work / travel angle
shared-yellow-along-the-pink-along-the = <strong>Yellow</strong> along the { $torch }; <strong2>pink</strong2> along the { $second }. The full end of each line is where it begins. Turned 20° from square, the camera reads 45° up to 2° wrong.
