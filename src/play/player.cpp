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
// A busy machine may need it: until then what was heard plays on, all of it together at the tempo before.
constexpr auto longestWait = std::chrono::milliseconds(800);
constexpr auto longestLoad = std::chrono::seconds(2); // what lies on a slow disk may take as long to begin
constexpr double soon = 0.6;                          // seconds from now on: what must be there to be heard
constexpr double draftLength = 1.2;                   // seconds that are drafted at once
constexpr std::int64_t join = 256;                    // frames over which a draft and a rendering cross over
constexpr auto publishEvery = std::chrono::milliseconds(30);
constexpr auto publishSilent = std::chrono::milliseconds(150); // while nothing is heard
// Of audio that lies in files.
constexpr std::int64_t mostResident = std::int64_t(400) << 20; // bytes, with the program itself
constexpr double ahead = 3;                                    // seconds that are kept in memory before they sound
constexpr double aheadAtOnce = 0.3;                            // that are there before a jump
constexpr auto longestFetch = std::chrono::milliseconds(60);   // that is waited for them
constexpr auto lookEvery = std::chrono::milliseconds(250);

int workerCount() {
    return std::clamp(static_cast<int>(std::thread::hardware_concurrency()), 1, 4);
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
    auto started = output_->start(std::move(callback));
    outputProblem_ = started ? std::string() : started.error().text;
}

void Player::replaceOutput(std::unique_ptr<Output> output) {
    output_->stop();
    output_ = std::move(output);
    startOutput();
}

metre::Beats Player::position() const {
    return isAlone_ ? leftAt_ : heardPosition();
}

// Of what is heard: the project, or what is auditioned in its place.
metre::Beats Player::heardPosition() const {
    if (raw_) return leftAt_;
    // A locate that the callback has not seen yet already counts, so that nothing jumps back for a moment.
    return engine_.ordersDone() < locateOrder_ ? located_ : engine_.position();
}

