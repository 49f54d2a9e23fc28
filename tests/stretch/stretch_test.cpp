#include "sound/read.h"
#include "stretch/method.h"
#include "stretch/struck.h"
#include "stretch/tape.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/stretch_measures.h"
#include "support/stretched.h"

#include <cmath>
#include <complex>
#include <gtest/gtest.h>
#include <limits>
#include <random>

namespace {

using namespace stretch;
using support::attacksOf;
using support::Audio;
using support::stretched;

class EveryMethod : public testing::TestWithParam<Method> {};
INSTANTIATE_TEST_SUITE_P(Built, EveryMethod, testing::ValuesIn(methods()),
                         [](const auto& p) { return methodLabel(p.param); });

TEST_P(EveryMethod, LengthIsExactToTheFrame) {
    const Audio a = support::noise(0.7);
    for (const double ratio : {0.25, 0.5, 0.77, 0.9999, 1.0001, 16.0 / 15, 1.33, 2.0, 4.0}) {
        const auto r = stretched(a, ratio, {GetParam(), 0, false});
        ASSERT_TRUE(r) << r.error().text;
        EXPECT_EQ(r->frames().value, std::llround(double(a.frames().value) * ratio));
        EXPECT_EQ(r->rate, a.rate);
    }
}

TEST_P(EveryMethod, RatioOneIsBitForBit) {
    const Audio a = support::noise(0.5, 44100, 2);
    for (const bool loop : {false, true}) {
        const auto r = stretched(a, 1.0, {GetParam(), 0, loop});
        ASSERT_TRUE(r);
        EXPECT_EQ(r->channels, a.channels);
    }
}

TEST_P(EveryMethod, EqualChannelsStayEqualAndSilenceSilent) {
    const Audio a = support::strokes({1000, 20000, 33000}, 1.0, 48000, 2);
    const auto r = stretched(a, 1.27, {GetParam(), 0, false});
    EXPECT_EQ(r->channels[0], r->channels[1]);
    const auto quiet = stretched(support::silence(0.5, 48000, 2), 1.3, {GetParam(), 3, true});
    ASSERT_TRUE(quiet);
    for (const float s : quiet->channels[0])
        ASSERT_EQ(s, 0.0F);
}

TEST_P(EveryMethod, TheSameInputGivesTheSameOutput) {
    const Audio a = support::noise(0.6, 48000, 2);
    EXPECT_EQ(stretched(a, 1.2, {GetParam(), 0, false})->channels,
              stretched(a, 1.2, {GetParam(), 0, false})->channels);
}

TEST_P(EveryMethod, LevelStays) {
    const Audio a = support::noise(2.0);
    for (const double ratio : {0.8, 1.25}) {
        const auto r = stretched(a, ratio, {GetParam(), 0, false});
        // Played slower on tape, noise loses what lay above the new band: only longer is compared there.
        if (GetParam() == Method::Tape && ratio < 1) continue;
        EXPECT_NEAR(support::rmsDb(*r), support::rmsDb(a), 0.3) << ratio;
    }
}

TEST_P(EveryMethod, OneFrameAndAFewFrames) {
    for (const std::int64_t n : {1, 2, 7, 100}) {
        Audio a(48000, 1, Frames(n));
        a.channels[0].assign(static_cast<std::size_t>(n), 0.5F);
        const auto map = TimeMap::straight(Frames(n), Frames(n + 1));
        if (!map) continue;
        const std::vector<Frames> none;
        const auto r = render({a, none}, *map, {GetParam(), 0, false});
        ASSERT_TRUE(r);
        EXPECT_EQ(r->frames().value, n + 1);
        for (const float s : r->channels[0])
            EXPECT_TRUE(std::isfinite(s));
    }
}

TEST_P(EveryMethod, AnySampleRate) {
    for (const int rate : {8000, 11025, 22050, 96000, 192000}) {
        const Audio a = support::sine(440, 1.5, rate, 2);
        const auto r = stretched(a, 1.2, {GetParam()});
        ASSERT_TRUE(r) << rate;
        EXPECT_EQ(r->rate, rate);
        EXPECT_EQ(r->frames().value, std::llround(double(a.frames().value) * 1.2));
        const double expected = GetParam() == Method::Tape ? 440 / 1.2 : 440;
        EXPECT_NEAR(support::cents(support::frequencyOf(*r, expected), expected), 0, 2) << rate;
        EXPECT_NEAR(support::rmsDb(*r), support::rmsDb(a), 0.2) << rate;
    }
}

TEST_P(EveryMethod, FullScaleIsNotCut) {
    // A square wave at full scale: what rings beyond it must come out as it is, and no further than that.
    Audio a = support::sine(110, 1.0, 48000, 2, 1.0);
    for (auto& x : a.channels)
        for (float& s : x)
            s = s < 0 ? -1.0F : 1.0F;
    const auto r = stretched(a, 1.15, {GetParam()});
    ASSERT_TRUE(r);
    float greatest = 0;
    for (const float s : r->channels[0])
        greatest = std::max(greatest, std::abs(s));
    EXPECT_GE(greatest, 1.0F);
    EXPECT_LT(greatest, 2.5F);
    EXPECT_NEAR(support::rmsDb(*r), support::rmsDb(a), 0.3);
}

TEST_P(EveryMethod, MapsThatAskForTheUtmost) {
    const Audio a = support::noise(2.0, 48000, 2);
    std::vector<Frames> attacks; // far more than there are, some outside, some twice
    for (std::int64_t i = -5000; i < 110000; i += 370)
        attacks.emplace_back(i);
    attacks.push_back(attacks.back());
    const auto points = [](std::initializer_list<std::pair<std::int64_t, std::int64_t>> list) {
        std::vector<metre::TimePoint> p;
        for (const auto& [source, output] : list)
            p.push_back({Frames(source), Frames(output)});
        return *TimeMap::make(p);
    };
    for (const TimeMap& map :
         {points({{0, 0}, {40000, 41000}, {40001, 41001}, {40002, 41003}, {96000, 99000}}), // a sample apart
          points({{0, 0}, {20000, 5000}, {40000, 85000}, {60000, 90000}, {96000, 230000}}), // from 0.25 to 4
          points({{-30000, 0}, {10000, 50000}, {150000, 170000}}),                          // beyond both ends
          points({{95990, 0}, {96000, 12}}), points({{10, 0}, {11, 1}, {13, 3}})})
        for (const bool loop : {false, true})
            for (const double semitones : {0.0, -24.0, 24.0}) {
                const auto r = render({a, attacks}, map, {GetParam(), semitones, loop});
                ASSERT_TRUE(r) << r.error().text;
                EXPECT_EQ(r->frames(), map.outputLength());
                for (const auto& x : r->channels)
                    for (const float s : x)
                        ASSERT_TRUE(std::isfinite(s) && std::abs(s) < 20);
            }
}

TEST_P(EveryMethod, CancelsAtOnce) {
    std::stop_source stop;
    stop.request_stop();
    const auto r = stretched(support::noise(1.0), 1.3, {GetParam(), 0, false}, {{}, stop.get_token()});
    ASSERT_FALSE(r);
    EXPECT_TRUE(r.error().cancelled);
}

TEST(Render, RefusesInWords) {
    const Audio a = support::sine(440, 0.1);
    const std::vector<Frames> none;
    const auto map = TimeMap::straight(a.frames(), Frames(6000));
    EXPECT_NE(render({a, none}, *map, {Method::Struck, 25}).error().text.find("24 semitones"), std::string::npos);
    EXPECT_FALSE(render({a, none}, *map, {Method::Struck, std::nan(""), false}));
    const Audio empty(48000, 1, Frames(0));
    EXPECT_FALSE(render({empty, none}, *map, {}));
    const auto absurd = TimeMap::straight(Frames(std::int64_t(1) << 40), Frames(std::int64_t(1) << 41));
    EXPECT_NE(render({a, none}, *absurd, {}).error().text.find("memory"), std::string::npos);
}

TEST(Struck, AttacksLandOnTheirFrame) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < 16; ++i)
        at.push_back(480 + i * 12857);
    const Audio a = support::strokes(at, 4.4, 48000, 2);
    for (const double ratio : {0.75, 0.9, 112.0 / 104, 1.33, 2.0}) {
        const auto r = stretched(a, ratio);
        ASSERT_TRUE(r);
        for (const std::int64_t s : at) {
            const std::int64_t expected = std::llround(double(s) * ratio);
            // A tenth of a millisecond is 4.8 frames.
            EXPECT_LE(std::abs(support::lagOf(a, s, *r, expected, 960, 200)), 3) << ratio << " attack at " << s;
        }
    }
}

