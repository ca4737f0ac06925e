"""The guide for newcomers."""

from typing import Literal

from judicum.server.answers.base import Answer, Request

GuideKey = Literal["card", "people", "coupon", "photo", "mark", "log", "send", "read"]


class GuideStep(Answer):
    """One of the first things to do, and whether it is done."""

    key: GuideKey
    done: bool


class Guide(Answer):
    """The first things to do in a course; none where it is `over`: done, or dismissed. `attempt` is the first that can be marked."""

    steps: list[GuideStep]
    over: bool
    attempt: int | None


class GuideRequest(Request):
    """`card`: a scale card was printed. `over`: not to be shown again."""

    tick: Literal["card", "over"]
