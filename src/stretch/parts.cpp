#include "stretch/parts.h"

#include "base/four.h"
#include "sound/fft.h"
#include "stretch/bins.h"
#include "stretch/hops.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <numbers>

namespace stretch {

namespace {

using base::Four;
using base::four;

constexpr std::size_t moments = 9; // frames over which a tone must last: about 0.4 s
constexpr std::size_t across = 9;  // bins, two apart, over which an attack must spread: about 200 Hz
constexpr std::size_t beside = 8;  // bins of these on either side

// The middle of nine, in each of four bins. Sorted just far enough: in nineteen comparisons (Devillard, 1998, from
// memory).
Four middleOf(std::array<Four, 9> nine) {
    const auto order = [&](std::size_t a, std::size_t b) {
        const Four x = nine[a];
        const Four y = nine[b];
        nine[a] = base::least(x, y);
        nine[b] = base::most(x, y);
    };
    order(1, 2), order(4, 5), order(7, 8), order(0, 1), order(3, 4), order(6, 7), order(1, 2), order(4, 5),
        order(7, 8);
    order(0, 3), order(5, 8), order(4, 7), order(3, 6), order(1, 4), order(2, 5), order(4, 7), order(4, 2),
        order(6, 4);
    order(4, 2);
    return nine[4];
}

class Parting {
  public:
    Parting(const Passage& passage, Span span)
        : in_(passage.in), span_(span), size_(static_cast<std::size_t>(sizeFor(in_.audio->rate))),
          hops_(hopsOf(passage, static_cast<std::int64_t>(size_))), fft_(size_), bins_(fft_.bins()), shape_(size_),
          power_(moments, std::vector<float>(beside + bins_ + beside + 4, 0.0F)),
          spectra_(moments, std::vector<std::vector<std::complex<float>>>(
                                in_.audio->channels.size(), std::vector<std::complex<float>>(bins_, 0.0F))),
          below_(bins_ + 1), mask_(bins_ + 4), weight_(static_cast<std::size_t>(span_.length()), 0.0F) {
        // The root of a Hann window, before and after.
        for (std::size_t i = 0; i < size_; ++i)
            shape_[i] = static_cast<float>(std::sin(std::numbers::pi * (double(i) + 0.5) / double(size_)));
    }

    Parts run(const Progress& progress) {
        const Audio empty(in_.audio->rate, in_.audio->channelCount(), Frames(span_.length()));
        Parts out{empty, empty};
        constexpr auto late = static_cast<std::int64_t>(moments / 2); // judged when those after it are known
        const std::int64_t first = hops_.from(span_.from - static_cast<std::int64_t>(size_) + 1);
        const std::int64_t last = hops_.from(span_.to) - 1;
        for (std::int64_t f = first - late; f <= last + late; ++f) {
            if (progress.stopped()) return out;
            progress.at(double(f - first + late) / double(last - first + 2 * late + 1));
            take(slotOf(f), hops_.at(f));
            if (f - late >= first) give(slotOf(f - late), hops_.at(f - late), out.lasting);
        }
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            in_.copy(c, span_, out.striking.channels[c].data());
            float* lasting = out.lasting.channels[c].data();
            float* striking = out.striking.channels[c].data();
            std::size_t i = 0;
            for (; i + 4 <= weight_.size(); i += 4) {
                const Four lasts = four(lasting + i) / four(&weight_[i]);
                base::put(lasts, lasting + i);
                base::put(four(striking + i) - lasts, striking + i);
            }
            for (; i < weight_.size(); ++i) {
                lasting[i] /= weight_[i];
                striking[i] -= lasting[i];
            }
        }
        return out;
    }

  private:
    static Hops hopsOf(const Passage& passage, std::int64_t window) {
        if (!passage.circle) return Hops::onLine(-window / 2, window / 2);
        const std::int64_t begin = std::llround(passage.sourceAt(0));
        return Hops::onCircle(begin, std::llround(passage.sourceAt(double(passage.length))) - begin, window / 2);
    }

    static std::size_t slotOf(std::int64_t frame) {
        const auto n = static_cast<std::int64_t>(moments);
        return static_cast<std::size_t>(((frame % n) + n) % n);
    }

    static std::int64_t sizeFor(int rate) {
        std::int64_t size = 64;
        while (double(size) * 1.42 < 0.085 * rate)
            size *= 2;
        return size;
    }

