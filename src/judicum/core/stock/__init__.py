"""What practice takes: gas, wire, blanks; what is left, how long it lasts, what it costs, how blanks are cut."""
