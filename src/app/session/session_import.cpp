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
    std::int64_t generation = 0;
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
    import->generation = document_.generation();
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
            if (import->generation == document_.generation()) act();
        });
    };
    jobs_.start<bool>(
        Lane::Import, what,
        [this, import, onInterface, files = std::move(files), rate = now().rate, memory = remembered_.memory(),
         library = library_->library(), store = store_.get()](const base::Progress& p) {
            const std::vector<fs::path> all = expanded(files, [&](const std::string& s) { import->complain(s); });
            if (all.empty()) return p.stopped();
            onInterface([import, n = all.size()] { import->came.resize(n); });
            base::Shares shares(all.size(), p);
            const auto heard = [&](const fs::path& file, project::ReadSource& read,
                                   const base::Progress& progress) -> base::Result<project::Source> {
                if (auto found = project::findAttacks(read, progress.part(0, 0.4)); !found)
                    return tl::unexpected(found.error());
                auto settled = project::settledOf(file, read, {}, progress.part(0.4, 1),
                                                  library ? library->heardBefore(read.content) : std::nullopt);
                if (!settled) return tl::unexpected(settled.error());
                shelf::recallInto(settled->source, memory.get());
                settled->source.sound = read.sound;
                return std::move(settled->source);
            };
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
                    if (auto source = heard(all[i], *out.read, shares.of(i, 0.3, 1)))
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
                    auto source = heard(all[later[k].first], *later[k].second, shares.of(later[k].first, 0.3, 1));
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
            if (import->generation == document_.generation()) importEnded(*import, cancelled);
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

// Its tempo comes after it: every version learns of it, as if it had been known from the beginning.
void Session::heardOf(Import& import, std::size_t file, project::Source heard) {
    if (file >= import.came.size() || !import.came[file]) return;
    const SourceId id = *import.came[file];
    project::lean(heard, {preferences_.worksFrom, project::neighboursOf(now(), heard.file)});
    document_.heard(id, heard);
    if (project::sourceOf(now(), id)) say(qt(project::toldOf(now(), id)));
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
