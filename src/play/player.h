// Plays a project: keeps the render cache, the engine and the output in step with the newest version of it.
#pragma once

#include "play/engine.h"
#include "play/guest.h"
#include "play/leader.h"
#include "play/output.h"
#include "play/player_state.h"
#include "play/rate_feed.h"
#include "play/read_ahead.h"
#include "play/render_cache.h"
#include "project/clip_rendering.h"
#include "project/laid.h"

#include <chrono>
#include <deque>
#include <functional>
#include <memory>
#include <optional>
#include <string>
#include <unordered_map>

namespace play {

// Used by one thread, the interface's.
class Player {
  public:
    // onChange is called from other threads when tick() has something to do; it must only wake the interface. The
    // store, where there is one, takes what is rendered, and must outlive this.
    Player(std::unique_ptr<Output> output, std::function<void()> onChange, sound::AudioStore* store = nullptr);
    ~Player();

    // From now on this project is played. Clips that were rendered before are there at once, the others as they
    // are rendered, those next to the play position first. While playing, a change of tempo is heard once the
    // clips about to sound are ready, at least in a draft, a few hundredths of a second later as a rule, from the
    // same bar and beat; what is drafted is replaced as it is rendered. The output follows the project's rate;
    // where it cannot, what is played is converted.
    void setProject(const project::LaidPtr& laid);
    // What is looked at while it stands still: from the next change on, that is rendered first. none: what lies at
    // the play position, as while it plays.
    void lookAt(std::optional<metre::Beats> place) { lookedAt_ = place; }
    // Brings newly rendered clips into what is played. To be called when onChange was, and about every 20 ms.
    void tick();

    void play();
    void stop();
    void locate(metre::Beats to);
    // While playing, goes on at `to` from the next bar line on, or from `at`; stopped, it goes there.
    void jump(metre::Beats to, bool atOnce);
    bool isJumping() const { return engine_.isJumping(); }
    bool isPlaying() const { return state_.playsProject(); }
    // Whether another tempo, or the beginning, waits for its clips.
    bool isWaiting() const { return state_.waitsForClips() || state_.isBeginning() || next_ != nullptr; }
    metre::Beats position() const;

    // From now on the leader says when the project plays and where; play(), stop() and locate() ask it. It goes by
    // bar and beat: neither the loop range nor counting in counts, and a jump is made at once. null: nobody leads.
    // What plays stops.
    void setLeader(std::unique_ptr<Leader> leader);
    Leader* leader() { return leader_.get(); }
    const Leader* leader() const { return leader_.get(); }
    // Where the project is now, for whoever tells others of it. Any thread.
    Heard heard() const { return engine_.heard(); }

    // A recording as it is, and how it is heard: with a click on its beats, where it has some, accented by its
    // metre; round and round between two moments of it.
    struct RawHearing {
        std::optional<metre::BeatMap> beats;
        metre::Metre metre;
        bool click = false;
        std::optional<std::pair<metre::Seconds, metre::Seconds>> between;
        bool operator==(const RawHearing&) const = default;
    };
    // Plays it from a moment on, in the place of the project. The project's play position stays where it was.
    void playRaw(sound::AudioPtr audio, const RawHearing& hearing, metre::Seconds from = metre::Seconds(0));
    // The same recording goes on from where it is, heard in another way. REQUIRES isPlayingRaw().
    void hearRaw(const RawHearing& hearing);
    void stopRaw();
    bool isPlayingRaw() const { return state_.hearsRecording(); }
    metre::Seconds rawPosition() const; // REQUIRES isPlayingRaw()

    // Lets a recording be heard: while the project plays, beside it, from the next bar line on, or at once; where
    // another is heard already, it has crossed over to this one by the next beat. It then goes with the project,
    // through changes of tempo and key and round its range. While the project stands still, alone, from its first
    // sample. Its level is its own. The same recording told anew (its beats are known now, or how it is to be heard
    // is another) goes on where it is.
    struct Auditioned {
        std::shared_ptr<const project::Source> source; // with its sound
        bool inTempo = true;
        bool inKey = false;
        bool repeat = true;
        bool atOnce = false;
        double db = -12;
        bool operator==(const Auditioned&) const = default;
    };
    void audition(const Auditioned& auditioned);
    // It goes on from another place of the recording: alone at once, beside the project from the next beat on, by
    // whole beats. REQUIRES isAuditioning().
    void auditionFrom(metre::Seconds from);
    void stopAudition();
    bool isAuditioning() const { return heardGuest_.has_value() || nextGuest_.has_value(); }
    // Where in the recording it is; none while it waits for its bar line, or for its sound.
    std::optional<metre::Seconds> auditionPosition() const;
    float takeAuditionPeak(int channel);

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

