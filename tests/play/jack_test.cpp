// In step with other programs by a JACK server that runs: what is heard is compared, frame by frame, with what the
// transport says of the same cycle.
#include "mix/scene.h"
#include "play/jack_leader.h"
#include "play/midi_ports.h"
#include "play/player.h"
#include "support/jack_server.h"
#include "support/wait.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <cmath>
#include <csignal>
#include <gmock/gmock.h>
#include <jack/jack.h>
#include <jack/transport.h>
#include <mutex>

namespace {

using namespace play;
using metre::Beats;
using metre::Bpm;
using support::JackServer;

// The master that ships with the product, as a process of its own.
class Master {
  public:
    Master(const std::string& bpm, const std::string& beats, const std::string& unit) {
        int in[2];
        int out[2];
        if (pipe(in) != 0 || pipe(out) != 0) return;
        child_ = fork();
        if (child_ == 0) {
            dup2(in[0], 0);
            dup2(out[1], 1);
            close(in[1]);
            close(out[0]);
            execl(PM_TRANSPORT_MASTER, "transport_master", bpm.c_str(), beats.c_str(), unit.c_str(), nullptr);
            _exit(127);
        }
        close(in[0]);
        close(out[1]);
        to_ = in[1];
        char ready[6] = {};
        isReady_ = read(out[0], ready, 5) == 5;
        close(out[0]);
    }
    ~Master() { leave(); }
    bool isReady() const { return isReady_; }
    void say(const std::string& line) const {
        const std::string all = line + "\n";
        EXPECT_EQ(write(to_, all.data(), all.size()), static_cast<ssize_t>(all.size()));
    }
    void leave() {
        if (child_ == 0) return;
        close(to_);
        waitpid(child_, nullptr, 0);
        child_ = 0;
    }

  private:
    pid_t child_ = 0;
    int to_ = -1;
    bool isReady_ = false;
};

// Another program that listens to what the window plays and notes where clicks begin.
class Listener {
  public:
    struct Click {
        std::int64_t frame = 0; // of the transport
        double bpm = 0;         // as the transport tells it, of quarter notes
        double quarter = 0;     // where the transport says that frame is; −1: it does not
    };

    Listener() {
        client_ = jack_client_open("listener", JackNoStartServer, nullptr);
        in_ = jack_port_register(client_, "in", JACK_DEFAULT_AUDIO_TYPE, JackPortIsInput, 0);
        jack_set_process_callback(
            client_,
            [](jack_nframes_t n, void* self) {
                static_cast<Listener*>(self)->hear(n);
                return 0;
            },
            this);
        jack_set_xrun_callback(
            client_,
            [](void* self) {
                ++static_cast<Listener*>(self)->missed_;
                return 0;
            },
            this);
        jack_activate(client_);
    }
    ~Listener() { jack_client_close(client_); }
    Listener(const Listener&) = delete;
    Listener& operator=(const Listener&) = delete;

    // To what the window's device plays on the left.
    bool connect() {
        return support::waitFor([&] {
            const char** ports =
                jack_get_ports(client_, "Patient Metre:left", JACK_DEFAULT_AUDIO_TYPE, JackPortIsOutput);
            const bool done = ports != nullptr && ports[0] != nullptr &&
                              (jack_port_connected_to(in_, ports[0]) != 0 ||
                               jack_connect(client_, ports[0], jack_port_name(in_)) == 0);
            if (ports != nullptr) jack_free(ports);
            return done;
        });
    }
    std::vector<Click> clicks() const {
        const std::lock_guard lock(mutex_);
        return clicks_;
    }
    // Begins anew.
    void forget() {
        const std::lock_guard lock(mutex_);
        clicks_.clear();
        missed_ = 0;
    }
    // Whether any program missed a cycle since, as happens on a machine that is busy with other things: what was
    // heard then says nothing of who plays in step.
    bool hasMissed() const { return missed_ > 0; }
    jack_client_t* client() { return client_; }
    // Where the transport is, as bars and beats in quarter notes; −1 where nobody tells.
    static double quarterOf(const jack_position_t& p) {
        if ((p.valid & JackPositionBBT) == 0) return -1;
        const double ticks = (p.valid & JackTickDouble) != 0 ? p.tick_double : p.tick + 0.5;
        const double beats = double(p.bar - 1) * p.beats_per_bar + p.beat - 1 + ticks / p.ticks_per_beat;
        return beats * 4 / p.beat_type;
    }

