// Rendering in pieces: every piece has the bits of the whole, whatever the method and wherever it begins.
#include "stretch/method.h"
#include "support/audio.h"

#include <cmath>
#include <future>
#include <gtest/gtest.h>
#include <limits>
#include <random>

namespace {

using namespace stretch;
using support::Audio;

// Half a minute: strokes for ten seconds, then a chord that swells with no attack for a vocoder to begin again at,
// then both.
struct Sound {
    Audio audio{24000, 2, Frames(24000 * 30)};
    std::vector<Frames> attacks;
};

const Sound& longSound() {
    static const Sound sound = [] {
        Sound s;
        std::vector<std::int64_t> at;
        for (std::int64_t i = 1000; i < 24000 * 30; i += 9000)
            if (i < 24000 * 10 || i > 24000 * 25) at.push_back(i);
        s.audio = support::strokes(at, 30, 24000, 2);
        for (const std::int64_t a : at)
            s.attacks.emplace_back(a);
        for (std::size_t c = 0; c < 2; ++c)
            for (std::size_t i = 24000 * 8; i < s.audio.channels[c].size(); ++i) {
                const double t = double(i) / 24000;
                double x = 0;
                for (const double hertz : {110.0, 164.81, 207.65, 261.63, 440.5})
                    x += std::sin(2 * M_PI * hertz * t + 0.3 * std::sin(2 * M_PI * 0.7 * t) + double(c));
                s.audio.channels[c][i] += static_cast<float>(0.08 * x * (1 + 0.5 * std::sin(t)));
            }
        return s;
    }();
    return sound;
}

TimeMap bentMap(const Audio& a) {
    const std::int64_t n = a.frames().value;
    return *TimeMap::make({{Frames(0), Frames(0)},
                           {Frames(n / 3), Frames(n / 3 + 9000)},
                           {Frames(n / 2), Frames(n / 2 + 2000)},
                           {Frames(n), Frames(n + 31000)}});
}

void expectSame(const Audio& whole, const Audio& piece, std::int64_t from, const char* what) {
    for (std::size_t c = 0; c < whole.channels.size(); ++c)
        for (std::size_t i = 0; i < piece.channels[c].size(); ++i)
            ASSERT_EQ(piece.channels[c][i], whole.channels[c][static_cast<std::size_t>(from) + i])
                << what << ", channel " << c << ", frame " << from + std::int64_t(i);
}

struct Case {
    Method method;
    double semitones;
    bool loop;
};
std::string nameOf(const testing::TestParamInfo<Case>& p) {
    return std::string(methodLabel(p.param.method)) + (p.param.semitones != 0 ? "Transposed" : "") +
           (p.param.loop ? "Loop" : "");
}
std::vector<Case> cases() {
    std::vector<Case> list;
    for (const Method m : methods())
        for (const double semitones : {0.0, 3.0})
            for (const bool loop : {false, true})
                list.push_back({m, semitones, loop});
    return list;
}

class InPieces : public testing::TestWithParam<Case> {};
INSTANTIATE_TEST_SUITE_P(Every, InPieces, testing::ValuesIn(cases()), nameOf);

TEST_P(InPieces, AnyPieceIsThatOfTheWhole) {
    const Sound& s = longSound();
    const TimeMap map = bentMap(s.audio);
    const Settings settings{GetParam().method, GetParam().semitones, GetParam().loop};
    const auto rendering = Rendering::plan({s.audio, s.attacks}, map, settings);
    ASSERT_TRUE(rendering);
    const auto whole = rendering->whole();
    ASSERT_TRUE(whole);
    const std::int64_t n = rendering->length().value;
    ASSERT_EQ(whole->frames().value, n);

    std::mt19937 random(7);
    std::vector<std::pair<std::int64_t, std::int64_t>> spans = {{0, 1}, {0, 500}, {n - 1, n}, {n - 700, n}};
    for (int i = 0; i < 6; ++i) {
        const auto from = static_cast<std::int64_t>(random() % static_cast<unsigned>(n - 1));
        spans.emplace_back(from, std::min<std::int64_t>(n, from + 1 + random() % 30000));
    }
    for (const auto& [from, to] : spans) {
        const auto piece = rendering->piece(Frames(from), Frames(to));
        ASSERT_TRUE(piece);
        ASSERT_EQ(piece->frames().value, to - from);
        expectSame(*whole, *piece, from, "a piece");
    }
    // All pieces between cuts, side by side.
    std::vector<Frames> ends = rendering->cuts();
    ends.push_back(Frames(n));
    std::vector<std::future<Result<Audio>>> side;
    Frames from(0);
    for (const Frames to : ends) {
        if (from < to)
            side.push_back(std::async(std::launch::async, [&, from, to] { return rendering->piece(from, to); }));
        from = to;
    }
    std::int64_t at = 0;
    for (auto& made : side) {
        const auto piece = made.get();
        ASSERT_TRUE(piece);
        expectSame(*whole, *piece, at, "side by side");
        at += piece->frames().value;
    }
    EXPECT_EQ(at, n);
}

TEST_P(InPieces, ManyCutsAndFewFramesBeforeThem) {
    if (GetParam().loop && GetParam().semitones != 0) return; // the same cuts as without
    const Sound& s = longSound();
    const TimeMap map = bentMap(s.audio);
    const auto rendering =
        Rendering::plan({s.audio, s.attacks}, map, {GetParam().method, GetParam().semitones, GetParam().loop});
    ASSERT_TRUE(rendering);
    // A piece anywhere reaches back ten seconds and a half at most.
    std::int64_t last = 0;
    const std::int64_t most = std::llround(10.7 * s.audio.rate);
    for (const Frames cut : rendering->cuts()) {
        EXPECT_GT(cut.value, last);
        EXPECT_LE(cut.value - last, most);
        last = cut.value;
    }
    EXPECT_LE(rendering->length().value - last, most);
}

TEST(Rendering, ShortLoopsInPieces) {
    // Shorter than a window: the circle goes round several times within it.
    const Audio a = support::noise(0.11, 48000, 2);
    const std::vector<Frames> none;
    for (const Method m : methods()) {
        const auto map = TimeMap::straight(a.frames(), Frames(6100));
        const auto rendering = Rendering::plan({a, none}, *map, {m, 0, true});
        ASSERT_TRUE(rendering) << methodLabel(m);
        const auto whole = rendering->whole();
        ASSERT_TRUE(whole);
        for (const std::int64_t from : {0, 1234, 5000}) {
            const auto piece = rendering->piece(Frames(from), Frames(from + 1100));
            ASSERT_TRUE(piece);
            expectSame(*whole, *piece, from, methodLabel(m));
        }
    }
}

TEST(Rendering, CancelsAtAnyMomentOnSeveralThreads) {
    const Sound& s = longSound();
    const TimeMap map = bentMap(s.audio);
    for (const double moment : {0.0, 0.2, 0.6}) {
        std::stop_source stop;
        const auto rendering = Rendering::plan({s.audio, s.attacks}, map, {Method::Held});
        ASSERT_TRUE(rendering);
        const auto work = [&] {
            return rendering->whole({[&](double f) {
                                         if (f >= moment) stop.request_stop();
                                     },
                                     stop.get_token()});
        };
        auto other = std::async(std::launch::async, work);
        for (const auto& r : {work(), other.get()}) {
            ASSERT_FALSE(r);
            EXPECT_TRUE(r.error().cancelled);
        }
    }
}

TEST(Rendering, ProgressRises) {
    const Sound& s = longSound();
    const TimeMap map = bentMap(s.audio);
    for (const Method m : methods())
        for (const double semitones : {0.0, -5.0}) {
            double last = 0;
            int told = 0;
            const auto r = render({s.audio, s.attacks}, map, {m, semitones},
                                  {[&](double f) {
                                       EXPECT_GE(f, last - 1e-9);
                                       EXPECT_LE(f, 1);
                                       last = f;
                                       ++told;
                                   },
                                   {}});
            ASSERT_TRUE(r);
            EXPECT_GT(told, 10) << methodLabel(m);
            EXPECT_GT(last, 0.9) << methodLabel(m);
        }
}

TEST(Rendering, ASteadyToneIsLedOverFromRunToRun) {
    // Half a minute without one attack: runs begin where nothing begins. Neither level nor pitch may show it.
    const Audio a = support::sine(331.7, 30, 24000);
    const std::vector<Frames> none;
    for (const Method m : {Method::Held, Method::Sung, Method::Blend, Method::Struck}) {
        const auto map = TimeMap::straight(a.frames(), Frames(24000 * 33));
        const auto r = render({a, none}, *map, {m});
        ASSERT_TRUE(r);
        for (std::int64_t at = 24000; at < 24000 * 32; at += 1200) {
            const double level = 10 * std::log10(support::energy(*r, at, at + 1200) / 1200 / (0.5 * 0.5 / 2));
            ASSERT_NEAR(level, 0, 0.05) << methodLabel(m) << " at " << double(at) / 24000 << " s";
        }
    }
}

} // namespace
