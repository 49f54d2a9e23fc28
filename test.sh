#!/usr/bin/env bash
# Installs what is missing, builds everything and runs all tests. Ends with ctest's closing line; the exit status is
# not 0 when anything failed.
#   --asan   with the address and undefined-behaviour sanitizers
#   --tsan   with the thread sanitizer
#   other arguments are passed on to ctest, such as -R metre
set -euo pipefail
cd "$(dirname "$0")"
. tools/setup.sh

preset=release
if [ "${1:-}" = --asan ] || [ "${1:-}" = --tsan ]; then
  preset=${1#--}
  shift
fi

install_missing "${build_packages[@]}" "${run_packages[@]}" "${virtual_display_packages[@]}" "${test_packages[@]}"
# Clang builds with the sanitizers in a third of the time that GCC takes.
if [ "$preset" != release ]; then install_missing "${sanitizer_packages[@]}"; fi
build "$preset"
export TSAN_OPTIONS="suppressions=$PWD/tests/tsan.supp ${TSAN_OPTIONS:-}"
# Leaks are looked for in the long trials (tools/harsh.sh).
if [ -z "${PM_LEAKS:-}" ]; then export ASAN_OPTIONS="detect_leaks=0:${ASAN_OPTIONS:-}"; fi
# Tests of what is heard wait for sound as often as they work: one more than there are processors keeps these busy.
ctest --test-dir "build/$preset" --output-on-failure -j "$(($(nproc) + 1))" "$@"
