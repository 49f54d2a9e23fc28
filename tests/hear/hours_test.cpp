// What goes on for long and says little, and what changes on the way. Minutes in each run of the tests; hours by
// tools/harsh.sh, which sets PM_MINUTES.
#include "hear/listen.h"
#include "support/audio.h"

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <gtest/gtest.h>
#include <random>

namespace {

using sound::Audio;

constexpr int rate = 44100;

double minutes() {
    const char* said = std::getenv("PM_MINUTES");
    return said != nullptr ? std::max(1.0, std::atof(said)) : 12;
}

// Blocks of a second, one after the other, as they come out of a file.
class Long {
  public:
    void add(const Audio& audio) { EXPECT_TRUE(recorder_.addMono(audio.channels[0].data(), audio.frames().value)); }
    void again(const Audio& audio, double seconds) {
        const auto frames = static_cast<std::int64_t>(seconds * rate);
        for (std::int64_t at = 0; at < frames; at += audio.frames().value)
            EXPECT_TRUE(recorder_.addMono(audio.channels[0].data(), std::min(audio.frames().value, frames - at)));
    }
    hear::Heard heard() {
        const hear::Recording recording = *recorder_.finished();
        return hear::listen(recording, hear::onsets(recording));
    }

  private:
    hear::Recorder recorder_{rate, 1};
};

Audio drums(double bpm, int beats, int beatsInBar) {
    return support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm, beatsInBar, rate);
}

// How far the beats heard between two moments lie from those that begin at `first`, the middle one.
double besides(const hear::Heard& h, double first, double bpm, double from, double to) {
    std::vector<double> offs;
    for (const double beat : h.beats) {
        if (beat < from || beat > to) continue;
        const double place = (beat - first) * bpm / 60;
        offs.push_back(std::abs(place - std::round(place)) * 60 / bpm);
    }
    if (offs.size() < 8) return 1;
    std::nth_element(offs.begin(), offs.begin() + std::ptrdiff_t(offs.size() / 2), offs.end());
    return offs[offs.size() / 2];
}

TEST(Hours, OfNoiseHaveNoBeat) {
    Long recording;
    for (int second = 0; second < 60 * minutes(); ++second)
        recording.add(support::noise(1, rate, 1, unsigned(second), 0.2));
    EXPECT_FALSE(recording.heard().bpm);
}

TEST(Hours, OfSilenceHaveNoBeat) {
    Long recording;
    recording.again(support::silence(1, rate), 60 * minutes());
    const hear::Heard h = recording.heard();
    EXPECT_FALSE(h.bpm);
    EXPECT_TRUE(h.onsets.empty());
}

TEST(Hours, OfOneChordHaveNoBeat) {
    // Whole periods in a second, so that no seam is heard.
    Audio chord = support::silence(1, rate);
    for (const double hertz : {147.0, 220.0, 349.0}) {
        const Audio tone = support::sine(hertz, 1, rate, 1, 0.1);
        for (std::size_t i = 0; i < chord.channels[0].size(); ++i)
            chord.channels[0][i] += tone.channels[0][i];
    }
    Long recording;
    recording.again(chord, 60 * minutes());
    EXPECT_FALSE(recording.heard().bpm);
}

TEST(Hours, ThatChangeTheirTempoOnceAreNotSteadyAndFollowBoth) {
    constexpr double slow = 96;
    constexpr double fast = 120;
    const double half = 16 * 60 / slow * std::round(30 * minutes() / (16 * 60 / slow));
    Long recording;
    recording.again(drums(slow, 16, 4), half);
    recording.again(drums(fast, 16, 4), half);
    const hear::Heard h = recording.heard();
    ASSERT_TRUE(h.bpm);
    EXPECT_FALSE(h.steady);
    EXPECT_LT(besides(h, 0, slow, 0, half - 10), 0.02);
    EXPECT_LT(besides(h, half, fast, half + 10, 2 * half), 0.02);
}

TEST(Hours, ThatChangeTheirMetreOnceKeepTheirBeats) {
    constexpr double bpm = 104;
    const double half = 12 * 60 / bpm * std::round(30 * minutes() / (12 * 60 / bpm));
    Long recording;
    recording.again(drums(bpm, 12, 4), half);
    recording.again(drums(bpm, 12, 3), half);
    const hear::Heard h = recording.heard();
    ASSERT_TRUE(h.bpm);
    EXPECT_TRUE(h.steady);
    EXPECT_NEAR(h.bpm->value, bpm, 0.01);
    EXPECT_LT(besides(h, 0, bpm, 0, 2 * half), 0.01);
    ASSERT_TRUE(h.metre);
    EXPECT_TRUE(h.metre->beats == 3 || h.metre->beats == 4);
}

TEST(Hours, WithABeginningOfSixMinutesSayWhereTheBeatComesIn) {
    constexpr double bpm = 100;
    const double intro = 150 * 4 * 60 / bpm; // six minutes
    Audio held = support::sine(220, 1, rate, 1, 0.05);
    Long recording;
    recording.again(held, intro);
    recording.again(drums(bpm, 16, 4), std::max(4.0, minutes() - 6) * 60);
    const hear::Heard h = recording.heard();
    ASSERT_TRUE(h.bpm);
    EXPECT_TRUE(h.steady);
    EXPECT_NEAR(h.bpm->value, bpm, 0.01);
    EXPECT_LT(besides(h, intro, bpm, intro, 1e9), 0.01);
    ASSERT_TRUE(h.comesIn);
    EXPECT_NEAR(*h.comesIn, intro, 4 * 60 / bpm + 0.05) << "to a bar";
}

TEST(Hours, ThatFadeInFromNothingAreReadFromWhatIsLoud) {
    constexpr double bpm = 116;
    const Audio loop = drums(bpm, 16, 4);
    const double seconds = 60 * minutes();
    Long recording;
    double at = 0;
    for (; at < seconds; at += loop.length().value) {
        Audio part = loop;
        for (std::size_t i = 0; i < part.channels[0].size(); ++i) {
            const double share = std::min(1.0, (at + double(i) / rate) / 60); // a minute long
            part.channels[0][i] *= static_cast<float>(share * share * share);
        }
        recording.add(part);
    }
    const hear::Heard h = recording.heard();
    ASSERT_TRUE(h.bpm);
    EXPECT_TRUE(h.steady);
    EXPECT_NEAR(h.bpm->value, bpm, 0.01);
    EXPECT_LT(besides(h, 0, bpm, 60, seconds), 0.01);
}

TEST(Hours, OfOneLoopReadAsTheLoopDoes) {
    constexpr double bpm = 112;
    Long recording;
    recording.again(drums(bpm, 16, 4), 60 * minutes());
    const hear::Heard h = recording.heard();
    ASSERT_TRUE(h.bpm);
    EXPECT_TRUE(h.steady);
    EXPECT_NEAR(h.bpm->value, bpm, 0.01);
    EXPECT_EQ(h.beatsInBar, 4);
    const double last = h.beats.back() * bpm / 60;
    EXPECT_NEAR(last, std::round(last), 0.02);
}

} // namespace
