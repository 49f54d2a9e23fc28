#!/usr/bin/env python3
"""Makes loops in 2/4, 3/4, 4/4, 5/4, 6/8 and 7/8 with known truth, to develop and to measure the hearing of metre with.

Patterns are drawn at random from a seed: strokes, bass, chords, broken chords and mixes that accent the beginnings of bars
and of their groups, with fills and changes from bar to bar; half of those in 4/4 are of listening_set.py, whose shuffles
have threes in a beat as 6/8 has. They are played and cut as there. truth.json is as there: `bpm` and `beats` are of
quarters, in 6/8 of dotted ones.

Needs: as listening_set.py. Usage: tools/metre_set.py FOLDER [--seed N] [--loops N]
"""
import argparse
import os

import numpy as np

import listening_set as ls

METRES = ["4/4"] * 8 + ["2/4"] * 2 + ["3/4"] * 4 + ["5/4"] * 3 + ["6/8"] * 4 + ["7/8"] * 4
# Quarters a minute.
TEMPOS = {"2/4": (76, 150), "3/4": (76, 185), "4/4": (66, 170), "5/4": (84, 175), "6/8": (68, 142), "7/8": (84, 165)}
KINDS = ["drums"] * 7 + ["bass"] * 2 + ["chords"] * 3 + ["arpeggio"] * 2 + ["guitar"] * 2 + ["mix"] * 4
CONDITIONS = ["trimmed"] * 7 + ["tail"] * 2 + ["silence"] + ["miscut"] + ["silencetail"]


def groups_of(rng, metre):
    """The lengths of a bar's groups, in quarters."""
    if metre == "5/4":
        return [[3, 2], [2, 3]][int(rng.random() < 0.3)]
    if metre == "6/8":
        return [1.5, 1.5]
    if metre == "7/8":
        return [[1, 1, 1.5], [1.5, 1, 1], [1, 1.5, 1]][int(rng.choice([0, 0, 1, 2]))]
    return [1] * int(metre[0])


def places(groups):
    return [sum(groups[:i]) for i in range(len(groups))]


def eighths(groups):
    return [i / 2 for i in range(int(round(sum(groups) * 2)))]


def strokes(rng, groups, metre):
    """{drum: {place in quarters: loudness}}"""
    starts, all_places = places(groups), eighths(groups)
    whole = sum(groups)
    kick = {0.0: 9}
    snare = {}
    for place in starts[1:]:
        if rng.random() < 0.3:
            kick[place] = 7
    back = {"2/4": [1], "3/4": [[1, 2], [2], [1]][int(rng.integers(3))], "4/4": [1, 3], "5/4": [starts[1], whole - 1],
            "6/8": [1.5], "7/8": [starts[-int(rng.integers(1, 3))]]}[metre]
    for place in back:
        snare[float(place)] = 9
        kick.pop(float(place), None)
    for place in all_places:
        if place not in kick and place not in snare and rng.random() < 0.12:
            kick[place] = 6
        elif place not in snare and rng.random() < 0.06:
            snare[place] = 5
    lanes = {36: kick, int(rng.choice([38, 38, 37, 39])): snare}
    if rng.random() < 0.85:
        fine = metre in ("2/4", "3/4", "4/4", "5/4") and rng.random() < 0.25
        every = [p + s for p in all_places for s in ((0, 0.25) if fine else (0,))]
        if metre in ("3/4", "5/4") and rng.random() < 0.2:
            every = [float(q) for q in range(int(whole))]
        strong = set(starts) if metre in ("6/8", "7/8") or rng.random() < 0.5 else {float(q) for q in range(int(whole))}
        deep = rng.random() < 0.5
        lanes[int(rng.choice([42, 42, 51, 70, 54]))] = {p: (8 if p == 0 and deep else 7 if p in strong else 5) for p in every}
    return lanes


