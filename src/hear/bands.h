// Filters over the bins of a spectrum, and the window before it.
#pragma once

#include <cstddef>
#include <span>
#include <vector>

namespace hear {

// A triangle over bins: weights from bin `first` on, which sum to 1.
struct Band {
    double centreHz = 0;
    std::size_t first = 0;
    std::vector<float> weights;
};

// Triangles a semitone apart where bins allow, else a bin apart, from `lowest` to below `highest` Hz, for a
// transform of `window` frames. REQUIRES highest below half the rate.
std::vector<Band> semitoneBands(int rate, std::size_t window, double lowest, double highest);

// What each band holds of the magnitudes of a spectrum. REQUIRES as many in as the transform has bins, as many out
// as bands.
void bandSums(const std::vector<Band>& bands, std::span<const float> magnitudes, std::span<float> sums);

std::vector<float> hannWindow(std::size_t n);

// Base 10, of positive numbers, several at a time; to about one part in a million. REQUIRES as many in as out.
void logarithms(std::span<const float> from, std::span<float> to);

} // namespace hear
