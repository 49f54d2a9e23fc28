// A project's tempo and metre as a Standard MIDI File.
#pragma once

#include "metre/metre_map.h"
#include "metre/tempo_map.h"

#include <string>

namespace deliver {

// A file of format 0 with one track: tempo and time signatures from beat 0 up to `end`, then the end of the track.
// Beats are quarters, 9600 ticks each. Tempos are whole microseconds a quarter in the file: each is chosen so that
// what the ones before it missed is made up for, and beats lie within a millisecond. Ramps are written as steps
// that follow them to a tenth of a millisecond. The format is that of the Standard MIDI Files 1.0 specification
// (MIDI Manufacturers Association, 1988; from memory). REQUIRES end >= 0. Any thread.
std::string midiMap(const metre::TempoMap& tempo, const metre::MetreMap& metre, metre::Beats end);

} // namespace deliver
