// Filters over the bins of a spectrum, and the window before it.
#pragma once

#include <cstddef>
#include <span>
#include <vector>

namespace hear {

// Weights of bins, from bin `first` on.
struct Band {
    double centreHz = 0;
    std::size_t first = 0;
    std::vector<float> weights;
};

// Triangles, each summing to 1, a semitone apart where bins allow, else a bin apart, from `lowest` to below
// `highest` Hz, for a transform of `window` frames. REQUIRES highest below half the rate.
std::vector<Band> semitoneBands(int rate, std::size_t window, double lowest, double highest);

// Of each band the logarithm, base 10, of 1 + gain × what it holds of the magnitudes of a spectrum; to about one
// part in a million. REQUIRES gain >= 0, a magnitude for every bin of the transform, as many out as bands.
void bandLevels(const std::vector<Band>& bands, std::span<const float> magnitudes, float gain,
                std::span<float> levels);

std::vector<float> hannWindow(std::size_t n);

} // namespace hear
