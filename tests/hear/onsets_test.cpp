#include "hear/onsets.h"
#include "sound/read.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

TEST(Onsets, StrokesAreFoundToTheMillisecond) {
    for (const int rate : {22050, 44100, 48000, 96000}) {
        std::vector<std::int64_t> at;
        for (int i = 0; i < 12; ++i)
            at.push_back(static_cast<std::int64_t>((0.1 + i * 0.237) * rate));
        const auto found = hear::onsets(support::strokes(at, 3.2, rate));
        ASSERT_EQ(found.size(), at.size()) << rate;
        for (std::size_t i = 0; i < at.size(); ++i)
            EXPECT_NEAR(double(found[i].at.value - at[i]) / rate, 0, 0.001) << rate << " stroke " << i;
    }
}

// A long recording is looked at from two places at once.
TEST(Onsets, NoneIsLostInTheMiddleOfALongRecording) {
    constexpr int rate = 44100;
    for (const std::int64_t later : {0, 64, 128, 200}) { // where the hops lie to the strokes
        std::vector<std::int64_t> at;
        for (int i = 0; i < 100; ++i)
            at.push_back(rate / 10 + later + i * (rate * 3 / 10));
        const auto found = hear::onsets(support::strokes(at, 30.2, rate));
        ASSERT_EQ(found.size(), at.size()) << later;
        for (std::size_t i = 0; i < at.size(); ++i)
            EXPECT_NEAR(double(found[i].at.value - at[i]) / rate, 0, 0.001) << later << ", stroke " << i;
    }
}

// Strokes beside others are looked for from two places as well; each is found, and none twice, in the middle too.
TEST(Onsets, EachGraceNoteOfManyIsFoundOnce) {
    constexpr int rate = 44100;
    for (const int strokes : {99, 100}) { // the middle lies on a stroke or between two
        std::vector<std::int64_t> at;
        for (int i = 0; i < strokes; ++i)
            at.push_back(rate / 10 + i * (rate * 3 / 10));
        sound::Audio a = support::strokes(at, 30.2, rate);
        std::vector<std::int64_t> graces;
        for (const std::int64_t main : at)
            graces.push_back(main - rate * 3 / 100);
        const sound::Audio soft = support::strokes(graces, 30.2, rate);
        for (std::size_t i = 0; i < a.channels[0].size(); ++i)
            a.channels[0][i] += 0.3F * soft.channels[0][i];
        const auto found = hear::onsets(a);
        ASSERT_EQ(found.size(), 2 * at.size()) << strokes;
        for (std::size_t i = 0; i < at.size(); ++i) {
            EXPECT_NEAR(double(found[2 * i].at.value - graces[i]) / rate, 0, 0.002) << "grace note " << i;
            EXPECT_NEAR(double(found[2 * i + 1].at.value - at[i]) / rate, 0, 0.002) << "stroke " << i;
        }
    }
}

TEST(Onsets, AStrokeOnTheFirstFrameIsFound) {
    const auto found = hear::onsets(support::strokes({0, 24000}, 1.0));
    ASSERT_EQ(found.size(), 2U);
    EXPECT_LT(found[0].at.value, 48);
}

TEST(Onsets, NothingIsHeardWhereNothingBegins) {
    EXPECT_TRUE(hear::onsets(support::silence(1.0)).empty());
    EXPECT_TRUE(hear::onsets(support::silence(0.0)).empty());
    sound::Audio steady = support::noise(2.0);
    const auto found = hear::onsets(steady);
    for (const auto& o : found)
        EXPECT_LT(o.at.value, 4800) << "steady noise begins only once";
}

TEST(Onsets, EveryBeatOfTheHandsIsHeard) {
    const auto r = sound::read(support::demoAudio("winch_hands_112bpm.wav"), 48000);
    const auto found = hear::onsets(r->audio);
    for (int beat = 0; beat < 16; ++beat) {
        const double at = beat * 60.0 / 112 * 48000;
        double nearest = 1e9;
        for (const auto& o : found)
            nearest = std::min(nearest, std::abs(double(o.at.value) - at));
        EXPECT_LT(nearest, 0.002 * 48000) << "beat " << beat;
    }
}

TEST(Onsets, BowedAndBlownNotesAreFound) {
    // Notes that swell in 60 ms and touch each other.
    for (const double attack : {0.02, 0.06}) {
        sound::Audio a(44100, 1, sound::Frames(44100 * 4));
        const double hertz[] = {293.66, 349.23, 440.00, 392.00, 329.63, 293.66, 261.63, 349.23};
        for (int n = 0; n < 8; ++n)
            for (int i = 0; i < 22050; ++i) {
                const double t = i / 44100.0;
                const double rise = std::min({1.0, t / attack, (0.5 - t) / 0.02});
                double s = 0;
                for (int k = 1; k <= 5; ++k)
                    s += std::sin(2 * M_PI * hertz[n] * k * (t + 0.0005 * std::sin(2 * M_PI * 5 * t))) / k;
                a.channels[0][static_cast<std::size_t>(n * 22050 + i)] = static_cast<float>(0.25 * rise * s);
            }
        const auto found = hear::onsets(a);
        for (int n = 0; n < 8; ++n) {
            double nearest = 1e9;
            for (const auto& o : found)
                nearest = std::min(nearest, std::abs(double(o.at.value) / 44100 - n * 0.5));
            EXPECT_LT(nearest, attack * 0.5 + 0.005) << attack << " note " << n;
        }
        EXPECT_LE(found.size(), 11U) << "vibrato is no onset";
    }
}

TEST(Onsets, SensitivityFindsWeakerOnes) {
    sound::Audio a = support::strokes({4800, 28800, 52800, 76800}, 2.0);
    const sound::Audio weak = support::strokes({16800, 40800, 64800}, 2.0);
    for (std::size_t i = 0; i < a.channels[0].size(); ++i)
        a.channels[0][i] += 0.02F * weak.channels[0][i];
    const auto few = hear::onsets(a, 0);
    const auto many = hear::onsets(a, 1);
    EXPECT_EQ(few.size(), 4U);
    EXPECT_EQ(many.size(), 7U);
    for (const auto& o : many)
        EXPECT_TRUE(o.strength > 0 && o.strength <= 1);
}

TEST(Onsets, LoudnessDoesNotMatter) {
    const sound::Audio loud = support::strokes({4800, 20000, 40000}, 1.0);
    sound::Audio quiet = loud;
    for (float& s : quiet.channels[0])
        s *= 0.01F;
    const auto a = hear::onsets(loud);
    const auto b = hear::onsets(quiet);
    ASSERT_EQ(a.size(), b.size());
    for (std::size_t i = 0; i < a.size(); ++i)
        EXPECT_NEAR(double(a[i].at.value), double(b[i].at.value), 24);
}

} // namespace