void Player::setProject(const project::LaidPtr& laid) {
    // While one new tempo waits for its clips, another waits behind it, and of several the last counts: otherwise a
    // wheel that is turned on and on would be heard only once it rests.
    const bool anotherTempo = !(laid->project().tempo == project().tempo);
    if (waiting_ && isPlaying() && !beginning_ && anotherTempo && laid->project().rate == rate_) {
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
    const bool isLookedAt = lookedAt_ && !wantsToPlay_;
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
    if (newTempo && wantsToPlay_ && !waiting_) {
        waiting_ = true;
        changedAt_ = std::chrono::steady_clock::now();
    }
    if (!waiting_) publish();
    tick();
}

std::pair<std::size_t, std::size_t> Player::windowsOf(project::ClipId id) const {
    const auto at = places_.find(id.value);
    return at == places_.end() ? std::pair<std::size_t, std::size_t>() : at->second;
}

// In seconds, of the rendering's frame 0.
double Player::startOf(const Window& w) const {
    return metre::toSeconds(w.clip->time().startFrame + w.part->at - w.part->from, rate_).value;
}

// What is to be heard of each window from now on; an empty key where that is nothing.
std::vector<RenderCache::Question> Player::aboutToSound() const {
    std::vector<RenderCache::Question> list;
    list.reserve(windows_.size());
    const double here = project().tempo.secondsAt(heardPosition()).value;
    // Where the range goes round soon, its beginning is about to sound as well.
    const project::LoopRange& loop = project().loop;
    const double loopEnd = loop.on ? project().tempo.secondsAt(loop.to).value : -1;
    const bool wraps = loop.on && here < loopEnd && here + soon > loopEnd;
    const double again = wraps ? project().tempo.secondsAt(loop.from).value : 0;
    for (const Window& w : windows_) {
        const double start = startOf(w);
        const Frames first = w.part->from - w.before;
        const Frames last = w.part->from + w.part->length + w.after;
        RenderCache::Question q{{}, Frames(0), Frames(0)};
        for (const double from : {here, wraps ? again : here}) {
            const Frames begin = std::max(first, metre::toFrames(metre::Seconds(from - start), rate_));
            const Frames end = std::min(last, metre::toFrames(metre::Seconds(from + soon - start), rate_));
            if (begin >= end) continue;
            q = {w.part->job->key, begin, end};
            break;
        }
        list.push_back(q);
    }
    return list;
}

// What is about to sound and is not rendered is drafted. Whether all of it can be heard already.
bool Player::askForDrafts() {
    std::vector<RenderCache::Question> questions = aboutToSound();
    std::vector<std::size_t> which;
    for (std::size_t i = 0; i < questions.size(); ++i)
        if (questions[i].key) which.push_back(i);
    std::erase_if(questions, [](const auto& q) { return !q.key; });
    const auto answers = cache_.answers(questions);
    std::vector<WantedRender> needed;
    bool ready = true;
    const auto now = std::chrono::steady_clock::now();
    for (std::size_t i = 0; i < questions.size(); ++i) {
        if (answers[i].has || answers[i].hasDraft || answers[i].failed) continue;
        ready = false;
        const auto asked = drafting_.find(questions[i].key);
        if (asked != drafting_.end() && now - asked->second < std::chrono::milliseconds(200)) continue;
        drafting_[questions[i].key] = now;
        const Frames to = questions[i].from + metre::toFrames(metre::Seconds(draftLength), rate_);
        needed.push_back({windows_[which[i]].part->job, 0, false, questions[i].from - Frames(2 * join), to});
    }
    if (!needed.empty()) cache_.draft(needed);
    return ready;
}

void Player::lookAhead(bool atOnce) {
    const auto now = std::chrono::steady_clock::now();
    if (!scene_ || (!atOnce && now - lookedAheadAt_ < lookEvery)) return;
    lookedAheadAt_ = now;
    const bool isLocating = engine_.ordersDone() < locateOrder_;
    const metre::Beats here = isLocating ? located_ : engine_.position();
    if (atOnce && engine_.isPlaying())
        readAhead_.fetchNow(ReadAhead::needsOf(*scene_, here, aheadAtOnce), longestFetch);
    std::vector<ReadAhead::Need> needs = ReadAhead::needsOf(*scene_, here, ahead);
    const auto also = [&](metre::Beats at) {
        for (ReadAhead::Need& n : ReadAhead::needsOf(*scene_, at, ahead))
            needs.push_back(std::move(n));
    };
    if (scene_->loop) also(scene_->loopFrom);
    if (engine_.isJumping()) also(jumpTo_);
    readAhead_.need(std::move(needs));
}

void Player::tick() {
    lookAhead(false);
    if (!waiting_) begin();
    const bool ready = !wantsToPlay_ || askForDrafts();
    if (waiting_) {
        const bool late = std::chrono::steady_clock::now() - changedAt_ > longestWait;
        if (!late && !ready) return;
        waiting_ = false;
        publish();
        begin();
        if (const project::LaidPtr next = std::move(next_)) setProject(next);
        return;
    }
    tickAudition();
    if (cache_.changes() == publishedChanges_) return;
    const auto since = std::chrono::steady_clock::now() - publishedAt_;
    if (since < (wantsToPlay_ ? publishEvery : publishSilent)) return;
    publish();
}

// What play() asked for, once there is something to hear, and that is in memory.
void Player::begin() {
    if (!beginning_) return;
    const bool late = std::chrono::steady_clock::now() - changedAt_ > longestLoad;
    if (wantsToPlay_ && scene_ && !late &&
        !readAhead_.fetchNow(ReadAhead::needsOf(*scene_, heardPosition(), aheadAtOnce), longestFetch))
        return; // tick() asks again
    beginning_ = false;
    if (wantsToPlay_) engine_.play(isAlone_ ? 0 : project().countIn);
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

// The pieces of a window, and drafts where there are none.
void Player::addSegments(std::vector<Segment>& list, const Window& window, const RenderCache::Answer& answer) {
    const project::Part& part = *window.part;
    const Frames shift = part.at - part.from; // from the rendering's frames to the clip's
    const Frames begin = part.at - window.before;
    const Frames end = part.at + part.length + window.after;
    const std::size_t first = list.size();
    for (const RenderedPiece& piece : answer.pieces) {
        const Frames from = std::max(begin, piece.from + shift);
        const Frames to = std::min(end, piece.end() + shift);
        if (from < to)
            list.push_back({from, to, piece.from + shift, Frames(0), Frames(0), piece.audio, piece.peaks, false});
    }
    if (answer.drafts.empty()) return;
    std::vector<Segment> filled;
    Frames reached = begin;
    const auto fill = [&](Frames until) {
        while (reached < until) {
            const RenderedPiece* best = nullptr;
            Frames next = until;
            for (const RenderedPiece& d : answer.drafts) {
                const Frames from = d.from + shift;
                if (from <= reached && d.end() + shift > reached) {
                    if (best == nullptr || d.end() > best->end()) best = &d;
                } else if (from > reached) {
                    next = std::min(next, from);
                }
            }
            if (best == nullptr) {
                reached = next;
                continue;
            }
            const Frames to = std::min(until, best->end() + shift);
            filled.push_back({reached, to, best->from + shift, Frames(0), Frames(0), best->audio, nullptr, true});
            reached = to;
        }
    };
    for (std::size_t i = first; i < list.size(); ++i) {
        fill(list[i].from);
        reached = list[i].to;
    }
    fill(end);
    list.insert(list.end(), filled.begin(), filled.end());
    std::sort(list.begin() + static_cast<std::ptrdiff_t>(first), list.end(),
              [](const Segment& a, const Segment& b) { return a.from < b.from; });
}

// Where a draft touches another segment, the two cross over.
void Player::joinSegments(std::vector<Segment>& list) {
    for (std::size_t i = 0; i + 1 < list.size(); ++i) {
        Segment& a = list[i];
        Segment& b = list[i + 1];
        if (a.to != b.from || (!a.draft && !b.draft) || a.audio == b.audio) continue;
        const Frames behind = std::min({b.from - b.at, a.to - a.from, Frames(join)});
        const Frames beyond = std::min({a.at + a.audio->frames() - a.to, b.to - b.from, Frames(join)});
        if (behind >= beyond && behind > Frames(0)) {
            b.from -= behind;
            b.rise = a.fall = behind;
        } else if (beyond > Frames(0)) {
            a.to += beyond;
            b.rise = a.fall = beyond;
        }
    }
}

void Player::addClip(mix::Scene& scene, std::size_t first, std::size_t end,
                     const std::vector<RenderCache::Answer>& answers,
                     std::unordered_map<std::int64_t, Heard>& heard) {
    const project::LaidClip& clip = *windows_[first].clip;
    const project::Project& p = project();
    double extraDb = p.outputDb;
    Heard now;
    bool missing = false;
    for (std::size_t i = first; i < end; ++i) {
        now.parts.emplace_back(windows_[i].part->at, windows_[i].part->length);
        missing = missing || (!answers[i].has && !answers[i].failed);
    }
    const bool other = hearsOther() && windows_[first].other;
    const auto old = lastHeard_.find(clip.id().value);
    if (other) {
        extraDb += otherGainDb(windows_[first]);
        for (std::size_t i = first; i < end; ++i) {
            const Window& w = windows_[i];
            const Frames shift = w.part->at - w.otherFrom;
            for (const RenderedPiece& piece : cache_.find(w.other->key)) {
                const Frames from = std::max(w.part->at, piece.from + shift);
                const Frames to = std::min(w.part->at + w.part->length, piece.end() + shift);
                if (from < to)
                    now.segments.push_back(
                        {from, to, piece.from + shift, Frames(0), Frames(0), piece.audio, piece.peaks, false});
            }
        }
    } else if (missing && p.tempo == heardTempo_ && old != lastHeard_.end() && old->second.parts == now.parts) {
        now.segments = old->second.segments; // another method, say: the old rendering is still in time
    } else {
        for (std::size_t i = first; i < end; ++i) {
            const std::size_t before = now.segments.size();
            addSegments(now.segments, windows_[i], answers[i]);
            // Where the key changes, the parts cross over.
            const Frames cross = windows_[i].part->cross;
            if (before > 0 && cross > Frames(0) && now.segments.size() > before) {
                now.segments[before].rise = cross;
                now.segments[before - 1].fall = cross;
            }
        }
        joinSegments(now.segments);
    }
    if (clip.chain.heard)
        for (const Segment& s : now.segments) {
            mix::SceneClip piece = mix::pieceOf(clip, p.rate, s.at, s.audio, s.from, s.to, extraDb);
            piece.rise = s.rise;
            piece.fall = s.fall;
            if (!isAlone_) piece.guest = guestOf(clip.id());
            scene.clips.push_back(std::move(piece));
        }
    if (!now.segments.empty()) heard[clip.id().value] = std::move(now);
}

void Player::publish() {
    const project::Project& p = project();
    auto scene = std::make_shared<mix::Scene>();
    scene->rate = p.rate;
    scene->tempo = p.tempo;
    scene->metre = p.metre;
    scene->countClick = mix::clickAt(p.rate);
    if (p.click) scene->click = scene->countClick;
    scene->outputGain = static_cast<float>(sound::factorFromDb(p.outputDb));
    scene->clickGain = static_cast<float>(sound::factorFromDb(p.clickDb + p.outputDb));
    scene->loop = p.loop.on;
    scene->loopFrom = p.loop.from;
    scene->loopTo = p.loop.to;
    publishedChanges_ = cache_.changes();
    publishedAt_ = std::chrono::steady_clock::now();
    std::vector<RenderCache::Question> questions = aboutToSound();
    for (std::size_t i = 0; i < windows_.size(); ++i) {
        if (questions[i].key) continue;
        const project::Part& part = *windows_[i].part; // all of it counts where none of it is about to sound
        questions[i] = {part.job->key, part.from, part.from + part.length};
    }
    const std::vector<RenderCache::Answer> answers = cache_.answers(questions);
    std::unordered_map<std::int64_t, Heard> heard;
    for (std::size_t i = 0; i < windows_.size();) {
        std::size_t end = i + 1;
        while (end < windows_.size() && windows_[end].clip == windows_[i].clip)
            ++end;
        addClip(*scene, i, end, answers, heard);
        i = end;
    }
    lastHeard_ = std::move(heard);
    heardTempo_ = p.tempo;
    scene->arrange();
    if (raw_) return;
    scene_ = scene;
    lookAhead(true);
    engine_.setScene(scene);
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
    if (points.empty()) points.push_back({metre::Beats(0), beats.tempoAt(metre::Beats(0))});
    auto map = metre::TempoMap::make(std::move(points));
    return map ? std::move(*map) : metre::TempoMap(metre::Bpm(120));
}

} // namespace

void Player::makeRaw(sound::AudioPtr audio, const RawHearing& hearing) {
    auto raw = std::make_unique<Raw>();
    auto scene = std::make_shared<mix::Scene>();
    scene->rate = rate_;
    if (hearing.beats) {
        raw->beatZero = hearing.beats->secondsAt(metre::Beats(0));
        scene->tempo = tempoOf(*hearing.beats);
        scene->metre = metre::MetreMap(hearing.metre);
    }
    raw->audio = audio;
    scene->clips.push_back(mix::soundAt(metre::toFrames(-raw->beatZero, rate_), std::move(audio)));
    if (hearing.click && hearing.beats) scene->click = mix::clickAt(rate_);
    if (hearing.between) {
        scene->loop = true;
        scene->loopFrom = scene->tempo.beatAt(hearing.between->first - raw->beatZero);
        scene->loopTo = scene->tempo.beatAt(hearing.between->second - raw->beatZero);
    }
    raw->scene = scene;
    raw_ = std::move(raw);
    scene_ = raw_->scene;
    engine_.setScene(raw_->scene);
}

void Player::playRaw(sound::AudioPtr audio, const RawHearing& hearing, metre::Seconds from) {
    stopAudition();
    if (!raw_) leftAt_ = position();
    wantsToPlay_ = false;
    makeRaw(std::move(audio), hearing);
    locateRaw(from);
    engine_.play();
}

void Player::hearRaw(const RawHearing& hearing) {
    const metre::Seconds at = rawPosition();
    makeRaw(raw_->audio, hearing);
    locateRaw(at);
}

void Player::locateRaw(metre::Seconds to) {
    engine_.locate(raw_->scene->tempo.beatAt(to - raw_->beatZero));
    rawLocated_ = to;
    rawOrder_ = engine_.ordersGiven();
}

metre::Seconds Player::rawPosition() const {
    if (engine_.ordersDone() < rawOrder_) return rawLocated_;
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
    // What was heard alone goes on beside the project.
    std::optional<Guest> guest;
    if (isAlone_) {
        guest = heardGuest_;
        endAlone();
    }
    cache_.retry();
    wantsToPlay_ = true;
    beginning_ = waiting_ = true;
    changedAt_ = std::chrono::steady_clock::now();
    if (guest) {
        nextGuest_ = std::move(guest);
        nextIsAsked_ = false;
    }
    take(withAudition()); // goes on with renderings that were cancelled
}

void Player::stop() {
    stopRaw();
    stopAudition();
    wantsToPlay_ = beginning_ = false;
    engine_.stop();
    if (const project::LaidPtr next = std::move(next_)) setProject(next);
}

void Player::locate(metre::Beats to) {
    if (raw_ || isAlone_) {
        leftAt_ = to;
        return;
    }
    if (scene_) readAhead_.fetchNow(ReadAhead::needsOf(*scene_, to, aheadAtOnce), longestFetch);
    engine_.locate(to);
    located_ = to;
    locateOrder_ = engine_.ordersGiven();
    take(withAudition()); // what is urgent has changed
}

void Player::jump(metre::Beats to, bool atOnce) {
    if (!isPlaying() || atOnce) {
        locate(to);
        return;
    }
    const metre::Beats here = position();
    if (scene_) readAhead_.fetchNow(ReadAhead::needsOf(*scene_, to, aheadAtOnce), longestFetch);
    jumpTo_ = to;
    engine_.jump(metre::gridAfter(here, metre::Snap::Bar, project().metre), to);
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
