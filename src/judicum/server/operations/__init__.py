"""What those who run the server look at: health, readiness, metrics, logs with a trail."""
