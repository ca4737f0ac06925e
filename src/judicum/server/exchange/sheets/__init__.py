"""Tables of a course that go out to a spreadsheet and come back."""

from judicum.server.exchange.sheets.attempts import FIGURE_SHEET, MARK_SHEET, RUN_SHEET
from judicum.server.exchange.sheets.base import MAX_BYTES, LineDone, Sheet, put_sheet
from judicum.server.exchange.sheets.coupons import COUPON_SHEET, GIVEN_SHEET
from judicum.server.exchange.sheets.people import SHEET as PEOPLE_SHEET

SHEETS: dict[str, Sheet] = {
    one.name: one for one in (PEOPLE_SHEET, COUPON_SHEET, GIVEN_SHEET, RUN_SHEET, FIGURE_SHEET, MARK_SHEET)
}

__all__ = ["MAX_BYTES", "SHEETS", "LineDone", "Sheet", "put_sheet"]
