"""A simulated welder's data logger: stands in for the box on the machine's cable."""
