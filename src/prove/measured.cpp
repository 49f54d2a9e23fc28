#include "prove/measured.h"

#include "base/four.h"
#include "hear/onsets.h"
#include "sound/fft.h"
#include "sound/loudness.h"
#include "sound/read.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <functional>
#include <numbers>
#include <span>

namespace prove {

namespace {

// Sound to be looked at anywhere: both channels together, silence outside it.
struct MonoView {
    int rate = hear::Recording::rate;
    std::function<void(std::int64_t first, std::span<float> out)> read;
};

MonoView viewOf(const hear::Recording& recording) {
    return {hear::Recording::rate,
            [&recording](std::int64_t first, std::span<float> out) { recording.read(first, out); }};
}

MonoView viewOf(const sound::Audio& audio) {
    return {audio.rate, [&audio](std::int64_t first, std::span<float> out) {
                const std::int64_t frames = audio.frames().value;
                const float share = 1.0F / static_cast<float>(audio.channels.size());
                for (std::size_t i = 0; i < out.size(); ++i) {
                    const std::int64_t at = first + static_cast<std::int64_t>(i);
                    out[i] = 0;
                    if (at < 0 || at >= frames) continue;
                    for (const auto& channel : audio.channels)
                        out[i] += share * channel[static_cast<std::size_t>(at)];
                }
            }};
}

// Whether a sound that begins there rises at once: within 12 ms to half of the level that it has within 60, by far
// above what sounded before.
bool risesAtOnce(const MonoView& sound, Frames at) {
    const std::int64_t cell = sound.rate / 1000;
    constexpr std::size_t before = 16; // cells
    constexpr std::size_t after = 60;
    std::vector<float> near(static_cast<std::size_t>(static_cast<std::int64_t>(before + after) * cell + 1));
    sound.read(at.value - static_cast<std::int64_t>(before) * cell - 1, near);
    std::array<float, before + after> level{};
    for (std::size_t c = 0; c < level.size(); ++c)
        for (std::size_t i = 1; i <= static_cast<std::size_t>(cell); ++i) {
            // A first difference stands for a high pass: what begins is bright, what rings on is dark.
            const std::size_t k = c * static_cast<std::size_t>(cell) + i;
            level[c] = std::max(level[c], std::abs(near[k] - near[k - 1]) + 0.1F * std::abs(near[k]));
        }
    const float floor = *std::max_element(level.begin(), level.begin() + before - 1);
    const float peak = *std::max_element(level.begin() + before, level.end());
    if (peak < 2.7F * floor) return false;
    for (std::size_t c = before; c < before + 12; ++c)
        if (level[c] >= floor + 0.5F * (peak - floor)) return true;
    return false;
}

std::vector<Pitches::Peak> peaksAt(const MonoView& sound, Frames middle, sound::RealFft& fft,
                                   const std::vector<float>& window) {
    const std::size_t size = window.size();
    std::vector<float> near(size);
    sound.read(middle.value - static_cast<std::int64_t>(size / 2), near);
    auto time = fft.time();
    for (std::size_t i = 0; i < size; ++i)
        time[i] = near[i] * window[i];
    std::fill(time.begin() + static_cast<std::ptrdiff_t>(size), time.end(), 0.0F);
    fft.forward();
    const auto spectrum = fft.spectrum();
    const double binHz = double(sound.rate) / double(fft.size());
    const auto lowest = static_cast<std::size_t>(50 / binHz);
    const auto highest = std::min(fft.bins() - 2, static_cast<std::size_t>(5000 / binHz));
    std::vector<double> magnitude(highest + 2);
    double loudest = 0;
    for (std::size_t b = 0; b < magnitude.size(); ++b) {
        magnitude[b] = std::sqrt(double(std::norm(spectrum[b])));
        if (b >= lowest) loudest = std::max(loudest, magnitude[b]);
    }
    std::vector<Pitches::Peak> peaks;
    if (loudest < 1e-3 * double(size) / 4) return peaks; // below −60 dB
    for (std::size_t b = lowest; b <= highest; ++b) {
        if (magnitude[b] < 0.03 * loudest || magnitude[b] < magnitude[b - 1] || magnitude[b] < magnitude[b + 1])
            continue;
        // A parabola through the logarithms; the window's peak is nearly one.
        const double l = std::log(magnitude[b - 1] + 1e-12);
        const double c = std::log(magnitude[b] + 1e-12);
        const double r = std::log(magnitude[b + 1] + 1e-12);
        const double bend = l - 2 * c + r;
        const double shift = bend < -1e-9 ? std::clamp(0.5 * (l - r) / bend, -0.5, 0.5) : 0.0;
        peaks.push_back({(double(b) + shift) * binHz, std::sqrt(magnitude[b] / loudest)});
    }
    constexpr std::size_t most = 24;
    if (peaks.size() > most) {
        std::nth_element(peaks.begin(), peaks.begin() + most, peaks.end(),
                         [](const Pitches::Peak& a, const Pitches::Peak& b) { return a.weight > b.weight; });
        peaks.resize(most);
    }
    return peaks;
}

// The next even number without prime factors above 5, which a transform is quick for.
std::size_t quickSize(std::size_t atLeast) {
    for (std::size_t size = atLeast + atLeast % 2;; size += 2) {
        std::size_t left = size;
        for (const std::size_t factor : {2U, 3U, 5U})
            while (left % factor == 0)
                left /= factor;
        if (left == 1) return size;
    }
}

std::vector<Pitches> pitchesOf(const MonoView& sound, const std::vector<Frames>& moments, int rate) {
    std::vector<Pitches> list;
    if (moments.empty()) return list;
    // As long at every rate, so that what went in and what came out are seen through the same window.
    const std::size_t size = 2 * static_cast<std::size_t>(std::lround(pitchWindow.value / 2 * sound.rate));
    sound::RealFft fft(quickSize(size));
    // A Gauss window's peak is a parabola in logarithms; this one is cut where it is 1/270.
    std::vector<float> window(size);
    for (std::size_t i = 0; i < size; ++i) {
        const double x = (double(i) - double(size) / 2) / (double(size) * 0.15);
        window[i] = static_cast<float>(std::exp(-0.5 * x * x));
    }
    list.reserve(moments.size());
    for (const Frames at : moments) {
        const Frames there(std::llround(double(at.value) * sound.rate / rate));
        list.push_back({at, peaksAt(sound, there, fft, window)});
    }
    return list;
}

} // namespace

std::vector<Frames> pitchMoments(Frames frames, int rate) {
    const std::int64_t count = std::clamp<std::int64_t>(frames.value / std::max(1, rate / 8), 1, 240);
    std::vector<Frames> moments;
    moments.reserve(static_cast<std::size_t>(count));
    for (std::int64_t i = 0; i < count; ++i)
        moments.emplace_back((2 * i + 1) * frames.value / (2 * count));
    return moments;
}

double Envelope::at(double frame, Band band) const {
    const std::vector<float>& level = levels[static_cast<std::size_t>(band)];
    const double place = frame / double(cell) - 0.5;
    const double below = std::floor(place);
    const auto value = [&](double i) {
        return i >= 0 && i < double(level.size()) ? double(level[static_cast<std::size_t>(i)]) : 0.0;
    };
    return value(below) + (place - below) * (value(below + 1) - value(below));
}

namespace {

using base::Four;

// REQUIRES as many samples in both.
void addTo(std::vector<float>& sum, const sound::Samples& samples) {
    std::size_t i = 0;
    for (; i + 4 <= sum.size(); i += 4)
        base::put(base::four(&sum[i]) + base::four(&samples[i]), &sum[i]);
    for (; i < sum.size(); ++i)
        sum[i] += samples[i];
}

// Two filters of the second order side by side, with a Butterworth's damping, as in Bristow-Johnson, "Cookbook
// formulae for audio equalizer biquad filter coefficients" (from memory): a low pass and a high pass.
class LowAndHigh {
  public:
    LowAndHigh(double low, double high, int rate) {
        set(0, low, rate, false);
        set(1, high, rate, true);
    }
    // The low pass' in the first, the high pass' in the second.
    Four next(float sample) {
        const Four x{sample, sample};
        const Four y = b0_ * x + b1_ * x1_ + b0_ * x2_ - a1_ * y1_ - a2_ * y2_;
        x2_ = x1_;
        x1_ = x;
        y2_ = y1_;
        y1_ = y;
        return y;
    }

