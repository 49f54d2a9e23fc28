#include "project/laid.h"

#include "base/utf8.h"
#include "project/timing.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace project {

namespace {

constexpr double halfAFrame = 0.5;

// The project beats, within (from, to), at which the line between source and output bends.
std::vector<Beats> bendsOf(const std::vector<Beats>& ofTempo, const metre::BeatMap& beats, Beats at, Beats from,
                           Beats to) {
    std::vector<Beats> list;
    // Before the first pin and after the last the line runs straight on.
    const auto& pins = beats.pins();
    const auto firstPin = std::partition_point(pins.begin() + 1, pins.end() - 1,
                                               [&](const metre::Pin& pin) { return at + pin.beat <= from; });
    for (auto pin = firstPin; pin < pins.end() - 1 && at + pin->beat < to; ++pin)
        list.push_back(at + pin->beat);
    const auto middle = static_cast<std::ptrdiff_t>(list.size());
    const auto first = std::upper_bound(ofTempo.begin(), ofTempo.end(), from);
    const auto last = std::lower_bound(first, ofTempo.end(), to);
    list.insert(list.end(), first, last);
    std::inplace_merge(list.begin(), list.begin() + middle, list.end());
    list.erase(std::unique(list.begin(), list.end()), list.end());
    return list;
}

struct Layer {
    const Project& p;
    const std::vector<Beats>& bends;

    Frames frameAt(Beats b) const { return metre::toFrames(p.tempo.secondsAt(b), p.rate); }
    Frames sourceFrame(Seconds s) const { return metre::toFrames(s, p.rate); }

    Result<metre::TimeMap> mapOf(const Timing& t, const Source& source, const Clip& clip) const {
        const metre::TimePoint first{sourceFrame(clip.from), Frames(0)};
        const metre::TimePoint last{sourceFrame(clip.to), t.length};
        if (!t.stretched) return metre::TimeMap::make({first, last});
        std::vector<metre::TimePoint> points{first};
        for (const Beats b : bendsOf(bends, *source.beats, clip.at, t.start, t.end)) {
            const metre::TimePoint m{sourceFrame(source.beats->secondsAt(b - clip.at)), frameAt(b) - t.startFrame};
            // Two bends within a frame of each other are one.
            const bool apart = m.source > points.back().source && m.output > points.back().output &&
                               m.source < last.source && m.output < last.output;
            if (apart) points.push_back(m);
        }
        points.push_back(last);
        return metre::TimeMap::make(std::move(points));
    }

    // The project's tempo over a clip, where it is one.
    std::optional<Bpm> steadyTempo(const Timing& t) const {
        const auto& points = p.tempo.points();
        auto point = std::partition_point(points.begin(), points.end(),
                                          [&](const metre::TempoPoint& x) { return x.at <= t.start; });
        for (; point != points.end() && point->at < t.end; ++point)
            if (point->bpm != t.tempo) return std::nullopt;
        // A ramp that runs through the clip shows at its end.
        const Bpm last = p.tempo.tempoAt(t.end - Beats(1e-6));
        return std::abs(last.value - t.tempo.value) < 1e-6 ? std::optional(t.tempo) : std::nullopt;
    }

