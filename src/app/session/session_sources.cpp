// What the session does with sources: taking a tempo, listening again, writing into their files, forgetting what
// was settled.
#include "app/session/session.h"

#include "app/widgets/text.h"
#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "deliver/source_tags.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/sets.h"
#include "project/settle.h"
#include "prove/meeting.h"
#include "sound/tag_file.h"

#include <algorithm>
#include <cmath>
#include <set>

namespace app {

namespace fs = std::filesystem;

namespace {

// The first of these, which are one source or a set, as it is heard between these tempos: a set on its sum. None
// when it was stopped.
std::optional<project::Source> heardAnew(const std::vector<project::SourcePtr>& group, const hear::Window& window,
                                         sound::AudioStore* store, const base::Progress& progress) {
    project::Source s = *group.front();
    s.window = window;
    if (s.set) {
        if (const auto together = project::hearTogether(group, window, store, progress))
            project::takeIn(s, together->heard);
    } else {
        project::listenTo(s, progress);
    }
    return progress.stopped() ? std::nullopt : std::optional(std::move(s));
}

} // namespace

void Session::takeTempoFrom(const fs::path& file) {
    jobs_.start<base::Result<project::ImportedSource>>(
        Lane::Listen, tr("Finding the tempo of %1").arg(qt(base::shownName(file))),
        [file, library = library_->library(), memory = remembered_.memory()](const base::Progress& progress) {
            auto read = project::listenToFile(file, {}, progress, [&](const std::string& content) {
                return library ? library->heardBefore(content) : std::nullopt;
            });
            if (read) shelf::recallInto(read->source, memory.get().get());
            return read;
        },
        [this, file, taken = document_.snapshot()](const base::Result<project::ImportedSource>& read) {
            if (!document_.isOf(taken)) return;
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
    deliver::Order options;
    options.folder = base::dataFolder() / "loops";
    options.clips = selection().clips;
    auto plan = deliver::plan(*laid(), options);
    if (!plan) {
        say(qt(plan.error().text));
        return;
    }
    QStringList there;
    for (const deliver::Planned& loop : *plan)
        if (loop.exists) there << tr("%1 is in the library already.").arg(qt(base::shownName(loop.file)));
    std::erase_if(*plan, [](const deliver::Planned& loop) { return loop.exists; });
    if (!there.isEmpty()) complain(tr("Not everything was added to the library"), there);
    if (plan->empty()) return;
    std::error_code error;
    fs::create_directories(options.folder, error);
    const auto count = static_cast<int>(plan->size());
    jobs_.start<QStringList>(
        Lane::Deliver, tr("Adding to the library"),
        [laid = laid(), plan = std::move(*plan), options](const base::Progress& progress) {
            const deliver::Delivered done = deliver::deliver(laid, plan, options, progress);
            QStringList problems;
            for (const std::string& problem : done.problems)
                problems << qt(problem);
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
    // Of a set, its sum.
    std::vector<std::vector<project::SourcePtr>> groups;
    for (const SourceId id : project::oneOfEachSet(now(), sources)) {
        std::vector<project::SourcePtr> group;
        for (const SourceId each : project::togetherWith(now(), id))
            if (project::SourcePtr s = project::sourceOf(now(), each); s && s->sound) group.push_back(std::move(s));
        if (!group.empty()) groups.push_back(std::move(group));
    }
    if (groups.empty()) return;
    const auto pieces = static_cast<int>(groups.size());
    const QString what =
        pieces == 1 ? tr("Listening to %1").arg(qt(groups.front().front()->name)) : tr("Listening again");
    jobs_.start<std::vector<project::Source>>(
        Lane::Listen, what,
        [groups = std::move(groups), window, store = store_.get()](const base::Progress& progress) {
            std::vector<project::Source> out;
            const auto n = static_cast<double>(groups.size());
            for (const auto& group : groups) {
                const auto done = static_cast<double>(out.size());
                auto s = heardAnew(group, window, store, progress.part(done / n, (done + 1) / n));
                if (!s) break;
                out.push_back(std::move(*s));
            }
            return out;
        },
        [this, taken = document_.snapshot()](const std::vector<project::Source>& heard) {
            if (heard.empty() || !document_.isOf(taken)) return;
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

void Session::straighten(SourceId source, hear::Feel feel) {
    const project::SourcePtr s = project::sourceOf(now(), source);
    if (!s || !s->sound) return;
    hear::Window window = s->window;
    window.feel = feel;
    std::vector<project::SourcePtr> group;
    for (const SourceId each : project::togetherWith(now(), source))
        if (project::SourcePtr one = project::sourceOf(now(), each); one && one->sound)
            group.push_back(std::move(one));
    jobs_.start<std::optional<project::Source>>(
        Lane::Listen, tr("Finding the beats of %1").arg(qt(s->name)),
        [group, window, store = store_.get()](const base::Progress& progress) {
            return heardAnew(group, window, store, progress);
        },
        [this, source, taken = document_.snapshot()](const std::optional<project::Source>& heard) {
            if (!document_.isOf(taken) || !heard) return;
            auto next = project::setHeard(now(), source, *heard, false);
            if (next) next = project::chooseReading(*next, source, hear::Witness::Heard);
            if (!settle(tr("Straighten"), std::move(next))) return;
            const project::SourcePtr is = project::sourceOf(now(), source);
            const auto pins = static_cast<int>(is->beats->pins().size());
            say(pins > 2 ? tr("%1: %n pins follow the playing", nullptr, pins).arg(qt(is->name))
                         : tr("%1 runs at one tempo, %2 BPM")
                               .arg(qt(is->name), qt(metre::tempoFigure(is->beats->meanTempo()))));
        });
}

bool Session::lead(ClipId clip, project::Lead::Every every, metre::Seconds smooth) {
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

bool Session::leadAsItIsPlayed(ClipId clip) {
    return lead(clip, project::leadAsPlayed(now(), clip), metre::Seconds(0));
}

void Session::letGo() {
    if (!now().lead) {
        say(tr("The tempo is the project's own already."));
        return;
    }
    if (edit(tr("Let go"), project::letGo(now())))
        say(tr("The tempo stays as it is, and is the project's own: Faster or slower scales it"));
}

void Session::writeIntoFiles(const std::vector<SourceId>& sources) {
    struct Job {
        fs::path file;
        deliver::SourceTags says;
    };
    std::vector<Job> jobs;
    for (const SourceId id : sources)
        if (const project::SourcePtr s = project::sourceOf(now(), id))
            if (auto says = deliver::tagsOf(*s)) jobs.push_back({s->file, std::move(*says)});
    if (jobs.empty()) {
        say(tr("None of these has a tempo to write."));
        return;
    }
    struct Written {
        QStringList problems;
        QStringList notes;
    };
    jobs_.start<Written>(
        Lane::Files, tr("Writing tempos into files"),
        [jobs](const base::Progress& progress) {
            Written out;
            for (std::size_t i = 0; i < jobs.size() && !progress.stopped(); ++i) {
                const std::string parted = base::otherNamesNote(jobs[i].file);
                const auto part =
                    progress.part(double(i) / double(jobs.size()), double(i + 1) / double(jobs.size()));
                if (const auto done = sound::tagFile(jobs[i].file, jobs[i].says.tags, jobs[i].says.loop, {}, part);
                    !done && !done.error().cancelled)
                    out.problems << qt(done.error().text);
                else if (done && !parted.empty())
                    out.notes << qt(parted);
            }
            return out;
        },
        [this, n = static_cast<int>(jobs.size())](const Written& out) {
            if (!out.problems.isEmpty()) complain(tr("Some tempos were not written"), out.problems + out.notes);
            if (out.problems.isEmpty() && !out.notes.isEmpty())
                complain(tr("Written into files that have other names"), out.notes);
            const int written = n - static_cast<int>(out.problems.size());
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
    if (!sources.empty()) edit(tr("Forget"), project::forgetSettled(now(), sources));
}

void Session::makeSet(const std::vector<SourceId>& sources) {
    if (auto may = project::mayBeSet(now(), sources); !may) {
        say(qt(may.error().text));
        return;
    }
    std::vector<project::SourcePtr> members;
    members.reserve(sources.size());
    for (const SourceId id : sources)
        members.push_back(project::sourceOf(now(), id));
    const auto n = static_cast<int>(members.size());
    jobs_.start<base::Result<project::HeardTogether>>(
        Lane::Listen, tr("Listening to %n sources together", nullptr, n),
        [members, window = members.front()->window, store = store_.get()](const base::Progress& progress) {
            return project::hearTogether(members, window, store, progress);
        },
        [this, sources, n, taken = document_.snapshot()](const auto& together) {
            if (!document_.isOf(taken)) return;
            if (taken.project.rate != now().rate) { // their anchors are at the rate of before
                say(tr("The project's rate was changed meanwhile: keep them together once more."));
                return;
            }
            if (!together) {
                say(together.error().cancelled ? tr("They stay apart.") : qt(together.error().text));
                return;
            }
            if (!edit(tr("Keep together"), project::makeSet(now(), sources, *together))) return;
            const project::SourcePtr first = project::sourceOf(now(), sources.front());
            say(first->beats ? tr("%n sources are a set, heard at %1 on their sum", nullptr, n)
                                   .arg(qt(metre::tempoLabel(first->beats->meanTempo())))
                             : tr("%n sources are a set; no beat is heard on their sum", nullptr, n));
        });
}

void Session::partSets(const std::vector<SourceId>& sources) {
    std::vector<project::SourcePtr> members;
    for (const SourceId id : project::withTheirSets(now(), sources))
        if (project::SourcePtr s = project::sourceOf(now(), id); s && s->set) members.push_back(std::move(s));
    if (members.empty()) {
        say(tr("Nothing of this belongs to a set."));
        return;
    }
    const auto n = static_cast<int>(members.size());
    using Sounds = std::vector<std::pair<SourceId, std::shared_ptr<const project::Sound>>>;
    jobs_.start<Sounds>(
        Lane::Listen, tr("Listening to %n sources one by one", nullptr, n),
        // Each has its own onsets again. Where its file is gone, it keeps those of the set.
        [members, keeping = project::Keeping(now().rate, store_.get())](const base::Progress& progress) {
            Sounds own;
            const auto count = static_cast<double>(members.size());
            for (const project::SourcePtr& s : members) {
                const auto done = static_cast<double>(own.size());
                auto read = project::readSource(s->file, keeping, progress.part(done / count, (done + 1) / count));
                const bool same = read && read->content == s->content && s->sound;
                own.emplace_back(s->id, same ? read->sound : nullptr);
            }
            return progress.stopped() ? Sounds() : own;
        },
        [this, members, n, taken = document_.snapshot()](const Sounds& own) {
            if (!document_.isOf(taken) || own.empty()) return;
            base::Result<project::Project> next = now();
            std::set<project::SetId> sets;
            for (const project::SourcePtr& s : members)
                sets.insert(*s->set);
            for (const project::SetId set : sets)
                if (next) next = project::partSet(*next, set, own);
            if (edit(tr("Part the set"), std::move(next)))
                say(tr("%n sources go their own ways from where they are", nullptr, n));
        });
}

void Session::meet() {
    const prove::StrainedSources sources = prove::strainedSources(*laid());
    const std::vector<prove::Strained> all = sources.strained();
    const auto at = prove::meetingTempo(all, {}, preferences_.comfort, now().tempo.points().front().bpm);
    if (!at) {
        say(tr("No source is stretched: there is nothing to meet."));
        return;
    }
    // What is shown is what is taken.
    const Bpm bpm(std::round(at->value * 10) / 10);
    base::Result<project::Project> next = now();
    int scaled = 0;
    for (const prove::StrainedSource& s : sources.in) {
        const double factor = prove::usedAt(s.strained, bpm).value / s.strained.bpm.value;
        if (!next || factor == 1) continue;
        next = project::scaleBeats(*next, s.id, factor);
        ++scaled;
    }
    if (next) next = project::setTempo(*next, bpm);
    if (!edit(tr("Meet"), std::move(next))) return;
    double worst = 0;
    for (const prove::Strained& s : all)
        worst = std::max(worst, std::abs(prove::strainOf(prove::usedAt(s, bpm), bpm, s.method).percent));
    QString sentence =
        tr("All meet at %1: none is strained more than %2 %").arg(qt(metre::tempoLabel(bpm))).arg(worst, 0, 'f', 1);
    if (scaled > 0)
        sentence +=
            scaled == 1 ? tr(" · one counts as half or double") : tr(" · %1 count as half or double").arg(scaled);
    say(sentence);
}

} // namespace app
