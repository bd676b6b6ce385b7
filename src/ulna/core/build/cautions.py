"""What to mind at a step. Makers' labels and instructions come first.

Those for blades, heat and solvents cannot be switched off; the others are said once in a sitting.
"""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Caution:
    """`always` is for what cannot be switched off."""

    id: str
    says: str
    always: bool = False


LABELS = Caution("labels", "The maker’s label and instructions come first.")
BLADE = Caution(
    "blade",
    "Blade: metal ruler, fingers off the line, cut away from you, cap it; a new blade cuts safer.",
    True,
)
HEAT = Caution(
    "heat",
    "Heat tool: it stays hot after use. Keep it moving, let sprays dry first and keep away from them, keep powder off "
    "the skin, air the room.",
    True,
)
SOLVENT = Caution("solvent", "Spray or solvent: air the room, keep it from flames, read the label.", True)
SEWING = Caution("sewing", "Sewing: no staples, wires or thick glue under the needle; fingers clear of it.")
PIERCING = Caution("piercing", "Awl or punch: a firm table with a mat under it, fingers out of the way.")
SMALL_PARTS = Caution("small parts", "Small parts and magnets: away from small children and animals.")
ORIGINALS = Caution("originals", "An old photograph or a document is copied, and the copy is glued.")
