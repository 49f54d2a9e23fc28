// Chords that blend into each other, with their moments known by construction.
#include "hear/looked.h"
#include "hear/loop_fit.h"

#include "support/audio.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace {

using hear::Turn;
using sound::Audio;

// Chords from each of `moments` to the next, `seconds` in all. Each swells for `swell` seconds and dies away as
// slowly under the next; each of its notes is two strings a little apart, which beat against each other.
Audio pad(const std::vector<double>& moments, double seconds, double swell) {
    constexpr std::array<std::array<int, 3>, 4> chords = {{{0, 4, 7}, {-3, 0, 5}, {-4, 0, 8}, {-1, 2, 7}}};
    Audio a = support::silence(seconds, 44100);
    for (std::size_t c = 0; c + 1 < moments.size(); ++c) {
        const double start = moments[c];
        const double end = moments[c + 1];
        const auto first = static_cast<std::size_t>(std::llround(start * a.rate));
        const auto last = std::min(a.channels[0].size(), static_cast<std::size_t>((end + swell) * a.rate));
        for (std::size_t i = first; i < last; ++i) {
            const double t = double(i) / a.rate;
            const double rise = std::min(1.0, (t - start) / swell);
            const double fall = std::clamp(1 - (t - end) / swell, 0.0, 1.0);
            double x = 0;
            for (const int step : chords[c % chords.size()]) {
                const double w = 2 * std::numbers::pi * 220 * std::exp2(step / 12.0) * t;
                for (int k = 1; k <= 4; ++k)
                    x += (std::sin(k * w) + 0.5 * std::sin(k * w * 1.004)) / (k * k);
            }
            a.channels[0][i] += static_cast<float>(0.04 * rise * fall * x);
        }
    }
    return a;
}

// The beginnings of bars, the first at `first`, and the end of the last.
std::vector<double> barsOf(double bpm, int bars, double first = 0) {
    std::vector<double> list;
    for (int i = 0; i <= bars; ++i)
        list.push_back(first + i * 240 / bpm);
    return list;
}

TEST(Turns, LieAsFarBehindEveryChordsBeginning) {
    for (const double swell : {0.08, 0.2, 0.35}) {
        const std::vector<double> starts = {0, 2.13, 4.01, 6.4, 8.2, 10.57};
        std::vector<double> moments = starts;
        moments.push_back(12.5);
        const Looked looked(pad(moments, 13.5, swell));
        const std::vector<Turn>& turns = looked.curves.turns;
        ASSERT_EQ(turns.size(), starts.size() - 1) << swell;
        double least = 1;
        double most = -1;
        for (std::size_t i = 0; i < turns.size(); ++i) {
            const double behind = turns[i].at - starts[i + 1];
            least = std::min(least, behind);
            most = std::max(most, behind);
        }
        EXPECT_LT(most - least, 0.03) << "seconds, of swells that take " << swell;
        EXPECT_GT(least, -0.05) << swell;
        EXPECT_LT(most, swell) << swell;
    }
}

TEST(Turns, OneChordThatWaversHasNone) {
    const Looked looked(pad({0, 7}, 8, 0.2));
    EXPECT_TRUE(looked.curves.turns.empty());
}

TEST(Turns, AreWhatHappensInAPad) {
    const std::vector<double> starts = barsOf(96, 4, 0.4);
    const Looked looked(pad(starts, 11.4, 0.15));
    for (std::size_t i = 1; i + 1 < starts.size(); ++i)
        EXPECT_EQ(std::count_if(looked.events.begin(), looked.events.end(),
                                [&](const hear::Event& e) { return std::abs(e.at - starts[i]) < 0.1; }),
                  1)
            << "bar " << i;
    for (const hear::Event& e : looked.events)
        EXPECT_TRUE(
            std::any_of(starts.begin(), starts.end(), [&](double start) { return std::abs(e.at - start) < 0.15; }))
            << "nothing happens at " << e.at;
}

// Nothing is struck, and the length, with silence before and a tail, says nothing: the chords do.
TEST(Turns, SayTheTempoOfAPad) {
    for (const double bpm : {72.0, 88.3, 96.0, 104.7}) {
        const Looked looked(pad(barsOf(bpm, 8, 0.37), 0.37 + 8 * 240 / bpm + 0.83, 0.15));
        for (const double about : {0.99, 1.01}) {
            const double measured =
                hear::loopWays(looked.events, looked.curves.strength, looked.span, metre::Bpm(bpm * about))
                    .measured;
            EXPECT_LT(std::abs(measured / bpm - 1), 0.0015) << bpm << " from " << about;
        }
    }
}

} // namespace
