#!/usr/bin/env python3
"""Makes pairs of recordings of the same notes at two tempos, to measure stretching with: what a stretcher makes of the
first should be the second.

For each pair NAME_from.wav and NAME_to.wav; truth.json has kind, ratio (output length over input length), and the
moments of the notes in both, in seconds. Kind `sung` is a voice
with vibrato and glides, by singer.py. Notes, sounds and fonts of the others are those of listening_set.py, without reverberation and
without scatter. The synthesiser begins notes on blocks of 64 samples only; so each different note is rendered by itself
and put where its sound begins, to the sample: a note's moment is when it is heard, whatever the tempo. A decay lasts as long as it lasts, whatever the tempo, so no stretcher can reach the
truth entirely.

Needs: python3-numpy, fluidsynth, fluid-soundfont-gm, timgm6mb-soundfont.
Usage: tools/stretch_set.py FOLDER [--seed N] [--each N] [--kinds LIST] [--ratios LIST]
"""
import argparse
import os

import numpy as np

import listening_set as ls
import singer

RATIOS = [0.75, 0.8, 0.9, 1.1, 1.2, 1.33]


BLOCK = 64  # samples; the synthesiser begins notes on these
TAIL = 1.5  # seconds after a note that are kept of it


def placed(notes, programs, font, seconds):
    """As listening_set.render, each note at its place to the sample."""
    different = sorted({n[1:] for n in notes})
    slots, at = {}, BLOCK * 200
    for note in different:
        slots[note] = at
        at += int((note[3] + TAIL) * ls.RATE / BLOCK + 2) * BLOCK
    # In the middle of a block, so that rounding to ticks moves none to another.
    sheet = [((slot + BLOCK / 2) / ls.RATE, *note) for note, slot in slots.items()]
    x = ls.render(sheet, programs, font, False, at / ls.RATE)
    heard = {}  # where in its slot a note begins to sound: at a hundredth of its peak
    for note, slot in slots.items():
        level = np.abs(x[slot:slot + int((note[3] + TAIL) * ls.RATE)]).max(axis=1)
        heard[note] = int(np.argmax(level > 0.01 * level.max())) if level.max() > 0 else 0
    out = np.zeros((int(round(seconds * ls.RATE)), 2))
    for begin, *note in notes:
        slot = slots[tuple(note)]
        skip = max(0, heard[tuple(note)] - BLOCK)
        to = int(round(begin * ls.RATE)) - (heard[tuple(note)] - skip)
        skip -= min(0, to)
        to = max(0, to)
        length = min(int((note[3] + TAIL) * ls.RATE) - skip, len(out) - to, len(x) - slot - skip)
        if length > 0:
            out[to:to + length] += x[slot + skip:slot + skip + length]
    return out


def dense_break(rng, bars):
    """A break as it is played: ghost notes at a third of the main strokes' loudness between them, flams and rolls."""
    part = ls.Part()
    swing = float(rng.choice([0, 0.06, 0.12]))
    # What is a third as loud: the fonts' loudness goes with the square of the velocity.
    for bar in range(bars):
        for s in range(16):
            at = bar * 4 + s / 4 + (swing / 2 if s % 2 else 0)
            if s % 2 == 0 or rng.random() < 0.3:
                part.notes.append((at, 9, 42, int(rng.integers(60, 95)), 0.1))
            if s in (0, 10) or (s in (3, 7, 11) and rng.random() < 0.4):
                part.notes.append((at, 9, 36, 112, 0.2))
            if s in (4, 12):
                part.notes.append((at, 9, 38, 118, 0.2))
                if rng.random() < 0.3:
                    part.notes.append((at - 0.055, 9, 38, 66, 0.1))
            elif rng.random() < 0.55:
                part.notes.append((at, 9, 38, int(rng.integers(58, 72)), 0.1))
            if bar % 2 == 1 and s >= 14:
                part.notes.append((at + 0.125, 9, 38, 70 + 5 * (s - 14), 0.1))
    part.notes.sort()
    return part, 4, "4/4", None, (85, 130), "break"


def sung(rng, name, folder, ratio):
    seconds = float(rng.uniform(5, 8))
    voice = singer.Singer(rng, seconds)
    sides = [voice.sound(1, seconds), voice.sound(ratio, seconds * ratio)]
    peak = max(np.abs(s).max() for s in sides)
    for side, x in zip(("from", "to"), sides):
        ls.write(os.path.join(folder, f"{name}_{side}.wav"), x * 0.7 / peak)
    return name, {"kind": "sung", "ratio": ratio, "from_s": voice.starts, "to_s": [s * ratio for s in voice.starts]}


def make(job):
    folder, seed, kind, number, ratios = job
    rng = np.random.default_rng([seed, number, sum(map(ord, kind))])
    font = ls.FONTS[number % 2]
    bars = 4 if kind != "mix" else 2
    part, per_bar, _, _, (low, high), _ = dense_break(rng, bars) if kind == "break" else ls.compose(rng, kind, bars)
    ratio = ratios[number % len(ratios)]
    if kind == "sung":
        return sung(rng, f"sung{number:02d}", folder, ratio)
    bpm = float(rng.uniform(max(low, 80), max(min(high, 140), low + 1, 81)))
    beats = bars * per_bar
    sides, moments = [], []
    for tempo in (bpm, bpm / ratio):
        beat = 60 / tempo
        notes = [(at * beat, c, k, v, max(0.03, length * beat)) for at, c, k, v, length in part.notes]
        seconds = beats * beat
        sides.append(placed(notes, part.programs, font, seconds))
        moments.append(sorted({round(n[0], 6) for n in notes}))
    peak = max(np.abs(s).max() for s in sides)
    if peak < 1e-4:
        return None
    name = f"{kind}{number:02d}"
    for side, x in zip(("from", "to"), sides):
        ls.write(os.path.join(folder, f"{name}_{side}.wav"), x * 0.7 / peak)
    return name, {"kind": kind, "ratio": ratio, "from_s": moments[0], "to_s": moments[1]}


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("folder")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--each", type=int, default=6)
    parser.add_argument("--kinds", default="drums,break,bass,chords,mix,pad,voice,sung")
    parser.add_argument("--ratios", default=",".join(map(str, RATIOS)), help="output length over input length")
    a = parser.parse_args()
    os.makedirs(a.folder, exist_ok=True)
    ratios = [float(r) for r in a.ratios.split(",")]
    jobs = [(a.folder, a.seed, kind, n, ratios) for kind in a.kinds.split(",") for n in range(a.each)]
    ls.make_set(a.folder, make, jobs)


if __name__ == "__main__":
    main()
