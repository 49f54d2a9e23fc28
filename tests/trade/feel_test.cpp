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

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <random>

namespace {

using namespace project;

constexpr int rate = 48000; // the project's
constexpr double bpm = 104;

// Eighths for eight bars, played loosely.
Source played(double loose) {
    std::mt19937 random(11);
    std::normal_distribution<double> off(0, loose);
    std::vector<std::int64_t> at;
    for (int eighth = 1; eighth < 64; ++eighth)
        at.push_back(std::llround((eighth * 30 / bpm + off(random)) * rate));
    Source s;
    s.name = "hands";
    s.content = "hands";
    sound::Audio audio = support::strokes(at, 32 * 60 / bpm, rate);
    s.facts = {rate, 1, audio.frames(), "WAV"};
    s.sound = soundOf(std::move(audio));
    s.kind = hear::Kind::Struck;
    s.beats = metre::BeatMap(Bpm(bpm), Seconds(0));
    s.loopBeats = Beats(32);
    return s;
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
    for (const double percent : {0.0, 50.0, 100.0}) {
        Tighten t;
        t.percent = percent;
        const auto tight = setTighten(with->project, {with->id}, t);
        ASSERT_TRUE(tight) << tight.error().text;
        const LaidPtr laid = lay(*tight);
        const auto plan = ClipRendering::plan(laid->find(with->id)->time());
        const auto blocks = plan->blocks(1, {});
        spreads.push_back(spreadBy(reference::aubioOnsets(**blocks.next(Frames(0))), tempo));
    }
    EXPECT_GT(spreads[0], 0.005);
    EXPECT_NEAR(spreads[1], spreads[0] / 2, 0.0025) << "halfway";
    EXPECT_LT(spreads[2], 0.002) << "as near as its steps of 1.5 ms tell";
}

} // namespace
