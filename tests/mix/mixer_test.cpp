// The mixer against its formulas.
#include "mix/mixer.h"

#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace {

using namespace mix;
using project::Channels;
using project::Fade;

sound::AudioPtr flat(float left, float right, std::int64_t frames) {
    auto audio = std::make_shared<sound::Audio>(48000, 2, Frames(frames));
    std::fill(audio->channels[0].begin(), audio->channels[0].end(), left);
    std::fill(audio->channels[1].begin(), audio->channels[1].end(), right);
    return audio;
}

std::vector<float> mixed(const Scene& scene, std::int64_t from, int n) {
    std::vector<float> out(2 * static_cast<std::size_t>(n), 99.0F);
    mix::mix(scene, from, out.data(), n);
    return out;
}

TEST(Mixer, AClipAsItIsComesThroughBitForBitInItsPlace) {
    Scene scene;
    const auto audio = std::make_shared<sound::Audio>(support::noise(0.1, 48000, 2));
    scene.clips.push_back(soundAt(Frames(-100), audio));
    const auto out = mixed(scene, -200, 6000);
    for (std::int64_t i = 0; i < 6000; ++i)
        for (std::size_t c = 0; c < 2; ++c) {
            const std::int64_t at = i - 100;
            const float expected = at >= 0 && at < 4800 ? audio->channels[c][static_cast<std::size_t>(at)] : 0.0F;
            ASSERT_EQ(out[2 * static_cast<std::size_t>(i) + c], expected) << i;
        }
}

// The stated law: equal power, 0 dB in the middle.
TEST(Mixer, PanKeepsThePowerAndTheMiddle) {
    const Gains middle = gainsOf(Channels::Stereo, 0, 0);
    EXPECT_EQ(middle, (Gains{1, 0, 0, 1}));
    for (const double pan : {-1.0, -0.7, -0.2, 0.3, 0.9, 1.0}) {
        const Gains g = gainsOf(Channels::Stereo, 0, pan);
        EXPECT_NEAR(g.leftFromLeft * g.leftFromLeft + g.rightFromRight * g.rightFromRight, 2, 1e-6) << pan;
        EXPECT_NEAR(g.rightFromRight / std::hypot(g.leftFromLeft, g.rightFromRight),
                    std::sin(std::numbers::pi * (pan + 1) / 4), 1e-6);
    }
    EXPECT_NEAR(gainsOf(Channels::Stereo, 0, -1).leftFromLeft, std::numbers::sqrt2, 1e-6);
    EXPECT_NEAR(gainsOf(Channels::Stereo, 0, -1).rightFromRight, 0, 1e-6);
    EXPECT_NEAR(gainsOf(Channels::Stereo, -6, 0).leftFromLeft, std::pow(10, -0.3), 1e-6);
}

TEST(Mixer, ChannelsAreChosen) {
    const auto heard = [](Channels channels) {
        Scene scene;
        SceneClip clip = soundAt(Frames(0), flat(0.25F, 0.75F, 10));
        clip.gains = gainsOf(channels, 0, 0);
        scene.clips.push_back(clip);
        const auto out = mixed(scene, 0, 1);
        return std::pair(out[0], out[1]);
    };
    EXPECT_EQ(heard(Channels::Stereo), std::pair(0.25F, 0.75F));
    EXPECT_EQ(heard(Channels::Mono), std::pair(0.5F, 0.5F));
    EXPECT_EQ(heard(Channels::Left), std::pair(0.25F, 0.25F));
    EXPECT_EQ(heard(Channels::Right), std::pair(0.75F, 0.75F));
    EXPECT_EQ(heard(Channels::Swapped), std::pair(0.75F, 0.25F));
}

TEST(Mixer, FadesFollowTheirFormulas) {
    for (const auto shape : {Fade::Shape::Linear, Fade::Shape::EqualPower}) {
        Scene scene;
        SceneClip clip = soundAt(Frames(1000), flat(1, 1, 10000));
        clip.fadeIn = Frames(2000);
        clip.fadeOut = Frames(4000);
        clip.fadeInShape = clip.fadeOutShape = shape;
        scene.clips.push_back(clip);
        const auto out = mixed(scene, 1000, 10000);
        const auto curve = [&](double x) {
            return shape == Fade::Shape::Linear ? x : std::sin(x * std::numbers::pi / 2);
        };
        for (std::size_t i = 0; i < 10000; ++i) {
            double expected = 1;
            if (i < 2000) expected *= curve(double(i) / 2000);
            if (i >= 6000) expected *= curve(double(10000 - i) / 4000);
            ASSERT_NEAR(out[2 * i], expected, 1e-6) << i;
        }
    }
    // Two that cross with equal power add up to the same power all the way.
    for (int i = 0; i <= 100; ++i) {
        const double rising = fadeFactor(Fade::Shape::EqualPower, i, 100);
        const double falling = fadeFactor(Fade::Shape::EqualPower, 100 - i, 100);
        EXPECT_NEAR(rising * rising + falling * falling, 1, 1e-6);
    }
}

