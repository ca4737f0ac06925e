cadence-before = Earlier dry runs, variation of the gaps: { $kept }
cadence-dab = dab
cadence-dabs-per-run = Dabs per { -run }
cadence-done = Done
cadence-dry-run = Dry run
cadence-dry-run-how = No arc: tap along with the beat, or knock the filler rod on the bench and let the microphone hear it. Sound stays in this browser.
cadence-finish = Save result
cadence-hearing = Listening
cadence-hold-still = Hold still
cadence-last-bead = Ripples of your last bead, same scale
cadence-listen = Listen
cadence-make-the-puddle = Make the puddle
cadence-more-dabs = { $count ->
        [one] 1 more dab
       *[other] { $count } more dabs
    } until evenness shows.
cadence-no-microphone = The microphone can’t be opened. Allow it for this page, or tap.
cadence-of = of { $beats }
cadence-per-second = per second
cadence-pulse = pulse
cadence-pulses = Pulses
cadence-pulses-per-run = Pulses per { -run }
cadence-ready = Ready
cadence-result = Evenness: gaps vary by { $cv }. Slowing down over the run: { $drift }. Behind the beat: { $late }.
cadence-s-of-arc-for-mm-then = { $beats } s of arc for { $beats_2 } mm, then hold still { $hold_s } s for post-flow.
cadence-sound-off = Sound off
cadence-sound-on = Sound on
cadence-start = Start
cadence-stop = Stop
cadence-tap = Tap a dab
cadence-your-dabs = Your dabs
