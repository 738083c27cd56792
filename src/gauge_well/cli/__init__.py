"""Command line inside the program's environment: thin, calls services."""
