"""The simulated bottle gauge that ships: what a wired one would tell, as OpenMetrics over HTTP on loopback."""
