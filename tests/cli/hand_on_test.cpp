// pmetre fit over folders, and deliver, through the shell.
#include "cli/call.h"
#include "project/import.h"
#include "project/save.h"
#include "sound/carried.h"
#include "sound/read.h"
#include "sound/tags.h"
#include "support/audio.h"
#include "support/files.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <csignal>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <set>
#include <sndfile.h>
#include <sstream>
#include <thread>

namespace {

namespace fs = std::filesystem;
using nlohmann::json;
using support::Folder;
using support::quoted;
using support::run;
constexpr auto handOn = support::pmetre;
constexpr auto each = support::objects;

std::vector<std::string> namesIn(const fs::path& folder) {
    std::vector<std::string> names;
    for (const auto& entry : fs::directory_iterator(folder))
        names.push_back(entry.path().filename());
    std::sort(names.begin(), names.end());
    return names;
}

// So many beats of strokes at a tempo.
void loopInto(const fs::path& file, double bpm, int beats = 8) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < beats; ++i)
        at.push_back(std::llround(i * 60 / bpm * 48000));
    fs::create_directories(file.parent_path());
    support::writeSound(file, support::strokes(at, beats * 60 / bpm, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
}

TEST(PmetreFitFolder, FitsAllOfThemInOrderEachUnderANameOfItsOwn) {
    const Folder folder;
    loopInto(folder / "in" / "a_92bpm.wav", 92);
    loopInto(folder / "in" / "b_131bpm.wav", 131);
    loopInto(folder / "in" / "deeper" / "a_113bpm.wav", 113);
    support::writeBytes(folder / "in" / "notes.wav", "no sound");
    const auto r =
        run(handOn("fit -r " + quoted(folder / "in") + " --out " + quoted(folder / "out") + " --to 104"));
    EXPECT_EQ(r.status, 1) << "one of them is no sound";
    EXPECT_NE(r.err.find("notes.wav"), std::string::npos);
    const auto list = each(r.out);
    ASSERT_EQ(list.size(), 4U);
    EXPECT_EQ(list[0]["from_bpm"], 92);
    EXPECT_EQ(list[0]["by"], "name");
    EXPECT_EQ(list[1]["from_bpm"], 131);
    // Two are called a: the later one is told apart, whichever was ready first.
    EXPECT_EQ(namesIn(folder / "out"),
              (std::vector<std::string>{"a_104bpm 2.wav", "a_104bpm.wav", "b_104bpm.wav"}));
    EXPECT_EQ(fs::path(list[2]["out"].get<std::string>()).filename(), "a_104bpm 2.wav") << r.out;
    for (const auto& name : namesIn(folder / "out"))
        EXPECT_EQ(sound::read(folder / "out" / name, 0)->audio.frames().value,
                  std::llround(8 * 60 / 104.0 * 48000));
    // Asked again nothing is replaced, and said so before any work.
    const auto again =
        run(handOn("fit -r " + quoted(folder / "in") + " --out " + quoted(folder / "out") + " --to 104"));
    EXPECT_EQ(again.status, 1);
    EXPECT_NE(again.err.find("--overwrite"), std::string::npos);
    EXPECT_EQ(run(handOn("fit " + quoted(folder / "in" / "a_92bpm.wav") + " --out " + quoted(folder / "out") +
                         " --to 104 --overwrite"))
                  .status,
              0);
}

TEST(PmetreFitFolder, WritesAllSixFormats) {
    const Folder folder;
    const auto bass = support::demoAudio("keel_bass_96.aiff");
    for (const std::string format : {"wav", "aiff", "flac", "ogg", "opus", "mp3"}) {
        const auto r = run(handOn("fit " + quoted(bass) + " --out " + quoted(folder / format) +
                                  " --to 104 --format " + format + " --names '{name} at {bpm}'"));
        ASSERT_EQ(r.status, 0) << r.err;
        const fs::path file = each(r.out).at(0)["out"].get<std::string>();
        EXPECT_EQ(file.filename(), "keel_bass at 104." + format);
        const auto back = sound::read(file, 0);
        ASSERT_TRUE(back.has_value()) << back.error().text;
        // To the frame where nothing is lost; MP3 counts in frames of its own, and may say a little more.
        EXPECT_NEAR(back->audio.length().value, 8 * 60 / 104.0, format == "mp3" ? 0.05 : 1e-4) << format;
        const sound::Tags tags = sound::readTags(file);
        ASSERT_TRUE(tags.bpm.has_value()) << format;
        EXPECT_NEAR(tags.bpm->value, 104, 1e-3);
        EXPECT_EQ(tags.key, "Dm") << format;
    }
    const auto large =
        run(handOn("fit " + quoted(bass) + " " + quoted(folder / "q10.ogg") + " --to 104 --quality 10"));
    const auto small =
        run(handOn("fit " + quoted(bass) + " " + quoted(folder / "q0.ogg") + " --to 104 --quality 0"));
    ASSERT_EQ(large.status + small.status, 0);
    EXPECT_GT(fs::file_size(folder / "q10.ogg"), 3 * fs::file_size(folder / "q0.ogg"));
}

TEST(PmetreFitFolder, RefusesWhatWouldDoNothing) {
    const Folder folder;
    const std::string hands = quoted(support::demoAudio("winch_hands_112bpm.wav"));
    const std::string out = " " + quoted(folder / "x.wav") + " --to 104 ";
    const std::string into = " --out " + quoted(folder / "out") + " --to 104 ";
    for (const auto& [arguments, reason] :
         {std::pair(hands + out + "--quality 5", "nothing is lost"),
          {hands + out + "--names '{name}'", "without --out"},
          {hands + out + "--format flac", "without --out"},
          {hands + out + "--formants", "without --transpose"},
          {hands + out + "--from 112 --steady", "--steady does nothing"},
          {hands + out + "--from 112 --trust-hearing", "--trust-hearing does nothing"},
          {hands + out + "--like x.wav", "not both"},
          {hands + into + "--format mp3 --depth 16", "such files have none"},
          {hands + into + "--format doc", "is not a format"},
          {hands + into + "--format ogg --quality 11", "0 to 10"},
          {hands + " --to 104", "--out"},
          {hands + " " + quoted(folder.path()) + " --to 104", "is a folder"}}) {
        const auto r = run(handOn("fit " + arguments));
        EXPECT_EQ(r.status, 2) << arguments;
        EXPECT_NE(r.err.find(reason), std::string::npos) << arguments << "\n" << r.err;
    }
    const auto unknown = run(handOn("fit " + hands + into + "--names '{colour}'"));
    EXPECT_EQ(unknown.status, 2);
    EXPECT_NE(unknown.err.find("{name}"), std::string::npos) << unknown.err;
    EXPECT_FALSE(fs::exists(folder / "out"));
}

TEST(PmetreFitFolder, TakesTheTempoOfAnotherFile) {
    const Folder folder;
    loopInto(folder / "slow_90bpm.wav", 90);
    const auto r = run(handOn("fit " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                              quoted(folder / "x.wav") + " --like " + quoted(folder / "slow_90bpm.wav")));
    ASSERT_EQ(r.status, 0) << r.err;
    EXPECT_EQ(each(r.out).at(0)["bpm"], 90);
    EXPECT_EQ(run(handOn("fit " + quoted(folder / "slow_90bpm.wav") + " " + quoted(folder / "y.wav") + " --like " +
                         quoted(support::demoAudio("barge_bell.wav"))))
                  .status,
              1);
}

// What the input says of itself besides its tempo is carried over; its places move with the sound.
TEST(PmetreFitFolder, CarriesOverTagsCuesAndTimeReference) {
    const Folder folder;
    const auto in = folder / "told_100bpm.wav";
    sound::WriteAs as;
    as.tags.others = {{"TITLE", {"Morning at the lock"}}, {"COMMENT", {"mist, 2nd take"}}};
    as.cues = {{sound::Frames(0), "begin"}, {sound::Frames(48000), "turn"}};
    as.reference = sound::TimeReference{1234567, "from the towpath"};
    sound::Audio audio = support::strokes({0, 28800, 57600, 86400}, 2.4);
    ASSERT_TRUE(
        sound::write(in,
                     sound::Blocks{48000, 1, audio.frames(),
                                   [&](sound::Frames) { return sound::AudioPtr(sound::AudioPtr(), &audio); }},
                     as));
    const auto r = run(handOn("fit " + quoted(in) + " " + quoted(folder / "out.wav") + " --to 80 --loop"));
    ASSERT_EQ(r.status, 0) << r.err;
    const sound::Tags tags = sound::readTags(folder / "out.wav");
    EXPECT_EQ(tags.others.at("TITLE"), (std::vector<std::string>{"Morning at the lock"}));
    EXPECT_EQ(tags.others.at("COMMENT"), (std::vector<std::string>{"mist, 2nd take"}));
    EXPECT_NEAR(tags.bpm->value, 80, 1e-6);
    const auto cues = sound::readCues(folder / "out.wav");
    ASSERT_EQ(cues.size(), 2U);
    EXPECT_EQ(cues[1].at.value, 60000);
    EXPECT_EQ(cues[1].name, "turn");
    const auto reference = sound::readTimeReference(folder / "out.wav");
    ASSERT_TRUE(reference.has_value());
    EXPECT_EQ(reference->frames, 1234567);
    EXPECT_EQ(reference->description, "from the towpath");
    const sound::LoopInfo loop = sound::readLoopInfo(folder / "out.wav");
    ASSERT_TRUE(loop.loop.has_value());
    EXPECT_EQ(loop.loop->first.value, 0);
    EXPECT_EQ(loop.beats, 4);
}

TEST(PmetreDeliver, WritesWhatTheWindowDoes) {
    const Folder folder;
    const auto r = run(handOn("deliver " + quoted(support::demoFolder()) + " --out " + quoted(folder / "out") +
                              " --what mix,click,map,proof --from 3 --to 4 --tail 0.5 --format flac --depth 16"));
    ASSERT_EQ(r.status, 0) << r.err;
    const auto list = each(r.out);
    ASSERT_EQ(list.size(), 5U);
    EXPECT_EQ(list[0]["what"], "mix");
    EXPECT_EQ(
        namesIn(folder / "out"),
        (std::vector<std::string>{"canal_journey_click.flac", "canal_journey_mix.flac", "canal_journey_proof.csv",
                                  "canal_journey_proof.html", "canal_journey_tempo_map.mid"}));
    const auto mix = sound::read(folder / "out" / "canal_journey_mix.flac", 0);
    const auto first = std::llround(8 * 60 / 104.0 * 48000);
    EXPECT_EQ(mix->audio.frames().value, std::llround((16 * 60 / 104.0 + 0.5) * 48000) - first);
    EXPECT_EQ(mix->facts.format, "FLAC 16-bit");
    // Once more: refused before any work; what stands there stays.
    const auto before = support::readBytes(folder / "out" / "canal_journey_mix.flac");
    const auto again = run(handOn("deliver " + quoted(support::demoFolder()) + " --out " + quoted(folder / "out") +
                                  " --what mix --format flac"));
    EXPECT_EQ(again.status, 1);
    EXPECT_NE(again.err.find("--overwrite"), std::string::npos);
    EXPECT_EQ(support::readBytes(folder / "out" / "canal_journey_mix.flac"), before);
}

TEST(PmetreDeliver, RefusesCallsThatMakeNoSense) {
    const Folder folder;
    const std::string demo = quoted(support::demoFolder()) + " --out " + quoted(folder / "out");
    for (const char* wrong : {" --what cake", " --what loops,", " --format doc", " --format ogg --depth 16",
                              " --quality 5", " --from 0 --what mix", " --from 2", " --what mix --tail -1",
                              " --level loud", " --rate 12", " --what mix --names x"}) {
        EXPECT_EQ(run(handOn("deliver " + demo + wrong)).status, 2) << wrong;
    }
    EXPECT_EQ(run(handOn("deliver " + demo + " --what mix --from 9 --to 3")).status, 1);
    EXPECT_EQ(run(handOn("deliver " + quoted(folder / "gone") + " --out " + quoted(folder / "out"))).status, 1);
    EXPECT_FALSE(fs::exists(folder / "out"));
}

// Ctrl-C at any moment leaves no half file.
TEST(PmetreDeliver, EndedItLeavesWholeFilesOnly) {
    for (const int after : {30, 250, 700}) {
        const Folder folder;
        run("timeout -s INT 0." + std::string(after < 100 ? "0" : "") + std::to_string(after) + " " +
            handOn("deliver " + quoted(support::demoFolder()) + " --out " + quoted(folder / "out") +
                   " --what loops,stems"));
        if (!fs::exists(folder / "out")) continue;
        for (const auto& name : namesIn(folder / "out")) {
            EXPECT_NE(name.front(), '.') << name;
            EXPECT_TRUE(sound::read(folder / "out" / name, 0).has_value()) << name;
        }
    }
}

TEST(PmetreFitFolder, EndedItEndsAndLeavesWholeFilesOnly) {
    const Folder folder;
    for (int i = 0; i < 40; ++i)
        loopInto(folder / "in" / ("loop_" + std::to_string(i) + "_100bpm.wav"), 100, 32);
    for (const char* after : {"0.05", "0.2", "0.5"}) {
        const auto out = folder / (std::string("out") + after);
        const auto begin = std::chrono::steady_clock::now();
        const auto r = run(std::string("timeout -k 20 -s INT ") + after + " " +
                           handOn("fit " + quoted(folder / "in") + " --out " + quoted(out) + " --to 90 --jobs 4"));
        EXPECT_LT(std::chrono::steady_clock::now() - begin, std::chrono::seconds(15)) << "it hung";
        EXPECT_EQ(r.err.find("Killed"), std::string::npos);
        if (!fs::exists(out)) continue;
        for (const auto& name : namesIn(out)) {
            EXPECT_NE(name.front(), '.') << name;
            EXPECT_TRUE(sound::read(out / name, 0).has_value()) << name;
        }
    }
}

TEST(Pmetre, SaysItsVersion) {
    const auto r = run(handOn("--version"));
    EXPECT_EQ(r.status, 0);
    EXPECT_EQ(r.out.substr(0, 7), "pmetre ");
}

// Three minutes are read aside, and rendered minute by minute.
TEST(PmetreFit, WhatIsLongComesOutAsItDoesInMemory) {
    const Folder folder;
    const sound::Audio noise = support::noise(180, 44100, 2, 9, 0.1);
    const auto in = folder / "long.wav";
    ASSERT_TRUE(sound::write(in, noise, sound::Depth::Float32, {}, base::Existing::Refuse));
    const auto r = run(handOn("fit " + quoted(in) + " " + quoted(folder / "out.wav") +
                              " --ratio 1.07 --style struck --depth float"));
    ASSERT_EQ(r.status, 0) << r.err;
    const auto out = sound::read(folder / "out.wav", 0);
    ASSERT_TRUE(out);
    const auto sound = project::soundOf(noise);
    const auto frames = noise.frames();
    const auto map = *metre::TimeMap::straight(frames, metre::Frames(std::llround(double(frames.value) * 1.07)));
    const auto whole = stretch::render({sound->audio, sound->attacks}, map, {});
    ASSERT_TRUE(whole);
    ASSERT_EQ(out->audio.channelCount(), 2);
    EXPECT_EQ(out->audio.channels[0], whole->channels[0]);
    EXPECT_EQ(out->audio.channels[1], whole->channels[1]);
}

} // namespace
