// Readings as values: their ranking, lengths, taps, keys.
#include "hear/length.h"
#include "hear/listen.h"
#include "hear/tapped.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace {

using hear::Reading;
using hear::Witness;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;

Reading says(Witness by, double bpm, double sureness = 0.8) {
    Reading r;
    r.by = by;
    r.bpm = Bpm(bpm);
    r.sureness = sureness;
    return r;
}

TEST(Ranking, ThoseThatAgreeOutweighOneThatIsSure) {
    const hear::Ranking r = hear::ranked(
        {says(Witness::Tag, 140, 0.9), says(Witness::Heard, 127.02, 0.7), says(Witness::Name, 127, 0.7)});
    EXPECT_EQ(r.best, Witness::Name) << "of those that agree, the number that was meant";
    EXPECT_NE(r.why.find("heard"), std::string::npos) << r.why;
    EXPECT_NE(r.disagree.find("140"), std::string::npos) << r.disagree;
    EXPECT_NE(r.disagree.find("127"), std::string::npos) << r.disagree;
}

TEST(Ranking, AgreementIsSurerThanEither) {
    const double alone = hear::ranked({says(Witness::Heard, 127, 0.6)}).sureness;
    const double together = hear::ranked({says(Witness::Heard, 127, 0.6), says(Witness::Name, 127, 0.7)}).sureness;
    const double apart = hear::ranked({says(Witness::Heard, 95, 0.6), says(Witness::Name, 127, 0.7)}).sureness;
    EXPECT_GT(together, 0.7);
    EXPECT_GT(together, alone);
    EXPECT_LT(apart, 0.7);
    EXPECT_TRUE(hear::ranked({says(Witness::Heard, 127, 0.6)}).disagree.empty());
}

TEST(Ranking, WhatTheUserSaidWins) {
    EXPECT_EQ(
        hear::ranked({says(Witness::Tag, 140, 1), says(Witness::Heard, 140, 1), says(Witness::Typed, 99)}).best,
        Witness::Typed);
    EXPECT_EQ(hear::ranked({says(Witness::Tag, 140, 1), says(Witness::Tapped, 99)}).best, Witness::Tapped);
}

TEST(Ranking, NobodySaysAnythingOfNothing) {
    Reading silent;
    silent.by = Witness::Heard;
    silent.sureness = 1;
    const hear::Ranking r = hear::ranked({silent});
    EXPECT_FALSE(r.best);
    EXPECT_TRUE(r.disagree.empty());
    EXPECT_FALSE(hear::ranked({}).best);
    EXPECT_EQ(hear::mostTrusted({silent}), nullptr);
}

TEST(Ranking, HalfAndDoubleDisagreeButLessThanAnythingElse) {
    const double octave = hear::ranked({says(Witness::Name, 70, 0.7), says(Witness::Heard, 140, 0.6)}).sureness;
    EXPECT_FALSE(hear::ranked({says(Witness::Name, 70, 0.7), says(Witness::Heard, 140, 0.6)}).disagree.empty());
    EXPECT_LE(hear::ranked({says(Witness::Name, 70, 0.7), says(Witness::Heard, 93, 0.6)}).sureness, octave);
}

TEST(Length, TheFitsFillTheLengthAndTheLikeliestIsFirst) {
    const auto fits = hear::lengthFits(8.0);
    ASSERT_FALSE(fits.empty());
    double sum = 0;
    double before = 1;
    for (const auto& f : fits) {
        EXPECT_NEAR(f.beats * 60 / f.bpm.value, 8.0, 1e-9);
        EXPECT_GE(f.bpm.value, 40);
        EXPECT_LE(f.bpm.value, 240);
        EXPECT_LE(f.weight, before);
        before = f.weight;
        sum += f.weight;
    }
    EXPECT_NEAR(sum, 1, 1e-9);
    EXPECT_EQ(fits.front().beats, 16);
    EXPECT_TRUE(hear::lengthFits(0.05).empty());
    EXPECT_TRUE(hear::lengthFits(0).empty());
    // Three hours: no end of beats fit, and it is still quick and finite.
    EXPECT_LE(hear::lengthFits(10800).size(), 4096U);
}