def drum_part(rng, part, groups, metre, bars):
    lanes = strokes(rng, groups, metre)
    if rng.random() < 0.15 and len(lanes) == 3:
        lanes.pop(36 if rng.random() < 0.5 else list(lanes)[1])
    whole = sum(groups)
    for bar in range(bars):
        fill = bar == bars - 1 and bars > 1 and rng.random() < 0.35
        for key, strokes_ in lanes.items():
            for at, loud in strokes_.items():
                if fill and at >= whole - 1 and key != 42:
                    continue
                if at > 0 and loud < 7 and rng.random() < 0.1:
                    continue
                velocity = int(np.clip(20 + loud * 11 + rng.normal(0, 5), 15, 127))
                part.notes.append((bar * whole + at, 9, key, velocity, 0.2))
        if bar % 4 == 0 and bars >= 4 and rng.random() < 0.4:
            part.notes.append((bar * whole, 9, 49, 100, 0.2))
        if fill:
            for k in range(int(rng.choice([2, 4]))):
                part.notes.append((bar * whole + whole - 1 + k / 4, 9, int(rng.choice([38, 45, 47])), 80 + 8 * k, 0.2))


def bass_part(rng, part, harmony, groups, bars, channel=0):
    part.programs[channel] = int(rng.choice([32, 33, 34, 35, 36, 38, 39]))
    starts, whole = places(groups), sum(groups)
    at = sorted({0.0} | {p for p in starts if rng.random() < 0.6} | {p for p in eighths(groups) if rng.random() < 0.2})
    step = [0] + [int(rng.choice([0, 0, 7, 12, -5])) for _ in at[1:]]
    stay = float(rng.choice([0.5, 0.9]))
    for bar in range(bars):
        root = harmony.chord(bar)[0]
        key = 36 + root % 12 - (12 if root % 12 > 7 else 0)
        for i, p in enumerate(at):
            gap = (at[i + 1] if i + 1 < len(at) else whole) - p
            part.notes.append((bar * whole + p, channel, key + step[i], 112 if p == 0 else 96, gap * stay))


def chord_part(rng, part, harmony, groups, bars, programs, channel=1, octave=60, strum=0.0):
    part.programs[channel] = int(rng.choice(programs))
    starts, whole = places(groups), sum(groups)
    way = int(rng.integers(4))
    if way == 0:
        at = [0.0]
    elif way == 1:
        at = starts if len(starts) > 2 or rng.random() < 0.5 else sorted(set(starts) | {p for p in eighths(groups) if rng.random() < 0.3})
    elif way == 2:
        at = starts[1:] or [0.0]
    else:
        at = sorted({0.0} | {p for p in eighths(groups) if rng.random() < 0.4})
    for bar in range(bars):
        keys = [octave + (k % 12) for k in harmony.chord(bar)]
        if way == 2:  # low on one, chords after it
            part.notes.append((bar * whole, channel, keys[0] - 24 if octave > 50 else keys[0] - 12, 108, starts[1] if len(starts) > 1 else whole))
        for i, p in enumerate(at):
            gap = (at[i + 1] if i + 1 < len(at) else whole) - p
            for j, key in enumerate(keys):
                part.notes.append((bar * whole + p + j * strum, channel, key, 108 if p == 0 else 92 if p in starts else 80, gap * 0.9))


def arpeggio_part(rng, part, harmony, groups, bars, channel=2, programs=(0, 4, 5, 8, 11, 12, 24, 46, 81, 88)):
    part.programs[channel] = int(rng.choice(list(programs)))
    starts, whole = places(groups), sum(groups)
    per = 4 if max(groups) <= 1 and rng.random() < 0.3 else 2
    ways = [[0, 1, 2, 3, 2, 1], [0, 2, 1, 3, 2, 3], [3, 2, 1, 2, 1, 0]][int(rng.integers(3))]
    anew = rng.random() < 0.6  # the figure begins with each group, not with each bar only
    for bar in range(bars):
        keys = sorted(60 + (k % 12) for k in harmony.chord(bar))
        keys.append(keys[0] + 12)
        place, since = 0.0, 0
        while place < whole - 1e-9:
            if place in starts and (anew or place == 0):
                since = 0
            velocity = 105 if place == 0 else 94 if place in starts else 78
            part.notes.append((bar * whole + place, channel, keys[ways[since % 6]], velocity, 0.9 / per))
            place += 1 / per
            since += 1


