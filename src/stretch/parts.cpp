#include "stretch/parts.h"

#include "sound/fft.h"

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
    Parting(const Audio& audio)
        : in_(audio), size_(sizeFor(audio.rate)), hop_(size_ / 2), fft_(size_), bins_(fft_.bins()), shape_(size_),
          power_(moments, std::vector<float>(bins_, 0.0F)),
          spectra_(moments, std::vector<std::vector<std::complex<float>>>(
                                audio.channels.size(), std::vector<std::complex<float>>(bins_, 0.0F))),
          mask_(bins_) {
        // The root of a Hann window, before and after: half overlapped they sum to one.
        for (std::size_t i = 0; i < size_; ++i)
            shape_[i] = static_cast<float>(std::sin(std::numbers::pi * (double(i) + 0.5) / double(size_)));
    }

    Parts run(const sound::Progress& progress) {
        Parts out{Audio(in_.rate, in_.channelCount(), in_.frames()),
                  Audio(in_.rate, in_.channelCount(), in_.frames())};
        const auto hop = static_cast<std::int64_t>(hop_);
        const std::int64_t length = in_.frames().value;
        const std::int64_t frames = length / hop + 2;
        constexpr auto late =
            static_cast<std::int64_t>(moments / 2); // a frame is judged when those after it are known
        for (std::int64_t f = 0; f < frames + late; ++f) {
            if (progress.stopped()) return out;
            progress.at(double(f) / double(frames + late));
            take(static_cast<std::size_t>(f) % moments, f * hop - hop, f < frames);
            if (f >= late) give(f - late, (f - late) * hop - hop, out.lasting);
        }
        for (std::size_t c = 0; c < in_.channels.size(); ++c)
            for (std::size_t i = 0; i < static_cast<std::size_t>(length); ++i)
                out.striking.channels[c][i] = in_.channels[c][i] - out.lasting.channels[c][i];
        return out;
    }

  private:
    static std::size_t sizeFor(int rate) {
        std::size_t size = 64;
        while (double(size) * 1.42 < 0.085 * rate)
            size *= 2;
        return size;
    }

    void take(std::size_t slot, std::int64_t from, bool there) {
        std::fill(power_[slot].begin(), power_[slot].end(), 0.0F);
        for (std::size_t c = 0; c < in_.channels.size(); ++c) {
            auto& spectrum = spectra_[slot][c];
            if (!there) {
                std::fill(spectrum.begin(), spectrum.end(), 0.0F);
                continue;
            }
            const auto time = fft_.time();
            for (std::size_t i = 0; i < size_; ++i) {
                const std::int64_t at = from + static_cast<std::int64_t>(i);
                const bool inside = at >= 0 && at < in_.frames().value;
                time[i] = inside ? in_.channels[c][static_cast<std::size_t>(at)] * shape_[i] : 0.0F;
            }
            fft_.forward();
            const auto now = fft_.spectrum();
            std::copy(now.begin(), now.end(), spectrum.begin());
            for (std::size_t b = 0; b < bins_; ++b)
                power_[slot][b] += std::norm(spectrum[b]);
        }
    }

    void give(std::int64_t frame, std::int64_t from, Audio& lasting) {
        const std::size_t slot = static_cast<std::size_t>(frame) % moments;
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
        for (std::size_t c = 0; c < in_.channels.size(); ++c) {
            const auto spectrum = fft_.spectrum();
            for (std::size_t b = 0; b < bins_; ++b)
                spectrum[b] = spectra_[slot][c][b] * mask_[b];
            fft_.inverse();
            const auto time = fft_.time();
            const std::int64_t begin = std::max<std::int64_t>(0, -from);
            const std::int64_t end = std::min(static_cast<std::int64_t>(size_), in_.frames().value - from);
            for (std::int64_t i = begin; i < end; ++i)
                lasting.channels[c][static_cast<std::size_t>(from + i)] +=
                    time[static_cast<std::size_t>(i)] * shape_[static_cast<std::size_t>(i)];
        }
    }

    const Audio& in_;
    std::size_t size_;
    std::size_t hop_;
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;
    std::vector<std::vector<float>> power_; // a ring of frames, all channels summed
    std::vector<std::vector<std::vector<std::complex<float>>>> spectra_;
    std::vector<float> mask_;
};

} // namespace

Parts parted(const Audio& audio, const sound::Progress& progress) {
    return Parting(audio).run(progress);
}

} // namespace stretch
