#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/history.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/timing.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using namespace project;
using hear::Witness;

Source madeUp(const std::string& name, double seconds, std::optional<double> bpm) {
    Source s;
    s.name = name;
    s.content = name;
    s.facts = {48000, 1, Frames(std::llround(seconds * 48000)), "WAV 16-bit"};
    s.sound = soundOf(support::strokes({0, 24000}, seconds));
    if (bpm) {
        s.beats = metre::BeatMap(Bpm(*bpm), Seconds(0));
        s.chosen = Witness::Name;
        for (const auto& [by, factor, sureness] : {std::tuple(Witness::Name, 1, 0.9), {Witness::Tag, 2, 0.5}}) {
            hear::Reading r;
            r.by = by;
            r.bpm = Bpm(*bpm * factor);
            r.sureness = sureness;
            s.readings.push_back(r);
        }
    }
    return s;
}

struct Loop {
    Project p;
    SourceId source;
    ClipId clip;
};

// The one clip, laid out.
const Timing& timeOf(const Project& p, ClipId id) {
    static LaidPtr last; // keeps what is returned
    last = lay(p);
    return last->find(id)->time();
}

Loop laid(double bpm = 112, double seconds = 16 * 60.0 / 112, double projectBpm = 104) {
    Added added = addSources(*setTempo({}, Bpm(projectBpm)), {madeUp("hands", seconds, bpm)});
    auto placed = place(added.project, added.ids[0], {}, Beats(4));
    return {placed->project, added.ids[0], placed->id};
}

TEST(Edit, PlacingMakesATrackWhereThereIsNone) {
    const Loop l = laid();
    ASSERT_EQ(l.p.tracks.size(), 1U);
    EXPECT_EQ(l.p.tracks[0]->name, "hands");
    const Clip& c = *clipOf(l.p, l.clip);
    EXPECT_EQ(startOf(l.p, c), Beats(4));
    EXPECT_NEAR(endOf(l.p, c).value, 20, 1e-9);
    EXPECT_TRUE(c.stretch.loop);
}

TEST(Edit, ATempoLeavesClipsOnTheirBeats) {
    const Loop l = laid();
    for (const double bpm : {60.0, 104.0, 133.7}) {
        const Project p = *setTempo(l.p, Bpm(bpm));
        const RenderJobPtr job = timeOf(p, l.clip).job();
        ASSERT_TRUE(job);
        const auto start = timeOf(p, l.clip).startFrame.value;
        EXPECT_EQ(start, std::llround(4 * 60 / bpm * 48000));
        EXPECT_EQ(start + job->map.outputLength().value, std::llround(20 * 60 / bpm * 48000));
        EXPECT_EQ(job->map.points().size(), 2U) << "a steady source at a steady tempo is one straight line";
    }
}

TEST(Edit, NeverAltersWhatItIsGiven) {
    const Loop l = laid();
    const Clip before = *clipOf(l.p, l.clip);
    (void)moveClips(l.p, {l.clip}, Beats(4), 0);
    (void)removeClips(l.p, {l.clip});
    (void)setSourceTempo(l.p, l.source, Bpm(90), Witness::Typed);
    (void)setGain(l.p, {l.clip}, -20);
    EXPECT_EQ(*clipOf(l.p, l.clip), before);
    EXPECT_NEAR(sourceOf(l.p, l.source)->beats->meanTempo().value, 112, 1e-9);
}

TEST(Edit, ASourcesTempoMovesTheEndOfItsClips) {
    const Loop l = laid();
    const Project p = *setSourceTempo(l.p, l.source, Bpm(56), Witness::Typed);
    EXPECT_NEAR(endOf(p, *clipOf(p, l.clip)).value, 4 + 8, 1e-9);
    EXPECT_EQ(sourceOf(p, l.source)->wholeBeats(), 8);
    EXPECT_EQ(sourceOf(p, l.source)->chosen, Witness::Typed);
}

TEST(Edit, EightBeatsBetweenTheMarks) {
    Added added = addSources({}, {madeUp("loop", 3.75, {})});
    const Project p = *setSourceBeats(added.project, added.ids[0], 8);
    EXPECT_NEAR(sourceOf(p, added.ids[0])->beats->meanTempo().value, 128, 1e-9);
}

TEST(Edit, ReadingsCanBePicked) {
    const Loop l = laid();
    const Project p = *chooseReading(l.p, l.source, Witness::Tag);
    EXPECT_NEAR(sourceOf(p, l.source)->beats->meanTempo().value, 224, 1e-9);
    EXPECT_FALSE(chooseReading(l.p, l.source, Witness::Heard));
}

