// A song in four stems, fitted to another tempo: what was together stays together.
#include "hear/onsets.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/render_job.h"
#include "project/sets.h"
#include "stretch/strikes.h"
#include "support/audio.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using namespace project;

constexpr double songTempo = 112;
constexpr int beatCount = 32;

Source stem(const std::string& name, sound::Audio audio) {
    Source s;
    s.name = s.content = name;
    s.facts = {audio.rate, audio.channelCount(), audio.frames(), "WAV 24-bit"};
    s.kind = hear::Kind::Mix;
    s.sound = soundOf(std::move(audio));
    s.readings.push_back({});
    s.readings.back().by = hear::Witness::Heard; // on its own: nothing that counts
    return s;
}

void add(sound::Audio& to, const sound::Audio& what) {
    for (std::size_t i = 0; i < to.channels[0].size() && i < what.channels[0].size(); ++i)
        to.channels[0][i] += what.channels[0][i];
}

// What begins, without what lasts: the second difference, in which a low tone that goes on is a hundredth.
sound::Audio edges(const sound::Audio& a) {
    sound::Audio out = a;
    auto& x = out.channels[0];
    for (int twice = 0; twice < 2; ++twice)
        for (std::size_t i = x.size() - 1; i > 0; --i)
            x[i] -= x[i - 1];
    return out;
}

// Four stems with a stroke in common on every beat, each with something of its own beside it: strokes between the
// beats, a low tone, a high one, and a soft hiss.
struct Song {
    // `dense`: strokes also a sixteenth before the common ones.
    explicit Song(bool dense) {
        const double length = beatCount * 60 / songTempo;
        for (int b = 0; b < beatCount; ++b)
            beats.push_back(std::llround(b * 60 / songTempo * 48000));
        std::vector<std::int64_t> between;
        for (int b = 0; b < beatCount; ++b)
            between.push_back(beats[std::size_t(b)] +
                              std::llround(60 / songTempo * 48000 * (dense && b % 3 != 0 ? 0.75 : 0.5)));
        const sound::Audio common = support::strokes(beats, length);
        const std::vector<std::pair<const char*, sound::Audio>> own = {
            {"drums", support::strokes(between, length)},
            {"bass", support::sine(82.4, length, 48000, 1, 0.03)},
            {"keys", support::sine(660, length, 48000, 1, 0.03)},
            {"air", support::noise(length, 48000, 1, 5, 0.003)}};
        for (const auto& [name, audio] : own) {
            sound::Audio all = common;
            add(all, audio);
            stems.emplace_back(name, std::move(all));
        }
    }
    std::vector<std::int64_t> beats; // frames
    std::vector<std::pair<std::string, sound::Audio>> stems;
};

// Common practice: stems that were bounced together are lined up to the sample, or they comb when they are summed.
void staysTogether(const Song& song, const std::vector<stretch::Method>& methods) {
    std::vector<Source> sources;
    for (const auto& [name, audio] : song.stems)
        sources.push_back(stem(name, audio));
    Added added = addSources(*setTempo({}, Bpm(104)), std::move(sources));
    const auto placed = placeSources(added.project, added.ids, {}, Beats(0));
    std::vector<SourcePtr> members;
    for (const SourceId id : added.ids)
        members.push_back(sourceOf(placed->project, id));
    const auto together = hearTogether(members, {}, nullptr);
    ASSERT_TRUE(together);
    const Project set = *makeSet(placed->project, added.ids, *together);
    ASSERT_TRUE(sourceOf(set, added.ids[0])->beats);
    ASSERT_NEAR(sourceOf(set, added.ids[0])->beats->meanTempo().value, songTempo, 0.02);
    const sound::Audio recorded = edges(song.stems[3].second);
    for (const stretch::Method method : methods) {
        const Project p = *setMethod(set, placed->clips, method);
        const LaidPtr laid = lay(p);
        std::vector<sound::Audio> fitted;
        for (const LaidClip& clip : laid->clips()) {
            ASSERT_EQ(clip.time().parts.size(), 1U);
            const auto whole = planOf(*clip.time().parts.front().job)->whole();
            ASSERT_TRUE(whole);
            fitted.push_back(edges(*whole));
        }
        for (int b = 1; b + 1 < beatCount; ++b) {
            const auto at = std::llround(b * 60.0 / 104 * 48000);
            for (std::size_t k = 1; k < fitted.size(); ++k)
                EXPECT_LE(std::abs(support::lagOf(fitted[0], at - 40, fitted[k], at - 40, 400, 60)), 1)
                    << stretch::methodLabel(method) << ": frames between stems, beat " << b << ", stem " << k;
            if (method == stretch::Method::Tape) continue; // its strokes are lower ones
            EXPECT_LE(
                std::abs(support::lagOf(recorded, song.beats[std::size_t(b)] - 40, fitted[3], at - 40, 400, 200)),
                48)
                << stretch::methodLabel(method) << ": a millisecond beside beat " << b;
        }
    }
}

