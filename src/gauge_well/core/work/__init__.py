"""The order of work: tasks chosen by the build, what must go before what, when it ends, what it costs to go against it."""
