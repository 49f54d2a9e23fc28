// What is heard of a source after its clips were placed.
#include "project/arriving.h"

#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/settle.h"
#include "support/files.h"

#include <gtest/gtest.h>

namespace {

using namespace project;

struct Arriving : ::testing::Test {
    Arriving() {
        const auto file = support::demoAudio("pontoon_marimba.flac");
        read = *decodeSource(file, 48000);
        Added added = addSources(*setTempo({}, Bpm(104)), {unheardOf(file, read)});
        id = added.ids[0];
        auto placed = place(added.project, id, {}, Beats(8));
        clip = placed->id;
        p = placed->project;
        EXPECT_TRUE(findAttacks(read));
        heard = settledOf(file, read)->source;
        heard.sound = read.sound;
    }
    // The same, had it been heard first.
    Clip fromTheBeginning() const {
        Added added = addSources(*setTempo({}, Bpm(104)), {heard});
        auto placed = place(added.project, added.ids[0], {}, Beats(8));
        Clip c = *clipOf(placed->project, placed->id);
        c.id = clip;
        c.source = id;
        return c;
    }
    ReadSource read;
    Source heard;
    SourceId id;
    ClipId clip;
    Project p;
};

TEST_F(Arriving, AClipBecomesWhatItWouldHaveBeen) {
    EXPECT_TRUE(isUnheard(*sourceOf(p, id)));
    EXPECT_FALSE(sourceOf(p, id)->beats);
    const Project now = withHeard(p, id, heard);
    EXPECT_EQ(*clipOf(now, clip), fromTheBeginning());
    EXPECT_EQ(sourceOf(now, id)->beats, heard.beats);
    EXPECT_FALSE(isUnheard(*sourceOf(now, id)));
    EXPECT_FALSE(sourceOf(now, id)->sound->attacks.empty());
    EXPECT_EQ(&sourceOf(now, id)->sound->audio, &sourceOf(p, id)->sound->audio) << "the sound itself is not copied";
}

TEST_F(Arriving, WhatTheUserHasChangedMeanwhileStays) {
    Project changed = *setGain(p, {clip}, -9);
    changed = *moveClips(changed, {clip}, Beats(4), 0);
    changed = *setMethod(changed, {clip}, stretch::Method::Tape);
    Project now = withHeard(changed, id, heard);
    EXPECT_EQ(clipOf(now, clip)->gainDb, -9);
    EXPECT_EQ(clipOf(now, clip)->at, Beats(12));
    EXPECT_EQ(clipOf(now, clip)->stretch.method, stretch::Method::Tape);
    EXPECT_TRUE(clipOf(now, clip)->stretch.loop) << "and the rest follows";
    // As recorded was asked for: as recorded it stays, whatever tempo it has.
    now = withHeard(*setAsRecorded(p, {clip}), id, heard);
    EXPECT_EQ(clipOf(now, clip)->rule, TimeRule::Place);
    EXPECT_TRUE(sourceOf(now, id)->beats);
}

TEST_F(Arriving, ATempoThatTheUserSaidMeanwhileIsKept) {
    const Project said = *setSourceTempo(p, id, Bpm(59.25), hear::Witness::Typed);
    const Project now = withHeard(said, id, heard);
    EXPECT_NEAR(sourceOf(now, id)->beats->meanTempo().value, 59.25, 1e-9);
    EXPECT_EQ(sourceOf(now, id)->chosen, hear::Witness::Typed);
    EXPECT_NE(readingBy(*sourceOf(now, id), hear::Witness::Heard), nullptr);
    EXPECT_NE(readingBy(*sourceOf(now, id), hear::Witness::Typed), nullptr);
}

TEST_F(Arriving, ATrimmedClipKeepsItsPartAndASourceThatIsGoneChangesNothing) {
    Project trimmed = p;
    auto track = std::make_shared<Track>(*p.tracks[0]);
    track->clips[0].from = Seconds(1);
    track->clips[0].to = Seconds(3);
    trimmed.tracks[0] = track;
    const Project now = withHeard(trimmed, id, heard);
    EXPECT_EQ(clipOf(now, clip)->from, Seconds(1));
    EXPECT_EQ(clipOf(now, clip)->to, Seconds(3));
    const Project none = withHeard(Project(), id, heard);
    EXPECT_TRUE(none.sources.empty());
    EXPECT_EQ(withHeard(now, id, heard).sources, now.sources) << "it is heard once";
}

} // namespace
