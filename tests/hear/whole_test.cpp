// Whole songs made here: what is steady where drums play is steady everywhere, whatever stands before, between and
// behind them.
#include "hear/listen.h"

#include "support/audio.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace {

using sound::Audio;

constexpr int rate = 44100;

hear::Heard listenTo(const Audio& audio) {
    return hear::listen(audio, hear::onsets(audio));
}

void add(Audio& to, const Audio& what, double at, double level = 1) {
    const auto first = static_cast<std::size_t>(std::llround(at * rate));
    for (std::size_t i = 0; i < what.channels[0].size() && first + i < to.channels[0].size(); ++i)
        to.channels[0][first + i] += static_cast<float>(level * double(what.channels[0][i]));
}

// A chord that swells and stays.
Audio held(double seconds) {
    Audio chord = support::silence(seconds, rate);
    for (std::size_t i = 0; i < chord.channels[0].size(); ++i) {
        const double t = double(i) / rate;
        const double swell = std::min({1.0, t / 1.5, std::max(0.0, seconds - t) / 0.5});
        for (const double hertz : {146.8, 220.0, 349.2})
            chord.channels[0][i] += static_cast<float>(0.08 * swell * std::sin(2 * std::numbers::pi * hertz * t));
    }
    return chord;
}

Audio drums(double bpm, int bars, int beatsInBar = 4) {
    const double beat = 60 / bpm;
    const int beats = bars * beatsInBar;
    return support::drumLoop(support::steadyBeats(bpm, beats), beats * beat, beatsInBar, rate);
}

double away(const hear::Heard& h, double bpm) {
    return h.bpm ? std::abs(h.bpm->value / bpm - 1) : 1;
}

// How far the beats between two moments lie from those that begin at `first`, at most.
double worstBeat(const hear::Heard& h, double first, double bpm, double from, double to) {
    double worst = 0;
    int count = 0;
    for (const double beat : h.beats) {
        if (beat < from || beat > to) continue;
        const double place = (beat - first) * bpm / 60;
        worst = std::max(worst, std::abs(place - std::round(place)) * 60 / bpm);
        ++count;
    }
    return count < 8 ? 1 : worst;
}

// How far the first downbeat lies from the nearest bar line of those that begin at `first`.
double besideBar(const hear::Heard& h, double first, double bpm, int beatsInBar = 4) {
    if (h.beats.empty()) return 1;
    const double bar = beatsInBar * 60 / bpm;
    const double place = (h.beats[h.downbeat] - first) / bar;
    return std::abs(place - std::round(place)) * bar;
}

TEST(WholeSongs, AreCarriedOverFromTheDrumsToABeginningThatSaysLittle) {
    constexpr double bpm = 96.3;
    constexpr double intro = 10; // seconds: no whole number of bars
    const Audio body = drums(bpm, 24);
    const double length = intro + body.length().value;
    const std::vector<std::pair<const char*, Audio>> beginnings = {
        {"silence", support::silence(intro, rate)},
        {"noise", support::noise(intro, rate, 1, 3, 0.1)},
        {"a held chord", held(intro)},
        {"a soft held chord", [] {
             Audio soft = held(intro);
             for (float& x : soft.channels[0])
                 x *= 0.02F;
             return soft;
         }()}};
    for (const auto& [name, beginning] : beginnings) {
        SCOPED_TRACE(name);
        Audio song = support::silence(length, rate);
        add(song, beginning, 0);
        add(song, body, intro);
        const hear::Heard h = listenTo(song);
        EXPECT_TRUE(h.steady);
        EXPECT_LT(away(h, bpm), 0.001) << "heard " << (h.bpm ? h.bpm->value : 0);
        EXPECT_LT(worstBeat(h, intro, bpm, intro, length - 1), 0.01);
        EXPECT_LT(besideBar(h, intro, bpm), 0.02);
    }
}

