"""The first start: what is proved before, what each gauge should read, when to stop, and why it does not."""
