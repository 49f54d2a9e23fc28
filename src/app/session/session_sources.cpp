// What the session does with sources: bringing them in, listening again, writing into their files, and remembering
// what was settled.
#include "app/session/session.h"

#include "app/widgets/text.h"
#include "base/background.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/missing.h"
#include "project/settle.h"
#include "sound/audio_files.h"
#include "sound/tag_file.h"

#include <algorithm>
#include <future>
#include <mutex>
#include <numeric>
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
    // How far each is; several report at once.
    std::mutex mutex;
    std::vector<double> fractions(files.size(), 0.0);
    const auto report = [&](std::size_t file, double fraction) {
        const std::lock_guard lock(mutex);
        fractions[file] = fraction;
        progress.at(std::accumulate(fractions.begin(), fractions.end(), 0.0) / double(files.size()));
    };
    std::vector<std::future<Result>> running; // last: its work ends before what it reports to
    std::size_t next = 0;
    for (std::size_t i = 0; i < files.size(); ++i) {
        for (; next < files.size() && next < i + abreast; ++next)
            running.push_back(std::async(std::launch::async, [&, index = next] {
                base::workInBackground();
                return project::importFile(
                    files[index], rate, {},
                    {[&report, index](double f) { report(index, 0.99 * f); }, progress.stop});
            }));
        Result imported = running[i].get();
        report(i, 1);
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

std::optional<SourceId> Session::bringIn(project::ImportedSource imported, std::optional<TrackId> track, Beats at,
                                         const Gesture& gesture) {
    project::Added added = project::addSources(now(), {std::move(imported.source)});
    auto placed = project::placeSources(added.project, added.ids, track, at);
    if (!placed) {
        say(qt(placed.error().text));
        return std::nullopt;
    }
    edit(tr("Import"), std::move(placed->project), gesture);
    say(qt(project::toldOf(now(), added.ids.front())));
    return added.ids.front();
}

void Session::importFiles(std::vector<fs::path> files, std::optional<TrackId> track, Beats at) {
    if (files.empty()) return;
    // A folder stands for the files in it.
    std::vector<fs::path> all;
    for (const fs::path& file : files) {
        std::error_code error;
        if (!fs::is_directory(file, error)) {
            all.push_back(file);
            continue;
        }
        const std::vector<sound::ListedFile> within = sound::audioIn(file).files;
        if (within.empty())
            complain(tr("Nothing was brought in"), {tr("%1 holds no audio.").arg(qt(base::shownPath(file)))});
        for (const sound::ListedFile& each : within)
            all.push_back(each.file);
    }
    files = std::move(all);
    if (files.empty()) return;
    const int rate = now().rate;
    const auto count = static_cast<int>(files.size());
    const QString what =
        count == 1 ? tr("Importing %1").arg(qt(base::shownName(files.front()))) : tr("Importing and listening");
    // All of one import is undone at once.
    const Gesture gesture{"import", ++imports_, 1};
    const auto came = std::make_shared<std::vector<SourceId>>();
    const auto generation = document_.generation();
    jobs_.start<ImportOutcome>(
        Lane::Import, what,
        [this, files = std::move(files), rate, track, at, gesture, generation, came,
         memory = remembered_.memory()](const base::Progress& p) {
            bool first = true;
            return importAll(files, rate, memory.get(), p, [&](project::ImportedSource imported) {
                auto one = std::make_shared<project::ImportedSource>(std::move(imported));
                const auto onto = first ? track : std::nullopt;
                first = false;
                mailbox_.post([this, one, onto, at, gesture, generation, came] {
                    if (generation != document_.generation()) return;
                    if (const auto id = bringIn(std::move(*one), onto, at, gesture)) came->push_back(*id);
                });
            });
        },
        [this, came, generation](const ImportOutcome& out) {
            if (generation == document_.generation()) importEnded(out.problems, out.warnings, out.cancelled, *came);
        },
        count);
}

void Session::importEnded(const QStringList& problems, const QStringList& warnings, bool cancelled,
                          const std::vector<SourceId>& came) {
    document_.endGesture();
    QStringList lines = problems + warnings;
    const QString more = cancelled ? tr(" The rest was cancelled.") : QString();
    const project::Project p = now();
    std::vector<ClipId> clips;
    int n = 0;
    for (const SourceId id : came) {
        if (!project::sourceOf(p, id)) continue; // taken back meanwhile
        ++n;
        lines << qt(project::toldOf(p, id));
        for (const project::LaidClip& c : laid()->clips())
            if (c.clip->source == id) clips.push_back(c.id());
    }
    if (n == 0) {
        if (cancelled) say(tr("The import was cancelled; nothing came in."));
        if (!lines.isEmpty()) emit told(tr("Nothing came in"), lines, true);
        return;
    }
    document_.select(clips);
    say(n == 1 ? lines.back() + more : tr("%1 sources came in.").arg(n) + more);
    emit broughtIn(tr("%1 came in").arg(n) +
                       (problems.isEmpty() ? QString() : tr(", %1 did not").arg(problems.size())) + more,
                   lines, !problems.isEmpty());
}

void Session::takeTempoFrom(const fs::path& file) {
    const auto generation = document_.generation();
    jobs_.start<base::Result<project::ImportedSource>>(
        Lane::Listen, tr("Finding the tempo of %1").arg(qt(base::shownName(file))),
        [file, library = library_->library(), memory = remembered_.memory()](const base::Progress& progress) {
            auto read = project::listenToFile(file, {}, progress, [&](const std::string& content) {
                return library ? library->heardBefore(content) : std::nullopt;
            });
            if (read && memory)
                if (const auto settled = memory->recall(read->source.content))
                    shelf::recallInto(read->source, *settled);
            return read;
        },
        [this, file, generation](const base::Result<project::ImportedSource>& read) {
            if (generation != document_.generation()) return;
            if (!read) {
                if (!read.error().cancelled) complain(tr("Its tempo was not taken"), {qt(read.error().text)});
                return;
            }
            const project::Source& s = read->source;
            if (!s.beats) {
                say(tr("%1 has no beat that is known: the project's tempo stays.").arg(qt(s.name)));
                return;
            }
            const Bpm bpm = s.beats->meanTempo();
            if (edit(tr("Tempo"), project::setTempo(now(), bpm)))
                say(tr("The project's tempo is %1 now, as %2 has it").arg(qt(metre::tempoLabel(bpm)), qt(s.name)));
        });
}

void Session::listenAgain(const std::vector<SourceId>& sources, hear::Window window) {
    std::vector<project::Source> copies;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(now(), id); s && s->sound) copies.push_back(*s);
    if (copies.empty()) return;
    const auto pieces = static_cast<int>(copies.size());
    const QString what = pieces == 1 ? tr("Listening to %1").arg(qt(copies.front().name)) : tr("Listening again");
    const auto generation = document_.generation();
    jobs_.start<std::vector<project::Source>>(
        Lane::Listen, what,
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
        [this, generation](const std::vector<project::Source>& heard) {
            if (heard.empty() || generation != document_.generation()) return;
            project::Project p = now();
            QString refused;
            for (const project::Source& s : heard) {
                auto next = project::setHeard(p, s.id, s, true);
                if (next)
                    p = std::move(*next);
                else
                    refused = qt(next.error().text);
            }
            if (!refused.isEmpty()) say(refused);
            if (!edit(tr("Listen again"), p) || !refused.isEmpty()) return;
            const project::SourcePtr s = project::sourceOf(now(), heard.front().id);
            say(heard.size() > 1 ? tr("Listened to %1 sources again").arg(heard.size())
                : s && s->beats
                    ? tr("%1 is heard at %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(s->beats->meanTempo())))
                    : tr("No beat is heard between these tempos."));
        },
        pieces);
}

void Session::writeIntoFiles(const std::vector<SourceId>& sources) {
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
    jobs_.start<QStringList>(
        Lane::Files, tr("Writing tempos into files"),
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
    std::vector<std::string> contents;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(now(), id)) contents.push_back(s->content);
    remembered_.forget(std::move(contents));
}

} // namespace app
