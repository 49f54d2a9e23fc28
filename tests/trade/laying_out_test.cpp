// The main job on the page, against worked examples and published figures.
#include "mix/mixer.h"
#include "play/player.h"
#include "play/simulated_output.h"
#include "project/clip_rendering.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "sound/loudness.h"
#include "support/audio.h"
#include "support/whole.h"

#include <cmath>
#include <gtest/gtest.h>
#include <numbers>

namespace {

using namespace project;

Source namedLoop(double bpm, int beats) {
    Source s;
    s.name = s.content = "loop " + std::to_string(bpm);
    const double seconds = beats * 60 / bpm;
    sound::Audio audio = support::noise(seconds, 48000, 2, static_cast<unsigned>(bpm), 0.2);
    s.facts = {48000, 2, audio.frames(), "WAV 24-bit"};
    s.sound = soundOf(std::move(audio));
    s.beats = metre::BeatMap(Bpm(bpm), Seconds(0));
    return s;
}

// Common practice: five loops at 92, 103, 113, 124 and 131 BPM in a project at 103 all fill whole bars, and the one
// that was made at 103 is passed on bit for bit.
TEST(LayingOut, FiveLoopsFillWholeBarsAndTheOneInTempoIsUntouched) {
    Project p = *setTempo({}, Bpm(103));
    std::vector<ClipId> clips;
    for (const double bpm : {92.0, 103.0, 113.0, 124.0, 131.0}) {
        Added added = addSources(p, {namedLoop(bpm, 16)});
        const auto placed = place(added.project, added.ids[0], {}, Beats(0));
        p = placed->project;
        clips.push_back(placed->id);
    }
    const LaidPtr laid = lay(p);
    for (const ClipId id : clips) {
        const Timing& t = laid->find(id)->time();
        EXPECT_NEAR((t.end - t.start).value, 16, 1e-9) << "four bars";
        EXPECT_EQ(t.length, metre::toFrames(Seconds(16 * 60 / 103.0), 48000));
        const auto rendering = ClipRendering::plan(t);
        ASSERT_TRUE(rendering);
        const sound::Audio audio = support::wholeOf(rendering->blocks(1, {}));
        if (id == clips[1]) {
            EXPECT_EQ(audio.channels, laid->find(id)->source->sound->audio.channels);
        }
    }
}

// Fades against their formulas: linear x, and equal power sin(π/2 · x), whose square with that of its mirror image
// adds up to 1 (any textbook of audio mixing).
TEST(LayingOut, FadesFollowTheirFormulas) {
    for (int i = 0; i <= 1000; ++i) {
        const double x = i / 1000.0;
        EXPECT_NEAR(double(mix::fadeFactor(Fade::Shape::Linear, i, 1000)), x, 1e-6);
        const double rise = double(mix::fadeFactor(Fade::Shape::EqualPower, i, 1000));
        const double fall = double(mix::fadeFactor(Fade::Shape::EqualPower, 1000 - i, 1000));
        EXPECT_NEAR(rise, std::sin(std::numbers::pi / 2 * x), 1e-6);
        EXPECT_NEAR(rise * rise + fall * fall, 1, 1e-6);
    }
}

// The pan law that mix/scene.h states: equal power, 0 dB in the middle, so that one side alone is 3.01 dB louder
// (common practice).
TEST(LayingOut, ThePanKeepsItsPower) {
    for (int i = -100; i <= 100; i += 5) {
        const mix::Gains g = mix::gainsOf(Channels::Stereo, 0, i / 100.0);
        EXPECT_NEAR(double(g.leftFromLeft * g.leftFromLeft + g.rightFromRight * g.rightFromRight), 2, 1e-5) << i;
    }
    EXPECT_NEAR(20 * std::log10(double(mix::gainsOf(Channels::Stereo, 0, -1).leftFromLeft)), 3.0103, 1e-3);
    EXPECT_NEAR(double(mix::gainsOf(Channels::Stereo, 0, -1).rightFromRight), 0, 1e-6);
    EXPECT_EQ(mix::gainsOf(Channels::Stereo, 0, 0).leftFromLeft, 1.0F);
}

sound::AudioPtr stereoTone(double dbfs, double seconds, double hertz = 1000) {
    sound::Audio audio(48000, 2, metre::toFrames(Seconds(seconds), 48000));
    const double level = std::pow(10, dbfs / 20);
    for (auto& samples : audio.channels)
        for (std::size_t i = 0; i < samples.size(); ++i)
            samples[i] = static_cast<float>(level * std::sin(2 * std::numbers::pi * hertz * double(i) / 48000));
    return std::make_shared<const sound::Audio>(std::move(audio));
}

// EBU Tech 3341, "Loudness Metering: 'EBU Mode' metering to supplement EBU R 128 loudness normalisation", minimum
// requirements test signals 1, 2 and 3 (figures from memory): a stereo sine of 1000 Hz at −23 dBFS for 20 s reads
// −23.0 LUFS, at −33 dBFS −33.0; and −36, −23, −36 dBFS for 10, 60 and 10 s read −23.0. Each within 0.1 LU.
TEST(LayingOut, LoudnessReadsWhatTheStandardSays) {
    EXPECT_NEAR(*sound::integratedLoudness({stereoTone(-23, 20)}), -23.0, 0.1);
    EXPECT_NEAR(*sound::integratedLoudness({stereoTone(-33, 20)}), -33.0, 0.1);
    EXPECT_NEAR(*sound::integratedLoudness({stereoTone(-36, 10), stereoTone(-23, 60), stereoTone(-36, 10)}), -23.0,
                0.1);
}

// EBU Tech 3341, true peak test signals 15 and 16 (from memory): a sine at a quarter of the rate of amplitude 0.5
// reads −6.0 dBTP, whatever its phase, within +0.2 and −0.4 dB.
TEST(LayingOut, TheTruePeakLiesBetweenTheSamples) {
    for (const double phase : {0.0, 45.0}) {
        sound::Audio audio(48000, 2, Frames(48000));
        for (auto& samples : audio.channels)
            for (std::size_t i = 0; i < samples.size(); ++i) {
                // Risen and fallen gently, so that only the tone counts.
                const double fade = std::min({1.0, double(i) / 4800, double(samples.size() - i) / 4800});
                samples[i] = static_cast<float>(
                    0.5 * fade * std::sin(std::numbers::pi / 2 * double(i) + phase * std::numbers::pi / 180));
            }
        const auto peak = sound::truePeak(audio);
        ASSERT_TRUE(peak);
        EXPECT_LE(*peak, -6.02 + 0.2) << phase;
        EXPECT_GE(*peak, -6.02 - 0.4) << phase;
    }
    EXPECT_FALSE(sound::truePeak(support::silence(1)));
}

// Clips in time to the sample after every kind of edit, heard through the simulated output: a stroke at the
// source's first beat sounds at the frame of the beat that it lies on.
TEST(LayingOut, EveryEditLandsToTheSample) {
    Source s = namedLoop(104, 8);
    sound::Audio audio = support::strokes({0}, 8 * 60 / 104.0);
    s.facts = {48000, 1, audio.frames(), "WAV"};
    s.sound = soundOf(std::move(audio));
    Added added = addSources(*setTempo({}, Bpm(120)), {s});
    const auto placed = place(added.project, added.ids[0], {}, Beats(4));
    const ClipId id = placed->id;
    const Project first = placed->project;
    const std::vector<std::pair<const char*, Result<Project>>> edits = {
        {"moved", moveClips(first, {id}, Beats(2.25), 0)},
        {"another tempo", setTempo(first, Bpm(97.3))},
        {"on a ramp",
         setTempoMap(first, *metre::TempoMap::make(
                                {{Beats(0), Bpm(90), metre::TempoPoint::Shape::Ramp}, {Beats(20), Bpm(130), {}}}))},
        {"trimmed at its end", trim(first, {id}, Side::Right, Beats(-3))},
        {"stretched", stretchEdge(first, {id}, id, Side::Right, Beats(16))},
        {"placed", setRule(first, {id}, TimeRule::Place)},
        {"sliced", setRule(first, {id}, TimeRule::Slices)},
        {"held", setTempo(setFollowing(first, false), Bpm(100))}};
    for (const auto& [what, edited] : edits) {
        ASSERT_TRUE(edited) << what;
        auto output = std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::Asked, 20);
        play::SimulatedOutput& out = *output;
        play::Player player(std::move(output), [] {});
        player.setProject(lay(*edited));
        const auto end = std::chrono::steady_clock::now() + std::chrono::seconds(30);
        while (player.pendingRenders() > 0 && std::chrono::steady_clock::now() < end)
            player.tick();
        player.tick();
        player.play();
        while (player.isWaiting() && std::chrono::steady_clock::now() < end)
            player.tick(); // a busy disk may keep it waiting for its beginning
        out.advance(48000 * 6);
        const std::vector<float> heard = out.taken();
        std::size_t begins = 0;
        while (2 * begins < heard.size() && std::abs(heard[2 * begins]) < 0.01F)
            ++begins;
        const LaidPtr laid = lay(*edited);
        const std::int64_t expected = laid->find(id)->time().startFrame.value;
        EXPECT_NEAR(double(begins), double(expected), 8) << what << ": the stroke's own rise takes a few frames";
    }
}

} // namespace
