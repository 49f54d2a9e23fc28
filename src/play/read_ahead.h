// Keeps what is about to be heard in memory, and lets go of what is not.
#pragma once

#include "mix/scene.h"

#include <chrono>
#include <condition_variable>
#include <mutex>
#include <thread>
#include <vector>

namespace play {

// Audio that lies in files (sound/audio_store.h) is mapped, and comes into memory where it is looked at. The audio
// callback must not wait for a disk: a thread of its own reads what it will need before it needs it. And since all
// that was looked at stays, it lets go of the rest once that is much. Members may be called from any thread but the
// audio callback.
class ReadAhead {
  public:
    // `mostResident`: bytes of files that may be in memory before what is not needed goes.
    explicit ReadAhead(std::int64_t mostResident);
    ~ReadAhead() = default;

    // A stretch of audio: frames of it.
    struct Need {
        sound::AudioPtr audio;
        metre::Frames from;
        metre::Frames to;
    };
    // What a scene needs for so many seconds from a place on, and for a moment before it, where something may still
    // fade out: of audio that is mapped.
    static std::vector<Need> needsOf(const mix::Scene& scene, metre::Beats at, double seconds);
    // From now on these are kept in memory.
    void need(std::vector<Need> needs);
    // These before all else, and what was asked for so before them: a number to ask for them by, which counts as
    // fetched at once where all of them are in memory. Never waits.
    std::int64_t fetchFirst(std::vector<Need> needs);
    bool isFetched(std::int64_t asked) const;

  private:
    void work(const std::stop_token& stop);

    const std::int64_t mostResident_;
    mutable std::mutex mutex_; // guards all below
    std::condition_variable_any wake_;
    std::vector<Need> needs_;
    std::vector<Need> urgent_;
    std::int64_t asked_ = 0; // how often something urgent was asked for, and fetched
    std::int64_t fetched_ = 0;
    bool isNew_ = false;
    std::jthread thread_; // last: uses all above
};

} // namespace play
