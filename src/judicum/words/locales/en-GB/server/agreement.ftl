agreement-fair = agreement: fair
agreement-few-pairs = { $pairs ->
    [one] only 1 pair, so this is uncertain
   *[other] only { $pairs } pairs, so this is uncertain
}
agreement-good = agreement: good
agreement-line-passed = Pass or fail
agreement-line-total = Total
agreement-poor = agreement: poor
causes-instead = { $cause } ({ $count })
difference-above-marker = { -marks } are { $points } above the suggested { -marks }
difference-above-second = second { -marks } are { $points } above first { -marks }
difference-below-marker = { -marks } are { $points } below the suggested { -marks }
difference-below-second = second { -marks } are { $points } below first { -marks }
difference-none-marker = no clear difference between { -marks } and the suggested { -marks }
difference-none-second = no clear difference between second { -marks } and first { -marks }
severity-above = usually { $points } above the suggested { -mark }
severity-below = usually { $points } below the suggested { -mark }
severity-close = usually close to the suggested { -mark }
severity-drift-kinder = drifting: recently kinder than chance explains
severity-drift-no = steady
severity-drift-stricter = drifting: recently stricter than chance explains
severity-more-marks-needed = { $marks ->
    [one] 1 more { -mark } needed to detect drift
   *[other] { $marks } more { -marks } needed to detect drift
}
severity-too-few = { $marks ->
    [one] 1 { -mark }: too few to tell
   *[other] { $marks } { -marks }: too few to tell
}
