#!/usr/bin/env python3
"""Makes a set of sounds that have no tempo, to develop and to measure with when hearing must say that there is no beat.

Recorded ones come from Debian packages of desktop themes and free games; single notes and drums of two General MIDI
sound fonts; speech of espeak-ng; and hums, swooshes, ringing chords and noises made here. Packages, programs, voices
and seeds of the two parts differ: weights are fitted to one and reported on the other. truth.json has for each file
kind "single" and what it is.

Needs: python3-numpy, fluidsynth, fluid-soundfont-gm, timgm6mb-soundfont, espeak-ng, ffmpeg, apt-get and dpkg-deb.
Usage: tools/single_sounds.py FOLDER --part fit|report [--packages FOLDER] [--notes N] [--speech N] [--made N]
"""
import argparse
import json
import os
import subprocess
import tempfile
from concurrent.futures import ThreadPoolExecutor

import numpy as np

import listening_set as ls

PACKAGES = {
    "fit": ["a7xpg-data", "bomberclone-data", "btanks-data", "chromium-bsu-data", "deepin-sound-theme", "foobillardplus-data",
            "freedroid-data", "granatier", "gunroar-data", "kapman", "lbreakout2-data", "lincity-ng-data", "meritous-data",
            "mu-cade-data", "netpanzer-data", "oxygen-sounds", "pekka-kana-2-data", "supertux-data"],
    "report": ["bucklespring-data", "extremetuxracer-data", "frozen-bubble-data", "gamine-data", "kbounce", "kollision",
               "moon-lander-data", "njam-data", "pachi-data", "parsec47-data", "pingus-data", "sound-theme-freedesktop", "tuxpaint-data"],
}
PLACE = os.path.join(tempfile.gettempdir(), "packages")
# What has a tempo of its own, or several sounds in a row, is no single sound.
LEFT_OUT = ("music", "jingle", "loop", "song", "/bgm", "victory", "fanfare", "gameover", "title")
SENTENCES = ["The lock is full, open the gate.", "Mind the towpath.", "Three bridges before the basin.", "Slow down, there is a boat moored.",
             "Left bank.", "Rain on the cabin roof all night.", "Who has the windlass?", "One, two, three, four.", "Good morning.",
             "The tunnel is two miles long and there is no path through it, so we wait for the other boat.", "Ahoy!", "Under way."]
VOICES = {"fit": ["en-gb", "en-us", "de", "fr", "it", "pl"], "report": ["en-gb-scotland", "es", "nl", "sv"]}


def decoded(path):
    out = subprocess.run(["ffmpeg", "-v", "error", "-i", path, "-f", "f32le", "-ac", "2", "-ar", str(ls.RATE), "-"], capture_output=True)
    return np.frombuffer(out.stdout, "<f4").reshape(-1, 2).astype(float)


def extracted(package, folder):
    there = os.path.join(folder, package)
    if not os.path.isdir(there):
        os.makedirs(there)
        with tempfile.TemporaryDirectory() as d:
            subprocess.run(["apt-get", "download", package], cwd=d, check=True, stdout=subprocess.DEVNULL)
            subprocess.run(["dpkg-deb", "-x", os.path.join(d, os.listdir(d)[0]), there], check=True)
    return there


def recorded(part, folder, rng):
    for package in PACKAGES[part]:
        files = []
        for root, _, names in os.walk(extracted(package, folder)):
            files += [os.path.join(root, n) for n in names if n.lower().endswith((".wav", ".ogg", ".oga", ".flac"))]
        files = sorted(f for f in files if not any(w in f[len(folder):].lower() for w in LEFT_OUT))
        rng.shuffle(files)
        for f in files[:36]:
            yield "recorded", lambda f=f: decoded(f)


def note(rng):
    font = ls.FONTS[int(rng.integers(2))]
    drum = rng.random() < 0.3
    channel = 9 if drum else 0
    program = int(rng.integers(128))
    key = int(rng.integers(27, 82)) if drum else int(rng.integers(30, 90))
    length = float(rng.choice([0.1, 0.4, 1, 2.5, 5]))
    keys = [key] if drum or rng.random() < 0.6 else [key, key + 4 - int(rng.integers(2)), key + 7]
    strum = float(rng.choice([0, 0, 0.015]))
    notes = [(0.02 + i * strum, channel, k, int(rng.integers(50, 127)), length) for i, k in enumerate(keys)]
    seconds = length + float(rng.choice([0.3, 1.5, 3]))
    seed = int(rng.integers(1 << 30))
    plain = rng.random() < 0.25
    reverb = bool(rng.random() < 0.5)

    def made():
        programs = {} if drum else {0: program}
        if plain and not (drum and not programs.get(0)):
            return ls.play(np.random.default_rng(seed), notes, programs, reverb, seconds)
        return ls.render(notes, programs, font, reverb, seconds)

    return ("drum" if drum else "note"), made


def speech(rng, part):
    words = " ".join(rng.choice(SENTENCES, int(rng.choice([1, 1, 2, 3]))))
    voice, speed, pitch = str(rng.choice(VOICES[part])), int(rng.integers(110, 220)), int(rng.integers(20, 80))

    def made():
        with tempfile.TemporaryDirectory() as d:
            path = os.path.join(d, "a.wav")
            subprocess.run(["espeak-ng", "-v", voice, "-s", str(speed), "-p", str(pitch), "-w", path, words], check=True)
            return decoded(path)

    return "speech", made


