#!/usr/bin/env python3
"""Makes the demo audio: ten made-up sources for music to a canal-boat journey, and truth.json with their true beats.

Every note is rendered on its own by FluidSynth with the sound font FluidR3 GM (MIT licence, Debian package
fluid-soundfont-gm), its attack found, and mixed at its exact frame, so that the truth is exact. Loops are mixed as
circles: what rings on past the end sounds at the beginning.

Needs: python3-numpy, fluidsynth, fluid-soundfont-gm, ffmpeg. Usage: demo/make_audio.py FOLDER
"""
import json
import os
import struct
import subprocess
import sys
import tempfile

import numpy as np

SOUND_FONT = "/usr/share/sounds/sf2/FluidR3_GM.sf2"
DRUMS = "drums"
cache = {}


def midi_file(channel, program, key, velocity, seconds):
    """One note as a Standard MIDI File at 1000 ticks a second."""
    ticks = int(seconds * 1000)

    def variable(n):
        out = [n & 0x7F]
        while n > 0x7F:
            n >>= 7
            out.insert(0, (n & 0x7F) | 0x80)
        return bytes(out)

    track = b"\x00\xff\x51\x03" + (1000000).to_bytes(3, "big")
    track += b"\x00" + bytes([0xC0 | channel, program])
    track += b"\x00" + bytes([0x90 | channel, key, velocity])
    track += variable(ticks) + bytes([0x80 | channel, key, 0])
    track += variable(3000) + b"\xff\x2f\x00"
    return b"MThd" + struct.pack(">IHHH", 6, 0, 1, 1000) + b"MTrk" + struct.pack(">I", len(track)) + track