TEST(Stems, StayTogetherToTheSampleUnderEveryMethod) {
    staysTogether(Song(false), stretch::methods());
}

// Held spreads what is struck over its window: strokes as loud within a fifth of a second of each other run into
// each other, in each stem in its own way. The others part them.
TEST(Stems, StayTogetherWhereOneIsDense) {
    staysTogether(Song(true),
                  {stretch::Method::Struck, stretch::Method::Blend, stretch::Method::Sung, stretch::Method::Tape});
}

// The sum of the fitted stems is the fitted song, as far as a method is linear in what it is given: in time it is
// the same to the sample, and no louder or softer than ears tell (1 dB, common practice).
TEST(Stems, SumToTheFittedSong) {
    const Song song(false);
    sound::Audio mix = support::silence(song.stems[0].second.length().value);
    for (const auto& [name, audio] : song.stems)
        add(mix, audio);
    const auto map = *metre::TimeMap::make(
        {{Frames(0), Frames(0)}, {mix.frames(), Frames(std::llround(double(mix.frames().value) * 112 / 104))}});
    std::vector<std::shared_ptr<const Sound>> sounds;
    for (const auto& [name, audio] : song.stems)
        sounds.push_back(soundOf(audio));
    const sound::AudioPtr sum = sumOf(sounds);
    const auto anchors = hear::onsets(*sum);
    std::vector<Frames> attacks;
    for (const hear::Onset& o : anchors)
        attacks.push_back(o.at);
    const std::vector<Frames> strikes = stretch::strikesIn(*sum, attacks);
    for (const stretch::Method method : stretch::methods()) {
        stretch::Settings settings;
        settings.method = method;
        sound::Audio parts = support::silence(0.001);
        for (const auto& [name, audio] : song.stems) {
            const auto fitted = stretch::render({audio, attacks, false, &strikes}, map, settings);
            ASSERT_TRUE(fitted);
            if (parts.frames() < fitted->frames()) parts = sound::Audio(48000, 1, fitted->frames());
            add(parts, *fitted);
        }
        const auto whole = stretch::render({mix, attacks, false, &strikes}, map, settings);
        ASSERT_TRUE(whole);
        const sound::Audio wholeEdges = edges(*whole);
        const sound::Audio partEdges = edges(parts);
        EXPECT_NEAR(support::rmsDb(parts), support::rmsDb(*whole), 1) << stretch::methodLabel(method);
        for (int b = 1; b + 1 < beatCount; ++b) {
            const auto at = std::llround(b * 60.0 / 104 * 48000);
            EXPECT_LE(std::abs(support::lagOf(wholeEdges, at - 40, partEdges, at - 40, 400, 60)), 1)
                << stretch::methodLabel(method) << ", beat " << b;
        }
    }
}

} // namespace
