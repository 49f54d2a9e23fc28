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

double gentlePercent(stretch::Method method) {
    switch (method) {
    case stretch::Method::Struck:
        return 18;
    case stretch::Method::Blend:
        return 12;
    default:
        return 9;
    }
}

Strain strainOf(const project::LaidClip& clip) {
    if (!clip.time().stretched) return {};
    const metre::Bpm own = clip.source->beats->meanTempo();
    const metre::Bpm becomes = clip.time().tempo;
    Strain s{100.0 * (own.value / becomes.value - 1.0), becomes.value - own.value, Verdict::Untouched};
    const double far = std::abs(s.percent);
    const double gentle = gentlePercent(clip.clip->stretch.method);
    if (far >= 0.05)
        s.verdict = far <= gentle ? Verdict::Gentle : far <= 2 * gentle ? Verdict::Firm : Verdict::Hard;
    return s;
}

} // namespace prove
