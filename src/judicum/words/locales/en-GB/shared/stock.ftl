stock-kind-bar = Bars and tubes to cut
stock-kind-blank = Blanks
stock-kind-cup = Cups
stock-kind-electrode = Electrodes
stock-kind-gas = Argon, full { -bottles }
stock-kind-sheet = Sheets to cut
stock-kind-wire = Filler wire
