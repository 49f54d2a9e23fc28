// Functions of many numbers at once: each number comes to what the C library makes of it by itself.
#include "hear/many.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>
#include <vector>

namespace hear {
namespace {

std::vector<float> between(double from, double to, int count) {
    std::vector<float> out;
    for (int i = 0; i < count; ++i)
        out.push_back(static_cast<float>(from + (to - from) * i / (count - 1)));
    return out;
}

TEST(Many, ExponentialsAreThoseOfEachNumber) {
    // An odd count: the last ones do not fill a vector.
    const std::vector<float> numbers = between(-80, 80, 1003);
    std::vector<float> out = numbers;
    exponentials(out);
    for (std::size_t i = 0; i < out.size(); ++i)
        EXPECT_NEAR(double(out[i]) / std::exp(double(numbers[i])), 1, 1e-6) << numbers[i];
}

TEST(Many, ExponentialsOfWhatIsVeryLowAreNextToNothing) {
    std::vector<float> out{-81, -1000, -1e30F, 0};
    exponentials(out);
    EXPECT_LT(out[0], 1e-30F);
    EXPECT_LT(out[1], 1e-30F);
    EXPECT_LT(out[2], 1e-30F);
    EXPECT_FLOAT_EQ(out[3], 1);
}

TEST(Many, LogarithmsAreThoseOfEachNumber) {
    std::vector<float> numbers = between(1e-3, 40, 1001);
    numbers.push_back(1e-9F);
    std::vector<float> out = numbers;
    logarithms(out);
    for (std::size_t i = 0; i < out.size(); ++i)
        EXPECT_NEAR(double(out[i]), std::log(double(numbers[i])), 2e-6) << numbers[i];
}

TEST(Many, CosinesAndSinesAreThoseOfEachAngle) {
    const std::vector<float> angles = between(-std::numbers::pi, std::numbers::pi, 1001);
    std::vector<float> cosines(angles.size());
    std::vector<float> sines(angles.size());
    cosinesAndSines(angles, cosines, sines);
    for (std::size_t i = 0; i < angles.size(); ++i) {
        EXPECT_NEAR(double(cosines[i]), std::cos(double(angles[i])), 1e-6) << angles[i];
        EXPECT_NEAR(double(sines[i]), std::sin(double(angles[i])), 1e-6) << angles[i];
    }
}

TEST(Many, NothingIsNothing) {
    exponentials({});
    logarithms({});
    cosinesAndSines({}, {}, {});
}

} // namespace
} // namespace hear
