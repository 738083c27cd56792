"""The computation: SI floats and arrays in, reports out; no web, database, file or clock."""
