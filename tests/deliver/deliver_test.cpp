#include "deliver/loops.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "sound/read.h"
#include "sound/tags.h"
#include "support/audio.h"
#include "support/files.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using namespace deliver;
using metre::Beats;
using metre::Bpm;

project::Project withLoops(const std::vector<std::string>& names, double bpm = 104) {
    project::Project p = *project::setTempo({}, Bpm(bpm));
    std::vector<project::Source> sources;
    for (const auto& n : names)
        sources.push_back(project::importFile(support::demoAudio(n), 48000)->source);
    auto added = project::addSources(p, std::move(sources));
    return project::placeSources(added.project, added.ids, {}, Beats(4))->project;
}

std::vector<std::string> namesOf(const std::vector<PlannedLoop>& plan) {
    std::vector<std::string> names;
    for (const auto& l : plan)
        names.push_back(l.file.filename());
    return names;
}

TEST(Plan, NamesFollowThePattern) {
    const auto p = withLoops({"winch_hands_112bpm.wav", "keel_bass_96.aiff"});
    const auto clips = project::allClips(p);
    const auto plan = [&](const std::string& pattern) {
        return namesOf(*planLoops(*project::lay(p), clips, {"/x", pattern}));
    };
    EXPECT_EQ(plan("{name}_{bpm}bpm_{key}"),
              (std::vector<std::string>{"winch_hands_104bpm.wav", "keel_bass_104bpm_Dm.wav"}));
    EXPECT_EQ(plan("{number} {track} {beats} beats"),
              (std::vector<std::string>{"01 winch_hands_112bpm 16 beats.wav", "02 keel_bass_96 8 beats.wav"}));
    EXPECT_EQ(plan("same"), (std::vector<std::string>{"same.wav", "same 2.wav"}));
    EXPECT_EQ(plan("../{name}/x"), (std::vector<std::string>{"_winch_hands_x.wav", "_keel_bass_x.wav"}));
    EXPECT_FALSE(planLoops(*project::lay(p), clips, {"/x", ""}));
    EXPECT_FALSE(planLoops(*project::lay(p), clips, {"/x", "{colour}"}));
    EXPECT_FALSE(planLoops(*project::lay(p), clips, {"/x", "{name"}));
}

// A tempo in the name of what was not stretched would be believed when it comes in again.
TEST(Plan, NoTempoAndNoKeyIsClaimedThatIsNotHeard) {
    auto p = withLoops({"winch_hands_112bpm.wav", "barge_bell.wav", "keel_bass_96.aiff"});
    const auto clips = project::allClips(p);
    const auto names = [&](const project::Project& q) {
        return namesOf(*planLoops(*project::lay(q), clips, {"/x", "{name}_{bpm}bpm_{key}"}));
    };
    EXPECT_EQ(names(p)[1], "barge_bell_D.wav");
    const auto placed = names(*project::setRule(p, {clips[0]}, project::TimeRule::Place));
    EXPECT_EQ(placed[0], "winch_hands_112bpm.wav") << "as recorded, and so is its name";
    EXPECT_EQ(names(p)[2], "keel_bass_104bpm_Dm.wav");
    EXPECT_EQ(names(*project::setMethod(p, {clips[2]}, stretch::Method::Tape))[2], "keel_bass_104bpm.wav")
        << "its pitch went with its speed";
    EXPECT_EQ(names(*project::setTranspose(p, {clips[2]}, 3))[2], "keel_bass_104bpm_Fm.wav");
    EXPECT_EQ(names(*project::setTranspose(p, {clips[2]}, 0.5))[2], "keel_bass_104bpm.wav");
}

TEST(Plan, WhatSoundsTheSameIsOneLoop) {
    auto p = withLoops({"rope_shaker_124.wav"});
    const auto source = p.sources[0]->id;
    const auto track = p.tracks[0]->id;
    for (const double beat : {12.0, 20.0})
        p = project::place(p, source, track, Beats(beat))->project;
    EXPECT_EQ(planLoops(*project::lay(p), project::allClips(p), {"/x", "{name}"})->size(), 1U);
    const auto last = project::allClips(p).back();
    p = *project::setGain(p, {last}, -3);
    EXPECT_EQ(planLoops(*project::lay(p), project::allClips(p), {"/x", "{name}"})->size(), 2U);
    p = *project::setTempoMap(p, *metre::TempoMap::make({{Beats(0), Bpm(104), metre::TempoPoint::Shape::Hold},
                                                         {Beats(12), Bpm(90), metre::TempoPoint::Shape::Hold}}));
    EXPECT_EQ(planLoops(*project::lay(p), project::allClips(p), {"/x", "{name}"})->size(), 3U);
}

