// What a player is doing: one of the states of docs/player.md, and the steps between them.
#pragma once

#include <cstdint>

namespace play {

class PlayerState {
  public:
    // What is heard.
    enum class Hears : std::uint8_t { Project, Alone, Recording };
    // How far that is: `Beginning` waits for what is rendered of it, `Fetching` for that to be in memory,
    // `NewTempo` plays on at the tempo before until the clips of the new one are there.
    enum class Phase : std::uint8_t { Stopped, Beginning, Fetching, Playing, NewTempo };

    Hears hears() const { return hears_; }
    Phase phase() const { return phase_; }
    bool isAlone() const { return hears_ == Hears::Alone; }
    bool hearsRecording() const { return hears_ == Hears::Recording; }
    // The project, or what is auditioned in its place, plays or is about to.
    bool wantsToPlay() const { return phase_ != Phase::Stopped && !hearsRecording(); }
    bool playsProject() const { return hears_ == Hears::Project && phase_ != Phase::Stopped; }
    bool waitsForClips() const { return phase_ == Phase::Beginning || phase_ == Phase::NewTempo; }
    bool isBeginning() const { return phase_ == Phase::Beginning || phase_ == Phase::Fetching; }

    // From any state.
    void stop() { *this = {}; }
    void begin(Hears what) {
        hears_ = what;
        // A recording as it is needs nothing made.
        phase_ = what == Hears::Recording ? Phase::Playing : Phase::Beginning;
    }
    // Another tempo is to be heard. Nothing where nothing plays, and for a recording, which has its own.
    void tempoChanged() {
        if (!wantsToPlay()) return;
        if (phase_ == Phase::Fetching) phase_ = Phase::Beginning;
        if (phase_ == Phase::Playing) phase_ = Phase::NewTempo;
    }
    // The clips that were waited for can be heard, or took too long. Nothing where none were.
    void clipsAreThere() {
        if (phase_ == Phase::Beginning) phase_ = Phase::Fetching;
        if (phase_ == Phase::NewTempo) phase_ = Phase::Playing;
    }
    // What it begins with is in memory, or took too long. Nothing where that was not waited for.
    void soundIsThere() {
        if (phase_ == Phase::Fetching) phase_ = Phase::Playing;
    }

  private:
    Hears hears_ = Hears::Project;
    Phase phase_ = Phase::Stopped;
};

} // namespace play
