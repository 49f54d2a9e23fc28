// The libraries of sound servers: kept quiet, and asked whether a server runs.
#pragma once

#include <atomic>
#include <memory>
#include <utility>

struct _jack_client;

namespace play {

// From now on the libraries of JACK and ALSA say nothing on standard error: that no server runs, or that there is
// no card, is no news to us. Any thread.
void silenceLibraries();

// A client of the JACK server that runs. Once the server has gone it must not be closed any more: the library
// counts its clients wrongly where another is asked for in vain meanwhile, and closing would end the process. So it
// is left behind, where it does nothing. It is opened, and let go, on any one thread.
class JackClient {
  public:
    // Not active yet. Null where no server answers; none is started.
    static std::unique_ptr<JackClient> open(const char* name);
    ~JackClient();
    JackClient(const JackClient&) = delete;
    JackClient& operator=(const JackClient&) = delete;
    _jack_client* get() const { return client_; }
    bool hasGone() const { return gone_->load(); } // any thread
    // From now on it counts as gone: its server answers no more.
    void giveUp() { gone_->store(true); }
    // What its callbacks use: it lives until the client is closed, and for ever where it is left behind.
    void keep(std::shared_ptr<void> what) { kept_ = std::move(what); }

  private:
    explicit JackClient(_jack_client* client);
    _jack_client* client_;
    std::shared_ptr<std::atomic<bool>> gone_; // the library may tell of it later than this lives
    std::shared_ptr<void> kept_;
};

// What belongs to a server that has gone, and can be neither used nor closed any more.
void leaveBehind(std::shared_ptr<void> what);

} // namespace play
