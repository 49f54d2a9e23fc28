// The libraries of sound servers: kept quiet, and asked whether a server runs.
#pragma once

#include <atomic>
#include <memory>

struct _jack_client;

namespace play {

// From now on the libraries of JACK and ALSA say nothing on standard error: that no server runs, or that there is
// no card, is no news to us. Any thread.
void silenceLibraries();

// Whether a JACK server answers; none is started. Takes a moment.
bool jackAnswers();

// Notices that a JACK server has gone. Clients of it must not be closed any more: the library counts wrongly then,
// and the process would end. What is left of them does nothing.
class JackWatch {
  public:
    JackWatch();
    ~JackWatch();
    JackWatch(const JackWatch&) = delete;
    JackWatch& operator=(const JackWatch&) = delete;
    bool hasGone() const { return gone_->load(); }

  private:
    _jack_client* client_ = nullptr;
    std::shared_ptr<std::atomic<bool>> gone_;
};

} // namespace play
