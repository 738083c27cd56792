"""What the electrics need to know."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import Several, Way, choice, quantity, role, several, ways_of
from gauge_well.core.parts.alternator import ALTERNATOR, AlternatorFacts
from gauge_well.core.parts.battery import BATTERY, BatteryFacts
from gauge_well.core.parts.load import LOAD, LoadFacts
from gauge_well.core.parts.pulses import PULSES, PulsesFacts
from gauge_well.core.parts.run import RUN, RunFacts
from gauge_well.core.parts.sender import SENDER, SenderFacts
from gauge_well.core.parts.signal import SIGNAL, SignalFacts
from gauge_well.core.parts.starter import STARTER, StarterFacts
from gauge_well.core.parts.wire import WIRE, WireFacts
from gauge_well.core.typing import Value

SYSTEMS: Mapping[str, str] = {"12": "12 V", "24": "24 V"}
RETURNS: Mapping[str, str] = {"body": "through body or frame", "cable": "a cable as thick and long"}
SCHOOLS: Mapping[str, str] = {"volts": "volts lost and amps", "amps": "amps alone"}
COMPUTERS: Mapping[str, str] = {
    "none": "none: nothing electric runs it",
    "kept": "the donor's as it is",
    "flashed": "the donor's, its program changed",
    "standalone": "a standalone one",
    "both": "the donor's and the machine's side by side",
}
LOOMS: Mapping[str, str] = {
    "thinned": "the donor's, thinned",
    "merged": "the donor's into the machine's",
    "standalone": "a standalone controller's",
    "own": "all new",
    "sent": "sent out to be thinned",
}
OIL_LIGHTS: Mapping[str, str] = {"one": "one switch, lamp and computer on it", "two": "two switches"}
COLD, FEEDS, SIGNALS = "Cold start", "Supply", "Signals"


@dataclass(frozen=True)
class ElectricsFacts:
    """Battery, starter and its leads, alternator, what draws, runs of wire. SI."""

    system: str = choice("System", SYSTEMS, group=FEEDS)
    coldest: Value = quantity(
        "Coldest start", "temperature", 233.15, 313.15, group=COLD, help="Engine, oil and battery soaked in it."
    )
    needs_speed: Value = quantity(
        "Starts from", "speed_rpm", 20.0, 500.0, group=COLD, help="Cranked at least so fast, cold."
    )
    resets: Value | None = quantity(
        "Engine computer stands down to",
        "voltage",
        4.0,
        30.0,
        group=COLD,
        help="At its pin; 7.5 V usual of a 12 V one.",
    )
    lead: WireFacts = role(
        WIRE,
        "Starter lead",
        group="Starter lead",
        labels={"length": "Battery to starter", "area": "Lead's size"},
        row="crank",
    )
    back: str = choice("Starter's current goes back", RETURNS, group="Starter lead")
    body: Value = quantity(
        "Joints, body and seams", "resistance", 0.0, 0.05, group="Starter lead", help="Lost volts over amps while cranking; 0.1 V a joint is much."
    )  # fmt: skip
    battery: BatteryFacts = role(BATTERY, "Battery", group="Battery", row="crank")
    starter: StarterFacts = role(STARTER, "Starter", group="Starter", row="crank")
    alternator: AlternatorFacts = role(ALTERNATOR, "Alternator", group="Alternator", row="charge")
    idles_for: Value = quantity(
        "Idles on a wet night for", "time", 60.0, 36000.0, group=FEEDS, help="In one go: a jam, a queue, a lock."
    )
    wires_by: str = choice("Wires sized by", SCHOOLS, group=FEEDS)
    loads: Several[LoadFacts] = several(LOAD, "Load", row="charge")
    runs: Several[RunFacts] = several(RUN, "Run", row="runs")
    computer: str | None = choice("Engine computer", COMPUTERS, group=SIGNALS)
    loom: str | None = choice("Loom", LOOMS, group=SIGNALS)
    oil_light: str | None = choice("Oil pressure's lamp", OIL_LIGHTS, group=SIGNALS)
    speed: PulsesFacts = role(PULSES, "Speed signal", group="Speed signal", row="speed", also=ASHORE)
    signals: Several[SignalFacts] = several(SIGNAL, "Pin", row="signals")
    senders: Several[SenderFacts] = several(SENDER, "Sender", row="senders")


WAYS: Mapping[str, Way] = ways_of(
    ElectricsFacts,
    {
        "coldest": Way("papers", "The coldest morning it must start on."),
        "needs_speed": Way("papers", "Its maker's; a petrol 80, a diesel 110 to 130 rpm."),
        "resets": Way("papers", "Its maker's least volts at the pin while cranking."),
        "body": Way("running", "Cranking: volts from block to battery post over the amps, both sides."),
        "lead.length": Way("under", "A string along the way from post to starter."),
        "lead.area": Way("hand", "Read on the sheath; or a calliper on the bared strands."),
        "idles_for": Way("papers", "The longest it stands running with lamps on."),
    },
)
