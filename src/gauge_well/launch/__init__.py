"""Installing, starting and stopping. Standard library only: it runs before anything is installed."""
