#!/usr/bin/env bash
# Installs the rooms as libraries into a folder of its own, builds the example of docs/library against them, and fits a
# loop of the demo with that.
#   tests/library_example.sh BUILD_FOLDER
set -euo pipefail
cd "$(dirname "$0")/.."
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
cmake --install "$1" --component library --prefix "$work/installed" > "$work/install.log"
test -e "$work/installed/include/patient-metre/hear/listen.h"
cmake -S docs/library -B "$work/build" -DCMAKE_PREFIX_PATH="$work/installed" -DCMAKE_BUILD_TYPE=Release > "$work/configure.log"
cmake --build "$work/build" > "$work/build.log" || { cat "$work/build.log"; exit 1; }
loop=$(find demo/canal_journey -name 'winch_hands_112bpm*' | head -1)
said=$("$work/build/fit_loop" "$loop" "$work/fitted.wav" 104)
echo "$said"
case "$said" in 112.00*) ;; *) echo "112 was meant"; exit 1 ;; esac
# Sixteen beats at 104.
soxi -D "$work/fitted.wav" | awk '{ off = $1 - 16 * 60 / 104; exit !(off < 0.001 && off > -0.001) }'
