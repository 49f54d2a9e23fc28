// Hits drawn to the grid, or to another's feel: where they come out, and what stays.
#include "project/tighten.h"

#include "project/clip_rendering.h"
#include "project/counted.h"
#include "project/edit_clips.h"
#include "project/edit_pins.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/feel_file.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/save.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/whole.h"

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
    return support::wholeOf(ClipRendering::plan(clip.time())->blocks(1, {}));
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

TEST(Tighten, HitsWithoutRoomAreCountedWhereTheClipIsLaidOut) {
    Playing wild;
    wild.loose = 0.035;
    const OnPage p = onPage(wild.source(), 104);
    EXPECT_EQ(p.laid()->find(p.clip)->time().hitsDrawn, 0);
    Tighten t = by(100);
    t.grid = FeelGrid::Sixteenths;
    const auto tight = setTighten(p.project, {p.clip}, t);
    ASSERT_TRUE(tight) << tight.error().text;
    const LaidPtr laid = lay(*tight);
    EXPECT_GT(laid->find(p.clip)->time().hitsDrawn, 20);
    EXPECT_GT(laid->find(p.clip)->time().hitsStuck, 0);
}

TEST(Tighten, ATracksDefaultIsWhatClipsPlacedOnItBeginWith) {
    const OnPage p = onPage(Playing().source(), 104);
    const TrackId track = p.project.tracks[0]->id;
    const auto kept = setTrackTighten(p.project, track, by(70));
    ASSERT_TRUE(kept);
    EXPECT_EQ(clipOf(*kept, p.clip)->tighten.percent, 0) << "what lies there stays as it was";
    const auto more = place(*kept, p.project.sources[0]->id, track, Beats(32));
    ASSERT_TRUE(more);
    EXPECT_EQ(clipOf(more->project, more->id)->tighten, by(70));
    EXPECT_EQ(fromJson(toJson(more->project, {}), {}, "it")->tracks[0]->tighten, by(70)) << "and is saved";
    const auto none = setTrackTighten(more->project, track, {});
    const auto third = place(*none, p.project.sources[0]->id, track, Beats(64));
    EXPECT_EQ(clipOf(third->project, third->id)->tighten.percent, 0);
    EXPECT_FALSE(setTrackTighten(p.project, track, by(120)));
}

TEST(Tighten, AHitThatIsSetByHandStaysThereAndTheOthersWhereTheyWere) {
    const OnPage p = onPage(Playing().source(), bpm);
    const auto tight = setTighten(p.project, {p.clip}, by(100));
    ASSERT_TRUE(tight);
    const SourcePtr source = p.project.sources[0];
    const Seconds hit = metre::toSeconds(source->sound->onsets[9].at, rate);
    const Beats to = source->beats->beatAt(hit) + Beats(0.06);
    const auto set = pinHit(*tight, source->id, hit, to);
    ASSERT_TRUE(set) << set.error().text;
    const LaidPtr before = lay(*tight);
    const LaidPtr after = lay(*set);
    const auto heard = [](const LaidPtr& laid, ClipId id, Seconds at) {
        return laid->find(id)->time().job()->map.outputAt(at.value * rate) / rate * bpm / 60; // beats
    };
    EXPECT_NEAR(heard(after, p.clip, hit), to.value, 1e-3);
    for (const std::size_t other : {3U, 20U, 40U}) {
        const Seconds at = metre::toSeconds(source->sound->onsets[other].at, rate);
        EXPECT_NEAR(heard(after, p.clip, at), heard(before, p.clip, at), 0.004) << other;
    }
    EXPECT_NEAR(sourceOf(*set, source->id)->beats->tempoAt(Beats(14)).value, bpm, 1e-6) << "its tempo is not asked";
    // It goes no farther than its neighbours.
    EXPECT_FALSE(pinHit(*tight, source->id, hit, to + Beats(3)));
}

TEST(Tighten, BeatsThatAreALittleOffAreFittedToTheHits) {
    Playing steady;
    steady.loose = 0.004;
    Source s = steady.source();
    s.loopBeats.reset();
    s.sound = soundOf(sound::Audio(s.sound->audio)); // its own
    EXPECT_FALSE(beatsOfHits(s)) << "they lie as they should";
    s.beats = metre::BeatMap(Bpm(bpm * 1.002), Seconds(0));
    const auto fitted = beatsOfHits(s);
    ASSERT_TRUE(fitted);
    EXPECT_NEAR(fitted->meanTempo().value, bpm, 0.03);
    EXPECT_NEAR(fitted->secondsAt(Beats(0)).value, 0, 1e-9);
}

