"""Why it does not run as it should: each fault is the build's own model run again with something wrong."""
