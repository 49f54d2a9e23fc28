// What is auditioned, as a part of a project: beside its tracks while it plays, or alone.
#pragma once

#include "project/laid.h"

namespace play {

struct Guest {
    std::int64_t id = 0;                           // 1 and up; another for each that is auditioned
    std::shared_ptr<const project::Source> source; // with its sound
    bool inTempo = true;                           // fitted to the project, where it has beats
    bool inKey = false;                            // and to its key, where both have one
    bool repeat = true;
    double db = -12;
    metre::Beats at; // where a first downbeat of it lies
};

// A stretch of the project that a guest is there for.
struct GuestCover {
    metre::Beats from;
    metre::Beats to;
};

// The project with a track for each guest, behind its own and heard whatever is soloed. What repeats fills the
// cover with whole turns, so that its first downbeats lie where they would had it always been there; what does not
// repeat sounds once from `at` on. A recording that plays at its own tempo begins at `at` in any case. REQUIRES
// that the guests have sound.
project::Project withGuests(const project::Project& p, const std::vector<Guest>& guests, const GuestCover& cover);

// A project of nothing but a guest, at the tempo, metre and key of p at `here`: its first downbeat on beat 0, with
// the range to repeat.
project::Project alone(const project::Project& p, const Guest& guest, metre::Beats here);

// The guest's clip in one of these.
project::ClipId clipOfGuest(std::int64_t guest);
// Whose clip or track that is; 0: the project's own.
std::int64_t guestOf(project::ClipId clip);

// How many beats of the project it takes to go round once, or to be heard once; at that place of the project.
metre::Beats turnOf(const project::Project& p, const Guest& guest, metre::Beats at);
// Whether it is fitted: asked for, known how, and no hit, nor anything of which hearing is not sure that it has a
// beat.
bool isFitted(const Guest& guest);

} // namespace play
