// Playing while things change: how soon another tempo is heard, and whether sound ever comes late.
//   bench_playing tempo [changes]        16 stereo clips, a change every half second; measured in what the
//   simulated output
//                                        recorded, by a tone on tape whose pitch says what tempo is heard
//   bench_playing pins [changes]         the same when a pin is moved under the play position, ±5 % of local tempo
//   bench_playing tighten [changes]      the same when 16 stereo clips and the tone are tightened, or are not any
//   more bench_playing dropouts [seconds]     32 clips, an edit every second, blocks of 128; through JACK where a
//   server answers
#include "timed_output.h"

#include "play/player.h"
#include "play/simulated_output.h"
#include "project/edit_arrange.h"
#include "project/edit_clips.h"
#include "project/edit_pins.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/save.h"
#include "project/tighten.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdlib>
#include <ctime>
#include <fmt/format.h>
#include <functional>
#include <memory>
#include <numbers>
#include <string>
#include <thread>
#include <vector>

namespace {

using namespace std::chrono_literals;
using Clock = std::chrono::steady_clock;
using metre::Beats;
using metre::Bpm;
using project::Project;

// Stereo loops of the demo's kind, each on a track and repeated over the piece.
Project loops(int count) {
    auto demo = project::loadProject(std::filesystem::path(PM_SOURCE_DIR) / "demo" / "canal_journey");
    Project p = *project::setTempo({}, Bpm(104));
    std::vector<project::Source> sources;
    for (const project::SourcePtr& s : demo->project.sources)
        if (s->wholeBeats() && s->sound) {
            project::Source stereo = *s;
            sound::Audio audio = s->sound->audio;
            if (audio.channels.size() == 1) audio.channels.push_back(audio.channels[0]);
            stereo.sound = std::make_shared<const project::Sound>(audio, s->sound->onsets);
            sources.push_back(std::move(stereo));
        }
    for (int i = 0; i < count; ++i) {
        project::Source s = sources[static_cast<std::size_t>(i) % sources.size()];
        s.content += std::to_string(i); // another recording, as far as the cache is concerned
        project::Added added = project::addSources(p, {std::move(s)});
        const auto placed = project::place(added.project, added.ids[0], {}, Beats(0));
        p = *project::repeatUntil(placed->project, placed->id, Beats(2048));
        p = *project::setTrackGain(p, p.tracks.back()->id, -50);
    }
    return p;
}

// A tone on tape, at 60 BPM as recorded: at 120 it is heard an octave higher. With hits on all its sixteenths,
// every second of them 20 ms late: drawn to the grid, time runs faster and slower between them by a twelfth.
Project withTone(const Project& p) {
    constexpr int seconds = 600;
    sound::Audio tone(48000, 2, metre::Frames(48000 * seconds));
    for (auto& samples : tone.channels)
        for (std::size_t i = 0; i < samples.size(); ++i)
            samples[i] = 0.5F * static_cast<float>(std::sin(2 * std::numbers::pi * 1500 * double(i) / 48000));
    project::Source s;
    s.name = s.content = "tone";
    s.facts = {48000, 2, tone.frames(), "made"};
    std::vector<hear::Onset> hits;
    for (int step = 1; step < 4 * seconds; ++step)
        hits.push_back({metre::Frames(step * 12000 + (step % 2 == 1 ? 960 : 0)), 1});
    s.sound = std::make_shared<const project::Sound>(std::move(tone), std::move(hits));
    s.beats = metre::BeatMap(Bpm(60), metre::Seconds(0));
    project::Added added = project::addSources(p, {std::move(s)});
    const auto placed = project::place(added.project, added.ids[0], {}, Beats(0));
    Project out = *project::setMethod(placed->project, {placed->id}, stretch::Method::Tape);
    out = *project::setGoesRound(out, {placed->id}, false);
    return *project::setTrackGain(out, out.tracks.back()->id, 0);
}

// The tempo that the tone says, at each millisecond and a half: by its periods between upward crossings.
double tempoAt(const std::vector<float>& stereo, std::size_t frame) {
    constexpr std::size_t window = 144;
    std::vector<double> crossings;
    for (std::size_t i = frame; i + 1 < frame + window && 2 * i + 2 < stereo.size(); ++i) {
        const double a = double(stereo[2 * i]);
        const double b = double(stereo[2 * i + 2]);
        if (a < 0 && b >= 0) crossings.push_back(double(i) + a / (a - b));
    }
    if (crossings.size() < 2) return 0;
    const double period = (crossings.back() - crossings.front()) / double(crossings.size() - 1);
    return 48000 / period / 1500 * 60;
}

void renderAll(play::Player& player) {
    while (player.pendingRenders() > 0) {
        player.tick();
        std::this_thread::sleep_for(5ms);
    }
    player.tick();
}

// A player with a tone to go by, and how soon what it says is heard.
class ToneHeard {
  public:
    explicit ToneHeard(Project p) : project(std::move(p)) {
        laid_ = project::lay(project);
        player.setProject(laid_);
        renderAll(player);
        player.play();
        run(1s);
    }
    void run(Clock::duration time) {
        for (const auto end = Clock::now() + time; Clock::now() < end;) {
            player.tick();
            std::this_thread::sleep_for(5ms);
        }
    }
    double tempoNow() const {
        const std::vector<float> all = out_->taken();
        return tempoAt(all, all.size() / 2 - 400);
    }
    void change(Project next) {
        project = std::move(next);
        laid_ = project::lay(project, laid_);
        player.setProject(laid_);
    }
    // The same, and notes after how many milliseconds what is heard says so; half a second: not within that.
    void changeAndListen(Project next, const std::function<bool(double tempo)>& isThere) {
        const std::int64_t asked = out_->framesPlayed();
        change(std::move(next));
        run(500ms);
        const std::int64_t now = out_->framesPlayed();
        const std::vector<float> all = out_->taken();
        const std::size_t begin = all.size() / 2 - static_cast<std::size_t>(now - asked);
        double wait = 500;
        for (std::size_t f = begin; f + 200 < all.size() / 2; f += 24)
            if (isThere(tempoAt(all, f))) {
                wait = double(f - begin) / 48;
                break;
            }
        waits_.push_back(wait);
    }
    void say(const char* what) {
        std::sort(waits_.begin(), waits_.end());
        const auto at = [&](double x) { return waits_[static_cast<std::size_t>(x * double(waits_.size() - 1))]; };
        fmt::print("{} is heard after: median {:.0f}, p95 {:.0f}, worst {:.0f} ms ({} changes)\n", what, at(0.5),
                   at(0.95), at(1), waits_.size());
        player.stop();
    }

