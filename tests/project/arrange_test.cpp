// Cutting, repeating, stretching and arranging clips: what the document says afterwards, and what sounds.
#include "project/edit_arrange.h"

#include "project/clip_rendering.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/part.h"
#include "project/timing.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/whole.h"

#include <cmath>
#include <gtest/gtest.h>
#include <sndfile.h>

namespace {

using namespace project;

// Noise with strokes, so that every place differs from every other.
sound::Audio uneven(double seconds, const std::vector<std::int64_t>& strokesAt = {}) {
    sound::Audio audio = support::strokes(strokesAt, seconds);
    std::uint32_t state = 7;
    for (float& s : audio.channels[0]) {
        state = state * 1664525U + 1013904223U;
        s += 0.1F * (static_cast<float>(state >> 8) / 16777216.0F - 0.5F);
    }
    return audio;
}

Source sourceOf_(const std::string& name, double seconds, std::optional<double> bpm,
                 const std::vector<std::int64_t>& strokesAt = {}) {
    Source s;
    s.name = s.content = name;
    s.file = "/nowhere/" + name + ".wav";
    s.facts = {48000, 1, Frames(std::llround(seconds * 48000)), "WAV 16-bit"};
    s.sound = soundOf(uneven(seconds, strokesAt));
    if (bpm) s.beats = metre::BeatMap(Bpm(*bpm), Seconds(0));
    return s;
}

struct One {
    Project p;
    ClipId clip;
};

One oneClip(const Source& source, double projectBpm, Beats at = Beats(4)) {
    Added added = addSources(*setTempo({}, Bpm(projectBpm)), {source});
    auto placed = place(added.project, added.ids[0], {}, at);
    return {placed->project, placed->id};
}

// 16 beats at 112: a loop.
One loop(double projectBpm = 104) {
    return oneClip(sourceOf_("loop", 16 * 60 / 112.0, 112), projectBpm);
}

// What is heard of a clip, all of it.
std::vector<float> heard(const Project& p, ClipId id) {
    const LaidPtr laid = lay(p);
    const auto rendering = ClipRendering::plan(laid->find(id)->time());
    EXPECT_TRUE(rendering) << rendering.error().text;
    const sound::Audio all = support::wholeOf(rendering->blocks(1, {}));
    return {all.channels[0].begin(), all.channels[0].end()};
}

// Clips of a project mixed down one after the other, each at its place, from the first frame of all on.
std::vector<float> heardTogether(const Project& p, const std::vector<ClipId>& ids) {
    const LaidPtr laid = lay(p);
    std::int64_t first = std::numeric_limits<std::int64_t>::max();
    std::int64_t end = 0;
    for (const ClipId id : ids) {
        const Timing& t = laid->find(id)->time();
        first = std::min(first, t.startFrame.value);
        end = std::max(end, (t.startFrame + t.length).value);
    }
    std::vector<float> all(static_cast<std::size_t>(end - first));
    for (const ClipId id : ids) {
        const std::vector<float> one = heard(p, id);
        const std::int64_t at = laid->find(id)->time().startFrame.value - first;
        for (std::size_t i = 0; i < one.size(); ++i)
            all[static_cast<std::size_t>(at) + i] += one[i];
    }
    return all;
}

metre::TempoMap ramp() {
    return *metre::TempoMap::make({{Beats(0), Bpm(98), metre::TempoPoint::Shape::Ramp},
                                   {Beats(30), Bpm(117), metre::TempoPoint::Shape::Hold}});
}

TEST(Arrange, AClipThatIsSplitPlaysExactlyAsBefore) {
    for (const bool onRamp : {false, true}) {
        One one = loop();
        if (onRamp) one.p = *setTempoMap(one.p, ramp());
        const std::vector<float> before = heard(one.p, one.clip);
        const auto halves = split(one.p, {one.clip}, Beats(9.37));
        ASSERT_TRUE(halves);
        ASSERT_EQ(halves->clips.size(), 2U);
        const auto quarters = split(halves->project, halves->clips, Beats(14));
        ASSERT_TRUE(quarters);
        ASSERT_EQ(quarters->clips.size(), 3U) << "only the second half goes on across that place";
        EXPECT_EQ(heardTogether(quarters->project, quarters->clips), before);
        const LaidPtr laid = lay(quarters->project);
        EXPECT_EQ(laid->find(quarters->clips[0])->time().job()->key,
                  laid->find(quarters->clips[2])->time().job()->key)
            << "windows on one rendering";
    }
}

TEST(Arrange, SplittingWhereNothingGoesOnSaysSo) {
    const One one = loop();
    const auto none = split(one.p, {one.clip}, Beats(100));
    ASSERT_FALSE(none);
    EXPECT_NE(none.error().text.find("goes on across"), std::string::npos);
    EXPECT_FALSE(split(*setLocked(one.p, {one.clip}, true), {one.clip}, Beats(8)));
}

TEST(Arrange, SlicesOfEqualLengthJoinToTheWhole) {
    const One one = loop();
    const std::vector<float> before = heard(one.p, one.clip);
    const auto sliced = sliceEqually(one.p, {one.clip}, 16);
    ASSERT_TRUE(sliced);
    ASSERT_EQ(sliced->clips.size(), 16U);
    const LaidPtr laid = lay(sliced->project);
    for (std::size_t i = 0; i < 16; ++i) {
        EXPECT_NEAR(laid->find(sliced->clips[i])->time().start.value, 4 + double(i), 1e-9);
        EXPECT_NEAR(laid->find(sliced->clips[i])->time().end.value, 5 + double(i), 1e-9);
    }
    EXPECT_EQ(heardTogether(sliced->project, sliced->clips), before);
    EXPECT_FALSE(sliceEqually(one.p, {one.clip}, 1));
}

TEST(Arrange, SlicesAtOnsetsBeginWithThem) {
    const std::vector<std::int64_t> at = {0, 30000, 61000, 95000};
    const One one = oneClip(sourceOf_("hits", 120000 / 48000.0, 96, at), 96);
    const auto sliced = sliceAtOnsets(one.p, {one.clip}, 0.9);
    ASSERT_TRUE(sliced);
    ASSERT_EQ(sliced->clips.size(), 4U);
    for (std::size_t i = 1; i < 4; ++i)
        EXPECT_NEAR(clipOf(sliced->project, sliced->clips[i])->from.value, double(at[i]) / 48000, 0.002);
    EXPECT_EQ(heardTogether(sliced->project, sliced->clips), heard(one.p, one.clip));
}

TEST(Arrange, TenThousandSlicesStayUsable) {
    const One one = oneClip(sourceOf_("long", 16 * 60 / 112.0, 112), 104);
    const auto sliced = sliceEqually(one.p, {one.clip}, 10000);
    ASSERT_TRUE(sliced);
    ASSERT_EQ(sliced->clips.size(), 10000U);
    const LaidPtr laid = lay(sliced->project);
    EXPECT_EQ(laid->clips().size(), 10000U);
    std::vector<std::size_t> order(10000);
    for (std::size_t i = 0; i < order.size(); ++i)
        order[i] = order.size() - 1 - i;
    const auto reversed = reorder(sliced->project, sliced->clips, order);
    ASSERT_TRUE(reversed);
    EXPECT_NEAR(lay(*reversed)->find(sliced->clips.back())->time().start.value, 4, 1e-6);
    EXPECT_FALSE(sliceEqually(sliced->project, sliced->clips, 3)) << "more than 20000 clips are refused";
}

TEST(Arrange, ReorderingLaysThemEndToEnd) {
    const One one = loop();
    const auto sliced = sliceEqually(one.p, {one.clip}, 4);
    const auto turned = reorder(sliced->project, sliced->clips, {3, 2, 1, 0});
    ASSERT_TRUE(turned);
    const LaidPtr laid = lay(*turned);
    for (std::size_t i = 0; i < 4; ++i)
        EXPECT_NEAR(laid->find(sliced->clips[i])->time().start.value, 4 + 4 * double(3 - i), 1e-9);
    EXPECT_FALSE(reorder(sliced->project, sliced->clips, {0, 0, 1, 2}));
}

TEST(Arrange, TrimmingMovesAnEdgeAndNothingElse) {
    const One one = loop();
    const std::vector<float> before = heard(one.p, one.clip);
    const Project left = *trim(one.p, {one.clip}, Side::Left, Beats(2));
    const LaidPtr laid = lay(left);
    EXPECT_NEAR(laid->find(one.clip)->time().start.value, 6, 1e-9);
    EXPECT_NEAR(laid->find(one.clip)->time().end.value, 20, 1e-9);
    const std::vector<float> after = heard(left, one.clip);
    EXPECT_TRUE(std::equal(after.rbegin(), after.rend(), before.rbegin())) << "what is left sounds as it did";
    const Project back = *trim(left, {one.clip}, Side::Left, Beats(-2));
    EXPECT_EQ(heard(back, one.clip), before) << "and can be drawn out again";
    const Project beyond = *trim(one.p, {one.clip}, Side::Left, Beats(-3));
    EXPECT_NEAR(lay(beyond)->find(one.clip)->time().start.value, 4, 1e-9)
        << "there is nothing before the beginning";
    // Nothing is trimmed away: what were left could not be taken hold of again.
    EXPECT_FALSE(trim(one.p, {one.clip}, Side::Right, Beats(-400)));
    const auto refused = trim(one.p, {one.clip}, Side::Left, Beats(16));
    ASSERT_FALSE(refused) << "up to its end";
    EXPECT_NE(refused.error().text.find("5 ms"), std::string::npos) << refused.error().text;
    EXPECT_TRUE(trim(one.p, {one.clip}, Side::Left, Beats(15.9)));
}

TEST(Arrange, TheMarkedPartAloneBeginsOnABarLine) {
    for (const bool follows : {true, false})
        for (const double at : {4.0, 6.3, 0.0}) {
            One one = oneClip(sourceOf_("loop", 16 * 60 / 112.0, follows ? std::optional(112.0) : std::nullopt),
                              104, Beats(at));
            one.p = *setMarks(one.p, project::sourceOf(one.p, clipOf(one.p, one.clip)->source)->id, Seconds(3.1),
                              Seconds(5.3));
            const auto alone = playMarked(one.p, {one.clip});
            ASSERT_TRUE(alone) << alone.error().text;
            const LaidPtr laid = lay(*alone);
            const Beats start = laid->find(one.clip)->time().start;
            EXPECT_NEAR(start.value, 4 * std::floor(at / 4 + 1e-9), 1e-6) << at << follows;
            EXPECT_GE(laid->find(one.clip)->time().startFrame, Frames(0));
            EXPECT_EQ(clipOf(*alone, one.clip)->from, Seconds(3.1));
        }
}

TEST(Arrange, RepeatingGoesRoundFrameByFrame) {
    const One one = loop(112); // at its own tempo: as recorded
    const std::vector<float> once = heard(one.p, one.clip);
    const Project three = *repeatUntil(one.p, one.clip, Beats(4 + 16 * 2.5));
    const LaidPtr laid = lay(three);
    const Timing& t = laid->find(one.clip)->time();
    EXPECT_NEAR(t.end.value, 44, 1e-9);
    EXPECT_EQ(t.parts.size(), 3U);
    const std::vector<float> all = heard(three, one.clip);
    ASSERT_EQ(static_cast<std::int64_t>(all.size()), t.length.value);
    // A turn is 411428.57 frames: each begins on the frame nearest to its beat.
    for (const int turn : {0, 1, 2}) {
        const auto begins = std::llround((4 + 16.0 * turn) * 60 / 112 * 48000) - t.startFrame.value;
        // A frame more or less in so many is made up for somewhere within.
        EXPECT_NEAR(all[static_cast<std::size_t>(begins)], once[0], 0.002) << turn;
        EXPECT_NEAR(all[static_cast<std::size_t>(begins) + 1000], once[1000], 0.002) << turn;
    }
    EXPECT_NEAR(lay(*setRepeats(one.p, {one.clip}, 4))->find(one.clip)->time().end.value, 68, 1e-9);
    // A repeated clip that is split plays as before, too.
    const auto halves = split(three, {one.clip}, Beats(30.2));
    EXPECT_EQ(heardTogether(halves->project, halves->clips), all);
}

TEST(Arrange, APartGoesRoundBetweenBeatsOfTheSource) {
    const One one = loop();
    const Project turned = *setTurn(one.p, {one.clip}, Beats(4), Beats(8));
    const LaidPtr laid = lay(turned);
    const Timing& t = laid->find(one.clip)->time();
    EXPECT_NEAR(t.start.value, 4, 1e-9) << "it begins where it began";
    EXPECT_NEAR(t.end.value, 20, 1e-9) << "and is as long: four times round";
    EXPECT_EQ(t.parts.size(), 4U);
    EXPECT_NEAR(clipOf(turned, one.clip)->from.value, 4 * 60 / 112.0, 1e-9);
    EXPECT_FALSE(setTurn(one.p, {one.clip}, Beats(4), Beats(99)));
    EXPECT_FALSE(setTurn(one.p, {one.clip}, Beats(4), Beats(4)));
}

TEST(Arrange, AnOffsetSlidesWhatIsPlayedUnderTheClip) {
    const One one = loop();
    const Project off = *setOffset(one.p, {one.clip}, Beats(3));
    const LaidPtr laid = lay(off);
    const Timing& t = laid->find(one.clip)->time();
    EXPECT_NEAR(t.start.value, 4, 1e-9);
    EXPECT_NEAR(t.end.value, 20, 1e-9);
    EXPECT_NEAR(clipOf(off, one.clip)->from.value, 3 * 60 / 112.0, 1e-9);
}

// Worked example (common practice): 15.000 s in a project at 120 BPM are 7 bars and 2 beats. To fill 8 bars it must
// be a loop of 32 beats at 128 BPM, whoever says so and how.
TEST(Arrange, FourWaysOfSayingHowFarSayTheSame) {
    const One one = oneClip(sourceOf_("fifteen", 15, {}), 120, Beats(0));
    const LaidPtr asPlaced = lay(one.p);
    const Timing& placed = asPlaced->find(one.clip)->time();
    EXPECT_NEAR((placed.end - placed.start).value, 30, 1e-9) << "7 bars 2 beats";
    const SourceId source = one.p.sources[0]->id;
    const std::vector<std::pair<const char*, Result<Project>>> ways = {
        {"the edge", stretchEdge(one.p, {one.clip}, one.clip, Side::Right, Beats(32))},
        {"the tempo", setSourceTempo(one.p, source, Bpm(128), hear::Witness::Typed)},
        {"the beats", setSourceBeats(one.p, source, 32)},
        {"the percentage", setStretch(one.p, {one.clip}, 106.667)}};
    for (const auto& [way, result] : ways) {
        ASSERT_TRUE(result) << way << ": " << result.error().text;
        const SourcePtr s = sourceOf(*result, source);
        EXPECT_NEAR(s->beats->meanTempo().value, 128, 1e-6) << way;
        EXPECT_EQ(s->wholeBeats(), 32) << way;
        const LaidPtr laid = lay(*result);
        const Timing& t = laid->find(one.clip)->time();
        EXPECT_NEAR(t.start.value, 0, 1e-9) << way;
        EXPECT_NEAR(t.end.value, 32, 1e-9) << way;
        EXPECT_EQ(t.length, Frames(16 * 48000)) << way;
        EXPECT_EQ(laid->find(one.clip)->rule, TimeRule::Stretch) << way;
    }
}

TEST(Arrange, TheLeftEdgeStretchesTowardsTheRight) {
    const One one = loop();
    const Project stretched = *stretchEdge(one.p, {one.clip}, one.clip, Side::Left, Beats(8));
    const LaidPtr laid = lay(stretched);
    const Timing& t = laid->find(one.clip)->time();
    EXPECT_NEAR(t.start.value, 8, 1e-9);
    EXPECT_NEAR(t.end.value, 20, 1e-9) << "the other edge stays";
    EXPECT_FALSE(stretchEdge(one.p, {one.clip}, one.clip, Side::Left, Beats(20)));
    EXPECT_FALSE(stretchEdge(one.p, {one.clip}, one.clip, Side::Right, Beats(4.001))) << "no tempo is that slow";
}

TEST(Arrange, CopiesAndPastedClipsAreTheSameElsewhere) {
    const One one = loop();
    const Project p = addTrack(*setLocked(one.p, {one.clip}, true), "second").project;
    const auto copied = copyClips(p, {one.clip}, Beats(16), 1);
    ASSERT_TRUE(copied);
    const Clip& copy = *clipOf(copied->project, copied->clips[0]);
    EXPECT_EQ(copy.at, Beats(20));
    EXPECT_FALSE(copy.locked);
    EXPECT_EQ(trackOfClip(copied->project, copy.id)->name, "second");
    EXPECT_FALSE(copyClips(p, {one.clip}, Beats(0), 2)) << "there is no third track";
    const auto pasted = paste(copied->project, take(copied->project, {one.clip, copy.id}), Beats(40));
    ASSERT_TRUE(pasted);
    ASSERT_EQ(pasted->clips.size(), 2U);
    EXPECT_EQ(clipOf(pasted->project, pasted->clips[0])->at, Beats(40));
    EXPECT_EQ(clipOf(pasted->project, pasted->clips[1])->at, Beats(56)) << "as far apart as they were";
    EXPECT_FALSE(paste(p, {}, Beats(0)));
}

TEST(Arrange, TouchingClipsCrossOverByEqualPower) {
    const One one = loop();
    const auto halves = split(one.p, {one.clip}, Beats(12));
    const Project crossed = *crossTouching(halves->project, halves->clips, Seconds(0.1));
    const LaidPtr laid = lay(crossed);
    const LaidClip& a = *laid->find(halves->clips[0]);
    const LaidClip& b = *laid->find(halves->clips[1]);
    const Seconds edge = crossed.tempo.secondsAt(Beats(12));
    EXPECT_NEAR(crossed.tempo.secondsAt(a.time().end).value, edge.value + 0.05, 1e-9);
    EXPECT_NEAR(crossed.tempo.secondsAt(b.time().start).value, edge.value - 0.05, 1e-9);
    EXPECT_NEAR(a.chain.fadeOut.length.value, 0.1, 1e-9);
    EXPECT_NEAR(b.chain.fadeIn.length.value, 0.1, 1e-9);
    EXPECT_EQ(a.chain.fadeOut.shape, Fade::Shape::EqualPower);
    EXPECT_FALSE(crossTouching(one.p, {one.clip}, Seconds(0.1))) << "one clip touches nothing";
}

TEST(Arrange, SilenceBeforeTheFirstSoundIsTrimmed) {
    Source s = sourceOf_("late", 4, 120);
    sound::Audio audio = support::strokes({24000}, 4);
    s.sound = soundOf(audio);
    const One one = oneClip(s, 120);
    const Project trimmed = *trimSilence(one.p, {one.clip});
    EXPECT_NEAR(clipOf(trimmed, one.clip)->from.value, 0.5, 0.005);
    EXPECT_EQ(clipOf(trimmed, one.clip)->at, clipOf(one.p, one.clip)->at) << "the downbeat stays where it is";
}

TEST(Arrange, AnExtractedPartSoundsAsItDid) {
    const support::Folder folder;
    const auto file = folder / "whole.wav";
    support::writeSound(file, uneven(16 * 60 / 112.0), SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    auto imported = importFile(file, 48000, {false, false, false, {}});
    ASSERT_TRUE(imported);
    imported->source.beats = metre::BeatMap(Bpm(112), Seconds(0));
    const One one = oneClip(imported->source, 112);
    const auto halves = split(one.p, {one.clip}, Beats(12));
    const ClipId second = halves->clips[1];
    const std::vector<float> before = heard(halves->project, second);
    const auto part =
        extracted(*halves->project.sources[0], *clipOf(halves->project, second), folder / "audio", 48000);
    ASSERT_TRUE(part) << part.error().text;
    Added added = addSources(halves->project, {*part});
    const Project p = *playInstead(added.project, second, added.ids[0]);
    EXPECT_NEAR(lay(p)->find(second)->time().start.value, 12, 1e-4) << "to the frame";
    EXPECT_EQ(sourceOf(p, added.ids[0])->name, "whole part 1");
    const std::vector<float> after = heard(p, second);
    ASSERT_NEAR(double(after.size()), double(before.size()), 1);
    for (std::size_t i = 0; i + 1 < after.size(); i += 97)
        ASSERT_NEAR(after[i], before[i], 1e-4) << i;
    EXPECT_TRUE(std::filesystem::exists(file));
}

TEST(Arrange, RepeatingPushesWhatComesAfterOnItsTrack) {
    const One one = loop();
    const Beats length = lay(one.p)->find(one.clip)->time().end - lay(one.p)->find(one.clip)->time().start;
    const auto copied = copyClips(one.p, {one.clip}, length, 0);
    ASSERT_TRUE(copied);
    const ClipId next = copied->clips[0];
    const auto overlap = [&](const Project& p) {
        const LaidPtr laid = lay(p);
        return (laid->find(one.clip)->time().end - laid->find(next)->time().start).value;
    };
    ASSERT_NEAR(overlap(copied->project), 0, 1e-6);
    for (const auto& longer : {setRepeats(copied->project, {one.clip}, 3),
                               repeatUntil(copied->project, one.clip,
                                           lay(copied->project)->find(one.clip)->time().end + length * 0.5)}) {
        ASSERT_TRUE(longer) << longer.error().text;
        EXPECT_NEAR(overlap(*longer), 0, 1e-6) << "it is pushed to where the longer one ends";
    }
    const Project locked = *setLocked(copied->project, {next}, true);
    EXPECT_FALSE(setRepeats(locked, {one.clip}, 3)) << "a locked clip is in the way";
    const Project shorter = *setRepeats(*setRepeats(copied->project, {one.clip}, 3), {one.clip}, 1);
    EXPECT_LT(overlap(shorter), 0) << "nothing is pulled back";
}

} // namespace