def compose(rng, kind, metre, bars):
    """(part, quarters a bar)"""
    part = ls.Part()
    groups = groups_of(rng, metre)
    harmony = ls.Harmony(rng, bars, int(np.ceil(sum(groups))))
    if kind in ("drums", "mix"):
        drum_part(rng, part, groups, metre, bars)
    if kind in ("bass", "mix"):
        bass_part(rng, part, harmony, groups, bars)
    if kind == "chords" or (kind == "mix" and rng.random() < 0.7):
        chord_part(rng, part, harmony, groups, bars, ls.KEYS + (ls.PADS if kind == "mix" else []))
    if kind == "guitar":
        if rng.random() < 0.6:
            chord_part(rng, part, harmony, groups, bars, ls.GUITARS, octave=48, strum=0.012)
        else:
            arpeggio_part(rng, part, harmony, groups, bars, programs=ls.GUITARS[:4])
    if kind == "arpeggio" or (kind == "mix" and rng.random() < 0.3):
        arpeggio_part(rng, part, harmony, groups, bars)
    return part, sum(groups), None if kind == "drums" else harmony.name


def make(job):
    folder, index, seed, metre, kind, condition = job
    rng = np.random.default_rng([seed, index, 7])
    font = ls.FONTS[int(rng.random() < 0.4)]
    plain = bool(rng.random() < 0.3)
    bars = int(rng.choice([1, 2, 2, 4, 4, 4, 8]))
    if kind not in ("drums", "mix") or metre in ("6/8", "2/4", "7/8", "3/4"):
        bars = max(2, bars)
    style = kind
    if metre == "4/4" and rng.random() < 0.5:
        while True:
            part, quarters, its, key, (low, high), style = ls.compose(rng, kind, bars)
            if its == "4/4":
                break
    else:
        part, quarters, key = compose(rng, kind, metre, bars)
        low, high = TEMPOS[metre]
    bpm = float(round(rng.uniform(low, high)))
    if metre == "6/8":
        bpm = float(round(rng.uniform(low, high) / 1.5)) * 1.5
    beat = 60 / bpm
    jitter = float(rng.choice([0, 0.002, 0.006]))
    notes = [(max(0, at * beat + rng.normal(0, jitter)), c, k, v, max(0.03, length * beat)) for at, c, k, v, length in sorted(part.notes)]
    reverb = bool(rng.random() < 0.4)
    length = bars * quarters * beat
    lead = float(rng.uniform(0.05, 1.5)) if condition in ("silence", "silencetail") else 0.0

    def sounded(these, seconds):
        return ls.play(rng, these, part.programs, reverb, seconds) if plain else ls.render(these, part.programs, font, reverb, seconds)

    if condition in ("tail", "silencetail"):
        x = sounded(notes, length + float(rng.uniform(0.6, 3.0)))
    else:
        again = notes + [(at + length, *n) for at, *n in notes]
        n = int(round(length * ls.RATE))
        x = sounded(again, 2 * length + 0.1)[n:] if rng.random() < 0.6 else sounded(notes, length)
        if condition == "miscut":
            n += int(ls.RATE * float(rng.uniform(0.005, 0.03)) * (1 if rng.random() < 0.5 else -1))
        x = np.concatenate([x, np.zeros((max(0, n - len(x)), 2))])[:n]
    x = np.concatenate([np.zeros((int(round(lead * ls.RATE)), 2)), x])
    peak = np.abs(x).max()
    if peak < 1e-4:
        return None
    x *= 10 ** (rng.uniform(-14, -0.5) / 20) / peak
    name = f"{index:04d}.wav"
    ls.write(os.path.join(folder, name), x)
    felt = 1.5 if metre == "6/8" else 1
    count = bars * quarters / felt
    return name, {"kind": kind, "style": style, "condition": condition, "bpm": bpm / felt, "beats": int(count) if count == int(count) else count,
                  "metre": metre, "first_beat_s": lead, "key": key, "steady": True, "plain": plain,
                  "beats_s": [round(lead + i * beat * felt, 6) for i in range(int(count))]}


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("folder")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--loops", type=int, default=240)
    a = parser.parse_args()
    os.makedirs(a.folder, exist_ok=True)
    rng = np.random.default_rng(a.seed)
    jobs = [(a.folder, i, a.seed, str(rng.choice(METRES)), str(rng.choice(KINDS)), str(rng.choice(CONDITIONS))) for i in range(a.loops)]
    ls.make_set(a.folder, make, jobs)


if __name__ == "__main__":
    main()
