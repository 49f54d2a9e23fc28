# Shared by demo.sh and test.sh: which Debian packages are needed, installing what is missing, building.

# libjack-jackd2-dev is what the window speaks to JACK's transport with; the sound library would be content with the other
# JACK, which the server that the tests start pushes out again, and the sound library with it.
build_packages=(
  g++ cmake ninja-build ccache pkg-config
  libsndfile1-dev libtag1-dev libsoxr-dev libfftw3-dev libebur128-dev librtaudio-dev librtmidi-dev libjack-jackd2-dev
  nlohmann-json3-dev libcli11-dev libfmt-dev libexpected-dev libreaderwriterqueue-dev
  libsqlitecpp-dev libsqlite3-dev libmpg123-dev
  qt6-base-dev qt6-l10n-tools
)
run_packages=(qt6-qpa-plugins libgl1-mesa-dri)
virtual_display_packages=(xvfb xauth)
test_packages=(
  libgtest-dev libgmock-dev libbenchmark-dev libgsl-dev librubberband-dev libsoundtouch-dev libaubio-dev libqm-dsp-dev libsmf-dev
  jackd2 locales ffmpeg sox mediainfo python3-mutagen desktop-file-utils appstream shared-mime-info xdotool clang-format clang-tidy
  at-spi2-core python3-pyatspi dbus
)
sanitizer_packages=(clang libclang-rt-14-dev)

install_missing() {
  local missing=()
  local package
  for package in "$@"; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
  done
  if [ ${#missing[@]} -eq 0 ]; then return 0; fi
  echo "Installing Debian packages: ${missing[*]}"
  local as_root=()
  if [ "$(id -u)" -ne 0 ]; then as_root=(sudo); fi
  ${as_root[@]+"${as_root[@]}"} apt-get update -qq
  ${as_root[@]+"${as_root[@]}"} env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

# build PRESET [TARGET...]
build() {
  local preset=$1
  shift
  local options=()
  if [ $# -gt 0 ]; then options=(-DPM_BUILD_TESTS=OFF -DPM_BUILD_BENCH=OFF); else options=(-DPM_BUILD_TESTS=ON); fi
  if [ $# -eq 0 ] && [ "$preset" = release ]; then options+=(-DPM_BUILD_BENCH=ON); fi
  # A build folder that was made with the tests keeps them: switching back and forth would cost both commands time.
  if [ $# -gt 0 ] && grep -qs '^PM_BUILD_TESTS:BOOL=ON' "build/$preset/CMakeCache.txt"; then options=(); fi
  local generator=()
  if command -v ninja >/dev/null; then generator=(-G Ninja); fi
  cmake --preset "$preset" "${generator[@]}" ${options[@]+"${options[@]}"} >/dev/null
  local targets=()
  local target
  for target in "$@"; do targets+=(--target "$target"); done
  cmake --build "build/$preset" -j "$(nproc)" ${targets[@]+"${targets[@]}"}
}
