#!/bin/sh
# Fails when a file is not formatted as .clang-format says. Usage: tools/check_format.sh CLANG_FORMAT
cd "$(dirname "$0")/.." || exit 1
find src tests benchmarks tools -name '*.cpp' -o -name '*.h' | grep -v '/build/' | xargs "$1" --dry-run --Werror
