#include "mix/mixer.h"

#include <algorithm>
#include <cmath>

namespace mix {

namespace {

// Adds frames [begin, end) of a clip that has neither fade nor ramp there.
void addPlain(const SceneClip& clip, std::int64_t from, std::int64_t begin, std::int64_t end, float* out) {
    const float* left = clip.audio->channels.front().data() - clip.at.value;
    const float* right = clip.audio->channels.back().data() - clip.at.value;
    const Gains& g = clip.gains;
    if (g.leftFromRight == 0 && g.rightFromLeft == 0) {
        for (std::int64_t i = begin; i < end; ++i) {
            out[2 * (i - from)] += g.leftFromLeft * left[i];
            out[2 * (i - from) + 1] += g.rightFromRight * right[i];
        }
        return;
    }
    for (std::int64_t i = begin; i < end; ++i) {
        out[2 * (i - from)] += g.leftFromLeft * left[i] + g.leftFromRight * right[i];
        out[2 * (i - from) + 1] += g.rightFromLeft * left[i] + g.rightFromRight * right[i];
    }
}

void addShaped(const SceneClip& clip, std::int64_t from, std::int64_t begin, std::int64_t end, const Ramp& ramp,
               float* out) {
    const float* left = clip.audio->channels.front().data() - clip.at.value;
    const float* right = clip.audio->channels.back().data() - clip.at.value;
    const Gains& g = clip.gains;
    const std::int64_t start = clip.clipStart.value;
    const std::int64_t last = start + clip.clipLength.value;
    for (std::int64_t i = begin; i < end; ++i) {
        float factor = ramp.from + ramp.step * static_cast<float>(i - from);
        factor *= fadeFactor(clip.fadeInShape, i - start, clip.fadeIn.value);
        factor *= fadeFactor(clip.fadeOutShape, last - i, clip.fadeOut.value);
        if (i - clip.from.value < clip.rise.value)
            factor *= (static_cast<float>(i - clip.from.value) + 0.5F) / static_cast<float>(clip.rise.value);
        if (clip.to.value - i <= clip.fall.value)
            factor *= (static_cast<float>(clip.to.value - i) - 0.5F) / static_cast<float>(clip.fall.value);
        out[2 * (i - from)] += factor * (g.leftFromLeft * left[i] + g.leftFromRight * right[i]);
        out[2 * (i - from) + 1] += factor * (g.rightFromLeft * left[i] + g.rightFromRight * right[i]);
    }
}

void addClip(const SceneClip& clip, std::int64_t from, int n, const Take& take, float* out) {
    const std::int64_t begin = std::max(from, clip.begins().value);
    const std::int64_t end = std::min(from + n, clip.ends().value);
    if (begin >= end) return;
    const std::int64_t start = clip.clipStart.value;
    const std::int64_t last = start + clip.clipLength.value;
    const bool across = start < take.edge && take.edge < last;
    if (take.which == Take::Which::Across && !across) return;
    const bool ramped = take.which == Take::Which::All || across;
    const Ramp ramp = ramped ? take.ramp : Ramp{};
    // Most frames of most clips lie in no fade.
    const std::int64_t plainFrom =
        std::clamp(std::max(start + clip.fadeIn.value, clip.from.value + clip.rise.value), begin, end);
    const std::int64_t plainTo =
        std::clamp(std::min(last - clip.fadeOut.value, clip.to.value - clip.fall.value), plainFrom, end);
    if (!(ramp == Ramp{})) {
        addShaped(clip, from, begin, end, ramp, out);
        return;
    }
    addShaped(clip, from, begin, plainFrom, ramp, out);
    addPlain(clip, from, plainFrom, plainTo, out);
    addShaped(clip, from, plainTo, end, ramp, out);
}

} // namespace

void addClick(const Scene& s, const Click& click, std::int64_t from, float* out, int n, const Take& take) {
    const auto length = static_cast<std::int64_t>(click.accented.size());
    const Beats first = s.tempo.beatAt(metre::toSeconds(Frames(from - length), s.rate));
    const Beats end = s.tempo.beatAt(metre::toSeconds(Frames(from + n), s.rate));
    for (int bar = s.metre.barAt(first); s.metre.startOfBar(bar) < end; ++bar) {
        const Beats start = s.metre.startOfBar(bar);
        const metre::Metre m = s.metre.metreAt(start);
        for (int beat = 0; beat < m.beats; ++beat) {
            const std::int64_t at = metre::toFrames(s.tempo.secondsAt(start + m.counted() * beat), s.rate).value;
            const bool across = at < take.edge && take.edge < at + length;
            if (take.which == Take::Which::Across && !across) continue;
            const bool ramped = take.which == Take::Which::All || across;
            const std::vector<float>& sound = beat == 0 ? click.accented : click.plain;
            const std::int64_t to = std::min<std::int64_t>(n, at - from + length);
            for (std::int64_t i = std::max<std::int64_t>(0, at - from); i < to; ++i) {
                float sample = s.clickGain * sound[static_cast<std::size_t>(from + i - at)];
                if (ramped) sample *= take.ramp.from + take.ramp.step * static_cast<float>(i);
                out[2 * i] += sample;
                out[2 * i + 1] += sample;
            }
        }
    }
}

namespace {

constexpr int chunk = 256; // frames that are summed up track by track

bool sounds(const SceneClip& clip, std::int64_t from, int n) {
    return clip.begins().value < from + n && clip.ends().value > from;
}

// The end of the clips of the track of the i-th.
std::size_t endOfTrack(const Scene& scene, std::size_t i) {
    const auto& clips = scene.clips;
    const auto end = std::upper_bound(clips.begin() + static_cast<std::ptrdiff_t>(i), clips.end(), clips[i].track,
                                      [](std::size_t track, const SceneClip& c) { return track < c.track; });
    return static_cast<std::size_t>(end - clips.begin());
}

// Of the clips [i, end) of a track, those that can sound in frames [from, from + n).
std::pair<std::size_t, std::size_t> sounding(const Scene& scene, std::size_t i, std::size_t end, std::int64_t from,
                                             int n) {
    if (scene.reaches.size() != scene.clips.size()) return {i, end};
    const auto begin = scene.reaches.begin() + static_cast<std::ptrdiff_t>(i);
    const auto stop = scene.reaches.begin() + static_cast<std::ptrdiff_t>(end);
    const auto first = std::partition_point(begin, stop, [&](const Scene::Reach& r) { return r.farthest <= from; });
    const auto last = std::partition_point(first, stop, [&](const Scene::Reach& r) { return r.begins < from + n; });
    return {static_cast<std::size_t>(first - scene.reaches.begin()),
            static_cast<std::size_t>(last - scene.reaches.begin())};
}

// Two ramps at once, exact at both ends of n frames.
Ramp both(const Ramp& a, const Ramp& b, int n) {
    if (a == Ramp{}) return b;
    if (b == Ramp{}) return a;
    const float frames = static_cast<float>(n);
    const float from = a.from * b.from;
    return {from, ((a.from + a.step * frames) * (b.from + b.step * frames) - from) / frames};
}

// How a guest's clips are taken; none where it is not its turn.
std::optional<Take> takeOf(const Take& take, std::int64_t guest, int n) {
    if (guest == 0) return take;
    if (guest != take.guests.now && guest != take.guests.left) return std::nullopt;
    const Ramp& own = guest == take.guests.now ? take.guests.rise : take.guests.fall;
    if (own == Ramp{}) return take;
    Take out = take;
    out.ramp = both(take.ramp, own, n);
    out.which = Take::Which::All;
    return out;
}

// Each track for itself, then all together.
void addTracks(const Scene& scene, std::int64_t from, float* out, int n, const Take& take, TrackPeaks* peaks) {
    std::array<float, std::size_t(2) * chunk> one{};
    const auto& clips = scene.clips;
    const bool arranged = scene.reaches.size() == clips.size();
    for (std::size_t i = 0; i < clips.size();) {
        const std::size_t track = clips[i].track;
        std::size_t end = i + 1;
        if (arranged)
            end = endOfTrack(scene, i);
        else
            while (end < clips.size() && clips[end].track == track)
                ++end;
        const auto [first, last] = sounding(scene, i, end, from, n);
        const std::int64_t guest = clips[i].guest;
        i = end;
        const std::optional<Take> here = takeOf(take, guest, n);
        if (!here) continue;
        bool any = false;
        for (std::size_t k = first; k < last; ++k) {
            if (!sounds(clips[k], from, n)) continue;
            if (!any) std::fill(one.begin(), one.begin() + static_cast<std::ptrdiff_t>(2) * n, 0.0F);
            any = true;
            addClip(clips[k], from, n, *here, one.data());
        }
        if (!any) continue;
        for (int k = 0; k < 2 * n; ++k)
            out[k] += one[static_cast<std::size_t>(k)];
        if (peaks == nullptr || (guest == 0 && track >= TrackPeaks::most)) continue;
        auto& peak = guest != 0 ? peaks->guests : peaks->of[track];
        for (int k = 0; k < 2 * n; ++k)
            peak[static_cast<std::size_t>(k) % 2] =
                std::max(peak[static_cast<std::size_t>(k) % 2],
                         std::abs(one[static_cast<std::size_t>(k)]) / scene.outputGain);
    }
}

} // namespace

void add(const Scene& scene, std::int64_t from, float* out, int n, const Take& take, TrackPeaks* peaks) {
    for (int done = 0; done < n; done += chunk) {
        const int part = std::min(chunk, n - done);
        Take here = take;
        for (Ramp* ramp : {&here.ramp, &here.guests.rise, &here.guests.fall})
            ramp->from += ramp->step * static_cast<float>(done);
        addTracks(scene, from + done, out + static_cast<std::ptrdiff_t>(2) * done, part, here, peaks);
    }
    if (scene.click) addClick(scene, *scene.click, from, out, n, take);
}

void mix(const Scene& scene, std::int64_t from, float* out, int n) {
    std::fill(out, out + static_cast<std::ptrdiff_t>(2) * n, 0.0F);
    add(scene, from, out, n);
}

} // namespace mix
