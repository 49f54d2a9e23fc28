// Edits of tracks: functions from a project to a project. None alters what it is given; each checks what must hold,
// and fails with a sentence when what is asked for cannot be. Any thread; quick.
#pragma once

#include "project/project.h"

namespace project {

// An empty track at the end, named and tinted.
struct AddedTrack {
    Project project;
    TrackId id;
};
AddedTrack addTrack(const Project& p, const std::string& name);
// With its clips; fails when one of them is locked.
Result<Project> removeTrack(const Project& p, TrackId id);
Result<Project> setMute(const Project& p, TrackId id, bool on);
Result<Project> setSolo(const Project& p, TrackId id, bool on);
// In decibels, quietestDb to loudestDb; turning stops at either end.
Result<Project> setTrackGain(const Project& p, TrackId id, double db);
Result<Project> turnTrackGain(const Project& p, TrackId id, double byDb);
Result<Project> setPan(const Project& p, TrackId id, double pan); // −1 left to 1 right
// none: the project's.
Result<Project> setTrackRule(const Project& p, TrackId id, std::optional<TimeRule> rule);
Result<Project> setTrackTint(const Project& p, TrackId id, int tint); // 0–7
// To that place in the list, counted from 0.
Result<Project> moveTrack(const Project& p, TrackId id, std::size_t to);
// With copies of its clips, below it.
struct DuplicatedTrack {
    Project project;
    TrackId id;
};
Result<DuplicatedTrack> duplicateTrack(const Project& p, TrackId id);
// How high it is shown, 0–2: undo leaves that alone.
Result<Project> renameTrack(const Project& p, TrackId id, const std::string& name);

} // namespace project
