#!/usr/bin/env python3
"""Makes loops that are not drawn from a pattern book, to develop and to measure hearing with: music cut at its bars,
percussion as hands play it, machines and found sounds used as rhythm.

The music is what free games ship as modules: note lists with their samples, whose rows lie at times that are known to
the sample. Percussion has drags, flams, ghost notes, swing, rolls and scatter, in rooms, under hiss, hum and clicks.
Found sounds are those of tools/single_sounds.py. The two parts share no package and no seed. truth.json is as that of
tools/listening_set.py.

Needs: python3-numpy, libopenmpt0, ffmpeg, and what listening_set.py and single_sounds.py need.
Usage: tools/found_loops.py FOLDER --part fit|report [--packages FOLDER] [--music N] [--percussion N] [--found N]
"""
import argparse
import ctypes
import json
import os
from concurrent.futures import ProcessPoolExecutor

import numpy as np

import listening_set as ls
import single_sounds as single

MUSIC = {"fit": ["freedroid-data", "pekka-kana-2-data", "bomberclone-data"], "report": ["pingus-data", "pachi-data", "njam-data"]}


def module(path):
    """(samples, [(frame, row, speed, tempo)]): the whole piece, with the moment of each row."""
    lib = ctypes.CDLL("libopenmpt.so.0")
    lib.openmpt_module_create_from_memory.restype = ctypes.c_void_p
    data = open(path, "rb").read()
    m = ctypes.c_void_p(lib.openmpt_module_create_from_memory(data, ctypes.c_size_t(len(data)), None, None, None))
    if not m:
        return None
    step, most = 49, int(150 * ls.RATE)  # a hundredth of a beat and less
    buffer = (ctypes.c_float * (2 * step))()
    parts, rows, at, last = [], [], 0, None
    while at < most:
        n = lib.openmpt_module_read_interleaved_float_stereo(m, ctypes.c_int32(ls.RATE), ctypes.c_size_t(step), buffer)
        if n == 0:
            break
        row = lib.openmpt_module_get_current_row(m)
        here = (lib.openmpt_module_get_current_order(m), row)
        if here != last:
            rows.append((at, row, lib.openmpt_module_get_current_speed(m), lib.openmpt_module_get_current_tempo(m)))
            last = here
        parts.append(np.frombuffer(buffer, "<f4", 2 * n).reshape(-1, 2).copy())
        at += n
    lib.openmpt_module_destroy(m)
    return np.concatenate(parts).astype(float), rows


def cuts(path, rng):
    """Loops of whole bars from a piece; four rows a beat, where the piece keeps to it."""
    got = module(path)
    if got is None:
        return
    x, rows = got
    made = 0
    for _ in range(40):
        i = int(rng.integers(max(1, len(rows) - 70)))
        frame, row, speed, tempo = rows[i]
        bars = int(rng.choice([1, 2, 2, 4]))
        end = i + 16 * bars
        if row % 16 != 0 or end >= len(rows) or any(r[2:] != (speed, tempo) for r in rows[i:end]):
            continue
        # Rows last as long as their ticks: where something held them up, the piece is left alone.
        length = 16 * bars * speed * 2.5 / tempo * ls.RATE
        if abs(rows[end][0] - frame - length) > 120:
            continue
        bpm = 60 * tempo / (2.5 * speed * 4)
        if not 55 <= bpm <= 190:
            continue
        cut = x[frame:frame + int(round(length))]
        quarters = [np.sqrt((q ** 2).mean()) for q in np.array_split(cut, 8)]
        if min(quarters) < 0.003:
            continue
        yield cut, bpm, 4 * bars
        made += 1
        if made == 5:
            return


def room(rng, x):
    n = int(rng.uniform(0.1, 0.9) * ls.RATE)
    tail = rng.standard_normal((n, 2)) * np.exp(-np.arange(n) / ls.RATE * rng.uniform(5, 25))[:, None] * rng.uniform(0.01, 0.06)
    size = 1 << (len(x) + n).bit_length()
    return x + np.stack([np.fft.irfft(np.fft.rfft(x[:, c], size) * np.fft.rfft(tail[:, c], size), size)[:len(x)] for c in range(2)], 1)


def worn(rng, x):
    """What a recording picks up: hiss, hum, clicks, or nothing."""
    n, loud = len(x), np.abs(x).max()
    what = int(rng.integers(6))
    if what == 0:
        x = x + loud * 10 ** rng.uniform(-3, -1.7) * rng.standard_normal((n, 2))
    elif what == 1:
        x = x + loud * 10 ** rng.uniform(-2.6, -1.6) * np.sin(2 * np.pi * 50 * np.arange(n) / ls.RATE)[:, None]
    elif what == 2:
        x = x.copy()
        for at in rng.integers(0, n - 60, int(rng.uniform(2, 12) * n / ls.RATE)):
            x[at:at + 40] += loud * rng.uniform(0.02, 0.3) * rng.standard_normal() * np.exp(-np.arange(40) / 6)[:, None]
    return x


