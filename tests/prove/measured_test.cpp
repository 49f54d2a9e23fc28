// What is measured of a sound does not depend on the rate at which it is kept.
#include "prove/measured.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace {

// Two notes 20 Hz apart, which only a window of their length tells from each other.
sound::Audio twoNotes(int rate) {
    sound::Audio audio(rate, 1, metre::Frames(rate));
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        const double turn = 2 * std::numbers::pi * double(i) / rate;
        audio.channels[0][i] = static_cast<float>(0.3 * std::sin(440 * turn) + 0.3 * std::sin(460 * turn));
    }
    return audio;
}

TEST(Measured, PitchesAreSeenThroughTheSameWindowAtEveryRate) {
    for (const int rate : {22050, 44100, 48000, 88200, 96000}) {
        const sound::Audio audio = twoNotes(rate);
        const auto inMemory =
            prove::measure(prove::blocksOf(audio), {std::vector{metre::Frames(rate / 2)},
                                                    std::vector<hear::Onset>{}, std::nullopt, &audio});
        ASSERT_TRUE(inMemory);
        ASSERT_EQ(inMemory->pitches.size(), 1U);
        ASSERT_EQ(inMemory->pitches[0].peaks.size(), 2U) << rate;
        EXPECT_NEAR(inMemory->pitches[0].peaks[0].hz, 440, 1) << rate;
        EXPECT_NEAR(inMemory->pitches[0].peaks[1].hz, 460, 1) << rate;
    }
}

} // namespace
