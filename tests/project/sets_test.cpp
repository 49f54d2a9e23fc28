// Stems that were recorded together: heard together, corrected together, and together to the sample.
#include "project/sets.h"

#include "hear/onsets.h"
#include "project/arriving.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/missing.h"
#include "project/read_source.h"
#include "project/save.h"
#include "project/settle.h"
#include "project/tighten.h"
#include "sound/audio_store.h"
#include "support/audio.h"
#include "support/files.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <sndfile.h>

namespace {

using namespace project;
using support::Folder;
namespace fs = std::filesystem;

// A song of eight bars at 112 in four stems, of which only the first says its tempo clearly: drums, a bass that
// plays on one and three, a pad, and a voice that comes in late. `lag`: silence before it begins.
struct Song {
    explicit Song(const fs::path& folder, double lag = 0.4) {
        const double beat = 60 / 112.0;
        const double length = lag + 32 * beat + 0.3;
        const auto beats = support::steadyBeats(112, 32, lag);
        save(folder / "drums.wav", padded(support::drumLoop(beats, lag + 32 * beat, 4, 48000), length));
        sound::Audio bass = support::silence(length);
        for (int b = 0; b < 32; b += 2)
            support::pluck(bass, lag + b * beat, b % 8 < 4 ? 55 : 65.4, 0.4, 2);
        save(folder / "bass.wav", bass);
        sound::Audio pad = support::sine(220, length, 48000, 2, 0.1);
        for (auto& samples : pad.channels)
            std::fill(samples.begin(), samples.begin() + std::llround(lag * 48000), 0.0F);
        save(folder / "pad.wav", pad);
        sound::Audio voice = support::silence(length);
        for (const double b : {8.0, 9.5, 11.0, 16.5, 19.25, 24.0})
            support::pluck(voice, lag + b * beat, 330, 0.2, 4);
        save(folder / "voice.wav", voice);
        downbeat = lag;
    }
    static sound::Audio padded(const sound::Audio& a, double seconds) {
        sound::Audio out = support::silence(seconds);
        std::copy_n(a.channels[0].begin(), std::min(a.channels[0].size(), out.channels[0].size()),
                    out.channels[0].begin());
        return out;
    }
    void save(const fs::path& file, const sound::Audio& audio) {
        support::writeSound(file, audio, SF_FORMAT_WAV | SF_FORMAT_FLOAT);
        files.push_back(file);
    }
    std::vector<fs::path> files;
    double downbeat = 0;
};

class Sets : public testing::Test {
  protected:
    Sets() : song(folder.path()) {
        std::vector<Source> sources;
        for (const fs::path& file : song.files)
            sources.push_back(std::move(importFile(file, 48000)->source));
        Added added = addSources(*setTempo({}, Bpm(104)), std::move(sources));
        ids = added.ids;
        apart = placeSources(added.project, ids, {}, Beats(4))->project;
    }
    std::vector<SourcePtr> members(const Project& p) const {
        std::vector<SourcePtr> list;
        for (const SourceId id : ids)
            list.push_back(sourceOf(p, id));
        return list;
    }
    Project together() const { return *makeSet(apart, ids, *hearTogether(members(apart), {}, nullptr)); }

