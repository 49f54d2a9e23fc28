#!/usr/bin/env bash
# Pages of the public headers of the rooms that are libraries too (docs/library), as HTML, by doxygen; a warning is an
# error. Comments are plain ones: here, and here alone, doxygen is told to take them as its own.
#   tools/make_api_pages.sh [FOLDER]     build/api without it
set -euo pipefail
cd "$(dirname "$0")/.."
out=${1:-build/api}
mkdir -p "$out"
doxygen - <<CONFIG
PROJECT_NAME = "Patient Metre: metre, sound, hear, stretch, prove"
INPUT = src/base src/metre src/sound src/hear src/stretch src/prove docs/library/README.md
USE_MDFILE_AS_MAINPAGE = docs/library/README.md
FILE_PATTERNS = *.h
OUTPUT_DIRECTORY = $out
GENERATE_LATEX = NO
HAVE_DOT = NO
QUIET = YES
EXTRACT_ALL = YES
WARN_IF_UNDOCUMENTED = NO
WARN_AS_ERROR = FAIL_ON_WARNINGS
MARKDOWN_SUPPORT = NO
AUTOLINK_SUPPORT = NO
MULTILINE_CPP_IS_BRIEF = NO
FILTER_PATTERNS = *.h="sed -E 's|^( *)// |\\\\1/// |; s|; // |; ///< |; s|, // |, ///< |'"
CONFIG
echo "$out/html/index.html"