TEST(Mixer, APieceOfAClipHasTheFadesOfTheWhole) {
    Scene whole;
    SceneClip clip = soundAt(Frames(0), flat(1, 1, 9000));
    clip.fadeIn = Frames(5000);
    clip.fadeOut = Frames(3000);
    whole.clips.push_back(clip);
    Scene pieces;
    for (const auto& [from, to] : {std::pair(0, 2000), std::pair(2000, 7000), std::pair(7000, 9000)}) {
        SceneClip piece = clip;
        piece.at = Frames(from);
        piece.audio = flat(1, 1, to - from);
        pieces.clips.push_back(piece);
    }
    EXPECT_EQ(mixed(whole, 0, 9000), mixed(pieces, 0, 9000));
}

TEST(Mixer, HoweverARangeIsCutItComesOutTheSame) {
    Scene scene;
    scene.tempo = *metre::TempoMap::make({{Beats(0), metre::Bpm(90), metre::TempoPoint::Shape::Ramp},
                                          {Beats(9), metre::Bpm(150), metre::TempoPoint::Shape::Hold}});
    scene.click = clickAt(48000);
    for (int i = 0; i < 7; ++i) {
        SceneClip clip =
            soundAt(Frames(5000 * i), std::make_shared<sound::Audio>(support::noise(0.4, 48000, 2, unsigned(i))));
        clip.gains = gainsOf(Channels::Swapped, -3.0 * i, 0.2 * i - 0.5);
        clip.fadeIn = Frames(400 * i);
        clip.fadeOut = Frames(1000);
        scene.clips.push_back(clip);
    }
    const auto whole = mixed(scene, -1000, 60000);
    for (const int block : {1, 32, 333, 4096}) {
        std::vector<float> parts;
        for (int at = 0; at < 60000; at += block) {
            const auto part = mixed(scene, at - 1000, std::min(block, 60000 - at));
            parts.insert(parts.end(), part.begin(), part.end());
        }
        ASSERT_EQ(parts, whole) << block;
    }
}

TEST(Mixer, TheClickSoundsAtTheScenesOwnRate) {
    for (const int rate : {44100, 48000, 96000}) {
        Scene scene;
        scene.rate = rate;
        scene.tempo = metre::TempoMap(metre::Bpm(60));
        scene.click = clickAt(rate);
        const auto out = mixed(scene, 0, 2 * rate);
        sound::Audio first(rate, 1, Frames(rate * 8 / 1000));
        for (std::size_t i = 0; i < first.channels[0].size(); ++i)
            first.channels[0][i] = out[2 * i];
        EXPECT_NEAR(support::frequencyOf(first, 1760), 1760, 60) << rate;
        float before = 0;
        for (std::size_t i = static_cast<std::size_t>(rate) / 2; i < static_cast<std::size_t>(rate); ++i)
            before = std::max(before, std::abs(out[2 * i]));
        EXPECT_EQ(before, 0.0F) << "silence until the second beat";
        EXPECT_GT(std::abs(out[2 * (static_cast<std::size_t>(rate) + 20)]), 0.01F);
        scene.clickGain = 0.5F;
        EXPECT_NEAR(mixed(scene, 0, 100)[2 * 50], out[2 * 50] / 2, 1e-6);
    }
}

TEST(Mixer, WhatGoesOnAcrossAnEdgeIsTakenApart) {
    Scene scene;
    scene.clips.push_back(soundAt(Frames(0), flat(0.5F, 0.5F, 1000)));    // across 400
    scene.clips.push_back(soundAt(Frames(400), flat(0.25F, 0.25F, 600))); // begins there
    std::vector<float> across(20, 0.0F);
    mix::add(scene, 400, across.data(), 10, {Take::Which::Across, 400, {1, -0.1F}});
    EXPECT_FLOAT_EQ(across[0], 0.5F);
    EXPECT_FLOAT_EQ(across[2 * 5], 0.25F);
    std::vector<float> rising(20, 0.0F);
    mix::add(scene, 400, rising.data(), 10, {Take::Which::RiseAcross, 400, {0, 0.1F}});
    EXPECT_FLOAT_EQ(rising[0], 0.25F) << "what begins there is there at once";
    EXPECT_FLOAT_EQ(rising[2 * 5], 0.25F + 0.25F);
}

// Thousands of pieces on a few tracks, overlapping: arranged, the mix is the same as by looking at each.
TEST(Mixer, AnArrangedSceneSoundsTheSame) {
    Scene plain;
    std::uint32_t state = 5;
    const auto dice = [&](std::uint32_t n) {
        state = state * 1664525U + 1013904223U;
        return (state >> 8) % n;
    };
    for (std::size_t track = 0; track < 4; ++track)
        for (int i = 0; i < 500; ++i) {
            const auto length = 0.001 * (1 + dice(400));
            SceneClip clip =
                soundAt(Frames(static_cast<std::int64_t>(dice(200000)) - 5000),
                        std::make_shared<const sound::Audio>(support::noise(length, 48000, 1, dice(9) + 1)));
            clip.track = track;
            plain.clips.push_back(clip);
        }
    Scene arranged = plain;
    arranged.arrange();
    for (const std::int64_t from : {-6000, 0, 1234, 100000, 203000}) {
        std::vector<float> a(2 * 700);
        std::vector<float> b(2 * 700);
        mix::mix(plain, from, a.data(), 700);
        mix::mix(arranged, from, b.data(), 700);
        for (std::size_t i = 0; i < a.size(); ++i)
            ASSERT_NEAR(a[i], b[i], 1e-4) << from << " " << i;
    }
}

} // namespace
