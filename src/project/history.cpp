#include "project/history.h"

#include <cassert>

namespace project {

History::History(Project first) {
    states_.push_back({std::move(first), {}, {}, 0});
}

bool History::push(Project next, std::string name, Gesture gesture) {
    const bool same = gesture.press != 0 && at_ > 0 && states_[at_].gesture == gesture;
    states_.resize(at_ + 1);
    const std::int64_t serial = nextSerial_++;
    if (same) {
        states_[at_].project = std::move(next);
        states_[at_].serial = serial;
        return true;
    }
    states_.push_back({std::move(next), std::move(name), std::move(gesture), serial});
    ++at_;
    return false;
}

void History::endGesture() {
    states_[at_].gesture = {};
}

void History::amend(const std::function<void(Project&)>& change) {
    for (State& s : states_)
        change(s.project);
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