  private:
    void hear(jack_nframes_t n) {
        jack_position_t pos;
        const bool rolls = jack_transport_query(client_, &pos) == JackTransportRolling;
        const auto* in = static_cast<const float*>(jack_port_get_buffer(in_, n));
        const std::lock_guard lock(mutex_);
        for (jack_nframes_t i = 0; i < n; ++i) {
            const bool sounds = std::abs(in[i]) > 1e-7F;
            if (sounds && silent_ > 2000 && rolls) {
                const double bpm = pos.beats_per_minute * 4 / (pos.beat_type > 0 ? pos.beat_type : 4);
                const double start = quarterOf(pos);
                clicks_.push_back({static_cast<std::int64_t>(pos.frame) + i, bpm,
                                   start < 0 ? -1 : start + i / 48000.0 / 60 * bpm});
            }
            silent_ = sounds ? 0 : silent_ + 1;
        }
    }

    jack_client_t* client_;
    jack_port_t* in_;
    mutable std::mutex mutex_;
    std::vector<Click> clicks_;
    std::atomic<int> missed_{0};
    int silent_ = 0;
};

// How many frames a click's first sound lies after its place.
int clickBegins() {
    const auto& plain = mix::clickAt(48000)->plain;
    return static_cast<int>(std::find_if(plain.begin(), plain.end(), [](float x) { return std::abs(x) > 1e-7F; }) -
                            plain.begin());
}

using Clock = std::chrono::steady_clock;

// What time alone makes of a place.
Beats beatsSince(Clock::time_point then, double bpm) {
    return Beats(std::chrono::duration<double>(Clock::now() - then).count() / 60 * bpm);
}

struct Jack : testing::Test {
    std::unique_ptr<JackServer> server;
    std::unique_ptr<Player> player;
    std::unique_ptr<Listener> listener;
    project::Project project;

