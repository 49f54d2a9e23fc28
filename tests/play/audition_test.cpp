// What an audition plays, asserted on what the output was given: on the bar line, in tempo, at its level.
#include "play/player.h"
#include "play/simulated_output.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "sound/decibel.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>
#include <thread>

namespace {

using namespace play;
using metre::Bpm;
using project::Project;

constexpr int rate = 48000;

// A stroke on each of so many beats of a loop.
std::shared_ptr<const project::Source> loop(const std::string& name, double bpm, int beats = 8, bool known = true) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < beats; ++i)
        at.push_back(std::llround(i * 60 / bpm * rate));
    project::Source s;
    s.name = s.content = name;
    s.file = "/" + name;
    sound::Audio audio = support::strokes(at, beats * 60 / bpm);
    s.facts = {rate, 1, audio.frames(), "WAV"};
    s.sound = project::soundOf(std::move(audio));
    s.kind = hear::Kind::Struck;
    if (known) {
        s.beats = metre::BeatMap(Bpm(bpm), metre::Seconds(0));
        s.chosen = hear::Witness::Typed;
    }
    return std::make_shared<const project::Source>(s);
}

// A tone that never pauses, as long as so many beats.
std::shared_ptr<const project::Source> tone(const std::string& name, double hertz, double bpm, int beats) {
    auto s = std::make_shared<project::Source>(*loop(name, bpm, beats));
    s->sound = project::soundOf(support::sine(hertz, beats * 60 / bpm));
    return s;
}

class Audition : public ::testing::Test {
  protected:
    Audition() {
        auto output = std::make_unique<SimulatedOutput>(rate, SimulatedOutput::Pace::Asked, 120);
        out = output.get();
        player = std::make_unique<Player>(std::move(output), [] {});
        p = *project::setTempo({}, Bpm(120));
        player->setProject(project::lay(p));
    }
    // By the clock, slower than real time while something is being rendered, and faster else.
    void play(double seconds) {
        auto due = std::chrono::steady_clock::now();
        int idle = 0;
        for (int i = 0; i < seconds * rate / 256; ++i) {
            player->tick();
            out->advance(256);
            idle = player->pendingRenders() == 0 ? idle + 1 : 0;
            due += std::chrono::milliseconds(idle > 10 ? 2 : 8);
            std::this_thread::sleep_until(due);
        }
    }
    Player::Auditioned told(std::shared_ptr<const project::Source> source) const {
        Player::Auditioned a;
        a.source = std::move(source);
        a.db = 0;
        return a;
    }
    // Frames, from one on, at which a stroke begins: something after at least 20 ms of nearly nothing.
    std::vector<std::int64_t> strokesFrom(std::int64_t from) const {
        const std::vector<float> all = out->taken();
        std::vector<std::int64_t> list;
        std::int64_t quiet = 1000000;
        for (std::int64_t i = from; 2 * i + 1 < std::int64_t(all.size()); ++i) {
            if (std::abs(all[std::size_t(2 * i)]) > 0.02F) {
                if (quiet > rate / 50) list.push_back(i);
                quiet = 0;
            } else {
                ++quiet;
            }
        }
        return list;
    }
    std::int64_t frameNow() const { return out->framesPlayed(); }
    std::int64_t startPlaying() {
        player->play();
        while (!player->isPlaying() || player->position() == metre::Beats(0))
            play(0.01);
        // Where beat 0 was.
        return frameNow() - std::llround(p.tempo.secondsAt(player->position()).value * rate);
    }

    SimulatedOutput* out = nullptr;
    std::unique_ptr<Player> player;
    Project p;
};

