// What sort of sound a recording is.
#pragma once

#include "hear/grid.h"
#include "hear/strength.h"

#include <optional>
#include <string>
#include <vector>

namespace hear {

enum class Kind { Struck, Bass, Keys, Held, Voice, Mix, OneHit, NoBeat };

const char* kindLabel(Kind k); // "struck", "bass", "keys", "held", "voice", "mix", "one hit", "no beat"
const char* kindWord(Kind k);  // the same with hyphens: in files and on the command line
std::optional<Kind> kindFromWord(const std::string& word);

// Figures that tell kinds apart, from the curves of a recording.
struct Colour {
    double low = 0;       // share of the loudness below 180 Hz
    double high = 0;      // share of the rise above 2.5 kHz
    double pitched = 0;   // how much of the sound stands on steady pitches, 0 to 1
    double attack = 0;    // how sharply things begin: peak of the flux over its mean
    double sustain = 0;   // median level over loud level
    double lines = 0;     // how many pitches sound at once
    double lowest = 60;   // MIDI note of the lowest steady pitch
    double moving = 0;    // change of pitch without an attack
    double perSecond = 0; // onsets
    double alone = 0;     // share of the loudness that one pitch at a time and its overtones explain, 0 to 1
    double tonal = 0;     // share of moments that have steady pitches, 0 to 1
};
Colour colourOf(const Curves& c, const std::vector<Event>& events, const Span& span, double tonal);

// The sort of sound, by a softmax over the figures with weights fitted to a generated set (tools/fit_key_kind.py),
// and a voice where one line glides. Never OneHit or NoBeat. Any thread.
Kind kindOf(const Colour& colour);

// What a recording is that has no beat: one hit, if it begins with one and dies away; a voice where one line glides
// (somebody may know its tempo all the same); else NoBeat.
Kind silentKind(const Strength& s, const Colour& colour, const std::vector<Event>& events, const Span& span);

// The greatest rise, change and turn (see Strength) once it sounds: later than a fifth of a second after the
// beginning.
struct Later {
    double rise = 0;
    double change = 0;
    double turn = 0;
};
Later laterOf(const Strength& s, const Span& span);

// The silentKind() of what neither begins, changes nor turns once it sounds, and of plain noise. None: there may be
// a beat.
std::optional<Kind> withoutBeat(const Strength& s, const Colour& colour, const std::vector<Event>& events,
                                const Span& span);

} // namespace hear
