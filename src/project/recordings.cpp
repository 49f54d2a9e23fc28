#include "project/recordings.h"

#include "project/arriving.h"
#include "project/lead.h"

namespace project {

namespace {

// Of a set, its members' anchors: they are stretched from the same places.
std::shared_ptr<const Sound> anchoredAs(const Project& p, const Source& s, std::shared_ptr<const Sound> sound) {
    if (!s.set || !sound) return sound;
    for (const SourcePtr& other : p.sources)
        if (other->set == s.set && other->id != s.id && other->sound &&
            other->sound->audio.rate == sound->audio.rate)
            return std::make_shared<const Sound>(*sound, other->sound->onsets, other->sound->strikes);
    return sound;
}

} // namespace

void Recordings::learn(const Project& p) {
    if (learned_.isSharedWith(p.sources)) return;
    learned_ = p.sources;
    upToDate_.reset();
    for (const SourcePtr& s : p.sources) {
        const auto [at, isNew] = known_.try_emplace(s->id.value);
        if (isNew) {
            at->second.recording = *s;
            at->second.recording.sound = nullptr;
        }
        if (s->sound) at->second.sounds.try_emplace(s->sound->audio.rate, s->sound);
    }
}

void Recordings::take(const Patch& patch) {
    upToDate_.reset();
    for (const Late& late : patch) {
        const auto at = known_.find(late.source.value);
        if (at == known_.end()) continue;
        Known& known = at->second;
        if (late.file) known.recording.file = *late.file;
        if (late.content) known.recording.content = *late.content;
        if (late.facts) known.recording.facts = *late.facts;
        if (late.sound) known.sounds[late.sound->audio.rate] = late.sound;
        if (late.heard) known.heard = late.heard;
        if (late.file || late.content || late.facts || late.heard) ++revision_;
    }
}

Project Recordings::in(const Project& version) const {
    if (upToDate(version) != nullptr) return version;
    Project out = version;
    for (const SourcePtr& s : version.sources)
        if (const auto at = known_.find(s->id.value); at != known_.end() && at->second.heard && isUnheard(*s))
            out = withHeard(out, s->id, *at->second.heard);
    std::vector<SourcePtr>* altered = nullptr;
    const Sources before = out.sources;
    for (std::size_t i = 0; i < before.size(); ++i) {
        const SourcePtr& s = before[i];
        const auto at = known_.find(s->id.value);
        if (at == known_.end()) continue;
        const Known& known = at->second;
        const bool sounds = s->sound && s->sound->audio.rate == out.rate;
        const auto sound = known.sounds.find(out.rate);
        const bool isSame = s->file.native() == known.recording.file.native() &&
                            s->content == known.recording.content && s->facts == known.recording.facts;
        if (isSame && (sounds || (!s->sound && sound == known.sounds.end()))) continue;
        auto now = std::make_shared<Source>(*s);
        static_cast<Recording&>(*now) = known.recording;
        now->sound = sounds ? s->sound : sound != known.sounds.end() ? anchoredAs(out, *s, sound->second) : nullptr;
        if (altered == nullptr) altered = &out.sources.altered();
        (*altered)[i] = std::move(now);
    }
    if (!out.sources.isSharedWith(version.sources)) return withLead(std::move(out));
    upToDate_ = {version.sources, version.rate, silentOnesOf(version)};
    return out;
}

const Recordings::UpToDate* Recordings::upToDate(const Project& version) const {
    const bool is =
        upToDate_ && upToDate_->rate == version.rate && upToDate_->sources.isSharedWith(version.sources);
    return is ? &*upToDate_ : nullptr;
}

std::vector<SourcePtr> Recordings::toReadIn(const Project& version) const {
    const UpToDate* known = upToDate(version);
    return known != nullptr ? known->toRead : silentOnesOf(version);
}

std::vector<SourcePtr> Recordings::silentOnesOf(const Project& version) const {
    std::vector<SourcePtr> list;
    for (const SourcePtr& s : version.sources)
        if (const auto at = known_.find(s->id.value); !s->sound && at != known_.end() && !at->second.sounds.empty())
            list.push_back(s);
    return list;
}

} // namespace project
