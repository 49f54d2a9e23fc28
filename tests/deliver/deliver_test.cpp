#include "deliver/deliver.h"
#include "deliver/mixdown.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "sound/loudness.h"
#include "sound/read.h"
#include "sound/tags.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/small_disk.h"

#include <algorithm>
#include <cmath>
#include <gtest/gtest.h>
#include <set>

namespace {

using namespace deliver;
using metre::Beats;
using metre::Bpm;
using metre::Frames;
using metre::Seconds;

project::Project withLoops(const std::vector<std::string>& names, double bpm = 104) {
    project::Project p = *project::setTempo({}, Bpm(bpm));
    std::vector<project::Source> sources;
    for (const auto& n : names)
        sources.push_back(project::importFile(support::demoAudio(n), 48000)->source);
    auto added = project::addSources(p, std::move(sources));
    return project::placeSources(added.project, added.ids, {}, Beats(4))->project;
}

// An order of loops.
Order loops(const std::filesystem::path& folder, const std::string& pattern = usualPattern) {
    Order order;
    order.folder = folder;
    order.pattern = pattern;
    return order;
}
Result<std::vector<Planned>> planLoops(const project::Laid& laid, const std::vector<project::ClipId>& clips,
                                       Order order) {
    order.clips = clips;
    return plan(laid, order);
}

std::vector<std::string> namesOf(const std::vector<Planned>& files) {
    std::vector<std::string> names;
    for (const auto& l : files)
        names.push_back(l.file.filename());
    return names;
}

TEST(Plan, NamesFollowThePattern) {
    const auto p = withLoops({"winch_hands_112bpm.wav", "keel_bass_96.aiff"});
    const auto clips = project::allClips(p);
    const auto plan = [&](const std::string& pattern) {
        return namesOf(*planLoops(*project::lay(p), clips, loops("/x", pattern)));
    };
    EXPECT_EQ(plan("{name}_{bpm}bpm_{key}"),
              (std::vector<std::string>{"winch_hands_104bpm.wav", "keel_bass_104bpm_Dm.wav"}));
    EXPECT_EQ(plan("{number} {track} {beats} beats"),
              (std::vector<std::string>{"01 winch_hands_112bpm 16 beats.wav", "02 keel_bass_96 8 beats.wav"}));
    EXPECT_EQ(plan("same"), (std::vector<std::string>{"same.wav", "same 2.wav"}));
    EXPECT_EQ(plan("../{name}/x"), (std::vector<std::string>{"_winch_hands_x.wav", "_keel_bass_x.wav"}));
    EXPECT_FALSE(planLoops(*project::lay(p), clips, loops("/x", "")));
    EXPECT_FALSE(planLoops(*project::lay(p), clips, loops("/x", "{colour}")));
    EXPECT_FALSE(planLoops(*project::lay(p), clips, loops("/x", "{name")));
}

// A tempo in the name of what was not stretched would be believed when it comes in again.
TEST(Plan, NoTempoAndNoKeyIsClaimedThatIsNotHeard) {
    auto p = withLoops({"winch_hands_112bpm.wav", "barge_bell.wav", "keel_bass_96.aiff"});
    const auto clips = project::allClips(p);
    const auto names = [&](const project::Project& q) {
        return namesOf(*planLoops(*project::lay(q), clips, loops("/x", "{name}_{bpm}bpm_{key}")));
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
    EXPECT_EQ(planLoops(*project::lay(p), project::allClips(p), loops("/x", "{name}"))->size(), 1U);
    const auto last = project::allClips(p).back();
    p = *project::setGain(p, {last}, -3);
    EXPECT_EQ(planLoops(*project::lay(p), project::allClips(p), loops("/x", "{name}"))->size(), 2U);
    p = *project::setTempoMap(p, *metre::TempoMap::make({{Beats(0), Bpm(104), metre::TempoPoint::Shape::Hold},
                                                         {Beats(12), Bpm(90), metre::TempoPoint::Shape::Hold}}));
    EXPECT_EQ(planLoops(*project::lay(p), project::allClips(p), loops("/x", "{name}"))->size(), 3U);
}

TEST(Deliver, LengthsTempoAndLevelAreThoseOfTheProject) {
    const support::Folder folder;
    for (const double bpm : {104.0, 97.3, 128.0}) {
        auto p = withLoops({"winch_hands_112bpm.wav", "keel_bass_96.aiff", "rope_shaker_124.wav"}, bpm);
        p = *project::setGain(p, project::allClips(p), -6);
        const Order options = loops(folder.path() / std::to_string(bpm), "{name}_{bpm}bpm");
        const auto plan = planLoops(*project::lay(p), project::allClips(p), options);
        const Delivered out = deliver::deliver(project::lay(p), *plan, options);
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
    Order options = loops(folder.path(), "{name}");
    support::writeBytes(folder / "rope_shaker.wav", "mine");
    const auto plan = planLoops(*project::lay(p), project::allClips(p), options);
    EXPECT_TRUE(plan->front().exists);
    const Delivered refused = deliver::deliver(project::lay(p), *plan, options);
    EXPECT_TRUE(refused.written.empty());
    ASSERT_EQ(refused.problems.size(), 1U);
    EXPECT_NE(refused.problems[0].find("rope_shaker.wav"), std::string::npos);
    EXPECT_EQ(support::readBytes(folder / "rope_shaker.wav"), "mine");
    options.existing = base::Existing::Replace;
    EXPECT_EQ(deliver::deliver(project::lay(p), *plan, options).written.size(), 1U);
}

TEST(Deliver, OneThatCannotBeDoneDoesNotStopTheOthers) {
    const support::Folder folder;
    auto p = withLoops({"winch_hands_112bpm.wav", "rope_shaker_124.wav"});
    project::Source gone = *p.sources[0];
    gone.sound = nullptr;
    p.sources.altered()[0] = std::make_shared<const project::Source>(gone);
    const Order options = loops(folder.path(), "{name}");
    const Delivered out =
        deliver::deliver(project::lay(p), *planLoops(*project::lay(p), project::allClips(p), options), options);
    EXPECT_EQ(out.written.size(), 1U);
    ASSERT_EQ(out.problems.size(), 1U);
    EXPECT_NE(out.problems[0].find("winch_hands"), std::string::npos);
}

TEST(Deliver, CancelledItLeavesNothingHalf) {
    const support::Folder folder;
    const auto p = withLoops({"winch_hands_112bpm.wav", "rope_shaker_124.wav"});
    const Order options = loops(folder.path(), "{name}");
    std::stop_source stop;
    base::Progress progress{[&](double f) {
                                if (f > 0.3) stop.request_stop();
                            },
                            stop.get_token()};
    const Delivered out = deliver::deliver(
        project::lay(p), *planLoops(*project::lay(p), project::allClips(p), options), options, progress);
    EXPECT_LT(out.written.size(), 2U);
    for (const auto& e : std::filesystem::directory_iterator(folder.path()))
        EXPECT_TRUE(sound::read(e.path(), 0)) << e.path();
}

TEST(Deliver, OverAChangingTempoNoTempoIsClaimed) {
    const support::Folder folder;
    auto p = withLoops({"winch_hands_112bpm.wav"});
    p = *project::setTempoMap(p, *metre::TempoMap::make({{Beats(0), Bpm(104), metre::TempoPoint::Shape::Ramp},
                                                         {Beats(40), Bpm(112), metre::TempoPoint::Shape::Hold}}));
    const Order options = loops(folder.path(), "{name}");
    const Delivered out =
        deliver::deliver(project::lay(p), *planLoops(*project::lay(p), project::allClips(p), options), options);
    ASSERT_EQ(out.written.size(), 1U);
    EXPECT_FALSE(sound::readTags(out.written[0]).bpm);
}

// Two tracks with gain and pan, a fade, a tempo that changes, and one that is muted.
project::Project arranged() {
    auto p = withLoops({"winch_hands_112bpm.wav", "keel_bass_96.aiff", "rope_shaker_124.wav"});
    p = *project::setTempoMap(p, *metre::TempoMap::make({{Beats(0), Bpm(104), metre::TempoPoint::Shape::Ramp},
                                                         {Beats(12), Bpm(110), metre::TempoPoint::Shape::Hold}}));
    p = *project::setFadeOut(p, {project::allClips(p)[0]}, {Seconds(0.5)});
    p = *project::setPan(p, p.tracks[0]->id, -0.5);
    p = *project::setTrackGain(p, p.tracks[1]->id, -9);
    return *project::setMute(p, p.tracks[2]->id, true);
}

sound::Audio heard(const std::filesystem::path& file) {
    auto read = sound::read(file, 0);
    EXPECT_TRUE(read.has_value()) << file;
    return read ? std::move(read->audio) : sound::Audio{};
}

TEST(Deliver, StemsAreOfOneLengthAndAddUpToTheMix) {
    const support::Folder folder;
    const auto laid = project::lay(arranged());
    Order order;
    order.what = {What::Stems, What::Mix};
    order.folder = folder.path();
    order.title = "canal";
    const auto files = plan(*laid, order);
    ASSERT_TRUE(files.has_value());
    // The muted track is not heard, and makes no stem.
    EXPECT_EQ(namesOf(*files), (std::vector<std::string>{"canal_stem_01_winch_hands_112bpm.wav",
                                                         "canal_stem_02_keel_bass_96.wav", "canal_mix.wav"}));
    const Delivered out = deliver::deliver(laid, *files, order);
    EXPECT_TRUE(out.problems.empty()) << out.problems.front();
    ASSERT_EQ(out.written.size(), 3U);
    const auto one = heard(files->at(0).file);
    const auto two = heard(files->at(1).file);
    const auto mix = heard(files->at(2).file);
    // From bar 1 to the end of the last bar in which something sounds: five bars.
    const auto length = metre::toFrames(laid->project().tempo.secondsAt(Beats(20)), 48000);
    EXPECT_EQ(one.frames(), length);
    EXPECT_EQ(two.frames(), length);
    EXPECT_EQ(mix.frames(), length);
    double worst = 0;
    double loudest = 0;
    for (std::size_t c = 0; c < 2; ++c)
        for (std::size_t i = 0; i < mix.channels[c].size(); ++i) {
            worst = std::max(worst, std::abs(double(one.channels[c][i]) + two.channels[c][i] - mix.channels[c][i]));
            loudest = std::max(loudest, std::abs(double(mix.channels[c][i])));
        }
    EXPECT_GT(loudest, 0.1);
    EXPECT_LE(worst, 2.0 / (1 << 23)); // each rounded once: within one step of 24 bits
    // Nothing before the clips begin, at beat 4.
    EXPECT_EQ(
        support::energy(mix, 0, metre::toFrames(laid->project().tempo.secondsAt(Beats(4)), 48000).value - 100), 0);
}

TEST(Deliver, ARangeWithATailIsWhatItSays) {
    const support::Folder folder;
    const auto laid = project::lay(arranged());
    Order order;
    order.what = {What::Mix, What::Click};
    order.folder = folder.path();
    order.fromBar = 2;
    order.toBar = 3;
    order.tail = Seconds(0.25);
    const Delivered out = deliver::deliver(laid, *plan(*laid, order), order);
    ASSERT_EQ(out.written.size(), 2U) << out.problems.front();
    const auto& tempo = laid->project().tempo;
    const auto first = metre::toFrames(tempo.secondsAt(Beats(4)), 48000);
    const auto last = metre::toFrames(tempo.secondsAt(Beats(12)) + Seconds(0.25), 48000);
    const auto part = heard(out.written[0]);
    const auto click = heard(out.written[1]);
    EXPECT_EQ(part.frames(), last - first);
    EXPECT_EQ(click.frames(), last - first);
    EXPECT_GT(support::energy(click, 0, 200), 0); // bar 2 begins with a stroke
    order.toBar.reset();
    order.fromBar.reset();
    const support::Folder whole;
    order.folder = whole.path();
    order.what = {What::Mix};
    const auto all = heard(deliver::deliver(laid, *plan(*laid, order), order).written[0]);
    for (std::int64_t i = 0; i < (last - first).value - 12000; ++i)
        ASSERT_EQ(part.channels[0][std::size_t(i)], all.channels[0][std::size_t(i + first.value)]) << i;
    order.fromBar = 7;
    order.toBar = 5;
    EXPECT_FALSE(plan(*laid, order));
    order.fromBar = 1;
    order.toBar = 200000;
    EXPECT_FALSE(plan(*laid, order)); // more than a day
}

TEST(Deliver, ALoopHasItsFadesAndChannelsButNotItsTracksPlace) {
    const support::Folder folder;
    auto p = withLoops({"winch_hands_112bpm.wav"});
    const auto clip = project::allClips(p).front();
    p = *project::setFadeOut(p, {clip}, {Seconds(1), project::Fade::Shape::Linear});
    p = *project::setPan(p, p.tracks[0]->id, -1);
    p = *project::setTrackGain(p, p.tracks[0]->id, -20);
    Order order = loops(folder.path(), "plain");
    order.clips = {clip};
    order.depth = sound::Depth::Float32;
    auto laid = project::lay(p);
    const auto plain = heard(deliver::deliver(laid, *plan(*laid, order), order).written.at(0));
    const auto end = plain.frames().value;
    EXPECT_GT(support::energy(plain, 0, end / 2), 0);
    EXPECT_NE(plain.channels[1][std::size_t(end / 2)], 0); // not panned away
    // Swapped, left is right; and half way through the fade it is half as loud.
    p = *project::setChannels(p, {clip}, project::Channels::Swapped);
    p = *project::setFadeOut(p, {clip}, {});
    laid = project::lay(p);
    order.pattern = "swapped";
    const auto swapped = heard(deliver::deliver(laid, *plan(*laid, order), order).written.at(0));
    EXPECT_EQ(swapped.channels[0][1000], plain.channels[1][1000]);
    for (std::int64_t i = end - 30000; i < end; i += 1000)
        EXPECT_NEAR(plain.channels[1][std::size_t(i)],
                    swapped.channels[0][std::size_t(i)] * double(end - i) / 48000, 1e-4);
}

// Brought in again it says of itself what it is, and fitted to the same tempo it is the same, bit for bit.
TEST(Deliver, ALoopBroughtInAgainIsKnownAndUnchanged) {
    for (const sound::FileKind kind : {sound::FileKind::Wav, sound::FileKind::Aiff, sound::FileKind::Flac}) {
        const support::Folder folder;
        auto first = withLoops({"keel_bass_96.aiff"});
        // Where it lies decides to which frame its length is rounded.
        first = *project::moveClips(first, project::allClips(first), Beats(-4), 0);
        Order order = loops(folder.path(), "again");
        order.kind = kind;
        order.clips = project::allClips(first);
        auto laid = project::lay(first);
        const auto file = deliver::deliver(laid, *plan(*laid, order), order).written.at(0);
        const auto back = project::importFile(file, 48000);
        ASSERT_TRUE(back.has_value());
        const project::Source& source = back->source;
        EXPECT_EQ(source.chosen, hear::Witness::Tag) << sound::kindWord(kind);
        ASSERT_TRUE(source.beats.has_value());
        EXPECT_NEAR(source.beats->meanTempo().value, 104, 1e-6);
        EXPECT_EQ(source.wholeBeats(), 8);
        ASSERT_TRUE(source.key.has_value());
        EXPECT_EQ(hear::keyTag(*source.key), "Dm");
        const auto added = project::addSources(*project::setTempo({}, Bpm(104)), {source});
        const auto second = project::placeSources(added.project, added.ids, {}, Beats(0));
        const support::Folder next;
        order.folder = next.path();
        order.clips = second->clips;
        laid = project::lay(second->project);
        const auto again = deliver::deliver(laid, *plan(*laid, order), order).written.at(0);
        const auto a = heard(file);
        const auto b = heard(again);
        ASSERT_EQ(a.frames(), b.frames());
        for (std::size_t c = 0; c < a.channels.size(); ++c)
            for (std::size_t i = 0; i < a.channels[c].size(); ++i)
                ASSERT_EQ(a.channels[c][i], b.channels[c][i]) << sound::kindWord(kind) << " " << i;
    }
}

TEST(Deliver, LevelsAreBroughtWhereTheyAreAskedFor) {
    const support::Folder folder;
    auto p = withLoops({"winch_hands_112bpm.wav", "keel_bass_96.aiff"});
    p = *project::setGain(p, project::allClips(p), 9);
    const auto laid = project::lay(p);
    Order order;
    order.what = {What::Stems, What::Mix};
    order.folder = folder.path() / "higher";
    order.depth = sound::Depth::Float32;
    order.level = Level::NoHigher;
    const auto peakOf = [](const std::filesystem::path& file) { return *sound::truePeak(heard(file)); };
    const Delivered out = deliver::deliver(laid, *plan(*laid, order), order);
    ASSERT_EQ(out.written.size(), 3U);
    EXPECT_NEAR(peakOf(out.written[2]), -1, 0.1);
    // One gain for all: they still add up.
    const auto one = heard(out.written[0]);
    const auto two = heard(out.written[1]);
    const auto mix = heard(out.written[2]);
    for (std::size_t i = 0; i < mix.channels[0].size(); i += 777)
        EXPECT_NEAR(one.channels[0][i] + two.channels[0][i], mix.channels[0][i], 1e-6);
    order.folder = folder.path() / "loud";
    order.what = {What::Mix};
    order.level = Level::Loudness;
    order.lufs = -23;
    const auto quiet = deliver::deliver(laid, *plan(*laid, order), order).written.at(0);
    EXPECT_NEAR(*sound::integratedLoudness({std::make_shared<const sound::Audio>(heard(quiet))}), -23, 0.1);
    order.folder = folder.path() / "peak";
    order.what = {What::Loops};
    order.clips = project::allClips(p);
    order.level = Level::Peak;
    order.peakDb = -3;
    for (const auto& file : deliver::deliver(laid, *plan(*laid, order), order).written)
        EXPECT_NEAR(peakOf(file), -3, 0.1);
}

TEST(Deliver, NamesCollideNowhere) {
    auto p = withLoops({"keel_bass_96.aiff", "winch_hands_112bpm.wav"});
    const auto laid = project::lay(p);
    Order order = loops("/x", "Same");
    order.clips = project::allClips(p);
    order.what = {What::Loops, What::Stems, What::Mix, What::Click, What::Map, What::Proof};
    order.title = "a/b:c" + std::string(400, 'x');
    const auto files = plan(*laid, order);
    ASSERT_TRUE(files.has_value());
    std::set<std::string> names;
    for (const Planned& file : *files) {
        EXPECT_TRUE(names.insert(file.file.filename().string()).second) << file.file;
        EXPECT_LT(file.file.filename().string().size(), 240U);
        EXPECT_EQ(file.file.filename().string().find('/'), std::string::npos);
    }
    DifferentNames different;
    EXPECT_EQ(different.different("Hands"), "Hands");
    EXPECT_EQ(different.different("hands"), "hands 2"); // one file where case does not count
    EXPECT_EQ(safeName("..."), "loop");
    EXPECT_EQ(safeName("a\tb?"), "a_b");
}

TEST(Deliver, WhatIsNotThereIsSaid) {
    const project::Project empty;
    Order order;
    for (const What what : allWhat()) {
        order.what = {what};
        order.folder = "/x";
        const auto files = plan(*project::lay(empty), order);
        ASSERT_FALSE(files.has_value()) << whatWord(what);
        EXPECT_NE(files.error().text.find("nothing"), std::string::npos) << files.error().text;
    }
}

TEST(Deliver, AFolderThatCannotBeMadeIsNamed) {
    const support::Folder folder;
    support::writeBytes(folder / "file", "x");
    const auto p = withLoops({"rope_shaker_124.wav"});
    const auto laid = project::lay(p);
    Order order = loops(folder / "file" / "deeper");
    order.clips = project::allClips(p);
    const Delivered out = deliver::deliver(laid, *plan(*laid, order), order);
    EXPECT_TRUE(out.written.empty());
    ASSERT_EQ(out.problems.size(), 1U);
    EXPECT_NE(out.problems[0].find("deeper"), std::string::npos);
}

TEST(Deliver, TheProofIsAPageAndATable) {
    const support::Folder folder;
    auto p = withLoops({"winch_hands_112bpm.wav", "reed_drone_D.wav"});
    p = *project::setName(p, {project::allClips(p)[0]}, "<hands>, \"both\"");
    const auto laid = project::lay(p);
    Order order;
    order.what = {What::Proof};
    order.folder = folder.path();
    order.title = "canal";
    const Delivered out = deliver::deliver(laid, *plan(*laid, order), order);
    ASSERT_EQ(out.written.size(), 2U);
    const std::string page = support::readBytes(folder / "canal_proof.html");
    EXPECT_NE(page.find("&lt;hands&gt;, &quot;both&quot;"), std::string::npos);
    EXPECT_NE(page.find("<svg"), std::string::npos);
    EXPECT_NE(page.find("in time"), std::string::npos);
    EXPECT_NE(page.find("unread"), std::string::npos);
    // Nothing from elsewhere.
    for (const char* outside : {"http", "<script", "<link", "<img", "@import", "url("})
        EXPECT_EQ(page.find(outside), std::string::npos) << outside;
    const std::string table = support::readBytes(folder / "canal_proof.csv");
    EXPECT_NE(table.find("\"<hands>, \"\"both\"\"\""), std::string::npos);
    EXPECT_EQ(std::count(table.begin(), table.end(), '\n'), 3);
    EXPECT_EQ(table.find("track,clip,at,tempo"), 0U);
}

// A disk that fills: what does not fit is named, what fits is whole, and nothing half is left.
TEST(Deliver, OnADiskThatFillsOnlyWholeFilesAppear) {
    const support::SmallDisk disk;
    const auto laid = project::lay(arranged());
    Order order;
    order.folder = disk.folder() / "out";
    order.what = {What::Loops, What::Stems, What::Mix, What::Proof};
    order.clips = project::allClips(laid->project());
    order.depth = sound::Depth::Float32;
    const auto files = plan(*laid, order);
    const Delivered out = deliver::deliver(laid, *files, order);
    if (disk.isMounted()) {
        EXPECT_LT(out.written.size(), files->size());
        ASSERT_FALSE(out.problems.empty());
        EXPECT_NE(out.problems.back().find("disk is full"), std::string::npos) << out.problems.back();
    }
    for (const auto& entry : std::filesystem::directory_iterator(order.folder)) {
        EXPECT_NE(std::find(out.written.begin(), out.written.end(), entry.path()), out.written.end())
            << entry.path();
        if (entry.path().extension() == ".wav") {
            EXPECT_TRUE(sound::read(entry.path(), 0).has_value());
        }
    }
}

} // namespace
