// Listening, on loops made here whose tempo and beats are known by construction.
#include "hear/listen.h"
#include "hear/looked.h"

#include "sound/read.h"
#include "support/audio.h"
#include "support/files.h"

#include <array>
#include <cmath>
#include <gtest/gtest.h>
#include <limits>
#include <numbers>
#include <set>

namespace {

using hear::Heard;
using hear::Kind;
using metre::Bpm;
using sound::Audio;

Heard listenTo(const Audio& audio, hear::Window window = {}) {
    return hear::listen(audio, hear::onsets(audio), window);
}

// `seconds` of silence before, `after` behind.
Audio within(const Audio& a, double before, double after) {
    Audio out(a.rate, a.channelCount(), sound::Frames(0));
    for (std::size_t c = 0; c < a.channels.size(); ++c) {
        std::vector<float> samples(static_cast<std::size_t>(std::llround(before * a.rate)), 0.0F);
        samples.insert(samples.end(), a.channels[c].begin(), a.channels[c].end());
        samples.insert(samples.end(), static_cast<std::size_t>(std::llround(after * a.rate)), 0.0F);
        out.channels[c] = std::move(samples);
    }
    return out;
}

double off(const Heard& h, double bpm) {
    return h.bpm ? std::abs(h.bpm->value / bpm - 1) : 1;
}

bool offers(const Heard& h, double bpm) {
    return std::any_of(h.candidates.begin(), h.candidates.end(),
                       [&](const hear::Candidate& c) { return std::abs(c.bpm.value / bpm - 1) < 0.01; });
}

TEST(Listen, ATrimmedDrumLoopToAThousandth) {
    for (const double bpm : {84.0, 96.5, 110.0, 117.3, 128.0, 140.0, 172.0}) {
        const Audio loop = support::drumLoop(support::steadyBeats(bpm, 16), 16 * 60 / bpm);
        const Heard h = listenTo(loop);
        EXPECT_LT(off(h, bpm), 0.001) << bpm << ": heard " << (h.bpm ? h.bpm->value : 0);
        EXPECT_EQ(h.loopBeats, 16) << bpm;
        EXPECT_TRUE(h.steady);
        EXPECT_EQ(h.kind, Kind::Struck);
        ASSERT_EQ(h.beats.size(), 16U) << bpm;
        for (std::size_t b = 0; b < 16; ++b)
            EXPECT_NEAR(h.beats[b], double(b) * 60 / bpm, 0.005) << bpm << " beat " << b;
    }
}

TEST(Listen, HalfAndDoubleAreAlwaysOffered) {
    for (const double bpm : {70.0, 100.0, 131.0, 174.0}) {
        const Heard h = listenTo(support::drumLoop(support::steadyBeats(bpm, 16), 16 * 60 / bpm));
        ASSERT_TRUE(h.bpm) << bpm;
        EXPECT_TRUE(offers(h, h.bpm->value / 2)) << bpm;
        EXPECT_TRUE(offers(h, h.bpm->value * 2)) << bpm;
        double sum = 0;
        for (const auto& c : h.candidates) {
            EXPECT_GE(c.weight, 0);
            sum += c.weight;
        }
        EXPECT_NEAR(sum, 1, 0.02);
    }
}

TEST(Listen, AWindowOfOneOctaveSettlesHalfAndDouble) {
    const Audio loop = support::drumLoop(support::steadyBeats(120, 16), 8);
    for (const auto& [low, high, bpm] :
         {std::tuple(40.0, 79.0, 60.0), {80.0, 159.0, 120.0}, {160.0, 300.0, 240.0}}) {
        const Heard h = listenTo(loop, {Bpm(low), Bpm(high)});
        ASSERT_TRUE(h.bpm);
        EXPECT_NEAR(h.bpm->value, bpm, 0.05) << low << "–" << high;
        EXPECT_EQ(h.loopBeats, static_cast<int>(bpm / 60 * 8)) << low << "–" << high;
    }
}

TEST(Listen, SilenceBeforeIsSetAsideAndTheDownbeatIsTheFirstStroke) {
    const Audio loop = within(support::drumLoop(support::steadyBeats(104, 16), 16 * 60 / 104.0), 0.733, 0);
    const Heard h = listenTo(loop);
    EXPECT_LT(off(h, 104), 0.001);
    EXPECT_EQ(h.loopBeats, 16);
    ASSERT_FALSE(h.beats.empty());
    EXPECT_NEAR(h.beats[h.downbeat], 0.733, 0.003);
    EXPECT_NEAR(h.span.start, 0.733, 0.01);
}

TEST(Listen, ATailIsNotPartOfTheLoop) {
    const Heard h = listenTo(within(support::drumLoop(support::steadyBeats(122, 16), 16 * 60 / 122.0), 0, 1.37));
    EXPECT_LT(off(h, 122), 0.001);
    EXPECT_EQ(h.loopBeats, 16);
}

TEST(Listen, ALoopThatIsCutWrongIsHeardAtItsOwnTempo) {
    for (const double wrong : {-0.025, -0.012, 0.014, 0.028}) {
        Audio loop = support::drumLoop(support::steadyBeats(118, 16), 16 * 60 / 118.0 + 0.1);
        for (auto& samples : loop.channels)
            samples.resize(static_cast<std::size_t>(std::llround((16 * 60 / 118.0 + wrong) * loop.rate)));
        const Heard h = listenTo(loop);
        EXPECT_LT(off(h, 118), 0.001) << wrong << ": heard " << (h.bpm ? h.bpm->value : 0);
        EXPECT_EQ(h.loopBeats, 16) << wrong;
    }
}

TEST(Listen, ALoopWhoseLastBeatIsSilentEndsWhereItBeginsAgain) {
    std::vector<double> beats = support::steadyBeats(92, 16);
    beats.resize(15);
    const Heard h = listenTo(support::drumLoop(beats, 16 * 60 / 92.0));
    EXPECT_LT(off(h, 92), 0.001);
    EXPECT_EQ(h.loopBeats, 16);
}

TEST(Listen, PluckedNotesWithNoDrumsAtAll) {
    // A figure of eighths over two chords, D minor and A minor, twice.
    const double beat = 60 / 118.5;
    Audio loop(48000, 2, sound::Frames(std::llround(16 * beat * 48000)));
    const double d[] = {146.83, 220.00, 293.66, 349.23};
    const double a[] = {110.00, 164.81, 261.63, 329.63};
    for (int i = 0; i < 32; ++i) {
        const double hertz = i / 8 % 2 == 0 ? d[i % 4] : a[i % 4];
        support::pluck(loop, i * beat / 2, hertz, i % 8 == 0 ? 0.5 : 0.25);
    }
    const Heard h = listenTo(loop);
    EXPECT_LT(off(h, 118.5), 0.001) << (h.bpm ? h.bpm->value : 0);
    EXPECT_EQ(h.loopBeats, 16);
    EXPECT_TRUE(h.kind == Kind::Keys || h.kind == Kind::Held) << hear::kindLabel(h.kind);
}

TEST(Listen, PlayingThatDriftsIsFreeAndItsPinsHoldEveryBeat) {
    std::vector<double> beats = {0.4};
    for (int b = 0; b < 47; ++b)
        beats.push_back(beats.back() + 60 / (96 * (1 + 0.05 * std::sin(b / 47.0 * 2 * M_PI))));
    const Heard h = listenTo(support::drumLoop(beats, beats.back() + 1));
    ASSERT_TRUE(h.bpm);
    EXPECT_FALSE(h.steady);
    std::size_t found = 0;
    for (const double t : beats)
        for (const double b : h.beats)
            if (std::abs(b - t) <= 0.02) {
                ++found;
                break;
            }
    EXPECT_GE(found, beats.size() - 2);
    EXPECT_NEAR(h.beats[h.downbeat], 0.4, 0.02);
    EXPECT_GT(h.pins.size(), 2U);
    EXPECT_LT(h.pins.size(), beats.size());
    const auto map = metre::BeatMap::make(h.pins);
    ASSERT_TRUE(map);
    for (std::size_t b = 0; b < h.beats.size(); ++b)
        EXPECT_NEAR(map->secondsAt(metre::Beats(double(b) - double(h.downbeat))).value, h.beats[b], 0.005001) << b;
}

TEST(Listen, TwoPinsAreEnoughForASteadyRecording) {
    const Heard h = listenTo(support::drumLoop(support::steadyBeats(101, 48), 48 * 60 / 101.0));
    EXPECT_TRUE(h.steady);
    EXPECT_EQ(h.pins.size(), 2U);
    EXPECT_LT(off(h, 101), 0.001);
}

TEST(Listen, AChangeOfTempoInTheMiddleIsFollowedOrDoubted) {
    std::vector<double> beats = support::steadyBeats(100, 24);
    const double turn = beats.back() + 0.6;
    for (const double b : support::steadyBeats(112, 24, turn))
        beats.push_back(b);
    const Heard h = listenTo(support::drumLoop(beats, beats.back() + 0.6));
    ASSERT_TRUE(h.bpm);
    EXPECT_FALSE(h.steady);
    std::size_t found = 0;
    for (const double t : beats)
        for (const double b : h.beats)
            if (std::abs(b - t) <= 0.07) {
                ++found;
                break;
            }
    EXPECT_GE(found, beats.size() - 6);
}

TEST(Listen, SevenBeatsToABarAreFound) {
    std::vector<double> beats = support::steadyBeats(126, 14);
    const Heard h = listenTo(support::drumLoop(beats, 14 * 60 / 126.0, 7));
    ASSERT_TRUE(h.bpm);
    EXPECT_LT(std::min(off(h, 126), std::min(off(h, 63), off(h, 252))), 0.04);
}

std::string toldMetre(const Heard& h) {
    return h.metre ? metre::metreLabel(*h.metre) : "none";
}

TEST(Listen, TheMetreIsToldWhereAccentsSaySo) {
    for (const double bpm : {92.0, 110.0, 126.0}) {
        EXPECT_EQ(toldMetre(listenTo(support::accented({2, 2, 2, 2}, 30 / bpm))), "4/4") << bpm;
        EXPECT_EQ(toldMetre(listenTo(support::accented({2, 2, 2}, 30 / bpm))), "3/4") << bpm;
        EXPECT_EQ(toldMetre(listenTo(support::accented({6, 4}, 30 / bpm))), "5/4") << bpm;
        EXPECT_EQ(toldMetre(listenTo(support::accented({3, 3}, 30 / bpm))), "6/8") << bpm;
        EXPECT_EQ(toldMetre(listenTo(support::accented({2, 2, 3}, 30 / bpm))), "7/8") << bpm;
    }
}

// Beats in a bar count what was heard as beats; half beats where a bar is no whole number of them.
TEST(Listen, BarsAreCountedInTheBeatsThatAreHeard) {
    for (const std::vector<int>& groups : {std::vector<int>{2, 2, 3}, {3, 3}, {2, 2, 2}, {6, 4}}) {
        const double eighth = 0.26;
        const Heard h = listenTo(support::accented(groups, eighth));
        ASSERT_TRUE(h.bpm);
        int inBar = 0;
        for (const int g : groups)
            inBar += g;
        const double bar = h.beatsInBar * 4.0 / h.beatUnit * 60 / h.bpm->value;
        EXPECT_NEAR(bar, inBar * eighth, 0.01) << toldMetre(h) << " at " << h.bpm->value;
        EXPECT_EQ(hear::heardReading(h).metre, h.metre);
    }
}

TEST(Listen, WhereNothingSetsBarsApartTheyAreInFour) {
    Audio even = support::silence(8, 44100);
    for (int i = 0; i < 16; ++i)
        support::pluck(even, i * 0.5, 196);
    EXPECT_EQ(toldMetre(listenTo(even)), "4/4");
    EXPECT_EQ(toldMetre(listenTo(support::silence(2))), "none");
}

// One voice: overtones under two formants, gliding from note to note, each with a vibrato that sets in.
Audio sungLine(double hertz) {
    constexpr std::array<double, 6> steps = {0, 2, 3, -2, 0, 5};
    Audio a = support::silence(double(steps.size()) * 0.9, 44100);
    double phase = 0;
    double note = 0;
    for (std::size_t i = 0; i < a.channels[0].size(); ++i) {
        const double t = double(i) / a.rate;
        const double inNote = std::fmod(t, 0.9);
        note += (steps[static_cast<std::size_t>(t / 0.9)] - note) / (0.025 * a.rate);
        const double vibrato =
            0.4 * std::sin(2 * std::numbers::pi * 5.5 * t) * std::clamp(inNote / 0.3 - 0.5, 0.0, 1.0);
        const double pitch = hertz * std::exp2((note + vibrato) / 12);
        phase += 2 * std::numbers::pi * pitch / a.rate;
        double x = 0;
        for (int k = 1; k * pitch < 5000; ++k) {
            const double low = (k * pitch - 700) / 90;
            const double high = (k * pitch - 1150) / 110;
            x += std::sin(k * phase) / k * (0.1 + 1 / (1 + low * low) + 0.6 / (1 + high * high));
        }
        a.channels[0][i] = static_cast<float>(0.2 * x * std::min(1.0, inNote / 0.04));
    }
    return a;
}

TEST(Listen, AVoiceThatSingsAloneIsToldFromKeysByItsOvertones) {
    Audio chords = support::silence(5.4, 44100);
    for (int i = 0; i < 6; ++i)
        for (const double step : {0, 4, 7, 11})
            support::pluck(chords, i * 0.9, 220 * std::exp2((step + i % 3) / 12), 0.2, 1);
    EXPECT_NE(hear::kindOf(Looked(chords).colour()), Kind::Voice);
    for (const double hertz : {147.0, 220.0, 330.0}) {
        const hear::Colour sung = Looked(sungLine(hertz)).colour();
        EXPECT_GT(sung.alone, Looked(chords).colour().alone + 0.1) << hertz;
        EXPECT_EQ(hear::kindOf(sung), Kind::Voice) << hertz;
    }
}

// Somebody may know its tempo, and it is to be stretched as a voice then.
TEST(Listen, AVoiceInWhichNoBeatIsHeardIsAVoice) {
    EXPECT_EQ(Looked(sungLine(220)).silent(), Kind::Voice);
    EXPECT_EQ(Looked(support::sine(220, 6)).silent(), Kind::NoBeat);
    EXPECT_EQ(Looked(support::noise(6)).silent(), Kind::NoBeat);
    Audio note(44100, 1, sound::Frames(44100 * 3));
    support::pluck(note, 0, 220, 0.5, 1.5);
    EXPECT_EQ(Looked(note).silent(), Kind::OneHit);
}

TEST(Listen, ThreeHundredIsWithinReach) {
    const Audio loop = support::drumLoop(support::steadyBeats(300, 32), 32 * 60 / 300.0);
    const Heard h = listenTo(loop);
    ASSERT_TRUE(h.bpm);
    EXPECT_LT(std::min(off(h, 300), off(h, 150)), 0.001);
    EXPECT_NEAR(listenTo(loop, {Bpm(200), Bpm(300)}).bpm->value, 300, 0.5);
}

TEST(Listen, WhereThereIsNoBeatThereIsNoNumber) {
    Audio dc(44100, 1, sound::Frames(44100 * 3));
    for (float& s : dc.channels[0])
        s = 0.5F;
    Audio click(44100, 1, sound::Frames(44100 * 2));
    click.channels[0][44100] = 1;
    Audio note(44100, 1, sound::Frames(44100 * 3));
    support::pluck(note, 0, 220, 0.5, 1.5);
    const std::pair<const char*, Audio> nothing[] = {{"silence", support::silence(4)},
                                                     {"nothing at all", support::silence(0)},
                                                     {"noise", support::noise(6)},
                                                     {"stereo noise", support::noise(4, 44100, 2, 3)},
                                                     {"a steady tone", support::sine(220, 6)},
                                                     {"direct current", dc},
                                                     {"one click", click},
                                                     {"one note", note},
                                                     {"20 ms", support::noise(0.02)},
                                                     {"one sample", Audio(44100, 1, sound::Frames(1))}};
    for (const auto& [what, audio] : nothing) {
        const Heard h = listenTo(audio);
        EXPECT_FALSE(h.bpm) << what << ": " << (h.bpm ? h.bpm->value : 0);
        EXPECT_TRUE(h.beats.empty() && h.pins.empty() && !h.loopBeats) << what;
        EXPECT_TRUE(h.kind == Kind::NoBeat || h.kind == Kind::OneHit) << what;
        EXPECT_FALSE(hear::heardReading(h).bpm) << what;
        EXPECT_FALSE(hear::heardReading(h).evidence.empty()) << what;
        EXPECT_FALSE(hear::lengthReading(h).bpm) << what;
    }
    EXPECT_EQ(listenTo(note).kind, Kind::OneHit);
}

// Who needs only the kind and the key is told the same, and waits less.
TEST(Listen, KindAndKeyByThemselvesAreThoseOfTheWhole) {
    std::set<Kind> kinds;
    for (const char* name : {"winch_hands_112bpm.wav", "pontoon_marimba.flac", "keel_bass_96.aiff",
                             "reed_drone_D.wav", "barge_bell.wav", "towpath_accordion.ogg", "heron_whistle.mp3"}) {
        const auto read = sound::read(std::filesystem::path(PM_SOURCE_DIR) / "demo/canal_journey/audio" / name, 0);
        ASSERT_TRUE(read) << name;
        const auto recording = hear::Recording::of(read->audio);
        ASSERT_TRUE(recording);
        const auto onsets = hear::onsets(*recording);
        const Heard whole = hear::listen(*recording, onsets);
        const hear::KindAndKey alone = hear::kindAndKeyIn(*recording, onsets);
        EXPECT_EQ(alone.kind, whole.kind) << name;
        ASSERT_EQ(alone.key.has_value(), whole.key.has_value()) << name;
        if (alone.key) {
            EXPECT_EQ(alone.key->key, whole.key->key) << name;
            EXPECT_EQ(alone.key->sureness, whole.key->sureness) << name;
        }
        kinds.insert(alone.kind);
    }
    EXPECT_GE(kinds.size(), 4U);
    const Audio silent(48000, 1, sound::Frames(48000));
    EXPECT_EQ(hear::kindAndKeyIn(*hear::Recording::of(silent), {}).kind, Kind::NoBeat);
}

TEST(Listen, SamplesThatAreNoNumbersAreSilence) {
    const double bpm = 120;
    Audio loop = support::drumLoop(support::steadyBeats(bpm, 16), 8);
    for (std::size_t i = 30000; i < 30010; ++i)
        loop.channels[0][i] = std::numeric_limits<float>::quiet_NaN();
    loop.channels[0][50000] = std::numeric_limits<float>::infinity();
    EXPECT_LT(off(listenTo(loop), bpm), 0.001);
    Audio all(44100, 1, sound::Frames(44100));
    std::fill(all.channels[0].begin(), all.channels[0].end(), std::numeric_limits<float>::quiet_NaN());
    EXPECT_FALSE(listenTo(all).bpm);
}

TEST(Listen, LoudnessRateAndChannelsDoNotMatter) {
    const double bpm = 107;
    for (const int rate : {8000, 22050, 48000, 96000}) {
        Audio loop = support::drumLoop(support::steadyBeats(bpm, 16), 16 * 60 / bpm, 4, rate);
        loop.channels.push_back(loop.channels[0]);
        for (auto& samples : loop.channels)
            for (float& s : samples)
                s *= 0.003F;
        EXPECT_LT(off(listenTo(loop), bpm), 0.001) << rate;
    }
}

TEST(Listen, TheSameAudioIsHeardTheSame) {
    const Audio loop = support::drumLoop(support::steadyBeats(99, 8), 8 * 60 / 99.0);
    const Heard a = listenTo(loop);
    const Heard b = listenTo(loop);
    EXPECT_EQ(a.candidates, b.candidates);
    EXPECT_EQ(a.pins, b.pins);
}

TEST(Listen, CanBeStoppedAndSaysHowFarItIs) {
    const Audio loop = support::drumLoop(support::steadyBeats(99, 64), 64 * 60 / 99.0);
    std::stop_source stop;
    double furthest = 0;
    const Heard h = hear::listen(loop, {}, {},
                                 {[&](double f) {
                                      EXPECT_GE(f, furthest - 1e-9);
                                      furthest = f;
                                      if (f > 0.2) stop.request_stop();
                                  },
                                  stop.get_token()});
    EXPECT_FALSE(h.bpm);
    EXPECT_GT(furthest, 0.2);
    EXPECT_LT(furthest, 0.9);
}

TEST(Listen, EveryDemoSourceIsWhatItWasMadeAs) {
    struct Made {
        const char* file;
        double bpm;
        int beats;
        double first;
    };
    for (const Made& m : {Made{"winch_hands_112bpm.wav", 112, 16, 0},
                          {"pontoon_marimba.flac", 118.5, 16, 0},
                          {"lock_gate_brushes.mp3", 88, 32, 0},
                          {"keel_bass_96.aiff", 96, 8, 0},
                          {"kalimba_eddies.ogg", 130.9, 16, 0.42},
                          {"rope_shaker_124.wav", 124, 8, 0}}) {
        const auto r = sound::read(support::demoAudio(m.file), 0);
        ASSERT_TRUE(r);
        const Heard h = listenTo(r->audio);
        EXPECT_LT(off(h, m.bpm), 0.001) << m.file << (h.bpm ? h.bpm->value : 0);
        EXPECT_EQ(h.loopBeats, m.beats) << m.file;
        ASSERT_FALSE(h.beats.empty());
        EXPECT_NEAR(h.beats[h.downbeat], m.first, 0.02) << m.file;
    }
    const auto r = sound::read(support::demoAudio("towpath_accordion.ogg"), 0);
    EXPECT_FALSE(listenTo(r->audio).steady) << "played free";
    for (const char* silent : {"reed_drone_D.wav", "barge_bell.wav"}) {
        const auto none = sound::read(support::demoAudio(silent), 0);
        EXPECT_FALSE(listenTo(none->audio).bpm) << silent;
    }
}

// The same loop over and over: however long it is, it has the tempo that it has.
TEST(Listen, LengthDoesNotChangeAReading) {
    const sound::Audio loop = support::drumLoop(support::steadyBeats(112, 16), 16 * 60 / 112.0, 4, 22050);
    const auto frames = loop.frames().value;
    std::optional<double> first;
    for (const double minutes : {0.6, 4.0, 21.0, 31.0}) {
        const auto times = static_cast<std::int64_t>(minutes * 60 * 22050) / frames;
        sound::Audio all(22050, 1, metre::Frames(frames * times));
        for (std::int64_t i = 0; i < times; ++i)
            std::copy(loop.channels[0].begin(), loop.channels[0].end(), all.channels[0].begin() + i * frames);
        const hear::Heard heard = hear::listen(all, hear::onsets(all));
        ASSERT_TRUE(heard.bpm) << minutes;
        if (!first) first = heard.bpm->value;
        EXPECT_NEAR(heard.bpm->value, *first, 0.01) << minutes;
    }
}

} // namespace
