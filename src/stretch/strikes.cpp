#include "stretch/strikes.h"

#include "sound/fft.h"
#include "stretch/bins.h"

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
    explicit Looking(const Excerpt& in)
        : in_(in), size_(sizeFor(in.audio->rate)), fft_(size_), shape_(size_), sum_(fft_.bins() + 2),
          before_(fft_.bins()), after_(fft_.bins()) {
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
        power(at - size + size / 8, before_);
        power(at, after_);
        const std::vector<float>& before = before_;
        const std::vector<float>& after = after_;
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
    void power(std::int64_t from, std::vector<float>& to) {
        const std::size_t bins = fft_.bins();
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            in_.shaped(c, from, shape_, fft_.time().data());
            fft_.forward();
            (c == 0 ? setPower : addPower)(fft_.spectrum(), sum_.data() + 1);
        }
        for (std::size_t b = 0; b < bins; ++b)
            to[b] = sum_[b] + sum_[b + 1] + sum_[b + 2];
    }

    const Excerpt in_;
    std::size_t size_;
    sound::RealFft fft_;
    std::vector<float> shape_;
    std::vector<float> sum_; // silent on either side
    std::vector<float> before_;
    std::vector<float> after_;
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
    if (passage.strikes) return *passage.strikes;
    return passage.known != nullptr ? passage.known->of(*passage.in.audio, passage.attacks)
                                    : strikesAmong(passage.in, passage.attacks);
}

const std::vector<Frames>& KnownStrikes::of(const Audio& audio, const std::vector<Frames>& attacks) const {
    std::call_once(once_, [&] { strikes_ = strikesIn(audio, attacks); });
    return strikes_;
}

std::vector<Frames> strikesIn(const Audio& audio, const std::vector<Frames>& attacks) {
    return strikesAmong({&audio, 0}, attacks);
}

} // namespace stretch