TEST(Edit, AnImpossibleTempoIsRefusedInWords) {
    const Loop l = laid();
    for (const double bad : {0.0, -5.0, 1e9, std::nan("")}) {
        EXPECT_FALSE(setTempo(l.p, Bpm(bad)));
        const auto r = setSourceTempo(l.p, l.source, Bpm(bad), Witness::Typed);
        ASSERT_FALSE(r);
        EXPECT_NE(r.error().text.find("hands"), std::string::npos);
    }
    EXPECT_FALSE(setSourceBeats(l.p, l.source, 0));
    EXPECT_FALSE(setSourceBeats(l.p, l.source, 100000));
}

TEST(Edit, MovingStaysOnThePage) {
    const Loop l = laid();
    EXPECT_EQ(clipOf(*moveClips(l.p, {l.clip}, Beats(-4), 0), l.clip)->at, Beats(0));
    EXPECT_FALSE(moveClips(l.p, {l.clip}, Beats(-100), 0));
    EXPECT_FALSE(moveClips(l.p, {l.clip}, Beats(0), 1));
    const AddedTrack more = addTrack(l.p, "second");
    const Project moved = *moveClips(more.project, {l.clip}, Beats(1), 1);
    EXPECT_EQ(trackOfClip(moved, l.clip)->id, more.id);
}

TEST(Edit, AFirstDownbeatThatMovesKeepsTheTempoAndLiesOnTheBar) {
    const Loop l = laid();
    const Project p = *setFirstDownbeat(l.p, l.source, Seconds(0.25));
    const Clip& c = *clipOf(p, l.clip);
    EXPECT_NEAR(sourceOf(p, l.source)->beats->meanTempo().value, 112, 1e-9);
    EXPECT_LT(startOf(p, c), Beats(4)) << "what comes before the downbeat hangs before the bar";
    EXPECT_EQ(c.at, Beats(4));
    EXPECT_FALSE(setFirstDownbeat(l.p, l.source, Seconds(-1)));
    EXPECT_FALSE(setFirstDownbeat(l.p, l.source, Seconds(99)));
}

TEST(Edit, FittingToBarsFillsThem) {
    Added added = addSources(*setTempo({}, Bpm(100)), {madeUp("unknown", 7.3, {})});
    auto placed = place(added.project, added.ids[0], {}, Beats(5));
    EXPECT_EQ(lay(placed->project)->find(placed->id)->rule, TimeRule::Place);
    const Project p = *fitToBars(placed->project, {placed->id}, 3);
    const Clip& c = *clipOf(p, placed->id);
    EXPECT_EQ(startOf(p, c), Beats(4));
    EXPECT_NEAR(endOf(p, c).value, 16, 1e-9);
    EXPECT_EQ(c.rule, TimeRule::Stretch);
    EXPECT_FALSE(fitToBars(p, {placed->id}, 0));
}

TEST(Edit, WhatIsPlacedKeepsItsLength) {
    Added added = addSources(*setTempo({}, Bpm(100)), {madeUp("bell", 2.0, {})});
    auto placed = place(added.project, added.ids[0], {}, Beats(4));
    for (const double bpm : {60.0, 150.0}) {
        const Project p = *setTempo(placed->project, Bpm(bpm));
        const RenderJobPtr job = timeOf(p, placed->id).job();
        EXPECT_TRUE(job->map.isIdentity());
        EXPECT_EQ(job->map.outputLength(), Frames(96000));
        EXPECT_EQ(timeOf(p, placed->id).startFrame.value, std::llround(4 * 60 / bpm * 48000));
    }
}

TEST(Fit, RampsAndPinsBendTheMap) {
    Loop l = laid(120, 8.0, 120);
    const auto map = metre::TempoMap::make({{Beats(0), Bpm(120), metre::TempoPoint::Shape::Hold},
                                            {Beats(8), Bpm(120), metre::TempoPoint::Shape::Ramp},
                                            {Beats(16), Bpm(100), metre::TempoPoint::Shape::Hold}});
    const Project p = *setTempoMap(l.p, *map);
    const Clip& c = *clipOf(p, l.clip);
    const RenderJobPtr job = timeOf(p, c.id).job();
    ASSERT_TRUE(job);
    const auto start = timeOf(p, c.id).startFrame.value;
    // Every beat of the source lies on its beat of the project, within rounding to frames.
    for (int beat = 0; beat < 16; ++beat) {
        const double expected = p.tempo.secondsAt(Beats(4 + beat)).value * 48000 - double(start);
        EXPECT_NEAR(job->map.outputAt(beat * 24000.0), expected, 1.0) << beat;
    }
}

