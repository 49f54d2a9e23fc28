// What was decoded once lies in a store, and is there again at once.
#include "project/read_source.h"

#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/import.h"
#include "project/save.h"
#include "sound/audio_store.h"
#include "support/audio.h"
#include "support/files.h"

#include <fstream>
#include <gtest/gtest.h>
#include <sndfile.h>

namespace {

using namespace project;
using support::Folder;
namespace fs = std::filesystem;

constexpr int wave = SF_FORMAT_WAV | SF_FORMAT_PCM_24;

class Stored : public testing::Test {
  protected:
    Stored() : store(std::make_unique<sound::AudioStore>(folder / "cache", std::int64_t(1) << 30)) {}

    fs::path loopFile(const std::string& name, unsigned seed = 1) {
        sound::Audio audio = support::drumLoop(support::steadyBeats(120, 16), 8, 4, 44100);
        const sound::Audio hiss = support::noise(8, 44100, 1, seed, 0.001);
        for (std::size_t i = 0; i < audio.channels[0].size(); ++i)
            audio.channels[0][i] += hiss.channels[0][i];
        support::writeSound(folder / name, audio, wave);
        return folder / name;
    }
    // Other bytes in the same file, which looks as if it had not been touched: whoever reads it anew sees them.
    static void alterUnseen(const fs::path& file) {
        const auto time = fs::last_write_time(file);
        std::fstream f(file, std::ios::in | std::ios::out | std::ios::binary);
        f.seekp(20'000);
        const std::string noise(3'000, '\x35');
        f.write(noise.data(), static_cast<std::streamsize>(noise.size()));
        f.close();
        fs::last_write_time(file, time);
    }

    const Folder folder;
    std::unique_ptr<sound::AudioStore> store;
};

TEST_F(Stored, ReadsTheSameAsIntoMemoryAtEitherRate) {
    const fs::path file = loopFile("towpath.wav");
    for (const int rate : {0, 44100, 48000}) {
        const auto memory = readSource(file, rate);
        const auto stored = readSource(file, {rate, store.get()});
        ASSERT_TRUE(memory && stored);
        EXPECT_TRUE(stored->sound->audio.channels[0].isView());
        EXPECT_EQ(stored->content, memory->content);
        EXPECT_EQ(stored->facts, memory->facts);
        EXPECT_EQ(stored->sound->audio.rate, memory->sound->audio.rate);
        EXPECT_EQ(stored->sound->audio.channels, memory->sound->audio.channels);
        EXPECT_EQ(stored->onsets, memory->onsets);
        EXPECT_EQ(stored->sound->onsets, memory->sound->onsets);
        EXPECT_EQ(stored->sound->peaks.over(Frames(100), Frames(5000)),
                  memory->sound->peaks.over(Frames(100), Frames(5000)));
    }
}

TEST_F(Stored, ASecondTimeNothingIsDecodedOrListenedTo) {
    const fs::path file = loopFile("towpath.wav");
    const auto first = readSource(file, {48000, store.get()});
    ASSERT_TRUE(first);
    store = std::make_unique<sound::AudioStore>(folder / "cache", std::int64_t(1) << 30);
    alterUnseen(file);
    auto again = decodeSource(file, {48000, store.get()});
    ASSERT_TRUE(again);
    EXPECT_EQ(again->content, first->content);
    EXPECT_EQ(again->facts, first->facts);
    EXPECT_EQ(again->sound->audio.channels, first->sound->audio.channels);
    EXPECT_EQ(again->onsets, first->onsets) << "at once, with the audio";
    EXPECT_EQ(again->sound->attacks, first->sound->attacks);
    EXPECT_NE(readSource(file, 48000)->content, first->content) << "the file does hold something else";
}

TEST_F(Stored, AnAlteredFileIsReadAnew) {
    const fs::path file = loopFile("towpath.wav");
    const auto first = readSource(file, {48000, store.get()});
    loopFile("towpath.wav", 2);
    fs::last_write_time(file, fs::last_write_time(file) + std::chrono::seconds(3));
    const auto second = readSource(file, {48000, store.get()});
    ASSERT_TRUE(first && second);
    EXPECT_NE(second->content, first->content);
    EXPECT_EQ(second->content, readSource(file, 48000)->content);
}

TEST_F(Stored, WhatIsListenedToIsTheFilesOwnAlsoWhereItLiesAtAnotherRate) {
    const fs::path file = loopFile("towpath.wav");
    auto memory = readSource(file, 48000);
    ASSERT_TRUE(memory);
    const auto heard = settledOf(file, *memory);
    ASSERT_TRUE(readSource(file, {48000, store.get()}));
    store->settle();
    auto kept = readSource(file, {48000, store.get()}); // has no recording yet
    const auto again = settledOf(file, *kept);
    ASSERT_TRUE(heard && again);
    EXPECT_EQ(again->source.readings, heard->source.readings);
    EXPECT_EQ(again->source.beats, heard->source.beats);
}

TEST_F(Stored, WithoutRoomItIsReadIntoMemory) {
    const fs::path file = loopFile("towpath.wav");
    sound::AudioStore small(folder / "small", 100'000);
    const auto read = readSource(file, {48000, &small});
    ASSERT_TRUE(read);
    EXPECT_FALSE(read->sound->audio.channels[0].isView());
    support::writeBytes(folder / "way", "in the way");
    sound::AudioStore nowhere(folder / "way" / "cache", std::int64_t(1) << 30);
    const auto other = readSource(file, {48000, &nowhere});
    ASSERT_TRUE(other);
    EXPECT_EQ(other->sound->audio.channels, read->sound->audio.channels);
}

TEST_F(Stored, AHeaderThatSaysTooLittleLosesNothing) {
    const fs::path file = loopFile("towpath.wav");
    const auto whole = readSource(file, 44100);
    // As a recorder leaves it that was switched off: no length in the header.
    std::fstream f(file, std::ios::in | std::ios::out | std::ios::binary);
    std::string head(4096, '\0');
    f.read(head.data(), static_cast<std::streamsize>(head.size()));
    const auto data = head.find("data");
    ASSERT_NE(data, std::string::npos);
    f.seekp(static_cast<std::streamoff>(data) + 4);
    f.write("\xFF\xFF\xFF\xFF", 4);
    f.close();
    const auto stored = readSource(file, {44100, store.get()});
    ASSERT_TRUE(whole && stored);
    EXPECT_EQ(stored->sound->audio.channels, whole->sound->audio.channels);
}

TEST_F(Stored, DamagedFilesFailAsTheyDoWithoutAStore) {
    support::writeBytes(folder / "junk.wav", std::string(5000, 'x'));
    EXPECT_EQ(readSource(folder / "junk.wav", {48000, store.get()}).error().text,
              readSource(folder / "junk.wav", 48000).error().text);
    EXPECT_EQ(readSource(folder / "gone.wav", {48000, store.get()}).error().text,
              readSource(folder / "gone.wav", 48000).error().text);
    std::stop_source stop;
    stop.request_stop();
    EXPECT_TRUE(readSource(loopFile("a.wav"), {48000, store.get()}, {{}, stop.get_token()}).error().cancelled);
}

TEST_F(Stored, ASavedCopyCountsAsTheFileItIsACopyOf) {
    const fs::path file = loopFile("towpath.wav");
    auto imported = importFile(file, {48000, store.get()});
    ASSERT_TRUE(imported);
    const std::string content = imported->source.content;
    Added added = addSources({}, {std::move(imported->source)});
    const auto saved = saveProject(added.project, folder / "journey", true, {}, store.get());
    ASSERT_TRUE(saved);
    const fs::path copy = saved->sources[0]->file;
    ASSERT_NE(copy, file);
    store->settle();
    alterUnseen(copy);
    const auto loaded = loadProject(folder / "journey", {}, store.get());
    ASSERT_TRUE(loaded);
    EXPECT_TRUE(loaded->warnings.empty());
    EXPECT_EQ(loaded->project.sources[0]->content, content);
    EXPECT_TRUE(loaded->project.sources[0]->sound->audio.channels[0].isView());
}

TEST_F(Stored, ACopyOfAFileThatIsKnownIsNotDecoded) {
    const fs::path file = loopFile("towpath.wav");
    const auto first = readSource(file, {48000, store.get()});
    ASSERT_TRUE(first);
    fs::create_directory(folder / "elsewhere");
    const fs::path copy = folder / "elsewhere" / "copied.wav";
    fs::copy_file(file, copy);
    double furthest = 0; // decoding begins where its bytes were looked at
    const base::Progress progress{[&](double f) { furthest = std::max(furthest, f); }, {}};
    const auto second = decodeSource(copy, {48000, store.get()}, progress);
    ASSERT_TRUE(second);
    EXPECT_LE(furthest, 0.1);
    EXPECT_EQ(second->file, copy);
    EXPECT_EQ(second->content, first->content);
    EXPECT_EQ(second->facts, first->facts);
    EXPECT_EQ(second->onsets, first->onsets);
    EXPECT_EQ(second->sound->audio.channels, first->sound->audio.channels);
    // A part of it is another, far from both ends.
    const fs::path other = folder / "other.wav";
    fs::copy_file(file, other);
    alterUnseen(other);
    const auto third = decodeSource(other, {48000, store.get()}, progress);
    ASSERT_TRUE(third);
    EXPECT_GT(furthest, 0.1);
    EXPECT_NE(third->content, first->content);
}

TEST_F(Stored, AFileThatIsAlteredWhileItIsReadSaysNothingOfCopiesOfWhatItWas) {
    const fs::path file = loopFile("towpath.wav");
    const fs::path copy = folder / "as_it_was.wav";
    fs::copy_file(file, copy);
    bool altered = false;
    const base::Progress progress{[&](double f) {
                                      if (f < 0.05 || std::exchange(altered, true)) return;
                                      std::fstream bytes(file, std::ios::in | std::ios::out | std::ios::binary);
                                      bytes.seekp(20'000) << std::string(3'000, '\x35');
                                  },
                                  {}};
    ASSERT_TRUE(decodeSource(file, {48000, store.get()}, progress));
    ASSERT_TRUE(altered);
    EXPECT_EQ(decodeSource(copy, {48000, store.get()})->content, decodeSource(copy, 48000)->content);
}

TEST_F(Stored, TheSameRecordingInTwoFilesIsKeptOnce) {
    const fs::path file = loopFile("towpath.wav");
    fs::copy_file(file, folder / "again.wav");
    ASSERT_TRUE(readSource(file, {44100, store.get()}));
    store->settle();
    const std::int64_t once = store->bytes();
    ASSERT_TRUE(readSource(folder / "again.wav", {44100, store.get()}));
    store->settle();
    EXPECT_LT(store->bytes(), once + 20'000);
}

} // namespace
