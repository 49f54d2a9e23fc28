// What the session does with sources: taking a tempo, listening again, writing into their files, forgetting what
// was settled.
#include "app/session/session.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/settle.h"
#include "sound/tag_file.h"

#include <algorithm>
#include <cmath>

namespace app {

namespace fs = std::filesystem;

void Session::takeTempoFrom(const fs::path& file) {
    const auto generation = document_.generation();
    jobs_.start<base::Result<project::ImportedSource>>(
        Lane::Listen, tr("Finding the tempo of %1").arg(qt(base::shownName(file))),
        [file, library = library_->library(), memory = remembered_.memory()](const base::Progress& progress) {
            auto read = project::listenToFile(file, {}, progress, [&](const std::string& content) {
                return library ? library->heardBefore(content) : std::nullopt;
            });
            if (read) shelf::recallInto(read->source, memory.get());
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

void Session::addToLibrary() {
    deliver::LoopOptions options;
    options.folder = base::dataFolder() / "loops";
    auto plan = deliver::planLoops(*laid(), selection().clips, options);
    if (!plan) {
        say(qt(plan.error().text));
        return;
    }
    QStringList there;
    for (const deliver::PlannedLoop& loop : *plan)
        if (loop.exists) there << tr("%1 is in the library already.").arg(qt(base::shownName(loop.file)));
    std::erase_if(*plan, [](const deliver::PlannedLoop& loop) { return loop.exists; });
    if (!there.isEmpty()) complain(tr("Not everything was added to the library"), there);
    if (plan->empty()) return;
    std::error_code error;
    fs::create_directories(options.folder, error);
    const auto count = static_cast<int>(plan->size());
    jobs_.start<QStringList>(
        Lane::Deliver, tr("Adding to the library"),
        [laid = laid(), plan = std::move(*plan), options](const base::Progress& progress) {
            const deliver::Delivered done = deliver::deliverLoops(laid, plan, options, progress);
            QStringList problems;
            for (const std::string& problem : done.problems)
                problems << qt(problem);
            for (const deliver::PlannedLoop& loop : plan) {
                const project::LaidClip* clip = laid->find(loop.clip);
                if (clip == nullptr ||
                    std::find(done.written.begin(), done.written.end(), loop.file) == done.written.end())
                    continue;
                // Tempo and key are in it; how many beats it has is not yet.
                const double beats = (clip->time().end - clip->time().start).value;
                if (!clip->time().steadyTempo || std::abs(beats - std::round(beats)) > 1e-6 || beats < 1) continue;
                sound::LoopInfo info;
                info.bpm = *clip->time().steadyTempo;
                info.beats = static_cast<int>(std::lround(beats));
                if (const auto tagged = sound::tagFile(loop.file, {}, info); !tagged)
                    problems << qt(tagged.error().text);
            }
            return problems;
        },
        [this, folder = options.folder, count](const QStringList& problems) {
            if (!problems.isEmpty()) complain(tr("Not everything was added to the library"), problems);
            library_->addFolder(folder);
            say(count == 1 ? tr("One loop added to the library: a right click there gives it tags")
                           : tr("%1 loops added to the library: a right click there gives them tags").arg(count));
        },
        count);
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
