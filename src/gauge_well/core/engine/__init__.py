"""Power, fuel, air and heat of the engine at any load."""
