// Edits of a source's pins: functions from a project to a project. None alters what it is given; each fails with a
// sentence when what is asked for cannot be: pins that would cross, a locked pin, a stretch that is too much to be
// fitted, a locked clip that would have to follow. Pins are named by their beat. Any thread; quick.
#pragma once

#include "project/pins.h"

namespace project {

// Says by hand that this moment is this beat. A pin of that beat moves there; heard ones that contradict it give
// way, others by hand do not. Of a steady source, one pin by hand besides the first downbeat settles its tempo, and
// two by hand are its line, whatever was heard.
Result<Project> putPin(const Project& p, SourceId id, Seconds at, Beats beat);
// Says by hand that a hit is this beat, and nothing else: the beats around it stay where they are. Fails as
// putPin() does, and where it would cross them.
Result<Project> pinHit(const Project& p, SourceId id, Seconds at, Beats beat);
// Moves pins within the recording, all by as much. They are set by hand from then on.
Result<Project> movePins(const Project& p, SourceId id, const std::vector<Beats>& beats, Seconds by);
// The moment of a pin becomes another beat. Heard ones that contradict it give way, as to putPin().
Result<Project> setPinBeat(const Project& p, SourceId id, Beats beat, Beats to);
// Of two that are left at least one stays: the tempo goes on from it.
Result<Project> removePins(const Project& p, SourceId id, const std::vector<Beats>& beats);
Result<Project> lockPins(const Project& p, SourceId id, const std::vector<Beats>& beats, bool on);
// A section of the recording; empty takes the name away.
Result<Project> namePin(const Project& p, SourceId id, Beats beat, const std::string& name);

// Lays straight what lies between the first and the last of these, by taking away the pins between.
Result<Project> straightBetween(const Project& p, SourceId id, const std::vector<Beats>& beats);
// From this pin to the last one.
Result<Project> straightToEnd(const Project& p, SourceId id, Beats beat);
// On from this pin in both directions at the tempo that its reading says, or else its own as a whole; no other pin
// stays but those that are locked.
Result<Project> straightFrom(const Project& p, SourceId id, Beats beat);
// Back to what the reading in use says: pins by hand go, but for locked ones.
Result<Project> forgetPins(const Project& p, SourceId id);

// The beats as somebody found them by ear: the same beats at other moments. Notes on pins stay with their beats;
// fails where one is locked.
Result<Project> setBeatsByEar(const Project& p, SourceId id, const metre::BeatMap& map);

Result<Project> setStraightness(const Project& p, SourceId id, Straightness straight);
// How many of its onsets count, 0 (the strongest only) to 1 (all).
Result<Project> setOnsetSensitivity(const Project& p, SourceId id, double sensitivity);
// A metre of 2 to 12 beats in a bar; or 6/8, 7/8, 9/8, 12/8.
Result<Project> setSourceMetre(const Project& p, SourceId id, metre::Metre metre);
// Another beat becomes the first: so many beats later, or, negative, earlier. What is heard stays where it is.
Result<Project> shiftDownbeat(const Project& p, SourceId id, int beats);
// There is an introduction of so many bars before this moment: the first downbeat lies that many bars before it.
Result<Project> setIntroduction(const Project& p, SourceId id, Seconds at, int bars);

} // namespace project
