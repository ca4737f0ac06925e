note-background_above_peak = The background lies above the peak.
note-flicker = Pulses of 3–30 Hz flicker: nobody photosensitive welds or watches. Pulse slower, or far faster.
note-knob = Mark the chuck, time one turn, and write the figure beside the knob: knobs differ from table to table.
note-little = Low for this cup.
note-much = High for this cup.
note-nearly_turbulent = Close to turning turbulent: less gas, or a wider cup.
note-not_that_gauge = { $measured } isn't { $gauge } gauge of: { $tables }.
note-on_too_long = Above { $most } peak time there is no benefit left.
note-pulse_helps = Thin metal is where a pulse helps: less spread, less bow, an even bead.
note-pulse_in_time = Slow enough to dab by: still and rod in on the peak, move on the background.
note-pulse_leave = On plate this thick weld straight: a pulse holds nothing back.
note-pulse_not_in_time = Too fast to time dabs by. Turn the part over: a fast pulse can look fused and be a melted skin.
note-read_the_bands = Too slow: hot, dark, wide. Too fast: the puddle jumps, the { -centre } line sinks, the seam shows.
note-thin_side_first = On a bend, weld the thin, stretched side first: cold, a few amps lower.
note-by_formula = By formula, not measured: jig, card, air and the puddle take more heat. Never touch a part by this figure.
note-end_grey = The last { $length } are still above 650 °C when the gas goes off: grey. Hold still longer.
note-film_by_formula = Colours by formula: heat as if nothing took it away, oxygen under the cup guessed from the flow. Look at the bead.
note-tints = By formula the bead shows { $bead }, the zone { $zone }, the very end { $end }.
note-turbulent = Turbulent: the jet draws in air and moves the puddle.
note-two_conventions = Two conventions: the arc's heat, and the { $share } that reaches the work. Say which one you use.
note-vent = Vent the far end, or pressure pushes the root out. Argon displaces air: never in a closed space or pit.
panel-consumption = Gas per { -run }
panel-consumption-formula = { -litres } = flow × (pre-flow + arc + post-flow); { -bottle } = 200 bar × water volume
panel-consumption-source = gas law at 200 bar
panel-cooling = How hot, how long
panel-cooling-formula = T − T₀ = Q / (2 π k) Σ exp(−v (x + R) / 2 α) / R
panel-cooling-source = Rosenthal 1946
panel-filler = Filler in a fillet
panel-filler-formula = area = leg² / 2 × (1 + crown); wire = area × length / (π d² / 4)
panel-filler-source = volume of a prism
panel-gas = Cup and flow
panel-gas-formula = Re = 4 ρ Q / (π D μ), D = cup number × 1/16 in
panel-gas-source = Reynolds number at the exit
panel-gauge = Gauge
panel-gauge-formula = the same number, three public tables
panel-gauge-source = public gauge tables
panel-heat = Heat input
panel-heat-formula = H = η V I / v
panel-heat-source = EN 1011-1
panel-pulse = Pulse
panel-pulse-formula = mean = peak × on + background × (1 − on)
panel-pulse-source = time-weighted mean
panel-pulse_for = Pulse for a wanted mean
panel-pulse_for-formula = peak = mean / (on + p (1 − on)); background = p × peak
panel-pulse_for-source = time-weighted mean
panel-pulse_reach = How far a pulse is felt
panel-pulse_reach-formula = ΔT = P / (2 π k) | Σ exp(−(1 + i) R √(π f / α)) / R |
panel-pulse_reach-source = Carslaw and Jaeger 1959
panel-purge = Purge wait
panel-purge-formula = wait = volumes × bore volume / flow
panel-purge-source = volume of a cylinder
panel-runs = { -Runs } round a tube
panel-runs-formula = net = dabs × pitch − tie-in; { -runs } = π D / net, rounded up
panel-runs-source = geometry of the seam
panel-share_for = Peak time for a wanted mean
panel-share_for-formula = on = (mean − background) / (peak − background)
panel-share_for-source = time-weighted mean
panel-tint = What colour, by formula
panel-tint-formula = w² = ∫ k exp(−T₁ / T) (p / 0.209)¼ dt
panel-tint-source = Wagner 1933; temper colours in air
panel-turn = Time one turn
panel-turn-formula = rpm = 60 / seconds; v = π D / seconds
panel-turn-source = geometry of the seam
panel-turntable = Rotator speed trial
panel-turntable-formula = v = π D n / 60; n₂ = n₁ D₁ / D₂
panel-turntable-source = geometry of the seam
panel-warming = Hot from { -run } to { -run }
panel-warming-formula = ρ c V dT/dt = P − h A (T − T₀)
panel-warming-source = energy balance, h = 25 W/m²K
result-above_s = Above that temperature there
result-advance_mm = Advance per pulse
result-aim_l_min = Flow, aim
result-arc_kj_mm = Arc heat
result-area_mm2 = Fillet area
result-background_a = Background
result-background_share = Background, share of the peak
result-bead_film_nm = Oxide film on the bead
result-bottle_l = { -Bottle }
result-carbon_sheet_mm = Carbon sheet
result-count = { -Runs }
result-dabs = Dabs per { -run }
result-end_film_nm = Oxide film at the very end
result-end_s = End of the bead below it after
result-exit_m_s = Speed at the exit
result-first_end_c = Part after the first { -run }
result-grey_end_mm = Grey at the end
result-hand_warm_s = Until it is hand-warm (43 °C)
result-high_l_min = Flow, high
result-inside_mm = Cup inside
result-last_end_c = Part after the last { -run }
result-last_start_c = Part before the last { -run }
result-length_mm = Length
result-low_l_min = Flow, low
result-mean_a = Mean { -current }
result-melted_background_mm = Melted on the background
result-melted_mm = Melted width, mean
result-melted_peak_mm = Melted on the peak
result-net_kj_mm = Heat in the work (0.6)
result-net_mm = Net advance
result-off_s = Background time
result-on_s = Peak time
result-on_share = Peak time, share
result-other_rpm = Other tube, rpm
result-peak_c = Hottest there
result-peak_a = Peak
result-per_second = Pulse frequency
result-power_w = Arc power
result-reynolds = Reynolds number
result-rpm = Speed, rpm
result-run_l = Gas per { -run }
result-runs = { -Runs } per { -bottle }
result-stainless_sheet_mm = Stainless sheet
result-straight_a = Straight { -current } that does the same
result-tinted_mm = Tinted beside the bead, each side
result-travel_mm_s = Travel speed
result-tube_wall_mm = Tube wall
result-used_l = Gas used
result-volume_l = Volume
result-volume_mm3 = Filler volume
result-wait_s = Wait
result-wire_mm = Filler used
result-zone_film_nm = Oxide film beside the bead
