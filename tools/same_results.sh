#!/usr/bin/env bash
# Whether two builds hear and stretch alike, to the bit: run before and after a change that is meant to alter nothing but
# speed.
#   tools/same_results.sh BEFORE AFTER   two pmetre programs
# The demo's audio and forty made files (loops, songs, free playing, single metres; seed 5) are read by both, and fitted by
# every method and by the one that is chosen. What differs is named, with the greatest difference of a sample in dB under
# full scale; the exit status is then 1. A change that only rounds otherwise differs by a step of the last bit: −90 dB at
# 16 bits, −138 dB at 24.
set -uo pipefail
before=$(realpath "$1")
after=$(realpath "$2")
cd "$(dirname "$0")/.."
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
made=${PM_MADE:-$work/made} # kept from one run to the next where it is named
if [ ! -d "$made" ]; then
  mkdir -p "$made"
  /usr/bin/python3 tools/listening_set.py "$made/set" --seed 5 --loops 24 --songs 3 --free 5 >/dev/null || exit 2
  /usr/bin/python3 tools/metre_set.py "$made/metres" --seed 5 --loops 8 >/dev/null || exit 2
  for file in "$made"/metres/*.wav; do mv "$file" "$(dirname "$file")/metre_$(basename "$file")"; done # names of their own
fi
files=()
while IFS= read -r -d '' file; do files+=("$file"); done < <(
  find demo/canal_journey/audio "$made" -type f \( -name '*.wav' -o -name '*.flac' -o -name '*.aiff' -o -name '*.mp3' -o -name '*.ogg' -o -name '*.opus' \) -print0 | sort -z)
different=0
apart() { # A B
  /usr/bin/python3 - "$1" "$2" <<'PROGRAM'
import subprocess, sys
import numpy as np
def samples(path):
    return np.frombuffer(subprocess.run(["sox", path, "-t", "f64", "-"], capture_output=True).stdout)
a, b = samples(sys.argv[1]), samples(sys.argv[2])
if len(a) != len(b):
    print(f"{len(a)} and {len(b)} samples")
else:
    most = np.max(np.abs(a - b), initial=0)
    print("what is not sound" if most == 0 else f"{20 * np.log10(most):.0f} dB")
PROGRAM
}
compare() { # WHAT A B
  if ! cmp -s "$2" "$3"; then
    echo "differs by $(apart "$2" "$3"): $1"
    different=$((different + 1))
  fi
}
"$before" read --quiet "${files[@]}" > "$work/before.read" 2>&1
"$after" read --quiet "${files[@]}" > "$work/after.read" 2>&1
while IFS= read -r line; do echo "differs: read: $line"; different=$((different + 1)); done < <(
  diff "$work/before.read" "$work/after.read" | grep '^>' | cut -c1-160)
fits=0
for style in auto struck held blend sung tape; do
  for way in "--to 104 --from 112" "--ratio 1.17" "--beats 16 --to 97"; do
    rm -rf "$work/a" "$work/b"
    # shellcheck disable=SC2086
    "$before" fit --quiet "${files[@]}" --out "$work/a" --names '{name}' --style $style $way > "$work/a.lines" 2>&1
    # shellcheck disable=SC2086
    "$after" fit --quiet "${files[@]}" --out "$work/b" --names '{name}' --style $style $way > "$work/b.lines" 2>&1
    for file in "$work/a"/*; do
      [ -e "$file" ] || continue
      fits=$((fits + 1))
      compare "fit $way --style $style: $(basename "$file")" "$file" "$work/b/$(basename "$file")"
    done
  done
done
echo "${#files[@]} files read and $fits results compared: $different differ"
[ "$different" -eq 0 ]
