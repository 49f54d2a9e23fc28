#include "metre/beat_map.h"
#include "metre/metre_map.h"
#include "metre/snap.h"
#include "metre/tap.h"
#include "metre/tempo.h"
#include "metre/tempo_map.h"
#include "metre/time_map.h"

#include <cmath>
#include <gtest/gtest.h>
#include <limits>
#include <random>
#include <type_traits>

namespace {

using namespace metre;
using Shape = TempoPoint::Shape;

TEST(Units, DoNotMix) {
    static_assert(!std::is_convertible_v<Seconds, Beats>);
    static_assert(!std::is_convertible_v<double, Beats>);
    static_assert(!std::is_convertible_v<Frames, Seconds>);
    EXPECT_EQ(toFrames(Seconds(1.0), 48000), Frames(48000));
    EXPECT_EQ(toFrames(Seconds(-0.5), 44100), Frames(-22050));
}

TEST(Tempo, IsReadAsPeopleTypeIt) {
    EXPECT_EQ(parseTempo("104")->value, 104);
    EXPECT_EQ(parseTempo(" 97,5 BPM ")->value, 97.5);
    EXPECT_EQ(parseTempo("93.89bpm")->value, 93.89);
}

TEST(Tempo, RefusesWhatIsNone) {
    for (const char* bad :
         {"", "fast", "0", "-5", "1e9", "nan", "inf", "104x", "12 34", "19.99", "400.01", "BPM"}) {
        const auto r = parseTempo(bad);
        ASSERT_FALSE(r) << bad;
        EXPECT_GT(r.error().text.size(), 20U);
    }
}

TEST(Tempo, LabelsDropNeedlessDecimals) {
    EXPECT_EQ(tempoFigure(Bpm(104)), "104.00");
    EXPECT_EQ(tempoLabel(Bpm(104)), "104");
    EXPECT_EQ(tempoLabel(Bpm(118.5)), "118.5");
    EXPECT_EQ(tempoLabel(Bpm(97.432)), "97.43");
}

TempoMap varied() {
    return *TempoMap::make({{Beats(0), Bpm(100), Shape::Hold},
                            {Beats(8), Bpm(100), Shape::Ramp},
                            {Beats(16), Bpm(140), Shape::Ramp},
                            {Beats(24), Bpm(70), Shape::Hold},
                            {Beats(40), Bpm(70.0000001), Shape::Ramp},
                            {Beats(48), Bpm(70), Shape::Hold}});
}

TEST(TempoMap, HoldsAndRampsAreEachOthersInverse) {
    const TempoMap map = varied();
    for (double b = -20; b < 200; b += 0.137)
        EXPECT_NEAR(map.beatAt(map.secondsAt(Beats(b))).value, b, 1e-9) << b;
    for (double s = -20; s < 200; s += 0.137)
        EXPECT_NEAR(map.secondsAt(map.beatAt(Seconds(s))).value, s, 1e-9) << s;
}

TEST(TempoMap, InverseHoldsOverADay) {
    const TempoMap map = varied();
    EXPECT_NEAR(map.secondsAt(map.beatAt(Seconds(86400))).value, 86400, 1e-9);
}

TEST(TempoMap, RunsOnBeforeTheStartAndAfterTheEnd) {
    const TempoMap map = varied();
    EXPECT_DOUBLE_EQ(map.secondsAt(Beats(-1)).value, -0.6);
    EXPECT_NEAR((map.secondsAt(Beats(101)) - map.secondsAt(Beats(100))).value, 60.0 / 70, 1e-12);
}

TEST(TempoMap, TellsTheTempoAtABeat) {
    const TempoMap map = varied();
    EXPECT_DOUBLE_EQ(map.tempoAt(Beats(4)).value, 100);
    EXPECT_DOUBLE_EQ(map.tempoAt(Beats(12)).value, 120);
    EXPECT_DOUBLE_EQ(map.tempoAt(Beats(16)).value, 140);
    EXPECT_DOUBLE_EQ(map.tempoAt(Beats(20)).value, 105);
    EXPECT_FALSE(map.isSteady());
    EXPECT_TRUE(TempoMap(Bpm(90)).isSteady());
}

TEST(TempoMap, TellsWhereItIsOneTempo) {
    const TempoMap map = *TempoMap::make({{Beats(0), Bpm(100)},
                                          {Beats(8), Bpm(100)},
                                          {Beats(16), Bpm(120), TempoPoint::Shape::Ramp},
                                          {Beats(20), Bpm(90)}});
    EXPECT_EQ(map.steadyTempo(Beats(-4), Beats(16)), Bpm(100)) << "a point that changes nothing";
    EXPECT_EQ(map.steadyTempo(Beats(12), Beats(17)), std::nullopt);
    EXPECT_EQ(map.steadyTempo(Beats(16), Beats(17)), std::nullopt) << "on a ramp";
    EXPECT_EQ(map.steadyTempo(Beats(20), Beats(400)), Bpm(90));
}

TEST(TempoMap, RefusesWhatCannotBe) {
    EXPECT_FALSE(TempoMap::make({}));
    EXPECT_FALSE(TempoMap::make({{Beats(1), Bpm(100)}}));
    EXPECT_FALSE(TempoMap::make({{Beats(0), Bpm(0)}}));
    EXPECT_FALSE(TempoMap::make({{Beats(0), Bpm(-5)}}));
    EXPECT_FALSE(TempoMap::make({{Beats(0), Bpm(std::nan(""))}}));
    EXPECT_FALSE(TempoMap::make({{Beats(0), Bpm(100)}, {Beats(0), Bpm(110)}}));
    EXPECT_FALSE(TempoMap::make({{Beats(0), Bpm(100)}, {Beats(4), Bpm(1e9)}}));
}

TEST(MetreMap, CountsBarsBeatsAndParts) {
    const MetreMap map;
    EXPECT_EQ(map.positionAt(Beats(0)), (BarPosition{1, 1, 0}));
    EXPECT_EQ(map.positionAt(Beats(17.5)), (BarPosition{5, 2, 48}));
    EXPECT_EQ(map.positionAt(Beats(-0.25)), (BarPosition{0, 4, 72}));
    EXPECT_EQ(positionLabel(map.positionAt(Beats(17.5))), "5 · 2 · 48");
    EXPECT_EQ(map.beatAt({5, 2, 48}), Beats(17.5));
}

TEST(MetreMap, SixEightCountsEighths) {
    const MetreMap map(*parseMetre("6/8"));
    EXPECT_EQ(map.startOfBar(2), Beats(3));
    EXPECT_EQ(map.positionAt(Beats(2.5)), (BarPosition{1, 6, 0}));
}

TEST(MetreMap, ChangesAtABar) {
    const MetreMap map = *MetreMap::make({{1, {4, 4}}, {3, {3, 4}}, {5, {7, 8}}});
    EXPECT_EQ(map.startOfBar(3), Beats(8));
    EXPECT_EQ(map.startOfBar(5), Beats(14));
    EXPECT_EQ(map.startOfBar(6), Beats(17.5));
    EXPECT_EQ(map.barAt(Beats(13.9)), 4);
    for (int bar = -2; bar < 12; ++bar)
        EXPECT_EQ(map.barAt(map.startOfBar(bar)), bar);
}

TEST(MetreMap, PositionsComeBackExactly) {
    const MetreMap map = *MetreMap::make({{1, {4, 4}}, {3, {5, 8}}});
    for (int bar = 1; bar < 8; ++bar)
        for (int beat = 1; beat <= (bar < 3 ? 4 : 5); ++beat)
            for (int part = 0; part < 96; ++part) {
                const BarPosition p{bar, beat, part};
                EXPECT_EQ(map.positionAt(map.beatAt(p)), p);
            }
}

TEST(Metre, RefusesWhatIsNone) {
    for (const char* bad : {"", "4", "4/", "/4", "0/4", "4/3", "33/4", "4/64", "4/4x", "a/b", "-3/4"})
        EXPECT_FALSE(parseMetre(bad)) << bad;
}

TEST(Snap, GoesToTheNearestGridPlace) {
    const MetreMap map;
    EXPECT_EQ(snapped(Beats(5.4), Snap::Beat, map), Beats(5));
    EXPECT_EQ(snapped(Beats(5.5), Snap::Beat, map), Beats(6));
    EXPECT_EQ(snapped(Beats(5.4), Snap::Bar, map), Beats(4));
    EXPECT_EQ(snapped(Beats(5.4), Snap::HalfBeat, map), Beats(5.5));
    EXPECT_EQ(snapped(Beats(5.4), Snap::QuarterBeat, map), Beats(5.5));
    EXPECT_EQ(snapped(Beats(5.4), Snap::Off, map), Beats(5.4));
    EXPECT_EQ(snapped(Beats(-0.9), Snap::Beat, map), Beats(-1));
}

TEST(Snap, AShortBarEndsItsGrid) {
    const MetreMap map = *MetreMap::make({{1, {5, 8}}, {2, {4, 4}}});
    EXPECT_EQ(gridAfter(Beats(2.0), Snap::Bar, map), Beats(2.5));
    EXPECT_EQ(snapped(Beats(2.4), Snap::Bar, map), Beats(2.5));
}

TEST(BeatMap, SteadyRecordingsRunStraight) {
    const BeatMap map(Bpm(120), Seconds(0.25));
    EXPECT_NEAR(map.secondsAt(Beats(8)).value, 4.25, 1e-12);
    EXPECT_NEAR(map.beatAt(Seconds(0)).value, -0.5, 1e-12);
    EXPECT_NEAR(map.meanTempo().value, 120, 1e-9);
}

TEST(BeatMap, PinsBendTheLine) {
    const BeatMap map = *BeatMap::make({{Seconds(0), Beats(0)}, {Seconds(2), Beats(4)}, {Seconds(5), Beats(8)}});
    EXPECT_NEAR(map.secondsAt(Beats(2)).value, 1, 1e-12);
    EXPECT_NEAR(map.secondsAt(Beats(6)).value, 3.5, 1e-12);
    EXPECT_NEAR(map.secondsAt(Beats(12)).value, 8, 1e-12);
    for (double s = -3; s < 9; s += 0.1)
        EXPECT_NEAR(map.secondsAt(map.beatAt(Seconds(s))).value, s, 1e-9);
}

TEST(BeatMap, RefusesPinsOutOfOrder) {
    EXPECT_FALSE(BeatMap::make({{Seconds(0), Beats(0)}}));
    EXPECT_FALSE(BeatMap::make({{Seconds(0), Beats(0)}, {Seconds(0), Beats(1)}}));
    EXPECT_FALSE(BeatMap::make({{Seconds(0), Beats(1)}, {Seconds(1), Beats(1)}}));
    EXPECT_FALSE(BeatMap::make({{Seconds(0), Beats(0)}, {Seconds(std::nan("")), Beats(1)}}));
}

TEST(TimeMap, LandsOnItsPoints) {
    const TimeMap map =
        *TimeMap::make({{Frames(100), Frames(0)}, {Frames(1100), Frames(2000)}, {Frames(2100), Frames(2500)}});
    EXPECT_DOUBLE_EQ(map.sourceAt(0), 100);
    EXPECT_DOUBLE_EQ(map.sourceAt(2000), 1100);
    EXPECT_DOUBLE_EQ(map.outputAt(1600), 2250);
    EXPECT_EQ(map.outputLength(), Frames(2500));
    EXPECT_NEAR(map.meanRatio(), 1.25, 1e-12);
    std::mt19937 random(3);
    std::uniform_real_distribution<double> place(-500, 3000);
    for (int i = 0; i < 1000; ++i) {
        const double o = place(random);
        EXPECT_NEAR(map.outputAt(map.sourceAt(o)), o, 1e-9);
    }
}

TEST(TimeMap, RefusesWhatCannotBeStretched) {
    const auto make = [](std::vector<TimePoint> points) { return TimeMap::make(std::move(points)); };
    EXPECT_FALSE(make({}));
    EXPECT_FALSE(make({{Frames(0), Frames(0)}}));
    EXPECT_FALSE(make({{Frames(0), Frames(1)}, {Frames(9), Frames(9)}}));
    EXPECT_FALSE(make({{Frames(0), Frames(0)}, {Frames(0), Frames(9)}}));
    EXPECT_FALSE(make({{Frames(0), Frames(0)}, {Frames(9), Frames(0)}}));
    EXPECT_FALSE(TimeMap::straight(Frames(1000), Frames(200)));
    EXPECT_FALSE(TimeMap::straight(Frames(1000), Frames(5000)));
    EXPECT_TRUE(TimeMap::straight(Frames(1000), Frames(250)));
    EXPECT_TRUE(TimeMap::straight(Frames(1000), Frames(4000)));
}

TEST(TimeMap, KnowsTheIdentity) {
    EXPECT_TRUE(TimeMap::straight(Frames(1000), Frames(1000))->isIdentity());
    EXPECT_TRUE(TimeMap::make({{Frames(50), Frames(0)}, {Frames(60), Frames(10)}})->isIdentity());
    EXPECT_FALSE(TimeMap::straight(Frames(1000), Frames(1001))->isIdentity());
}

TEST(Taps, SettleOnTheTempoAndDropASlip) {
    Taps taps;
    EXPECT_FALSE(taps.tempo());
    taps.tap(Seconds(0));
    EXPECT_FALSE(taps.tempo());
    for (int i = 1; i <= 8; ++i)
        taps.tap(Seconds(i * 0.5 + (i % 2 == 0 ? 0.01 : -0.01)));
    EXPECT_NEAR(taps.tempo()->value, 120, 1);
    taps.tap(Seconds(8 * 0.5 + 0.3)); // a slip
    taps.tap(Seconds(8 * 0.5 + 0.8));
    EXPECT_NEAR(taps.tempo()->value, 120, 1.5);
}

TEST(Taps, BeginAnewAfterAPause) {
    Taps taps;
    for (int i = 0; i < 5; ++i)
        taps.tap(Seconds(i * 0.5));
    for (int i = 0; i < 5; ++i)
        taps.tap(Seconds(10 + i * 0.75));
    EXPECT_NEAR(taps.tempo()->value, 80, 1e-6);
}

} // namespace
