// The project laid out, and laid anew only where it changed.
#include "project/laid.h"

#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/lead.h"
#include "project/timing.h"
#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

using namespace project;

Source loopOf(const std::string& name, double bpm) {
    Source s;
    s.name = s.content = name;
    s.facts = {48000, 1, Frames(std::llround(8 * 60 / bpm * 48000)), "WAV"};
    s.sound = soundOf(support::strokes({0}, 8 * 60 / bpm));
    s.beats = metre::BeatMap(Bpm(bpm), Seconds(0));
    return s;
}

// Two sources on four tracks, many clips.
Project many(int clips) {
    Added added = addSources(*setTempo({}, Bpm(104)), {loopOf("a", 112), loopOf("b", 96)});
    Project p = added.project;
    std::vector<TrackId> tracks;
    for (int i = 0; i < 4; ++i) {
        AddedTrack t = addTrack(p, "track");
        p = t.project;
        tracks.push_back(t.id);
    }
    for (int i = 0; i < clips; ++i)
        p = place(p, added.ids[static_cast<std::size_t>(i) % 2], tracks[static_cast<std::size_t>(i) % 4],
                  Beats(8 * (i / 4)))
                ->project;
    return p;
}

metre::TempoMap rampOverAll() {
    return *metre::TempoMap::make({{Beats(0), Bpm(100), metre::TempoPoint::Shape::Ramp},
                                   {Beats(300), Bpm(120), metre::TempoPoint::Shape::Hold}});
}

TEST(Laid, SaysOfEachClipWhatTheDocumentMeans) {
    const Project p = *setTempoMap(many(8), rampOverAll());
    const LaidPtr laid = lay(p);
    ASSERT_EQ(laid->clips().size(), 8U);
    for (std::size_t t = 0; t < 4; ++t) {
        ASSERT_EQ(laid->onTrack(t).size(), 2U);
        for (const LaidClip& c : laid->onTrack(t)) {
            EXPECT_EQ(c.track, p.tracks[t]);
            EXPECT_EQ(c.trackIndex, t);
            EXPECT_EQ(c.clip, clipOf(p, c.id()));
            EXPECT_EQ(c.source, sourceOf(p, c.clip->source));
            EXPECT_EQ(c.time().start, startOf(p, *c.clip));
            EXPECT_EQ(c.time().end, endOf(p, *c.clip));
            EXPECT_EQ(c.time().startFrame, metre::toFrames(p.tempo.secondsAt(c.time().start), p.rate));
            EXPECT_EQ(c.time().length, c.time().job()->map.outputLength());
            EXPECT_FALSE(c.time().steadyTempo) << "it lies on a ramp";
            EXPECT_EQ(laid->find(c.id()), &c);
        }
    }
    EXPECT_EQ(laid->onTrack(4).size(), 0U);
    EXPECT_EQ(laid->find(ClipId{9999}), nullptr);
    EXPECT_EQ(laid->end(), Beats(16));
    EXPECT_EQ(lay(Project())->end(), Beats(0));
}

TEST(Laid, WhoseRuleCountsIsSaid) {
    Project p = many(1);
    const ClipId id = allClips(p)[0];
    EXPECT_EQ(lay(p)->find(id)->ruleFrom, RuleFrom::Project);
    const LaidPtr unknown = lay(*forgetBeat(p, p.sources[0]->id));
    EXPECT_EQ(unknown->find(id)->rule, TimeRule::Place);
    EXPECT_EQ(unknown->find(id)->ruleFrom, RuleFrom::Source);
    const LaidPtr placed = lay(*setRule(p, {id}, TimeRule::Place));
    EXPECT_EQ(placed->find(id)->rule, TimeRule::Place);
    EXPECT_EQ(placed->find(id)->ruleFrom, RuleFrom::Clip);
}

TEST(Laid, TheChainIsThatOfClipAndTrack) {
    Project p = many(2);
    const auto clips = allClips(p);
    p = *setGain(*setTrackGain(p, p.tracks[0]->id, -7), {clips[0]}, 2);
    p = *setPan(*setSolo(p, p.tracks[1]->id, true), p.tracks[1]->id, 0.5);
    p = *setFadeIn(*setChannels(p, {clips[0]}, Channels::Left), {clips[0]}, {Seconds(0.2), Fade::Shape::Linear});
    const LaidPtr laid = lay(p);
    EXPECT_EQ(laid->find(clips[0])->chain,
              (Chain{false, 2, -7, 0, Channels::Left, {Seconds(0.2), Fade::Shape::Linear}, {}}));
    EXPECT_TRUE(laid->find(clips[1])->chain.heard);
    EXPECT_EQ(laid->find(clips[1])->chain.pan, 0.5);
}

