// The project laid out, once, for all who look at it: where each clip begins and ends, how it is stretched, what it
// sounds like, and through which gains. Nobody outside this room derives timing of their own.
#pragma once

#include "project/render_job.h"

#include <span>
#include <unordered_map>

namespace project {

// What follows from a clip, its source and the project's tempo alone.
struct Timing {
    bool stretched = false; // it fills its beats; else it keeps its length
    Beats start;
    Beats end;
    Frames startFrame; // where its first frame sounds, counted from beat 0; negative for pick-ups before it
    Frames length;
    Bpm tempo{120};                 // the project's where it begins
    std::optional<Bpm> steadyTempo; // the project's over all of it, where it is one
    RenderJobPtr job;               // null where it cannot be heard
    std::string problem;            // why not, in a sentence naming the source
};

// Whose time rule counts for a clip.
enum class RuleFrom {
    Clip,
    Source // it has no beats, and can only be placed
};

// The gains on a clip's way out.
struct Chain {
    bool heard = true;  // not muted, and soloed where any track is
    double clipDb = 0;  // the clip's own gain
    double trackDb = 0; // its track's
    double pan = 0;     // its track's, −1 left to 1 right
    Channels channels = Channels::Stereo;
    Fade fadeIn;
    Fade fadeOut;
    bool operator==(const Chain&) const = default;
};

struct LaidClip {
    TrackPtr track;
    std::size_t trackIndex = 0;
    const Clip* clip = nullptr; // in the track; never null
    SourcePtr source;           // null where it is not in the project
    std::shared_ptr<const Timing> timing;
    TimeRule rule = TimeRule::Stretch; // the one that counts
    RuleFrom ruleFrom = RuleFrom::Clip;
    Chain chain;

    ClipId id() const { return clip->id; }
    const Timing& time() const { return *timing; }
};

// An immutable value. Any thread.
class Laid {
  public:
    const Project& project() const { return project_; }
    // By track, and on a track in the track's order.
    const std::vector<LaidClip>& clips() const { return clips_->list; }
    std::span<const LaidClip> onTrack(std::size_t index) const;
    const LaidClip* find(ClipId id) const; // null when there is no such clip
    // The end of the last clip; beat 0 where there is none.
    Beats end() const { return clips_->end; }
    // How many clips had to be laid anew; the others were taken over from the layout before.
    std::size_t laidAnew() const { return laidAnew_; }

  private:
    struct Clips {
        std::vector<LaidClip> list;
        std::vector<std::size_t> trackBegins; // and one more: the number of clips
        std::unordered_map<std::int64_t, std::size_t> places;
        Beats end;
    };
    friend std::shared_ptr<const Laid> lay(const Project&, const std::shared_ptr<const Laid>&);

    Project project_;
    std::shared_ptr<const Clips> clips_;
    std::shared_ptr<const std::vector<Beats>> bends_; // of the tempo map, to half a frame
    std::size_t laidAnew_ = 0;
};
using LaidPtr = std::shared_ptr<const Laid>;

// Lays a project out. A clip's time map bends at each of its source's pins and at each bend of the tempo map
// (metre::TempoMap::bends(), to half a frame); beats between lie on the straight line, as they do in the source.
// What stayed as it was since `before` (the same clip of the same source at the same tempo) is taken over, so that
// the edit of one clip lays one clip. Any thread; quick.
LaidPtr lay(const Project& p, const LaidPtr& before = {});

} // namespace project
