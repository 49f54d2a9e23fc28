// The bins of a spectrum, parted around its peaks.
#include "stretch/regions.h"

#include <algorithm>
#include <gmock/gmock.h>
#include <random>

namespace stretch {

static bool operator==(const Region& a, const Region& b) {
    return a.from == b.from && a.peak == b.peak && a.to == b.to;
}

} // namespace stretch

namespace {

using stretch::Region;
using stretch::Regions;
using testing::ElementsAre;

std::vector<Region> found(const std::vector<float>& power) {
    Regions regions(power.size());
    regions.find(power);
    return regions.all();
}

TEST(Regions, MeetWhereThePowerIsLowestBetweenPeaks) {
    EXPECT_THAT(found({0, 1, 2, 9, 2, 1, 3, 8, 3, 1, 0}), ElementsAre(Region{0, 3, 6}, Region{6, 7, 11}));
}

TEST(Regions, APeakIsHigherThanTwoBinsOnEitherSide) {
    EXPECT_THAT(found({0, 1, 5, 4, 6, 2, 1, 0, 0}), ElementsAre(Region{0, 4, 9})) << "not bin 2";
}

TEST(Regions, OfTheLowestBinsBetweenPeaksTheFirstCounts) {
    EXPECT_THAT(found({0, 1, 2, 9, 1, 1, 1, 8, 3, 1, 0}), ElementsAre(Region{0, 3, 5}, Region{5, 7, 11}));
    EXPECT_THAT(found({0, 1, 2, 9, 1, 4, 0.5, 3, 8, 3, 1, 0}), ElementsAre(Region{0, 3, 7}, Region{7, 8, 12}))
        << "a dip that is not the lowest";
}

TEST(Regions, BinsThatFallFromTheFirstOnAreAnOffset) {
    Regions regions(10);
    regions.find(std::vector<float>{9, 4, 1, 2, 6, 2, 1, 0, 0, 0});
    EXPECT_EQ(regions.offsetEnd(), 2U);
    EXPECT_THAT(regions.all(), ElementsAre(Region{2, 4, 10}));
}

TEST(Regions, WithoutAPeakThereIsOneRegionAndItsPeakIsNoBin) {
    EXPECT_THAT(found(std::vector<float>(9, 1)), ElementsAre(Region{0, 9, 9}));
    EXPECT_THAT(found({1, 2, 3}), ElementsAre(Region{0, 3, 3}));
    EXPECT_THAT(found({3}), ElementsAre(Region{0, 1, 1}));
}

// Word for word what is said of them, one bin after another.
std::vector<Region> byTheWord(const std::vector<float>& p) {
    const std::size_t bins = p.size();
    const auto nextPeak = [&](std::size_t from) {
        for (std::size_t b = std::max<std::size_t>(from, 2); b + 2 < bins; ++b)
            if (p[b] > p[b - 1] && p[b] >= p[b + 1] && p[b] > p[b - 2] && p[b] >= p[b + 2]) return b;
        return bins;
    };
    std::size_t from = 0;
    while (from + 1 < bins && p[from + 1] < p[from])
        ++from;
    std::vector<Region> list;
    for (std::size_t peak = nextPeak(from); from < bins;) {
        const std::size_t next = nextPeak(peak + 1);
        const auto at = [&](std::size_t b) { return p.begin() + std::ptrdiff_t(b); };
        const std::size_t to =
            next < bins ? std::size_t(std::min_element(at(peak), at(next)) - p.begin()) + 1 : bins;
        list.push_back({from, peak, to});
        from = to;
        peak = next;
    }
    return list;
}

// With few steps of power, so that neighbours are often alike.
TEST(Regions, AreThoseThatOneBinAfterAnotherGives) {
    std::mt19937 random(3);
    for (int steps : {2, 3, 5, 1000})
        for (std::size_t bins = 1; bins < 80; ++bins) {
            std::vector<float> power(bins);
            for (float& p : power)
                p = float(random() % unsigned(steps));
            ASSERT_EQ(found(power), byTheWord(power)) << bins << " bins, " << steps << " steps";
        }
}

} // namespace
