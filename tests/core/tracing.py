"""Sees what a working reads: every number it takes keeps the path it came by, and one of them may be off.

A module's ``steps`` is called with views of the solved model in place of the model itself. A number read through a
view is a :class:`Read`; what is computed from it is a plain number again. So the value of a step tells whether it was
read from the model or worked out on the spot, and a reading made wrong tells which steps stand by it.
"""

from __future__ import annotations

import dataclasses
from collections.abc import Callable, Iterator, Sequence
from contextlib import ExitStack, contextmanager
from types import BuiltinFunctionType, FunctionType, MethodType, ModuleType
from typing import Any
from unittest import mock

import numpy as np

from gauge_well.core.working import Step, Working

OFF = 1.01
FUNCTIONS = (FunctionType, MethodType, BuiltinFunctionType)
off_path: list[str] = []


class Read(np.ndarray):
    """A number read from the model, with the path it was read by."""

    path: str

    def __array_finalize__(self, source: Any) -> None:
        """Keep the path through a change of shape."""
        self.path = getattr(source, "path", "")

    def __array_ufunc__(self, ufunc: Any, method: str, *inputs: Any, **options: Any) -> Any:
        """What is computed is no longer what was read."""
        return getattr(ufunc, method)(*plain(inputs), **options)

    def __array_function__(self, function: Any, types: Any, args: Any, options: Any) -> Any:
        """The same for functions."""
        return function(*plain(args), **plain(options))

    def __getitem__(self, key: Any) -> Any:
        """A part of it is read by a path of its own."""
        return seen(np.asarray(self)[key], f"{self.path}[{key}]")


class View:
    """Stands for an object of the model."""

    def __init__(self, real: Any, path: str) -> None:
        self._real, self._path = real, path

    def __getattr__(self, name: str) -> Any:
        return seen(getattr(self._real, name), f"{self._path}.{name}")


def plain(value: Any) -> Any:
    """Without views and paths."""
    if isinstance(value, View):
        return value._real
    if isinstance(value, Read):
        return np.asarray(value)
    if isinstance(value, dict):
        return {key: plain(item) for key, item in value.items()}
    return type(value)(map(plain, value)) if type(value) in (tuple, list) else value


def named(value: Any) -> str:
    """How an argument stands in a path."""
    if isinstance(value, View):
        return value._path
    return value.path or "..." if isinstance(value, Read) else repr(value)[:40]


def seen(value: Any, path: str) -> Any:
    """A value as the working sees it."""
    if isinstance(value, float | np.ndarray):
        array = np.asarray(value)
        read = np.asarray(array * OFF if path in off_path and array.dtype == float else array).view(Read)
        read.path = path
        return read
    if isinstance(value, FUNCTIONS):
        return lambda *args, **options: seen(
            value(*plain(args), **plain(options)), f"{path}({', '.join(map(named, (*args, *options.values())))})"
        )
    if isinstance(value, tuple | list):
        return type(value)(seen(item, f"{path}[{i}]") for i, item in enumerate(value))
    if isinstance(value, ModuleType) or (dataclasses.is_dataclass(value) and not isinstance(value, type)):
        return View(value, path)
    return value


@contextmanager
def watching(module: ModuleType) -> Iterator[None]:
    """A module's own view of what it imported from the core."""
    with ExitStack() as patches:
        for name, value in list(vars(module).items()):
            ours = getattr(value, "__module__", None) or getattr(value, "__name__", "")
            if ours == module.__name__ or not str(ours).startswith("gauge_well.core"):
                continue
            if isinstance(value, (ModuleType, *FUNCTIONS)):
                patches.enter_context(mock.patch.object(module, name, seen(value, name)))
        yield


@dataclasses.dataclass(frozen=True)
class Traced:
    """A step, and the path its value was read by; empty where it was worked out in the working itself."""

    step: Step
    path: str


def trace(module: ModuleType, steps: Callable[..., list[Step]], args: Sequence[Any], off: str = "") -> list[Traced]:
    """Call a module's ``steps`` on views of its arguments, one reading off by a hundredth."""
    paths: list[str] = []
    add = Working.add

    def adding(self: Working, symbol: str, name: str, formula: str, value: Any, *rest: Any, **options: Any) -> None:
        paths.append(value.path if isinstance(value, Read) else "")
        add(self, symbol, name, formula, value, *rest, **options)

    off_path[:] = [off] if off else []
    try:
        with watching(module), mock.patch.object(Working, "add", adding):
            found = steps(*(a if isinstance(a, int) else seen(a, f"{{{i}}}") for i, a in enumerate(args)))
    finally:
        off_path.clear()
    return [Traced(step, path) for step, path in zip(found, paths, strict=True)]