TEST(Struck, AnAttackSoundsOnceAndWhole) {
    const std::vector<std::int64_t> at = {4800, 28800, 52800};
    const Audio a = support::strokes(at, 1.6);
    for (const double ratio : {0.8, 1.5, 2.0}) {
        const auto r = stretched(a, ratio);
        ASSERT_TRUE(r);
        // Twenty milliseconds from each attack are the recording's own, sample for sample.
        for (const std::int64_t s : at) {
            std::int64_t to = std::llround(double(s) * ratio);
            to += support::lagOf(a, s, *r, to, 960, 20);
            for (std::int64_t i = 0; i < 960; ++i)
                ASSERT_EQ(r->channels[0][static_cast<std::size_t>(to + i)],
                          a.channels[0][static_cast<std::size_t>(s + i)])
                    << ratio;
        }
        // And between them no second one: bright energy is at the attacks alone.
        const auto found = hear::onsets(*r);
        EXPECT_EQ(found.size(), at.size()) << ratio;
    }
}

// How alike four milliseconds of one sound from a frame on are, at most, to another's from anywhere in [from, to);
// of what is bright in both.
double mostAlike(const Audio& one, std::int64_t at, const Audio& other, std::int64_t from, std::int64_t to) {
    const auto bright = [](const Audio& a, std::int64_t i) {
        return double(a.channels[0][static_cast<std::size_t>(i)]) -
               double(a.channels[0][static_cast<std::size_t>(i - 1)]);
    };
    double most = 0;
    for (std::int64_t place = from; place < to; ++place) {
        double xx = 1e-12;
        double yy = 1e-12;
        double xy = 0;
        for (std::int64_t i = 0; i < 192; ++i) {
            const double x = bright(one, at + i);
            const double y = bright(other, place + i);
            xx += x * x;
            yy += y * y;
            xy += x * y;
        }
        most = std::max(most, xy / std::sqrt(xx * yy));
    }
    return most;
}

