// Pins: what is said by hand, what gives way to it, and what stays.
#include "project/edit_pins.h"
#include "project/with_source.h"

#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/save.h"
#include "project/settle.h"
#include "support/audio.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace {

using namespace project;

hear::Reading heardAs(Bpm bpm, std::vector<metre::Pin> pins) {
    hear::Reading r;
    r.by = hear::Witness::Heard;
    r.bpm = bpm;
    r.sureness = 0.9;
    r.steady = pins.size() <= 2;
    r.pins = std::move(pins);
    return r;
}

// 64 beats at 120, heard a hair too slow: at 119.9 from 0.1 s on.
Source steady() {
    Source s;
    s.name = s.content = "pole_song";
    s.file = "/x/pole_song.wav";
    s.facts = {48000, 1, Frames(33 * 48000), "WAV"};
    const Seconds beat(60 / 119.9);
    putReading(s, heardAs(Bpm(119.9), {{Seconds(0.1), Beats(0)}, {Seconds(0.1) + beat, Beats(1)}}));
    settle(s);
    return s;
}

// Played free: a pin every four beats.
Source freePlaying() {
    Source s;
    s.name = s.content = "towpath";
    s.file = "/x/towpath.wav";
    s.facts = {48000, 1, Frames(20 * 48000), "WAV"};
    std::vector<metre::Pin> pins;
    for (int b = 0; b <= 36; b += 4)
        pins.push_back({Seconds(0.5 + b * 0.5 + 0.05 * std::sin(b * 0.3)), Beats(b)});
    putReading(s, heardAs(Bpm(120), pins));
    settle(s);
    return s;
}

struct Pinned {
    Project project;
    SourceId id;
    explicit Pinned(Source s) {
        Added added = addSources({}, {std::move(s)});
        id = added.ids.front();
        project = place(added.project, id, {}, Beats(0))->project;
    }
    const Source& source() const { return *sourceOf(project, id); }
    void take(Result<Project> next) {
        ASSERT_TRUE(next) << next.error().text;
        project = std::move(*next);
    }
    Seconds at(double beat) const { return source().beats->secondsAt(Beats(beat)); }
};

TEST(Pins, OfASteadySourceStandAtTheFirstDownbeatAndAtTheEnd) {
    const Source s = steady();
    const auto pins = pinsOf(s);
    ASSERT_EQ(pins.size(), 2U);
    EXPECT_EQ(pins[0], (SourcePin{Seconds(0.1), Beats(0)}));
    EXPECT_EQ(pins[1].beat, Beats(std::floor(s.endBeat().value)));
    EXPECT_NEAR(pins[1].at.value, 0.1 + pins[1].beat.value * 60 / 119.9, 1e-9);
    EXPECT_FALSE(pins[1].byHand);
}

TEST(Pins, OneByHandNearTheEndSettlesASteadyRecording) {
    Pinned it(steady());
    // Beat 60 lies at 30.1 s in truth.
    it.take(putPin(it.project, it.id, Seconds(30.1), Beats(60)));
    EXPECT_NEAR(it.source().beats->meanTempo().value, 120, 1e-9);
    EXPECT_NEAR(it.at(0).value, 0.1, 1e-12) << "the first downbeat stays";
    EXPECT_NEAR(it.at(30).value, 15.1, 1e-9);
    const auto pins = pinsOf(it.source());
    ASSERT_EQ(pins.size(), 2U);
    EXPECT_FALSE(pins[0].byHand);
    EXPECT_TRUE(pins[1].byHand);
}

TEST(Pins, TwoByHandAreTheLineWhateverWasHeard) {
    Pinned it(steady());
    it.take(putPin(it.project, it.id, Seconds(2.15), Beats(4)));
    it.take(putPin(it.project, it.id, Seconds(30.15), Beats(60)));
    EXPECT_NEAR(it.at(0).value, 0.15, 1e-9);
    EXPECT_EQ(pinsOf(it.source()).size(), 2U);
    it.take(putPin(it.project, it.id, Seconds(16.2), Beats(32)));
    EXPECT_EQ(pinsOf(it.source()).size(), 3U) << "a third bends it";
    EXPECT_EQ(it.at(4), Seconds(2.15));
    EXPECT_EQ(it.at(60), Seconds(30.15));
}

