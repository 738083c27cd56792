"""One small module of routes a resource."""