    void SetUp() override {
        unsetenv("PATIENT_METRE_OUTPUT");
        setenv("JACK_NO_START_SERVER", "1", 1);
        server = std::make_unique<JackServer>("48000", "512"); // busy machines miss fewer of these
        OpenedOutput opened = support::openWhenUp(*server);
        ASSERT_FALSE(opened.output->isSimulated()) << opened.told;
        ASSERT_TRUE(opened.output->isJack());
        player = std::make_unique<Player>(std::move(opened.output), [] {});
        project.rate = 48000;
        project.view.click = true;
        setTempo(120);
        listener = std::make_unique<Listener>();
    }
    void setTempo(double bpm) {
        project.tempo = metre::TempoMap(Bpm(bpm));
        player->setProject(project::lay(project));
    }
    void lead(JackTime time) {
        auto leader = openJackLeader(time);
        ASSERT_TRUE(leader) << leader.error().text;
        player->setLeader(std::move(*leader));
        ASSERT_TRUE(listener->connect());
    }
    bool waitFor(const std::function<bool()>& holds) {
        return support::waitFor([&] {
            player->tick();
            return holds();
        });
    }
    // So many clicks in a row, none of them in a cycle that was missed.
    bool hearClicks(std::size_t n) {
        listener->forget();
        return waitFor([&] {
            if (listener->hasMissed()) listener->forget();
            return listener->clicks().size() >= n;
        });
    }
};

TEST_F(Jack, BarsAndBeatsOfAnotherProgramAreFollowedToAFrame) {
    const Master master("90", "3", "4");
    ASSERT_TRUE(master.isReady());
    lead(JackTime::Taken);
    ASSERT_TRUE(waitFor([&] { return player->leader()->time().has_value(); }));
    EXPECT_EQ(player->leader()->time()->bpm, Bpm(90));
    EXPECT_EQ(player->leader()->time()->metre, (metre::Metre{3, 4}));
    setTempo(90);
    project.metre = metre::MetreMap(metre::Metre{3, 4});
    player->setProject(project::lay(project));
    master.say("start");
    ASSERT_TRUE(hearClicks(4));
    EXPECT_TRUE(player->isPlaying());
    const int begins = clickBegins();
    const auto onBeats = [&](double bpm) {
        for (const Listener::Click& click : listener->clicks()) {
            const double beat = double(click.frame - begins) / 48000 / 60 * bpm;
            EXPECT_NEAR((beat - std::round(beat)) * 60 / bpm * 48000, 0, 1) << "frames off, at beat " << beat;
        }
    };
    onBeats(90);
    // Elsewhere, between frames of its blocks, while it rolls and while it stands.
    master.say("locate 1000003");
    ASSERT_TRUE(waitFor([&] { return player->position() > Beats(31); }));
    ASSERT_TRUE(hearClicks(3));
    onBeats(90);
    master.say("stop");
    ASSERT_TRUE(waitFor([&] { return !player->isPlaying(); }));
    master.say("locate 64000");
    ASSERT_TRUE(waitFor([&] { return std::abs(player->position().value - 2) < 1e-6; }));
    master.say("start");
    ASSERT_TRUE(hearClicks(3));
    onBeats(90);
}

TEST_F(Jack, AfterAChangeOfItsTempoBarAndBeatAreStillItsOwn) {
    Master master("120", "4", "4");
    ASSERT_TRUE(master.isReady());
    lead(JackTime::Taken);
    master.say("start");
    ASSERT_TRUE(hearClicks(2));
    master.say("tempo 97.3");
    ASSERT_TRUE(waitFor([&] { return player->leader()->time() && player->leader()->time()->bpm == Bpm(97.3); }));
    setTempo(97.3);             // as the window does
    ASSERT_TRUE(hearClicks(2)); // what crosses over
    ASSERT_TRUE(hearClicks(4));
    const double tick = 60 / 97.3 / 1920 * 48000; // its places are told in whole ticks
    const std::vector<Listener::Click> clicks = listener->clicks();
    for (std::size_t i = 0; i < clicks.size(); ++i) {
        EXPECT_NEAR(clicks[i].bpm, 97.3, 1e-6);
        const double off = clicks[i].quarter - std::round(clicks[i].quarter);
        EXPECT_NEAR(off * 60 / 97.3 * 48000, clickBegins(), 1.5 * tick);
        if (i > 0) {
            EXPECT_NEAR(double(clicks[i].frame - clicks[i - 1].frame), 60 / 97.3 * 48000, 1) << "and steady";
        }
    }
    // The program goes; what plays goes on where it is.
    const Beats before = player->position();
    const Clock::time_point then = Clock::now();
    master.leave();
    ASSERT_TRUE(waitFor([&] { return !player->leader()->time().has_value(); }));
    ASSERT_TRUE(waitFor([&] { return player->position() > before + Beats(2); }));
    EXPECT_LT(player->position(), before + beatsSince(then, 97.3) + Beats(4));
    EXPECT_TRUE(player->isPlaying());
}

TEST_F(Jack, OthersAreToldTheProjectsBarsBeatsAndTempo) {
    project.metre = metre::MetreMap(metre::Metre{6, 8});
    project.tempo = *metre::TempoMap::make({{Beats(0), Bpm(100)}, {Beats(6), Bpm(140)}});
    player->setProject(project::lay(project));
    lead(JackTime::Given);
    player->play();
    ASSERT_TRUE(hearClicks(16));
    const auto inStep = [&] {
        for (const Listener::Click& click : listener->clicks()) {
            ASSERT_GE(click.quarter, 0);
            const double beat = click.quarter * 2; // the click counts eighths
            EXPECT_NEAR((beat - std::round(beat)) / 2 * 60 / click.bpm * 48000, clickBegins(), 1) << beat;
        }
    };
    inStep();
    EXPECT_EQ(listener->clicks().back().bpm, 140) << "beyond the point of the map";
    player->locate(Beats(30));
    ASSERT_TRUE(waitFor([&] { return player->position() > Beats(30); }));
    ASSERT_TRUE(hearClicks(4));
    inStep();
    setTempo(77); // bar and beat stay
    const Beats before = player->position();
    const Clock::time_point then = Clock::now();
    ASSERT_TRUE(hearClicks(1));
    ASSERT_TRUE(hearClicks(4));
    inStep();
    EXPECT_EQ(listener->clicks().back().bpm, 77);
    EXPECT_LT(player->position(), before + beatsSince(then, 140) + Beats(4));
    EXPECT_GT(player->position(), before);
    player->stop();
    ASSERT_TRUE(waitFor([&] { return !player->isPlaying(); }));
    EXPECT_FALSE(openJackLeader(JackTime::Given)) << "there is one such program at a time";
}

TEST_F(Jack, WithoutAnybodyWhoTellsBarsFramesCountByTheProjectsTempo) {
    lead(JackTime::Taken);
    EXPECT_FALSE(player->leader()->time());
    jack_transport_locate(listener->client(), 48000);
    ASSERT_TRUE(waitFor([&] { return std::abs(player->position().value - 2) < 1e-6; }));
    jack_transport_start(listener->client());
    ASSERT_TRUE(hearClicks(3));
    for (const Listener::Click& click : listener->clicks())
        EXPECT_EQ((click.frame - clickBegins()) % 24000, 0) << click.frame;
    jack_transport_stop(listener->client());
    ASSERT_TRUE(waitFor([&] { return !player->isPlaying(); }));
}

TEST_F(Jack, AServerThatEndsIsNoticedByTheLeader) {
    lead(JackTime::Taken);
    EXPECT_TRUE(player->leader()->isThere());
    listener.reset();
    server->kill9();
    EXPECT_TRUE(waitFor([&] { return !player->leader()->isThere(); }));
    player->setLeader(nullptr); // at once, as the window does
    ASSERT_TRUE(waitFor([&] { return !player->output().isAlive(); }));
    player->replaceOutput(silentOutput(48000));
    EXPECT_FALSE(openJackLeader(JackTime::Taken));
    player->play();
    EXPECT_TRUE(waitFor([&] { return player->position() > Beats(0.2); })) << "it goes by itself";
    player->stop();
    // And with the next server all is as before.
    server = std::make_unique<JackServer>("48000", "512"); // busy machines miss fewer of these
    OpenedOutput opened = support::openWhenUp(*server);
    ASSERT_TRUE(opened.output->isJack()) << opened.told;
    player->replaceOutput(std::move(opened.output));
    listener = std::make_unique<Listener>();
    lead(JackTime::Taken);
    player->play();
    ASSERT_TRUE(hearClicks(2));
}

// The project's clock, sent through one port and read by another, over the server.
TEST_F(Jack, TheProjectsMidiClockIsReadAtTheOtherEnd) {
    setTempo(118);
    auto out = openMidiOutput("JACK: a port of its own");
    ASSERT_TRUE(out) << out.error().text;
    MidiSender sender(std::move(*out), [&] { return player->heard(); });
    const auto inputs = midiInputs();
    const auto port = std::find_if(inputs.begin(), inputs.end(),
                                   [](const std::string& name) { return name.find("clock") != std::string::npos; });
    ASSERT_NE(port, inputs.end());
    auto input = MidiInput::open(*port, {});
    ASSERT_TRUE(input) << input.error().text;
    ASSERT_TRUE(waitFor([&] { return (*input)->tempo().has_value(); }));
    player->play();
    const auto leader = (*input)->leader();
    EXPECT_TRUE(waitFor([&] {
        const auto tempo = (*input)->tempo();
        const LedPlace place = leader->look(metre::TempoMap(Bpm(118)), 256, false);
        return leader->rolls() && tempo && std::abs(tempo->value - 118) < 0.3 &&
               std::abs(place.at->value - player->position().value) < 0.08;
    }));
    player->stop();
    EXPECT_TRUE(waitFor([&] { return !leader->rolls(); }));
    // The server goes, and the ports after it.
    listener.reset();
    server->end();
    ASSERT_TRUE(waitFor([&] { return !player->output().isAlive(); }));
    player->replaceOutput(silentOutput(48000));
    EXPECT_THAT(midiInputs(), testing::Each(testing::Not(testing::StartsWith("JACK"))));
    input->reset();
}

} // namespace
