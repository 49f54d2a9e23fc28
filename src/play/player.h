// Plays a project: keeps the render cache, the engine and the output in step with the newest version of it.
#pragma once

#include "play/engine.h"
#include "play/output.h"
#include "play/render_cache.h"
#include "project/project.h"

#include <chrono>
#include <functional>
#include <map>
#include <memory>
#include <optional>
#include <string>

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
    void setProject(const project::Project& p);
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

    // The rendered audio of a clip as it is to be heard now; null while it is being rendered.
    sound::AudioPtr renderedClip(project::ClipId id) const;
    // Why a clip cannot be heard; empty when it can, or will be.
    std::string problemWith(project::ClipId id) const;
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
        project::ClipId clip;
        metre::Frames start;
        float gain = 1;
        std::string key;
        std::string problem;
    };

    struct Raw {
        sound::AudioPtr audio;
        ScenePtr scene;
        metre::Seconds beatZero; // in the recording
    };

    void publish();
    bool nextToSoundAreReady() const;
    void startOutput();

    std::unique_ptr<Output> output_;
    std::string outputProblem_;
    Engine engine_;
    RenderCache cache_;
    project::Project project_;
    std::vector<Part> parts_;
    std::map<project::ClipId, sound::AudioPtr> lastHeard_; // at heardTempo_: stands in until the new one is ready
    metre::TempoMap heardTempo_;
    bool waiting_ = false; // a new tempo waits for its clips
    std::chrono::steady_clock::time_point changedAt_;
    std::size_t publishedReady_ = 0;
    bool wantsToPlay_ = false;
    std::int64_t locateOrder_ = 0;
    metre::Beats located_;
    void makeRaw(sound::AudioPtr audio, const std::optional<metre::BeatMap>& beats, bool click);

    std::unique_ptr<Raw> raw_;
    metre::Beats leftAt_; // the project's position while raw_ plays
};

} // namespace play