  private:
    void set(int lane, double hertz, int rate, bool high) {
        const double w = 2 * std::numbers::pi * std::min(hertz, 0.45 * rate) / rate;
        const double alpha = std::sin(w) / std::numbers::sqrt2;
        const double side = high ? -(1 + std::cos(w)) : 1 - std::cos(w);
        b0_[lane] = static_cast<float>(std::abs(side) / 2 / (1 + alpha));
        b1_[lane] = static_cast<float>(side / (1 + alpha));
        a1_[lane] = static_cast<float>(-2 * std::cos(w) / (1 + alpha));
        a2_[lane] = static_cast<float>((1 - alpha) / (1 + alpha));
    }
    Four b0_{};
    Four b1_{};
    Four a1_{};
    Four a2_{};
    Four x1_{};
    Four x2_{};
    Four y1_{};
    Four y2_{};
};

// Builds an envelope from audio that comes in pieces.
class EnvelopeMaker {
  public:
    explicit EnvelopeMaker(int rate) : filters_(180, 5000, rate) { envelope_.cell = std::max(1, rate / 500); }

    // `both`: the sum of its channels.
    void add(const sound::Audio& audio, const std::vector<float>& both) {
        for (std::size_t from = 0; from < both.size();) {
            const auto n = std::min(both.size() - from, static_cast<std::size_t>(envelope_.cell - count_));
            addWithinCell(audio, both.data(), from, from + n);
            from += n;
            count_ += static_cast<std::int64_t>(n);
            if (count_ == envelope_.cell) close();
        }
    }
    Envelope finished() {
        if (count_ > 0) close();
        return std::move(envelope_);
    }

