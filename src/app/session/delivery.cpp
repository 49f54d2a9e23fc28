#include "app/session/delivery.h"

#include "app/widgets/text.h"
#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "deliver/file_tags.h"
#include "sound/tag_file.h"

#include <algorithm>

namespace app {

namespace fs = std::filesystem;

Delivery::Delivery(const Common& common, const play::Player& player, const Proofs& proofs, Remembered& remembered,
                   LibraryDesk& library)
    : Part(common), player_(player), proofs_(proofs), remembered_(remembered), library_(library) {}

// What is proven and rendered now need not be made again.
deliver::Known Delivery::known() const {
    std::unordered_map<std::int64_t, std::shared_ptr<const prove::Proof>> proofs;
    std::vector<ClipId> clips;
    for (const project::LaidClip& clip : laid()->clips()) {
        clips.push_back(clip.id());
        if (auto proof = proofs_.of(clip.id())) proofs.emplace(clip.id().value, std::move(proof));
    }
    return {[proofs = std::move(proofs)](ClipId id) {
                const auto found = proofs.find(id.value);
                return found == proofs.end() ? nullptr : found->second;
            },
            player_.renderings(clips)};
}

std::int64_t Delivery::deliver(const deliver::Order& order, std::vector<deliver::Planned> plan) {
    const auto count = static_cast<int>(plan.size());
    // What it is called among the jobs is known once it has begun, and told before anything of it is.
    const auto job = std::make_shared<std::int64_t>(0);
    *job = jobs_.start<deliver::Delivered>(
        Lane::Deliver, count == 1 ? tr("Delivering") : tr("Delivering %1 files").arg(count),
        [this, job, p = laid(), order, plan = std::move(plan), known = known()](const base::Progress& progress) {
            return deliver::deliver(p, plan, order, progress, known, [this, job](std::size_t file, bool written) {
                mailbox_.post([this, job, file, written] { emit fileDone(*job, static_cast<int>(file), written); });
            });
        },
        [this, order, count, taken = document_.snapshot()](const deliver::Delivered& out) {
            const auto n = static_cast<int>(out.written.size());
            if (n > 0 && document_.isOf(taken)) remembered_.keep();
            QString sentence =
                tr("%1 of %2 files written to %3").arg(n).arg(count).arg(qt(base::shownPath(order.folder)));
            if (out.cancelled) sentence = tr("Delivery cancelled · ") + sentence;
            if (out.clipped > 0)
                sentence += out.clipped == 1
                                ? tr(" · one sample was above full scale and was cut")
                                : tr(" · %1 samples were above full scale and were cut").arg(out.clipped);
            say(sentence);
            QStringList lines;
            for (const std::string& p : out.problems)
                lines << translated(p);
            if (!lines.isEmpty()) complain(sentence, lines);
        },
        count);
    return *job;
}

void Delivery::handOut(std::function<void(const std::vector<fs::path>&)> ready) {
    deliver::Order order;
    order.clips = selection().clips;
    order.folder = base::cacheFolder() / "handed out";
    order.existing = base::Existing::Replace;
    auto plan = deliver::plan(*laid(), order);
    if (!plan) {
        say(translated(plan.error().text));
        return;
    }
    jobs_.start<deliver::Delivered>(
        Lane::Deliver, tr("Exporting"),
        [p = laid(), order, plan = std::move(*plan), known = known()](const base::Progress& progress) {
            return deliver::deliver(p, plan, order, progress, known);
        },
        [this, ready = std::move(ready)](const deliver::Delivered& out) {
            QStringList lines;
            for (const std::string& p : out.problems)
                lines << translated(p);
            if (!lines.isEmpty()) complain(tr("Not everything could be exported"), lines);
            if (!out.written.empty()) ready(out.written);
        });
}

void Delivery::addToLibrary() {
    deliver::Order options;
    options.folder = base::dataFolder() / "loops";
    options.clips = selection().clips;
    auto plan = deliver::plan(*laid(), options);
    if (!plan) {
        say(translated(plan.error().text));
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
        [laid = laid(), plan = std::move(*plan), options, known = known()](const base::Progress& progress) {
            const deliver::Delivered done = deliver::deliver(laid, plan, options, progress, known);
            QStringList problems;
            for (const std::string& problem : done.problems)
                problems << translated(problem);
            return problems;
        },
        [this, folder = options.folder, count](const QStringList& problems) {
            if (!problems.isEmpty()) complain(tr("Not everything was added to the library"), problems);
            library_.addFolder(folder);
            say(count == 1 ? tr("One loop added to the library: a right click there gives it tags")
                           : tr("%1 loops added to the library: a right click there gives them tags").arg(count));
        },
        count);
}

void Delivery::writeIntoFiles(const std::vector<SourceId>& sources) {
    struct Job {
        fs::path file;
        deliver::FileTags says;
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
                    out.problems << translated(done.error().text);
                else if (done && !parted.empty())
                    out.notes << translated(parted);
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

} // namespace app
