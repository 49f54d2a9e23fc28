#!/usr/bin/env bash
# Brings share/translations/ up to date with the words in the sources: the template, and each language beside it. A new
# language is a copy of the template named for it (patient-metre_nl.ts), filled in with Qt Linguist; the build makes it
# ready. Texts that nobody has reviewed stay marked as unfinished; they are used all the same.
set -euo pipefail
cd "$(dirname "$0")/.."
lupdate=$(command -v lupdate || echo /usr/lib/qt6/bin/lupdate)
update() { "$lupdate" -silent -tr-function-alias tr+=words -no-obsolete -locations none -source-language en -I src src/app "$@"; }
update -ts share/translations/patient-metre_template.ts
for language in share/translations/patient-metre_[a-z][a-z].ts; do update -ts "$language"; done
