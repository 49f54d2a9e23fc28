// Time rules, following, and the key: what counts for a clip, and what becomes of it when the project changes.
#include "project/clip_rendering.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/save.h"
#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

using namespace project;

Source loopIn(std::optional<hear::Key> key, hear::Kind kind = hear::Kind::Keys, double bpm = 96) {
    Source s;
    s.name = s.content = "loop";
    s.file = "/nowhere/loop.wav";
    s.facts = {48000, 1, Frames(std::llround(16 * 60 / bpm * 48000)), "WAV"};
    s.sound = soundOf(support::strokes({0, 30000, 60000, 90000}, 16 * 60 / bpm));
    s.beats = metre::BeatMap(Bpm(bpm), Seconds(0));
    s.key = key;
    s.kind = kind;
    return s;
}

struct Laid1 {
    Project p;
    ClipId clip;
    TrackId track;
    SourceId source;
};

Laid1 placed(const Source& source, double bpm = 104) {
    Added added = addSources(*setTempo({}, Bpm(bpm)), {source});
    auto it = place(added.project, added.ids[0], {}, Beats(8));
    return {it->project, it->id, it->project.tracks[0]->id, added.ids[0]};
}

const LaidClip clipIn(const Project& p, ClipId id) {
    static std::vector<LaidPtr> alive;
    alive.push_back(lay(p));
    return *alive.back()->find(id);
}

TEST(Rules, TheNearestCounts) {
    const Laid1 l = placed(loopIn({}));
    EXPECT_EQ(clipIn(l.p, l.clip).rule, TimeRule::Stretch);
    EXPECT_EQ(clipIn(l.p, l.clip).ruleFrom, RuleFrom::Project);
    Project p = setProjectRule(l.p, TimeRule::Place);
    EXPECT_EQ(clipIn(p, l.clip).rule, TimeRule::Place);
    p = *setTrackRule(p, l.track, TimeRule::Fixed);
    EXPECT_EQ(clipIn(p, l.clip).rule, TimeRule::Fixed);
    EXPECT_EQ(clipIn(p, l.clip).ruleFrom, RuleFrom::Track);
    p = *setRule(p, {l.clip}, TimeRule::Slices);
    EXPECT_EQ(clipIn(p, l.clip).rule, TimeRule::Slices);
    EXPECT_EQ(clipIn(p, l.clip).ruleFrom, RuleFrom::Clip);
    p = *setTrackRule(*setRule(p, {l.clip}, {}), l.track, {});
    EXPECT_EQ(clipIn(p, l.clip).ruleFrom, RuleFrom::Project);
    p = *forgetBeat(setProjectRule(p, TimeRule::Slices), l.source);
    EXPECT_EQ(clipIn(p, l.clip).rule, TimeRule::Place) << "what has no beats cannot be cut at them";
    EXPECT_EQ(clipIn(p, l.clip).ruleFrom, RuleFrom::Source);
}

TEST(Rules, AHitIsPlacedWhateverTheProjectSays) {
    const Laid1 l = placed(loopIn({}, hear::Kind::OneHit));
    EXPECT_EQ(clipIn(l.p, l.clip).rule, TimeRule::Place);
    EXPECT_EQ(clipIn(l.p, l.clip).ruleFrom, RuleFrom::Clip);
}

TEST(Rules, EachKeepsWhatItSaysWhenTheTempoChanges) {
    const Laid1 l = placed(loopIn({}));
    const auto changed = [&](TimeRule rule) {
        const Project p = *setRule(l.p, {l.clip}, rule);
        return std::pair(clipIn(p, l.clip), clipIn(*setTempo(p, Bpm(83)), l.clip));
    };
    for (const TimeRule rule : {TimeRule::Stretch, TimeRule::Slices}) {
        const auto [before, after] = changed(rule);
        EXPECT_NEAR(after.time().start.value, before.time().start.value, 1e-9);
        EXPECT_NEAR(after.time().end.value, before.time().end.value, 1e-9);
    }
    {
        const auto [before, after] = changed(TimeRule::Place);
        EXPECT_NEAR(after.time().start.value, before.time().start.value, 1e-9) << "its beat";
        EXPECT_EQ(after.time().length, before.time().length) << "and its length";
    }
    const auto [before, after] = changed(TimeRule::Fixed);
    EXPECT_EQ(after.time().startFrame, before.time().startFrame) << "its seconds";
    EXPECT_EQ(after.time().length, before.time().length);
    EXPECT_NE(after.time().start, before.time().start);
}

