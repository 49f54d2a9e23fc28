// A real output without a device: JACK's server with its dummy driver, which counts frames exactly.
#include "play/output.h"
#include "support/files.h"
#include "support/wait.h"

#include <algorithm>
#include <atomic>
#include <chrono>
#include <csignal>
#include <fcntl.h>
#include <gtest/gtest.h>
#include <string>
#include <sys/file.h>
#include <sys/wait.h>
#include <unistd.h>

namespace {

class JackServer {
  public:
    explicit JackServer(const char* rate) {
        waitForTheOthers();
        // Under a name of its own, so that no other program takes it for the machine's.
        setenv("JACK_DEFAULT_SERVER", name().c_str(), 1);
        child_ = fork();
        if (child_ == 0) {
            const int nowhere = open("/dev/null", O_WRONLY);
            dup2(nowhere, 1);
            dup2(nowhere, 2);
            setenv("JACK_NO_AUDIO_RESERVATION", "1", 1);
            execlp("jackd", "jackd", "--name", name().c_str(), "--no-realtime", "-d", "dummy", "-r", rate, "-p",
                   "256", nullptr);
            _exit(127);
        }
    }
    ~JackServer() {
        if (child_ == 0) return;
        kill(child_, SIGTERM);
        waitpid(child_, nullptr, 0);
    }
    void kill9() {
        kill(child_, SIGKILL);
        waitpid(child_, nullptr, 0);
        child_ = 0;
    }
    bool runs() const { return waitpid(child_, nullptr, WNOHANG) == 0; }

  private:
    // The servers of a machine share one registry, in which those that come and go at the same moment get in each
    // other's way: tests that run side by side take turns. Freed when the process ends.
    static void waitForTheOthers() {
        static const int turn = open((testing::TempDir() + "patient-metre-sound-server.lock").c_str(),
                                     O_CREAT | O_RDWR | O_CLOEXEC, 0666);
        flock(turn, LOCK_EX);
    }
    static std::string name() {
        static const std::string own = "patient-metre-test-" + std::to_string(getpid());
        return own;
    }
    pid_t child_ = 0;
};

// Waits until a device answers: the server takes a moment to come up.
play::OpenedOutput openWhenUp(const JackServer& server) {
    const auto end = std::chrono::steady_clock::now() + std::chrono::seconds(20);
    play::OpenedOutput opened = play::openOutput(48000);
    while (opened.output->isSimulated() && server.runs() && std::chrono::steady_clock::now() < end)
        opened = play::openOutput(48000);
    return opened;
}

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
