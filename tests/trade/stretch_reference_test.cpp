// *Struck* against two reference libraries on the demo's loops: length, pitch, and where the attacks land.
#include "hear/onsets.h"
#include "sound/read.h"
#include "stretch/method.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/stretch_references.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>

namespace {

using metre::Frames;
using support::Audio;

Audio struck(const Audio& a, double ratio) {
    std::vector<Frames> attacks;
    for (const auto& o : hear::onsets(a))
        attacks.push_back(o.at);
    const auto map = metre::TimeMap::straight(a.frames(), Frames(std::llround(double(a.frames().value) * ratio)));
    return *stretch::render({a, attacks}, *map, {});
}

struct Errors {
    double median = 0;
    double worst = 0;
};

// How far each stroke of a loop lands from where the tempo says, in ms: the recording's own first 20 ms are looked
// for.
Errors onsetErrors(const Audio& source, const Audio& out, double bpm, double ratio, int sixteenths) {
    std::vector<double> errors;
    for (int i = 0; i < sixteenths; ++i) {
        const std::int64_t at = std::llround(i * 15 / bpm * source.rate);
        const double quiet = support::energy(source, at - 480, at) + 1e-9;
        if (support::energy(source, at, at + 480) < 8 * quiet) continue;
        const std::int64_t grid = std::llround(double(at) * ratio);
        errors.push_back(std::abs(double(support::lagOf(source, at, out, grid, 960, 960))) * 1000 / source.rate);
    }
    EXPECT_GT(errors.size(), 8U);
    std::sort(errors.begin(), errors.end());
    return {errors[errors.size() / 2], errors.back()};
}

TEST(Struck, LandsItsStrokesNearerThanTheReferences) {
    for (const auto& [name, bpm, sixteenths] :
         {std::tuple("winch_hands_112bpm.wav", 112.0, 64), std::tuple("rope_shaker_124.wav", 124.0, 32)}) {
        const Audio a = sound::read(support::demoAudio(name), 48000)->audio;
        for (const double ratio : {112.0 / 104, 0.85}) {
            const Errors ours = onsetErrors(a, struck(a, ratio), bpm, ratio, sixteenths);
            const Errors rubberband =
                onsetErrors(a, reference::rubberband(a, ratio, reference::Engine::Finer), bpm, ratio, sixteenths);
            const Errors touch = onsetErrors(a, reference::soundTouch(a, ratio), bpm, ratio, sixteenths);
            printf("%s × %.3f: onset error median / worst in ms: Struck %.3f / %.3f, rubberband %.3f / %.3f, "
                   "soundtouch %.3f / %.3f\n",
                   name, ratio, ours.median, ours.worst, rubberband.median, rubberband.worst, touch.median,
                   touch.worst);
            EXPECT_LE(ours.median, 0.1) << name;
            EXPECT_LE(ours.worst, 1.0) << name;
            EXPECT_LE(ours.median, std::min(rubberband.median, touch.median) + 1e-9) << name;
        }
    }
}

TEST(Struck, LengthIsExactWhereTheReferencesAreNear) {
    const Audio a = sound::read(support::demoAudio("winch_hands_112bpm.wav"), 48000)->audio;
    for (const double ratio : {0.75, 112.0 / 104, 1.33}) {
        const auto expected = std::llround(double(a.frames().value) * ratio);
        EXPECT_EQ(struck(a, ratio).frames().value, expected);
        EXPECT_NEAR(double(reference::rubberband(a, ratio, reference::Engine::Finer).frames().value),
                    double(expected), 2.0);
        // This one works in whole sequences of some 80 ms.
        EXPECT_NEAR(double(reference::soundTouch(a, ratio).frames().value), double(expected), 0.15 * 48000);
    }
}

TEST(Struck, PitchOfASineIsWithinACentLikeTheReferences) {
    const Audio a = support::sine(329.63, 3.0);
    for (const double ratio : {0.85, 1.2})
        for (const auto& [who, out] :
             {std::pair("Struck", struck(a, ratio)),
              std::pair("rubberband", reference::rubberband(a, ratio, reference::Engine::Finer)),
              std::pair("soundtouch", reference::soundTouch(a, ratio))})
            EXPECT_NEAR(support::cents(support::frequencyOf(out, 329.63), 329.63), 0, 1.0) << who << " × " << ratio;
}

} // namespace