TEST_F(Audition, EntersOnTheNextBarLineToTheSampleAndInTempo) {
    const std::int64_t zero = startPlaying();
    play(0.5); // into the first bar
    player->audition(told(loop("winch", 96)));
    EXPECT_TRUE(player->isAuditioning());
    EXPECT_FALSE(player->auditionPosition()) << "it waits";
    play(4);
    const std::vector<std::int64_t> strokes = strokesFrom(zero);
    ASSERT_GE(strokes.size(), 4U);
    // Bar 2 begins at beat 4: two seconds after beat 0; from then on a stroke on every beat of the project.
    EXPECT_NEAR(double(strokes[0] - zero), 2.0 * rate, 3);
    for (std::size_t i = 0; i < strokes.size(); ++i)
        EXPECT_NEAR(double(strokes[i] - zero), (2.0 + 0.5 * double(i)) * rate, 24) << i;
    EXPECT_TRUE(player->auditionPosition());
    EXPECT_TRUE(player->isPlaying()) << "the project goes on";
}

TEST_F(Audition, AtOnceItDoesNotWaitForTheBar) {
    const std::int64_t zero = startPlaying();
    play(0.3);
    auto a = told(tone("hum", 300, 120, 8));
    a.atOnce = true;
    player->audition(a);
    play(1);
    ASSERT_FALSE(strokesFrom(zero).empty());
    EXPECT_LT(strokesFrom(zero)[0] - zero, rate) << "before a second had gone, let alone a bar of two";
}

TEST_F(Audition, ItsLevelIsItsOwn) {
    startPlaying();
    auto a = told(tone("hum", 300, 120, 8));
    a.db = -12;
    player->audition(a);
    play(4);
    const auto peakOfLast = [&] {
        const std::vector<float> all = out->taken();
        float peak = 0;
        for (std::size_t i = all.size() - rate; i < all.size(); ++i)
            peak = std::max(peak, std::abs(all[i]));
        return peak;
    };
    EXPECT_NEAR(peakOfLast(), 0.5 * sound::factorFromDb(-12), 0.003);
    EXPECT_NEAR(player->takeAuditionPeak(0), 0.5 * sound::factorFromDb(-12), 0.003) << "its meter says so";
    a.db = -6;
    player->audition(a);
    play(2);
    EXPECT_NEAR(peakOfLast(), 0.5 * sound::factorFromDb(-6), 0.005);
}

TEST_F(Audition, AnotherFileHasCrossedOverByTheNextBeat) {
    const std::int64_t zero = startPlaying();
    player->audition(told(tone("low", 300, 100, 8)));
    play(3.2); // it entered at 2 s
    player->audition(told(tone("high", 1500, 90, 8)));
    play(2);
    // By how a tone crosses zero: which of the two a stretch of 20 ms is.
    const std::vector<float> all = out->taken();
    const auto crossings = [&](double second) {
        int n = 0;
        const auto from = static_cast<std::size_t>(zero + std::llround(second * rate));
        for (std::size_t i = from; i < from + rate / 50; ++i)
            n += (all[2 * i] < 0) != (all[2 * i + 2] < 0);
        return n;
    };
    std::int64_t changed = 0;
    for (double t = 3.0; t < 5.0 && changed == 0; t += 0.005)
        if (crossings(t) > 40) changed = std::llround(t * 1000);
    EXPECT_LE((changed + 20) % 500, 20) << "the 20 ms looked at hold a beat: " << changed << " ms";
    EXPECT_GE(changed, 3200);
    EXPECT_LE(changed, 4000);
    // Nothing missing in between.
    for (double t = 2.3; t < 4.8; t += 0.01) {
        float peak = 0;
        const auto from = static_cast<std::size_t>(zero + std::llround(t * rate));
        for (std::size_t i = from; i < from + 480; ++i)
            peak = std::max(peak, std::abs(all[2 * i]));
        EXPECT_GT(peak, 0.3F) << t;
    }
}

