#include "app/session/tempo_taking.h"

#include "app/widgets/text.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "deliver/take_map.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "prove/meeting.h"

namespace app {

namespace fs = std::filesystem;

TempoTaking::TempoTaking(const Common& common, LibraryDesk& library, Remembered& remembered)
    : Part(common), library_(library), remembered_(remembered) {}

void TempoTaking::fromFile(const fs::path& file) {
    jobs_.start<base::Result<project::ImportedSource>>(
        Lane::Listen, tr("Finding the tempo of %1").arg(qt(base::shownName(file))),
        [file, library = library_.library(), memory = remembered_.memory()](const base::Progress& progress) {
            auto read = project::listenToFile(file, {}, progress, [&](const std::string& content) {
                return library ? library->heardBefore(content) : std::nullopt;
            });
            if (read) shelf::recallInto(read->source, memory.get().get());
            return read;
        },
        [this, file, taken = document_.snapshot()](const base::Result<project::ImportedSource>& read) {
            if (!document_.isOf(taken)) return;
            if (!read) {
                if (!read.error().cancelled)
                    complain(tr("The tempo of the file was not taken"), {translated(read.error().text)});
                return;
            }
            const project::Source& s = read->source;
            if (!s.beats) {
                say(tr("%1: no beat found, the project's tempo stays.").arg(qt(s.name)));
                return;
            }
            const Bpm bpm = s.beats->meanTempo();
            if (edit(tr("Tempo"), project::setTempo(now(), bpm)))
                say(tr("Project tempo %1, from %2").arg(qt(metre::tempoLabel(bpm)), qt(s.name)));
        });
}

void TempoTaking::fromMap(const fs::path& file) {
    using Read = base::Result<deliver::ReadMap>;
    jobs_.start<Read>(
        Lane::Files, tr("Reading %1").arg(qt(base::shownName(file))),
        [file](const base::Progress&) -> Read {
            const auto bytes = base::readText(file);
            if (!bytes) return tl::unexpected(bytes.error());
            auto map = deliver::readMidiMap(*bytes);
            if (!map) return base::problem(base::shownName(file) + ": " + map.error().text + ".");
            if (!map->hasTempo && !map->hasMetre)
                return base::problem(base::shownName(file) + " says nothing of tempo or metre.");
            return std::move(*map);
        },
        [this, file, taken = document_.snapshot()](const Read& map) {
            if (!document_.isOf(taken)) return;
            if (map)
                mapRead(file, *map);
            else
                complain(tr("The tempo map was not taken"), {translated(map.error().text)});
        });
}

void TempoTaking::mapRead(const fs::path& file, const deliver::ReadMap& read) {
    if (!edit(tr("Tempo map"), deliver::withMap(now(), read))) return;
    const std::size_t tempos = now().tempo.points().size();
    say(tempos == 1 ? tr("Project tempo %1, from %2")
                          .arg(qt(metre::tempoLabel(now().tempo.points().front().bpm)), qt(base::shownName(file)))
                    : tr("%1 tempos taken from %2").arg(tempos).arg(qt(base::shownName(file))));
    QStringList lines;
    for (const std::string& w : read.warnings)
        lines << translated(w);
    if (!lines.isEmpty()) complain(tr("The tempo map was taken, but not all of it"), lines);
}

bool TempoTaking::lead(ClipId clip, project::Lead::Every every, metre::Seconds smooth) {
    if (!edit(tr("Lead"), project::setLead(now(), clip, every, smooth))) return false;
    if (!now().lead) return false;
    const project::SourcePtr s = project::sourceOf(now(), now().lead->source);
    const auto told = project::leadTempo(*s, every, smooth);
    if (told)
        say(tr("%1 leads: %2, no beat misses by more than %3 ms")
                .arg(qt(s->name), told->bpm.size() == 1
                                      ? tr("one tempo, %1 BPM").arg(qt(metre::tempoFigure(told->bpm.front())))
                                      : tr("%n tempos", nullptr, static_cast<int>(told->bpm.size())))
                .arg(told->worst.value * 1000, 0, 'f', 1));
    return true;
}

bool TempoTaking::leadAsItIsPlayed(ClipId clip) {
    return lead(clip, project::leadAsPlayed(now(), clip), metre::Seconds(0));
}

void TempoTaking::letGo() {
    if (!now().lead) {
        say(tr("The tempo is the project's own already."));
        return;
    }
    if (edit(tr("Let go"), project::letGo(now())))
        say(tr("Nothing leads any more: the tempo stays, and is the project's own"));
}

void TempoTaking::meet() {
    auto met = prove::meet(*laid(), preferences_.comfort);
    if (!met) {
        say(translated(met.error().text));
        return;
    }
    if (!edit(tr("Meet"), std::move(met->project))) return;
    QString sentence = tr("All meet at %1: none is strained more than %2 %")
                           .arg(qt(metre::tempoLabel(met->bpm)))
                           .arg(met->worst, 0, 'f', 1);
    if (met->scaled > 0)
        sentence += met->scaled == 1 ? tr(" · one counts as half or double")
                                     : tr(" · %1 count as half or double").arg(met->scaled);
    say(sentence);
}

} // namespace app