// Of a roll there is little between two strokes to make the time between them of: it must not be a stroke.
TEST(Struck, StrokesOfARollSoundOnceEach) {
    for (const std::int64_t gap : {1200, 1920, 2880, 3840}) {
        const Audio a = support::strokes({9600, 9600 + gap}, 0.6);
        const std::vector<Frames> attacks = {Frames(9600), Frames(9600 + gap)};
        for (const int ratio : {2, 3}) {
            const auto r =
                render({a, attacks}, *TimeMap::straight(a.frames(), a.frames() * ratio), {Method::Struck});
            ASSERT_TRUE(r);
            const std::int64_t first = 9600 * ratio;
            const std::int64_t second = first + gap * ratio;
            EXPECT_GT(mostAlike(a, 9600, *r, first - 4, first + 4), 0.99);
            EXPECT_LT(mostAlike(a, 9600, *r, first + 240, second - 192), 0.7)
                << "the first again, " << gap << " frames before the second, × " << ratio;
            EXPECT_LT(mostAlike(a, 9600 + gap, *r, first + 240, second - 192), 0.7)
                << "the second too early, " << gap << " frames after the first, × " << ratio;
            EXPECT_GT(mostAlike(a, 9600 + gap, *r, second - 4, second + 4), 0.99);
        }
    }
}

