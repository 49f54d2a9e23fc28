// From a scene to samples.
#pragma once

#include "mix/scene.h"

#include <array>
#include <cstdint>
#include <optional>

namespace mix {

// Gain that changes evenly from frame to frame.
struct Ramp {
    float from = 1; // at the first frame
    float step = 0; // a frame
    bool operator==(const Ramp&) const = default;
};

// Who is heard beside the project's own clips: one guest, and one whose place it took.
struct Guests {
    std::int64_t now = 0; // 0: none
    std::int64_t left = 0;
    Ramp rise;
    Ramp fall{0, 0};
    bool operator==(const Guests&) const = default;
};

// Which clips of a scene sound.
struct Take {
    enum class Which {
        All,
        Across,    // only those that go on across the edge, with the ramp
        RiseAcross // all; those that go on across the edge with the ramp, the others as they are
    } which = Which::All;
    std::int64_t edge = 0; // a frame of the scene
    Ramp ramp;             // of all, or of those across the edge
    Guests guests = {};
};

// The highest absolute sample of each track's left and right, before the output gain: raised by whoever mixes.
// Tracks beyond have no meter.
struct TrackPeaks {
    static constexpr std::size_t most = 128;
    std::array<std::array<float, 2>, most> of{};
    std::array<float, 2> guests{};
};

// Adds frames [from, from + n) of a scene to interleaved stereo. A pure function: the same frames come out the
// same, sample by sample, however a range is cut into calls. Neither locks, allocates, waits nor logs. Loop ranges
// are the caller's affair. REQUIRES room for 2 n samples.
void add(const Scene& scene, std::int64_t from, float* out, int n, const Take& take = {},
         TrackPeaks* peaks = nullptr);

// Adds nothing but a click on the beats, as loud as the scene's: for counting in.
void addClick(const Scene& scene, const Click& click, std::int64_t from, float* out, int n, const Take& take = {});

// The same into silence.
void mix(const Scene& scene, std::int64_t from, float* out, int n);

} // namespace mix
