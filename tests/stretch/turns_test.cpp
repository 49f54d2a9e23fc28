// What the bins of a vocoder's frame are turned by.
#include "stretch/bins.h"
#include "stretch/turns.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>
#include <random>

namespace {

using namespace stretch;
using Spectrum = std::vector<std::complex<float>>;

constexpr std::size_t bins = 33; // not in whole fours

Spectrum noise(unsigned seed, std::size_t count = bins) {
    std::mt19937 random(seed);
    std::normal_distribution<float> normal;
    Spectrum spectrum(count);
    for (auto& x : spectrum)
        x = {normal(random), normal(random)};
    return spectrum;
}

// With room for four more.
std::vector<float> powerOf(const std::vector<Spectrum>& channels) {
    std::vector<float> power(channels.front().size() + 4);
    for (const Spectrum& each : channels)
        for (std::size_t b = 0; b < each.size(); ++b)
            power[b] += std::norm(each[b]);
    return power;
}

Spectrum times(Spectrum spectrum, std::complex<float> factor) {
    for (auto& x : spectrum)
        x *= factor;
    return spectrum;
}

// The turns that lead on from frames as recorded, `last`, to those whose past is `past`.
Turns ledOn(const std::vector<Spectrum>& last, const std::vector<Spectrum>& past, Turns turns = Turns(bins)) {
    Turning turning(bins);
    for (std::size_t c = 0; c < last.size(); ++c)
        turning.compare(c, last[c], past[c]);
    const auto power = powerOf(past);
    Regions regions(bins);
    regions.find(std::span(power).first(bins));
    turning.find(regions, power, powerOf(last), turns);
    for (std::size_t b = 0; b < regions.offsetEnd(); ++b)
        EXPECT_EQ(turns.at(b), 1.0F) << "an offset is not turned";
    return turns;
}

void expectFromThirdOn(const Turns& turns, std::complex<float> factor, double within) {
    for (std::size_t b = 3; b < bins; ++b)
        EXPECT_NEAR(std::abs(turns.at(b) - factor), 0, within) << b;
}

// Power rises over the first three bins, so that there is no offset.
Spectrum lowAtFirst(Spectrum spectrum) {
    for (std::size_t b = 0; b < 3; ++b)
        spectrum[b] *= 0.01F * float(b) / std::abs(spectrum[b]);
    return spectrum;
}

TEST(Turns, AFrameWhosePastIsWhatWasPutOutButTurnedIsTurnedBack) {
    const std::complex<float> angle = std::polar(1.0F, 0.7F);
    const Spectrum left = lowAtFirst(noise(1));
    const Spectrum right = lowAtFirst(noise(2));
    const Turns turns = ledOn({times(left, angle), times(right, angle)}, {left, right});
    expectFromThirdOn(turns, angle, 1e-5);
}

TEST(Turns, WhatTheLastFrameWasTurnedByGoesOn) {
    const std::complex<float> angle = std::polar(1.0F, -2.0F);
    const Spectrum one = lowAtFirst(noise(3));
    const Turns before = ledOn({times(one, angle)}, {one});
    expectFromThirdOn(ledOn({one}, {one}, before), angle, 1e-5);
}

TEST(Turns, WhatHasNoPastBeginsAsRecorded) {
    const Spectrum one = lowAtFirst(noise(4));
    Turning turning(bins);
    turning.compare(0, times(one, std::polar(1.0F, 1.0F)), times(one, 0.01F));
    const auto power = powerOf({one});
    Regions regions(bins);
    regions.find(std::span(power).first(bins));
    Turns turns(bins);
    turning.find(regions, power, power, turns);
    expectFromThirdOn(turns, 1.0F, 0);
}

TEST(Turns, WhatFitsItsPastBadlyIsRaised) {
    const Spectrum last = lowAtFirst(noise(5));
    const Turns turns = ledOn({last}, {lowAtFirst(noise(6))});
    double greatest = 0;
    for (std::size_t b = 0; b < bins; ++b)
        greatest = std::max(greatest, double(std::abs(turns.at(b))));
    EXPECT_GT(greatest, 1.05);
    // Of frames with a likeness of 0.3, three deep, what is lost.
    EXPECT_LE(greatest, std::sqrt(2.25 / (1.125 + 0.3 + 0.125 * 0.09)) + 1e-5);

    Turns flat = turns;
    flat.flatten();
    for (std::size_t b = 0; b < bins; ++b) {
        EXPECT_NEAR(std::abs(flat.at(b)), 1, 1e-5);
        EXPECT_NEAR(std::abs(std::arg(flat.at(b) * std::conj(turns.at(b)))), 0, 1e-5);
    }
}

TEST(Turns, AreLedOverInAsManyFramesAsAreLeft) {
    const Spectrum one = lowAtFirst(noise(7));
    Turns turns = ledOn({times(one, std::polar(1.0F, 2.0F))}, {one});
    const Turns goal = ledOn({times(one, std::polar(1.0F, -0.5F))}, {one});
    for (std::int64_t left = 4; left >= 1; --left) {
        turns.lead(goal, left);
        // A fifth of the way from 2 to −0.5 with every one of the four, and the last fifth is the goal's own frame.
        expectFromThirdOn(turns, std::polar(1.0F, float(2.0 - 0.5 * double(5 - left))), 1e-4);
    }
}

TEST(Turns, SomeBinsCanBeginAsRecorded) {
    const Spectrum one = lowAtFirst(noise(8));
    Turns turns = ledOn({times(one, std::polar(1.0F, 2.0F))}, {one});
    std::vector<std::int32_t> begin(bins + 4);
    begin[7] = begin[32] = -1;
    turns.none(begin);
    EXPECT_EQ(turns.at(7), 1.0F);
    EXPECT_EQ(turns.at(32), 1.0F);
    EXPECT_NEAR(std::arg(turns.at(8)), 2, 1e-4);
    turns.none();
    expectFromThirdOn(turns, 1.0F, 0);
}

TEST(Turns, TheProductIsThatOfEveryBinByItself) {
    const Spectrum one = lowAtFirst(noise(9));
    const Turns turns = ledOn({lowAtFirst(noise(10))}, {one});
    Spectrum product(bins);
    turns.turn(one, product);
    for (std::size_t b = 0; b < bins; ++b)
        EXPECT_NEAR(std::abs(product[b] - one[b] * turns.at(b)), 0, 1e-5) << b;
}

TEST(Bins, LoopsOverThemGiveWhatOneAfterAnotherGives) {
    for (std::size_t count = 1; count < 14; ++count) {
        const Spectrum x = noise(unsigned(count), count);
        std::vector<float> power(count);
        setPower(x, power.data());
        addPower(x, power.data());
        std::vector<float> by(count);
        for (std::size_t b = 0; b < count; ++b)
            by[b] = float(b) - 2;
        Spectrum scaled(count);
        scale(x, by.data(), scaled);
        std::vector<float> sum(count, 1.0F);
        addShaped(power.data(), by.data(), count, sum.data());
        for (std::size_t b = 0; b < count; ++b) {
            EXPECT_FLOAT_EQ(power[b], 2 * std::norm(x[b]));
            EXPECT_EQ(scaled[b], x[b] * by[b]);
            EXPECT_FLOAT_EQ(sum[b], 1 + power[b] * by[b]);
        }
    }
}

} // namespace