TEST(Length, WhatIsHeardOutweighsHabit) {
    hear::Pulse heard;
    heard.bpm = Bpm(90);
    heard.weight = 0.97;
    const auto fits = hear::lengthFits(8.0, {heard});
    EXPECT_EQ(fits.front().beats, 12) << "three in a bar: 90 BPM";
}

TEST(Length, TheReadingSaysBeatsBarsAndHowNearly) {
    const double bpm = 96;
    const auto loop = support::drumLoop(support::steadyBeats(bpm, 16), 10);
    const Reading r = hear::lengthReading(hear::listen(loop, hear::onsets(loop)));
    EXPECT_EQ(r.by, Witness::Length);
    ASSERT_TRUE(r.bpm && r.beats);
    EXPECT_NEAR(r.bpm->value, 96, 0.01);
    EXPECT_EQ(*r.beats, Beats(16));
    EXPECT_NE(r.evidence.find("16 beats"), std::string::npos) << r.evidence;
    EXPECT_NE(r.evidence.find("4 bars"), std::string::npos) << r.evidence;
    EXPECT_GT(r.others.size(), 2U) << "the other numbers of beats that fit";
}

TEST(Rounding, OffersTheNumberThatIsMeant) {
    EXPECT_EQ(hear::roundedTempo(Bpm(120.008)), Bpm(120));
    EXPECT_EQ(hear::roundedTempo(Bpm(93.89)), Bpm(94));
    EXPECT_EQ(hear::roundedTempo(Bpm(93.7)), std::nullopt);
    EXPECT_EQ(hear::roundedTempo(Bpm(94)), std::nullopt) << "it is that number already";
    EXPECT_EQ(hear::roundedTempo(Bpm(19.9)), Bpm(20));
    EXPECT_EQ(hear::roundedTempo(Bpm(400.1)), Bpm(400));
}

// Taps of a person: a spread of 12 ms.
std::vector<double> taps(double bpm, int n, unsigned seed) {
    std::mt19937 random(seed);
    std::normal_distribution<double> spread(0, 0.012);
    std::vector<double> at;
    for (int i = 0; i < n; ++i)
        at.push_back(100 + i * 60 / bpm + spread(random));
    return at;
}

hear::Tapping tapped(const std::vector<double>& at) {
    hear::Tapping t;
    for (const double s : at)
        t.tap(Seconds(s));
    return t;
}

TEST(Tapped, SettlesWithinTwelveTaps) {
    for (unsigned seed = 1; seed <= 20; ++seed)
        for (const double bpm : {66.0, 97.3, 132.0, 174.0}) {
            const auto four = tapped(taps(bpm, 4, seed)).result();
            const auto twelve = tapped(taps(bpm, 12, seed)).result();
            ASSERT_TRUE(four && twelve);
            EXPECT_LT(std::abs(four->bpm.value / bpm - 1), 0.05) << bpm << " seed " << seed;
            EXPECT_LT(std::abs(twelve->bpm.value / bpm - 1), 0.012) << bpm << " seed " << seed;
            EXPECT_GT(twelve->spread, 0);
            EXPECT_LT(twelve->spread, four->spread + 3);
        }
}

TEST(Tapped, ASlipAndAMissedTapDoNotMatter) {
    std::vector<double> at = taps(120, 12, 3);
    at[7] += 0.19; // a slip
    EXPECT_NEAR(tapped(at).result()->bpm.value, 120, 1.5);
    at = taps(120, 12, 3);
    at.erase(at.begin() + 5); // one that was missed
    EXPECT_NEAR(tapped(at).result()->bpm.value, 120, 1.5);
    at = taps(120, 8, 3);
    at.insert(at.begin() + 4, at[3] + 0.02); // a bouncing key
    EXPECT_NEAR(tapped(at).result()->bpm.value, 120, 1.5);
}

