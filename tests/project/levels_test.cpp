// What brings a clip to a level.
#include "project/levels.h"

#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

using namespace project;

Clip partFrom(double from, double to) {
    Clip clip;
    clip.from = Seconds(from);
    clip.to = Seconds(to);
    return clip;
}

TEST(Levels, APeakIsMeasuredOnThePartThatIsPlayed) {
    // A tenth of full scale, and from second 2 on half of it.
    sound::Audio audio = support::sine(1000, 4, 48000, 1, 0.1); // its parts begin and end where it is 0
    for (std::size_t i = 96000; i < audio.channels[0].size(); ++i)
        audio.channels[0][i] *= 5;
    const Sound sound(std::move(audio));
    EXPECT_NEAR(*gainTo(Normalise::Peak, partFrom(0, 1.9), sound), normalPeakDb + 20, 0.05);
    EXPECT_NEAR(*gainTo(Normalise::Peak, partFrom(2.1, 4), sound), normalPeakDb + 6.02, 0.05);
    EXPECT_NEAR(*gainTo(Normalise::Peak, partFrom(0, 99), sound), normalPeakDb + 6.02, 0.05) << "up to its end";
}

// A 997 Hz sine of 0 dBFS on one channel is −3.01 LUFS (EBU Tech 3341, 2016, from memory): one tenth of it −23.01.
TEST(Levels, LoudnessIsMeasuredAsTheStandardSays) {
    const Sound sound(support::sine(997, 4, 48000, 1, 0.1));
    EXPECT_NEAR(*gainTo(Normalise::Loudness, partFrom(0, 4), sound), normalLoudness + 23.01, 0.1);
}

TEST(Levels, SilenceIsBroughtNowhere) {
    const Sound sound(sound::Audio(48000, 2, Frames(48000)));
    EXPECT_FALSE(gainTo(Normalise::Peak, partFrom(0, 1), sound));
    EXPECT_FALSE(gainTo(Normalise::Loudness, partFrom(0, 1), sound));
    EXPECT_FALSE(gainTo(Normalise::Peak, partFrom(5, 6), sound)) << "beyond its end there is nothing";
}

} // namespace
