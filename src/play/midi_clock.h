// MIDI clock in both directions, as arithmetic: messages with their times on one side, places and tempos on the
// other. The messages are those of the MIDI 1.0 Detailed Specification (MIDI Manufacturers Association, 1996),
// "System Real Time Messages" and "Song Position Pointer": 24 clocks a quarter note; the first clock after Start is
// beat 0; Continue goes on from the song position, counted in sixteenths.
#pragma once

#include "metre/units.h"
#include "play/heard.h"

#include <array>
#include <cstdint>
#include <deque>
#include <optional>
#include <span>
#include <vector>

namespace play {

// One clock that comes in. Times are on one steady clock, in seconds, and do not go back.
class ClockReader {
  public:
    // A message as it came. What is no message of a clock is passed over.
    void take(std::span<const std::uint8_t> message, double at);

    bool isRunning() const { return running_; }
    // A straight line through the last clocks, at most four beats of them, by least squares, so that what jitters
    // is smoothed; begun anew once four clocks in a row lie beside it on one side. From a beat of clocks on, and
    // until none has come for half a second; whole hundredths where that is within what is known.
    std::optional<metre::Bpm> tempo(double now) const;
    // The place in quarter notes at a time; while it does not run, where it will go on.
    double beatAt(double time) const;

    static constexpr int perBeat = 24;

  private:
    void tick(double at);
    void fit();

    struct Line {
        double at = 0;       // of the newest clock, smoothed
        double interval = 0; // between clocks
    };
    std::deque<double> times_; // of clocks, the newest last
    Line line_;
    int beside_ = 0; // clocks in a row: later than the line, or −: earlier
    bool running_ = false;
    std::int64_t place_ = 0; // in clocks, of the newest one while it runs; else of the one that comes first
    bool first_ = true;      // the next clock is the place itself
};

// A clock that goes out: what is to be sent, and when.
class ClockWriter {
  public:
    struct Message {
        std::array<std::uint8_t, 3> bytes{};
        std::size_t size = 1;
        double at = 0;
    };
    // What is due up to a time, of the project as it is heard. Each message is told once. While it stands, the
    // clock goes on at the tempo, as others know that by it. A jump is a stop, a song position and a continue.
    std::vector<Message> until(const Heard& where, double time);

  private:
    void begin(const Heard& where, std::vector<Message>& list);

    bool plays_ = false;
    std::int64_t next_ = 0;   // clock that comes next, while it plays
    double nextAt_ = -1;      // when the next comes, while it stands
    double lastTold_ = -1e18; // no message is earlier than one before
};

} // namespace play
