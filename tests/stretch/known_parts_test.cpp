// Parts that are kept are those that would be worked out.
#include "stretch/known_parts.h"

#include "sound/audio_store.h"
#include "support/audio.h"
#include "support/files.h"

#include <gtest/gtest.h>

namespace {

using metre::Frames;
using stretch::Audio;
using stretch::Method;
using stretch::Span;

constexpr int rate = 44100;

// Strokes over a tone, longer than one block of what is kept, in stereo.
const Audio& mixed() {
    static const Audio audio = [] {
        Audio loop = support::drumLoop(support::steadyBeats(118, 8), 8 * 60 / 118.0, 4, rate);
        const Audio tone = support::sine(330, 8 * 60 / 118.0, rate);
        Audio both(rate, 2, loop.frames());
        for (std::size_t i = 0; i < loop.channels[0].size(); ++i) {
            const float t = i < tone.channels[0].size() ? tone.channels[0][i] : 0.0F;
            both.channels[0][i] = loop.channels[0][i] + 0.3F * t;
            both.channels[1][i] = 0.5F * loop.channels[0][i] - 0.4F * t;
        }
        return both;
    }();
    return audio;
}

class KnownParts : public testing::Test {
  protected:
    KnownParts() : store(std::make_unique<sound::AudioStore>(folder / "cache", std::int64_t(1) << 30)) {}

    static Audio rendered(double ratio, bool loop, double semitones, const stretch::KnownParts* parts) {
        static const std::vector<Frames> attacks{Frames(22000), Frames(68000), Frames(145000)};
        const auto turn = mixed().frames().value - 3000;
        const auto map =
            metre::TimeMap::make({{Frames(loop ? 1000 : 0), Frames(0)},
                                  {Frames(1000 + turn / 3), Frames(std::llround(double(turn) / 3 * ratio * 1.1))},
                                  {Frames(1000 + turn), Frames(std::llround(double(turn) * ratio))}});
        stretch::Settings settings;
        settings.method = Method::Blend;
        settings.loop = loop;
        settings.semitones = semitones;
        stretch::Material material{mixed(), attacks, true};
        material.parts = parts;
        return *stretch::Rendering::plan(material, *map, settings)->whole();
    }

    const support::Folder folder;
    std::unique_ptr<sound::AudioStore> store;
};

TEST_F(KnownParts, RenderingsAreTheSameToTheBitAtEveryTempoAndKey) {
    const stretch::KnownParts parts(*store, {3, 5});
    for (const bool loop : {false, true})
        for (const double ratio : {0.7, 1.6})
            for (const double semitones : {0.0, 4.0})
                EXPECT_EQ(rendered(ratio, loop, semitones, &parts).channels,
                          rendered(ratio, loop, semitones, nullptr).channels)
                    << loop << " " << ratio << " " << semitones;
}

TEST_F(KnownParts, AreWorkedOutOnceAndFoundAnotherTime) {
    const stretch::Passage passage{
        nullptr, {&mixed(), 0},
        {},      *metre::TimeMap::make({{Frames(0), Frames(0)}, {mixed().frames(), Frames(400000)}}),
        0,       400000,
        false};
    const Span span{-5000, mixed().frames().value + 7000};
    const auto expected = stretch::parted(passage, span, {});
    const auto asked = [&](const stretch::KnownParts& parts) {
        int steps = 0;
        const base::Progress progress{[&](double) { ++steps; }, {}};
        const auto got = parts.of(passage, span, progress);
        EXPECT_EQ(got.lasting.channels, expected.lasting.channels);
        EXPECT_EQ(got.striking.channels, expected.striking.channels);
        return steps;
    };
    const stretch::KnownParts parts(*store, {3, 5});
    const int first = asked(parts);
    const int second = asked(parts);
    EXPECT_LT(second, first / 4) << "only what lies outside the recording is worked out again";
    store->settle();
    store = std::make_unique<sound::AudioStore>(folder / "cache", std::int64_t(1) << 30);
    EXPECT_EQ(asked(stretch::KnownParts(*store, {3, 5})), second) << "at another time";
    EXPECT_EQ(asked(stretch::KnownParts(*store, {3, 6})), first) << "another recording";
}

TEST_F(KnownParts, WithoutRoomNothingIsKeptAndAllIsTheSame) {
    sound::AudioStore tiny(folder / "tiny", 1000);
    const stretch::KnownParts parts(tiny, {3, 5});
    EXPECT_EQ(rendered(1.3, true, 0, &parts).channels, rendered(1.3, true, 0, nullptr).channels);
}

TEST_F(KnownParts, WhatIsStoppedIsNotKept) {
    const stretch::KnownParts parts(*store, {3, 5});
    const stretch::Passage passage{
        nullptr, {&mixed(), 0},
        {},      *metre::TimeMap::make({{Frames(0), Frames(0)}, {mixed().frames(), Frames(400000)}}),
        0,       400000,
        false};
    std::stop_source stop;
    int steps = 0;
    parts.of(passage, {0, 100000},
             {[&](double) {
                  if (++steps == 10) stop.request_stop();
              },
              stop.get_token()});
    EXPECT_EQ(parts.of(passage, {0, 100000}, {}).lasting.channels,
              stretch::parted(passage, {0, 100000}, {}).lasting.channels);
}

} // namespace
