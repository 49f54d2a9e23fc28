// Feel: how a recording plays around its beats. Its swing, where each place of the bar lies, how loosely it keeps
// to that.
#pragma once

#include "base/result.h"
#include "metre/metre_map.h"
#include "metre/units.h"

#include <array>
#include <optional>
#include <string>
#include <vector>

namespace hear {

using metre::Beats;
using metre::Bpm;
using metre::Seconds;

// Into which parts a beat is divided. Of two parts a pair makes a beat, of four two pairs do: the second of each
// may swing.
enum class FeelGrid { Eighths, EighthTriplets, Sixteenths, SixteenthTriplets };
struct FeelGridEntry {
    FeelGrid grid;
    const char* word;  // "8t", in files and on the command line
    const char* label; // "1/8 triplets", as shown
    int parts;         // of a beat
    bool swings;
};
inline constexpr std::array feelGridTable{
    FeelGridEntry{FeelGrid::Eighths, "8", "1/8", 2, true},
    FeelGridEntry{FeelGrid::EighthTriplets, "8t", "1/8 triplets", 3, false},
    FeelGridEntry{FeelGrid::Sixteenths, "16", "1/16", 4, true},
    FeelGridEntry{FeelGrid::SixteenthTriplets, "16t", "1/16 triplets", 6, false},
};
constexpr const FeelGridEntry& entryOf(FeelGrid grid) {
    return feelGridTable[static_cast<std::size_t>(grid)];
}
std::optional<FeelGrid> feelGridFromWord(const std::string& word);

inline constexpr double evenSwing = 50;  // per cent of a pair at which its second falls
inline constexpr double leastSwing = 40; // of what is called swing
inline constexpr double mostSwing = 80;

// Places of a beat: equal parts, of which every second lies later where they swing.
struct SwungGrid {
    FeelGrid grid = FeelGrid::Sixteenths;
    double swing = evenSwing; // per cent; of a grid that does not swing always 50

    // The step nearest to a moment, counted from beat 0, and where a step lies.
    std::int64_t stepNear(Beats at) const;
    Beats placeOf(std::int64_t step) const;
    bool operator==(const SwungGrid&) const = default;
};

struct FeelPlace {
    int place = 0;  // grid steps from the bar line
    Seconds offset; // of its hits from the swung grid, the median; late is positive
    int hits = 0;   // that it rests on
    bool operator==(const FeelPlace&) const = default;
};

struct Feel {
    FeelGrid grid = FeelGrid::Sixteenths;
    metre::Metre metre;
    std::optional<double> swing;   // per cent, 50 to 66.7 as a rule; none: nothing is played where it would show
    Seconds loose;                 // the spread of what is left, as one standard deviation
    std::vector<FeelPlace> places; // in order, those that are played
    int hits = 0;                  // that lie on the grid

    SwungGrid swung() const { return {grid, swing.value_or(evenSwing)}; }
    // How late a step is played as a rule; none where nothing is known of its place.
    std::optional<Seconds> offsetAt(std::int64_t step) const;
    int stepsInBar() const;
    bool operator==(const Feel&) const = default;
};

// The beginning of a sound, by the recording's own beats.
struct FeelHit {
    Beats at;        // from the first downbeat
    Seconds perBeat; // there
    double strength = 1;
};

inline constexpr int fewestFeelHits = 8;

// The subdivision that explains the hits best: of each, with each swing and several loosenesses, how likely the
// hits are; a finer one has more places, each less likely, so that what is played in eighths is read in eighths.
// Then, by weighted medians: the swing, as the place of the second of each pair against the first; the offset of
// every place of the bar; and the spread around these, robustly. Swing as the place of the second of each pair
// after Friberg & Sundström, "Swing Ratios and Ensemble Timing in Jazz Performance", Music Perception 2002; the
// robust spread by medians is common practice (both from memory). `grid`: the one to be read in; none: it is found.
// Fails with why nothing can be said, as a clause: "only 3 hits lie on its beats". Any thread; a thousand hits take
// about ten milliseconds.
base::Result<Feel> feelOf(const std::vector<FeelHit>& hits, metre::Metre metre,
                          std::optional<FeelGrid> grid = std::nullopt);

} // namespace hear
