#include "app/bench/rails_scene.h"

#include "project/edit_clips.h"

#include <algorithm>
#include <cmath>

namespace app {

double linesPerBeat(EyeGrid grid) {
    switch (grid) {
    case EyeGrid::Quarters:
        return 1;
    case EyeGrid::Eighths:
        return 2;
    case EyeGrid::Triplets:
        return 3;
    case EyeGrid::Sixteenths:
        break;
    }
    return 4;
}

RailsScene::RailsScene(const project::LaidPtr& laid, project::SourcePtr source, std::optional<project::ClipId> clip)
    : laid_(laid), source_(std::move(source)), pins_(project::pinsOf(*source_)),
      onsets_(project::countedOnsets(*source_)), played_(project::playedBeats(*source_, onsets_)) {
    if (source_->sound)
        for (const metre::Frames at : source_->sound->attacks)
            allOnsets_.push_back(metre::toSeconds(at, source_->sound->audio.rate));
    if (clip) clip_ = laid_->find(*clip);
    placed_ = clip_ != nullptr;
    if (placed_) return;
    const auto placed = project::place(laid_->project(), source_->id, {}, Beats(0));
    if (!placed) return;
    laid_ = project::lay(placed->project, laid);
    clip_ = laid_->find(placed->id);
}

Seconds RailsScene::heardAt(Seconds recorded) const {
    if (!isHeard()) return recorded;
    const int rate = project().rate;
    const project::Timing& time = clip_->time();
    const project::Part& part = time.parts.front();
    const double output = part.job->map.outputAt(recorded.value * rate);
    return Seconds((output + static_cast<double>((time.startFrame + part.at - part.from).value)) / rate);
}

std::optional<Seconds> RailsScene::heardLooselyAt(Seconds recorded) const {
    if (!isHeard() || clip_->clip->tighten.percent == 0 || !clip_->time().stretched || !clip_->source->beats)
        return std::nullopt;
    const Beats beat = clip_->source->fitted().beatAt(recorded);
    const metre::TempoMap& tempo = project().tempo;
    if (clip_->time().follows) return tempo.secondsAt(clip_->clip->at + beat);
    return tempo.secondsAt(clip_->clip->at) + Seconds(beat.value * 60 / clip_->time().tempo.value);
}

Seconds RailsScene::recordedAt(Seconds heard) const {
    if (!isHeard()) return heard;
    const int rate = project().rate;
    const project::Timing& time = clip_->time();
    const project::Part& part = time.parts.front();
    return Seconds(part.job->map.sourceAt(heard.value * rate -
                                          static_cast<double>((time.startFrame + part.at - part.from).value)) /
                   rate);
}

Beats RailsScene::sourceBeatAt(Seconds heard) const {
    if (clip_ != nullptr && clip_->time().follows) {
        // The recording's own beats, where the clip counts as another tempo.
        const double counts = clip_->clip->countsAs ? clip_->clip->countsAs->value / beats().meanTempo().value : 1;
        return Beats((project().tempo.beatAt(heard) - clip_->clip->at).value / counts);
    }
    return beats().beatAt(recordedAt(heard));
}

std::optional<Seconds> RailsScene::onsetNear(Seconds at, Seconds reach) const {
    return project::nearest(onsets_, at, reach);
}

std::optional<Seconds> RailsScene::onsetFrom(Seconds at, bool forward) const {
    const Seconds hair(1e-6);
    if (forward) {
        const auto after = std::upper_bound(onsets_.begin(), onsets_.end(), at + hair);
        return after == onsets_.end() ? std::nullopt : std::optional(*after);
    }
    const auto there = std::lower_bound(onsets_.begin(), onsets_.end(), at - hair);
    return there == onsets_.begin() ? std::nullopt : std::optional(*(there - 1));
}

std::optional<Seconds> RailsScene::crossingNear(Seconds at, Seconds reach) const {
    if (!source_->sound || source_->sound->audio.channels.empty()) return std::nullopt;
    const sound::Audio& audio = source_->sound->audio;
    const auto& samples = audio.channels.front();
    const std::int64_t middle = metre::toFrames(at, audio.rate).value;
    const std::int64_t far = std::max<std::int64_t>(1, metre::toFrames(reach, audio.rate).value);
    const auto size = static_cast<std::int64_t>(samples.size());
    const auto crosses = [&](std::int64_t i) {
        if (i < 1 || i >= size) return false;
        const float before = samples[static_cast<std::size_t>(i - 1)];
        const float now = samples[static_cast<std::size_t>(i)];
        return (before < 0) != (now < 0);
    };
    for (std::int64_t d = 0; d <= far; ++d)
        for (const std::int64_t i : {middle - d, middle + d})
            if (crosses(i)) return metre::toSeconds(metre::Frames(i), audio.rate);
    return std::nullopt;
}

std::optional<RailsScene::Miss> RailsScene::missOf(Seconds recorded, EyeGrid grid) const {
    if (!isHeard() || !clip_->time().stretched || !clip_->time().follows) return std::nullopt;
    const Seconds heard = heardAt(recorded);
    const double lines = linesPerBeat(grid);
    const Beats line(std::round(project().tempo.beatAt(heard).value * lines) / lines);
    return Miss{(heard - project().tempo.secondsAt(line)).value * 1000, line};
}

} // namespace app
