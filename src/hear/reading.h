// A reading: one opinion about a source's tempo, with what it rests on.
#pragma once

#include "hear/key.h"
#include "metre/beat_map.h"
#include "metre/metre_map.h"
#include "metre/units.h"

#include <optional>
#include <string>
#include <vector>

namespace hear {

using metre::Beats;
using metre::Bpm;

enum class Witness { Name, Tag, Heard, Length, Tapped, Typed };

// A tempo with its share of trust.
struct Candidate {
    Bpm bpm{120};
    double weight = 0; // all together 1, less the doubt that there is a beat at all
    int beats = 0;     // that the recording then has; 0 where that is not known
    bool operator==(const Candidate&) const = default;
};

struct Reading {
    Witness by = Witness::Name;
    std::optional<Bpm> bpm;
    std::optional<Beats> beats; // from the first downbeat to the end of the loop
    std::optional<Key> key;
    double sureness = 0;                   // 0 to 1
    std::string evidence;                  // in words, for the list: “112bpm” in the name
    std::vector<Candidate> others;         // every tempo this witness thinks possible, the one above first
    std::vector<metre::Pin> pins;          // where its beats lie; empty: it speaks of a tempo only
    bool steady = true;                    // false: played free, the pins say how
    std::optional<metre::Seconds> comesIn; // its beat, behind a beginning that says little; none: at once
    std::optional<metre::Metre> metre;     // as its accents say; none: they say nothing of it, or nobody listened
    bool operator==(const Reading&) const = default;
};

const char* witnessLabel(Witness w); // "Name", as shown
const char* witnessWord(Witness w);  // "name", in files and on the command line
std::optional<Witness> witnessFromWord(const std::string& word);

// How sure hearing is that there is this beat, be it counted twice as fast or half as fast: the share of the
// candidates that agree with the first, to 6 % (free playing wanders that far) and up to half and double. 0 to 1.
double beatSureness(const Reading& heard);
// Under this line there may well be no such beat, and nobody should rely on it: of single sounds that hearing gives
// a tempo nearly all lie below, of loops few.
inline constexpr double sureLine = 0.6;

// True when the tempo rests on hearing alone, or on the length with it, and hearing is not sure: the number is
// offered, and nothing is stretched by it unasked.
bool isMaybe(const std::vector<Reading>& readings, std::optional<Witness> chosen);

// Which reading is used when the user has not chosen, and why.
struct Ranking {
    std::optional<Witness> best; // none: nobody says a tempo
    double sureness = 0;
    std::string why;      // "name and heard agree", "heard only"
    std::string disagree; // "name says 127, heard 126.1"; empty where all that say a tempo agree
};

// What the user said wins. Otherwise each reading stands for its own sureness, and more for each other one that
// says the same tempo; a little for half or double. What is only measured does not overrule a name or a tag that
// goes with it by a musical ratio: halves, thirds and quarters and what they are of. Of those that agree, a name's
// or a tag's number is taken before a measured one, because it is what was meant; free playing keeps what was
// heard. Any thread.
Ranking ranked(const std::vector<Reading>& readings);

// The reading that ranked() picks. Null when none has a tempo.
const Reading* mostTrusted(const std::vector<Reading>& readings);

// A whole number within 0.2 BPM (common practice): 120.008 is meant as 120, 93.89 as 94. None where there is none,
// or the tempo is that number already.
std::optional<Bpm> roundedTempo(Bpm bpm);

} // namespace hear
