"""When the sun is up: rising and setting by date and place, to a minute or two."""

import math
from datetime import UTC, date, datetime, timedelta

#: degrees of the sun's middle below the horizon when its edge appears, refraction counted
_HORIZON = -0.833


def daylight(day: date, latitude: float, longitude: float) -> tuple[datetime, datetime] | None:
    """Sunrise and sunset of a date in UTC; None where the sun does not rise. Where it does not set, the whole day.

    latitude, longitude: degrees, north and east positive.
    Source: the sunrise equation with the sun's mean anomaly, equation of the centre and ecliptic longitude (J2000).

    >>> rise, set_ = daylight(date(2026, 6, 21), 51.48, 0.0)
    >>> f"{rise:%H:%M} {set_:%H:%M}"
    '03:43 20:21'
    """
    days = (day - date(2000, 1, 1)).days + 0.0008
    noon = days - longitude / 360
    anomaly = math.radians((357.5291 + 0.98560028 * noon) % 360)
    centre = 1.9148 * math.sin(anomaly) + 0.02 * math.sin(2 * anomaly) + 0.0003 * math.sin(3 * anomaly)
    ecliptic = math.radians((math.degrees(anomaly) + centre + 180 + 102.9372) % 360)
    transit = noon + 0.0053 * math.sin(anomaly) - 0.0069 * math.sin(2 * ecliptic)
    declination = math.asin(math.sin(ecliptic) * math.sin(math.radians(23.4397)))
    north = math.radians(latitude)
    cosine = (math.sin(math.radians(_HORIZON)) - math.sin(north) * math.sin(declination)) / (
        math.cos(north) * math.cos(declination)
    )
    if cosine > 1:
        return None
    half = math.degrees(math.acos(max(-1.0, cosine))) / 360
    start = datetime(2000, 1, 1, 12, tzinfo=UTC)
    return start + timedelta(days=transit - half), start + timedelta(days=transit + half)
