// The proof itself is held against sounds whose faults are known.
#include "prove/proof.h"
#include "prove/prove_clip.h"

#include "project/clip_rendering.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "prove/check.h"
#include "prove/own_place.h"
#include "stretch/method.h"
#include "support/audio.h"
#include "support/whole.h"

#include <cmath>
#include <functional>
#include <gtest/gtest.h>

namespace {

using namespace project;
using prove::Landing;

constexpr int rate = 48000;

std::int64_t frameOf(double seconds) {
    return std::llround(seconds * rate);
}

Source sourceOf(sound::Audio audio, std::optional<metre::BeatMap> beats) {
    Source s;
    s.name = "hands";
    s.content = "hands" + std::to_string(audio.frames().value);
    s.facts = {rate, audio.channelCount(), audio.frames(), "WAV"};
    s.sound = soundOf(std::move(audio));
    s.beats = std::move(beats);
    return s;
}

// One clip of a recording at the beginning of a project.
struct Placed {
    LaidPtr laid;
    ClipId clip;
    const LaidClip& clipIn() const { return *laid->find(clip); }
};
Placed placed(const Source& source, double projectBpm, stretch::Method method = stretch::Method::Struck) {
    Added added = addSources(*setTempo({}, Bpm(projectBpm)), {source});
    const auto with = place(added.project, added.ids[0], {}, Beats(0));
    return {lay(*setMethod(with->project, {with->id}, method)), with->id};
}

sound::Audio rendered(const LaidClip& clip) {
    return support::wholeOf(ClipRendering::plan(clip.time())->blocks(1, {}));
}

prove::Proof proofOf(const Placed& p, const sound::Audio& cameOut) {
    const LaidClip& clip = p.clipIn();
    const auto source = prove::measureSource(*clip.source);
    const auto measured = prove::measureClip(clip, *source, prove::blocksOf(cameOut), true);
    return prove::prove(clip, p.laid->project().tempo, *source, *measured);
}
prove::Proof proofOf(const Placed& p) {
    return proofOf(p, rendered(p.clipIn()));
}

// Strokes on beats of a tempo, `off` seconds late each, over whole bars.
sound::Audio strokesAt(
    const std::vector<double>& beats, double bpm, double length,
    const std::function<double(std::size_t)>& off = [](std::size_t) { return 0.0; }) {
    std::vector<std::int64_t> at;
    for (std::size_t i = 0; i < beats.size(); ++i)
        at.push_back(frameOf(beats[i] * 60 / bpm + off(i)));
    return support::strokes(at, length * 60 / bpm, rate);
}
std::vector<double> everyBeat(int beats, double step = 1) {
    std::vector<double> list;
    for (double b = 0; b < beats; b += step)
        list.push_back(b);
    return list;
}

TEST(Proof, OfAFittedLoopIsInTimeAndInTune) {
    const Placed p =
        placed(sourceOf(strokesAt(everyBeat(16, 0.5), 112, 16), metre::BeatMap(Bpm(112), Seconds(0))), 104);
    const prove::Proof proof = proofOf(p);
    EXPECT_EQ(proof.sums.count, 32U);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::InTime);
    EXPECT_LT(std::abs(proof.sums.worst.value), 0.001);
    EXPECT_EQ(proof.lengthError, Frames(0));
    ASSERT_TRUE(proof.levels && proof.levels->change);
    EXPECT_LT(std::abs(*proof.levels->change), 1.5);
    ASSERT_TRUE(proof.levels->cameOut.truePeak.has_value());
}

