// A recording leads, or takes the project's time.
#include "project/lead.h"

#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_pins.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/save.h"
#include "project/settle.h"
#include "project/take_time.h"
#include "project/timing.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using namespace project;

std::vector<metre::Pin> wandering(int beats) {
    std::vector<metre::Pin> pins;
    double at = 0.4;
    for (int b = 0; b <= beats; ++b) {
        pins.push_back({Seconds(at), Beats(b)});
        at += 0.6 + 0.04 * std::sin(b * 0.35);
    }
    return pins;
}

Source freePlaying() {
    Source s;
    s.name = s.content = "towpath";
    s.file = "/x/towpath.wav";
    std::vector<std::int64_t> hits;
    for (const metre::Pin& pin : wandering(32))
        hits.push_back(std::llround(pin.at.value * 48000));
    s.sound = soundOf(support::strokes(hits, 21));
    s.facts = {48000, 1, Frames(21 * 48000), "WAV"};
    s.beats = *metre::BeatMap::make(wandering(32));
    return s;
}

Source loopOfLead() {
    Source s;
    s.name = s.content = "winch";
    s.file = "/x/winch.wav";
    s.facts = {48000, 1, Frames(4 * 48000), "WAV"};
    s.sound = soundOf(support::strokes({0, 24000, 48000}, 4));
    s.beats = metre::BeatMap(Bpm(120), Seconds(0));
    return s;
}

struct Piece {
    Project project;
    SourceId free;
    SourceId loop_;
    ClipId leader;
    ClipId other;
    explicit Piece(Beats at = Beats(4)) {
        Added added = addSources(*setTempo({}, Bpm(104)), {freePlaying(), loopOfLead()});
        free = added.ids[0];
        loop_ = added.ids[1];
        auto one = place(added.project, free, {}, at);
        leader = one->id;
        auto two = place(one->project, loop_, {}, Beats(8));
        other = two->id;
        project = two->project;
    }
    void take(Result<Project> next) {
        ASSERT_TRUE(next) << next.error().text;
        project = withLead(std::move(*next));
    }
};

TEST(Lead, BeatByBeatTheGridLiesOnItsBeatsAndItPlaysAsRecorded) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Beat));
    const Seconds zero = it.project.tempo.secondsAt(Beats(4));
    for (const metre::Pin& pin : wandering(32))
        EXPECT_NEAR((it.project.tempo.secondsAt(Beats(4) + pin.beat) - zero).value, pin.at.value - 0.4, 1e-9);
    const LaidPtr laid = lay(it.project);
    const LaidClip& leader = *laid->find(it.leader);
    EXPECT_EQ(leader.ruleFrom, RuleFrom::Lead);
    ASSERT_TRUE(leader.time().job());
    EXPECT_TRUE(leader.time().job()->map.isIdentity());
    // What follows is stretched along the leader's beats.
    const LaidClip& other = *laid->find(it.other);
    EXPECT_TRUE(other.time().follows);
    EXPECT_EQ(other.time().end, Beats(16));
    EXPECT_FALSE(other.time().job()->map.isIdentity());
}

TEST(Lead, ByBarsAndByOneNumberAndSmoothedItMissesNoMoreThanItSays) {
    const Source s = freePlaying();
    const auto beat = leadTempo(s, Lead::Every::Beat, Seconds(0));
    const auto bar = leadTempo(s, Lead::Every::Bar, Seconds(0));
    const auto piece = leadTempo(s, Lead::Every::Piece, Seconds(0));
    const auto smooth = leadTempo(s, Lead::Every::Beat, Seconds(0.020));
    ASSERT_TRUE(beat && bar && piece && smooth);
    EXPECT_EQ(beat->bpm.size(), 32U);
    EXPECT_LT(beat->worst, Seconds(1e-9));
    EXPECT_EQ(bar->bpm.size(), 8U);
    EXPECT_GT(bar->worst, Seconds(0.005));
    EXPECT_EQ(piece->bpm.size(), 1U);
    EXPECT_NEAR(piece->bpm[0].value, s.beats->meanTempo().value, 1e-9);
    EXPECT_LT(smooth->bpm.size(), 20U);
    EXPECT_LE(smooth->worst, Seconds(0.0201));
    EXPECT_GT(smooth->worst, Seconds(0.002));
    // `worst` is what the map misses by, worked out here the long way.
    const auto map = tempoOf(*smooth, Beats(0));
    ASSERT_TRUE(map);
    double worst = 0;
    for (const metre::Pin& pin : wandering(32))
        worst = std::max(worst, std::abs(map->secondsAt(pin.beat).value - (pin.at.value - 0.4)));
    EXPECT_NEAR(worst, smooth->worst.value, 1e-9);
}