    // What is rendered of a clip, as it is to be heard now, in order; without drafts.
    struct ShownPiece {
        Frames from; // of the clip
        Frames to;
        Frames at; // where the sound's first frame lies
        sound::AudioPtr audio;
        std::shared_ptr<const sound::Peaks> peaks;
    };
    std::vector<ShownPiece> renderedClip(project::ClipId id) const;
    // What is rendered of these clips, and what lies in the store of them, for whoever proves or delivers them.
    project::RenderingsPtr renderings(const std::vector<project::ClipId>& clips) const;
    bool isRendered(project::ClipId id) const;
    // Counts up whenever anything becomes rendered, or fails.
    std::int64_t renderChanges() const { return cache_.changes(); }
    // Why a clip cannot be heard; empty when it can, or will be.
    std::string problemWith(project::ClipId id) const;
    // Whether anything that is to be heard could not be rendered; play() tries it again.
    bool hasFailures() const;
    // Stops rendering; the next change, locate or play goes on with it.
    void cancelRenders() { cache_.want({}); }
    std::size_t pendingRenders() const { return cache_.pending(); }
    std::size_t wantedRenders() const { return cache_.wantedCount(); }

    // The highest sample of a channel since last asked, as a factor; of a track before the output gain.
    float takePeak(int channel) { return engine_.takePeak(channel); }
    float takeTrackPeak(std::size_t track, int channel) { return engine_.takeTrackPeak(track, channel); }
    Output& output() { return *output_; }
    // What start of the output said when it failed; empty when all is well.
    const std::string& outputProblem() const { return outputProblem_; }
    // Takes another output in place of one that has gone.
    void replaceOutput(std::unique_ptr<Output> output);

  private:
    // A part of a clip: a window on a rendering.
    struct Window {
        const project::LaidClip* clip = nullptr; // in laid_
        const project::Part* part = nullptr;     // in the clip's timing
        Frames before;                           // frames beyond either end that cross over with the next part
        Frames after;
        project::RenderJobPtr other; // what it is compared with, if it is
        Frames otherFrom;
    };
    static constexpr double aheadAtOnce = 0.3; // seconds that are in memory before it goes there
    // A stretch of sound of a clip: frames of the clip.
    struct Segment {
        Frames from;
        Frames to;
        Frames at; // of the sound's first frame
        Frames rise;
        Frames fall;
        sound::AudioPtr audio;
        std::shared_ptr<const sound::Peaks> peaks;
        bool draft = false;
    };
    struct HeardClip {
        std::vector<std::pair<Frames, Frames>> parts; // where they begin and how long they are
        std::vector<Segment> segments;
    };

    struct Raw {
        sound::AudioPtr audio;
        ScenePtr scene;
        metre::Seconds beatZero; // in the recording
    };

