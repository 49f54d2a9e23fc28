#include "deliver/file_tags.h"

#include <algorithm>

namespace deliver {

FileTags tagsSaying(const Music& music) {
    FileTags out;
    out.tags.bpm = out.loop.bpm = music.bpm;
    out.tags.beats = out.loop.beats = music.beats;
    out.loop.loop = music.loop;
    if (music.key) {
        constexpr int middleC = 60;
        out.tags.key = hear::keyTag(*music.key);
        out.loop.rootNote = middleC + music.key->root;
    }
    return out;
}

std::optional<FileTags> tagsOf(const project::Source& source) {
    if (!source.beats) return std::nullopt;
    Music music{source.beats->meanTempo(), source.key};
    const auto frameAt = [&](metre::Beats beat) {
        const metre::Seconds at = std::clamp(source.beats->secondsAt(beat), metre::Seconds(0), source.length());
        return metre::toFrames(at, source.facts.rate);
    };
    if (const auto beats = source.wholeBeats()) {
        music.beats = *beats;
        music.loop = {frameAt(metre::Beats(0)), frameAt(metre::Beats(*beats))};
    }
    return tagsSaying(music);
}

} // namespace deliver