    void take(std::size_t slot, std::int64_t from) {
        float* power = power_[slot].data() + beside;
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            auto& spectrum = spectra_[slot][c];
            in_.shaped(c, from, shape_, fft_.time().data());
            fft_.forward(spectrum);
            (c == 0 ? setPower : addPower)(spectrum, power);
        }
        for (std::size_t k = 1; k <= beside; ++k) {
            power[-std::ptrdiff_t(k)] = power[k];
            power[bins_ - 1 + k] = power[bins_ - 1];
        }
    }

    void give(std::size_t slot, std::int64_t from, Audio& lasting) {
        // Each frame's powers have as many mirrored ones on both sides as an attack is looked for across.
        const float* here = power_[slot].data() + beside;
        for (std::size_t b = 0; b < bins_; b += 4) {
            std::array<Four, 9> moment{};
            std::array<Four, 9> around{};
            for (std::size_t k = 0; k < moments; ++k)
                moment[k] = four(power_[k].data() + beside + b);
            for (std::size_t k = 0; k < across; ++k)
                around[k] = four(here + b + 2 * k - beside);
            const Four steady = middleOf(moment);
            const Four broad = middleOf(around);
            const Four s = steady * steady;
            const Four both = s + broad * broad;
            base::put(both > 0.0F ? s / both : Four{}, &mask_[b]);
        }
        judgeBands(here);
        const std::int64_t begin = std::max<std::int64_t>(0, span_.from - from);
        const std::int64_t end = std::min(static_cast<std::int64_t>(size_), span_.to - from);
        if (begin >= end) return;
        const auto count = static_cast<std::size_t>(end - begin);
        const auto at = static_cast<std::size_t>(from + begin - span_.from);
        addShaped(shape_.data() + begin, shape_.data() + begin, count, weight_.data() + at);
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            scale(spectra_[slot][c], mask_.data(), fft_.spectrum());
            fft_.inverse();
            addShaped(fft_.time().data() + begin, shape_.data() + begin, count, lasting.channels[c].data() + at);
        }
    }

    // Bins are judged with their neighbours, so that whole bands go one way: halves of a noise that are stretched
    // apart would no longer add up to its level, and a tone keeps what it spreads.
    void judgeBands(const float* power) {
        constexpr std::size_t narrowest = 8; // bins on either side, about 95 Hz
        // The lasting share of power that goes half either way: over that of noise, which is about a half, so that
        // noise strikes, and what lasts stands out.
        constexpr double even = 0.7;
        const Two shares{1 - even, even};
        for (std::size_t b = 0; b < bins_; ++b)
            below_[b + 1] = below_[b] + Two{double(power[b] * mask_[b]), double(power[b] * (1 - mask_[b]))};
        for (std::size_t b = 0; b < bins_; ++b) {
            const std::size_t about = std::max(narrowest, b / 8); // a third of an octave
            const std::size_t from = b > about ? b - about : 0;
            const std::size_t to = std::min(bins_, b + about + 1);
            const Two band = (below_[to] - below_[from]) * shares;
            mask_[b] = static_cast<float>(band[0] / (band[0] + band[1] + 1e-300));
        }
        // Steeply from the one to the other.
        for (std::size_t b = 0; b < bins_; b += 4) {
            const Four mask = four(&mask_[b]);
            const Four lasting = eighth(mask);
            base::put(lasting / (lasting + eighth(1 - mask)), &mask_[b]);
        }
    }

    static Four eighth(Four x) {
        const Four squared = x * x;
        const Four fourth = squared * squared;
        return fourth * fourth;
    }

    // What lasts, and what strikes.
    using Two = double __attribute__((vector_size(16)));

    const Excerpt in_;
    const Span span_;
    std::size_t size_;
    Hops hops_; // the frames' beginnings
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;
    std::vector<std::vector<float>> power_; // a ring of frames, all channels summed; fours run over the end
    std::vector<std::vector<std::vector<std::complex<float>>>> spectra_;
    std::vector<Two> below_; // the power in all bins below each
    std::vector<float> mask_;
    std::vector<float> weight_; // what the frames' shapes sum to
};

} // namespace

Parts parted(const Passage& passage, Span span, const Progress& progress) {
    return Parting(passage, span).run(progress);
}

} // namespace stretch
