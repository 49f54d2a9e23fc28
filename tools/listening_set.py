#!/usr/bin/env python3
"""Makes a set of loops, songs and free playing with known truth, to develop and to measure hearing with.

Patterns of many styles are drawn at random from a seed, played by FluidSynth with the sound fonts FluidR3 GM and
TimGM6mb, or by the plain synthesiser below, so that nothing is learnt of one set of recordings alone; and cut the way
loops are found: trimmed to whole bars, with a tail, with silence before, 5 to 30 ms wrong,
with a silent last beat. truth.json has for each file: bpm, beats, metre, first_beat_s, beats_s, key, kind, condition,
steady. Weights are fitted on one seed and reported on another.

Needs: python3-numpy, fluidsynth, fluid-soundfont-gm, timgm6mb-soundfont.
Usage: tools/listening_set.py FOLDER [--seed N] [--loops N] [--songs N] [--free N] [--only KIND]
"""
import argparse
import json
import os
import struct
import subprocess
import tempfile
import wave
from concurrent.futures import ProcessPoolExecutor

import numpy as np

FONTS = ["/usr/share/sounds/sf2/FluidR3_GM.sf2", "/usr/share/sounds/sf2/TimGM6mb.sf2"]
RATE = 44100
TICK = 1e-4  # seconds
ROOTS = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"]
MAJOR = [0, 2, 4, 5, 7, 9, 11]
MINOR = [0, 2, 3, 5, 7, 8, 10]

# style: (lowest tempo, highest, steps a bar, beats a bar, {drum key: accents a step; digits are loudness})
DRUMS = {
    "rock": (80, 165, 16, 4, {36: "9.......9.6.....", 38: "....9.......9...", 42: "7.5.7.5.7.5.7.5."}),
    "rock2": (85, 160, 16, 4, {36: "9.....6.9.......", 38: "....9.......9..3", 51: "7...6...7...6...", 44: "....5.......5..."}),
    "house": (112, 132, 16, 4, {36: "9...9...9...9...", 39: "....8.......8...", 46: "..7...7...7...7.", 42: "4.4.4.4.4.4.4.4."}),
    "techno": (122, 145, 16, 4, {36: "9...9...9...9...", 42: "..7...7...7...7.", 70: "5353535353535353"}),
    "boombap": (78, 104, 16, 4, {36: "9......6.69.....", 38: "....9.......9...", 42: "7.5.7.5.7.5.7.55"}),
    "break": (125, 176, 16, 4, {36: "9.9.......99....", 38: "....9..5.5..9..5", 42: "7.5.7.5.7.5.7.5."}),
    "drumnbass": (160, 180, 16, 4, {36: "9.........9.....", 38: "....9.......9...", 42: "7.5.7.5.7.5.7.5."}),
    "halftime": (125, 150, 16, 4, {36: "9.....6...6.....", 38: "........9.......", 42: "7.5.7.5.7.557.55"}),
    "slow": (60, 84, 16, 4, {36: "9.......9.......", 38: "....9.......9...", 42: "7.5.7.5.7.5.7.5."}),
    "onedrop": (66, 88, 16, 4, {36: "........9.......", 37: "........8.......", 42: "7.5.7.5.7.5.7.5.", 46: "..............5."}),
    "latin": (88, 128, 16, 4, {63: "..7...77..7...77", 64: "7.....5.7.....5.", 75: "8..8...8..8.8..."[:16], 70: "6464646464646464"}),
    "shaker": (80, 140, 16, 4, {70: "9474947494749474"}),
    "shaker8": (80, 160, 8, 4, {82: "96969696"}),
    "tambourine": (90, 140, 16, 4, {54: "5.5.9.5.5.5.9.5."}),
    "bongos": (85, 135, 16, 4, {60: "9.56..769.56.76.", 61: "...5..5...65...5"}),
    "toms": (75, 130, 16, 4, {41: "9..7..7.9..7....", 47: "..........5.7.55", 45: "......5.....6..."}),
    "swing": (100, 200, 12, 4, {51: "8..7.58..7.5"[:12], 44: "...8.....8..", 36: "5.....5....."}),
    "shuffle": (85, 145, 12, 4, {36: "9.....9.....", 38: "...9.....9..", 42: "7.57.57.57.5"}),
    "waltz": (90, 170, 6, 3, {36: "9.....", 42: "..7.7.", 37: "..5.5."}),
    "sixeight": (50, 90, 6, 2, {36: "9....6", 38: "...9..", 42: "756756"}),
    "trapfast": (64, 80, 32, 4, {36: "9.............8.....8...........", 38: "................" + "9...............",
                               42: "7.7.7.7.7.7.7777" + "7.7.7.7.77777.7."}),
    "claves": (90, 130, 16, 4, {75: "9..9..9...9.9..."}),
    "cowbell": (95, 135, 16, 4, {56: "9...8...9.8.8.8.", 36: "9.......9......."}),
    "dembow": (86, 104, 16, 4, {36: "9...9...9...9...", 38: "...8..8....8..8.", 42: "5.5.5.5.5.5.5.5."}),
    "disco": (108, 130, 16, 4, {36: "9...9...9...9...", 38: "....9.......9...", 42: "7.6.7.6.7.6.7.6.", 46: "..8...8...8...8."}),
    "hats": (85, 140, 16, 4, {42: "9565956595659565"}),
    "kicks": (110, 135, 4, 4, {36: "9999"}),
}
PROGRESSIONS = {
    False: [[0, 4, 5, 3], [0, 5, 3, 4], [0, 3, 4, 0], [0, 3, 0, 4], [1, 4, 0, 0], [0, 0, 3, 4], [5, 3, 0, 4], [0, 2, 3, 4]],
    True: [[0, 5, 2, 6], [0, 3, 4, 0], [0, 6, 5, 6], [0, 5, 3, 4], [0, 3, 6, 2], [0, 0, 5, 6], [0, 6, 5, 4]],
}
BASS = ["9.7.7.7.7.7.7.7.", "9...9...9...9...", "9..9..7.9..9..7.", "9.........7.9...", "..9...9...9...9.", "9.99.9..9.99.9..",
        "9...............", "9.......7.......", "9..7....9..7..5.", "99.99.9999.99.99", "9.....9.....9..."]
