// Tempos that were settled are known again, by what the audio holds.
#include "shelf/memory.h"

#include "project/import.h"
#include "project/settle.h"
#include "sound/tag_file.h"
#include "support/audio.h"
#include "support/files.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <gtest/gtest.h>
#include <sndfile.h>
#include <thread>

namespace {

namespace fs = std::filesystem;
using hear::Witness;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using shelf::Memory;
using shelf::Settled;
using support::Folder;

Settled settled(double bpm) {
    return {Witness::Typed, metre::BeatMap(Bpm(bpm), Seconds(0.1)).pins(), Beats(8)};
}

TEST(Memory, RemembersExactlyAndAcrossStarts) {
    const Folder folder;
    const Settled odd{Witness::Tapped,
                      {{Seconds(0.1), Beats(-1)}, {Seconds(1.0 / 3), Beats(0)}, {Seconds(2.7182818), Beats(4.25)}},
                      {}};
    {
        const auto memory = Memory::open(folder / "data" / "settled.sqlite");
        ASSERT_TRUE(memory) << memory.error().text;
        EXPECT_FALSE((*memory)->recall("a"));
        EXPECT_TRUE((*memory)->remember("a", settled(97.1)));
        EXPECT_TRUE((*memory)->remember("b", odd));
        EXPECT_TRUE((*memory)->remember("a", settled(98.2))) << "the newer takes the place of the older";
    }
    const auto memory = Memory::open(folder / "data" / "settled.sqlite");
    ASSERT_TRUE(memory);
    EXPECT_EQ((*memory)->size(), 2U);
    EXPECT_EQ((*memory)->recall("a"), settled(98.2));
    EXPECT_EQ((*memory)->recall("b"), odd);
}

TEST(Memory, Forgets) {
    const Folder folder;
    const auto memory = Memory::open(folder / "settled.sqlite");
    for (const char* content : {"a", "b", "c"})
        ASSERT_TRUE((*memory)->remember(content, settled(100)));
    ASSERT_TRUE((*memory)->forget("b"));
    ASSERT_TRUE((*memory)->forget("never known"));
    EXPECT_FALSE((*memory)->recall("b"));
    EXPECT_TRUE((*memory)->recall("a"));
    ASSERT_TRUE((*memory)->forgetAll());
    EXPECT_EQ((*memory)->size(), 0U);
}

TEST(Memory, ADamagedFileIsNamedAndLeftAlone) {
    const Folder folder;
    support::writeBytes(folder / "settled.sqlite", std::string(4096, 'x'));
    const auto memory = Memory::open(folder / "settled.sqlite");
    ASSERT_FALSE(memory);
    EXPECT_NE(memory.error().text.find("settled.sqlite"), std::string::npos) << memory.error().text;
    EXPECT_EQ(support::readBytes(folder / "settled.sqlite"), std::string(4096, 'x'));
}

// What the first version wrote: numbers as hexadecimal floats, and no version.
TEST(Memory, AnOlderFileIsBroughtUpToDate) {
    const Folder folder;
    {
        SQLite::Database old((folder / "settled.sqlite").string(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE);
        old.exec("CREATE TABLE settled (content TEXT PRIMARY KEY, witness TEXT NOT NULL, pins TEXT NOT NULL,"
                 " loop_beats TEXT NOT NULL) WITHOUT ROWID");
        old.exec("INSERT INTO settled VALUES ('a', 'typed', '0x0p+0 0x0p+0 0x1p-1 0x1p+0 ', '0x1p+4')");
        old.exec("INSERT INTO settled VALUES ('b', 'typed', '0,5 nonsense', '')");
    }
    for (int i = 0; i < 2; ++i) {
        const auto memory = Memory::open(folder / "settled.sqlite");
        ASSERT_TRUE(memory) << memory.error().text;
        EXPECT_EQ((*memory)->recall("a"),
                  (Settled{Witness::Typed, {{Seconds(0), Beats(0)}, {Seconds(0.5), Beats(1)}}, Beats(16)}));
        EXPECT_EQ((*memory)->size(), 1U) << "what cannot be read settles nothing";
    }
}

TEST(Memory, ANewerFileIsRefusedAndLeftAlone) {
    const Folder folder;
    ASSERT_TRUE(Memory::open(folder / "settled.sqlite"));
    SQLite::Database((folder / "settled.sqlite").string(), SQLite::OPEN_READWRITE).exec("PRAGMA user_version=99");
    const auto memory = Memory::open(folder / "settled.sqlite");
    ASSERT_FALSE(memory);
    EXPECT_NE(memory.error().text.find("newer"), std::string::npos) << memory.error().text;
}

TEST(Memory, ServesSeveralThreads) {
    const Folder folder;
    const auto memory = Memory::open(folder / "settled.sqlite");
    {
        std::vector<std::jthread> threads;
        for (int t = 0; t < 4; ++t)
            threads.emplace_back([&, t] {
                for (int i = 0; i < 25; ++i)
                    EXPECT_TRUE((*memory)->remember(std::to_string(t * 100 + i), settled(60 + i)));
            });
    }
    EXPECT_EQ((*memory)->size(), 100U);
}

TEST(Memory, ARenamedAndRetaggedFileIsKnownAgain) {
    const Folder folder;
    const auto memory = Memory::open(folder / "settled.sqlite");
    const auto loop = support::drumLoop(support::steadyBeats(100, 8), 4.8);
    support::writeSound(folder / "first_100bpm.wav", loop, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    auto first = project::importFile(folder / "first_100bpm.wav", 48000);
    ASSERT_TRUE(first);
    hear::Reading typed;
    typed.by = Witness::Typed;
    typed.bpm = Bpm(50);
    typed.sureness = 1;
    project::putReading(first->source, typed);
    project::settle(first->source);
    ASSERT_TRUE(shelf::settledOf(first->source));
    ASSERT_TRUE((*memory)->remember(first->source.content, *shelf::settledOf(first->source)));

    fs::rename(folder / "first_100bpm.wav", folder / "something else 87.wav");
    ASSERT_TRUE(sound::tagFile(folder / "something else 87.wav", {Bpm(133), "", {}}));
    auto again = project::importFile(folder / "something else 87.wav", 48000);
    ASSERT_TRUE(again);
    const auto known = (*memory)->recall(again->source.content);
    ASSERT_TRUE(known);
    shelf::recallInto(again->source, *known);
    EXPECT_NEAR(again->source.beats->meanTempo().value, 50, 1e-9);
    EXPECT_EQ(again->source.beats, first->source.beats);
    const hear::Reading* said = project::readingBy(again->source, Witness::Typed);
    ASSERT_NE(said, nullptr);
    EXPECT_NE(said->evidence.find("settled before"), std::string::npos);
    EXPECT_NE(project::readingBy(again->source, Witness::Tag), nullptr)
        << "the other readings still stand beside it";

    // Another recording is not.
    support::writeSound(folder / "first_100bpm.wav", support::drumLoop(support::steadyBeats(101, 8), 4.8),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    EXPECT_FALSE((*memory)->recall(project::importFile(folder / "first_100bpm.wav", 48000)->source.content));
}

} // namespace