TEST(Tapped, APauseBeginsAnew) {
    std::vector<double> at = taps(90, 8, 1);
    for (const double later : taps(140, 8, 2))
        at.push_back(later + 30);
    const auto r = tapped(at).result();
    EXPECT_NEAR(r->bpm.value, 140, 2.5);
    EXPECT_LE(r->taps, 8U);
}

TEST(Tapped, OneTapSaysNothing) {
    EXPECT_FALSE(tapped({}).result());
    EXPECT_FALSE(tapped({1.0}).result());
    EXPECT_FALSE(tapped({1.0, 1.0}).result()) << "twice at once";
}

TEST(Tapped, HalfAndDoubleOfWhatIsHeardAreRecognised) {
    const auto r = tapped(taps(60, 8, 1)).result();
    EXPECT_NE(hear::tappedReading(*r, Bpm(120)).evidence.find("half of what is heard"), std::string::npos);
    EXPECT_NE(hear::tappedReading(*r, Bpm(30)).evidence.find("twice what is heard"), std::string::npos);
    EXPECT_EQ(hear::tappedReading(*r, Bpm(60)).evidence.find("what is heard"), std::string::npos);
    EXPECT_NE(hear::tappedReading(*r, {}).evidence.find("8 taps"), std::string::npos);
}

// A cadence in a key: I–IV–V–I or i–iv–V–i, with its root below.
sound::Audio cadence(int root, bool minor) {
    sound::Audio a(22050, 1, sound::Frames(22050 * 8));
    const auto hertz = [](int semitonesFromC4) { return 261.6256 * std::exp2(semitonesFromC4 / 12.0); };
    const int third = minor ? 3 : 4;
    const int chords[4][4] = {{0, third, 7, 0}, {5, 5 + third, 12, 5}, {7, 11, 14, 7}, {0, third, 7, 0}};
    for (int bar = 0; bar < 4; ++bar)
        for (int half = 0; half < 2; ++half) {
            for (int k = 0; k < 3; ++k)
                support::pluck(a, bar * 2.0 + half, hertz(root + chords[bar][k] - 12), 0.15, 0.8);
            support::pluck(a, bar * 2.0 + half, hertz(root + chords[bar][3] - 24), 0.3, 0.8);
        }
    return a;
}

TEST(Key, CadencesInAllTwentyFourKeys) {
    int right = 0;
    for (int root = 0; root < 12; ++root)
        for (const bool minor : {false, true}) {
            const auto a = cadence(root, minor);
            const auto h = hear::listen(a, hear::onsets(a));
            if (h.key && h.key->key == hear::Key{root, minor}) ++right;
        }
    EXPECT_GE(right, 22);
}

TEST(Key, DrumsNoiseAndSilenceHaveNone) {
    const auto none = [](const sound::Audio& a) { return !hear::listen(a, hear::onsets(a)).key; };
    EXPECT_TRUE(none(support::silence(3)));
    EXPECT_TRUE(none(support::noise(5)));
    EXPECT_TRUE(none(support::drumLoop(support::steadyBeats(110, 16), 16 * 60 / 110.0)));
}

TEST(Readings, WhatIsOnlyHeardDoesNotOverruleANameThatGoesWithIt) {
    const auto reading = [](hear::Witness by, double bpm, double sureness) {
        hear::Reading r;
        r.by = by;
        r.bpm = metre::Bpm(bpm);
        r.sureness = sureness;
        return r;
    };
    for (const double ratio : {2.0 / 3, 1.5, 0.5, 2.0, 0.75, 4.0 / 3}) {
        const hear::Ranking r =
            hear::ranked({reading(hear::Witness::Name, 112, 0.6), reading(hear::Witness::Heard, 112 * ratio, 0.99),
                          reading(hear::Witness::Length, 112 * ratio, 0.9)});
        EXPECT_EQ(r.best, hear::Witness::Name) << ratio;
    }
    EXPECT_EQ(hear::ranked({reading(hear::Witness::Name, 112, 0.6), reading(hear::Witness::Heard, 97, 0.99)}).best,
              hear::Witness::Heard)
        << "a number that has nothing to do with it";
}

} // namespace
