// What a recording's own file may say of itself.
#include "deliver/file_tags.h"

#include <gtest/gtest.h>

namespace {

using metre::Beats;
using metre::Bpm;
using metre::Frames;
using metre::Seconds;

project::Source loopOf(double bpm, int beats, double from) {
    project::Source s;
    s.facts = {44100, 2, Frames(std::int64_t((from + beats * 60 / bpm) * 44100 + 0.5)), "WAV 16-bit"};
    s.beats = metre::BeatMap(Bpm(bpm), Seconds(from));
    s.loopBeats = Beats(beats);
    return s;
}

TEST(FileTags, ALoopSaysTempoBeatsKeyAndWhereItGoesRound) {
    project::Source s = loopOf(120, 8, 0.25);
    s.key = hear::Key{2, true};
    const auto says = deliver::tagsOf(s);
    ASSERT_TRUE(says);
    EXPECT_EQ(says->tags.bpm, Bpm(120));
    EXPECT_EQ(says->tags.beats, 8);
    EXPECT_EQ(says->tags.key, "Dm");
    EXPECT_EQ(says->loop.rootNote, 62);
    ASSERT_TRUE(says->loop.loop);
    EXPECT_EQ(says->loop.loop->first, Frames(11025));
    EXPECT_EQ(says->loop.loop->second, Frames(11025 + 4 * 44100));
}

TEST(FileTags, WhatHasNoBeatSaysNothing) {
    project::Source s = loopOf(120, 8, 0);
    s.beats.reset();
    EXPECT_FALSE(deliver::tagsOf(s));
}

TEST(FileTags, ALoopThatEndsAfterItsFileEndsWithIt) {
    project::Source s = loopOf(120, 8, 0);
    s.facts.frames = Frames(170'000); // a little short
    const auto says = deliver::tagsOf(s);
    ASSERT_TRUE(says && says->loop.loop);
    EXPECT_EQ(says->loop.loop->second, Frames(170'000));
}

} // namespace
