#include "stretch/blend.h"

#include "stretch/parts.h"
#include "stretch/struck.h"
#include "stretch/vocoder.h"

namespace stretch {

Result<Audio> renderBlend(const Material& material, const TimeMap& map, double formantsAgainst,
                          const Progress& progress) {
    const Parts parts = parted(material.audio, progress.part(0, 0.4));
    if (progress.stopped()) return metre::cancelled();
    auto out =
        vocode({parts.lasting, material.attacks}, map, {0.17, formantsAgainst, true}, progress.part(0.4, 0.8));
    if (!out) return out;
    const auto struck = renderStruck({parts.striking, material.attacks}, map, progress.part(0.8, 1));
    if (!struck) return struck;
    for (std::size_t c = 0; c < out->channels.size(); ++c)
        for (std::size_t i = 0; i < out->channels[c].size(); ++i)
            out->channels[c][i] += struck->channels[c][i];
    return out;
}

} // namespace stretch
