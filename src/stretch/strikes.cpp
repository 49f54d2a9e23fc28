#include "stretch/strikes.h"

#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace stretch {

namespace {

// What is asked of an attack, by what parts recorded strokes, plucks and keys from swells of pads and voices.
constexpr double newPower = 0.5; // of the power after it
constexpr double rise = 2.6;     // dB, the mean over bands a third of an octave wide

class Looking {
  public:
    explicit Looking(const Excerpt& in) : in_(in), size_(sizeFor(in.audio->rate)), fft_(size_), shape_(size_) {
        for (std::size_t i = 0; i < size_; ++i)
            shape_[i] =
                static_cast<float>(0.5 - 0.5 * std::cos(2 * std::numbers::pi * (double(i) + 0.5) / double(size_)));
        const double hertz = double(in.audio->rate) / double(size_);
        for (double low = 60; low < std::min(14000.0, 0.45 * in.audio->rate); low *= std::exp2(1 / 3.0)) {
            const auto from = static_cast<std::size_t>(low / hertz);
            const auto to = static_cast<std::size_t>(low * std::exp2(1 / 3.0) / hertz);
            bands_.push_back({from, std::clamp(to, from + 1, fft_.bins())});
        }
    }

    bool isStrike(std::int64_t at) {
        const auto size = static_cast<std::int64_t>(size_);
        const std::vector<float> before = power(at - size + size / 8);
        const std::vector<float> after = power(at);
        float more = 0;
        float all = 0;
        for (std::size_t b = 1; b < after.size(); ++b) {
            more += std::max(0.0F, after[b] - before[b]);
            all += after[b];
        }
        if (double(more) > newPower * double(all)) return true;
        double rises = 0;
        for (const Band& band : bands_) {
            double a = quiet;
            double b = quiet;
            for (std::size_t i = band.from; i < band.to; ++i) {
                a += double(after[i]);
                b += double(before[i]);
            }
            rises += std::clamp(10 * std::log10(a / b), 0.0, 20.0);
        }
        return rises > rise * double(bands_.size());
    }

  private:
    struct Band {
        std::size_t from;
        std::size_t to;
    };
    static constexpr double quiet = 1e-4; // of the power of full scale: hiss is no news

    static std::size_t sizeFor(int rate) {
        std::size_t size = 16;
        while (double(size) * 1.42 < 0.03 * rate)
            size *= 2;
        return size;
    }

    // All channels summed, each bin with its neighbours.
    std::vector<float> power(std::int64_t from) {
        std::vector<float> sum(fft_.bins() + 2, 0.0F);
        const auto time = fft_.time();
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            in_.copy(c, {from, from + static_cast<std::int64_t>(size_)}, time.data());
            for (std::size_t i = 0; i < size_; ++i)
                time[i] *= shape_[i];
            fft_.forward();
            const auto spectrum = fft_.spectrum();
            for (std::size_t b = 0; b < fft_.bins(); ++b)
                sum[b + 1] += std::norm(spectrum[b]);
        }
        std::vector<float> smooth(fft_.bins());
        for (std::size_t b = 0; b < smooth.size(); ++b)
            smooth[b] = sum[b] + sum[b + 1] + sum[b + 2];
        return smooth;
    }

    const Excerpt in_;
    std::size_t size_;
    sound::RealFft fft_;
    std::vector<float> shape_;
    std::vector<Band> bands_;
};

} // namespace

namespace {

std::vector<Frames> strikesAmong(const Excerpt& in, const std::vector<Frames>& attacks) {
    std::vector<Frames> list;
    if (attacks.empty()) return list;
    Looking looking(in);
    for (const Frames a : attacks)
        if (looking.isStrike(a.value)) list.push_back(a);
    return list;
}

} // namespace

std::vector<Frames> strikesOf(const Passage& passage) {
    return passage.strikes ? *passage.strikes : strikesAmong(passage.in, passage.attacks);
}

std::vector<Frames> strikesIn(const Audio& audio, const std::vector<Frames>& attacks) {
    return strikesAmong({&audio, 0}, attacks);
}

} // namespace stretch