TEST(Rules, WhatDoesNotFollowStaysAsLongAsItIs) {
    const Laid1 l = placed(loopIn({}));
    const Frames length = clipIn(l.p, l.clip).time().length;
    for (const bool all : {true, false}) {
        const Project off = all ? setFollowing(l.p, false) : *setSourceFollowing(l.p, {l.source}, false);
        EXPECT_NEAR(double(clipIn(off, l.clip).time().length.value), double(length.value), 1);
        const Project slower = *setTempo(off, Bpm(70));
        EXPECT_NEAR(double(clipIn(slower, l.clip).time().length.value), double(length.value), 1);
        EXPECT_FALSE(clipIn(slower, l.clip).time().follows);
        EXPECT_NEAR(clipIn(slower, l.clip).time().tempo.value, 104, 1e-6);
        const Project now = *fitNow(slower, {l.clip});
        EXPECT_NEAR((clipIn(now, l.clip).time().end - clipIn(now, l.clip).time().start).value, 16, 1e-6)
            << "once, by command";
        EXPECT_NEAR(clipIn(*setTempo(now, Bpm(90)), l.clip).time().tempo.value, 70, 1e-6) << "and no more";
        const Project on = all ? setFollowing(now, true) : *setSourceFollowing(now, {l.source}, true);
        EXPECT_TRUE(clipIn(on, l.clip).time().follows);
        EXPECT_FALSE(clipOf(on, l.clip)->heldTempo);
    }
}

TEST(Rules, WhatItsSourceHoldsTheProjectDoesNotLetGo) {
    const Laid1 l = placed(loopIn({}));
    const Project held = *setSourceFollowing(l.p, {l.source}, false);
    const Project round = setFollowing(setFollowing(held, false), true);
    EXPECT_EQ(clipOf(round, l.clip)->heldTempo, clipOf(held, l.clip)->heldTempo);
    const Project off = setFollowing(l.p, false);
    const Project back = *setSourceFollowing(*setSourceFollowing(off, {l.source}, false), {l.source}, true);
    EXPECT_EQ(clipOf(back, l.clip)->heldTempo, clipOf(off, l.clip)->heldTempo);
}

TEST(Rules, WhatFollowsNeedsNoFittingAndIsNotHeld) {
    const Laid1 l = placed(loopIn({}));
    EXPECT_FALSE(clipOf(*fitNow(l.p, {l.clip}), l.clip)->heldTempo);
}

// A stretch that asks for too much far away does not forbid a part that is within bounds.
TEST(Laid, APartIsFittedWhereTheWholeCannotBe) {
    Source s = loopIn({});
    s.beats = *metre::BeatMap::make({{Seconds(0), Beats(0)}, {Seconds(5), Beats(8)}, {Seconds(9.9), Beats(8.5)}});
    const Laid1 l = placed(s);
    EXPECT_TRUE(clipIn(l.p, l.clip).time().parts.empty()) << "half a beat in five seconds is too slow";
    const LaidClip c = clipIn(*trim(l.p, {l.clip}, Side::Right, Beats(-1)), l.clip);
    ASSERT_FALSE(c.time().parts.empty()) << c.time().problem;
    EXPECT_EQ(c.time().parts[0].from, Frames(0));
    EXPECT_EQ(c.time().parts[0].length, c.time().length);
}

TEST(Rules, AsRecordedIsNeitherStretchedNorTransposed) {
    const Laid1 l = placed(loopIn({}));
    const Project p = *setAsRecorded(*setTranspose(l.p, {l.clip}, 3), {l.clip});
    EXPECT_TRUE(clipIn(p, l.clip).time().job()->map.isIdentity());
    EXPECT_EQ(clipIn(p, l.clip).time().job()->settings.semitones, 0);
}

TEST(Keys, TheShorterWayAndTheRelatives) {
    const hear::Key c{0, false};
    const hear::Key a{9, true};
    EXPECT_EQ(semitonesInto({0, false}, {2, false}, false), 2);
    EXPECT_EQ(semitonesInto({0, false}, {7, false}, false), -5) << "a fifth up is a fourth down";
    EXPECT_EQ(semitonesInto({0, false}, {6, false}, false), -6) << "of two ways as short, the one down";
    EXPECT_EQ(semitonesInto(a, c, true), 0) << "A minor is C major's relative";
    EXPECT_EQ(semitonesInto(c, a, true), 0);
    EXPECT_EQ(semitonesInto({4, true}, c, true), 5) << "E minor goes to A minor";
    EXPECT_EQ(semitonesInto(a, c, false), std::nullopt);
}

