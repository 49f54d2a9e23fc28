// Plays a project: keeps the render cache, the engine and the output in step with the newest version of it.
#pragma once

#include "play/engine.h"
#include "play/output.h"
#include "play/rate_feed.h"
#include "play/render_cache.h"
#include "project/laid.h"

#include <chrono>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <unordered_map>

namespace play {

// Used by one thread, the interface's.
class Player {
  public:
    // onChange is called from other threads when tick() has something to do; it must only wake the interface.
    Player(std::unique_ptr<Output> output, std::function<void()> onChange);
    ~Player();

    // From now on this project is played. Clips that were rendered before are there at once, the others as they
    // are rendered, those next to the play position first. While playing, a change of tempo is heard once the
    // clips about to sound are ready, a fifth of a second later at the latest, from the same bar and beat.
    // The output follows the project's rate; where it cannot, what is played is converted.
    void setProject(const project::LaidPtr& laid);
    // Brings newly rendered clips into what is played. To be called when onChange was, and about every 20 ms.
    void tick();

    void play();
    void stop();
    void locate(metre::Beats to);
    bool isPlaying() const { return wantsToPlay_; }
    metre::Beats position() const;

    // Plays a recording as it is, from its start, in the place of the project; with a click on its beats where it
    // has some. The project's play position stays where it was.
    void playRaw(sound::AudioPtr audio, const std::optional<metre::BeatMap>& beats, bool click);
    // The same recording goes on from where it is, with its click on other beats. REQUIRES isPlayingRaw().
    void retimeRaw(const std::optional<metre::BeatMap>& beats, bool click);
    void stopRaw();
    bool isPlayingRaw() const { return raw_ != nullptr; }
    metre::Seconds rawPosition() const; // REQUIRES isPlayingRaw()

    // From now on these clips are also rendered by another method, or not stretched at all, so that either can be
    // heard at once; nothing ends that. What becomes of it ends when the clips are gone.
    struct Comparison {
        std::vector<project::ClipId> clips;
        std::optional<stretch::Method> with; // none: as recorded
        bool operator==(const Comparison&) const = default;
    };
    void compare(std::optional<Comparison> comparison);
    const std::optional<Comparison>& comparison() const { return comparison_; }
    // Whether the other is to be heard, as loud as the clip is: once both are rendered and measured.
    void hearOther(bool on);
    bool hearsOther() const { return wantsOther_ && otherIsReady(); }
    bool otherIsReady() const;
    // By how much the other is turned up to be as loud, in decibels; for the first clip that is compared.
    double otherGainDb() const;

    // What is rendered of a clip, as it is to be heard now, in order.
    std::vector<RenderedPiece> renderedClip(project::ClipId id) const;
    bool isRendered(project::ClipId id) const;
    // Why a clip cannot be heard; empty when it can, or will be.
    std::string problemWith(project::ClipId id) const;
    // Whether anything that is to be heard could not be rendered; play() tries it again.
    bool hasFailures() const;
    // Stops rendering; the next change, locate or play goes on with it.
    void cancelRenders() { cache_.want({}); }
    std::size_t pendingRenders() const { return cache_.pending(); }
    std::size_t wantedRenders() const { return cache_.wantedCount(); }

    // The highest sample of a channel since last asked, as a factor.
    float takePeak(int channel) { return engine_.takePeak(channel); }
    Output& output() { return *output_; }
    // What start of the output said when it failed; empty when all is well.
    const std::string& outputProblem() const { return outputProblem_; }
    // Takes another output in place of one that has gone.
    void replaceOutput(std::unique_ptr<Output> output);

  private:
    struct Part {
        const project::LaidClip* clip = nullptr; // in laid_
        base::Key key;                           // empty: it cannot be heard
        base::Key otherKey;                      // what it is compared with, if it is
    };

    struct Raw {
        sound::AudioPtr audio;
        ScenePtr scene;
        metre::Seconds beatZero; // in the recording
    };

    void publish();
    bool nextToSoundAreReady() const;
    bool isReadyFor(const Part& part, double seconds) const;
    double otherGainDb(const Part& part) const;
    const Part* partOf(project::ClipId id) const;
    const project::Project& project() const { return laid_->project(); }
    void startOutput();

    std::unique_ptr<Output> output_;
    std::string outputProblem_;
    Engine engine_;
    RenderCache cache_;
    std::unique_ptr<RateFeed> feed_; // null while the output plays at the project's rate
    int rate_ = 0;                   // the project's that the output was started for
    project::LaidPtr laid_;          // never null
    std::vector<Part> parts_;
    std::unordered_map<std::int64_t, std::size_t> places_; // of clips in parts_
    // At heardTempo_: stands in until the new one is ready.
    std::unordered_map<std::int64_t, std::vector<RenderedPiece>> lastHeard_;
    std::optional<Comparison> comparison_;
    bool wantsOther_ = false;
    metre::TempoMap heardTempo_;
    bool waiting_ = false; // a new tempo waits for its clips
    std::chrono::steady_clock::time_point changedAt_;
    std::int64_t publishedChanges_ = -1;
    bool wantsToPlay_ = false;
    std::int64_t locateOrder_ = 0;
    metre::Beats located_;
    void makeRaw(sound::AudioPtr audio, const std::optional<metre::BeatMap>& beats, bool click);

    std::unique_ptr<Raw> raw_;
    metre::Beats leftAt_; // the project's position while raw_ plays
};

} // namespace play