// Root mean square of ten milliseconds, dB.
std::vector<double> levelsOf(const Audio& a) {
    std::vector<double> out;
    const std::size_t n = static_cast<std::size_t>(a.rate / 100);
    for (std::size_t at = 0; at + n <= a.channels[0].size(); at += n) {
        double sum = 1e-12;
        for (std::size_t i = at; i < at + n; ++i)
            sum += double(a.channels[0][i]) * double(a.channels[0][i]) / double(n);
        out.push_back(10 * std::log10(sum));
    }
    return out;
}

// Three strokes of noise, so many frames apart, that fall by so many dB a second.
Audio dyingStrokes(int apart, double fall) {
    std::mt19937 random(5);
    std::normal_distribution<float> noise(0, 0.2F);
    Audio a(48000, 1, Frames(3 * apart));
    for (int stroke = 0; stroke < 3; ++stroke)
        for (int i = 0; i < apart; ++i)
            a.channels[0][static_cast<std::size_t>(stroke * apart + i)] =
                noise(random) * static_cast<float>(std::pow(10, -fall / 20 * i / 48000));
    return a;
}

TEST(Struck, WhatDiesAwayDoesSoAsItWouldAtTheOtherTempo) {
    // With more time between them strokes fall further. To repeat pieces of them as loud as they were would halve
    // the fall, and strike each piece again.
    const Audio a = dyingStrokes(24000, 43.4);
    const auto map = TimeMap::straight(a.frames(), a.frames() * 2);
    const std::vector<Frames> attacks = {Frames(0), Frames(24000), Frames(48000)};
    const auto r = render({a, attacks}, *map, {Method::Struck});
    ASSERT_TRUE(r);
    const std::vector<double> levels = levelsOf(*r);
    for (std::size_t stroke = 0; stroke < 3; ++stroke)
        // Up to three hundredths before the next, where the level comes back; 12 dB a second come back on the way.
        for (std::size_t i = 0; i < 97; ++i)
            EXPECT_NEAR(levels[stroke * 100 + i], -14 - 0.314 * double(i), 6)
                << "stroke " << stroke << ", " << i << " hundredths";
}

TEST(Struck, WhatDiedAwayComesBackWithoutAStepWhereMuchIsCopiedBeforeAnAttack) {
    // Of the eighth of a second between strokes the last 45 ms are as recorded, which is louder than what has died
    // away for twice as long. A step up to it would be heard as a stroke, long before the true one.
    const Audio a = dyingStrokes(6000, 150);
    const Passage passage{nullptr,
                          {&a, 0},
                          {Frames(0), Frames(6000), Frames(12000)},
                          *TimeMap::straight(a.frames(), a.frames() * 2),
                          0,
                          2 * a.frames().value};
    const auto r = Struck(passage, false, 0.045).piece({0, passage.length}, passage.in, {});
    ASSERT_TRUE(r);
    const std::vector<double> levels = levelsOf(*r);
    for (std::size_t stroke = 0; stroke < 2; ++stroke)
        for (std::size_t i = 8; i < 23; ++i)
            EXPECT_LT(levels[stroke * 25 + i + 1] - levels[stroke * 25 + i], 7)
                << "stroke " << stroke << ", " << i << " hundredths";
}