TEST(Keys, AClipFollowsThroughAChange) {
    const Laid1 l = placed(loopIn(hear::Key{2, true}));
    Project p = *setKeyAt(l.p, 1, hear::Key{4, true});
    EXPECT_EQ(clipIn(p, l.clip).time().job()->settings.semitones, 0) << "unasked it stays in its own";
    p = *setFollowsKey(p, {l.clip}, true);
    EXPECT_EQ(clipIn(p, l.clip).time().job()->settings.semitones, 2);
    p = *setKeyAt(p, 5, hear::Key{0, true}); // bar 5 begins at beat 16, in the middle of it
    const LaidClip c = clipIn(p, l.clip);
    ASSERT_EQ(c.time().parts.size(), 2U);
    EXPECT_EQ(c.time().parts[0].job->settings.semitones, 2);
    EXPECT_EQ(c.time().parts[1].job->settings.semitones, -2);
    EXPECT_EQ(c.time().startFrame + c.time().parts[1].at, metre::toFrames(p.tempo.secondsAt(Beats(16)), p.rate));
    EXPECT_EQ(c.time().parts[0].length + c.time().parts[1].length, c.time().length);
    const auto rendering = ClipRendering::plan(c.time());
    ASSERT_TRUE(rendering);
    EXPECT_EQ(rendering->length(), c.time().length);
    // Back in a key that asks for nothing, one window again.
    p = *setKeyAt(*removeKeyAt(p, 5), 1, hear::Key{2, true});
    EXPECT_EQ(clipIn(p, l.clip).time().parts.size(), 1U);
}

TEST(Keys, StruckSoundsAndThoseWithoutAKeyNeverFollow) {
    for (const Source& s : {loopIn(hear::Key{2, true}, hear::Kind::Struck), loopIn({})}) {
        const Laid1 l = placed(s);
        const Project p = *setKeyAt(*setFollowsKey(l.p, {l.clip}, true), 1, hear::Key{5, true});
        EXPECT_EQ(clipIn(p, l.clip).time().job()->settings.semitones, 0);
        EXPECT_FALSE(clipIn(p, l.clip).time().keyShift);
    }
}

TEST(Keys, ALayoutIsKeptWhereNoClipFollows) {
    const Laid1 l = placed(loopIn(hear::Key{2, true}));
    const LaidPtr before = lay(l.p);
    EXPECT_EQ(lay(*setKeyAt(l.p, 1, hear::Key{7, true}), before)->laidAnew(), 0U);
    const Project following = *setFollowsKey(l.p, {l.clip}, true);
    EXPECT_EQ(lay(*setKeyAt(following, 1, hear::Key{7, true}), lay(following))->laidAnew(), 1U);
}

TEST(Lanes, TempoPointsAreMadeMovedAndRemoved) {
    Project p = *setTempo({}, Bpm(104));
    p = *putTempoPoint(p, {Beats(16), Bpm(112), metre::TempoPoint::Shape::Hold});
    p = *setTempoShape(p, Beats(0), metre::TempoPoint::Shape::Ramp);
    EXPECT_NEAR(p.tempo.tempoAt(Beats(8)).value, 108, 1e-9);
    p = *moveTempoPoint(p, Beats(16), Beats(32), Bpm(120));
    EXPECT_NEAR(p.tempo.tempoAt(Beats(16)).value, 112, 1e-9);
    p = *moveTempoPoint(p, Beats(32), Beats(-5), Bpm(120));
    EXPECT_GT(p.tempo.points()[1].at, Beats(0)) << "it stays behind the first";
    EXPECT_FALSE(moveTempoPoint(p, Beats(99), Beats(3), Bpm(100)));
    EXPECT_FALSE(putTempoPoint(p, {Beats(-4), Bpm(100), {}})) << "before bar 1";
    EXPECT_FALSE(putTempoPoint(p, {Beats(8), Bpm(0), {}})) << "a ramp to 0";
    EXPECT_FALSE(removeTempoPoint(p, Beats(0)));
    p = *removeTempoPoint(p, p.tempo.points()[1].at);
    EXPECT_EQ(p.tempo.points().size(), 1U);
    const Project twice = *putTempoPoint(*putTempoPoint(p, {Beats(4), Bpm(90), {}}), {Beats(4), Bpm(91), {}});
    EXPECT_EQ(twice.tempo.points().size(), 2U) << "one point at a beat";
    EXPECT_EQ(twice.tempo.tempoAt(Beats(4)).value, 91);
}

