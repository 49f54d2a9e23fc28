// How a recording plays around its beats, on playing of which that is known.
#include "hear/feel.h"

#include "hear/onsets.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace {

using hear::Feel;
using hear::FeelGrid;
using hear::FeelHit;
using metre::Beats;
using metre::Metre;
using metre::Seconds;

// Hits on a grid, as somebody plays them.
struct Player {
    double bpm = 110;
    FeelGrid grid = FeelGrid::Sixteenths;
    double swing = 50;
    double loose = 0;              // seconds
    std::vector<double> late = {}; // seconds, by place of the bar; those beyond it are on time
    Metre metre{4, 4};
    int bars = 8;
    double played = 1; // of the steps that are struck
    unsigned seed = 1;

    std::vector<FeelHit> hits() const {
        std::mt19937 random(seed);
        std::normal_distribution<double> off(0, 1);
        std::uniform_real_distribution<double> chance(0, 1);
        const hear::SwungGrid places{grid, swing};
        const int bar = static_cast<int>(std::lround(metre.bar().value * hear::entryOf(grid).parts));
        std::vector<FeelHit> list;
        for (int step = 0; step < bar * bars; ++step) {
            if (step % bar != 0 && chance(random) > played) continue;
            const auto place = static_cast<std::size_t>(step % bar);
            const double by = (place < late.size() ? late[place] : 0) + loose * off(random);
            list.push_back(
                {places.placeOf(step) + Beats(by * bpm / 60), Seconds(60 / bpm), 0.5 + 0.5 * chance(random)});
        }
        return list;
    }
};

double offsetOf(const Feel& feel, int place) {
    return feel.offsetAt(place).value_or(Seconds(99)).value;
}

TEST(Feel, SwingIsReadToHalfAPerCent) {
    for (const FeelGrid grid : {FeelGrid::Eighths, FeelGrid::Sixteenths})
        for (const double swing : {50.0, 54.0, 58.0, 62.0, 66.7})
            for (const double bpm : {80.0, 112.0, 170.0})
                for (const double loose : {0.0, 0.004}) {
                    const auto feel = hear::feelOf(Player{bpm, grid, swing, loose}.hits(), {4, 4});
                    ASSERT_TRUE(feel) << feel.error().text;
                    SCOPED_TRACE(testing::Message() << swing << " % at " << bpm << ", loose by " << loose);
                    EXPECT_EQ(feel->grid, grid);
                    ASSERT_TRUE(feel->swing);
                    EXPECT_NEAR(*feel->swing, swing, loose > 0 ? 0.8 : 0.01);
                }
}

TEST(Feel, LoosenessIsReadToAMillisecond) {
    for (const double loose : {0.0, 0.004, 0.008, 0.012})
        for (const unsigned seed : {1U, 2U, 3U}) {
            Player player{112, FeelGrid::Sixteenths, 50, loose};
            player.seed = seed;
            const auto feel = hear::feelOf(player.hits(), {4, 4});
            ASSERT_TRUE(feel) << feel.error().text;
            EXPECT_NEAR(feel->loose.value, loose, 0.0012) << "seed " << seed;
        }
}

TEST(Feel, APlaceThatIsLateIsReadToHalfAMillisecond) {
    Player player{98};
    player.late.assign(16, 0);
    player.late[4] = 0.010;
    player.late[12] = 0.010;
    player.late[7] = -0.006;
    const auto feel = hear::feelOf(player.hits(), {4, 4});
    ASSERT_TRUE(feel);
    EXPECT_EQ(feel->stepsInBar(), 16);
    EXPECT_NEAR(offsetOf(*feel, 4), 0.010, 0.0005);
    EXPECT_NEAR(offsetOf(*feel, 12), 0.010, 0.0005);
    EXPECT_NEAR(offsetOf(*feel, 7), -0.006, 0.0005);
    EXPECT_NEAR(offsetOf(*feel, 0), 0, 0.0005);
    EXPECT_EQ(feel->places[4].hits, 8);
    EXPECT_EQ(feel->hits, 128);
}

TEST(Feel, TheSubdivisionIsTheCoarsestThatExplainsTheHits) {
    for (const hear::FeelGridEntry& entry : hear::feelGridTable)
        for (const Metre metre : {Metre{4, 4}, Metre{3, 4}, Metre{6, 8}}) {
            Player player{100, entry.grid, 50, 0.003};
            player.metre = metre;
            player.played = 0.7;
            const auto feel = hear::feelOf(player.hits(), metre);
            ASSERT_TRUE(feel) << entry.word;
            EXPECT_EQ(feel->grid, entry.grid) << entry.word;
        }
    // Beats alone are read in eighths, of which the second is not played.
    Player beats{100, FeelGrid::Eighths, 50, 0.002};
    auto hits = beats.hits();
    std::erase_if(hits, [](const FeelHit& h) { return std::abs(h.at.value - std::round(h.at.value)) > 0.2; });
    const auto feel = hear::feelOf(hits, {4, 4});
    ASSERT_TRUE(feel);
    EXPECT_EQ(feel->grid, FeelGrid::Eighths);
    EXPECT_FALSE(feel->swing);
}

