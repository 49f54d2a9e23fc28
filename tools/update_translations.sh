#!/usr/bin/env bash
# Brings share/translations/patient-metre_template.ts up to date with the words in the sources. A translation is a copy of it,
# named for its language (patient-metre_de.ts), filled in with Qt Linguist, and made ready with
#   lrelease share/translations/patient-metre_de.ts -qm build/release/src/translations/patient-metre_de.qm
set -euo pipefail
cd "$(dirname "$0")/.."
lupdate=$(command -v lupdate || echo /usr/lib/qt6/bin/lupdate)
"$lupdate" -silent -tr-function-alias tr+=words -no-obsolete -locations none -source-language en -I src src/app -ts share/translations/patient-metre_template.ts
