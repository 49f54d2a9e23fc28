#include "project/played.h"

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

std::vector<PlayedBeat> playedBeats(const Source& source) {
    std::vector<PlayedBeat> list;
    if (!source.beats) return list;
    const std::vector<Seconds> onsets = countedOnsets(source);
    const double hair = 1e-6;
    const double first = std::ceil(source.beats->beatAt(Seconds(0)).value - hair);
    const double last = std::floor(source.beats->beatAt(source.length()).value + hair);
    if (last < first) return list;
    list.reserve(static_cast<std::size_t>(last - first) + 1);
    for (double b = first; b <= last; ++b) {
        PlayedBeat played{Beats(b), source.beats->secondsAt(Beats(b))};
        const double near = 60 / source.beats->tempoAt(Beats(b)).value / 8;
        const auto after = std::lower_bound(onsets.begin(), onsets.end(), played.at);
        double distance = near;
        for (auto o = after == onsets.begin() ? after : after - 1; o != onsets.end() && o <= after; ++o)
            if (const double d = std::abs((*o - source.beats->secondsAt(Beats(b))).value); d < distance) {
                distance = d;
                played.at = *o;
                played.on = true;
            }
        list.push_back(played);
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