TEST(Laid, AnEditOfOneClipLaysOneClip) {
    const Project p = *setTempoMap(many(100), rampOverAll());
    const LaidPtr first = lay(p);
    EXPECT_EQ(first->laidAnew(), 100U);
    const ClipId id = allClips(p)[50];
    const LaidPtr moved = lay(*moveClips(p, {id}, Beats(1), 0), first);
    EXPECT_EQ(moved->laidAnew(), 1U);
    EXPECT_EQ(moved->find(id)->time().start, first->find(id)->time().start + Beats(1));
    EXPECT_EQ(lay(*setGain(p, {id}, -3), first)->laidAnew(), 0U) << "a gain is no matter of timing";
    EXPECT_EQ(lay(*setTrackGain(p, p.tracks[0]->id, -3), first)->laidAnew(), 0U);
    EXPECT_EQ(lay(*setSourceTempo(p, p.sources[0]->id, Bpm(111), hear::Witness::Typed), first)->laidAnew(), 50U)
        << "those of that source";
    EXPECT_EQ(lay(*setTempo(p, Bpm(90)), first)->laidAnew(), 100U);
}

TEST(Laid, WhatDoesNotConcernTimeLaysNothing) {
    const Project p = many(20);
    const LaidPtr first = lay(p);
    Project clicking = p;
    clicking.view.click = true;
    for (const Project& q : {*setLoop(p, {Beats(2), Beats(6)}), clicking, *putSection(p, Beats(8), "lock")}) {
        const LaidPtr next = lay(q, first);
        EXPECT_EQ(next->laidAnew(), 0U);
        EXPECT_EQ(&next->clips(), &first->clips()) << "the very same clips";
        EXPECT_EQ(next->project().loop, q.loop);
    }
    EXPECT_EQ(lay(*setMetre(p, {3, 4}), first)->laidAnew(), 0U) << "bars are counted otherwise, and nothing moves";
}

TEST(Laid, WhatLedIsLaidAsEverythingElseOnceItIsLetGo) {
    const Project p = many(2);
    const ClipId id = p.tracks[0]->clips[0].id;
    const auto led = setLead(p, id, Lead::Every::Piece);
    ASSERT_TRUE(led) << led.error().text;
    const LaidPtr leading = lay(*led);
    ASSERT_EQ(leading->find(id)->ruleFrom, RuleFrom::Lead);
    const auto free = letGo(*led);
    ASSERT_TRUE(free);
    const LaidPtr after = lay(*free, leading);
    const LaidPtr afresh = lay(*free);
    EXPECT_EQ(after->find(id)->ruleFrom, afresh->find(id)->ruleFrom);
    EXPECT_EQ(after->find(id)->rule, afresh->find(id)->rule);
    EXPECT_EQ(after->find(id)->time().stretched, afresh->find(id)->time().stretched);
}

TEST(Laid, ThousandsOfPinsBendTheMapOnce) {
    Source s = loopOf("free", 120);
    std::vector<metre::Pin> pins;
    for (int i = 0; i <= 4000; ++i)
        pins.push_back({Seconds(i * 0.001), Beats(i * 0.002)});
    s.beats = *metre::BeatMap::make(pins);
    Added added = addSources({}, {s});
    const auto placed = place(added.project, added.ids[0], {}, Beats(0));
    const LaidPtr laid = lay(placed->project);
    const Timing& t = laid->find(placed->id)->time();
    ASSERT_TRUE(t.job()) << t.problem;
    EXPECT_EQ(t.job()->map.points().size(), 4001U);
}

TEST(Laid, AMissingSoundSaysSo) {
    Project p = many(1);
    Source gone = *p.sources[0];
    gone.sound = nullptr;
    p.sources.altered()[0] = std::make_shared<const Source>(gone);
    const LaidPtr laid = lay(p);
    EXPECT_FALSE(laid->clips()[0].time().job());
    EXPECT_NE(laid->clips()[0].time().problem.find("a is missing"), std::string::npos);
}

} // namespace
