// pmetre as people run it: through the shell.
#include "base/utf8.h"
#include "project/import.h"
#include "sound/read.h"
#include "sound/tags.h"
#include "sound/write.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/wait.h"

#include <chrono>
#include <cmath>
#include <csignal>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <random>
#include <sndfile.h>
#include <sstream>
#include <sys/wait.h>
#include <thread>
#include <unistd.h>

namespace {

using nlohmann::json;
using support::Folder;
using support::quoted;
using support::run;

std::string pmetre(const std::string& arguments) {
    return std::string(PM_PMETRE) + " " + arguments;
}

std::vector<json> lines(const std::string& out) {
    std::vector<json> list;
    std::istringstream in(out);
    std::string line;
    while (std::getline(in, line))
        list.push_back(json::parse(line));
    return list;
}

TEST(PmetreRead, OneObjectAFileInTheOrderGiven) {
    const auto r = run(pmetre("read " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                              quoted(support::demoAudio("barge_bell.wav")) + " " +
                              quoted(support::demoAudio("lock_gate_brushes.mp3"))));
    EXPECT_EQ(r.status, 0) << r.err;
    const auto list = lines(r.out);
    ASSERT_EQ(list.size(), 3U);
    for (const json& j : list) {
        for (const char* key : {"bars",     "beats",        "beats_s",      "bpm",    "candidates", "confidence",
                                "file",     "first_beat_s", "key",          "source", "steady",     "kind",
                                "readings", "disagreement", "beats_in_bar", "maybe",  "pins",       "seconds",
                                "rate",     "channels",     "warnings",     "metre"})
            EXPECT_TRUE(j.contains(key)) << key;
    }
    EXPECT_EQ(list[0]["bpm"], 112);
    EXPECT_EQ(list[0]["beats"], 16);
    EXPECT_EQ(list[0]["bars"], 4);
    EXPECT_EQ(list[0]["metre"], "4/4");
    EXPECT_TRUE(list[1]["metre"].is_null());
    EXPECT_EQ(list[0]["source"], "name");
    EXPECT_EQ(list[0]["beats_s"].size(), 16U);
    EXPECT_NEAR(list[0]["beats_s"][15].get<double>(), 15 * 60.0 / 112, 1e-5);
    EXPECT_TRUE(list[1]["bpm"].is_null());
    EXPECT_EQ(list[1]["kind"], "one-hit");
    EXPECT_EQ(list[2]["source"], "tag");
    EXPECT_EQ(list[2]["bpm"], 88);
}

TEST(PmetreRead, TheMetreIsToldAndBarsAreCountedByIt) {
    const support::Folder folder;
    const auto write = [&](const std::string& name, const std::vector<int>& groups) {
        ASSERT_TRUE(sound::write(folder / name, support::accented(groups, 0.26), sound::Depth::Int16, {},
                                 base::Existing::Refuse));
    };
    write("a.wav", {2, 2, 3});
    write("b.wav", {6, 4});
    const auto list = lines(run(pmetre("read " + quoted(folder / "a.wav") + " " + quoted(folder / "b.wav"))).out);
    ASSERT_EQ(list.size(), 2U);
    EXPECT_EQ(list[0]["metre"], "7/8");
    EXPECT_EQ(list[0]["bars"], 4);
    EXPECT_EQ(list[1]["metre"], "5/4");
    EXPECT_EQ(list[1]["beats_in_bar"], 5);
    EXPECT_EQ(list[1]["bars"], 4);
    EXPECT_NE(list[1]["readings"]["length"]["evidence"].get<std::string>().find("4 bars of 5/4"), std::string::npos)
        << list[1]["readings"]["length"]["evidence"];
}

TEST(PmetreRead, NamesAndTagsCanBeIgnoredAndARangeHalvesAndDoubles) {
    const std::string hands = quoted(support::demoAudio("winch_hands_112bpm.wav"));
    const auto heard = lines(run(pmetre("read --ignore-name " + hands)).out)[0];
    EXPECT_NEAR(heard["bpm"].get<double>(), 112, 0.01);
    EXPECT_NE(heard["source"], "name");
    EXPECT_FALSE(heard["readings"].contains("name"));
    const auto untagged =
        lines(run(pmetre("read --ignore-tags " + quoted(support::demoAudio("lock_gate_brushes.mp3")))).out)[0];
    EXPECT_NEAR(untagged["bpm"].get<double>(), 88, 0.01);
    EXPECT_FALSE(untagged["readings"].contains("tag"));
    const auto half = lines(run(pmetre("read --range 40-80 " + hands)).out)[0];
    EXPECT_EQ(half["bpm"], 56);
    EXPECT_EQ(half["beats"], 8);
    const auto bad = run(pmetre("read --range fast " + hands));
    EXPECT_EQ(bad.status, 2);
    EXPECT_NE(bad.err.find("fast"), std::string::npos);
}

TEST(PmetreRead, BadFilesAreNamedAndTheOthersDone) {
    const Folder folder;
    support::writeBytes(folder / "list.wav", "milk, bread\n");
    const std::string odd = "odd\xff_100bpm.wav";
    support::writeSound(folder / odd, support::sine(440, 1.2), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const auto r = run(pmetre("read " + quoted(folder / "list.wav") + " " + quoted(folder / "nowhere.wav") + " " +
                              quoted(folder / odd)));
    EXPECT_EQ(r.status, 1);
    EXPECT_NE(r.err.find("list.wav"), std::string::npos);
    EXPECT_NE(r.err.find("nowhere.wav could not be read: there is no such file"), std::string::npos) << r.err;
    const auto list = lines(r.out);
    ASSERT_EQ(list.size(), 3U);
    // Those that failed have their place in the results too.
    EXPECT_EQ(list[0]["file"], (folder / "list.wav").string());
    EXPECT_NE(list[0]["error"].get<std::string>().find("list.wav"), std::string::npos);
    EXPECT_FALSE(list[0].contains("bpm"));
    EXPECT_TRUE(list[1].contains("error"));
    EXPECT_EQ(list[2]["bpm"], 100);
    EXPECT_EQ(list[2]["beats"], 2);
    // A name that is no UTF-8 can be mapped back.
    std::string bytes;
    const std::string hex = list[2]["file_bytes"];
    for (std::size_t i = 0; i < hex.size(); i += 2)
        bytes += static_cast<char>(std::stoi(hex.substr(i, 2), nullptr, 16));
    EXPECT_EQ(bytes, (folder / odd).string());
    EXPECT_FALSE(list[0].contains("file_bytes"));
}

TEST(PmetreRead, ATableForPeople) {
    const auto r = run(pmetre("read --table " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                              quoted(support::demoAudio("towpath_accordion.ogg")) + " " +
                              quoted(support::demoAudio("barge_bell.wav"))));
    EXPECT_EQ(r.status, 0) << r.err;
    std::istringstream in(r.out);
    std::string line;
    std::getline(in, line);
    for (const char* column : {"tempo", "beats", "sure", "by", "kind", "key", "file"})
        EXPECT_NE(line.find(column), std::string::npos) << line;
    std::getline(in, line);
    for (const char* cell : {"112.00", "16", "name", "struck", "winch_hands_112bpm.wav"})
        EXPECT_NE(line.find(cell), std::string::npos) << line;
    std::getline(in, line);
    EXPECT_NE(line.find("free"), std::string::npos) << line;
    std::getline(in, line);
    EXPECT_NE(line.find("one hit"), std::string::npos) << line;
    EXPECT_EQ(line.find_first_not_of(" –\xe2\x80\x93"), line.find("one hit")) << "no number: " << line;
}

TEST(PmetreRead, FiveHundredFilesInOneCallInTheirOrder) {
    const Folder folder;
    // Long ones among short ones, so that they do not come to an end in the order in which they began.
    std::string files;
    for (int i = 0; i < 500; ++i) {
        const std::string name = std::to_string(i) + "_" + std::to_string(60 + i % 120) + "bpm.wav";
        support::writeSound(folder / name, support::noise(i % 50 == 0 ? 6 : 0.05, 8000),
                            SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        files += " " + quoted(folder / name);
    }
    const auto r = run(pmetre("read" + files));
    EXPECT_EQ(r.status, 0) << r.err;
    const auto list = lines(r.out);
    ASSERT_EQ(list.size(), 500U);
    for (std::size_t i = 0; i < 500; ++i) {
        EXPECT_EQ(list[i]["bpm"], 60 + i % 120);
        const std::string file = list[i]["file"];
        EXPECT_EQ(std::filesystem::path(file).filename().string().rfind(std::to_string(i) + "_", 0), 0U) << file;
    }
}

TEST(PmetreRead, WhatIsHeardStandsBesideWhatIsSaid) {
    const Folder folder;
    const auto loop = support::drumLoop(support::steadyBeats(128, 16), 7.5);
    support::writeSound(folder / "weir 97.wav", loop, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const json j = lines(run(pmetre("read " + quoted(folder / "weir 97.wav"))).out).at(0);
    EXPECT_EQ(j["readings"]["name"]["bpm"], 97);
    EXPECT_NEAR(j["readings"]["heard"]["bpm"].get<double>(), 128, 0.01);
    EXPECT_EQ(j["readings"]["length"]["beats"], 16);
    EXPECT_NE(j["disagreement"].get<std::string>().find("97"), std::string::npos);
    double before = 2;
    bool half = false;
    bool twice = false;
    for (const json& c : j["candidates"]) {
        EXPECT_LE(c["weight"].get<double>(), before) << "heaviest first";
        before = c["weight"];
        half |= std::abs(c["bpm"].get<double>() - 64) < 0.05;
        twice |= std::abs(c["bpm"].get<double>() - 256) < 0.2;
    }
    EXPECT_TRUE(half && twice);
}

TEST(PmetreRead, AFileThatMayNotBeReadSaysSo) {
    const Folder folder;
    const auto path = folder / "locked_100bpm.wav";
    support::writeSound(path, support::sine(440, 0.5), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    std::filesystem::permissions(path, std::filesystem::perms::none);
    // The superuser may read everything; the test then becomes nobody.
    const std::string nobody = geteuid() == 0 ? "setpriv --reuid=65534 --clear-groups " : "";
    const auto r = run(nobody + pmetre("read " + quoted(path)));
    EXPECT_EQ(r.status, 1);
    EXPECT_NE(r.err.find("locked_100bpm.wav could not be read: you may not read this file"), std::string::npos)
        << r.err;
}

TEST(PmetreFit, TempoToTempo) {
    const Folder folder;
    const std::string hands = quoted(support::demoAudio("winch_hands_112bpm.wav"));
    ASSERT_EQ(
        run(pmetre("fit " + hands + " " + quoted(folder / "a.wav") + " --from 112 --to 104 --depth 24")).status, 0);
    const auto a = sound::read(folder / "a.wav", 0);
    EXPECT_EQ(a->audio.frames().value, std::llround(411429 * 112.0 / 104));
    EXPECT_EQ(sound::readTags(folder / "a.wav").bpm->value, 104);
    // The same said three ways is the same.
    ASSERT_EQ(run(pmetre("fit " + hands + " " + quoted(folder / "b.wav") + " --to 104 --depth 24")).status, 0);
    EXPECT_TRUE(support::readBytes(folder / "a.wav") == support::readBytes(folder / "b.wav"));
    ASSERT_EQ(
        run(pmetre("fit " + hands + " " + quoted(folder / "c.wav") + " --beats 16 --to 104 --style drums")).status,
        0);
    EXPECT_EQ(sound::read(folder / "c.wav", 0)->audio.frames().value, std::llround(16 * 60 / 104.0 * 48000));
}

TEST(PmetreFit, RatioOneIsBitForBit) {
    const Folder folder;
    for (const char* style : {"auto", "struck", "tape"}) {
        ASSERT_EQ(run(pmetre("fit " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                             quoted(folder / "same.wav") + " --overwrite --depth 16 --ratio 1 --style " + style))
                      .status,
                  0);
        EXPECT_EQ(sound::read(folder / "same.wav", 0)->audio.channels,
                  sound::read(support::demoAudio("winch_hands_112bpm.wav"), 0)->audio.channels);
    }
}

TEST(PmetreFit, TransposesAndWritesOtherFormats) {
    const Folder folder;
    support::writeSound(folder / "a.wav", support::sine(440, 2), SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    for (const char* out : {"b.flac", "b.aiff", "b.wav"}) {
        ASSERT_EQ(run(pmetre("fit " + quoted(folder / "a.wav") + " " + quoted(folder / out) +
                             " --ratio 1.2 --transpose -5"))
                      .status,
                  0);
        const auto r = sound::read(folder / out, 0);
        EXPECT_EQ(r->audio.frames().value, 115200);
        EXPECT_NEAR(support::cents(support::frequencyOf(r->audio, 440 * std::exp2(-5 / 12.0)), 440), -500, 1);
    }
}

TEST(PmetreFit, RefusesInWordsAndWritesNothing) {
    const Folder folder;
    const std::string hands = quoted(support::demoAudio("winch_hands_112bpm.wav"));
    const std::string bell = quoted(support::demoAudio("barge_bell.wav"));
    const std::string out = " " + quoted(folder / "x.wav") + " ";
    // A call that is wrong in itself ends with 2, one that fails with 1.
    for (const auto& [arguments, reason, status] :
         {std::tuple(hands + out + "--to fast", "fast", 2),
          {hands + out + "--to 0", "tempo lies between", 2},
          {hands + out + "--to=-5", "tempo lies between", 2},
          {hands + out + "--to 1e9", "tempo lies between", 2},
          {hands + out, "--to", 2},
          {hands + out + "--ratio 0", "0.25 to 4", 2},
          {hands + out + "--ratio nan", "0.25 to 4", 2},
          {hands + out + "--ratio=-1", "0.25 to 4", 2},
          {hands + out + "--ratio 1e9", "0.25 to 4", 2},
          {hands + out + "--from 112 --to 20", "0.25 to 4", 2},
          {hands + out + "--ratio 2 --to 100", "not both", 2},
          {hands + out + "--beats many --to 100", "--beats", 2},
          {bell + out + "--to 100", "barge_bell.wav does not say", 1},
          {hands + out + "--to 100 --style magic", "magic", 2},
          {hands + out + "--to 100 --transpose 99", "24 semitones", 2},
          {hands + out + "--to 100 --depth 12", "--depth", 2},
          {hands + " " + quoted(folder / "x.ogg") + " --to 100 --depth 16", "such files have none", 2},
          {hands + " " + quoted(folder / "x.flac") + " --to 100 --depth float", "such files have none", 2},
          {quoted("nowhere.wav") + out + "--to 100", "nowhere.wav", 1},
          {hands + " " + quoted(folder / "x.doc") + " --to 100", "must end in", 2},
          {hands + " " + quoted(folder / "no" / "x.wav") + " --to 100", "folder is not there", 1}}) {
        const auto r = run(pmetre("fit " + arguments));
        EXPECT_EQ(r.status, status) << arguments;
        EXPECT_NE(r.err.find(reason), std::string::npos) << arguments << "\n" << r.err;
        // One that failed has its line, a call that is wrong has none.
        EXPECT_EQ(r.out.find("\"error\"") != std::string::npos, status == 1) << r.out;
    }
    EXPECT_TRUE(std::filesystem::is_empty(folder.path()));
}

TEST(PmetreFit, DoesNotReplaceUnasked) {
    const Folder folder;
    support::writeBytes(folder / "x.wav", "mine");
    const std::string command = pmetre("fit " + quoted(support::demoAudio("rope_shaker_124.wav")) + " " +
                                       quoted(folder / "x.wav") + " --to 104");
    EXPECT_EQ(run(command).status, 1);
    EXPECT_EQ(support::readBytes(folder / "x.wav"), "mine");
    EXPECT_EQ(run(command + " --overwrite").status, 0);
    EXPECT_TRUE(sound::read(folder / "x.wav", 0));
}

TEST(PmetreRead, ANarrowRangeGivesNothingUnrelatedAndNeverTakesTheBeatAway) {
    const std::string hands = quoted(support::demoAudio("winch_hands_112bpm.wav"));
    const Folder folder;
    const auto loop = support::drumLoop(support::steadyBeats(92, 16), 16 * 60.0 / 92);
    support::writeSound(folder / "loop.wav", loop, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    for (const auto& [range, bpm, warns] : {std::tuple("100-130", 92.0, true),
                                            {"70-71", 92.0, true},
                                            {"80-100", 92.0, false},
                                            {"40-60", 46.0, false},
                                            {"170-190", 184.0, false}}) {
        const json j =
            lines(run(pmetre("read --range " + std::string(range) + " " + quoted(folder / "loop.wav"))).out).at(0);
        ASSERT_TRUE(j["bpm"].is_number()) << range;
        EXPECT_NEAR(j["bpm"].get<double>(), bpm, 0.1) << range;
        EXPECT_EQ(!j["warnings"].empty(), warns) << range;
        EXPECT_NE(j["kind"], "no-beat");
    }
    const auto r = run(pmetre("read --range 70-71 " + hands));
    EXPECT_NE(r.err.find("neither 112 nor a half or double of it lies between 70 and 71"), std::string::npos)
        << r.err;
    EXPECT_EQ(r.status, 0);
}

TEST(PmetreRead, WarningsStandInTheResultToo) {
    const Folder folder;
    support::cutFile(support::demoAudio("heron_whistle.mp3"), folder / "cut.mp3", 0.4);
    const auto r = run(pmetre("read " + quoted(folder / "cut.mp3")));
    const json j = lines(r.out).at(0);
    ASSERT_EQ(j["warnings"].size(), 1U);
    EXPECT_NE(j["warnings"][0].get<std::string>().find("ends early"), std::string::npos);
    EXPECT_NE(r.err.find("ends early"), std::string::npos);
    EXPECT_EQ(j["rate"], 44100);
    EXPECT_GT(j["seconds"].get<double>(), 1);
}

TEST(Pmetre, WhatCannotBeWrittenIsNoSuccess) {
    const std::string two = "read " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                            quoted(support::demoAudio("rope_shaker_124.wav"));
    const auto full = run(pmetre(two + " > /dev/full"));
    EXPECT_EQ(full.status, 1);
    EXPECT_NE(full.err.find("could not be written"), std::string::npos) << full.err;
    EXPECT_EQ(run(pmetre(two + " >&-")).status, 1);
    EXPECT_EQ(run(pmetre("--help > /dev/full")).status, 1);
    // A message that nobody can be told loses no result.
    const auto silent =
        run(pmetre("read nowhere.wav " + quoted(support::demoAudio("rope_shaker_124.wav")) + " 2> /dev/full"));
    EXPECT_EQ(silent.status, 1);
    EXPECT_EQ(lines(silent.out).size(), 2U);
}

// A shell loop stops only when the command ends by the signal.
TEST(Pmetre, EndsByTheSignalAndLeavesNothing) {
    const Folder folder;
    support::writeSound(folder / "long.wav", support::noise(240, 44100, 2), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    for (const int signal : {SIGINT, SIGTERM, SIGHUP, SIGQUIT}) {
        const pid_t child = fork();
        if (child == 0) {
            for (const int s : {SIGINT, SIGTERM, SIGHUP, SIGQUIT})
                std::signal(s, SIG_DFL);
            execl(PM_PMETRE, "pmetre", "fit", (folder / "long.wav").c_str(), (folder / "out.wav").c_str(), "--from",
                  "100", "--to", "90", "--style", "held", nullptr);
            _exit(127);
        }
        // Until it writes: its part file is there.
        const auto parts = [&] {
            return std::distance(std::filesystem::directory_iterator(folder.path()), {}) > 1;
        };
        ASSERT_TRUE(support::waitFor(parts));
        kill(child, signal);
        int status = 0;
        waitpid(child, &status, 0);
        ASSERT_TRUE(WIFSIGNALED(status)) << signal << " " << status;
        EXPECT_EQ(WTERMSIG(status), signal);
        EXPECT_FALSE(parts()) << "nothing half is left";
    }
}

TEST(PmetreFit, TheInputIsNeverTheOutput) {
    const Folder folder;
    std::filesystem::copy_file(support::demoAudio("rope_shaker_124.wav"), folder / "a.wav");
    std::filesystem::create_symlink("a.wav", folder / "link.wav");
    std::filesystem::create_hard_link(folder / "a.wav", folder / "hard.wav");
    const std::string before = support::readBytes(folder / "a.wav");
    for (const char* out : {"a.wav", "link.wav", "hard.wav", "../link.wav"}) {
        const auto path = out[0] == '.' ? folder.path() / "." / "link.wav" : folder / out;
        const auto r =
            run(pmetre("fit " + quoted(folder / "a.wav") + " " + quoted(path) + " --to 100 --overwrite"));
        EXPECT_EQ(r.status, 1) << out;
        EXPECT_NE(r.err.find("the input itself"), std::string::npos) << r.err;
    }
    EXPECT_EQ(support::readBytes(folder / "a.wav"), before);
}

TEST(PmetreFit, ReplacingWritesThroughALink) {
    const Folder folder;
    support::writeBytes(folder / "real.wav", "old");
    std::filesystem::create_symlink("real.wav", folder / "link.wav");
    const std::string fit = pmetre("fit " + quoted(support::demoAudio("rope_shaker_124.wav")) + " " +
                                   quoted(folder / "link.wav") + " --to 100");
    EXPECT_EQ(run(fit).status, 1);
    ASSERT_EQ(run(fit + " --overwrite").status, 0);
    EXPECT_TRUE(std::filesystem::is_symlink(folder / "link.wav"));
    EXPECT_TRUE(sound::read(folder / "real.wav", 0));
}

TEST(PmetreFit, SaysFromWhatTempoAndBelievesHearingOnlyWhereItIsSure) {
    const Folder folder;
    const auto named = run(pmetre("fit " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                                  quoted(folder / "a.wav") + " --to 104 --table"));
    EXPECT_NE(named.out.find("from 112 (by its name) to 104 BPM"), std::string::npos) << named.out;
    // Nothing but hearing, and that unsure: strokes that keep less and less to their places, until it is.
    const auto odd = folder / "plain" / "odd.wav"; // the folder's own name holds a number
    std::filesystem::create_directory(folder / "plain");
    json read;
    for (int scatter = 1000; scatter < 9000 && read["maybe"] != true; scatter += 250) {
        std::mt19937 random(7);
        std::uniform_int_distribution<int> off(0, scatter);
        std::vector<std::int64_t> at;
        for (int stroke = 0; stroke < 10; ++stroke)
            at.push_back(4410 + 18900 * stroke + off(random));
        support::writeSound(odd, support::strokes(at, 4.7, 44100), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        read = lines(run(pmetre("read " + quoted(odd))).out).at(0);
    }
    ASSERT_EQ(read["maybe"], true) << read.dump();
    const std::string fit = pmetre("fit " + quoted(odd) + " " + quoted(folder / "b.wav") + " --to 100");
    const auto refused = run(fit);
    EXPECT_EQ(refused.status, 1);
    EXPECT_NE(refused.err.find("not sure"), std::string::npos) << refused.err;
    EXPECT_NE(refused.err.find("--trust-hearing"), std::string::npos);
    const auto trusted = run(fit + " --trust-hearing");
    EXPECT_EQ(trusted.status, 0) << trusted.err;
    EXPECT_NE(trusted.out.find("heard"), std::string::npos) << trusted.out;
}

// A loop of 100 that calls itself 110: who trusts its name has its name, without its being listened to where the
// style is said too.
TEST(PmetreFit, TrustsANameWhereThatIsAsked) {
    const Folder folder;
    const auto loop = folder / "reed_110bpm.wav";
    support::writeSound(loop, support::drumLoop(support::steadyBeats(100, 16), 9.6),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const std::string fit = pmetre("fit " + quoted(loop) + " --to 100 ");
    for (const char* style : {"", "--style struck "}) {
        const auto out = folder / (std::string("out") + (*style != 0 ? "_struck" : "") + ".wav");
        const auto trusted = run(fit + quoted(out) + " --trust name " + style);
        ASSERT_EQ(trusted.status, 0) << trusted.err;
        const json said = lines(trusted.out).at(0);
        EXPECT_EQ(said["from_bpm"], 110) << said.dump();
        EXPECT_EQ(said["by"], "name");
        EXPECT_NEAR(said["seconds"].get<double>(), 9.6 * 1.10, 0.02);
    }
    // So has another file that it is to be like.
    const auto like = run(pmetre("fit " + quoted(support::demoAudio("winch_hands_112bpm.wav")) + " " +
                                 quoted(folder / "like.wav") + " --like " + quoted(loop) + " --trust name"));
    ASSERT_EQ(like.status, 0) << like.err;
    EXPECT_EQ(lines(like.out).at(0)["bpm"], 110);
    // A file that says nothing is heard all the same.
    const auto silent = folder / "plain" / "reed.wav";
    std::filesystem::create_directory(folder / "plain");
    std::filesystem::copy_file(loop, silent);
    const auto heard = run(pmetre("fit " + quoted(silent) + " " + quoted(folder / "heard.wav") +
                                  " --to 100 --trust name --style struck"));
    ASSERT_EQ(heard.status, 0) << heard.err;
    EXPECT_EQ(lines(heard.out).at(0)["by"], "heard");
    for (const char* wrong : {"--trust ear", "--trust name --trust-hearing", "--trust name --from 90"})
        EXPECT_EQ(run(fit + quoted(folder / "x.wav") + " " + wrong).status, 2) << wrong;
}

TEST(PmetreFit, FollowsTheBeatsOfFreePlaying) {
    const Folder folder;
    const std::string accordion = quoted(support::demoAudio("towpath_accordion.ogg"));
    const json read = lines(run(pmetre("read " + accordion)).out).at(0);
    ASSERT_EQ(read["steady"], false);
    ASSERT_GT(read["pins"].size(), 2U);
    const double bpm = read["bpm"];
    const auto fitted = run(pmetre("fit " + accordion + " " + quoted(folder / "free.wav") + " --to 90"));
    ASSERT_EQ(fitted.status, 0) << fitted.err;
    EXPECT_EQ(lines(fitted.out).at(0)["free"], true) << fitted.out;
    ASSERT_EQ(run(pmetre("fit " + accordion + " " + quoted(folder / "one.wav") + " --steady --to 90")).status, 0);
    // At one tempo the whole is stretched evenly; freely, its length is that of its beats.
    const double seconds = read["seconds"];
    EXPECT_NEAR(sound::read(folder / "one.wav", 0)->audio.length().value, seconds * bpm / 90, 0.05);
    EXPECT_NE(sound::read(folder / "free.wav", 0)->audio.frames(),
              sound::read(folder / "one.wav", 0)->audio.frames());
}

TEST(PmetreFit, DepthFollowsTheInputUnlessSaid) {
    const Folder folder;
    const auto noise = support::noise(1.0);
    for (const auto& [name, format, expected] :
         {std::tuple("a_120bpm.wav", SF_FORMAT_WAV | SF_FORMAT_PCM_16, "WAV 16-bit"),
          {"b_120bpm.wav", SF_FORMAT_WAV | SF_FORMAT_PCM_24, "WAV 24-bit"},
          {"c_120bpm.wav", SF_FORMAT_WAV | SF_FORMAT_FLOAT, "WAV float"},
          {"d_120bpm.flac", SF_FORMAT_FLAC | SF_FORMAT_PCM_16, "WAV 16-bit"},
          {"e_120bpm.ogg", SF_FORMAT_OGG | SF_FORMAT_VORBIS, "WAV 24-bit"}}) {
        support::writeSound(folder / name, noise, format);
        const auto r = run(
            pmetre("fit " + quoted(folder / name) + " " + quoted(folder / "out.wav") + " --to 100 --overwrite"));
        ASSERT_EQ(r.status, 0) << name << r.err;
        EXPECT_EQ(sound::read(folder / "out.wav", 0)->facts.format, expected) << name;
    }
}

// Numbers with a decimal comma are read wherever numbers are.
TEST(PmetreFit, TakesDecimalCommasEverywhere) {
    const Folder folder;
    const std::string hands = quoted(support::demoAudio("rope_shaker_124.wav"));
    ASSERT_EQ(run(pmetre("fit " + hands + " " + quoted(folder / "a.wav") +
                         " --from 124,5 --to 100,25 --transpose 0,5 --depth 24"))
                  .status,
              0);
    ASSERT_EQ(run(pmetre("fit " + hands + " " + quoted(folder / "b.wav") +
                         " --from 124.5 --to 100.25 --transpose 0.5 --depth 24"))
                  .status,
              0);
    EXPECT_TRUE(support::readBytes(folder / "a.wav") == support::readBytes(folder / "b.wav"));
    EXPECT_EQ(run(pmetre("fit " + hands + " " + quoted(folder / "c.wav") + " --ratio 1,5")).status, 0);
}

// script(1) gives it a terminal.
TEST(PmetreLead, WritesTheMapAndPrintsWhatItIs) {
    const Folder folder;
    const std::string file = quoted(support::demoAudio("towpath_accordion.ogg"));
    const std::string out = " -o " + quoted(folder / "map.mid");
    const auto beats = run(pmetre("lead " + file + out));
    ASSERT_EQ(beats.status, 0) << beats.err;
    EXPECT_EQ(support::readBytes(folder / "map.mid").substr(0, 4), "MThd");
    const json told = lines(beats.out)[0];
    EXPECT_EQ(told.size(), 3U);
    EXPECT_NEAR(told["bpm"].get<double>(), 97, 2);
    EXPECT_LT(told["worst_ms"].get<double>(), 0.001);
    // What is there is not replaced unasked, and the recording never.
    EXPECT_EQ(run(pmetre("lead " + file + out)).status, 1);
    EXPECT_EQ(run(pmetre("lead " + file + " --overwrite -o " + file)).status, 1);
    const json smooth = lines(run(pmetre("lead " + file + out + " --overwrite --smooth 20")).out)[0];
    EXPECT_LT(smooth["points"].get<int>(), told["points"].get<int>());
    EXPECT_GT(smooth["worst_ms"].get<double>(), 1);
    EXPECT_LE(smooth["worst_ms"].get<double>(), 20.001);
    const json points = lines(run(pmetre("lead " + file + " --json --every bar")).out)[0];
    ASSERT_GT(points.size(), 5U);
    for (const json& point : points)
        EXPECT_EQ(point["beat"].get<double>(), 4 * std::round(point["beat"].get<double>() / 4));
    // Wrong calls, and what has no beats.
    EXPECT_EQ(run(pmetre("lead " + file)).status, 2);
    EXPECT_EQ(run(pmetre("lead " + file + " --json --smooth -1")).status, 2);
    const auto bell = run(pmetre("lead " + quoted(support::demoAudio("barge_bell.wav")) + " --json"));
    EXPECT_EQ(bell.status, 1);
    EXPECT_NE(bell.err.find("no beats to lead with"), std::string::npos) << bell.err;
}

TEST(Pmetre, ControlCharactersReachNoTerminal) {
    const Folder folder;
    const std::string name = "evil\x1b[31m.wav";
    const std::string command = pmetre("read '" + name + "'");
    const auto r = run("script -qec \"" + command + "\" /dev/null < /dev/null");
    EXPECT_NE(r.out.find("evil\\x1b[31m.wav"), std::string::npos) << r.out;
    EXPECT_EQ(r.out.find('\x1b'), std::string::npos);
}

TEST(Pmetre, HelpSaysWhatItIsForWithExamples) {
    for (const char* page : {"--help", "read --help", "fit --help"}) {
        const auto r = run(pmetre(page));
        EXPECT_EQ(r.status, 0);
        EXPECT_NE(r.out.find("tempo"), std::string::npos);
    }
    EXPECT_NE(run(pmetre("--help")).out.find("pmetre fit winch_112bpm.wav"), std::string::npos);
    EXPECT_EQ(run(pmetre("")).status, 2);
    EXPECT_EQ(run(pmetre("dance")).status, 2);
}

} // namespace
