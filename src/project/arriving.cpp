#include "project/arriving.h"

#include "project/edit_clips.h"
#include "project/settle.h"

namespace project {

bool isUnheard(const Source& source) {
    return source.sound && readingBy(source, hear::Witness::Heard) == nullptr;
}

void refit(Clip& clip, const Source& before, const Source& now) {
    const Clip was = wholeClip(before);
    const Clip fresh = wholeClip(now);
    if (clip.from != was.from || clip.to != was.to || clip.turn || clip.stretch.loop != was.stretch.loop) return;
    clip.to = fresh.to;
    clip.stretch.loop = fresh.stretch.loop;
    if (clip.stretch.method == was.stretch.method) clip.stretch.method = fresh.stretch.method;
    if (clip.rule == was.rule) clip.rule = fresh.rule;
}

Project withHeard(const Project& p, SourceId id, const Source& heard) {
    const SourcePtr before = sourceOf(p, id);
    if (!before || !isUnheard(*before)) return p; // a set was heard on its sum
    auto now = std::make_shared<Source>(*before);
    now->sound = heard.sound;
    now->window = heard.window;
    now->kind = heard.kind;
    const bool wasSaid = before->beats.has_value() || before->chosen.has_value();
    const std::vector<hear::Reading> said = now->readings;
    now->readings = heard.readings;
    for (const hear::Reading& reading : said)
        putReading(*now, reading);
    if (!now->key) now->key = heard.key;
    if (!wasSaid) {
        now->beats = heard.beats;
        now->loopBeats = heard.loopBeats;
        now->chosen = heard.chosen;
        now->beatsInBar = heard.beatsInBar;
        now->beatUnit = heard.beatUnit;
    }
    Project out = p;
    for (SourcePtr& s : out.sources.altered())
        if (s->id == id) s = now;
    for (TrackPtr& t : out.tracks) {
        std::shared_ptr<Track> changed;
        for (std::size_t i = 0; i < t->clips.size(); ++i) {
            if (t->clips[i].source != id) continue;
            if (!changed) changed = std::make_shared<Track>(*t);
            refit(changed->clips[i], *before, *now);
        }
        if (changed) t = std::move(changed);
    }
    return out;
}

} // namespace project
