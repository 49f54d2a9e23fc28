// What is heard of the project: pieces and drafts of its clips, put together for the engine.
#include "play/player.h"

#include "sound/decibel.h"

#include <algorithm>
#include <cmath>

namespace play {

namespace {

constexpr double soon = 0.6;        // seconds from now on: what must be there to be heard
constexpr double draftLength = 1.2; // seconds that are drafted at once
constexpr std::int64_t join = 256;  // frames over which a draft and a rendering cross over

} // namespace

// In seconds, of the rendering's frame 0.
double Player::startOf(const Window& w) const {
    return metre::toSeconds(w.clip->time().startFrame + w.part->at - w.part->from, rate_).value;
}

// What is to be heard of a window from a place on, in seconds; an empty key where that is nothing.
RenderCache::Question Player::soundingFrom(const Window& w, double place) const {
    const double start = startOf(w);
    const Frames begin = std::max(w.part->from - w.before, metre::toFrames(metre::Seconds(place - start), rate_));
    const Frames end = std::min(w.part->from + w.part->length + w.after,
                                metre::toFrames(metre::Seconds(place + soon - start), rate_));
    if (begin >= end) return {{}, Frames(0), Frames(0)};
    return {w.part->job->key, begin, end};
}

// Of each window, from now on.
std::vector<RenderCache::Question> Player::aboutToSound() const {
    std::vector<RenderCache::Question> list;
    list.reserve(windows_.size());
    const double here = project().tempo.secondsAt(heardPosition()).value;
    // Where the range goes round soon, its beginning is about to sound as well.
    const project::LoopRange& loop = project().loop;
    const double loopEnd = project().view.looping ? project().tempo.secondsAt(loop.to).value : -1;
    const bool wraps = project().view.looping && here < loopEnd && here + soon > loopEnd;
    const double again = wraps ? project().tempo.secondsAt(loop.from).value : 0;
    for (const Window& w : windows_) {
        RenderCache::Question q = soundingFrom(w, here);
        if (!q.key && wraps) q = soundingFrom(w, again);
        list.push_back(q);
    }
    return list;
}

// Of each window, once the jump is made that is still to come; none where there is none.
std::vector<RenderCache::Question> Player::soundingAfterJump() const {
    std::vector<RenderCache::Question> list;
    if (!engine_.isJumping()) return list;
    const double there = project().tempo.secondsAt(jumpTo_).value;
    list.reserve(windows_.size());
    for (const Window& w : windows_)
        list.push_back(soundingFrom(w, there));
    return list;
}

// What is about to sound and is not rendered is drafted, and what a jump will play. Whether all of the former can
// be heard already.
bool Player::askForDrafts() {
    std::vector<WantedRender> needed;
    const auto now = std::chrono::steady_clock::now();
    const auto ask = [&](const std::vector<RenderCache::Question>& ofWindows, Asked& asked) {
        std::vector<RenderCache::Question> questions;
        std::vector<std::size_t> which;
        for (std::size_t i = 0; i < ofWindows.size(); ++i) {
            if (!ofWindows[i].key) continue;
            questions.push_back(ofWindows[i]);
            which.push_back(i);
        }
        const auto answers = cache_.answers(questions);
        bool ready = true;
        for (std::size_t i = 0; i < questions.size(); ++i) {
            if (answers[i].has || answers[i].hasDraft || answers[i].failed) continue;
            ready = false;
            const auto before = asked.find(questions[i].key);
            if (before != asked.end() && now - before->second < std::chrono::milliseconds(200)) continue;
            asked[questions[i].key] = now;
            const Frames to = questions[i].from + metre::toFrames(metre::Seconds(draftLength), rate_);
            needed.push_back({windows_[which[i]].part->job, 0, false, questions[i].from - Frames(2 * join), to});
        }
        return ready;
    };
    const bool ready = ask(aboutToSound(), drafting_);
    ask(soundingAfterJump(), draftingForJump_);
    if (!needed.empty()) cache_.draft(needed);
    return ready;
}

// Adds the drafts of what a jump will play.
void Player::addDraftsForJump(std::vector<RenderCache::Answer>& answers) const {
    std::vector<RenderCache::Question> questions = soundingAfterJump();
    if (questions.empty()) return;
    const std::vector<RenderCache::Answer> there = cache_.answers(questions);
    for (std::size_t i = 0; i < there.size(); ++i)
        for (const RenderedPiece& draft : there[i].drafts) {
            auto& all = answers[i].drafts;
            if (std::none_of(all.begin(), all.end(),
                             [&](const RenderedPiece& d) { return d.audio == draft.audio; }))
                all.push_back(draft);
        }
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
                     std::unordered_map<std::int64_t, HeardClip>& heard) {
    const project::LaidClip& clip = *windows_[first].clip;
    const project::Project& p = project();
    double extraDb = p.view.outputDb;
    HeardClip now;
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
            if (!state_.isAlone()) piece.guest = guestOf(clip.id());
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
    if (p.view.click) scene->click = scene->countClick;
    scene->outputGain = static_cast<float>(sound::factorFromDb(p.view.outputDb));
    scene->clickGain = static_cast<float>(sound::factorFromDb(p.view.clickDb + p.view.outputDb));
    scene->loop = p.view.looping;
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
    std::vector<RenderCache::Answer> answers = cache_.answers(questions);
    addDraftsForJump(answers);
    std::unordered_map<std::int64_t, HeardClip> heard;
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
    if (state_.hearsRecording()) return;
    scene_ = scene;
    if (leader_ && !state_.isAlone()) leader_->setProject(p.tempo, p.metre);
    lookAhead(true);
    std::vector<ReadAhead::Need> needs;
    if (engine_.isPlaying()) needs = ReadAhead::needsOf(*scene, engineBeats(), aheadAtOnce);
    order(std::move(needs), true, [this, scene = std::move(scene)] { engine_.setScene(scene); });
}

} // namespace play