def synthetic(rng):
    """Hums, swooshes, risers, bangs with echoes, ringing chords, noises, and things that happen at no regular time."""
    what = int(rng.integers(11))
    seconds = float(rng.uniform(0.4, 7))
    n = int(seconds * ls.RATE)
    t = np.arange(n) / ls.RATE
    noise = rng.standard_normal(n)
    if what == 0:  # a hum, perhaps wavering
        hz = rng.uniform(40, 400)
        x = sum(np.sin(2 * np.pi * hz * k * t + rng.uniform(0, 6)) / k ** rng.uniform(0.6, 2) for k in range(1, 9))
        x *= 1 + rng.uniform(0, 0.6) * np.sin(2 * np.pi * rng.uniform(0.1, 7) * t)
    elif what in (1, 2):  # a swoosh or a riser: noise through a band that moves
        centre = rng.uniform(300, 1500) * np.exp(rng.uniform(-2, 2.5) * t / seconds)
        carrier = np.cumsum(2 * np.pi * centre / ls.RATE)
        slow = np.convolve(noise, np.ones(60) / 60, mode="same")
        x = slow * np.cos(carrier)
        shape = np.sin(np.pi * (t / seconds) ** rng.uniform(0.4, 3)) if what == 1 else (t / seconds) ** 2
        x *= shape
    elif what == 3:  # a bang in a room, with echoes that fall
        x = noise * np.exp(-t * rng.uniform(3, 40))
        gap = int(rng.uniform(0.05, 0.4) * ls.RATE)
        fall = rng.uniform(0.1, 0.5)
        for k in range(1, 6):
            if k * gap < n:
                x[k * gap:] += fall ** k * (noise * np.exp(-t * 20))[:n - k * gap]
    elif what == 4:  # a chord that rings
        hz = rng.uniform(100, 600)
        x = sum(np.sin(2 * np.pi * hz * 2 ** (s / 12) * k * t) / k ** 1.3 * np.exp(-t * rng.uniform(0.3, 3) * k ** 0.4)
                for s in (0, int(rng.choice([3, 4])), 7, 12) for k in range(1, 6))
    elif what == 5:  # noise, perhaps with gusts
        slow = np.interp(t, np.arange(0, seconds + 1, 0.4), rng.uniform(0.2, 1, int((seconds + 1) / 0.4) + 1)[:len(np.arange(0, seconds + 1, 0.4))])
        x = np.cumsum(noise) if rng.random() < 0.3 else noise
        x = (x - np.convolve(x, np.ones(400) / 400, mode="same")) * slow
    elif what == 6:  # clatter: hits at times that mean nothing
        x = 0.003 * noise
        for at in rng.uniform(0, seconds, int(rng.integers(2, 5 + 4 * int(seconds)))):
            i = int(at * ls.RATE)
            m = min(n - i, 9000)
            x[i:i + m] += rng.uniform(0.1, 1) * noise[:m] * np.exp(-t[:m] * rng.uniform(15, 120))
    elif what >= 8:  # a few strokes of drums, at times that mean nothing
        x = np.zeros(n)
        keys = rng.choice([36, 38, 42, 47, 56, 60, 63, 75], int(rng.integers(1, 4)))
        loud = rng.random() < 0.5
        for at in rng.uniform(0, seconds, int(rng.integers(3, 5 + int(2.5 * seconds)))):
            i = int(at * ls.RATE)
            stroke = ls.drum(rng, int(rng.choice(keys)), 1 if loud else rng.uniform(0.2, 1))[:n - i]
            x[i:i + len(stroke)] += stroke
    else:  # a ball that comes to rest: hits that draw together
        x = 0.001 * noise
        at, gap, loud, shrink = 0.0, rng.uniform(0.15, 0.5), 1.0, rng.uniform(0.6, 0.92)
        while at < seconds and gap > 0.01:
            i = int(at * ls.RATE)
            m = min(n - i, 6000)
            x[i:i + m] += loud * noise[:m] * np.exp(-t[:m] * 90)
            at, gap, loud = at + gap, gap * shrink, loud * shrink
    x = x[:, None] * np.array([1.0, rng.uniform(0.6, 1)])
    return "made", lambda: x


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("folder")
    parser.add_argument("--part", choices=["fit", "report"], required=True)
    parser.add_argument("--packages", default=PLACE, help="where packages are unpacked; fetched where they are missing")
    parser.add_argument("--notes", type=int, default=150)
    parser.add_argument("--speech", type=int, default=60)
    parser.add_argument("--made", type=int, default=120)
    a = parser.parse_args()
    os.makedirs(a.folder, exist_ok=True)
    rng = np.random.default_rng([len(a.part), 71])
    jobs = list(recorded(a.part, a.packages, rng))
    jobs += [note(rng) for _ in range(a.notes)] + [speech(rng, a.part) for _ in range(a.speech)] + [synthetic(rng) for _ in range(a.made)]
    loud = rng.uniform(-14, -0.5, len(jobs))

    def write(i):
        what, made = jobs[i]
        x = made()
        if len(x) < ls.RATE // 50 or len(x) > 12 * ls.RATE or np.abs(x).max() < 1e-4:
            return None
        name = f"{i:04d}.wav"
        ls.write(os.path.join(a.folder, name), x * 10 ** (loud[i] / 20) / np.abs(x).max())
        return name, {"kind": "single", "what": what}

    with ThreadPoolExecutor(os.cpu_count()) as pool:
        truth = dict(r for r in pool.map(write, range(len(jobs))) if r)
    with open(os.path.join(a.folder, "truth.json"), "w") as f:
        json.dump(truth, f, indent=0)


if __name__ == "__main__":
    main()
