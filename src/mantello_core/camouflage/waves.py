"""Random fields in space: sums of plane waves with a stated size, direction and roughness. Analytic, seamless, stationary:
every seed has the same statistics, and a point in space has one value, whichever view asks."""

import math

import numpy as np

#: waves in one field
WAVES = 42


def generator(*key):
    """A generator that depends on the key alone, the same on every machine."""
    return np.random.default_rng(np.random.SeedSequence([_stable(k) for k in key]))


def _stable(key):
    if isinstance(key, int):
        return key % 2**32
    value = 0
    for char in str(key):
        value = (value * 131 + ord(char)) % 2**32
    return value


class Waves:
    """A Gaussian field of variance 1. wavelength in mm; ``stretch`` lengthens patches along ``along``."""

    def __init__(
        self,
        rng,
        wavelength,
        *,
        spread=0.18,
        rough=0.0,
        stretch=1.0,
        along=(1.0, 0.0, 0.0),
        cone=None,
        normal=(1.0, 0.0, 0.0),
    ):
        k, amp = self._shell(rng, WAVES, wavelength, spread, cone, normal)
        if rough:
            k2, amp2 = self._shell(rng, WAVES // 2, wavelength / 2.6, spread, cone and cone * 1.6, normal)
            k, amp = (
                np.concatenate([k, k2]),
                np.concatenate([amp, amp2 * rough * 0.62 * math.sqrt(len(amp) / len(amp2))]),
            )
        if stretch != 1.0:
            axis = np.asarray(along, float) / np.linalg.norm(along)
            k = k - np.outer(k @ axis, axis) * (1 - 1 / stretch)
        self.k = k.astype(np.float32)
        self.phase = rng.uniform(0, 2 * math.pi, len(k)).astype(np.float32)
        self.amp = (amp / math.sqrt((amp**2).sum() / 2)).astype(np.float32)

    @staticmethod
    def _shell(rng, n, wavelength, spread, cone, normal):
        if cone is None:
            # directions evenly over the sphere by a spiral, turned at random: no seed gets a lopsided set
            i = np.arange(n) + 0.5
            z = 1 - 2 * i / n
            a = math.pi * (1 + math.sqrt(5)) * i
            d = np.stack([np.sqrt(1 - z * z) * np.cos(a), np.sqrt(1 - z * z) * np.sin(a), z], 1)
            q, _ = np.linalg.qr(rng.normal(size=(3, 3)))
            d = d @ q
        else:
            d = np.asarray(normal, float) / np.linalg.norm(normal) + math.tan(math.radians(cone)) * rng.normal(
                size=(n, 3)
            )
            d /= np.linalg.norm(d, axis=1, keepdims=True)
        length = 2 * math.pi / wavelength * np.exp(spread * rng.normal(size=n))
        return d * length[:, None], np.ones(n)

    def at(self, points, shift=0.0):
        """Values at points (..., 3). shift: added to every phase; a quarter turn gives the field's companion."""
        p = points.reshape(-1, 3).astype(np.float32)
        return (np.cos(p @ self.k.T + (self.phase + np.float32(shift))) @ self.amp).reshape(points.shape[:-1])


def wavelength_for(chord, share):
    """Wavelength at which patches that take ``share`` have that mean chord on a flat cut through the field.

    Rice: a cut at height t is crossed exp(-t²/2) |k| / (pi sqrt 3) times a mm; two crossings a patch.
    """
    share = min(max(share, 0.02), 0.98)
    t = _quantile(1 - share)
    return chord * math.exp(-t * t / 2) / (share * math.sqrt(3))


def _quantile(p):
    """Normal quantile (Acklam's rational form, its middle part and tails; good to 1e-6 with one Newton step)."""
    x = 0.0
    for _ in range(60):
        cdf = 0.5 * (1 + math.erf(x / math.sqrt(2)))
        step = (cdf - p) / max(math.exp(-x * x / 2) / math.sqrt(2 * math.pi), 1e-9)
        x -= max(-0.5, min(0.5, step))
        if abs(step) < 1e-9:
            break
    return x
