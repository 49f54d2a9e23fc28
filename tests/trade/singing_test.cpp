// A sung line, stretched: what a listener takes for a voice is its pitch from moment to moment, vibrato and all,
// and periods that follow one another cleanly.
#include "support/stretch_references.h"
#include "support/stretched.h"
#include "support/voice_measures.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <numbers>
#include <random>

namespace {

using stretch::Method;
using support::Audio;

double quantile(std::vector<double> v, double q) {
    std::sort(v.begin(), v.end());
    return v.at(static_cast<std::size_t>(q * double(v.size() - 1)));
}

// Three notes that glide into each other, sung through the formants of "a" (Peterson & Barney, "Control methods
// used in a study of the vowels", JASA 1952: 730, 1090, 2440 Hz; from memory), with a vibrato of 5.5 Hz and 40
// cents (common practice), and breath. Sung slower, its pitch is the same at the same places of the line.
Audio sung(double ratio, int rate = 48000) {
    constexpr double seconds = 4;
    Audio out;
    out.rate = rate;
    out.channels.resize(1);
    auto& x = out.channels[0];
    std::mt19937 random(3);
    std::normal_distribution<double> breath(0, 0.0015);
    double phase = 0;
    const auto frames = static_cast<std::size_t>(std::llround(seconds * ratio * rate));
    for (std::size_t i = 0; i < frames; ++i) {
        const double t = double(i) / rate / ratio; // place in the line
        const auto glide = [&](double at) { return 0.5 + 0.5 * std::tanh((t - at) / 0.04); };
        const double cents =
            300 * glide(1.3) - 500 * glide(2.6) + 40 * std::sin(2 * std::numbers::pi * 5.5 * t) * glide(0.4);
        const double hertz = 196 * std::exp2(cents / 1200);
        phase += 2 * std::numbers::pi * hertz / rate;
        double sum = 0;
        for (int k = 1; k * hertz < 6000; ++k) {
            double gain = 0.02;
            const auto formant = [&](double centre, double width, double strength) {
                gain += strength / (1 + std::pow((k * hertz - centre) / width, 2));
            };
            formant(730, 80, 1);
            formant(1090, 90, 0.6);
            formant(2440, 130, 0.3);
            sum += gain / std::pow(k, 0.7) * std::sin(k * phase);
        }
        const double level = std::min({1.0, t / 0.05, (seconds - t) / 0.05});
        x.push_back(static_cast<float>(0.15 * level * sum + level * breath(random)));
    }
    return out;
}

Audio stretched(const Audio& a, double ratio, const stretch::Settings& settings) {
    return *support::stretched(a, ratio, settings);
}

// A tone with noise of which it is known how far the harmonics stand out of it. The method's own paper finds tones
// in noise to about a third of a decibel (Boersma 1993, from memory).
TEST(Singing, TheMeasureItselfIsTrue) {
    std::mt19937 random(1);
    for (const double harmonics : {10.0, 20.0, 30.0}) {
        Audio a;
        a.rate = 48000;
        a.channels.resize(1);
        std::normal_distribution<double> noise(0, std::sqrt(0.02 * std::pow(10, -harmonics / 10)));
        for (int i = 0; i < 2 * a.rate; ++i)
            a.channels[0].push_back(
                static_cast<float>(0.2 * std::sin(2 * std::numbers::pi * 220 * i / a.rate) + noise(random)));
        std::vector<double> heard;
        std::vector<double> pitches;
        for (const support::Voiced& v : support::voiceOf(a))
            if (v.hertz > 0) {
                heard.push_back(v.harmonics);
                pitches.push_back(v.hertz);
            }
        ASSERT_GT(heard.size(), 150U);
        EXPECT_NEAR(quantile(heard, 0.5), harmonics, 0.5);
        EXPECT_NEAR(quantile(pitches, 0.5), 220, 0.3) << "two cents and a little";
    }
}

TEST(Singing, DoubledPeriodsAndShiftedPitchShow) {
    const Audio voice = sung(1);
    Audio rough = voice;
    // Every second period louder: what a splice at the wrong period does.
    for (std::size_t i = 0; i < rough.channels[0].size(); ++i)
        rough.channels[0][i] *= i * 196 / 48000 % 2 == 0 ? 1.0F : 0.6F;
    EXPECT_LT(quantile(support::voiceOff(rough, voice).harmonics, 0.5), -3);
    EXPECT_GT(quantile(support::voiceOff(sung(1.01), voice).cents, 0.9), 2);
}

TEST(Singing, AStretchedVoiceKeepsItsHarmonicsAndItsPitch) {
    for (const double ratio : {0.8, 0.9, 1.15, 1.4}) {
        const Audio truth = sung(ratio);
        const support::VoiceOff off = support::voiceOff(stretched(sung(1), ratio, {Method::Sung}), truth);
        ASSERT_GT(off.cents.size(), 200U);
        EXPECT_LT(quantile(off.cents, 0.5), 2) << "× " << ratio;
        EXPECT_LT(quantile(off.cents, 0.9), 3) << "× " << ratio;
        EXPECT_NEAR(quantile(off.harmonics, 0.5), 0, 0.5) << "× " << ratio;
    }
}

TEST(Singing, IsNoRougherThanByAReferenceInTheSameRun) {
    const double ratio = 1.15;
    const Audio truth = sung(ratio);
    const auto off = support::voiceOff(stretched(sung(1), ratio, {Method::Sung}), truth);
    const auto theirs = support::voiceOff(reference::soundTouch(sung(1), ratio), truth);
    EXPECT_LT(quantile(off.cents, 0.9), quantile(theirs.cents, 0.9));
    EXPECT_GT(quantile(off.harmonics, 0.1), quantile(theirs.harmonics, 0.1));
}

} // namespace
