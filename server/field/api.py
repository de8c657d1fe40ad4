"""Endpoints of the field."""

from ninja import File, Router, UploadedFile

from mule.findings.assess import Station
from mule.trail.debrief import LookBack
from mule.trail.packout import PackOut
from server.accounts.signed_in import SignedInRequest
from server.field import looking, services
from server.field.scale import Reading, read_scale
from server.field.schemas import FieldOut, ReadPictures, SentMarks, TakenMarks
from server.trips import services as trips

router = Router()


@router.get("/scale", response=Reading)
def weigh(request: SignedInRequest) -> Reading:
    """What the scale says now, once it is still; or plainly that it is not there."""
    return read_scale()


@router.get("/{slug}", response=FieldOut)
def show_field(request: SignedInRequest, slug: str) -> FieldOut:
    """All marks of a trip, and what they come to."""
    return services.field_of(request.auth.owner, slug)


@router.post("/{slug}/marks", response=TakenMarks)
def send_marks(request: SignedInRequest, slug: str, payload: SentMarks) -> TakenMarks:
    """Take marks in; each is answered by itself."""
    guest = request.auth.guest
    return services.take_in(request.auth.owner, slug, payload.marks, guest.name if guest else None)


@router.get("/{slug}/kits/{kit}/list", response=PackOut)
def show_list(request: SignedInRequest, slug: str, kit: str) -> PackOut:
    """The pack-out list of a kit."""
    row = trips.find_kit(request.auth.owner, slug, kit)
    return services.list_for(trips.plan_for(request.auth, row), row)


@router.get("/{slug}/kits/{kit}/stations", response=list[Station])
def show_stations(request: SignedInRequest, slug: str, kit: str) -> list[Station]:
    """How far Pack-out, Trail and Look back are."""
    return services.stations_of(request.auth, trips.find_kit(request.auth.owner, slug, kit))


@router.post("/{slug}/pictures", response=ReadPictures)
def read_pictures(request: SignedInRequest, slug: str, files: File[list[UploadedFile]]) -> ReadPictures:
    """Read pictures' metadata: the heads of JPEG and raw files, ZIPs of them, or tables. No pixel is kept."""
    return looking.take_pictures(
        request.auth.owner, slug, [(file.name or "", file.file) for file in files if file.file]
    )


@router.get("/{slug}/kits/{kit}/look-back", response=LookBack)
def show_look_back(request: SignedInRequest, slug: str, kit: str) -> LookBack:
    """What was used, missed and measured, and what to do about the next kit."""
    return looking.look_back_on(request.auth, slug, kit)
