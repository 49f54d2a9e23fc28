#include "play/player.h"

#include "metre/snap.h"
#include "sound/decibel.h"
#include "sound/mapped.h"

#include <algorithm>
#include <cmath>
#include <set>
#include <thread>
#include <unistd.h>

namespace play {

namespace {

// Of renderings that nobody wants any more: a sixty-fourth part of the machine's memory, within bounds. They are
// made again in a fraction of the time that they last.
std::size_t keepBytes() {
    constexpr std::size_t least = std::size_t(96) << 20;
    constexpr std::size_t most = std::size_t(256) << 20;
    const auto pages = std::max(0L, sysconf(_SC_PHYS_PAGES));
    return std::clamp(static_cast<std::size_t>(pages) * static_cast<std::size_t>(sound::pageBytes()) / 64, least,
                      most);
}
constexpr std::int64_t mostResident = std::int64_t(300) << 20; // bytes of files in memory, with the program itself

// All cores but one, which is the window's; of two both, since the workers give way to whatever else runs.
int workerCount() {
    constexpr int most = 8; // each takes some tens of megabytes
    const int cores = std::max(1, static_cast<int>(std::thread::hardware_concurrency()));
    return std::clamp(cores - 1, std::min(cores, 2), most);
}

} // namespace

Player::Player(std::unique_ptr<Output> output, std::function<void()> onChange, sound::AudioStore* store)
    : output_(std::move(output)), cache_(workerCount(), keepBytes(), std::move(onChange), store),
      readAhead_(mostResident), laid_(project::lay(project::Project())), base_(laid_) {
    startOutput();
}

Player::~Player() {
    output_->stop();
}

void Player::startOutput() {
    output_->stop();
    feed_.reset();
    lastHeard_.clear(); // at another rate it would be out of time
    rate_ = project().rate;
    Callback callback = [this](float* out, int n) { engine_.process(out, n); };
    if (output_->rate() != rate_ && !output_->setRate(rate_)) {
        feed_ = std::make_unique<RateFeed>(std::move(callback), rate_, output_->rate());
        callback = [feed = feed_.get()](float* out, int n) { feed->pull(out, n); };
    }
    tellStep();
    auto started = output_->start(callback);
    outputProblem_ = started ? std::string() : started.error().text;
    if (started) return;
    // A device that is there but cannot be opened would let the position stand: it goes on silently.
    feed_.reset();
    output_ = silentOutput(rate_);
    if (auto silent = output_->start([this](float* out, int n) { engine_.process(out, n); }); !silent)
        outputProblem_ += " " + silent.error().text;
}

void Player::replaceOutput(std::unique_ptr<Output> output) {
    output_->stop();
    output_ = std::move(output);
    startOutput();
}

void Player::setProject(const project::LaidPtr& laid) {
    // While one new tempo waits for its clips, another waits behind it, and of several the last counts: otherwise a
    // wheel that is turned on and on would be heard only once it rests.
    const bool anotherTempo = !(laid->project().tempo == project().tempo);
    if (isPlaying() && state_.phase() == PlayerState::Phase::NewTempo && anotherTempo &&
        laid->project().rate == rate_) {
        next_ = laid;
        return;
    }
    next_.reset();
    if (laid->project().rate != rate_) stopAudition(); // its sound is at the other rate
    base_ = laid;
    take(withAudition());
}

void Player::take(const project::LaidPtr& laid) {
    laid_ = laid;
    if (project().rate != rate_) startOutput();
    const bool newTempo = !(project().tempo == heardTempo_);
    windows_.clear();
    places_.clear();
    std::vector<WantedRender> wanted;
    wanted.reserve(laid_->clips().size());
    const bool isLookedAt = lookedAt_ && !state_.wantsToPlay();
    const double here = project().tempo.secondsAt(isLookedAt ? *lookedAt_ : heardPosition()).value;
    const std::set<project::ClipId> compared =
        comparison_ ? std::set<project::ClipId>(comparison_->clips.begin(), comparison_->clips.end())
                    : std::set<project::ClipId>();
    for (const project::LaidClip& clip : laid_->clips()) {
        const std::size_t first = windows_.size();
        const auto& parts = clip.time().parts;
        for (std::size_t i = 0; i < parts.size(); ++i) {
            const project::Part& part = parts[i];
            Window window{&clip, &part, Frames(part.cross.value / 2), Frames(0), nullptr, {}};
            if (i + 1 < parts.size()) window.after = Frames(parts[i + 1].cross.value / 2);
            const double startsIn =
                metre::toSeconds(clip.time().startFrame + part.at - part.from, rate_).value - here;
            const Frames from = part.from - window.before;
            const Frames to = part.from + part.length + window.after;
            const bool isCompared = compared.count(clip.id()) > 0;
            if (isCompared) {
                if (comparison_->with) {
                    window.other = project::byMethod(*part.job, *comparison_->with);
                    window.otherFrom = part.from;
                } else {
                    window.other = project::asRecorded(*part.job);
                    window.otherFrom = Frames(std::llround(part.job->map.sourceAt(double(part.from.value)))) -
                                       part.job->map.points().front().source;
                }
                wanted.push_back({window.other,
                                  startsIn + metre::toSeconds(part.from - window.otherFrom, rate_).value, true,
                                  window.otherFrom, window.otherFrom + part.length});
            }
            wanted.push_back({part.job, startsIn, isCompared, from, to});
            windows_.push_back(std::move(window));
        }
        places_.emplace(clip.id().value, std::pair(first, windows_.size()));
    }
    cache_.want(wanted);
    drafting_.clear();
    draftingForJump_.clear();
    if (newTempo && state_.wantsToPlay() && !state_.waitsForClips()) {
        state_.tempoChanged();
        changedAt_ = std::chrono::steady_clock::now();
    }
    if (!state_.waitsForClips()) publish();
    tick();
}

std::pair<std::size_t, std::size_t> Player::windowsOf(project::ClipId id) const {
    const auto at = places_.find(id.value);
    return at == places_.end() ? std::pair<std::size_t, std::size_t>() : at->second;
}

void Player::compare(std::optional<Comparison> comparison) {
    if (comparison_ == comparison) return;
    comparison_ = std::move(comparison);
    if (!comparison_) wantsOther_ = false;
    take(laid_);
}

void Player::hearOther(bool on) {
    wantsOther_ = on && comparison_;
    publish();
}

bool Player::otherIsReady() const {
    bool any = false;
    const bool all = std::all_of(windows_.begin(), windows_.end(), [&](const Window& w) {
        if (!w.other) return true;
        any = true;
        return cache_.hasWanted(w.other->key) && cache_.isMeasured(w.part->job->key) &&
               cache_.isMeasured(w.other->key);
    });
    return any && all;
}

double Player::otherGainDb(const Window& window) const {
    const auto own = cache_.loudness(window.part->job->key);
    const auto other = cache_.loudness(window.other->key);
    return own && other ? *own - *other : 0;
}

double Player::otherGainDb() const {
    for (const Window& window : windows_)
        if (window.other) return otherGainDb(window);
    return 0;
}

std::vector<Player::ShownPiece> Player::renderedClip(project::ClipId id) const {
    const auto [first, end] = windowsOf(id);
    std::vector<ShownPiece> list;
    for (std::size_t i = first; i < end; ++i) {
        const project::Part& part = *windows_[i].part;
        const Frames shift = part.at - part.from;
        for (const RenderedPiece& piece : cache_.find(part.job->key)) {
            const Frames from = std::max(part.at, piece.from + shift);
            const Frames to = std::min(part.at + part.length, piece.end() + shift);
            if (from < to) list.push_back({from, to, piece.from + shift, piece.audio, piece.peaks});
        }
    }
    return list;
}

project::RenderingsPtr Player::renderings(const std::vector<project::ClipId>& clips) const {
    auto all = std::make_shared<project::Renderings>();
    for (const project::ClipId id : clips) {
        const auto [first, end] = windowsOf(id);
        for (std::size_t i = first; i < end; ++i) {
            const base::Key key = windows_[i].part->job->key;
            if (all->count(key) > 0) continue;
            for (const RenderedPiece& piece : cache_.find(key))
                (*all)[key].push_back({piece.from, piece.audio});
        }
    }
    return all;
}

bool Player::isRendered(project::ClipId id) const {
    if (next_) return false; // what is to be heard next is another
    const auto [first, end] = windowsOf(id);
    for (std::size_t i = first; i < end; ++i) {
        const project::Part& part = *windows_[i].part;
        if (!cache_.has(part.job->key, part.from, part.from + part.length)) return false;
    }
    return first < end;
}

std::string Player::problemWith(project::ClipId id) const {
    const auto [first, end] = windowsOf(id);
    for (std::size_t i = first; i < end; ++i)
        if (std::string problem = cache_.problemWith(windows_[i].part->job->key); !problem.empty()) return problem;
    const project::LaidClip* clip = laid_->find(id);
    return clip == nullptr ? std::string() : clip->time().problem;
}

bool Player::hasFailures() const {
    return std::any_of(windows_.begin(), windows_.end(), [&](const Window& w) {
        return guestOf(w.clip->id()) == 0 && !cache_.problemWith(w.part->job->key).empty();
    });
}

} // namespace play
