// What is known of files counts in every version of a document, and undo leaves it alone.
#include "project/recordings.h"

#include "project/arriving.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/lead.h"
#include "project/part.h"
#include "project/settle.h"
#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

using namespace project;

std::shared_ptr<const Sound> soundAt(int rate) {
    return std::make_shared<const Sound>(sound::Audio(rate, 1, Frames(rate * 4)));
}

Source unheard() {
    Source s;
    s.name = "ferry";
    s.file = "/loops/ferry.wav";
    s.content = "ferry";
    s.facts = {48000, 1, Frames(48000 * 4), "WAV 16-bit"};
    s.sound = soundAt(48000);
    return s;
}

std::shared_ptr<const Source> heardAt(double bpm) {
    auto heard = std::make_shared<Source>(unheard());
    hear::Reading r;
    r.by = hear::Witness::Heard;
    r.bpm = Bpm(bpm);
    r.sureness = 0.9;
    heard->readings = {r};
    heard->beats = *metre::BeatMap::make({{Seconds(0), Beats(0)}, {Seconds(480 / bpm), Beats(8)}});
    heard->chosen = hear::Witness::Heard;
    return heard;
}

struct Known : ::testing::Test {
    Known() {
        Added added = addSources(*setTempo({}, Bpm(100)), {unheard()});
        id = added.ids[0];
        auto placed = place(added.project, id, {}, Beats(8));
        clip = placed->id;
        version = placed->project;
        known.learn(version);
    }
    Recordings known;
    Project version;
    SourceId id;
    ClipId clip;
};

TEST_F(Known, ANewPlaceOfAFileCountsInVersionsThatWereMadeBefore) {
    const Project older = version;
    const Project newer = *setGain(version, {clip}, -6);
    known.take({{.source = id, .file = "/project/audio/ferry.wav"}});
    for (const Project& p : {older, newer})
        EXPECT_EQ(sourceOf(known.in(p), id)->file, "/project/audio/ferry.wav");
    EXPECT_EQ(known.in(newer).tracks, newer.tracks) << "nothing else of it changes";
}

TEST_F(Known, WhatIsHeardLateCountsInVersionsThatWereMadeBefore) {
    const Project newer = *setGain(version, {clip}, -6);
    const auto heard = heardAt(120);
    known.take({{.source = id, .heard = heard}});
    for (const Project& p : {version, newer}) {
        const Project now = known.in(p);
        EXPECT_EQ(sourceOf(now, id)->beats, heard->beats);
        EXPECT_FALSE(isUnheard(*sourceOf(now, id)));
    }
    EXPECT_EQ(clipOf(known.in(newer), clip)->gainDb, -6);
}

TEST_F(Known, ASoundIsOnlyHeardAtTheRateThatItWasReadAt) {
    const Project at44 = atRate(version, 44100);
    EXPECT_FALSE(sourceOf(known.in(at44), id)->sound) << "its sound is at 48 kHz";
    EXPECT_EQ(known.toReadIn(known.in(at44)).size(), 1U);
    EXPECT_TRUE(known.toReadIn(known.in(version)).empty());
    known.take({{.source = id, .sound = soundAt(44100)}});
    EXPECT_EQ(sourceOf(known.in(at44), id)->sound->audio.rate, 44100);
    EXPECT_EQ(sourceOf(known.in(version), id)->sound->audio.rate, 48000) << "each version has its own";
}

TEST_F(Known, WhatWasFoundAtAnotherRateIsNotHeardInAVersionOfThis) {
    Project missing = version;
    Source gone = *sourceOf(missing, id);
    gone.sound = nullptr;
    missing.sources = {std::make_shared<const Source>(gone)};
    Recordings of;
    of.learn(missing);
    of.take({{id, "/found/ferry.wav", "ferry", gone.facts, soundAt(44100), nullptr}});
    const Project now = of.in(missing);
    EXPECT_EQ(sourceOf(now, id)->file, "/found/ferry.wav");
    EXPECT_FALSE(sourceOf(now, id)->sound) << "it would play too fast";
    EXPECT_EQ(of.toReadIn(now).size(), 1U) << "it is to be read at the rate of this";
}

TEST_F(Known, ASourceThatIsGoneTakesNothing) {
    known.take({{.source = SourceId{77}, .file = "/else.wav"}});
    EXPECT_EQ(known.revision(), 0);
    EXPECT_EQ(known.in(version).sources, version.sources);
}

TEST_F(Known, TheTempoFollowsALeaderThatIsHeardLate) {
    Project led = known.in(version);
    known.take({{.source = id, .heard = heardAt(90)}});
    led = *setLead(known.in(led), clip, Lead::Every::Piece);
    EXPECT_NEAR(known.in(led).tempo.points()[0].bpm.value, 90, 1e-6);
}

TEST_F(Known, OnlyWhatIsSavedCountsAsFoundOut) {
    known.take({{.source = id, .sound = soundAt(44100)}});
    EXPECT_EQ(known.revision(), 0) << "sounds are read again from their files";
    known.take({{.source = id, .heard = heardAt(90)}});
    EXPECT_EQ(known.revision(), 1);
}

} // namespace
