// From what was heard to what a source is: its readings, and the one that is used.
#pragma once

#include "project/project.h"

namespace project {

// Puts what was heard into a source: the readings Heard and Length, the key and the kind, in the place of earlier
// ones. Does not choose.
void takeIn(Source& source, const hear::Heard& heard);

// What was heard of the same recording before; false, and nothing done, where nothing was.
bool takeHeard(Source& source, const Source& before);

// Listens to the source's recording, at its own rate, and puts the readings Heard and Length, the key and the kind
// into it, in the place of earlier ones. Does not choose. REQUIRES source.sound. Any thread; takes time: the file
// is read again where the project has another rate. Leaves the source alone when stopped.
void listenTo(Source& source, const base::Progress& progress = {});

// Uses a reading: its beats where it knows them, else its tempo from the first downbeat that was heard. Pins that
// were set by hand stay (pins.h); where it is somebody's own word, tapped or typed, only those that are locked, and
// a first downbeat. Names stay at their moments. REQUIRES reading.bpm.
void useReading(Source& source, const hear::Reading& reading, std::optional<Seconds> firstSound = {});

// Uses the reading that ranks highest; none leaves the source without beats. `firstSound`: where it begins to
// sound; for a source that has its sound it need not be said.
void settle(Source& source, std::optional<Seconds> firstSound = {});

// Puts a reading into the source, in the place of one by the same witness.
void putReading(Source& source, hear::Reading reading);
const hear::Reading* readingBy(const Source& source, hear::Witness by);

// Who says which key a source has: the first of name, tag and ear that says the same; none where the user does.
std::optional<hear::Witness> keyWitness(const Source& source);

// The method that measures best for a kind of sound (docs/decisions/0007-methods.md).
stretch::Method methodFor(hear::Kind kind);

} // namespace project
