#!/usr/bin/env bash
# Makes the small files that the fuzz targets begin with: tests/harsh/corpus. Files of findings beside them stay.
set -euo pipefail
cd "$(dirname "$0")/.."
corpus=tests/harsh/corpus
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
mkdir -p "$corpus"/{wav,aiff,flac,ogg,opus,mp3,tags,id3,chunks,mp3_frames,project,midi,names,patterns,query,library_export}
sound() { ffmpeg -v error -y -f lavfi -i "sine=f=440:r=8000:d=0.1" -metadata title=Lock -metadata bpm=112 -bitexact "$@"; }
sound -c:a pcm_s16le "$corpus/wav/s16.wav"
sound -c:a pcm_f32le "$corpus/wav/float.wav"
sound -c:a pcm_u8 -rf64 always "$corpus/wav/rf64.wav"
sound -c:a adpcm_ms "$corpus/wav/adpcm.wav"
sound -c:a pcm_s16be -write_id3v2 1 "$corpus/aiff/s16.aiff"
sound -c:a flac "$corpus/flac/plain.flac"
sound -c:a libvorbis "$corpus/ogg/vorbis.ogg"
sound -c:a libopus "$corpus/opus/plain.opus"
sound -c:a libmp3lame -b:a 16k "$corpus/mp3/lame.mp3"
sound -c:a libmp3lame -b:a 16k -write_xing 0 -id3v2_version 3 "$corpus/mp3/bare.mp3"
cp "$corpus"/mp3/*.mp3 "$corpus/mp3_frames/"
cp "$corpus/wav/s16.wav" "$corpus/aiff/s16.aiff" "$corpus/flac/plain.flac" "$corpus/ogg/vorbis.ogg" "$corpus/mp3/lame.mp3" "$corpus/tags/"
python3 - "$corpus" <<'PY'
import struct, sys, json
corpus = sys.argv[1]
def write(name, data):
    open(f"{corpus}/{name}", "wb").write(data)
def chunk(id, body, big=False):
    return id + struct.pack(">I" if big else "<I", len(body)) + body + b"\0" * (len(body) % 2)
smpl = struct.pack("<9I", 1, 2, 20833, 48, 0, 0, 0, 2, 3) + struct.pack("<6I", 0, 0, 1, 50, 0, 0) * 2 + b"abc"
acid = struct.pack("<IHHfIHHf", 2, 60, 0x8000, 0, 8, 4, 4, 112.0)
cue = struct.pack("<I", 1) + struct.pack("<II4sIII", 1, 5, b"data", 0, 0, 5)
fmt = struct.pack("<HHIIHH", 1, 1, 8000, 16000, 2, 16)
body = b"WAVE" + chunk(b"fmt ", fmt) + chunk(b"data", b"\1\2" * 60) + chunk(b"smpl", smpl) + chunk(b"acid", acid) + chunk(b"cue ", cue) + chunk(b"LIST", b"adtllabl" + struct.pack("<II", 6, 1) + b"a\0")
write("chunks/all.wav", b"RIFF" + struct.pack("<I", len(body)) + body)
write("tags/loops.wav", b"RIFF" + struct.pack("<I", len(body)) + body)
write("chunks/piped.wav", b"RIFF\xff\xff\xff\xffWAVE" + chunk(b"fmt ", fmt) + b"data\xff\xff\xff\xff" + b"\1\2" * 30)
write("chunks/form.aiff", b"FORM" + struct.pack(">I", 46) + b"AIFF" + chunk(b"COMM", struct.pack(">hIh", 1, 4, 16) + b"\x40\x0b\xfa\0\0\0\0\0\0\0", True) + chunk(b"SSND", b"\0" * 8, True))
def frame3(id, body): return id + struct.pack(">I", len(body)) + b"\0\0" + body
frames = frame3(b"TIT2", b"\0Lock") + frame3(b"TBPM", b"\0112") + frame3(b"TXXX", b"\1\xff\xfeB\0E\0A\0T\0S\0\0\0\xff\xfe8\0")
size = len(frames) + 20
write("id3/v3", b"ID3\3\0\0" + bytes([size >> 21 & 127, size >> 14 & 127, size >> 7 & 127, size & 127]) + frames + b"\0" * 20)
write("id3/v4", b"ID3\4\0\0\0\0\0\x12" + b"TKEY\0\0\0\4\0\0\0Dm\0" + b"\0" * 4)
write("id3/v2", b"ID3\2\0\0\0\0\0\x0cTBP\0\0\4\0112\0\0\0")
def le(s): return struct.pack("<I", len(s)) + s
write("id3/comments", le(b"vendor") + struct.pack("<I", 2) + le(b"BPM=90") + le(b"zebra=last") + b"\1")
track = b"\0\xff\x58\4\4\2\x18\x08\0\xff\x51\3\7\xa1\x20\x83\0\xff\x51\3\6\x1a\x80\0\x90\x3c\x40\x60\x3c\0\0\xff\x2f\0"
write("midi/map.mid", b"MThd" + struct.pack(">IHHH", 6, 1, 1, 480) + b"MTrk" + struct.pack(">I", len(track)) + track)
for i, name in enumerate(["winch_112_Dm", "(98bpm) reed F#min take 2", "2026-05-04 44100 lock", "Ölhafen 120,5 BPM", "a_124bpm/b_104bpm.wav"]):
    write(f"names/{i}", name.encode())
for i, pattern in enumerate(["{name}_{bpm}bpm_{key}", "{number} {track}-{beats}", "plain", "{name", "{colour}"]):
    write(f"patterns/{i}", pattern.encode())
for i, words in enumerate(["reed", "\"", "lock* OR NEAR(a b)", "a:b -c", "überfahrt _ ,"]):
    write(f"query/{i}", words.encode())
write("library_export/own.json", json.dumps({"format": "patient-metre-own-words", "version": 1, "folders": ["/packs", {"bytes": "2f70ff"}], "recordings": [{"content": "c", "tags": ["reed"], "notes": "dusk", "favourite": True}]}).encode())
PY
python3 - "$corpus" <<'PY'
import json, sys
p = json.load(open("demo/canal_journey/project.json"))
p["sources"] = p["sources"][:2]
keep = {s["id"] for s in p["sources"]}
for t in p["tracks"]:
    t["clips"] = [c for c in t["clips"] if c["source"] in keep][:2]
p["tracks"] = p["tracks"][:3]
p["lead"] = None
for s in p["sources"]:
    s["readings"] = s["readings"][:1]
    for r in s["readings"]:
        r["others"] = r["others"][:1]
        r["pins"] = r["pins"][:3]
json.dump(p, open(sys.argv[1] + "/project/journey.json", "w"), separators=(",", ":"))
PY
du -sh "$corpus"
