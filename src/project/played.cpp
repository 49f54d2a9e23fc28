#include "project/played.h"

#include "project/pins.h"

#include <algorithm>
#include <cmath>

namespace project {

std::vector<Seconds> countedOnsets(const Source& source) {
    std::vector<Seconds> list;
    if (!source.sound) return list;
    const std::vector<Frames> starts = sliceStarts(*source.sound, source.sensitivity);
    list.reserve(starts.size());
    for (const Frames at : starts)
        list.push_back(metre::toSeconds(at, source.sound->audio.rate));
    return list;
}

std::optional<Seconds> nearest(const std::vector<Seconds>& moments, Seconds at, Seconds reach) {
    const auto after = std::lower_bound(moments.begin(), moments.end(), at);
    std::optional<Seconds> best;
    for (auto m = after == moments.begin() ? after : after - 1; m != moments.end() && m <= after; ++m) {
        const Seconds distance(std::abs((*m - at).value));
        if (distance > reach) continue;
        reach = distance;
        best = *m;
    }
    return best;
}

std::vector<PlayedBeat> playedBeats(const Source& source, const std::vector<Seconds>& onsets) {
    std::vector<PlayedBeat> list;
    if (!source.beats) return list;
    const std::vector<metre::Pin> beats = beatsOf(source);
    if (beats.empty()) return list;
    list.reserve(beats.size());
    for (const metre::Pin& beat : beats) {
        const auto onset = nearest(onsets, beat.at, Seconds(60 / source.beats->tempoAt(beat.beat).value / 8));
        list.push_back({beat.beat, onset.value_or(beat.at), Bpm(120), onset.has_value()});
    }
    for (std::size_t i = 0; i + 1 < list.size(); ++i)
        list[i].bpm = Bpm(60 / (list[i + 1].at - list[i].at).value);
    if (list.size() > 1)
        list.back().bpm = list[list.size() - 2].bpm;
    else
        list.back().bpm = source.beats->tempoAt(list.back().beat);
    return list;
}

} // namespace project
