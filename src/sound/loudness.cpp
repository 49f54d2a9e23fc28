#include "sound/loudness.h"

#include <algorithm>
#include <cmath>
#include <ebur128.h>

namespace sound {

namespace {

constexpr std::int64_t meterBlock = 4096; // frames
constexpr std::int64_t meterCell = 32;    // frames that are oversampled together, or not
constexpr std::int64_t meterReach = 24;   // frames to either side that the interpolation rests on

ebur128_state* stateOf(void* p) {
    return static_cast<ebur128_state*>(p);
}

} // namespace

void Meter::Destroy::operator()(void* state) const {
    ebur128_state* s = stateOf(state);
    ebur128_destroy(&s);
}

Meter::Meter(int rate, int channels, Of of)
    : channels_(static_cast<std::size_t>(channels)), rate_(rate),
      woven_(static_cast<std::size_t>(meterReach + meterBlock) * channels_) {
    const auto make = [&](int mode) {
        return ebur128_init(static_cast<unsigned>(channels), static_cast<unsigned long>(rate), mode);
    };
    if (of != Of::TruePeak) loudness_.reset(make(EBUR128_MODE_I));
    if (of != Of::Loudness) peak_.reset(make(EBUR128_MODE_TRUE_PEAK));
    failed_ = (of != Of::TruePeak && !loudness_) || (of != Of::Loudness && !peak_);
}

// `woven` has the block, and `meterReach` frames before it.
void Meter::addToPeak(const float* woven, std::int64_t n) {
    const auto give = [&](std::int64_t from, std::int64_t to) {
        if (from >= to) return;
        const float* first = woven + from * static_cast<std::int64_t>(channels_);
        failed_ = failed_ || ebur128_add_frames_float(stateOf(peak_.get()), first,
                                                      static_cast<std::size_t>(to - from)) != EBUR128_SUCCESS;
    };
    for (std::int64_t at = 0; at < n; at += meterCell) {
        const std::int64_t end = std::min(n, at + meterCell);
        float loud = 0;
        for (auto i = at * static_cast<std::int64_t>(channels_); i < end * static_cast<std::int64_t>(channels_);
             ++i)
            loud = std::max(loud, std::abs(woven[i]));
        highest_ = std::max(highest_, loud);
        if (loud > 0.7F * highest_) {
            give(owed_ > 0 ? at : at - meterReach, end);
            owed_ = meterReach;
        } else if (owed_ > 0) {
            give(at, std::min(end, at + owed_));
            owed_ -= std::min(owed_, end - at);
        }
    }
}

void Meter::add(const Audio& audio) {
    const auto before = static_cast<std::size_t>(meterReach) * channels_;
    for (std::int64_t at = 0; at < audio.frames().value; at += meterBlock) {
        const std::int64_t n = std::min(meterBlock, audio.frames().value - at);
        for (std::size_t c = 0; c < channels_; ++c) {
            const float* from = audio.channels[c].data() + at;
            for (std::int64_t i = 0; i < n; ++i)
                woven_[before + static_cast<std::size_t>(i) * channels_ + c] = from[i];
        }
        total_ += n;
        if (loudness_ && !failed_)
            failed_ = ebur128_add_frames_float(stateOf(loudness_.get()), woven_.data() + before,
                                               static_cast<std::size_t>(n)) != EBUR128_SUCCESS;
        if (peak_) addToPeak(woven_.data() + before, n);
        const auto used = static_cast<std::size_t>(n) * channels_;
        std::copy(woven_.begin() + static_cast<std::ptrdiff_t>(used),
                  woven_.begin() + static_cast<std::ptrdiff_t>(used + before), woven_.begin());
    }
}

std::optional<double> Meter::loudness() {
    if (!loudness_) return std::nullopt;
    const std::vector<float> silence(static_cast<std::size_t>(rate_) * channels_, 0.0F);
    if (const std::int64_t least = rate_ / 2; total_ < least && !failed_)
        failed_ = ebur128_add_frames_float(stateOf(loudness_.get()), silence.data(),
                                           static_cast<std::size_t>(least - total_)) != EBUR128_SUCCESS;
    double loudness = 0;
    if (failed_ || ebur128_loudness_global(stateOf(loudness_.get()), &loudness) != EBUR128_SUCCESS ||
        !std::isfinite(loudness))
        return std::nullopt;
    return loudness;
}

std::optional<double> Meter::truePeak() {
    if (!peak_) return std::nullopt;
    // The filter looks beyond the end.
    const std::vector<float> silence(static_cast<std::size_t>(meterReach) * channels_, 0.0F);
    if (!failed_)
        failed_ = ebur128_add_frames_float(stateOf(peak_.get()), silence.data(),
                                           static_cast<std::size_t>(meterReach)) != EBUR128_SUCCESS;
    double peak = 0;
    for (std::size_t c = 0; c < channels_; ++c) {
        double one = 0;
        if (failed_ || ebur128_true_peak(stateOf(peak_.get()), static_cast<unsigned>(c), &one) != EBUR128_SUCCESS)
            return std::nullopt;
        peak = std::max(peak, one);
    }
    if (!(peak > 0)) return std::nullopt;
    return 20 * std::log10(peak);
}

std::optional<double> integratedLoudness(const std::vector<AudioPtr>& pieces) {
    if (pieces.empty() || pieces.front()->channels.empty()) return std::nullopt;
    Meter meter(pieces.front()->rate, pieces.front()->channelCount(), Meter::Of::Loudness);
    for (const AudioPtr& piece : pieces)
        meter.add(*piece);
    return meter.loudness();
}

std::optional<double> truePeak(const Audio& audio) {
    if (audio.channels.empty()) return std::nullopt;
    Meter meter(audio.rate, audio.channelCount(), Meter::Of::TruePeak);
    meter.add(audio);
    return meter.truePeak();
}

} // namespace sound
