// Rendered clips: made piece by piece on workers, the most urgent first, and kept by what they were made from.
#pragma once

#include "project/render_job.h"
#include "sound/peaks.h"

#include <atomic>
#include <condition_variable>
#include <functional>
#include <limits>
#include <list>
#include <mutex>
#include <optional>
#include <stop_token>
#include <string>
#include <thread>
#include <unordered_map>
#include <vector>

namespace sound {
class AudioStore;
class StoreDraft;
} // namespace sound

namespace play {

struct WantedRender {
    project::RenderJobPtr job;
    double startsIn = 0;   // seconds from the play position to its frame 0; negative: it has begun
    bool measured = false; // its loudness, too
    // The frames of it that are wanted; none beyond its end. The same job may be wanted more than once.
    metre::Frames from{0};
    metre::Frames to{std::numeric_limits<std::int64_t>::max() / 2};
};

// A part of a rendering that is ready.
struct RenderedPiece {
    metre::Frames from; // of the rendering
    sound::AudioPtr audio;
    std::shared_ptr<const sound::Peaks> peaks; // for drawing; null for a draft

    metre::Frames end() const { return from + audio->frames(); }
};

// All members may be called from any thread.
class RenderCache {
  public:
    // onDone is called from a worker after each piece that ended, well or badly; it must not call back. Long
    // renderings lie in the store, where there is one, as far as it has room: another time they are found there.
    RenderCache(int workers, std::size_t keepBytes, std::function<void()> onDone,
                sound::AudioStore* store = nullptr);
    ~RenderCache();
    RenderCache(const RenderCache&) = delete;
    RenderCache& operator=(const RenderCache&) = delete;

    // From now on these are wanted, and nothing else: renderings under way that are no longer wanted are stopped.
    // What sounds comes first, then what will, then what has.
    void want(const std::vector<WantedRender>& wanted);

    // Quick renderings (stretch/draft.h) of frames that are needed at once, before everything else: in addition to
    // what is wanted. They are dropped once the frames are there, with what is no longer wanted, and where
    // rendering fails.
    void draft(const std::vector<WantedRender>& needed);

    // The pieces that are there, in order; each frame is in one of them at most.
    std::vector<RenderedPiece> find(base::Key key) const;
    // Many questions answered at once, so that whoever asks waits for the workers only once.
    struct Question {
        base::Key key;
        metre::Frames from; // is it there from here
        metre::Frames to;   // to here
    };
    struct Answer {
        std::vector<RenderedPiece> pieces; // joined where they lie side by side; without outlines
        std::vector<RenderedPiece> drafts; // that reach into the frames that were asked for
        bool has = false;                  // as has() says
        bool hasDraft = false;             // the same with drafts for what is missing
        bool failed = false;
    };
    std::vector<Answer> answers(const std::vector<Question>& questions) const;
    // Whether the frames [from, to) are there, as far as the rendering has such frames.
    bool has(base::Key key, metre::Frames from, metre::Frames to) const;
    bool isComplete(base::Key key) const;
    // Whether all that is wanted of it is there.
    bool hasWanted(base::Key key) const;
    // In LUFS, where it was wanted, is complete, and is not silent.
    std::optional<double> loudness(base::Key key) const;
    // Whether loudness() has its final answer.
    bool isMeasured(base::Key key) const;
    // Why a rendering failed; empty when it has not.
    std::string problemWith(base::Key key) const;
    // Tries again what failed and is still wanted.
    void retry();
    // Counts up whenever anything here becomes ready, is measured, or fails.
    std::int64_t changes() const { return changes_.load(std::memory_order_acquire); }
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
        std::int64_t serial = 0;   // which entry this is: a key may be forgotten and begun anew
        project::RenderJobPtr job; // what the plan refers to
        std::shared_ptr<const stretch::Rendering> plan;
        std::vector<Piece> pieces;
        std::size_t ready = 0;
        std::size_t bytes = 0;
        bool busy = false; // being planned or measured
        bool measured = false;
        std::optional<double> loudness;
        std::string problem;
        std::list<base::Key>::iterator age;
        std::vector<RenderedPiece> drafts;
        std::shared_ptr<sound::StoreDraft> stored; // where its pieces go; null: they stay in memory

        bool isComplete() const { return !pieces.empty() && ready == pieces.size(); }
    };
    struct Use {
        double startsIn = 0;
        std::int64_t from = 0;
        std::int64_t to = 0;
    };
    // What is to be done next for something that is wanted: a piece of it is rendered, or it is planned, or
    // measured.
    struct Next {
        std::optional<std::size_t> piece;
        double urgency = 0;
    };
    struct Wanted {
        project::RenderJobPtr job;
        bool measured = false;
        std::vector<Use> uses;
        // Worked out by look() whenever its entry changes, so that nobody walks through all pieces of all.
        bool hasAll = false;
        std::optional<Next> next;
    };
    struct Running {
        base::Key key;
        std::stop_source stop;
    };
    // What a worker does next. An empty piece plans, or measures.
    struct Step {
        const Wanted* wanted = nullptr;
        std::optional<std::size_t> piece;
        std::optional<WantedRender> draft;
        double urgency = 0;
    };

    void work(const std::stop_token& end);
    std::optional<Step> next() const;
    void look(Wanted& wanted);
    void touch(base::Key key);
    static std::optional<Next> nextOf(const Wanted& wanted, const Entry* entry);
    void doStep(std::unique_lock<std::mutex>& lock, const Step& step);
    void plan(std::unique_lock<std::mutex>& lock, const Wanted& wanted);
    std::optional<RenderedPiece> ready(const project::RenderJob& job) const;
    static void fail(Entry& entry, const std::string& why);
    void makeDraft(std::unique_lock<std::mutex>& lock, const WantedRender& needed);
    static bool isNeeded(const Wanted& wanted, const Piece& piece);
    static bool hasAllOf(const Wanted& wanted, const Entry* entry);
    static double urgencyOf(const Wanted& wanted, std::int64_t from, std::int64_t to);
    void render(std::unique_lock<std::mutex>& lock, base::Key key, std::size_t piece);
    void measure(std::unique_lock<std::mutex>& lock, base::Key key);
    static std::vector<RenderedPiece> joined(const Entry& entry);
    void complete(std::unique_lock<std::mutex>& lock, base::Key key);
    static bool hasFrames(const Entry* entry, metre::Frames from, metre::Frames to);
    Entry* entryOf(base::Key key);
    Entry& entryFor(const project::RenderJobPtr& job);
    const Entry* entryOf(base::Key key) const;
    void forget(base::Key key);
    void forgetOld();

    std::atomic<std::int64_t> changes_{0};
    const std::size_t keepBytes_;
    const std::function<void()> onDone_;
    sound::AudioStore* const store_;
    mutable std::mutex mutex_; // guards all below
    std::condition_variable_any wake_;
    std::unordered_map<base::Key, Wanted, base::KeyHash> wanted_;
    std::vector<WantedRender> drafts_; // to be made
    std::vector<std::shared_ptr<Running>> running_;
    std::unordered_map<base::Key, Entry, base::KeyHash> entries_;
    std::list<base::Key> ages_; // least recently wanted first
    std::size_t bytes_ = 0;
    std::size_t pending_ = 0; // of wanted_, those that do not have all
    std::int64_t nextSerial_ = 1;
    std::vector<std::jthread> workers_;
};

} // namespace play
