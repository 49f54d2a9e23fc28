// What the session does with sources: bringing them in, listening again, writing into their files, and remembering
// what was settled.
#include "app/session/session.h"

#include "app/widgets/text.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/settle.h"
#include "sound/tag_file.h"

#include <algorithm>
#include <future>
#include <thread>

namespace app {

namespace fs = std::filesystem;

namespace {

struct ImportOutcome {
    QStringList problems;
    QStringList warnings;
    bool cancelled = false;
};

// Reads files side by side and hands each on as soon as those before it are done.
ImportOutcome importAll(const std::vector<fs::path>& files, int rate, const shelf::Memory* memory,
                        const base::Progress& progress,
                        const std::function<void(project::ImportedSource)>& arrived) {
    using Result = base::Result<project::ImportedSource>;
    const std::size_t abreast = std::clamp<std::size_t>(std::thread::hardware_concurrency(), 1, 8);
    ImportOutcome out;
    std::vector<std::future<Result>> running;
    std::size_t next = 0;
    for (std::size_t i = 0; i < files.size(); ++i) {
        for (; next < files.size() && next < i + abreast; ++next)
            running.push_back(std::async(std::launch::async, [&, file = files[next]] {
                return project::importFile(file, rate, {}, {{}, progress.stop});
            }));
        Result imported = running[i].get();
        progress.at(double(i + 1) / double(files.size()));
        if (progress.stopped()) {
            out.cancelled = true;
            break; // those under way stop by themselves
        }
        if (!imported) {
            out.problems << qt(imported.error().text);
            continue;
        }
        for (const std::string& w : imported->warnings)
            out.warnings << qt(w);
        if (memory != nullptr)
            if (const auto settled = memory->recall(imported->source.content))
                shelf::recallInto(imported->source, *settled);
        arrived(std::move(*imported));
    }
    return out;
}

} // namespace

void Session::bringIn(project::ImportedSource imported, std::optional<TrackId> track, Beats at,
                      const QString& gesture) {
    project::Added added = project::addSources(now(), {std::move(imported.source)});
    auto placed = project::placeSources(added.project, added.ids, track, at);
    if (!placed)
        say(qt(placed.error().text));
    else if (edit(tr("Import"), std::move(placed->project), gesture))
        say(qt(project::toldOf(now(), added.ids.front())));
}

void Session::importFiles(std::vector<fs::path> files, std::optional<TrackId> track, Beats at) {
    if (files.empty() || !isFree()) return;
    const int rate = now().rate;
    const auto count = static_cast<int>(files.size());
    const QString what =
        count == 1 ? tr("Importing %1").arg(qt(base::shownName(files.front()))) : tr("Importing and listening");
    // All of one import is undone at once.
    const QString gesture = QStringLiteral("import %1").arg(++imports_);
    const auto before = now().sources.size();
    task_.start<ImportOutcome>(
        what,
        [this, files = std::move(files), rate, track, at, gesture, memory = memory_](const base::Progress& p) {
            bool first = true;
            return importAll(files, rate, memory.get(), p, [&](project::ImportedSource imported) {
                auto one = std::make_shared<project::ImportedSource>(std::move(imported));
                const auto onto = first ? track : std::nullopt;
                first = false;
                QMetaObject::invokeMethod(
                    this, [this, one, onto, at, gesture] { bringIn(std::move(*one), onto, at, gesture); });
            });
        },
        [this, before](const ImportOutcome& out) {
            endGesture();
            QStringList lines = out.problems + out.warnings;
            const QString more = out.cancelled ? tr(" The rest was cancelled.") : QString();
            const project::Project p = now();
            std::vector<ClipId> clips;
            int n = 0;
            for (std::size_t i = before; i < p.sources.size(); ++i, ++n) {
                lines << qt(project::toldOf(p, p.sources[i]->id));
                for (const project::TrackPtr& t : p.tracks)
                    for (const project::Clip& c : t->clips)
                        if (c.source == p.sources[i]->id) clips.push_back(c.id);
            }
            if (n == 0) {
                if (out.cancelled) say(tr("The import was cancelled; nothing came in."));
                if (!lines.isEmpty()) emit told(tr("Nothing came in"), lines, true);
                return;
            }
            select(clips);
            say(n == 1 ? lines.back() + more : tr("%1 sources came in.").arg(n) + more);
            emit broughtIn(tr("%1 came in").arg(n) +
                               (out.problems.isEmpty() ? QString() : tr(", %1 did not").arg(out.problems.size())) +
                               more,
                           lines, !out.problems.isEmpty());
        },
        count);
}

void Session::remember(const project::Project& before) {
    if (!memory_) return;
    for (const project::SourcePtr& s : now().sources) {
        const project::SourcePtr old = project::sourceOf(before, s->id);
        if (!old || old == s || s->content.empty()) continue;
        if (old->beats == s->beats && old->loopBeats == s->loopBeats && old->chosen == s->chosen) continue;
        const auto settled = shelf::settledOf(*s);
        const auto done = settled ? memory_->remember(s->content, *settled) : memory_->forget(s->content);
        if (!done) say(qt(done.error().text));
    }
}

void Session::listenAgain(const std::vector<SourceId>& sources, hear::Window window) {
    if (!isFree()) return;
    std::vector<project::Source> copies;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(now(), id); s && s->sound) copies.push_back(*s);
    if (copies.empty()) return;
    const auto pieces = static_cast<int>(copies.size());
    const QString what = pieces == 1 ? tr("Listening to %1").arg(qt(copies.front().name)) : tr("Listening again");
    task_.start<std::vector<project::Source>>(
        what,
        [copies = std::move(copies), window](const base::Progress& progress) {
            std::vector<project::Source> out;
            const auto n = static_cast<double>(copies.size());
            for (project::Source s : copies) {
                const auto done = static_cast<double>(out.size());
                s.window = window;
                project::listenTo(s, progress.part(done / n, (done + 1) / n));
                if (progress.stopped()) break;
                out.push_back(std::move(s));
            }
            return out;
        },
        [this](const std::vector<project::Source>& heard) {
            project::Project p = now();
            for (const project::Source& s : heard)
                if (auto next = project::setHeard(p, s.id, s, true)) p = std::move(*next);
            if (heard.empty() || !edit(tr("Listen again"), p)) return;
            const project::SourcePtr s = project::sourceOf(now(), heard.front().id);
            say(heard.size() > 1 ? tr("Listened to %1 sources again").arg(heard.size())
                : s && s->beats
                    ? tr("%1 is heard at %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(s->beats->meanTempo())))
                    : tr("No beat is heard between these tempos."));
        },
        pieces);
}

void Session::writeIntoFiles(const std::vector<SourceId>& sources) {
    if (!isFree()) return;
    struct Job {
        fs::path file;
        sound::Tags tags;
        sound::LoopInfo loop;
    };
    std::vector<Job> jobs;
    for (const SourceId id : sources) {
        const project::SourcePtr s = project::sourceOf(now(), id);
        if (!s || !s->beats) continue;
        Job job{s->file, {}, {}};
        job.tags.bpm = s->beats->meanTempo();
        if (s->key) {
            job.tags.key = hear::keyTag(*s->key);
            job.loop.rootNote = 60 + s->key->root;
        }
        const auto at = [&](double seconds) {
            return metre::toFrames(metre::Seconds(std::clamp(seconds, 0.0, s->length().value)), s->facts.rate);
        };
        if (const auto beats = s->wholeBeats()) {
            job.loop.bpm = job.tags.bpm;
            job.loop.beats = *beats;
            job.loop.loop = {at(s->beats->secondsAt(Beats(0)).value), at(s->beats->secondsAt(Beats(*beats)).value)};
        }
        jobs.push_back(std::move(job));
    }
    if (jobs.empty()) {
        say(tr("None of these has a tempo to write."));
        return;
    }
    task_.start<QStringList>(
        tr("Writing tempos into files"),
        [jobs](const base::Progress& progress) {
            QStringList problems;
            for (std::size_t i = 0; i < jobs.size() && !progress.stopped(); ++i) {
                if (const auto done = sound::tagFile(jobs[i].file, jobs[i].tags, jobs[i].loop); !done)
                    problems << qt(done.error().text);
                progress.at(double(i + 1) / double(jobs.size()));
            }
            return problems;
        },
        [this, n = static_cast<int>(jobs.size())](const QStringList& problems) {
            if (!problems.isEmpty()) complain(tr("Some tempos were not written"), problems);
            const int written = n - static_cast<int>(problems.size());
            say(written == 1 ? tr("The tempo was written into one file; its audio is unchanged.")
                             : tr("Tempos were written into %1 files; their audio is unchanged.").arg(written));
        },
        static_cast<int>(jobs.size()));
}

void Session::forgetSettled(const std::vector<SourceId>& sources) {
    if (!memory_) return;
    int forgotten = 0;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(now(), id))
            if (memory_->recall(s->content) && memory_->forget(s->content)) ++forgotten;
    say(forgotten == 0 ? tr("Nothing was remembered of these.")
                       : tr("Forgotten what was settled for %1 sources.").arg(forgotten));
}

} // namespace app
