#!/usr/bin/env python3
"""Makes whole songs with known truth, to develop and to measure hearing with: beginnings, breaks and endings that say
little of the beat, and drums between them.

A song is a row of sections over one steady clock: a beginning (none, pad, keys, held chord, speech, noise, silence, or
silence with a fill as pick-up) of 0 to 8 bars, the body with drums, bass and chords, a break of 4 to 16 bars without
drums, the body again, and an ending (cut, held chord, or a fade). Metres are 4/4, and now and then 3/4 or 6/8. Notes,
sounds and styles are those of listening_set.py, drawn with other seeds. Speech is spoken by espeak-ng.

truth.json has for each file: bpm, metre, beats_s (from the first bar line on, through all of it), drums (from, to in
seconds, of each stretch in which drums play), beginning, break, ending, steady.

Needs: python3-numpy, fluidsynth, fluid-soundfont-gm, timgm6mb-soundfont, espeak-ng.
Usage: tools/song_set.py FOLDER [--seed N] [--songs N]
       tools/song_set.py FOLDER --score HEARD    HEARD: the lines of "pmetre read --ignore-name --ignore-tags FOLDER"
"""
import argparse
import json
import os
import subprocess
import tempfile
import wave

import numpy as np

import listening_set as base

RATE = base.RATE
BEGINNINGS = ["none", "pad", "keys", "held", "speech", "noise", "silence", "pickup"]
SENTENCES = ["The boat leaves the basin at dawn.", "Mind the lock gates, and keep your hands inside.",
             "We pass under nine bridges before the weir.", "Somebody has left the kettle on the towpath."]


def spoken(rng, seconds):
    """Speech for so long, at RATE."""
    out = np.zeros(int(seconds * RATE))
    at = int(rng.uniform(0.1, 0.6) * RATE)
    while at < len(out):
        with tempfile.TemporaryDirectory() as folder:
            path = os.path.join(folder, "said.wav")
            subprocess.run(["espeak-ng", "-w", path, "-s", str(int(rng.integers(120, 180))), "-p",
                            str(int(rng.integers(20, 70))), str(rng.choice(SENTENCES))], check=True)
            with wave.open(path) as w:
                said = np.frombuffer(w.readframes(w.getnframes()), np.int16) / 32768
                rate = w.getframerate()
        n = int(len(said) * RATE / rate)
        said = np.interp(np.arange(n) * rate / RATE, np.arange(len(said)), said)[:len(out) - at]
        out[at:at + len(said)] += said
        at += n + int(rng.uniform(0.2, 1.2) * RATE)
    return out


def make(job):
    folder, index, seed = job
    rng = np.random.default_rng([seed, 7919, index])
    font = base.FONTS[int(rng.random() < 0.5)]
    plain = bool(rng.random() < 0.3)
    signature = str(rng.choice(["4/4"] * 7 + ["3/4"] * 2 + ["6/8"]))
    per_bar = {"4/4": 4, "3/4": 3, "6/8": 2}[signature]
    fitting = {"3/4": ["waltz"], "6/8": ["sixeight"]}.get(signature) or [
        s for s, v in base.DRUMS.items() if v[3] == 4 and s not in ("kicks", "hats", "claves", "shaker", "shaker8",
                                                                    "tambourine", "cowbell")]
    style = str(rng.choice(fitting))
    low, high, _, _, _ = base.DRUMS[style]
    bpm = float(rng.uniform(low, high))
    bpm = round(bpm) * 1.0 if rng.random() < 0.6 else round(bpm, 1)
    beginning = str(rng.choice(BEGINNINGS))
    intro = 0 if beginning == "none" else int(rng.choice([1, 2, 4, 8]))
    rest = int(rng.choice([0, 4, 8, 16], p=[0.4, 0.25, 0.25, 0.1]))
    what_rests = str(rng.choice(["pad", "keys", "held", "silence"]))
    first, second = int(rng.integers(8, 17)), int(rng.integers(8, 13)) if rest else 0
    ending = str(rng.choice(["cut", "held", "fade"]))
    outro = 2 if ending == "held" else 0
    bars = intro + first + rest + second + outro
    beats = bars * per_bar
    clock = np.arange(beats + 9) * 60 / bpm
    part = base.Part()
    harmony = base.Harmony(rng, bars, per_bar)

    def section(begin, count, kind):
        here, start = base.Part(), begin * per_bar
        if kind == "pad":
            base.chord_part(rng, here, harmony, count, base.PADS, base.CHORDS[:2], channel=4, octave=48, sustain=0.98)
        elif kind == "keys":
            base.chord_part(rng, here, harmony, count, base.KEYS, base.CHORDS[:3], channel=5)
        elif kind == "held":
            here.programs[4] = int(rng.choice(base.PADS))
            for key in harmony.chord(0):
                here.notes.append((0.0, 4, 48 + key % 12, 90, count * per_bar))
        elif kind == "body":
            base.drum_part(rng, here, style, count)
            base.bass_part(rng, here, harmony, count)
            if rng.random() < 0.8:
                base.chord_part(rng, here, harmony, count, base.KEYS + base.GUITARS, base.CHORDS)
        elif kind == "pickup":
            for k in range(4):
                here.notes.append((count * per_bar - 1 + k / 4, 9, int(rng.choice([38, 45, 47])), 80 + 8 * k, 0.2))
        part.programs.update(here.programs)
        part.notes.extend((at + start, c, k, v, l) for at, c, k, v, l in here.notes)

    section(0, intro, beginning)
    section(intro, first, "body")
    if rest:
        section(intro + first, rest, what_rests)
        section(intro + first + rest, second, "body")
    if outro:
        section(bars - outro, outro, "held")
    jitter = float(rng.choice([0, 0.002, 0.005]))
    soft = 10 ** (float(rng.choice([0, 0, -20, -35])) / 20)  # how much softer the beginning is
    lead = float(rng.choice([0.0, 0.0, rng.uniform(0.05, 1.5)]))
    seconds = float(clock[beats]) + (2.0 if ending == "held" else 0.3)
    notes = []
    for at, channel, key, velocity, length in sorted(part.notes):
        begin, end = at * 60 / bpm, (at + length) * 60 / bpm
        notes.append((max(0, begin + rng.normal(0, jitter)), channel, key, velocity, max(0.03, end - begin)))
    reverb = bool(rng.random() < 0.5)
    x = base.play(rng, notes, part.programs, reverb, seconds) if plain else base.render(notes, part.programs, font, reverb, seconds)
    drums_at = intro * per_bar * 60 / bpm
    n = int(drums_at * RATE)
    if beginning == "speech" and n:
        x[:n] += (0.5 * np.abs(x).max() * spoken(rng, drums_at))[:n, None]
    if beginning == "noise" and n:
        x[:n] += 0.15 * np.abs(x).max() * rng.standard_normal((n, 1)) * np.linspace(0.1, 1, n)[:, None]
    if beginning in ("pad", "keys", "held", "speech", "noise"):
        x[:n] *= soft
    if ending == "fade":
        m = min(len(x), int(8 * per_bar * 60 / bpm * RATE))
        x[-m:] *= (np.linspace(1, 0, m) ** 2)[:, None]
    x = np.concatenate([np.zeros((int(round(lead * RATE)), 2)), x])
    x += rng.normal(0, 3e-5, x.shape) if rng.random() < 0.5 else 0
    x *= 10 ** (rng.uniform(-10, -0.5) / 20) / np.abs(x).max()
    name = f"{index:04d}.wav"
    base.write(os.path.join(folder, name), x)
    body = per_bar * 60 / bpm
    drums = [(intro, intro + first)] + ([(intro + first + rest, intro + first + rest + second)] if rest else [])
    return name, {"bpm": bpm, "metre": signature, "style": style, "beginning": beginning, "intro_bars": intro,
                  "soft": soft, "break": what_rests if rest else "none", "break_bars": rest, "ending": ending,
                  "plain": plain, "steady": True,
                  "drums": [[lead + a * body, lead + b * body] for a, b in drums],
                  "beats_s": [round(lead + float(t), 6) for t in clock[:beats]]}


