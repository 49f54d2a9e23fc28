// Rendered clips: made piece by piece on workers, the most urgent first, and kept by what they were made from.
#pragma once

#include "project/fit.h"
#include "sound/peaks.h"

#include <condition_variable>
#include <functional>
#include <list>
#include <map>
#include <mutex>
#include <optional>
#include <stop_token>
#include <string>
#include <thread>
#include <unordered_map>
#include <vector>

namespace play {

struct WantedRender {
    project::RenderJob job;
    double startsIn = 0;   // seconds from the play position to its first frame; negative: it has begun
    bool measured = false; // its loudness, too
};

// A part of a rendering that is ready.
struct RenderedPiece {
    metre::Frames from; // of the rendering
    sound::AudioPtr audio;
    std::shared_ptr<const sound::Peaks> peaks; // for drawing
};

// All members may be called from any thread.
class RenderCache {
  public:
    // onDone is called from a worker after each piece that ended, well or badly; it must not call back.
    RenderCache(int workers, std::size_t keepBytes, std::function<void()> onDone);
    ~RenderCache();
    RenderCache(const RenderCache&) = delete;
    RenderCache& operator=(const RenderCache&) = delete;

    // From now on these are wanted, and nothing else: renderings under way that are no longer wanted are stopped.
    // What sounds comes first, then what will, then what has.
    void want(std::vector<WantedRender> wanted);

    // The pieces that are there, in order; each frame is in one of them at most.
    std::vector<RenderedPiece> find(const std::string& key) const;
    // Whether the frames [from, to) are there, as far as the rendering has such frames.
    bool has(const std::string& key, metre::Frames from, metre::Frames to) const;
    bool isComplete(const std::string& key) const;
    // Counts up with every piece that is made; 0 when nothing is there.
    std::size_t pieceCount(const std::string& key) const;
    // In LUFS, where it was wanted, is complete, and is not silent.
    std::optional<double> loudness(const std::string& key) const;
    // Whether loudness() has its final answer.
    bool isMeasured(const std::string& key) const;
    // Why a rendering failed; empty when it has not.
    std::string problemWith(const std::string& key) const;
    // Of what is wanted, how many are not there entirely yet, and how many there are.
    std::size_t pending() const;
    std::size_t wantedCount() const;

  private:
    struct Piece {
        std::int64_t from = 0;
        std::int64_t to = 0;
        bool running = false;
        RenderedPiece made; // its audio is null until it is ready
    };
    struct Entry {
        std::shared_ptr<const project::RenderJob> job; // what the plan refers to
        std::shared_ptr<const stretch::Rendering> plan;
        std::vector<Piece> pieces;
        std::size_t ready = 0;
        std::size_t bytes = 0;
        bool busy = false; // being planned or measured
        bool measured = false;
        std::optional<double> loudness;
        std::string problem;
        std::list<std::string>::iterator age;

        bool isComplete() const { return !pieces.empty() && ready == pieces.size(); }
        bool hasEnded() const { return isComplete() || !problem.empty(); }
    };
    struct Running {
        std::string key;
        std::stop_source stop;
    };
    // What a worker does next. An empty piece plans, or measures.
    struct Step {
        const WantedRender* wanted = nullptr;
        std::optional<std::size_t> piece;
        double urgency = 0;
    };

    void work(const std::stop_token& end);
    std::optional<Step> next() const;
    void doStep(std::unique_lock<std::mutex>& lock, const Step& step);
    void plan(std::unique_lock<std::mutex>& lock, const WantedRender& wanted);
    void render(std::unique_lock<std::mutex>& lock, const std::string& key, std::size_t piece);
    void measure(std::unique_lock<std::mutex>& lock, const std::string& key);
    Entry* entryOf(const std::string& key);
    const Entry* entryOf(const std::string& key) const;
    void forget(const std::string& key);
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
