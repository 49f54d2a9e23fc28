// The pins of a source: which moment of it is which beat, and what is known of each.
#pragma once

#include "project/project.h"

namespace project {

struct SourcePin {
    Seconds at;
    Beats beat;
    bool byHand = false; // else it was heard
    bool locked = false;
    std::string name{};
    // Only listening speaks of it: it gives way to what somebody says.
    bool isPlain() const { return !byHand && !locked && name.empty(); }
    bool operator==(const SourcePin&) const = default;
};

// Whether a pin lies on a beat, to a millionth.
bool hasPinAt(const metre::BeatMap& map, Beats beat);
// Whether the source runs at one tempo: it has two pins at most, or only such as its reading put on one line.
bool isSteady(const Source& source);

// The pins of a source, by place. Those of a steady reading say nothing but its line, and stand at the first
// downbeat and at the end of its beats. Empty where no beat is known.
std::vector<SourcePin> pinsOf(const Source& source);

// The whole beats of a source, so far apart, counted from beat 0, as far as its recording reaches. REQUIRES beats,
// and step > 0.
std::vector<metre::Pin> beatsOf(const Source& source, Beats step = Beats(1));

// Gives a source these pins, and notes of what is more than heard. Fails when they do not follow each other in
// both, or when there are fewer than two.
Result<void> setPins(Source& source, std::vector<SourcePin> pins);

// A reading's beats, bent so that they pass through pins that were set by hand. Of a steady reading one such pin
// moves the line, two or more are the line. Of a free one each pin keeps its moment and its beat, and what was
// heard between them stays where it agrees with them on how many beats that is. REQUIRES `hand` by place.
metre::BeatMap through(const metre::BeatMap& heard, const std::vector<SourcePin>& hand);

// The pins that listening does not take away: those that were set by hand, locked or named.
std::vector<SourcePin> keptPins(const Source& source);
// Gives a source the beats of a reading, bent through pins that are kept.
void takeBeats(Source& source, const metre::BeatMap& heard, const std::vector<SourcePin>& kept);

// The named pins of a project's clips, with its sections, as places of the project: each once, by place.
std::vector<Section> sectionsOf(const Project& p);

} // namespace project
