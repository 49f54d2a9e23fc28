#include "stretch/sung.h"

#include "stretch/vocoder.h"

namespace stretch {

Result<Audio> renderSung(const Material& material, const TimeMap& map, double formantsAgainst,
                         const Progress& progress) {
    // Short enough for formants to pass through as they are, long enough to part the harmonics of a low voice.
    const double window = formantsAgainst == 1 ? 0.085 : 0.043;
    return vocode(material, map, {window, formantsAgainst, true}, progress);
}

} // namespace stretch
