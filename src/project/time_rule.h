// The time rules: what a clip does when project time changes. One entry each, from which everything else follows:
// how it is laid out (timing.h, laid.h), its words in files and on the screen, what may be done with it.
#pragma once

#include <algorithm>
#include <array>

namespace project {

enum class TimeRule { Stretch, Slices, Place, Fixed };

struct TimeRuleEntry {
    TimeRule rule;
    const char* word;  // in files, and in the names of commands
    const char* label; // on the screen, to be translated
    const char* does;  // a sentence, to be translated
    bool needsBeats;   // it fills its beats: without beats it can only be placed
    bool isCut;        // at its onsets, each piece at its place and as long as it was recorded, by no method
    bool keepsSeconds; // it stays where it is in seconds, and not in beats
};

inline constexpr std::array timeRules{
    TimeRuleEntry{TimeRule::Stretch, "stretch", "Stretch", "Fills its beats at every tempo", true, false, false},
    TimeRuleEntry{TimeRule::Slices, "slices", "Slices",
                  "Cut at its onsets: each piece goes to its place and keeps its length", true, true, false},
    TimeRuleEntry{TimeRule::Place, "place", "Place", "Starts on its beat; the length stays as recorded", false,
                  false, false},
    TimeRuleEntry{TimeRule::Fixed, "fixed", "Fixed", "Keeps its seconds, whatever the tempo does", false, false,
                  true},
};

constexpr const TimeRuleEntry& entryOf(TimeRule rule) {
    return *std::find_if(timeRules.begin(), timeRules.end(),
                         [rule](const TimeRuleEntry& e) { return e.rule == rule; });
}

} // namespace project
