#include "prove/strain.h"

#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

using namespace project;
using prove::Verdict;

prove::Strain strainAt(double own, double bpm, stretch::Method method, bool stretched = true) {
    Source s;
    s.name = s.content = "hands";
    s.facts = {48000, 1, Frames(480000), "WAV"};
    s.sound = soundOf(support::strokes({0}, 10.0));
    if (stretched) s.beats = metre::BeatMap(Bpm(own), Seconds(0));
    Added added = addSources(*setTempo({}, Bpm(bpm)), {s});
    const auto placed = place(added.project, added.ids[0], {}, Beats(0));
    const auto laid = lay(*setMethod(placed->project, {placed->id}, method));
    return prove::strainOf(*laid->find(placed->id));
}

TEST(Strain, IsTheChangeOfLengthAndOfTempo) {
    const auto s = strainAt(112, 104, stretch::Method::Struck);
    EXPECT_NEAR(s.percent, 100 * (112.0 / 104 - 1), 1e-9);
    EXPECT_NEAR(s.bpm, -8, 1e-9);
    EXPECT_EQ(s.verdict, Verdict::Gentle);
    EXPECT_EQ(strainAt(104, 104, stretch::Method::Struck).verdict, Verdict::Untouched);
    EXPECT_EQ(strainAt(112, 104, stretch::Method::Struck, false), prove::Strain{});
}

TEST(Strain, DrumsBearMoreThanMixesAndThoseMoreThanHeldSounds) {
    const double by15percent = 100 / 1.15;
    EXPECT_EQ(strainAt(100, by15percent, stretch::Method::Struck).verdict, Verdict::Gentle);
    EXPECT_EQ(strainAt(100, by15percent, stretch::Method::Blend).verdict, Verdict::Firm);
    EXPECT_EQ(strainAt(100, 100 / 1.10, stretch::Method::Blend).verdict, Verdict::Gentle);
    EXPECT_EQ(strainAt(100, 100 / 1.10, stretch::Method::Held).verdict, Verdict::Firm);
    EXPECT_EQ(strainAt(100, 100 / 1.25, stretch::Method::Held).verdict, Verdict::Hard);
    EXPECT_EQ(strainAt(100, 60, stretch::Method::Struck).verdict, Verdict::Hard);
}

} // namespace