TEST(Tighten, HoweverItIsAskedForBeatsThatAreALittleOffAreFittedFirst) {
    Playing steady;
    steady.loose = 0.004;
    Source s = steady.source();
    s.loopBeats.reset();
    s.beats = metre::BeatMap(Bpm(bpm * 1.002), Seconds(0));
    const OnPage p = onPage(s, 104);
    const auto tempo = [](const Project& of) { return of.sources[0]->beats->meanTempo().value; };
    const auto tight = setTighten(p.project, {p.clip}, by(60));
    ASSERT_TRUE(tight) << tight.error().text;
    EXPECT_NEAR(tempo(*tight), bpm, 0.03);
    const auto lent = takeFeel(p.project, {p.clip}, "Light swing", madeFeels()[1].feel);
    ASSERT_TRUE(lent) << lent.error().text;
    EXPECT_NEAR(tempo(*lent), bpm, 0.03);
    // What is tightened already, or not at all, is as somebody left it.
    const auto off = setTighten(p.project, {p.clip}, by(0));
    EXPECT_NEAR(tempo(*off), bpm * 1.002, 1e-6);
}

TEST(Tighten, AOneHitOnATrackThatTightensComesAsItIs) {
    const OnPage p = onPage(Playing().source(), 104);
    const TrackId track = p.project.tracks[0]->id;
    Source hit = Playing().source();
    hit.kind = hear::Kind::OneHit;
    const Added added = addSources(*setTrackTighten(p.project, track, by(70)), {hit});
    const auto placed = place(added.project, added.ids[0], track, Beats(40));
    ASSERT_TRUE(placed);
    EXPECT_EQ(clipOf(placed->project, placed->id)->tighten.percent, 0);
}

TEST(Tighten, BeatsThatDriftFarHaveNoFeelOrAreDrawnWithoutHarm) {
    // Ten per cent faster by the end than its beats say.
    std::vector<std::int64_t> at;
    double moment = 0.1;
    for (int hit = 0; hit < 60; ++hit) {
        at.push_back(std::llround(moment * rate));
        moment += 0.25 * (1 - 0.1 * hit / 60);
    }
    Source s = Playing().source();
    s.loopBeats.reset();
    s.content = "drifts";
    s.sound = soundOf(support::strokes(at, moment + 1, rate));
    s.facts.frames = s.sound->audio.frames();
    s.beats = metre::BeatMap(Bpm(120), Seconds(0.1));
    const OnPage p = onPage(s, 120);
    const auto tight = setTighten(p.project, {p.clip}, by(100));
    if (!tight) {
        EXPECT_NE(tight.error().text.find("hands has no feel"), std::string::npos) << tight.error().text;
        return;
    }
    const auto& time = lay(*tight)->find(p.clip)->time();
    EXPECT_TRUE(time.problem.empty()) << time.problem;
    EXPECT_EQ(time.length, p.laid()->find(p.clip)->time().length);
}

TEST(Tighten, AFeelOfBarsOfAnotherLengthIsRefused) {
    const OnPage p = onPage(Playing().source(), 104);
    Tighten t = by(100);
    t.feel = *feelOf(Playing().source());
    t.feel->metre = {3, 4};
    const auto refused = setTighten(p.project, {p.clip}, t);
    ASSERT_FALSE(refused);
    EXPECT_EQ(refused.error().text, "hands is in 4/4, and that feel is of bars in 3/4.");
    t.feel->metre = {2, 4};
    EXPECT_TRUE(setTighten(p.project, {p.clip}, t)) << "two of its bars fill one";
    t.feel->metre = {3, 4};
    t.feel->places.clear();
    EXPECT_TRUE(setTighten(p.project, {p.clip}, t)) << "swing alone is of no bar";
}

TEST(Feels, OfAPartAreReadFromTheHitsInIt) {
    // Two bars even, two bars swung.
    Playing even;
    even.loose = 0.002;
    Playing swung = even;
    swung.swing = 64;
    std::vector<std::int64_t> at;
    for (const double beat : even.beats())
        if (beat < 8) at.push_back(std::llround(beat * 60 / bpm * rate));
    for (const double beat : swung.beats())
        if (beat >= 8) at.push_back(std::llround(beat * 60 / bpm * rate));
    Source s = even.source();
    s.content = "both";
    s.sound = soundOf(support::strokes(at, 16 * 60 / bpm, rate));
    const Seconds middle = s.beats->secondsAt(Beats(8));
    const auto between = [&](Seconds from, Seconds to) {
        s.marks = Marks{from, to};
        return markedFeel(s);
    };
    EXPECT_NEAR(*between(Seconds(0), middle)->swing, 50, 1);
    EXPECT_NEAR(*between(middle, s.length())->swing, 64, 1);
    const auto none = between(Seconds(0), Seconds(0.5));
    ASSERT_FALSE(none);
    EXPECT_NE(none.error().text.find("This part of hands has no feel: only"), std::string::npos)
        << none.error().text;
    s.marks.reset();
    EXPECT_EQ(*markedFeel(s), *feelOf(s)) << "without marks of all of it";
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
