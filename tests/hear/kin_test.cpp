#include "hear/kin.h"

#include "hear/looked.h"
#include "support/audio.h"

#include <algorithm>
#include <gtest/gtest.h>
#include <numeric>

namespace {

using hear::Bpm;
using hear::Pulse;
using support::Audio;

Pulse pulse(double bpm, double weight) {
    Pulse p;
    p.bpm = Bpm(bpm);
    p.weight = weight;
    return p;
}

Audio loop(double bpm, int beats) {
    return support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm);
}

double sum(const std::vector<Pulse>& pulses) {
    return std::accumulate(pulses.begin(), pulses.end(), 0.0,
                           [](double s, const Pulse& p) { return s + p.weight; });
}

TEST(Kin, HalvesAndDoublesAreOneFamily) {
    const Looked looked(loop(96, 16));
    hear::KnownWays ways(looked.events, looked.curves.strength, looked.span);
    const std::vector<Pulse> pulses = {pulse(96, 0.4), pulse(128, 0.3),  pulse(191, 0.15),
                                       pulse(64, 0.1), pulse(144, 0.04), pulse(110, 0.01)};
    const auto list = hear::kinOf(pulses, ways);
    ASSERT_EQ(list.size(), 3U) << "110 has too little trust to be weighed";
    EXPECT_EQ(list[0].members, (std::vector<std::size_t>{0, 2}));
    EXPECT_NEAR(list[0].weight, 0.55, 1e-12);
    EXPECT_EQ(list[1].members, (std::vector<std::size_t>{1, 3}));
    EXPECT_EQ(list[2].members, (std::vector<std::size_t>{4}));
}

TEST(Kin, TheLengthDecidesBetweenThreeBeatsAndFour) {
    for (const double bpm : {84.0, 96.0, 107.0}) {
        const Looked looked(loop(bpm, 16));
        hear::KnownWays ways(looked.events, looked.curves.strength, looked.span);
        const std::vector<Pulse> pulses = {pulse(bpm * 4 / 3, 0.52), pulse(bpm, 0.3), pulse(bpm * 2, 0.16),
                                           pulse(bpm * 1.13, 0.02)};
        const auto weighed = hear::weighedByLength(pulses, ways);
        ASSERT_EQ(weighed.size(), pulses.size());
        EXPECT_EQ(weighed.front().bpm, Bpm(bpm));
        EXPECT_NEAR(sum(weighed), 1, 1e-9);
        for (std::size_t i = 1; i < weighed.size(); ++i)
            EXPECT_LE(weighed[i].weight, weighed[i - 1].weight);
        // Within a family all stay to each other as they were.
        const auto weightOf = [&](double tempo) {
            return std::find_if(weighed.begin(), weighed.end(), [&](const Pulse& p) { return p.bpm == Bpm(tempo); })
                ->weight;
        };
        EXPECT_NEAR(weightOf(bpm) / weightOf(bpm * 2), 0.3 / 0.16, 1e-6);
    }
}

TEST(Kin, WhereThereIsNothingToChooseNothingChanges) {
    const Looked looked(loop(96, 8));
    hear::KnownWays ways(looked.events, looked.curves.strength, looked.span);
    const std::vector<Pulse> pulses = {pulse(96, 0.7), pulse(192, 0.29), pulse(128, 0.01)};
    const auto weighed = hear::weighedByLength(pulses, ways);
    for (std::size_t i = 0; i < pulses.size(); ++i) {
        EXPECT_EQ(weighed[i].bpm, pulses[i].bpm);
        EXPECT_EQ(weighed[i].weight, pulses[i].weight);
    }
}

TEST(Kin, WhatWasWorkedOutOnceIsKnown) {
    const Looked looked(loop(96, 16));
    hear::KnownWays ways(looked.events, looked.curves.strength, looked.span);
    const auto first = ways.at(Bpm(96));
    const auto again = ways.at(Bpm(96));
    const auto anew = hear::loopWays(looked.events, looked.curves.strength, looked.span, Bpm(96));
    ASSERT_EQ(first.list.size(), anew.list.size());
    for (std::size_t i = 0; i < anew.list.size(); ++i) {
        EXPECT_EQ(first.list[i].features, anew.list[i].features);
        EXPECT_EQ(again.list[i].features, anew.list[i].features);
    }
    EXPECT_EQ(again.measured, anew.measured);
    std::stop_source stopped;
    stopped.request_stop();
    ways.at(Bpm(128), {{}, stopped.get_token()});
    EXPECT_EQ(ways.at(Bpm(128)).list.size(),
              hear::loopWays(looked.events, looked.curves.strength, looked.span, Bpm(128)).list.size())
        << "half of an answer is not kept";
}

} // namespace
