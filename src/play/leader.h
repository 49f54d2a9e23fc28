// What says when the project plays, and where, in the project's stead: another program, or a clock that comes in.
#pragma once

#include "metre/metre_map.h"
#include "metre/tempo_map.h"

#include <optional>
#include <string>

namespace play {

// Where the leader is, for a block of sound that is about to be filled.
struct LedPlace {
    bool rolls = false;
    // At the block's first frame; none: on from where it is, or as it stands.
    std::optional<metre::Beats> at;
    // What plays may be so far off before it goes there.
    metre::Seconds loose;
};

// What the leader says of time. The tempo counts quarter notes.
struct LedTime {
    metre::Bpm bpm;
    std::optional<metre::Metre> metre; // none: it does not say
    bool operator==(const LedTime&) const = default;
};

// How the output that is filled stands to the leader's own time.
enum class Step {
    Exact, // block for block within the same cycles, at the project's rate
    Loose  // through another device, or another rate: by the clock on the wall
};

// The engine asks in the audio callback, the player on the interface thread.
class Leader {
  public:
    Leader() = default;
    Leader(const Leader&) = delete;
    Leader& operator=(const Leader&) = delete;
    virtual ~Leader() = default;

    // What the window shows: "JACK".
    virtual std::string name() const = 0;
    // False once it has gone.
    virtual bool isThere() = 0;
    // Whether it does as it is asked: start(), stop() and locate(). One that only tells is led by nobody.
    virtual bool isAskable() const = 0;
    virtual void start() = 0;
    virtual void stop() = 0;
    virtual void locate(metre::Beats to) = 0;
    // Any thread.
    virtual bool rolls() const = 0;
    // What it says of tempo and metre; none where the project's own count.
    virtual std::optional<LedTime> time() = 0;
    // The project's time, as it is heard from now on.
    virtual void setProject(const metre::TempoMap& tempo, const metre::MetreMap& metre) = 0;
    // While no callback asks it.
    virtual void setStep(Step step) = 0;
    // Where it waits until the sound there can be heard; isReady() says of that place that it can.
    virtual std::optional<metre::Beats> waitsAt() { return {}; }
    virtual void isReady(metre::Beats) {}

    // Audio callback: neither locks, allocates, waits nor logs. Once for each block of n frames, with the tempo
    // that is heard now. `anew`: what is heard has not followed up to now, and the place must be told.
    virtual LedPlace look(const metre::TempoMap& heard, int n, bool anew) = 0;
    // Where the block does begin.
    virtual void begins(metre::Beats at) = 0;
};

} // namespace play
