#!/usr/bin/env bash
# Installs what is missing, builds Patient Metre and starts it with the demo project.
# Arguments are passed on to the application; --shot FILE writes a PNG of the window and ends.
set -euo pipefail
cd "$(dirname "$0")"
. tools/setup.sh

install_missing "${build_packages[@]}" "${run_packages[@]}"
build release patient-metre

project=(demo/canal_journey)
for argument in "$@"; do
  # A project given by name takes the demo's place.
  if [ -d "$argument" ] || [ "${argument##*/}" = project.json ]; then project=(); fi
done
application=(build/release/src/patient-metre ${project[@]+"${project[@]}"} "$@")

if [ -n "${DISPLAY:-}" ] || [ -n "${WAYLAND_DISPLAY:-}" ] || [ "${QT_QPA_PLATFORM:-}" = offscreen ]; then
  exec "${application[@]}"
fi
install_missing "${virtual_display_packages[@]}"
echo "There is no display here: starting on a virtual one (Xvfb)."
exec xvfb-run -a -s "-screen 0 1400x900x24" "${application[@]}"
