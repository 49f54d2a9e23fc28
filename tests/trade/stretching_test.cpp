// The stretching methods against the outside: pitch as the standards have it, loudness as it is rated, onsets where
// the truth has them, and reference libraries in the same run.
#include "hear/onsets.h"
#include "project/import.h"
#include "project/settle.h"
#include "sound/loudness.h"
#include "sound/read.h"
#include "stretch/method.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/stretch_measures.h"
#include "support/stretch_references.h"
#include "support/stretched.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <gtest/gtest.h>

namespace {

using metre::Frames;
using stretch::Method;
using support::Audio;
using support::peakNear;
using support::tones;

Audio stretched(const Audio& a, double ratio, const stretch::Settings& settings) {
    return *support::stretched(a, ratio, settings);
}

// In cents, the worst of all partials.
double worstCents(const Audio& out, const std::vector<double>& hertz, int harmonics, double factor = 1) {
    double worst = 0;
    for (const double h : hertz)
        for (int k = 1; k <= harmonics; ++k) {
            const double expected = h * k * factor;
            worst = std::max(worst, std::abs(support::cents(peakNear(out, expected), expected)));
        }
    return worst;
}

const std::vector<Method> spectral = {Method::Held, Method::Blend, Method::Sung};

TEST(Pitch, TheMeasureItselfIsTrue) {
    EXPECT_LT(worstCents(tones({110, 146.83, 523.25}, 3), {110, 146.83, 523.25}, 3), 0.01);
    EXPECT_NEAR(support::cents(peakNear(tones({440 * std::exp2(1 / 1200.0)}, 1), 440), 440), 1, 0.01);
}

TEST(Pitch, OfSinesHarmonicTonesAndChordsStays) {
    for (const double ratio : {0.75, 0.9, 1.1, 1.33})
        for (const Method m : spectral) {
            for (const double h : {82.41, 440.0, 1760.0, 5000.0})
                EXPECT_LE(worstCents(stretched(tones({h}, 1), ratio, {m}), {h}, 1), 0.3)
                    << h << " Hz by " << methodLabel(m) << " × " << ratio;
            EXPECT_LE(worstCents(stretched(tones({146.83}, 6), ratio, {m}), {146.83}, 6), 0.3)
                << "a harmonic tone by " << methodLabel(m) << " × " << ratio;
            const std::vector<double> chord = {220, 277.18, 349.23}; // no partials next to each other
            EXPECT_LE(worstCents(stretched(tones(chord, 3), ratio, {m}), chord, 3), 0.3)
                << "a chord by " << methodLabel(m) << " × " << ratio;
        }
    // Splicing keeps the pitch of one tone; it is not made for chords.
    for (const double ratio : {0.75, 1.33})
        EXPECT_LE(worstCents(stretched(tones({146.83}, 6), ratio, {Method::Struck}), {146.83}, 6), 1.0);
}

// Equal temperament on A4 = 440 Hz (ISO 16): n semitones are a factor of 2^(n/12), cents the hundredths of one.
TEST(Pitch, MovesAsEqualTemperamentHasIt) {
    for (const Method m : spectral)
        for (const double semitones : {-24.0, -12.0, -7.0, -1.0, -0.31, 0.5, 2.0, 4.0, 12.0, 24.0}) {
            const Audio out = stretched(tones({440}, 1, 2.5), 1.1, {m, semitones});
            const double factor = std::exp2(semitones / 12);
            EXPECT_LE(worstCents(out, {440}, 1, factor), 0.3) << methodLabel(m) << " " << semitones;
            EXPECT_EQ(out.frames().value, std::llround(2.5 * 48000 * 1.1)) << "the time stays what the map says";
        }
    // On tape the change of speed comes first: half the speed is an octave down, and a fifth up from there.
    const Audio tape = stretched(tones({440}, 1), 2.0, {Method::Tape, 7});
    EXPECT_LE(worstCents(tape, {440}, 1, std::exp2(-12 / 12.0 + 7 / 12.0)), 0.3);
    EXPECT_EQ(tape.frames().value, 4 * 48000 * 2);
}

double lufs(const Audio& a) {
    return *sound::integratedLoudness({std::make_shared<const Audio>(a)});
}

// EBU R 128, ITU-R BS.1770, by libebur128: what sounds on is as loud as it was, within half a unit.
TEST(Loudness, OfWhatSoundsOnStaysWithinHalfAUnit) {
    for (const char* name : {"pontoon_marimba.flac", "keel_bass_96.aiff", "heron_whistle.mp3", "kalimba_eddies.ogg",
                             "towpath_accordion.ogg", "reed_drone_D.wav"}) {
        const auto imported = project::importFile(support::demoAudio(name), 48000);
        ASSERT_TRUE(imported) << name;
        const Audio& a = imported->source.sound->audio;
        const Method m = project::methodFor(imported->source.kind);
        for (const double ratio : {0.8, 1.2})
            EXPECT_NEAR(lufs(stretched(a, ratio, {m})), lufs(a), 0.5)
                << name << " by " << methodLabel(m) << " × " << ratio;
    }
}

// Strokes do not last: played closer together they are louder, as they are when they are performed so.
TEST(Loudness, OfDrumsIsThatOfTheOtherTempo) {
    const auto at = [](double bpm) {
        const auto beats = support::steadyBeats(bpm, 16);
        return support::drumLoop(beats, 16 * 60 / bpm, 4, 48000);
    };
    const Audio a = at(112);
    for (const double bpm : {95.0, 104.0, 136.0})
        EXPECT_NEAR(lufs(stretched(a, 112 / bpm, {Method::Struck})), lufs(at(bpm)), 0.5) << bpm;
}

// Strokes over a held chord, at moments that are known: the truth is the same strokes at the stretched moments.
TEST(Onsets, OfAMixLandWhereTheTruthHasThem) {
    std::vector<std::int64_t> at;
    for (int i = 0; i < 15; ++i)
        at.push_back(4800 + i * 12000);
    const Audio strokes = support::strokes(at, 4, 48000, 1);
    Audio a = tones({220, 277.18, 329.63}, 3);
    for (std::size_t i = 0; i < a.channels[0].size(); ++i)
        a.channels[0][i] = 0.4F * a.channels[0][i] + strokes.channels[0][i];
    const auto errors = [&](const Audio& out, double ratio) {
        std::vector<double> list;
        for (const std::int64_t s : at)
            list.push_back(std::abs(double(
                support::lagOf(strokes, s, out, std::llround(double(s) * ratio), 480, 1200) * 1000 / 48000.0)));
        std::sort(list.begin(), list.end());
        return std::pair(list[list.size() / 2], list[list.size() - 2]);
    };
    for (const double ratio : {0.8, 1.25}) {
        const auto ours = errors(stretched(a, ratio, {Method::Blend}), ratio);
        printf("× %.2f: onset error median / 95 %% in ms: Blend %.3f / %.3f\n", ratio, ours.first, ours.second);
        EXPECT_LE(ours.first, 0.1);
        EXPECT_LE(ours.second, 0.7);
    }
}

TEST(Spectrum, OfASteadyChordIsPurerThanTheReferencesMakeIt) {
    const std::vector<double> chord = {220, 277.18, 329.63, 415.3};
    const Audio a = tones(chord, 1, 5);
    ASSERT_LT(support::offTheTones(a, chord), -80) << "the measure itself";
    for (const double ratio : {0.9, 1.2}) {
        const double held = support::offTheTones(stretched(a, ratio, {Method::Held}), chord);
        const double finer = support::offTheTones(reference::rubberband(a, ratio, reference::Engine::Finer), chord);
        const double touch = support::offTheTones(reference::soundTouch(a, ratio), chord);
        printf("× %.1f: off the tones: Held %.1f dB, rubberband %.1f dB, soundtouch %.1f dB\n", ratio, held, finer,
               touch);
        EXPECT_LE(held, -40);
        EXPECT_LT(held, finer);
        EXPECT_LT(held, touch);
    }
}

TEST(Length, IsExactByEveryMethodWhereTheReferencesAreNear) {
    const Audio a = sound::read(support::demoAudio("pontoon_marimba.flac"), 48000)->audio;
    const auto expected = [&](double ratio) { return std::llround(double(a.frames().value) * ratio); };
    for (const double ratio : {0.75, 118.5 / 104, 1.33})
        for (const Method m : stretch::methods())
            EXPECT_EQ(stretched(a, ratio, {m}).frames().value, expected(ratio)) << methodLabel(m);
    EXPECT_NEAR(double(reference::rubberband(a, 1.33, reference::Engine::Finer).frames().value),
                double(expected(1.33)), 2.0);
}

} // namespace