    Timing timingOf(const Clip& clip, const Source* source) const {
        Timing t;
        t.stretched = isStretched(clip, source);
        t.start = startOf(p.tempo, clip, source);
        t.end = endOf(p.tempo, clip, source);
        t.startFrame = frameAt(t.start);
        t.length = t.stretched ? frameAt(t.end) - t.startFrame : sourceFrame(clip.to) - sourceFrame(clip.from);
        t.tempo = p.tempo.tempoAt(t.start);
        t.steadyTempo = steadyTempo(t);
        if (source == nullptr) {
            t.problem = "The clip's source is no longer in the project.";
            return t;
        }
        if (!source->sound) {
            t.problem =
                fmt::format("{} is missing: {} was not found.", source->name, base::shownPath(source->file));
            return t;
        }
        auto map = mapOf(t, *source, clip);
        if (!map) {
            t.problem = fmt::format("{} cannot be fitted. {}", source->name, map.error().text);
            return t;
        }
        stretch::Settings settings = clip.stretch;
        if (!t.stretched) settings.loop = false;
        t.job = jobOf(*source, std::move(*map), settings);
        return t;
    }
};

// Whether what a clip's timing rests on is the same in both.
bool sameTiming(const Clip& a, const Clip& b) {
    return a.source == b.source && a.at == b.at && a.from == b.from && a.to == b.to && a.rule == b.rule &&
           a.stretch == b.stretch;
}

Chain chainOf(const Clip& clip, const Track& track, bool anySolo) {
    return {!track.mute && (!anySolo || track.solo),
            clip.gainDb,
            track.gainDb,
            track.pan,
            clip.channels,
            clip.fadeIn,
            clip.fadeOut};
}

} // namespace

std::span<const LaidClip> Laid::onTrack(std::size_t index) const {
    if (index + 1 >= clips_->trackBegins.size()) return {};
    return std::span(clips_->list)
        .subspan(clips_->trackBegins[index], clips_->trackBegins[index + 1] - clips_->trackBegins[index]);
}

const LaidClip* Laid::find(ClipId id) const {
    const auto at = clips_->places.find(id.value);
    return at == clips_->places.end() ? nullptr : &clips_->list[at->second];
}

LaidPtr lay(const Project& p, const LaidPtr& before) {
    auto out = std::make_shared<Laid>();
    out->project_ = p;
    const bool sameTempo = before && before->project_.rate == p.rate && before->project_.tempo == p.tempo;
    out->bends_ =
        sameTempo
            ? before->bends_
            : std::make_shared<const std::vector<Beats>>(p.tempo.bends(Beats(1e12), Seconds(halfAFrame / p.rate)));
    if (sameTempo && before->project_.tracks == p.tracks && before->project_.sources == p.sources) {
        out->clips_ = before->clips_;
        return out;
    }
    std::unordered_map<std::int64_t, SourcePtr> sources;
    for (const SourcePtr& s : p.sources)
        sources.emplace(s->id.value, s);
    const Layer layer{p, *out->bends_};
    const bool anySolo = std::any_of(p.tracks.begin(), p.tracks.end(), [](const TrackPtr& t) { return t->solo; });
    auto clips = std::make_shared<Laid::Clips>();
    for (std::size_t i = 0; i < p.tracks.size(); ++i) {
        clips->trackBegins.push_back(clips->list.size());
        for (const Clip& clip : p.tracks[i]->clips) {
            LaidClip laid;
            laid.track = p.tracks[i];
            laid.trackIndex = i;
            laid.clip = &clip;
            if (const auto found = sources.find(clip.source.value); found != sources.end())
                laid.source = found->second;
            const LaidClip* old = sameTempo ? before->find(clip.id) : nullptr;
            if (old != nullptr && old->source == laid.source && sameTiming(*old->clip, clip)) {
                laid.timing = old->timing;
            } else {
                laid.timing = std::make_shared<const Timing>(layer.timingOf(clip, laid.source.get()));
                ++out->laidAnew_;
            }
            laid.rule = laid.timing->stretched ? TimeRule::Stretch : TimeRule::Place;
            laid.ruleFrom = laid.rule == clip.rule ? RuleFrom::Clip : RuleFrom::Source;
            laid.chain = chainOf(clip, *p.tracks[i], anySolo);
            clips->end = std::max(clips->end, laid.timing->end);
            clips->places.emplace(clip.id.value, clips->list.size());
            clips->list.push_back(std::move(laid));
        }
    }
    clips->trackBegins.push_back(clips->list.size());
    out->clips_ = std::move(clips);
    return out;
}

} // namespace project
