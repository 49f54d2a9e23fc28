// Which attacks strike, found once for a recording.
#include "stretch/strikes.h"

#include "support/audio.h"

#include <gtest/gtest.h>

namespace {

using stretch::Method;

const std::vector<metre::Frames>& attacks() {
    static const std::vector<metre::Frames> list{metre::Frames(4800), metre::Frames(28800), metre::Frames(40000),
                                                 metre::Frames(52800)};
    return list;
}

// Strokes that die away; at the third of the places nothing begins.
const support::Audio& strokes() {
    static const support::Audio audio = support::strokes({4800, 28800, 52800}, 1.6);
    return audio;
}

support::Audio rendered(Method method, bool loop, const stretch::KnownStrikes* known) {
    const metre::Frames length = strokes().frames();
    const auto map =
        metre::TimeMap::make({{metre::Frames(0), metre::Frames(0)}, {length, metre::Frames(length.value * 5 / 4)}});
    stretch::Settings settings;
    settings.method = method;
    settings.loop = loop;
    const auto plan = stretch::Rendering::plan({strokes(), attacks(), true, nullptr, known}, *map, settings);
    EXPECT_TRUE(plan);
    auto out = plan->piece(metre::Frames(0), plan->length());
    EXPECT_TRUE(out);
    return std::move(*out);
}

TEST(Strikes, AreThoseAttacksAtWhichSomethingBegins) {
    const auto found = stretch::strikesIn(strokes(), attacks());
    EXPECT_EQ(found, (std::vector{metre::Frames(4800), metre::Frames(28800), metre::Frames(52800)}));
}

TEST(Strikes, OfARecordingAreFoundOnce) {
    const stretch::KnownStrikes known;
    const auto& first = known.of(strokes(), attacks());
    EXPECT_EQ(first, stretch::strikesIn(strokes(), attacks()));
    EXPECT_EQ(&known.of(strokes(), attacks()), &first);
}

TEST(Strikes, WhatIsKeptOfThemChangesNoResult) {
    for (const Method method : {Method::Struck, Method::Held, Method::Blend, Method::Sung})
        for (const bool loop : {false, true}) {
            const stretch::KnownStrikes known;
            const support::Audio without = rendered(method, loop, nullptr);
            EXPECT_EQ(rendered(method, loop, &known).channels, without.channels);
            EXPECT_EQ(rendered(method, loop, &known).channels, without.channels) << "when they are known";
        }
}

// What comes before a loop's beginning is its own end, so that its first attack may be none.
TEST(Strikes, OfALoopAreNotThoseOfTheRecording) {
    const stretch::KnownStrikes of;
    of.of(strokes(), {});
    EXPECT_EQ(rendered(Method::Held, true, &of).channels, rendered(Method::Held, true, nullptr).channels);
    EXPECT_NE(rendered(Method::Held, false, &of).channels, rendered(Method::Held, false, nullptr).channels)
        << "of the recording itself they count";
}

} // namespace
