// Playing what lies in files: found again, heard to the bit, kept in memory ahead of the play position.
#include "play/player.h"
#include "play/read_ahead.h"
#include "play/simulated_output.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/read_source.h"
#include "sound/audio_store.h"
#include "sound/mapped.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/wait.h"

#include <filesystem>
#include <gtest/gtest.h>
#include <sndfile.h>
#include <sys/mman.h>

namespace {

using namespace play;
using namespace project;
using support::Folder;
namespace fs = std::filesystem;

class StoredPlay : public testing::Test {
  protected:
    StoredPlay() : store(std::make_unique<sound::AudioStore>(folder / "cache", std::int64_t(1) << 30)) {}

    // A recording of half a minute, read through a store or into memory.
    Source reach(sound::AudioStore* into) {
        const fs::path file = folder / "long_reach.wav";
        if (!fs::exists(file))
            support::writeSound(file, support::noise(30, 48000, 2, 3), SF_FORMAT_WAV | SF_FORMAT_FLOAT);
        auto read = decodeSource(file, {48000, into});
        Source s = unheard(file, *read);
        s.beats = metre::BeatMap(Bpm(96), Seconds(0));
        s.kind = hear::Kind::Struck;
        return s;
    }
    static Source unheard(const fs::path& file, const ReadSource& read) {
        Source s;
        s.name = file.stem();
        s.file = file;
        s.content = read.content;
        s.facts = read.facts;
        s.sound = read.sound;
        return s;
    }
    Project projectOf(sound::AudioStore* into, double bpm) {
        Added added = addSources(*setTempo({}, Bpm(bpm)), {reach(into)});
        return place(added.project, added.ids[0], {}, Beats(0))->project;
    }
    static RenderJobPtr jobIn(const Project& p) { return lay(p)->clips().front().time().parts.front().job; }

