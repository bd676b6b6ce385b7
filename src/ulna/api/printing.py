"""Routes: the photo printer, and print runs on their way to it."""

from __future__ import annotations

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.prints import planned
from ulna.formats.documents import Doc
from ulna.household.home import Household
from ulna.household.printing import Run
from ulna.machines.photo_printer.words import Loaded, Printer
from ulna.machines.wire import NoAnswer

router = APIRouter(prefix="/api", tags=["printer"])


class PrinterOut(BaseModel):
    """How the photo printer stands; `there` is false where it does not answer, `says` what would do."""

    there: bool
    says: str
    printer: Printer | None
    loaded: str
    run: Doc[Run] | None


def _printer_out(home: Household) -> PrinterOut:
    run = home.printing.run()
    out = PrinterOut(there=False, says="", printer=None, loaded="", run=run)
    try:
        printer = home.printing.printer().stands()
    except NoAnswer as error:
        out.says = error.sentence
        return out
    out.there, out.printer = True, printer
    if printer.loaded is not None:
        size = home.ruler().say_size(printer.loaded.width, printer.loaded.height)
        many = printer.loaded.sheets
        out.loaded = f"{many} {'sheet' if many == 1 else 'sheets'} of {printer.loaded.name}, {size}"
    return out


@router.get("/printer")
def get_printer(home: AtHome) -> PrinterOut:
    """How the printer stands, and the run that is on its way to it."""
    return _printer_out(home)


@router.put("/printer/paper")
def load_paper(paper: Loaded, home: AtHome) -> PrinterOut:
    home.printing.printer().load(paper)
    return _printer_out(home)


@router.put("/printer/jam")
def jam_printer(home: AtHome) -> PrinterOut:
    """Lets a sheet get stuck, to see what happens then."""
    home.printing.printer().jam(True)
    return _printer_out(home)


@router.delete("/printer/jam")
def clear_jam(home: AtHome) -> PrinterOut:
    home.printing.printer().jam(False)
    return _printer_out(home)


@router.post("/printer/run")
def start_run(home: AtHome) -> PrinterOut:
    """Makes every print of the list and sends the sheets, a job for each paper."""
    home.printing.start(*planned(home))
    return _printer_out(home)


@router.post("/printer/run/stop")
def stop_run(home: AtHome) -> PrinterOut:
    home.printing.stop()
    return _printer_out(home)


@router.post("/printer/jobs/{id}/cancel")
def cancel_job(id: str, home: AtHome) -> PrinterOut:
    home.printing.printer().cancel(id)
    return _printer_out(home)


@router.get("/printer/jobs/{id}/tray.pdf", response_class=Response)
def get_tray(id: str, home: AtHome) -> Response:
    """What a job has printed so far."""
    return Response(home.printing.printer().tray(id), media_type="application/pdf")
