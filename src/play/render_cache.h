// Rendered clips: made on workers, the most urgent first, and kept by what they were made from.
#pragma once

#include "project/fit.h"

#include <condition_variable>
#include <functional>
#include <list>
#include <map>
#include <mutex>
#include <stop_token>
#include <string>
#include <thread>
#include <unordered_map>
#include <vector>

namespace play {

struct WantedRender {
    project::RenderJob job;
    double urgency = 0; // the smallest first: seconds until it is heard
};

// All members may be called from any thread.
class RenderCache {
  public:
    // onDone is called from a worker after each rendering that ended, well or badly; it must not call back.
    RenderCache(int workers, std::size_t keepBytes, std::function<void()> onDone);
    ~RenderCache();
    RenderCache(const RenderCache&) = delete;
    RenderCache& operator=(const RenderCache&) = delete;

    // From now on these are wanted, and nothing else: renderings under way that are no longer wanted are stopped.
    void want(std::vector<WantedRender> wanted);

    // The rendered audio, or null when it is not there (yet).
    sound::AudioPtr find(const std::string& key) const;
    // Why a rendering failed; empty when it has not.
    std::string problemWith(const std::string& key) const;
    // Of what is wanted, how many are not there yet, and how many there are.
    std::size_t pending() const;
    std::size_t wantedCount() const;

  private:
    struct Entry {
        sound::AudioPtr audio;
        std::string problem;
        std::list<std::string>::iterator age;
    };
    struct Running {
        std::string key;
        std::stop_source stop;
    };

    void work(const std::stop_token& end);
    void keep(const std::string& key, Entry entry);
    void forgetOld();

    const std::size_t keepBytes_;
    const std::function<void()> onDone_;
    mutable std::mutex mutex_; // guards all below
    std::condition_variable_any wake_;
    std::map<std::string, WantedRender> wanted_;
    std::vector<std::shared_ptr<Running>> running_;
    std::unordered_map<std::string, Entry> entries_;
    std::list<std::string> ages_; // least recently wanted first
    std::size_t bytes_ = 0;
    std::vector<std::jthread> workers_;
};

} // namespace play
