"""The agreed answers as a file: subject, question, and the summary of what was answered."""

import json
from collections.abc import Callable, Iterator
from pathlib import Path

from . import army, blazonry, colouring, devices, limits, painting, papers, places
from .summary import summary

BOOK = Path(__file__).with_name("answers.json")
SUBJECTS = {
    f"{module.__name__.rpartition('.')[2]}.{one.__name__}": one
    for module in (blazonry, devices, colouring, painting, places, army, papers, limits)
    for one in module.ANSWERS
}


def answers_of(subject: Callable[[], Iterator[tuple[str, object]]]) -> dict[str, list[float]]:
    """Every question of a subject with the summary of its answer."""
    return {question: summary(answer) for question, answer in subject()}


def answers_in_force() -> dict[str, dict[str, list[float]]]:
    """All answers of all subjects."""
    return {name: answers_of(subject) for name, subject in SUBJECTS.items()}


def written_book(answers: dict[str, dict[str, list[float]]]) -> str:
    """The file's text, a question a line."""
    blocks = []
    for name, answered in answers.items():
        lines = ",\n".join(f"  {json.dumps(question)}: {json.dumps(one)}" for question, one in answered.items())
        blocks.append(f" {json.dumps(name)}: {{\n{lines}\n }}")
    return "{\n" + ",\n".join(blocks) + "\n}\n"
