// Hits drawn to the grid, or to another's feel: where they come out, and what stays.
#include "project/tighten.h"

#include "project/clip_rendering.h"
#include "project/counted.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/feel_file.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/save.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>
#include <random>

namespace {

using namespace project;
using hear::FeelGrid;

constexpr int rate = 48000;
constexpr double bpm = 110;

// Four bars of sixteenths, three in four of them struck, by somebody whose playing is known.
struct Playing {
    double swing = 50;
    double loose = 0.008; // seconds
    std::vector<double> late = std::vector<double>(16, 0.0);
    unsigned seed = 1;

    std::vector<double> beats() const {
        std::mt19937 random(seed);
        std::normal_distribution<double> off(0, loose);
        const hear::SwungGrid grid{FeelGrid::Sixteenths, swing};
        std::vector<double> list;
        for (int step = 1; step < 64; ++step) // what begins with the file cannot be moved
            if (step % 4 != 3)
                list.push_back(grid.placeOf(step).value +
                               (late[static_cast<std::size_t>(step % 16)] + off(random)) * bpm / 60);
        return list;
    }
    Source source() const {
        std::vector<std::int64_t> at;
        for (const double beat : beats())
            at.push_back(std::llround(beat * 60 / bpm * rate));
        Source s;
        s.name = "hands";
        s.file = "/hands.wav";
        s.content = "hands" + std::to_string(seed) + std::to_string(swing) + std::to_string(loose);
        sound::Audio audio = support::strokes(at, 16 * 60 / bpm, rate);
        s.facts = {rate, 1, audio.frames(), "WAV"};
        s.sound = soundOf(std::move(audio));
        s.kind = hear::Kind::Struck;
        s.beats = metre::BeatMap(Bpm(bpm), Seconds(0));
        s.loopBeats = Beats(16);
        return s;
    }
};

struct OnPage {
    Project project;
    ClipId clip;
    LaidPtr laid() const { return lay(project); }
};
OnPage onPage(const Source& source, double at) {
    Added added = addSources(*setTempo({}, Bpm(at)), {source});
    const auto with = place(added.project, added.ids[0], {}, Beats(0));
    return {with->project, with->id};
}

sound::Audio rendered(const LaidClip& clip) {
    const auto plan = ClipRendering::plan(clip.time());
    const auto blocks = plan->blocks(1, {});
    return **blocks.next(Frames(0));
}

// By how much the hits of what came out lie off a grid, in seconds: the share of them given.
double offGrid(const sound::Audio& audio, double tempo, const hear::SwungGrid& grid, double share) {
    std::vector<double> off;
    for (const hear::Onset& o : hear::onsets(audio)) {
        const Beats at(metre::toSeconds(o.at, rate).value * tempo / 60);
        off.push_back(std::abs((at - grid.placeOf(grid.stepNear(at))).value) * 60 / tempo);
    }
    std::sort(off.begin(), off.end());
    return off[static_cast<std::size_t>(share * double(off.size() - 1))];
}

Tighten by(double percent) {
    Tighten t;
    t.percent = percent;
    return t;
}

TEST(Tighten, AllOfTheWayHitsLandOnTheGrid) {
    for (const double tempo : {bpm, 104.0, 124.0}) {
        const OnPage p = onPage(Playing().source(), tempo);
        const hear::SwungGrid grid{FeelGrid::Sixteenths, 50};
        EXPECT_GT(offGrid(rendered(*p.laid()->find(p.clip)), tempo, grid, 0.95), 0.010);
        const auto tight = setTighten(p.project, {p.clip}, by(100));
        ASSERT_TRUE(tight) << tight.error().text;
        const LaidPtr laid = lay(*tight);
        EXPECT_LT(offGrid(rendered(*laid->find(p.clip)), tempo, {FeelGrid::Sixteenths, 50}, 0.95), 0.001) << tempo;
        EXPECT_EQ(laid->find(p.clip)->time().length, p.laid()->find(p.clip)->time().length);
    }
}

TEST(Tighten, HalfOfTheWayTheyLieHalfAsFarOff) {
    const OnPage p = onPage(Playing().source(), bpm);
    const auto half = setTighten(p.project, {p.clip}, by(50));
    ASSERT_TRUE(half);
    const hear::SwungGrid grid{FeelGrid::Sixteenths, 50};
    const double before = offGrid(rendered(*p.laid()->find(p.clip)), bpm, grid, 0.7);
    EXPECT_NEAR(offGrid(rendered(*lay(*half)->find(p.clip)), bpm, grid, 0.7), before / 2, 0.0012);
}

TEST(Tighten, KeepsItsOwnSwingOrTakesAnother) {
    const OnPage p = onPage(Playing{60, 0.006}.source(), bpm);
    const auto own = setTighten(p.project, {p.clip}, by(100));
    ASSERT_TRUE(own);
    EXPECT_LT(offGrid(rendered(*lay(*own)->find(p.clip)), bpm, {FeelGrid::Sixteenths, 60}, 0.9), 0.003);
    Tighten even = by(100);
    even.swing = 50;
    const auto straight = setTighten(p.project, {p.clip}, even);
    ASSERT_TRUE(straight);
    EXPECT_LT(offGrid(rendered(*lay(*straight)->find(p.clip)), bpm, {FeelGrid::Sixteenths, 50}, 0.95), 0.001);
}

TEST(Tighten, TheFeelOfAnotherIsTakenPlaceByPlace) {
    Playing lender;
    lender.loose = 0;
    lender.late[4] = 0.012;
    lender.late[12] = 0.009;
    lender.late[2] = -0.007;
    const auto lent = feelOf(lender.source());
    ASSERT_TRUE(lent) << lent.error().text;
    Playing borrower;
    borrower.seed = 7;
    const OnPage p = onPage(borrower.source(), 118);
    Tighten to = by(100);
    to.feel = *lent;
    const auto taken = setTighten(p.project, {p.clip}, to);
    ASSERT_TRUE(taken) << taken.error().text;
    Source out = borrower.source();
    out.content = "came out";
    out.sound = soundOf(rendered(*lay(*taken)->find(p.clip)));
    out.beats = metre::BeatMap(Bpm(118), Seconds(0));
    const auto feel = feelOf(out, FeelGrid::Sixteenths);
    ASSERT_TRUE(feel) << feel.error().text;
    for (const hear::FeelPlace& place : lent->places) {
        const auto is = feel->offsetAt(place.place);
        if (!is || place.place == 0) continue;
        EXPECT_NEAR(is->value, place.offset.value, 0.001) << "place " << place.place;
    }
}

TEST(Tighten, WhatLiesNearEnoughIsLeftToTheFrame) {
    const Source source = Playing().source();
    const OnPage p = onPage(source, bpm);
    Tighten t = by(100);
    t.leave = Seconds(0.008);
    const auto some = setTighten(p.project, {p.clip}, t);
    ASSERT_TRUE(some);
    const LaidPtr tight = lay(*some);
    const LaidPtr before = p.laid();
    const auto& map = tight->find(p.clip)->time().job()->map;
    const auto& plain = before->find(p.clip)->time().job()->map;
    int left = 0;
    int moved = 0;
    for (const hear::Onset& o : source.sound->onsets) {
        const Beats at(metre::toSeconds(o.at, rate).value * bpm / 60);
        const double off = std::abs(at.value * 4 - std::round(at.value * 4)) / 4 * 60 / bpm;
        const double by = std::abs(map.outputAt(double(o.at.value)) - plain.outputAt(double(o.at.value)));
        if (off < 0.0079) {
            EXPECT_LT(by, 1.5);
            ++left;
        } else if (off > 0.0081) {
            moved += by > 300 ? 1 : 0;
        }
    }
    EXPECT_GT(left, 10);
    EXPECT_GT(moved, 8);
}

TEST(Tighten, NeighboursNeverCrossAndNoGapIsStretchedTooFar) {
    Playing wild;
    wild.loose = 0.02;
    const Source source = wild.source();
    const auto own = feelOf(source, FeelGrid::Sixteenths);
    ASSERT_TRUE(own) << own.error().text;
    const Drawn drawn = drawnTo(source, *source.beats, by(100), *own, {Seconds(0), source.wholeEnd()},
                                [](Beats) { return Seconds(60 / bpm); });
    EXPECT_GT(drawn.drawn, 20);
    const auto& pins = drawn.beats.pins();
    for (std::size_t i = 1; i < pins.size(); ++i) {
        const double speed =
            (pins[i].beat - pins[i - 1].beat).value / ((pins[i].at - pins[i - 1].at).value * bpm / 60);
        EXPECT_GE(speed, 0.5 - 1e-9);
        EXPECT_LE(speed, 2 + 1e-9);
    }
    int stuck = 0;
    for (const DrawnHit& hit : drawn.hits) {
        stuck += hit.way == DrawnHit::Way::Stuck ? 1 : 0;
        if (hit.way != DrawnHit::Way::Drawn) continue;
        EXPECT_NEAR(drawn.beats.beatAt(hit.at).value, hit.becomes.value, 1e-9);
    }
    EXPECT_EQ(stuck, drawn.stuck);
}

TEST(Tighten, OfNothingChangesNothing) {
    const OnPage p = onPage(Playing().source(), 104);
    const auto none = setTighten(p.project, {p.clip}, by(0));
    ASSERT_TRUE(none);
    EXPECT_EQ(lay(*none)->find(p.clip)->time().job()->key, p.laid()->find(p.clip)->time().job()->key);
}

TEST(Tighten, RefusesInASentence) {
    const OnPage p = onPage(Playing().source(), 104);
    for (const double percent : {-1.0, 101.0, std::nan("")})
        EXPECT_FALSE(setTighten(p.project, {p.clip}, by(percent)));
    Tighten swung = by(50);
    swung.swing = 95;
    EXPECT_FALSE(setTighten(p.project, {p.clip}, swung));
    const auto locked = setLocked(p.project, {p.clip}, true);
    ASSERT_TRUE(locked);
    EXPECT_FALSE(setTighten(*locked, {p.clip}, by(50)));
    Source hit = Playing().source();
    hit.kind = hear::Kind::OneHit;
    const OnPage one = onPage(hit, 104);
    const auto refused = setTighten(one.project, {one.clip}, by(50));
    ASSERT_FALSE(refused);
    EXPECT_EQ(refused.error().text, "hands is one hit and has no feel.");
    Source two = Playing().source();
    two.sound = soundOf(support::strokes({0, rate}, 4, rate));
    const OnPage few = onPage(two, 104);
    EXPECT_FALSE(setTighten(few.project, {few.clip}, by(50)));
}

TEST(Tighten, IsSavedWithTheProject) {
    const OnPage p = onPage(Playing().source(), 104);
    Tighten t = by(65);
    t.grid = FeelGrid::Sixteenths;
    t.leave = Seconds(0.004);
    t.feel = madeFeels()[1].feel;
    t.feelName = "Light swing";
    const auto tight = setTighten(p.project, {p.clip}, t);
    ASSERT_TRUE(tight);
    const auto again = fromJson(toJson(*tight, {}), {}, "it");
    ASSERT_TRUE(again) << again.error().text;
    EXPECT_EQ(clipOf(*again, p.clip)->tighten, t);
}

TEST(FeelFile, ComesBackAsItWasKept) {
    const support::Folder folder;
    const NamedFeel named{"Winch / slow", *feelOf(Playing{58, 0.005}.source())};
    const auto file = keepFeel(named, folder.path());
    ASSERT_TRUE(file) << file.error().text;
    EXPECT_EQ(file->filename(), "Winch _ slow.feel.json");
    EXPECT_FALSE(keepFeel(named, folder.path())) << "nothing is replaced";
    std::vector<std::string> problems;
    const auto kept = keptFeels(problems, folder.path());
    EXPECT_TRUE(problems.empty());
    ASSERT_EQ(kept.size(), 4U);
    EXPECT_EQ(kept[3], named);
    EXPECT_EQ(kept[0].name, "Even");
    EXPECT_FALSE(keepFeel({"", named.feel}, folder.path()));
}

TEST(FeelFile, WhatIsDamagedIsNamedAndTheOthersAreThere) {
    const support::Folder folder;
    const std::string good = feelToJson(madeFeels()[1]);
    const auto write = [&](const char* name, const std::string& text) { std::ofstream(folder / name) << text; };
    write("good.feel.json", good);
    write("cut.feel.json", good.substr(0, good.size() / 2));
    write("nan.feel.json", [&] {
        std::string text = good;
        text.replace(text.find("56"), 2, "NaN");
        return text;
    }());
    write("far.feel.json", [&] {
        std::string text = good;
        text.replace(text.find("\"place\": 15"), 11, "\"place\": 99");
        return text;
    }());
    write("other.feel.json", "{}");
    std::vector<std::string> problems;
    EXPECT_EQ(keptFeels(problems, folder.path()).size(), 4U);
    EXPECT_EQ(problems.size(), 4U);
    for (const std::string& problem : problems)
        EXPECT_NE(problem.find(".feel.json could not be read"), std::string::npos) << problem;
}

} // namespace
