"""Paper to take along, as PDF: a load sheet on one page, the full pack list, and labels for bags."""

import io
from collections.abc import Iterable, Mapping, Sequence
from pathlib import Path
from typing import Any
from xml.sax.saxutils import escape

from reportlab.lib import colors
from reportlab.lib.pagesizes import A4
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.platypus import KeepInFrame, KeepTogether, Paragraph, SimpleDocTemplate, Spacer, Table, TableStyle

from mule.analysis.carriers import Check
from mule.analysis.load import Contents
from mule.analysis.storage.stamina import Lasts, Uncounted
from mule.findings.assess import Assessment
from mule.findings.codes import Severity
from mule.findings.said import Finding
from mule.findings.shopping import Wanted
from mule.packing import RoomUse
from mule.plan import Plan
from mule.trail.packout import BagOut, OutLine, PackOut
from server.exchange.words import spot_words, task_head, task_things, wanted_how, wanted_name

# DejaVu, cut down to Latin, Greek and Cyrillic letters and the signs that names use (fonts/README.md).
_FONTS = Path(__file__).parent / "fonts"
_PLAIN, _BOLD = "DejaVuSans", "DejaVuSans-Bold"
for _name in (_PLAIN, _BOLD):
    pdfmetrics.registerFont(TTFont(_name, _FONTS / f"{_name}.ttf"))
_TEXT = ParagraphStyle("text", fontName=_PLAIN, fontSize=8, leading=10)
_SMALL = ParagraphStyle("small", parent=_TEXT, fontSize=7, leading=9, textColor=colors.HexColor("#4a524a"))
_HEAD = ParagraphStyle("head", parent=_TEXT, fontName=_BOLD, fontSize=9, leading=12, spaceBefore=4, keepWithNext=True)
_TITLE = ParagraphStyle("title", parent=_TEXT, fontName=_BOLD, fontSize=15, leading=19)
_LABEL = ParagraphStyle("label", parent=_TITLE, fontSize=22, leading=26)
_LINE = colors.HexColor("#9a9484")
_CAUTIONS = (
    "Load, cold, height, water, night, wildlife, drones: take the usual care, follow local rules and trained guides.",
    "Lithium: spare batteries and power banks in the cabin, contacts covered; carrier and authority decide.",
    "Safety gear stays in the bag, whatever it weighs.",
)
_SIGNS = (
    ("pack_ready", "Ready battery"),
    ("pack_spent", "Spent battery"),
    ("card_blank", "Blank card"),
    ("card_full", "Full card"),
    ("card_copied", "Copied card"),
)


def load_sheet(plan: Plan, assessment: Assessment, findings: Sequence[Finding]) -> bytes:
    """One page: who carries what, what each leg allows, days, power and cards, signs, cautions."""
    trip = plan.trip
    people = {p.id: p.name for p in trip.people}
    dates = f"{trip.days[0].date:%d %b %Y} to {trip.days[-1].date:%d %b %Y}" if trip.days else ""
    lasts = assessment.lasts
    cards = [f"{of.type} card" for of in lasts.cards]
    blockers, cautions = (
        sum(f.severity == severity for f in findings) for severity in (Severity.BLOCKER, Severity.CAUTION)
    )
    story: list[Any] = [
        Paragraph(_said(trip.name), _TITLE),
        Paragraph(_said(" · ".join(x for x in (dates, " + ".join(people.values()), plan.kit.name) if x)), _SMALL),
        Paragraph("Who carries what", _HEAD),
        _table(
            ("person", "cabin", "under the seat", "hold", "worn", "base", "carried", "of body mass"),
            [
                (
                    people.get(p.person, p.person),
                    *(_kg(g) for g in (p.cabin_g, p.personal_g, p.hold_g, p.worn_g, p.base_g, p.carried_g)),
                    f"{p.share:.0%}" if p.share is not None else "",
                )
                for p in assessment.loads.people
            ],
        ),
        Paragraph("Bags on each journey leg", _HEAD),
        _legs(plan, assessment),
        Paragraph("Days", _HEAD),
        _table(("day", "", "coldest", "on foot", "bag of the day"), list(_days(plan))),
        Paragraph("Power, cards, brief", _HEAD),
        Paragraph(
            f"Power lasts {_days_of(lasts.power_days, lasts, lasts.missing)}; "
            f"cards last {_days_of(lasts.card_days, lasts, cards)}; each picture in {_places(lasts)}. "
            f"The kit covers {assessment.coverage.score:.0f} % of the brief. "
            f"Must fix: {blockers}. Worth a look: {cautions}.",
            _TEXT,
        ),
        Paragraph("Battery and card markings", _HEAD),
        *(Paragraph(f"{name}: {_said(getattr(trip.signs, key) or '…')}", _TEXT) for key, name in _SIGNS),
        Spacer(1, 2 * mm),
        *(Paragraph(line, _SMALL) for line in _CAUTIONS),
    ]
    # However long the trip: one page, smaller if it must be.
    return _pdf([KeepInFrame(182 * mm, 269 * mm, story, mode="shrink")], f"{trip.name}: load sheet")


