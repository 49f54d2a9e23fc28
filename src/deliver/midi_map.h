// A project's tempo and metre as a Standard MIDI File.
#pragma once

#include "base/result.h"
#include "metre/metre_map.h"
#include "metre/tempo_map.h"

#include <string>
#include <string_view>
#include <vector>

namespace deliver {

// A file of format 0 with one track: tempo and time signatures from beat 0 up to `end`, then the end of the track.
// Beats are quarters, 9600 ticks each. Tempos are whole microseconds a quarter in the file: each is chosen so that
// what the ones before it missed is made up for, a steady tempo is corrected now and then, and beats lie within
// half a millisecond however long it is. Ramps are written as steps that follow them to a tenth of a millisecond.
// The format is that of the Standard MIDI Files 1.0 specification (MIDI Manufacturers Association, 1988; from
// memory). REQUIRES end >= 0. Any thread.
std::string midiMap(const metre::TempoMap& tempo, const metre::MetreMap& metre, metre::Beats end);

// The maps as they run from a bar on, that bar being the first. REQUIRES bar >= 1 for what changes before it to be
// left out.
struct Maps {
    metre::TempoMap tempo;
    metre::MetreMap metre;
};
Maps fromBar(const metre::TempoMap& tempo, const metre::MetreMap& metre, int bar);

// What a Standard MIDI File says of tempo and metre, of any format and any number of tracks; notes are passed over.
// Ticks are taken as quarters or, of a SMPTE time base, as fractions of a second at one tempo of 120. Tempos out of
// range, and metres that are none or lie within a bar, are left out with a warning. Without any tempo the maps are
// those of the specification: 120 in 4/4; `hasTempo` says so. Fails, in a sentence that names nothing, when it is
// no such file or it is damaged. The format is that of the Standard MIDI Files 1.0 specification (MIDI
// Manufacturers Association, 1988; from memory). Any thread; quick.
struct ReadMap {
    Maps maps;
    bool hasTempo = false;
    bool hasMetre = false;
    std::vector<std::string> warnings;
};
base::Result<ReadMap> readMidiMap(std::string_view bytes);

} // namespace deliver