// How loud a clip comes out is measured where a report asks for it: at once, or later, with the same figures.
TEST(Proof, LevelsThatAreMeasuredLaterAreTheSame) {
    const Placed p =
        placed(sourceOf(strokesAt(everyBeat(16, 0.5), 112, 16), metre::BeatMap(Bpm(112), Seconds(0))), 104);
    const metre::TempoMap& tempo = p.laid->project().tempo;
    prove::Proven atOnce;
    ASSERT_TRUE(prove::proveClip(p.clipIn(), tempo, nullptr, true, atOnce));
    prove::Proven quick;
    ASSERT_TRUE(prove::proveClip(p.clipIn(), tempo, nullptr, false, quick));
    EXPECT_FALSE(quick.proof->levels);
    EXPECT_EQ(quick.proof->sums.worst, atOnce.proof->sums.worst);
    const auto later = prove::withLevels(p.clipIn(), nullptr, quick.proof);
    ASSERT_TRUE(later);
    ASSERT_TRUE((*later)->levels && atOnce.proof->levels);
    EXPECT_TRUE(atOnce.proof->levels->change);
    EXPECT_EQ((*later)->levels->change, atOnce.proof->levels->change);
    EXPECT_EQ((*later)->levels->cameOut.lufs, atOnce.proof->levels->cameOut.lufs);
    EXPECT_EQ((*later)->levels->cameOut.truePeak, atOnce.proof->levels->cameOut.truePeak);
    EXPECT_EQ(*prove::withLevels(p.clipIn(), nullptr, *later), *later) << "once is enough";
}

// A hit moved by 5.0 ms in what came out reads as 5.0 ± 0.3 ms.
TEST(Proof, AStrokeMovedInWhatCameOutReadsAsItWasMoved) {
    const Placed p = placed(sourceOf(strokesAt(everyBeat(16), 120, 16), metre::BeatMap(Bpm(120), Seconds(0))), 120);
    for (const double moved : {0.005, -0.005, 0.012}) {
        const auto cameOut = strokesAt(everyBeat(16), 120, 16, [&](std::size_t i) { return i == 6 ? moved : 0.0; });
        const prove::Proof proof = proofOf(p, cameOut);
        EXPECT_NEAR(proof.sums.worst.value, moved, 0.0003);
        ASSERT_NE(proof.worst(), nullptr);
        EXPECT_NEAR(proof.worst()->place.value, 6, 1e-9);
        EXPECT_LT(proof.sums.median.value, 0.0003);
        const auto counts = prove::counted(proof.deviations, prove::usualTolerance);
        EXPECT_EQ(counts.late, moved > 0.010 ? 1U : 0U);
        EXPECT_EQ(counts.early, 0U);
    }
}

// And one that was played 5 ms late in the recording is as late in what came out.
TEST(Proof, AStrokeThatWasPlayedLateIsSaidToBe) {
    auto audio = strokesAt(everyBeat(16, 0.5), 120, 16, [](std::size_t i) { return i == 13 ? 0.005 : 0.0; });
    const Placed p = placed(sourceOf(std::move(audio), metre::BeatMap(Bpm(120), Seconds(0))), 110);
    const prove::Proof proof = proofOf(p);
    // Fitted to a slower tempo the lateness is stretched with the rest.
    EXPECT_NEAR(proof.sums.worst.value, 0.005 * 120 / 110, 0.0003);
    EXPECT_NEAR(proof.worst()->place.value, 6.5, 1e-9);
    ASSERT_TRUE(proof.worst()->before.has_value());
    EXPECT_NEAR(proof.worst()->before->value, 0.005 * 120 / 110, 0.0003);
}

// A loop that drifts 12 ms over eight bars reads 12 ± 1.
TEST(Proof, ADriftIsReadFromTheFirstToTheLastBar) {
    const double seconds = 32 * 60 / 120.0;
    auto audio = strokesAt(everyBeat(32), 120, 32, [&](std::size_t i) { return 0.012 * double(i) / 32; });
    Source source = sourceOf(std::move(audio), metre::BeatMap(Bpm(120), Seconds(0)));
    const prove::Proof proof = proofOf(placed(source, 120));
    EXPECT_NEAR(proof.sums.drift.value, 0.012, 0.001);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::Late);
    // At the tempo that it was played at there is none.
    source.beats = metre::BeatMap(Bpm(32 * 60 / (seconds + 0.012)), Seconds(0));
    EXPECT_NEAR(proofOf(placed(source, 120)).sums.drift.value, 0, 0.001);
}

// A first downbeat that is set wrong makes all of it late, however even it is.
TEST(Proof, AWrongFirstDownbeatIsNotTakenForFeel) {
    const Placed p =
        placed(sourceOf(strokesAt(everyBeat(16, 0.5), 120, 16), metre::BeatMap(Bpm(120), Seconds(-0.020))), 120);
    const prove::Proof proof = proofOf(p);
    EXPECT_NEAR(proof.sums.middle.value, 0.020, 0.002);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::Late);
}

