// Lead: one recording's beats are the project's tempo, and everything else follows it.
#pragma once

#include "project/project.h"

namespace project {

// The tempo of a recording's beats, as a map.
struct LeadTempo {
    std::vector<metre::Pin> beats; // where the tempo changes: moment of the recording, and beat of it
    std::vector<Bpm> bpm;          // from there to the next; at the last one, from there on
    Seconds worst;                 // by how much the farthest of its whole beats misses, beat 0 in its place
};

// Of the whole recording: one tempo for all of it, or for each bar (counted from beat 0), or each beat. Where
// `smooth` is not 0, as few as keep every such beat within it. Tempos that do not differ are one. Fails when it has
// fewer than two beats, or when a tempo is out of range, naming the beat.
Result<LeadTempo> leadTempo(const Source& source, Lead::Every every, Seconds smooth);
// The same as a project's tempo, with the recording's beat 0 on that beat.
Result<metre::TempoMap> tempoOf(const LeadTempo& lead, Beats at);

// Lets a clip lead. It plays as it was recorded from now on, and so do all clips of its source in the same place.
// Fails as leadTempo() does, and when it is locked.
Result<Project> setLead(const Project& p, ClipId clip, Lead::Every every, Seconds smooth = Seconds(0));
// How a clip leads where nobody says how: with one tempo where its source is steady, else beat by beat.
Lead::Every leadAsPlayed(const Project& p, ClipId clip);
// The tempo stays as it is, and is the project's own again: the recording is stretched to it like any other.
Result<Project> letGo(const Project& p);
// The same, and the tempo becomes one: this one, else that of the recording as a whole.
Result<Project> holdTempo(const Project& p, std::optional<Bpm> bpm = {});

// The project with its tempo brought into step with what leads it: after any edit. Where the clip is gone, or its
// beats are, nothing leads any more, and the tempo stays as it was.
Project withLead(Project p);

// Fails, naming what leads, while something does.
Result<void> mayChangeTempo(const Project& p);

// For the edits of this room: another tempo, whoever asks. Clips keep their beats, Fixed ones their seconds.
Result<Project> withTempo(const Project& p, metre::TempoMap map);

} // namespace project