    const Folder folder;
    std::unique_ptr<sound::AudioStore> store;
};

TEST_F(StoredPlay, ARenderingIsFoundAgainAndTheSameToTheBit) {
    const RenderJobPtr job = jobIn(projectOf(store.get(), 100));
    const auto whole = planOf(*job)->whole();
    ASSERT_TRUE(whole);
    {
        RenderCache cache(
            2, 1 << 28, [] {}, store.get());
        cache.want({{job, 0}});
        ASSERT_TRUE(support::waitFor([&] { return cache.pending() == 0; }));
    }
    // All was made a moment before it was put together in the store; a cache that has ended has done that too.
    store->settle();
    ASSERT_TRUE(store->find(job->key));
    RenderCache cache(
        1, 1 << 28, [] {}, store.get());
    cache.want({{job, 0}});
    ASSERT_TRUE(support::waitFor([&] { return cache.pending() == 0; }));
    const auto pieces = cache.find(job->key);
    ASSERT_EQ(pieces.size(), 1U) << "whole";
    EXPECT_EQ(pieces[0].audio->channels, whole->channels);
    EXPECT_TRUE(pieces[0].audio->channels[0].isView());
    const sound::Peaks outline(*whole);
    EXPECT_EQ(pieces[0].peaks->over(Frames(5000), Frames(90000)), outline.over(Frames(5000), Frames(90000)));
}

TEST_F(StoredPlay, OtherAttacksMakeAnotherRendering) {
    Source s = reach(nullptr);
    const auto map = *metre::TimeMap::make({{Frames(0), Frames(0)}, {Frames(96000), Frames(100000)}});
    const base::Key before = jobOf(s, map, {})->key;
    s.sound = std::make_shared<const Sound>(*s.sound, std::vector<hear::Onset>{{Frames(4000), 1}});
    EXPECT_NE(jobOf(s, map, {})->key, before);
}

TEST_F(StoredPlay, WhatIsHeardAsItIsIsTheRecordingItself) {
    const Project p = projectOf(nullptr, 96);
    const RenderJobPtr job = jobIn(p);
    RenderCache cache(1, 1 << 28, [] {});
    cache.want({{job, 0}});
    ASSERT_TRUE(support::waitFor([&] { return cache.pending() == 0; }));
    const auto pieces = cache.find(job->key);
    ASSERT_EQ(pieces.size(), 1U);
    EXPECT_EQ(pieces[0].audio->channels[1].data(), job->sound->audio.channels[1].data()) << "no copy of it";
    EXPECT_EQ(pieces[0].audio->channels[0], planOf(*job)->whole()->channels[0]);
    const RenderJobPtr part = asRecorded(*jobOf(
        *p.sources[0], *metre::TimeMap::make({{Frames(500), Frames(0)}, {Frames(90500), Frames(95000)}}), {}));
    cache.want({{part, 0}});
    ASSERT_TRUE(support::waitFor([&] { return cache.pending() == 0; }));
    EXPECT_EQ(cache.find(part->key).front().audio->channels[0], planOf(*part)->whole()->channels[0]);
}

TEST_F(StoredPlay, EmptyingTheStoreIsNotHeard) {
    const auto heardWith = [&](sound::AudioStore* into) {
        auto output = std::make_unique<SimulatedOutput>(48000, SimulatedOutput::Pace::Asked, 40);
        SimulatedOutput& out = *output;
        Player player(
            std::move(output), [] {}, into);
        Project p = projectOf(into, 104);
        p = *repeatUntil(p, allClips(p).front(), Beats(64));
        player.setProject(lay(p));
        EXPECT_TRUE(support::waitFor([&] {
            player.tick();
            return player.pendingRenders() == 0;
        }));
        player.play();
        player.tick();
        out.advance(48000 * 4);
        if (into != nullptr) {
            into->settle();
            for (const auto& each : fs::directory_iterator(folder / "cache"))
                fs::remove(each.path());
            sound::releaseMappedBut({});
        }
        for (int i = 0; i < 30; ++i) {
            player.tick();
            out.advance(48000);
        }
        return out.taken();
    };
    const std::vector<float> stored = heardWith(store.get());
    const std::vector<float> memory = heardWith(nullptr);
    ASSERT_EQ(stored.size(), memory.size());
    // Where a scene takes the place of the same one, sums are rounded.
    for (std::size_t i = 0; i < memory.size(); ++i)
        ASSERT_NEAR(double(stored[i]), double(memory[i]), 1e-6) << i;
    EXPECT_GT(std::count_if(memory.begin(), memory.end(), [](float s) { return std::abs(s) > 0.01F; }), 2'000'000);
}

// How many of the pages of a stretch are in this process's memory.
double shareInMemory(const sound::Samples& samples, std::int64_t from, std::int64_t to) {
    const auto page = static_cast<std::uintptr_t>(sound::pageBytes());
    const auto first = reinterpret_cast<std::uintptr_t>(samples.data() + from) / page * page;
    const auto end = reinterpret_cast<std::uintptr_t>(samples.data() + to);
    std::FILE* map = std::fopen("/proc/self/pagemap", "rb");
    int there = 0;
    int all = 0;
    for (std::uintptr_t at = first; at < end; at += page, ++all) {
        std::uint64_t entry = 0;
        std::fseek(map, static_cast<long>(at / page * 8), SEEK_SET);
        if (std::fread(&entry, 8, 1, map) == 1 && (entry >> 63) != 0) ++there;
    }
    std::fclose(map);
    return double(there) / all;
}

TEST_F(StoredPlay, TheReaderStaysAheadAndLetsGoOfTheRest) {
    const Source s = reach(store.get());
    const sound::AudioPtr& audio = s.sound->shared();
    sound::releaseMappedBut({});
    ASSERT_LT(shareInMemory(audio->channels[0], 200'000, 1'200'000), 0.01);
    ReadAhead reader(0);
    reader.need({{audio, Frames(480'000), Frames(720'000)}});
    ASSERT_TRUE(support::waitFor([&] { return shareInMemory(audio->channels[1], 480'000, 720'000) == 1; }));
    sound::fetch({audio->channels[0].data(), audio->channels[0].size() * sizeof(float)});
    ASSERT_TRUE(support::waitFor([&] { return shareInMemory(audio->channels[0], 760'000, 1'400'000) < 0.01; }));
    EXPECT_EQ(shareInMemory(audio->channels[0], 480'000, 720'000), 1);
    reader.need({});
    ASSERT_TRUE(support::waitFor([&] { return shareInMemory(audio->channels[0], 490'000, 710'000) < 0.01; }));
}

TEST_F(StoredPlay, APlayerHasInMemoryWhatComesNextAlsoAfterAJump) {
    auto output = std::make_unique<SimulatedOutput>(48000, SimulatedOutput::Pace::Asked, 1);
    SimulatedOutput& out = *output;
    Player player(
        std::move(output), [] {}, store.get());
    const Project p = projectOf(store.get(), 96);
    player.setProject(lay(p));
    ASSERT_TRUE(support::waitFor([&] {
        player.tick();
        return player.pendingRenders() == 0;
    }));
    player.play();
    player.tick();
    out.advance(4800);
    sound::releaseMappedBut({});
    const sound::Samples& samples = p.sources[0]->sound->audio.channels[0];
    player.locate(Beats(32)); // 20 s
    EXPECT_EQ(shareInMemory(samples, 960'000, 970'000), 1) << "before the callback asks for it";
    ASSERT_TRUE(support::waitFor([&] {
        player.tick();
        return shareInMemory(samples, 960'000, 1'080'000) == 1;
    }));
}

} // namespace