def pack_list(plan: Plan, made: PackOut, wanted: Sequence[Wanted]) -> bytes:
    """What is to be got first, every bag in packing order with boxes to tick, and the tasks before leaving."""
    rooms = {room.room: room for room in made.rooms}
    story: list[Any] = [Paragraph(_said(f"{plan.trip.name}: pack list"), _TITLE)]
    if wanted:
        lines = [
            (
                "",
                f"{line.count} × {wanted_name(line, plan)}" if line.count > 1 else wanted_name(line, plan),
                wanted_how(line),
                _kg(line.mass_g),
                f"{line.by:%d %b}" if line.by else "",
                f"{line.back_by:%d %b}" if line.back_by else "",
            )
            for line in wanted
        ]
        story += [
            Paragraph("To get first", _HEAD),
            _table(("", "item", "how", "kg", "by", "goes back"), lines, boxes=True),
        ]
    for bag in made.bags:
        under = f"into {plan.items[bag.inside].name}" if bag.inside else _weight(bag)
        story += _ticks(f"{plan.items[bag.bag].name}, {under}", bag.lines, plan, rooms)
    story += _ticks("On you", made.worn, plan, rooms)
    tasks = [
        (
            "",
            task_head(task, plan),
            "" if task.kind == "fetch" else task_things(task, plan),
            f"{task.by:%d %b}" if task.by else "",
        )
        for task in made.tasks
    ]
    story += [Paragraph("Before leaving", _HEAD), _table(("", "task", "things", "by"), tasks, boxes=True)]
    story += [Spacer(1, 2 * mm), *(Paragraph(line, _SMALL) for line in _CAUTIONS)]
    return _pdf(story, f"{plan.trip.name}: pack list")


def labels(plan: Plan, made: PackOut) -> bytes:
    """A label for each piece of luggage: whose it is, what it weighs, what is in it that matters."""
    people = {p.id: p.name for p in plan.trip.people}
    story: list[Any] = []
    for bag in made.bags:
        if bag.inside:
            continue
        first = ", ".join(plan.items[line.item].name for line in sorted(bag.lines, key=lambda one: one.rank)[:6])
        text = [
            Paragraph(_said(plan.items[bag.bag].name), _LABEL),
            Paragraph(_said(f"{people.get(bag.person, '')} · {plan.trip.name}"), _HEAD),
            Paragraph(f"{_weight(bag)}, {len(bag.lines)} items", _TEXT),
            Paragraph(_said(first), _SMALL),
        ]
        box = Table([[text]], colWidths=[120 * mm])
        box.setStyle(TableStyle([("BOX", (0, 0), (-1, -1), 1, _LINE), ("TOPPADDING", (0, 0), (-1, -1), 8)]))
        story += [KeepTogether([box]), Spacer(1, 8 * mm)]
    return _pdf(story or [Paragraph("No bag is loaded.", _TEXT)], f"{plan.trip.name}: labels")


_UNCOUNTED = {
    Uncounted.NO_DAYS: "the trip has no days yet",
    Uncounted.NO_CAMERA: "no camera is loaded",
    Uncounted.NOTHING_ASKS: "nothing loaded needs any",
    Uncounted.SLOTS_UNKNOWN: "card slots of the cameras unknown",
}


def _days_of(days: int | Uncounted, lasts: Lasts, wanting: Sequence[str]) -> str:
    """wanting: names of the missing types, for ``Uncounted.NONE_LOADED``."""
    if not isinstance(days, Uncounted):
        return f"{days} of {lasts.days} days"
    why = f"no {', no '.join(wanting)} loaded" if days is Uncounted.NONE_LOADED else _UNCOUNTED[days]
    return f"an unknown time ({why})"


def _places(lasts: Lasts) -> str:
    """The number that Stamina, the scales and the door check tell for the same nights."""
    if lasts.copies_fewest is None:
        return "no copies, none are planned"
    if lasts.copies_short_on is None:
        return f"{lasts.copies} copies by the end of its night"
    return (
        f"{lasts.copies_fewest} of {lasts.copies} copies on the worst night, "
        f"fewer than planned on {lasts.copies_short} of {lasts.days} from {lasts.copies_short_on:%d %b}"
    )


def _weight(bag: BagOut) -> str:
    """What a bag was weighed at, or what the parts add up to."""
    return _weighed(bag) or f"planned {_kg(bag.planned_g)}"


