// A clip's own tempo: what it counts as, where that is not its recording's.
#include "project/counted.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/laid.h"
#include "project/lead.h"
#include "project/read_source.h"
#include "project/save.h"
#include "project/sets.h"
#include "support/audio.h"
#include "support/files.h"

#include <gtest/gtest.h>

namespace {

using namespace project;

// A loop of eight beats at 112, placed twice.
struct Two {
    Project p;
    SourceId source;
    ClipId first;
    ClipId second;
};

Two twoClips() {
    Source s;
    s.name = s.content = "hands";
    s.file = "/nowhere/hands.wav";
    const double seconds = 8 * 60 / 112.0;
    s.facts = {48000, 1, Frames(std::llround(seconds * 48000)), "WAV 16-bit"};
    s.sound = soundOf(support::strokes({0, 24000}, seconds));
    s.beats = metre::BeatMap(Bpm(112), Seconds(0));
    s.kind = hear::Kind::Struck;
    Added added = addSources(*setTempo({}, Bpm(104)), {s});
    auto one = place(added.project, added.ids[0], {}, Beats(0));
    auto two = place(one->project, added.ids[0], {}, Beats(16));
    return {two->project, added.ids[0], one->id, two->id};
}

const Timing& timeOf(const LaidPtr& laid, ClipId id) {
    return laid->find(id)->time();
}

TEST(CountsAs, AnEdgeStretchesItsClipAndNoOtherOfTheRecording) {
    const Two t = twoClips();
    const LaidPtr before = lay(t.p);
    const auto next = stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(6));
    ASSERT_TRUE(next) << next.error().text;
    const LaidPtr laid = lay(*next, before);
    EXPECT_NEAR(timeOf(laid, t.first).start.value, 0, 1e-9);
    EXPECT_NEAR(timeOf(laid, t.first).end.value, 6, 1e-9);
    EXPECT_NEAR(clipOf(*next, t.first)->countsAs->value, 84, 1e-9);
    EXPECT_EQ(laid->find(t.second)->timing, before->find(t.second)->timing) << "it is not even laid anew";
    EXPECT_EQ(sourceOf(*next, t.source), sourceOf(t.p, t.source)) << "the recording is as it was";
    EXPECT_NEAR(laid->find(t.first)->source->beats->meanTempo().value, 84, 1e-9);
    EXPECT_EQ(laid->find(t.first)->source->wholeBeats(), 6);
    EXPECT_EQ(laid->find(t.first)->recording, sourceOf(t.p, t.source));
}

TEST(CountsAs, SeveralSelectedClipsAreStretchedByTheSameRatioEachWhereItBegins) {
    const Two t = twoClips();
    const auto next = stretchEdge(t.p, {t.first, t.second}, t.first, Side::Right, Beats(4));
    ASSERT_TRUE(next);
    const LaidPtr laid = lay(*next);
    EXPECT_NEAR(timeOf(laid, t.first).end.value, 4, 1e-9);
    EXPECT_NEAR(timeOf(laid, t.second).start.value, 16, 1e-9);
    EXPECT_NEAR(timeOf(laid, t.second).end.value, 20, 1e-9);
}

TEST(CountsAs, BackAtItsRecordingsTempoItCountsAsItself) {
    const Two t = twoClips();
    const Project away = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(6));
    const Project back = *stretchEdge(away, {t.first}, t.first, Side::Right, Beats(8));
    EXPECT_FALSE(clipOf(back, t.first)->countsAs);
    EXPECT_NEAR(timeOf(lay(back), t.first).end.value, 8, 1e-9);
}

TEST(CountsAs, TheLengthIsThatOfTheGridToTheFrame) {
    const Two t = twoClips();
    for (const double beats : {5.0, 6.0, 7.0, 9.0, 12.0, 16.0}) {
        const Project p = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(beats));
        EXPECT_EQ(timeOf(lay(p), t.first).length.value, std::llround(beats * 60 / 104 * 48000)) << beats;
    }
}

TEST(CountsAs, FitToBarsFillsThemFromTheBarLine) {
    const Two t = twoClips();
    const Project moved = *moveClips(t.p, {t.second}, Beats(1), 0);
    const Project p = *fitToBars(moved, {t.second}, 3);
    const LaidPtr laid = lay(p);
    EXPECT_NEAR(timeOf(laid, t.second).start.value, 16, 1e-9);
    EXPECT_NEAR(timeOf(laid, t.second).end.value, 28, 1e-9);
    EXPECT_NEAR(*barsFilled(p, t.second), 3, 1e-9);
    EXPECT_NEAR(*barsFilled(p, t.first), 2, 1e-9) << "the other clip fills what it did";
    EXPECT_NEAR(sourceOf(p, t.source)->beats->meanTempo().value, 112, 1e-9);
}

TEST(CountsAs, AClipThatWasTrimmedIsFittedAsItIs) {
    const Two t = twoClips();
    const Project trimmed = *trim(t.p, {t.first}, Side::Right, Beats(-3));
    EXPECT_NEAR(*barsFilled(trimmed, t.first), 1.25, 1e-9);
    const Project p = *fitToBars(trimmed, {t.first}, 1);
    EXPECT_NEAR(timeOf(lay(p), t.first).end.value, 4, 1e-9);
}

