// A phase vocoder with phases locked around spectral peaks: Laroche & Dolson, "Improved Phase Vocoder Time-Scale
// Modification of Audio", IEEE Trans. Speech and Audio Processing 1999; that each output frame is led on from the
// one before by a second analysis one hop earlier is after Puckette, "Phase-locked Vocoder", WASPAA 1995; phases as
// recorded at attacks after Röbel, "A new approach to transient processing in the phase vocoder", DAFx 2003 (all
// from memory). Ours differs in that no phase is ever computed: around each peak, the frame is turned by the one
// angle at which its own past fits best, over all channels together, to what was put out before.
#include "stretch/vocoder.h"

#include "sound/fft.h"
#include "stretch/envelope.h"
#include "stretch/zones.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>

namespace stretch {

namespace {

using Spectrum = std::vector<std::complex<float>>;

std::size_t windowFor(double seconds, int rate) {
    std::size_t size = 64;
    while (double(size) * 1.42 < seconds * rate)
        size *= 2;
    return size;
}

class Vocoder {
  public:
    Vocoder(const Material& material, const TimeMap& map, const VocoderSettings& settings)
        : in_(material.audio), size_(windowFor(settings.window, material.audio.rate)), hop_(size_ / 4), fft_(size_),
          bins_(fft_.bins()), shape_(size_),
          zones_(attackZones(material.attacks, map, settings.attacks ? size_ / 4 : 0)),
          envelope_(size_, in_.rate, settings.formantsAgainst),
          out_(in_.rate, in_.channelCount(), map.outputLength()), power_(bins_), turn_(bins_) {
        for (std::size_t i = 0; i < size_; ++i)
            shape_[i] = static_cast<float>(0.5 - 0.5 * std::cos(2 * std::numbers::pi * double(i) / double(size_)));
        for (auto* spectra : {&now_, &back_, &before_})
            spectra->assign(in_.channels.size(), Spectrum(bins_));
    }

    Result<Audio> run(const Progress& progress) {
        const auto hop = static_cast<std::int64_t>(hop_);
        const auto half = static_cast<std::int64_t>(size_ / 2);
        const std::int64_t length = out_.frames().value;
        bool first = true;
        for (std::int64_t o = hop - half; o < length + half; o += hop) {
            if (progress.stopped()) return metre::cancelled();
            progress.at(std::clamp(double(o) / double(length), 0.0, 1.0));
            step(o, first);
            first = false;
        }
        return std::move(out_);
    }

  private:
    // One output frame, centred on o.
    void step(std::int64_t o, bool first) {
        const Zones::Place place = zones_.at(o);
        float energy = 0;
        for (std::size_t c = 0; c < now_.size(); ++c) {
            analyse(c, place.source, now_[c]);
            for (const auto& x : now_[c])
                energy += std::norm(x);
        }
        if (energy == 0) {
            for (Spectrum& s : before_)
                std::fill(s.begin(), s.end(), 0.0F);
            return;
        }
        for (std::size_t b = 0; b < bins_; ++b) {
            power_[b] = 0;
            for (const Spectrum& s : now_)
                power_[b] += std::norm(s[b]);
        }
        if (first || place.asRecorded || place.source - lastSource_ == static_cast<std::int64_t>(hop_)) {
            // Phases as they are; or going on at the recording's own speed, as turned as before.
            if (first || place.asRecorded) std::fill(turn_.begin(), turn_.end(), 1.0F);
            for (auto& t : turn_)
                t /= std::max(1e-9F, std::sqrt(std::norm(t)));
        } else {
            for (std::size_t c = 0; c < back_.size(); ++c)
                analyse(c, place.source - static_cast<std::int64_t>(hop_), back_[c]);
            turnAroundPeaks();
        }
        lastSource_ = place.source;
        for (std::size_t c = 0; c < now_.size(); ++c) {
            Spectrum& s = before_[c];
            for (std::size_t b = 0; b < bins_; ++b)
                s[b] = now_[c][b] * turn_[b];
            const auto spectrum = fft_.spectrum();
            std::copy(s.begin(), s.end(), spectrum.begin());
            if (envelope_.moves()) envelope_.move(spectrum);
            spectrum[0].imag(0);
            spectrum[bins_ - 1].imag(0);
            fft_.inverse();
            overlap(c, o - static_cast<std::int64_t>(size_ / 2));
        }
    }

