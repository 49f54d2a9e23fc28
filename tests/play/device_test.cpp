// A real output without a device: JACK's server with its dummy driver, which counts frames exactly.
#include "play/output.h"
#include "support/jack_server.h"
#include "support/wait.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <gtest/gtest.h>
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

} // namespace
