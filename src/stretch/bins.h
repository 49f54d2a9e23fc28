// Loops over the bins of spectra and the samples of their frames, several at a time.
#pragma once

#include <complex>
#include <cstddef>
#include <span>

namespace stretch {

// Sets the power of every bin, or adds to it. REQUIRES as many numbers as bins.
void setPower(std::span<const std::complex<float>> spectrum, float* power);
void addPower(std::span<const std::complex<float>> spectrum, float* power);

// Every bin times a number of its own. REQUIRES as many of each.
void scale(std::span<const std::complex<float>> spectrum, const float* by, std::span<std::complex<float>> to);

// Adds samples times a window's. REQUIRES `count` of each.
void addShaped(const float* samples, const float* window, std::size_t count, float* to);

} // namespace stretch