TEST(WholeSongs, GoOnThroughABreakAndAHeldEnding) {
    constexpr double bpm = 118;
    constexpr double bar = 4 * 60 / bpm;
    const Audio body = drums(bpm, 10);
    Audio song = support::silence(32 * bar, rate);
    add(song, body, 0);
    add(song, held(8 * bar), 10 * bar);
    add(song, body, 18 * bar);
    add(song, held(4 * bar), 28 * bar);
    const hear::Heard h = listenTo(song);
    EXPECT_TRUE(h.steady);
    EXPECT_LT(away(h, bpm), 0.0005);
    EXPECT_LT(worstBeat(h, 0, bpm, 0, 10 * bar), 0.01);
    EXPECT_LT(worstBeat(h, 0, bpm, 18 * bar, 28 * bar), 0.01) << "the same beats after the break";
    EXPECT_LT(besideBar(h, 0, bpm), 0.02);
}

TEST(WholeSongs, WithAPickUpBeginOnTheBarLineBeforeIt) {
    constexpr double bpm = 125;
    constexpr double beat = 60 / bpm;
    constexpr double first = 4 * 4 * beat; // where the drums come in, after four bars of silence
    const Audio body = drums(bpm, 16);
    Audio song = support::silence(first + body.length().value, rate);
    std::vector<std::int64_t> fill;
    for (int k = 0; k < 4; ++k)
        fill.push_back(std::llround((first - beat + k * beat / 4) * rate));
    add(song, support::strokes(fill, first, rate), 0, 0.6);
    add(song, body, first);
    const hear::Heard h = listenTo(song);
    EXPECT_TRUE(h.steady);
    EXPECT_LT(away(h, bpm), 0.0005);
    EXPECT_LT(besideBar(h, first, bpm), 0.02) << "the first downbeat is at " << h.beats[h.downbeat];
    EXPECT_LE(h.beats[h.downbeat], first - beat + 0.02) << "at or before the first sound";
}

TEST(WholeSongs, SayWhereTheirBeatComesIn) {
    constexpr double bpm = 100;
    constexpr double bar = 4 * 60 / bpm;
    const Audio body = drums(bpm, 16);
    for (const int intro : {0, 2, 5, 8}) {
        Audio song = support::silence((intro + 16) * bar, rate);
        add(song, held(intro * bar + 1), 0);
        add(song, body, intro * bar);
        const hear::Heard h = listenTo(song);
        SCOPED_TRACE(intro);
        ASSERT_TRUE(h.steady);
        EXPECT_EQ(h.comesIn.has_value(), intro > 0);
        if (!h.comesIn) continue;
        EXPECT_NEAR(*h.comesIn, intro * bar, 0.03);
        const std::string evidence = hear::heardReading(h).evidence;
        EXPECT_NE(evidence.find(" · beat from 0:"), std::string::npos) << evidence;
    }
}

TEST(WholeSongs, ThatDriftAreStillPlayedFree) {
    // Three per cent faster and slower again, over a minute.
    std::vector<double> beats{0};
    for (int b = 1; b < 110; ++b) {
        const double tempo = 105 * (1 + 0.03 * std::sin(2 * std::numbers::pi * b / 70));
        beats.push_back(beats.back() + 60 / tempo);
    }
    const Audio song = support::drumLoop(beats, beats.back() + 0.5, 4, rate);
    const hear::Heard h = listenTo(song);
    ASSERT_TRUE(h.bpm);
    EXPECT_FALSE(h.steady);
}

TEST(WholeSongs, OfTwoTemposAreNotSteady) {
    const Audio slow = drums(100, 14);
    const Audio fast = drums(103, 14);
    Audio song = support::silence(slow.length().value + fast.length().value, rate);
    add(song, slow, 0);
    add(song, fast, slow.length().value);
    const hear::Heard h = listenTo(song);
    ASSERT_TRUE(h.bpm);
    EXPECT_FALSE(h.steady) << "heard " << h.bpm->value << " throughout";
}

} // namespace
