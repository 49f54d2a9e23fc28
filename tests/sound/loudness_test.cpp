#include "sound/loudness.h"
#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

sound::AudioPtr shared(sound::Audio audio) {
    return std::make_shared<const sound::Audio>(std::move(audio));
}

TEST(Loudness, AToneOfKnownLevel) {
    // EBU Tech 3341, case 1 (from memory): 1 kHz in both channels at −23 dBFS reads −23 LUFS, within 0.1.
    const double peak = std::pow(10, -23 / 20.0);
    EXPECT_NEAR(*sound::integratedLoudness({shared(support::sine(1000, 20, 48000, 2, peak))}), -23, 0.1);
    // Case 2: ten decibels less.
    EXPECT_NEAR(*sound::integratedLoudness({shared(support::sine(1000, 20, 44100, 2, peak / std::sqrt(10)))}), -33,
                0.1);
}

TEST(Loudness, PiecesReadAsTheWhole) {
    const sound::Audio whole = support::noise(3.0, 48000, 2);
    std::vector<sound::AudioPtr> pieces;
    for (const auto& [from, to] : {std::pair{0, 5000}, {5000, 5001}, {5001, 144000}}) {
        sound::Audio part(48000, 2, sound::Frames(to - from));
        for (std::size_t c = 0; c < 2; ++c)
            std::copy(whole.channels[c].begin() + from, whole.channels[c].begin() + to, part.channels[c].begin());
        pieces.push_back(shared(part));
    }
    EXPECT_NEAR(*sound::integratedLoudness(pieces), *sound::integratedLoudness({shared(whole)}), 1e-9);
}

TEST(Loudness, ShortHitsAreMeasuredAndSilenceIsNot) {
    const auto hit = sound::integratedLoudness({shared(support::noise(0.1))});
    const auto quieter = sound::integratedLoudness({shared(support::noise(0.1, 48000, 1, 1, 0.03))});
    ASSERT_TRUE(hit && quieter);
    EXPECT_NEAR(*hit - *quieter, 20, 0.1);
    EXPECT_FALSE(sound::integratedLoudness({shared(support::silence(1.0))}));
    EXPECT_FALSE(sound::integratedLoudness({}));
}

} // namespace
