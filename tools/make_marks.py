#!/usr/bin/env python3
"""Draws the small marks of fields and boxes (plus, minus, tick) for both themes, at 100 and 200 %.
   tools/make_marks.py src/app/assets
"""
import os
import struct
import sys
import zlib

STROKES = {  # lines from place to place, in a square of nine
    "plus": [((1.5, 4.5), (7.5, 4.5)), ((4.5, 1.5), (4.5, 7.5))],
    "minus": [((1.5, 4.5), (7.5, 4.5))],
    "tick": [((1.5, 4.8), (3.7, 7.0)), ((3.7, 7.0), (7.6, 2.0))],
}
# The ink of the paper theme and of lamplight; a tick lies on a box filled with ink.
COLOURS = {"plus": ("525A65", "B9B4A4"), "minus": ("525A65", "B9B4A4"), "tick": ("FBF8F0", "1B1F25")}
WIDTH = 1.4  # of a stroke, at 100 %
FINE = 8  # samples across a pixel


def distance(x, y, line):
    (x1, y1), (x2, y2) = line
    dx, dy = x2 - x1, y2 - y1
    along = max(0.0, min(1.0, ((x - x1) * dx + (y - y1) * dy) / (dx * dx + dy * dy)))
    return ((x - x1 - along * dx) ** 2 + (y - y1 - along * dy) ** 2) ** 0.5


def coverage(px, py, scale, strokes):
    inside = 0
    for i in range(FINE):
        for k in range(FINE):
            x = (px + (i + 0.5) / FINE) / scale
            y = (py + (k + 0.5) / FINE) / scale
            inside += any(distance(x, y, line) <= WIDTH / 2 for line in strokes)
    return inside / FINE**2


def png(size, pixel):
    rows = b"".join(b"\0" + b"".join(bytes(pixel(x, y)) for x in range(size)) for y in range(size))

    def chunk(name, data):
        body = name + data
        return struct.pack(">I", len(data)) + body + struct.pack(">I", zlib.crc32(body))

    head = struct.pack(">IIBBBBB", size, size, 8, 6, 0, 0, 0)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", zlib.compress(rows, 9)) + chunk(b"IEND", b"")


def main(folder):
    for name, strokes in STROKES.items():
        for colour, theme in zip(COLOURS[name], ("", "-lamp")):
            rgb = tuple(int(colour[i : i + 2], 16) for i in (0, 2, 4))
            for scale, suffix in ((1, ""), (2, "@2x")):
                data = png(9 * scale, lambda x, y: (*rgb, round(255 * coverage(x, y, scale, strokes))))
                with open(os.path.join(folder, f"{name}{theme}{suffix}.png"), "wb") as file:
                    file.write(data)


if __name__ == "__main__":
    if len(sys.argv) != 2:
        sys.exit(__doc__)
    main(sys.argv[1])
