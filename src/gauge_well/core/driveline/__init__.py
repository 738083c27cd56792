"""Shafts, joints, clutches and gears: how they turn, what they carry."""
