"""Data logs of every shape that loggers write, and what is refused with its line."""

import contextlib
import io

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from judicum.core.datalog import DataLog, read_data_log
from judicum.core.datalog import read as reading
from judicum.core.errors import InvalidValue

ROWS = [(k / 50, 50.0 + k % 3) for k in range(40)]


def read(text: str) -> DataLog:
    return read_data_log(io.StringIO(text))


def table(header: str, row: str = "{t},{i}") -> str:
    lines = [row.format(t=t, i=i, ms=t * 1000, comma=str(i).replace(".", ",")) for t, i in ROWS]
    return "\n".join([header, *lines]) + "\n"


@pytest.mark.parametrize(
    ("header", "row"),
    [
        ("time,current", "{t},{i}"),
        ("Time (ms),Welding current (A)", "{ms},{i}"),
        ("I [A];t [ms]", "{comma};{ms}"),
        ("Elapsed/s\tAmps/A\tnote", "{t}\t{i}\tx"),
        ("\ufeff# made by a box\nt,note,I (mA)", "{t},a, {i}e3"),
        ('"time (s)","current (A)"', '"{t}","{i}"'),
    ],
)
def test_columns_in_any_order_and_unit(header: str, row: str) -> None:
    log = read(table(header, row))
    assert log.rate_hz == pytest.approx(50, rel=0.001)
    assert log.time_s[-1] == pytest.approx(0.78)
    np.testing.assert_allclose(log.current_a, [i for _, i in ROWS], rtol=1e-5)


def test_what_else_there_is() -> None:
    rows = "\n".join(f"{t},50,10.5,on,600,0.8" for t, _ in ROWS)
    log = read(f"t,I,U (V),gas valve,wire (mm/min),rotator (rpm)\n{rows}\n")
    assert (
        log.voltage_v is not None
        and log.gas_on is not None
        and log.wire_mm_s is not None
        and log.rotator_rpm is not None
    )
    assert [float(a[0]) for a in (log.voltage_v, log.gas_on, log.wire_mm_s, log.rotator_rpm)] == pytest.approx(
        [10.5, 1, 10, 0.8]
    )


@pytest.mark.parametrize(
    ("text", "line", "allowed"),
    [
        ("", "line 1", "allowed-log-header"),
        (table("speed,current"), "line 1", "allowed-log-header"),
        (table("time (weeks),current"), "line 1", "allowed-log-unit"),
        (table("time,current") + "oops,50\n", "line 42", "allowed-log-figure"),
        (table("time,current") + "9,nan\n", "line 42", "allowed-log-figure"),
        (table("time,current") + "9\n", "line 42", "allowed-log-cells"),
        (table("time,current") + "0.1,50\n", "line 42", "allowed-log-ascending"),
        (table("time,current") + "9," + "5" * 5000 + "\n", "line 42", "allowed-log-line"),
        ("time,current\n1,2\n", "log", "allowed-log-samples"),
        ("time,current\n" + "".join(f"{k},50\n" for k in range(30)), "log", "allowed-log-rate"),
        ("time (us),current\n" + "".join(f"{k},50\n" for k in range(30)), "log", "allowed-log-rate"),
    ],
)
def test_what_is_wrong_is_named_with_its_line(text: str, line: str, allowed: str) -> None:
    with pytest.raises(InvalidValue) as refused:
        read(text)
    (problem,) = refused.value.problems
    assert (problem.field, problem.allowed.name) == (line, allowed)  # type: ignore[union-attr]


def test_rows_are_read_one_by_one_as_together(monkeypatch: pytest.MonkeyPatch) -> None:
    quoted = table("time;current", "{t};{i}").replace("5", '"5"', 1)
    together, singly = read(table("time;current", "{t};{i}")), read(quoted)
    monkeypatch.setattr(reading, "AT_ONCE", 7)
    for one in (singly, read(quoted)):
        assert np.array_equal(one.time_s, together.time_s)
        assert np.array_equal(one.current_a, together.current_a)


def test_a_log_without_end_is_ended(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(reading, "MAX_ROWS", 30)
    with pytest.raises(InvalidValue) as refused:
        read(table("time,current"))
    assert refused.value.problems[0].field == "line 32"


@settings(max_examples=60, deadline=None)
@given(st.text(alphabet=st.characters(codec="utf-8"), max_size=400))
def test_whatever_it_holds_it_is_read_or_refused(text: str) -> None:
    for made in (text, "time,current\n" + text):
        with contextlib.suppress(InvalidValue):
            log = read(made)
            assert len(log.time_s) == len(log.current_a)
