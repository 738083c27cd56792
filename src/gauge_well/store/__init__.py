"""Builds kept in PostgreSQL."""
