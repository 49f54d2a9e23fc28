// Half or double: what the recording alone cannot say.
#include "project/leaning.h"

#include "project/settle.h"

#include <gtest/gtest.h>

namespace {

using hear::Witness;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using project::Leaning;

// A source that is only heard, at 87 BPM or perhaps twice that, eight beats long.
project::Source heardAt(double bpm, double half, double same, double twice) {
    hear::Reading r;
    r.by = Witness::Heard;
    r.bpm = Bpm(bpm);
    r.beats = Beats(8);
    r.sureness = same;
    r.evidence = "sure 0.60 · also others";
    r.others = {{Bpm(bpm), same, 0}, {Bpm(2 * bpm), twice, 0}, {Bpm(bpm / 2), half, 0}};
    r.pins = {{Seconds(0), Beats(0)}, {Seconds(60 / bpm), Beats(1)}};
    project::Source s;
    s.facts.rate = 48000;
    s.facts.frames = metre::Frames(static_cast<std::int64_t>(8 * 60 / bpm * 48000));
    project::putReading(s, r);
    project::settle(s, Seconds(0));
    return s;
}

TEST(Leaning, TheUsualOctaveWithoutNeighboursChangesNothing) {
    for (const double bpm : {45.0, 87.0, 174.0}) {
        project::Source s = heardAt(bpm, 0.2, 0.5, 0.3);
        EXPECT_FALSE(project::lean(s, {})) << bpm;
        EXPECT_DOUBLE_EQ(s.beats->meanTempo().value, bpm);
    }
}

TEST(Leaning, NeighboursDecideWhatIsInDoubt) {
    project::Source s = heardAt(87, 0.05, 0.6, 0.3);
    ASSERT_TRUE(project::lean(s, {Leaning::usual, {Bpm(174), Bpm(172), Bpm(176)}}));
    EXPECT_DOUBLE_EQ(s.beats->meanTempo().value, 174);
    const hear::Reading* r = project::readingBy(s, Witness::Heard);
    EXPECT_DOUBLE_EQ(r->bpm->value, 174);
    EXPECT_EQ(r->beats, Beats(16));
    EXPECT_DOUBLE_EQ(r->others.front().bpm.value, 174) << "what is taken comes first";
    EXPECT_NE(r->evidence.find("counted twice as fast"), std::string::npos) << r->evidence;
    // The beats lie where they lay, twice as many.
    EXPECT_NEAR(s.beats->beatAt(Seconds(60.0 / 87)).value, 2, 1e-9);
    EXPECT_FALSE(project::lean(s, {Leaning::usual, {Bpm(174), Bpm(172), Bpm(176)}})) << "once is enough";
}

TEST(Leaning, WhatIsClearlyHeardIsNoMatterOfNeighbours) {
    project::Source s = heardAt(87, 0.001, 0.99, 0.009);
    EXPECT_FALSE(project::lean(s, {Leaning::usual, {Bpm(174), Bpm(174), Bpm(174)}}));
    EXPECT_DOUBLE_EQ(s.beats->meanTempo().value, 87);
}

TEST(Leaning, TheTemposOneWorksAtDecideToo) {
    project::Source s = heardAt(87, 0.05, 0.6, 0.3);
    EXPECT_TRUE(project::lean(s, {Bpm(120), {}}));
    EXPECT_DOUBLE_EQ(s.beats->meanTempo().value, 174);
    project::Source slow = heardAt(120, 0.3, 0.6, 0.05);
    EXPECT_TRUE(project::lean(slow, {Bpm(40), {}}));
    EXPECT_DOUBLE_EQ(slow.beats->meanTempo().value, 60);
}

TEST(Leaning, ThreesAreTakenOnlyWhereTheyWereHeard) {
    project::Source s = heardAt(80, 0.01, 0.5, 0.01);
    EXPECT_FALSE(project::lean(s, {Leaning::usual, {Bpm(120), Bpm(120)}})) << "nobody heard 120";
    hear::Reading r = *project::readingBy(s, Witness::Heard);
    r.others.push_back({Bpm(120), 0.4, 0});
    project::putReading(s, r);
    EXPECT_TRUE(project::lean(s, {Leaning::usual, {Bpm(120), Bpm(120)}}));
    EXPECT_DOUBLE_EQ(s.beats->meanTempo().value, 120);
}

// Two dotted quarters in a bar of 6/8 become three quarters, which are six eighths.
TEST(Leaning, InThreesABarOfSixEighthsStaysAsLong) {
    project::Source s = heardAt(80, 0.01, 0.5, 0.01);
    hear::Reading r = *project::readingBy(s, Witness::Heard);
    r.others.push_back({Bpm(120), 0.4, 0});
    r.metre = metre::Metre{6, 8};
    project::putReading(s, r);
    s.beatsInBar = 2;
    ASSERT_TRUE(project::lean(s, {Leaning::usual, {Bpm(120), Bpm(120)}}));
    EXPECT_EQ(s.metre(), (metre::Metre{6, 8}));
    EXPECT_DOUBLE_EQ(s.metre().bar().value * 60 / s.beats->meanTempo().value, 1.5);
}

TEST(Leaning, WhatTheUserOrAWindowSaidStays) {
    project::Source s = heardAt(87, 0.05, 0.6, 0.3);
    s.window = {Bpm(70), Bpm(140)};
    EXPECT_FALSE(project::lean(s, {Leaning::usual, {Bpm(174), Bpm(174)}}));
    project::Source typed = heardAt(87, 0.05, 0.6, 0.3);
    hear::Reading word;
    word.by = Witness::Typed;
    word.bpm = Bpm(87);
    word.sureness = 1;
    project::putReading(typed, word);
    project::settle(typed, Seconds(0));
    project::lean(typed, {Leaning::usual, {Bpm(174), Bpm(174)}});
    EXPECT_DOUBLE_EQ(typed.beats->meanTempo().value, 87);
}

TEST(Leaning, NeighboursAreTheProjectAndTheFolder) {
    project::Project p;
    p.tempo = metre::TempoMap(Bpm(104));
    EXPECT_TRUE(project::neighboursOf(p, "/loops/c.wav").empty()) << "an empty project says nothing";
    const auto add = [&](const char* file, double bpm) {
        project::Source s = heardAt(bpm, 0.01, 0.95, 0.01);
        s.file = file;
        p.sources.altered().push_back(std::make_shared<const project::Source>(s));
    };
    add("/loops/a.wav", 174);
    add("/stems/b.wav", 92);
    EXPECT_EQ(project::neighboursOf(p, "/loops/c.wav"), (std::vector<Bpm>{Bpm(104), Bpm(174)}));
    EXPECT_EQ(project::neighboursOf(p, "/loops/a.wav"), (std::vector<Bpm>{Bpm(104)})) << "nobody is its own";
}

} // namespace
