"""The old engine out, the bay measured, every thread proved."""

from __future__ import annotations

from gauge_well.core.work.task import Task, after, hours

TASKS = (
    Task(
        id="drain",
        title="Drain and disconnect: battery off, fuel and coolant out, rail let down",
        stage="strip",
        hours=hours(0.5, 1.5, 3),
        later=1,
        after=after(go="nothing is taken apart before"),
        why="Nothing runs out or sparks when it is taken apart.",
        caution="Petrol drained outdoors, away from any flame or spark; a fuel rail holds its pressure for days.",
    ),
    Task(
        id="prop",
        title="Prop the light end on rated stands",
        stage="strip",
        hours=hours(0.25, 0.5, 1),
        after=after(drain="it is light then"),
        tools=("rated stands",),
        again=1.0,
        lost="the machine: it tips once the engine is out",
        why="It tips once the engine is out.",
        when=lambda t: t.own_wheels,
    ),
    Task(
        id="old_out",
        title="Remove the old engine, weigh it with its dress",
        stage="strip",
        hours=hours(3, 7, 16),
        hands=2,
        lift=True,
        sized=True,
        after=after(
            record="how it stood is gone afterwards",
            record_afloat="how it floated is gone afterwards",
            prop="it tips once the engine is out",
            drain="what is in it runs out",
        ),
        tools=("hoist", "rated sling", "crane scale"),
        why="What comes out is weighed as it was dressed: the balance goes by it.",
        caution="Never under a hung load.",
    ),
    Task(
        id="round",
        title="Measuring round of the bay",
        stage="strip",
        hours=hours(1, 2.5, 5),
        later=2,
        after=after(old_out="it is in the way"),
        tools=("tape", "straight edge", "plumb"),
        why="Fit, cooling and exhaust all hang on these lengths.",
    ),
    Task(
        id="threads",
        title="Prove every thread that is used again",
        stage="strip",
        hours=hours(0.5, 2, 5),
        later=2.5,
        after=after(old_out="they are free then"),
        materials=("taps", "thread inserts"),
        again=3.0,
        why="Drilling out a broken stud spoils new paint.",
    ),
)
