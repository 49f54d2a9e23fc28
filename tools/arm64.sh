#!/usr/bin/env bash
# Builds the rooms from base to prove and their tests for arm64, and runs them by an emulator. By hand: it installs a cross
# compiler and makes a root of arm64 packages in build/arm64-root.
#   tools/arm64.sh [CTEST ARGUMENTS]     -R metre, say
set -euo pipefail
cd "$(dirname "$0")/.."
. tools/setup.sh
install_missing cmake ninja-build pkg-config g++-aarch64-linux-gnu qemu-user-static mmdebstrap arch-test
root=$PWD/build/arm64-root
if [ ! -d "$root/usr/include" ]; then
  mkdir -p build
  packages=libc6-dev,libstdc++-12-dev,libsndfile1-dev,libsoxr-dev,libtag1-dev,libfftw3-dev,libebur128-dev,libmpg123-dev
  mmdebstrap --arch=arm64 --variant=extract \
    --include="$packages,libfmt-dev,libexpected-dev,nlohmann-json3-dev,libgtest-dev,libgmock-dev" bookworm "$root"
fi
export PKG_CONFIG_SYSROOT_DIR=$root
export PKG_CONFIG_LIBDIR=$root/usr/lib/aarch64-linux-gnu/pkgconfig:$root/usr/share/pkgconfig
cmake -S . -B build/arm64 -G Ninja -DCMAKE_BUILD_TYPE=Release -DCMAKE_CXX_FLAGS_RELEASE=-O2 -DPM_CORE=ON -DPM_BUILD_BENCH=OFF \
  -DCMAKE_SYSTEM_NAME=Linux -DCMAKE_SYSTEM_PROCESSOR=aarch64 -DCMAKE_CXX_COMPILER=aarch64-linux-gnu-g++ \
  -DCMAKE_SYSROOT="$root" -DCMAKE_FIND_ROOT_PATH="$root" -DCMAKE_FIND_ROOT_PATH_MODE_PROGRAM=NEVER \
  -DCMAKE_FIND_ROOT_PATH_MODE_LIBRARY=ONLY -DCMAKE_FIND_ROOT_PATH_MODE_INCLUDE=ONLY -DCMAKE_FIND_ROOT_PATH_MODE_PACKAGE=ONLY \
  "-DCMAKE_CROSSCOMPILING_EMULATOR=qemu-aarch64-static;-L;$root"
cmake --build build/arm64
ctest --test-dir build/arm64 --output-on-failure -j "$(nproc)" --timeout 3000 "$@"