    const Folder folder;
    const Song song;
    std::vector<SourceId> ids;
    Project apart;
};

TEST_F(Sets, WhatCannotBeHeardAnewSaysWhy) {
    std::vector<SourcePtr> odd;
    for (const SourcePtr& s : members(together())) {
        // A rate that nothing converts from.
        sound::Audio audio = s->sound->audio;
        audio.rate = 1;
        Source changed = *s;
        changed.sound = soundOf(std::move(audio), std::vector<hear::Onset>());
        odd.push_back(std::make_shared<const Source>(changed));
    }
    const auto heard = heardAnew(odd, {}, nullptr);
    ASSERT_FALSE(heard);
    EXPECT_FALSE(heard.error().cancelled);
    EXPECT_FALSE(heard.error().text.empty());
}

TEST_F(Sets, AreOfferedForWhatIsEquallyLong) {
    const auto groups = likelySets(apart, ids);
    ASSERT_EQ(groups.size(), 1U);
    EXPECT_EQ(groups[0], ids);
    // Eleven milliseconds are too much, nine are not.
    for (const int milliseconds : {9, 11}) {
        Source other = *sourceOf(apart, ids[0]);
        other.facts.frames += Frames(48 * milliseconds);
        const Added added = addSources(apart, {other});
        EXPECT_EQ(likelySets(added.project, {ids[0], added.ids[0]}).size(), milliseconds == 9 ? 1U : 0U);
        EXPECT_EQ(mayBeSet(added.project, {ids[0], added.ids[0]}).has_value(), milliseconds == 9);
    }
    EXPECT_TRUE(likelySets(together(), ids).empty()) << "they are one already";
    EXPECT_FALSE(mayBeSet(apart, {ids[0]}));
    EXPECT_FALSE(mayBeSet(together(), {ids[0], ids[1]}));
}

// 165 single sounds, many of them equally long, had a column of questions.
TEST_F(Sets, AreNotOfferedForSingleSounds) {
    Source hit = *sourceOf(apart, ids[0]);
    hit.beats.reset();
    hit.loopBeats.reset();
    hit.facts.frames = Frames(std::int64_t(48000) * 3);
    Added added = addSources(apart, {hit, hit});
    EXPECT_TRUE(likelySets(added.project, added.ids).empty());
    // A loop of two bars that is shorter than eight seconds may be a stem; one of a bar is none.
    hit.beats = metre::BeatMap(Bpm(160), Seconds(0));
    added = addSources(apart, {hit, hit});
    EXPECT_EQ(likelySets(added.project, added.ids).size(), 1U);
    hit.beats = metre::BeatMap(Bpm(100), Seconds(0));
    added = addSources(apart, {hit, hit});
    EXPECT_TRUE(likelySets(added.project, added.ids).empty());
}

TEST_F(Sets, TightenedStayTogetherToTheSample) {
    const Project p = together();
    Tighten t;
    t.percent = 100;
    t.swing = 60; // far from what they play, so that much moves
    const auto tight = setTighten(p, {allClips(p).front()}, t);
    ASSERT_TRUE(tight) << tight.error().text;
    const LaidPtr laid = lay(*tight);
    const LaidPtr before = lay(p);
    const auto& first = laid->clips().front().time().job()->map;
    EXPECT_NE(first, before->clips().front().time().job()->map);
    for (const LaidClip& clip : laid->clips()) {
        EXPECT_EQ(clip.clip->tighten.percent, 100) << "all of the set";
        EXPECT_EQ(clip.time().startFrame, laid->clips().front().time().startFrame);
        const auto& map = clip.time().job()->map;
        const double end = double(clip.source->sound->audio.frames().value);
        for (double frame = 0; frame < end; frame += 4801)
            EXPECT_NEAR(map.outputAt(frame), first.outputAt(frame), 0.6) << frame;
    }
}

TEST_F(Sets, AreHeardOnTheirSumAndHaveOneBeatMap) {
    const Project p = together();
    const auto all = members(p);
    for (const SourcePtr& s : all) {
        ASSERT_TRUE(s->beats) << s->name;
        EXPECT_EQ(s->beats, all[0]->beats);
        EXPECT_EQ(s->readings, all[0]->readings);
        EXPECT_EQ(s->sound->attacks, all[0]->sound->attacks);
        EXPECT_EQ(s->set, all[0]->set);
    }
    EXPECT_NEAR(all[0]->beats->meanTempo().value, 112, 0.05);
    EXPECT_NEAR(all[0]->beats->secondsAt(Beats(0)).value, song.downbeat, 0.005);
    EXPECT_NE(all[0]->kind, all[2]->kind) << "each stays what it is";
    Source hit = *all[1]; // one hit in all of the song is no reason not to go with it
    hit.kind = hear::Kind::OneHit;
    EXPECT_FALSE(wholeClip(hit).rule);
    hit.set.reset();
    EXPECT_TRUE(wholeClip(hit).rule);
    EXPECT_EQ(all[2]->kind, sourceOf(apart, ids[2])->kind);
    EXPECT_GE(all[2]->sound->attacks.size(), 32U) << "a pad has the anchors of the drums";
}

TEST_F(Sets, TheirClipsStandTogether) {
    const Project p = together();
    const LaidPtr laid = lay(p);
    ASSERT_EQ(laid->clips().size(), 4U);
    const LaidClip& first = laid->clips().front();
    for (const LaidClip& clip : laid->clips()) {
        EXPECT_EQ(clip.time().startFrame, first.time().startFrame);
        EXPECT_EQ(clip.clip->from, first.clip->from);
        EXPECT_EQ(clip.clip->at, Beats(4));
        EXPECT_TRUE(clip.time().stretched) << clip.source->name;
    }
}

TEST_F(Sets, WhatIsCorrectedOnOneIsCorrectedOnAll) {
    const Project p = together();
    const std::vector<std::pair<const char*, Result<Project>>> edits = {
        {"tempo", setSourceTempo(p, ids[1], Bpm(111.5), hear::Witness::Typed)},
        {"half", scaleBeats(p, ids[3], 0.5)},
        {"downbeat", setFirstDownbeat(p, ids[2], Seconds(1.2))},
        {"beats", setSourceBeats(p, ids[0], 32)},
        {"no beat", forgetBeat(p, ids[2])},
        {"marks", setMarks(p, ids[1], Seconds(1), Seconds(3))},
        {"reading", chooseReading(p, ids[2], hear::Witness::Heard)},
        {"following", setSourceFollowing(p, {ids[1]}, false)}};
    for (const auto& [what, edited] : edits) {
        ASSERT_TRUE(edited) << what << ": " << edited.error().text;
        const auto all = members(*edited);
        for (const SourcePtr& s : all) {
            EXPECT_EQ(s->beats, all[0]->beats) << what;
            EXPECT_EQ(s->chosen, all[0]->chosen) << what;
            EXPECT_EQ(s->loopBeats, all[0]->loopBeats) << what;
            EXPECT_EQ(s->marks, all[0]->marks) << what;
            EXPECT_EQ(s->following, all[0]->following) << what;
        }
        const LaidPtr laid = lay(*edited);
        for (const LaidClip& clip : laid->clips()) {
            EXPECT_EQ(clip.time().startFrame, laid->clips().front().time().startFrame) << what;
            EXPECT_NEAR(double(clip.time().length.value), double(laid->clips().front().time().length.value), 2)
                << what;
        }
    }
    EXPECT_NE(members(*edits[0].second)[0]->beats, members(p)[0]->beats);
    EXPECT_EQ(sourceOf(*setSourceKey(p, ids[1], hear::Key{3, false}), ids[2])->key, sourceOf(p, ids[2])->key)
        << "a key is each one's own";
}

TEST_F(Sets, WhatTheUserSaidOfOneCountsForAll) {
    apart = *setSourceTempo(apart, ids[3], Bpm(56), hear::Witness::Typed);
    const Project p = together();
    for (const SourcePtr& s : members(p)) {
        EXPECT_EQ(s->chosen, hear::Witness::Typed);
        EXPECT_NEAR(s->beats->meanTempo().value, 56, 1e-9);
    }
}

TEST_F(Sets, ALockedClipOfAnyRefuses) {
    const ClipId pad = lay(apart)->clips()[2].id();
    const auto heard = hearTogether(members(apart), {}, nullptr);
    EXPECT_FALSE(makeSet(*setLocked(apart, {pad}, true), ids, *heard));
    const Project p = *setLocked(together(), {pad}, true);
    EXPECT_FALSE(setSourceTempo(p, ids[0], Bpm(100), hear::Witness::Typed)) << "the pad would have to follow";
}

TEST_F(Sets, PartedEachGoesItsOwnWay) {
    const Project p = together();
    std::vector<std::pair<SourceId, std::shared_ptr<const Sound>>> own;
    for (const SourcePtr& s : members(apart))
        own.emplace_back(s->id, s->sound);
    const Project parted = *partSet(p, *sourceOf(p, ids[0])->set, own);
    EXPECT_EQ(lay(parted)->clips()[2].time().startFrame, lay(p)->clips()[2].time().startFrame) << "nothing moves";
    const Project edited = *setSourceTempo(parted, ids[0], Bpm(90), hear::Witness::Typed);
    EXPECT_NEAR(sourceOf(edited, ids[1])->beats->meanTempo().value, 112, 0.05);
    EXPECT_EQ(sourceOf(edited, ids[2])->sound->attacks, sourceOf(apart, ids[2])->sound->attacks);
    EXPECT_FALSE(partSet(parted, *sourceOf(p, ids[0])->set, {}));
    EXPECT_EQ(togetherWith(parted, ids[1]), std::vector<SourceId>{ids[1]});
    EXPECT_EQ(togetherWith(p, ids[1]), ids);
    EXPECT_EQ(withTheirSets(p, {ids[2], ids[0]}).size(), 4U);
}

TEST_F(Sets, AreSavedAndHaveTheirAnchorsWhenTheyAreOpened) {
    const Project p = together();
    ASSERT_TRUE(saveProject(p, folder / "journey", true));
    sound::AudioStore store(folder / "cache", std::int64_t(1) << 30);
    for (sound::AudioStore* each : {static_cast<sound::AudioStore*>(nullptr), &store, &store}) {
        const auto loaded = loadProject(folder / "journey", {}, each);
        ASSERT_TRUE(loaded);
        for (const SourceId id : ids) {
            EXPECT_EQ(sourceOf(loaded->project, id)->set, sourceOf(p, id)->set);
            EXPECT_EQ(sourceOf(loaded->project, id)->sound->attacks, sourceOf(p, id)->sound->attacks);
        }
    }
    // One that was missing and is found has them as well.
    Project missing = p;
    for (SourcePtr& s : missing.sources.altered())
        if (s->id == ids[2]) {
            Source gone = *s;
            gone.sound = nullptr;
            s = std::make_shared<const Source>(std::move(gone));
        }
    const auto found = findMissing({sourceOf(missing, ids[2])}, folder / "journey", 48000);
    ASSERT_EQ(found.size(), 1U);
    Recordings known;
    known.learn(missing);
    known.take(patchOf(found));
    EXPECT_EQ(sourceOf(known.in(missing), ids[2])->sound->attacks, sourceOf(p, ids[2])->sound->attacks);
}

TEST_F(Sets, HearingThatComesLateLeavesASetAlone) {
    Source late = *sourceOf(apart, ids[1]);
    late.beats = metre::BeatMap(Bpm(77), Seconds(0));
    const Project p = together();
    const Project after = withHeard(p, ids[1], late);
    EXPECT_EQ(sourceOf(after, ids[1])->beats, sourceOf(p, ids[0])->beats);
    EXPECT_EQ(sourceOf(after, ids[1])->sound, sourceOf(p, ids[1])->sound);
}

TEST_F(Sets, TheSumIsTheMeanOfItsParts) {
    std::vector<std::shared_ptr<const Sound>> sounds;
    for (const SourcePtr& s : members(apart))
        sounds.push_back(s->sound);
    const sound::AudioPtr sum = sumOf(sounds);
    ASSERT_EQ(sum->channelCount(), 1);
    for (const std::size_t i : {std::size_t(20'000), std::size_t(300'000)}) {
        float expected = 0;
        for (const auto& s : sounds)
            for (const auto& samples : s->audio.channels)
                expected += samples[i] / 4 / static_cast<float>(s->audio.channelCount());
        EXPECT_NEAR(sum->channels[0][i], expected, 1e-6F);
    }
}

TEST_F(Sets, HearingIsStoppedAndNothingIsMade) {
    std::stop_source stop;
    stop.request_stop();
    const auto heard = hearTogether(members(apart), {}, nullptr, {{}, stop.get_token()});
    ASSERT_FALSE(heard);
    EXPECT_TRUE(heard.error().cancelled);
}

} // namespace
