#include "app/session/sounds.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "project/missing.h"
#include "project/part.h"
#include "project/save.h"

#include <algorithm>

namespace app {

namespace fs = std::filesystem;

void Sounds::setRate(int rate) {
    if (rate == now().rate) return;
    struct AtRate {
        project::Patch sounds;
        std::vector<std::string> warnings;
        bool cancelled = false;
    };
    jobs_.start<AtRate>(
        Lane::Document, tr("Reading the audio at %1 kHz").arg(rate / 1000.0),
        [p = now(), rate, store = &store_](const base::Progress& progress) {
            project::Project next = project::withoutSound(p, rate);
            auto warnings = project::loadAudio(next, progress, store);
            return AtRate{project::soundsOf(next), std::move(warnings), progress.stopped()};
        },
        [this, rate, taken = document_.snapshot()](const AtRate& read) {
            if (!document_.isOf(taken)) return;
            if (read.cancelled) {
                say(tr("The rate stays as it was."));
                return;
            }
            // What came in meanwhile is read after it.
            document_.accept(taken, read.sounds);
            readingAtRate_ = false;
            if (!edit(tr("Sample rate"), project::atRate(now(), rate))) return;
            say(tr("The project is at %1 kHz").arg(rate / 1000.0));
            QStringList lines;
            for (const std::string& w : read.warnings)
                lines << translated(w);
            if (!lines.isEmpty()) complain(tr("Not all of the audio could be read"), lines);
        });
}

void Sounds::readAtRate() {
    if (readingAtRate_) return;
    project::Project wanting = now();
    wanting.sources = document_.toRead();
    wanting.tracks.clear();
    if (wanting.sources.empty()) return;
    readingAtRate_ = true;
    const auto count = static_cast<int>(wanting.sources.size());
    struct Read {
        project::Patch sounds;
        std::vector<std::string> warnings;
    };
    jobs_.start<Read>(
        Lane::Import, tr("Reading %n sources at the project's rate", nullptr, count),
        [p = std::move(wanting), store = &store_](const base::Progress& progress) mutable {
            auto warnings = project::loadAudio(p, progress, store);
            return Read{project::soundsOf(p), std::move(warnings)};
        },
        [this, asked = document_.toRead(), taken = document_.snapshot()](const Read& read) {
            const bool accepted = document_.accept(taken, read.sounds);
            const auto left = document_.toRead();
            const bool wasAsked =
                accepted && std::all_of(left.begin(), left.end(), [&](const project::SourcePtr& s) {
                    return std::any_of(asked.begin(), asked.end(), [&](const auto& a) { return a->id == s->id; });
                });
            readingAtRate_ = wasAsked && !left.empty();
            readAtRate(); // of what came in meanwhile, or of another document
            if (!accepted) return;
            QStringList lines;
            for (const std::string& w : read.warnings)
                lines << translated(w);
            if (!lines.isEmpty()) complain(tr("Not all of the audio could be read"), lines);
        },
        count);
}

void Sounds::findMissing(const fs::path& folder) {
    std::vector<project::SourcePtr> missing;
    for (const project::SourcePtr& s : now().sources)
        if (!s->sound) missing.push_back(s);
    if (missing.empty()) {
        say(tr("Nothing is missing."));
        return;
    }
    const auto count = missing.size();
    jobs_.start<std::vector<project::Found>>(
        Lane::Files, tr("Looking for missing audio in %1").arg(qt(base::shownName(folder))),
        [missing = std::move(missing), folder, keeping = project::Keeping(now().rate, &store_)](
            const base::Progress& p) { return project::findMissing(missing, folder, keeping, p); },
        [this, count, taken = document_.snapshot()](const std::vector<project::Found>& found) {
            if (!document_.accept(taken, project::patchOf(found))) return;
            const auto left = count - found.size();
            say(left == 0 ? tr("All of the missing audio was found")
                          : tr("%1 of %2 found; %3 still missing").arg(found.size()).arg(count).arg(left));
        });
}

void Sounds::extractPart() {
    const auto& selected = selection().clips;
    const project::LaidClip* laidClip = selected.size() == 1 ? laid()->find(selected.front()) : nullptr;
    if (laidClip == nullptr || !laidClip->source || !laidClip->source->sound) {
        say(tr("Select one clip whose audio is there: the part that it plays becomes a source of its own."));
        return;
    }
    if (laidClip->clip->locked) {
        say(tr("The clip is locked; unlock it first."));
        return;
    }
    const project::Clip clip = *laidClip->clip;
    const project::SourcePtr source = laidClip->source;
    const fs::path folder =
        document_.folder().empty() ? base::dataFolder() / "parts" : document_.folder() / "audio";
    jobs_.start<base::Result<project::Source>>(
        Lane::Files, tr("Extracting a part of %1").arg(qt(source->name)),
        [clip, source, folder, rate = now().rate](const base::Progress& p) {
            return project::extracted(*source, clip, folder, rate, p);
        },
        [this, clip, taken = document_.snapshot()](base::Result<project::Source> part) {
            if (!document_.isOf(taken)) return;
            if (!part) {
                if (!part.error().cancelled)
                    complain(tr("The part was not extracted"), {translated(part.error().text)});
                return;
            }
            const QString name = qt(part->name);
            project::Added added = project::addSources(now(), {std::move(*part)});
            auto placed = project::playInstead(added.project, clip.id, added.ids.front());
            if (edit(tr("Extract"), std::move(placed)))
                say(tr("%1 is a source of its own; the recording it comes from stays whole").arg(name));
        });
}

void Sounds::emptyStore() {
    jobs_.start<bool>(
        Lane::Files, tr("Emptying the cache"),
        [store = &store_](const base::Progress&) {
            store->clear();
            return true;
        },
        [this](bool) { say(tr("What was kept on disk is removed; it is made again as it is needed.")); });
}

void Sounds::watch() {
    const std::int64_t unread = sound::unreadPages();
    if (unread == unread_) return;
    if (unread_ == 0)
        complain(tr("Audio could not be read from the disk"),
                 {tr("Part of what lies in %1 was cut short, or its disk went; it is silent now. Open the project "
                     "again to read it anew.")
                      .arg(qt(base::shownPath(store_.folder())))});
    unread_ = unread;
}

} // namespace app
