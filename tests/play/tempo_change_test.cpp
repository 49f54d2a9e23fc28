// The tempo changed while playing: heard soon, in time, without a gap; and the transport's other ways of going on.
#include "play/player.h"
#include "play/simulated_output.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "support/audio.h"
#include "support/wait.h"

#include <cmath>
#include <gtest/gtest.h>
#include <thread>

namespace {

using namespace play;
using metre::Bpm;
using project::Project;

// A loop of 8 beats at its tempo with a stroke on every beat, and a hum below it that never pauses, where one is
// asked for: several would beat with each other.
project::Source beating(const std::string& name, double bpm, double hum) {
    const double seconds = 8 * 60 / bpm;
    std::vector<std::int64_t> at;
    for (int i = 0; i < 8; ++i)
        at.push_back(std::llround(i * 60 / bpm * 48000));
    sound::Audio audio = support::strokes(at, seconds);
    const sound::Audio tone = support::sine(std::max(hum, 1.0), seconds, 48000, 1, hum > 0 ? 0.2 : 0);
    for (std::size_t i = 0; i < audio.channels[0].size(); ++i)
        audio.channels[0][i] = 0.5F * audio.channels[0][i] + tone.channels[0][i];
    project::Source s;
    s.name = s.content = name;
    s.facts = {48000, 1, audio.frames(), "WAV"};
    s.sound = project::soundOf(std::move(audio));
    s.beats = metre::BeatMap(Bpm(bpm), metre::Seconds(0));
    return s;
}

// Tracks full of such loops, each at a tempo of its own, for 64 beats.
Project manyLoops(int tracks) {
    Project p = *project::setTempo({}, Bpm(104));
    for (int i = 0; i < tracks; ++i) {
        project::Added added =
            project::addSources(p, {beating("loop " + std::to_string(i), 88 + 3.5 * i, i == 0 ? 220 : 0)});
        p = added.project;
        const auto placed = project::place(p, added.ids[0], {}, Beats(0));
        p = *project::repeatUntil(placed->project, placed->id, Beats(64));
    }
    return p;
}

struct Stage {
    SimulatedOutput* out;
    std::unique_ptr<Player> player;
    Stage() {
        auto output = std::make_unique<SimulatedOutput>(48000, SimulatedOutput::Pace::Asked, 60);
        out = output.get();
        player = std::make_unique<Player>(std::move(output), [] {});
    }
    // Sound goes on, block by block, by the clock, at two thirds of real time: workers need theirs on a machine
    // that does other things. With the sanitizers they take many times as long.
#ifdef PM_SANITIZED
    static constexpr std::chrono::milliseconds block{80};
#else
    static constexpr std::chrono::milliseconds block{8};
#endif
    void play(double seconds) {
        const auto blocks = static_cast<int>(seconds * 48000 / 256);
        auto due = std::chrono::steady_clock::now();
        for (int i = 0; i < blocks; ++i) {
            player->tick();
            out->advance(256);
            due += block;
            std::this_thread::sleep_until(due);
        }
    }
    void renderAll() {
        ASSERT_TRUE(support::waitFor([&] {
            player->tick();
            return player->pendingRenders() == 0;
        }));
        player->tick();
    }
};

// The loudest sample of each stretch of ten milliseconds, longer than a period of the hum.
std::vector<float> levels(const std::vector<float>& stereo) {
    std::vector<float> list;
    for (std::size_t i = 0; i + 960 <= stereo.size(); i += 960) {
        float peak = 0;
        for (std::size_t k = i; k < i + 960; ++k)
            peak = std::max(peak, std::abs(stereo[k]));
        list.push_back(peak);
    }
    return list;
}

TEST(TempoChange, NoGapAndAllTogetherForOneAndForTwenty) {
    for (const int changes : {1, 20}) {
        Stage s;
        Project p = manyLoops(8);
        s.player->setProject(project::lay(p));
        s.renderAll();
        s.player->locate(Beats(4));
        s.player->play();
        s.play(0.5);
        const std::int64_t begins = s.out->framesPlayed();
        for (int i = 1; i <= changes; ++i) {
            p = *project::setTempo(p, Bpm(104 + (changes == 1 ? 16 : 0.8 * i)));
            s.player->setProject(project::lay(p));
            s.play(changes == 1 ? 2 : 0.1);
        }
        s.play(0.5);
        const std::vector<float> all = s.out->taken();
        const std::vector<float> since(all.end() - 2 * (s.out->framesPlayed() - begins), all.end());
        for (const float level : levels(since))
            ASSERT_GT(level, 0.06F) << "a hole, with " << changes << " changes";
        // In the end it is, sample by sample, what is heard where the tempo was this one from the beginning.
        s.renderAll();
        s.play(0.3);
        const auto at = metre::toFrames(p.tempo.secondsAt(s.player->position()), 48000);
        Stage calm;
        calm.player->setProject(project::lay(p));
        calm.renderAll();
        calm.player->locate(p.tempo.beatAt(metre::toSeconds(at - Frames(9600), 48000)));
        calm.player->play();
        calm.player->tick();
        calm.out->advance(9600 + 256);
        const std::vector<float> heard = s.out->taken();
        const std::vector<float> wanted = calm.out->taken();
        for (std::size_t i = 1000; i < 9600; ++i)
            ASSERT_NEAR(heard[heard.size() - 2 * (9600 - i)], wanted[2 * i], 1e-5) << changes << " " << i;
    }
}

TEST(TempoChange, ADraftIsReplacedByTheRendering) {
    Stage s;
    Project p = manyLoops(4);
    s.player->setProject(project::lay(p));
    s.player->locate(Beats(0));
    s.player->play(); // nothing is rendered yet
    s.play(0.6);
    double sum = 0;
    for (const float x : s.out->taken())
        sum += std::abs(x);
    EXPECT_GT(sum, 100) << "it is heard at once";
    s.renderAll();
    s.play(0.2);
    EXPECT_EQ(s.player->pendingRenders(), 0U);
    // From here on it is what a player that never drafted plays.
    Stage calm;
    calm.player->setProject(project::lay(p));
    calm.renderAll();
    calm.player->locate(Beats(8));
    calm.player->play();
    calm.out->advance(9600);
    s.player->locate(Beats(8));
    s.out->advance(9600);
    const auto a = s.out->taken();
    const auto b = calm.out->taken();
    for (std::size_t i = 1; i < 16000; ++i)
        ASSERT_NEAR(a[a.size() - i], b[b.size() - i], 1e-6) << i;
}

TEST(Transport, DeletingWhatPlaysFallsSilentWithoutAClick) {
    Stage s;
    Project p = manyLoops(3);
    s.player->setProject(project::lay(p));
    s.renderAll();
    s.player->locate(Beats(4.3));
    s.player->play();
    s.play(0.2);
    p = *project::removeClips(p, project::allClips(p));
    const auto before = s.out->framesPlayed();
    s.player->setProject(project::lay(p));
    s.out->advance(9600);
    const std::vector<float> all = s.out->taken();
    const std::size_t begin = all.size() - 2 * static_cast<std::size_t>(s.out->framesPlayed() - before);
    float steepest = 0;
    for (std::size_t i = begin; i + 2 < all.size(); i += 2)
        steepest = std::max(steepest, std::abs(all[i + 2] - all[i]));
    EXPECT_LT(steepest, 0.2F) << "it fades away";
    for (std::size_t i = all.size() - 9600; i < all.size(); ++i)
        ASSERT_EQ(all[i], 0.0F);
    EXPECT_TRUE(s.player->isPlaying());
}

TEST(Transport, CountingInClicksAndThenBegins) {
    Stage s;
    Project p = *project::setTempo({}, Bpm(120));
    p.view.countIn = 1;
    s.player->setProject(project::lay(p));
    s.player->locate(Beats(8));
    s.player->play();
    s.player->tick();
    s.out->advance(48000);
    EXPECT_LT(s.player->position(), Beats(8)) << "it counts up to where it begins";
    s.out->advance(48000 + 4800);
    EXPECT_GT(s.player->position(), Beats(8));
    const auto played = s.out->taken();
    // Clicks at 0, 24000, 48000 and 72000; none when the piece begins: its click is off.
    for (int beat = 0; beat < 5; ++beat) {
        float peak = 0;
        for (int i = 0; i < 2000; ++i)
            peak = std::max(peak, std::abs(played[2 * static_cast<std::size_t>(24000 * beat + i)]));
        if (beat < 4)
            EXPECT_GT(peak, 0.2F) << beat;
        else
            EXPECT_EQ(peak, 0.0F);
    }
    float first = 0;
    float second = 0;
    for (int i = 0; i < 2000; ++i) {
        first = std::max(first, std::abs(played[2 * static_cast<std::size_t>(i)]));
        second = std::max(second, std::abs(played[2 * static_cast<std::size_t>(24000 + i)]));
    }
    EXPECT_GT(first, second) << "the downbeat is accented";
}

TEST(Transport, AJumpWaitsForTheBarLine) {
    Stage s;
    Project p = *project::setTempo({}, Bpm(120));
    s.player->setProject(project::lay(p));
    s.player->locate(Beats(1));
    s.player->play();
    s.player->tick();
    s.out->advance(4800);
    s.player->jump(Beats(32), false);
    s.out->advance(24000);
    EXPECT_LT(s.player->position(), Beats(4));
    EXPECT_TRUE(s.player->isJumping());
    const double there = s.player->position().value;
    const auto until = std::llround((4 - there) * 24000);
    s.out->advance(until + 256);
    EXPECT_FALSE(s.player->isJumping());
    EXPECT_NEAR(s.player->position().value, 32 + 256.0 / 24000, 300.0 / 24000);
    s.player->jump(Beats(8), true);
    s.out->advance(256);
    EXPECT_NEAR(s.player->position().value, 8, 600.0 / 24000) << "at once";
}

// A recording of eight minutes takes seconds to be rendered, from its beginning on; the jump goes near its end.
TEST(Transport, WhatAJumpWillPlayIsThereWhenItIsMade) {
    Stage s;
    project::Source whole;
    whole.name = whole.content = "eight minutes";
    sound::Audio audio = support::sine(220, 480, 48000, 2, 0.3);
    whole.facts = {48000, 2, audio.frames(), "WAV"};
    whole.sound = project::soundOf(std::move(audio), std::vector<hear::Onset>());
    whole.beats = metre::BeatMap(Bpm(100), metre::Seconds(0));
    const project::Added added = project::addSources(*project::setTempo({}, Bpm(113)), {whole});
    const auto placed = project::place(added.project, added.ids[0], {}, Beats(0));
    Project p = *project::setMethod(placed->project, {placed->id}, stretch::Method::Blend);
    p = *project::setTranspose(p, {placed->id}, 5);
    s.player->setProject(project::lay(p));
    s.player->play();
    s.play(0.4);
    s.player->jump(Beats(760), false);
    s.play(p.tempo.secondsAt(Beats(4)).value - p.tempo.secondsAt(s.player->position()).value - 0.05);
    ASSERT_TRUE(s.player->isJumping());
    ASSERT_GT(s.player->pendingRenders(), 0U) << "otherwise this tests nothing";
    const std::int64_t before = s.out->framesPlayed();
    s.out->advance(9600); // over the bar line, in one go
    ASSERT_GT(s.player->position(), Beats(760));
    s.play(1); // and on from there
    const std::vector<float> all = s.out->taken();
    const std::vector<float> since(all.end() - 2 * (s.out->framesPlayed() - before), all.end());
    for (const float level : levels(since))
        ASSERT_GT(level, 0.1F);
}

TEST(Transport, TracksHaveMetersBeforeTheOutputGain) {
    Stage s;
    Project p = manyLoops(2);
    p = *project::setTrackGain(p, p.tracks[0]->id, 0);
    p.view.outputDb = -20;
    p = *project::setTrackGain(p, p.tracks[1]->id, -12);
    s.player->setProject(project::lay(p));
    s.renderAll();
    s.player->play();
    s.player->tick();
    s.out->advance(48000);
    const float first = s.player->takeTrackPeak(0, 0);
    const float second = s.player->takeTrackPeak(1, 0);
    EXPECT_GT(first, 0.3F);
    EXPECT_NEAR(20 * std::log10(first / second), 12, 3.5) << "the loops themselves are alike";
    EXPECT_LT(s.player->takePeak(0), first / 4) << "20 dB less comes out";
    EXPECT_EQ(s.player->takeTrackPeak(0, 0), 0.0F) << "taken is taken";
}

} // namespace
