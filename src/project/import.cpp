#include "project/import.h"

#include "base/utf8.h"
#include "hear/name.h"
#include "hear/onsets.h"
#include "metre/tempo.h"
#include "project/arriving.h"
#include "project/edit_clips.h"
#include "project/settle.h"
#include "project/tighten.h"
#include "sound/content.h"
#include "sound/loop_info.h"
#include "sound/resample.h"
#include "sound/tags.h"

#include <cmath>
#include <fmt/format.h>

namespace project {

namespace {

hear::Reading tagReading(const std::filesystem::path& file) {
    const sound::Tags tags = sound::readTags(file);
    const sound::LoopInfo loop = sound::readLoopInfo(file);
    hear::Reading reading;
    reading.by = hear::Witness::Tag;
    reading.key = hear::parseKey(tags.key);
    if (const auto beats = loop.beats ? loop.beats : tags.beats) reading.beats = Beats(*beats);
    const std::string refused = !tags.refused.empty() ? tags.refused : loop.refused;
    if (tags.bpm) {
        reading.bpm = tags.bpm;
        reading.sureness = 0.9;
        reading.evidence = "written in the file";
        if (loop.bpm && std::abs(loop.bpm->value / tags.bpm->value - 1) > 0.004)
            reading.evidence += fmt::format("; its loop chunk says {}", metre::tempoLabel(*loop.bpm));
    } else if (loop.bpm) {
        reading.bpm = loop.bpm;
        reading.sureness = 0.8;
        reading.evidence = "in the file's loop chunk";
    } else if (!refused.empty()) {
        reading.evidence = refused == "no number" ? "the tempo written in the file is no number"
                                                  : fmt::format("the tag says “{}”, which is no tempo", refused);
    } else {
        reading.evidence = "nothing written";
    }
    if (loop.rootNote && !reading.key)
        reading.evidence += fmt::format(" · root note {}", hear::rootLabel(*loop.rootNote % 12));
    return reading;
}

// A name or a tag may mean the same beats counted twice as fast or half as fast as the user does.
void bringInto(hear::Reading& r, const hear::Window& window) {
    if (!r.bpm || window == hear::Window{} || window.holds(*r.bpm)) return;
    for (const double factor : {2.0, 0.5, 4.0, 0.25})
        if (window.holds(Bpm(r.bpm->value * factor))) {
            r.evidence += fmt::format(" · {} counted as {}", metre::tempoLabel(*r.bpm),
                                      metre::tempoLabel(Bpm(r.bpm->value * factor)));
            r.bpm = Bpm(r.bpm->value * factor);
            if (r.beats) r.beats = Beats(r.beats->value * factor);
            return;
        }
}

} // namespace

namespace {

Source newSource(const std::filesystem::path& file) {
    Source s;
    s.name = base::shownName(file.stem());
    std::error_code error;
    s.file = std::filesystem::absolute(file, error);
    if (error) s.file = file;
    return s;
}

// All that is said and heard of a source, and the reading that is used.
Result<void> readAndSettle(Source& s, const std::filesystem::path& file, const Witnesses& heeded,
                           const std::function<Result<hear::Recording>()>& recording,
                           const std::optional<Source>& before, const std::vector<hear::Onset>& onsets,
                           const base::Progress& progress) {
    if (heeded.name) s.readings.push_back(hear::readName(file));
    if (heeded.tag) s.readings.push_back(tagReading(file));
    for (const hear::Reading& r : s.readings)
        if (!s.key) s.key = r.key;
    s.window = heeded.window;
    for (hear::Reading& r : s.readings)
        bringInto(r, s.window);
    if (heeded.ear && !(before && takeHeard(s, *before))) {
        const auto listened = recording();
        if (!listened) return tl::unexpected(listened.error());
        takeIn(s, hear::listen(*listened, onsets, s.window, progress));
    } else if (!heeded.ear && heeded.kind) {
        const auto listened = recording();
        if (!listened) return tl::unexpected(listened.error());
        const hear::KindAndKey sound = hear::kindAndKeyIn(*listened, onsets, s.window, progress);
        s.kind = sound.kind;
        if (!s.key && sound.key) s.key = sound.key->key;
    }
    if (progress.stopped()) return base::cancelled();
    settle(s, onsets.empty() ? std::nullopt
                             : std::optional(metre::toSeconds(onsets.front().at, hear::Recording::rate)));
    return {};
}

} // namespace

namespace {

// Whether all that is heard of a source, and where its first downbeat lies, follows from what was heard before.
bool saysAll(const Source& before, const hear::Window& window) {
    Source probe;
    probe.window = window;
    if (!takeHeard(probe, before)) return false;
    return !readingBy(probe, hear::Witness::Heard)->pins.empty();
}

constexpr std::size_t mostKept = std::size_t(1) << 24; // samples of a file that are kept for its content

} // namespace

Source unheardOf(const std::filesystem::path& file, const ReadSource& read) {
    Source s = newSource(file);
    s.content = read.content;
    s.facts = read.facts;
    s.sound = read.sound;
    return s;
}

Result<ImportedSource> settledOf(const std::filesystem::path& file, ReadSource& read, Witnesses heeded,
                                 const base::Progress& progress, std::optional<Source> before) {
    ImportedSource out{newSource(file), read.warnings};
    out.source.content = read.content;
    out.source.facts = read.facts;
    if (before && !saysAll(*before, heeded.window)) before.reset();
    const auto recording = [&] { return recordingOf(read, {{}, progress.stop}); };
    auto settled = readAndSettle(out.source, file, heeded, recording, before,
                                 read.onsets.value_or(std::vector<hear::Onset>()), progress);
    if (!settled) return tl::unexpected(settled.error());
    return out;
}

Result<ImportedSource> importFile(const std::filesystem::path& file, Keeping keeping, Witnesses heeded,
                                  const base::Progress& progress) {
    keeping.listening = heeded.attacks || heeded.ear || heeded.kind;
    const base::Progress reading = progress.part(0, 0.6);
    auto read = keeping.listening ? readSource(file, keeping, reading) : decodeSource(file, keeping, reading);
    if (!read) return tl::unexpected(read.error());
    auto out = settledOf(file, *read, heeded, progress.part(0.6, 1.0));
    if (out) out->source.sound = std::move(read->sound);
    return out;
}

Result<Beginning> readBeginning(sound::Begun& begun, int rate, Seconds length, const base::Progress& progress) {
    const std::filesystem::path& file = begun.reader.path();
    if (auto done = sound::readOn(begun, metre::toFrames(length, begun.reader.facts().rate), progress); !done)
        return tl::unexpected(done.error());
    if (begun.frames() == Frames(0)) {
        auto ended = begun.reader.end(); // says why
        if (!ended) return tl::unexpected(ended.error());
    }
    sound::Audio audio(begun.reader.facts().rate, begun.reader.facts().channels, Frames(0));
    for (std::size_t c = 0; c < audio.channels.size(); ++c)
        audio.channels[c] = std::vector<float>(begun.samples[c]);
    Beginning out;
    out.isWhole = begun.isWhole;
    out.facts = begun.reader.facts();
    out.facts.frames = audio.frames();
    const auto named = [&](const base::Problem& p) {
        return base::problem(fmt::format("{}: {}", base::shownPath(file), p.text));
    };
    auto recording = hear::Recording::of(audio);
    if (!recording) return named(recording.error());
    const std::vector<hear::Onset> onsets = hear::onsets(*recording, 0.5, progress);
    if (rate > 0 && rate != audio.rate) {
        auto converted = sound::resampled(audio, rate, progress);
        if (!converted) return converted.error().cancelled ? base::cancelled() : named(converted.error());
        audio = std::move(*converted);
    }
    const std::vector<hear::Onset> attacks = hear::refinedIn(audio, onsets);
    out.sound = soundOf(std::move(audio), attacks);
    if (progress.stopped()) return base::cancelled();
    return out;
}

Result<ImportedSource> listenToFile(const std::filesystem::path& file, Witnesses heeded,
                                    const base::Progress& progress, const HeardBefore& heardBefore) {
    std::vector<float> kept;
    bool keeps = heardBefore != nullptr;
    const auto keep = [&](const std::vector<float>& samples, std::size_t count) {
        if (keeps) kept.insert(kept.end(), samples.begin(), samples.begin() + static_cast<std::ptrdiff_t>(count));
        if (kept.size() > mostKept) {
            keeps = false;
            kept = {};
        }
    };
    auto recorded = recordedFrom(file, progress.part(0, 0.2), keep);
    if (!recorded) return tl::unexpected(recorded.error());
    const hear::Recording& recording = recorded->recording;
    ImportedSource out{newSource(file), std::move(recorded->warnings)};
    out.source.facts = recorded->facts;
    std::optional<Source> before;
    if (heardBefore) {
        auto content = keeps ? sound::contentOf(kept, recorded->facts.channels, recorded->facts.rate)
                             : sound::contentOfFile(file, recorded->facts.frames, progress.part(0.2, 0.3));
        if (!content) return tl::unexpected(content.error());
        out.source.content = std::move(*content);
        before = heardBefore(out.source.content);
        if (before && !saysAll(*before, heeded.window)) before.reset();
        kept = {};
    }
    std::vector<hear::Onset> onsets;
    if (!before) onsets = hear::onsets(recording, 0.5, progress.part(0.3, 0.6));
    if (progress.stopped()) return base::cancelled();
    auto settled = readAndSettle(
        out.source, file, heeded, [&] { return Result<hear::Recording>(recording); }, before, onsets,
        progress.part(0.6, 1.0));
    if (!settled) return tl::unexpected(settled.error());
    if (heardBefore && !onsets.empty() && out.source.beats && out.source.kind != hear::Kind::OneHit) {
        const auto hits = feelHits(onsets, hear::Recording::rate, *out.source.beats);
        if (auto feel = hear::feelOf(hits, out.source.metre())) out.feel = std::move(*feel);
    }
    return out;
}

namespace {

// Whether all clips of a source stay as they were recorded.
bool isPlacedOnly(const Project& p, SourceId id) {
    bool any = false;
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips) {
            if (c.source != id) continue;
            any = true;
            if (entryOf(c.rule.value_or(t->rule.value_or(p.rule))).needsBeats) return false;
        }
    return any;
}

} // namespace

