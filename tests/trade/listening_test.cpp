// Hearing against the outside: on a frozen set with known truth beside aubio, qm-dsp and soundtouch in the same
// run, and against published key profiles.
#include "hear/listen.h"
#include "hear/tonality.h"
#include "sound/read.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/hearing_measures.h"
#include "support/hearing_references.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

namespace {

using Json = nlohmann::json;

struct Share {
    int n = 0;
    double near = 0;      // within 4 %
    double nearFree = 0;  // the same, half or double allowed
    double exact = 0;     // within 0.1 %
    double exactFree = 0; // the same, half or double allowed
    double key = 0;       // MIREX weights
    int keys = 0;
    void add(double bpm, double truth) {
        const double ratio = bpm / truth;
        double freely = 1e9;
        for (const double k : {0.5, 1.0, 2.0})
            freely = std::min(freely, std::abs(ratio / k - 1));
        ++n;
        near += std::abs(ratio - 1) < 0.04;
        nearFree += freely < 0.04;
        exact += std::abs(ratio - 1) < 0.001;
        exactFree += freely < 0.001;
    }
};

TEST(Listening, BesideTheReferenceLibrariesOnTheSameSet) {
    const std::string folder = std::string(PM_SOURCE_DIR) + "/tests/trade/listening/";
    const Json truth = Json::parse(std::ifstream(folder + "truth.json"));
    Share ours;
    Share qmDsp;
    Share aubio;
    Share soundTouch;
    int beats = 0;
    int downbeats = 0;
    double played = 0;
    double playedByQmDsp = 0;
    int loops = 0;
    int freely = 0;
    for (const auto& [name, t] : truth.items()) {
        const auto r = sound::read(folder + name, 0);
        ASSERT_TRUE(r) << r.error().text;
        const hear::Heard h = hear::listen(r->audio, hear::onsets(r->audio));
        const reference::Answer qm = reference::qmDsp(r->audio);
        const std::vector<double> moments = t["beats_s"];
        if (t["steady"]) {
            ours.add(h.bpm ? h.bpm->value : 0, t["bpm"]);
            qmDsp.add(qm.bpm, t["bpm"]);
            aubio.add(reference::aubio(r->audio).bpm, t["bpm"]);
            soundTouch.add(reference::soundTouch(r->audio).bpm, t["bpm"]);
            ++loops;
            beats += h.loopBeats == t["beats"].get<int>();
            downbeats +=
                !h.beats.empty() && std::abs(h.beats[h.downbeat] - t["first_beat_s"].get<double>()) <= 0.02;
        } else {
            ++freely;
            EXPECT_FALSE(h.steady) << name;
            played += measure::fMeasure(moments, h.beats, 0.07);
            playedByQmDsp += measure::fMeasure(moments, qm.beats, 0.07);
        }
        if (t["key"].is_string()) {
            const auto key = hear::parseKey(t["key"].get<std::string>());
            ASSERT_TRUE(key);
            const int number = key->root + (key->minor ? 12 : 0);
            if (h.key) ours.key += measure::keyScore(number, h.key->key.root + (h.key->key.minor ? 12 : 0));
            if (qm.key) qmDsp.key += measure::keyScore(number, *qm.key);
            ++ours.keys;
        }
    }
    const double n = ours.n;
    // What a producer needs, as shares of the set.
    EXPECT_GE(ours.near / n, 0.85);
    EXPECT_GE(ours.nearFree / n, 0.9);
    EXPECT_GE(ours.exactFree / n, 0.65);
    EXPECT_GE(beats / double(loops), 0.8);
    EXPECT_GE(downbeats / double(loops), 0.9);
    EXPECT_GE(played / freely, 0.9);
    EXPECT_GE(ours.key / ours.keys, 0.75);
    // And in no measure behind a reference.
    for (const Share* other : {&qmDsp, &aubio, &soundTouch}) {
        EXPECT_GE(ours.near, other->near);
        EXPECT_GE(ours.nearFree, other->nearFree);
        EXPECT_GT(ours.exact, other->exact);
        EXPECT_GT(ours.exactFree, other->exactFree);
    }
    EXPECT_GE(played, playedByQmDsp);
    EXPECT_GE(ours.key, qmDsp.key);
    RecordProperty("ours", std::to_string(ours.near / n) + " " + std::to_string(ours.exactFree / n));
}

// Krumhansl, "Cognitive Foundations of Musical Pitch", 1990: the probe-tone profiles of Krumhansl & Kessler, values
// from memory. A recording whose tones sound as long as a profile says is in that profile's key.
TEST(Listening, ProbeToneProfilesAreInTheirKeys) {
    const std::array<double, 12> major = {6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88};
    const std::array<double, 12> minor = {6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17};
    for (std::size_t root = 0; root < 12; ++root)
        for (const auto& [profile, offset] : {std::pair(&major, std::size_t(0)), {&minor, std::size_t(12)}}) {
            hear::Classes c;
            double sum = 0;
            for (const double p : *profile)
                sum += p - 2;
            for (std::size_t k = 0; k < 12; ++k)
                c.all[(k + root) % 12] = c.start[(k + root) % 12] = c.bass[(k + root) % 12] =
                    ((*profile)[k] - 2) / sum;
            c.pitched = 1;
            const auto scores = hear::keyScores(c);
            const auto best =
                static_cast<std::size_t>(std::max_element(scores.begin(), scores.end()) - scores.begin());
            EXPECT_EQ(best, root + offset);
        }
}

// Worked examples (common practice).
TEST(Listening, WorkedExamples) {
    EXPECT_NEAR(hear::tempoOf(8, 3.750).value, 128, 1e-9) << "8 beats in 3.750 s";
    EXPECT_EQ(hear::roundedTempo(metre::Bpm(120.008)), metre::Bpm(120));
    EXPECT_EQ(hear::roundedTempo(metre::Bpm(93.89)), metre::Bpm(94));
    // A loop at 131 is offered at 65.5, and one that is heard at 65.5 at 131.
    const auto at131 = support::drumLoop(support::steadyBeats(131, 16), 16 * 60 / 131.0);
    const auto offers = [](const hear::Heard& h, double bpm) {
        return std::any_of(h.candidates.begin(), h.candidates.end(),
                           [&](const hear::Candidate& c) { return std::abs(c.bpm.value - bpm) < 0.05; });
    };
    const auto fast = hear::listen(at131, hear::onsets(at131), {metre::Bpm(100), metre::Bpm(180)});
    ASSERT_TRUE(fast.bpm);
    EXPECT_NEAR(fast.bpm->value, 131, 0.05);
    EXPECT_TRUE(offers(fast, 65.5));
    const auto slow = hear::listen(at131, hear::onsets(at131), {metre::Bpm(50), metre::Bpm(90)});
    ASSERT_TRUE(slow.bpm);
    EXPECT_NEAR(slow.bpm->value, 65.5, 0.03);
    EXPECT_TRUE(offers(slow, 131));
    // Eight bars at 114 are 32 beats.
    const auto eight = support::drumLoop(support::steadyBeats(114, 32), 32 * 60 / 114.0);
    const auto h = hear::listen(eight, hear::onsets(eight));
    EXPECT_EQ(h.loopBeats, 32);
    EXPECT_NEAR(h.bpm->value, 114, 0.01);
    EXPECT_EQ(hear::lengthReading(h).beats, metre::Beats(32));
}

// Worked examples of the measures themselves, so that the figures above mean what they say.
TEST(Measures, WorkedExamples) {
    EXPECT_DOUBLE_EQ(measure::fMeasure({1, 2, 3, 4}, {1.05, 2, 3.2, 4}, 0.07), 0.75)
        << "three hits of four and four";
    EXPECT_DOUBLE_EQ(measure::fMeasure({1, 2}, {1, 1.01, 2}, 0.07), 0.8) << "a beat is hit once";
    EXPECT_DOUBLE_EQ(measure::fMeasure({}, {1}, 0.07), 0);
    const std::vector<double> beats = {0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5};
    EXPECT_DOUBLE_EQ(measure::continuity(beats, beats), 1);
    const std::vector<double> half = {0, 1, 2, 3};
    EXPECT_LT(measure::continuity(beats, half), 0.1) << "half the tempo is not the tempo";
    EXPECT_DOUBLE_EQ(measure::allowedContinuity(beats, half), 1) << "but it is a level of it";
    EXPECT_DOUBLE_EQ(measure::keyScore(0, 0), 1);
    EXPECT_DOUBLE_EQ(measure::keyScore(0, 7), 0.5) << "C and G";
    EXPECT_DOUBLE_EQ(measure::keyScore(0, 12 + 9), 0.3) << "C and A minor";
    EXPECT_DOUBLE_EQ(measure::keyScore(12 + 9, 0), 0.3) << "A minor and C";
    EXPECT_DOUBLE_EQ(measure::keyScore(0, 12), 0.2) << "C and C minor";
    EXPECT_DOUBLE_EQ(measure::keyScore(0, 2), 0);
}

} // namespace
