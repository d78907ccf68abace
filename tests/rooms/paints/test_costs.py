"""How a painter writes money."""

from tests.rooms.case import RoomCase


class Currency(RoomCase):
    def test_money_is_written_as_the_painter_says(self):
        self.post("set-currency", currency=" kr ")
        self.owner.refresh_from_db()
        self.assertEqual(self.owner.currency, "kr")
        self.assertContains(self.see("costs"), 'value="kr"')
        for given in ("seven letters", "1", "<b>"):
            self.assertContains(
                self.post("set-currency", currency=given, status=422), "is no currency", status_code=422
            )
        self.assert_hidden("set-currency", post=True)
