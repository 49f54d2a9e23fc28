#include "deliver/source_tags.h"

#include <algorithm>

namespace deliver {

std::optional<SourceTags> tagsOf(const project::Source& source) {
    if (!source.beats) return std::nullopt;
    SourceTags out;
    out.tags.bpm = out.loop.bpm = source.beats->meanTempo();
    if (source.key) {
        out.tags.key = hear::keyTag(*source.key);
        out.loop.rootNote = 60 + source.key->root;
    }
    const auto frameAt = [&](metre::Beats beat) {
        const metre::Seconds at = std::clamp(source.beats->secondsAt(beat), metre::Seconds(0), source.length());
        return metre::toFrames(at, source.facts.rate);
    };
    if (const auto beats = source.wholeBeats()) {
        out.tags.beats = out.loop.beats = *beats;
        out.loop.loop = {frameAt(metre::Beats(0)), frameAt(metre::Beats(*beats))};
    }
    return out;
}

} // namespace deliver
