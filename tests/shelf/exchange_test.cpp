// Libraries as text: what was scanned in parts is what is scanned in one, whatever is done twice or fails on the
// way.
#include "shelf/exchange.h"

#include "shelf/scan.h"
#include "support/audio.h"
#include "support/files.h"

#include <fstream>
#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <sndfile.h>
#include <sstream>

namespace {

namespace fs = std::filesystem;

std::string wordsIn(const fs::path& file) {
    std::ostringstream text;
    text << std::ifstream(file, std::ios::binary).rdbuf();
    return text.str();
}

struct Exchange : ::testing::Test {
    support::Folder folder;
    fs::path packs = folder / "packs";

    // Short loops of several tempos, copies among them, one file that is no audio, and one in a folder of its own.
    void SetUp() override {
        fs::create_directories(packs / "locks");
        for (int i = 0; i < 14; ++i) {
            const double bpm = 90 + 3.0 * i;
            const auto audio = support::drumLoop(support::steadyBeats(bpm, 8), 8 * 60 / bpm);
            support::writeSound((i % 3 == 0 ? packs / "locks" : packs) / ("loop_" + std::to_string(i) + ".wav"),
                                audio, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        }
        fs::copy_file(packs / "loop_1.wav", packs / "locks" / "copy_of_1.wav");
        std::ofstream(packs / "broken.wav") << "this is no audio";
    }
    std::unique_ptr<shelf::Library> library(const std::string& name) {
        auto opened = shelf::Library::open(folder / (name + ".sqlite"));
        EXPECT_TRUE(opened) << opened.error().text;
        return std::move(*opened);
    }
    void scan(shelf::Library& into, sound::Shard shard = {}) {
        EXPECT_TRUE(into.addFolder(packs));
        shelf::ScanOptions options;
        options.shard = shard;
        EXPECT_TRUE(shelf::scan(into, {packs}, options));
    }
    std::string text(shelf::Library& of, const std::string& name) {
        const auto done = shelf::exportLibrary(of, folder / name);
        EXPECT_TRUE(done) << done.error().text;
        return wordsIn(folder / name);
    }
};

TEST_F(Exchange, PartsThatAreJoinedAreTheWhole) {
    const auto whole = library("whole");
    scan(*whole);
    const std::string wanted = text(*whole, "whole.jsonl");
    EXPECT_EQ(std::count(wanted.begin(), wanted.end(), '\n'), 1 + 1 + 16 + 1);
    for (const int of : {2, 4}) {
        std::size_t files = 0;
        for (int part = 1; part <= of; ++part) {
            const auto one = library("part" + std::to_string(of) + std::to_string(part));
            scan(*one, {part, of});
            files += one->size();
            text(*one, "part_" + std::to_string(part) + ".jsonl");
        }
        EXPECT_EQ(files, 16U) << "each file once";
        const auto joined = library("joined" + std::to_string(of));
        for (int part = of; part >= 1; --part) // in any order
            EXPECT_TRUE(shelf::takeLibrary(*joined, folder / ("part_" + std::to_string(part) + ".jsonl")));
        // A part that is taken again changes nothing.
        EXPECT_TRUE(shelf::takeLibrary(*joined, folder / "part_1.jsonl"));
        EXPECT_EQ(text(*joined, "joined.jsonl"), wanted) << of;
        // And nothing is left to be read.
        const auto again = shelf::scan(*joined, {packs}, {});
        ASSERT_TRUE(again);
        EXPECT_EQ(again->fresh + again->changed, 0U);
        EXPECT_EQ(again->failed, 1U) << "what was no audio is tried again";
    }
}

TEST_F(Exchange, CopiesFallToTheSamePart) {
    for (const int of : {2, 3, 7})
        for (int part = 1; part <= of; ++part)
            EXPECT_EQ((sound::Shard{part, of}.holds(packs / "loop_1.wav")),
                      (sound::Shard{part, of}.holds(packs / "locks" / "copy_of_1.wav")));
    EXPECT_TRUE((sound::Shard{1, 3}.holds(packs / "not there.wav"))) << "it is named in the first";
    EXPECT_FALSE((sound::Shard{2, 3}.holds(packs / "not there.wav")));
    for (const char* wrong : {"0/4", "5/4", "1", "1/0", "a/b", "1/2/3", "-1/4", ""})
        EXPECT_FALSE(sound::shardFrom(wrong)) << wrong;
    EXPECT_EQ(sound::shardFrom("3/4")->part, 3);
}

TEST_F(Exchange, OwnWordsOfBothAreKept) {
    const auto here = library("here");
    scan(*here);
    const auto there = library("there");
    scan(*there);
    const std::string content = here->entriesOf({packs / "loop_1.wav"})->front().content;
    ASSERT_TRUE(here->setOwn({{content, {{"dry"}, "mine", false}}}));
    ASSERT_TRUE(there->setOwn({{content, {{"wet"}, "theirs", true}}}));
    text(*there, "there.jsonl");
    ASSERT_TRUE(shelf::takeLibrary(*here, folder / "there.jsonl"));
    const shelf::OwnWords own = here->own(content);
    EXPECT_EQ(own.tags, (std::vector<std::string>{"dry", "wet"}));
    EXPECT_EQ(own.notes, "mine");
    EXPECT_TRUE(own.favourite);
}

TEST_F(Exchange, WhatIsDamagedIsNamedByItsLineAndTakesNothing) {
    const auto whole = library("whole");
    scan(*whole);
    const std::string good = text(*whole, "whole.jsonl");
    const auto empty = library("empty");
    const auto refused = [&](const std::string& with) {
        std::ofstream(folder / "bad.jsonl") << with;
        const auto taken = shelf::takeLibrary(*empty, folder / "bad.jsonl");
        EXPECT_FALSE(taken);
        EXPECT_EQ(empty->size(), 0U);
        return taken ? std::string() : taken.error().text;
    };
    EXPECT_NE(refused("").find("line 0: it is empty"), std::string::npos);
    EXPECT_NE(refused("{}\n").find("line 1: this is no library"), std::string::npos);
    EXPECT_NE(refused(good.substr(0, good.size() - 20)).find("bad.jsonl, line 19"), std::string::npos);
    // Cut where a line ends, it would look whole.
    EXPECT_NE(refused(good.substr(0, good.find('\n', good.size() / 2) + 1)).find("it is cut off"),
              std::string::npos);
    std::string older = good;
    older.replace(older.find("\"heard\":") + 8, 2, "1");
    EXPECT_NE(refused(older).find("scan them again there"), std::string::npos);
    EXPECT_NE(refused(good + "{\"what\":1}\n").find("it says nothing that is known"), std::string::npos);
    EXPECT_FALSE(shelf::takeLibrary(*empty, folder / "not there.jsonl"));
    EXPECT_FALSE(shelf::exportLibrary(*whole, folder / "no folder" / "x.jsonl"));
}

} // namespace
