"""The engine in for good, everything joined to it, every circuit proved."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace

from gauge_well.core.work.span import Span
from gauge_well.core.work.task import Task, after, hours
from gauge_well.core.work.traits import Traits

_IN = "it joins the engine"


def _way_in(task: Task, traits: Traits) -> Task:
    """From above as it is; from below the machine is raised over it, from the front its panel is off and goes on again."""
    if traits.chose("way_in", "below"):
        tools = ("hoist", "tall rated stands", "a flat trolley")
        return replace(task, title="Engine in from below", hours=hours(2, 5, 10), tools=tools)
    if traits.chose("way_in", "front"):
        return replace(task, title="Engine in from the front, panel on again", hours=hours(2, 5, 9))
    return task


# By the loom's school: hours, what it is called, days that pass while it is away (common practice).
LOOMS: Mapping[str, tuple[Span, str, float]] = {
    "thinned": (hours(4, 10, 25), "Donor's loom thinned and joined", 0.0),
    "merged": (hours(6, 14, 35), "Looms merged and joined", 0.0),
    "standalone": (hours(4, 8, 18), "Standalone loom laid and joined", 0.0),
    "own": (hours(8, 18, 45), "Own loom made and joined", 0.0),
    "sent": (hours(2, 4, 8), "Loom sent out, then joined", 14.0),
}


def _loomed(task: Task, traits: Traits) -> Task:
    """By the school that Electrics states."""
    found = LOOMS.get(traits.loom)
    if found is None:
        return task
    span, title, days = found
    return replace(task, title=title, hours=span, lag=24.0 * days, lag_why="it is away" if days else "")


TASKS = (
    Task(
        id="dowels",
        title="Dowels and plugs: bell run-out, gallery and core plugs, rear seal",
        stage="install",
        hours=hours(0.5, 1.5, 3),
        after=after(mock_out="the end is bare"),
        covers="rear seal, gallery plugs, dowels",
        tools=("dial indicator",),
        why="Behind the flywheel nobody looks again.",
        when=lambda t: t.gearbox,
    ),
    Task(
        id="clutch",
        title="Clutch centred, spigot greased, release bearing",
        stage="install",
        hours=hours(0.5, 1.5, 3),
        after=after(dowels="it covers them", trial_flywheel="the right pattern"),
        parts=("driveline.clutch", "driveline.flywheel"),
        covers="clutch, spigot bearing",
        why="Fitted after the engine is in, the gearbox comes off again.",
        when=lambda t: t.manual,
    ),
    Task(
        id="marry",
        title="Marry the gearbox to the engine",
        stage="install",
        hours=hours(0.75, 1.5, 3),
        hands=2,
        lift=True,
        after=after(
            clutch="it is inside",
            dowels="they centre it",
            trial_flywheel="the right pattern",
            mock_out="it is out",
        ),
        why="The bell goes home by hand; drawn in by its bolts it breaks.",
        when=lambda t: t.gearbox and t.chose("gearbox", "with"),
    ),
    Task(
        id="look_round",
        title="Look round: loom, leads, hands, before it moves",
        stage="install",
        hours=hours(0.25, 0.25, 0.5),
        after=after(
            brake_lines="out of reach afterwards",
            rear_loom="out of reach afterwards",
            fuel_lines="out of reach afterwards",
            shields="out of reach afterwards",
            heater_bulkhead="out of reach afterwards",
            shaft_log="out of reach afterwards",
            pipe_laid="it cannot go in later",
            clear_way="the engine hangs meanwhile",
            marry="they go in together",
            clutch="the gearbox comes off again for it",
            weld="its mounts carry it",
            paint="it cannot be reached afterwards",
            bench_hose="leaks are cheaper to mend on the stand",
        ),
        hold="nothing of loom, leads, straps or hoses lies where it comes down",
        again=0.0,
        why="A wire pinched behind a bracket is found after the first start.",
    ),
    Task(
        id="engine_in",
        title="Engine in",
        stage="install",
        hours=hours(1.5, 4, 8),
        hands=2,
        lift=True,
        sized=True,
        after=after(
            look_round="what lies in its way is pinched",
            pipe_laid="it cannot go in later",
            clear_way="it comes out again",
            marry="they go in together",
        ),
        tools=("hoist", "rated sling"),
        covers="the bulkhead behind it",
        varies=_way_in,
        why="Two people, one at the hoist, none beneath.",
        caution="Never under a hung load; the hoist's and the sling's rating stands on them.",
    ),
    Task(
        id="gearbox_after",
        title="Raise the gearbox to the engine",
        stage="install",
        branch="running",
        hours=hours(2, 4, 8),
        hands=2,
        sized=True,
        after=after(engine_in="it bolts to it", clutch="it is inside", dowels="they centre it"),
        tools=("gearbox jack", "rated stands"),
        why="The bell goes home by hand; drawn in by its bolts it breaks.",
        caution="The machine on rated stands, never on a jack alone.",
        when=lambda t: t.gearbox and t.chose("gearbox", "after"),
    ),
    Task(
        id="snug",
        title="Snug the mounts",
        stage="install",
        branch="running",
        hours=hours(0.5, 1, 2),
        after=after(engine_in=_IN, gearbox_after="it carries the tail"),
        parts=("mounts.mounts",),
        why="Snug, not tight: shafts still have to find their line.",
    ),
    Task(
        id="align",
        title="Align to the shaft, shim, couple",
        stage="install",
        branch="running",
        hours=hours(2, 5, 10),
        hands=2,
        after=after(snug="it stands on its feet", shaft_log="the engine comes to the shaft"),
        hold="gap at four places of the coupling within the maker's limit, afloat for two days",
        why="A shaft out of line wears its bearing and its gear.",
        when=lambda t: t.boat,
    ),
    Task(
        id="shafts_in",
        title="Shafts in, turned a full turn, then mounts to torque",
        stage="install",
        branch="running",
        hours=hours(1, 2.5, 5),
        after=after(snug="tight mounts block the shafts"),
        parts=("driveline.shafts", "driveline.halves"),
        why="A shaft's end that scrapes is seen in one full turn.",
        when=lambda t: t.shafts,
    ),
    Task(
        id="exhaust_joined",
        title="Join the exhaust",
        stage="install",
        branch="running",
        hours=hours(1, 2.5, 5),
        after=after(
            pipe_laid="its front is there",
            shafts_in="they pass it",
            snug="it hangs from the engine",
            weld_exhaust="it is in one piece",
            align="it hangs from the engine",
        ),
        materials=("gaskets", "clamps"),
        why="Last, so that nothing is hung from it.",
    ),
    Task(
        id="coolant",
        title="Coolant: hoses, heater, header; pressure test, fill, bleed",
        stage="install",
        branch="fluids",
        hours=hours(1.5, 3.5, 7),
        later=1,
        after=after(engine_in=_IN, core="it is tried", raw_water="it is tried"),
        materials=("hoses", "clamps", "coolant"),
        parts=("cooling.hose", "cooling.header_tank", "cooling.heater"),
        why="A pressure test finds the leak that a start would.",
    ),
    Task(
        id="oil_lines",
        title="Oil lines, tank and cooler joined; primed",
        stage="install",
        branch="fluids",
        hours=hours(1, 2.5, 5),
        after=after(engine_in=_IN),
        parts=("oil.cooler", "oil.cooler_line"),
        why="A dry scavenge line holds the first oil.",
        when=lambda t: t.dry_sump,
    ),
    Task(
        id="fuel_tight",
        title="Fuel circuit proved tight",
        stage="install",
        branch="fluids",
        hours=hours(0.5, 1.5, 3),
        later=1,
        after=after(fuel_lines="they are laid", engine_in=_IN),
        hold="at working pressure, ignition off, a dry cloth at each joint: dry after ten minutes",
        again=1.0,
        lost="the machine, by fire",
        why="Before the first spark in the machine.",
        caution="Air only on lines that never held fuel, tank shut off, 20 to 50 kPa, with soap; then fuel at working pressure, ignition off.",
    ),
    Task(
        id="cables",
        title="Battery cables, grounds, strain relief",
        stage="install",
        branch="hands",
        hours=hours(0.75, 2, 4),
        later=1,
        after=after(rear_loom="they are laid", engine_in=_IN),
        parts=("electrics.battery", "electrics.starter", "electrics.lead"),
        why="Most of what does not start has a poor ground.",
    ),
    Task(
        id="loom",
        title="Engine loom joined",
        varies=_loomed,
        stage="install",
        branch="hands",
        hours=hours(3, 10, 30),
        later=1.5,
        after=after(rear_loom="it ends there", engine_in="its plugs are there"),
        why="Thinned, merged or new: the longest job most underrate.",
        when=lambda t: t.computer,
    ),
    Task(
        id="circuits",
        title="Circuits: each works, does not, or is untested; pedal and sensors swept",
        stage="install",
        branch="hands",
        hours=hours(1, 3, 8),
        after=after(cables="they feed it", loom="it is joined"),
        again=1.0,
        why="A pedal with two wires changed over is found here, not by tuning.",
    ),
    Task(
        id="controls_free",
        title="Throttle, clutch and gears: full and free, frees, every gear",
        stage="install",
        branch="hands",
        hours=hours(0.5, 1, 2),
        later=1,
        after=after(
            controls_trial="it was tried",
            circuits="the pedal is swept",
            shafts_in="it can roll",
            engine_in=_IN,
            gearbox_after="the lever is on it",
            align="it can turn",
        ),
        hold="full at the stop, snaps shut, engine rocked; every gear with the clutch down",
        why="A throttle that sticks is found with the engine dead.",
    ),
    Task(
        id="brakes",
        title="Brakes and steering: bled, vacuum, lock to lock",
        stage="install",
        branch="hands",
        hours=hours(0.75, 2, 4),
        later=1,
        hands=2,
        after=after(brake_lines="they are laid", engine_in="its vacuum, and what is beside the rack"),
        hold="pedal hard, vacuum held, full steering lock both ways without a touch",
        why="It must stop before it goes.",
        caution="Inspected by who is licensed for it before the road.",
        when=lambda t: t.column,
    ),
    Task(
        id="levels",
        title="Levels: all oils, second check",
        stage="install",
        branch="fluids",
        hours=hours(0.25, 0.5, 1),
        later=1,
        after=after(engine_in=_IN, gearbox_after="its own oil", coolant="its level", oil_lines="tank and lines"),
        hold="engine, gearbox, differential, coolant, brake fluid: read by a second pair of eyes",
        again=0.0,
        lost="the engine or the gearbox: run dry",
        why="What was drained months ago is still empty.",
    ),
)