    void take(const project::LaidPtr& laid);
    void publish();
    void lookAhead(bool atOnce);
    // An order to the engine that is given once what it needs is in memory, or after so long where the disk is
    // slow: the interface does not wait for a disk.
    struct HeldOrder {
        std::int64_t asked = 0; // of readAhead_
        std::chrono::steady_clock::time_point until;
        bool isScene = false;
        std::function<void()> give;
    };
    void order(std::vector<ReadAhead::Need> needs, bool isScene, std::function<void()> give);
    void giveOrders(bool all);
    void addClip(mix::Scene& scene, std::size_t first, std::size_t end,
                 const std::vector<RenderCache::Answer>& answers,
                 std::unordered_map<std::int64_t, HeardClip>& heard);
    static void addSegments(std::vector<Segment>& list, const Window& window, const RenderCache::Answer& answer);
    static void joinSegments(std::vector<Segment>& list);
    RenderCache::Question soundingFrom(const Window& window, double place) const;
    std::vector<RenderCache::Question> aboutToSound() const;
    std::vector<RenderCache::Question> soundingAfterJump() const;
    void addDraftsForJump(std::vector<RenderCache::Answer>& answers) const;
    bool askForDrafts();
    double otherGainDb(const Window& window) const;
    std::pair<std::size_t, std::size_t> windowsOf(project::ClipId id) const;
    double startOf(const Window& window) const;
    void begin();
    const project::Project& project() const { return laid_->project(); }
    metre::Beats heardPosition() const;
    // Of the engine, or where it was told to go last.
    metre::Beats engineBeats() const {
        return isLocateOrdered_ || engine_.ordersDone() < locateOrder_ ? located_ : engine_.position();
    }
    // What is auditioned (player_audition.cpp).
    project::LaidPtr withAudition();
    void beginAlone(Guest guest);
    void endAlone();
    void tickAudition();
    bool isReady(std::int64_t guest) const;
    std::vector<Guest> guests() const;
    metre::Beats placeFor(const Guest& guest, metre::Beats enters) const;
    void startOutput();
    // A recording by itself (player_raw.cpp).
    void makeRaw(sound::AudioPtr audio, const RawHearing& hearing);
    void locateRaw(metre::Seconds to);
    void takeNext();
    // What another says of when and where (player_led.cpp).
    void tickLed();
    void ledBegins();
    void ledStops();
    void followOrNot();
    void standStill();
    void tellStep();
    void readyProject();

    PlayerState state_;
    std::unique_ptr<Leader> leader_;
    struct Retired {
        std::unique_ptr<Leader> leader;
        std::int64_t order = 0; // once it is done the callback knows of it no more
    };
    std::deque<Retired> retired_;
    bool follows_ = false;       // the engine has been told so
    std::int64_t ledAsked_ = -1; // of readAhead_, for the place where the leader waits
    metre::Beats ledAskedFor_;
    std::unique_ptr<Output> output_;
    std::string outputProblem_;
    Engine engine_;
    RenderCache cache_;
    ReadAhead readAhead_;
    std::shared_ptr<const mix::Scene> scene_; // that was handed over last
    std::chrono::steady_clock::time_point lookedAheadAt_;
    std::deque<HeldOrder> orders_;
    std::int64_t beginAsked_ = -1;   // what playing begins with; −1: not asked for yet
    bool isLocateOrdered_ = false;   // and not given yet
    std::unique_ptr<RateFeed> feed_; // null while the output plays at the project's rate
    int rate_ = 0;                   // the project's that the output was started for
    project::LaidPtr laid_;          // never null
    project::LaidPtr next_;          // waits until the tempo before it is heard
    std::vector<Window> windows_;
    std::unordered_map<std::int64_t, std::pair<std::size_t, std::size_t>> places_; // of clips in windows_
    // At heardTempo_: stands in until the new one is ready.
    std::unordered_map<std::int64_t, HeardClip> lastHeard_;
    using Asked = std::unordered_map<base::Key, std::chrono::steady_clock::time_point, base::KeyHash>;
    Asked drafting_;        // when what is about to sound was asked for
    Asked draftingForJump_; // and what a jump will play
    bool wasJumping_ = false;
    std::optional<Comparison> comparison_;
    bool wantsOther_ = false;
    // What is auditioned: the one that is heard, or heard last, and the one that comes after it.
    project::LaidPtr base_; // the project's own; never null
    std::optional<Guest> heardGuest_;
    std::optional<Guest> nextGuest_;
    bool nextIsAsked_ = false; // the engine has been told of it
    bool nextAtOnce_ = false;
    GuestCover cover_;
    std::int64_t lastGuest_ = 0;
    metre::TempoMap heardTempo_;
    std::chrono::steady_clock::time_point changedAt_;
    std::int64_t publishedChanges_ = -1;
    std::chrono::steady_clock::time_point publishedAt_;
    std::int64_t locateOrder_ = 0;
    metre::Beats located_;
    std::optional<metre::Beats> lookedAt_;
    metre::Beats jumpTo_;
    std::unique_ptr<Raw> raw_;  // while a recording is heard by itself
    metre::Seconds rawLocated_; // counts until the callback has seen it
    std::int64_t rawOrder_ = 0;
    metre::Beats leftAt_; // the project's position while raw_ plays
};

} // namespace play
