// Files that appear whole or not at all.
#include "base/safe_file.h"

#include "base/user_folders.h"
#include "support/files.h"

#include <csignal>
#include <cstdlib>
#include <gtest/gtest.h>
#include <sys/wait.h>
#include <unistd.h>

namespace {

namespace fs = std::filesystem;
using base::Existing;
using support::Folder;

std::size_t filesIn(const fs::path& folder) {
    return static_cast<std::size_t>(std::distance(fs::directory_iterator(folder), fs::directory_iterator()));
}

TEST(SafeFile, IsWrittenThroughALink) {
    const Folder folder;
    fs::create_directory(folder / "elsewhere");
    support::writeBytes(folder / "elsewhere" / "real.txt", "old");
    fs::create_symlink("elsewhere/real.txt", folder / "link.txt");
    ASSERT_TRUE(base::writeText(folder / "link.txt", "new", Existing::Replace));
    EXPECT_TRUE(fs::is_symlink(folder / "link.txt"));
    EXPECT_EQ(support::readBytes(folder / "elsewhere" / "real.txt"), "new");
    EXPECT_EQ(filesIn(folder / "elsewhere"), 1U) << "no part stays";
    const auto refused = base::writeText(folder / "link.txt", "newer", Existing::Refuse);
    ASSERT_FALSE(refused);
    EXPECT_EQ(support::readBytes(folder / "elsewhere" / "real.txt"), "new");
}

TEST(SafeFile, WhatAKilledProcessLeftBehindIsClearedAway) {
    const Folder folder;
    const pid_t child = fork();
    if (child == 0) {
        const base::PartFile part(folder / "loop.wav");
        raise(SIGKILL);
    }
    waitpid(child, nullptr, 0);
    ASSERT_EQ(filesIn(folder.path()), 1U) << "the part that nobody will finish";
    support::writeBytes(folder / ".part-of-somebody-else.wav", "theirs");
    ASSERT_TRUE(base::writeText(folder / "loop.txt", "whole", Existing::Refuse));
    EXPECT_EQ(filesIn(folder.path()), 2U);
    EXPECT_EQ(support::readBytes(folder / ".part-of-somebody-else.wav"), "theirs");
}

TEST(SafeFile, WhatAKilledProcessLeftIsClearedAwayWhereNobodyWritesAgain) {
    const Folder data;
    setenv("PATIENT_METRE_DATA", data.path().c_str(), 1);
    const Folder folder;
    const base::PartFile living(folder / "mine.wav");
    const pid_t child = fork();
    if (child == 0) {
        fs::current_path(folder.path());
        const base::PartFile part("loop.wav");
        raise(SIGKILL);
    }
    waitpid(child, nullptr, 0);
    ASSERT_EQ(filesIn(folder.path()), 2U);
    base::clearUnfinished();
    EXPECT_EQ(filesIn(folder.path()), 1U) << "of the killed process";
    EXPECT_TRUE(fs::exists(living.path())) << "of this one";
    EXPECT_EQ(filesIn(data / "cache" / "unfinished"), 1U);
}

TEST(SafeFile, NoNoteOfAPartStaysWhenItIsWritten) {
    const Folder data;
    setenv("PATIENT_METRE_DATA", data.path().c_str(), 1);
    const Folder folder;
    ASSERT_TRUE(base::writeText(folder / "a.txt", "whole", Existing::Refuse));
    ASSERT_FALSE(base::writeText(folder / "a.txt", "again", Existing::Refuse));
    EXPECT_EQ(filesIn(data / "cache" / "unfinished"), 0U);
}

TEST(SafeFile, ANoteThatNamesNoPartRemovesNothing) {
    const Folder data;
    setenv("PATIENT_METRE_DATA", data.path().c_str(), 1);
    fs::create_directories(data / "cache" / "unfinished");
    support::writeBytes(data / "precious.wav", "theirs");
    support::writeBytes(data / "cache" / "unfinished" / "part-1", (data / "precious.wav").native());
    support::writeBytes(data / "cache" / "unfinished" / "part-2", "");
    base::clearUnfinished();
    EXPECT_EQ(support::readBytes(data / "precious.wav"), "theirs");
    EXPECT_EQ(filesIn(data / "cache" / "unfinished"), 0U);
}

TEST(SafeFile, AFolderOfNotesThatCannotBeMadeHindersNoWriting) {
    const Folder data;
    support::writeBytes(data / "cache", "a file where the folder would be");
    setenv("PATIENT_METRE_DATA", data.path().c_str(), 1);
    ASSERT_TRUE(base::writeText(data / "a.txt", "whole", Existing::Refuse));
    EXPECT_EQ(support::readBytes(data / "a.txt"), "whole");
}

TEST(SafeFile, APartThatIsBeingWrittenStays) {
    const Folder folder;
    const base::PartFile part(folder / "mine.txt");
    const pid_t child = fork();
    if (child == 0) {
        // The first part of this other process, once it is one of its own.
        execl("/proc/self/exe", "test_base", "--gtest_filter=SafeFile.IsWrittenThroughALink", nullptr);
        _exit(127);
    }
    waitpid(child, nullptr, 0);
    EXPECT_FALSE(base::LockedFile::take(part.path())) << "locked while this process lives";
    EXPECT_TRUE(fs::exists(part.path()));
}

TEST(SafeFile, ACopyIsNotHinderedByAStalePart) {
    const Folder folder;
    support::writeBytes(folder / "a.wav", "audio");
    for (int i = 0; i < 40; ++i)
        support::writeBytes(folder / (".part-" + std::to_string(getpid()) + "-" + std::to_string(i) + ".wav"), "");
    EXPECT_TRUE(base::copyFile(folder / "a.wav", folder / "b.wav", Existing::Refuse));
    EXPECT_EQ(support::readBytes(folder / "b.wav"), "audio");
}

TEST(SafeFile, OneFileUnderTwoNames) {
    const Folder folder;
    support::writeBytes(folder / "a", "x");
    support::writeBytes(folder / "b", "x");
    fs::create_symlink("a", folder / "link");
    fs::create_hard_link(folder / "a", folder / "hard");
    EXPECT_TRUE(base::isSameFile(folder / "a", folder / "link"));
    EXPECT_TRUE(base::isSameFile(folder / "a", folder / "hard"));
    EXPECT_FALSE(base::isSameFile(folder / "a", folder / "b"));
    EXPECT_FALSE(base::isSameFile(folder / "a", folder / "nothing"));
}

TEST(LockedFile, BelongsToOneProcessUntilItEnds) {
    const Folder folder;
    fs::path made;
    {
        const auto held = base::LockedFile::make(folder / "deep" / "er", "autosave-", ".lock");
        ASSERT_TRUE(held) << held.error().text;
        made = held->path();
        EXPECT_FALSE(base::LockedFile::take(made));
    }
    auto taken = base::LockedFile::take(made);
    ASSERT_TRUE(taken);
    taken->remove();
    EXPECT_FALSE(fs::exists(made));
    EXPECT_FALSE(base::LockedFile::take(made)) << "it is not there";
}

TEST(UserFolders, OneVariableMovesThemAll) {
    setenv("PATIENT_METRE_DATA", "/somewhere/else", 1);
    EXPECT_EQ(base::dataFolder(), "/somewhere/else");
    EXPECT_EQ(base::recoveryFolder(), "/somewhere/else/recovery");
    unsetenv("PATIENT_METRE_DATA");
    setenv("XDG_DATA_HOME", "/data", 1);
    EXPECT_EQ(base::recoveryFolder(), "/data/patient-metre/recovery");
    setenv("XDG_DATA_HOME", "not absolute", 1); // to be passed over: XDG Base Directory Specification 0.8
    setenv("HOME", "/home/someone", 1);
    EXPECT_EQ(base::dataFolder(), "/home/someone/.local/share/patient-metre");
}

} // namespace