TEST(Pins, AmongHeardOnesOnlyWhatContradictsGivesWay) {
    Pinned it(freePlaying());
    const std::size_t before = pinsOf(it.source()).size();
    const Seconds eight = it.at(8);
    it.take(putPin(it.project, it.id, it.at(10) + Seconds(0.02), Beats(10)));
    EXPECT_EQ(pinsOf(it.source()).size(), before + 1);
    EXPECT_EQ(it.at(8), eight);
    // Two seconds late for beat 14: the heard pins of 16 and, at 18.5 beats' place, 18 contradict it.
    it.take(putPin(it.project, it.id, it.at(18), Beats(14)));
    for (const SourcePin& pin : pinsOf(it.source()))
        EXPECT_NE(pin.beat, Beats(16));
    EXPECT_TRUE(metre::BeatMap::make(it.source().beats->pins()));
}

TEST(Pins, NeverCross) {
    Pinned it(freePlaying());
    it.take(putPin(it.project, it.id, it.at(10), Beats(10)));
    it.take(putPin(it.project, it.id, it.at(20), Beats(20)));
    const Project before = it.project;
    const auto past = putPin(it.project, it.id, it.at(22), Beats(10));
    ASSERT_FALSE(past);
    EXPECT_NE(past.error().text.find("cannot cross"), std::string::npos) << past.error().text;
    EXPECT_FALSE(putPin(it.project, it.id, it.at(20), Beats(10))) << "onto each other";
    EXPECT_FALSE(movePins(it.project, it.id, {Beats(10)}, Seconds(30)));
    EXPECT_FALSE(setPinBeat(it.project, it.id, Beats(10), Beats(20)));
    EXPECT_FALSE(setPinBeat(it.project, it.id, Beats(10), Beats(21)));
    EXPECT_FALSE(movePins(it.project, it.id, {Beats(0)}, Seconds(-1))) << "before the recording";
    EXPECT_FALSE(movePins(it.project, it.id, {Beats(999)}, Seconds(0.1)));
    EXPECT_EQ(before.sources, it.project.sources);
}

TEST(Pins, WhatCannotBeStretchedIsRefusedInWords) {
    Pinned it(freePlaying());
    // Four beats in a tenth of a second.
    const auto fast = putPin(it.project, it.id, it.at(8) + Seconds(0.1), Beats(12));
    ASSERT_FALSE(fast);
    EXPECT_NE(fast.error().text.find("BPM"), std::string::npos) << fast.error().text;
    // At 380 of the project 60 is less than a quarter.
    Pinned slow(freePlaying());
    slow.take(setTempo(slow.project, Bpm(390)));
    const auto far = putPin(slow.project, slow.id, slow.at(8) + Seconds(2.9), Beats(12));
    ASSERT_FALSE(far);
    EXPECT_NE(far.error().text.find("it goes from 25 to 400"), std::string::npos) << far.error().text;
}

TEST(Pins, ListeningAgainLeavesThoseByHand) {
    Pinned it(freePlaying());
    const Seconds moved = it.at(10) + Seconds(0.03);
    it.take(putPin(it.project, it.id, moved, Beats(10)));
    it.take(namePin(it.project, it.id, Beats(20), "break"));
    // Heard anew, a beat and a half off in its numbers, finer in its pins.
    Source again = it.source();
    std::vector<metre::Pin> pins;
    for (int b = -2; b <= 36; b += 2)
        pins.push_back({Seconds(0.5 + (b + 2) * 0.5 + 0.04 * std::sin(b * 0.3)), Beats(b)});
    putReading(again, heardAs(Bpm(121), pins));
    it.take(setHeard(it.project, it.id, again, true));
    EXPECT_EQ(it.at(10), moved);
    const auto now = pinsOf(it.source());
    EXPECT_GT(now.size(), 15U) << "and what was heard between stands";
    for (const SourcePin& pin : now) {
        EXPECT_EQ(pin.byHand, pin.beat == Beats(10));
        EXPECT_EQ(pin.name, pin.beat == Beats(20) ? "break" : "");
    }
    it.take(forgetPins(it.project, it.id));
    EXPECT_EQ(it.source().beats->pins(), pins) << "as the reading says";
}

TEST(Pins, AFirstDownbeatByHandStaysWhenAnotherReadingIsPicked) {
    Pinned it(steady());
    it.take(setFirstDownbeat(it.project, it.id, Seconds(0.35)));
    Source again = it.source();
    putReading(again, heardAs(Bpm(120), {{Seconds(0.1), Beats(0)}, {Seconds(0.6), Beats(1)}}));
    it.take(setHeard(it.project, it.id, again, true));
    EXPECT_EQ(it.at(0), Seconds(0.35));
    EXPECT_NEAR(it.source().beats->meanTempo().value, 120, 1e-9);
}