  private:
    std::unique_ptr<play::SimulatedOutput> made_ =
        std::make_unique<play::SimulatedOutput>(48000, play::SimulatedOutput::Pace::RealTime, 5);
    play::SimulatedOutput* out_ = made_.get();

  public:
    play::Player player{std::move(made_), [] {}};
    Project project;

  private:
    project::LaidPtr laid_;
    std::vector<double> waits_;
};

void tempo(int changes) {
    ToneHeard heard(withTone(loops(16)));
    for (int i = 0; i < changes; ++i) {
        const double from = heard.project.tempo.tempoAt(Beats(0)).value;
        const double to = 100 + (i * 37 % 41);
        if (std::abs(to - from) < 2) continue;
        heard.changeAndListen(*project::setTempo(heard.project, Bpm(to)),
                              [&](double bpm) { return std::abs(bpm - to) < std::abs(to - from) * 0.2; });
    }
    heard.say("another tempo under 16 stereo clips");
}

void pins(int changes) {
    Project p = withTone(*project::setTempo({}, Bpm(60)));
    const project::SourceId tone = p.sources.back()->id;
    // A pin every four beats, as of ten minutes played free.
    for (int b = 0; b <= 592; b += 4)
        p = *project::putPin(p, tone, metre::Seconds(b), Beats(b));
    ToneHeard heard(std::move(p));
    for (int i = 0; i < changes; ++i) {
        // Of the four beats that are heard, the end goes a fifth of a second to and fro; not where they end too
        // soon.
        const double into = std::fmod(heard.player.position().value, 4);
        if (into > 2.5) heard.run(std::chrono::milliseconds(static_cast<int>((4.1 - into) * 1000)));
        const Beats end((std::floor(heard.player.position().value / 4) + 1) * 4);
        const double was = heard.tempoNow();
        const metre::Seconds by(i % 2 == 0 ? 0.2 : -0.2);
        heard.changeAndListen(*project::putPin(heard.project, tone, metre::Seconds(end.value) + by, end),
                              [&](double bpm) { return std::abs(bpm / was - 1) > 0.03; });
        heard.change(*project::putPin(heard.project, tone, metre::Seconds(end.value), end));
        heard.run(700ms);
    }
    heard.say("a pin moved under ten minutes");
}

void tighten(int changes) {
    ToneHeard heard(withTone(*project::setTempo(loops(16), Bpm(60))));
    const std::vector<project::ClipId> clips = project::allClips(heard.project);
    for (int i = 0; i < changes; ++i) {
        project::Tighten how;
        how.percent = i % 2 == 0 ? 100 : 0;
        how.grid = hear::FeelGrid::Sixteenths;
        how.swing = 50;
        const auto begun = Clock::now();
        base::Result<Project> next = project::setTighten(heard.project, clips, how);
        if (!next) {
            fmt::print("{}\n", next.error().text);
            return;
        }
        const double asked = std::chrono::duration<double, std::milli>(Clock::now() - begun).count();
        if (i < 2) fmt::print("asked for in {:.1f} ms\n", asked);
        heard.changeAndListen(std::move(*next), [&](double bpm) {
            return bpm > 0 && (i % 2 == 0) == (std::abs(bpm / 60 - 1) > 0.04);
        });
    }
    heard.say("tightening 16 stereo clips and a tone");
}

void dropouts(int seconds) {
    play::OutputChoice choice;
    choice.block = 128;
    play::OpenedOutput opened = play::openOutput(48000, choice);
    auto timed = std::make_unique<bench::Timed>(std::move(opened.output));
    bench::Timed& out = *timed;
    play::Player player(std::move(timed), [] {});
    Project p = loops(32);
    project::LaidPtr laid = project::lay(p);
    player.setProject(laid);
    renderAll(player);
    player.play();
    const auto clips = project::allClips(p);
    for (int s = 0; s < seconds; ++s) {
        const std::vector<project::ClipId> one = {clips[static_cast<std::size_t>(s) % clips.size()]};
        switch (s % 4) {
        case 0:
            p = *project::setTempo(p, Bpm(100 + s % 17));
            break;
        case 1:
            p = *project::turnGain(p, one, s % 2 == 0 ? 1 : -1);
            break;
        case 2:
            p = *project::moveClips(p, one, Beats(1), 0);
            break;
        default:
            p = *project::setMute(p, p.tracks[static_cast<std::size_t>(s) % p.tracks.size()]->id, s % 8 == 3);
        }
        laid = project::lay(p, laid);
        player.setProject(laid);
        for (const auto end = Clock::now() + 1s; Clock::now() < end;) {
            player.tick();
            std::this_thread::sleep_for(5ms);
        }
    }
    out.say(seconds);
    player.stop();
}

} // namespace

int main(int argc, char** argv) {
    const std::string what = argc > 1 ? argv[1] : "tempo";
    const int n = argc > 2 ? std::atoi(argv[2]) : 0;
    if (what == "tempo")
        tempo(n > 0 ? n : 40);
    else if (what == "pins")
        pins(n > 0 ? n : 20);
    else if (what == "tighten")
        tighten(n > 0 ? n : 40);
    else
        dropouts(n > 0 ? n : 600);
    return 0;
}
