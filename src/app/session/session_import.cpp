// Bringing files in: read side by side, placed in their order, heard behind.
#include "app/session/session.h"

#include "app/widgets/text.h"
#include "base/abreast.h"
#include "base/utf8.h"
#include "metre/snap.h"
#include "project/arriving.h"
#include "project/import.h"
#include "project/leaning.h"
#include "project/sets.h"
#include "sound/audio_files.h"

#include <algorithm>
#include <mutex>

namespace app {

namespace fs = std::filesystem;

// Shared by the worker, which only fills `problems`, and the interface thread, which has the rest.
struct Session::Import {
    Snapshot begun; // of the document that they come into
    Gesture gesture;
    std::optional<TrackId> track;
    Beats at;
    bool oneAfterTheOther = false;
    NewSources way = NewSources::KeepTime;
    std::vector<std::optional<SourceId>> came; // by file
    bool ledAlready = false;
    std::mutex mutex; // guards what follows
    QStringList problems;
    void complain(const std::string& text) {
        const std::lock_guard lock(mutex);
        problems << qt(text);
    }
};

namespace {

constexpr double quicklyHeard = 30; // seconds of audio that are listened to before they are placed

// What hears a file, and what it may ask first.
struct Ear {
    std::shared_ptr<shelf::Library> library;
    Remembered::Opened memory;

