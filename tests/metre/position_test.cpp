#include "metre/position.h"

#include <gtest/gtest.h>

namespace {

using metre::BarPosition;
using metre::parsePosition;

TEST(Position, IsReadAsItIsWrittenAndAsPeopleTypeIt) {
    EXPECT_EQ(*parsePosition("7"), (BarPosition{7, 1, 0}));
    EXPECT_EQ(*parsePosition("7.3"), (BarPosition{7, 3, 0}));
    EXPECT_EQ(*parsePosition("7 3 24"), (BarPosition{7, 3, 24}));
    EXPECT_EQ(*parsePosition("-2.4"), (BarPosition{-2, 4, 0}));
    for (const BarPosition p : {BarPosition{1, 1, 0}, BarPosition{12, 4, 95}, BarPosition{128, 2, 48}})
        EXPECT_EQ(*parsePosition(metre::positionLabel(p)), p) << metre::positionLabel(p);
}

TEST(Position, WhatIsNoPlaceIsRefusedWithAnExample) {
    for (const char* text :
         {"", "x", "7.0", "7.3.96", "7.3.2.1", "7.x", "9999999999", "1000001", "-1000001", "-2147483648"}) {
        const auto place = parsePosition(text);
        ASSERT_FALSE(place) << text;
        EXPECT_NE(place.error().text.find("7.3"), std::string::npos);
    }
}

} // namespace
