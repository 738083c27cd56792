"""A stiff body on springs: what it does at rest, under load, on its stops, and when it shakes."""
