// Playing along with others by arithmetic and by hand: a leader that is made up, MIDI clock in both directions. The
// real server is in jack_test.cpp.
#include "mix/scene.h"
#include "play/jack_leader.h"
#include "play/midi_clock.h"
#include "play/midi_ports.h"
#include "play/player.h"
#include "play/simulated_output.h"
#include "support/wait.h"

#include <atomic>
#include <cmath>
#include <gmock/gmock.h>
#include <random>

namespace {

using namespace play;
using metre::Beats;
using metre::Bpm;

// Steps of a transport that counts beats of 1920 whole ticks from frame 0 on.
ToldBeats::Told wholeTicks(double frame, double bpm, double fromFrame = 0, double fromBeat = 0) {
    const double beats = fromBeat + (frame - fromFrame) / 48000 / 60 * bpm;
    return {frame, std::floor(beats * 1920 + 1e-6) / 1920, 1.0 / 1920, bpm, 48000};
}

TEST(ToldBeats, WholeTicksFromFrameNoughtAreExact) {
    ToldBeats beats;
    for (double frame = 256; frame < 480000; frame += 256)
        EXPECT_NEAR(beats.quartersAt(wholeTicks(frame, 93.7), frame), frame / 48000 / 60 * 93.7, 1e-9);
}

TEST(ToldBeats, AfterAChangeOfTempoTheLineIsKeptToATick) {
    ToldBeats beats;
    beats.quartersAt(wholeTicks(0, 120), 0);
    const double at = 256 * 100;
    const double there = at / 48000 / 60 * 120;
    double last = 0;
    for (double frame = at; frame < at + 256 * 200; frame += 256) {
        const double place = beats.quartersAt(wholeTicks(frame, 97.3, at, there), frame);
        const double real = there + (frame - at) / 48000 / 60 * 97.3;
        EXPECT_NEAR(place, real, 1.0 / 1920) << frame;
        if (frame > at) {
            EXPECT_NEAR(place - last, 256.0 / 48000 / 60 * 97.3, 1e-9) << "no step shows its ticks";
        }
        last = place;
    }
}

TEST(ToldBeats, AJumpIsFollowedAtOnceAndExactPlacesExactly) {
    ToldBeats beats;
    beats.quartersAt(wholeTicks(0, 120), 0);
    EXPECT_NEAR(beats.quartersAt({960000, 7.123456789, 0, 120, 48000}, 960000), 7.123456789, 1e-9);
    EXPECT_NEAR(beats.quartersAt({960256, 7.123456789 + 256.0 / 24000, 0, 120, 48000}, 960256),
                7.123456789 + 256.0 / 24000, 1e-9);
}

TEST(ToldBeats, APlaceThatIsACycleOldIsPassedOver) {
    ToldBeats beats;
    const auto real = [](double frame) { return 4 + (frame - 96000) / 48000 / 60 * 97.3; };
    double first = 0;
    for (int i = 0; i < 400; ++i) {
        const double frame = 96000 + 256.0 * i;
        const double told = i == 100 || i == 237 ? frame - 256 : frame;
        ToldBeats::Told t = wholeTicks(told, 97.3, 96000, 4);
        t.frame = frame;
        const double off = beats.quartersAt(t, frame) - real(frame);
        if (i == 0) first = off;
        EXPECT_NEAR(off, first, 1e-9) << i;
    }
    // Where the places go elsewhere for good, it follows.
    for (int i = 400; i < 410; ++i)
        beats.quartersAt(wholeTicks(96000 + 256.0 * i, 97.3, 96000, 9), 96000 + 256.0 * i);
    EXPECT_NEAR(beats.quartersAt(wholeTicks(96000 + 256.0 * 410, 97.3, 96000, 9), 96000 + 256.0 * 410),
                real(96000 + 256.0 * 410) + 5, 1.0 / 1920);
}

constexpr std::uint8_t clockByte = 0xF8;
void clocks(ClockReader& reader, int n, double bpm, double& at, double jitter = 0) {
    std::mt19937 random(7);
    std::uniform_real_distribution<double> late(0, jitter);
    for (int i = 0; i < n; ++i) {
        at += 60 / bpm / 24;
        reader.take(std::array<std::uint8_t, 1>{clockByte}, at + (jitter > 0 ? late(random) : 0));
    }
}
void tell(ClockReader& reader, std::initializer_list<std::uint8_t> bytes, double at) {
    reader.take(std::vector<std::uint8_t>(bytes), at);
}

TEST(ClockReader, AClockThatIsLateNowAndThenHasItsTempo) {
    for (const double bpm : {62.5, 118.0, 174.0}) {
        ClockReader reader;
        double at = 10;
        clocks(reader, 24, bpm, at);
        EXPECT_FALSE(reader.tempo(at)) << "less than a beat says little";
        clocks(reader, 168, bpm, at, 0.005);
        ASSERT_TRUE(reader.tempo(at));
        EXPECT_NEAR(reader.tempo(at)->value, bpm, bpm * 0.001) << "up to 5 ms late";
        EXPECT_FALSE(reader.tempo(at + 1)) << "it has ended";
    }
    ClockReader exact;
    double at = 0;
    clocks(exact, 100, 93.21, at);
    EXPECT_EQ(exact.tempo(at)->value, 93.21) << "whole hundredths are told whole";
}

TEST(ClockReader, AnotherTempoIsFollowedWithinTwoBeats) {
    ClockReader reader;
    double at = 0;
    clocks(reader, 400, 90, at, 0.002);
    clocks(reader, 48, 140, at, 0.002);
    EXPECT_NEAR(reader.tempo(at)->value, 140, 1);
}

// The MIDI 1.0 Detailed Specification: 24 clocks a quarter; the first after Start is the first beat; Continue goes
// on from the song position, which counts sixteenths and is told while it stands.
TEST(ClockReader, StartsStopsAndPlacesAreThoseOfTheSpecification) {
    ClockReader reader;
    double at = 0;
    clocks(reader, 30, 120, at);
    EXPECT_FALSE(reader.isRunning());
    tell(reader, {0xFA}, at);
    EXPECT_TRUE(reader.isRunning());
    EXPECT_EQ(reader.beatAt(at), 0) << "it waits for its first clock";
    clocks(reader, 1, 120, at);
    EXPECT_NEAR(reader.beatAt(at), 0, 1e-9);
    clocks(reader, 24, 120, at);
    EXPECT_NEAR(reader.beatAt(at), 1, 1e-9);
    EXPECT_NEAR(reader.beatAt(at + 0.010), 1.02, 1e-9) << "between clocks it goes on";
    tell(reader, {0xF2, 8, 0}, at);
    EXPECT_NEAR(reader.beatAt(at), 1, 1e-9) << "no place is told while it runs";
    tell(reader, {0xFC}, at);
    EXPECT_FALSE(reader.isRunning());
    tell(reader, {0xFB}, at);
    clocks(reader, 1, 120, at);
    EXPECT_NEAR(reader.beatAt(at), 25.0 / 24, 1e-9) << "on from where it stopped";
    tell(reader, {0xFC}, at);
    tell(reader, {0xF2, 0x10, 0x01}, at); // 144 sixteenths
    EXPECT_EQ(reader.beatAt(at), 36);
    tell(reader, {0xFB}, at);
    clocks(reader, 7, 120, at);
    EXPECT_NEAR(reader.beatAt(at), 36.25, 1e-9);
    reader.take({}, at);
    tell(reader, {0xF2}, at); // cut off
    EXPECT_NEAR(reader.beatAt(at), 36.25, 1e-9);
}

// What goes out is heard by what comes in.
struct Loop {
    ClockWriter writer;
    ClockReader reader;
    void run(Heard where, double from, double to) {
        const double began = where.at;
        const double beat = where.beat;
        for (double now = from; now < to; now += 0.002) {
            if (where.plays) where.beat = beat + (now - began) * where.bpm / 60;
            where.at = now;
            for (const auto& m : writer.until(where, now))
                reader.take(std::span(m.bytes).first(m.size), m.at);
        }
    }
};

TEST(ClockWriter, WhatGoesOutIsTheProjectsPlaceAndTempo) {
    Loop loop;
    loop.run({false, 0, 97, 0}, 0, 2);
    EXPECT_FALSE(loop.reader.isRunning());
    EXPECT_NEAR(loop.reader.tempo(2)->value, 97, 0.2) << "its tempo is known while it stands";
    loop.run({true, 0, 97, 2}, 2, 6);
    EXPECT_TRUE(loop.reader.isRunning());
    EXPECT_NEAR(loop.reader.beatAt(6), 4 * 97 / 60.0, 0.02);
    loop.run({true, 40.3, 97, 6}, 6, 9); // a jump
    EXPECT_NEAR(loop.reader.beatAt(9), 40.3 + 3 * 97 / 60.0, 0.02);
    loop.run({true, 40.3 + 3 * 97 / 60.0, 131, 9}, 9, 12); // another tempo, no jump
    EXPECT_NEAR(loop.reader.beatAt(12), 40.3 + 3 * 97 / 60.0 + 3 * 131 / 60.0, 0.02);
    EXPECT_NEAR(loop.reader.tempo(12)->value, 131, 0.2);
    loop.run({false, 50, 131, 12}, 12, 13);
    EXPECT_FALSE(loop.reader.isRunning());
}

TEST(ClockWriter, AStartWithinTheMusicIsAPositionAndItsClocksLieOnTheBeats) {
    ClockWriter writer;
    const Heard where{true, 8.1, 120, 100};
    const auto first = writer.until(where, 100.3);
    ASSERT_GE(first.size(), 3U);
    EXPECT_EQ(first[0].bytes[0], 0xF2);
    EXPECT_EQ(first[0].bytes[1] | first[0].bytes[2] << 7, 33) << "the sixteenth that comes, 8.25";
    EXPECT_EQ(first[1].bytes[0], 0xFB);
    EXPECT_EQ(first[2].bytes[0], clockByte);
    EXPECT_NEAR(first[2].at, 100 + 0.15 / 2, 1e-9);
    EXPECT_NEAR(first[3].at - first[2].at, 60.0 / 120 / 24, 1e-9);
}

// A leader by hand. It moves with the frames that are asked for.
struct Hand : Leader {
    std::atomic<bool> rolling{false};
    std::atomic<double> beat{0};
    std::atomic<bool> there{true};
    std::optional<LedTime> said;
    Step step = Step::Exact;
    metre::TempoMap tempo;