TEST(Pins, LockedOnesStayWhereTheyAre) {
    Pinned it(freePlaying());
    it.take(lockPins(it.project, it.id, {Beats(8)}, true));
    const Seconds there = it.at(8);
    for (const auto& refused :
         {putPin(it.project, it.id, it.at(9), Beats(8)), movePins(it.project, it.id, {Beats(8)}, Seconds(0.01)),
          setPinBeat(it.project, it.id, Beats(8), Beats(9)), removePins(it.project, it.id, {Beats(4), Beats(8)})}) {
        ASSERT_FALSE(refused);
        EXPECT_NE(refused.error().text.find("locked"), std::string::npos) << refused.error().text;
    }
    it.take(straightBetween(it.project, it.id, {Beats(0), Beats(36)}));
    EXPECT_EQ(it.at(8), there);
    EXPECT_EQ(pinsOf(it.source()).size(), 3U);
    it.take(lockPins(it.project, it.id, {Beats(8)}, false));
    it.take(removePins(it.project, it.id, {Beats(8)}));
    EXPECT_EQ(pinsOf(it.source()).size(), 2U);
}

TEST(Pins, LockedOnesWithstandAnotherDownbeatAndAnotherTempo) {
    Pinned it(steady());
    it.take(lockPins(it.project, it.id, {Beats(0)}, true));
    const auto moved = setFirstDownbeat(it.project, it.id, Seconds(0.4));
    ASSERT_FALSE(moved);
    EXPECT_NE(moved.error().text.find("locked"), std::string::npos) << moved.error().text;
    it.take(setSourceTempo(it.project, it.id, Bpm(96), hear::Witness::Typed));
    EXPECT_EQ(it.at(0), Seconds(0.1)) << "somebody's word goes through it";
    EXPECT_NEAR(it.source().beats->meanTempo().value, 96, 1e-9);
}

// A heard pin on the very next beat is no obstacle to saying that this one is it.
TEST(Pins, AnotherBeatMakesHeardOnesGiveWay) {
    Pinned it(freePlaying());
    const Seconds moment = it.at(8);
    it.take(setPinBeat(it.project, it.id, Beats(8), Beats(12)));
    EXPECT_EQ(it.at(12), moment);
    const auto pins = pinsOf(it.source());
    EXPECT_EQ(std::count_if(pins.begin(), pins.end(), [](const SourcePin& p) { return p.beat == Beats(12); }), 1);
}

TEST(Pins, ALockedClipKeepsHowStrictlyItsSourceFollows) {
    Pinned it(freePlaying());
    it.take(setLocked(it.project, allClips(it.project), true));
    EXPECT_FALSE(setStraightness(it.project, it.id, {Straightness::To::Beat, 50}));
    it.take(setSourceMetre(it.project, it.id, {3, 4})); // every beat lands whatever the bar is
}

TEST(Pins, SeveralMoveTogether) {
    Pinned it(freePlaying());
    const Seconds eight = it.at(8);
    const Seconds twelve = it.at(12);
    it.take(movePins(it.project, it.id, {Beats(8), Beats(12)}, Seconds(-0.1)));
    EXPECT_NEAR((it.at(8) - eight).value, -0.1, 1e-12);
    EXPECT_NEAR((it.at(12) - twelve).value, -0.1, 1e-12);
    for (const SourcePin& pin : pinsOf(it.source()))
        EXPECT_EQ(pin.byHand, pin.beat == Beats(8) || pin.beat == Beats(12));
}

TEST(Pins, TenThousandMoveTogether) {
    Source s = freePlaying();
    s.facts.frames = Frames(std::int64_t(5100) * 48000);
    std::vector<metre::Pin> pins;
    std::vector<Beats> all;
    for (int b = 0; b < 10000; ++b) {
        pins.push_back({Seconds(0.5 + b * 0.5 + 0.02 * std::sin(b * 0.3)), Beats(b)});
        all.push_back(Beats(9999 - b)); // in any order
    }
    s.beats = *metre::BeatMap::make(pins);
    Pinned it(std::move(s));
    it.take(movePins(it.project, it.id, all, Seconds(0.1)));
    it.take(lockPins(it.project, it.id, all, true));
    const auto now = pinsOf(it.source());
    ASSERT_EQ(now.size(), 10000U);
    for (std::size_t i = 0; i < now.size(); ++i) {
        EXPECT_NEAR(now[i].at.value, pins[i].at.value + 0.1, 1e-9);
        EXPECT_TRUE(now[i].byHand && now[i].locked);
    }
}

