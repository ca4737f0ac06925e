marking-a-size = a size
marking-add-fault-at-the-red-line = Add fault at the red line, mid-bead
marking-add-or-remove-front-at-the = Add or remove front at the red line
marking-add-or-remove-fronts = Add or remove fronts
marking-added = { $at ->
    [nowhere] { $kind } added
   *[other] { $kind } added at { $at }
}
marking-agree = Agree
marking-agree-and-return = Agree and return
marking-agreed-mark = Agreed { -mark }
marking-all-measurements-the-log-and-other = all measurements, the log and other photos <kbd>l</kbd>
marking-another-photo = another photo
marking-another-photo-2 = Ask for another photo …
marking-apart = { $count }, { $mm } apart
marking-as-suggested = as suggested
marking-ask-for-a-second-mark = Ask for a second { -mark }
marking-ask-for-another-photo = Ask for another photo
marking-attempt-target-wide-finish = { $title }, attempt { $number } · target: { $target_width_mm } wide, finish { $finish } · <strong>{ $state }</strong>
marking-automatic-fail = Automatic fail: { $k }
marking-automatic-fails = { field-knock_outs }
marking-bead-ends-at-the-red-line = Bead ends at the red line
marking-bead-starts-at-the-red-line = Bead starts at the red line
marking-being-measured = Being measured.
marking-camera-tilt = Camera tilt
marking-certainty = { $certainty } { $share }%
marking-change-asked-at-attempt = Change asked at attempt { $number }: { $asked }
marking-comment-for-markers-for-example-an = Comment for { -markers }, for example “an 8 for ripples”
marking-compare-with-attempt = compare with attempt { $number }
marking-confirm = Confirm
marking-confirm-a-cause = confirm a cause
marking-confirm-both = Confirm both
marking-confirmed = Confirmed
marking-correct = Correct
marking-corrected-by-hand = Corrected by hand
marking-corrections = Corrections
marking-count-it = Count it
marking-done = done
marking-done-correcting = Done correcting
marking-drag-both-ends-to-a-known = Drag both ends to a known length. The photo must be taken straight from above.
marking-drag-toes = Drag toes
marking-edit-phrases = Edit phrases
marking-engine = Engine
marking-faults-close-up = Faults close up
marking-gives = { $figure }: { $value } gives { $score }
marking-gives-no-score = { $figure }: not measured, no score
marking-half-a-point = half a point
marking-haz-tint = { criterion-tint_zone }
marking-haz-tint-width-left-right = HAZ tint width left / right
marking-hide = Hide
marking-key = Key { $key }
marking-key-both = confirm both causes
marking-key-line = another line
marking-key-next = next attempt
marking-key-photo = photo
marking-key-phrases = phrases
marking-key-save = save
marking-key-undo = undo
marking-key-write = write a comment
marking-keys = Keys
marking-known-length = known length
marking-known-length-2 = Known length
marking-lapses = { $cv }, { $count ->
    [one] 1 lapse
   *[other] { $count } lapses
}
marking-left-toe-in = Left toe in
marking-left-toe-out = Left toe out
marking-length = Length
marking-less-likely = { $count } less likely
marking-likely-causes = Likely causes
marking-log-and-manual-checks = Log and manual checks
marking-log-and-more = log and more
marking-logged = Logged
marking-manual-checks = Manual checks
marking-manual-checks-2 = manual checks
marking-manual-checks-3 = Record manual checks …
marking-mark-faults = Mark faults
marking-measure-again = Measure again
marking-measure-the-back = Measure the back
marking-measure-with-this-scale = Measure with this scale
marking-measured = Use measured: { $choice }
marking-measured-2 = measured
marking-measured-before-correction-width-varies-ripp = Measured before correction: width { $mean }, varies { $cv }; ripples vary { $cv_2 }; faults seen: { $count }.
marking-measuring-failed-measure-again-or-mark = Measuring failed. Measure again or { -mark } by eye.
marking-moves-over = moves over
marking-n-a = N/A
marking-new-photo-requested = New photo requested: { $answer }
marking-new-photo-requested-from = New photo requested from
marking-new-since = New since it was ruled out: { $evidence }
marking-no-bead-photo-yet-the-student = No bead photo yet. The student has not sent one.
marking-no-causes-to-suggest-no-bead = No causes to suggest: no bead was measured and nothing was recorded.
marking-no-problems-found = No problems found.
marking-no-runs-logged = No { -runs } logged.
marking-none-distinct = none distinct
marking-not-applicable = not applicable
marking-not-checked = not checked
marking-not-measured = <strong>Not measured.</strong> { $message } You can { -mark } by eye.
marking-not-measured-no-scale = <strong>Not measured.</strong> { $message } You can { -mark } by eye, or set the scale by two points of known distance.
marking-not-scored-yet = not scored yet
marking-not-ticked = Not ticked: { $skipped }.
marking-not-ticked-2 = not ticked
marking-nothing = nothing
marking-nothing-to-mark-until-the-student = Nothing to { -mark } until the student sends a photo.
marking-of-100 = of 100 ·
marking-of-criteria-scored = { $marked } of { $count ->
    [one] 1 criterion scored
   *[other] { $count } criteria scored
}
marking-of-not-ticked = { $skipped } of { $count } not ticked
marking-one-change-for-next-time = { field-next_change }
marking-pass-mark = { $scheme }; pass { -mark } { $pass_mark }
marking-photo = Photo
marking-photo-p = Photo <kbd>p</kbd>
marking-photo-with-a-line-of-known = Photo with a line of known length
marking-phrases = Phrases
marking-pointer-tool-on-the-strip = Pointer tool on the strip
marking-prep-checklist = Prep checklist
marking-prep-checklist-not-filled-in = Prep checklist not filled in.
marking-red-line-at = Red line at <strong>{ $at }</strong>
marking-reload-and-keep-my-entries = Reload and keep my entries
marking-remove-fault = Remove fault
marking-removed = { $at ->
    [nowhere] { $kind } removed
   *[other] { $kind } removed at { $at }
}
marking-returned-to = Returned { $total } to { $name }.
marking-right-toe-in = Right toe in
marking-right-toe-out = Right toe out
marking-ripple-front-added = { $at ->
    [nowhere] ripple front added
   *[other] ripple front added at { $at }
}
marking-ripple-front-removed = { $at ->
    [nowhere] ripple front removed
   *[other] ripple front removed at { $at }
}
marking-ripples = Ripples
marking-rule-out = Rule out
marking-ruled-out = Ruled out
marking-ruled-out-list = Ruled out:
marking-run-causes = Causes in this run
marking-width-grown = Stated ± of the width
marking-width-grown-by = × { $factor }: callipers of this course found more
marking-run-mark = Mark of run { $number }, of 100
marking-run-suggested = This run would score { $total }%
marking-same-score-for-the-other = { $count ->
    [one] Same score for 1 other criterion.
   *[other] Same score for { $count } other criteria.
}
marking-save = Save
marking-save-and-return = Save and return
marking-save-as-reference = Save as reference …
marking-save-as-reference-bead = Save as reference bead
marking-save-checks = Save checks
marking-save-phrases = Save phrases
marking-save-reference = Save reference
marking-save-return-open-next = save, return, open next
marking-save-second-mark = Save second { -mark }
marking-scale-set-by-two-points-by = Scale set by two points by { $name }.
marking-score-or-set-n-a-before = Score or set N/A before returning: { $missing }.
marking-second-mark-someone-has-marked-this = <strong>Second { -mark }.</strong> Someone has { -marked } this bead. Their { -mark } is hidden until you save yours.
marking-see-above = { $faults }, see above
marking-sent-back-to-weld-again = Sent back to weld again:
marking-set = { $at ->
    [nowhere] { $end } set
   *[other] { $end } set at { $at }
}
marking-set-scale = Set scale
marking-show = Show
marking-shown-to-the-student = { $hint } (shown to the student)
marking-size = Size
marking-so-far = so far
marking-speaks-against-it = speaks against it:
marking-speaks-for-it = speaks for it:
marking-start-and-end-swapped = start and end swapped
marking-suggested = suggested { $score }: { $because }
marking-swap-start-and-end = Swap start and end
marking-symptoms = Symptoms
marking-the-back-of-the-coupon = The back of the coupon
marking-there-too = Confirmed beside it
marking-this-result-cant-be-corrected-measure = This result can't be corrected. Measure the photo again first.
marking-to-weld-again = To weld again: { $answer }
marking-toe-moved = { $at ->
    [nowhere] { $side } toe moved
   *[other] { $side } toe moved at { $at }
}
marking-toe-waviness-left-right = Toe waviness left / right
marking-toes-and-ripple-fronts-to-be = Toes and ripple fronts. Drag to correct, or use the buttons below at the red line.
marking-total = Total
marking-travel-speed-from-arc-time-and = Travel speed from arc time and measured length: <strong>{ $real }</strong>
marking-two-marks-agree-on-one-mark = Two { -marks }: agree on one { -mark }
marking-undo-all-corrections = Undo all corrections
marking-undo-last-correction = Undo last correction
marking-undo-ruled-out = Undo ruling out { $cause }
marking-use-first-mark = Use first { -mark }
marking-use-second-mark = Use second { -mark }
marking-use-suggested = Use suggested
marking-waiting-for-a-second-mark-from = Waiting for a second { -mark } from someone else.
marking-waive = Waive
marking-weld-again = Weld again
marking-weld-again-2 = weld again
marking-weld-again-3 = Weld again …
marking-what-is-wrong-with-this-photo = What is wrong with this photo?
marking-why-does-this-coupon-not-count = Why does this coupon not count?
marking-words-in-braces-are-replaced-by = Words in braces are replaced by values of the attempt:
marking-you-have-no-phrases-yet = You have no phrases yet.
