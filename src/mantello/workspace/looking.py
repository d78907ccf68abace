"""The viewing controls of a stage, as links that keep the rest of the address."""

from urllib.parse import urlencode

from .seeing import DISTANCE_WORDS, GROUND_WORDS, LIGHT_WORDS, MOMENT_WORDS, SEVERITIES, SIGHT_WORDS, Seeing


def looking(seeing: Seeing, rest: dict[str, str]) -> dict:
    """Choices for every control, each with its words, its query and whether it is chosen."""

    def choices(name: str, words: dict[str, str]) -> list[tuple[str, str, bool]]:
        return [
            (said, urlencode(rest | seeing.query(**{name: value})), getattr(seeing, name) == value)
            for value, said in words.items()
        ]

    return {
        "distance": choices("distance", DISTANCE_WORDS),
        "light": choices("light", LIGHT_WORDS),
        "sight": choices("sight", SIGHT_WORDS),
        "severity": choices("severity", SEVERITIES) if seeing.sight != "full" else [],
        "moment": choices("moment", MOMENT_WORDS),
        "ground": choices("ground", GROUND_WORDS),
        "values": urlencode(rest | seeing.query(values=not seeing.values)),
        "neutral": urlencode(rest),
    }
