schemes-add-criterion = Add criterion
schemes-attempt = { $student }, { $title }, attempt { $number }
schemes-automatic-fail = Automatic fail
schemes-by-hand = { $what }, by hand
schemes-curve-of = Curve of { $info }
schemes-curve-of-its-points-are-typed = Curve of { $words }; its points are typed beside it
schemes-curves-adjusted-to-the-marks-given = Curves adjusted to the { -marks } given. Nothing is saved until you save it; “Reset” undoes the changes.
schemes-each-mark-as-it-was-and = Each { -mark } as it was and as it would be
schemes-marks = { $used ->
    [one] 1 { -mark }
   *[other] { $used } { -marks }
}
schemes-marks-that-would-change-result = { -Marks } that would change result
schemes-no-marks-use-this-scheme-yet = No { -marks } use this scheme yet.
schemes-of-the-last-marks-would-now = { $count ->
    [one] Of the last { -mark }
   *[other] Of the last { $count } { -marks }
} <strong>{ $fail_anew }</strong> would now fail, <strong2>{ $pass_anew }</strong2> would now pass; { $moved } would change by a point or more.
schemes-only-the-instructor-can-save-schemes = Only the instructor can save schemes. You can try changes here.
schemes-own-version = version { $version }, your own
schemes-pass-mark = { field-pass_mark }
schemes-point-figure = { $words }, point { $i }: figure ({ $unit })
schemes-point-score = { $words }, point { $i }: score
schemes-remove-point = { $words }: remove point { $i }
schemes-reset = Reset
schemes-save-as-new-scheme = Save as new scheme
schemes-save-as-next-version = Save as next version
schemes-select-a-criterion = select a criterion
schemes-time-allowed-s = Time allowed (s)
schemes-trial-on-recent-marks = Trial on recent { -marks }
schemes-trying-this-scheme-on-recent-marks = Trying this scheme on recent { -marks } …
schemes-used-versions-cant-be-edited-saving = Used versions can't be edited. Saving creates a new version; existing { -marks } keep theirs.
schemes-version = version { $version }
schemes-weight-of = Weight of { $info }
