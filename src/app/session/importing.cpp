#include "app/session/importing.h"

#include "app/widgets/text.h"
#include "base/abreast.h"
#include "base/utf8.h"
#include "metre/snap.h"
#include "project/arriving.h"
#include "project/import.h"
#include "project/leaning.h"
#include "project/sets.h"
#include "shelf/hear_known.h"
#include "sound/audio_files.h"

#include <algorithm>
#include <mutex>

namespace app {

namespace fs = std::filesystem;

Importing::Importing(const Common& common, LibraryDesk& library, Remembered& remembered)
    : Part(common), library_(library), remembered_(remembered) {}

// Shared by the worker, which only fills `problems`, and the interface thread, which has the rest.
struct Importing::Import {
    Snapshot begun; // of the document that they come into
    Gesture gesture;
    std::optional<TrackId> track;
    Beats at;
    bool oneAfterTheOther = false;
    NewSources way = NewSources::KeepTime;
    std::vector<std::optional<SourceId>> came; // by file
    bool ledAlready = false;
    int rate = 0;
    std::function<base::Result<project::Source>(const fs::path&, project::ReadSource&, const base::Progress&)> hear;
    std::mutex mutex; // guards what follows
    QStringList problems;
    void complain(const std::string& text) {
        const std::lock_guard lock(mutex);
        problems << translated(text);
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

// Of one file: decoded, and heard already or not.
struct Read {
    base::Result<project::ReadSource> read;
    std::optional<project::Source> source;
};

} // namespace

void Importing::bringIn(std::vector<fs::path> files, std::optional<TrackId> track, Beats at) {
    // A tempo map is taken, not placed.
    const auto maps = std::stable_partition(files.begin(), files.end(), [](const fs::path& file) {
        const QString ending = qt(file.extension().string()).toLower();
        return ending != ".mid" && ending != ".midi";
    });
    for (auto map = maps; map != files.end(); ++map)
        emit mapComes(*map);
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
    import->rate = now().rate;
    import->hear = [ library = library_.library(), memory = remembered_.memory() ](
        const fs::path& file, project::ReadSource& read, const base::Progress& progress) {
        return shelf::heardOrKnown(file, read, library.get(), memory.get().get(), progress);
};
const QString what =
    files.size() == 1 ? tr("Importing %1").arg(qt(base::shownName(files.front()))) : tr("Importing and listening");
const auto count = static_cast<int>(files.size());
jobs_.start<bool>(
    Lane::Import, what,
    [this, import, files = std::move(files)](const base::Progress& p) {
        readAll(import, files, p);
        return p.stopped();
    },
    [this, import](bool cancelled) {
        if (document_.isOf(import->begun)) ended(*import, cancelled);
    },
    count);
} // namespace app

void Importing::placeAgain(SourceId source, Beats at) {
    auto placed = project::place(now(), source, {}, at);
    if (!placed)
        say(translated(placed.error().text));
    else if (edit(tr("Place"), std::move(placed->project)))
        document_.select({placed->id});
}

void Importing::onInterface(const std::shared_ptr<Import>& import, std::function<void()> act) {
    mailbox_.post([this, import, act = std::move(act)] {
        if (document_.isOf(import->begun)) act();
    });
}

// On a worker: what is short is heard before it is handed on, what is long afterwards.
void Importing::readAll(const std::shared_ptr<Import>& import, const std::vector<fs::path>& files,
                        const base::Progress& p) {
    const std::vector<fs::path> all = expanded(files, [&](const std::string& s) { import->complain(s); });
    if (all.empty()) return;
    onInterface(import, [import, n = all.size()] { import->came.resize(n); });
    base::Shares shares(all.size(), p);
    // Each begins where one before ends, or the first says what time it is.
    const bool heardFirst = (import->oneAfterTheOther && all.size() > 1) || import->way == NewSources::Lead;
    std::vector<std::pair<std::size_t, std::shared_ptr<project::ReadSource>>> later;
    base::abreast<Read>(
        all.size(),
        [&](std::size_t i) {
            Read out{project::decodeSource(all[i], {import->rate, &store_}, shares.of(i, 0, 0.3)), {}};
            if (!out.read || (out.read->facts.length().value > quicklyHeard && !heardFirst)) return out;
            if (auto source = import->hear(all[i], *out.read, shares.of(i, 0.3, 1)))
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
            auto source = std::make_shared<project::Source>(out.source ? std::move(*out.source)
                                                                       : project::unheardOf(all[i], *out.read));
            if (!out.source) later.emplace_back(i, std::make_shared<project::ReadSource>(std::move(*out.read)));
            onInterface(import, [this, import, i, source] { place(*import, i, std::move(*source)); });
        },
        p.stop);
    base::abreast<base::Result<project::Source>>(
        p.stopped() ? 0 : later.size(),
        [&](std::size_t k) {
            auto source = import->hear(all[later[k].first], *later[k].second, shares.of(later[k].first, 0.3, 1));
            later[k].second.reset();
            return source;
        },
        [&](std::size_t k, base::Result<project::Source> source) {
            if (!source) {
                import->complain(source.error().text);
                return;
            }
            onInterface(import, [this, import, i = later[k].first,
                                 one = std::make_shared<project::Source>(std::move(*source))] {
                heardOf(*import, i, *one);
            });
        },
        p.stop);
}

// On the page, as it is known so far.
void Importing::place(Import& import, std::size_t file, project::Source source) {
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
    say(translated(project::toldOf(now(), id)));
}

// Its tempo comes after it: every version knows it from now on, as if it had been known from the beginning.
void Importing::heardOf(Import& import, std::size_t file, project::Source heard) {
    if (file >= import.came.size() || !import.came[file]) return;
    const SourceId id = *import.came[file];
    project::lean(heard, {preferences_.worksFrom, project::neighboursOf(now(), heard.file)});
    document_.accept(import.begun,
                     {{.source = id, .heard = std::make_shared<const project::Source>(std::move(heard))}});
    if (project::sourceOf(now(), id)) say(translated(project::toldOf(now(), id)));
}

void Importing::ended(Import& import, bool cancelled) {
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
    brought.isAll = isAll;
    if (isAll && !now().lead)
        for (const SourceId id : brought.sources)
            if (const project::SourcePtr s = project::sourceOf(now(), id); s && s->beats && !brought.mayLead)
                brought.mayLead = id;
    brought.likelySets = project::likelySets(now(), brought.sources);
    const QString more = cancelled ? tr(" The rest was cancelled.") : QString();
    const auto n = static_cast<int>(brought.sources.size());
    if (n == 0) {
        if (cancelled) say(tr("The import was cancelled; nothing was imported."));
        if (!brought.problems.isEmpty()) complain(tr("Nothing was imported"), brought.problems);
        return;
    }
    document_.select(clips);
    say(n == 1 ? translated(project::toldOf(now(), brought.sources.front())) + more
               : tr("%1 sources imported.").arg(n) + more);
    brought.title = tr("%1 imported").arg(n) +
                    (brought.problems.isEmpty() ? QString() : tr(", %1 problems").arg(brought.problems.size())) +
                    more;
    emit broughtIn(brought);
}

} // namespace app