TEST_F(Audition, GoesWithTheProjectThroughAChangeOfTempo) {
    startPlaying();
    player->audition(told(loop("winch", 96)));
    play(3);
    p = *project::setTempo(p, Bpm(150));
    player->setProject(project::lay(p));
    play(1.5);
    const std::int64_t from = frameNow();
    const double beat = player->position().value;
    play(2.5);
    const std::vector<std::int64_t> strokes = strokesFrom(from);
    ASSERT_GE(strokes.size(), 4U);
    const double interval = 0.4 * rate;
    const double next = (std::ceil(beat) - beat) * interval;
    for (std::size_t i = 0; i < strokes.size(); ++i)
        EXPECT_NEAR(double(strokes[i] - from) - next,
                    interval * std::round((double(strokes[i] - from) - next) / interval), 40)
            << i;
}

TEST_F(Audition, IsHeardThroughTheSeamOfTheRange) {
    p = *project::setLoop(p, {metre::Beats(0), metre::Beats(8)});
    player->setProject(project::lay(p));
    const std::int64_t zero = startPlaying();
    play(0.5);
    player->audition(told(loop("winch", 96)));
    play(9); // more than twice round
    const std::vector<std::int64_t> strokes = strokesFrom(zero);
    ASSERT_GE(strokes.size(), 12U);
    for (std::size_t i = 0; i < strokes.size(); ++i)
        EXPECT_NEAR(double(strokes[i] - zero), (2.0 + 0.5 * double(i)) * rate, 24) << i;
}

TEST_F(Audition, AloneItIsHeardAtOnceAndTheProjectStandsWhereItStood) {
    player->locate(metre::Beats(7));
    play(0.1);
    const std::int64_t from = frameNow();
    player->audition(told(loop("winch", 96)));
    EXPECT_FALSE(player->isPlaying());
    play(6); // eight beats of half a second, and round again
    const std::vector<std::int64_t> strokes = strokesFrom(from);
    ASSERT_GE(strokes.size(), 10U);
    EXPECT_LT(strokes[0] - from, rate / 2);
    for (std::size_t i = 1; i < strokes.size(); ++i)
        EXPECT_NEAR(double(strokes[i] - strokes[0]), 0.5 * double(i) * rate, 24) << i << ": in the project's tempo";
    EXPECT_EQ(player->position(), metre::Beats(7));
    player->stopAudition();
    play(0.5);
    EXPECT_FALSE(player->isAuditioning());
    EXPECT_EQ(player->position(), metre::Beats(7));
    EXPECT_TRUE(strokesFrom(frameNow() - rate / 5).empty());
}

TEST_F(Audition, RawItPlaysAsRecordedAndOnceItEnds) {
    auto a = told(loop("winch", 96, 4));
    a.inTempo = false;
    a.repeat = false;
    const std::int64_t from = frameNow();
    player->audition(a);
    play(4);
    const std::vector<std::int64_t> strokes = strokesFrom(from);
    ASSERT_EQ(strokes.size(), 4U);
    for (std::size_t i = 1; i < strokes.size(); ++i)
        EXPECT_NEAR(double(strokes[i] - strokes[0]), double(i) * 60 / 96 * rate, 2) << i;
    EXPECT_FALSE(player->isAuditioning());
}

TEST_F(Audition, ItsCursorGoesRoundFromTheFirstDownbeatWithWhatIsHeard) {
    auto early = std::make_shared<project::Source>(*loop("winch", 96, 4));
    early->beats = metre::BeatMap(Bpm(96), metre::Seconds(0.3)); // a pick-up of .3 s
    startPlaying();
    auto a = told(early);
    a.inTempo = false;
    player->audition(a);
    double reached = 0;
    int rounds = 0;
    for (int i = 0; i < 100; ++i) {
        play(0.1);
        const auto at = player->auditionPosition();
        if (!at) continue;
        EXPECT_GE(at->value, 0.3 - 0.02) << "beside the project the pick-up is not heard again";
        if (at->value < reached) ++rounds;
        reached = at->value;
    }
    EXPECT_GE(rounds, 2);
    EXPECT_GT(reached, 0);
}

