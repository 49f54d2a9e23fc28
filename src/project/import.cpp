#include "project/import.h"

#include "base/utf8.h"
#include "hear/name.h"
#include "hear/onsets.h"
#include "metre/tempo.h"
#include "project/edit_clips.h"
#include "project/settle.h"
#include "sound/loop_info.h"
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
    if (loop.beats) reading.beats = Beats(*loop.beats);
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
        reading.evidence = fmt::format("the tag says “{}”, which is no tempo", refused);
    } else {
        reading.evidence = "nothing written in the file";
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

std::shared_ptr<const Sound> soundOf(sound::Audio audio, const base::Progress& progress) {
    auto sound = std::make_shared<Sound>();
    sound->audio = std::move(audio);
    sound->peaks = sound::Peaks(sound->audio);
    sound->onsets = hear::onsets(sound->audio, 0.5, progress);
    for (const hear::Onset& onset : sound->onsets)
        sound->attacks.push_back(onset.at);
    return sound;
}

Result<ImportedSource> importFile(const std::filesystem::path& file, int rate, Witnesses heeded,
                                  const base::Progress& progress) {
    auto read = sound::read(file, rate, progress.part(0, 0.4));
    if (!read) return tl::unexpected(read.error());
    ImportedSource out;
    Source& s = out.source;
    s.name = base::shownName(file.stem());
    std::error_code error;
    s.file = std::filesystem::absolute(file, error);
    if (error) s.file = file;
    s.content = read->content;
    s.facts = read->facts;
    s.sound = soundOf(std::move(read->audio), progress.part(0.4, 0.6));
    if (progress.stopped()) return base::cancelled();
    if (heeded.name) s.readings.push_back(hear::readName(file));
    if (heeded.tag) s.readings.push_back(tagReading(file));
    for (const hear::Reading& r : s.readings)
        if (!s.key) s.key = r.key;
    s.window = heeded.window;
    for (hear::Reading& r : s.readings)
        bringInto(r, s.window);
    if (heeded.ear) listenTo(s, progress.part(0.6, 1.0));
    if (progress.stopped()) return base::cancelled();
    settle(s);
    out.warnings = std::move(read->warnings);
    return out;
}

std::string toldOf(const Project& p, SourceId id) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return {};
    if (!s->beats || !s->chosen) {
        const char* why = s->kind == hear::Kind::OneHit ? "one hit" : "no beat heard";
        return fmt::format("{}: {}, placed as recorded", s->name, why);
    }
    const hear::Ranking ranking = hear::ranked(s->readings);
    std::string by;
    switch (*s->chosen) {
    case hear::Witness::Name:
        by = "by its name";
        break;
    case hear::Witness::Tag:
        by = "by its tag";
        break;
    case hear::Witness::Heard:
        by = "as heard";
        break;
    case hear::Witness::Length:
        by = "by its length";
        break;
    case hear::Witness::Tapped:
        by = "as tapped";
        break;
    case hear::Witness::Typed:
        by = "as you said";
        break;
    }
    std::string told = fmt::format("{}: {} {}", s->name, metre::tempoLabel(s->beats->meanTempo()), by);
    const hear::Reading* heard = readingBy(*s, hear::Witness::Heard);
    if (heard != nullptr && !heard->steady && *s->chosen == hear::Witness::Heard) told += ", played free";
    if (const auto beats = s->wholeBeats()) told += fmt::format(", {} beat{}", *beats, *beats == 1 ? "" : "s");
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
