// pmetre scan, find and tag, as people run them.
#include "shelf/library.h"
#include "sound/loop_info.h"
#include "sound/read.h"
#include "sound/tags.h"
#include "support/audio.h"
#include "support/files.h"

#include <csignal>
#include <fstream>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <random>
#include <set>
#include <sndfile.h>
#include <spawn.h>
#include <sstream>
#include <sys/wait.h>
#include <thread>
#include <unistd.h>

namespace {

namespace fs = std::filesystem;
using nlohmann::json;
using support::Folder;
using support::quoted;

class PmetreShelf : public ::testing::Test {
  protected:
    support::Ran pmetre(const std::string& arguments, const std::string& data = "data") const {
        return support::run("PATIENT_METRE_DATA=" + quoted(folder / data) + " " + PM_PMETRE + " " + arguments);
    }
    static std::vector<json> lines(const std::string& out) {
        std::vector<json> list;
        std::istringstream in(out);
        for (std::string line; std::getline(in, line);)
            list.push_back(json::parse(line));
        return list;
    }
    Folder folder;
};

TEST_F(PmetreShelf, ScansInPartsAndJoinsThem) {
    const std::string demo = quoted(support::demoFolder());
    EXPECT_EQ(pmetre("scan --export " + quoted(folder / "whole.jsonl") + " " + demo, "whole").status, 0);
    int scanned = 0;
    for (const char* part : {"1", "2", "3"}) {
        const auto one = pmetre(std::string("scan ") + demo + " --shard " + part + "/3 --export " +
                                    quoted(folder / (std::string("part") + part)),
                                std::string("machine") + part);
        EXPECT_EQ(one.status, 0) << one.err;
        scanned += lines(one.out).at(0)["new"].get<int>();
    }
    EXPECT_EQ(scanned, 10);
    const auto joined =
        pmetre("scan --take " + quoted(folder / "part1") + " --take " + quoted(folder / "part2") + " --take " +
                   quoted(folder / "part3") + " --export " + quoted(folder / "joined.jsonl"),
               "joined");
    EXPECT_EQ(joined.status, 0) << joined.err;
    const auto text = [](const fs::path& file) {
        std::ostringstream all;
        all << std::ifstream(file).rdbuf();
        return all.str();
    };
    EXPECT_TRUE(text(folder / "joined.jsonl") == text(folder / "whole.jsonl"));
    EXPECT_EQ(lines(pmetre("find --bpm 100-115", "joined").out).size(), 1U);
    // The same parts of what other commands are given.
    std::size_t read = 0;
    for (const char* part : {"1/2", "2/2"})
        read += lines(pmetre(std::string("read -r ") + demo + " --shard " + part).out).size();
    EXPECT_EQ(read, 10U);
    EXPECT_EQ(pmetre("scan " + demo + " --shard 4/3").status, 2);
    EXPECT_EQ(pmetre("scan").status, 2);
}

TEST_F(PmetreShelf, ScansAFolderAndFindsInIt) {
    const auto scanned = pmetre("scan " + quoted(support::demoFolder()));
    EXPECT_EQ(scanned.status, 0) << scanned.err;
    const json s = lines(scanned.out).at(0);
    for (const char* key : {"scanned", "new", "changed", "gone", "failed", "seconds"})
        EXPECT_TRUE(s.contains(key)) << key;
    EXPECT_EQ(s["scanned"], 10);
    EXPECT_EQ(s["new"], 10);
    EXPECT_EQ(lines(pmetre("scan " + quoted(support::demoFolder())).out).at(0)["new"], 0);

    const auto found = lines(pmetre("find --bpm 100-115").out);
    ASSERT_EQ(found.size(), 1U);
    for (const char* key : {"file", "bpm", "beats", "key", "kind", "seconds", "tags"})
        EXPECT_TRUE(found[0].contains(key)) << key;
    EXPECT_EQ(found[0]["bpm"], 112);
    EXPECT_EQ(found[0]["beats"], 16);
    EXPECT_TRUE(found[0]["key"].is_null());
    EXPECT_EQ(lines(pmetre("find --bpm 60-64 --octaves").out).at(0)["bpm"], 124);
    EXPECT_EQ(lines(pmetre("find keel").out).size(), 1U);
    EXPECT_EQ(lines(pmetre("find --kind struck --limit 2").out).size(), 2U);
    const auto same = lines(pmetre("find --key Dm").out).size();
    EXPECT_GT(same, 0U);
    EXPECT_GE(lines(pmetre("find --key F --related").out).size(), same);
    EXPECT_EQ(pmetre("find nothing of the sort").status, 0);
    EXPECT_EQ(pmetre("find nothing of the sort").out, "");
}

TEST_F(PmetreShelf, RefusesWhatMakesNoSense) {
    for (const char* call : {"find --octaves", "find --related", "find --bpm fast", "find --key H",
                             "find --kind loud", "find --mode sad", "find --limit 0", "tag x.wav",
                             "tag x.wav --beats 4", "tag x.wav --bpm 5", "scan", "scan --jobs 0 ."})
        EXPECT_EQ(pmetre(call).status, 2) << call;
    const auto missing = pmetre("scan " + quoted(folder / "not there"));
    EXPECT_EQ(missing.status, 1);
    EXPECT_NE(missing.err.find("not there"), std::string::npos);
}

TEST_F(PmetreShelf, NamesWhatCouldNotBeReadAndReadsTheRest) {
    fs::create_directories(folder / "pack");
    support::writeBytes(folder / "pack/broken.wav", "nonsense");
    support::writeSound(folder / "pack/whole.wav", support::sine(440, 1), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const auto r = pmetre("scan " + quoted(folder / "pack"));
    EXPECT_EQ(r.status, 1);
    EXPECT_NE(r.err.find("broken.wav"), std::string::npos) << r.err;
    EXPECT_EQ(lines(r.out).at(0)["failed"], 1);
    EXPECT_EQ(lines(r.out).at(0)["new"], 1);
    EXPECT_EQ(lines(pmetre("find").out).size(), 1U);
}

TEST_F(PmetreShelf, TagsFilesAndLeavesTheirAudioAlone) {
    fs::create_directories(folder / "pack");
    const auto loop = support::drumLoop(support::steadyBeats(120, 8), 4);
    support::writeSound(folder / "pack/a.wav", loop, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    support::writeSound(folder / "pack/b.flac", loop, SF_FORMAT_FLAC | SF_FORMAT_PCM_16);
    const std::string before = sound::read(folder / "pack/a.wav", 0)->content;
    const auto r =
        support::run("printf '%s\\0' " + quoted(folder / "pack/a.wav") + " " + quoted(folder / "pack/b.flac") +
                     " | " + PM_PMETRE + " tag - -0 --bpm 120 --key F#m --beats 8");
    EXPECT_EQ(r.status, 0) << r.err;
    const auto told = lines(r.out);
    ASSERT_EQ(told.size(), 2U);
    EXPECT_EQ(told[0]["bpm"], 120);
    EXPECT_EQ(told[0]["key"], "F# minor");
    EXPECT_EQ(told[0]["beats"], 8);
    for (const char* name : {"pack/a.wav", "pack/b.flac"}) {
        const sound::Tags tags = sound::readTags(folder / name);
        EXPECT_EQ(tags.bpm, metre::Bpm(120)) << name;
        EXPECT_EQ(tags.key, "F#m") << name;
        EXPECT_EQ(sound::read(folder / name, 0)->content, before) << name;
    }
    EXPECT_EQ(sound::readLoopInfo(folder / "pack/a.wav").beats, 8);
    const auto wrong =
        support::run(std::string(PM_PMETRE) + " tag " + quoted(folder / "pack") + " --bpm 60 --beats 8");
    EXPECT_EQ(wrong.status, 1);
    EXPECT_NE(wrong.err.find("8 beats at 60 last 8.00 s"), std::string::npos) << wrong.err;
    EXPECT_EQ(sound::readTags(folder / "pack/a.wav").bpm, metre::Bpm(120));
}

TEST_F(PmetreShelf, ReadTakesFoldersAndListsToo) {
    fs::create_directories(folder / "pack/inner");
    for (const char* name : {"pack/b.wav", "pack/a.wav", "pack/inner/c.wav"})
        support::writeSound(folder / name, support::sine(440, 0.3), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const auto flat = lines(pmetre("read " + quoted(folder / "pack")).out);
    ASSERT_EQ(flat.size(), 2U);
    EXPECT_EQ(flat[0]["file"], (folder / "pack/a.wav").string());
    EXPECT_EQ(lines(pmetre("read -r --jobs 2 " + quoted(folder / "pack")).out).size(), 3U);
}

// SIGKILL at fifty random moments, then once in peace: the same as a scan that nobody disturbed.
TEST_F(PmetreShelf, KilledAtAnyMomentAScanLosesNothingAndEndsTheSame) {
    fs::create_directories(folder / "pack");
    for (int i = 0; i < 40; ++i)
        support::writeSound(folder / ("pack/n" + std::to_string(i) + ".wav"), support::sine(200 + 10 * i, 0.25),
                            SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const std::string data = folder / "data";
    const std::string pack = folder / "pack";
    std::mt19937 random(11);
    std::size_t most = 0;
    for (int i = 0; i < 50; ++i) {
        std::string program = PM_PMETRE;
        std::string scan = "scan";
        std::string jobs = "--jobs=1";
        std::string folderName = pack;
        std::string environment = "PATIENT_METRE_DATA=" + data;
        char* arguments[] = {program.data(), scan.data(), jobs.data(), folderName.data(), nullptr};
        char* variables[] = {environment.data(), nullptr};
        pid_t child = 0;
        ASSERT_EQ(posix_spawn(&child, program.c_str(), nullptr, nullptr, arguments, variables), 0);
        std::this_thread::sleep_for(std::chrono::milliseconds(std::uniform_int_distribution<>(1, 60)(random)));
        kill(child, SIGKILL);
        waitpid(child, nullptr, 0);
        // What was kept once stays.
        const auto library = shelf::Library::open(folder / "data/library.sqlite");
        ASSERT_TRUE(library) << library.error().text;
        EXPECT_TRUE((*library)->told().empty()) << (*library)->told();
        EXPECT_GE((*library)->size(), most);
        most = (*library)->size();
    }
    EXPECT_EQ(pmetre("scan " + support::quoted(pack)).status, 0);
    EXPECT_EQ(pmetre("scan " + support::quoted(pack), "undisturbed").status, 0);
    EXPECT_EQ(pmetre("find").out, pmetre("find", "undisturbed").out);
    EXPECT_EQ(lines(pmetre("find").out).size(), 40U);
}

} // namespace