TEST(Struck, WhatLastsKeepsItsLevel) {
    std::mt19937 random(6);
    std::normal_distribution<float> noise(0, 0.1F);
    Audio a(48000, 1, Frames(4 * 48000));
    for (float& x : a.channels[0])
        x = noise(random);
    const auto map = TimeMap::straight(a.frames(), Frames(6 * 48000));
    const std::vector<Frames> attacks = {Frames(0)};
    const auto r = render({a, attacks}, *map, {Method::Struck});
    ASSERT_TRUE(r);
    const std::vector<double> levels = levelsOf(*r);
    for (std::size_t from = 0; from + 100 <= levels.size(); from += 100) {
        double mean = 0;
        for (std::size_t i = from; i < from + 100; ++i)
            mean += levels[i] / 100;
        EXPECT_NEAR(mean, -20, 0.7) << "second " << from / 100;
    }
}

TEST(Struck, PitchOfASineStays) {
    for (const double hertz : {60.0, 220.0, 997.0, 5000.0})
        for (const double ratio : {0.8, 1.1, 1.5}) {
            const auto r = stretched(support::sine(hertz, 3.0), ratio);
            EXPECT_NEAR(support::cents(support::frequencyOf(*r, hertz), hertz), 0, 1.0) << hertz << " × " << ratio;
        }
}

TEST(Struck, ABentMapLandsItsAttacksOnTheirPins) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < 8; ++i)
        at.push_back(i * 24000 + 240);
    const Audio a = support::strokes(at, 4.1);
    std::vector<metre::TimePoint> points = {{Frames(0), Frames(0)}};
    std::int64_t out = 0;
    for (std::size_t i = 1; i < at.size(); ++i) {
        out += 24000 + (i % 2 == 0 ? 4000 : -3000);
        points.push_back({Frames(at[i]), Frames(out)});
    }
    points.push_back({a.frames(), Frames(out + 27000)});
    const auto map = TimeMap::make(points);
    ASSERT_TRUE(map);
    const auto attacks = attacksOf(a);
    const auto r = render({a, attacks}, *map, {});
    ASSERT_TRUE(r);
    for (std::size_t i = 1; i + 1 < points.size(); ++i)
        EXPECT_LE(std::abs(support::lagOf(a, points[i].source.value, *r, points[i].output.value, 960, 200)), 3)
            << i;
}

TEST(Struck, ALoopRunsOnIntoItsBeginning) {
    // A loop of a steady chord over whole periods: any break at the seam shows against the steady rest.
    const int rate = 48000;
    Audio a(rate, 1, Frames(rate * 2));
    for (std::size_t i = 0; i < a.channels[0].size(); ++i) {
        const double t = double(i) / rate;
        a.channels[0][i] =
            static_cast<float>(0.2 * std::sin(2 * M_PI * 110 * t) + 0.2 * std::sin(2 * M_PI * 165 * t + 1) +
                               0.2 * std::sin(2 * M_PI * 220 * t + 2));
    }
    for (const double ratio : {0.85, 1.2}) {
        const auto r = stretched(a, ratio, {Method::Struck, 0, true});
        const auto& x = r->channels[0];
        const auto jump = [&](std::size_t i) {
            const std::size_t n = x.size();
            return std::abs(x[i % n] - 2 * x[(i + n - 1) % n] + x[(i + n - 2) % n]); // curvature shows clicks
        };
        float usual = 0;
        for (std::size_t i = 10; i < x.size() - 10; ++i)
            usual = std::max(usual, jump(i));
        float seam = 0;
        for (std::size_t i = x.size() - 4; i < x.size() + 4; ++i)
            seam = std::max(seam, jump(i));
        EXPECT_LT(20 * std::log10(seam / usual), 6) << ratio;
    }
}

TEST(Struck, TransposingMovesThePitchAndNotTheTime) {
    const Audio a = support::sine(440, 3.0);
    for (const double st : {-12.0, -3.5, 7.0, 12.0}) {
        const auto r = stretched(a, 1.1, {Method::Struck, st, false});
        ASSERT_TRUE(r);
        EXPECT_EQ(r->frames().value, std::llround(double(a.frames().value) * 1.1));
        const double expected = 440 * std::exp2(st / 12);
        EXPECT_NEAR(support::cents(support::frequencyOf(*r, expected), expected), 0, 1.0) << st;
    }
}

