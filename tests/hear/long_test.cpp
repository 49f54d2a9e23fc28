// Length alone changes nothing, and costs no more than it must.
#include "hear/listen.h"
#include "hear/loop_fit.h"
#include "hear/track.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>
#include <stop_token>

namespace {

// The pins by their definition: from each pin on, the farthest beat for which all beats between lie within the
// tolerance of the line to it, looked for until a line misses one of them by eight times as much.
std::vector<metre::Pin> byDefinition(const std::vector<double>& beats, double tolerance) {
    std::vector<metre::Pin> pins = {{metre::Seconds(beats[0]), metre::Beats(0)}};
    for (std::size_t from = 0; from + 1 < beats.size();) {
        std::size_t to = from + 1;
        for (std::size_t far = from + 2; far < beats.size(); ++far) {
            double worst = 0;
            for (std::size_t i = from + 1; i < far; ++i) {
                const double share = double(i - from) / double(far - from);
                worst = std::max(worst, std::abs(beats[from] + (beats[far] - beats[from]) * share - beats[i]));
            }
            if (worst <= tolerance) to = far;
            if (worst > 8 * tolerance) break;
        }
        pins.push_back({metre::Seconds(beats[to]), metre::Beats(double(to))});
        from = to;
    }
    return pins;
}

TEST(Pins, AreThoseOfTheirDefinition) {
    std::mt19937 random(5);
    for (int piece = 0; piece < 60; ++piece) {
        std::normal_distribution<double> off(0, piece % 3 == 0 ? 0.001 : piece % 3 == 1 ? 0.004 : 0.02);
        std::vector<double> beats;
        double tempo = 0.5;
        double at = 0.3;
        for (int b = 0; b < 120; ++b) {
            beats.push_back(at + off(random));
            if (piece % 4 == 0) tempo *= 1 + 0.1 * off(random);
            at += tempo;
        }
        std::sort(beats.begin(), beats.end());
        EXPECT_EQ(hear::pinsThrough(beats, 0, 0.003), byDefinition(beats, 0.003)) << piece;
    }
}

// Ten thousand beats near a click: by the definition 10¹⁰ steps.
TEST(Pins, OfHoursAreFoundInTheTimeThatTheirNumberTakes) {
    std::mt19937 random(6);
    std::normal_distribution<double> off(0, 0.002);
    std::vector<double> beats;
    for (int b = 0; b < 20'000; ++b)
        beats.push_back(0.5 * b + off(random));
    const auto pins = hear::pinsThrough(beats, 0, 0.003);
    EXPECT_GT(pins.size(), 100U);
    EXPECT_EQ(pins.back().at.value, beats.back());
}

// A loop again and again, for so many seconds.
hear::Recording again(const sound::Audio& loop, double seconds) {
    hear::Recorder recorder(loop.rate, 1);
    const auto frames = static_cast<std::int64_t>(seconds * loop.rate);
    for (std::int64_t at = 0; at < frames; at += loop.frames().value)
        EXPECT_TRUE(recorder.addMono(loop.channels[0].data(), loop.frames().value));
    return *recorder.finished();
}

sound::Audio loopAt(double bpm) {
    return support::drumLoop(support::steadyBeats(bpm, 16), 16 * 60 / bpm, 4, 44100);
}

TEST(Length, OfTheSameLoopChangesNoReading) {
    constexpr double bpm = 112;
    const sound::Audio loop = loopAt(bpm);
    for (const double minutes : {1 / 6.0, 1.0, 10.0, 30.0}) {
        SCOPED_TRACE(minutes);
        const hear::Recording recording = again(loop, minutes * 60);
        const hear::Heard heard = hear::listen(recording, hear::onsets(recording));
        ASSERT_TRUE(heard.bpm);
        EXPECT_TRUE(heard.steady);
        EXPECT_NEAR(heard.bpm->value, bpm, 0.01);
        EXPECT_EQ(heard.beatsInBar, 4);
        EXPECT_NEAR(heard.beats[heard.downbeat], 0, 0.005);
        EXPECT_GT(heard.sureness, 0.9);
        // The last beats are as right as the first.
        const double last = heard.beats.back() * bpm / 60;
        EXPECT_NEAR(last, std::round(last), 0.02);
    }
}

TEST(Length, EachStepOfListeningEndsWhenItIsStopped) {
    const hear::Recording recording = again(loopAt(97), 5 * 60);
    const auto onsets = hear::onsets(recording);
    std::stop_source stop;
    const base::Progress stopped{{}, stop.get_token()};
    const hear::Curves curves = hear::curves(hear::Mono(recording));
    const auto span = hear::spanOf(curves.strength, recording.length().value);
    const auto events = hear::events(onsets, hear::Recording::rate, curves);
    const auto count = [&] {
        return hear::loopWays(events, curves.strength, span, metre::Bpm(97), stopped).list.size();
    };
    EXPECT_GT(count(), 10U);
    EXPECT_FALSE(hear::trackedBeats(events, curves.strength, span, metre::Bpm(97), stopped).empty());
    stop.request_stop();
    EXPECT_EQ(count(), 1U);
    EXPECT_TRUE(hear::trackedBeats(events, curves.strength, span, metre::Bpm(97), stopped).empty());
    EXPECT_FALSE(hear::listen(recording, onsets, {}, stopped).bpm);
}

} // namespace
