// The project laid out, once, for all who look at it: where each clip begins and ends, how it is stretched, what it
// sounds like, and through which gains. Nobody outside this room derives timing of their own.
#pragma once

#include "project/render_job.h"

#include <span>
#include <unordered_map>

namespace project {

// A stretch of a clip that is a window on a rendering. Renderings are of whole sources, or of whole turns of what
// goes round: a clip that is trimmed or split plays what it would have played in whole.
struct Part {
    Frames at; // its first frame, from the clip's beginning
    Frames length;
    RenderJobPtr job; // never null
    Frames from;      // the rendering's frame that sounds first
    // By how many frames it crosses over with the part before it, half of them on either side: where the key
    // changes.
    Frames cross;
};

// What follows from a clip, its source and the project's time alone.
struct Timing {
    bool follows = false;   // it fills its beats at every tempo
    bool stretched = false; // it is fitted to a tempo, the project's or one that it is held at
    Beats start;
    Beats end;
    Frames startFrame; // where its first frame sounds, counted from beat 0; negative for pick-ups before it
    Frames length;
    Bpm tempo{120};                 // what its tempo becomes where it begins; unstretched, the project's there
    std::optional<Bpm> steadyTempo; // over all of it, where it is one
    std::optional<double> keyShift; // semitones into the project's key where it begins, where it follows that
    std::vector<Part> parts;        // by place, one after the other without gaps; empty where it cannot be heard
    std::string problem;            // why not, in a sentence naming the source
    int hitsDrawn = 0;              // of a tightened clip
    int hitsStuck = 0;              // that have no room to be

    // The first part's; null where it cannot be heard.
    RenderJobPtr job() const { return parts.empty() ? nullptr : parts.front().job; }
};

// The gains on a clip's way out.
struct Chain {
    bool heard = true;  // neither it nor its track muted, and soloed where any track is
    double clipDb = 0;  // the clip's own gain, normalising included
    double trackDb = 0; // its track's
    double pan = 0;     // its track's, −1 left to 1 right
    Channels channels = Channels::Stereo;
    Fade fadeIn;
    Fade fadeOut;
    bool flipLeft = false;
    bool flipRight = false;
    bool operator==(const Chain&) const = default;
};

struct LaidClip {
    TrackPtr track;
    std::size_t trackIndex = 0;
    const Clip* clip = nullptr; // in the track; never null
    SourcePtr recording;        // as it is in the project; null where it is not
    SourcePtr source;           // the same, as the clip counts it (counted.h)
    std::shared_ptr<const Timing> timing;
    TimeRule rule = TimeRule::Stretch; // the one that counts
    RuleFrom ruleFrom = RuleFrom::Project;
    Chain chain;

    ClipId id() const { return clip->id; }
    const Timing& time() const { return *timing; }
    const std::string& name() const { return clip->name.empty() && source ? source->name : clip->name; }
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
    std::shared_ptr<const std::unordered_map<std::int64_t, SourcePtr>> sources_; // by their numbers
    std::size_t laidAnew_ = 0;
};
using LaidPtr = std::shared_ptr<const Laid>;

// Lays a project out. A clip's time map bends at each of its source's pins and at each bend of the tempo map
// (metre::TempoMap::bends(), to half a frame); beats between lie on the straight line, as they do in the source.
// A clip that follows the key is cut where the key changes. What stayed as it was since `before` (the same clip of
// the same source at the same tempo) is taken over, so that the edit of one clip lays one clip. Any thread; quick.
LaidPtr lay(const Project& p, const LaidPtr& before = {});

} // namespace project
