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
    // Works on a window more on both sides, from which the level is found.
    Parting(const Passage& passage, Span span)
        : in_(passage.in),
          wanted_(span), span_{span.from - sizeFor(in_.audio->rate), span.to + sizeFor(in_.audio->rate)},
          size_(static_cast<std::size_t>(sizeFor(in_.audio->rate))),
          hops_(hopsOf(passage, static_cast<std::int64_t>(size_))), fft_(size_), bins_(fft_.bins()), shape_(size_),
          power_(moments, std::vector<float>(beside + bins_ + beside + lanes, 0.0F)),
          spectra_(moments, std::vector<std::vector<std::complex<float>>>(
                                in_.audio->channels.size(), std::vector<std::complex<float>>(bins_, 0.0F))),
          mask_(bins_), weight_(static_cast<std::size_t>(span_.length()), 0.0F) {
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
        return asLoud(out);
    }

  private:
    static Hops hopsOf(const Passage& passage, std::int64_t window) {
        if (!passage.circle) return Hops::onLine(-window / 2, window / 2);
        const std::int64_t begin = std::llround(passage.sourceAt(0));
        return Hops::onCircle(begin, std::llround(passage.sourceAt(double(passage.length))) - begin, window / 2);
    }

    // What is wanted of the parts, raised a little where they share a sound between them: stretched apart, the two
    // are no longer in step, and would not add up to its level.
    Parts asLoud(const Parts& parts) const {
        const auto size = static_cast<std::int64_t>(size_);
        const Audio empty(in_.audio->rate, in_.audio->channelCount(), Frames(wanted_.length()));
        Parts out{empty, empty};
        std::int64_t f = hops_.from(span_.from);
        float here = raiseOver(parts, hops_.at(f));
        float next = raiseOver(parts, hops_.at(f + 1));
        for (std::int64_t t = wanted_.from; t < wanted_.to; ++t) {
            while (t >= hops_.at(f + 1) + size / 2) {
                ++f;
                here = next;
                const std::int64_t at = hops_.at(f + 1);
                next = at + size <= span_.to ? raiseOver(parts, at) : here;
            }
            const std::int64_t centre = hops_.at(f) + size / 2;
            const std::int64_t following = hops_.at(f + 1) + size / 2;
            const float x = float(t - centre) / float(following - centre);
            const float raise = here + (next - here) * x;
            const auto to = static_cast<std::size_t>(t - wanted_.from);
            const auto from = static_cast<std::size_t>(t - span_.from);
            for (std::size_t c = 0; c < out.lasting.channels.size(); ++c) {
                out.lasting.channels[c][to] = raise * parts.lasting.channels[c][from];
                out.striking.channels[c][to] = raise * parts.striking.channels[c][from];
            }
        }
        return out;
    }

    float raiseOver(const Parts& parts, std::int64_t at) const {
        float lasting = 0;
        float striking = 0;
        float both = 0;
        const auto from = static_cast<std::size_t>(at - span_.from);
        for (std::size_t c = 0; c < parts.lasting.channels.size(); ++c) {
            const float* l = parts.lasting.channels[c].data() + from;
            const float* s = parts.striking.channels[c].data() + from;
            for (std::size_t i = 0; i < size_; ++i) {
                lasting += shape_[i] * l[i] * l[i];
                striking += shape_[i] * s[i] * s[i];
                both += shape_[i] * l[i] * s[i];
            }
        }
        const float apart = lasting + striking;
        if (apart <= 0 || both <= 0) return 1;
        return std::min(1.3F, std::sqrt((apart + 2 * both) / apart));
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
            fft_.forward();
            const auto now = fft_.spectrum();
            std::copy(now.begin(), now.end(), spectrum.begin());
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
            // What lasts must stand out, and nearly every bin goes one way: halves of a noise that are stretched
            // apart would no longer add up to its level.
            for (std::size_t i = 0; i < n; ++i) {
                const float s = steady[i] * steady[i] * steady[i] * steady[i];
                const float d = 16 * broad[i] * broad[i] * broad[i] * broad[i];
                mask_[b + i] = s + d > 0 ? s / (s + d) : 0.0F;
            }
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
    const Span wanted_;
    const Span span_;
    std::size_t size_;
    Hops hops_; // the frames' beginnings
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;
    std::vector<std::vector<float>> power_; // a ring of frames, all channels summed; lanes run over the end
    std::vector<std::vector<std::vector<std::complex<float>>>> spectra_;
    std::vector<float> mask_;
    std::vector<float> weight_; // what the frames' shapes sum to
};

} // namespace

Parts parted(const Passage& passage, Span span, const Progress& progress) {
    return Parting(passage, span).run(progress);
}

} // namespace stretch
