#include "project/timing.h"

namespace project {

bool isStretched(const Clip& clip, const Source* source) {
    return clip.rule == TimeRule::Stretch && source != nullptr && source->beats;
}

Beats startOf(const metre::TempoMap& tempo, const Clip& clip, const Source* source) {
    if (isStretched(clip, source)) return clip.at + source->beats->beatAt(clip.from);
    const Seconds downbeat = source != nullptr && source->beats ? source->beats->secondsAt(Beats(0)) : Seconds(0);
    return tempo.beatAt(tempo.secondsAt(clip.at) + clip.from - downbeat);
}

Beats endOf(const metre::TempoMap& tempo, const Clip& clip, const Source* source) {
    if (isStretched(clip, source)) return clip.at + source->beats->beatAt(clip.to);
    return tempo.beatAt(tempo.secondsAt(startOf(tempo, clip, source)) + (clip.to - clip.from));
}

bool isStretched(const Project& p, const Clip& clip) {
    return isStretched(clip, sourceOf(p, clip.source).get());
}
Beats startOf(const Project& p, const Clip& clip) {
    return startOf(p.tempo, clip, sourceOf(p, clip.source).get());
}
Beats endOf(const Project& p, const Clip& clip) {
    return endOf(p.tempo, clip, sourceOf(p, clip.source).get());
}

} // namespace project