// Swing of any degree and syncopation are no faults.
TEST(Proof, SwingAndSyncopationAreInTime) {
    for (const double swing : {0.55, 0.58, 0.62, 2.0 / 3, 0.7}) {
        std::vector<double> beats;
        for (int b = 0; b < 16; ++b) {
            beats.push_back(b);
            beats.push_back(b + swing);
        }
        const Placed p = placed(sourceOf(strokesAt(beats, 112, 16), metre::BeatMap(Bpm(112), Seconds(0))), 104);
        const prove::Proof proof = proofOf(p);
        EXPECT_EQ(proof.sums.count, 32U);
        EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::InTime) << swing;
        EXPECT_LT(proof.sums.p95.value, 0.003) << swing;
    }
    std::vector<double> syncopated;
    for (int bar = 0; bar < 4; ++bar)
        for (const double b : {0.0, 0.75, 1.5, 2.25, 3.0, 3.5})
            syncopated.push_back(4 * bar + b);
    const Placed p = placed(sourceOf(strokesAt(syncopated, 96, 16), metre::BeatMap(Bpm(96), Seconds(0))), 104);
    EXPECT_EQ(proofOf(p).landing(prove::usualTolerance), Landing::InTime);
    // One stroke out of a swing is one.
    std::vector<double> beats;
    for (int b = 0; b < 16; ++b) {
        beats.push_back(b);
        beats.push_back(b == 9 ? b + 0.58 + 0.015 * 2 : b + 0.58); // 15 ms at 120
    }
    const Placed odd = placed(sourceOf(strokesAt(beats, 120, 16), metre::BeatMap(Bpm(120), Seconds(0))), 120);
    const prove::Proof proof = proofOf(odd);
    EXPECT_NEAR(proof.sums.worst.value, 0.015, 0.001);
    EXPECT_EQ(prove::counted(proof.deviations, prove::usualTolerance).late, 1U);
}

TEST(Proof, SilenceAndHeldSoundsAreUnread) {
    const Placed silent = placed(sourceOf(support::silence(8), metre::BeatMap(Bpm(120), Seconds(0))), 104);
    const prove::Proof proof = proofOf(silent);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::Unread);
    EXPECT_FALSE(proof.unread.empty());
    EXPECT_FALSE(proof.cents.has_value());
    EXPECT_FALSE(proof.levels->cameOut.lufs.has_value());

    // A tone that goes on all through the part that is played.
    Placed drone =
        placed(sourceOf(support::sine(220, 8), metre::BeatMap(Bpm(120), Seconds(0))), 104, stretch::Method::Held);
    drone.laid = lay(*trim(drone.laid->project(), {drone.clip}, Side::Left, Beats(4)));
    const prove::Proof of = proofOf(drone);
    EXPECT_EQ(of.landing(prove::usualTolerance), Landing::Unread);
    EXPECT_FALSE(of.unread.empty());
    ASSERT_TRUE(of.cents.has_value());
    EXPECT_LT(std::abs(*of.cents), 0.5);
}

// Drums under held chords and noise, driven into the limit: hardly a stroke rises out of what sounds before it.
sound::Audio denseMix(double bpm, int beats) {
    const double seconds = beats * 60 / bpm;
    sound::Audio mix = strokesAt(everyBeat(beats, 0.5), bpm, beats);
    const sound::Audio hiss = support::noise(seconds, rate, 1, 4, 0.05);
    auto& samples = mix.channels[0];
    for (std::size_t i = 0; i < samples.size(); ++i) {
        double chord = 0;
        for (const double hertz : {110.0, 165.0, 221.0, 330.0, 441.0}) {
            const double turns = hertz * double(i) / rate;
            chord += 0.15 * (turns - std::floor(turns) - 0.5);
        }
        samples[i] = static_cast<float>(std::tanh(3 * (double(samples[i]) + chord + double(hiss.channels[0][i]))));
    }
    return mix;
}

