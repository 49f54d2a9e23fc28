// Folders looked through: what is read, what is not read again, what is gone and comes back.
#include "shelf/scan.h"

#include "sound/content.h"
#include "sound/read.h"
#include "sound/tag_file.h"
#include "support/audio.h"
#include "support/files.h"

#include <gmock/gmock.h>
#include <gtest/gtest.h>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using metre::Bpm;
using shelf::Library;
using support::Folder;

class Scan : public ::testing::Test {
  protected:
    Scan() {
        fs::create_directories(pack / "inner");
        add("one_100bpm.wav", 100);
        add("inner/two_120bpm.wav", 120);
        library = std::move(*Library::open(folder / "data" / "library.sqlite"));
    }
    void add(const std::string& name, double bpm) {
        support::writeSound(pack / name, support::drumLoop(support::steadyBeats(bpm, 4), 240 / bpm),
                            SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    }
    shelf::Scanned scanned(const shelf::ScanOptions& options = {}) {
        auto done = shelf::scan(*library, {pack}, options);
        EXPECT_TRUE(done) << done.error().text;
        return *done;
    }
    std::vector<shelf::Entry> entries() { return *library->entries(*library->search({})); }

    Folder folder;
    fs::path pack = folder / "pack";
    std::unique_ptr<Library> library;
};

TEST_F(Scan, ReadsWhatIsNewOrChangedAndNothingElse) {
    shelf::Scanned first = scanned();
    EXPECT_EQ(first.files, 2U);
    EXPECT_EQ(first.fresh, 2U);
    std::size_t read = 99;
    shelf::ScanOptions counting;
    counting.onCount = [&](std::size_t, std::size_t of) { read = of; };
    const shelf::Scanned again = scanned(counting);
    EXPECT_EQ(again.files, 2U);
    EXPECT_EQ(again.fresh + again.changed + again.gone + again.failed, 0U);
    EXPECT_EQ(read, 0U);
    add("one_100bpm.wav", 110);
    add("three.wav", 90);
    const shelf::Scanned third = scanned(counting);
    EXPECT_EQ(third.fresh, 1U);
    EXPECT_EQ(third.changed, 1U);
    EXPECT_EQ(read, 2U);
    EXPECT_NEAR(entries()[0].bpm->value, 110, 0.01) << "what is heard now, whatever its name says";
    EXPECT_EQ(entries().size(), 3U);
}

TEST_F(Scan, WhatIsGoneIsShownSoAndComesBackUnread) {
    scanned();
    fs::rename(pack / "inner", folder / "elsewhere");
    EXPECT_EQ(scanned().gone, 1U);
    EXPECT_EQ(scanned().gone, 0U) << "that is told once";
    ASSERT_EQ(entries().size(), 2U);
    EXPECT_TRUE(entries()[1].isGone);
    fs::rename(folder / "elsewhere", pack / "inner");
    const shelf::Scanned back = scanned();
    EXPECT_EQ(back.fresh + back.changed, 0U);
    EXPECT_FALSE(entries()[1].isGone);
    // The whole disk.
    fs::rename(pack, folder / "unplugged");
    const shelf::Scanned none = scanned();
    EXPECT_EQ(none.gone, 2U);
    EXPECT_EQ(none.failed, 1U);
    EXPECT_NE(none.problems.at(0).find("not there"), std::string::npos) << none.problems.at(0);
}

TEST_F(Scan, ARenamedRetaggedAndMovedFileIsTheSameEntry) {
    scanned();
    const shelf::Entry before = entries()[0];
    ASSERT_TRUE(library->setOwn({{before.content, {{"dusk"}, "", true}}}));
    fs::rename(pack / "one_100bpm.wav", pack / "inner" / "quay.wav");
    ASSERT_TRUE(sound::tagFile(pack / "inner" / "quay.wav", {Bpm(133), "Dm", {}}));
    const shelf::Scanned moved = scanned();
    EXPECT_EQ(moved.fresh, 0U);
    EXPECT_EQ(moved.changed, 1U);
    EXPECT_EQ(moved.gone, 0U);
    ASSERT_EQ(entries().size(), 2U);
    const shelf::Entry after = library->entries({before.id})->front();
    EXPECT_EQ(after.file, pack / "inner" / "quay.wav");
    EXPECT_EQ(after.content, before.content);
    EXPECT_EQ(after.key, (hear::Key{2, true})) << "what is tagged is read anew";
    EXPECT_THAT(after.own.tags, ::testing::ElementsAre("dusk"));
    const auto source = library->sourceOf(before.id);
    ASSERT_TRUE(source);
    EXPECT_FALSE(source->readings.empty());
}

TEST_F(Scan, DamagedFilesAreListedWithTheirReason) {
    support::writeBytes(pack / "broken.wav", "RIFF nonsense");
    support::writeBytes(pack / "empty.flac", "");
    const shelf::Scanned done = scanned();
    EXPECT_EQ(done.fresh, 2U);
    EXPECT_EQ(done.failed, 2U);
    ASSERT_EQ(done.problems.size(), 2U);
    EXPECT_THAT(done.problems, ::testing::Contains(::testing::HasSubstr("broken.wav")));
    ASSERT_EQ(entries().size(), 4U);
    EXPECT_FALSE(entries()[0].isRead());
    EXPECT_THAT(entries()[0].problem, ::testing::HasSubstr("broken.wav could not be read"));
    EXPECT_EQ(scanned().failed, 2U) << "they are tried again: rights, room and memory change, and files do not";
    add("broken.wav", 100);
    EXPECT_EQ(scanned().changed, 1U);
    EXPECT_TRUE(entries()[0].isRead());
}

TEST_F(Scan, LinksThatGoRoundEndAndNamesMayBeAnything) {
    fs::create_directory_symlink(pack, pack / "inner" / "round");
    fs::create_directory_symlink(pack / "a", pack / "b");
    fs::create_directory_symlink(pack / "b", pack / "a");
    fs::create_symlink("nowhere.wav", pack / "dangling.wav");
    add("\xff\xfe odd\nname.wav", 100);
    add(".hidden.wav", 100);
    const shelf::Scanned done = scanned();
    EXPECT_EQ(done.fresh, 3U);
    EXPECT_EQ(done.failed, 0U) << done.problems.at(0);
    EXPECT_EQ(library->entriesOf({pack / "\xff\xfe odd\nname.wav"})->size(), 1U);
}

TEST_F(Scan, AFileThatIsChangedWhileItIsReadIsReadOnceMore) {
    sound::ListedFile stale = *sound::listed(pack / "one_100bpm.wav");
    stale.bytes -= 7; // as it was when the folder was listed
    const shelf::ReadFile read = shelf::readForLibrary(stale, *library, nullptr);
    EXPECT_TRUE(read.source);
    EXPECT_EQ(read.listed, *sound::listed(pack / "one_100bpm.wav"));
}

TEST_F(Scan, CancelledItKeepsWhatWasReadAndGoesOnFromThere) {
    for (int i = 0; i < 12; ++i)
        add("more" + std::to_string(i) + ".wav", 90 + i);
    std::stop_source stop;
    shelf::ScanOptions options;
    options.jobs = 1;
    options.onCount = [&](std::size_t done, std::size_t) {
        if (done >= 1) stop.request_stop();
    };
    const auto first = shelf::scan(*library, {pack}, options, {{}, stop.get_token()});
    ASSERT_TRUE(first);
    EXPECT_TRUE(first->cancelled);
    const std::size_t kept = library->size();
    EXPECT_EQ(kept, first->fresh);
    EXPECT_EQ(scanned().fresh, 14 - kept);
    EXPECT_EQ(library->size(), 14U);
}

TEST_F(Scan, TheSameAudioIsHeardOnceWhateverItIsCalled) {
    scanned();
    const auto before = library->heardBefore(entries()[0].content);
    ASSERT_TRUE(before);
    EXPECT_FALSE(library->heardBefore("0123456789abcdef"));
    // What is long is recognised by the same content as what is short.
    const auto audio = sound::read(pack / "one_100bpm.wav", 0);
    ASSERT_TRUE(audio);
    EXPECT_EQ(*sound::contentOfFile(pack / "one_100bpm.wav", audio->audio.frames()), audio->content);
    EXPECT_EQ(entries()[0].content, audio->content);
    EXPECT_FALSE(sound::contentOfFile(pack / "one_100bpm.wav", audio->audio.frames() + metre::Frames(1)));
}

} // namespace
