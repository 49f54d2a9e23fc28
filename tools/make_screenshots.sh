#!/usr/bin/env bash
# Takes the pictures in docs/screenshots/ from the demo project, without a monitor.
set -euo pipefail
cd "$(dirname "$0")/.."
export QT_QPA_PLATFORM=offscreen PATIENT_METRE_OUTPUT=simulated
# Nothing that was settled on this machine shows.
export PATIENT_METRE_DATA=/tmp/music/data
rm -rf "$PATIENT_METRE_DATA"
application=build/release/src/patient-metre
shots=docs/screenshots
mkdir -p "$shots"
# A copy at a place that says nothing about this machine.
copy=/tmp/music/canal_journey
rm -rf "$copy" && mkdir -p /tmp/music && cp -r demo/canal_journey "$copy"
# A library to find things in.
packs=/tmp/music/packs
rm -rf "$packs" && mkdir -p "$packs/locks" "$packs/reeds"
cp demo/canal_journey/audio/{winch,lock,rope,keel}* "$packs/locks"
cp demo/canal_journey/audio/{barge,heron,kalimba,pontoon,reed,towpath}* "$packs/reeds"
build/release/src/pmetre scan --quiet "$packs" >/dev/null
"$application" "$copy" --select winch --shot "$shots/bars.png"
"$application" "$copy" --select winch --lamp --shot "$shots/bars-lamplight.png"
"$application" "$copy" --select towpath --size 1280x900 --shot "$shots/bench.png"
"$application" "$copy" --select pontoon --dialog pageSources --shot "$shots/sources.png"
"$application" --shot "$shots/empty.png"
"$application" --import demo/canal_journey/audio/winch_hands_112bpm.wav demo/canal_journey/audio/keel_bass_96.aiff \
  demo/canal_journey/audio/rope_shaker_124.wav demo/canal_journey/audio/barge_bell.wav --shot "$shots/imported.png"
# The same with a tempo and a metre that change, and nothing selected: the Bench folds.
changing=/tmp/music/canal_journey_home
rm -rf "$changing" && cp -r "$copy" "$changing"
python3 - "$changing/project.json" <<'END'
import json, sys
path = sys.argv[1]
project = json.load(open(path))
project["tempo"] = [{"beat": 0, "bpm": 104, "shape": "hold"}, {"beat": 24, "bpm": 104, "shape": "ramp"},
                    {"beat": 40, "bpm": 112, "shape": "hold"}, {"beat": 56, "bpm": 98, "shape": "hold"}]
project["metre"] = [{"bar": 1, "metre": "4/4"}, {"bar": 15, "metre": "3/4"}]
json.dump(project, open(path, "w"))
END
"$application" "$changing" --shot "$shots/lanes.png"
"$application" "$copy" --dialog selectAll --shot "$shots/many.png"
"$application" "$copy" --dialog preferences --shot "$shots/preferences.png"
"$application" "$copy" --dialog searchLimits --shot "$shots/shelf.png"
"$application" "$copy" --dialog deliver --shot "$shots/deliver.png"
"$application" "$copy" --select pontoon --dialog pageStrain --shot "$shots/strain.png"
"$application" "$copy" --dialog firstSteps --shot "$shots/help.png"
