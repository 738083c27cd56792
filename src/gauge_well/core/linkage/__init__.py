"""Pedals, levers and what they move: throttle, clutch, booster, steering, shifter."""
