"""The run: what is worked in which order, remembered, judged, drawn, solved for and compared."""