std::string toldOf(const Project& p, SourceId id) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return {};
    if (isUnheard(*s) && !s->beats) return fmt::format("{}: being listened to", s->name);
    if (!s->beats || !s->chosen) {
        const char* why = s->kind == hear::Kind::OneHit ? "one hit" : "no beat heard";
        return fmt::format("{}: {}, placed as recorded", s->name, why);
    }
    const hear::Ranking ranking = hear::ranked(s->readings);
    const std::string tempo = metre::tempoLabel(s->beats->meanTempo());
    std::string told = s->name + ": ";
    switch (*s->chosen) {
    case hear::Witness::Name:
        told += fmt::format("{} by its name", tempo);
        break;
    case hear::Witness::Tag:
        told += fmt::format("{} by its tag", tempo);
        break;
    case hear::Witness::Heard:
        told += fmt::format("{} as heard", tempo);
        break;
    case hear::Witness::Length:
        told += fmt::format("{} by its length", tempo);
        break;
    case hear::Witness::Tapped:
        told += fmt::format("{} as tapped", tempo);
        break;
    case hear::Witness::Typed:
        told += fmt::format("{} as you said", tempo);
        break;
    }
    const hear::Reading* heard = readingBy(*s, hear::Witness::Heard);
    if (heard != nullptr && !heard->steady && *s->chosen == hear::Witness::Heard) told += ", played free";
    const bool isUsual = heard == nullptr || !heard->metre || *heard->metre == metre::Metre{4, 4};
    const std::string metre = isUsual ? std::string() : metre::metreLabel(*heard->metre);
    if (const auto beats = s->wholeBeats(); beats && isUsual)
        told += *beats == 1 ? ", 1 beat" : fmt::format(", {} beats", *beats);
    else if (beats)
        told += fmt::format(", {} beats in {}", *beats, metre);
    else if (!isUsual)
        told += fmt::format(", in {}", metre);
    if (heard != nullptr && heard->comesIn && s->beats->beatAt(*heard->comesIn) > Beats(0))
        told += fmt::format(", beat from bar {}",
                            1 + std::lround(s->beats->beatAt(*heard->comesIn).value / s->metre().bar().value));
    if (hear::isMaybe(s->readings, s->chosen))
        told += ", but that is not sure: placed as recorded";
    else if (isPlacedOnly(p, id))
        told += ", as recorded";
    else
        told += fmt::format(", fitted to {}", metre::tempoLabel(p.tempo.tempoAt(Beats(0))));
    if (!ranking.disagree.empty() && ranking.best == s->chosen) told += fmt::format(" ({})", ranking.disagree);
    return told;
}

Result<PlacedSources> placeSources(const Project& p, const std::vector<SourceId>& ids, std::optional<TrackId> track,
                                   Beats at) {
    PlacedSources out{p, {}};
    for (const SourceId id : ids) {
        auto placed = place(out.project, id, track, at);
        if (!placed) return tl::unexpected(placed.error());
        out.project = std::move(placed->project);
        out.clips.push_back(placed->id);
        track.reset();
    }
    return out;
}

} // namespace project
