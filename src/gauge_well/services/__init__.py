"""What a user can do: knows core, sheet and store, knows no request."""