TEST(Lead, TheTempoIsItsOwnWhileItLeads) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Beat));
    for (const auto& refused :
         {setTempo(it.project, Bpm(90)), putTempoPoint(it.project, {Beats(8), Bpm(90)}),
          scaleTempo(it.project, {Beats(0), Beats(8)}, 0.9), shiftTempo(it.project, {Beats(0), Beats(8)}, 2)}) {
        ASSERT_FALSE(refused);
        EXPECT_NE(refused.error().text.find("towpath leads"), std::string::npos) << refused.error().text;
    }
    const metre::TempoMap map = it.project.tempo;
    it.take(letGo(it.project));
    EXPECT_EQ(it.project.tempo, map);
    it.take(scaleTempo(it.project, {Beats(0), furthest}, 0.9));
    EXPECT_TRUE(lay(it.project)->find(it.leader)->time().follows) << "it is stretched like the others then";
    EXPECT_NEAR(it.project.tempo.points()[0].bpm.value, map.points()[0].bpm.value * 0.9, 1e-9);
}

TEST(Lead, HeldTheTempoIsOne) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Beat));
    it.take(holdTempo(it.project));
    EXPECT_TRUE(it.project.tempo.isSteady());
    EXPECT_NEAR(it.project.tempo.points()[0].bpm.value, freePlaying().beats->meanTempo().value, 1e-9);
    EXPECT_FALSE(holdTempo(it.project)) << "nothing leads any more";
}

TEST(Lead, MovedTheTempoMovesWithItAndCorrectedItIsCorrected) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Beat));
    const double fifth = it.project.tempo.tempoAt(Beats(4 + 10)).value;
    it.take(moveClips(it.project, {it.leader}, Beats(8), 0));
    EXPECT_NEAR(it.project.tempo.tempoAt(Beats(12 + 10)).value, fifth, 1e-9);
    EXPECT_EQ(it.project.lead->at, Beats(12));
    it.take(movePins(it.project, it.free, {Beats(10)}, Seconds(0.02)));
    EXPECT_LT(it.project.tempo.tempoAt(Beats(12 + 9)).value, 105);
    EXPECT_NE(it.project.tempo.tempoAt(Beats(12 + 10)).value, fifth);
    EXPECT_TRUE(lay(it.project)->find(it.leader)->time().job()->map.isIdentity());
}

TEST(Lead, MutedItLeadsOnAndDeletedTheTempoStays) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Bar));
    const metre::TempoMap map = it.project.tempo;
    it.take(setClipMute(it.project, {it.leader}, true));
    EXPECT_TRUE(it.project.lead);
    it.take(removeClips(it.project, {it.leader}));
    EXPECT_FALSE(it.project.lead);
    EXPECT_EQ(it.project.tempo, map);
}

TEST(Lead, SplitAllItsPartsPlayAsRecorded) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Beat));
    auto parts = split(it.project, {it.leader}, Beats(16));
    ASSERT_TRUE(parts);
    it.take(parts->project);
    const LaidPtr laid = lay(it.project);
    int asRecorded = 0;
    for (const LaidClip& c : laid->clips())
        if (c.clip->source == it.free) {
            ++asRecorded;
            EXPECT_FALSE(c.time().stretched);
        }
    EXPECT_EQ(asRecorded, 2);
}

TEST(Lead, WhatHasOneBeatOrNoneCannot) {
    Piece it;
    Source none = loopOfLead();
    none.beats.reset();
    EXPECT_FALSE(leadTempo(none, Lead::Every::Beat, Seconds(0)));
    Source one = loopOfLead();
    one.facts.frames = Frames(20000);
    const auto refused = leadTempo(one, Lead::Every::Beat, Seconds(0));
    ASSERT_FALSE(refused);
    EXPECT_NE(refused.error().text.find("one beat"), std::string::npos) << refused.error().text;
    Source wild = loopOfLead();
    wild.beats = *metre::BeatMap::make(
        {{Seconds(0), Beats(0)}, {Seconds(0.5), Beats(1)}, {Seconds(0.6), Beats(2)}, {Seconds(2), Beats(4)}});
    const auto wildly = leadTempo(wild, Lead::Every::Beat, Seconds(0));
    ASSERT_FALSE(wildly);
    EXPECT_NE(wildly.error().text.find("600 BPM"), std::string::npos) << wildly.error().text;
    EXPECT_FALSE(leadTempo(loopOfLead(), Lead::Every::Beat, Seconds(-1)));
    EXPECT_FALSE(setLead(it.project, ClipId{999}, Lead::Every::Beat));
}

TEST(Lead, IsSaved) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Bar, Seconds(0.01)));
    const auto read = fromJson(toJson(it.project, "/x"), "/x", "it");
    ASSERT_TRUE(read) << read.error().text;
    EXPECT_EQ(read->lead, it.project.lead);
    EXPECT_EQ(read->tempo, it.project.tempo);
}

// ---- taking project time

