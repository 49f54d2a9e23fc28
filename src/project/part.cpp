#include "project/part.h"

#include "base/utf8.h"
#include "project/changed.h"
#include "project/import.h"
#include "project/settle.h"
#include "project/timing.h"
#include "sound/read.h"
#include "sound/write.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace project {

namespace fs = std::filesystem;

namespace {

// "keel_bass part 2.wav", which nothing has yet.
fs::path nameFor(const std::string& source, const fs::path& folder) {
    for (int n = 1;; ++n) {
        const fs::path file = folder / fmt::format("{} part {}.wav", base::toUtf8(source), n);
        std::error_code ignored;
        if (!fs::exists(file, ignored)) return file;
    }
}

// The first whole beat of a source at or after a moment.
Beats firstBeatFrom(const Source& s, Seconds from) {
    return Beats(std::ceil(s.beats->beatAt(from).value - 1e-6));
}

} // namespace

Result<Source> extracted(const Source& source, const Clip& clip, const fs::path& folder, int rate,
                         const base::Progress& progress) {
    auto read = sound::read(source.file, 0, progress.part(0, 0.4));
    if (!read) return tl::unexpected(read.error());
    const sound::Audio& all = read->audio;
    const std::int64_t frames = all.frames().value;
    const std::int64_t from = std::clamp<std::int64_t>(metre::toFrames(clip.from, all.rate).value, 0, frames);
    const std::int64_t to = std::clamp<std::int64_t>(metre::toFrames(clip.to, all.rate).value, from, frames);
    if (to - from < 2) return base::problem(fmt::format("{} has nothing where this clip plays it.", source.name));
    sound::Audio cut(all.rate, all.channelCount(), Frames(to - from));
    for (std::size_t c = 0; c < cut.channels.size(); ++c)
        std::copy(all.channels[c].begin() + from, all.channels[c].begin() + to, cut.channels[c].begin());
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return base::problem(fmt::format("{} could not be made: {}.", base::shownPath(folder),
                                         base::writeReason(folder, error.value())));
    const fs::path file = nameFor(source.name, folder);
    if (auto written =
            sound::write(file, cut, sound::Depth::Float32, {}, base::Existing::Refuse, progress.part(0.4, 0.6));
        !written)
        return tl::unexpected(written.error());
    auto imported = importFile(file, rate, {false, false, false, {}}, progress.part(0.6, 1));
    if (!imported) {
        fs::remove(file, error);
        return tl::unexpected(imported.error());
    }
    Source part = std::move(imported->source);
    part.key = source.key;
    part.kind = source.kind;
    part.beatsInBar = source.beatsInBar;
    part.beatUnit = source.beatUnit;
    part.straight = source.straight;
    part.following = source.following;
    part.beats.reset();
    part.chosen.reset();
    part.loopBeats.reset();
    if (!source.beats) return part;
    const Seconds begins = metre::toSeconds(Frames(from), all.rate);
    const Beats zero = firstBeatFrom(source, begins);
    std::vector<metre::Pin> pins = source.beats->pins();
    for (metre::Pin& pin : pins) {
        pin.at -= begins;
        pin.beat -= zero;
    }
    auto beats = metre::BeatMap::make(std::move(pins));
    if (!beats) return part;
    hear::Reading reading;
    reading.by = hear::Witness::Typed;
    reading.bpm = beats->meanTempo();
    reading.sureness = 1;
    reading.evidence = fmt::format("a part of {}", source.name);
    reading.pins = beats->pins();
    part.beats = std::move(*beats);
    part.notes = source.notes;
    for (PinNote& note : part.notes)
        note.beat -= zero;
    part.chosen = hear::Witness::Typed;
    putReading(part, std::move(reading));
    return part;
}

Result<Project> playInstead(const Project& p, ClipId id, SourceId part) {
    const Clip* clip = clipOf(p, id);
    if (clip == nullptr) return base::problem("That clip is no longer in the project.");
    const SourcePtr old = sourceOf(p, clip->source);
    const SourcePtr now = sourceOf(p, part);
    if (!old || !now) return base::problem("That source is no longer in the project.");
    return withClips(p, {id}, [&](Clip& c) {
        const bool beats = old->beats && now->beats;
        if (beats) {
            c.at += firstBeatFrom(*old, c.from);
        } else {
            const Seconds downbeat = old->beats ? old->beats->secondsAt(Beats(0)) : Seconds(0);
            c.at = p.tempo.beatAt(p.tempo.secondsAt(c.at) + c.from - downbeat);
        }
        c.source = part;
        c.to = std::min(c.to - c.from, now->length());
        c.from = Seconds(0);
        c.turn.reset();
        c.stretch.loop = false;
    });
}

Project withoutSound(const Project& p, int rate) {
    Project out = p;
    out.rate = rate;
    for (SourcePtr& s : out.sources) {
        Source silent = *s;
        silent.sound = nullptr;
        s = std::make_shared<const Source>(std::move(silent));
    }
    return out;
}

Patch soundsOf(const Project& p) {
    Patch patch;
    for (const SourcePtr& s : p.sources)
        if (s->sound) patch.push_back({.source = s->id, .sound = s->sound});
    return patch;
}

Project atRate(const Project& p, int rate) {
    Project out = p;
    out.rate = rate;
    return out;
}

} // namespace project