TEST(Fit, BeyondWhatCanBeDoneSaysSo) {
    const Loop l = laid(30, 8, 30);
    const Project p = *setTempo(l.p, Bpm(400));
    const RenderJobPtr job = timeOf(p, l.clip).job();
    ASSERT_FALSE(job);
    EXPECT_NE(timeOf(p, l.clip).problem.find("hands"), std::string::npos);
}

// The straight pieces between bends err by half a frame at most, wherever one looks; rounding their ends to frames
// adds half a frame on either side.
TEST(Fit, AlongSteepRampsNoPlaceIsOffByMoreThanTheRounding) {
    for (const auto& [from, to] : {std::pair(100.0, 200.0), std::pair(200.0, 100.0), std::pair(45.0, 90.0)}) {
        Loop l = laid(120, 8.0, 120);
        Source free = *sourceOf(l.p, l.source);
        free.beats = *metre::BeatMap::make({{Seconds(0), Beats(0)},
                                            {Seconds(1.9), Beats(4)},
                                            {Seconds(2.6), Beats(5.1)},
                                            {Seconds(6), Beats(12)},
                                            {Seconds(8), Beats(16)}});
        l.p.sources.altered()[0] = std::make_shared<const Source>(free);
        const auto map = metre::TempoMap::make({{Beats(0), Bpm(from), metre::TempoPoint::Shape::Hold},
                                                {Beats(6), Bpm(from), metre::TempoPoint::Shape::Ramp},
                                                {Beats(10), Bpm(to), metre::TempoPoint::Shape::Hold}});
        const Project p = *setTempoMap(l.p, *map);
        const Timing& t = timeOf(p, l.clip);
        ASSERT_TRUE(t.job()) << t.problem;
        double worst = 0;
        for (double beat = 0.013; beat < 16; beat += 0.0371) {
            const double source = free.beats->secondsAt(Beats(beat)).value * 48000;
            const double expected = p.tempo.secondsAt(Beats(4 + beat)).value * 48000 - double(t.startFrame.value);
            const double ratio = (t.job()->map.outputAt(source + 1) - t.job()->map.outputAt(source)) / 1.0;
            worst = std::max(worst, std::abs(t.job()->map.outputAt(source) - expected) - ratio / 2);
        }
        EXPECT_LT(worst, 1.05) << from << " to " << to;
        EXPECT_LT(t.job()->map.points().size(), 1000U);
    }
}

TEST(Fit, EqualJobsHaveEqualKeysAndOthersOthers) {
    const Loop l = laid();
    const auto key = [&](const Project& p) { return timeOf(p, l.clip).job()->key; };
    EXPECT_EQ(key(l.p), key(*moveClips(l.p, {l.clip}, Beats(0), 0)));
    EXPECT_EQ(key(l.p), key(*setGain(l.p, {l.clip}, 3)));
    EXPECT_NE(key(l.p), key(*setTempo(l.p, Bpm(105))));
    EXPECT_NE(key(l.p), key(*setMethod(l.p, {l.clip}, stretch::Method::Tape)));
    EXPECT_NE(key(l.p), key(*setTranspose(l.p, {l.clip}, 1)));
}

TEST(Fit, WhatIsTransposedOnTapeIsStretchedByTheMethodForItsKind) {
    Source drums = madeUp("drums", 2, 120);
    drums.kind = hear::Kind::Struck;
    Source voice = drums;
    voice.kind = hear::Kind::Voice;
    const auto job = [](const Source& s) {
        return jobOf(s, *metre::TimeMap::straight(Frames(96000), Frames(90000)), {stretch::Method::Tape, 3});
    };
    EXPECT_EQ(job(drums)->settings.underTape, stretch::Method::Struck);
    EXPECT_EQ(job(voice)->settings.underTape, stretch::Method::Sung);
    EXPECT_NE(job(drums)->key, job(voice)->key);
    // Stems that belong together stay alike, whatever each of them is.
    drums.sound = std::make_shared<const Sound>(*drums.sound, drums.sound->onsets, std::vector<Frames>{Frames(0)});
    EXPECT_EQ(job(drums)->settings.underTape, stretch::Method::Blend);
}

TEST(History, UndoesAndRedoesWithoutEnd) {
    History h;
    for (int i = 1; i <= 300; ++i)
        h.push(*setTempo({h.now(), {}}, Bpm(60 + i * 0.5)), "tempo");
    for (int i = 299; i >= 1; --i) {
        h.undo();
        ASSERT_NEAR(h.now().tempo.points()[0].bpm.value, 60 + i * 0.5, 1e-12);
    }
    h.undo();
    EXPECT_FALSE(h.canUndo());
    while (h.canRedo())
        h.redo();
    EXPECT_NEAR(h.now().tempo.points()[0].bpm.value, 210, 1e-12);
}

