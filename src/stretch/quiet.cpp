#include "stretch/quiet.h"

#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>
#include <vector>

namespace stretch {

namespace {

constexpr double windowSeconds = 0.043;
constexpr double quietest = 1.0 / 6; // of the time
// Times the floor: what is louder is left alone. Of noise, whose levels are distributed as Rayleigh says, the
// quietest sixth ends at 0.6 of its deviation, and one in twenty is above 2.4 of it.
constexpr double above = 4;
constexpr float least = 0.25F; // −12 dB
constexpr int fewestFrames = 26;
constexpr std::size_t mostLearned = 2000; // frames that the floor is learned from

std::size_t sizeAt(int rate) {
    std::size_t size = 256;
    while (double(size) < windowSeconds * rate)
        size *= 2;
    return size;
}

class Gate {
  public:
    Gate(const sound::Samples& in, int rate)
        : in_(in), size_(sizeAt(rate)), hop_(size_ / 4), fft_(size_), window_(size_) {
        for (std::size_t i = 0; i < size_; ++i)
            window_[i] = static_cast<float>(std::sqrt(
                0.5 - 0.5 * std::cos(2 * std::numbers::pi * (static_cast<double>(i) + 0.5) / double(size_))));
        whole_ = insideOf(0, static_cast<std::int64_t>(size_));
        // Four windows overlap on the first sample and on the last, and each has a neighbour on either side.
        frames_ = static_cast<std::int64_t>(in_.size() / hop_) + 6;
    }

    bool canLearn() const { return frames_ >= fewestFrames; }

    std::vector<float> run() {
        learn();
        std::vector<float> out(in_.size());
        // Gains of a frame and the two beside it, averaged.
        // The first and the last lie wholly outside: they say nothing, and their neighbours stand for them.
        std::vector<float> here = gainsOf(1);
        std::vector<float> before = here;
        std::vector<float> after;
        std::vector<float> mean(before.size());
        for (std::int64_t k = 1; k + 1 < frames_; ++k) {
            after = k + 2 < frames_ ? gainsOf(k + 1) : here;
            for (std::size_t b = 0; b < mean.size(); ++b)
                mean[b] = (before[b] + 2 * here[b] + after[b]) / 4;
            add(k, mean, out);
            before.swap(here);
            here.swap(after);
        }
        return out;
    }

  private:
    // The frame's first sample.
    std::int64_t placeOf(std::int64_t frame) const { return (frame - 4) * static_cast<std::int64_t>(hop_); }

    // How much of a window's power lies on samples [first, end) of it.
    float insideOf(std::int64_t first, std::int64_t end) const {
        float sum = 0;
        for (std::int64_t i = std::max<std::int64_t>(0, first);
             i < std::min<std::int64_t>(end, std::int64_t(size_)); ++i)
            sum += window_[static_cast<std::size_t>(i)] * window_[static_cast<std::size_t>(i)];
        return sum;
    }

    void transform(std::int64_t frame) {
        const std::int64_t begin = placeOf(frame);
        const auto length = static_cast<std::int64_t>(in_.size());
        auto time = fft_.time();
        for (std::size_t i = 0; i < size_; ++i) {
            const std::int64_t at = begin + static_cast<std::int64_t>(i);
            time[i] = at >= 0 && at < length ? window_[i] * in_[static_cast<std::size_t>(at)] : 0.0F;
        }
        fft_.forward();
    }