    // All that is said and heard of a file that was decoded, as it was settled before where it was. Takes time.
    base::Result<project::Source> hear(const fs::path& file, project::ReadSource& read,
                                       const base::Progress& progress) const {
        if (auto found = project::findAttacks(read, progress.part(0, 0.4)); !found)
            return tl::unexpected(found.error());
        auto settled = project::settledOf(file, read, {}, progress.part(0.4, 1),
                                          library ? library->heardBefore(read.content) : std::nullopt);
        if (!settled) return tl::unexpected(settled.error());
        shelf::recallInto(settled->source, memory.get().get());
        settled->source.sound = read.sound;
        return std::move(settled->source);
    }
};

// Folders stand for the audio in them.
std::vector<fs::path> expanded(const std::vector<fs::path>& files,
                               const std::function<void(std::string)>& complain) {
    std::vector<fs::path> all;
    for (const fs::path& file : files) {
        std::error_code error;
        if (!fs::is_directory(file, error)) {
            all.push_back(file);
            continue;
        }
        const sound::FolderContent within = sound::audioIn(file);
        if (!within.problem.empty())
            complain(within.problem);
        else if (within.files.empty())
            complain(base::shownPath(file) + " holds no audio.");
        for (const sound::ListedFile& each : within.files)
            all.push_back(each.file);
    }
    return all;
}

} // namespace

void Session::importFiles(std::vector<fs::path> files, std::optional<TrackId> track, Beats at) {
    // A tempo map is taken, not placed.
    const auto maps = std::stable_partition(files.begin(), files.end(), [](const fs::path& file) {
        const QString ending = qt(file.extension().string()).toLower();
        return ending != ".mid" && ending != ".midi";
    });
    for (auto map = maps; map != files.end(); ++map)
        takeMap(*map);
    files.erase(maps, files.end());
    if (files.empty()) return;
    const auto import = std::make_shared<Import>();
    import->begun = document_.snapshot();
    // All of one import is undone at once.
    import->gesture = Gesture{"import", ++imports_, 1};
    import->track = track;
    import->at = at;
    import->oneAfterTheOther = track.has_value();
    import->way = preferences_.newSources;
    const QString what = files.size() == 1 ? tr("Importing %1").arg(qt(base::shownName(files.front())))
                                           : tr("Importing and listening");
    const auto count = static_cast<int>(files.size());
    const auto onInterface = [this, import](std::function<void()> act) {
        mailbox_.post([this, import, act = std::move(act)] {
            if (document_.isOf(import->begun)) act();
        });
    };
    jobs_.start<bool>(
        Lane::Import, what,
        [this, import, onInterface, files = std::move(files), rate = now().rate,
         ear = Ear{library_->library(), remembered_.memory()}, store = store_.get()](const base::Progress& p) {
            const std::vector<fs::path> all = expanded(files, [&](const std::string& s) { import->complain(s); });
            if (all.empty()) return p.stopped();
            onInterface([import, n = all.size()] { import->came.resize(n); });
            base::Shares shares(all.size(), p);
            struct Read {
                base::Result<project::ReadSource> read;
                std::optional<project::Source> source; // heard already
            };
            // Each begins where one before ends, or the first says what time it is.
            const bool heardFirst = (import->oneAfterTheOther && all.size() > 1) || import->way == NewSources::Lead;
            std::vector<std::pair<std::size_t, std::shared_ptr<project::ReadSource>>> later;
            base::abreast<Read>(
                all.size(),
                [&](std::size_t i) {
                    Read out{project::decodeSource(all[i], {rate, store}, shares.of(i, 0, 0.3)), {}};
                    if (!out.read || (out.read->facts.length().value > quicklyHeard && !heardFirst)) return out;
                    if (auto source = ear.hear(all[i], *out.read, shares.of(i, 0.3, 1)))
                        out.source = std::move(*source);
                    else
                        out.read = tl::unexpected(source.error());
                    return out;
                },
                [&](std::size_t i, Read out) {
                    if (!out.read) {
                        import->complain(out.read.error().text);
                        shares.set(i, 1);
                        return;
                    }
                    for (const std::string& warning : out.read->warnings)
                        import->complain(warning);
                    auto source = std::make_shared<project::Source>(
                        out.source ? std::move(*out.source) : project::unheardOf(all[i], *out.read));
                    if (!out.source)
                        later.emplace_back(i, std::make_shared<project::ReadSource>(std::move(*out.read)));
                    onInterface([this, import, i, source] { bringIn(*import, i, std::move(*source)); });
                },
                p.stop);
            base::abreast<base::Result<project::Source>>(
                p.stopped() ? 0 : later.size(),
                [&](std::size_t k) {
                    auto source =
                        ear.hear(all[later[k].first], *later[k].second, shares.of(later[k].first, 0.3, 1));
                    later[k].second.reset();
                    return source;
                },
                [&](std::size_t k, base::Result<project::Source> source) {
                    if (!source) {
                        import->complain(source.error().text);
                        return;
                    }
                    onInterface([this, import, i = later[k].first,
                                 one = std::make_shared<project::Source>(std::move(*source))] {
                        heardOf(*import, i, *one);
                    });
                },
                p.stop);
            return p.stopped();
        },
        [this, import](bool cancelled) {
            if (document_.isOf(import->begun)) importEnded(*import, cancelled);
        },
        count);
}

// On the page, as it is known so far.
void Session::bringIn(Import& import, std::size_t file, project::Source source) {
    project::Project p = now();
    project::lean(source, {preferences_.worksFrom, project::neighboursOf(p, source.file)});
    project::Added added = project::addSources(p, {std::move(source)});
    const SourceId id = added.ids.front();
    auto placed = project::placeSources(added.project, {id}, import.track, import.at);
    if (!placed) {
        import.complain(placed.error().text);
        return;
    }
    if (import.way == NewSources::AsRecorded)
        if (auto raw = project::setAsRecorded(placed->project, placed->clips)) placed->project = std::move(*raw);
    if (import.way == NewSources::Lead && !import.ledAlready && !now().lead) {
        const ClipId clip = placed->clips.front();
        if (auto led = project::setLead(placed->project, clip, project::leadAsPlayed(placed->project, clip))) {
            import.ledAlready = true;
            placed->project = std::move(*led);
        }
    }
    const bool isIn = edit(tr("Import"), std::move(placed->project), import.gesture);
    if (!isIn) return;
    import.came[file] = id;
    if (const project::LaidClip* clip = laid()->find(placed->clips.front());
        clip != nullptr && import.oneAfterTheOther) {
        // The next begins on the bar line after its end, or on that itself.
        const Beats end = clip->time().end - Beats(0.01);
        import.at = metre::gridAfter(end, metre::Snap::Bar, now().metre);
    }
    say(qt(project::toldOf(now(), id)));
}

// Its tempo comes after it: every version knows it from now on, as if it had been known from the beginning.
void Session::heardOf(Import& import, std::size_t file, project::Source heard) {
    if (file >= import.came.size() || !import.came[file]) return;
    const SourceId id = *import.came[file];
    project::lean(heard, {preferences_.worksFrom, project::neighboursOf(now(), heard.file)});
    document_.accept(import.begun,
                     {{.source = id, .heard = std::make_shared<const project::Source>(std::move(heard))}});
    if (project::sourceOf(now(), id)) say(qt(project::toldOf(now(), id)));
}

// A project that was saved while a source was still listened to has it unheard: that goes on now.
void Session::hearWhatWasNotHeard() {
    std::vector<project::SourcePtr> unheard;
    for (const project::SourcePtr& s : now().sources)
        if (project::isUnheard(*s) && !s->chosen && !s->set) unheard.push_back(s);
    if (unheard.empty()) return;
    const auto count = static_cast<int>(unheard.size());
    jobs_.start<QStringList>(
        Lane::Listen, tr("Listening to %n sources", nullptr, count),
        [this, unheard, taken = document_.snapshot(), ear = Ear{library_->library(), remembered_.memory()},
         store = store_.get()](const base::Progress& p) {
            QStringList problems;
            base::Shares shares(unheard.size(), p);
            base::abreast<base::Result<project::Source>>(
                unheard.size(),
                [&](std::size_t i) -> base::Result<project::Source> {
                    auto read =
                        project::decodeSource(unheard[i]->file, {taken.project.rate, store}, shares.of(i, 0, 0.3));
                    if (!read) return tl::unexpected(read.error());
                    return ear.hear(unheard[i]->file, *read, shares.of(i, 0.3, 1));
                },
                [&](std::size_t i, base::Result<project::Source> source) {
                    if (!source) {
                        if (!source.error().cancelled) problems << qt(source.error().text);
                        return;
                    }
                    mailbox_.post([this, taken, id = unheard[i]->id,
                                   one = std::make_shared<const project::Source>(std::move(*source))] {
                        if (document_.accept(taken, {{.source = id, .heard = one}}))
                            if (project::sourceOf(now(), id)) say(qt(project::toldOf(now(), id)));
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

void Session::importEnded(Import& import, bool cancelled) {
    document_.endGesture();
    BroughtIn brought;
    std::vector<ClipId> clips;
    for (const auto& id : import.came) {
        if (!id || !project::sourceOf(now(), *id)) continue; // it did not come, or was taken back meanwhile
        brought.sources.push_back(*id);
        for (const project::LaidClip& c : laid()->clips())
            if (c.clip->source == *id) clips.push_back(c.id());
    }
    brought.problems = import.problems;
    const bool isAll = std::all_of(laid()->clips().begin(), laid()->clips().end(), [&](const project::LaidClip& c) {
        return std::find(brought.sources.begin(), brought.sources.end(), c.clip->source) != brought.sources.end();
    });
    if (isAll && !now().lead)
        for (const SourceId id : brought.sources)
            if (const project::SourcePtr s = project::sourceOf(now(), id); s && s->beats && !brought.mayLead)
                brought.mayLead = id;
    brought.likelySets = project::likelySets(now(), brought.sources);
    const QString more = cancelled ? tr(" The rest was cancelled.") : QString();
    const auto n = static_cast<int>(brought.sources.size());
    if (n == 0) {
        if (cancelled) say(tr("The import was cancelled; nothing came in."));
        if (!brought.problems.isEmpty()) emit told(tr("Nothing came in"), brought.problems, true);
        return;
    }
    document_.select(clips);
    say(n == 1 ? qt(project::toldOf(now(), brought.sources.front())) + more
               : tr("%1 sources came in.").arg(n) + more);
    brought.title = tr("%1 came in").arg(n) +
                    (brought.problems.isEmpty() ? QString() : tr(", %1 to look at").arg(brought.problems.size())) +
                    more;
    emit broughtIn(brought);
}

} // namespace app
