// Where time-domain stretching may jump to.
#include "stretch/splice.h"

#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

using namespace stretch;

// Three strokes of noise that die away, half a second apart.
const support::Audio& strokes() {
    static const support::Audio audio = support::strokes({4800, 28800, 52800}, 1.6);
    return audio;
}

Similarity similar() {
    return {{&strokes(), 0}, {0, strokes().frames().value}, 1152};
}

TEST(Similarity, JumpingBackIntoAStrokeIsARise) {
    const Similarity s = similar();
    EXPECT_GT(s.rise(28800 + 6000, 28800), 2) << "from its end to its beginning";
    EXPECT_EQ(s.rise(28800, 28800 + 6000), 0) << "from its beginning to its end";
    EXPECT_EQ(s.rise(28800, 28800), 0);
    EXPECT_NEAR(s.rise(28800 + 960, 52800 + 960), 0, 0.5) << "from one stroke to the same place in another";
    EXPECT_GT(s.rise(26000, 28800), 2) << "out of silence";
}

TEST(Similarity, BeyondTheRecordingThereIsNoRise) {
    const Similarity s = similar();
    const std::int64_t end = strokes().frames().value;
    EXPECT_EQ(s.rise(28800, end + 100000), 0);
    EXPECT_EQ(s.rise(-100000, -90000), 0);
}

// What dies away has no place like it: of those that are all unlike, mostly one that is not much louder is taken.
TEST(Similarity, OfPlacesThatAreUnlikeOneWithoutARiseIsTaken) {
    const Similarity s = similar();
    double rises = 0;
    int tried = 0;
    for (std::int64_t here = 28800 + 2400; here < 28800 + 9600; here += 240, ++tried)
        rises += s.rise(here, s.best(here, here - 1800, here - 240, here - 1000).place);
    EXPECT_LT(rises / tried, 0.6) << "without a price on rises it is 1.0";
}

} // namespace
