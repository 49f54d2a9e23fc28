#!/usr/bin/env bash
# pmetre fit over a folder of so many loops, beside a shell loop over the rubberband (finer engine) and soundstretch
# programs: benchmarks/fit_bench.sh [LOOPS]. Needs rubberband-cli, soundstretch and sox.
set -euo pipefail
cd "$(dirname "$0")/.."
pmetre=$PWD/build/release/src/pmetre
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
seconds() { # runs the rest, prints the seconds it took
  local begin end
  begin=$(date +%s.%N)
  "$@" >/dev/null 2>&1
  end=$(date +%s.%N)
  echo "$end - $begin" | bc
}
count=${1:-500}
mkdir "$work/in" "$work/rubberband" "$work/soundstretch"
i=0
while [ $i -lt "$count" ]; do
  for loop in winch_hands_112bpm.wav rope_shaker_124.wav keel_bass_96.aiff; do
    [ $i -lt "$count" ] || break
    bpm=$(echo "$loop" | grep -oE '[0-9]{2,3}')
    sox "demo/canal_journey/audio/$loop" "$work/in/loop_$(printf %03d $i)_${bpm}bpm.wav"
    i=$((i + 1))
  done
done
theirs() { # program
  for file in "$work"/in/*.wav; do
    bpm=$(echo "$file" | grep -oE '[0-9]+bpm' | tr -d bpm)
    if [ "$1" = rubberband ]; then
      rubberband -3 -q -t "$(echo "scale=8; $bpm / 104" | bc)" "$file" "$work/rubberband/$(basename "$file")"
    else
      soundstretch "$file" "$work/soundstretch/$(basename "$file")" "-tempo=$(echo "scale=8; (104 / $bpm - 1) * 100" | bc)"
    fi
  done
}
ours=$(seconds "$pmetre" fit "$work/in" --out "$work/ours" --to 104 --quiet)
rubber=$(seconds theirs rubberband)
touch=$(seconds theirs soundstretch)
echo "$count loops: ours $ours s ($(echo "scale=1; $count / $ours" | bc) loops a second), rubberband -3 $rubber s" \
  "(ratio $(echo "scale=1; $rubber / $ours" | bc)), soundstretch $touch s (ratio $(echo "scale=2; $touch / $ours" | bc))"