TEST(CountsAs, OfASetAllCountAsTheRecordingsOnceOneIsMadeTheRecording) {
    const Two t = twoClips();
    Source other = *sourceOf(t.p, t.source);
    other.content = other.name = "feet";
    const Added added = addSources(t.p, {other});
    const Project apart = place(added.project, added.ids[0], {}, Beats(0))->project;
    const std::vector<SourceId> ids{t.source, added.ids[0]};
    const auto together = hearTogether({sourceOf(apart, ids[0]), sourceOf(apart, ids[1])}, {}, nullptr);
    ASSERT_TRUE(together) << together.error().text;
    const auto set = makeSet(apart, ids, *together);
    ASSERT_TRUE(set) << set.error().text;
    const auto told = setSourceTempo(*set, t.source, Bpm(112), hear::Witness::Typed);
    ASSERT_TRUE(told) << told.error().text;
    const auto counted = setCountsAs(*told, {t.first}, Bpm(84));
    ASSERT_TRUE(counted) << counted.error().text;
    const auto done = countForRecording(*counted, {t.first});
    ASSERT_TRUE(done) << done.error().text;
    for (const ClipId id : allClips(*done))
        EXPECT_FALSE(clipOf(*done, id)->countsAs) << id.value;
    for (const SourceId id : ids)
        EXPECT_NEAR(sourceOf(*done, id)->beats->meanTempo().value, 84, 1e-6);
}

TEST(CountsAs, APercentageIsOfTheLengthAsRecorded) {
    const Two t = twoClips();
    const Project p = *setStretch(t.p, {t.first}, 100);
    EXPECT_NEAR(timeOf(lay(p), t.first).length.value, 8 * 60 / 112.0 * 48000, 1);
    EXPECT_FALSE(setStretch(t.p, {t.first}, 20));
}

TEST(CountsAs, ForTheRecordingItHoldsForAllItsClips) {
    const Two t = twoClips();
    const Project one = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(6));
    const auto all = countForRecording(one, {t.first});
    ASSERT_TRUE(all) << all.error().text;
    const LaidPtr laid = lay(*all);
    EXPECT_NEAR(sourceOf(*all, t.source)->beats->meanTempo().value, 84, 1e-9);
    EXPECT_FALSE(clipOf(*all, t.first)->countsAs);
    EXPECT_NEAR(timeOf(laid, t.first).end.value, 6, 1e-9) << "it lies where it lay";
    EXPECT_NEAR(timeOf(laid, t.second).end.value, 22, 1e-9);
    EXPECT_FALSE(countForRecording(*all, {t.first})) << "nothing counts as another tempo any more";
}

TEST(CountsAs, BackToAsRecordedTakesItAway) {
    const Two t = twoClips();
    const Project one = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(6));
    const Project p = *setAsRecorded(one, {t.first});
    EXPECT_FALSE(clipOf(p, t.first)->countsAs);
    EXPECT_EQ(timeOf(lay(p), t.first).length.value, std::llround(8 * 60 / 112.0 * 48000));
}

TEST(CountsAs, WhatLeadsIsNotStretchedAndCountsAsItself) {
    const Two t = twoClips();
    const Project one = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(6));
    const Project led = *setLead(one, t.first, Lead::Every::Piece, Seconds(0));
    EXPECT_FALSE(clipOf(led, t.first)->countsAs);
    EXPECT_NEAR(led.tempo.points().front().bpm.value, 112, 1e-6);
    EXPECT_FALSE(stretchEdge(led, {t.first}, t.first, Side::Right, Beats(6)));
    EXPECT_FALSE(fitToBars(led, {t.first}, 4));
}

TEST(CountsAs, ItsPartsAndCopiesCountAlikeAndStayWhereTheyAre) {
    const Two t = twoClips();
    const Project one = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(12));
    const auto parts = split(one, {t.first}, Beats(6));
    ASSERT_TRUE(parts);
    ASSERT_EQ(parts->clips.size(), 2U);
    const LaidPtr laid = lay(parts->project);
    EXPECT_NEAR(timeOf(laid, parts->clips[0]).end.value, 6, 1e-9);
    EXPECT_NEAR(timeOf(laid, parts->clips[1]).start.value, 6, 1e-9);
    EXPECT_NEAR(timeOf(laid, parts->clips[1]).end.value, 12, 1e-9);
}

TEST(CountsAs, AnotherTempoOfTheRecordingLeavesItAlone) {
    const Two t = twoClips();
    const Project one = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(6));
    const Project p = *setSourceTempo(one, t.source, Bpm(56), hear::Witness::Typed);
    const LaidPtr laid = lay(p);
    EXPECT_NEAR(timeOf(laid, t.first).end.value, 6, 1e-9);
    EXPECT_NEAR(timeOf(laid, t.second).end.value, 20, 1e-9);
}

TEST(CountsAs, ATempoOutOfRangeIsRefused) {
    const Two t = twoClips();
    const auto next = stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(0.5));
    ASSERT_FALSE(next);
    EXPECT_NE(next.error().text.find("hands"), std::string::npos) << next.error().text;
    EXPECT_NE(next.error().text.find("20"), std::string::npos) << next.error().text;
}

TEST(CountsAs, ItIsSavedAndOlderProjectsHaveNone) {
    const Two t = twoClips();
    const Project one = *stretchEdge(t.p, {t.first}, t.first, Side::Right, Beats(6));
    const support::Folder folder;
    ASSERT_TRUE(saveProject(one, folder / "piece", false));
    const auto loaded = loadProject(folder / "piece");
    ASSERT_TRUE(loaded) << loaded.error().text;
    EXPECT_EQ(clipOf(loaded->project, t.first)->countsAs, clipOf(one, t.first)->countsAs);
    EXPECT_FALSE(clipOf(loaded->project, t.second)->countsAs);
}

} // namespace
