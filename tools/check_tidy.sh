#!/bin/sh
# Runs clang-tidy over the product's sources, two at a time. Usage: tools/check_tidy.sh CLANG_TIDY BUILD_FOLDER
cd "$(dirname "$0")/.." || exit 1
find src -name '*.cpp' | xargs -P "$(nproc)" -n 2 "$1" --quiet -p "$2" --warnings-as-errors='*' 2>/dev/null
