// From what was heard to what a source is.
#include "project/settle.h"

#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/import.h"
#include "project/timing.h"
#include "support/audio.h"
#include "support/files.h"

#include <gtest/gtest.h>
#include <sndfile.h>

namespace {

using hear::Witness;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;
using project::Source;
using support::Folder;

// A file on disk, read and listened to.
Source imported(const Folder& folder, const std::string& name, const sound::Audio& audio,
                project::Witnesses heeded = {}) {
    support::writeSound(folder / name, audio, SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    auto r = project::importFile(folder / name, 48000, heeded);
    EXPECT_TRUE(r) << r.error().text;
    return r->source;
}

sound::Audio loopAt(double bpm, int beats = 16) {
    return support::drumLoop(support::steadyBeats(bpm, beats), beats * 60 / bpm);
}

TEST(Settle, AFileWithoutANameIsPlacedByWhatIsHeard) {
    const Folder folder;
    const Source s = imported(folder, "towpath.wav", loopAt(93.4));
    ASSERT_TRUE(s.beats && s.chosen);
    EXPECT_EQ(s.chosen, Witness::Heard);
    EXPECT_NEAR(s.beats->meanTempo().value, 93.4, 0.01);
    EXPECT_EQ(s.wholeBeats(), 16);
    EXPECT_EQ(s.kind, hear::Kind::Struck);
    EXPECT_EQ(s.readings.size(), 4U);
    for (std::size_t i = 1; i < s.readings.size(); ++i)
        EXPECT_LT(s.readings[i - 1].by, s.readings[i].by) << "in the order of the list";
}

TEST(Settle, ANameThatAgreesIsTakenAndOneThatLiesIsTold) {
    const Folder folder;
    EXPECT_EQ(imported(folder, "lock_128bpm.wav", loopAt(128)).chosen, Witness::Name);
    const Source lies = imported(folder, "weir 97.wav", loopAt(128));
    const hear::Ranking r = hear::ranked(lies.readings);
    EXPECT_NE(r.disagree.find("97"), std::string::npos) << r.disagree;
    EXPECT_NE(r.disagree.find("128"), std::string::npos) << r.disagree;
}

TEST(Settle, WitnessesCanBeLeftOut) {
    const Folder folder;
    const Source s = imported(folder, "weir_97bpm.wav", loopAt(128), {false, false, true, {}});
    EXPECT_EQ(project::readingBy(s, Witness::Name), nullptr);
    EXPECT_NEAR(s.beats->meanTempo().value, 128, 0.01);
    const Source deaf = imported(folder, "weir_97bpm.wav", loopAt(128), {true, true, false, {}});
    EXPECT_EQ(project::readingBy(deaf, Witness::Heard), nullptr);
    EXPECT_NEAR(deaf.beats->meanTempo().value, 97, 1e-9);
}

TEST(Settle, HitsAreNotLookedForWhereNobodyWantsThem) {
    const Folder folder;
    const Source without = imported(folder, "weir_97bpm.wav", loopAt(128), {true, true, false, {}, false, false});
    EXPECT_TRUE(without.sound->attacks.empty());
    EXPECT_NEAR(without.beats->meanTempo().value, 97, 1e-9);
    const Source with = imported(folder, "weir_97bpm.wav", loopAt(128), {true, true, false, {}});
    EXPECT_FALSE(with.sound->attacks.empty());
    EXPECT_EQ(without.sound->audio.channels, with.sound->audio.channels);
    // Who listens goes by them.
    const Source heard = imported(folder, "weir_97bpm.wav", loopAt(128), {true, true, true, {}, false, false});
    EXPECT_EQ(heard.sound->attacks, with.sound->attacks);
}

TEST(Settle, AWindowBringsNamesAndTagsIntoItToo) {
    const Folder folder;
    const Source s = imported(folder, "weir_128bpm.wav", loopAt(128), {true, true, true, {Bpm(50), Bpm(99)}});
    EXPECT_NEAR(project::readingBy(s, Witness::Name)->bpm->value, 64, 1e-9);
    EXPECT_NE(project::readingBy(s, Witness::Name)->evidence.find("128 counted as 64"), std::string::npos);
    EXPECT_NEAR(s.beats->meanTempo().value, 64, 0.01);
    EXPECT_EQ(s.wholeBeats(), 8);
}

TEST(Settle, ANameKnowsTheTempoAndTheEarWhereBeatOneIs) {
    const Folder folder;
    sound::Audio late(44100, 1, sound::Frames(0));
    const auto loop = loopAt(110);
    std::vector<float> samples(20000, 0.0F);
    samples.insert(samples.end(), loop.channels[0].begin(), loop.channels[0].end());
    late.channels[0] = std::move(samples);
    const Source s = imported(folder, "barge_110bpm.wav", late);
    EXPECT_EQ(s.chosen, Witness::Name);
    EXPECT_NEAR(s.beats->secondsAt(Beats(0)).value, 20000 / 44100.0, 0.003);
    EXPECT_EQ(s.wholeBeats(), 16);
}

TEST(Settle, WithoutABeatASourceIsPlacedAsItIs) {
    const Folder folder;
    const Source s = imported(folder, "rain.wav", support::noise(4));
    EXPECT_FALSE(s.beats || s.chosen);
    EXPECT_EQ(s.kind, hear::Kind::NoBeat);
    const auto added = project::addSources({}, {s});
    EXPECT_NE(project::toldOf(added.project, added.ids[0]).find("no beat heard"), std::string::npos);
}

TEST(Settle, MarksAndBeatsBetweenThem) {
    const Folder folder;
    const auto added = project::addSources({}, {imported(folder, "a.wav", loopAt(100))});
    const auto marked = project::setMarks(added.project, added.ids[0], Seconds(1.2), Seconds(4.95));
    ASSERT_TRUE(marked);
    const auto counted = project::setSourceBeats(*marked, added.ids[0], 8);
    ASSERT_TRUE(counted);
    const auto s = project::sourceOf(*counted, added.ids[0]);
    EXPECT_NEAR(s->beats->meanTempo().value, 128, 1e-9) << "8 beats in 3.750 s";
    EXPECT_NEAR(s->beats->secondsAt(Beats(0)).value, 1.2, 1e-9);
    EXPECT_EQ(s->chosen, Witness::Typed);
    for (const auto& [from, to] : {std::pair(-0.1, 2.0), {3.0, 2.0}, {1.0, 1.001}, {0.0, 99.0}, {NAN, 1.0}})
        EXPECT_FALSE(project::setMarks(added.project, added.ids[0], Seconds(from), Seconds(to)))
            << from << " " << to;
    EXPECT_FALSE(project::setSourceBeats(*marked, added.ids[0], 0));
    EXPECT_FALSE(project::setSourceBeats(*marked, added.ids[0], 5000)) << "no such tempo";
    hear::Reading tapped;
    tapped.by = hear::Witness::Tapped;
    tapped.bpm = metre::Bpm(480); // on bars, that were beats
    EXPECT_FALSE(project::noteReading(*marked, added.ids[0], tapped)) << "the project could not be read again";
}

// Half beats are counted where a bar is no whole number of beats; what was heard before is heard so again.
TEST(Settle, TheMetreThatWasToldIsTheSources) {
    hear::Heard heard;
    heard.bpm = Bpm(100);
    heard.pins = {{metre::Seconds(0), Beats(0)}, {metre::Seconds(0.6), Beats(1)}};
    heard.metre = metre::Metre{7, 8};
    heard.beatsInBar = 7;
    heard.beatUnit = 8;
    project::Source s;
    project::takeIn(s, heard);
    EXPECT_EQ(s.metre(), (metre::Metre{7, 8}));
    EXPECT_EQ(s.metre().bar(), Beats(3.5));
    EXPECT_EQ(project::readingBy(s, Witness::Heard)->metre, heard.metre);
    project::Source again;
    ASSERT_TRUE(project::takeHeard(again, s));
    EXPECT_EQ(again.metre(), s.metre());
}

TEST(Settle, WhatCameInSaysItsMetreUnlessItIsTheUsual) {
    const Folder folder;
    const auto told = [&](const std::string& name, const std::vector<int>& groups) {
        const auto added = project::addSources({}, {imported(folder, name, support::accented(groups, 0.26))});
        return project::toldOf(added.project, added.ids[0]);
    };
    EXPECT_NE(told("five.wav", {6, 4}).find("20 beats in 5/4, fitted"), std::string::npos)
        << told("five.wav", {6, 4});
    EXPECT_EQ(told("four.wav", {2, 2, 2, 2}).find("4/4"), std::string::npos);
}

TEST(Settle, HalfAndDoubleOfFreePlayingStayFree) {
    std::vector<double> beats = {0.2};
    for (int b = 0; b < 40; ++b)
        beats.push_back(beats.back() + 60 / (100 * (1 + 0.05 * std::sin(b / 40.0 * 6.283))));
    const Folder folder;
    const auto added =
        project::addSources({}, {imported(folder, "free.wav", support::drumLoop(beats, beats.back() + 1))});
    const auto s = project::sourceOf(added.project, added.ids[0]);
    ASSERT_TRUE(s->beats);
    ASSERT_GT(s->beats->pins().size(), 2U);
    const auto half =
        project::setSourceTempo(added.project, added.ids[0], Bpm(s->beats->meanTempo().value / 2), Witness::Typed);
    ASSERT_TRUE(half);
    const auto h = project::sourceOf(*half, added.ids[0]);
    ASSERT_EQ(h->beats->pins().size(), s->beats->pins().size());
    for (std::size_t i = 0; i < h->beats->pins().size(); ++i) {
        EXPECT_EQ(h->beats->pins()[i].at, s->beats->pins()[i].at);
        EXPECT_NEAR(h->beats->pins()[i].beat.value, s->beats->pins()[i].beat.value / 2, 1e-9);
    }
}

TEST(Settle, ListeningAgainRefitsTheClipsAtOnce) {
    const Folder folder;
    const auto added = project::addSources({}, {imported(folder, "a.wav", loopAt(120))});
    const auto placed = project::place(added.project, added.ids[0], {}, Beats(0));
    ASSERT_TRUE(placed);
    const project::Clip before = *project::clipOf(placed->project, placed->id);
    EXPECT_NEAR(project::endOf(placed->project, before).value, 16, 1e-9);
    Source again = *project::sourceOf(placed->project, added.ids[0]);
    again.window = {Bpm(40), Bpm(79)};
    project::listenTo(again);
    const auto heard = project::setHeard(placed->project, added.ids[0], again, true);
    ASSERT_TRUE(heard);
    EXPECT_NEAR(project::sourceOf(*heard, added.ids[0])->beats->meanTempo().value, 60, 0.01);
    EXPECT_NEAR(project::endOf(*heard, *project::clipOf(*heard, placed->id)).value, 8, 1e-6);
}

} // namespace