TEST(Feel, SwingRatiosFromTheLiteratureAreTheirPerCents) {
    // A ratio of long to short, and the place of the second eighth that it means: r / (r + 1). Friberg & Sundström
    // 2002 report drummers at 3.5 : 1 in slow tunes down to 1 : 1 in fast ones (from memory).
    for (const double ratio : {1.0, 1.5, 2.0, 2.5, 3.0}) {
        const double percent = 100 * ratio / (ratio + 1);
        const auto feel =
            hear::feelOf(Player{120, FeelGrid::Eighths, percent, 0.002}.hits(), {4, 4}, FeelGrid::Eighths);
        ASSERT_TRUE(feel);
        EXPECT_NEAR(*feel->swing, percent, 0.5) << ratio;
    }
}

TEST(Feel, SaysWhyThereIsNone) {
    EXPECT_EQ(hear::feelOf({}, {4, 4}).error().text, "only 0 hits begin in it, and a feel rests on 8 at least");
    EXPECT_EQ(hear::feelOf({{Beats(0), Seconds(0.5)}, {Beats(1), Seconds(0.5)}}, {4, 4}).error().text,
              "only 2 hits begin in it, and a feel rests on 8 at least");
    // A thousand a bar: everywhere.
    std::mt19937 random(4);
    std::uniform_real_distribution<double> anywhere(0, 32);
    std::vector<FeelHit> dense;
    for (int i = 0; i < 8000; ++i)
        dense.push_back({Beats(anywhere(random)), Seconds(0.5)});
    EXPECT_FALSE(hear::feelOf(dense, {4, 4}));
}

// Drums, plucked notes, bass and chords, in bars of four, of three, and in 6/8.
TEST(Feel, OfEachKindOfSoundIsRead) {
    constexpr int rate = 44100;
    const std::vector<std::pair<const char*, std::vector<double>>> kinds = {
        {"drums", {}}, {"plucked", {660}}, {"bass", {73.4}}, {"chords", {220, 277.2, 329.6}}};
    for (const auto& [kind, pitches] : kinds)
        for (const Metre metre : {Metre{4, 4}, Metre{3, 4}, Metre{6, 8}})
            for (const double bpm : {84.0, 166.0}) {
                SCOPED_TRACE(std::string(kind) + ", " + std::to_string(metre.beats) + " in a bar, " +
                             std::to_string(bpm));
                Player player{bpm, FeelGrid::Eighths, 60, 0.003};
                player.metre = metre;
                player.late = {0, 0, 0.012};
                player.bars = 24;
                std::vector<std::int64_t> at;
                for (const FeelHit& hit : player.hits())
                    at.push_back(std::llround((hit.at.value * 60 / bpm + 0.1) * rate));
                const double seconds = double(at.back()) / rate + 1;
                sound::Audio audio =
                    support::strokes(pitches.empty() ? at : std::vector<std::int64_t>(), seconds, rate);
                for (const std::int64_t frame : at)
                    for (const double hertz : pitches)
                        support::pluck(audio, double(frame) / rate, hertz, 0.2, 12);
                std::vector<FeelHit> heard;
                for (const hear::Onset& o : hear::onsets(audio))
                    heard.push_back({Beats((metre::toSeconds(o.at, rate).value - 0.1) * bpm / 60),
                                     Seconds(60 / bpm), o.strength});
                const auto feel = hear::feelOf(heard, metre);
                ASSERT_TRUE(feel) << feel.error().text;
                EXPECT_EQ(feel->grid, FeelGrid::Eighths);
                ASSERT_TRUE(feel->swing);
                // So few hits tell no more than they do themselves: what counts is that onsets tell as much.
                std::vector<FeelHit> struck = player.hits();
                for (FeelHit& hit : struck)
                    hit.strength = 1; // as these sound
                const auto exact = hear::feelOf(struck, metre);
                ASSERT_TRUE(exact);
                EXPECT_NEAR(*feel->swing, *exact->swing, 0.5);
                EXPECT_NEAR(offsetOf(*feel, 2) - offsetOf(*feel, 0), offsetOf(*exact, 2) - offsetOf(*exact, 0),
                            0.001);
                EXPECT_NEAR(feel->loose.value, exact->loose.value, 0.001);
            }
}

TEST(Feel, OfSoundIsReadThroughItsOnsets) {
    constexpr double bpm = 104;
    constexpr int rate = 44100;
    Player player{bpm, FeelGrid::Sixteenths, 58};
    player.late.assign(16, 0);
    player.late[4] = 0.010;
    player.bars = 4;
    std::vector<std::int64_t> at;
    for (const FeelHit& hit : player.hits())
        at.push_back(std::llround((hit.at.value * 60 / bpm + 0.05) * rate));
    const sound::Audio audio = support::strokes(at, 4 * 4 * 60 / bpm + 0.1, rate);
    std::vector<FeelHit> heard;
    for (const hear::Onset& o : hear::onsets(audio))
        heard.push_back(
            {Beats((metre::toSeconds(o.at, rate).value - 0.05) * bpm / 60), Seconds(60 / bpm), o.strength});
    const auto feel = hear::feelOf(heard, {4, 4});
    ASSERT_TRUE(feel) << feel.error().text;
    EXPECT_EQ(feel->grid, FeelGrid::Sixteenths);
    EXPECT_NEAR(*feel->swing, 58, 0.5);
    EXPECT_NEAR(offsetOf(*feel, 4) - offsetOf(*feel, 0), 0.010, 0.0005);
    EXPECT_LT(feel->loose.value, 0.001);
}

} // namespace
