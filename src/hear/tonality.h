// The key of a recording.
#pragma once

#include "hear/key.h"
#include "hear/strength.h"

#include <array>
#include <optional>
#include <vector>

namespace hear {

struct HeardKey {
    Key key;
    double sureness = 0; // 0 to 1
};

// How much a pitch class sounds, C first, for the whole, for the bass, and for the beginning.
struct Classes {
    std::array<double, 12> all{};
    std::array<double, 12> bass{};
    std::array<double, 12> start{};
    double pitched = 0; // share of moments that have steady pitches, 0 to 1
};
Classes classesOf(const Pitches& p);

// The logarithm of how likely each of the 24 keys is (C major … B major, C minor … B minor), highest 0.
// Correlation with tone profiles after Krumhansl, "Cognitive Foundations of Musical Pitch", 1990 (from memory); the
// profiles are our own, of the whole, the bass and the beginning, fitted to a generated set
// (tools/fit_key_kind.py). Any thread.
std::array<double, 24> keyScores(const Classes& classes);

// The key, or none where too little is pitched: silence, drums, noise.
std::optional<HeardKey> keyOf(const Classes& classes);

} // namespace hear
