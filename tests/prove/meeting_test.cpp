#include "prove/meeting.h"

#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace {

using namespace prove;
using metre::Bpm;

std::vector<Strained> atTempos(const std::vector<double>& bpm) {
    std::vector<Strained> all;
    for (const double b : bpm)
        all.push_back({Bpm(b)});
    return all;
}

// The lowest of a thousand tempos an octave, each looked at.
double bruteForce(const std::vector<Strained>& all, TempoSpan span, const Comfort& comfort) {
    double least = 1e9;
    for (double x = std::log(span.low.value); x <= std::log(span.high.value); x += std::log(2.0) / 20000)
        least = std::min(least, strainTogether(all, Bpm(std::exp(x)), comfort));
    return least;
}

TEST(Meeting, IsAsGoodAsTheBestOfAllTemposTried) {
    std::mt19937 random(7);
    std::uniform_real_distribution<double> bpm(55, 190);
    for (int round = 0; round < 60; ++round) {
        std::vector<Strained> all;
        const int count = 1 + round % 9;
        for (int i = 0; i < count; ++i)
            all.push_back({Bpm(bpm(random)), stretch::methods()[random() % 5], random() % 4 != 0});
        const TempoSpan span = round % 3 == 0 ? TempoSpan{Bpm(90), Bpm(130)} : TempoSpan{};
        const auto meeting = meetingTempo(all, span);
        ASSERT_TRUE(meeting.has_value());
        EXPECT_GE(meeting->value, span.low.value - 1e-9);
        EXPECT_LE(meeting->value, span.high.value + 1e-9);
        EXPECT_LE(strainTogether(all, *meeting), bruteForce(all, span, {}) + 1e-6);
    }
}

// Where none counts as half or double it is the weighted geometric mean: least squares of logarithms.
TEST(Meeting, OfNearTemposIsTheirGeometricMean) {
    const auto meeting = meetingTempo(atTempos({92, 103, 113, 124, 131}));
    EXPECT_NEAR(meeting->value, std::pow(92.0 * 103 * 113 * 124 * 131, 1 / 5.0), 1e-6);
    // A held sound bears half of what drums bear, and counts four times as much.
    const auto weighted = meetingTempo({{Bpm(100), stretch::Method::Struck}, {Bpm(120), stretch::Method::Held}});
    EXPECT_NEAR(std::log(weighted->value), (std::log(100) + 4 * std::log(120)) / 5, 1e-9);
    const auto same = meetingTempo({{Bpm(100), stretch::Method::Struck}, {Bpm(120), stretch::Method::Held}}, {},
                                   Comfort{{10, 10, 10, 10, 10}});
    EXPECT_NEAR(same->value, std::sqrt(100.0 * 120), 1e-6);
}

TEST(Meeting, TakesHalvesAndDoublesAndPrefersWhatIs) {
    EXPECT_NEAR(meetingTempo(atTempos({174, 87, 88}))->value, std::cbrt(87.0 * 87 * 88), 1e-6);
    // All at 104 could as well meet at 52 or 208.
    EXPECT_NEAR(meetingTempo(atTempos({104, 104}), {Bpm(40), Bpm(240)})->value, 104, 1e-9);
    EXPECT_EQ(usedAt({Bpm(60)}, Bpm(110)), Bpm(120));
    EXPECT_EQ(usedAt({Bpm(60), stretch::Method::Struck, false}, Bpm(110)), Bpm(60));
    EXPECT_EQ(usedAt({Bpm(174)}, Bpm(90)), Bpm(87));
    EXPECT_FALSE(meetingTempo({}).has_value());
    EXPECT_EQ(strainTogether({}, Bpm(100)), 0);
}

TEST(Meeting, CountsThoseThatAreStretchedAndSaysWhyTheOthersAreNot) {
    using namespace project;
    const auto source = [](const std::string& name, std::optional<double> bpm, hear::Kind kind) {
        Source s;
        s.name = s.content = name;
        s.facts = {48000, 1, Frames(480000), "WAV"};
        s.sound = soundOf(support::strokes({0}, 10.0));
        s.kind = kind;
        if (bpm) s.beats = metre::BeatMap(Bpm(*bpm), Seconds(0));
        return s;
    };
    Added added = addSources(*setTempo({}, Bpm(104)),
                             {source("hands", 112, hear::Kind::Struck), source("drone", {}, hear::Kind::NoBeat),
                              source("bell", {}, hear::Kind::OneHit), source("spare", 90, hear::Kind::Struck),
                              source("held", 95, hear::Kind::Struck)});
    Project p = added.project;
    std::vector<ClipId> clips;
    for (const std::size_t i : {0U, 1U, 2U, 4U}) {
        const auto placed = place(p, added.ids[i], {}, Beats(0));
        p = placed->project;
        clips.push_back(placed->id);
    }
    p = *setMethod(p, {clips[0]}, stretch::Method::Blend);
    p = *setRule(p, {clips[3]}, TimeRule::Place);
    p = *setLocked(p, {clips[0]}, true);
    const StrainedSources sources = strainedSources(*lay(p));
    ASSERT_EQ(sources.in.size(), 1U);
    EXPECT_EQ(sources.in[0].name, "hands");
    EXPECT_EQ(sources.in[0].strained.method, stretch::Method::Blend);
    EXPECT_FALSE(sources.in[0].strained.octaves); // locked: its tempo may not be said to be another
    ASSERT_EQ(sources.out.size(), 4U);
    EXPECT_EQ(sources.out[0].why, "no tempo");
    EXPECT_EQ(sources.out[1].why, "one hit");
    EXPECT_EQ(sources.out[2].why, "not placed");
    EXPECT_EQ(sources.out[3].why, "not stretched");
}

} // namespace