CHORDS = ["9...............", "9.......8.......", "9...8...8...8...", "..9...9...9...9.", "9..9..9...9..9..", "9.......9..8....",
          "9..8..8.........", "....9.......9..."]
STRUM = ["9...8.8..88.8.8.", "9...8...9...8.8.", "9.8.9.8.9.8.9.8.", "9..89.8.9..89.8.", "9...8.878..88.87"]


def variable(n):
    out = [n & 0x7F]
    while n > 0x7F:
        n >>= 7
        out.insert(0, (n & 0x7F) | 0x80)
    return bytes(out)


def render(notes, programs, font, reverb, seconds):
    """notes: (time, channel, key, velocity, length). Returns samples (frames, 2)."""
    events = []
    for at, channel, key, velocity, length in notes:
        on = max(0, round(at / TICK))
        events.append((on, 1, bytes([0x90 | channel, key, velocity])))
        events.append((on + max(1, round(length / TICK)), 0, bytes([0x80 | channel, key, 0])))
    events.sort(key=lambda e: (e[0], e[1]))
    track = b"\x00\xff\x51\x03" + (1000000).to_bytes(3, "big")
    for channel, program in programs.items():
        track += b"\x00" + bytes([0xC0 | channel, program])
    last = 0
    for at, _, data in events:
        track += variable(at - last) + data
        last = at
    track += variable(max(0, round(seconds / TICK) - last)) + b"\xff\x2f\x00"
    with tempfile.TemporaryDirectory() as folder:
        midi, raw = os.path.join(folder, "a.mid"), os.path.join(folder, "a.raw")
        with open(midi, "wb") as f:
            f.write(b"MThd" + struct.pack(">IHHH", 6, 0, 1, 10000) + b"MTrk" + struct.pack(">I", len(track)) + track)
        subprocess.run(["fluidsynth", "-ni", "-q", "-R", "1" if reverb else "0", "-C", "0", "-g", "0.5", "-r", str(RATE),
                        "-O", "float", "-T", "raw", "-F", raw, font, midi], check=True, stdout=subprocess.DEVNULL,
                       stderr=subprocess.DEVNULL)
        x = np.fromfile(raw, dtype="<f4").reshape(-1, 2).astype(np.float64)
    want = int(seconds * RATE)
    return np.concatenate([x, np.zeros((max(0, want - len(x)), 2))])[:want]


