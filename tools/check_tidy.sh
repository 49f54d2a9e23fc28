#!/usr/bin/env bash
# Runs clang-tidy over the product's sources, several folders at a time: the build writes files that include all of theirs,
# so that headers are read once (src/CMakeLists.txt). What was found clean is not looked at again until one of its
# files, of the headers that these include, of the rules or of the compiler's options has changed.
# Usage: tools/check_tidy.sh CLANG_TIDY BUILD_FOLDER
set -uo pipefail
cd "$(dirname "$0")/.." || exit 1
export tidy=$1 build=$2
export clean="$build/tidy/clean" # a file for each state that was found clean, by its key
mkdir -p "$clean"

check() { # UNIT
  local command key found
  command=$(python3 -c '
import json, os, sys
unit = os.path.realpath(sys.argv[2])
for entry in json.load(open(os.path.join(sys.argv[1], "compile_commands.json"))):
    if os.path.realpath(os.path.join(entry["directory"], entry["file"])) == unit:
        print(entry["command"].split(" -o ")[0])
        break' "$build" "$1")
  # Without the system headers: these change with the packages, whose versions stand in the key.
  key=$( { echo "$command"; "$tidy" --version; cat .clang-tidy
           sh -c "${command##*ccache } -MM '$1'" 2>/dev/null | tr ' \\' '\n\n' | grep '/' | sort -u | xargs cat; } | sha256sum | cut -c1-40)
  if [ -n "$command" ] && [ -e "$clean/$key" ]; then return 0; fi
  found=$("$tidy" --quiet -p "$build" --warnings-as-errors='*' --extra-arg=-Wno-unknown-warning-option "$1" 2>/dev/null)
  local status=$?
  echo "$found"
  if [ $status -eq 0 ] && [ -n "$command" ]; then : > "$clean/$key"; fi
  return $status
}
export -f check

log=$(mktemp) || exit 1
ls "$build"/tidy/*.cpp | xargs -P "$(nproc)" -I{} bash -c 'check {}' >"$log"
status=$?
# A header of several folders is looked at in each.
grep -v '^$' "$log" | awk '!seen[$0]++'
rm -f "$log"
find "$clean" -type f -mtime +30 -delete
exit $status
