"""Whether the weather is right for what is sprayed: starting values, the can's label counts for more."""

from dataclasses import dataclass

from ..errors import OutOfRange

#: degrees and relative humidity, %, in which sprays usually behave: least and most; a varnish turns white sooner
DEGREES, HUMIDITY, VARNISH_HUMIDITY = (10.0, 30.0), (20.0, 70.0), (20.0, 60.0)
#: how the wind is told, the first two of which leave a spray alone
WINDS = {"calm": "calm", "light": "light air", "windy": "windy"}
#: what a thermometer and a hygrometer may say
_DEGREES, _HUMIDITY = (-30.0, 60.0), (0.0, 100.0)


@dataclass(frozen=True)
class Weather:
    """Weather at a spray; None where it was not looked at."""

    degrees: float | None = None
    humidity: float | None = None
    wind: str = ""

    @property
    def words(self) -> str:
        """As in '18 °C, 55 % damp, calm'; '' for nothing."""
        said = [f"{self.degrees:g} °C"] if self.degrees is not None else []
        said += [f"{self.humidity:g} % damp"] if self.humidity is not None else []
        return ", ".join([*said, *([WINDS[self.wind]] if self.wind else [])])


def checked_weather(weather: Weather) -> Weather:
    """The weather, if it can be. Raises: OutOfRange at the field."""
    for name, (least, most) in (("degrees", _DEGREES), ("humidity", _HUMIDITY)):
        given = getattr(weather, name)
        if given is not None and not least <= given <= most:
            raise OutOfRange(f"{given:g}; allowed is {least:g} to {most:g}.", name)
    if weather.wind and weather.wind not in WINDS:
        raise OutOfRange(f"'{weather.wind}' is no wind; there are {', '.join(WINDS)}.", "wind")
    return weather


def judged(weather: Weather, *, varnish: bool = False) -> tuple[str, ...]:
    """What the weather may do to a spray, in sentences; nothing where it is in the usual window."""
    said = []
    least, most = DEGREES
    if weather.degrees is not None and weather.degrees < least:
        said.append(f"{weather.degrees:g} °C is cold for a spray: it goes on wet and dries slowly, look for runs.")
    if weather.degrees is not None and weather.degrees > most:
        said.append(f"{weather.degrees:g} °C is hot for a spray: it dries in the air, look for grain.")
    least, most = VARNISH_HUMIDITY if varnish else HUMIDITY
    if weather.humidity is not None and weather.humidity > most:
        turns = "varnish may turn white" if varnish else "paint stays soft and may frost"
        said.append(f"{weather.humidity:g} % is damp: {turns}, look before the next coat.")
    if weather.humidity is not None and weather.humidity < least:
        said.append(f"{weather.humidity:g} % is dry: look for grain.")
    if weather.wind == "windy":
        said.append("Wind carries the spray away: look for thin and missed places.")
    return tuple(said)
