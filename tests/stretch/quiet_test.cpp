// Noise turned down: what lies under a recording, and not the recording.
#include "stretch/method.h"
#include "stretch/quiet.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using namespace stretch;

// Tones of half a second with pauses as long, over noise of −50 dB.
Audio tonesOverNoise() {
    Audio audio = support::noise(8, 48000, 1, 3, 0.005);
    const Audio tone = support::sine(660, 8);
    for (std::size_t i = 0; i < tone.channels[0].size(); ++i)
        if (i / 24000 % 2 == 1) audio.channels[0][i] += tone.channels[0][i];
    return audio;
}

double dbBetween(const Audio& audio, double from, double to) {
    double sum = 0;
    const auto begin = static_cast<std::size_t>(from * 48000);
    const auto end = static_cast<std::size_t>(to * 48000);
    for (std::size_t i = begin; i < end; ++i)
        sum += double(audio.channels[0][i]) * double(audio.channels[0][i]);
    return 10 * std::log10(sum / double(end - begin) + 1e-20);
}

TEST(Quiet, PausesBecomeQuieterAndTonesStay) {
    const Audio before = tonesOverNoise();
    const Audio after = quieted(before);
    ASSERT_EQ(after.frames(), before.frames());
    EXPECT_LT(dbBetween(after, 4.1, 4.4), dbBetween(before, 4.1, 4.4) - 7) << "a pause";
    EXPECT_GT(dbBetween(after, 4.1, 4.4), dbBetween(before, 4.1, 4.4) - 14) << "gently";
    EXPECT_NEAR(dbBetween(after, 4.6, 4.9), dbBetween(before, 4.6, 4.9), 0.2) << "a tone";
}

TEST(Quiet, AToneThatNeverPausesIsNoNoise) {
    const Audio tone = support::sine(220, 6);
    EXPECT_NEAR(dbBetween(quieted(tone), 1, 5), dbBetween(tone, 1, 5), 0.3);
}

TEST(Quiet, SilenceAndWhatIsShortStayAsTheyAre) {
    EXPECT_EQ(quieted(support::silence(2)).channels, support::silence(2).channels);
    const Audio blip = support::noise(0.1);
    EXPECT_EQ(quieted(blip).channels, blip.channels);
}

TEST(Quiet, ItIsASettingOfARendering) {
    const Audio noisy = tonesOverNoise();
    const TimeMap same = *TimeMap::straight(noisy.frames(), noisy.frames());
    Settings settings;
    EXPECT_EQ(render({noisy, {}, true}, same, settings)->channels, noisy.channels) << "off, it is the recording";
    settings.quiet = true;
    EXPECT_EQ(render({noisy, {}, true}, same, settings)->channels, quieted(noisy).channels);
}

TEST(Quiet, WhatBeginsAndEndsWithSoundIsNotLoweredThere) {
    // A kick on the first sample over noise, and a tone up to the last.
    Audio audio = support::noise(8, 48000, 1, 3, 0.005);
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i) {
        const double t = double(i) / 48000;
        if (t < 0.3)
            audio.channels[0][i] += static_cast<float>(0.8 * std::cos(2 * 3.14159265 * 60 * t) * std::exp(-t * 20));
        if (t > 7) audio.channels[0][i] += static_cast<float>(0.4 * std::sin(2 * 3.14159265 * 660 * t));
    }
    const Audio after = quieted(audio);
    // The very first sample: what of its click lies under the noise goes with that.
    EXPECT_NEAR(20 * std::log10(after.channels[0][0] / audio.channels[0][0]), 0, 0.5);
    EXPECT_NEAR(dbBetween(after, 0, 0.02), dbBetween(audio, 0, 0.02), 0.2);
    EXPECT_NEAR(dbBetween(after, 7.98, 8), dbBetween(audio, 7.98, 8), 0.2);
    // Noise alone at an end is turned down there as anywhere.
    const Audio noise = support::noise(8, 48000, 1, 4, 0.005);
    const Audio less = quieted(noise);
    EXPECT_NEAR(dbBetween(less, 0, 0.02) - dbBetween(noise, 0, 0.02),
                dbBetween(less, 3, 5) - dbBetween(noise, 3, 5), 2.5);
}

} // namespace
