#!/usr/bin/env python3
"""A made-up voice that sings: source and formants, gliding from note to note, with vibrato, breath and consonants.

As a program it makes recordings of it, with notes as long as they happen to be, or on beats as a singer keeps them. What
tells kinds of sound apart (hear/kind) must know both as a voice; a tempo (hear/sureness) only those on beats have. With
--single truth.json calls the others single sounds, as those of tools/single_sounds.py are.

Needs: python3-numpy. Usage: tools/singer.py FOLDER [--seed N] [--count N] [--beats | --single]
"""
import argparse
import os

import numpy as np

import listening_set as ls

# Formants in Hz: Peterson & Barney, JASA 1952 (from memory); the fourth is common practice.
VOWELS = {"a": (730, 1090, 2440, 3400), "e": (530, 1840, 2480, 3500), "i": (270, 2290, 3010, 3600), "o": (570, 840, 2410, 3300),
          "u": (300, 870, 2240, 3300)}


class Singer:
    """A voice that glides from note to note, with vibrato, vowels, breath and consonants. What it does at each moment is
    a curve over the time of the first recording; at another tempo the curves are run through slower or faster, and the
    pitch stays: what stretching should make of it is known entirely."""

    def __init__(self, rng, seconds, beat=None):
        """beat: its length in seconds, if there is one; the first lies at 0.08 s."""
        self.rng_seed = int(rng.integers(1 << 30))
        self.grid = np.arange(0, seconds + 0.2, 0.004)
        low = float(rng.choice([110, 150, 210, 280]))
        self.starts, at, place = [], 0.08, 0.0
        while at < seconds - 0.3:
            self.starts.append(at)
            if beat is None:
                at += float(rng.choice([0.22, 0.3, 0.45, 0.6, 0.9, 1.4]))
            else:
                place += float(rng.choice([0.5, 0.5, 1, 1, 1, 1.5, 2]))
                at = 0.08 + place * beat + float(rng.normal(0, 0.012))
        cents = np.cumsum(rng.choice([-400, -200, -100, 0, 100, 200, 300, 500], len(self.starts)))
        cents = np.clip(cents - cents.mean(), -900, 900)
        glide = rng.uniform(0.03, 0.12)
        depth, rate = float(rng.choice([0, 15, 35, 60])), rng.uniform(4.8, 6.6)
        pitch, level = np.full(len(self.grid), cents[0], float), np.zeros(len(self.grid))
        formants = np.tile(np.array(VOWELS["a"], float), (len(self.grid), 1))
        self.bursts = []
        for i, (start, c) in enumerate(zip(self.starts, cents)):
            end = self.starts[i + 1] if i + 1 < len(self.starts) else seconds - 0.05
            t = self.grid - start
            on = (t >= -glide / 2) & (self.grid < end + glide)
            pitch[on] += (c - pitch[on]) * np.clip((t[on] + glide / 2) / glide, 0, 1)
            wobble = depth * np.sin(2 * np.pi * rate * t) * np.clip((t - 0.15) / 0.2, 0, 1)
            inside = (t >= 0) & (self.grid < end)
            pitch[inside] += wobble[inside]
            detached = rng.random() < 0.5
            rise = np.clip(t / 0.03, 0, 1) if detached else 0.75 + 0.25 * np.clip(t / 0.05, 0, 1)
            fall = np.clip((end - self.grid) / 0.04, 0, 1) if detached else 1
            level[inside] = (rng.uniform(0.6, 1) * rise * fall)[inside] if detached else (rng.uniform(0.6, 1) * rise)[inside]
            vowel = np.array(VOWELS[str(rng.choice(list(VOWELS)))], float)
            formants[inside] = vowel
            if detached and rng.random() < 0.5:
                self.bursts.append((start - 0.05, 0.05, rng.uniform(0.02, 0.1)))
        smooth = np.hanning(13) / np.hanning(13).sum()
        self.pitch = low * 2 ** (np.convolve(pitch, smooth, "same") / 1200)
        self.pitch[:12], self.pitch[-12:] = self.pitch[12], self.pitch[-13]
        self.level = np.convolve(level, smooth, "same")
        self.formants = np.stack([np.convolve(f, smooth, "same") for f in formants.T], 1)
        self.formants[:12], self.formants[-12:] = self.formants[12], self.formants[-13]
        self.breath = float(rng.choice([0, 0.003, 0.01]))

    def sound(self, ratio, seconds):
        rng = np.random.default_rng(self.rng_seed)
        n = int(round(seconds * ls.RATE))
        when = np.arange(n) / ls.RATE / ratio
        pitch, level = np.interp(when, self.grid, self.pitch), np.interp(when, self.grid, self.level)
        phase = 2 * np.pi * np.cumsum(pitch) / ls.RATE
        x = np.zeros(n)
        for k in range(1, int(7500 / self.pitch.min()) + 1):
            hz = k * self.pitch
            gain = 0.02 + sum(g / (1 + ((hz - f) / w) ** 2) for f, w, g in zip(self.formants.T, (70, 90, 130, 180), (1, 0.6, 0.35, 0.2)))
            x += np.interp(when, self.grid, np.where(hz < 7500, gain, 0)) / k ** 0.7 * np.sin(k * phase)
        x = x * level + self.breath * level * rng.standard_normal(n)
        for at, length, loud in self.bursts:
            place = (when - at) / length
            x += loud * np.diff(rng.standard_normal(n), prepend=0) * np.where((place > 0) & (place < 1), np.sin(np.pi * np.clip(place, 0, 1)), 0)
        return np.stack([x, x], 1)


def make(job):
    folder, seed, number, what = job
    rng = np.random.default_rng([seed, number])
    seconds, beat = float(rng.uniform(3, 9)), None
    if what == "beats":
        bpm, beats = float(rng.integers(70, 141)), int(rng.choice([8, 8, 16]))
        beat = 60 / bpm
        seconds = 0.08 + beats * beat
    x = Singer(rng, seconds, beat).sound(1, seconds)
    name = f"{number:04d}.wav"
    ls.write(os.path.join(folder, name), x * rng.uniform(0.2, 0.9) / np.abs(x).max())
    if what == "single":
        return name, {"kind": "single", "what": "sung"}
    truth = {"kind": "voice", "style": "sung", "key": None}
    if what == "beats":
        truth |= {"condition": "silence", "bpm": bpm, "beats": beats, "metre": "4/4", "first_beat_s": 0.08, "steady": True, "plain": True,
                  "beats_s": [round(0.08 + b * beat, 6) for b in range(beats)]}
    return name, truth


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("folder")
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--count", type=int, default=100)
    which = parser.add_mutually_exclusive_group()
    which.add_argument("--beats", dest="what", action="store_const", const="beats")
    which.add_argument("--single", dest="what", action="store_const", const="single")
    a = parser.parse_args()
    os.makedirs(a.folder, exist_ok=True)
    ls.make_set(a.folder, make, [(a.folder, a.seed, number, a.what) for number in range(a.count)])


if __name__ == "__main__":
    main()