Audio chord(const std::vector<double>& hertz, double seconds) {
    Audio a(48000, 2, Frames(std::llround(seconds * 48000)));
    for (std::size_t i = 0; i < a.channels[0].size(); ++i)
        for (std::size_t k = 0; k < hertz.size(); ++k) {
            const double s = 0.15 * std::sin(2 * M_PI * hertz[k] * double(i) / 48000 + double(k));
            a.channels[0][i] += static_cast<float>(s * (1 - 0.2 * double(k)));
            a.channels[1][i] += static_cast<float>(s * (0.4 + 0.2 * double(k)));
        }
    return a;
}

const std::vector<double> triad = {261.63, 329.63, 392.00, 523.25};

TEST(Held, ASteadyChordStaysPureAndInTune) {
    const Audio a = chord(triad, 4);
    for (const double ratio : {0.75, 0.9, 1.1, 1.33, 2.0}) {
        const auto r = stretched(a, ratio, {Method::Held});
        EXPECT_LT(support::offTheTones(*r, triad), -40) << ratio;
    }
    // Transposed: every tone where equal temperament puts it.
    const auto up = stretched(a, 1.1, {Method::Held, 3});
    std::vector<double> higher;
    for (const double h : triad)
        higher.push_back(h * std::exp2(3 / 12.0));
    EXPECT_LT(support::offTheTones(*up, higher), -44);
}

TEST(Held, ChannelsKeepTheirLevelsAndPhases) {
    // The right channel a quarter of a period after the left, at half the level.
    Audio a(48000, 2, Frames(48000 * 3));
    for (std::size_t i = 0; i < a.channels[0].size(); ++i) {
        a.channels[0][i] = static_cast<float>(0.4 * std::sin(2 * M_PI * 440 * double(i) / 48000));
        a.channels[1][i] = static_cast<float>(0.2 * std::sin(2 * M_PI * 440 * double(i) / 48000 - M_PI / 2));
    }
    for (const Method m : {Method::Held, Method::Blend, Method::Sung}) {
        const auto r = stretched(a, 1.21, {m});
        std::complex<double> left = 0;
        std::complex<double> right = 0;
        for (std::size_t i = 48000; i < 96000; ++i) {
            const auto turn = std::polar(1.0, -2 * M_PI * 440 * double(i) / 48000);
            left += turn * double(r->channels[0][i]);
            right += turn * double(r->channels[1][i]);
        }
        EXPECT_NEAR(std::arg(right / left), -M_PI / 2, 0.017) << methodLabel(m);
        EXPECT_NEAR(std::abs(right / left), 0.5, 0.01) << methodLabel(m);
    }
}

TEST(Blend, AttacksOverAChordStayWhereTheyBelongAndAsSteep) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < 12; ++i)
        at.push_back(2400 + i * 14400);
    const Audio hits = support::strokes(at, 4, 48000, 2);
    Audio a = chord(triad, 4);
    for (std::size_t c = 0; c < 2; ++c)
        for (std::size_t i = 0; i < a.channels[c].size(); ++i)
            a.channels[c][i] = 0.3F * a.channels[c][i] + hits.channels[c][i];
    for (const double ratio : {0.8, 1.2}) {
        const auto r = stretched(a, ratio, {Method::Blend});
        ASSERT_TRUE(r);
        for (std::size_t i = 1; i + 1 < at.size(); ++i) {
            const auto to = static_cast<std::int64_t>(std::llround(double(at[i]) * ratio));
            EXPECT_LE(std::abs(support::lagOf(a, at[i], *r, to, 480, 200)), 5) << ratio << " stroke " << i;
            // Before it nothing of it: no more than the chord was.
            const double before = support::energy(*r, to - 960, to - 96);
            const double inSource = support::energy(a, at[i] - 960, at[i] - 96);
            EXPECT_LT(10 * std::log10(before / inSource), 3) << ratio << " stroke " << i;
        }
    }
}

