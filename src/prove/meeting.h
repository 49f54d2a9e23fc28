// The project tempo at which several recordings together are strained least.
#pragma once

#include "prove/strain.h"

#include <optional>
#include <string>
#include <vector>

namespace prove {

using metre::Bpm;

// A recording that is to be stretched.
struct Strained {
    Bpm bpm;
    stretch::Method method = stretch::Method::Struck;
    // Whether it may count as half or double its tempo. What is locked or leads may not.
    bool octaves = true;
    bool operator==(const Strained&) const = default;
};

// Between which tempos the meeting tempo is looked for.
struct TempoSpan {
    Bpm low{60};
    Bpm high{200};
    bool operator==(const TempoSpan&) const = default;
};

// Its own tempo, or its half or double where that is nearer to `at` by the logarithm.
Bpm usedAt(const Strained& s, Bpm at);

// How much they are strained together at a tempo, in per cent: the root of the mean of the squares of
// ln(used tempo / tempo), each weighted by 1 / (what its method bears)², so that drums count less than held sounds.
// 0 for none. REQUIRES at > 0.
double strainTogether(const std::vector<Strained>& all, Bpm at, const Comfort& comfort = {});

// Where strainTogether() is least within the span: exactly, since it is a parabola over the logarithm of the tempo
// between any two places where a recording changes to its half or double, and the lowest points of all of these are
// compared. Of equally good ones that at which fewest count as half or double, and of these the one nearest to
// `preferred`. None for no recordings. REQUIRES 0 < low <= high. Ours; least squares of logarithms because a tempo
// twice as fast is as far as one half as fast, and because one hard strain is worse than several gentle ones.
std::optional<Bpm> meetingTempo(const std::vector<Strained>& all, TempoSpan span = {}, const Comfort& comfort = {},
                                Bpm preferred = Bpm(110));

// A source of a project, as it counts.
struct StrainedSource {
    project::SourceId id;
    std::string name;
    Strained strained;
    int tint = 0; // as its first clip is drawn
};
struct LeftOut {
    project::SourceId id;
    std::string name;
    std::string why; // "no tempo", "one hit", "not placed", "not stretched"
};
struct StrainedSources {
    std::vector<StrainedSource> in; // in the project's order
    std::vector<LeftOut> out;
    std::vector<Strained> strained() const;
};

// Those sources that have beats and of which a clip follows the project's tempo; each by the method of the first
// such clip. The others are left out, and why. Any thread; quick.
StrainedSources strainedSources(const project::Laid& laid);
// Of those that are not left out, the strain alone. Any thread; quicker.
std::vector<Strained> strainedIn(const project::Laid& laid);

// A project at the tempo where its sources meet, as it is shown: to a tenth. Those that count as half or double
// there do so.
struct Met {
    project::Project project;
    Bpm bpm;
    int scaled = 0;   // how many count as half or double from now on
    double worst = 0; // the hardest strain of one, in per cent
};
// Fails, in a sentence, where nothing is stretched, and as the edits do. Any thread; quick.
base::Result<Met> meet(const project::Laid& laid, const Comfort& comfort);

} // namespace prove
