// What the session hands on, and takes in of what others hand on.
#include "app/session/session.h"

#include "app/widgets/text.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "deliver/midi_map.h"
#include "metre/tempo.h"

#include <algorithm>

namespace app {

namespace fs = std::filesystem;

std::int64_t Session::deliver(const deliver::Order& order, std::vector<deliver::Planned> plan) {
    const auto count = static_cast<int>(plan.size());
    // Proofs that are known now need not be measured again.
    auto known = std::make_shared<std::unordered_map<std::int64_t, std::shared_ptr<const prove::Proof>>>();
    for (const project::LaidClip& clip : laid()->clips())
        if (auto proof = proofs_->of(clip.id())) known->emplace(clip.id().value, std::move(proof));
    // What it is called among the jobs is known once it has begun, and told before anything of it is.
    const auto job = std::make_shared<std::int64_t>(0);
    *job = jobs_.start<deliver::Delivered>(
        Lane::Deliver, count == 1 ? tr("Delivering") : tr("Delivering %1 files").arg(count),
        [this, job, p = laid(), order, plan = std::move(plan), known](const base::Progress& progress) {
            return deliver::deliver(
                p, plan, order, progress,
                [known](ClipId id) {
                    const auto found = known->find(id.value);
                    return found == known->end() ? nullptr : found->second;
                },
                [this, job](std::size_t file, bool written) {
                    mailbox_.post(
                        [this, job, file, written] { emit fileDelivered(*job, static_cast<int>(file), written); });
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
                lines << qt(p);
            if (!lines.isEmpty()) complain(sentence, lines);
        },
        count);
    return *job;
}

void Session::handOut(std::function<void(const std::vector<fs::path>&)> ready) {
    deliver::Order order;
    order.clips = selection().clips;
    order.folder = base::cacheFolder() / "handed out";
    order.existing = base::Existing::Replace;
    auto plan = deliver::plan(*laid(), order);
    if (!plan) {
        say(qt(plan.error().text));
        return;
    }
    jobs_.start<deliver::Delivered>(
        Lane::Deliver, tr("Handing out"),
        [p = laid(), order, plan = std::move(*plan)](const base::Progress& progress) {
            return deliver::deliver(p, plan, order, progress);
        },
        [this, ready = std::move(ready)](const deliver::Delivered& out) {
            QStringList lines;
            for (const std::string& p : out.problems)
                lines << qt(p);
            if (!lines.isEmpty()) complain(tr("Not everything could be handed out"), lines);
            if (!out.written.empty()) ready(out.written);
        });
}

void Session::takeMap(const fs::path& file) {
    using Read = base::Result<deliver::ReadMap>;
    jobs_.start<Read>(
        Lane::Files, tr("Reading %1").arg(qt(base::shownName(file))),
        [file](const base::Progress&) -> Read {
            const auto bytes = base::readText(file);
            if (!bytes) return tl::unexpected(bytes.error());
            auto map = deliver::readMidiMap(*bytes);
            if (!map) return base::problem(base::shownName(file) + ": " + map.error().text + ".");
            if (!map->hasTempo && !map->hasMetre)
                return base::problem(base::shownName(file) + " says nothing of tempo or metre.");
            return std::move(*map);
        },
        [this, file, taken = document_.snapshot()](const Read& map) {
            if (!document_.isOf(taken)) return;
            if (map)
                mapRead(file, *map);
            else
                complain(tr("The tempo map was not taken"), {qt(map.error().text)});
        });
}

void Session::mapRead(const fs::path& file, const deliver::ReadMap& read) {
    const deliver::ReadMap* map = &read;
    base::Result<project::Project> next = now();
    if (map->hasTempo) next = project::setTempoMap(*next, map->maps.tempo);
    if (map->hasMetre && next) {
        for (const metre::MetrePoint& point : now().metre.points())
            if (next && point.bar > 1) next = project::removeMetreAt(*next, point.bar);
        for (const metre::MetrePoint& point : map->maps.metre.points())
            if (next) next = project::setMetreAt(*next, point.bar, point.metre);
    }
    if (!edit(tr("Tempo map"), std::move(next))) return;
    const std::size_t tempos = now().tempo.points().size();
    say(tempos == 1 ? tr("The tempo is %1 now, as %2 has it")
                          .arg(qt(metre::tempoLabel(now().tempo.points().front().bpm)), qt(base::shownName(file)))
                    : tr("%1 tempos taken from %2").arg(tempos).arg(qt(base::shownName(file))));
    QStringList lines;
    for (const std::string& w : map->warnings)
        lines << qt(w);
    if (!lines.isEmpty()) complain(tr("The tempo map was taken, but not all of it"), lines);
}

} // namespace app