def note(rate, program, key, velocity, seconds, struck):
    """Samples (frames, 2) of one note; for struck ones the first frame is the start of the attack."""
    wanted = (rate, program, key, velocity, round(seconds, 3), struck)
    if wanted in cache:
        return cache[wanted]
    drums = isinstance(program, tuple)
    with tempfile.TemporaryDirectory() as folder:
        midi, raw = os.path.join(folder, "note.mid"), os.path.join(folder, "note.raw")
        with open(midi, "wb") as f:
            f.write(midi_file(9 if drums else 0, program[1] if drums else program, key, velocity, seconds))
        subprocess.run(["fluidsynth", "-ni", "-q", "-R", "0", "-C", "0", "-g", "0.8", "-r", str(rate), "-O", "float",
                        "-T", "raw", "-F", raw, SOUND_FONT, midi], check=True, stdout=subprocess.DEVNULL,
                       stderr=subprocess.DEVNULL)
        samples = np.fromfile(raw, dtype="<f4").reshape(-1, 2).astype(np.float64)
    level = np.abs(samples).max(axis=1)
    loud = np.nonzero(level > level.max() * 0.03)[0]
    if struck and len(loud):
        samples = samples[loud[0]:].copy()
        samples[:16] *= np.linspace(0, 1, 16)[:, None] ** 0.5
    quiet = np.nonzero(np.abs(samples).max(axis=1) > 1e-4)[0]
    samples = samples[: quiet[-1] + 1] if len(quiet) else samples
    fade = min(len(samples), rate // 100)
    samples[-fade:] *= np.linspace(1, 0, fade)[:, None]
    cache[wanted] = samples
    return samples


def mix(rate, seconds, notes, circle, pan=None):
    """notes: (start s, program, key, velocity, length s, struck, pan −1…1)."""
    length = round(seconds * rate)
    out = np.zeros((length, 2))
    for start, program, key, velocity, long, struck, side in notes:
        samples = note(rate, program, key, velocity, long, struck)
        left, right = np.cos((side + 1) * np.pi / 4) * 1.41, np.sin((side + 1) * np.pi / 4) * 1.41
        at = round(start * rate)
        if circle:
            index = (at + np.arange(len(samples))) % length
            np.add.at(out, index, samples * [left, right])
        else:
            part = samples[: max(0, length - at)]
            out[at: at + len(part)] += part * [left, right]
    return out


def levelled(samples, peak_db=-3.0):
    return samples * (10 ** (peak_db / 20) / np.abs(samples).max())


def write(folder, name, rate, samples, codec, tags=(), mono=False):
    if mono:
        samples = samples.mean(axis=1, keepdims=True)
    samples = levelled(samples)
    path = os.path.join(folder, name)
    command = ["ffmpeg", "-y", "-loglevel", "error", "-f", "f32le", "-ar", str(rate), "-ac", str(samples.shape[1]),
               "-i", "-", "-map_metadata", "-1", "-fflags", "+bitexact", "-flags:a", "+bitexact"]
    for tag in tags:
        command += ["-metadata", tag]
    subprocess.run(command + codec + [path], input=samples.astype("<f4").tobytes(), check=True)


def eighths(pattern, bpm, kit, keys, sides, swing=0.0):
    """One character a sixteenth: a key letter, upper case loud; '.' rests."""
    step = 15.0 / bpm
    notes = []
    for i, c in enumerate(pattern.replace(" ", "")):
        if c == ".":
            continue
        late = swing * step if i % 4 == 2 else 0
        velocity = 112 if c.isupper() else 72
        key = keys[c.lower()]
        notes.append((i * step + late, (DRUMS, kit), key, velocity, 0.4, True, sides.get(c.lower(), 0)))
    return notes


def main(folder):
    os.makedirs(folder, exist_ok=True)
    truth = {}

    def steady(name, bpm, beats, first=0.0, key=None, kind="struck"):
        truth[name] = {"bpm": bpm, "beats": beats, "first_beat_s": first, "steady": True, "key": key, "kind": kind,
                       "beats_s": [round(first + i * 60 / bpm, 6) for i in range(beats)]}

    wav16, wav24 = ["-c:a", "pcm_s16le"], ["-c:a", "pcm_s24le"]

    # Hands on a winch: congas and bongos, four bars.
    bar = "O.mms.m. L.lms.mm"
    fill = "O.mms.mB L.lBs.bb"
    hands = eighths(bar * 3 + fill, 112, 0, {"o": 63, "m": 62, "s": 62, "l": 64, "b": 60},
                    {"o": 0.3, "m": 0.3, "s": 0.35, "l": -0.35, "b": -0.1})
    write(folder, "winch_hands_112bpm.wav", 48000, mix(48000, 16 * 60 / 112, hands, True), wav16)
    steady("winch_hands_112bpm.wav", 112, 16)

    # Marimba on a pontoon: D minor, arpeggios in eighths.
    bpm = 118.5
    chords = [[62, 65, 69, 74], [58, 65, 70, 74], [60, 67, 72, 76], [57, 64, 69, 73]]
    notes = []
    for b, chord in enumerate(chords):
        for i, k in enumerate([0, 2, 1, 3, 2, 1, 3, 2]):
            at = (b * 4 + i * 0.5) * 60 / bpm
            notes.append((at, 12, chord[k], 104 if i % 4 == 0 else 78, 0.35, True, (k - 1.5) * 0.25))
            if i == 0:
                notes.append((at, 12, chord[0] - 12, 96, 0.6, True, -0.2))
    write(folder, "pontoon_marimba.flac", 48000, mix(48000, 16 * 60 / bpm, notes, True), ["-c:a", "flac", "-sample_fmt", "s16"])
    steady("pontoon_marimba.flac", bpm, 16, key="D minor", kind="keys")

    # Brushes at the lock gate, with their tempo in a tag.
    bar = "K.h.S.h.k.hkS.hh"
    brushes = eighths(bar * 8, 88, 40, {"k": 36, "h": 42, "s": 38}, {"h": 0.25}, swing=0.35)
    write(folder, "lock_gate_brushes.mp3", 44100, mix(44100, 32 * 60 / 88, brushes, True),
          ["-c:a", "libmp3lame", "-b:a", "192k"], tags=["TBPM=88"])
    steady("lock_gate_brushes.mp3", 88, 32)

    # Upright bass on the keel: two bars.
    bpm = 96
    riff = [(0, 38, 1.4), (1.5, 38, 0.4), (2, 41, 0.9), (3, 43, 0.9), (4, 45, 1.4), (5.5, 43, 0.4), (6, 41, 0.9), (7, 36, 0.9)]
    notes = [(b * 60 / bpm, 32, k, 108, d * 60 / bpm, True, 0) for b, k, d in riff]
    write(folder, "keel_bass_96.aiff", 44100, mix(44100, 8 * 60 / bpm, notes, True), ["-c:a", "pcm_s16be"], mono=True)
    steady("keel_bass_96.aiff", bpm, 8, key="D minor", kind="bass")

    # Kalimba in the eddies, after a little silence.
    bpm, first = 130.9, 0.42
    tune = "A.D.F.A. C.A.F.D. G.D.G.A. F.E.D.C. A.D.F.A. D.A.F.D. G.A.C.A. F.E.D..."
    pitch = {"C": 72, "D": 74, "E": 76, "F": 77, "G": 79, "A": 81}
    notes = []
    for i, c in enumerate(tune.replace(" ", "")):
        if c in pitch:
            notes.append((first + i * 15 / bpm, 108, pitch[c] - 12, 96, 0.5, True, 0.2))
            if i % 16 == 0:
                notes.append((first + i * 15 / bpm, 108, 62, 88, 0.8, True, -0.2))
    write(folder, "kalimba_eddies.ogg", 44100, mix(44100, first + 16 * 60 / bpm, notes, False), ["-c:a", "libvorbis", "-q:a", "6"])
    steady("kalimba_eddies.ogg", bpm, 16, first=first, key="D minor", kind="keys")

    # Accordion on the towpath, played without a click.
    count = 40
    times = [0.0]
    for i in range(count):
        times.append(times[-1] + 60 / (97 + 3.5 * np.sin(i / 5.5) + 1.2 * np.sin(i * 1.9)))
    melody = [74, 77, 76, 74, 69, 72, 74, 72, 70, 74, 72, 70, 69, 67, 69, 65]
    bass = [50, 46, 48, 45]
    notes = []
    for i in range(count):
        span = times[i + 1] - times[i]
        notes.append((times[i], 21, melody[i % 16], 92, span * 0.85, False, 0.1))
        if i % 4 == 0:
            for k in (0, 7, 12):
                notes.append((times[i], 21, bass[(i // 4) % 4] + k, 74, (times[min(i + 4, count)] - times[i]) * 0.95, False, -0.15))
    write(folder, "towpath_accordion.ogg", 48000, mix(48000, times[-1] + 0.4, notes, False), ["-c:a", "libvorbis", "-q:a", "4"])
    truth["towpath_accordion.ogg"] = {"bpm": round(60 * count / times[-1], 2), "beats": count, "first_beat_s": 0.0,
                                      "steady": False, "key": "D minor", "kind": "held",
                                      "beats_s": [round(t, 6) for t in times[:count]]}

    # A reed drone: no beat in it.
    drone = mix(44100, 8.0, [(0, 20, k, 80, 7.0, False, s) for k, s in ((50, 0), (57, -0.3), (62, 0.3))], False)
    t = np.linspace(0, 8, len(drone))
    drone *= np.clip(t / 1.5, 0, 1)[:, None] * np.clip((8 - t) / 1.5, 0, 1)[:, None]
    write(folder, "reed_drone_D.wav", 44100, drone, wav24, mono=True)
    truth["reed_drone_D.wav"] = {"bpm": None, "beats": None, "first_beat_s": None, "steady": None, "key": None,
                                 "kind": "no beat", "beats_s": None}

    # A shaker of rope.
    shaker = eighths("S.s.S.ss" * 4, 124, 0, {"s": 70}, {"s": 0.1})
    write(folder, "rope_shaker_124.wav", 44100, mix(44100, 8 * 60 / 124, shaker, True), wav16, mono=True)
    steady("rope_shaker_124.wav", 124, 8)

    # One stroke on the barge's bell.
    bell = mix(48000, 6.0, [(0, 14, 74, 110, 4.0, True, 0)], False)
    bell *= np.clip((6 - np.linspace(0, 6, len(bell))) / 3, 0, 1)[:, None]
    write(folder, "barge_bell.wav", 48000, bell, wav16, mono=True)
    truth["barge_bell.wav"] = {"bpm": None, "beats": None, "first_beat_s": 0.0, "steady": None, "key": None,
                               "kind": "one hit", "beats_s": None}

    # A heron on a tin whistle, with a tail.
    bpm = 92
    tune = [(0, 74, 1.5), (1.5, 76, .5), (2, 77, 1), (3, 81, 1), (4, 79, 1.5), (5.5, 77, .5), (6, 76, 2),
            (8, 74, 1.5), (9.5, 72, .5), (10, 70, 1), (11, 74, 1), (12, 69, 3),
            (16, 74, 1.5), (17.5, 76, .5), (18, 77, 1), (19, 81, 1), (20, 84, 1.5), (21.5, 82, .5), (22, 81, 2),
            (24, 79, 1), (25, 77, 1), (26, 76, 1), (27, 73, 1), (28, 74, 4)]
    notes = [(b * 60 / bpm, 78, k, 90, d * 60 / bpm * 0.92, False, 0) for b, k, d in tune]
    dry = mix(44100, 32 * 60 / bpm + 2.0, notes, False)
    random = np.random.default_rng(7)
    t = np.arange(int(1.8 * 44100)) / 44100
    hall = random.standard_normal((len(t), 2)) * np.exp(-t / 0.35)[:, None]
    size = 1 << int(np.ceil(np.log2(len(dry) + len(hall))))
    wet = np.fft.irfft(np.fft.rfft(dry, size, axis=0) * np.fft.rfft(hall, size, axis=0), size, axis=0)[: len(dry)]
    wet *= 0.35 * np.sqrt((dry ** 2).sum() / (wet ** 2).sum())
    write(folder, "heron_whistle.mp3", 44100, dry + wet, ["-c:a", "libmp3lame", "-b:a", "128k"])
    steady("heron_whistle.mp3", bpm, 32, key="D minor", kind="voice")

    with open(os.path.join(os.path.dirname(os.path.abspath(folder)), "..", "truth.json"), "w") as f:
        json.dump(truth, f, indent=1)
        f.write("\n")


if __name__ == "__main__":
    main(sys.argv[1] if len(sys.argv) > 1 else os.path.join(os.path.dirname(__file__), "canal_journey", "audio"))
