// Standard MIDI Files as they come: damaged, crowded, without a tempo, counting in seconds.
#include "deliver/midi_map.h"

#include <gtest/gtest.h>

namespace {

using namespace metre;

std::string bytesOf(std::initializer_list<int> list) {
    std::string out;
    for (const int b : list)
        out.push_back(static_cast<char>(b));
    return out;
}

std::string number(std::uint32_t value, int count) {
    std::string out;
    for (int i = count; i-- > 0;)
        out.push_back(static_cast<char>((value >> (8 * i)) & 0xFF));
    return out;
}

std::string midiOf(const std::vector<std::string>& tracks, int division = 480) {
    std::string out = "MThd" + number(6, 4) + number(1, 2) + number(std::uint32_t(tracks.size()), 2) +
                      number(std::uint32_t(division) & 0xFFFF, 2);
    for (const std::string& track : tracks)
        out += "MTrk" + number(std::uint32_t(track.size()), 4) + track;
    return out;
}

// Tempo after so many ticks (below 128).
std::string tempo(int ticks, std::uint32_t micro) {
    return bytesOf({ticks, 0xFF, 0x51, 3}) + number(micro, 3);
}
const std::string end = bytesOf({0, 0xFF, 0x2F, 0});

TEST(MidiMap, SaysWhatIsWrongWithDamagedFiles) {
    const std::string good = midiOf({tempo(0, 500000) + end});
    ASSERT_TRUE(deliver::readMidiMap(good).has_value());
    EXPECT_FALSE(deliver::readMidiMap("").has_value());
    EXPECT_FALSE(deliver::readMidiMap("RIFF....WAVE").has_value());
    EXPECT_FALSE(deliver::readMidiMap(midiOf({tempo(0, 500000) + end}, 0)).has_value());
    EXPECT_FALSE(deliver::readMidiMap(midiOf({})).has_value());
    // Cut off anywhere: a reason, or what was whole; never a crash.
    for (std::size_t cut = 0; cut < good.size(); ++cut) {
        const auto read = deliver::readMidiMap(good.substr(0, cut));
        if (!read) {
            EXPECT_FALSE(read.error().text.empty());
        }
    }
    // A length that reaches beyond the end, a number that never ends, data without a status.
    EXPECT_FALSE(deliver::readMidiMap(midiOf({bytesOf({0, 0xFF, 0x51, 0x7F})})).has_value());
    EXPECT_FALSE(deliver::readMidiMap(midiOf({bytesOf({0xFF, 0xFF, 0xFF, 0xFF, 0xFF})})).has_value());
    EXPECT_FALSE(deliver::readMidiMap(midiOf({bytesOf({0, 0x40, 0x40})})).has_value());
    // Every byte changed, one at a time.
    for (std::size_t i = 0; i < good.size(); ++i)
        for (const int value : {0, 0x7F, 0x80, 0xFF}) {
            std::string other = good;
            other[i] = static_cast<char>(value);
            (void)deliver::readMidiMap(other);
        }
}

TEST(MidiMap, WithoutATempoItIsThatOfTheSpecification) {
    const auto read = deliver::readMidiMap(midiOf({bytesOf({0, 0x90, 60, 100, 96, 60, 0}) + end}));
    ASSERT_TRUE(read.has_value()) << read.error().text;
    EXPECT_FALSE(read->hasTempo);
    EXPECT_FALSE(read->hasMetre);
    EXPECT_EQ(read->maps.tempo.points().front().bpm, Bpm(120));
}

TEST(MidiMap, TakesTenThousandTempos) {
    std::string track;
    for (int i = 0; i < 10000; ++i)
        track += tempo(i == 0 ? 0 : 120, std::uint32_t(400000 + i * 10));
    const auto read = deliver::readMidiMap(midiOf({track + end}));
    ASSERT_TRUE(read.has_value()) << read.error().text;
    EXPECT_EQ(read->maps.tempo.points().size(), 10000U);
    EXPECT_NEAR(read->maps.tempo.points().back().at.value, 9999 * 0.25, 1e-9);
}

TEST(MidiMap, OfSecondsOrOutOfRangeItSaysWhatItLeavesOut) {
    // 25 frames of 40 ticks: a millisecond each.
    const auto smpte = deliver::readMidiMap(midiOf({tempo(0, 250000) + end}, ((256 - 25) << 8) | 40));
    ASSERT_TRUE(smpte.has_value()) << smpte.error().text;
    EXPECT_FALSE(smpte->hasTempo);
    ASSERT_EQ(smpte->warnings.size(), 1U);
    EXPECT_FALSE(deliver::readMidiMap(midiOf({end}, ((256 - 77) << 8) | 40)).has_value());
    // 0 and 10 µs a quarter are no tempos.
    const auto absurd = deliver::readMidiMap(midiOf({tempo(0, 500000) + tempo(96, 0) + tempo(96, 10) + end}));
    ASSERT_TRUE(absurd.has_value());
    EXPECT_EQ(absurd->maps.tempo.points().size(), 1U);
    EXPECT_EQ(absurd->warnings.size(), 1U);
    // A metre that begins within a bar, and one with a unit that is none.
    const std::string metres = bytesOf({0, 0xFF, 0x58, 4, 4, 2, 24, 8}) +
                               bytesOf({96, 0xFF, 0x58, 4, 3, 2, 24, 8}) +
                               bytesOf({96, 0xFF, 0x58, 4, 3, 9, 24, 8});
    const auto read = deliver::readMidiMap(midiOf({metres + end}));
    ASSERT_TRUE(read.has_value());
    EXPECT_EQ(read->maps.metre.points().size(), 1U);
    EXPECT_EQ(read->warnings.size(), 1U);
}

TEST(MidiMap, OfSeveralTracksAllCount) {
    const auto read = deliver::readMidiMap(midiOf({tempo(0, 500000) + end, tempo(96, 400000) + end}, 96));
    ASSERT_TRUE(read.has_value());
    ASSERT_EQ(read->maps.tempo.points().size(), 2U);
    EXPECT_EQ(read->maps.tempo.points()[1].at, Beats(1));
}

// Moments as any reader adds them up: whole microseconds a quarter, from tempo to tempo.
struct Walked {
    double worst = 0; // seconds
    bool hasLongDelta = false;
};
Walked walked(const std::string& midi, Bpm bpm) {
    Walked out;
    std::size_t at = 22;
    double ticks = 0;
    double micros = 0;
    double each = 500000;
    while (at < midi.size()) {
        std::uint64_t delta = 0;
        int bytes = 0;
        unsigned char b = 0;
        do {
            b = static_cast<unsigned char>(midi[at++]);
            delta = delta << 7 | (b & 0x7FU);
            ++bytes;
        } while ((b & 0x80U) != 0);
        out.hasLongDelta = out.hasLongDelta || bytes > 4;
        // At most at the end of a stretch, and halfway.
        micros += double(delta) / 9600 * each;
        ticks += double(delta);
        out.worst = std::max(out.worst, std::abs(micros * 1e-6 - ticks / 9600 * 60 / bpm.value));
        const auto type = static_cast<unsigned char>(midi[at + 1]);
        const auto size = static_cast<std::size_t>(midi[at + 2]);
        if (type == 0x51)
            each = double(static_cast<unsigned char>(midi[at + 3]) << 16 |
                          static_cast<unsigned char>(midi[at + 4]) << 8 | static_cast<unsigned char>(midi[at + 5]));
        at += 3 + size;
    }
    return out;
}

TEST(MidiMap, ASteadyTempoDoesNotDriftInHours) {
    for (const double bpm : {174.0, 120.0, 97.31, 61.7, 399.99}) {
        const Walked w = walked(deliver::midiMap(TempoMap(Bpm(bpm)), MetreMap({4, 4}), Beats(bpm * 120)), Bpm(bpm));
        EXPECT_LT(w.worst, 0.0005) << bpm;
    }
}

TEST(MidiMap, NoTimeBetweenEventsHasMoreThanFourBytes) {
    const std::string midi = deliver::midiMap(TempoMap(Bpm(120)), MetreMap({4, 4}), Beats(100'000));
    EXPECT_FALSE(walked(midi, Bpm(120)).hasLongDelta);
    EXPECT_TRUE(deliver::readMidiMap(midi)) << "our own reader reads it";
}

TEST(MidiMap, WhatOthersLeaveBehindTheEndAndARunningStatusOverMetaEventsAreTaken) {
    const std::string good = midiOf({tempo(0, 400000) + end});
    for (const std::string& tail :
         {std::string("\0\0\0", 3), std::string("padding!and more"), std::string(600, '\0')}) {
        const auto read = deliver::readMidiMap(good + tail);
        ASSERT_TRUE(read) << read.error().text;
        EXPECT_EQ(read->maps.tempo.points().front().bpm, Bpm(150));
    }
    const auto running = deliver::readMidiMap(
        midiOf({bytesOf({0, 0x90, 60, 100, 0, 62, 100}) + tempo(0, 400000) + bytesOf({10, 60, 0}) + end}));
    ASSERT_TRUE(running) << running.error().text;
    EXPECT_EQ(running->maps.tempo.points().front().bpm, Bpm(150));
}

} // namespace
