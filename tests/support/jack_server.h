// JACK's server with its dummy driver, which counts frames exactly.
#pragma once

#include "play/output.h"

#include <chrono>
#include <csignal>
#include <cstdlib>
#include <fcntl.h>
#include <gtest/gtest.h>
#include <string>
#include <sys/file.h>
#include <sys/wait.h>
#include <unistd.h>

namespace support {

class JackServer {
  public:
    explicit JackServer(const char* rate, const char* period = "256") {
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
                   period, nullptr);
            _exit(127);
        }
    }
    ~JackServer() {
        if (child_ != 0) end();
    }
    // In good order: what was killed stays in the machine's list of servers, which has room for eight, until
    // another of its name comes.
    void end() {
        kill(child_, SIGTERM);
        waitpid(child_, nullptr, 0);
        child_ = 0;
    }
    void kill9() {
        kill(child_, SIGKILL);
        waitpid(child_, nullptr, 0);
        child_ = 0;
    }
    void hang() { kill(child_, SIGSTOP); }
    void goOn() { kill(child_, SIGCONT); }
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
inline play::OpenedOutput openWhenUp(const JackServer& server) {
    const auto end = std::chrono::steady_clock::now() + std::chrono::seconds(20);
    play::OpenedOutput opened = play::openOutput(48000);
    while (opened.output->isSimulated() && server.runs() && std::chrono::steady_clock::now() < end)
        opened = play::openOutput(48000);
    return opened;
}

} // namespace support