TEST(Outputs, OneThatCannotBeOpenedDoesNotLetThePositionStand) {
    struct Closed : SimulatedOutput {
        Closed() : SimulatedOutput(48000, Pace::Asked, 1) {}
        Result<void> start(Callback) override { return base::problem("The device is taken by another program."); }
    };
    Player player(std::make_unique<Closed>(), [] {});
    EXPECT_EQ(player.outputProblem(), "The device is taken by another program.");
    player.setProject(project::lay(Project()));
    player.play();
    const auto until = std::chrono::steady_clock::now() + std::chrono::seconds(20);
    while (player.position() <= metre::Beats(0.5) && std::chrono::steady_clock::now() < until) {
        player.tick();
        std::this_thread::yield();
    }
    EXPECT_GT(player.position(), metre::Beats(0.5)) << "it goes on silently";
}

TEST_F(Audition, AnUnreadFileIsHeardRawAndInTempoOnceItsBeatsAreKnown) {
    const std::int64_t from = frameNow();
    player->audition(told(loop("winch", 96, 8, false)));
    play(1.5);
    player->audition(told(loop("winch", 96, 8, true)));
    play(3);
    const std::vector<std::int64_t> strokes = strokesFrom(from);
    ASSERT_GE(strokes.size(), 5U);
    EXPECT_NEAR(double(strokes[1] - strokes[0]), 60.0 / 96 * rate, 2) << "raw";
    EXPECT_NEAR(double(strokes.back() - strokes[strokes.size() - 2]), 0.5 * rate, 24) << "in tempo";
}

TEST_F(Audition, GoesOnBesideTheProjectOnceThatPlays) {
    player->audition(told(loop("winch", 96)));
    play(0.7);
    player->play();
    play(5);
    EXPECT_TRUE(player->isPlaying());
    EXPECT_TRUE(player->isAuditioning());
    const std::vector<std::int64_t> strokes = strokesFrom(0);
    ASSERT_GE(strokes.size(), 1U);
    const double beatFrames = double(strokes.back() - frameNow()) + player->position().value * 0.5 * rate;
    EXPECT_NEAR(beatFrames, std::round(beatFrames / (0.5 * rate)) * 0.5 * rate, 24);
    player->stop();
    play(0.3);
    EXPECT_FALSE(player->isAuditioning());
}

TEST_F(Audition, IsHeardWhateverIsSoloedOrFollowsNoTempo) {
    project::Added added = project::addSources(p, {*loop("own", 100)});
    auto placed = project::place(added.project, added.ids[0], {}, metre::Beats(400));
    p = placed->project;
    auto track = std::make_shared<project::Track>(*p.tracks[0]);
    track->solo = true;
    p.tracks[0] = track;
    p.following = false;
    player->setProject(project::lay(p));
    const std::int64_t zero = startPlaying();
    player->audition(told(loop("winch", 96)));
    play(4);
    const auto strokes = strokesFrom(zero);
    ASSERT_GE(strokes.size(), 3U);
    EXPECT_NEAR(double(strokes[1] - strokes[0]), 0.5 * rate, 24);
}

TEST_F(Audition, AClickInItsWaveformIsHeardFromThere) {
    player->audition(told(tone("hum", 300, 120, 8)));
    play(0.6);
    player->auditionFrom(metre::Seconds(3.5));
    play(0.2);
    ASSERT_TRUE(player->auditionPosition());
    EXPECT_NEAR(player->auditionPosition()->value, 3.7, 0.06);
    player->stopAudition();
    // Beside the project by whole beats, from the next one on.
    startPlaying();
    player->audition(told(tone("hum", 300, 120, 8)));
    play(2.6);
    player->auditionFrom(metre::Seconds(3.0)); // its beat 6
    play(1.1);
    ASSERT_TRUE(player->auditionPosition());
    const double beats = player->position().value - player->auditionPosition()->value / 0.5;
    EXPECT_NEAR(beats, std::round(beats), 0.02);
}

} // namespace
