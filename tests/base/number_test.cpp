// Numbers as text.
#include "base/number.h"

#include <cmath>
#include <gtest/gtest.h>
#include <limits>
#include <random>

namespace {

using base::numberFrom;
using base::numberText;
using base::typedNumber;

TEST(Number, ComesBackAsTheVerySame) {
    std::mt19937_64 random(7);
    std::uniform_real_distribution<double> exponent(-300, 300);
    for (int i = 0; i < 20000; ++i) {
        const double x = std::ldexp(exponent(random), static_cast<int>(exponent(random)));
        ASSERT_EQ(numberFrom(numberText(x)), x) << numberText(x);
    }
    for (const double x : {0.0, -0.0, 0.1, 120.0, 1e-7, std::numeric_limits<double>::max(), 5e-324})
        EXPECT_EQ(numberFrom(numberText(x)), x);
    EXPECT_EQ(numberText(0.5), "0.5") << "a point, in every locale";
}

TEST(Number, HexadecimalFloatsAreReadToo) {
    EXPECT_EQ(numberFrom("0x1.8p+1"), 3.0);
    EXPECT_EQ(numberFrom("-0x1p-1"), -0.5);
}

TEST(Number, WhatIsNoNumberIsNone) {
    for (const char* bad : {"", " ", "1,5", "1 ", " 1", "1.5x", "inf", "nan", "0x", "0x-1p0", "--1", "1e999", "+1"})
        EXPECT_FALSE(numberFrom(bad)) << bad;
}

TEST(Number, PeopleTypePointsAndCommas) {
    EXPECT_EQ(typedNumber(" 97,5 "), 97.5);
    EXPECT_EQ(typedNumber("+3"), 3.0);
    EXPECT_EQ(typedNumber("-0.25"), -0.25);
    for (const char* bad : {"", "  ", "1,2,3", "0x10", "five"})
        EXPECT_FALSE(typedNumber(bad)) << bad;
}

} // namespace
