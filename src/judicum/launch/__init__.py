"""Setting up, starting, stopping and testing. Standard library only: it runs before anything is installed."""