TEST(Lanes, ARangeIsShiftedAndTheRestKeepsItsTempo) {
    const Project p = *putTempoPoint(*setTempo({}, Bpm(104)), {Beats(64), Bpm(120), {}});
    const Project slower = *shiftTempo(p, {Beats(16), Beats(32)}, -6);
    EXPECT_EQ(slower.tempo.tempoAt(Beats(15.9)).value, 104);
    EXPECT_EQ(slower.tempo.tempoAt(Beats(16)).value, 98);
    EXPECT_EQ(slower.tempo.tempoAt(Beats(31.9)).value, 98);
    EXPECT_EQ(slower.tempo.tempoAt(Beats(32)).value, 104);
    EXPECT_EQ(slower.tempo.tempoAt(Beats(64)).value, 120);
    const Project all = *scaleTempo(p, {Beats(0), furthest}, 0.5);
    EXPECT_EQ(all.tempo.tempoAt(Beats(0)).value, 52);
    EXPECT_EQ(all.tempo.tempoAt(Beats(64)).value, 60);
    EXPECT_EQ(all.tempo.points().size(), 2U);
    EXPECT_FALSE(shiftTempo(p, {Beats(0), furthest}, -90)) << "14 BPM is too slow";
    EXPECT_FALSE(shiftTempo(p, {Beats(8), Beats(8)}, 1));
}

TEST(Lanes, MetreAndKeyChangeAtBars) {
    Project p = *setMetreAt({}, 9, {3, 4});
    EXPECT_EQ(p.metre.metreAt(p.metre.startOfBar(9)).beats, 3);
    EXPECT_EQ(p.metre.metreAt(p.metre.startOfBar(8)).beats, 4);
    EXPECT_EQ(setMetreAt(p, 12, {3, 4})->metre.points().size(), 2U) << "as before it, it is no change";
    EXPECT_FALSE(removeMetreAt(p, 1));
    EXPECT_FALSE(setMetreAt(p, 0, {3, 4}));
    p = *setKeyAt(*removeMetreAt(p, 9), 9, hear::Key{5, false});
    EXPECT_EQ(p.keys.keyAt(8), std::nullopt);
    EXPECT_EQ(p.keys.keyAt(20), (hear::Key{5, false}));
    EXPECT_FALSE(removeKeyAt(p, 8));
}

TEST(Lanes, SectionsStandOneAtAPlace) {
    Project p = *putSection(*putSection({}, Beats(16), "towpath"), Beats(0), "mist");
    ASSERT_EQ(p.sections.size(), 2U);
    EXPECT_EQ(p.sections[0].name, "mist");
    p = *putSection(p, Beats(16), "weir");
    EXPECT_EQ(p.sections[1].name, "weir");
    EXPECT_FALSE(moveSection(p, Beats(16), Beats(0)));
    p = *moveSection(p, Beats(0), Beats(32));
    EXPECT_EQ(p.sections[1].name, "mist");
    EXPECT_FALSE(putSection(p, Beats(4), ""));
    EXPECT_FALSE(putSection(p, Beats(-4), "before"));
    EXPECT_EQ(removeSection(p, Beats(32))->sections.size(), 1U);
    EXPECT_FALSE(removeSection(p, Beats(33)));
}

TEST(Lanes, AllOfThemSurviveARoundTrip) {
    Project p = placed(loopIn(hear::Key{2, true})).p;
    p = *setTempoShape(*putTempoPoint(p, {Beats(32.5), Bpm(112.125), {}}), Beats(0),
                       metre::TempoPoint::Shape::Ramp);
    p = *setKeyAt(*setKeyAt(*setMetreAt(p, 9, {7, 8}), 1, hear::Key{2, true}), 13, {});
    p = *putSection(*putSection(p, Beats(0), "mist"), Beats(16), "“weir” · 2");
    p = *setTrackRule(setFollowing(setProjectRule(p, TimeRule::Fixed), false), p.tracks[0]->id, TimeRule::Slices);
    const std::string text = toJson(p, "/nowhere");
    const auto back = fromJson(text, "/nowhere", "it");
    ASSERT_TRUE(back) << back.error().text;
    EXPECT_EQ(back->tempo, p.tempo);
    EXPECT_EQ(back->metre, p.metre);
    EXPECT_EQ(back->keys, p.keys);
    EXPECT_EQ(back->sections, p.sections);
    EXPECT_EQ(back->tracks[0]->clips, p.tracks[0]->clips);
    EXPECT_EQ(back->tracks[0]->rule, TimeRule::Slices);
    EXPECT_FALSE(back->following);
    EXPECT_EQ(toJson(*back, "/nowhere"), text);
}

} // namespace
