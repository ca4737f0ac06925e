eye-nothing-wrong = nothing is wrong
eye-no-cause = No cause: a good bead
eye-go-on = Change nothing. Weld the next one the same way.
eye-beside-card = { $used } (card { $low } to { $high })
