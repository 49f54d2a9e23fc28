// Tightening, held against the outside: a reference library's onsets in what comes out.
#include "project/clip_rendering.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/tighten.h"
#include "support/audio.h"
#include "support/hearing_references.h"
#include "support/whole.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <gtest/gtest.h>
#include <random>

namespace {

using namespace project;

constexpr int rate = 48000; // the project's
constexpr double bpm = 104;

Source sourceFrom(sound::Audio audio, const char* name) {
    Source s;
    s.name = s.content = name;
    s.facts = {rate, 1, audio.frames(), "WAV"};
    s.sound = soundOf(std::move(audio));
    s.kind = hear::Kind::Struck;
    s.beats = metre::BeatMap(Bpm(bpm), Seconds(0));
    s.loopBeats = Beats(32);
    return s;
}

// Eighths for eight bars, played loosely.
Source played(double loose) {
    std::mt19937 random(11);
    std::normal_distribution<double> off(0, loose);
    std::vector<std::int64_t> at;
    for (int eighth = 1; eighth < 64; ++eighth)
        at.push_back(std::llround((eighth * 30 / bpm + off(random)) * rate));
    return sourceFrom(support::strokes(at, 32 * 60 / bpm, rate), "hands");
}

// How far a reference's onsets lie from eighths, around their own middle: the median.
double spreadBy(const std::vector<double>& onsets, double tempo) {
    std::vector<double> off;
    for (const double at : onsets) {
        const double eighths = at * tempo / 30;
        off.push_back((eighths - std::round(eighths)) * 30 / tempo);
    }
    if (off.size() < 40) return 1;
    std::sort(off.begin(), off.end());
    const double middle = off[off.size() / 2];
    for (double& x : off)
        x = std::abs(x - middle);
    std::sort(off.begin(), off.end());
    return off[off.size() / 2];
}

TEST(Tightened, LoopsAreTightByAReferencesOnsetsToo) {
    constexpr double tempo = 112;
    Added added = addSources(*setTempo({}, Bpm(tempo)), {played(0.012)});
    const auto with = place(added.project, added.ids[0], {}, Beats(0));
    ASSERT_TRUE(with);
    std::vector<double> spreads;
    std::vector<double> byQmDsp;
    for (const double percent : {0.0, 50.0, 100.0}) {
        Tighten t;
        t.percent = percent;
        const auto tight = setTighten(with->project, {with->id}, t);
        ASSERT_TRUE(tight) << tight.error().text;
        const LaidPtr laid = lay(*tight);
        const auto plan = ClipRendering::plan(laid->find(with->id)->time());
        const sound::Audio out = support::wholeOf(plan->blocks(1, {}));
        spreads.push_back(spreadBy(reference::aubioOnsets(out), tempo));
        byQmDsp.push_back(spreadBy(reference::qmDspOnsets(out), tempo));
    }
    EXPECT_GT(spreads[0], 0.005);
    EXPECT_NEAR(spreads[1], spreads[0] / 2, 0.0025) << "halfway";
    EXPECT_LT(spreads[2], 0.002) << "as near as its steps of 1.5 ms tell";
    EXPECT_GT(byQmDsp[0], 0.005);
    EXPECT_NEAR(byQmDsp[1], byQmDsp[0] / 2, 0.0025) << "halfway";
    EXPECT_LT(byQmDsp[2], 0.002);
}

// Strokes on a soft chord that goes on, so that what lies between hits is heard to be stretched.
sound::Audio performed(const std::vector<double>& moments, double seconds) {
    std::vector<std::int64_t> at;
    at.reserve(moments.size());
    for (const double moment : moments)
        at.push_back(std::llround(moment * rate));
    sound::Audio audio = support::strokes(at, seconds, rate);
    for (const double hertz : {196.0, 246.9, 293.7}) {
        const sound::Audio tone = support::sine(hertz, seconds, rate, 1, 0.03);
        for (std::size_t i = 0; i < audio.channels[0].size(); ++i)
            audio.channels[0][i] += tone.channels[0][i];
    }
    return audio;
}

// What attacks are against those of a performance whose hits lie where these were meant to.
struct Attacks {
    double level = 0; // dB, how far off their first 5 ms are: the middle one
    double before =
        0; // dB that the 10 ms before an attack lie over what they are in the performance: the middle one
    double distance = 0; // of logarithmic spectra, 0 and up
};

double decibels(const sound::Audio& audio, double from, double to) {
    const auto a = static_cast<std::int64_t>(from * rate);
    const auto b = static_cast<std::int64_t>(to * rate);
    return 10 * std::log10(support::energy(audio, std::max<std::int64_t>(0, a), b) / double(b - a) + 1e-9);
}

double middleOf(std::vector<double> list) {
    std::nth_element(list.begin(), list.begin() + std::ptrdiff_t(list.size() / 2), list.end());
    return list[list.size() / 2];
}

// The energies of 5 ms, in dB, from attack to attack: a coarse shape of the sound in time, compared.
Attacks compared(const sound::Audio& out, const sound::Audio& truth, const std::vector<double>& moments) {
    std::vector<double> level;
    std::vector<double> before;
    for (const double at : moments) {
        level.push_back(std::abs(decibels(out, at, at + 0.005) - decibels(truth, at, at + 0.005)));
        before.push_back(
            std::max(0.0, decibels(out, at - 0.011, at - 0.001) - decibels(truth, at - 0.011, at - 0.001)));
    }
    double off = 0;
    int count = 0;
    for (double at = 0.1; at + 0.2 < truth.length().value; at += 0.005, ++count)
        off += std::abs(decibels(out, at, at + 0.005) - decibels(truth, at, at + 0.005));
    return {middleOf(level), middleOf(before), off / count};
}

TEST(Tightened, LoopsSoundAsGoodAsAtTheSameTempoUntightened) {
    constexpr double tempo = 112;
    std::mt19937 random(5);
    std::normal_distribution<double> off(0, 0.010);
    std::vector<double> loosely;   // seconds of the recording
    std::vector<double> looselyAt; // at the other tempo, as they were played
    std::vector<double> tightly;
    for (int eighth = 1; eighth < 64; ++eighth) {
        const double by = off(random);
        loosely.push_back(eighth * 30 / bpm + by);
        looselyAt.push_back((eighth * 30 / bpm + by) * bpm / tempo);
        tightly.push_back(eighth * 30 / tempo);
    }
    const double seconds = 32 * 60 / bpm;
    Added added = addSources(*setTempo({}, Bpm(tempo)), {sourceFrom(performed(loosely, seconds), "hands")});
    const auto with = place(added.project, added.ids[0], {}, Beats(0));
    ASSERT_TRUE(with);
    const auto renderedBy = [&](double percent) {
        Tighten t;
        t.percent = percent;
        t.grid = hear::FeelGrid::Eighths;
        const LaidPtr laid = lay(*setTighten(with->project, {with->id}, t));
        const auto plan = ClipRendering::plan(laid->find(with->id)->time());
        return support::wholeOf(plan->blocks(1, {}));
    };
    const double length = 32 * 60 / tempo;
    const Attacks loose = compared(renderedBy(0), performed(looselyAt, length), looselyAt);
    const Attacks tight = compared(renderedBy(100), performed(tightly, length), tightly);
    std::printf("untightened: attacks off by %.2f dB, before them %.2f dB, all of it %.3f dB; tightened: %.2f, "
                "%.2f, %.3f\n",
                loose.level, loose.before, loose.distance, tight.level, tight.before, tight.distance);
    // No worse by more than a tenth, and a tenth of a decibel that no ear tells.
    EXPECT_LE(tight.level, 1.1 * loose.level + 0.1);
    EXPECT_LE(tight.before, 1.1 * loose.before + 0.1);
    EXPECT_LE(tight.distance, 1.1 * loose.distance + 0.1);
}

} // namespace