def score(folder, heard_file):
    """Per song and together: steady, tempo within 0.1 % (half and double free), beats within 20 ms where drums play."""
    with open(os.path.join(folder, "truth.json")) as f:
        truth = json.load(f)
    heard = {}
    with open(heard_file) as f:
        for line in f:
            one = json.loads(line)
            heard[os.path.basename(one["file"])] = one
    good = {"steady": 0, "tempo": 0, "octave": 0, "beats": 0, "downbeat": 0}
    sure = []
    for name, t in sorted(truth.items()):
        h = heard.get(name, {})
        bpm = h.get("bpm")
        octave = [k for k in (0.5, 1, 2, 1 / 3, 1.5, 2 / 3, 3) if bpm and abs(bpm / (t["bpm"] * k) - 1) < 0.001]
        tempo = bool(octave) and octave[0] in (0.5, 1, 2)
        beats = np.array(h.get("beats_s") or [])
        true = np.array(t["beats_s"])
        fine = np.interp(np.arange(0, len(true) - 0.5, 0.5), np.arange(len(true)), true)
        inside = [b for b in beats if any(a - 0.02 <= b <= e - 0.02 for a, e in t["drums"])]
        # On a beat; at twice the tempo on a half too.
        grid = fine if octave and octave[0] == 2 else true
        off = [np.abs(grid - b).min() for b in inside]
        right = tempo and len(inside) > 4 and np.mean(np.array(off) < 0.02) > 0.97
        bars = true[::int(t["metre"][0]) if t["metre"] != "6/8" else 2]
        first = h.get("first_beat_s")
        down = first is not None and np.abs(bars - first).min() < 0.02
        steady = bool(h.get("steady")) and bpm is not None
        good["steady"] += steady
        good["tempo"] += tempo
        good["octave"] += bool(octave) and octave[0] == 1
        good["beats"] += bool(right)
        good["downbeat"] += bool(down)
        sure.append((h.get("confidence") or 0, bool(right)))
        if not (steady and right and down):
            print(f"{name} {t['bpm']:6.1f} {t['metre']} {t['style']:9} {t['beginning']:8}{t['intro_bars']} "
                  f"soft {t['soft']:.3f} break {t['break']}{t['break_bars']} {t['ending']:5} "
                  f"heard {bpm} {'steady' if steady else 'free'} conf {h.get('confidence')} "
                  f"tempo {tempo} beats {right} ({np.median(off) * 1000 if off else -1:.0f} ms) downbeat {down}")
    n = len(truth)
    print(f"{n} songs:", ", ".join(f"{k} {v}" for k, v in good.items()))
    for low, high in ((0, .5), (.5, .8), (.8, .9), (.9, .95), (.95, 1.01)):
        here = [r for c, r in sure if low <= c < high]
        if here:
            print(f"confidence {low}-{min(high, 1)}: {len(here)} songs, right {np.mean(here):.2f}")


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("folder")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--songs", type=int, default=40)
    parser.add_argument("--score", metavar="HEARD")
    a = parser.parse_args()
    if a.score:
        score(a.folder, a.score)
        return
    os.makedirs(a.folder, exist_ok=True)
    base.make_set(a.folder, make, [(a.folder, i, a.seed) for i in range(a.songs)])


if __name__ == "__main__":
    main()
