// Reading and writing a tempo as a person types it.
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <string>
#include <string_view>

namespace metre {

// The range of tempos a project or a source may have.
inline constexpr Bpm slowestTempo{20.0};
inline constexpr Bpm fastestTempo{400.0};

// True for a finite tempo inside the range above.
bool isTempo(Bpm bpm);

// Reads "104", "104.5", "104,5" or "104 BPM". Fails, saying why, on anything that is not a number between
// slowestTempo and fastestTempo.
base::Result<Bpm> parseTempo(std::string_view text);

// "104.00": always two decimals, for the large figures.
std::string tempoFigure(Bpm bpm);

// "112", "118.5", "97.43": no more decimals than needed, two at most, for labels.
std::string tempoLabel(Bpm bpm);

} // namespace metre