    void analyse(std::size_t c, std::int64_t centre, Spectrum& to) {
        const auto time = fft_.time();
        const std::int64_t from = centre - static_cast<std::int64_t>(size_ / 2);
        const std::int64_t begin = std::clamp<std::int64_t>(-from, 0, static_cast<std::int64_t>(size_));
        const std::int64_t end =
            std::clamp<std::int64_t>(in_.frames().value - from, begin, static_cast<std::int64_t>(size_));
        if (begin > 0 || end < static_cast<std::int64_t>(size_)) std::fill(time.begin(), time.end(), 0.0F);
        const std::vector<float>& x = in_.channels[c];
        for (std::int64_t i = begin; i < end; ++i)
            time[static_cast<std::size_t>(i)] =
                x[static_cast<std::size_t>(from + i)] * shape_[static_cast<std::size_t>(i)];
        fft_.forward();
        const auto spectrum = fft_.spectrum();
        std::copy(spectrum.begin(), spectrum.end(), to.begin());
    }

    // Turns the bins around each peak of the power together. The regions meet where the power is lowest between
    // peaks.
    void turnAroundPeaks() {
        std::size_t from = 0;
        std::size_t peak = nextPeak(0);
        while (from < bins_) {
            const std::size_t following = nextPeak(peak + 1);
            std::size_t to = bins_;
            if (following < bins_) {
                to = static_cast<std::size_t>(std::min_element(power_.begin() + std::ptrdiff_t(peak),
                                                               power_.begin() + std::ptrdiff_t(following)) -
                                              power_.begin()) +
                     1;
            }
            // Where the past has nothing like it, something begins: as recorded.
            std::complex<float> fit = 0;
            float past = 0;
            const std::size_t low = std::max(from, peak > 2 ? peak - 2 : 0);
            const std::size_t high = std::min(to, peak + 3);
            for (std::size_t c = 0; c < back_.size(); ++c)
                for (std::size_t b = low; b < high; ++b) {
                    fit += before_[c][b] * std::conj(back_[c][b]);
                    past += std::norm(back_[c][b]);
                }
            float present = 0;
            for (std::size_t b = low; b < high; ++b)
                present += power_[b];
            const float magnitude = std::sqrt(std::norm(fit));
            const bool begins = past < 0.003F * present || magnitude < 1e-20F;
            std::complex<float> turn = begins ? std::complex<float>(1) : fit / magnitude;
            if (!begins) turn *= levelAt(likeness(from, to, turn));
            for (std::size_t b = from; b < to; ++b)
                turn_[b] = turn;
            from = to;
            peak = following;
        }
    }

    // How well the whole region fits, turned, to what was put out before: 1 entirely.
    float likeness(std::size_t from, std::size_t to, std::complex<float> turn) const {
        float both = 0;
        float past = 1e-30F;
        float put = 1e-30F;
        for (std::size_t c = 0; c < back_.size(); ++c)
            for (std::size_t b = from; b < to; ++b) {
                both += (before_[c][b] * std::conj(back_[c][b] * turn)).real();
                past += std::norm(back_[c][b]);
                put += std::norm(before_[c][b]);
            }
        return both / std::sqrt(past * put);
    }

    // Frames that do not fit each other entirely lose power where they overlap. A sample in the middle of a frame
    // is made of it and of a quarter each of its neighbours, whose likeness is r, and that of the two r².
    static float levelAt(float likeness) {
        const float r = std::clamp(likeness, 0.3F, 1.0F);
        return std::sqrt(2.25F / (1.125F + r + 0.125F * r * r));
    }

    std::size_t nextPeak(std::size_t from) const {
        for (std::size_t b = std::max<std::size_t>(from, 2); b + 2 < bins_; ++b)
            if (power_[b] > power_[b - 1] && power_[b] >= power_[b + 1] && power_[b] > power_[b - 2] &&
                power_[b] >= power_[b + 2])
                return b;
        return bins_;
    }

    void overlap(std::size_t c, std::int64_t at) {
        // Four Hann windows squared, a quarter apart, sum to 1.5.
        constexpr float scale = 1 / 1.5F;
        const auto time = fft_.time();
        const std::int64_t begin = std::max<std::int64_t>(0, -at);
        const std::int64_t end = std::min(static_cast<std::int64_t>(size_), out_.frames().value - at);
        std::vector<float>& y = out_.channels[c];
        for (std::int64_t i = begin; i < end; ++i)
            y[static_cast<std::size_t>(at + i)] +=
                scale * shape_[static_cast<std::size_t>(i)] * time[static_cast<std::size_t>(i)];
    }

    const Audio& in_;
    std::size_t size_;
    std::size_t hop_;
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;
    Zones zones_;
    Envelope envelope_;
    Audio out_;
    std::vector<float> power_;
    Spectrum turn_;
    std::vector<Spectrum> now_;    // the frame
    std::vector<Spectrum> back_;   // the recording one hop before it
    std::vector<Spectrum> before_; // what was put out before
    std::int64_t lastSource_ = 0;
};

} // namespace

Result<Audio> vocode(const Material& material, const TimeMap& map, const VocoderSettings& settings,
                     const Progress& progress) {
    return Vocoder(material, map, settings).run(progress);
}

} // namespace stretch
