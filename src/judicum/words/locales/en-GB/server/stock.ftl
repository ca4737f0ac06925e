amount-bottles = { $count ->
    [one] { $amount } { -bottle }
   *[other] { $amount } { -bottles }
}
amount-m = { $amount } m
amount-pieces = { $count ->
    [one] { $amount } piece
   *[other] { $amount } pieces
}
bottle-leaks = { -Bottle } { $name } lost { $litres } L in { $hours } h while nobody welded, { $rate } L per hour. Close the valve after the session and check for leaks with soapy water.
consumed-blank = blanks
consumed-gas = gas
consumed-wire = wire
gas-left = { $litres } L ± { $off }
lasts-about = about { $sessions ->
    [one] 1 session
   *[other] { $sessions } sessions
}
lasts-at-least = about { $sessions ->
    [one] 1 session
   *[other] { $sessions } sessions
} (at least { $low })
lasts-not-next = not enough for the next session
lasts-over = more than { $sessions ->
    [one] 1 session
   *[other] { $sessions } sessions
}
lasts-over-from = over { $sessions ->
    [one] 1 session
   *[other] { $sessions } sessions
} (at least { $low })
lasts-range = about { $sessions ->
    [one] 1 session
   *[other] { $sessions } sessions
} ({ $low } to { $high })
litres = { $figure } L
low = { $name }: { $left } left
low-lasts = { $name }: { $left } left, lasts { $lasts }
low-none = { $name }: { $left }
movement-counted = counted
movement-delivered = delivered
movement-opened = opened
movement-thrown = thrown away or broken
order-by = { $amount }, by { $date }
order-today = { $amount }, today
reading-photo = read off a photo
reading-typed = typed
reading-wired = wired gauge
spec-cup = number { $number }
spec-tube = tube { $diameter }
stock-none-left = none: { $amount } more were used than counted. Count again.
unpriced = no price yet for { $kinds }