TEST(Deliver, LengthsTempoAndLevelAreThoseOfTheProject) {
    const support::Folder folder;
    for (const double bpm : {104.0, 97.3, 128.0}) {
        auto p = withLoops({"winch_hands_112bpm.wav", "keel_bass_96.aiff", "rope_shaker_124.wav"}, bpm);
        p = *project::setGain(p, project::allClips(p), -6);
        const LoopOptions options{folder.path() / std::to_string(bpm), "{name}_{bpm}bpm"};
        const auto plan = planLoops(*project::lay(p), project::allClips(p), options);
        const Delivered out = deliverLoops(project::lay(p), *plan, options);
        EXPECT_TRUE(out.problems.empty());
        ASSERT_EQ(out.written.size(), 3U);
        const int beats[] = {16, 8, 8};
        for (std::size_t i = 0; i < 3; ++i) {
            const auto back = sound::read(out.written[i], 0);
            const auto start = std::llround(4 * 60 / bpm * 48000);
            EXPECT_EQ(back->audio.frames().value, std::llround((4 + beats[i]) * 60 / bpm * 48000) - start);
            EXPECT_NEAR(sound::readTags(out.written[i]).bpm->value, bpm, 1e-3);
            const auto source = sound::read(support::demoAudio(p.sources[i]->file.filename()), 48000);
            // Strokes further apart are as loud each, but fewer a second: between the two levels lies what is
            // right.
            const double fewer =
                10 * std::log10(double(source->audio.frames().value) / double(back->audio.frames().value));
            EXPECT_NEAR(support::rmsDb(back->audio), support::rmsDb(source->audio) - 6 + fewer / 2,
                        0.5 + std::abs(fewer) / 2);
        }
    }
}

TEST(Deliver, NothingIsReplacedUnasked) {
    const support::Folder folder;
    const auto p = withLoops({"rope_shaker_124.wav"});
    LoopOptions options{folder.path(), "{name}"};
    support::writeBytes(folder / "rope_shaker.wav", "mine");
    const auto plan = planLoops(*project::lay(p), project::allClips(p), options);
    EXPECT_TRUE(plan->front().exists);
    const Delivered refused = deliverLoops(project::lay(p), *plan, options);
    EXPECT_TRUE(refused.written.empty());
    ASSERT_EQ(refused.problems.size(), 1U);
    EXPECT_NE(refused.problems[0].find("rope_shaker.wav"), std::string::npos);
    EXPECT_EQ(support::readBytes(folder / "rope_shaker.wav"), "mine");
    options.existing = base::Existing::Replace;
    EXPECT_EQ(deliverLoops(project::lay(p), *plan, options).written.size(), 1U);
}

TEST(Deliver, OneThatCannotBeDoneDoesNotStopTheOthers) {
    const support::Folder folder;
    auto p = withLoops({"winch_hands_112bpm.wav", "rope_shaker_124.wav"});
    project::Source gone = *p.sources[0];
    gone.sound = nullptr;
    p.sources[0] = std::make_shared<const project::Source>(gone);
    const LoopOptions options{folder.path(), "{name}"};
    const Delivered out =
        deliverLoops(project::lay(p), *planLoops(*project::lay(p), project::allClips(p), options), options);
    EXPECT_EQ(out.written.size(), 1U);
    ASSERT_EQ(out.problems.size(), 1U);
    EXPECT_NE(out.problems[0].find("winch_hands"), std::string::npos);
}

TEST(Deliver, CancelledItLeavesNothingHalf) {
    const support::Folder folder;
    const auto p = withLoops({"winch_hands_112bpm.wav", "rope_shaker_124.wav"});
    const LoopOptions options{folder.path(), "{name}"};
    std::stop_source stop;
    base::Progress progress{[&](double f) {
                                if (f > 0.3) stop.request_stop();
                            },
                            stop.get_token()};
    const Delivered out = deliverLoops(project::lay(p), *planLoops(*project::lay(p), project::allClips(p), options),
                                       options, progress);
    EXPECT_LT(out.written.size(), 2U);
    for (const auto& e : std::filesystem::directory_iterator(folder.path()))
        EXPECT_TRUE(sound::read(e.path(), 0)) << e.path();
}

TEST(Deliver, OverAChangingTempoNoTempoIsClaimed) {
    const support::Folder folder;
    auto p = withLoops({"winch_hands_112bpm.wav"});
    p = *project::setTempoMap(p, *metre::TempoMap::make({{Beats(0), Bpm(104), metre::TempoPoint::Shape::Ramp},
                                                         {Beats(40), Bpm(112), metre::TempoPoint::Shape::Hold}}));
    const LoopOptions options{folder.path(), "{name}"};
    const Delivered out =
        deliverLoops(project::lay(p), *planLoops(*project::lay(p), project::allClips(p), options), options);
    ASSERT_EQ(out.written.size(), 1U);
    EXPECT_FALSE(sound::readTags(out.written[0]).bpm);
}

} // namespace
