// From a clip and its source to when it sounds: the one place where that is worked out. For edits, and for laid.h,
// which is what everybody outside this room reads (tests/house holds them to it).
#pragma once

#include "project/project.h"

namespace project {

// Whether the project's tempo follows this clip.
bool leads(const Project& p, const Clip& clip);

// The time rule that counts: the clip's own, else its track's, else the project's. What has no beats is placed, and
// so is what leads.
struct Ruling {
    TimeRule rule = TimeRule::Stretch;
    RuleFrom from = RuleFrom::Project;
    bool follows = true; // it fills its beats at every tempo
    bool operator==(const Ruling&) const = default;
};
Ruling rulingOf(const Project& p, const Track& track, const Clip& clip, const Source* source);

// What goes round in a clip, in its source's own time.
struct Turn {
    Seconds from;
    Seconds to;
    Seconds length() const { return to - from; }
};

// A clip's own time: what it is, counted on through its turns, and when that sounds: by its source's beats, as it
// counts them. A null source is one that is not in the project. Refers to all it is given.
class ClipTime {
  public:
    ClipTime(const metre::TempoMap& tempo, const Clip& clip, const Source* source, bool follows);

    // none: it does not go round.
    const std::optional<Turn>& turn() const { return turn_; }
    // Which time round, counted from 0, and where in the recording that is. What comes before the end of the first
    // turn is the first.
    struct Place {
        std::int64_t round = 0;
        Seconds in;
    };
    Place placeOf(Seconds u) const;
    // The source's beats, counted on; and back. REQUIRES source->beats.
    Beats beatOf(Seconds u) const;
    Seconds at(Beats sourceBeats) const;
    // When a moment of it is heard, in seconds and in beats of the project; and back.
    Seconds heardAt(Seconds u) const;
    Beats projectBeatOf(Seconds u) const;
    Seconds at(Seconds heard) const;
    Seconds momentAt(Beats projectBeat) const;
    // Beats that pass in a turn. REQUIRES turn() and source->beats.
    Beats turnBeats() const { return turnBeats_; }
    bool isFitted() const { return follows_ || held_; }
    bool follows() const { return follows_; }
    const std::optional<Bpm>& held() const { return held_; }
    Seconds downbeat() const { return downbeat_; }
    // The source's beats as it is fitted by them. REQUIRES source->beats.
    const metre::BeatMap& beats() const { return *beats_; }
    // How many of its hits are drawn, and how many have no room to be (tighten.h).
    int hitsDrawn() const { return hitsDrawn_; }
    int hitsStuck() const { return hitsStuck_; }

  private:
    const metre::TempoMap& tempo_;
    const Clip& clip_;
    bool follows_;
    SourcePtr counted_; // null where it counts as its source does
    void tighten(const Source& source);

    std::optional<metre::BeatMap> beats_;
    std::optional<Bpm> held_;
    std::optional<Turn> turn_;
    Beats turnBeats_;
    Seconds downbeat_;
    int hitsDrawn_ = 0;
    int hitsStuck_ = 0;
};

// How many beats a clip fills, as it counts them: in one turn where it goes round more than once, from the first
// downbeat where it plays all of its source. REQUIRES source.beats, as the clip counts them.
Beats beatsFilled(const Clip& clip, const Source& source, const ClipTime& time);

// Where a clip begins and ends in the project, in beats. Unstretched, the first downbeat is still what lies on the
// clip's `at`, and what comes before it hangs before.
Beats startOf(const Project& p, const Track& track, const Clip& clip);
Beats endOf(const Project& p, const Track& track, const Clip& clip);
Beats startOf(const Project& p, const Clip& clip);
Beats endOf(const Project& p, const Clip& clip);

// Holds a clip that follows the tempo as long as it is now, or lets one that was held follow again. Whether it
// changed.
bool holdOrFollow(const Project& p, const Track& track, Clip& clip, bool follow);

} // namespace project
