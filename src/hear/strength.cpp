#include "hear/strength.h"

#include "hear/bands.h"
#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace hear {

namespace {

std::size_t powerOfTwoNear(double n) {
    std::size_t size = 64;
    while (double(size) * 1.5 < n)
        size *= 2;
    return size;
}

// Reads a recording front to back in large pieces, handing out overlapping windows.
class Windows {
  public:
    Windows(const Mono& mono, std::size_t window) : mono_(mono), window_(window), piece_(window + 65536) {}
    // The window that begins at `start`. REQUIRES starts that do not decrease.
    const float* at(std::int64_t start) {
        if (!loaded_ || start < from_ || start + std::int64_t(window_) > from_ + std::int64_t(piece_.size())) {
            from_ = start;
            loaded_ = true;
            mono_.read(start, piece_);
        }
        return piece_.data() + (start - from_);
    }

  private:
    const Mono& mono_;
    std::size_t window_;
    std::vector<float> piece_;
    std::int64_t from_ = 0;
    bool loaded_ = false;
};

void transform(sound::RealFft& fft, const float* x, const std::vector<float>& shape) {
    const auto time = fft.time();
    for (std::size_t i = 0; i < shape.size(); ++i)
        time[i] = x[i] * shape[i];
    fft.forward();
}

void strengthCurves(const Mono& mono, Strength& s, const base::Progress& progress) {
    const int rate = mono.rate();
    const std::size_t window = powerOfTwoNear(0.046 * rate);
    const std::int64_t hop = std::max(1, static_cast<int>(std::lround(rate * 0.005)));
    s.hop = double(hop) / rate;
    const auto hops = static_cast<std::size_t>(mono.frames() / hop + 1);
    for (auto* curve : {&s.flux, &s.low, &s.mid, &s.high, &s.level})
        curve->assign(hops, 0.0F);
    const std::vector<Band> bands = semitoneBands(rate, window, 30, std::min(11000.0, rate * 0.47));
    const std::vector<float> shape = hannWindow(window);
    sound::RealFft fft(window);
    Windows windows(mono, window);
    constexpr std::size_t lag = 3;
    std::vector<std::vector<float>> history(lag + 1, std::vector<float>(bands.size(), 0.0F));
    std::vector<float> magnitude(fft.bins());
    const float scale = 4.0F / static_cast<float>(window); // a full-scale sine has magnitude 1
    for (std::size_t h = 0; h < hops; ++h) {
        if (h % 256 == 0) {
            if (progress.stopped()) return;
            progress.at(double(h) / double(hops));
        }
        const float* x = windows.at(static_cast<std::int64_t>(h) * hop - static_cast<std::int64_t>(window / 2));
        float power = 0;
        for (std::size_t i = window / 2; i < window / 2 + static_cast<std::size_t>(hop); ++i)
            power += x[i] * x[i];
        s.level[h] = std::sqrt(power / static_cast<float>(hop));
        transform(fft, x, shape);
        const auto spectrum = fft.spectrum();
        for (std::size_t b = 0; b < magnitude.size(); ++b)
            magnitude[b] = scale * std::sqrt(std::norm(spectrum[b]));
        std::vector<float>& now = history[h % (lag + 1)];
        for (std::size_t b = 0; b < bands.size(); ++b) {
            float sum = 0;
            for (std::size_t k = 0; k < bands[b].weights.size(); ++k)
                sum += bands[b].weights[k] * magnitude[bands[b].first + k];
            now[b] = std::log10(1.0F + 1000.0F * sum);
        }
        const std::vector<float>& then = history[(h + 1) % (lag + 1)]; // `lag` hops ago; silence before the first
        float low = 0;
        float mid = 0;
        float high = 0;
        for (std::size_t b = 0; b < bands.size(); ++b) {
            float before = then[b];
            if (b > 0) before = std::max(before, then[b - 1]);
            if (b + 1 < bands.size()) before = std::max(before, then[b + 1]);
            const float rise = std::max(0.0F, now[b] - before);
            (bands[b].centreHz < 180 ? low : bands[b].centreHz < 2500 ? mid : high) += rise;
        }
        const auto n = static_cast<float>(bands.size());
        s.low[h] = low / n;
        s.mid[h] = mid / n;
        s.high[h] = high / n;
        s.flux[h] = (low + mid + high) / n;
    }
    progress.at(1);
}

// Magnitudes on semitones, and how far the recording is tuned off 440 Hz: the spectral peaks' mean distance from
// the nearest semitone, as an angle.
void pitchProfiles(const Mono& mono, Pitches& p, const base::Progress& progress) {
    const int rate = mono.rate();
    const std::size_t window = powerOfTwoNear(0.186 * rate);
    const auto hop = std::max<std::int64_t>(1, std::lround(rate * 0.02));
    p.hop = double(hop) / rate;
    const auto hops = static_cast<std::size_t>(mono.frames() / hop + 1);
    p.loudness.assign(hops, {});
    const std::vector<float> shape = hannWindow(window);
    sound::RealFft fft(window);
    Windows windows(mono, window);
    const double binHz = double(rate) / double(window);
    const float scale = 4.0F / static_cast<float>(window);
    std::vector<float> magnitude(fft.bins());
    std::complex<double> lean = 0;
    const auto top = std::min(fft.bins() - 2, static_cast<std::size_t>(2200 / binHz));
    for (std::size_t h = 0; h < hops; ++h) {
        if (h % 64 == 0) {
            if (progress.stopped()) return;
            progress.at(double(h) / double(hops));
        }
        const float* x = windows.at(static_cast<std::int64_t>(h) * hop - static_cast<std::int64_t>(window / 2));
        transform(fft, x, shape);
        const auto spectrum = fft.spectrum();
        for (std::size_t b = 0; b <= top + 1; ++b)
            magnitude[b] = scale * std::sqrt(std::norm(spectrum[b]));
        auto& out = p.loudness[h];
        for (std::size_t b = 2; b <= top; ++b) {
            const float m = magnitude[b];
            if (m < 1e-4F || m < magnitude[b - 1] || m < magnitude[b + 1]) continue;
            // The peak by a parabola through the logarithms.
            const double l = std::log(double(magnitude[b - 1]) + 1e-9);
            const double c = std::log(double(m) + 1e-9);
            const double r = std::log(double(magnitude[b + 1]) + 1e-9);
            const double bend = l - 2 * c + r;
            const double shift = bend < -1e-9 ? std::clamp(0.5 * (l - r) / bend, -0.5, 0.5) : 0.0;
            const double hz = (double(b) + shift) * binHz;
            const double note = 69 + 12 * std::log2(hz / 440);
            if (hz > 150) lean += std::polar(double(m), 2 * std::numbers::pi * note);
            const auto band = static_cast<int>(std::lround(note)) - Pitches::lowest;
            if (band < 0 || band >= Pitches::bands) continue;
            auto& o = out[static_cast<std::size_t>(band)];
            o = std::max(o, std::sqrt(m));
        }
    }
    if (std::abs(lean) > 0) p.tuning = std::arg(lean) / (2 * std::numbers::pi) * 100;
    progress.at(1);
}

// A curve over profiles, brought to the moments of the strength.
std::vector<float> spread(const std::vector<float>& novelty, double hop, const Strength& s) {
    std::vector<float> out(s.size(), 0.0F);
    for (std::size_t h = 0; h < s.size(); ++h) {
        const double at = s.seconds(h) / hop;
        const auto i = static_cast<std::size_t>(at);
        if (i + 1 >= novelty.size()) break;
        const auto f = static_cast<float>(at - double(i));
        out[h] = novelty[i] * (1 - f) + novelty[i + 1] * f;
    }
    return out;
}

using Profile = std::array<double, Pitches::bands>;

// One minus the likeness of the sums of the `reach` profiles before each moment and of those after it, times how
// much sounds there.
template <class Sounding>
std::vector<float> unlikeness(const Pitches& p, std::int64_t reach, double quiet, const Sounding& sounding) {
    const auto n = static_cast<std::int64_t>(p.loudness.size());
    std::vector<float> novelty(p.loudness.size(), 0.0F);
    Profile before{};
    Profile after{};
    const auto add = [&](Profile& to, std::int64_t h, double sign) {
        if (h < 0 || h >= n) return;
        for (std::size_t b = 0; b < to.size(); ++b)
            to[b] += sign * double(p.loudness[static_cast<std::size_t>(h)][b]);
    };
    for (std::int64_t h = 0; h < reach; ++h)
        add(after, h, 1);
    for (std::int64_t h = 0; h < n; ++h) {
        double product = 0;
        double first = quiet;
        double second = quiet;
        for (std::size_t b = 0; b < before.size(); ++b) {
            product += before[b] * after[b];
            first += before[b] * before[b];
            second += after[b] * after[b];
        }
        novelty[static_cast<std::size_t>(h)] =
            static_cast<float>(std::max(0.0, 1 - product / std::sqrt(first * second)) * sounding(first, second));
        add(before, h, 1);
        add(before, h - reach, -1);
        add(after, h, -1);
        add(after, h + reach, 1);
    }
    return novelty;
}

void changeOfPitch(const Pitches& p, Strength& s) {
    constexpr std::int64_t tenth = 5; // profiles
    constexpr std::int64_t fourTenths = 20;
    s.change = spread(
        unlikeness(p, tenth, 1e-3, [](double, double after) { return std::min(1.0, std::sqrt(after)); }), p.hop, s);
    // What begins or ends is no change of harmony: both sides must sound.
    s.turn = spread(unlikeness(p, fourTenths, 0.04,
                               [](double before, double after) {
                                   return std::min(1.0, 3 * std::sqrt(std::min(before, after)) / fourTenths);
                               }),
                    p.hop, s);
}

} // namespace

Curves curves(const Mono& mono, const base::Progress& progress) {
    Curves out;
    strengthCurves(mono, out.strength, progress.part(0, 0.6));
    if (!progress.stopped()) pitchProfiles(mono, out.pitches, progress.part(0.6, 1));
    changeOfPitch(out.pitches, out.strength);
    return out;
}

} // namespace hear
