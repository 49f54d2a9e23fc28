// pmetre as people run it: through the shell.
#include "base/utf8.h"
#include "project/import.h"
#include "sound/read.h"
#include "sound/tags.h"
#include "support/audio.h"
#include "support/files.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>
#include <sndfile.h>
#include <sstream>
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
        for (const char* key :
             {"bars", "beats", "beats_s", "bpm", "candidates", "confidence", "file", "first_beat_s", "key",
              "source", "steady", "kind", "readings", "disagreement", "beats_in_bar"})
            EXPECT_TRUE(j.contains(key)) << key;
    }
    EXPECT_EQ(list[0]["bpm"], 112);
    EXPECT_EQ(list[0]["beats"], 16);
    EXPECT_EQ(list[0]["bars"], 4);
    EXPECT_EQ(list[0]["source"], "name");
    EXPECT_EQ(list[0]["beats_s"].size(), 16U);
    EXPECT_NEAR(list[0]["beats_s"][15].get<double>(), 15 * 60.0 / 112, 1e-5);
    EXPECT_TRUE(list[1]["bpm"].is_null());
    EXPECT_EQ(list[1]["kind"], "one-hit");
    EXPECT_EQ(list[2]["source"], "tag");
    EXPECT_EQ(list[2]["bpm"], 88);
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
    ASSERT_EQ(list.size(), 1U);
    EXPECT_EQ(list[0]["bpm"], 100);
    EXPECT_EQ(list[0]["beats"], 2);
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
    ASSERT_EQ(run(pmetre("fit " + hands + " " + quoted(folder / "a.wav") + " --from 112 --to 104")).status, 0);
    const auto a = sound::read(folder / "a.wav", 0);
    EXPECT_EQ(a->audio.frames().value, std::llround(411429 * 112.0 / 104));
    EXPECT_EQ(sound::readTags(folder / "a.wav").bpm->value, 104);
    // The same said three ways is the same.
    ASSERT_EQ(run(pmetre("fit " + hands + " " + quoted(folder / "b.wav") + " --to 104")).status, 0);
    EXPECT_EQ(support::readBytes(folder / "a.wav"), support::readBytes(folder / "b.wav"));
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
    for (const auto& [arguments, reason] :
         {std::pair(hands + out + "--to fast", "fast"), std::pair(hands + out + "--to 0", "tempo lies between"),
          std::pair(hands + out + "--to=-5", "tempo lies between"),
          std::pair(hands + out + "--to 1e9", "tempo lies between"), std::pair(hands + out, "--to"),
          std::pair(hands + out + "--ratio 0", "0.25 to 4"), std::pair(hands + out + "--ratio nan", "0.25 to 4"),
          std::pair(hands + out + "--ratio=-1", "0.25 to 4"), std::pair(hands + out + "--ratio 1e9", "0.25 to 4"),
          std::pair(hands + out + "--from 112 --to 20", "0.25 to 4"),
          std::pair(bell + out + "--to 100", "barge_bell.wav does not say"),
          std::pair(hands + out + "--to 100 --style magic", "magic"),
          std::pair(hands + out + "--to 100 --transpose 99", "24 semitones"),
          std::pair(hands + out + "--to 100 --depth 12", "--depth"),
          std::pair(quoted("nowhere.wav") + out + "--to 100", "nowhere.wav"),
          std::pair(hands + " " + quoted(folder / "x.doc") + " --to 100", "must end in"),
          std::pair(hands + " " + quoted(folder / "no" / "x.wav") + " --to 100", "folder is not there")}) {
        const auto r = run(pmetre("fit " + arguments));
        EXPECT_EQ(r.status, 1) << arguments;
        EXPECT_NE(r.err.find(reason), std::string::npos) << arguments << "\n" << r.err;
        EXPECT_EQ(r.out, "");
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
