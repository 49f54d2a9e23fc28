// Which metre a recording is in, where its accents say so.
#pragma once

#include "hear/grid.h"
#include "hear/repetition.h"
#include "metre/metre_map.h"

#include <array>
#include <optional>
#include <vector>

namespace hear {

// The greatest value of a curve within 35 ms of a moment; `hop` and `at` in seconds. Any thread.
double greatestNear(const std::vector<float>& curve, double hop, double at);

// Beats as they were heard, from the first downbeat on.
struct Beating {
    double start = 0;        // seconds
    double period = 0.5;     // seconds
    std::optional<int> loop; // beats to the end of the file, where that is the end of a beat
    double last = 0;         // seconds: where the last sound begins
};

// A bar that the recording may be in.
struct BarWay {
    metre::Metre metre;
    double beats = 4; // of those heard, in a bar
    static constexpr std::size_t figures = 62;
    std::array<float, figures> features{}; // what the ranking looks at
};

// Bars of 2, 3, 4 and 5 beats, 6/8 by its dotted quarters or its eighths, 7/8 by its quarters or its eighths. Any
// thread.
std::vector<BarWay> barWays(const Strength& s, const Repetition& again, const Beating& beating);

// Weighs those by how alike the recording is to itself a bar later, by what sets the beginnings of bars apart, by
// how beats are divided, and by whether whole bars fill the loop: weights fitted to generated sets by
// tools/fit_pulse.py --for bar. Where that is not sure it is in 4/4, as most music is. Any thread.
BarWay barOf(const Strength& s, const Repetition& again, const Beating& beating);

} // namespace hear
