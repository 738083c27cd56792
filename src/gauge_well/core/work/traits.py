"""What of a build decides which tasks there are."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from gauge_well.core.case import BuildCase
from gauge_well.core.facts import Rule, fact
from gauge_well.core.typing import likely_or_none


@dataclass(frozen=True)
class Choice:
    """One decision about the work: what is asked, its sides, and which builds it is asked of."""

    label: str
    sides: Mapping[str, str]
    when: Callable[[Traits], bool] = lambda _: True


# Decisions that no system asks; each has a side by rule, named as such, until the builder picks one.
CHOICES: Mapping[str, Choice] = {
    "donor": Choice(
        "Donor", {"whole": "a whole machine", "engine": "an engine with its loom", "bare": "a bare engine"}
    ),
    "bench": Choice(
        "Bench run",
        {"none": "none", "dry": "dry, 20 to 30 s", "hose": "hose-fed, 10 to 20 min", "both": "dry, then hose-fed"},
    ),
    "way_in": Choice(
        "Engine goes in", {"above": "from above", "front": "from the front, its panel off", "below": "from below"}
    ),
    "gearbox": Choice("Gearbox goes in", {"with": "on the engine", "after": "after the engine"}, lambda t: t.gearbox),
    "front_pipe": Choice(
        "Front pipe", {"first": "laid in before the engine", "after": "dropped in after"}, lambda t: not t.wet_exhaust
    ),
    "beds": Choice("Engine beds", {"new": "built or changed", "kept": "kept"}, lambda t: t.boat),
    "turbo": Choice("Turbo", {"with": "with the swap", "later": "later"}, lambda t: t.turbo),
    "paint": Choice("Engine space", {"painted": "painted", "left": "left as it is"}),
    "hoist": Choice("Hoist", {"own": "there whenever wanted", "rented": "rented by the day"}),
}


def by_rule(case: BuildCase) -> dict[str, Rule]:
    """A side of each decision by what the build states (all common practice)."""
    lie, kind = case.installation.lie, case.machine.kind
    turbo = case.engine.aspiration == "turbo"
    across = lie in ("front_trans", "mid", "rear")
    with_it = fact(case.systems["weights"], "with_gearbox") != "engine"
    return {
        "donor": Rule("engine", "how most engines are sold"),
        "bench": Rule("hose", "leaks are cheaper to mend on the stand"),
        "way_in": Rule("below" if across else "above", "usual as it lies"),
        "gearbox": Rule("with" if with_it else "after", "as Weights lifts it"),
        "front_pipe": Rule("first" if lie == "front_trans" else "after", "usual as it lies"),
        "beds": Rule(
            "new" if kind == "boat" else "kept", "another engine's feet stand elsewhere" if kind == "boat" else ""
        ),
        "turbo": Rule("with" if turbo else "later", "the engine has one" if turbo else "none on the engine"),
        "paint": Rule("painted", "bare metal rusts under a loom"),
        "hoist": Rule("rented", "usual for one engine"),
    }


@dataclass(frozen=True, kw_only=True)
class Traits:
    """What of a build decides which tasks there are, and how large they are."""

    kind: str
    diesel: bool
    computer: bool
    loom: str
    turbo: bool
    charge_cooler: bool
    dry_sump: bool
    manual: bool
    automatic: bool
    gearbox: bool
    radiator: bool
    own_wheels: bool
    shafts: bool
    column: bool
    cabin: bool
    wet_exhaust: bool
    displacement: float | None
    choices: Mapping[str, str]

    @property
    def boat(self) -> bool:
        """It floats."""
        return self.kind == "boat"

    def chose(self, name: str, *sides: str) -> bool:
        """Whether a decision stands at one of these sides."""
        return self.choices[name] in sides


USUAL_SIZE = 2.5e-3  # m3 of displacement the usual hours are for
STILL = ("generator", "locomotive", "boat", "aircraft")


def traits_of(case: BuildCase, said: Mapping[str, str]) -> Traits:
    """Read the build. ``said``: what the builder picked of :data:`CHOICES`; the rest by rule."""
    kind, box = str(case.machine.kind), case.machine.gearbox

    def of(path: str) -> Any:
        section, _, name = path.partition(".")
        return fact(case.systems[section], name)

    boat = kind == "boat"
    rules = by_rule(case)
    return Traits(
        kind=kind,
        diesel=case.engine.fuel == "diesel",
        computer=of("electrics.computer") not in (None, "none"),
        loom=str(of("electrics.loom") or ""),
        turbo=case.engine.aspiration == "turbo",
        charge_cooler=case.engine.aspiration in ("turbo", "supercharged"),
        dry_sump=of("oil.sump") == "dry",
        manual=box == "manual" and kind not in STILL,
        automatic=box in ("automatic", "automatic_slipping", "hydrostatic"),
        gearbox=kind not in ("generator", "locomotive", "aircraft"),
        radiator=not boat,
        own_wheels=kind not in STILL,
        shafts=kind not in STILL and kind != "tractor",
        column=kind not in STILL,
        cabin=kind not in ("generator", "aircraft"),
        wet_exhaust=boat and case.machine.exhaust == "wet",
        displacement=likely_or_none(case.engine.displacement),
        choices={name: said.get(name) or str(rules[name].value) for name in CHOICES},
    )


def size_factor(traits: Traits) -> float:
    """How much longer what is sized takes on this engine: fourth root of its size, between .7 and 1.8 (common practice)."""
    if traits.displacement is None:
        return 1.0
    return float(min(max((traits.displacement / USUAL_SIZE) ** 0.25, 0.7), 1.8))
