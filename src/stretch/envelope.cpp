#include "stretch/envelope.h"

#include <algorithm>
#include <cmath>

namespace stretch {

// Quefrencies up to a thousandth of a second hold the formants, and not the harmonics of voices up to some 500 Hz.
Envelope::Envelope(std::size_t window, int rate, double against)
    : against_(against), keep_(std::clamp<std::size_t>(static_cast<std::size_t>(rate) / 1000, 4, window / 4)),
      cepstrum_(window), logs_(window / 2 + 1), smooth_(window / 2 + 1) {}

void Envelope::move(std::span<std::complex<float>> spectrum) {
    const std::size_t bins = logs_.size();
    const std::size_t size = (bins - 1) * 2;
    float greatest = 0;
    for (const auto& x : spectrum)
        greatest = std::max(greatest, std::norm(x));
    if (greatest <= 0) return;
    for (std::size_t b = 0; b < bins; ++b)
        logs_[b] = 0.5F * std::log(std::norm(spectrum[b]) + greatest * 1e-10F);
    std::copy(logs_.begin(), logs_.end(), smooth_.begin());
    for (int round = 0; round < 4; ++round) {
        auto c = cepstrum_.spectrum();
        for (std::size_t b = 0; b < bins; ++b)
            c[b] = std::max(smooth_[b], logs_[b]);
        cepstrum_.inverse();
        auto time = cepstrum_.time();
        for (std::size_t q = keep_; q + keep_ <= size; ++q)
            time[q] = 0;
        cepstrum_.forward();
        c = cepstrum_.spectrum();
        for (std::size_t b = 0; b < bins; ++b)
            smooth_[b] = c[b].real();
    }
    for (std::size_t b = 0; b < bins; ++b) {
        const double to = double(b) * against_;
        const auto i = static_cast<std::size_t>(to);
        float there = smooth_[bins - 1];
        if (i + 1 < bins) {
            const auto f = static_cast<float>(to - double(i));
            there = smooth_[i] * (1 - f) + smooth_[i + 1] * f;
        }
        spectrum[b] *= std::exp(std::clamp(there - smooth_[b], -5.0F, 5.0F));
    }
}

} // namespace stretch
