// How far a clip is stretched, and whether ears will notice.
#pragma once

#include "project/laid.h"

#include <array>

namespace prove {

enum class Verdict { Untouched, Gentle, Firm, Hard };

// "untouched", "gentle", "firm", "hard"
const char* verdictWord(Verdict v);

// Up to how many per cent of length each method is gentle; up to twice as many it is firm. The usual ones: about
// ±10 BPM around 110, drums twice that, held sounds less than a mix (common practice).
struct Comfort {
    static constexpr double least = 1; // per cent
    static constexpr double most = 50;
    std::array<double, stretch::methodTable.size()> percent = [] { // in the order of stretch::methods()
        std::array<double, stretch::methodTable.size()> usual{};
        for (std::size_t i = 0; i < usual.size(); ++i)
            usual[i] = stretch::methodTable[i].comfort;
        return usual;
    }();
    double of(stretch::Method method) const { return percent[static_cast<std::size_t>(method)]; }
    bool operator==(const Comfort&) const = default;
};

struct Strain {
    double percent = 0; // of length, where the clip begins: +7.7 is longer
    double bpm = 0;     // by how much its tempo changes there
    Verdict verdict = Verdict::Untouched;
    bool operator==(const Strain&) const = default;
};

// Of what is played at another tempo than its own. REQUIRES tempos > 0.
Strain strainOf(metre::Bpm own, metre::Bpm becomes, stretch::Method method, const Comfort& comfort = {});
// Of a clip that is not stretched: none. Any thread.
Strain strainOf(const project::LaidClip& clip, const Comfort& comfort = {});

} // namespace prove