TEST_P(EveryMethod, APointOfTheMapIsMetWhereTheRatioBends) {
    if (GetParam() == Method::Tape) return; // its pitch bends with it
    std::vector<std::int64_t> at;
    for (int i = 0; i < 7; ++i)
        at.push_back(4800 + i * 24000);
    const Audio a = support::strokes(at, 3.5);
    std::vector<metre::TimePoint> points = {{Frames(0), Frames(0)}};
    std::int64_t out = 5200;
    for (std::size_t i = 0; i < at.size(); ++i) {
        points.push_back({Frames(at[i]), Frames(out)});
        out += 24000 + (i % 2 == 0 ? 3500 : -3000);
    }
    points.push_back({a.frames(), Frames(out)});
    const auto map = TimeMap::make(points);
    ASSERT_TRUE(map);
    const auto attacks = attacksOf(a);
    const auto r = render({a, attacks}, *map, {GetParam()});
    ASSERT_TRUE(r);
    for (std::size_t i = 2; i + 1 < points.size(); ++i)
        EXPECT_LE(std::abs(support::lagOf(a, points[i].source.value, *r, points[i].output.value, 480, 200)), 5)
            << i;
}

TEST_P(EveryMethod, PitchIsKeptAndMovedToAFractionOfACent) {
    if (GetParam() == Method::Tape || GetParam() == Method::Struck) return; // tested by themselves
    for (const double hertz : {110.0, 440.0, 3000.0})
        for (const double semitones : {0.0, -7.0, 4.5}) {
            const auto r = stretched(support::sine(hertz, 3.0), 1.17, {GetParam(), semitones});
            ASSERT_TRUE(r);
            const double expected = hertz * std::exp2(semitones / 12);
            EXPECT_NEAR(support::cents(support::frequencyOf(*r, expected), expected), 0, 0.3)
                << hertz << " Hz, " << semitones << " semitones";
        }
}

TEST_P(EveryMethod, NoClickWhereALoopComesRound) {
    const Audio a = chord({110, 165, 220}, 2);
    for (const double ratio : {0.85, 1.2}) {
        if (GetParam() == Method::Tape && ratio > 0) continue; // no whole periods fit at another pitch
        const auto r = stretched(a, ratio, {GetParam(), 0, true});
        ASSERT_TRUE(r);
        EXPECT_LT(support::seamClickDb(*r), 10) << ratio;
    }
}

// Where the spectrum of a voice-like tone has its broad peak: the centre of its power around it, in Hz.
double formantOf(const Audio& a, double fundamental) {
    double sum = 0;
    double moment = 0;
    const std::int64_t n = 24000;
    const std::int64_t from = a.frames().value / 2 - n / 2;
    for (int k = 1; k * fundamental < 3000; ++k) {
        std::complex<double> c = 0;
        for (std::int64_t i = 0; i < n; ++i)
            c += double(a.channels[0][static_cast<std::size_t>(from + i)]) *
                 (0.5 - 0.5 * std::cos(2 * M_PI * double(i) / double(n))) *
                 std::polar(1.0, -2 * M_PI * k * fundamental * double(i) / a.rate);
        sum += std::norm(c);
        moment += std::norm(c) * k * fundamental;
    }
    return moment / sum;
}

