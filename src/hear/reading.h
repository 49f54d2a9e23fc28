// A reading: one opinion about a source's tempo, with what it rests on.
#pragma once

#include "hear/key.h"
#include "metre/units.h"

#include <optional>
#include <string>
#include <vector>

namespace hear {

using metre::Beats;
using metre::Bpm;

enum class Witness { Name, Tag, Heard, Length, Tapped, Typed };

struct Reading {
    Witness by = Witness::Name;
    std::optional<Bpm> bpm;
    std::optional<Beats> beats;
    std::optional<Key> key;
    double sureness = 0;  // 0 to 1
    std::string evidence; // in words, for the list: “112bpm” in the name
    bool operator==(const Reading&) const = default;
};

const char* witnessLabel(Witness w); // "Name", as shown
const char* witnessWord(Witness w);  // "name", in files and on the command line
std::optional<Witness> witnessFromWord(const std::string& word);

// The reading to use when the user has not chosen: the surest one that has a tempo; of equals, the earlier.
// Null when none has.
const Reading* mostTrusted(const std::vector<Reading>& readings);

} // namespace hear
