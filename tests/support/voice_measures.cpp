#include "support/voice_measures.h"

#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <complex>

namespace support {

namespace {

constexpr double lowest = 75;   // Hz
constexpr double highest = 700; // Hz
constexpr double clear = 8;     // dB

// The autocorrelation at moments of a recording, over that of its window.
class Likeness {
  public:
    explicit Likeness(const Audio& audio)
        : x_(audio.channels[0].begin(), audio.channels[0].end()), rate_(audio.rate),
          window_(static_cast<std::size_t>(6 * audio.rate / lowest)), fft_(sizeFor(window_)), shape_(window_) {
        for (std::size_t i = 0; i < window_; ++i) {
            const double u = (double(i) + 0.5) / double(window_) - 0.5;
            shape_[i] = (std::exp(-48 * u * u) - std::exp(-12.0)) / (1 - std::exp(-12.0));
        }
        ofWindow_ = correlated([this](std::size_t i) { return shape_[i]; });
    }

    // Looks at a moment; false where it is all but silent.
    bool at(double seconds) {
        const std::int64_t from = std::llround(seconds * rate_) - static_cast<std::int64_t>(window_ / 2);
        const auto sample = [&](std::size_t i) {
            const std::int64_t k = from + static_cast<std::int64_t>(i);
            return k < 0 || k >= static_cast<std::int64_t>(x_.size()) ? 0.0
                                                                      : double(x_[static_cast<std::size_t>(k)]);
        };
        double mean = 0;
        double power = 0;
        for (std::size_t i = 0; i < window_; ++i)
            mean += sample(i) / double(window_);
        for (std::size_t i = 0; i < window_; ++i)
            power += (sample(i) - mean) * (sample(i) - mean) / double(window_);
        if (power < 1e-7) return false;
        here_ = correlated([&](std::size_t i) { return (sample(i) - mean) * shape_[i]; });
        return true;
    }

    // The strongest period between two frequencies.
    Voiced strongest(double low, double high) const {
        const auto from = std::max<std::size_t>(2, static_cast<std::size_t>(rate_ / high));
        const std::size_t to = std::min(here_.size() - 2, static_cast<std::size_t>(rate_ / low) + 1);
        const auto value = [&](std::size_t lag) { return here_[lag] / ofWindow_[lag]; };
        Voiced out;
        double most = 0.3;
        for (std::size_t lag = from; lag <= to; ++lag) {
            const double l = value(lag - 1);
            const double m = value(lag);
            const double r = value(lag + 1);
            if (m < l || m < r) continue;
            const double bend = l - 2 * m + r;
            const double off = bend < 0 ? 0.5 * (l - r) / bend : 0;
            const double top = std::min(1 - 1e-6, m - 0.25 * (l - r) * off);
            const double hertz = rate_ / (double(lag) + off);
            // Of equally strong periods the shortest.
            if (const double liking = top - 0.01 * std::log2(high / hertz); liking > most) {
                most = liking;
                out = {hertz, 10 * std::log10(top / (1 - top))};
            }
        }
        return out;
    }

  private:
    static std::size_t sizeFor(std::size_t window) {
        std::size_t size = 2;
        while (size < 2 * window)
            size *= 2;
        return size;
    }

    template <class Sample>
    std::vector<double> correlated(const Sample& sample) {
        const auto time = fft_.time();
        std::fill(time.begin(), time.end(), 0.0F);
        for (std::size_t i = 0; i < window_; ++i)
            time[i] = static_cast<float>(sample(i));
        fft_.forward();
        for (auto& s : fft_.spectrum())
            s = std::norm(s);
        fft_.inverse();
        std::vector<double> out(window_ / 2);
        for (std::size_t i = 0; i < out.size(); ++i)
            out[i] = double(fft_.time()[i]) / double(fft_.time()[0]);
        return out;
    }

    std::vector<float> x_;
    double rate_;
    std::size_t window_;
    sound::RealFft fft_;
    std::vector<double> shape_;
    std::vector<double> ofWindow_;
    std::vector<double> here_;
};

constexpr double every = 0.01; // seconds

} // namespace

std::vector<Voiced> voiceOf(const Audio& audio) {
    Likeness likeness(audio);
    std::vector<Voiced> out;
    for (int i = 0; i * every < audio.length().value; ++i)
        out.push_back(likeness.at(i * every) ? likeness.strongest(lowest, highest) : Voiced{});
    return out;
}

VoiceOff voiceOff(const Audio& made, const Audio& truth) {
    const std::vector<Voiced> wanted = voiceOf(truth);
    Likeness likeness(made);
    VoiceOff out;
    const auto isClear = [&](std::size_t i) { return wanted[i].hertz > 0 && wanted[i].harmonics > clear; };
    for (std::size_t i = 1; i + 1 < wanted.size(); ++i) {
        if (!isClear(i - 1) || !isClear(i) || !isClear(i + 1)) continue;
        const double hertz = wanted[i].hertz;
        const Voiced here = likeness.at(double(i) * every)
                                ? likeness.strongest(hertz * std::exp2(-2 / 12.0), hertz * std::exp2(2 / 12.0))
                                : Voiced{};
        out.cents.push_back(here.hertz > 0 ? std::abs(1200 * std::log2(here.hertz / hertz)) : 200);
        out.harmonics.push_back((here.hertz > 0 ? here.harmonics : 0) - wanted[i].harmonics);
    }
    return out;
}

} // namespace support
