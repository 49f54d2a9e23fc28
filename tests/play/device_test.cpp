// A real output without a device: JACK's server with its dummy driver, which counts frames exactly.
#include "play/output.h"
#include "support/jack_server.h"
#include "support/wait.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <chrono>
#include <gtest/gtest.h>
#include <jack/jack.h>
#include <string>

namespace {

using support::JackServer;
using support::openWhenUp;

// The device that was chosen is taken by its name; one that is not there is told, and another is taken; its rate
// stays what was asked for, and any block is played.
TEST(Device, IsChosenByNameAndMissedInWords) {
    unsetenv("PATIENT_METRE_OUTPUT");
    setenv("JACK_NO_START_SERVER", "1", 1);
    const JackServer server("48000");
    const std::string name = openWhenUp(server).output->description();
    const auto devices = play::outputDevices();
    EXPECT_NE(std::find(devices.begin(), devices.end(), name), devices.end());
    play::OutputChoice choice;
    choice.device = name;
    choice.block = 128;
    EXPECT_TRUE(play::openOutput(48000, choice).told.empty());
    choice.device = "ALSA: a device that was pulled out";
    const play::OpenedOutput other = play::openOutput(48000, choice);
    EXPECT_FALSE(other.output->isSimulated());
    EXPECT_NE(other.told.find("is not there"), std::string::npos) << other.told;
    choice = {};
    choice.simulated = true;
    EXPECT_TRUE(play::openOutput(48000, choice).output->isSimulated());
    choice = {};
    choice.rate = 44100; // the server's is 48000
    EXPECT_EQ(play::openOutput(48000, choice).output->rate(), 48000);
}

TEST(Device, PlaysThroughASoundServer) {
    unsetenv("PATIENT_METRE_OUTPUT");
    setenv("JACK_NO_START_SERVER", "1", 1);
    const JackServer server("48000");
    play::OpenedOutput opened = openWhenUp(server);
    ASSERT_FALSE(opened.output->isSimulated()) << opened.told;
    EXPECT_NE(opened.output->description().find("JACK"), std::string::npos);
    std::atomic<std::int64_t> frames{0};
    const auto started = opened.output->start([&](float* out, int n) {
        for (int i = 0; i < 2 * n; ++i)
            out[i] = 0;
        frames += n;
    });
    ASSERT_TRUE(started) << started.error().text;
    EXPECT_TRUE(support::waitFor([&] { return frames >= 48000; }));
    opened.output->stop();
    const auto after = frames.load();
    EXPECT_EQ(frames.load(), after);
}

// A server that is killed says so to nobody; what no longer asks for sound has gone.
TEST(Device, AServerThatIsKilledIsNoticedAndTakenAgain) {
    unsetenv("PATIENT_METRE_OUTPUT");
    setenv("JACK_NO_START_SERVER", "1", 1);
    auto server = std::make_unique<JackServer>("48000");
    play::OpenedOutput opened = openWhenUp(*server);
    ASSERT_FALSE(opened.output->isSimulated()) << opened.told;
    std::atomic<std::int64_t> frames{0};
    const play::Callback silence = [&](float* out, int n) {
        std::fill(out, out + 2 * n, 0.0F);
        frames += n;
    };
    ASSERT_TRUE(opened.output->start(silence));
    ASSERT_TRUE(support::waitFor([&] { return frames > 4800; }));
    EXPECT_TRUE(opened.output->isAlive());
    server->kill9();
    EXPECT_TRUE(support::waitFor([&] { return !opened.output->isAlive(); }));
    opened.output->stop();
    opened.output.reset();
    server = std::make_unique<JackServer>("48000");
    opened = openWhenUp(*server);
    ASSERT_FALSE(opened.output->isSimulated()) << opened.told;
    frames = 0;
    ASSERT_TRUE(opened.output->start(silence));
    EXPECT_TRUE(support::waitFor([&] { return frames > 4800; })) << "the new one is taken";
    opened.output->stop();
}

// What a program hears of us on each channel.
struct Heard {
    std::array<jack_port_t*, 2> ports{};
    std::array<std::atomic<float>, 2> last{};
    static int hear(jack_nframes_t n, void* self) {
        auto& heard = *static_cast<Heard*>(self);
        for (std::size_t c = 0; c < 2; ++c)
            heard.last[c] = static_cast<const float*>(jack_port_get_buffer(heard.ports[c], n))[n - 1];
        return 0;
    }
};

// Left is left, also after it was stopped and started again; another program may be the device.
TEST(Device, EachChannelArrivesWhereItBelongs) {
    unsetenv("PATIENT_METRE_OUTPUT");
    setenv("JACK_NO_START_SERVER", "1", 1);
    const JackServer server("48000");
    ASSERT_FALSE(openWhenUp(server).output->isSimulated());
    Heard heard;
    jack_client_t* client = jack_client_open("cabin radio", JackNoStartServer, nullptr);
    ASSERT_NE(client, nullptr);
    for (std::size_t c = 0; c < 2; ++c)
        heard.ports[c] = jack_port_register(client, c == 0 ? "in_1" : "in_2", JACK_DEFAULT_AUDIO_TYPE,
                                            JackPortIsInput | JackPortIsTerminal, 0);
    jack_set_process_callback(client, &Heard::hear, &heard);
    ASSERT_EQ(jack_activate(client), 0);
    const auto devices = play::outputDevices();
    const auto radio = std::find_if(devices.begin(), devices.end(), [](const std::string& name) {
        return name.find("cabin") != std::string::npos;
    });
    ASSERT_NE(radio, devices.end());
    EXPECT_EQ(devices.front().substr(0, 12), "JACK: system") << "hardware first";
    play::OutputChoice choice;
    choice.device = *radio;
    play::OpenedOutput opened = play::openOutput(48000, choice);
    EXPECT_EQ(opened.told, "");
    EXPECT_EQ(opened.output->description(), *radio);
    for (const float level : {0.25F, 0.5F}) {
        ASSERT_TRUE(opened.output->start([level](float* out, int n) {
            for (int i = 0; i < n; ++i) {
                out[2 * i] = level;
                out[2 * i + 1] = -level / 2;
            }
        }));
        EXPECT_TRUE(support::waitFor([&] { return heard.last[0] == level && heard.last[1] == -level / 2; }));
        opened.output->stop();
        EXPECT_TRUE(support::waitFor([&] { return heard.last[0] == 0 && heard.last[1] == 0; }));
    }
    jack_client_close(client);
    EXPECT_FALSE(opened.output->start([](float* out, int n) { std::fill(out, out + 2 * n, 0.0F); }))
        << "the radio has gone";
}

// A server that hangs answers nothing; letting its device go does not wait for it.
TEST(Device, AServerThatHangsIsLetGo) {
    unsetenv("PATIENT_METRE_OUTPUT");
    setenv("JACK_NO_START_SERVER", "1", 1);
    JackServer server("48000");
    play::OpenedOutput opened = openWhenUp(server);
    ASSERT_FALSE(opened.output->isSimulated()) << opened.told;
    std::atomic<std::int64_t> frames{0};
    ASSERT_TRUE(opened.output->start([&](float* out, int n) {
        std::fill(out, out + 2 * n, 0.0F);
        frames += n;
    }));
    ASSERT_TRUE(support::waitFor([&] { return frames > 4800; }));
    server.hang();
    EXPECT_TRUE(support::waitFor([&] { return !opened.output->isAlive(); }));
    opened.output.reset();
    server.goOn();
    EXPECT_TRUE(server.runs());
}

} // namespace
