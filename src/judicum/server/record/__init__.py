"""What was welded: attempts, runs, photos, measurements, causes and marks."""
