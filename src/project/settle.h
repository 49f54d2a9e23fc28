// From what was heard to what a source is: its readings, and the one that is used.
#pragma once

#include "project/project.h"

namespace project {

// Listens to the source's audio and puts the readings Heard and Length, the key and the kind into it, in the place
// of earlier ones. Does not choose. REQUIRES source.sound. Any thread; takes time. Leaves the source alone when
// stopped.
void listenTo(Source& source, const base::Progress& progress = {});

// Uses a reading: its beats where it knows them, else its tempo from the first downbeat that was heard.
// REQUIRES reading.bpm.
void useReading(Source& source, const hear::Reading& reading);

// Uses the reading that ranks highest; none leaves the source without beats.
void settle(Source& source);

// Puts a reading into the source, in the place of one by the same witness.
void putReading(Source& source, hear::Reading reading);
const hear::Reading* readingBy(const Source& source, hear::Witness by);

// The method that measures best for a kind of sound (docs/decisions/0007-methods.md).
stretch::Method methodFor(hear::Kind kind);

} // namespace project
