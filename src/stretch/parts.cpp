#include "stretch/parts.h"

#include "sound/fft.h"
#include "stretch/hops.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <numbers>

namespace stretch {

namespace {

constexpr std::size_t moments = 9; // frames over which a tone must last: about 0.4 s
constexpr std::size_t across = 9;  // bins, two apart, over which an attack must spread: about 200 Hz
constexpr std::size_t beside = 8;  // bins of these on either side

// As many bins as are worked on at a time.
constexpr std::size_t lanes = 16;
using Lanes = std::array<float, lanes>;

// The middle of nine, bin by bin. Sorted just far enough: in nineteen comparisons (Devillard, 1998, from memory).
Lanes middleOf(std::array<Lanes, 9>& nine) {
    const auto order = [&](std::size_t a, std::size_t b) {
        for (std::size_t i = 0; i < lanes; ++i) {
            const float x = nine[a][i];
            const float y = nine[b][i];
            nine[a][i] = std::min(x, y);
            nine[b][i] = std::max(x, y);
        }
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
          power_(moments, std::vector<float>(beside + bins_ + beside + lanes, 0.0F)),
          spectra_(moments, std::vector<std::vector<std::complex<float>>>(
                                in_.audio->channels.size(), std::vector<std::complex<float>>(bins_, 0.0F))),
          lasting_(bins_ + 1, 0.0), striking_(bins_ + 1, 0.0), mask_(bins_),
          weight_(static_cast<std::size_t>(span_.length()), 0.0F) {
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
        for (auto& lasting : out.lasting.channels)
            for (std::size_t i = 0; i < lasting.size(); ++i)
                lasting[i] /= weight_[i];
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            sound::Samples& striking = out.striking.channels[c];
            in_.copy(c, span_, striking.data());
            for (std::size_t i = 0; i < striking.size(); ++i)
                striking[i] -= out.lasting.channels[c][i];
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
        std::fill(power_[slot].begin(), power_[slot].end(), 0.0F);
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            auto& spectrum = spectra_[slot][c];
            const auto time = fft_.time();
            in_.copy(c, {from, from + static_cast<std::int64_t>(size_)}, time.data());
            for (std::size_t i = 0; i < size_; ++i)
                time[i] *= shape_[i];
            fft_.forward(spectrum);
            for (std::size_t b = 0; b < bins_; ++b)
                power_[slot][beside + b] += std::norm(spectrum[b]);
        }
        float* power = power_[slot].data() + beside;
        for (std::size_t k = 1; k <= beside; ++k) {
            power[-std::ptrdiff_t(k)] = power[k];
            power[bins_ - 1 + k] = power[bins_ - 1];
        }
    }

    void give(std::size_t slot, std::int64_t from, Audio& lasting) {
        // Each frame's powers have as many mirrored ones on both sides as an attack is looked for across.
        const float* here = power_[slot].data() + beside;
        std::array<Lanes, 9> nine{};
        for (std::size_t b = 0; b < bins_; b += lanes) {
            const std::size_t n = std::min(lanes, bins_ - b);
            for (std::size_t k = 0; k < moments; ++k)
                std::copy_n(power_[k].data() + beside + b, lanes, nine[k].begin());
            const Lanes steady = middleOf(nine);
            for (std::size_t k = 0; k < across; ++k)
                std::copy_n(here + b + 2 * k - beside, lanes, nine[k].begin());
            const Lanes broad = middleOf(nine);
            for (std::size_t i = 0; i < n; ++i) {
                const float s = steady[i] * steady[i];
                const float d = broad[i] * broad[i];
                mask_[b + i] = s + d > 0 ? s / (s + d) : 0.0F;
            }
        }
        judgeBands(here);
        const std::int64_t begin = std::max<std::int64_t>(0, span_.from - from);
        const std::int64_t end = std::min(static_cast<std::int64_t>(size_), span_.to - from);
        for (std::int64_t i = begin; i < end; ++i) {
            const float s = shape_[static_cast<std::size_t>(i)];
            weight_[static_cast<std::size_t>(from + i - span_.from)] += s * s;
        }
        for (std::size_t c = 0; c < in_.audio->channels.size(); ++c) {
            const auto spectrum = fft_.spectrum();
            for (std::size_t b = 0; b < bins_; ++b)
                spectrum[b] = spectra_[slot][c][b] * mask_[b];
            fft_.inverse();
            const auto time = fft_.time();
            for (std::int64_t i = begin; i < end; ++i)
                lasting.channels[c][static_cast<std::size_t>(from + i - span_.from)] +=
                    time[static_cast<std::size_t>(i)] * shape_[static_cast<std::size_t>(i)];
        }
    }

    // Bins are judged with their neighbours, so that whole bands go one way: halves of a noise that are stretched
    // apart would no longer add up to its level, and a tone keeps what it spreads.
    void judgeBands(const float* power) {
        constexpr std::size_t narrowest = 8; // bins on either side, about 95 Hz
        // The lasting share of power that goes half either way: over that of noise, which is about a half, so that
        // noise strikes, and what lasts stands out.
        constexpr double even = 0.7;
        for (std::size_t b = 0; b < bins_; ++b) {
            lasting_[b + 1] = lasting_[b] + double(power[b] * mask_[b]);
            striking_[b + 1] = striking_[b] + double(power[b] * (1 - mask_[b]));
        }
        for (std::size_t b = 0; b < bins_; ++b) {
            const std::size_t about = std::max(narrowest, b / 8); // a third of an octave
            const std::size_t from = b > about ? b - about : 0;
            const std::size_t to = std::min(bins_, b + about + 1);
            const double lasting = (1 - even) * (lasting_[to] - lasting_[from]);
            const double striking = even * (striking_[to] - striking_[from]);
            mask_[b] = static_cast<float>(lasting / (lasting + striking + 1e-300));
        }
        // Steeply from the one to the other.
        for (float& mask : mask_) {
            const float lasting = eighth(mask);
            mask = lasting / (lasting + eighth(1 - mask));
        }
    }

    static float eighth(float x) {
        const float squared = x * x;
        const float fourth = squared * squared;
        return fourth * fourth;
    }

    const Excerpt in_;
    const Span span_;
    std::size_t size_;
    Hops hops_; // the frames' beginnings
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;
    std::vector<std::vector<float>> power_; // a ring of frames, all channels summed; lanes run over the end
    std::vector<std::vector<std::vector<std::complex<float>>>> spectra_;
    std::vector<double> lasting_;  // the power of what lasts in all bins below each
    std::vector<double> striking_; // and of what strikes
    std::vector<float> mask_;
    std::vector<float> weight_; // what the frames' shapes sum to
};

} // namespace

Parts parted(const Passage& passage, Span span, const Progress& progress) {
    return Parting(passage, span).run(progress);
}

} // namespace stretch