TEST(History, AGestureIsOneStepAndAnotherIsAnother) {
    History h;
    const auto turn = [&h](double bpm, const Gesture& gesture) {
        h.push(*setTempo({h.now(), {}}, Bpm(bpm)), "turn", gesture);
    };
    for (int i = 0; i < 5; ++i)
        turn(100 + i, {"turn gain", 7, 1});
    turn(90, {"turn gain", 7, 2}); // a later press
    turn(91, {"turn gain", 8, 2}); // another clip
    turn(92, {"turn pan", 8, 2});  // another figure
    turn(93, {});                  // no gesture at all
    turn(94, {});
    for (const double bpm : {93.0, 92.0, 91.0, 90.0, 104.0, 120.0}) {
        h.undo();
        EXPECT_EQ(h.now().tempo.points()[0].bpm, Bpm(bpm));
    }
    EXPECT_FALSE(h.canUndo());
}

TEST(History, KnowsWhatWasSavedEvenWhenItIsNotNow) {
    History h;
    h.push(*setTempo({h.now(), {}}, Bpm(90)), "a");
    const auto saving = h.version();
    h.push(*setTempo({h.now(), {}}, Bpm(91)), "b");
    h.markSaved(saving);
    EXPECT_TRUE(h.isChanged());
    h.undo();
    EXPECT_FALSE(h.isChanged());
    h.undo();
    EXPECT_TRUE(h.isChanged());
}

TEST(History, RefreshingIsNoStep) {
    History h;
    h.push(*setTempo({}, Bpm(90)), "a");
    Arrangement same = h.now();
    same.sources.altered().push_back(std::make_shared<Source>());
    h.refresh(same);
    EXPECT_EQ(h.now().sources.size(), 1U);
    h.undo();
    EXPECT_TRUE(h.now().sources.empty());
    EXPECT_FALSE(h.canUndo());
}

TEST(Import, TheDemoSaysWhatItsNamesAndTagsSay) {
    for (const auto& [name, bpm, by, beats] : {std::tuple("winch_hands_112bpm.wav", 112.0, Witness::Name, 16),
                                               std::tuple("keel_bass_96.aiff", 96.0, Witness::Name, 8),
                                               std::tuple("rope_shaker_124.wav", 124.0, Witness::Name, 8),
                                               std::tuple("lock_gate_brushes.mp3", 88.0, Witness::Tag, 32)}) {
        const auto r = importFile(support::demoAudio(name), 48000);
        ASSERT_TRUE(r) << r.error().text;
        ASSERT_TRUE(r->source.beats) << name;
        EXPECT_NEAR(r->source.beats->meanTempo().value, bpm, 1e-9);
        EXPECT_EQ(r->source.chosen, by);
        EXPECT_EQ(r->source.wholeBeats(), beats) << name;
        EXPECT_EQ(r->source.readings.size(), 4U); // name, tag, heard, length
    }
    const auto bell = importFile(support::demoAudio("barge_bell.wav"), 48000);
    EXPECT_FALSE(bell->source.beats);
    Added added = addSources({}, {bell->source});
    EXPECT_NE(toldOf(added.project, added.ids[0]).find("one hit"), std::string::npos);
}

TEST(Import, SilenceBeforeTheFirstSoundIsNoBeat) {
    const support::Folder folder;
    std::filesystem::copy_file(support::demoAudio("kalimba_eddies.ogg"), folder / "kalimba_130.9bpm.ogg");
    const auto r = importFile(folder / "kalimba_130.9bpm.ogg", 48000);
    ASSERT_TRUE(r->source.beats);
    EXPECT_NEAR(r->source.beats->secondsAt(Beats(0)).value, 0.42, 0.005);
}

TEST(Import, SeveralGetATrackEach) {
    Added added = addSources({}, {madeUp("a", 2, 120), madeUp("b", 2, 120), madeUp("c", 2, 120)});
    const AddedTrack track = addTrack(added.project, "there");
    const auto placed = placeSources(track.project, added.ids, track.id, Beats(8));
    ASSERT_TRUE(placed);
    ASSERT_EQ(placed->project.tracks.size(), 3U);
    EXPECT_EQ(placed->project.tracks[0]->clips.size(), 1U);
    for (const ClipId id : placed->clips)
        EXPECT_EQ(clipOf(placed->project, id)->at, Beats(8));
}

} // namespace