TEST(Pins, TheRestIsLaidStraight) {
    Pinned it(freePlaying());
    const Seconds end = it.at(36);
    it.take(straightToEnd(it.project, it.id, Beats(12)));
    EXPECT_EQ(pinsOf(it.source()).size(), 5U); // 0, 4, 8, 12, 36
    EXPECT_EQ(it.at(36), end);
    EXPECT_NEAR((it.at(24) - it.at(12)).value, ((end - it.at(12)).value) / 2, 1e-9);
    EXPECT_FALSE(straightToEnd(it.project, it.id, Beats(36)));
    EXPECT_FALSE(straightBetween(it.project, it.id, {Beats(4)}));
}

// Common practice: a song begins with four bars before the moment that one is sure of; laid straight from there,
// its start falls on a bar.
TEST(Pins, StraightFromAPinFourBarsAfterTheStartTheStartFallsOnABar) {
    Source s = steady();
    // The tempo was found, its beats a third of a second wrong; the sound begins at 0.
    putReading(s, heardAs(Bpm(120), {{Seconds(0.37), Beats(0)}, {Seconds(0.87), Beats(1)}}));
    settle(s);
    Pinned it(std::move(s));
    const Seconds fifthBar(16 * 0.5);
    it.take(putPin(it.project, it.id, fifthBar, Beats(16)));
    it.take(straightFrom(it.project, it.id, Beats(16)));
    const double start = it.source().beats->beatAt(Seconds(0)).value;
    EXPECT_NEAR(start / 4, std::round(start / 4), 1e-9);
    EXPECT_NEAR(it.source().beats->meanTempo().value, 120, 1e-9);
}

TEST(Pins, AnIntroductionBeforeAMomentFallsOnBars) {
    Pinned it(steady());
    const Seconds moment = it.at(19) + Seconds(0.01); // a hair late for a beat
    it.take(setIntroduction(it.project, it.id, moment, 4));
    EXPECT_EQ(it.at(16), moment);
    EXPECT_GE(it.at(0), Seconds(0));
    EXPECT_FALSE(setIntroduction(it.project, it.id, moment, 100)) << "there is no room for it";
    EXPECT_FALSE(setIntroduction(it.project, it.id, Seconds(99), 4));
}

TEST(Pins, TheFirstDownbeatIsShiftedByABeat) {
    Pinned it(freePlaying());
    const Seconds second = it.at(1);
    const Seconds twelve = it.at(12);
    it.take(shiftDownbeat(it.project, it.id, 1));
    EXPECT_NEAR(it.at(0).value, second.value, 1e-12);
    EXPECT_NEAR(it.at(11).value, twelve.value, 1e-12) << "what is heard stays where it is";
    it.take(shiftDownbeat(it.project, it.id, -1));
    EXPECT_NEAR(it.at(12).value, twelve.value, 1e-12);
    EXPECT_FALSE(shiftDownbeat(it.project, it.id, -4)) << "before the recording";
    Pinned line(steady());
    line.take(shiftDownbeat(line.project, line.id, 2));
    EXPECT_NEAR(line.at(0).value, 0.1 + 2 * 60 / 119.9, 1e-9);
    EXPECT_NEAR(line.source().beats->meanTempo().value, 119.9, 1e-9);
}

TEST(Pins, AMetreOfTheSourceIsOneThatPeopleCountIn) {
    Pinned it(freePlaying());
    for (const metre::Metre m : {metre::Metre{2, 4}, metre::Metre{12, 4}, metre::Metre{6, 8}, metre::Metre{7, 8},
                                 metre::Metre{9, 8}, metre::Metre{12, 8}}) {
        it.take(setSourceMetre(it.project, it.id, m));
        EXPECT_EQ(it.source().metre(), m);
    }
    for (const metre::Metre m : {metre::Metre{1, 4}, metre::Metre{13, 4}, metre::Metre{5, 8}, metre::Metre{4, 2}})
        EXPECT_FALSE(setSourceMetre(it.project, it.id, m));
}