TEST(Proof, OfADenseMixIsRead) {
    constexpr double bpm = 118;
    const Placed p =
        placed(sourceOf(denseMix(bpm, 64), metre::BeatMap(Bpm(bpm), Seconds(0))), 110, stretch::Method::Blend);
    const sound::Audio out = rendered(p.clipIn());
    const prove::Proof proof = proofOf(p, out);
    EXPECT_GT(proof.hits.size(), 30U);
    EXPECT_GT(proof.sums.count, proof.hits.size() * 3 / 4);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::InTime) << proof.sums.worst.value;
    // And what is read is where it came out.
    sound::Audio later = support::silence(0.014, rate);
    auto& samples = later.channels[0];
    const std::size_t before = samples.size();
    samples.resize(out.channels[0].size());
    std::copy(out.channels[0].begin(), out.channels[0].end() - std::ptrdiff_t(before),
              samples.begin() + std::ptrdiff_t(before));
    const prove::Proof moved = proofOf(p, later);
    EXPECT_EQ(moved.landing(prove::usualTolerance), Landing::Late);
    EXPECT_NEAR(moved.sums.middle.value, 0.014, 0.002);
}

// Moved by 5 ms in the rendering: placed 5, played 0.
TEST(Proof, PlacedIsWhatTheRenderingDid) {
    const Placed p =
        placed(sourceOf(strokesAt(everyBeat(16, 0.5), 120, 16), metre::BeatMap(Bpm(120), Seconds(0))), 120);
    const auto later = strokesAt(everyBeat(16, 0.5), 120, 16, [](std::size_t) { return 0.005; });
    const prove::Proof proof = proofOf(p, later);
    EXPECT_NEAR(proof.placedSums.middle.value, 0.005, 0.0003);
    EXPECT_NEAR(proof.playedSums.p95.value, 0, 0.0003);
    EXPECT_EQ(proof.landing(Seconds(0.004)), Landing::Late);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::InTime);
}

// Played 12 ms loosely: placed 0, played 12. Nothing is wrong with it.
TEST(Proof, PlayedIsWhatTheRecordingDoes) {
    const auto loosely = [](std::size_t i) { return i % 3 == 0 ? 0.012 : i % 3 == 1 ? -0.012 : 0.0; };
    auto audio = strokesAt(everyBeat(32), 120, 32, [&](std::size_t i) { return i == 0 ? 0 : loosely(i); });
    const prove::Proof proof =
        proofOf(placed(sourceOf(std::move(audio), metre::BeatMap(Bpm(120), Seconds(0))), 112));
    EXPECT_NEAR(proof.placedSums.p95.value, 0, 0.0005);
    EXPECT_NEAR(proof.playedSums.p95.value, 0.012 * 120 / 112, 0.0005);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::Loose);
    EXPECT_EQ(proof.landing(Seconds(0.015)), Landing::InTime);
}

TEST(Proof, BeatsBesideTheProjectsAreOffTheGrid) {
    Placed p = placed(sourceOf(strokesAt(everyBeat(16, 0.5), 120, 16), metre::BeatMap(Bpm(120), Seconds(0))), 120);
    EXPECT_EQ(proofOf(p).offGrid, Seconds(0));
    for (const auto& [beats, off] :
         {std::pair(4.22, -0.015), {4.08, 0.04}, {4.0, 0.0}, {4.5, 0.0}, {4 + 2.0 / 3, 0.0}}) {
        Project moved = p.laid->project();
        moved = *moveClips(moved, {p.clip}, Beats(beats - clipOf(moved, p.clip)->at.value), 0);
        const Placed there{lay(moved), p.clip};
        const prove::Proof proof = proofOf(there);
        EXPECT_NEAR(proof.offGrid.value, off, 1e-9) << beats;
        EXPECT_EQ(proof.landing(prove::usualTolerance), off == 0 ? Landing::InTime : Landing::OffGrid) << beats;
    }
}

// What is placed begins where it was put; how it goes on is its own affair. Neither is silence before it a fault.
TEST(Proof, WhatIsPlacedIsJudgedByItsBeginning) {
    Source hit = sourceOf(support::strokes({frameOf(0.017)}, 1, rate), {});
    hit.kind = hear::Kind::OneHit;
    const prove::Proof one = proofOf(placed(hit, 104));
    ASSERT_EQ(one.sums.count, 1U);
    EXPECT_LT(std::abs(one.sums.worst.value), 0.0005);
    EXPECT_EQ(one.landing(prove::usualTolerance), Landing::InTime);
    Placed p = placed(sourceOf(strokesAt(everyBeat(16, 0.5), 121, 16), metre::BeatMap(Bpm(121), Seconds(0))), 104);
    p.laid = lay(*setRule(p.laid->project(), {p.clip}, TimeRule::Place));
    const prove::Proof as = proofOf(p);
    EXPECT_EQ(as.sums.count, 1U);
    EXPECT_EQ(as.landing(prove::usualTolerance), Landing::InTime);
}

