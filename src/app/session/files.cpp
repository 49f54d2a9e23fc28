#include "app/session/files.h"

#include "app/widgets/text.h"
#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "project/recovery.h"
#include "project/save.h"

namespace app {

namespace fs = std::filesystem;

Files::Files(const Common& common, Autosave& autosave, Remembered& remembered)
    : Part(common), autosave_(autosave), remembered_(remembered) {}

void Files::replaceDocument(project::Project p, const fs::path& folder, bool saved) {
    // What was under way for the document before has nowhere to go.
    jobs_.cancel(Lane::Import);
    jobs_.cancel(Lane::Listen);
    emit givesWay();
    document_.replace(std::move(p), folder, saved);
    if (saved) autosave_.nothingToKeep();
    emit isReplaced();
}

void Files::startNew() {
    replaceDocument({}, {}, true);
}

void Files::open(const fs::path& path, As as) {
    jobs_.cancel(Lane::Document);
    jobs_.start<base::Result<project::Loaded>>(
        Lane::Document, tr("Opening %1").arg(qt(base::shownName(path))),
        [path, store = &store_](const base::Progress& p) { return project::loadProject(path, p, store); },
        [this, path, as, taken = document_.snapshot()](base::Result<project::Loaded> loaded) {
            if (!loaded) {
                if (loaded.error().cancelled)
                    say(tr("Opening was cancelled."));
                else
                    complain(tr("The project was not opened"), {translated(loaded.error().text)});
                return;
            }
            std::error_code error;
            fs::path folder = fs::absolute(path, error);
            if (!fs::is_directory(folder, error)) folder = folder.parent_path();
            const auto there = std::make_shared<project::Loaded>(std::move(*loaded));
            const auto take = [this, folder, as, there] {
                replaceDocument(there->project, as == As::Copy ? fs::path() : folder, true);
                say(tr("%1 opened").arg(qt(base::shownName(folder))));
                QStringList lines;
                for (const std::string& w : there->warnings)
                    lines << translated(w);
                if (!lines.isEmpty()) complain(tr("The project opened, but not all of its audio"), lines);
            };
            // What was changed while it was read is not to go without a word.
            if (before_ && taken.revision != document_.revision())
                before_(tr("Opening %1").arg(qt(base::shownName(folder))), take);
            else
                take();
        });
}

void Files::lookForRecovery() {
    jobs_.start<std::vector<project::Recovery>>(
        Lane::Files, tr("Looking for unsaved work"),
        [](const base::Progress&) {
            base::clearUnfinished();
            return project::findRecoveries(base::recoveryFolder());
        },
        [this](const std::vector<project::Recovery>& found) {
            if (found.empty()) return;
            const project::Recovery& r = found.front();
            emit recoverable(r.file, r.projectFolder.empty() ? tr("a project that was never saved")
                                                             : qt(base::shownName(r.projectFolder)));
        });
}

void Files::recover(const fs::path& autosaved) {
    struct Recovered {
        std::optional<project::Recovery> found;
        std::vector<std::string> warnings;
        bool cancelled = false;
    };
    jobs_.start<Recovered>(
        Lane::Document, tr("Recovering"),
        [autosaved, store = &store_](const base::Progress& progress) {
            Recovered out;
            for (project::Recovery& r : project::findRecoveries(base::recoveryFolder()))
                if (r.file == autosaved) out.found = std::move(r);
            if (out.found) out.warnings = project::loadAudio(out.found->project, progress, store);
            out.cancelled = progress.stopped();
            return out;
        },
        [this](Recovered recovered) {
            if (recovered.cancelled) {
                say(tr("Recovering was cancelled; it is offered again at the next start."));
                return;
            }
            if (!recovered.found) {
                say(tr("The unsaved work is no longer there, or another window has it."));
                return;
            }
            replaceDocument(std::move(recovered.found->project), recovered.found->projectFolder, false);
            // What the crash left stays until this is written, or saved.
            autosave_.supersedes(recovered.found->file);
            say(tr("Recovered. Save the project to keep it."));
            QStringList lines;
            for (const std::string& w : recovered.warnings)
                lines << translated(w);
            if (!lines.isEmpty()) complain(tr("Recovered, but not all of its audio"), lines);
        });
}

void Files::save(const fs::path& folder, std::function<void()> afterwards) {
    const auto parted = std::make_shared<std::string>(); // what is to be said of other names of the file
    jobs_.start<base::Result<project::Project>>(
        Lane::Save, tr("Saving %1").arg(qt(base::shownName(folder))),
        [p = now(), folder, copies = preferences_.copyAudio, store = &store_,
         parted](const base::Progress& progress) {
            *parted = base::otherNamesNote(folder / project::projectFileName);
            return project::saveProject(p, folder, copies, progress, store);
        },
        [this, folder, parted, afterwards = std::move(afterwards),
         taken = document_.snapshot()](base::Result<project::Project> saved) {
            if (!saved) {
                if (saved.error().cancelled)
                    say(tr("Saving was cancelled."));
                else
                    complain(tr("The project was not saved"), {translated(saved.error().text)});
                return;
            }
            say(tr("%1 saved").arg(qt(base::shownName(folder))) +
                (parted->empty() ? QString() : " · " + translated(*parted)));
            if (!document_.isOf(taken)) return;
            const bool changedMeanwhile = taken.revision != document_.revision();
            document_.saved(taken, folder, *saved);
            remembered_.keep();
            emit this->saved();
            if (!changedMeanwhile) autosave_.nothingToKeep();
            if (afterwards) afterwards();
        });
}

} // namespace app