def write(path, x):
    with wave.open(path, "wb") as w:
        w.setnchannels(x.shape[1])
        w.setsampwidth(2)
        w.setframerate(RATE)
        w.writeframes((np.clip(x, -1, 1) * 32767).astype("<i2").tobytes())


def drum(rng, key, loud):
    """One stroke."""
    n = int(RATE * (0.35 if key in (46, 51, 49) else 0.22))
    t = np.arange(n) / RATE
    noise = rng.standard_normal(n)
    high = np.diff(noise, prepend=0)
    if key in (35, 36):
        x = np.sin(2 * np.pi * (48 * t + 6 * (1 - np.exp(-t * 35)))) * np.exp(-t * rng.uniform(9, 22))
        x += 0.15 * noise * np.exp(-t * 400)
    elif key in (37, 38, 39, 40):
        x = 0.6 * noise * np.exp(-t * rng.uniform(14, 30)) + np.sin(2 * np.pi * 190 * t) * np.exp(-t * 30)
    elif key in (42, 44, 46, 49, 51, 54, 70, 82):
        decay = {46: 9, 49: 6, 51: 8, 70: 45, 82: 50}.get(key, rng.uniform(35, 70))
        x = np.diff(high, prepend=0) * np.exp(-t * decay) * 0.4
        if key in (70, 82):
            x *= np.minimum(1, t / 0.012)
    else:
        hz = {41: 85, 45: 120, 47: 150, 60: 330, 61: 240, 63: 300, 64: 220, 75: 1400, 56: 560}.get(key, 260)
        x = np.sin(2 * np.pi * hz * (t + 0.004 * (1 - np.exp(-t * 40)))) * np.exp(-t * 16) + 0.1 * noise * np.exp(-t * 200)
    return x * loud


def tone(rng, sound, key, loud, length):
    """One note of a made-up instrument: (partials, falls, attack, decay, release, vibrato, detuned voices)."""
    partials, falls, attack, decay, release, vibrato, voices = sound
    hz = 440 * 2 ** ((key - 69) / 12)
    n = int((length + release) * RATE)
    t = np.arange(n) / RATE
    x = np.zeros(n)
    wobble = 1 + vibrato * np.sin(2 * np.pi * 5.3 * t + rng.uniform(0, 6)) * np.minimum(1, t / 0.3)
    for cents in np.linspace(-9, 9, voices) if voices > 1 else [0]:
        phase = 2 * np.pi * np.cumsum(hz * 2 ** (cents / 1200) * wobble) / RATE + rng.uniform(0, 6)
        for k in range(1, partials + 1):
            if hz * k < 9000:
                x += np.sin(k * phase) / k ** falls * np.exp(-t * decay * k ** 0.5)
    envelope = np.minimum(1, t / attack) * np.minimum(1, np.maximum(0, (n / RATE - t) / release))
    return 0.3 * loud / voices * x * envelope


def instrument(rng, program):
    if program >= 88 or 48 <= program <= 52 or 80 <= program:
        return (int(rng.integers(4, 14)), 1.1, rng.uniform(0.03, 0.35), 0, rng.uniform(0.1, 0.6), 0, 3)
    if 32 <= program <= 39:
        return (int(rng.integers(3, 12)), rng.uniform(0.9, 1.6), rng.uniform(0.002, 0.012), rng.uniform(0.4, 3), 0.04, 0, 1)
    if program in (40, 53, 54, 65, 71, 73, 85, 22, 21):
        return (int(rng.integers(3, 9)), rng.uniform(0.8, 1.4), rng.uniform(0.02, 0.09), 0, 0.07, 0.004, 1)
    return (int(rng.integers(3, 10)), rng.uniform(1, 1.7), 0.003, rng.uniform(1.2, 6), 0.08, 0, 1)


