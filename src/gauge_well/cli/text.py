"""A report for people, on a terminal."""

from __future__ import annotations

from typing import Any

from gauge_well.units import show
from gauge_well.units.printing import Preference

BAR = 24


def _bar(fill: float | None) -> str:
    """A level in a glass: the brim is the upright, over it goes on in hashes."""
    if fill is None:
        return "?" * 3
    inside = min(round(min(fill, 1.0) * BAR), BAR)
    over = min(round(max(fill - 1.0, 0.0) * BAR), 12)
    return "=" * inside + " " * (BAR - inside) + "|" + "#" * over


def as_text(report: dict[str, Any]) -> str:
    """Verdict, rows, checks by system, needs, notices."""
    prefer = Preference(**report["units"])
    names = {duty["id"]: duty["name"] for duty in report["duties"]}
    lines = [report["build"]["name"], report["headline"]["sentence"], report["headline"]["next"], ""]
    lines.append(
        f"{report['guesses']} of {report['stated']} facts given are guesses. Not judged: "
        + ", ".join(item["system"] for item in report["not_judged"])
        + "."
    )
    lines += ["", "What each part is good for"]
    for row in report["rows"]:
        lines.append(
            f"  {row['label']:22} {_bar(row['fill']):37} {_good_for(row, prefer)}{_band(row, prefer)} {names.get(row['duty'], '')}".rstrip()
        )
    for id, block in report["systems"].items():
        lines += ["", f"{block['title']}: {_state(report, id)}"]
        for check in block["checks"]:
            lines.append(
                f"  {check['name']:20} {names.get(check['duty'], '-'):26} {100 * check['fill']:4.0f} %  {check['sentence']}"
            )
        for unknown in block["unknown"]:
            lines.append(f"  {unknown['name']:20} unknown: {', '.join(unknown['missing'])} missing")
        lines += [f"  note: {notice['sentence']}" for notice in block["notices"]]
    lines += _moves(report, prefer)
    lines += ["", "What to look for"]
    lines += [f"  {need['sentence']}" for block in report["systems"].values() for need in block["need"]]
    cautions = [c["text"] for block in report["systems"].values() for c in block["cautions"]]
    lines += ["", "Mind"] + [f"  {text}" for text in cautions]
    return "\n".join(lines)


def _state(report: dict[str, Any], id: str) -> str:
    """A system's state; of one that nobody has begun, while others are, that."""
    scope = report["scope"].get(id)
    idle = scope is not None and not scope["started"] and not report["nothing_fitted"]
    state = str(report["systems"][id]["state"])
    return "not started" if idle and state == "unknown" else state


FEW = 6


def _moves(report: dict[str, Any], prefer: Preference) -> list[str]:
    """What would move it and what to measure next, where the build was drawn within its tolerances."""
    if not report.get("samples"):
        return []
    changes = [
        c for b in report["systems"].values() for c in b.get("remedies", ()) if c["matters"] and not c["rejected"]
    ]
    changes = sorted(changes, key=lambda c: (-c["buys"], c["school"], -(c["headroom_w"] or 0.0)))[:FEW]
    lines = ["", f"Holds in {show(report['holds_probability'], 'fill', prefer)} of cases within the tolerances."]
    lines += ["", "What would move it"]
    lines += [f"  {c['label']:52} {c['whole'] or c['gain']:>14}  {c['own']}" for c in changes]
    lines += [f"  together: {c['label']}: {c['whole'] or c['gain']}" for c in report["pairs"][:2]]
    lines += ["", "Measure next"]
    for item in report["measure_next"][:FEW]:
        lines.append(f"  {item['label']:36} {show(item['chance'], 'fill', prefer):>5}  {item['how']}")
    return [*lines, f"  {report['model_spread']['sentence']}"]


def _band(row: dict[str, Any], prefer: Preference) -> str:
    """Reach in 90 of 100 cases, in brackets; empty where tolerance was not asked for."""
    if row.get("reach_low_code") in (None, "unknown") or row["kind"] != "power":
        return ""
    low = show(row["reach_low_w"], "power", prefer) if row["reach_low_w"] is not None else row["reach_low_code"]
    high = show(row["reach_high_w"], "power", prefer) if row["reach_high_w"] is not None else row["reach_high_code"]
    return f" ({low} to {high})" if low != high else ""


def _good_for(row: dict[str, Any], prefer: Preference) -> str:
    if row["reach_code"] == "unknown":
        return "not given"
    if row["kind"] == "gate":
        return str(row["sentence"])
    if row["kind"] == "load":
        if row["carries_w"] is None:
            return "carries any load asked" if row["reach_code"] == "above" else "carries nothing"
        return f"carries {show(row['carries_w'], 'power', prefer)}, needs {show(row['needs_w'], 'power', prefer)}"
    if row["reach_w"] is None:
        return "over four times the power" if row["reach_code"] == "above" else "fails at any power"
    return show(row["reach_w"], "power", prefer)
