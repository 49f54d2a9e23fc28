#include "stretch/sung.h"

#include "stretch/vocoder.h"

namespace stretch {

std::unique_ptr<Line> sungLine(Passage passage, double formantsAgainst) {
    // Short enough for formants to pass through as they are, long enough to part the harmonics of a low voice.
    const double window = formantsAgainst == 1 ? 0.085 : 0.043;
    return vocoderLine(std::move(passage), {window, formantsAgainst});
}

} // namespace stretch
