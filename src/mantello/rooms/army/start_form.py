"""What a painter has in hand to begin with: a list that is pasted, or a file, whatever it is."""

from django import forms

from mantello_core.design.muster import empty_army
from mantello_core.errors import MantelloError
from mantello_core.formats.document.design import MOST_BYTES, read_design_bytes

from .forms import RosterForm

#: what an army is called that nobody named
UNNAMED = "My army"
#: how a packed file begins, and a design document within its first signs
_PACKED, _DESIGN, _HEAD = b"PK", b'"mantello-design"', 400


class ListForm(RosterForm):
    """A list of figures or a file, whatever it is."""

    name = forms.CharField(label="What to call it", max_length=80, required=False)

    def clean(self):
        """The roster under ``roster``, or a design under ``design``; an archive under ``packed``."""
        upload = self.cleaned_data.get("file")
        head = upload.read(_HEAD) if upload else b""
        if upload:
            upload.seek(0)
        if head.startswith(_PACKED):
            return self.cleaned_data | {"packed": True}
        if _DESIGN in head:
            return self.cleaned_data | {"design": self._design(upload)}
        if not upload and not self.cleaned_data.get("text", "").strip():
            self.add_error("text", "Write or paste a list, or choose a file: CSV, JSON, plain text, or a design.")
            return self.cleaned_data
        return super().clean()

    def _design(self, upload):
        if upload.size > MOST_BYTES:
            self.add_error("file", f"The file has {upload.size} bytes; allowed is up to {MOST_BYTES}.")
            return None
        try:
            return read_design_bytes(upload.read())
        except MantelloError as error:
            self.add_error("file", error.message)
            return None


def list_form(*given) -> ListForm:
    """The form of a list, for an army that is not there yet."""
    return ListForm(*given, army=empty_army(UNNAMED), auto_id="list_%s")