HAND = [[60, 61], [63, 64, 62], [41, 45, 47], [36, 38, 42], [36, 38, 42, 46], [75, 70], [54, 36], [36, 37, 42, 70], [60, 61, 63, 64], [38]]


def percussion(rng):
    """(notes, beats, bpm) as hands play."""
    bpm = float(rng.uniform(72, 150)) if rng.random() < 0.6 else float(round(rng.uniform(72, 150)))
    bars = int(rng.choice([1, 1, 2, 2, 4]))
    per_bar = int(rng.choice([4, 4, 4, 4, 3]))
    keys = HAND[int(rng.integers(len(HAND)))]
    beat = 60 / bpm
    swing = rng.choice([0, 0, rng.uniform(0.03, 0.16)])
    scatter = rng.choice([0.001, 0.004, 0.009])
    late = rng.normal(0, 0.006, len(keys))  # each drum has its own place
    drag = rng.uniform(-0.006, 0.006)  # the middle of the bar hangs back or runs ahead
    density = rng.uniform(0.35, 0.95)
    pattern = [[(rng.random() < density * (1 if s % 2 == 0 else 0.7), int(rng.choice(range(len(keys))))) for s in range(4 * per_bar)]]
    notes = []
    for bar in range(bars):
        for s in range(4 * per_bar):
            struck, which = pattern[0][s]
            if rng.random() < 0.12:  # no bar is quite like another
                struck, which = rng.random() < density, int(rng.choice(range(len(keys))))
            on_beat = s % 4 == 0
            if not struck and not (s == 0 and rng.random() < 0.9):
                if rng.random() < 0.25:  # a ghost
                    notes.append(((bar * per_bar + s / 4) * beat + rng.normal(0, scatter), 9, keys[which], int(rng.integers(18, 45)), 0.2))
                continue
            at = (bar * per_bar + s / 4 + (swing / 2 if s % 2 else 0)) * beat
            at += late[which] + drag * np.sin(np.pi * s / (4 * per_bar)) + rng.normal(0, scatter)
            loud = int(np.clip((108 if on_beat else 84) + rng.normal(0, 11), 25, 127))
            notes.append((at, 9, keys[which], loud, 0.2))
            if rng.random() < 0.07:  # a flam
                notes.append((at - rng.uniform(0.018, 0.035), 9, keys[which], loud // 2, 0.2))
            if rng.random() < 0.05:  # a roll into the next
                for k in range(1, 4):
                    notes.append((at + k * beat / 16, 9, keys[which], loud // 2 + 8 * k, 0.1))
    return notes, bars * per_bar, bpm


def machine(rng, sounds):
    """(samples of one cycle, bpm, beats): a machine's turn, or found sounds set in time."""
    bpm = float(rng.uniform(60, 170))
    beats = int(rng.choice([4, 4, 8, 8, 16]))
    n = int(round(60 * beats / bpm * ls.RATE))
    x = np.zeros((2 * n, 2))
    voices = []
    for _ in range(int(rng.integers(2, 5))):
        if sounds and rng.random() < 0.7:
            s = single.decoded(sounds[int(rng.integers(len(sounds)))])
            if len(s) < 400 or np.abs(s).max() < 1e-3:
                continue
            s = s[:int(rng.uniform(0.06, 0.9) * ls.RATE)] / np.abs(s).max()
        else:
            m = int(rng.uniform(0.02, 0.4) * ls.RATE)
            t = np.arange(m) / ls.RATE
            s = rng.standard_normal((m, 1)) * np.array([1.0, 0.8])
            s = np.convolve(s[:, 0], np.ones(int(rng.integers(1, 50))), mode="same")[:, None] * np.array([1.0, 0.8])
            s *= (np.minimum(1, t / rng.uniform(0.001, 0.06)) * np.exp(-t * rng.uniform(4, 60)))[:, None]
            s /= np.abs(s).max() + 1e-9
        s[-200:] *= np.linspace(1, 0, 200)[:, None]
        voices.append(s)
    if not voices:
        return None
    per = [int(rng.choice([4, 8, 8, 16])) for _ in voices]
    for v, s in enumerate(voices):
        steps = per[v]
        pattern = rng.random(steps) < (0.9 if v == 0 and rng.random() < 0.5 else rng.uniform(0.2, 0.6))
        pattern[0] |= v == 0
        for bar in range(max(1, beats // 4)):
            for k in range(steps):
                if pattern[k] and rng.random() < 0.96:
                    at = int((bar * 4 + k * 4 / steps) * 60 / bpm * ls.RATE + rng.normal(0, 0.002) * ls.RATE)
                    for lap in (0, n):
                        first = max(0, at + lap)
                        m = min(len(s), 2 * n - first)
                        x[first:first + m] += s[:m] * rng.uniform(0.5, 1)
    x = x[n:]
    if rng.random() < 0.5:
        x = x + 0.03 * np.abs(x).max() * np.convolve(rng.standard_normal(n), np.ones(30) / 5, mode="same")[:, None]
    return x, bpm, beats


def make(job):
    folder, index, kind, part, packages, payload = job
    rng = np.random.default_rng([len(part), 33, index])
    made = []
    if kind == "music":
        made = [("music", x, bpm, beats) for x, bpm, beats in cuts(payload, rng)]
    elif kind == "percussion":
        notes, beats, bpm = percussion(rng)
        notes = [(max(0.0, t), *rest) for t, *rest in notes]
        length = 60 * beats / bpm
        again = notes + [(t + length, c, k, v, l) for t, c, k, v, l in notes]
        plain = rng.random() < 0.3
        x = ls.play(rng, again, {}, False, 2 * length) if plain else ls.render(again, {}, ls.FONTS[int(rng.integers(2))], bool(rng.random() < 0.3), 2 * length)
        if rng.random() < 0.6:
            x = room(rng, x)
        made = [("percussion", x[int(round(length * ls.RATE)):], bpm, beats)]
    else:
        got = machine(rng, payload)
        made = [("found", *got)] if got else []
    out = {}
    for k, (what, x, bpm, beats) in enumerate(made):
        x = worn(rng, x)
        length, lead = 60 * beats / bpm, 0.0
        condition = str(rng.choice(["trimmed"] * 7 + ["miscut", "silence", "tail"]))
        x = x[:int(round(length * ls.RATE))]
        if condition == "miscut":
            off = int(ls.RATE * rng.uniform(0.005, 0.03) * rng.choice([-1, 1]))
            x = x[:off] if off < 0 else np.concatenate([x, x[:off]])
        elif condition == "silence":
            lead = float(rng.uniform(0.05, 1.5))
            x = np.concatenate([np.zeros((int(round(lead * ls.RATE)), 2)), x])
        elif condition == "tail":
            n = int(rng.uniform(0.3, 1.5) * ls.RATE)
            x = np.concatenate([x, x[:n] * np.exp(-np.arange(min(n, len(x))) / ls.RATE * 12)[:, None]])
        if np.abs(x).max() < 1e-3:
            continue
        name = f"{index:04d}{'abcde'[k]}.wav"
        ls.write(os.path.join(folder, name), x * 10 ** (rng.uniform(-12, -0.5) / 20) / np.abs(x).max())
        out[name] = {"kind": what, "style": what, "condition": condition, "bpm": bpm, "beats": beats, "metre": "4/4" if beats % 4 == 0 else "3/4",
                     "first_beat_s": lead, "key": None, "steady": True, "plain": False,
                     "beats_s": [round(lead + b * 60 / bpm, 6) for b in range(beats)]}
    return out


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("folder")
    parser.add_argument("--part", choices=["fit", "report"], required=True)
    parser.add_argument("--packages", default=single.PLACE)
    parser.add_argument("--music", type=int, default=40, help="pieces, up to five loops of each")
    parser.add_argument("--percussion", type=int, default=150)
    parser.add_argument("--found", type=int, default=80)
    a = parser.parse_args()
    os.makedirs(a.folder, exist_ok=True)
    pieces = []
    for package in MUSIC[a.part]:
        for root, _, names in os.walk(single.extracted(package, a.packages)):
            pieces += [os.path.join(root, n) for n in names if n.lower().endswith((".xm", ".mod", ".it", ".s3m", ".stm"))]
    sounds = []
    for package in single.PACKAGES[a.part]:
        for root, _, names in os.walk(single.extracted(package, a.packages)):
            sounds += [os.path.join(root, n) for n in names if n.lower().endswith((".wav", ".ogg", ".oga", ".flac"))]
    sounds = sorted(s for s in sounds if not any(w in s.lower() for w in single.LEFT_OUT))
    jobs = [("music", p) for p in sorted(pieces)[:a.music]] + [("percussion", None)] * a.percussion + [("found", sounds)] * a.found
    truth = {}
    with ProcessPoolExecutor() as pool:
        for part in pool.map(make, [(a.folder, i, kind, a.part, a.packages, payload) for i, (kind, payload) in enumerate(jobs)]):
            truth.update(part)
    with open(os.path.join(a.folder, "truth.json"), "w") as f:
        json.dump(truth, f, indent=0)


if __name__ == "__main__":
    main()