def play(rng, notes, programs, reverb, seconds):
    """As render(), by the plain synthesiser."""
    frames = int(seconds * RATE)
    out = np.zeros((frames, 2))
    sounds = {c: instrument(rng, p) for c, p in sorted(programs.items())}
    place = {}
    for at, channel, key, velocity, length in notes:
        loud = (velocity / 127) ** 1.6
        x = drum(rng, key, loud) if channel == 9 else tone(rng, sounds[channel], key, loud, length)
        left = place.setdefault((channel, key if channel == 9 else 0), rng.uniform(0.3, 0.7))
        first = int(round(at * RATE))
        x = x[:max(0, frames - first)]
        out[first:first + len(x), 0] += x * left
        out[first:first + len(x), 1] += x * (1 - left)
    if reverb:
        n = int(0.9 * RATE)
        room = rng.standard_normal((n, 2)) * np.exp(-np.arange(n) / RATE * 7)[:, None] * 0.02
        size = 1 << (frames + n).bit_length()
        for c in range(2):
            out[:, c] += np.fft.irfft(np.fft.rfft(out[:, c], size) * np.fft.rfft(room[:, c], size), size)[:frames]
    return out


class Part:
    """Notes on a grid of beats: (beat, channel, key, velocity, length in beats)."""

    def __init__(self):
        self.notes = []
        self.programs = {}


def hits(pattern, steps, beats):
    for i, c in enumerate(pattern):
        if c != ".":
            yield i * beats / steps, int(c)


def drum_part(rng, part, style, bars, first=0.0, fills=True):
    _, _, steps, beats, lanes = DRUMS[style]
    thin = {k: rng.random() < 0.12 for k in lanes}
    if all(thin.values()) or len(lanes) < 3:
        thin = {}
    for bar in range(bars):
        for key, pattern in lanes.items():
            if thin.get(key):
                continue
            for at, loud in hits(pattern, steps, beats):
                if loud < 6 and rng.random() < 0.1:
                    continue
                velocity = int(np.clip(20 + loud * 11 + rng.normal(0, 4), 15, 127))
                part.notes.append((first + bar * beats + at, 9, key, velocity, 0.2))
        if fills and bar % 4 == 3 and rng.random() < 0.5:
            for k in range(4):
                part.notes.append((first + bar * beats + beats - 1 + k / 4, 9, int(rng.choice([38, 45, 47])), 80 + 8 * k, 0.2))
    return beats


