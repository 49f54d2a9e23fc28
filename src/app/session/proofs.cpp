#include "app/session/proofs.h"

#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "base/background.h"

#include <algorithm>
#include <cmath>
#include <new>
#include <utility>

namespace app {

namespace {

std::size_t bytesOf(const prove::Measured& m) {
    std::size_t bytes = sizeof m + m.attacks.size() * sizeof(prove::Attack) +
                        m.envelope.levels.size() * m.envelope.levels[0].size() * sizeof(float);
    for (const prove::Pitches& pitches : m.pitches)
        bytes += sizeof pitches + pitches.peaks.size() * sizeof(prove::Pitches::Peak);
    return bytes;
}

base::Key keyOfSource(const project::Source& source) {
    return base::KeyMaker()
        .add(source.content)
        .add(static_cast<std::uint64_t>(source.sound->audio.rate))
        .add(std::uint64_t(source.set ? 1 : 0))
        .key();
}

// Equal keys, equal sound from the clip's beginning to its end.
base::Key keyOfRendering(const project::Timing& timing) {
    base::KeyMaker maker;
    for (const project::Part& part : timing.parts) {
        maker.add(part.job->key.high).add(part.job->key.low);
        for (const metre::Frames f : {part.at, part.length, part.from, part.cross})
            maker.add(static_cast<std::uint64_t>(f.value));
    }
    return maker.key();
}

} // namespace

Proofs::Proofs(Document& document, play::Player& player, Jobs& jobs)
    : document_(document), player_(player), jobs_(jobs) {}

Proofs::~Proofs() {
    worker_.request_stop();
}

bool Proofs::canBeMeasured(const project::LaidClip& clip) {
    return clip.source && clip.source->sound && !clip.time().parts.empty();
}

const Proofs::Known* Proofs::knownOf(const project::LaidClip& clip) const {
    const auto found = known_.find(clip.id().value);
    if (found == known_.end() || found->second.timing != clip.timing || found->second.source != clip.source)
        return nullptr;
    return &found->second;
}

std::shared_ptr<const prove::Proof> Proofs::of(ClipId id) const {
    const project::LaidClip* clip = document_.laid()->find(id);
    const Known* known = clip != nullptr ? knownOf(*clip) : nullptr;
    return known != nullptr ? known->proof : nullptr;
}

bool Proofs::isWaiting(ClipId id) const {
    const project::LaidClip* clip = document_.laid()->find(id);
    return clip != nullptr && canBeMeasured(*clip) && knownOf(*clip) == nullptr;
}

void Proofs::setTolerance(metre::Seconds tolerance) {
    if (tolerance == tolerance_) return;
    tolerance_ = tolerance;
    count();
    emit changed();
}

void Proofs::count() {
    summary_ = {};
    for (const project::LaidClip& clip : document_.laid()->clips()) {
        if (!canBeMeasured(clip)) continue;
        const Known* known = knownOf(clip);
        if (known == nullptr) {
            ++summary_.waiting;
            continue;
        }
        const auto landing = known->proof ? known->proof->landing(tolerance_) : prove::Landing::Unread;
        ++summary_.counts[static_cast<std::size_t>(landing)];
    }
}

std::optional<Proofs::Place> Proofs::worst() const {
    const auto urgency = [this](const prove::Proof& proof) {
        const prove::Landing landing = proof.landing(tolerance_);
        return prove::isWrong(landing) ? 2 : landing == prove::Landing::Loose ? 1 : 0;
    };
    std::optional<Place> worst;
    int most = -1;
    for (const project::LaidClip& clip : document_.laid()->clips()) {
        const Known* known = knownOf(clip);
        const prove::Hit* hit = known != nullptr && known->proof ? known->proof->worst() : nullptr;
        if (hit == nullptr) continue;
        const int here = urgency(*known->proof);
        if (here < most) continue;
        if (here == most && std::abs(hit->off->value) <= std::abs(worst->hit.off->value)) continue;
        worst = Place{clip.id(), *hit};
        most = here;
    }
    return worst;
}

std::optional<Proofs::Place> Proofs::nextOff(Beats after) const {
    std::optional<Place> next;
    std::optional<Place> first;
    constexpr double hair = 1e-6;
    for (const project::LaidClip& clip : document_.laid()->clips()) {
        const Known* known = knownOf(clip);
        if (known == nullptr || !known->proof) continue;
        for (const prove::Hit& hit : known->proof->hits) {
            if (!hit.off || prove::landingOf(*hit.off, tolerance_) == prove::Landing::InTime) continue;
            if (!first || hit.place < first->hit.place) first = Place{clip.id(), hit};
            if (hit.place.value > after.value + hair && (!next || hit.place < next->hit.place))
                next = Place{clip.id(), hit};
        }
    }
    return next ? next : first;
}

Proofs::Task Proofs::taskOf(const project::LaidClip& clip) const {
    return {document_.laid(),
            clip.id(),
            keyOfRendering(clip.time()),
            {},
            {sources_.find(keyOfSource(*clip.source)), cameOut_.find(keyOfRendering(clip.time())), nullptr}};
}

// Any thread. What fails (no room for listening to what is long, a rendering that fails) leaves no proof, and says
// why.
Proofs::Done Proofs::measured(const Task& task, const base::Progress& progress) {
    Done done{task.laid, task.clip, task.rendering, task.known, {}};
    try {
        const auto proven = prove::proveClip(*task.laid->find(task.clip), task.laid->project().tempo, task.there,
                                             false, done.is, progress);
        if (!proven && !proven.error().cancelled) done.problem = translated(proven.error().text);
    } catch (const std::bad_alloc&) {
        done.problem = tr("There is not enough memory for it.");
    } catch (const std::exception& e) {
        done.problem = QString::fromUtf8(e.what());
    }
    return done;
}

// What was measured is kept; a proof only while the clip is as it was: a late answer does not undo a newer one.
void Proofs::take(const Done& done) {
    const project::LaidClip& measured = *done.laid->find(done.clip);
    sought_ = -1;
    if (!done.problem.isEmpty() && !std::exchange(told_, true))
        emit said(tr("%1 could not be proven: %2").arg(qt(measured.name()), done.problem));
    if (done.is.source) sources_.put(keyOfSource(*measured.source), done.is.source, bytesOf(*done.is.source));
    if (done.is.cameOut) cameOut_.put(done.rendering, done.is.cameOut, bytesOf(done.is.cameOut->measured));
    const project::LaidClip* now = document_.laid()->find(done.clip);
    if (now != nullptr && now->timing == measured.timing && now->source == measured.source)
        known_[done.clip.value] = {measured.timing, measured.source, done.is.proof};
}

void Proofs::look() {
    const Summary before = summary_;
    count();
    if (summary_.waiting == 0 && known_.size() > 2 * document_.laid()->clips().size() + 100)
        std::erase_if(known_, [&](const auto& k) { return document_.laid()->find(ClipId{k.first}) == nullptr; });
    if (!(summary_ == before)) emit changed();
    if (busy_ || summary_.waiting == 0) return;
    // Nothing new was rendered since nothing was found.
    const std::int64_t now = player_.renderChanges() + (document_.revision() << 32);
    if (sought_ == now) return;
    const auto& selected = document_.selection().clips;
    const auto mayBe = [&](const project::LaidClip& clip) {
        if (!canBeMeasured(clip) || knownOf(clip) != nullptr) return false;
        return cameOut_.find(keyOfRendering(clip.time())) != nullptr || player_.isRendered(clip.id());
    };
    const project::LaidClip* next = nullptr;
    for (const ClipId id : selected)
        if (const project::LaidClip* clip = document_.laid()->find(id); clip != nullptr && mayBe(*clip)) {
            next = clip;
            break;
        }
    for (const project::LaidClip& clip : document_.laid()->clips()) {
        if (next != nullptr) break;
        if (mayBe(clip)) next = &clip;
    }
    if (next == nullptr) {
        sought_ = now;
        return;
    }
    Task task = taskOf(*next);
    task.there = player_.renderings({next->id()});
    busy_ = true;
    worker_ = std::jthread([this, task = std::move(task)](const std::stop_token& stop) {
        base::workInBackground();
        Done done = measured(task, {{}, stop});
        if (stop.stop_requested()) return;
        mailbox_.post([this, done = std::move(done)] {
            busy_ = false;
            take(done);
            count();
            emit changed();
            look();
        });
    });
}

// How many clips landed how, and the worst hit.
void Proofs::tellSummary() {
    const Summary s = summary_;
    QStringList words;
    for (const prove::Landing landing : prove::landings)
        if (const int n = s.count(landing); n > 0) words << tr("%1 %2").arg(n).arg(landingLabel(landing));
    if (words.isEmpty()) words << tr("there is nothing to prove yet");
    const auto far = worst();
    QString sentence = tr("Proof: %1").arg(words.join(QStringLiteral(" · ")));
    if (far)
        sentence += tr(" · worst hit %1 ms %2")
                        .arg(std::abs(far->hit.off->value * 1000), 0, 'f', 1)
                        .arg(far->hit.off->value < 0 ? tr("early") : tr("late"));
    emit said(sentence);
}

void Proofs::proveAll() {
    std::vector<Task> tasks;
    for (const project::LaidClip& clip : document_.laid()->clips())
        if (canBeMeasured(clip) && knownOf(clip) == nullptr) {
            tasks.push_back(taskOf(clip));
            tasks.back().there = player_.renderings({clip.id()});
        }
    if (tasks.empty()) {
        tellSummary();
        return;
    }
    const auto many = static_cast<int>(tasks.size());
    jobs_.start<std::vector<Done>>(
        Lane::Prove, many == 1 ? tr("Proving one clip") : tr("Proving %1 clips").arg(many),
        [tasks = std::move(tasks)](const base::Progress& progress) {
            std::vector<Done> all;
            all.reserve(tasks.size());
            // Clips that sound alike are measured once.
            Kept<prove::Measured> sources;
            Kept<prove::CameOut> cameOut;
            const auto n = double(tasks.size());
            for (std::size_t i = 0; i < tasks.size() && !progress.stopped(); ++i) {
                Task task = tasks[i];
                const base::Key source = keyOfSource(*task.laid->find(task.clip)->source);
                if (!task.known.source) task.known.source = sources.find(source);
                if (!task.known.cameOut) task.known.cameOut = cameOut.find(task.rendering);
                Done done = measured(task, progress.part(double(i) / n, double(i + 1) / n));
                if (progress.stopped()) break;
                if (done.is.source) sources.put(source, done.is.source, bytesOf(*done.is.source));
                if (done.is.cameOut)
                    cameOut.put(done.rendering, done.is.cameOut, bytesOf(done.is.cameOut->measured));
                all.push_back(std::move(done));
                progress.at(double(i + 1) / n);
            }
            return all;
        },
        [this](const std::vector<Done>& all) {
            for (const Done& done : all)
                take(done);
            count();
            emit changed();
            tellSummary();
            look();
        },
        many);
}

} // namespace app
