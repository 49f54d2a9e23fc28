// Slices and drafts: attacks at their places, neither doubled nor swallowed, nothing stretched.
#include "stretch/draft.h"
#include "stretch/method.h"
#include "support/audio.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace {

using namespace stretch;

const std::vector<std::int64_t> strokesAt = {0, 24000, 40000, 72000, 96000, 110000};

struct Hits {
    Audio audio = support::strokes(strokesAt, 3);
    std::vector<Frames> attacks;
    Hits() {
        for (const std::int64_t a : strokesAt)
            attacks.emplace_back(a);
    }
    Material material() const { return {audio, attacks, true}; }
};

// The strokes of a rendering: where it becomes loud after a pause of silence or near it.
std::vector<std::int64_t> attacksHeardIn(const Audio& audio) {
    std::vector<std::int64_t> list;
    const auto& s = audio.channels[0];
    for (std::size_t i = 0; i < s.size(); ++i)
        if (std::abs(s[i]) > 0.2F && (list.empty() || static_cast<std::int64_t>(i) > list.back() + 9000))
            list.push_back(static_cast<std::int64_t>(i));
    return list;
}

TEST(Slices, EveryPieceIsAtItsPlaceAsItWasRecorded) {
    const Hits hits;
    for (const double ratio : {0.8, 0.95, 1.1, 1.3}) {
        const auto length = Frames(std::llround(144000 * ratio));
        const TimeMap map = *TimeMap::straight(Frames(144000), length);
        Settings settings;
        settings.slices = true;
        const auto out = render(hits.material(), map, settings);
        ASSERT_TRUE(out);
        ASSERT_EQ(out->frames(), length);
        const auto found = attacksHeardIn(*out);
        const auto there = attacksHeardIn(hits.audio);
        ASSERT_EQ(found.size(), there.size()) << ratio << ": none doubled, none swallowed";
        for (std::size_t i = 0; i < found.size(); ++i)
            EXPECT_NEAR(double(found[i]), double(strokesAt[i]) * ratio + double(there[i] - strokesAt[i]), 1.5);
        // The body of a piece is the recording, sample by sample.
        for (const std::size_t k : {1U, 3U}) {
            const auto at = std::llround(double(strokesAt[k]) * ratio);
            for (int i = 0; i < 8000; i += 13)
                ASSERT_EQ(out->channels[0][static_cast<std::size_t>(at + i)],
                          hits.audio.channels[0][static_cast<std::size_t>(strokesAt[k] + i)])
                    << ratio << " " << k << " " << i;
        }
    }
}

TEST(Slices, PiecesOfAnySizeAreTheWhole) {
    const Hits hits;
    Settings settings;
    settings.slices = true;
    settings.loop = true;
    const TimeMap map = *TimeMap::straight(Frames(144000), Frames(150001));
    const auto rendering = Rendering::plan(hits.material(), map, settings);
    ASSERT_TRUE(rendering);
    const auto whole = rendering->whole();
    for (const auto& [from, to] : {std::pair(0, 7), std::pair(24990, 26000), std::pair(75000, 150001)}) {
        const auto piece = rendering->piece(Frames(from), Frames(to));
        ASSERT_TRUE(piece);
        EXPECT_TRUE(
            std::equal(piece->channels[0].begin(), piece->channels[0].end(), whole->channels[0].begin() + from));
    }
}

TEST(Slices, ALoopGoesRoundWithoutAClick) {
    Audio tone = support::sine(400, 3); // 1200 periods: goes round by itself
    const std::vector<Frames> attacks = {Frames(0), Frames(48000), Frames(96000)};
    Settings settings;
    settings.slices = true;
    settings.loop = true;
    const auto out = render({tone, attacks, true}, *TimeMap::straight(Frames(144000), Frames(140000)), settings);
    ASSERT_TRUE(out);
    const auto& s = out->channels[0];
    float steepest = 0;
    for (std::size_t i = 0; i < s.size(); ++i)
        steepest = std::max(steepest, std::abs(s[(i + 1) % s.size()] - s[i]));
    EXPECT_LT(steepest, 0.5 * 2 * std::numbers::pi * 400 / 48000 * 3) << "no jump anywhere, at the seam neither";
}

TEST(Draft, AttacksLandWhereTheMapSays) {
    const Hits hits;
    for (const double ratio : {0.8, 1.0, 1.25}) {
        const TimeMap map = *TimeMap::straight(Frames(144000), Frames(std::llround(144000 * ratio)));
        const Audio out = draft(hits.material(), map, {}, Frames(0), map.outputLength());
        ASSERT_EQ(out.frames(), map.outputLength());
        const auto found = attacksHeardIn(out);
        const auto there = attacksHeardIn(hits.audio);
        ASSERT_EQ(found.size(), there.size()) << ratio;
        for (std::size_t i = 1; i < found.size(); ++i)
            EXPECT_NEAR(double(found[i]), double(strokesAt[i]) * ratio + double(there[i] - strokesAt[i]), 100)
                << ratio;
    }
}

TEST(Draft, AToneKeepsItsPitchAndLevel) {
    const Audio tone = support::sine(440, 3);
    const TimeMap map = *TimeMap::straight(Frames(144000), Frames(172800));
    const Audio out = draft({tone, {}, true}, map, {}, Frames(24000), Frames(120000));
    EXPECT_NEAR(support::cents(support::frequencyOf(out, 440), 440), 0, 12);
    EXPECT_NEAR(support::rmsDb(out), support::rmsDb(tone), 1.5);
    Settings up;
    up.semitones = 7;
    const Audio higher = draft({tone, {}, true}, map, up, Frames(24000), Frames(120000));
    EXPECT_NEAR(support::cents(support::frequencyOf(higher, 659.26), 659.26), 0, 12);
}

TEST(Draft, AsRecordedItIsTheRecording) {
    const Audio noise = support::noise(2);
    const TimeMap map = *TimeMap::straight(Frames(96000), Frames(96000));
    const Audio out = draft({noise, {}, true}, map, {}, Frames(10000), Frames(60000));
    for (std::size_t i = 0; i < out.channels[0].size(); i += 31)
        ASSERT_NEAR(out.channels[0][i], noise.channels[0][i + 10000], 1e-5);
}

} // namespace
