// A disk that is full, for real: a small file system in memory. Mounting one needs the right to; where that is
// missing the kernel's own always-full device stands in.
#include "base/safe_file.h"
#include "sound/write.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/small_disk.h"

#include <gtest/gtest.h>

namespace {

using namespace sound;

using support::SmallDisk;

TEST(FullDisk, AnAudioFileIsThereWholeOrNotAtAll) {
    const SmallDisk disk;
    const auto small =
        write(disk.folder() / "small.wav", support::sine(440, 0.5), Depth::Int16, {}, base::Existing::Refuse);
    ASSERT_TRUE(small) << small.error().text;
    const std::string before = support::readBytes(disk.folder() / "small.wav");
    const auto large = write(disk.folder() / "large.wav", support::noise(20), Depth::Int24,
                             {metre::Bpm(100), "", {}}, base::Existing::Refuse);
    ASSERT_FALSE(large);
    EXPECT_NE(large.error().text.find("large.wav"), std::string::npos);
    if (disk.isMounted()) {
        EXPECT_NE(large.error().text.find("disk is full"), std::string::npos) << large.error().text;
    }
    const auto replaced =
        write(disk.folder() / "small.wav", support::noise(20), Depth::Int24, {}, base::Existing::Replace);
    EXPECT_FALSE(replaced);
    EXPECT_EQ(support::readBytes(disk.folder() / "small.wav"), before);
    int files = 0;
    for (const auto& entry : std::filesystem::directory_iterator(disk.folder().path())) {
        EXPECT_EQ(entry.path().filename(), "small.wav");
        ++files;
    }
    EXPECT_EQ(files, 1);
}

TEST(FullDisk, TextIsThereWholeOrNotAtAll) {
    const SmallDisk disk;
    ASSERT_TRUE(base::writeText(disk.folder() / "project.json", "before", base::Existing::Replace));
    const auto r =
        base::writeText(disk.folder() / "project.json", std::string(400 * 1024, 'x'), base::Existing::Replace);
    ASSERT_FALSE(r);
    EXPECT_NE(r.error().text.find("project.json"), std::string::npos);
    EXPECT_EQ(support::readBytes(disk.folder() / "project.json"), "before");
}

TEST(FullDisk, ACopyIsThereWholeOrNotAtAll) {
    const support::Folder elsewhere;
    support::writeBytes(elsewhere / "big.wav", std::string(400 * 1024, 'x'));
    const SmallDisk disk;
    EXPECT_FALSE(base::copyFile(elsewhere / "big.wav", disk.folder() / "big.wav", base::Existing::Refuse));
    EXPECT_TRUE(std::filesystem::is_empty(disk.folder().path()));
}

} // namespace
