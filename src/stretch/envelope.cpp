#include "stretch/envelope.h"

#include <algorithm>
#include <cmath>

namespace stretch {

namespace {

// Quefrencies up to about a thousandth of a second hold the formants, and not the harmonics of voices up to some
// 500 Hz.
constexpr double formantSeconds = 0.0011;
// The loudest of so many bins stands for all of them: the envelope lies on the peaks, and is so smooth that a
// cepstrum of four times the quefrencies that are kept holds it.
std::size_t togetherOf(std::size_t window, std::size_t keep) {
    std::size_t together = 1;
    while (window / (2 * together) >= 8 * keep)
        together *= 2;
    return together;
}

} // namespace

Envelope::Envelope(std::size_t window, int rate, double against)
    : against_(against),
      keep_(std::clamp<std::size_t>(static_cast<std::size_t>(rate * formantSeconds), 4, window / 4)),
      together_(togetherOf(window, keep_)), cepstrum_(window / together_), logs_(cepstrum_.bins()),
      smooth_(cepstrum_.bins()), gains_(cepstrum_.bins()) {}

// The loudest bin around each that is kept, half of the way to the next on either side.
void Envelope::takeLevels(std::span<const std::complex<float>> spectrum) {
    const auto last = static_cast<std::ptrdiff_t>(spectrum.size()) - 1;
    const auto step = static_cast<std::ptrdiff_t>(together_);
    float greatest = 0;
    for (std::size_t k = 0; k < logs_.size(); ++k) {
        const auto middle = static_cast<std::ptrdiff_t>(k) * step;
        float most = 0;
        for (std::ptrdiff_t b = std::max<std::ptrdiff_t>(0, middle - step / 2);
             b <= std::min(last, middle + (step - 1) / 2); ++b)
            most = std::max(most, std::norm(spectrum[static_cast<std::size_t>(b)]));
        logs_[k] = most;
        greatest = std::max(greatest, most);
    }
    silent_ = greatest <= 0;
    for (float& level : logs_)
        level = 0.5F * std::log(level + greatest * 1e-10F);
}

void Envelope::smooth() {
    const std::size_t size = cepstrum_.size();
    std::copy(logs_.begin(), logs_.end(), smooth_.begin());
    for (int round = 0; round < 8; ++round) {
        auto c = cepstrum_.spectrum();
        for (std::size_t k = 0; k < smooth_.size(); ++k)
            c[k] = std::max(smooth_[k], logs_[k]);
        cepstrum_.inverse();
        auto time = cepstrum_.time();
        for (std::size_t q = keep_; q + keep_ <= size; ++q)
            time[q] = 0;
        cepstrum_.forward();
        c = cepstrum_.spectrum();
        for (std::size_t k = 0; k < smooth_.size(); ++k)
            smooth_[k] = c[k].real();
    }
}

void Envelope::move(std::span<std::complex<float>> spectrum) {
    takeLevels(spectrum);
    if (silent_) return;
    smooth();
    const std::size_t last = smooth_.size() - 1;
    for (std::size_t k = 0; k <= last; ++k) {
        const double to = double(k) * against_;
        const auto i = static_cast<std::size_t>(to);
        float there = smooth_[last];
        if (i < last) {
            const auto f = static_cast<float>(to - double(i));
            there = smooth_[i] * (1 - f) + smooth_[i + 1] * f;
        }
        gains_[k] = std::exp(std::clamp(there - smooth_[k], -5.0F, 5.0F));
    }
    const float share = 1.0F / static_cast<float>(together_);
    for (std::size_t k = 0; k < last; ++k) {
        const float rise = (gains_[k + 1] - gains_[k]) * share;
        for (std::size_t b = 0; b < together_; ++b)
            spectrum[k * together_ + b] *= gains_[k] + static_cast<float>(b) * rise;
    }
    spectrum[last * together_] *= gains_[last];
}

} // namespace stretch