    std::string name() const override { return "hand"; }
    bool isThere() override { return there; }
    bool isAskable() const override { return true; }
    void start() override { rolling = true; }
    void stop() override { rolling = false; }
    void locate(Beats to) override { beat = to.value; }
    bool rolls() const override { return rolling; }
    std::optional<LedTime> time() override { return said; }
    void setProject(const metre::TempoMap& t, const metre::MetreMap&) override { tempo = t; }
    void setStep(Step s) override { step = s; }
    LedPlace look(const metre::TempoMap& heard, int n, bool) override {
        const LedPlace place{rolling, Beats(beat), {}};
        if (rolling) beat = heard.beatAt(heard.secondsAt(Beats(beat)) + metre::Seconds(n / 48000.0)).value;
        return place;
    }
    void begins(Beats) override {}
};

struct Led : testing::Test {
    SimulatedOutput* out = nullptr;
    std::unique_ptr<Player> player;
    Hand* hand = nullptr;

    void SetUp() override {
        auto output = std::make_unique<SimulatedOutput>(48000, SimulatedOutput::Pace::Asked, 60);
        out = output.get();
        player = std::make_unique<Player>(std::move(output), [] {});
        project::Project p;
        p.rate = 48000;
        p.view.click = true;
        p.view.countIn = 1;
        p.view.looping = true;
        p.loop = {Beats(0), Beats(4)};
        player->setProject(project::lay(p));
        auto leader = std::make_unique<Hand>();
        hand = leader.get();
        player->setLeader(std::move(leader));
        pass(1024);
    }
    void pass(std::int64_t frames) {
        for (std::int64_t done = 0; done < frames; done += 256) {
            out->advance(256);
            player->tick();
        }
    }
};

TEST_F(Led, PlayingAndStandingAreTheLeaders) {
    EXPECT_EQ(hand->step, Step::Loose) << "a device of its own is not the leader's";
    player->play();
    EXPECT_FALSE(player->isPlaying()) << "it is asked; it has not said so yet";
    pass(256);
    EXPECT_TRUE(player->isPlaying());
    pass(48000);
    EXPECT_NEAR(player->position().value, 2, 0.03) << "it is not counted in";
    player->stop();
    pass(512);
    EXPECT_FALSE(player->isPlaying());
    hand->rolling = true; // by somebody else
    pass(512);
    EXPECT_TRUE(player->isPlaying());
    hand->rolling = false;
    pass(512);
    EXPECT_FALSE(player->isPlaying());
}

TEST_F(Led, ItGoesPastTheEndOfTheLoopRangeAndWhereTheLeaderGoes) {
    player->play();
    pass(3 * 48000);
    EXPECT_NEAR(player->position().value, 6, 0.03);
    hand->beat = 32;
    pass(512);
    EXPECT_NEAR(player->position().value, 32, 0.05);
    player->jump(Beats(16), false);
    pass(512);
    EXPECT_NEAR(player->position().value, 16, 0.05) << "a jump is made at once";
    player->locate(Beats(8));
    pass(512);
    EXPECT_NEAR(player->position().value, 8, 0.05);
    player->locate(Beats(-4));
    pass(512);
    EXPECT_NEAR(player->position().value, 0, 0.05) << "before bar 1 a transport cannot go";
}

TEST_F(Led, StandingItStandsWhereTheLeaderDoes) {
    hand->beat = 21.5;
    pass(512);
    EXPECT_NEAR(player->position().value, 21.5, 1e-4);
}

TEST_F(Led, AnotherTempoKeepsTheBeat) {
    player->play();
    pass(48000);
    const double before = player->position().value;
    project::Project p;
    p.rate = 48000;
    p.tempo = metre::TempoMap(Bpm(60));
    player->setProject(project::lay(p));
    pass(48000);
    EXPECT_NEAR(player->position().value, before + 1, 0.05);
    EXPECT_EQ(hand->tempo, metre::TempoMap(Bpm(60))) << "the leader knows of it";
}

TEST_F(Led, WithoutALeaderItGoesByItselfAgain) {
    player->play();
    pass(48000);
    player->setLeader(nullptr);
    EXPECT_FALSE(player->isPlaying());
    pass(4800);
    const double stood = player->position().value;
    EXPECT_NEAR(stood, 2, 0.05) << "where it was";
    player->play();
    pass(3 * 48000);
    EXPECT_TRUE(player->isPlaying());
    EXPECT_LT(player->position().value, 4) << "the loop range counts again";
}

TEST_F(Led, ARecordingByItselfIsNotLedAndGivesWayToTheLeader) {
    auto audio = std::make_shared<sound::Audio>();
    audio->rate = 48000;
    audio->channels.assign(1, std::vector<float>(10 * 48000, 0.1F));
    hand->beat = 12;
    pass(512);
    player->playRaw(audio, {});
    pass(24000);
    EXPECT_TRUE(player->isPlayingRaw());
    EXPECT_NEAR(player->rawPosition().value, 0.5, 0.03);
    hand->rolling = true;
    pass(1024);
    EXPECT_FALSE(player->isPlayingRaw());
    EXPECT_TRUE(player->isPlaying());
    EXPECT_NEAR(player->position().value, 12, 0.2);
}

// The machine that is simulated plays from bar 1 at 112.
TEST(Midi, TheSimulatedClockLeadsAndIsRead) {
    setenv("PATIENT_METRE_MIDI", "simulated", 1);
    ASSERT_EQ(midiInputs().size(), 1U);
    auto input = MidiInput::open(midiInputs().front(), {});
    ASSERT_TRUE(input) << input.error().text;
    ASSERT_TRUE(support::waitFor([&] { return (*input)->tempo().has_value(); }));
    EXPECT_NEAR((*input)->tempo()->value, 112, 0.5);
    const auto leader = (*input)->leader();
    EXPECT_TRUE(leader->rolls());
    EXPECT_FALSE(leader->isAskable());
    const LedPlace first = leader->look(metre::TempoMap(Bpm(112)), 256, true);
    EXPECT_LT(first.loose.value, 0.1) << "it is followed from place to place";
    EXPECT_GT(leader->look(metre::TempoMap(Bpm(90)), 256, true).loose.value, 1000) << "at another tempo it is not";
    const auto missing = openMidiInput("ALSA: unplugged", {});
    ASSERT_FALSE(missing);
    EXPECT_THAT(missing.error().text, testing::HasSubstr("unplugged"));
    unsetenv("PATIENT_METRE_MIDI");
}

} // namespace
