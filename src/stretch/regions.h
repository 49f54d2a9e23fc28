// The bins of a spectrum, parted around its peaks.
#pragma once

#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace stretch {

// Bins from `from` up to, not including, `to`. The peak lies among them; where a spectrum has none it is the number
// of its bins.
struct Region {
    std::size_t from;
    std::size_t peak;
    std::size_t to;
};

// Finds the regions of one spectrum after another. One thread.
class Regions {
  public:
    explicit Regions(std::size_t bins) : bins_(bins), turns_(bins + 4), places_(bins + 1) {}

    // From the power of every bin: a peak is higher than two bins on either side, and regions meet where the power
    // is lowest between peaks. REQUIRES at least as many bins as it was made for.
    void find(std::span<const float> power);

    // Those that were found last, ascending, without gaps from offsetEnd() to the last bin.
    const std::vector<Region>& all() const { return all_; }
    // The bins below are an offset, which has no phase.
    std::size_t offsetEnd() const { return offsetEnd_; }

  private:
    std::size_t bins_;
    std::vector<std::int32_t> turns_;   // by bin: where the power turns down or up
    std::vector<std::uint32_t> places_; // of those; room for one more, which is written and not counted
    std::vector<Region> all_;
    std::size_t offsetEnd_ = 0;
};

} // namespace stretch
