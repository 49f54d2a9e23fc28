#include "project/history.h"

#include <cassert>

namespace project {

namespace {

std::size_t bytesOf(const Source& s) {
    std::size_t bytes = sizeof s + s.name.size() + s.content.size() + s.notes.size() * sizeof(PinNote) +
                        s.readings.size() * sizeof(hear::Reading);
    for (const hear::Reading& r : s.readings)
        bytes += r.others.size() * sizeof(hear::Candidate) + r.pins.size() * sizeof(metre::Pin) + r.evidence.size();
    return s.beats ? bytes + s.beats->pins().size() * sizeof(metre::Pin) : bytes;
}

std::size_t bytesOf(const Track& t) {
    return sizeof t + t.clips.size() * sizeof(Clip);
}

// Of those that do not stand in the same place before, which is where nearly all of them stand.
template <class Pointer>
std::size_t bytesAnew(const std::vector<Pointer>& now, const std::vector<Pointer>& before) {
    std::size_t bytes = now.size() * sizeof(Pointer);
    for (std::size_t i = 0; i < now.size(); ++i)
        if (i >= before.size() || now[i] != before[i]) bytes += bytesOf(*now[i]);
    return bytes;
}

} // namespace

std::size_t bytesBeside(const Arrangement& p, const Arrangement& before) {
    const std::size_t sources =
        p.sources.isSharedWith(before.sources) ? 0 : bytesAnew(p.sources.list(), before.sources.list());
    return sizeof p + sources + bytesAnew(p.tracks, before.tracks) +
           p.tempo.points().size() * sizeof(metre::TempoPoint) + p.sections.size() * sizeof(Section);
}

History::History(Arrangement first, std::size_t most) : most_(most) {
    states_.push_back({std::move(first), {}, {}, 0, 0});
}

bool History::push(Arrangement next, std::string name, Gesture gesture) {
    const bool same = gesture.press != 0 && at_ > 0 && states_[at_].gesture == gesture;
    while (states_.size() > at_ + 1) {
        bytes_ -= states_.back().bytes;
        states_.pop_back();
    }
    const std::int64_t serial = nextSerial_++;
    if (same) {
        const std::size_t bytes = bytesBeside(next, states_[at_ - 1].arrangement);
        bytes_ += bytes - states_[at_].bytes;
        states_[at_] = {std::move(next), std::move(states_[at_].name), std::move(states_[at_].gesture), serial,
                        bytes};
    } else {
        const std::size_t bytes = bytesBeside(next, states_[at_].arrangement);
        bytes_ += bytes;
        states_.push_back({std::move(next), std::move(name), std::move(gesture), serial, bytes});
        ++at_;
    }
    forgetOldest();
    return same;
}

// What can be taken back last stays, however large it is.
void History::forgetOldest() {
    while (bytes_ > most_ && at_ > 1) {
        states_.pop_front();
        bytes_ -= states_.front().bytes; // the first stands by itself
        states_.front().bytes = 0;
        --at_;
        ++forgotten_;
    }
}

void History::endGesture() {
    states_[at_].gesture = {};
}

void History::refresh(Arrangement same) {
    states_[at_].arrangement = std::move(same);
}

std::string History::undoName() const {
    return canUndo() ? states_[at_].name : std::string();
}
std::string History::redoName() const {
    return canRedo() ? states_[at_ + 1].name : std::string();
}

void History::undo() {
    assert(canUndo());
    endGesture();
    --at_;
    endGesture();
}

void History::redo() {
    assert(canRedo());
    ++at_;
    endGesture();
}

} // namespace project
