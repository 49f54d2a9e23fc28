// Undo and redo: a list of arrangements.
#pragma once

#include "project/project.h"

#include <cstddef>
#include <deque>
#include <string>

namespace project {

// One movement of a hand: turning a figure, dragging, tapping. What it consists of is undone at once.
struct Gesture {
    std::string kind;        // "turn gain"
    std::int64_t object = 0; // what it acts on: a clip's id, say
    std::int64_t press = 0;  // a fresh number for each press, focus or pause; 0: no gesture
    bool operator==(const Gesture&) const = default;
};

// About what a version takes in memory beside the one before: what both share is counted once. In bytes.
std::size_t bytesBeside(const Arrangement& p, const Arrangement& before);

// Used by one thread.
class History {
  public:
    // Steps that take more memory than this together are forgotten, the oldest first.
    static constexpr std::size_t mostBytes = std::size_t(256) << 20;

    explicit History(Arrangement first = {}, std::size_t most = mostBytes);

    const Arrangement& now() const { return states_[at_].arrangement; }

    // A new state, named for the menu ("Move clip"). What could be redone is dropped. When `gesture` is one and the
    // same as that of the step before, both are one step: turning a wheel is undone at once.
    // Returns whether it became part of the step before.
    bool push(Arrangement next, std::string name, Gesture gesture = {});
    // How many steps were forgotten so far.
    std::size_t forgotten() const { return forgotten_; }
    // Ends a gesture: the next push is a step of its own whatever its gesture is called.
    void endGesture();
    // The same version with what became known of its sources meanwhile (recordings.h): no step.
    void refresh(Arrangement same);

    bool canUndo() const { return at_ > 0; }
    bool canRedo() const { return at_ + 1 < states_.size(); }
    std::string undoName() const; // empty when there is nothing
    std::string redoName() const;
    void undo(); // REQUIRES canUndo()
    void redo(); // REQUIRES canRedo()

    // Which version now() is: the same number, the same version. A version that was saved is marked as such, also
    // when another has become the present one meanwhile.
    std::int64_t version() const { return states_[at_].serial; }
    void markSaved(std::int64_t version) { savedSerial_ = version; }
    // True when now() is not what was last marked as saved.
    bool isChanged() const { return version() != savedSerial_; }

  private:
    struct State {
        Arrangement arrangement;
        std::string name;
        Gesture gesture;
        std::int64_t serial = 0;
        std::size_t bytes = 0; // beside the state before
    };
    void forgetOldest();
    std::deque<State> states_;
    std::size_t most_;
    std::size_t bytes_ = 0; // of all but the first
    std::size_t forgotten_ = 0;
    std::size_t at_ = 0;
    std::int64_t nextSerial_ = 1;
    std::int64_t savedSerial_ = 0;
};

} // namespace project
