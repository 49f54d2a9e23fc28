// How far a clip is stretched, and whether ears will notice.
#pragma once

#include "project/laid.h"

namespace prove {

enum class Verdict { Untouched, Gentle, Firm, Hard };

// "untouched", "gentle", "firm", "hard"
const char* verdictWord(Verdict v);

struct Strain {
    double percent = 0; // of length, where the clip begins: +7.7 is longer
    double bpm = 0;     // by how much its tempo changes there
    Verdict verdict = Verdict::Untouched;
    bool operator==(const Strain&) const = default;
};

// Up to this many per cent a method is gentle; up to twice as many it is firm. About ±10 BPM around 110 is gentle,
// drums bear twice that, held sounds less than a mix (common practice).
double gentlePercent(stretch::Method method);

// Of a clip that is not stretched: none. Any thread.
Strain strainOf(const project::LaidClip& clip);

} // namespace prove
