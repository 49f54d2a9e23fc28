#include "prove/strain.h"

#include <cmath>

namespace prove {

const char* verdictWord(Verdict v) {
    switch (v) {
    case Verdict::Gentle:
        return "gentle";
    case Verdict::Firm:
        return "firm";
    case Verdict::Hard:
        return "hard";
    case Verdict::Untouched:
        break;
    }
    return "untouched";
}

Strain strainOf(metre::Bpm own, metre::Bpm becomes, stretch::Method method, const Comfort& comfort) {
    Strain s{100.0 * (own.value / becomes.value - 1.0), becomes.value - own.value, Verdict::Untouched};
    const double far = std::abs(s.percent);
    const double gentle = comfort.of(method);
    if (far >= 0.05)
        s.verdict = far <= gentle ? Verdict::Gentle : far <= 2 * gentle ? Verdict::Firm : Verdict::Hard;
    return s;
}

Strain strainOf(const project::LaidClip& clip, const Comfort& comfort) {
    if (!clip.time().stretched) return {};
    return strainOf(clip.source->beats->meanTempo(), clip.time().tempo, clip.clip->stretch.method, comfort);
}

} // namespace prove
