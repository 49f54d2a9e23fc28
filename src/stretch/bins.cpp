#include "stretch/bins.h"

#include "base/four.h"

namespace stretch {

namespace {

using base::Four;
using base::four;

// The powers of four bins.
Four powersOf(const float* x) {
    const auto [real, imaginary] = base::apart(x);
    return real * real + imaginary * imaginary;
}

template <bool adding>
void powers(std::span<const std::complex<float>> spectrum, float* power) {
    const auto* x = reinterpret_cast<const float*>(spectrum.data());
    std::size_t b = 0;
    for (; b + 4 <= spectrum.size(); b += 4)
        base::put(adding ? four(power + b) + powersOf(x + 2 * b) : powersOf(x + 2 * b), power + b);
    for (; b < spectrum.size(); ++b)
        power[b] = (adding ? power[b] : 0.0F) + std::norm(spectrum[b]);
}

} // namespace

void setPower(std::span<const std::complex<float>> spectrum, float* power) {
    powers<false>(spectrum, power);
}

void addPower(std::span<const std::complex<float>> spectrum, float* power) {
    powers<true>(spectrum, power);
}

void scale(std::span<const std::complex<float>> spectrum, const float* by, std::span<std::complex<float>> to) {
    const auto* x = reinterpret_cast<const float*>(spectrum.data());
    auto* out = reinterpret_cast<float*>(to.data());
    std::size_t b = 0;
    for (; b + 4 <= spectrum.size(); b += 4) {
        const Four factors = four(by + b);
        base::put(four(x + 2 * b) * __builtin_shufflevector(factors, factors, 0, 0, 1, 1), out + 2 * b);
        base::put(four(x + 2 * b + 4) * __builtin_shufflevector(factors, factors, 2, 2, 3, 3), out + 2 * b + 4);
    }
    for (; b < spectrum.size(); ++b)
        to[b] = spectrum[b] * by[b];
}

void addShaped(const float* samples, const float* window, std::size_t count, float* to) {
    std::size_t i = 0;
    for (; i + 4 <= count; i += 4)
        base::put(four(to + i) + four(samples + i) * four(window + i), to + i);
    for (; i < count; ++i)
        to[i] += samples[i] * window[i];
}

} // namespace stretch