def _weighed(bag: BagOut | Contents) -> str:
    """ "weighed 8.42 kg, then +178 g"; nothing of what was not weighed."""
    if bag.weighed_g is None:
        return ""
    return f"weighed {_kg(bag.weighed_g)}" + (f", then {bag.since_g:+.0f} g" if abs(bag.since_g) >= 1 else "")


def _legs(plan: Plan, assessment: Assessment) -> Table:
    """A row for each leg, a column for each bag: what it is against what is allowed; last, what is on the person."""
    names = {leg.id: leg.name for leg in plan.trip.legs}
    bags = list(dict.fromkeys(c.bag for leg in assessment.legs for c in leg.checks if c.bag))
    rows = []
    for leg in assessment.legs:
        cells = ["; ".join(_check(c) for c in leg.checks if c.bag == bag) for bag in bags]
        whole = "; ".join(f"{c.limit}: {_check(c)}" for c in leg.checks if c.bag is None and not c.passes)
        rows.append((names[leg.leg], *cells, whole))
    weighed = {held.bag: _weighed(held) for held in assessment.loads.bags}
    heads = (", ".join(filter(None, (plan.items[bag].name, weighed[bag]))) for bag in bags)
    return _table(("leg", *heads, "together"), rows)


def _check(check: Check) -> str:
    over = "" if check.passes else " OVER"
    if check.limit in ("mass", "together"):
        return f"{check.value / 1000:.2f} of {check.allowed / 1000:.2f} kg{over}"
    if check.limit == "count":
        return f"{check.value:g} of {check.allowed:g}{over}"
    gives = f", gives {check.squeeze_mm / 10:g} cm" if check.squeeze_mm else ""
    if check.size_mm and check.frame_mm:
        return f"{_cm(check.size_mm)}{gives} of {_cm(check.frame_mm)}{over}"
    return f"{sum(check.size_mm or ()) / 10:g} cm{gives} of {check.allowed / 10:g} cm{over}"


def _cm(sides: Sequence[float]) -> str:
    return f"{' × '.join(f'{side / 10:g}' for side in sides)} cm"


def _days(plan: Plan) -> Iterable[tuple[str, ...]]:
    out = {day: loadout.name for loadout in plan.kit.stow.loadouts for day in loadout.days}
    for day in plan.trip.days:
        foot = f"{day.on_foot_h:g} h" if day.on_foot_h else ""
        yield f"{day.date:%a %d %b}", day.title, f"{day.lowest_c:g} °C", foot, out.get(day.date, "")


def _ticks(head: str, lines: Sequence[OutLine], plan: Plan, rooms: Mapping[str, RoomUse]) -> list[Any]:
    if not lines:
        return []
    rows = [
        (
            "",
            f"{plan.items[line.item].name}{f' × {line.count}' if line.count > 1 else ''}",
            spot_words(line, rooms),
            f"absent until {line.absent.until or '?'}" if line.absent else "",
        )
        for line in lines
    ]
    return [Paragraph(_said(head), _HEAD), _table(("", "thing", "space", ""), rows, boxes=True)]


def _table(titles: Sequence[str], rows: Sequence[Sequence[str]], *, boxes: bool = False) -> Table:
    cells: list[list[Any]] = [[Paragraph(_said(t), _SMALL) for t in titles]]
    cells += [[Paragraph(_said(str(cell)), _TEXT) for cell in row] for row in rows]
    first = [6 * mm] if boxes else []
    rest = (182 * mm - sum(first)) / (len(titles) - len(first))
    made = Table(cells, colWidths=[*first, *[rest] * (len(titles) - len(first))], repeatRows=1, hAlign="LEFT")
    style: list[Any] = [
        ("LINEBELOW", (0, 0), (-1, -1), 0.3, _LINE),
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("TOPPADDING", (0, 0), (-1, -1), 1.2),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 1.2),
        ("LEFTPADDING", (0, 0), (-1, -1), 2),
    ]
    if boxes:
        style += [("BOX", (0, row), (0, row), 0.8, colors.black) for row in range(1, len(cells))]
    made.setStyle(TableStyle(style))
    return made


def _said(text: str) -> str:
    """Text for a paragraph. A letter that the font does not know becomes a question mark."""
    known = pdfmetrics.getFont(_PLAIN).face.charToGlyph
    return escape("".join(c if ord(c) in known or c.isspace() else "?" for c in text))


def _kg(grams: float) -> str:
    return f"{grams / 1000:.2f} kg"


def _pdf(story: list[Any], title: str) -> bytes:
    out = io.BytesIO()
    page = SimpleDocTemplate(
        out, pagesize=A4, title=title, author="Narrow Mule", leftMargin=14 * mm, rightMargin=14 * mm,
        topMargin=13 * mm, bottomMargin=13 * mm,
    )  # fmt: skip
    page.build(story)
    return out.getvalue()
