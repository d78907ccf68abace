"""The reader as a service: one JSON object a line in, one out; see docs/formats/reader.md."""

import json
import socketserver

from mantello_core.colour.spaces import Lab

from .instrument import HELD, Fault, Instrument, samples

PROTOCOL, VERSION = "mantello-reader", 1
#: the way of holding it on a painted figure
FIGURE = "figure"
#: bytes of one request at most, and seconds a line may take
MOST_BYTES, PATIENCE = 2000, 10


class ReaderService(socketserver.ThreadingTCPServer):
    """Listens on loopback for programs that want a reading."""

    allow_reuse_address = True
    daemon_threads = True

    def __init__(self, address: tuple[str, int], instrument: Instrument):
        self.instrument = instrument
        super().__init__(address, _Conversation)


class _Conversation(socketserver.StreamRequestHandler):
    timeout = PATIENCE

    def handle(self):
        try:
            while line := self.rfile.readline(MOST_BYTES + 1):
                self.wfile.write((json.dumps(answered(line, self.server.instrument)) + "\n").encode())
                if len(line) > MOST_BYTES:
                    return
        except OSError:
            return  # the other side is gone or silent


def answered(line: bytes, instrument: Instrument) -> dict:
    """The answer to one request."""
    try:
        if len(line) > MOST_BYTES:
            raise ValueError(f"the request is longer than {MOST_BYTES} bytes")
        asked = json.loads(line)
        do = asked["do"]
    except (ValueError, TypeError, KeyError, RecursionError) as error:
        return {"ok": False, "fault": "request", "message": f"Not understood: {error}."}
    if do == "identify":
        return {
            "ok": True, "protocol": PROTOCOL, "version": VERSION, "name": "Simulated reader",
            "simulated": True, "held": [*HELD, FIGURE], "samples": [{"id": one.id, "name": one.name} for one in samples().values()],
        }  # fmt: skip
    if do != "read":
        return {
            "ok": False,
            "fault": "request",
            "message": f"'{str(do)[:40]}' is nothing it does; it does identify and read.",
        }
    try:
        seen = _read(asked, instrument)
    except (TypeError, ValueError):
        return {"ok": False, "fault": "request", "message": "The expected colour is three numbers, CIELAB."}
    except KeyError as error:
        return {"ok": False, "fault": "sample", "message": f"There is no {error} to read."}
    except Fault as fault:
        return {"ok": False, "fault": fault.code, "message": str(fault)}
    return {"ok": True, "lab": [round(value, 2) for value in seen], "light": "D65", "observer": 2}


def _read(asked: dict, instrument: Instrument) -> Lab:
    sample, held = str(asked.get("sample", "")), str(asked.get("held", ""))
    if held != FIGURE:
        return instrument.read(sample, held)
    lightness, a, b = (float(value) for value in asked["expected"])
    if not (0 <= lightness <= 100 and abs(a) <= 200 and abs(b) <= 200):
        raise ValueError("no colour")
    return instrument.read_figure(sample, Lab(lightness, a, b))