TEST(Sung, FormantsStayWhereTheyAreWhenAsked) {
    // Harmonics of 150 Hz under a resonance at 1000 Hz.
    Audio a(48000, 1, Frames(48000 * 2));
    for (int k = 1; k * 150 < 5000; ++k) {
        const double off = (k * 150 - 1000.0) / 250;
        const double level = 0.2 * std::exp(-0.5 * off * off) + 0.004;
        for (std::size_t i = 0; i < a.channels[0].size(); ++i)
            a.channels[0][i] +=
                static_cast<float>(level * std::sin(2 * M_PI * 150 * k * double(i) / 48000 + k * k));
    }
    const double before = formantOf(a, 150);
    ASSERT_NEAR(before, 1000, 60);
    for (const double semitones : {5.0, -4.0}) {
        const double factor = std::exp2(semitones / 12);
        const auto moved = stretched(a, 1.0, {Method::Sung, semitones, false, false});
        const auto kept = stretched(a, 1.0, {Method::Sung, semitones, false, true});
        ASSERT_TRUE(moved && kept);
        EXPECT_NEAR(formantOf(*moved, 150 * factor), before * factor, 0.08 * before) << "without: it moves along";
        EXPECT_NEAR(formantOf(*kept, 150 * factor), before, 0.08 * before) << semitones;
        EXPECT_NEAR(support::cents(support::frequencyOf(*kept, 150 * factor), 150 * factor), 0, 3) << semitones;
    }
}

TEST_P(EveryMethod, NonNumbersHurtNothingElse) {
    Audio a = support::strokes({1000, 20000, 40000}, 1.0);
    a.channels[0][30000] = std::numeric_limits<float>::quiet_NaN();
    a.channels[0][10000] = std::numeric_limits<float>::infinity();
    const auto r = stretched(a, 1.2, {GetParam()});
    ASSERT_TRUE(r);
    for (const float s : r->channels[0])
        ASSERT_TRUE(std::isfinite(s));
}

TEST(Tape, PitchFollowsSpeed) {
    for (const double ratio : {0.5, 0.9, 1.1, 2.0}) {
        const auto r = stretched(support::sine(1000, 2.0), ratio, {Method::Tape, 0, false});
        EXPECT_NEAR(support::cents(support::frequencyOf(*r, 1000 / ratio), 1000 / ratio), 0, 0.05) << ratio;
    }
    EXPECT_NEAR(tapeCents(*TimeMap::straight(Frames(1000), Frames(2000))), -1200, 1e-9);
}

TEST(Tape, WhatTranspositionNeedsIsStretchedByTheMethodUnderIt) {
    const Audio a = support::strokes({4800, 28800, 52800}, 1.6);
    for (const Method under : {Method::Struck, Method::Held, Method::Blend, Method::Sung}) {
        Settings settings{Method::Tape, 3};
        settings.underTape = under;
        const auto onTape = stretched(a, 1.0, settings);
        const auto byItself = stretched(a, 1.0, {under, 3}); // at its own speed tape adds nothing
        ASSERT_TRUE(onTape && byItself);
        EXPECT_EQ(onTape->channels, byItself->channels) << methodLabel(under);
    }
}

TEST(Tape, FasterFoldsNothingBack) {
    // 20 kHz played twice as fast would be 40 kHz: it must be gone, not mirrored to 8 kHz.
    Audio a = support::sine(20000, 0.5);
    for (std::size_t i = 0; i < a.channels[0].size(); ++i) // faded in and out: an edge has every frequency in it
        a.channels[0][i] *=
            static_cast<float>(0.5 - 0.5 * std::cos(2 * M_PI * double(i) / double(a.channels[0].size())));
    const auto r = stretched(a, 0.5, {Method::Tape, 0, false});
    EXPECT_LT(support::rmsDb(*r), support::rmsDb(a) - 80);
}

TEST(Methods, HaveWordsAndPlainWords) {
    EXPECT_EQ(methodFromWord("drums"), Method::Struck);
    EXPECT_EQ(methodFromWord("tonal"), Method::Held);
    EXPECT_EQ(methodFromWord("mix"), Method::Blend);
    EXPECT_EQ(methodFromWord("voice"), Method::Sung);
    EXPECT_EQ(methodFromWord("tape"), Method::Tape);
    EXPECT_FALSE(methodFromWord("auto"));
    EXPECT_FALSE(methodFromWord(""));
}

} // namespace