    void learn() {
        const std::size_t bins = fft_.bins();
        const std::int64_t step = std::max<std::int64_t>(1, frames_ / static_cast<std::int64_t>(mostLearned));
        std::vector<std::vector<float>> levels(bins);
        // Whole windows only: what lies half outside would be too quiet.
        for (std::int64_t k = 4; k + 5 < frames_; k += step) {
            transform(k);
            const auto spectrum = fft_.spectrum();
            for (std::size_t b = 0; b < bins; ++b)
                levels[b].push_back(std::abs(spectrum[b]));
        }
        std::vector<float> falls(bins);
        for (std::size_t b = 0; b < bins; ++b) {
            auto& list = levels[b];
            const auto at = list.begin() + static_cast<std::ptrdiff_t>(quietest * double(list.size() - 1));
            std::nth_element(list.begin(), at, list.end());
            falls[b] = *at;
        }
        floor_.resize(bins);
        std::vector<float> around;
        for (std::size_t b = 0; b < bins; ++b) {
            const std::size_t reach = std::max<std::size_t>(6, b / 6);
            const std::size_t first = b > reach ? b - reach : 0;
            const std::size_t last = std::min(bins - 1, b + reach);
            around.assign(falls.begin() + static_cast<std::ptrdiff_t>(first),
                          falls.begin() + static_cast<std::ptrdiff_t>(last) + 1);
            const auto middle = around.begin() + static_cast<std::ptrdiff_t>(around.size() / 2);
            std::nth_element(around.begin(), middle, around.end());
            floor_[b] = std::min(falls[b], *middle);
        }
    }

    std::vector<float> gainsOf(std::int64_t frame) {
        transform(frame);
        const auto spectrum = fft_.spectrum();
        std::vector<float> raw(spectrum.size());
        // Where a window reaches over the beginning or the end, the noise in it is less as well.
        const std::int64_t begin = placeOf(frame);
        const float share = std::sqrt(insideOf(-begin, static_cast<std::int64_t>(in_.size()) - begin) / whole_);
        for (std::size_t b = 0; b < raw.size(); ++b) {
            const float level = std::abs(spectrum[b]);
            const auto noise = static_cast<float>(above) * floor_[b] * share;
            const float left = level > 0 ? 1 - (noise * noise) / (level * level) : 0;
            raw[b] = std::max(least, left > 0 ? std::sqrt(left) : 0.0F);
        }
        std::vector<float> gains(raw.size());
        for (std::size_t b = 0; b < raw.size(); ++b) {
            float sum = 0;
            float count = 0;
            for (std::size_t i = b > 1 ? b - 2 : 0; i <= std::min(raw.size() - 1, b + 2); ++i) {
                sum += raw[i];
                ++count;
            }
            // A peak keeps what is its own.
            gains[b] = std::max(raw[b], sum / count);
        }
        return gains;
    }

    void add(std::int64_t frame, const std::vector<float>& gains, std::vector<float>& out) {
        transform(frame);
        auto spectrum = fft_.spectrum();
        for (std::size_t b = 0; b < gains.size(); ++b)
            spectrum[b] *= gains[b];
        fft_.inverse();
        const auto time = fft_.time();
        const std::int64_t begin = placeOf(frame);
        for (std::size_t i = 0; i < size_; ++i) {
            const std::int64_t at = begin + static_cast<std::int64_t>(i);
            // Four windows overlap everywhere; their squares add up to two.
            if (at >= 0 && at < static_cast<std::int64_t>(out.size()))
                out[static_cast<std::size_t>(at)] += window_[i] * time[i] / 2;
        }
    }

    const sound::Samples& in_;
    std::size_t size_;
    std::size_t hop_;
    sound::RealFft fft_;
    std::vector<float> window_;
    float whole_ = 1; // the power of a window
    std::int64_t frames_ = 0;
    std::vector<float> floor_;
};

} // namespace

sound::Audio quieted(const sound::Audio& audio) {
    sound::Audio out = audio;
    for (std::size_t c = 0; c < out.channels.size(); ++c) {
        Gate gate(audio.channels[c], audio.rate);
        if (!gate.canLearn()) return audio;
        // Equal channels stay equal; there is no need to work them out twice.
        if (c > 0 && audio.channels[c] == audio.channels[0])
            out.channels[c] = out.channels[0];
        else
            out.channels[c] = sound::Samples(gate.run());
    }
    return out;
}

} // namespace stretch