// What has no beats is not judged by a grid, but one hit by where it was put.
TEST(Proof, OfOneHitIsAgainstWhereItWasPut) {
    Source hit = sourceOf(support::strokes({frameOf(0.030)}, 1, rate), {});
    EXPECT_EQ(proofOf(placed(hit, 104)).landing(prove::usualTolerance), Landing::Unread);
    hit.kind = hear::Kind::OneHit;
    const prove::Proof proof = proofOf(placed(hit, 104));
    ASSERT_EQ(proof.sums.count, 1U);
    EXPECT_EQ(proof.landing(prove::usualTolerance), Landing::InTime) << "silence before it is its own";
    const prove::Proof late = proofOf(placed(hit, 104), support::strokes({frameOf(0.050)}, 1, rate));
    EXPECT_NEAR(late.sums.worst.value, 0.020, 0.0003);
    EXPECT_EQ(late.landing(prove::usualTolerance), Landing::Late);
}

// A source detuned by 7 cents reads 7 ± 0.5, whatever it was transposed by.
TEST(Proof, TheDeviationOfPitchIsReadToHalfACent) {
    sound::Audio tune(rate, 1, Frames(8 * rate));
    const std::vector<double> notes{220, 261.63, 329.63, 293.66, 196, 246.94, 329.63, 440};
    for (int i = 0; i < 16; ++i)
        support::pluck(tune, i * 0.5, notes[static_cast<std::size_t>(i) % notes.size()]);
    const Source source = sourceOf(tune, metre::BeatMap(Bpm(120), Seconds(0)));
    const Placed p = placed(source, 120, stretch::Method::Held);
    for (const double cents : {7.0, -7.0, 0.0, 31.0}) {
        const auto map = metre::TimeMap::straight(tune.frames(), tune.frames());
        const auto detuned =
            stretch::render({tune, source.sound->attacks}, *map, {stretch::Method::Held, cents / 100});
        const prove::Proof proof = proofOf(p, *detuned);
        ASSERT_TRUE(proof.cents.has_value());
        EXPECT_NEAR(*proof.cents, cents, 0.5);
    }
    const auto up = lay(*setTranspose(p.laid->project(), {p.clip}, 3));
    const Placed higher{up, p.clip};
    const prove::Proof proof = proofOf(higher);
    ASSERT_TRUE(proof.cents.has_value());
    EXPECT_NEAR(*proof.cents, 0, 0.5);
}

// Noise has no pitch that other noise could be out of.
TEST(Proof, OfNoiseHasNoCents) {
    const Placed p = placed(sourceOf(support::noise(8), metre::BeatMap(Bpm(120), Seconds(0))), 120);
    EXPECT_FALSE(proofOf(p, support::noise(8, rate, 1, 2)).cents.has_value());
}

TEST(Proof, AWrongLengthIsCountedInFrames) {
    const Placed p = placed(sourceOf(strokesAt(everyBeat(16), 120, 16), metre::BeatMap(Bpm(120), Seconds(0))), 120);
    sound::Audio longer = rendered(p.clipIn());
    longer.channels[0].resize(longer.channels[0].size() + 3);
    EXPECT_EQ(proofOf(p, longer).lengthError, Frames(3));
}

// Repeated, every turn is read, each at its own place; and so is a part that was cut out.
TEST(Proof, EveryTurnOfALoopIsRead) {
    Placed p = placed(sourceOf(strokesAt(everyBeat(16), 112, 16), metre::BeatMap(Bpm(112), Seconds(0))), 104);
    const auto longer = repeatUntil(p.laid->project(), p.clip, Beats(48));
    ASSERT_TRUE(longer.has_value());
    p.laid = lay(*longer);
    const prove::Proof proof = proofOf(p);
    EXPECT_EQ(proof.sums.count, 48U);
    EXPECT_NEAR(proof.hits.back().place.value, 47, 1e-9);
    EXPECT_LT(std::abs(proof.sums.worst.value), 0.001);
}

