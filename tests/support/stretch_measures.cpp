#include "support/stretch_measures.h"

#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <complex>

namespace support {

using sound::Frames;

double peakNear(const Audio& a, double hertz) {
    const auto n = static_cast<std::size_t>(2 * a.rate);
    sound::RealFft fft(4 * n);
    const auto time = fft.time();
    std::fill(time.begin(), time.end(), 0.0F);
    const auto from = static_cast<std::size_t>(a.frames().value) / 2 - n / 2;
    for (std::size_t i = 0; i < n; ++i) {
        const double x = 2 * M_PI * double(i) / double(n);
        const double w = 0.35875 - 0.48829 * std::cos(x) + 0.14128 * std::cos(2 * x) - 0.01168 * std::cos(3 * x);
        time[i] = static_cast<float>(w * double(a.channels[0][from + i]));
    }
    fft.forward();
    const auto s = fft.spectrum();
    const double bin = double(a.rate) / double(4 * n);
    const auto low = static_cast<std::size_t>(hertz * 0.985 / bin);
    const auto high = static_cast<std::size_t>(hertz * 1.015 / bin) + 1;
    std::size_t k = low;
    for (std::size_t i = low; i <= high; ++i)
        if (std::norm(s[i]) > std::norm(s[k])) k = i;
    const auto level = [&](std::size_t i) { return std::log(double(std::norm(s[i])) + 1e-30); };
    const double l = level(k - 1);
    const double r = level(k + 1);
    return (double(k) + 0.5 * (l - r) / (l - 2 * level(k) + r)) * bin;
}

double offTheTones(const Audio& a, const std::vector<double>& hertz) {
    const auto n = static_cast<std::int64_t>(a.rate);
    const std::int64_t from = a.frames().value / 2 - n / 2;
    std::vector<double> rest(static_cast<std::size_t>(n));
    for (std::int64_t i = 0; i < n; ++i)
        rest[static_cast<std::size_t>(i)] = a.channels[0][static_cast<std::size_t>(from + i)];
    const auto power = [&] {
        double sum = 0;
        for (const double x : rest)
            sum += x * x;
        return sum;
    };
    const double whole = power();
    for (int round = 0; round < 6; ++round)
        for (const double h : hertz) {
            std::complex<double> sum = 0;
            double weights = 0;
            for (std::int64_t i = 0; i < n; ++i) {
                const double w = 0.5 - 0.5 * std::cos(2 * M_PI * (double(i) + 0.5) / double(n));
                sum += w * rest[static_cast<std::size_t>(i)] * std::polar(1.0, -2 * M_PI * h * double(i) / a.rate);
                weights += w;
            }
            sum *= 2 / weights;
            for (std::int64_t i = 0; i < n; ++i)
                rest[static_cast<std::size_t>(i)] -=
                    (sum * std::polar(1.0, 2 * M_PI * h * double(i) / a.rate)).real();
        }
    return 10 * std::log10(power() / whole);
}

double ripplePercent(const Audio& a, const std::vector<double>& hertz) {
    const std::int64_t n = a.rate / 5;
    const std::int64_t first = a.frames().value / 6;
    const std::int64_t last = a.frames().value - first - n;
    double worst = 0;
    for (const double h : hertz) {
        std::vector<double> levels;
        for (std::int64_t at = first; at < last; at += n / 8) {
            std::complex<double> sum = 0;
            for (std::int64_t i = 0; i < n; ++i) {
                const double w = 0.5 - 0.5 * std::cos(2 * M_PI * (double(i) + 0.5) / double(n));
                sum += w * double(a.channels[0][static_cast<std::size_t>(at + i)]) *
                       std::polar(1.0, -2 * M_PI * h * double(at + i) / a.rate);
            }
            levels.push_back(std::abs(sum));
        }
        double mean = 0;
        double square = 0;
        for (const double l : levels) {
            mean += l / double(levels.size());
            square += l * l / double(levels.size());
        }
        worst = std::max(worst, 100 * std::sqrt(std::max(0.0, square - mean * mean)) / mean);
    }
    return worst;
}

double seamClickDb(const Audio& loop) {
    const auto& x = loop.channels[0];
    const std::size_t n = x.size();
    const auto bend = [&](std::size_t i) {
        return std::abs(double(x[i % n]) - 2 * double(x[(i + n - 1) % n]) + double(x[(i + n - 2) % n]));
    };
    double usual = 0;
    for (std::size_t i = n / 4; i < n / 2; ++i)
        usual = std::max(usual, bend(i));
    double seam = 0;
    for (std::size_t i = n - 8; i < n + 8; ++i)
        seam = std::max(seam, bend(i));
    return 20 * std::log10(seam / usual);
}

std::vector<double> coherence(const Audio& a) {
    constexpr std::size_t size = 4096;
    sound::RealFft fft(size);
    const std::size_t bins = fft.bins();
    std::vector<double> left(bins);
    std::vector<double> right(bins);
    std::vector<std::complex<double>> cross(bins);
    std::vector<std::complex<float>> spectra[2];
    for (std::size_t at = 0; at + size <= a.channels[0].size(); at += size / 2) {
        for (std::size_t c = 0; c < 2; ++c) {
            const auto time = fft.time();
            for (std::size_t i = 0; i < size; ++i)
                time[i] = a.channels[c][at + i] *
                          static_cast<float>(0.5 - 0.5 * std::cos(2 * M_PI * double(i) / double(size)));
            fft.forward();
            const auto s = fft.spectrum();
            spectra[c].assign(s.begin(), s.end());
        }
        for (std::size_t b = 0; b < bins; ++b) {
            left[b] += double(std::norm(spectra[0][b]));
            right[b] += double(std::norm(spectra[1][b]));
            cross[b] += std::complex<double>(spectra[0][b] * std::conj(spectra[1][b]));
        }
    }
    std::vector<double> list;
    for (double hz = 62.5; hz < 16000; hz *= 2) {
        double sum = 0;
        double weight = 1e-30;
        const auto end = std::min(bins, static_cast<std::size_t>(2 * hz * size / a.rate));
        for (auto b = static_cast<std::size_t>(hz * size / a.rate); b < end; ++b) {
            const double power = left[b] + right[b];
            sum += power * std::norm(cross[b]) / (left[b] * right[b] + 1e-30);
            weight += power;
        }
        list.push_back(sum / weight);
    }
    return list;
}

double phaseBetween(const Audio& a, double hertz) {
    std::complex<double> sum[2];
    for (std::int64_t i = a.frames().value / 3; i < a.frames().value * 2 / 3; ++i)
        for (std::size_t c = 0; c < 2; ++c)
            sum[c] += double(a.channels[c][static_cast<std::size_t>(i)]) *
                      std::polar(1.0, -2 * M_PI * hertz * double(i) / a.rate);
    return std::arg(sum[1] * std::conj(sum[0])) * 180 / M_PI;
}

Audio tones(const std::vector<double>& hertz, int harmonics, double seconds, int channels) {
    Audio a(48000, channels, Frames(std::llround(seconds * 48000)));
    for (const double h : hertz)
        for (int k = 1; k <= harmonics; ++k)
            for (std::size_t i = 0; i < a.channels[0].size(); ++i)
                a.channels[0][i] += static_cast<float>(0.4 / double(hertz.size()) / k *
                                                       std::sin(2 * M_PI * h * k * double(i) / 48000 + h + k));
    for (std::size_t c = 1; c < a.channels.size(); ++c)
        a.channels[c] = a.channels[0];
    return a;
}

} // namespace support
