#include "play/player.h"

#include "sound/decibel.h"

#include <algorithm>
#include <cmath>
#include <thread>

namespace play {

using base::Result;

namespace {

constexpr std::size_t keepBytes = std::size_t(1) << 30;
constexpr auto longestWait = std::chrono::milliseconds(200);
constexpr double aboutToSound = 1.0; // seconds

int workerCount() {
    return std::clamp(static_cast<int>(std::thread::hardware_concurrency()), 1, 4);
}

bool isHeard(const project::Project& p, const project::Track& track) {
    const bool anySolo = std::any_of(p.tracks.begin(), p.tracks.end(), [](const auto& t) { return t->solo; });
    return !track.mute && (!anySolo || track.solo);
}

} // namespace

Player::Player(std::unique_ptr<Output> output, std::function<void()> onChange)
    : output_(std::move(output)), cache_(workerCount(), keepBytes, std::move(onChange)) {
    startOutput();
}

Player::~Player() {
    output_->stop();
}

void Player::startOutput() {
    auto started = output_->start([this](float* out, int n) { engine_.process(out, n); });
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

void Player::setProject(const project::Project& p) {
    const bool newTempo = !(p.tempo == heardTempo_);
    project_ = p;
    parts_.clear();
    std::vector<WantedRender> wanted;
    const double here = p.tempo.secondsAt(position()).value;
    for (const project::TrackPtr& track : p.tracks)
        for (const project::Clip& clip : track->clips) {
            Part part{clip.id, project::startFrameOf(p, clip), 0, {}, {}, {}};
            if (isHeard(p, *track))
                part.gain = static_cast<float>(sound::factorFromDb(track->gainDb + clip.gainDb));
            auto job = project::renderJobOf(p, clip);
            if (job) {
                part.key = job->key;
                const double startsIn = metre::toSeconds(part.start, p.rate).value - here;
                const bool compared = comparison_ && std::find(comparison_->clips.begin(), comparison_->clips.end(),
                                                               clip.id) != comparison_->clips.end();
                if (compared) {
                    project::Clip other = clip;
                    if (comparison_->with) other.stretch.method = *comparison_->with;
                    auto otherJob = comparison_->with ? project::renderJobOf(p, other)
                                                      : Result<project::RenderJob>(rawJobOf(*job));
                    if (otherJob) {
                        part.otherKey = otherJob->key;
                        wanted.push_back({std::move(*otherJob), startsIn, true});
                    }
                }
                wanted.push_back({std::move(*job), startsIn, compared});
            } else {
                part.problem = job.error().text;
            }
            parts_.push_back(std::move(part));
        }
    cache_.want(std::move(wanted));
    if (newTempo && wantsToPlay_ && !waiting_) {
        waiting_ = true;
        changedAt_ = std::chrono::steady_clock::now();
    }
    if (!waiting_) publish();
    tick();
}

// Whether what is to be heard of a part from now on, for so many seconds, is rendered.
bool Player::isReadyFor(const Part& part, double seconds) const {
    const double here =
        project_.tempo.secondsAt(position()).value - metre::toSeconds(part.start, project_.rate).value;
    return cache_.has(part.key, metre::toFrames(metre::Seconds(here), project_.rate),
                      metre::toFrames(metre::Seconds(here + seconds), project_.rate));
}

bool Player::nextToSoundAreReady() const {
    const double here = project_.tempo.secondsAt(position()).value;
    return std::all_of(parts_.begin(), parts_.end(), [&](const Part& part) {
        if (part.key.empty() || !cache_.problemWith(part.key).empty() || isReadyFor(part, aboutToSound))
            return true;
        const double start = metre::toSeconds(part.start, project_.rate).value;
        const project::Clip* clip = project::clipOf(project_, part.clip);
        const double end = project_.tempo.secondsAt(project::endOf(project_, *clip)).value;
        return end < here || start > here + aboutToSound;
    });
}

std::size_t Player::readyPieces() const {
    std::size_t count = 0;
    for (const Part& part : parts_) {
        count += cache_.pieceCount(part.key);
        if (!part.otherKey.empty())
            count += cache_.pieceCount(part.otherKey) + static_cast<std::size_t>(cache_.isMeasured(part.key)) +
                     static_cast<std::size_t>(cache_.isMeasured(part.otherKey));
    }
    return count;
}

void Player::tick() {
    if (waiting_) {
        const bool late = std::chrono::steady_clock::now() - changedAt_ > longestWait;
        if (!late && wantsToPlay_ && !nextToSoundAreReady()) return;
        waiting_ = false;
        publish();
        return;
    }
    if (readyPieces() != publishedPieces_) publish();
}

void Player::compare(std::optional<Comparison> comparison) {
    if (comparison_ == comparison) return;
    comparison_ = std::move(comparison);
    if (!comparison_) wantsOther_ = false;
    setProject(project_);
}

void Player::hearOther(bool on) {
    wantsOther_ = on && comparison_;
    publish();
}

bool Player::otherIsReady() const {
    bool any = false;
    const bool all = std::all_of(parts_.begin(), parts_.end(), [&](const Part& part) {
        if (part.otherKey.empty()) return true;
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
        if (!part.otherKey.empty()) return otherGainDb(part);
    return 0;
}

void Player::publish() {
    const bool sameTempo = project_.tempo == heardTempo_;
    auto scene = std::make_shared<Scene>();
    scene->rate = project_.rate;
    scene->tempo = project_.tempo;
    scene->metre = project_.metre;
    scene->click = project_.click;
    scene->loop = project_.loop.on;
    scene->loopFrom = project_.loop.from;
    scene->loopTo = project_.loop.to;
    std::map<project::ClipId, std::vector<RenderedPiece>> heard;
    publishedPieces_ = readyPieces();
    const bool other = hearsOther();
    for (const Part& part : parts_) {
        std::vector<RenderedPiece> pieces;
        double gain = double(part.gain);
        const auto old = lastHeard_.find(part.clip);
        if (other && !part.otherKey.empty()) {
            pieces = cache_.find(part.otherKey);
            gain *= sound::factorFromDb(otherGainDb(part));
        } else if (sameTempo && old != lastHeard_.end() && part.problem.empty() &&
                   !isReadyFor(part, aboutToSound)) {
            pieces = old->second; // another method, say: the old rendering is still in time
        } else {
            pieces = cache_.find(part.key);
        }
        if (gain > 0)
            for (const RenderedPiece& piece : pieces)
                scene->clips.push_back({part.start + piece.from, piece.audio, static_cast<float>(gain)});
        if (!pieces.empty()) heard[part.clip] = std::move(pieces);
    }
    lastHeard_ = std::move(heard);
    heardTempo_ = project_.tempo;
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
    auto scene = std::make_shared<Scene>();
    scene->rate = project_.rate;
    if (beats) {
        raw->beatZero = beats->secondsAt(metre::Beats(0));
        scene->tempo = tempoOf(*beats);
    }
    raw->audio = audio;
    scene->clips.push_back({metre::toFrames(-raw->beatZero, project_.rate), std::move(audio), 1.0F});
    scene->click = click && beats.has_value();
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
    setProject(project_); // goes on with renderings that were cancelled
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
    setProject(project_); // what is urgent has changed
}

std::vector<RenderedPiece> Player::renderedClip(project::ClipId id) const {
    for (const Part& part : parts_)
        if (part.clip == id) return cache_.find(part.key);
    return {};
}

bool Player::isRendered(project::ClipId id) const {
    return std::any_of(parts_.begin(), parts_.end(),
                       [&](const Part& part) { return part.clip == id && cache_.isComplete(part.key); });
}

std::string Player::problemWith(project::ClipId id) const {
    for (const Part& part : parts_)
        if (part.clip == id) return part.problem.empty() ? cache_.problemWith(part.key) : part.problem;
    return {};
}

} // namespace play
