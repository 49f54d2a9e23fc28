#include "play/engine.h"
#include "play/player.h"
#include "play/simulated_output.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/save.h"
#include "support/audio.h"
#include "support/files.h"
#include "support/wait.h"

#include <cmath>
#include <gtest/gtest.h>

namespace {

using namespace play;
using metre::Bpm;
using metre::Seconds;
using Pace = SimulatedOutput::Pace;

std::vector<float> processed(Engine& e, int n, int block = 256) {
    std::vector<float> out(static_cast<std::size_t>(2 * n));
    for (int at = 0; at < n; at += block)
        e.process(out.data() + 2 * at, std::min(block, n - at));
    return out;
}

ScenePtr ramp(double bpm, bool loop = false) {
    // A clip whose samples tell their own position.
    auto scene = std::make_shared<mix::Scene>();
    scene->tempo = metre::TempoMap(Bpm(bpm));
    auto audio = std::make_shared<sound::Audio>(48000, 1, Frames(480000));
    for (std::size_t i = 0; i < 480000; ++i)
        audio->channels[0][i] = static_cast<float>(i) / 480000;
    scene->clips.push_back(mix::soundAt(Frames(0), audio));
    scene->loop = loop;
    scene->loopFrom = Beats(1);
    scene->loopTo = Beats(2);
    return scene;
}

TEST(Engine, PlaysFromWhereItIsAndStops) {
    Engine e;
    e.setScene(ramp(120));
    EXPECT_FALSE(e.isPlaying());
    for (const float s : processed(e, 512))
        EXPECT_EQ(s, 0.0F);
    e.locate(Beats(2));
    e.play();
    const auto out = processed(e, 1024);
    EXPECT_TRUE(e.isPlaying());
    EXPECT_NEAR(out[2 * 1000], (48000 + 1000) / 480000.0, 1e-6);
    EXPECT_EQ(out[2 * 1000], out[2 * 1000 + 1]) << "a mono clip sounds on both sides";
    EXPECT_NEAR(e.position().value, 2 + 1024 / 24000.0, 1e-9);
    e.stop();
    processed(e, 1024);
    EXPECT_FALSE(e.isPlaying());
    for (const float s : processed(e, 256))
        EXPECT_EQ(s, 0.0F);
}

TEST(Engine, TheLoopGoesRoundToTheFrame) {
    Engine e;
    e.setScene(ramp(120, true));
    e.locate(Beats(1));
    e.play();
    const auto out = processed(e, 60000);
    EXPECT_NEAR(out[2 * 23999], (24000 + 23999) / 480000.0, 1e-6);
    // The clip goes on across both edges, and crosses over; after that the place is exact to the frame.
    for (const std::size_t round : {24000U, 48000U}) {
        EXPECT_NEAR(out[2 * (round + 256)], (24000 + 256) / 480000.0, 1e-6);
        for (std::size_t i = round - 10; i < round + 300; ++i)
            ASSERT_LT(std::abs(out[2 * i] - out[2 * i - 2]), 0.0005F) << i - round;
    }
}

// A clip that ends with the loop range and begins with it is no jump: it goes round as it is, attack and all.
TEST(Engine, WhatFillsTheLoopRangeGoesRoundBitForBit) {
    for (const int block : {32, 77, 256, 1001, 4096}) {
        Engine e;
        auto scene = std::make_shared<mix::Scene>();
        scene->tempo = metre::TempoMap(Bpm(120));
        const auto audio = std::make_shared<sound::Audio>(support::noise(0.5));
        scene->clips.push_back(mix::soundAt(Frames(24000), audio));
        scene->loop = true;
        scene->loopFrom = Beats(1);
        scene->loopTo = Beats(2);
        e.setScene(scene);
        e.locate(Beats(1));
        e.play();
        const auto out = processed(e, 4 * 24000, block);
        for (std::size_t i = 256; i < 4 * 24000; ++i)
            ASSERT_EQ(out[2 * i], audio->channels[0][i % 24000]) << i << " with blocks of " << block;
    }
}

// However the output asks, the same is heard.
TEST(Engine, BlocksOfAnySizeGiveTheSame) {
    const auto play = [](int block) {
        Engine e;
        auto scene = std::make_shared<mix::Scene>(*ramp(120, true));
        scene->click = mix::clickAt(48000);
        e.setScene(scene);
        e.locate(Beats(1.5));
        e.play();
        return processed(e, 50000, block);
    };
    const auto whole = play(4096);
    for (const int block : {32, 33, 100, 255, 256, 257, 512, 1023}) {
        const auto parts = play(block);
        for (std::size_t i = 0; i < whole.size(); ++i)
            ASSERT_NEAR(parts[i], whole[i], 1e-6) << i / 2 << " with blocks of " << block;
    }
}

TEST(Engine, ChangesThatFollowEachOtherWithinOneCrossingMakeNoClick) {
    const auto flat = [](float level) {
        auto scene = std::make_shared<mix::Scene>();
        auto audio = std::make_shared<sound::Audio>(48000, 1, Frames(480000));
        std::fill(audio->channels[0].begin(), audio->channels[0].end(), level);
        scene->clips.push_back(mix::soundAt(Frames(0), audio));
        return scene;
    };
    for (const int block : {32, 33, 64, 127, 255, 512, 4096}) {
        Engine e;
        e.setScene(flat(0.5F));
        e.play();
        std::vector<float> all = processed(e, 4096, block);
        for (const float level : {-0.5F, 0.4F, -0.3F, 0.2F, 0.5F}) {
            e.setScene(flat(level));
            for (const float s : processed(e, block, block))
                all.push_back(s);
        }
        e.locate(Beats(1));
        e.stop();
        for (const float s : processed(e, 8192, block))
            all.push_back(s);
        for (std::size_t i = 2; i < all.size(); ++i)
            ASSERT_LT(std::abs(all[i] - all[i - 2]), 0.01F) << i / 2 << " with blocks of " << block;
        EXPECT_EQ(all.back(), 0.0F);
        EXPECT_EQ(e.ordersDone(), e.ordersGiven());
    }
}

TEST(Engine, AnotherTempoKeepsTheBarPosition) {
    Engine e;
    e.setScene(ramp(120));
    e.locate(Beats(7));
    e.play();
    processed(e, 512);
    const double before = e.position().value;
    e.setScene(ramp(60));
    processed(e, 256);
    EXPECT_NEAR(e.position().value, before + 256 / 48000.0, 1e-5);
}

TEST(Engine, ChangesCrossOverWithoutAJump) {
    Engine e;
    const auto flat = [](float level) {
        auto scene = std::make_shared<mix::Scene>();
        auto audio = std::make_shared<sound::Audio>(48000, 1, Frames(480000));
        for (float& s : audio->channels[0])
            s = level;
        scene->clips.push_back(mix::soundAt(Frames(0), audio));
        return scene;
    };
    e.setScene(flat(0.5F));
    e.play();
    std::vector<float> all = processed(e, 2048);
    e.setScene(flat(-0.5F));
    e.setScene(flat(0.3F)); // two at once: what never sounded is not crossed over to
    for (const float s : processed(e, 2048))
        all.push_back(s);
    e.stop();
    for (const float s : processed(e, 1024))
        all.push_back(s);
    for (std::size_t i = 2; i < all.size(); ++i)
        ASSERT_LT(std::abs(all[i] - all[i - 2]), 0.01F) << i / 2;
    EXPECT_EQ(all.back(), 0.0F);
}

TEST(Engine, TheClickFallsOnEveryBeatAndBrightestOnTheFirst) {
    Engine e;
    auto scene = std::make_shared<mix::Scene>();
    scene->tempo = metre::TempoMap(Bpm(100));
    scene->metre = metre::MetreMap({3, 4});
    scene->click = mix::clickAt(48000);
    e.setScene(scene);
    e.play();
    const auto out = processed(e, 48000 * 4);
    const auto onset = [&](double beat) {
        const auto at = static_cast<std::int64_t>(std::llround(beat * 28800));
        double before = 0;
        double after = 0;
        for (std::int64_t i = 1; i <= 200; ++i) {
            if (at - i >= 0)
                before = std::max(before, double(std::abs(out[static_cast<std::size_t>(2 * (at - i))])));
            after = std::max(after, double(std::abs(out[static_cast<std::size_t>(2 * (at + i))])));
        }
        EXPECT_LT(before, 0.01) << beat;
        return after;
    };
    for (const int beat : {3, 6})
        EXPECT_GT(onset(beat), 0.35);
    for (const int beat : {1, 2, 4, 5}) {
        EXPECT_GT(onset(beat), 0.2);
        EXPECT_LT(onset(beat), 0.35);
    }
}

TEST(Engine, PeaksAreThoseOfTheOutput) {
    Engine e;
    e.setScene(ramp(120));
    e.locate(Beats(10));
    e.play();
    const auto out = processed(e, 4096);
    EXPECT_EQ(e.takePeak(0), *std::max_element(out.begin(), out.end()));
    EXPECT_EQ(e.takePeak(0), 0.0F);
}

project::Project demo() {
    static const project::Project p = project::loadProject(support::demoFolder())->project;
    return p;
}

void tickUntil(Player& player, const std::function<bool()>& done) {
    ASSERT_TRUE(support::waitFor([&] {
        if (done()) return true;
        player.tick();
        return false;
    }));
}

struct Stage {
    SimulatedOutput* out;
    std::unique_ptr<Player> player;
    explicit Stage(Pace pace = Pace::Asked) {
        auto output = std::make_unique<SimulatedOutput>(48000, pace, 30);
        out = output.get();
        player = std::make_unique<Player>(std::move(output), [] {});
    }
};

TEST(Player, RendersTheDemoAndPlaysItInTime) {
    Stage s;
    s.player->setProject(project::lay(demo()));
    tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
    s.player->tick();
    s.player->locate(demo().metre.startOfBar(3));
    s.player->play();
    s.out->advance(48000 * 5);
    const auto played = s.out->taken();
    double sum = 0;
    for (const float x : played)
        sum += double(x) * x;
    EXPECT_GT(10 * std::log10(sum / double(played.size())), -40);
    for (const float x : played)
        ASSERT_LT(std::abs(x), 1.0F) << "the demo must not be over full scale";
}

TEST(Player, AChangeOfTempoIsHeardWithinAQuarterOfASecond) {
    Stage s(Pace::RealTime);
    project::Project p = demo();
    s.player->setProject(project::lay(p));
    tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
    s.player->locate(Beats(24));
    s.player->play();
    const auto startOfMusic = s.out->framesPlayed();
    tickUntil(*s.player, [&] { return s.out->framesPlayed() > startOfMusic + 9600; });
    const double before = s.player->position().value;
    s.player->setProject(project::lay(*project::setTempo(p, Bpm(120))));
    const auto changed = s.out->framesPlayed();
    // What is heard changes with the speed at which the position runs: measured in frames played, not by the clock.
    double lastBeat = s.player->position().value;
    std::int64_t lastFrame = changed;
    std::int64_t heard = 0;
    tickUntil(*s.player, [&] {
        const auto frame = s.out->framesPlayed();
        if (frame < lastFrame + 960) return false;
        const double beat = s.player->position().value;
        const double bpm = (beat - lastBeat) / (double(frame - lastFrame) / 48000) * 60;
        lastBeat = beat;
        lastFrame = frame;
        if (bpm > 115) heard = frame;
        return heard != 0;
    });
    RecordProperty("milliseconds", static_cast<int>((heard - changed) / 48));
    printf("another tempo was heard after %d ms\n", static_cast<int>((heard - changed) / 48));
    EXPECT_GE(s.player->position().value, before);
    EXPECT_LT(s.player->position().value, before + 4) << "the bar position was kept";
    // The wait itself is bounded by the player; a loaded machine may add to it.
    EXPECT_LT(heard - changed, 48000 * 2);
}

TEST(Player, AnotherMethodPlaysOnUntilItIsReady) {
    Stage s;
    project::Project p = demo();
    s.player->setProject(project::lay(p));
    tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
    s.player->tick();
    s.player->locate(Beats(8));
    s.player->play();
    s.out->advance(4800);
    p = *project::setMethod(p, project::allClips(p), stretch::Method::Tape);
    s.player->setProject(project::lay(p)); // nothing of it is rendered yet
    s.out->advance(4800);
    const auto played = s.out->taken();
    double sum = 0;
    for (std::size_t i = played.size() - 9600; i < played.size(); ++i)
        sum += std::abs(played[i]);
    EXPECT_GT(sum / 9600, 1e-4) << "no hole while the new rendering is made";
}

TEST(Player, MissingAudioIsTold) {
    Stage s;
    project::Project p = demo();
    project::Source gone = *p.sources[0];
    gone.sound = nullptr;
    p.sources.altered()[0] = std::make_shared<const project::Source>(gone);
    s.player->setProject(project::lay(p));
    EXPECT_NE(s.player->problemWith(p.tracks[0]->clips[0].id).find("missing"), std::string::npos);
}

TEST(Player, MutedAndSoloedTracks) {
    Stage s;
    project::Project p = demo();
    for (const auto& t : demo().tracks)
        p = *project::setMute(p, t->id, true);
    s.player->setProject(project::lay(p));
    tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
    s.player->locate(Beats(24));
    s.player->play();
    s.out->advance(48000);
    for (const float x : s.out->taken())
        ASSERT_EQ(x, 0.0F);
}

// One track with one clip of this sound, stretched from 100 to the demo's tempo.
project::Project projectOf(const sound::Audio& audio, stretch::Method method,
                           const std::vector<Frames>& attacks = {}) {
    project::Project p = demo();
    project::Source source = *p.sources[0];
    std::vector<hear::Onset> onsets;
    for (const Frames at : attacks)
        onsets.push_back({at, 1});
    source.sound = std::make_shared<const project::Sound>(audio, onsets);
    source.content = "made for a test";
    source.beats = metre::BeatMap(Bpm(100), metre::Seconds(0));
    project::Clip clip = p.tracks[0]->clips[0];
    clip.at = Beats(0);
    clip.from = metre::Seconds(0);
    clip.to = audio.length();
    clip.gainDb = 0;
    clip.rule = project::TimeRule::Stretch;
    clip.stretch = {method};
    project::Track track = *p.tracks[0];
    track.gainDb = 0;
    track.mute = track.solo = false;
    track.clips = {clip};
    p.sources = {std::make_shared<const project::Source>(source)};
    p.tracks = {std::make_shared<const project::Track>(track)};
    p.view.looping = false;
    return p;
}

double levelOf(const std::vector<float>& played) {
    double sum = 0;
    for (const float x : played)
        sum += double(x) * x;
    return 10 * std::log10(sum / double(played.size()) + 1e-12);
}

TEST(Player, TenMinutesAreHeardFromTheirMiddleBeforeTheyAreRendered) {
    sound::Audio minutes(48000, 1, Frames(std::int64_t(48000) * 600));
    const sound::Audio noise = support::noise(1.0);
    for (std::size_t i = 0; i < minutes.channels[0].size(); ++i)
        minutes.channels[0][i] = noise.channels[0][i % 48000];
    Stage s;
    const project::Project p = projectOf(minutes, stretch::Method::Held);
    const project::ClipId id = p.tracks[0]->clips[0].id;
    s.player->locate(Beats(500));
    s.player->setProject(project::lay(p));
    s.player->play();
    const Frames here = metre::toFrames(p.tempo.secondsAt(Beats(500)), 48000);
    const auto holdsHere = [&](const play::Player::ShownPiece& piece) {
        return piece.from <= here && here + Frames(4800) < piece.to;
    };
    tickUntil(*s.player, [&] {
        const auto pieces = s.player->renderedClip(id);
        return std::any_of(pieces.begin(), pieces.end(), holdsHere);
    });
    EXPECT_FALSE(s.player->isRendered(id)) << "ten minutes cannot have been rendered already";
    const auto pieces = s.player->renderedClip(id);
    EXPECT_NEAR(metre::toSeconds(pieces.front().from - here, 48000).value, 0, 9)
        << "rendered from about the play position on";
    s.player->tick();
    s.out->advance(4800);
    auto played = s.out->taken();
    played.erase(played.begin(), played.end() - 4800);
    EXPECT_GT(levelOf(played), -30) << "and heard";
}

TEST(Player, TheOtherMethodAndTheSourceAsRecordedAreHeardAsLoud) {
    // A tone and strokes: what the methods make of it is not equally loud.
    std::vector<std::int64_t> at;
    std::vector<Frames> attacks;
    for (std::int64_t i = 2400; i < 144000; i += 24000) {
        at.push_back(i);
        attacks.emplace_back(i);
    }
    sound::Audio audio = support::strokes(at, 3.0, 48000, 2);
    const sound::Audio tone = support::sine(330, 3.0, 48000, 2, 0.1);
    for (std::size_t c = 0; c < 2; ++c)
        for (std::size_t i = 0; i < audio.channels[c].size(); ++i)
            audio.channels[c][i] += tone.channels[c][i];
    Stage s;
    project::Project p = projectOf(audio, stretch::Method::Struck, attacks);
    const project::ClipId id = p.tracks[0]->clips[0].id;
    s.player->setProject(project::lay(p));
    const auto heard = [&] {
        s.player->locate(Beats(0));
        s.player->play();
        s.out->advance(48000 * 5 / 2);
        auto played = s.out->taken(); // the newest; without its beginning, which fades in
        played.erase(played.begin(), played.end() - 48000 * 4);
        s.player->stop();
        s.out->advance(4800);
        return played;
    };
    s.player->compare(play::Player::Comparison{{id}, stretch::Method::Held});
    EXPECT_FALSE(s.player->hearsOther());
    tickUntil(*s.player, [&] { return s.player->otherIsReady(); });
    s.player->tick();
    const auto own = heard();
    s.player->hearOther(true);
    EXPECT_TRUE(s.player->hearsOther());
    const auto other = heard();
    EXPECT_NE(own, other);
    EXPECT_NEAR(levelOf(other), levelOf(own), 1.0);

    s.player->compare(play::Player::Comparison{{id}, std::nullopt});
    tickUntil(*s.player, [&] { return s.player->otherIsReady(); });
    s.player->hearOther(true);
    const auto raw = heard();
    EXPECT_NE(raw, other);
    EXPECT_NEAR(levelOf(raw), levelOf(own), 1.5);
    s.player->hearOther(false);
    EXPECT_EQ(heard(), own);
    s.player->compare(std::nullopt);
    EXPECT_FALSE(s.player->otherIsReady());
    EXPECT_EQ(heard(), own);
}

base::Key keyOf(int i) {
    return base::KeyMaker().add(static_cast<std::uint64_t>(i)).key();
}
project::RenderJobPtr jobWith(const std::shared_ptr<const project::Sound>& sound, Frames from, Frames to, int i) {
    return std::make_shared<const project::RenderJob>(
        project::RenderJob{sound, *metre::TimeMap::straight(from, to), {}, keyOf(i)});
}

// A device at a fixed rate of its own.
class Stubborn : public SimulatedOutput {
  public:
    using SimulatedOutput::SimulatedOutput;
    bool setRate(int) override { return false; }
};

project::Project toneProject(int rate) {
    project::Project p;
    p.rate = rate;
    p.tempo = metre::TempoMap(Bpm(120));
    project::Source source;
    source.name = source.content = "tone";
    source.sound = project::soundOf(support::sine(1000, 4.0, rate, 2, 0.25));
    source.facts = {rate, 2, source.sound->audio.frames(), "WAV"};
    auto placed = project::place(project::addSources(p, {source}).project, project::SourceId{1}, {}, Beats(0));
    return *project::setTrackGain(placed->project, placed->project.tracks[0]->id, 0);
}

double levelOf(const std::vector<float>& played);

double pitchOf(const std::vector<float>& played, int rate) {
    sound::Audio last(rate, 1, Frames(rate / 2));
    const std::size_t from = played.size() - static_cast<std::size_t>(rate);
    for (std::size_t i = 0; i < last.channels[0].size(); ++i)
        last.channels[0][i] = played[from + 2 * i];
    return support::frequencyOf(last, 1000);
}

TEST(Player, AProjectOfAnotherRatePlaysAtItsPitchAndSpeed) {
    for (const int rate : {44100, 48000, 96000}) {
        Stage s;
        s.player->setProject(project::lay(toneProject(rate)));
        EXPECT_EQ(s.out->rate(), rate) << "the output follows";
        tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
        s.player->tick();
        s.player->play();
        s.out->advance(rate * 2);
        EXPECT_NEAR(pitchOf(s.out->taken(), rate), 1000, 0.05) << rate;
        EXPECT_NEAR(s.player->position().value, 4, 0.02) << "two seconds are four beats";
    }
}

TEST(RateFeed, WhatIsPlayedKeepsItsPitchAtTheDevicesRate) {
    for (const auto& [from, to] : {std::pair(44100, 48000), std::pair(96000, 48000), std::pair(48000, 44100)}) {
        const auto tone = support::sine(1000, 3.0, from, 2, 0.25);
        std::size_t at = 0;
        RateFeed feed(
            [&tone, &at](float* out, int n) {
                for (int i = 0; i < 2 * n; ++i)
                    out[i] = tone.channels[0][std::min(at + static_cast<std::size_t>(i / 2),
                                                       tone.channels[0].size() - 1)];
                at += static_cast<std::size_t>(n);
            },
            from, to);
        std::vector<float> played;
        std::vector<float> block(2 * 200);
        while (played.size() < 2 * static_cast<std::size_t>(to)) {
            ASSERT_TRUE(support::waitFor([&] { return feed.readyFrames() >= 200; }));
            feed.pull(block.data(), 200);
            played.insert(played.end(), block.begin(), block.end());
        }
        EXPECT_NEAR(pitchOf(played, to), 1000, 0.05) << from << " to " << to;
    }
}

TEST(Player, WhereTheDeviceHasItsOwnRateWhatIsPlayedIsConverted) {
    auto output = std::make_unique<Stubborn>(48000, Pace::RealTime, 30);
    Stubborn* out = output.get();
    Player player(std::move(output), [] {});
    player.setProject(project::lay(toneProject(96000)));
    EXPECT_EQ(out->rate(), 48000);
    tickUntil(player, [&] { return player.pendingRenders() == 0; });
    player.tick();
    player.play();
    tickUntil(player, [&] { return levelOf(out->taken()) > -40 && player.position() > Beats(1); });
}

TEST(Player, ARenderingThatFailsIsNamedAndTheOldSoundDoesNotPlayOn) {
    Stage s;
    project::Project p = toneProject(48000);
    s.player->setProject(project::lay(p));
    tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
    EXPECT_FALSE(s.player->hasFailures());
    const project::ClipId id = project::allClips(p)[0];
    // A transposition that no edit allows, as a damaged document might have it: rendering refuses it.
    project::Track track = *p.tracks[0];
    track.clips[0].stretch.semitones = 99;
    p.tracks[0] = std::make_shared<const project::Track>(track);
    s.player->setProject(project::lay(p));
    tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
    s.player->tick();
    EXPECT_TRUE(s.player->hasFailures());
    EXPECT_FALSE(s.player->problemWith(id).empty());
    s.player->play(); // tries again: until that has failed too, a draft may be heard
    tickUntil(*s.player, [&] { return s.player->pendingRenders() == 0; });
    tickUntil(*s.player, [&] {
        s.out->advance(480);
        const auto heard = s.out->taken();
        return std::all_of(heard.end() - 960, heard.end(), [](float x) { return x == 0; });
    });
    ASSERT_LT(s.player->position(), Beats(4)) << "long before the clip's end, at 8";
    s.out->advance(9600);
    const auto played = s.out->taken();
    for (std::size_t i = played.size() - 9600; i < played.size(); ++i)
        ASSERT_EQ(played[i], 0.0F) << "the old sound does not play on";
}

TEST(RenderCache, TheMostUrgentIsMadeFirstAndWhatIsNoLongerWantedIsNotMade) {
    const auto sound = project::soundOf(support::noise(4.0));
    const auto job = [&](int i) { return jobWith(sound, Frames(192000), Frames(200000 + i), i); };
    RenderCache cache(1, 1 << 28, [] {});
    std::vector<WantedRender> wanted;
    for (int i = 0; i < 6; ++i)
        wanted.push_back({job(i), double(6 - i)});
    cache.want(wanted);
    ASSERT_TRUE(support::waitFor([&] { return cache.isComplete(keyOf(5)); }));
    EXPECT_FALSE(cache.isComplete(keyOf(0)));
    cache.want({{job(99), 0}});
    ASSERT_TRUE(support::waitFor([&] { return cache.isComplete(keyOf(99)); }));
    EXPECT_EQ(cache.pending(), 0U);
    EXPECT_EQ(cache.wantedCount(), 1U);
    EXPECT_FALSE(cache.isComplete(keyOf(0)));
}

TEST(RenderCache, WhatFailedIsTriedAgainWhenAskedTo) {
    const auto sound = project::soundOf(support::noise(1.0));
    auto job = *jobWith(sound, Frames(48000), Frames(50000), 1);
    job.settings.semitones = 99; // rendering refuses it
    RenderCache cache(1, 1 << 28, [] {});
    cache.want({{std::make_shared<const project::RenderJob>(job), 0}});
    const auto failsAfter = [&](std::int64_t changes) {
        return support::waitFor([&] { return cache.changes() > changes && !cache.problemWith(keyOf(1)).empty(); });
    };
    ASSERT_TRUE(failsAfter(0));
    const auto before = cache.changes();
    cache.want({{std::make_shared<const project::RenderJob>(job), 0}});
    EXPECT_EQ(cache.pending(), 0U) << "not by itself, again and again";
    cache.retry();
    EXPECT_TRUE(failsAfter(before));
}

TEST(RenderCache, WhatCannotBeRenderedIsNotHeardAsADraft) {
    const auto sound = project::soundOf(support::noise(1.0));
    auto job = *jobWith(sound, Frames(48000), Frames(50000), 1);
    job.settings.semitones = 99; // rendering refuses it, a draft is made all the same
    const WantedRender wanted{std::make_shared<const project::RenderJob>(job), 0, false, Frames(0), Frames(20000)};
    RenderCache cache(1, 1 << 28, [] {});
    const auto hasNoDraft = [&] {
        const auto answer = cache.answers({{keyOf(1), Frames(0), Frames(20000)}})[0];
        return answer.failed && answer.drafts.empty() && !answer.hasDraft;
    };
    cache.want({wanted});
    cache.draft({wanted}); // before it fails, or while it does
    ASSERT_TRUE(support::waitFor([&] { return !cache.problemWith(keyOf(1)).empty(); }));
    EXPECT_TRUE(hasNoDraft());
    const auto before = cache.changes();
    cache.draft({wanted}); // and after it
    ASSERT_TRUE(support::waitFor([&] { return cache.changes() > before; }));
    EXPECT_TRUE(hasNoDraft());
}

TEST(RenderCache, ForgetsTheOldestWhenItIsFull) {
    const auto sound = project::soundOf(support::noise(1.0));
    RenderCache cache(1, 300 * 1024, [] {}); // room for one rendering of 200 kB
    for (int i = 0; i < 3; ++i) {
        cache.want({{jobWith(sound, Frames(48000), Frames(50000 + i), i), 0}});
        ASSERT_TRUE(support::waitFor([&] { return cache.pending() == 0; }));
    }
    EXPECT_TRUE(cache.find(keyOf(0)).empty());
    EXPECT_TRUE(cache.isComplete(keyOf(2)));
}

TEST(Output, WithoutADeviceASimulatedOneIsChosenAndSaysSo) {
    // A machine without sound: no server of that name, and no cards configured.
    unsetenv("PATIENT_METRE_OUTPUT");
    setenv("JACK_NO_START_SERVER", "1", 1);
    setenv("JACK_DEFAULT_SERVER", "nobody-runs-this", 1);
    setenv("ALSA_CONFIG_PATH", "/dev/null", 1);
    const OpenedOutput opened = openOutput(48000);
    ASSERT_TRUE(opened.output);
    EXPECT_TRUE(opened.output->isSimulated());
    EXPECT_FALSE(opened.told.empty());
    EXPECT_EQ(opened.output->rate(), 48000);
}

TEST(SimulatedOutput, KeepsTheNewestOfWhatItWasGiven) {
    SimulatedOutput out(1000, Pace::Asked, 1.0, 100);
    float next = 0;
    ASSERT_TRUE(out.start([&](float* to, int n) {
        for (int i = 0; i < 2 * n; ++i)
            to[i] = next++;
    }));
    out.advance(300);
    EXPECT_EQ(out.taken().size(), 600U);
    out.advance(2000);
    const auto kept = out.taken();
    ASSERT_EQ(kept.size(), 2000U);
    EXPECT_EQ(kept.back(), next - 1);
    EXPECT_EQ(kept.front(), next - 2000);
    EXPECT_EQ(out.framesPlayed(), 2300);
}

} // namespace
