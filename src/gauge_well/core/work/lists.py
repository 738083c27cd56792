"""What is forgotten: what comes off the donor, what is renewed while it is open, what can stop the job, what a kit lacks.

All of it common practice, chosen by what the build is.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from gauge_well.core.work.traits import Traits

TAKE, RENEW, BLOCKER = "take", "renew", "blocker"


def _always(_: Traits) -> bool:
    return True


@dataclass(frozen=True)
class Wanted:
    """A thing that is easily forgotten: what list it is of, the task that wants it, why."""

    id: str
    label: str
    group: str
    task: str
    why: str
    when: Callable[[Traits], bool] = _always


def _donor(t: Traits) -> bool:
    return t.chose("donor", "whole", "engine")


WANTED: tuple[Wanted, ...] = (
    Wanted(
        "take_loom",
        "engine loom, uncut",
        TAKE,
        "loom",
        "its plugs and lengths are not sold",
        lambda t: _donor(t) and t.computer,
    ),
    Wanted(
        "take_computer",
        "engine computer with its key box",
        TAKE,
        "bench_wiring",
        "one knows only the other",
        lambda t: _donor(t) and t.computer,
    ),
    Wanted(
        "take_pedal",
        "accelerator pedal with its plug",
        TAKE,
        "circuits",
        "two tracks that only its computer knows",
        lambda t: _donor(t) and t.computer and t.own_wheels,
    ),
    Wanted(
        "take_senders",
        "plugs of all senders with a hand of wire",
        TAKE,
        "loom",
        "a plug alone costs more than its sender",
        _donor,
    ),
    Wanted("take_brackets", "brackets of alternator and pump", TAKE, "accessories", "they set the belt's line", _donor),
    Wanted("take_mounts", "engine's feet and their bolts", TAKE, "jig", "the jig is made from them", _donor),
    Wanted(
        "take_clutch_pipe",
        "clutch pipe and its clip",
        TAKE,
        "controls_trial",
        "left on the donor more often than anything",
        lambda t: _donor(t) and t.manual,
    ),
    Wanted(
        "take_fan",
        "fan with its controller and plug",
        TAKE,
        "core",
        "the computer drives that one",
        lambda t: _donor(t) and t.radiator,
    ),
    Wanted(
        "take_flange",
        "front pipe's flange and its studs",
        TAKE,
        "manifold",
        "its pattern is its own",
        lambda t: _donor(t) and not t.wet_exhaust,
    ),
    Wanted(
        "take_charge",
        "charge cooler with its necks",
        TAKE,
        "core",
        "sized for that engine",
        lambda t: _donor(t) and t.charge_cooler,
    ),
    Wanted(
        "take_starter_plate",
        "plate between engine and gearbox",
        TAKE,
        "trial_flywheel",
        "the starter stands on it",
        lambda t: _donor(t) and t.gearbox,
    ),
    Wanted("take_papers", "papers of engine and donor", TAKE, "gas_test", "an inspection asks for them", _always),
    Wanted(
        "renew_belt", "timing belt or chain, tensioner", RENEW, "renew", "half an hour on the stand, a day in the bay"
    ),
    Wanted("renew_pump", "water pump", RENEW, "renew", "behind the belt"),
    Wanted("renew_thermostat", "thermostat and its seal", RENEW, "renew", "cheap, and the first to be doubted"),
    Wanted("renew_rear_seal", "rear seal of the crank", RENEW, "dowels", "behind the flywheel", lambda t: t.gearbox),
    Wanted("renew_core_plugs", "core plugs behind the flywheel", RENEW, "dowels", "nobody sees them again"),
    Wanted(
        "renew_clutch", "clutch, bearing and spigot", RENEW, "clutch", "the gearbox is off once", lambda t: t.manual
    ),
    Wanted("renew_pickup_seal", "pickup's seal", RENEW, "pickup", "it draws air and says nothing"),
    Wanted("renew_plugs", "spark plugs", RENEW, "renew", "easy on the stand", lambda t: not t.diesel),
    Wanted("renew_glow", "glow plugs and injector washers", RENEW, "renew", "easy on the stand", lambda t: t.diesel),
    Wanted(
        "renew_turbo_feed",
        "turbo's oil feed and its screen",
        RENEW,
        "returns",
        "carbon in it is the next turbo",
        lambda t: t.turbo,
    ),
    Wanted("renew_hoses", "all coolant hoses", RENEW, "coolant", "they are cut to the new bay anyhow"),
    Wanted(
        "renew_damper",
        "crank's damper looked over, its rubber",
        RENEW,
        "accessories",
        "a slipped ring shakes and lies about timing",
    ),
    Wanted(
        "block_law", "word of the authority and the insurer, in writing", BLOCKER, "blockers", "it can forbid all of it"
    ),
    Wanted(
        "block_gearbox",
        "gearbox route with its price",
        BLOCKER,
        "gearbox_route",
        "often known last, and it ends the job",
        lambda t: t.gearbox,
    ),
    Wanted(
        "block_adapter",
        "adapter or coupling with its lead time",
        BLOCKER,
        "order_long",
        "the longest wait",
        lambda t: t.gearbox,
    ),
    Wanted(
        "block_computer",
        "controller and its mapping",
        BLOCKER,
        "run_in",
        "it costs as much as the engine",
        lambda t: t.computer,
    ),
    Wanted("block_weld", "welding of what carries, by who is qualified", BLOCKER, "weld", "not everybody's"),
    Wanted("block_hoist", "hoist or crane", BLOCKER, "old_out", "by the day, more than once"),
    Wanted(
        "block_exhaust",
        "exhaust built or bought",
        BLOCKER,
        "weld_exhaust",
        "rarely what was thought",
        lambda t: not t.wet_exhaust,
    ),
    Wanted(
        "block_inspection",
        "inspection and its fee",
        BLOCKER,
        "gas_test",
        "it decides whether it may be used",
        lambda t: t.own_wheels,
    ),
    Wanted("block_slip", "slip or crane for the boat", BLOCKER, "align", "booked a season ahead", lambda t: t.boat),
    Wanted(
        "block_inspector",
        "inspector's consent before work begins",
        BLOCKER,
        "blockers",
        "a licensed person decides",
        lambda t: t.kind == "aircraft",
    ),
)


def wanted(traits: Traits) -> list[Wanted]:
    """What a build of these traits is likely to want."""
    return [item for item in WANTED if item.when(traits)]


@dataclass(frozen=True)
class Holds:
    """What a kit should hold."""

    id: str
    label: str
    when: Callable[[Traits], bool] = _always


# Kits by what they are for, and what each needs to be whole.
KITS: Mapping[str, tuple[str, tuple[Holds, ...]]] = {
    "adapter": (
        "gearbox adapter",
        (
            Holds("plate", "adapter plate"),
            Holds("dowels", "dowels"),
            Holds("bolts", "bolts of both patterns"),
            Holds("flywheel", "flywheel or spacer", lambda t: t.manual),
            Holds("flexplate", "flexplate", lambda t: t.automatic),
            Holds("spigot", "spigot bearing or bush", lambda t: t.manual),
            Holds("bearing", "release bearing and its carrier", lambda t: t.manual),
            Holds("starter", "starter that meets the ring"),
        ),
    ),
    "mounts": (
        "mounts",
        (
            Holds("sides", "side brackets"),
            Holds("tail", "tail mount or crossmember", lambda t: t.gearbox),
            Holds("rubbers", "rubbers"),
            Holds("sleeves", "sleeves and safety washers"),
            Holds("bolts", "bolts of their class"),
        ),
    ),
    "cooling": (
        "cooling",
        (
            Holds("core", "radiator", lambda t: t.radiator),
            Holds("fan", "fan and shroud", lambda t: t.radiator),
            Holds("necks", "necks or hoses to fit"),
            Holds("header", "header and cap"),
            Holds("switch", "fan's switch or relay", lambda t: t.radiator),
            Holds("brackets", "brackets and rubbers"),
        ),
    ),
    "exhaust": (
        "exhaust",
        (
            Holds("manifold", "manifold or flanges"),
            Holds("front", "front pipe"),
            Holds("silencer", "silencer", lambda t: not t.wet_exhaust),
            Holds("bends", "bends and clamps"),
            Holds("gaskets", "gaskets and studs"),
            Holds("sensor", "bung of the sensor", lambda t: t.computer and not t.diesel),
        ),
    ),
    "loom": (
        "loom",
        (
            Holds("engine", "engine loom"),
            Holds("power", "fuse and relay box"),
            Holds("pedal", "pedal's plug", lambda t: t.computer and t.own_wheels),
            Holds("diagnosis", "diagnosis plug", lambda t: t.computer),
            Holds("labels", "a drawing, pin by pin"),
        ),
    ),
}


def lacks(kit: str, holds: frozenset[str], traits: Traits) -> list[str]:
    """What a kit does not hold of what this build needs of it, as one says it."""
    _, needs = KITS[kit]
    return [item.label for item in needs if item.when(traits) and item.id not in holds]
