#include "metre/nearer_beats.h"

#include <gtest/gtest.h>

namespace {

using namespace metre;

TEST(NearerBeats, TurnAroundTheFirstDownbeatAndKeepTheirPins) {
    const BeatMap beats = *BeatMap::make({{Seconds(1), Beats(-2)}, {Seconds(2), Beats(0)}, {Seconds(4), Beats(4)}});
    const BeatMap twice = *nearerBeats(beats, 2, Seconds(0));
    EXPECT_NEAR(twice.meanTempo().value, 2 * beats.meanTempo().value, 1e-9);
    EXPECT_EQ(twice.secondsAt(Beats(0)), Seconds(2));
    EXPECT_NEAR(twice.secondsAt(Beats(4)).value, 3, 1e-12);
    EXPECT_NEAR(twice.secondsAt(Beats(-2)).value, 1.5, 1e-12);
    const BeatMap later = *nearerBeats(beats, 1, Seconds(0.25));
    EXPECT_NEAR(later.secondsAt(Beats(4)).value, 4.25, 1e-12);
}

TEST(NearerBeats, ATempoThatIsNoneIsRefused) {
    const BeatMap beats(Bpm(100), Seconds(0));
    EXPECT_FALSE(nearerBeats(beats, 5, Seconds(0)));
    EXPECT_FALSE(nearerBeats(beats, 0.1, Seconds(0)));
    EXPECT_TRUE(nearerBeats(beats, 4, Seconds(0)));
}

} // namespace