sound::Audio rendered(const Project& p, ClipId id) {
    const LaidPtr laid = lay(p);
    const LaidClip* clip = laid->find(id);
    const auto& parts = clip->time().parts;
    EXPECT_EQ(parts.size(), 1U) << clip->time().problem;
    const auto plan = planOf(*parts.front().job);
    EXPECT_TRUE(plan);
    const auto audio = plan->whole();
    EXPECT_TRUE(audio);
    return *audio;
}

// A part is played over a piece that speeds up; it takes the time; at the old tempo it is what was recorded, bit
// for bit, and at another it goes along.
TEST(TakeProjectTime, ThroughARampAndBackIsTheRecordingBitForBit) {
    const auto ramp = metre::TempoMap::make({{Beats(0), Bpm(86), metre::TempoPoint::Shape::Ramp},
                                             {Beats(16), Bpm(97.3), metre::TempoPoint::Shape::Hold},
                                             {Beats(20), Bpm(90), metre::TempoPoint::Shape::Hold}});
    Source part = freePlaying();
    part.sound = soundOf(support::noise(17.123, 48000, 1, 3));
    part.facts.frames = part.sound->audio.frames();
    part.beats.reset();
    Added added = addSources(*setTempoMap({}, *ramp), {part});
    auto placed = place(added.project, added.ids[0], {}, Beats(3.37)); // not on anything
    ASSERT_TRUE(placed);
    const auto before = lay(placed->project);
    const auto taken = takeProjectTime(placed->project, {placed->id});
    ASSERT_TRUE(taken) << taken.error().text;
    const auto after = lay(*taken);
    const LaidClip& clip = *after->find(placed->id);
    EXPECT_TRUE(clip.time().follows);
    EXPECT_EQ(clip.time().startFrame, before->find(placed->id)->time().startFrame) << "it lies where it lay";
    EXPECT_TRUE(clip.time().job()->map.isIdentity());
    EXPECT_EQ(rendered(*taken, placed->id).channels, part.sound->audio.channels);
    // Elsewhere and back.
    const auto slower = setTempo(*taken, Bpm(77));
    ASSERT_TRUE(slower);
    EXPECT_FALSE(lay(*slower)->find(placed->id)->time().job()->map.isIdentity());
    EXPECT_GT(lay(*slower)->find(placed->id)->time().length, clip.time().length);
    const auto back = setTempoMap(*slower, *ramp);
    EXPECT_EQ(rendered(*back, placed->id).channels, part.sound->audio.channels);
}

// Also of what was wrongly stretched before, and of several at once; the whole recording takes it, backwards too.
TEST(TakeProjectTime, TakesTheWholeRecordingAlsoBeforeItsClip) {
    Piece it(Beats(8));
    it.take(trim(it.project, {it.leader}, Side::Left, Beats(4)));
    const Beats start = startOf(it.project, *clipOf(it.project, it.leader));
    it.take(putTempoPoint(it.project, {Beats(6), Bpm(80)}));
    const auto taken = takeProjectTime(it.project, {it.leader, it.other});
    ASSERT_TRUE(taken) << taken.error().text;
    const Source& s = *sourceOf(*taken, it.free);
    const Clip& clip = *clipOf(*taken, it.leader);
    EXPECT_NEAR(startOf(*taken, clip).value, start.value, 1e-3);
    // Each moment of it has the project's beat that it is heard at, from its very beginning.
    const Seconds begins = taken->tempo.secondsAt(startOf(*taken, clip)) - clip.from;
    for (const double t : {0.0, 1.0, 2.5, 9.0, 20.0})
        EXPECT_NEAR((clip.at + s.beats->beatAt(Seconds(t))).value, taken->tempo.beatAt(begins + Seconds(t)).value,
                    1e-3)
            << t;
    EXPECT_EQ(std::fmod(clip.at.value, 4), 0) << "beat 0 is on a bar line";
    EXPECT_EQ(s.chosen, hear::Witness::Typed);
    EXPECT_NE(readingBy(s, hear::Witness::Typed)->evidence.find("project's time"), std::string::npos);
}

TEST(TakeProjectTime, IsRefusedOfWhatLeadsIsLockedOrGoesRound) {
    Piece it;
    it.take(setLead(it.project, it.leader, Lead::Every::Beat));
    EXPECT_FALSE(takeProjectTime(it.project, {it.leader}));
    it.take(letGo(it.project));
    EXPECT_FALSE(takeProjectTime(it.project, {}));
    const auto pinned = lockPins(it.project, it.free, {Beats(4)}, true);
    ASSERT_TRUE(pinned);
    EXPECT_FALSE(takeProjectTime(*pinned, {it.leader})) << "its pins are locked";
    const auto locked = setLocked(it.project, {it.leader}, true);
    EXPECT_FALSE(takeProjectTime(*locked, {it.leader}));
}

} // namespace
