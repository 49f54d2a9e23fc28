#include "play/player.h"

#include <algorithm>
#include <cmath>
#include <thread>

namespace play {

namespace {

constexpr std::size_t keepBytes = std::size_t(1) << 30;
constexpr auto longestWait = std::chrono::milliseconds(200);
constexpr double aboutToSound = 1.0; // seconds

int workerCount() {
    return std::clamp(static_cast<int>(std::thread::hardware_concurrency()), 1, 4);
}

} // namespace

Player::Player(std::unique_ptr<Output> output, std::function<void()> onChange)
    : output_(std::move(output)), cache_(workerCount(), keepBytes, std::move(onChange)),
      laid_(project::lay(project::Project())) {
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
    auto started = output_->start(std::move(callback));
    outputProblem_ = started ? std::string() : started.error().text;
}

void Player::replaceOutput(std::unique_ptr<Output> output) {
    output_->stop();
    output_ = std::move(output);
    startOutput();
}

metre::Beats Player::position() const {
    if (raw_) return leftAt_;
    // A locate that the callback has not seen yet already counts, so that nothing jumps back for a moment.
    return engine_.ordersDone() < locateOrder_ ? located_ : engine_.position();
}

void Player::setProject(const project::LaidPtr& laid) {
    laid_ = laid;
    if (project().rate != rate_) startOutput();
    const bool newTempo = !(project().tempo == heardTempo_);
    parts_.clear();
    places_.clear();
    std::vector<WantedRender> wanted;
    wanted.reserve(laid_->clips().size());
    const double here = project().tempo.secondsAt(position()).value;
    for (const project::LaidClip& clip : laid_->clips()) {
        Part part{&clip, {}, {}};
        if (const project::RenderJobPtr& job = clip.time().job) {
            part.key = job->key;
            const double startsIn = metre::toSeconds(clip.time().startFrame, rate_).value - here;
            const bool compared = comparison_ && std::find(comparison_->clips.begin(), comparison_->clips.end(),
                                                           clip.id()) != comparison_->clips.end();
            if (compared) {
                auto other =
                    comparison_->with ? project::byMethod(*job, *comparison_->with) : project::asRecorded(*job);
                part.otherKey = other->key;
                wanted.push_back({std::move(other), startsIn, true});
            }
            wanted.push_back({job, startsIn, compared});
        }
        places_.emplace(clip.id().value, parts_.size());
        parts_.push_back(part);
    }
    cache_.want(wanted);
    if (newTempo && wantsToPlay_ && !waiting_) {
        waiting_ = true;
        changedAt_ = std::chrono::steady_clock::now();
    }
    if (!waiting_) publish();
    tick();
}

const Player::Part* Player::partOf(project::ClipId id) const {
    const auto at = places_.find(id.value);
    return at == places_.end() ? nullptr : &parts_[at->second];
}

// Whether what is to be heard of a part from now on, for so many seconds, is rendered.
bool Player::isReadyFor(const Part& part, double seconds) const {
    const double here =
        project().tempo.secondsAt(position()).value - metre::toSeconds(part.clip->time().startFrame, rate_).value;
    return cache_.has(part.key, metre::toFrames(metre::Seconds(here), rate_),
                      metre::toFrames(metre::Seconds(here + seconds), rate_));
}

bool Player::nextToSoundAreReady() const {
    const double here = project().tempo.secondsAt(position()).value;
    return std::all_of(parts_.begin(), parts_.end(), [&](const Part& part) {
        if (!part.key) return true;
        const project::Timing& t = part.clip->time();
        const double start = metre::toSeconds(t.startFrame, rate_).value;
        const double end = metre::toSeconds(t.startFrame + t.length, rate_).value;
        if (end < here || start > here + aboutToSound) return true;
        return isReadyFor(part, aboutToSound) || !cache_.problemWith(part.key).empty();
    });
}

void Player::tick() {
    if (waiting_) {
        const bool late = std::chrono::steady_clock::now() - changedAt_ > longestWait;
        if (!late && wantsToPlay_ && !nextToSoundAreReady()) return;
        waiting_ = false;
        publish();
        return;
    }
    if (cache_.changes() != publishedChanges_) publish();
}

void Player::compare(std::optional<Comparison> comparison) {
    if (comparison_ == comparison) return;
    comparison_ = std::move(comparison);
    if (!comparison_) wantsOther_ = false;
    setProject(laid_);
}

void Player::hearOther(bool on) {
    wantsOther_ = on && comparison_;
    publish();
}

bool Player::otherIsReady() const {
    bool any = false;
    const bool all = std::all_of(parts_.begin(), parts_.end(), [&](const Part& part) {
        if (!part.otherKey) return true;
        any = true;
        return cache_.isComplete(part.otherKey) && cache_.isMeasured(part.key) && cache_.isMeasured(part.otherKey);
    });
    return any && all;
}

double Player::otherGainDb(const Part& part) const {
    const auto own = cache_.loudness(part.key);
    const auto other = cache_.loudness(part.otherKey);
    return own && other ? *own - *other : 0;
}

double Player::otherGainDb() const {
    for (const Part& part : parts_)
        if (part.otherKey) return otherGainDb(part);
    return 0;
}

void Player::publish() {
    const project::Project& p = project();
    const bool sameTempo = p.tempo == heardTempo_;
    auto scene = std::make_shared<mix::Scene>();
    scene->rate = p.rate;
    scene->tempo = p.tempo;
    scene->metre = p.metre;
    if (p.click) scene->click = mix::clickAt(p.rate);
    scene->loop = p.loop.on;
    scene->loopFrom = p.loop.from;
    scene->loopTo = p.loop.to;
    std::unordered_map<std::int64_t, std::vector<RenderedPiece>> heard;
    publishedChanges_ = cache_.changes();
    const bool other = hearsOther();
    const double here = p.tempo.secondsAt(position()).value;
    std::vector<RenderCache::Question> questions;
    questions.reserve(parts_.size());
    for (const Part& part : parts_) {
        const double from = here - metre::toSeconds(part.clip->time().startFrame, rate_).value;
        questions.push_back({part.key, metre::toFrames(metre::Seconds(from), rate_),
                             metre::toFrames(metre::Seconds(from + aboutToSound), rate_)});
    }
    std::vector<RenderCache::Answer> answers = cache_.answers(questions);
    for (std::size_t i = 0; i < parts_.size(); ++i) {
        const Part& part = parts_[i];
        if (!part.key) continue;
        std::vector<RenderedPiece> pieces;
        double extraDb = 0;
        const auto old = lastHeard_.find(part.clip->id().value);
        if (other && part.otherKey) {
            pieces = cache_.find(part.otherKey);
            extraDb = otherGainDb(part);
        } else if (sameTempo && old != lastHeard_.end() && !answers[i].has && !answers[i].failed) {
            pieces = old->second; // another method, say: the old rendering is still in time
        } else {
            pieces = std::move(answers[i].pieces);
        }
        if (part.clip->chain.heard)
            for (const RenderedPiece& piece : pieces)
                scene->clips.push_back(mix::pieceOf(*part.clip, p.rate, piece.from, piece.audio, extraDb));
        if (!pieces.empty()) heard[part.clip->id().value] = std::move(pieces);
    }
    lastHeard_ = std::move(heard);
    heardTempo_ = p.tempo;
    if (!raw_) engine_.setScene(scene);
}

namespace {

// The tempos between a recording's pins, each held; before its first downbeat that of the stretch there runs on.
metre::TempoMap tempoOf(const metre::BeatMap& beats) {
    std::vector<metre::TempoPoint> points;
    const auto& pins = beats.pins();
    for (std::size_t i = 0; i + 1 < pins.size(); ++i) {
        const double bpm = 60 * (pins[i + 1].beat - pins[i].beat).value / (pins[i + 1].at - pins[i].at).value;
        const metre::Beats at = points.empty() ? metre::Beats(0) : pins[i].beat;
        if (pins[i + 1].beat > metre::Beats(0))
            points.push_back({at, metre::Bpm(bpm), metre::TempoPoint::Shape::Hold});
    }
    auto map = metre::TempoMap::make(std::move(points));
    return map ? std::move(*map) : metre::TempoMap(metre::Bpm(120));
}

} // namespace

void Player::makeRaw(sound::AudioPtr audio, const std::optional<metre::BeatMap>& beats, bool click) {
    auto raw = std::make_unique<Raw>();
    auto scene = std::make_shared<mix::Scene>();
    scene->rate = rate_;
    if (beats) {
        raw->beatZero = beats->secondsAt(metre::Beats(0));
        scene->tempo = tempoOf(*beats);
    }
    raw->audio = audio;
    scene->clips.push_back(mix::soundAt(metre::toFrames(-raw->beatZero, rate_), std::move(audio)));
    if (click && beats) scene->click = mix::clickAt(rate_);
    raw->scene = scene;
    raw_ = std::move(raw);
    engine_.setScene(raw_->scene);
}

void Player::playRaw(sound::AudioPtr audio, const std::optional<metre::BeatMap>& beats, bool click) {
    if (!raw_) leftAt_ = position();
    wantsToPlay_ = false;
    makeRaw(std::move(audio), beats, click);
    engine_.locate(raw_->scene->tempo.beatAt(-raw_->beatZero));
    engine_.play();
}

void Player::retimeRaw(const std::optional<metre::BeatMap>& beats, bool click) {
    const metre::Seconds at = rawPosition();
    makeRaw(raw_->audio, beats, click);
    engine_.locate(raw_->scene->tempo.beatAt(at - raw_->beatZero));
}

metre::Seconds Player::rawPosition() const {
    return raw_->scene->tempo.secondsAt(engine_.position()) + raw_->beatZero;
}

void Player::stopRaw() {
    if (!raw_) return;
    engine_.stop();
    raw_.reset();
    publish();
    locate(leftAt_);
}

void Player::play() {
    stopRaw();
    cache_.retry();
    setProject(laid_); // goes on with renderings that were cancelled
    wantsToPlay_ = true;
    engine_.play();
}

void Player::stop() {
    stopRaw();
    wantsToPlay_ = false;
    engine_.stop();
}

void Player::locate(metre::Beats to) {
    if (raw_) {
        leftAt_ = to;
        return;
    }
    engine_.locate(to);
    located_ = to;
    locateOrder_ = engine_.ordersGiven();
    setProject(laid_); // what is urgent has changed
}

std::vector<RenderedPiece> Player::renderedClip(project::ClipId id) const {
    const Part* part = partOf(id);
    return part == nullptr ? std::vector<RenderedPiece>() : cache_.find(part->key);
}

bool Player::isRendered(project::ClipId id) const {
    const Part* part = partOf(id);
    return part != nullptr && cache_.isComplete(part->key);
}

std::string Player::problemWith(project::ClipId id) const {
    const Part* part = partOf(id);
    if (part == nullptr) return {};
    return part->key ? cache_.problemWith(part->key) : part->clip->time().problem;
}

bool Player::hasFailures() const {
    return std::any_of(parts_.begin(), parts_.end(),
                       [&](const Part& part) { return part.key && !cache_.problemWith(part.key).empty(); });
}

} // namespace play
