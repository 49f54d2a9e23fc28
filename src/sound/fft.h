// The Fourier transform of real samples, by FFTW in single precision.
#pragma once

#include <complex>
#include <cstddef>
#include <memory>
#include <span>

namespace sound {

// One transform size with its buffers. Making one may take milliseconds (plans are made once per size and
// shared); using one neither allocates nor locks. One object serves one thread at a time.
class RealFft {
  public:
    // REQUIRES size even and >= 2.
    explicit RealFft(std::size_t size);
    ~RealFft();
    RealFft(RealFft&&) noexcept;
    RealFft& operator=(RealFft&&) noexcept;

    std::size_t size() const;
    std::size_t bins() const { return size() / 2 + 1; }

    std::span<float> time();                   // size() samples
    std::span<std::complex<float>> spectrum(); // bins() values, from 0 Hz to half the sample rate
    void forward();                            // time() → spectrum(), unscaled
    // time() → bins() values elsewhere, where they may lie as a vector's do.
    void forward(std::span<std::complex<float>> to);
    void inverse(); // spectrum() → time(), scaled by 1/size; spectrum() is spent

  private:
    struct Buffers;
    std::unique_ptr<Buffers> buffers_;
};

} // namespace sound
