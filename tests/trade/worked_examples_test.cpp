// The main job held against the outside: worked examples of the trade, published standards, reference libraries.
#include "deliver/deliver.h"
#include "hear/key.h"
#include "hear/onsets.h"
#include "metre/beat_map.h"
#include "metre/metre_map.h"
#include "metre/tempo_map.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/import.h"
#include "project/laid.h"
#include "sound/read.h"
#include "sound/write.h"
#include "stretch/method.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <gmock/gmock.h>
#include <gsl/gsl_integration.h>
#include <gtest/gtest.h>

namespace {

using metre::Beats;
using metre::Bpm;
using metre::Frames;
using metre::Seconds;

// Common practice, worked by hand: 60 × 8 / 3.75 = 128.
TEST(WorkedExamples, EightBeatsInThreeAndThreeQuarterSecondsAre128) {
    project::Source s;
    s.name = "loop";
    s.facts = {48000, 1, Frames(180000), "WAV"};
    const auto added = project::addSources({}, {s});
    const auto p = project::setSourceBeats(added.project, added.ids[0], 8);
    EXPECT_NEAR(project::sourceOf(*p, added.ids[0])->beats->meanTempo().value, 128, 1e-9);
}

// Common practice, worked by hand: 32 × 60 / 128 = 15 s; 15 s at 120 are 30 beats, seven bars and two beats; times
// 128/120 = 16/15 they are 32 beats, eight bars.
TEST(WorkedExamples, ThirtyTwoBeatsAt128) {
    EXPECT_DOUBLE_EQ(metre::duration(Beats(32), Bpm(128)).value, 15.0);
    const metre::TempoMap at120(Bpm(120));
    const metre::MetreMap fourFour;
    const auto end = fourFour.positionAt(at120.beatAt(Seconds(15)));
    EXPECT_EQ(end, (metre::BarPosition{8, 3, 0})) << "seven whole bars and two beats have gone by";
    EXPECT_EQ(fourFour.positionAt(at120.beatAt(Seconds(15.0 * 16 / 15))), (metre::BarPosition{9, 1, 0}));

    project::Source s;
    s.name = "loop";
    s.facts = {48000, 1, Frames(720000), "WAV"};
    s.sound = project::soundOf(support::strokes({0}, 15.0));
    s.beats = metre::BeatMap(Bpm(128), Seconds(0));
    const auto added = project::addSources({}, {s}); // a new project is at 120
    const auto placed = project::place(added.project, added.ids[0], {}, Beats(0));
    const auto laid = project::lay(placed->project);
    const auto job = laid->find(placed->id)->time().job();
    EXPECT_NEAR(job->map.meanRatio(), 16.0 / 15, 1e-6);
    EXPECT_EQ(job->map.outputLength(), Frames(768000));
}

// Common practice, worked by hand: what was made at 100 becomes 10/11 as long at 110.
TEST(WorkedExamples, HundredInto110IsTenElevenths) {
    const support::Folder folder;
    support::Audio a = support::strokes({0, 28800, 57600, 86400}, 2.4);
    ASSERT_TRUE(sound::write(folder / "loop_100bpm.wav", a, sound::Depth::Float32, {}, base::Existing::Refuse));
    ASSERT_EQ(support::run(std::string(PM_PMETRE) + " fit " + support::quoted(folder / "loop_100bpm.wav") + " " +
                           support::quoted(folder / "out.wav") + " --to 110")
                  .status,
              0);
    EXPECT_EQ(sound::read(folder / "out.wav", 0)->audio.frames().value, std::llround(115200 * 10 / 11.0));
}

// Standard MIDI File 1.0 (MIDI Manufacturers Association, 1988): the default tempo of 120 BPM is 500 000 µs a
// quarter. From memory; the file format's "FF 51 03 07 A1 20" is the same number.
TEST(Standards, A120BpmQuarterIsHalfAMillionMicroseconds) {
    EXPECT_EQ(std::llround(metre::duration(Beats(1), Bpm(120)).value * 1e6), 500000);
    EXPECT_EQ(0x07A120, 500000);
    const metre::TempoMap map(Bpm(120));
    EXPECT_EQ(std::llround((map.secondsAt(Beats(8)) - map.secondsAt(Beats(7))).value * 1e6), 500000);
}

// Equal temperament and A4 = 440 Hz (ISO 16): a semitone is a factor of 2^(1/12).
TEST(Standards, ASemitoneIsTheTwelfthRootOfTwo) {
    const support::Audio a4 = support::sine(440, 3.0);
    const std::vector<Frames> none;
    const auto map = metre::TimeMap::straight(a4.frames(), Frames(158400));
    for (const int st : {-9, 3, 12}) { // C4, C5, A5
        const auto r = stretch::render({a4, none}, *map, {stretch::Method::Struck, double(st), false});
        EXPECT_NEAR(support::cents(support::frequencyOf(*r, 440 * std::pow(2, st / 12.0)), 440), 100 * st, 1.0);
    }
}

double secondsPerBeat(double beat, void* map) {
    return 60.0 / static_cast<const metre::TempoMap*>(map)->tempoAt(Beats(beat)).value;
}

// The closed form of ramps against numerical integration (GNU Scientific Library, adaptive Gauss–Kronrod).
TEST(Reference, RampsAgreeWithNumericalIntegration) {
    for (const auto& [from, to, beats] :
         {std::tuple(60.0, 180.0, 16.0), std::tuple(140.0, 70.0, 3.0), std::tuple(100.0, 100.001, 64.0),
          std::tuple(20.0, 400.0, 1.0), std::tuple(399.0, 21.0, 500.0)}) {
        const auto map = metre::TempoMap::make({{Beats(0), Bpm(from), metre::TempoPoint::Shape::Ramp},
                                                {Beats(beats), Bpm(to), metre::TempoPoint::Shape::Hold}});
        ASSERT_TRUE(map);
        gsl_integration_workspace* work = gsl_integration_workspace_alloc(1000);
        gsl_function f{&secondsPerBeat, const_cast<metre::TempoMap*>(&*map)};
        for (const double part : {0.1, 0.5, 0.9, 1.0}) {
            double expected = 0;
            double error = 0;
            gsl_integration_qag(&f, 0, beats * part, 1e-12, 1e-12, 1000, GSL_INTEG_GAUSS61, work, &expected,
                                &error);
            EXPECT_NEAR(map->secondsAt(Beats(beats * part)).value, expected, 1e-9 * std::max(1.0, expected))
                << from << " to " << to;
            EXPECT_NEAR(map->beatAt(Seconds(expected)).value, beats * part, 1e-8 * beats);
        }
        gsl_integration_workspace_free(work);
    }
}

// The tempo tag is one that others read: held against MediaInfo, whose library is not ours.
TEST(Reference, AnotherToolReadsTheTempoTag) {
    const support::Folder folder;
    for (const char* name : {"out.wav", "out.flac", "out.aiff", "out.ogg"}) {
        ASSERT_EQ(support::run(std::string(PM_PMETRE) + " fit " +
                               support::quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                               support::quoted(folder / name) + " --to 104")
                      .status,
                  0);
        const auto said = support::run("mediainfo --Output=JSON " + support::quoted(folder / name));
        ASSERT_EQ(said.status, 0) << "mediainfo is one of the packages of the tests";
        EXPECT_NE(said.out.find("\"104\""), std::string::npos) << name << "\n" << said.out;
    }
}

// The demo's sources against the truth that the script which made them wrote down.
TEST(Demo, WhatNamesAndTagsSayIsTrue) {
    const std::string truth = support::readBytes(support::demoFolder().parent_path() / "truth.json");
    for (const auto& [name, bpm] :
         {std::pair("winch_hands_112bpm.wav", "112"), std::pair("keel_bass_96.aiff", "96"),
          std::pair("rope_shaker_124.wav", "124"), std::pair("lock_gate_brushes.mp3", "88")}) {
        const auto entry = truth.find(std::string("\"") + name + "\"");
        ASSERT_NE(entry, std::string::npos);
        EXPECT_EQ(truth.find(std::string("\"bpm\": ") + bpm + ",", entry), truth.find("\"bpm\":", entry)) << name;
        EXPECT_NEAR(project::importFile(support::demoAudio(name), 48000)->source.beats->meanTempo().value,
                    std::stod(bpm), 1e-9);
    }
}

// The circle of fifths. Key signatures of all keys, and the closely related keys of C major and of A minor: S.
// Kostka, D. Payne, "Tonal Harmony", McGraw-Hill, on key signatures and on closely related keys (from memory); the
// table of signatures stands in every handbook of music theory.
TEST(RelatedKeys, FollowTheCircleOfFifths) {
    const auto key = [](const char* text) { return *hear::parseKey(text); };
    const std::vector<std::pair<const char*, int>> signatures = {
        {"C", 0},   {"G", 1},   {"D", 2},   {"A", 3},   {"E", 4},   {"B", 5},   {"F#", 6},  {"F", -1},
        {"Bb", -2}, {"Eb", -3}, {"Ab", -4}, {"Db", -5}, {"Am", 0},  {"Em", 1},  {"Bm", 2},  {"F#m", 3},
        {"C#m", 4}, {"G#m", 5}, {"D#m", 6}, {"Dm", -1}, {"Gm", -2}, {"Cm", -3}, {"Fm", -4}, {"Bbm", -5}};
    for (const auto& [name, fifths] : signatures)
        EXPECT_EQ(hear::signatureOf(key(name)), fifths) << name;
    const auto related = [&](const char* to) {
        std::vector<std::string> list;
        for (const auto& [name, fifths] : signatures)
            if (hear::areRelated(key(to), key(name))) list.emplace_back(name);
        return list;
    };
    using ::testing::UnorderedElementsAre;
    EXPECT_THAT(related("C"), UnorderedElementsAre("C", "F", "G", "Am", "Dm", "Em"));
    EXPECT_THAT(related("Am"), UnorderedElementsAre("C", "F", "G", "Am", "Dm", "Em"));
    // Across the seam of the circle: six sharps are six flats.
    EXPECT_THAT(related("F#"), UnorderedElementsAre("F#", "B", "Db", "D#m", "G#m", "Bbm"));
}

} // namespace
