#include "stretch/held.h"

#include "stretch/vocoder.h"

namespace stretch {

std::unique_ptr<Line> heldLine(Passage passage, double formantsAgainst) {
    return vocoderLine(std::move(passage), {0.17, formantsAgainst});
}

} // namespace stretch
