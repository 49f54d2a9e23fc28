// The outlines of clips, column by column, remembered: scrolling draws the same columns elsewhere.
#pragma once

#include "app/session/session.h"
#include "sound/peaks.h"

#include <span>
#include <unordered_map>
#include <vector>

namespace app {

using WaveColumns = std::span<const sound::Extent>;

class WaveCache {
  public:
    // Columns [from, to) of a clip, one pixel each, counted from its left edge, at so many pixels a beat: what is
    // heard of it; where it is not rendered yet, its source, bent to the grid. Valid until the next call. Empty
    // where it cannot be heard.
    WaveColumns columns(const Session& session, const project::LaidClip& clip, double perBeat, int from, int to);
    void clear() {
        known_.clear();
        held_ = 0;
    }

  private:
    struct Known {
        std::shared_ptr<const project::Timing> timing; // what it was worked out from
        double perBeat = 0;
        std::int64_t changes = 0; // of the renderings, while it is not rendered whole
        bool whole = false;
        int first = 0; // the column that is the first of those known
        std::vector<sound::Extent> columns;
    };
    static constexpr int widest = 4096;                       // pixels of a clip that are remembered
    static constexpr std::size_t most = std::size_t(1) << 21; // columns, in all

    std::unordered_map<std::int64_t, Known> known_; // by clip
    std::size_t held_ = 0;
    std::vector<sound::Extent> once_; // of a clip that is too wide
};

} // namespace app
