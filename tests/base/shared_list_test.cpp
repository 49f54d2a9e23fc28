// A list that its copies share.
#include "base/shared_list.h"

#include <gtest/gtest.h>
#include <string>

namespace {

using Words = base::SharedList<std::string>;

TEST(SharedList, WhatIsDoneToACopyIsNotSeenInTheOther) {
    const Words first{"lock", "weir"};
    Words second = first;
    EXPECT_TRUE(second.isSharedWith(first));
    second.altered().push_back("sluice");
    EXPECT_FALSE(second.isSharedWith(first));
    EXPECT_EQ(first.size(), 2U);
    EXPECT_EQ(second.size(), 3U);
    EXPECT_EQ(second.back(), "sluice");
}

TEST(SharedList, ListsAreEqualByWhatIsInThem) {
    const Words first{"lock", "weir"};
    const Words second{"lock", "weir"};
    EXPECT_FALSE(first.isSharedWith(second));
    EXPECT_EQ(first, second);
    EXPECT_NE(first, (Words{"weir", "lock"}));
    EXPECT_EQ(Words(), Words(std::vector<std::string>()));
}

TEST(SharedList, AnEmptyOneCanBeReadAndAltered) {
    Words none;
    EXPECT_TRUE(none.empty());
    EXPECT_EQ(none.begin(), none.end());
    none.altered().push_back("lock");
    EXPECT_EQ(none[0], "lock");
    EXPECT_EQ(none.front(), "lock");
}

} // namespace
