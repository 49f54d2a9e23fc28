// The project key in which recordings together are transposed least.
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/import.h"
#include "prove/key_meeting.h"

#include <gtest/gtest.h>

namespace {

using hear::Key;
using namespace prove;

project::LaidPtr inKeys(const std::vector<std::pair<Key, hear::Kind>>& keys) {
    std::vector<project::Source> sources;
    for (const auto& [key, kind] : keys) {
        project::Source s;
        s.name = s.content = "source " + std::to_string(sources.size());
        s.file = "/nowhere/" + s.name + ".wav";
        s.facts = {48000, 1, metre::Frames(48000), "WAV 16-bit"};
        s.key = key;
        s.kind = kind;
        sources.push_back(s);
    }
    auto added = project::addSources({}, std::move(sources));
    return project::lay(project::placeSources(added.project, added.ids, {}, metre::Beats(0))->project);
}

constexpr Key C{0, false};
constexpr Key D{2, false};
constexpr Key A{9, false};
constexpr Key aMinor{9, true};

// Worked example (any theory primer): A minor is the relative of C major and needs no transposition to go with it.
TEST(KeyMeeting, RelativesGoTogetherAndTheShorterWayCounts) {
    const auto laid = inKeys({{C, hear::Kind::Keys}, {aMinor, hear::Kind::Keys}, {D, hear::Kind::Held}});
    const KeyMeeting meeting = keyMeeting(*laid, C);
    ASSERT_EQ(meeting.sources.size(), 3U);
    EXPECT_FALSE(meeting.minor);
    EXPECT_EQ(meeting.shifts[0], (std::vector<int>{0, 0, -2}));
    EXPECT_EQ(meeting.sum(0), 2);
    EXPECT_EQ(meeting.best, 0);
    EXPECT_EQ(keyMeeting(*laid, D).best, 0) << "two of three are there";
    // From C up to A it is nine semitones, down only three.
    EXPECT_EQ(meeting.shifts[9][0], -3);
}

TEST(KeyMeeting, WithoutAKeyOfTheProjectItIsOfTheModeOfMost) {
    const auto laid =
        inKeys({{aMinor, hear::Kind::Keys}, {Key{4, true}, hear::Kind::Voice}, {A, hear::Kind::Keys}});
    EXPECT_TRUE(keyMeeting(*laid, std::nullopt).minor);
}

TEST(KeyMeeting, StruckSoundsAndThoseWithoutAKeyDoNotCount) {
    EXPECT_FALSE(keyMeeting(*inKeys({{C, hear::Kind::Struck}}), C).best);
    EXPECT_FALSE(keyMeeting(*project::lay({}), std::nullopt).best);
}

} // namespace
