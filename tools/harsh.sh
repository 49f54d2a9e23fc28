#!/usr/bin/env bash
# The long trials: what breaks a program in months of use, in an hour. Prints a table of what was tried, how often, and
# what was found; the exit status is not 0 where something was.
#   tools/harsh.sh [MINUTES]     60 without it; the parts share the time
#   tools/harsh.sh MINUTES PART  one of faults, kills, fuzz, hours, soak, server, asan, tsan
#   tools/harsh.sh MINUTES asan|tsan -R ROOM…   some of the tests; what is found is added to what that part found before
#   tools/harsh.sh table         what each part last found, and of which state of the code
# Findings are left in build/harsh. All of it takes about four hours of two processors; part by part it is the same.
set -uo pipefail
cd "$(dirname "$0")/.."
. tools/setup.sh
minutes=${1:-60}
only=${2:-}
if [ $# -gt 2 ]; then some=("${@:3}"); else some=(); fi # of the tests
left=build/harsh
rows="$left/rows"
mkdir -p "$rows"
parts=(faults kills fuzz hours soak server asan tsan)
bad=0
show() { # of all parts, or of one
  local status=0 part
  printf '%-9s %-10s %-10s %-46s %-12s %s\n' state day part what "how many" found
  for part in "${parts[@]}"; do
    if [ -n "${1:-}" ] && [ "$1" != "$part" ]; then continue; fi
    if [ -s "$rows/$part" ]; then cat "$rows/$part"; else echo "$part: not tried"; status=1; fi
  done
  if grep -qs FAILED "$rows"/*; then status=1; fi
  return $status
}
if [ "$minutes" = table ]; then show; exit $?; fi
# The code as it is: its revision, with a + where it was changed since.
state=$(git describe --always --dirty=+ 2>/dev/null || echo unknown)
row() { printf '%-9s %-10s %-10s %-46s %-12s %s\n' "$state" "$(date +%F)" "$1" "$2" "$3" "$4" | tee -a "$rows/$1"; }
wants() { # begins that part's rows anew
  if [ -n "$only" ] && [ "$only" != "$1" ]; then return 1; fi
  if [ ${#some[@]} -eq 0 ]; then : > "$rows/$1"; fi
}
verdict() { # NAME WHAT COUNT STATUS
  if [ "$4" -eq 0 ]; then row "$1" "$2" "$3" "nothing"; else row "$1" "$2" "$3" "FAILED: $left/$1.log"; bad=1; fi
}

install_missing "${build_packages[@]}" "${run_packages[@]}" "${virtual_display_packages[@]}" "${test_packages[@]}" "${sanitizer_packages[@]}"
build release >/dev/null || exit 1
tests=build/release/tests

if wants faults; then
  "$tests/test_harsh" --gtest_filter='Fault.*' > "$left/faults.log" 2>&1
  status=$?
  verdict faults "every step to the disk fails once" "$(grep -c '       OK' "$left/faults.log") jobs" $status
fi

if wants kills; then
  kills=$((minutes * 200 / 60)); [ "$kills" -lt 20 ] && kills=20
  PM_KILLS=$kills tests/harsh/kills.sh "$tests/test_harsh" > "$left/kills.log" 2>&1
  verdict kills "the window is killed while a hand works in it" "$kills times" $?
  # Once more while another program keeps the disk busy.
  busy() { while true; do dd if=/dev/zero of="$left/busy" bs=1M count=96 conv=fsync status=none; rm -f "$left/busy"; done; }
  busy &
  busied=$!
  fewer=$((kills / 5)); [ "$fewer" -lt 20 ] && fewer=20
  PM_KILLS=$fewer tests/harsh/kills.sh "$tests/test_harsh" >> "$left/kills.log" 2>&1
  status=$?
  kill $busied; wait $busied 2>/dev/null; rm -f "$left/busy"
  verdict kills "the same on a disk that is kept busy" "$fewer times" $status
fi

if wants fuzz; then
  each=$((minutes < 60 ? minutes : 60)) # seconds a target, two at a time
  cmake -S . -B build/fuzz -G Ninja -DCMAKE_BUILD_TYPE=RelWithDebInfo -DCMAKE_CXX_COMPILER=clang++ -DPM_FUZZ=ON \
    -DPM_BUILD_BENCH=OFF -DPM_WARNINGS_AS_ERRORS=OFF >/dev/null && cmake --build build/fuzz --target harsh_fuzz > "$left/fuzz-build.log" 2>&1
  built=$?
  try() { # TARGET
    local findings="$left/fuzz/$1"
    mkdir -p "$findings" "build/fuzz/corpus/$1"
    PM_TARGET=$1 build/fuzz/tests/harsh_fuzz -max_total_time="$each" -max_len=16384 -timeout=20 -rss_limit_mb=3000 \
      -artifact_prefix="$findings/" "build/fuzz/corpus/$1" "tests/harsh/corpus/$1" > "$left/fuzz-$1.log" 2>&1
  }
  export -f try; export each left
  export LSAN_OPTIONS="suppressions=$PWD/tests/lsan.supp:print_suppressions=0"
  if [ $built -eq 0 ]; then
    ls tests/harsh/corpus | xargs -P 2 -I{} bash -c 'try {}'
    for target in $(ls tests/harsh/corpus); do
      runs=$(grep -o 'Done [0-9]* runs' "$left/fuzz-$target.log" | grep -o '[0-9]*' || true)
      if [ -n "$runs" ]; then row fuzz "$target, $each s" "$runs runs" nothing
      else row fuzz "$target, $each s" "–" "FAILED: $left/fuzz-$target.log"; bad=1; fi
    done
  else
    verdict fuzz "it could not be built" 0 1
  fi
fi

if wants hours; then
  long=$((minutes >= 60 ? 180 : 30))
  PM_MINUTES=$long "$tests/test_hear" --gtest_filter='Hours.*' > "$left/hours.log" 2>&1
  status=$?
  verdict hours "recordings of $long minutes are listened to" "$(grep -c '       OK' "$left/hours.log")" $status
fi

if wants soak; then
  time=$((minutes >= 240 ? 120 : minutes / 3 > 3 ? minutes / 3 : 3)) # ten of them until it has settled
  work=$(mktemp -d)
  cp -r demo/canal_journey "$work/journey"
  mkdir "$work/loops"
  for i in $(seq 1 32); do
    sox -n -r 48000 -c 2 -b 16 "$work/loops/stem_$i.wav" synth 60 pluck "$((100 + 20 * i))" tremolo 2 gain -20 2>/dev/null
  done
  PATIENT_METRE_DATA="$work/data" timeout $((time * 60 + 1200)) "$tests/harsh_soak" "$work" "$time" > "$left/soak.log" 2>&1
  status=$?
  verdict soak "$(tail -1 "$left/soak.log")" "$time min" $status
  rm -rf "$work"
fi

if wants server; then
  times=$((minutes >= 60 ? 50 : 5))
  timeout 1800 "$tests/test_play" --gtest_filter='Device.AServer*:Jack.AServer*' --gtest_repeat="$times" --gtest_brief=1 > "$left/server.log" 2>&1
  verdict server "the sound server is killed and started" "$times times" $?
fi

for part in asan tsan; do
  if wants $part; then
    if [ $part = asan ]; then export ASAN_OPTIONS=detect_leaks=1 LSAN_OPTIONS="suppressions=$PWD/tests/lsan.supp:print_suppressions=0"; fi
    PM_LEAKS=1 ./test.sh --$part ${some[@]+"${some[@]}"} > "$left/$part.log" 2>&1
    status=$?
    verdict $part "${some[*]:-all tests}, $([ $part = asan ] && echo 'addresses, undefined behaviour, leaks' || echo threads)" \
      "$(grep -o 'out of [0-9]*' "$left/$part.log" | tail -1 | grep -o '[0-9]*') tests" $status
  fi
done

echo
show "$only"
exit $bad
