#!/usr/bin/env bash
# A minute of stereo at 48 kHz fitted by each method as a whole process, beside the rubberband (finer engine) and
# soundstretch programs in the same run: benchmarks/minute_bench.sh [PMETRE…]. Least of five each (rubberband: of
# two), by the clock and in processor seconds. Needs rubberband-cli, soundstretch and sox.
set -euo pipefail
cd "$(dirname "$0")/.."
programs=("${@:-$PWD/build/release/src/pmetre}")
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
loop=demo/canal_journey/audio/winch_hands_112bpm.wav
sox "$loop" -r 48000 -b 24 -c 2 "$work/loop.wav"
sox "$work/loop.wav" "$work/minute.wav" repeat 20 trim 0 60
timed() { # TIMES PROGRAM…: prints the least of the clock's and of the processor's seconds
  local clock=9999 processor=9999 i c u s
  for i in $(seq "$1"); do
    /usr/bin/time -o "$work/time" -f '%e %U %S' "${@:2}" >/dev/null 2>&1
    read -r c u s < "$work/time"
    clock=$(echo "if ($c < $clock) $c else $clock" | bc)
    processor=$(echo "if ($u + $s < $processor) $u + $s else $processor" | bc)
  done
  echo "$clock $processor"
}
read -r rubberClock rubberCpu < <(timed 2 rubberband -3 -q -t 1.08 "$work/minute.wav" "$work/theirs.wav")
read -r touchClock touchCpu < <(timed 5 soundstretch "$work/minute.wav" "$work/theirs.wav" -tempo=-7.407)
echo "rubberband -3: $rubberClock s, $rubberCpu of the processor; soundstretch: $touchClock s, $touchCpu"
for program in "${programs[@]}"; do
  for method in held sung blend struck tape; do
    read -r clock cpu < <(timed 5 "$program" fit "$work/minute.wav" "$work/ours.wav" --ratio 1.08 --style $method --overwrite --quiet)
    if [ $method = struck ] || [ $method = tape ]; then beside=$touchClock; besideCpu=$touchCpu; else beside=$rubberClock; besideCpu=$rubberCpu; fi
    echo "$method: $clock s ($(echo "scale=2; $beside / $clock" | bc) times as fast), $cpu of the processor ($(echo "scale=2; $besideCpu / $cpu" | bc))"
  done
done
