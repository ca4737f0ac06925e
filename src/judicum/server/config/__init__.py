"""Settings, addresses and the programs that serve."""
