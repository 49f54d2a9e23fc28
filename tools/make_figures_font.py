#!/usr/bin/env python3
"""Makes the font for figures that people compare: Vollkorn with lining, tabular figures in place of its own.

Qt 6.4 cannot switch a font's features on, so the two features are made the default here, and the rest of the font is
left out but for the letters that labels need. Vollkorn reserves no font name; the result is called "Metre Figures" all
the same, so that it is never taken for the original. Needs: python3-fonttools, fonts-vollkorn.
Usage: tools/make_figures_font.py FOLDER
"""
import os
import sys

from fontTools import subset
from fontTools.ttLib import TTFont

VOLLKORN = "/usr/share/fonts/truetype/vollkorn/Vollkorn-Regular.ttf"


def substituted(font, tag, names):
    table = font["GSUB"].table
    lookups = {i for r in table.FeatureList.FeatureRecord if r.FeatureTag == tag for i in r.Feature.LookupListIndex}
    for index in sorted(lookups):
        for sub in table.LookupList.Lookup[index].SubTable:
            sub = getattr(sub, "ExtSubTable", sub)
            mapping = getattr(sub, "mapping", {})
            names = [mapping.get(n, n) for n in names]
    return names


def main(folder):
    font = TTFont(VOLLKORN)
    characters = "0123456789"
    names = [font.getBestCmap()[ord(c)] for c in characters]
    names = substituted(font, "tnum", substituted(font, "lnum", names))
    for table in font["cmap"].tables:
        for c, name in zip(characters, names):
            if ord(c) in table.cmap:
                table.cmap[ord(c)] = name
    options = subset.Options()
    options.layout_features = ["kern", "mark", "mkmk"]
    options.name_IDs = ["*"]
    subsetter = subset.Subsetter(options)
    subsetter.populate(unicodes=list(range(0x20, 0x7F)) + [0xA0, 0xB7, 0xB1, 0x2013, 0x2014, 0x2212, 0x2248, 0x2192, 0x266D, 0x266F])
    subsetter.subset(font)
    for record in font["name"].names:
        if record.nameID in (1, 16):
            record.string = "Metre Figures"
        elif record.nameID == 4:
            record.string = "Metre Figures"
        elif record.nameID == 6:
            record.string = "MetreFigures-Regular"
        elif record.nameID == 3:
            record.string = "MetreFigures-Regular"
    font.save(os.path.join(folder, "MetreFigures-Regular.ttf"))


if __name__ == "__main__":
    main(sys.argv[1] if len(sys.argv) > 1 else os.path.join(os.path.dirname(__file__), "..", "src", "app", "assets", "fonts"))