class Harmony:
    def __init__(self, rng, bars, beats):
        self.root = int(rng.integers(12))
        self.minor = bool(rng.random() < 0.5)
        self.scale = MINOR if self.minor else MAJOR
        progression = PROGRESSIONS[self.minor][int(rng.integers(len(PROGRESSIONS[self.minor])))]
        self.degrees = [progression[i % 4] for i in range(max(1, bars))]
        self.beats = beats
        self.name = ROOTS[self.root] + (" minor" if self.minor else " major")

    def pitch(self, degree):
        return self.root + self.scale[degree % 7] + 12 * (degree // 7)

    def chord(self, bar):
        d = self.degrees[bar % len(self.degrees)]
        return [self.pitch(d), self.pitch(d + 2), self.pitch(d + 4)]


def on_grid(pattern, beats):
    return [(at, loud) for at, loud in hits(pattern, 16, 4) if at < beats]


def bass_part(rng, part, harmony, bars, channel=0, first=0.0):
    part.programs[channel] = int(rng.choice([32, 33, 34, 35, 36, 38, 39]))
    pattern = BASS[int(rng.integers(len(BASS)))]
    walking = rng.random() < 0.15
    for bar in range(bars):
        root = harmony.chord(bar)[0]
        places = [(b, 9) for b in range(harmony.beats)] if walking else on_grid(pattern, harmony.beats)
        for i, (at, loud) in enumerate(places):
            key = 36 + root % 12 - (12 if root % 12 > 7 else 0)
            if walking:
                key = 36 + harmony.pitch(harmony.degrees[bar % len(harmony.degrees)] + [0, 2, 4, 5][i % 4]) % 12
            elif i > 0 and rng.random() < 0.25:
                key += int(rng.choice([12, 7]))
            gap = (places[i + 1][0] if i + 1 < len(places) else harmony.beats) - at
            part.notes.append((first + bar * harmony.beats + at, channel, key, 60 + loud * 6, gap * float(rng.choice([0.5, 0.9]))))


def chord_part(rng, part, harmony, bars, programs, patterns, channel=1, octave=60, first=0.0, sustain=0.9, strum=0.0):
    part.programs[channel] = int(rng.choice(programs))
    pattern = patterns[int(rng.integers(len(patterns)))]
    for bar in range(bars):
        keys = [octave + (k % 12) for k in harmony.chord(bar)]
        places = on_grid(pattern, harmony.beats)
        for i, (at, loud) in enumerate(places):
            gap = (places[i + 1][0] if i + 1 < len(places) else harmony.beats) - at
            for j, key in enumerate(keys):
                part.notes.append((first + bar * harmony.beats + at + j * strum, channel, key, 50 + loud * 6, gap * sustain))


def arpeggio_part(rng, part, harmony, bars, channel=2, first=0.0):
    part.programs[channel] = int(rng.choice([0, 4, 5, 8, 11, 12, 24, 46, 81, 88, 108]))
    per_beat = int(rng.choice([2, 2, 4, 4, 3]))
    order = [[0, 1, 2, 1], [0, 1, 2, 3], [3, 2, 1, 0], [0, 2, 1, 3]][int(rng.integers(4))]
    for bar in range(bars):
        keys = harmony.chord(bar)
        keys = sorted(60 + (k % 12) for k in keys)
        keys.append(keys[0] + 12)
        for i in range(per_beat * harmony.beats):
            velocity = 95 if i % per_beat == 0 else 78
            part.notes.append((first + bar * harmony.beats + i / per_beat, channel, keys[order[i % 4]], velocity, 0.9 / per_beat))


def melody_part(rng, part, harmony, bars, programs, channel=3, first=0.0, octave=60):
    part.programs[channel] = int(rng.choice(programs))
    degree = int(rng.integers(7))
    rhythms = [[1, 1, 1, 1], [2, 1, 1], [1.5, 0.5, 1, 1], [1, 0.5, 0.5, 2], [2, 2], [3, 1], [0.5, 0.5, 1, 0.5, 0.5, 1], [4]]
    motif = rhythms[int(rng.integers(len(rhythms)))], rhythms[int(rng.integers(len(rhythms)))]
    for bar in range(bars):
        at = 0.0
        chord = harmony.degrees[bar % len(harmony.degrees)]
        for length in motif[bar % 2]:
            if at >= harmony.beats - 1e-9:
                break
            length = min(length, harmony.beats - at)
            degree = chord + int(rng.choice([0, 2, 4])) if at == 0 else degree + int(rng.choice([-2, -1, 1, 2]))
            degree = int(np.clip(degree, -3, 11))
            part.notes.append((first + bar * harmony.beats + at, channel, octave + harmony.pitch(degree + 7) - 12, 90, length * 0.93))
            at += length


PADS = [48, 49, 50, 51, 88, 89, 90, 91, 92, 94, 95, 52]
KEYS = [0, 1, 4, 5, 6, 16, 17, 18]
GUITARS = [24, 25, 26, 27, 28, 29]
VOICES = [52, 53, 54, 85, 65, 73, 40, 71]


def compose(rng, kind, bars):
    """(part, beats a bar, metre, key, tempo range)"""
    part = Part()
    if kind == "drums":
        style = str(rng.choice(list(DRUMS)))
        low, high, _, beats, _ = DRUMS[style]
        drum_part(rng, part, style, bars)
        metre = {"waltz": "3/4", "sixeight": "6/8"}.get(style, "4/4")
        if style == "sixeight":
            return part, beats, metre, None, (low, high), style
        return part, beats, metre, None, (low, high), style
    beats = 3 if rng.random() < 0.12 and kind not in ("mix", "song") else 4
    harmony = Harmony(rng, bars, beats)
    tempo = (70, 160)
    if kind == "bass":
        bass_part(rng, part, harmony, bars)
    elif kind == "chords":
        chord_part(rng, part, harmony, bars, KEYS, CHORDS)
    elif kind == "arpeggio":
        arpeggio_part(rng, part, harmony, bars)
    elif kind == "guitar":
        if rng.random() < 0.6:
            chord_part(rng, part, harmony, bars, GUITARS, STRUM, octave=48, strum=0.012)
        else:
            arpeggio_part(rng, part, harmony, bars)
            part.programs[2] = int(rng.choice(GUITARS[:4]))
    elif kind == "pad":
        chord_part(rng, part, harmony, bars, PADS, CHORDS[:2] if rng.random() < 0.8 else CHORDS[2:3], sustain=0.98, octave=48)
    elif kind == "voice":
        melody_part(rng, part, harmony, bars, VOICES)
    elif kind in ("mix", "song"):
        styles = [s for s, v in DRUMS.items() if v[3] == 4 and s not in ("kicks", "hats", "claves", "shaker", "shaker8")]
        style = str(rng.choice(styles))
        low, high, _, _, _ = DRUMS[style]
        tempo = (low, high)
        if kind == "mix":
            drum_part(rng, part, style, bars)
            bass_part(rng, part, harmony, bars)
            if rng.random() < 0.7:
                chord_part(rng, part, harmony, bars, KEYS + PADS, CHORDS)
            if rng.random() < 0.5:
                melody_part(rng, part, harmony, bars, VOICES + [80, 81])
        else:
            intro = int(rng.choice([0, 2, 4]))
            if bars > intro + 4:
                drum_part(rng, part, style, bars - intro, first=intro * 4.0)
            bass_part(rng, part, harmony, bars)
            chord_part(rng, part, harmony, bars, KEYS + GUITARS, CHORDS)
            if rng.random() < 0.7:
                melody_part(rng, part, harmony, bars, VOICES + [80, 81])
    elif kind == "free":
        what = int(rng.integers(4))
        tempo = (66, 140)
        if what == 0:
            chord_part(rng, part, harmony, bars, GUITARS, STRUM, octave=48, strum=0.012)
        elif what == 1:
            arpeggio_part(rng, part, harmony, bars)
            bass_part(rng, part, harmony, bars)
        elif what == 2:
            chord_part(rng, part, harmony, bars, [0, 4, 21, 22], CHORDS[2:5])
            melody_part(rng, part, harmony, bars, [0, 21, 22, 73, 40])
        else:
            drum_part(rng, part, str(rng.choice(["rock", "bongos", "latin", "toms"])), bars)
            if rng.random() < 0.5:
                bass_part(rng, part, harmony, bars)
    return part, beats, f"{beats}/4", harmony.name, tempo, kind


def beat_clock(rng, bpm, beats, drift):
    """Seconds of every beat, 0 to beats inclusive and a few more."""
    n = beats + 8
    if drift == 0:
        return np.arange(n + 1) * 60 / bpm
    walk = np.cumsum(rng.normal(0, 1, n))
    smooth = np.convolve(walk, np.ones(8) / 8, mode="same")
    slow = np.sin(np.arange(n) / n * 2 * np.pi * rng.uniform(0.5, 2) + rng.uniform(0, 6))
    curve = slow + 0.5 * smooth / (np.abs(smooth).max() + 1e-9)
    curve = drift * curve / np.abs(curve).max()
    return np.concatenate([[0], np.cumsum(60 / (bpm * (1 + curve)))])


def make(job):
    folder, index, seed, kind, condition = job
    rng = np.random.default_rng([seed, index])
    font = FONTS[int(rng.random() < 0.4)]
    plain = bool(rng.random() < 0.3)
    steady = kind != "free"
    if kind in ("song", "free"):
        bars = int(rng.integers(12, 22)) if kind == "song" else int(rng.integers(8, 18))
    else:
        bars = int(rng.choice([1, 2, 2, 4, 4, 4, 8]))
        if kind in ("pad", "voice", "chords"):
            bars = max(2, bars)
    part, per_bar, metre, key, (low, high), style = compose(rng, kind, bars)
    bpm = rng.uniform(low, high)
    bpm = float(round(bpm)) if rng.random() < 0.7 else float(round(bpm, 2))
    beats = bars * per_bar
    clock = beat_clock(rng, bpm, beats, 0 if steady else rng.uniform(0.02, 0.07))
    swing = rng.uniform(0.05, 0.14) if style in ("boombap", "latin", "hats", "shaker") and rng.random() < 0.4 else 0
    jitter = float(rng.choice([0, 0.002, 0.006])) if kind != "free" else 0.004
    lastsilent = condition == "lastsilent"
    notes = []
    for at, channel, k, velocity, length in sorted(part.notes):
        if lastsilent and at >= beats - 1 - 1e-6:
            continue
        if lastsilent:
            length = min(length, beats - 1 - at)
        place = at
        if swing and abs(at * 4 % 2 - 1) < 0.01:
            place = at + swing / 2
        base = float(np.interp(place, np.arange(len(clock)), clock))
        end = float(np.interp(min(place + length, len(clock) - 1), np.arange(len(clock)), clock))
        notes.append((max(0, base + rng.normal(0, jitter)), channel, k, velocity, max(0.03, end - base)))
    reverb = bool(rng.random() < 0.4)
    length = float(clock[beats])
    lead = 0.0

    def sounded(these, seconds):
        return play(rng, these, part.programs, reverb, seconds) if plain else render(these, part.programs, font, reverb, seconds)

    if condition in ("silence", "silencetail") or kind in ("song", "free"):
        lead = float(rng.uniform(0.05, 1.5))
    if condition in ("tail", "silencetail") or kind in ("song", "free"):
        x = sounded(notes, length + float(rng.uniform(0.6, 3.0)))
    else:
        wrapped = kind != "song" and rng.random() < 0.6 and not lastsilent
        if wrapped:
            again = notes + [(at + length, c, k, v, l) for at, c, k, v, l in notes]
            x = sounded(again, 2 * length)[int(round(length * RATE)):]
        else:
            x = sounded(notes, length)
        n = int(round(length * RATE))
        x = x[:n]
        if condition == "miscut":
            off = int(RATE * float(rng.uniform(0.005, 0.03)) * (1 if rng.random() < 0.5 else -1))
            x = x[:n + off] if off < 0 else np.concatenate([x, x[:off] if wrapped else np.zeros((off, 2))])
    x = np.concatenate([np.zeros((int(round(lead * RATE)), 2)), x])
    if lead and rng.random() < 0.5:
        x += rng.normal(0, 1e-4, x.shape)
    if rng.random() < 0.4:
        x = x.mean(axis=1, keepdims=True)
    peak = np.abs(x).max()
    if peak < 1e-4:
        return None
    x *= 10 ** (rng.uniform(-14, -0.5) / 20) / peak
    name = f"{index:04d}.wav"
    write(os.path.join(folder, name), x)
    return name, {"kind": kind, "style": style, "condition": condition, "bpm": bpm if steady else 60 * beats / length,
                  "beats": beats, "metre": metre, "first_beat_s": lead, "key": key, "steady": steady, "plain": plain,
                  "beats_s": [round(lead + float(t), 6) for t in clock[:beats]]}


def make_set(folder, make, jobs):
    """Makes recordings side by side; `make` gives a name and its truth, or None. Writes truth.json."""
    with ProcessPoolExecutor() as pool:
        truth = dict(r for r in pool.map(make, jobs) if r)
    with open(os.path.join(folder, "truth.json"), "w") as f:
        json.dump(truth, f, indent=0)


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("folder")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--loops", type=int, default=240)
    parser.add_argument("--songs", type=int, default=16)
    parser.add_argument("--free", type=int, default=16)
    parser.add_argument("--only", help="all loops of one kind: drums, bass, chords, arpeggio, guitar, pad, voice or mix")
    a = parser.parse_args()
    os.makedirs(a.folder, exist_ok=True)
    rng = np.random.default_rng(a.seed)
    kinds = ["drums"] * 6 + ["bass"] * 3 + ["chords"] * 3 + ["arpeggio"] * 2 + ["guitar"] * 2 + ["pad"] * 2 + ["voice"] * 2 + ["mix"] * 4
    conditions = ["trimmed"] * 6 + ["tail"] * 2 + ["silence"] * 2 + ["miscut"] * 2 + ["lastsilent"] + ["silencetail"]
    jobs = [(a.folder, i, a.seed, a.only or str(rng.choice(kinds)), str(rng.choice(conditions))) for i in range(a.loops)]
    jobs += [(a.folder, a.loops + i, a.seed, "song", "song") for i in range(a.songs)]
    jobs += [(a.folder, a.loops + a.songs + i, a.seed, "free", "free") for i in range(a.free)]
    make_set(a.folder, make, jobs)


if __name__ == "__main__":
    main()
