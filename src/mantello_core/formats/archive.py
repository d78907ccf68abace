"""A whole army as one file: a zip of documents, tables, drawings and photographs, each with its checksum."""

import hashlib
import io
import json
import re
import zipfile
import zlib
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime

from ..errors import OutOfRange, Unreadable
from .strict_json import read_json
from .validation import check

FORMAT, VERSION = "mantello-archive", 4
#: bytes of the file, of everything in it unpacked, and of one member; members
MOST_BYTES, MOST_UNPACKED, MOST_MEMBER, MOST_MEMBERS = 80_000_000, 200_000_000, 40_000_000, 3000
#: bytes of one member by what it is; the first that fits
_MOST_OF = (("manifest.json", 2_000_000), ("photos/", 12_000_000), ("drawings/", 6_000_000), ("tests/", 12_000_000),
            ("variants/", 12_000_000), ("versions/", 12_000_000), ("design.json", 12_000_000))  # fmt: skip
_NAME = re.compile(r"[a-z0-9][a-z0-9._-]{0,79}(/[a-z0-9][a-z0-9._-]{0,119}){0,2}")
_MANIFEST = "manifest.json"


@dataclass(frozen=True)
class Archive:
    """What an archive holds: its army's name, when it was made, its members by name, and the version of its format."""

    name: str
    made_at: str
    files: Mapping[str, bytes]
    version: int = VERSION

    def document(self, name: str) -> object:
        """A member as JSON.

        Raises: Unreadable if it is missing or no JSON.
        """
        if name not in self.files:
            raise Unreadable(f"The archive has no {name}.", "file")
        return read_json(self.files[name], f"{name} in the archive", "file")

    @property
    def log(self) -> dict:
        """The log, checked; an empty one if there is none.

        Raises: Unreadable with the place.
        """
        if "log.json" not in self.files:
            return {"versions": [], "entries": [], "settlements": []}
        found = self.document("log.json")
        check(found, "archive-log")
        return found


def write_archive(name: str, files: Mapping[str, bytes], made_at: datetime) -> bytes:
    """The members as one file, the same bytes for the same content and moment."""
    manifest = {
        "format": FORMAT,
        "version": VERSION,
        "name": name,
        "made_at": made_at.isoformat(timespec="seconds"),
        "files": [
            {"name": key, "bytes": len(data), "sha256": hashlib.sha256(data).hexdigest()}
            for key, data in sorted(files.items())
        ],
    }
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        members = {_MANIFEST: (json.dumps(manifest, indent=1, ensure_ascii=False) + "\n").encode()} | dict(files)
        for key in [_MANIFEST, *sorted(files)]:
            packed.writestr(zipfile.ZipInfo(key, (1980, 1, 1, 0, 0, 0)), members[key], zipfile.ZIP_DEFLATED)
    return out.getvalue()


def read_archive(data: bytes) -> Archive:
    """An archive whose every member has the size and checksum that its manifest says.

    Raises: Unreadable if it is none, if a member is damaged, missing or not listed; OutOfRange if it is too large.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The file has {len(data)} bytes; allowed are {MOST_BYTES}.", "file")
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            return _read(packed)
    except (
        zipfile.BadZipFile,
        zipfile.LargeZipFile,
        zlib.error,
        EOFError,
        NotImplementedError,
        RuntimeError,
        OSError,
        ValueError,
    ) as error:
        raise Unreadable("This is no archive of an army, or it is damaged.", "file") from error


def _read(packed: zipfile.ZipFile) -> Archive:
    infos = packed.infolist()
    if len(infos) > MOST_MEMBERS or sum(one.file_size for one in infos) > MOST_UNPACKED:
        raise OutOfRange(
            f"The archive has {len(infos)} members; allowed are {MOST_MEMBERS}, {MOST_UNPACKED} bytes in all.", "file"
        )
    sizes = {one.filename: one for one in infos}
    if _MANIFEST not in sizes or len(sizes) != len(infos):
        raise Unreadable("The archive has no manifest, or a member twice.", "file")
    manifest = _manifest(_member(packed, sizes[_MANIFEST]))
    listed = {one["name"]: one for one in manifest["files"]}
    strange = sorted(set(sizes) - set(listed) - {_MANIFEST}) or sorted(set(listed) - set(sizes))
    if strange:
        raise Unreadable(f"'{strange[0][:60]}' is in the archive or its manifest, but not in both.", "file")
    files = {}
    for name, said in listed.items():
        if not _NAME.fullmatch(name):
            raise Unreadable(f"'{name[:60]}' is no name of a member.", "file")
        content = _member(packed, sizes[name])
        if len(content) != said["bytes"] or hashlib.sha256(content).hexdigest() != said["sha256"]:
            raise Unreadable(f"{name} is damaged: its checksum is another than the manifest's.", "file")
        files[name] = content
    return Archive(manifest["name"], manifest["made_at"], files, manifest["version"])


def _manifest(data: bytes) -> dict:
    manifest = read_json(data, "The archive's manifest", "file")
    listed = manifest.get("files") if isinstance(manifest, dict) else None
    if isinstance(listed, list) and len(listed) > MOST_MEMBERS:  # counted before they are looked at one by one
        raise OutOfRange(f"The archive's manifest names {len(listed)} members; allowed are {MOST_MEMBERS}.", "file")
    check(manifest, "archive")
    return manifest


def _member(packed: zipfile.ZipFile, info: zipfile.ZipInfo) -> bytes:
    """A member unpacked, never more of it than is allowed, whatever its header says."""
    most = next((most for start, most in _MOST_OF if info.filename.startswith(start)), MOST_MEMBER)
    with packed.open(info) as stream:
        content = stream.read(most + 1)
    if len(content) > most:
        raise OutOfRange(f"'{info.filename[:60]}' has more than {most} bytes.", "file")
    return content
