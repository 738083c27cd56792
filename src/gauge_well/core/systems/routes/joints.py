"""Joints: threads in holes, hoses over spigots."""

from __future__ import annotations

from dataclasses import dataclass
from math import tau

from gauge_well.core.fittings import spigot
from gauge_well.core.fittings.spigot import HOSES
from gauge_well.core.fittings.thread import THREADS, Fits, Thread, Wall, clocked, engaged, fits, wall
from gauge_well.core.parts.joint import JointFacts
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import Array, likely


@dataclass(frozen=True)
class Joint:
    """A joint by its place and name."""

    id: str
    name: str
    facts: JointFacts

    @property
    def male(self) -> Thread | None:
        """Thread of the fitting."""
        return THREADS[self.facts.male] if self.facts.what == "thread" and self.facts.male else None

    @property
    def female(self) -> Thread | None:
        """Thread of the hole."""
        return THREADS[self.facts.female] if self.facts.what == "thread" and self.facts.female else None

    @property
    def fits(self) -> Fits | None:
        """Whether one goes in the other."""
        return None if self.male is None or self.female is None else fits(self.male, self.female)

    @property
    def wall(self) -> Wall | None:
        """Left round the hole."""
        return None if self.female is None or self.facts.boss is None else wall(likely(self.facts.boss), self.female)

    @property
    def asked(self) -> float | None:
        """Length in engagement that holds [m]."""
        return None if self.female is None else engaged(self.female, self.facts.made_of == "light")

    @property
    def turns(self) -> float | None:
        """Turns past hand tight until an elbow of a taper thread points as it should; None where that is not asked, or cannot be."""
        own = self.facts
        if self.male is None or not self.male.of.male_taper or own.at_hand is None or own.wanted is None:
            return None
        return clocked(likely(own.at_hand) / tau, likely(own.wanted) / tau)

    @property
    def stretch(self) -> Array | None:
        """Of a hose's bore over its spigot."""
        own = self.facts
        return None if own.what != "spigot" or own.hose is None or own.spigot is None else spigot.stretch(own.spigot, own.hose)  # fmt: skip

    @property
    def sold(self) -> list[float | None]:
        """Spigots sold for its hoses [m]: of a tee run and branch, of a spigot the hose's own; None where none sits."""
        own = self.facts
        bores = [own.hose] if own.what == "spigot" else [own.hose, own.branch] if own.what == "tee" else []
        return [spigot.sold(likely(bore), self.most) for bore in bores if bore is not None]

    @property
    def sits(self) -> bool | None:
        """Whether a hose sits on its spigot: neither stretched too far nor too loose for a clamp; None where that is not known."""
        stretch = self.stretch
        return None if stretch is None else -spigot.LOOSE <= likely(stretch) <= self.most

    @property
    def most(self) -> float:
        """Stretch that such a hose bears."""
        return HOSES[self.facts.kind].stretch


def all_of(facts: RoutesFacts) -> list[Joint]:
    """Every joint of which it is said what it is."""
    found = []
    for number, (id, own) in enumerate(facts.joints, 1):
        if own.what is not None:
            label = {"thread": "Thread", "spigot": "Hose", "tee": "Tee"}[own.what]
            found.append(Joint(id, f"{label}, {own.where}" if own.where else f"{label} {number}", own))
    return found