// A tolerance is applied to what was measured; nothing is measured anew.
TEST(Proof, TheToleranceDecidesWhatIsInTime) {
    const auto cameOut = strokesAt(everyBeat(16), 120, 16, [](std::size_t) { return 0.007; });
    const Placed p = placed(sourceOf(strokesAt(everyBeat(16), 120, 16), metre::BeatMap(Bpm(120), Seconds(0))), 120);
    const prove::Proof proof = proofOf(p, cameOut);
    EXPECT_EQ(proof.landing(Seconds(0.010)), Landing::InTime);
    EXPECT_EQ(proof.landing(Seconds(0.005)), Landing::Late);
}

TEST(OwnPlace, IsOnTheBeatForTheStrongestNearIt) {
    const std::vector<prove::Struck> sounds{
        {Beats(-0.05), 0.2}, {Beats(0.01), 1}, {Beats(1.03), 0.8}, {Beats(2), 1}};
    const auto places = prove::ownPlaces(sounds, Beats(0.04));
    EXPECT_NEAR(places[0].value, -0.05, 1e-9); // a grace note is where it was played
    EXPECT_EQ(places[1], Beats(0));
    EXPECT_EQ(places[2], Beats(1));
    EXPECT_EQ(places[3], Beats(2));
    EXPECT_TRUE(prove::ownPlaces({}, Beats(0.04)).empty());
    EXPECT_EQ(prove::nearestPart(Beats(3.3)), Beats(3 + 1.0 / 3));
    EXPECT_EQ(prove::nearestPart(Beats(-0.1)), Beats(0));
    EXPECT_EQ(prove::nearestPart(Beats(-0.2)), Beats(-0.25));
}

prove::Measured measuredOf(const sound::Audio& audio) {
    return *prove::measure(prove::blocksOf(audio), {});
}

TEST(Check, HoldsAFileAgainstASteadyGrid) {
    const auto loop = measuredOf(strokesAt(everyBeat(32, 0.5), 104, 32));
    const prove::Checked right = prove::check(loop, Bpm(104));
    EXPECT_NEAR(right.first.value, 0, 0.001);
    EXPECT_EQ(right.deviations.size(), 64U);
    EXPECT_LT(std::abs(right.sums.worst.value), 0.001);
    EXPECT_LE(std::abs(right.lengthError.value), 1);
    // A hundredth of a per cent off, 32 beats of 577 ms are 18 ms off in the end.
    const prove::Checked wrong = prove::check(loop, Bpm(104 * 1.001), {}, Seconds(0));
    EXPECT_NEAR(wrong.sums.drift.value, 0.0185, 0.001);
    // Where its first beat lies is found, and taken where it is said.
    const auto late = measuredOf(strokesAt(everyBeat(32), 104, 32, [](std::size_t) { return 0.2; }));
    EXPECT_NEAR(prove::check(late, Bpm(104)).first.value, 0.2, 0.001);
    EXPECT_LT(std::abs(prove::check(late, Bpm(104)).sums.worst.value), 0.001);
    const prove::Checked said = prove::check(late, Bpm(104), {}, Seconds(0.195));
    EXPECT_NEAR(said.sums.median.value, 0.005, 0.0003);
    EXPECT_EQ(prove::check(measuredOf(support::silence(4)), Bpm(104)).deviations.size(), 0U);
}

TEST(Landing, NeedsNineOfTenAndNoDrift) {
    std::vector<prove::Deviation> list;
    for (int i = 0; i < 20; ++i)
        list.push_back({Seconds(i), Seconds(i < 2 ? -0.020 : 0.0)});
    EXPECT_EQ(prove::landingOf(list, prove::summed(list, Seconds(0), Seconds(20)), Seconds(0.010)),
              Landing::InTime);
    list[5].off = Seconds(-0.015);
    const auto sums = prove::summed(list, Seconds(0), Seconds(20));
    EXPECT_EQ(prove::landingOf(list, sums, Seconds(0.010)), Landing::Loose);
    EXPECT_EQ(prove::placingOf(list, sums, Seconds(0.010)), Landing::Early)
        << "no playing excuses where it was put";
    EXPECT_EQ(sums.worst, Seconds(-0.020));
    EXPECT_EQ(sums.median, Seconds(0));
    EXPECT_EQ(prove::landingOf({}, {}, Seconds(0.010)), Landing::Unread);
}

} // namespace
