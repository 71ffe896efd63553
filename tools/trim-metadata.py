#!/usr/bin/env python3
"""Cuts the music font's SMuFL metadata down to the glyphs that the engraver uses.

    tools/trim-metadata.py path/to/metadata.json > score/src/main/resources/wildflourish/score/fonts/bravura-metadata.json

Code points are those of the SMuFL specification 1.4, which the metadata file itself does not repeat.
"""
import json
import sys

CODES = {
    "gClef": "E050", "noteheadWhole": "E0A2", "noteheadHalf": "E0A3", "noteheadBlack": "E0A4",
    "noteheadDoubleWhole": "E0A0", "augmentationDot": "E1E7",
    "flag8thUp": "E240", "flag8thDown": "E241", "flag16thUp": "E242", "flag16thDown": "E243",
    "flag32ndUp": "E244", "flag32ndDown": "E245", "flag64thUp": "E246", "flag64thDown": "E247",
    "accidentalFlat": "E260", "accidentalNatural": "E261", "accidentalSharp": "E262",
    "accidentalDoubleSharp": "E263", "accidentalDoubleFlat": "E264",
    "restDoubleWhole": "E4E2", "restWhole": "E4E3", "restHalf": "E4E4", "restQuarter": "E4E5", "rest8th": "E4E6",
    "rest16th": "E4E7", "rest32nd": "E4E8", "rest64th": "E4E9",
    "timeSigCommon": "E08A", "timeSigCutCommon": "E08B", "timeSigPlus": "E08C", "repeatDot": "E044",
    "ornamentTurn": "E567", "ornamentTrill": "E566", "ornamentMordent": "E56D", "ornamentShortTrill": "E56C",
    "articStaccatoAbove": "E4A2", "articStaccatoBelow": "E4A3", "articAccentAbove": "E4A0",
    "articAccentBelow": "E4A1", "breathMarkComma": "E4CE", "fermataAbove": "E4C0",
    "stringsUpBow": "E612", "stringsDownBow": "E610", "segno": "E047", "coda": "E048",
}
CODES.update({f"timeSig{i}": f"E08{i}" for i in range(10)})
CODES.update({f"tuplet{i}": f"E88{i}" for i in range(10)})

full = json.load(open(sys.argv[1], encoding="utf-8"))
glyphs = {}
for name, code in CODES.items():
    box = full["glyphBBoxes"][name]
    glyphs[name] = {
        "code": code,
        "box": [*box["bBoxSW"], *box["bBoxNE"]],
        "advance": full["glyphAdvanceWidths"][name],
        "anchors": full["glyphsWithAnchors"].get(name, {}),
    }
defaults = {k: v for k, v in full["engravingDefaults"].items() if not isinstance(v, list)}
json.dump({"font": full["fontName"], "version": str(full["fontVersion"]), "defaults": defaults, "glyphs": glyphs},
          sys.stdout, indent=1)
print()
