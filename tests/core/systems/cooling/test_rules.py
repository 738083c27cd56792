"""What cooling's rules fill in: they follow what the duties ask."""

from typing import Any

from gauge_well.services.sizing import size_document
from gauge_well.sheet import load, resolve
from tests.support import ROAD, NumbersCase, changed, check_of


class Condenser(NumbersCase):
    """Air conditioning has a condenser, and it stands in the core's air."""

    def town(self, cooled: str, **more: Any) -> dict[str, Any]:
        duty = {"id": "town", "kind": "road", "speed": "15 km/h", "ambient": "36 C", "air_conditioning": cooled}
        return changed(ROAD, duties=[duty], **more)

    def condenser(self, raw: dict[str, Any]) -> str:
        return str(resolve(load(raw)).case.systems["cooling"].condenser_front)

    def test_there_where_a_duty_runs_it(self) -> None:
        self.assertEqual(self.condenser(self.town("yes")), "yes")
        self.assertEqual(self.condenser(self.town("no")), "no")
        self.assertEqual(self.condenser(self.town("yes", cooling__condenser_front="no")), "no", "what is stated stands")

    def test_by_rule_as_if_it_were_stated(self) -> None:
        ruled, stated = size_document(self.town("yes")), size_document(self.town("yes", cooling__condenser_front="yes"))
        self.close(
            check_of(ruled, "cooling", "heat", "town")["fill"],
            check_of(stated, "cooling", "heat", "town")["fill"],
            rel=1e-12,
        )
        without = size_document(self.town("yes", cooling__condenser_front="no"))
        # Its heat and its resistance both tell: a tenth at the very least (common practice).
        self.assertGreater(
            check_of(ruled, "cooling", "heat", "town")["fill"],
            1.1 * check_of(without, "cooling", "heat", "town")["fill"],
        )


class WayOut(NumbersCase):
    """The air leaves by what such a machine has (common practice)."""

    def exit_of(self, kind: str, power: str) -> float:
        facts = {"machine__kind": kind, "engine__rated_power": power}
        return float(resolve(load(changed(ROAD, **facts))).case.systems["cooling"].exit_area)

    def test_by_kind_of_machine(self) -> None:
        car, pickup = self.exit_of("road_car", "75 kW"), self.exit_of("truck", "75 kW")
        self.assertGreater(pickup, 1.3 * car, "a truck's bay is the more open")

    def test_a_half_open_engine_s_grows_with_its_power(self) -> None:
        single, shunter = self.exit_of("locomotive", "6 kW"), self.exit_of("locomotive", "200 kW")
        self.close([single, shunter], [0.10, 2.4], rel=1e-9)
        self.assertEqual(
            self.exit_of("road_car", "6 kW"), self.exit_of("road_car", "200 kW"), "a car's bay is its body's"
        )