// 100 % lands every beat, 0 % keeps the playing; by the bar, what lies within it keeps its own way.
TEST(Pins, HowStrictlyItFollows) {
    Pinned it(freePlaying());
    const metre::BeatMap truth = *it.source().beats;
    EXPECT_EQ(it.source().fitted(), truth);
    it.take(setStraightness(it.project, it.id, {Straightness::To::Beat, 0}));
    EXPECT_EQ(it.source().fitted().pins().size(), 2U);
    it.take(setStraightness(it.project, it.id, {Straightness::To::Beat, 50}));
    const metre::BeatMap half = it.source().fitted();
    for (const metre::Pin& pin : truth.pins()) {
        const double straight = (pin.at - truth.pins().front().at).value /
                                (truth.pins().back().at - truth.pins().front().at).value * 36;
        EXPECT_NEAR(half.beatAt(pin.at).value, (straight + pin.beat.value) / 2, 1e-9);
    }
    it.take(setStraightness(it.project, it.id, {Straightness::To::Phrase, 100}));
    const metre::BeatMap phrase = it.source().fitted();
    EXPECT_EQ(phrase.beatAt(truth.secondsAt(Beats(16))), Beats(16));
    EXPECT_EQ(phrase.beatAt(truth.secondsAt(Beats(32))), Beats(32));
    EXPECT_GT(std::abs(phrase.beatAt(truth.secondsAt(Beats(8))).value - 8), 0.005);
    // And it is heard: the clip's time map lands beat 8 elsewhere.
    const LaidPtr laid = lay(it.project);
    EXPECT_NE(laid->clips().front().time().end, Beats(0));
    EXPECT_EQ(*it.source().beats, truth) << "what is known of it is another thing";
    EXPECT_FALSE(setStraightness(it.project, it.id, {Straightness::To::Beat, 101}));
}

TEST(Pins, NamesAreSectionsOfTheProject) {
    Pinned it(freePlaying());
    it.take(namePin(it.project, it.id, Beats(8), "weir"));
    it.take(putSection(it.project, Beats(4), "start"));
    it.take(moveClips(it.project, allClips(it.project), Beats(4), 0));
    const auto sections = sectionsOf(it.project);
    ASSERT_EQ(sections.size(), 2U);
    EXPECT_EQ(sections[0].name, "start");
    EXPECT_EQ(sections[1].name, "weir");
    EXPECT_NEAR(sections[1].at.value, 12, 1e-9);
}

TEST(Pins, AreSavedWithWhatIsKnownOfThem) {
    Pinned it(freePlaying());
    it.take(putPin(it.project, it.id, it.at(10), Beats(10)));
    it.take(lockPins(it.project, it.id, {Beats(10)}, true));
    it.take(namePin(it.project, it.id, Beats(20), "weir"));
    it.take(setStraightness(it.project, it.id, {Straightness::To::Bar, 70}));
    it.take(setOnsetSensitivity(it.project, it.id, 0.3));
    it.take(setSourceMetre(it.project, it.id, {6, 8}));
    const auto read = fromJson(toJson(it.project, "/x"), "/x", "it");
    ASSERT_TRUE(read) << read.error().text;
    const Source& s = *read->sources.front();
    EXPECT_EQ(pinsOf(s), pinsOf(it.source()));
    EXPECT_EQ(s.straight, it.source().straight);
    EXPECT_EQ(s.sensitivity, 0.3);
    EXPECT_EQ(s.metre(), (metre::Metre{6, 8}));
    // Notes without a pin are refused.
    std::string wrong = toJson(it.project, "/x");
    const auto place = wrong.find("\"beat\": 20.0", wrong.find("pinNotes"));
    ASSERT_NE(place, std::string::npos);
    wrong.replace(place, 12, "\"beat\": 21.5");
    EXPECT_FALSE(fromJson(wrong, "/x", "it"));
}

TEST(Pins, ALoopWhoseFirstDownbeatIsShiftedThereAndBackHasAllItsBeats) {
    Pinned it(steady());
    const double whole = std::floor(it.source().endBeat().value);
    Source changed = it.source();
    changed.loopBeats = Beats(whole);
    it.take(withBeatsOf(it.project, changed));
    const Seconds end = it.source().wholeEnd();
    it.take(shiftDownbeat(it.project, it.id, 1));
    EXPECT_NEAR(it.source().wholeEnd().value, end.value, 1e-9) << "it ends where it ended";
    it.take(shiftDownbeat(it.project, it.id, -1));
    EXPECT_EQ(it.source().loopBeats, Beats(whole));
}

} // namespace
