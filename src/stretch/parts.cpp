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

constexpr std::size_t moments = 9; // frames over which a tone must last: about a fifth of a second
constexpr std::size_t across = 9;  // bins, two apart, over which an attack must spread: about 400 Hz

float middleOf(std::array<float, 9>& nine) {
    // Sorted just far enough: the middle of nine in nineteen comparisons (Devillard, 1998, from memory).
    const auto order = [&](std::size_t a, std::size_t b) {
        const float low = std::min(nine[a], nine[b]);
        nine[b] = std::max(nine[a], nine[b]);
        nine[a] = low;
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
        : in_(passage.in), span_(span), size_(sizeFor(in_.audio->rate)),
          hops_(hopsOf(passage, static_cast<std::int64_t>(size_))), fft_(size_), bins_(fft_.bins()), shape_(size_),
          power_(moments, std::vector<float>(bins_, 0.0F)),
          spectra_(moments, std::vector<std::vector<std::complex<float>>>(
                                in_.audio->channels.size(), std::vector<std::complex<float>>(bins_, 0.0F))),
          mask_(bins_), weight_(static_cast<std::size_t>(span.length()), 0.0F) {
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
            std::vector<float>& striking = out.striking.channels[c];
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

    static std::size_t sizeFor(int rate) {
        std::size_t size = 64;
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
            fft_.forward();
            const auto now = fft_.spectrum();
            std::copy(now.begin(), now.end(), spectrum.begin());
            for (std::size_t b = 0; b < bins_; ++b)
                power_[slot][b] += std::norm(spectrum[b]);
        }
    }

    void give(std::size_t slot, std::int64_t from, Audio& lasting) {
        const std::vector<float>& here = power_[slot];
        std::array<float, 9> nine{};
        for (std::size_t b = 0; b < bins_; ++b) {
            for (std::size_t k = 0; k < moments; ++k)
                nine[k] = power_[k][b];
            const float steady = middleOf(nine);
            for (std::size_t k = 0; k < across; ++k) {
                const auto at = static_cast<std::int64_t>(b) + 2 * (static_cast<std::int64_t>(k) - 4);
                nine[k] = here[static_cast<std::size_t>(
                    std::clamp<std::int64_t>(at < 0 ? -at : at, 0, static_cast<std::int64_t>(bins_) - 1))];
            }
            const float broad = middleOf(nine);
            // What lasts must stand out, and nearly every bin goes one way: halves of a noise that are stretched
            // apart would no longer add up to its level.
            const float s = steady * steady * steady * steady;
            const float d = 256 * broad * broad * broad * broad;
            mask_[b] = s + d > 0 ? s / (s + d) : 0.0F;
        }
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

    const Excerpt in_;
    const Span span_;
    std::size_t size_;
    Hops hops_; // the frames' beginnings
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;
    std::vector<std::vector<float>> power_; // a ring of frames, all channels summed
    std::vector<std::vector<std::vector<std::complex<float>>>> spectra_;
    std::vector<float> mask_;
    std::vector<float> weight_; // what the frames' shapes sum to
};

} // namespace

Parts parted(const Passage& passage, Span span, const Progress& progress) {
    return Parting(passage, span).run(progress);
}

} // namespace stretch
