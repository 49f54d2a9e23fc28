#include "stretch/held.h"

#include "stretch/vocoder.h"

namespace stretch {

Result<Audio> renderHeld(const Material& material, const TimeMap& map, double formantsAgainst,
                         const Progress& progress) {
    return vocode(material, map, {0.17, formantsAgainst, true}, progress);
}

} // namespace stretch
