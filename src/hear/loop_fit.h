// The tempo of a steady recording to a hundredth of a BPM, and how many beats its loop has: what is heard, how long
// the recording is, and which numbers people use, weighed together.
#pragma once

#include "base/progress.h"
#include "hear/grid.h"

#include <array>
#include <optional>
#include <utility>
#include <vector>

namespace hear {

// Up to so many seconds the length of a recording says something of its tempo. How near thousands of beats come to
// a whole number of them is chance: a rate that is found to a two-thousandth misses by more.
constexpr double longestLoop = 600;

struct LoopFit {
    double period = 0.5;      // seconds a beat
    double start = 0;         // seconds: the first downbeat
    std::optional<int> beats; // none: the length says nothing, a tail or a song
    double seconds = 0;       // of those beats
    // The tempo by the onsets alone, where that was too coarse and the whole number within its error was taken.
    std::optional<Bpm> measured;
};

// One explanation of a recording's tempo and length.
struct LoopWay {
    double bpm = 120;
    double from = 0;          // seconds: the first downbeat
    std::optional<int> beats; // to the end of the file; none: its end is no end of a beat
    bool byLength = false;    // the tempo is what the length says
    static constexpr std::size_t figures = 52;
    std::array<float, figures> features{}; // what the ranking looks at
};

// The explanations near the tempo `about` that are worth weighing: the file, or what follows its first sound, is
// cut to whole beats; is cut a little wrong; or its end has nothing to do with beats (a tail); each at whole tempos
// and between them. `measured`: the tempo by the events alone. Those it has when it is stopped, one at least.
// REQUIRES events not empty. Any thread.
struct LoopWays {
    std::vector<LoopWay> list;
    double measured = 120; // BPM
};
LoopWays loopWays(const std::vector<Event>& events, const Strength& s, const Span& span, Bpm about,
                  const base::Progress& progress = {});

// The explanations of one recording by the tempo they were asked for, so that none is worked out twice. One thread.
class KnownWays {
  public:
    KnownWays(const std::vector<Event>& events, const Strength& s, const Span& span)
        : events_(events), strength_(s), span_(span) {}
    // As loopWays(). What was stopped is not kept.
    LoopWays at(Bpm about, const base::Progress& progress = {});

  private:
    const std::vector<Event>& events_;
    const Strength& strength_;
    const Span& span_;
    std::vector<std::pair<Bpm, LoopWays>> known_;
};

// How much trust an explanation has, as a logarithm: see fitLoop(). Any thread.
double scoreOf(const LoopWay& way);

// Weighs those explanations by how near their grids come to the events, by how exact the length is, by what is
// usual, and by how much the events can decide at all: the less they do, the more an exact length counts. Weights
// fitted to a generated set by tools/fit_pulse.py --for length. REQUIRES events not empty. Any thread.
LoopFit fitLoop(KnownWays& ways, Bpm about, const base::Progress& progress = {});

} // namespace hear
