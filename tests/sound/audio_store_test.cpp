// Audio on disk, mapped into memory.
#include "sound/audio_store.h"

#include "sound/scratch.h"
#include "support/files.h"
#include "support/small_disk.h"

#include <cmath>
#include <fstream>
#include <gtest/gtest.h>

namespace {

namespace fs = std::filesystem;
using metre::Frames;
using sound::Audio;
using sound::AudioStore;
using support::Folder;

constexpr std::int64_t plenty = std::int64_t(1) << 30;
constexpr base::Key someKey{7, 11};

Audio tone(int frames, int channels = 2) {
    Audio a(48000, channels, Frames(frames));
    for (std::size_t c = 0; c < a.channels.size(); ++c)
        for (std::size_t i = 0; i < a.channels[c].size(); ++i)
            a.channels[c][i] = static_cast<float>(std::sin(0.01 * double(i) * double(c + 1)));
    return a;
}

void keep(AudioStore& store, base::Key key, const Audio& audio) {
    const auto draft = store.begin(audio.rate, audio.channelCount(), audio.frames());
    ASSERT_TRUE(draft);
    ASSERT_TRUE(draft->write(Frames(0), audio));
    store.finish(draft, key, audio.frames());
    store.settle();
}

std::vector<fs::path> filesIn(const fs::path& folder) {
    std::vector<fs::path> files;
    for (const auto& each : fs::directory_iterator(folder))
        files.push_back(each.path());
    return files;
}

TEST(AudioStore, GivesBackWhatWasWrittenInAnyOrderToTheBitAndLater) {
    const Folder folder;
    const Audio audio = tone(100'003);
    {
        AudioStore store(folder.path(), plenty);
        const auto draft = store.begin(48000, 2, audio.frames());
        ASSERT_TRUE(draft);
        const auto part = [&](std::int64_t from, std::int64_t to) {
            Audio p(48000, 2, Frames(to - from));
            for (std::size_t c = 0; c < 2; ++c)
                std::copy(audio.channels[c].begin() + from, audio.channels[c].begin() + to, p.channels[c].begin());
            return p;
        };
        ASSERT_TRUE(draft->write(Frames(60'000), part(60'000, 100'003)));
        EXPECT_EQ(draft->view(Frames(60'000), Frames(60'004))->channels[1][3], audio.channels[1][60'003])
            << "written is there to be heard at once";
        ASSERT_TRUE(draft->write(Frames(0), part(0, 60'000)));
        EXPECT_FALSE(store.find(someKey)) << "nobody sees what is not finished";
        const auto kept = store.finish(draft, someKey, audio.frames());
        EXPECT_EQ(kept.audio->channels[0], audio.channels[0]);
    }
    AudioStore again(folder.path(), plenty);
    const auto found = again.find(someKey);
    ASSERT_TRUE(found);
    EXPECT_EQ(found->audio->rate, 48000);
    ASSERT_EQ(found->audio->frames(), audio.frames());
    EXPECT_EQ(found->audio->channels[0], audio.channels[0]);
    EXPECT_EQ(found->audio->channels[1], audio.channels[1]);
    const sound::Peaks outline(audio);
    for (const std::int64_t at : {0, 5'000, 99'900})
        EXPECT_EQ(found->peaks->over(Frames(at), Frames(at + 103)), outline.over(Frames(at), Frames(at + 103)));
    EXPECT_FALSE(again.find({7, 12}));
}

TEST(AudioStore, WhatIsFinishedIsFoundBeforeTheDiskHasIt) {
    const Folder folder;
    AudioStore store(folder.path(), plenty);
    const Audio audio = tone(10'000);
    const auto draft = store.begin(48000, 2, audio.frames());
    ASSERT_TRUE(draft);
    ASSERT_TRUE(draft->write(Frames(0), audio));
    store.finish(draft, someKey, audio.frames());
    const auto found = store.find(someKey);
    ASSERT_TRUE(found);
    EXPECT_EQ(found->audio->channels[1], audio.channels[1]);
    store.settle();
    EXPECT_TRUE(store.find(someKey)) << "from the disk now";
}

TEST(AudioStore, TakesLessThanItMadeRoomForAndNoMore) {
    const Folder folder;
    AudioStore store(folder.path(), plenty);
    const Audio audio = tone(1000, 1);
    const auto draft = store.begin(44100, 1, Frames(50'000'000), Frames(1000));
    ASSERT_TRUE(draft);
    EXPECT_FALSE(draft->write(Frames(49'999'500), audio));
    ASSERT_TRUE(draft->write(Frames(0), audio.channels[0].data(), 1000));
    store.finish(draft, someKey, Frames(1000));
    store.settle();
    EXPECT_EQ(store.find(someKey)->audio->channels[0], audio.channels[0]);
    EXPECT_LT(store.bytes(), 100'000) << "room that was not used takes nothing of the disk";
}

TEST(AudioStore, WhatWasUsedLongestAgoGoes) {
    const Folder folder;
    const Audio audio = tone(1 << 18, 1);                   // 1 MB
    AudioStore store(folder.path(), std::int64_t(7) << 19); // 3.5 MB
    for (std::uint64_t i = 1; i <= 3; ++i) {
        keep(store, {i, i}, audio);
        store.setNote({i, i}, "note " + std::to_string(i));
        store.settle();
    }
    EXPECT_TRUE(store.find({1, 1})); // used just now
    keep(store, {4, 4}, audio);
    EXPECT_TRUE(store.find({1, 1}));
    EXPECT_FALSE(store.find({2, 2}));
    EXPECT_EQ(store.note({3, 3}), "note 3");
    EXPECT_TRUE(store.find({4, 4}));
    EXPECT_LE(store.bytes(), std::int64_t(7) << 19);
    EXPECT_FALSE(store.begin(48000, 2, Frames(1 << 20))) << "more than all of its room";
}

TEST(AudioStore, MayBeEmptiedWhileItIsHeard) {
    const Folder folder;
    AudioStore store(folder.path(), plenty);
    const Audio audio = tone(200'000);
    keep(store, someKey, audio);
    const auto heard = store.find(someKey);
    const auto draft = store.begin(48000, 2, audio.frames());
    for (const fs::path& file : filesIn(folder.path()))
        fs::remove(file);
    sound::releaseMappedBut({});
    EXPECT_EQ(heard->audio->channels[1], audio.channels[1]);
    EXPECT_FALSE(store.find(someKey));
    ASSERT_TRUE(draft->write(Frames(0), audio)) << "goes on for whoever has it";
    EXPECT_EQ(draft->view(Frames(0), audio.frames())->channels[0], audio.channels[0]);
    store.finish(draft, {8, 8}, audio.frames());
    store.settle();
    EXPECT_FALSE(store.find({8, 8}));
    keep(store, someKey, audio);
    EXPECT_TRUE(store.find(someKey));
    fs::remove_all(folder.path());
    keep(store, someKey, audio);
    EXPECT_TRUE(store.find(someKey)) << "the folder is made anew";
}

TEST(AudioStore, AFileCutShortIsSilenceAndSaysSo) {
    const Folder folder;
    AudioStore store(folder.path(), plenty);
    const Audio audio = tone(500'000, 1);
    keep(store, someKey, audio);
    const auto heard = store.find(someKey);
    fs::path file;
    for (const fs::path& each : filesIn(folder.path()))
        if (each.extension() == ".audio") file = each;
    fs::resize_file(file, 3 * 4096);
    EXPECT_EQ(heard->audio->channels[0][100], audio.channels[0][100]);
    EXPECT_EQ(sound::unreadPages(), 0);
    EXPECT_EQ(heard->audio->channels[0][400'000], 0.0F);
    EXPECT_EQ(sound::unreadPages(), 1);
    EXPECT_FALSE(store.find(someKey)) << "and is not given out again";
}

TEST(AudioStore, DamagedFilesAreNotFound) {
    const Folder folder;
    AudioStore store(folder.path(), plenty);
    keep(store, someKey, tone(10'000));
    fs::path file = filesIn(folder.path()).front();
    for (const int at : {0, 8, 24, 32, 40, 48, 52}) {
        std::fstream f(file, std::ios::in | std::ios::out | std::ios::binary);
        char was[8] = {};
        f.seekg(at);
        f.read(was, sizeof was);
        f.seekp(at);
        f.write("\xFF\xFF\xFF\xFF\xFF\xFF\xFF\x7F", 8);
        f.close();
        EXPECT_FALSE(store.find(someKey)) << at;
        f.open(file, std::ios::in | std::ios::out | std::ios::binary);
        f.seekp(at);
        f.write(was, sizeof was);
    }
    EXPECT_TRUE(store.find(someKey));
    std::ofstream(file) << "something else";
    EXPECT_FALSE(store.find(someKey));
}

TEST(AudioStore, WhereItCannotWriteNothingIsBegun) {
    const Folder folder;
    std::ofstream(folder / "file") << "in the way";
    AudioStore store(folder / "file" / "audio", plenty);
    EXPECT_FALSE(store.begin(48000, 2, Frames(1000)));
    EXPECT_FALSE(store.find(someKey));
    store.setNote(someKey, "lost");
    store.settle();
    EXPECT_FALSE(store.note(someKey));
    EXPECT_EQ(store.bytes(), 0);
}

TEST(AudioStore, AFullDiskIsToldWhereItIsWritten) {
    const support::SmallDisk disk(2048);
    AudioStore store(disk.folder() / "audio", plenty);
    const Audio audio = tone(1 << 19, 2); // 4 MB
    const auto draft = store.begin(48000, 2, audio.frames(), Frames(1000));
    ASSERT_EQ(draft != nullptr, disk.isMounted()) << "a limit on the size of files refuses the room itself";
    EXPECT_FALSE(draft && draft->write(Frames(0), audio));
    EXPECT_FALSE(store.begin(48000, 2, audio.frames())) << "there is no such room";
}

TEST(AudioStore, WhatAKilledProcessWasWritingGoes) {
    const Folder folder;
    std::ofstream(folder / "left.draft") << "half";
    AudioStore store(folder.path(), plenty);
    const auto own = store.begin(48000, 1, Frames(1000));
    store.settle();
    const auto files = filesIn(folder.path());
    ASSERT_EQ(files.size(), 1U) << "its own stays";
    EXPECT_NE(files.front().filename(), "left.draft");
}

TEST(Mapped, WhatIsLetGoIsReadAgain) {
    const Folder folder;
    AudioStore store(folder.path(), plenty);
    const Audio audio = tone(8 << 20, 1); // 32 MB
    keep(store, someKey, audio);
    const auto heard = store.find(someKey);
    const auto& samples = heard->audio->channels[0];
    const sound::Stretch all{samples.data(), samples.size() * sizeof(float)};
    const sound::Stretch part{samples.data(), all.bytes / 4};
    sound::releaseMappedBut({});
    const std::int64_t without = sound::residentMapped();
    sound::fetch(all);
    EXPECT_NEAR(double(sound::residentMapped() - without), double(all.bytes), 4e6);
    sound::releaseMappedBut({part});
    EXPECT_NEAR(double(sound::residentMapped() - without), double(part.bytes), 4e6);
    EXPECT_EQ(samples, audio.channels[0]);
}

TEST(Scratch, LargeAudioIsTheSameElsewhere) {
    Audio audio = tone(5 << 20, 2);
    const Audio same = audio;
    const sound::AudioPtr away = sound::setAside(std::move(audio));
    EXPECT_TRUE(away->channels[0].isView());
    EXPECT_EQ(away->channels[0], same.channels[0]);
    EXPECT_EQ(away->channels[1], same.channels[1]);
    EXPECT_FALSE(sound::setAside(tone(1000))->channels[0].isView());
}

TEST(Samples, ACopyOfAViewIsItsOwn) {
    const auto keeper = std::make_shared<std::vector<float>>(std::vector<float>{1, 2, 3});
    const auto view = sound::Samples::viewOf(keeper->data(), 3, keeper);
    sound::Samples copy = view;
    copy[1] = 5;
    EXPECT_EQ(view[1], 2.0F);
    EXPECT_EQ(copy[1], 5.0F);
    EXPECT_EQ(keeper.use_count(), 2);
    EXPECT_FALSE(copy.isView());
}

} // namespace
