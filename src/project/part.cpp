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

// From where to where a clip plays its recording, in frames of it.
std::pair<std::int64_t, std::int64_t> playedOf(const Clip& clip, const sound::Audio& all) {
    const std::int64_t frames = all.frames().value;
    const std::int64_t from = std::clamp<std::int64_t>(metre::toFrames(clip.from, all.rate).value, 0, frames);
    return {from, std::clamp<std::int64_t>(metre::toFrames(clip.to, all.rate).value, from, frames)};
}

Result<fs::path> writePart(const Source& source, const sound::Audio& all, std::int64_t from, std::int64_t to,
                           const fs::path& folder, const base::Progress& progress) {
    sound::Audio cut(all.rate, all.channelCount(), Frames(to - from));
    for (std::size_t c = 0; c < cut.channels.size(); ++c)
        std::copy(all.channels[c].begin() + from, all.channels[c].begin() + to, cut.channels[c].begin());
    std::error_code error;
    fs::create_directories(folder, error);
    if (error)
        return base::problem(fmt::format("{} could not be made: {}.", base::shownPath(folder),
                                         base::writeReason(folder, error.value())));
    fs::path file = nameFor(source.name, folder);
    if (auto written = sound::write(file, cut, sound::Depth::Float32, {}, base::Existing::Refuse, progress);
        !written)
        return tl::unexpected(written.error());
    return file;
}

// The beats of the recording are those of its part, which begins at `begins`: its first whole beat is beat 0.
void takeBeats(Source& part, const Source& source, Seconds begins) {
    const Beats zero = firstBeatFrom(source, begins);
    std::vector<metre::Pin> pins = source.beats->pins();
    for (metre::Pin& pin : pins) {
        pin.at -= begins;
        pin.beat -= zero;
    }
    auto beats = metre::BeatMap::make(std::move(pins));
    if (!beats) return;
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
}

} // namespace

Result<Source> extracted(const Source& source, const Clip& clip, const fs::path& folder, int rate,
                         const base::Progress& progress) {
    auto read = sound::read(source.file, 0, progress.part(0, 0.4));
    if (!read) return tl::unexpected(read.error());
    const sound::Audio& all = read->audio;
    const auto [from, to] = playedOf(clip, all);
    if (to - from < 2) return base::problem(fmt::format("{} has nothing where this clip plays it.", source.name));
    const auto file = writePart(source, all, from, to, folder, progress.part(0.4, 0.6));
    if (!file) return tl::unexpected(file.error());
    auto imported = importFile(*file, rate, {false, false, false, {}}, progress.part(0.6, 1));
    if (!imported) {
        std::error_code ignored;
        fs::remove(*file, ignored);
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
    if (source.beats) takeBeats(part, source, metre::toSeconds(Frames(from), all.rate));
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
    for (SourcePtr& s : out.sources.altered()) {
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