  private:
    // The filters in registers, which the samples might otherwise lie over.
    void addWithinCell(const sound::Audio& audio, const float* both, std::size_t from, std::size_t to) {
        LowAndHigh filters = filters_;
        float all = all_;
        Four parts = parts_;
        const float* left = audio.channels[0].data();
        const float* right = audio.channels.size() > 1 ? audio.channels[1].data() : nullptr;
        for (std::size_t i = from; i < to; ++i) {
            all += left[i] * left[i];
            if (right != nullptr) all += right[i] * right[i];
            const Four y = filters.next(both[i]);
            parts += y * y;
        }
        filters_ = filters;
        all_ = all;
        parts_ = parts;
    }
    void close() {
        const std::array<float, bandsOfEnvelope.size()> sums{all_, parts_[0], parts_[1]};
        for (std::size_t b = 0; b < sums.size(); ++b)
            envelope_.levels[b].push_back(std::sqrt(sums[b] / static_cast<float>(count_)));
        all_ = 0;
        parts_ = Four{};
        count_ = 0;
    }
    Envelope envelope_;
    LowAndHigh filters_;
    float all_ = 0; // the power of the samples of the cell, so far
    Four parts_{};  // and of what the filters let through
    std::int64_t count_ = 0;
};

} // namespace

Result<Measured> measure(const sound::Blocks& blocks, const Wanted& wanted, const base::Progress& progress) {
    Measured out;
    out.rate = blocks.rate;
    const bool listens = !wanted.onsets || wanted.audio == nullptr;
    hear::Recorder recorder(blocks.rate, blocks.channels);
    std::optional<sound::Meter> meter;
    if (wanted.levels) meter.emplace(blocks.rate, blocks.channels, *wanted.levels);
    EnvelopeMaker envelope(blocks.rate);
    std::vector<float> both; // channels, summed
    for (Frames at(0); at < blocks.length;) {
        if (progress.stopped()) return base::cancelled();
        progress.at(0.8 * double(at.value) / double(std::max<std::int64_t>(1, blocks.length.value)));
        const auto block = blocks.next(at);
        if (!block) return tl::unexpected(block.error());
        const sound::Audio& audio = **block;
        if (audio.frames() == Frames(0)) break;
        if (meter) meter->add(audio);
        both.assign(audio.channels[0].begin(), audio.channels[0].end());
        for (std::size_t c = 1; c < audio.channels.size(); ++c)
            addTo(both, audio.channels[c]);
        envelope.add(audio, both);
        if (listens)
            if (auto added = recorder.addMono(both.data(), audio.frames().value); !added)
                return tl::unexpected(added.error());
        at += audio.frames();
        out.frames = at;
    }
    const auto recording = recorder.finished();
    if (!recording) return tl::unexpected(recording.error());
    const MonoView view = listens ? viewOf(*recording) : viewOf(*wanted.audio);
    out.envelope = envelope.finished();
    const std::vector<hear::Onset> onsets = wanted.onsets
                                                ? *wanted.onsets
                                                : hear::atRate(hear::onsets(*recording, 0.5, progress.part(0.8, 1)),
                                                               hear::Recording::rate, blocks.rate);
    if (progress.stopped()) return base::cancelled();
    out.attacks.reserve(onsets.size());
    for (const hear::Onset& onset : onsets) {
        const Frames there(std::llround(double(onset.at.value) * view.rate / blocks.rate));
        out.attacks.push_back({onset.at, onset.strength, risesAtOnce(view, there)});
    }
    out.pitches =
        pitchesOf(view, wanted.moments ? *wanted.moments : pitchMoments(out.frames, out.rate), blocks.rate);
    if (meter) out.levels = {meter->loudness(), meter->truePeak()};
    return out;
}

Result<Measured> measureFile(const std::filesystem::path& file, const Wanted& wanted,
                             std::vector<std::string>& warnings, const base::Progress& progress) {
    constexpr std::int64_t mostSamples = std::int64_t(1) << 33; // a day of stereo
    auto reader = sound::Reader::open(file, mostSamples);
    if (!reader) return tl::unexpected(reader.error());
    const int channels = reader->facts().channels;
    const auto next = [&](Frames) -> Result<sound::AudioPtr> {
        constexpr std::int64_t most = 1 << 15; // frames
        std::vector<float> woven(static_cast<std::size_t>(most * channels));
        const auto n = reader->read(woven.data(), most);
        if (!n) return tl::unexpected(n.error());
        auto block = std::make_shared<sound::Audio>(reader->facts().rate, channels, Frames(*n));
        for (std::size_t c = 0; c < block->channels.size(); ++c)
            for (std::size_t i = 0; i < block->channels[c].size(); ++i)
                block->channels[c][i] = woven[i * static_cast<std::size_t>(channels) + c];
        return block;
    };
    const sound::Blocks blocks{reader->facts().rate, channels, Frames(mostSamples), next};
    auto measured = measure(blocks, wanted, progress);
    if (!measured) return measured;
    const auto end = reader->end();
    if (!end) return tl::unexpected(end.error());
    warnings.insert(warnings.end(), end->begin(), end->end());
    return measured;
}

sound::Blocks blocksOf(const sound::Audio& audio) {
    const auto next = [&audio](Frames from) -> Result<sound::AudioPtr> {
        constexpr std::int64_t most = 1 << 16; // frames a block, that stay near while they are worked on
        const std::int64_t n = std::min(most, audio.frames().value - from.value);
        auto block = std::make_shared<sound::Audio>();
        block->rate = audio.rate;
        const std::shared_ptr<const void> keeper(std::shared_ptr<const void>(), &audio); // whoever asks keeps it
        for (const sound::Samples& samples : audio.channels)
            block->channels.push_back(
                sound::Samples::viewOf(samples.data() + from.value, static_cast<std::size_t>(n), keeper));
        return block;
    };
    return {audio.rate, audio.channelCount(), audio.frames(), next};
}

} // namespace prove
