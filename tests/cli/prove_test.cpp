// pmetre check and meet, through the shell.
#include "cli/call.h"
#include "sound/write.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <sndfile.h>

namespace {

using nlohmann::json;
using support::Folder;
using support::quoted;
using support::run;

std::string prove(const std::string& arguments) {
    return std::string(PM_PMETRE) + " " + arguments;
}

// Strokes on every half beat of 104, for eight bars of four, each as late as is said.
std::filesystem::path loopAt104(const Folder& folder, const std::string& name, double late = 0) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < 64; ++i)
        at.push_back(std::llround((i * 30.0 / 104 + late) * 48000));
    const auto file = folder / name;
    support::writeSound(file, support::strokes(at, 32 * 60.0 / 104, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_24);
    return file;
}

TEST(PmetreCheck, SaysWhatIsPromisedOfEachFile) {
    const Folder folder;
    const auto file = loopAt104(folder, "hands.wav");
    const auto silent = folder / "silent.wav";
    support::writeSound(silent, support::silence(4), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const auto r = run(prove("check --bpm 104 " + quoted(file) + " " + quoted(silent)));
    EXPECT_EQ(r.status, 0) << r.err;
    std::istringstream in(r.out);
    std::string line;
    std::getline(in, line);
    const json j = json::parse(line);
    for (const char* key :
         {"file", "bpm", "metre", "onsets", "matched", "first_s", "median_ms", "p95_ms", "worst_ms", "worst_at_s",
          "drift_ms", "early", "late", "in_time", "length_error_frames", "lufs", "verdict"})
        EXPECT_TRUE(j.contains(key)) << key;
    EXPECT_EQ(j["verdict"], "in time");
    EXPECT_EQ(j["in_time"], 64);
    EXPECT_EQ(j["early"], 0);
    EXPECT_LT(std::abs(j["worst_ms"].get<double>()), 1);
    EXPECT_LE(std::abs(j["length_error_frames"].get<int>()), 1);
    EXPECT_FALSE(j.contains("cents"));
    std::getline(in, line);
    const json nothing = json::parse(line);
    EXPECT_EQ(nothing["verdict"], "unread");
    EXPECT_TRUE(nothing["median_ms"].is_null());
    EXPECT_TRUE(nothing["lufs"].is_null());
}

TEST(PmetreCheck, HoldsAgainstAPlaceThatIsSaidAndATolerance) {
    const Folder folder;
    const auto file = loopAt104(folder, "late.wav", 0.014);
    const json said = json::parse(run(prove("check --bpm 104 --first 0 " + quoted(file))).out);
    EXPECT_EQ(said["verdict"], "late");
    EXPECT_NEAR(said["median_ms"].get<double>(), 14, 0.3);
    EXPECT_EQ(said["late"], 64);
    const json wide = json::parse(run(prove("check --bpm 104 --first 0 --tolerance 20 " + quoted(file))).out);
    EXPECT_EQ(wide["verdict"], "in time");
    EXPECT_NEAR(json::parse(run(prove("check --bpm 104 " + quoted(file))).out)["first_s"].get<double>(), 0.014,
                0.0005);
}

// Read again from a file of its own, at another rate than the fitted one.
TEST(PmetreCheck, ComparesPitchAndLoudnessWithTheOriginal) {
    const Folder folder;
    sound::Audio tune(44100, 1, sound::Frames(8 * 44100));
    for (int i = 0; i < 16; ++i)
        support::pluck(tune, i * 0.5, i % 2 == 0 ? 220 : 329.63);
    const auto original = folder / "tune_120bpm.wav";
    support::writeSound(original, tune, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    const auto fitted = folder / "fitted.wav";
    ASSERT_EQ(run(prove("fit " + quoted(original) + " " + quoted(fitted) + " --to 110 --transpose 0.07")).status,
              0);
    const json j =
        json::parse(run(prove("check --bpm 110 --against " + quoted(original) + " " + quoted(fitted))).out);
    EXPECT_NEAR(j["cents"].get<double>(), 7, 0.5);
    EXPECT_LT(std::abs(j["loudness_change_lu"].get<double>()), 1);
    EXPECT_EQ(j["verdict"], "in time");
}

TEST(PmetreCheck, RefusesCallsThatMakeNoSenseAndNamesWhatCannotBeRead) {
    const Folder folder;
    const auto file = quoted(loopAt104(folder, "hands.wav"));
    EXPECT_EQ(run(prove("check " + file)).status, 2);
    EXPECT_EQ(run(prove("check --bpm fast " + file)).status, 2);
    EXPECT_EQ(run(prove("check --bpm 104 --tolerance 0 " + file)).status, 2);
    EXPECT_EQ(run(prove("check --bpm 104 --first soon " + file)).status, 2);
    EXPECT_EQ(run(prove("check --bpm 104 --metre 4/5 " + file)).status, 2);
    support::writeBytes(folder / "notes.wav", "these are no sounds");
    const auto r = run(prove("check --bpm 104 " + quoted(folder / "notes.wav") + " " + file));
    EXPECT_EQ(r.status, 1);
    EXPECT_NE(r.err.find("notes.wav"), std::string::npos);
    EXPECT_NE(r.out.find("\"error\""), std::string::npos);
    EXPECT_NE(r.out.find("in time"), std::string::npos); // the other was done
    EXPECT_EQ(run(prove("check --bpm 104 --against " + quoted(folder / "gone.wav") + " " + file)).status, 1);
}

TEST(PmetreMeet, FindsTheTempoOfLeastStrain) {
    const auto folder = support::demoFolder() / "audio";
    const auto r = run(prove("meet " + quoted(folder)));
    EXPECT_EQ(r.status, 0) << r.err;
    const json j = json::parse(r.out);
    EXPECT_EQ(j["files"].size(), 10U);
    double logs = 0;
    for (const json& f : j["files"]) {
        for (const char* key : {"file", "bpm", "used_bpm", "strain_percent", "verdict"})
            EXPECT_TRUE(f.contains(key)) << key;
        if (f["bpm"].is_null()) {
            EXPECT_TRUE(f["verdict"].is_null());
            continue;
        }
        EXPECT_NEAR(f["strain_percent"].get<double>(),
                    100 * (f["used_bpm"].get<double>() / j["bpm"].get<double>() - 1), 0.01);
        logs += std::log(f["used_bpm"].get<double>() / j["bpm"].get<double>());
    }
    EXPECT_LT(std::abs(logs), 0.5); // it lies in their middle
    const json between = json::parse(run(prove("meet --between 120-140 " + quoted(folder))).out);
    EXPECT_GE(between["bpm"].get<double>(), 120);
    EXPECT_LE(between["bpm"].get<double>(), 140);
    EXPECT_GT(between["strain_percent"].get<double>(), j["strain_percent"].get<double>());
    EXPECT_EQ(run(prove("meet --between fast " + quoted(folder))).status, 2);
    const auto none = run(prove("meet " + quoted(support::demoAudio("barge_bell.wav"))));
    EXPECT_EQ(none.status, 1);
    EXPECT_NE(none.err.find("None of these files has a tempo"), std::string::npos);
}

// Sixteenths at 120, the third of each beat late by so much.
sound::Audio lateThirds(double late, int bars = 4) {
    std::vector<std::int64_t> at;
    for (int step = 0; step < 16 * bars; ++step)
        at.push_back(std::llround((step * 0.125 + (step % 4 == 2 ? late : 0)) * 44100));
    return support::strokes(at, bars * 2.0, 44100);
}

TEST(PmetreFeel, TellsGridSwingLoosenessAndPlaces) {
    const Folder folder;
    ASSERT_TRUE(sound::write(folder / "late_120bpm.wav", lateThirds(0.010), sound::Depth::Int24, {},
                             base::Existing::Refuse));
    const auto r = run(support::pmetre("feel " + quoted(folder / "late_120bpm.wav") + " --bpm 120 --first 0"));
    ASSERT_EQ(r.status, 0) << r.err;
    const auto j = support::objects(r.out).at(0);
    EXPECT_EQ(j["grid"], "16");
    EXPECT_NEAR(j["bpm"].get<double>(), 120, 1e-6);
    EXPECT_LT(j["loose_ms"].get<double>(), 0.5);
    EXPECT_NEAR(j["hits"].get<double>(), 64, 1);
    ASSERT_EQ(j["places"].size(), 16U);
    for (const auto& place : j["places"]) {
        const int p = place["place"];
        EXPECT_NEAR(place["hits"].get<double>(), 4, 1);
        EXPECT_NEAR(place["offset_ms"].get<double>(), p % 4 == 2 ? 10 : 0, 1.0) << p;
    }
    const auto table = run(support::pmetre("feel " + quoted(folder / "late_120bpm.wav") + " --table"));
    EXPECT_NE(table.out.find("swing"), std::string::npos);
    EXPECT_NE(table.out.find("o"), std::string::npos);
}

TEST(PmetreFeel, WhatHasNoneSaysWhyAndWrongCallsAreRefused) {
    const auto r = run(support::pmetre("feel " + quoted(support::demoAudio("barge_bell.wav"))));
    EXPECT_EQ(r.status, 1);
    EXPECT_NE(r.err.find("is one hit and has no feel"), std::string::npos) << r.err;
    EXPECT_TRUE(support::objects(r.out).at(0).contains("error"));
    EXPECT_EQ(run(support::pmetre("feel x.wav --first 1")).status, 2);
    EXPECT_EQ(run(support::pmetre("feel x.wav --bpm fast")).status, 2);
    for (const char* wrong : {"--tighten 120", "--tighten 50 --grid 7", "--tighten 50 --swing 99", "--swing 55",
                              "--tighten 50 --leave -1"})
        EXPECT_EQ(run(support::pmetre(std::string("fit a.wav b.wav --to 100 ") + wrong)).status, 2) << wrong;
    EXPECT_EQ(run(support::pmetre("fit a.wav b.wav --ratio 1.1 --tighten 50")).status, 2);
}

TEST(PmetreFit, TightenDrawsHitsToTheGridAndLendsAFeel) {
    const Folder folder;
    const auto in = folder / "late_120bpm.wav";
    ASSERT_TRUE(sound::write(in, lateThirds(0.012), sound::Depth::Int24, {}, base::Existing::Refuse));
    const auto worstOf = [&](const std::string& options, const char* out) {
        const auto fit =
            run(support::pmetre("fit " + quoted(in) + " " + quoted(folder / out) + " --to 112 " + options));
        EXPECT_EQ(fit.status, 0) << fit.err;
        const auto check = run(support::pmetre("check " + quoted(folder / out) + " --bpm 112 --first 0"));
        return std::abs(support::objects(check.out).at(0)["worst_ms"].get<double>());
    };
    EXPECT_GT(worstOf("", "as_played.wav"), 10);
    EXPECT_LT(worstOf("--tighten 100", "tight.wav"), 1.5);
    EXPECT_NEAR(worstOf("--tighten 50", "half.wav"), 0.5 * 12 * 120 / 112, 1.5);
    EXPECT_GT(worstOf("--tighten 100 --feel " + quoted(in), "lent.wav"), 8) << "to its own feel: it stays";
    EXPECT_NE(run(support::pmetre("fit " + quoted(in) + " " + quoted(folder / "x.wav") +
                                  " --to 112 --tighten 50 --feel " + quoted(folder / "none.feel.json")))
                  .status,
              0);
}

TEST(PmetreCheck, PlacedAndPlayedAreToldApartAgainstTheOriginal) {
    const Folder folder;
    const auto in = folder / "late_120bpm.wav";
    ASSERT_TRUE(sound::write(in, lateThirds(0.012, 8), sound::Depth::Int24, {}, base::Existing::Refuse));
    ASSERT_EQ(run(support::pmetre("fit " + quoted(in) + " " + quoted(folder / "out.wav") + " --to 112")).status, 0);
    const auto r = run(
        support::pmetre("check " + quoted(folder / "out.wav") + " --bpm 112 --first 0 --against " + quoted(in)));
    const auto j = support::objects(r.out).at(0);
    EXPECT_LT(j["placed_p95_ms"].get<double>(), 1);
    EXPECT_NEAR(j["played_worst_ms"].get<double>(), 12 * 120.0 / 112, 1);
    EXPECT_EQ(j["verdict"], "loose");
    const auto alone = run(support::pmetre("check " + quoted(folder / "out.wav") + " --bpm 112 --first 0"));
    EXPECT_TRUE(support::objects(alone.out).at(0)["placed_p95_ms"].is_null());
}

} // namespace
