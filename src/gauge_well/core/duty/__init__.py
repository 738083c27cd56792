"""What an operating case asks of the engine."""
