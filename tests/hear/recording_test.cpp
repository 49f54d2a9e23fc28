// A reading is a matter of the recording alone.
#include "hear/recording.h"

#include "hear/listen.h"
#include "project/import.h"
#include "sound/read.h"
#include "sound/resample.h"
#include "sound/write.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using hear::Recording;

TEST(Recording, ChannelsAreSummedAndTheRateIsItsOwn) {
    for (const int rate : {8000, 22050, 44100, 48000, 96000, 192000}) {
        const auto r = Recording::of(support::sine(440, 1.0, rate, 2, 0.25));
        ASSERT_TRUE(r) << r.error().text;
        EXPECT_EQ(r->frames(), 44100) << rate;
        EXPECT_NEAR(r->length().value, 1.0, 1e-9);
        EXPECT_NEAR(r->peak(), 0.5, 0.01) << rate;
        sound::Audio middle(44100, 1, metre::Frames(22050));
        r->read(11025, middle.channels[0]);
        EXPECT_NEAR(support::cents(support::frequencyOf(middle, 440), 440), 0, 0.1) << rate;
    }
}

TEST(Recording, OutsideItIsSilence) {
    const auto r = Recording::of(support::noise(0.1, 44100));
    std::vector<float> x(10, 1.0F);
    r->read(-5, x);
    EXPECT_EQ(x[4], 0.0F);
    EXPECT_NE(x[5], 0.0F);
    r->read(r->frames() - 5, x);
    EXPECT_NE(x[4], 0.0F);
    EXPECT_EQ(x[5], 0.0F);
    const auto nothing = Recording::of(support::silence(0));
    EXPECT_EQ(nothing->frames(), 0);
    EXPECT_EQ(nothing->peak(), 0.0F);
}

// Eleven minutes go to disk; what is read back is the same.
// At 1 Hz a recording of two seconds' worth of samples would become days of sound.
TEST(Recording, ARateThatNoFileMayHaveIsRefused) {
    for (const int rate : {-1, 0, 1, sound::lowestRate - 1, sound::highestRate + 1}) {
        hear::Recorder recorder(rate, 1);
        const std::vector<float> samples(1000, 0.5F);
        EXPECT_FALSE(recorder.addMono(samples.data(), 1000)) << rate;
    }
}

TEST(Recording, ALongOneIsTheSameFromDisk) {
    hear::Recorder recorder(44100, 1);
    const auto noise = support::noise(1.0, 44100);
    for (int i = 0; i < 660; ++i)
        ASSERT_TRUE(recorder.add(noise.channels[0].data(), 44100));
    const auto r = recorder.finished();
    ASSERT_TRUE(r);
    EXPECT_EQ(r->frames(), 660 * 44100);
    std::vector<float> second(44100);
    for (const std::int64_t at : {0, 7, 300, 659}) {
        r->read(at * 44100, second);
        EXPECT_EQ(second, noise.channels[0]) << at;
    }
}

double bpmOf(const project::Source& s) {
    return s.beats ? s.beats->meanTempo().value : 0;
}

// The same recording at other rates, in projects of other rates, has the same tempo.
TEST(Recording, ReadsTheSameAtEveryRate) {
    const support::Folder folder;
    struct Case {
        const char* name;
        sound::Audio audio;
    };
    std::vector<Case> cases;
    cases.push_back({"drums", support::drumLoop(support::steadyBeats(121, 16), 16 * 60.0 / 121)});
    cases.push_back({"odd", support::drumLoop(support::steadyBeats(93.7, 12), 12 * 60.0 / 93.7 + 0.4)});
    for (const char* demo : {"winch_hands_112bpm.wav", "kalimba_eddies.ogg", "pontoon_marimba.flac"})
        cases.push_back({demo, sound::read(support::demoAudio(demo), 0)->audio});
    for (const Case& c : cases) {
        const sound::Audio at44 = *sound::resampled(c.audio, 44100);
        double first = -1;
        for (const int rate : {44100, 48000, 96000}) {
            const auto file = folder / "x.wav";
            ASSERT_TRUE(sound::write(file, *sound::resampled(at44, rate), sound::Depth::Float32, {},
                                     base::Existing::Replace));
            const project::Witnesses ear{false, false, true, {}};
            for (const int projectRate : {0, 44100, 48000, 96000}) {
                const auto r = project::importFile(file, projectRate, ear);
                ASSERT_TRUE(r) << r.error().text;
                if (first < 0) first = bpmOf(r->source);
                EXPECT_NEAR(bpmOf(r->source), first, 0.01) << c.name << " at " << rate << " in " << projectRate;
            }
            const auto streamed = project::listenToFile(file, ear);
            ASSERT_TRUE(streamed);
            EXPECT_NEAR(bpmOf(streamed->source), first, 0.01) << c.name << " on the command line, at " << rate;
        }
        EXPECT_GT(first, 0) << c.name;
    }
}

TEST(Recording, ANarrowWindowTakesNoBeatAway) {
    const auto loop = support::drumLoop(support::steadyBeats(92, 16), 16 * 60.0 / 92);
    const auto onsets = hear::onsets(loop);
    for (const auto& [low, high] : {std::pair(70.0, 71.0), std::pair(100.0, 130.0)}) {
        const auto heard = hear::listen(loop, onsets, {metre::Bpm(low), metre::Bpm(high)});
        ASSERT_TRUE(heard.bpm);
        EXPECT_NEAR(heard.bpm->value, 92, 0.1);
    }
    EXPECT_NEAR(hear::listen(loop, onsets, {metre::Bpm(40), metre::Bpm(60)}).bpm->value, 46, 0.1);
}

} // namespace
