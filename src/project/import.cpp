#include "project/import.h"

#include "hear/name.h"
#include "hear/onsets.h"
#include "metre/tempo.h"
#include "project/edit.h"
#include "sound/tags.h"

#include <cmath>
#include <fmt/format.h>

namespace project {

namespace {

hear::Reading tagReading(const std::filesystem::path& file) {
    const sound::Tags tags = sound::readTags(file);
    hear::Reading reading;
    reading.by = hear::Witness::Tag;
    reading.key = hear::parseKey(tags.key);
    if (tags.bpm) {
        reading.bpm = tags.bpm;
        reading.sureness = 0.9;
        reading.evidence = "written in the file";
    } else if (!tags.refused.empty()) {
        reading.evidence = fmt::format("the tag says “{}”, which is no tempo", tags.refused);
    } else {
        reading.evidence = "nothing written in the file";
    }
    return reading;
}

// The first downbeat, as far as name and length tell: see the header.
Seconds firstDownbeat(const Sound& sound, Bpm bpm) {
    if (sound.attacks.empty()) return Seconds(0);
    const Seconds first = metre::toSeconds(sound.attacks.front(), sound.audio.rate);
    if (first < Seconds(0.03)) return Seconds(0);
    const double beats = sound.audio.length().value * bpm.value / 60;
    const double off = std::abs(beats - std::round(beats));
    return off < 0.03 && std::round(beats) >= 1 ? Seconds(0) : first;
}

} // namespace

std::shared_ptr<const Sound> soundOf(sound::Audio audio, const sound::Progress& progress) {
    auto sound = std::make_shared<Sound>();
    sound->audio = std::move(audio);
    sound->peaks = sound::Peaks(sound->audio);
    for (const hear::Onset& onset : hear::onsets(sound->audio, 0.5, progress))
        sound->attacks.push_back(onset.at);
    return sound;
}

Result<ImportedSource> importFile(const std::filesystem::path& file, int rate, Witnesses heeded,
                                  const sound::Progress& progress) {
    auto read = sound::read(file, rate, progress.part(0, 0.7));
    if (!read) return tl::unexpected(read.error());
    ImportedSource out;
    Source& s = out.source;
    s.name = sound::shownName(file.stem());
    std::error_code error;
    s.file = std::filesystem::absolute(file, error);
    if (error) s.file = file;
    s.content = read->content;
    s.facts = read->facts;
    s.sound = soundOf(std::move(read->audio), progress.part(0.7, 1.0));
    if (progress.stopped()) return metre::cancelled();
    if (heeded.name) s.readings.push_back(hear::readName(file));
    if (heeded.tag) s.readings.push_back(tagReading(file));
    for (const hear::Reading& r : s.readings)
        if (!s.key) s.key = r.key;
    if (const hear::Reading* best = hear::mostTrusted(s.readings)) {
        s.chosen = best->by;
        s.beats = metre::BeatMap(*best->bpm, firstDownbeat(*s.sound, *best->bpm));
    }
    out.warnings = std::move(read->warnings);
    return out;
}

std::string toldOf(const Project& p, SourceId id) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return {};
    if (!s->beats || !s->chosen) return fmt::format("{}: no tempo known, placed as recorded", s->name);
    const char* by = *s->chosen == hear::Witness::Name  ? "by its name"
                     : *s->chosen == hear::Witness::Tag ? "by its tag"
                                                        : "as you said";
    std::string told = fmt::format("{}: {} {}", s->name, metre::tempoLabel(s->beats->meanTempo()), by);
    if (const auto beats = s->wholeBeats()) told += fmt::format(", {} beat{}", *beats, *beats == 1 ? "" : "s");
    return told + fmt::format(", fitted to {}", metre::tempoLabel(p.tempo.tempoAt(Beats(0))));
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
