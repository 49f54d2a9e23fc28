#include "app/session/listening.h"

#include "app/widgets/feel_text.h"
#include "app/widgets/text.h"
#include "base/abreast.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/arriving.h"
#include "project/import.h"
#include "project/sets.h"
#include "project/settle.h"
#include "project/tighten.h"
#include "shelf/hear_known.h"

#include <algorithm>
#include <set>

namespace app {

Listening::Listening(const Common& common, LibraryDesk& library, Remembered& remembered)
    : Part(common), library_(library), remembered_(remembered) {}

void Listening::again(const std::vector<SourceId>& sources, hear::Window window) {
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
    struct Heard {
        std::vector<project::Source> sources;
        QString problem; // of one that could not be heard
    };
    jobs_.start<Heard>(
        Lane::Listen, what,
        [groups = std::move(groups), window, store = &store_](const base::Progress& progress) {
            Heard out;
            const auto n = static_cast<double>(groups.size());
            for (std::size_t i = 0; i < groups.size() && !progress.stopped(); ++i) {
                const auto done = static_cast<double>(i);
                auto s = project::heardAnew(groups[i], window, store, progress.part(done / n, (done + 1) / n));
                if (s)
                    out.sources.push_back(std::move(*s));
                else if (!s.error().cancelled)
                    out.problem = translated(groups[i].front()->name + ": " + s.error().text);
            }
            return out;
        },
        [this, taken = document_.snapshot()](const Heard& found) {
            if (!document_.isOf(taken)) return;
            const std::vector<project::Source>& heard = found.sources;
            project::Project p = now();
            QString refused = found.problem;
            for (const project::Source& s : heard) {
                auto next = project::setHeard(p, s.id, s, true);
                if (next)
                    p = std::move(*next);
                else
                    refused = translated(next.error().text);
            }
            if (!refused.isEmpty()) say(refused);
            if (heard.empty() || !edit(tr("Listen again"), p) || !refused.isEmpty()) return;
            const project::SourcePtr s = project::sourceOf(now(), heard.front().id);
            say(heard.size() > 1 ? tr("Listened to %1 sources again").arg(heard.size())
                : s && s->beats
                    ? tr("%1 is heard at %2 BPM").arg(qt(s->name), qt(metre::tempoLabel(s->beats->meanTempo())))
                    : tr("No beat is heard between these tempos."));
        },
        pieces);
}

void Listening::straighten(SourceId source, hear::Playing playing) {
    const project::SourcePtr s = project::sourceOf(now(), source);
    if (!s || !s->sound) return;
    hear::Window window = s->window;
    window.playing = playing;
    std::vector<project::SourcePtr> group;
    for (const SourceId each : project::togetherWith(now(), source))
        if (project::SourcePtr one = project::sourceOf(now(), each); one && one->sound)
            group.push_back(std::move(one));
    jobs_.start<base::Result<project::Source>>(
        Lane::Listen, tr("Finding the beats of %1").arg(qt(s->name)),
        [group, window, store = &store_](const base::Progress& progress) {
            return project::heardAnew(group, window, store, progress);
        },
        [this, source, taken = document_.snapshot()](const base::Result<project::Source>& heard) {
            if (!document_.isOf(taken)) return;
            if (!heard) {
                if (!heard.error().cancelled) say(translated(heard.error().text));
                return;
            }
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

void Listening::lendFeel(const std::filesystem::path& file) {
    if (selection().clips.empty()) {
        say(tr("Select the clips that are to take its feel."));
        return;
    }
    const QString name = qt(base::shownName(file.stem()));
    jobs_.start<base::Result<hear::Feel>>(
        Lane::Listen, tr("Finding the feel of %1").arg(name),
        [file](const base::Progress& progress) -> base::Result<hear::Feel> {
            const auto imported = project::importFile(file, 0, {}, progress);
            if (!imported) return tl::unexpected(imported.error());
            return project::feelOf(imported->source);
        },
        [this, name, taken = document_.snapshot()](const base::Result<hear::Feel>& feel) {
            if (!document_.isOf(taken)) return;
            if (!feel) {
                if (!feel.error().cancelled) say(translated(feel.error().text));
                return;
            }
            const std::vector<ClipId> clips = selection().clips;
            const project::Project before = now();
            if (!edit(tr("Take a feel"), project::takeFeel(now(), clips, name.toStdString(), *feel))) return;
            QStringList told = fittedFirstText(project::fittedFirst(before, now(), clips));
            told << tr("%n clips have the feel of %1", nullptr, static_cast<int>(clips.size())).arg(name);
            say(told.join(QStringLiteral(" · ")));
        });
}

void Listening::makeSet(const std::vector<SourceId>& sources) {
    if (auto may = project::mayBeSet(now(), sources); !may) {
        say(translated(may.error().text));
        return;
    }
    std::vector<project::SourcePtr> members;
    members.reserve(sources.size());
    for (const SourceId id : sources)
        members.push_back(project::sourceOf(now(), id));
    const auto n = static_cast<int>(members.size());
    jobs_.start<base::Result<project::HeardTogether>>(
        Lane::Listen, tr("Listening to %n sources together", nullptr, n),
        [members, window = members.front()->window, store = &store_](const base::Progress& progress) {
            return project::hearTogether(members, window, store, progress);
        },
        [this, sources, n, taken = document_.snapshot()](const auto& together) {
            if (!document_.isOf(taken)) return;
            if (taken.project.rate != now().rate) { // their anchors are at the rate of before
                say(tr("The project's rate was changed meanwhile: keep them together once more."));
                return;
            }
            if (!together) {
                say(together.error().cancelled ? tr("The sources stay apart.") : translated(together.error().text));
                return;
            }
            if (!edit(tr("Make a set"), project::makeSet(now(), sources, *together))) return;
            const project::SourcePtr first = project::sourceOf(now(), sources.front());
            say(first->beats ? tr("%n sources are a set, heard at %1 on their sum", nullptr, n)
                                   .arg(qt(metre::tempoLabel(first->beats->meanTempo())))
                             : tr("%n sources are a set; no beat is heard on their sum", nullptr, n));
        });
}

void Listening::partSets(const std::vector<SourceId>& sources) {
    std::vector<project::SourcePtr> members;
    for (const SourceId id : project::withTheirSets(now(), sources))
        if (project::SourcePtr s = project::sourceOf(now(), id); s && s->set) members.push_back(std::move(s));
    if (members.empty()) {
        say(tr("None of these sources belongs to a set."));
        return;
    }
    const auto n = static_cast<int>(members.size());
    using Sounds = std::vector<std::pair<SourceId, std::shared_ptr<const project::Sound>>>;
    jobs_.start<Sounds>(
        Lane::Listen, tr("Listening to %n sources one by one", nullptr, n),
        // Each has its own onsets again. Where its file is gone, it keeps those of the set.
        [members, keeping = project::Keeping(now().rate, &store_)](const base::Progress& progress) {
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
            if (edit(tr("Dissolve the set"), std::move(next)))
                say(tr("Set dissolved: %n sources go by their own beats", nullptr, n));
        });
}

void Listening::toWhatWasNotHeard() {
    std::vector<project::SourcePtr> unheard;
    for (const project::SourcePtr& s : now().sources)
        if (project::isUnheard(*s) && !s->chosen && !s->set) unheard.push_back(s);
    if (unheard.empty()) return;
    const auto count = static_cast<int>(unheard.size());
    jobs_.start<QStringList>(
        Lane::Listen, tr("Listening to %n sources", nullptr, count),
        [this, unheard, taken = document_.snapshot(), library = library_.library(), memory = remembered_.memory(),
         store = &store_](const base::Progress& p) {
            QStringList problems;
            base::Shares shares(unheard.size(), p);
            base::abreast<base::Result<project::Source>>(
                unheard.size(),
                [&](std::size_t i) -> base::Result<project::Source> {
                    auto read =
                        project::decodeSource(unheard[i]->file, {taken.project.rate, store}, shares.of(i, 0, 0.3));
                    if (!read) return tl::unexpected(read.error());
                    return shelf::heardOrKnown(unheard[i]->file, *read, library.get(), memory.get().get(),
                                               shares.of(i, 0.3, 1));
                },
                [&](std::size_t i, base::Result<project::Source> source) {
                    if (!source) {
                        if (!source.error().cancelled) problems << translated(source.error().text);
                        return;
                    }
                    mailbox_.post([this, taken, id = unheard[i]->id,
                                   one = std::make_shared<const project::Source>(std::move(*source))] {
                        if (document_.accept(taken, {{.source = id, .heard = one}}))
                            if (project::sourceOf(now(), id)) say(translated(project::toldOf(now(), id)));
                    });
                },
                p.stop);
            return problems;
        },
        [this, taken = document_.snapshot()](const QStringList& problems) {
            if (document_.isOf(taken) && !problems.isEmpty())
                complain(tr("Not everything could be heard"), problems);
        },
        count);
}

} // namespace app
