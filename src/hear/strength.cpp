#include "hear/strength.h"

#include "hear/bands.h"
#include "hear/many.h"
#include "hear/turns.h"
#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>

namespace hear {

namespace {

std::size_t powerOfTwoNear(double n) {
    std::size_t size = 64;
    while (double(size) * 1.5 < n)
        size *= 2;
    return size;
}

// Some of a recording: what both kinds of curves are worked out from while it is at hand.
struct Piece {
    const std::vector<float>& samples;
    std::int64_t from; // the frame of samples[0]
};

// Windows around every hop of a recording, as its pieces come.
struct Steps {
    std::size_t window; // frames
    std::int64_t hop;
    std::size_t count;
    std::size_t next = 0;

    Steps(const Mono& mono, double windowSeconds, double hopSeconds)
        : window(powerOfTwoNear(windowSeconds * mono.rate())),
          hop(std::max<std::int64_t>(1, std::lround(mono.rate() * hopSeconds))),
          count(static_cast<std::size_t>(mono.frames() / hop + 1)) {}

    // Takes those, in order, that end within the piece.
    template <class Take>
    void through(const Piece& piece, const Take& take) {
        const auto half = static_cast<std::int64_t>(window / 2);
        for (; next < count; ++next) {
            const std::int64_t at = static_cast<std::int64_t>(next) * hop - piece.from;
            if (at + half > static_cast<std::int64_t>(piece.samples.size())) return;
            take(piece.samples.data() + (at - half), next);
        }
    }
};

void transform(sound::RealFft& fft, const float* x, const std::vector<float>& shape) {
    const auto time = fft.time();
    for (std::size_t i = 0; i < shape.size(); ++i)
        time[i] = x[i] * shape[i];
    fft.forward();
}

// Fills the curves of strength as pieces of the recording come.
class StrengthPass {
  public:
    StrengthPass(const Mono& mono, Strength& s)
        : s_(s), steps_(mono, 0.046, 0.005),
          bands_(semitoneBands(mono.rate(), steps_.window, 30, std::min(11000.0, mono.rate() * 0.47))),
          shape_(hannWindow(steps_.window)), fft_(steps_.window), magnitude_(fft_.bins()), rises_(bands_.size()) {
        s.hop = double(steps_.hop) / mono.rate();
        for (auto* curve : {&s.flux, &s.low, &s.mid, &s.high, &s.level})
            curve->assign(steps_.count, 0.0F);
        history_.fill(std::vector<float>(bands_.size(), 0.0F));
        const auto from = [this](double hz) {
            const auto band =
                std::find_if(bands_.begin(), bands_.end(), [hz](const Band& b) { return b.centreHz >= hz; });
            return static_cast<std::size_t>(band - bands_.begin());
        };
        mid_ = from(180);
        high_ = from(2500);
    }

    std::size_t window() const { return steps_.window; }
    void take(const Piece& piece) {
        steps_.through(piece, [this](const float* x, std::size_t h) { step(x, h); });
    }

  private:
    static constexpr std::size_t lag = 3;

    void step(const float* x, std::size_t h) {
        float power = 0;
        for (std::size_t i = steps_.window / 2; i < steps_.window / 2 + static_cast<std::size_t>(steps_.hop); ++i)
            power += x[i] * x[i];
        s_.level[h] = std::sqrt(power / static_cast<float>(steps_.hop));
        transform(fft_, x, shape_);
        const auto spectrum = fft_.spectrum();
        const float scale = 4.0F / static_cast<float>(steps_.window); // a full-scale sine has magnitude 1
        for (std::size_t b = 0; b < magnitude_.size(); ++b)
            magnitude_[b] = scale * std::sqrt(std::norm(spectrum[b]));
        std::vector<float>& now = history_[h % (lag + 1)];
        bandLevels(bands_, magnitude_, 1000, now);
        const std::vector<float>& then = history_[(h + 1) % (lag + 1)]; // `lag` hops ago; silence before the first
        // By how much each band is louder than the loudest of those about it was.
        const std::size_t last = bands_.size() - 1;
        for (std::size_t b = 0; b <= last; ++b) {
            const float below = then[b > 0 ? b - 1 : 0];
            const float above = then[b < last ? b + 1 : last];
            const float most = below > above ? below : above;
            const float rise = now[b] - (then[b] > most ? then[b] : most);
            rises_[b] = rise > 0 ? rise : 0;
        }
        const auto sum = [&](std::size_t from, std::size_t to) {
            return std::accumulate(rises_.begin() + std::ptrdiff_t(from), rises_.begin() + std::ptrdiff_t(to),
                                   0.0F);
        };
        const float low = sum(0, mid_);
        const float mid = sum(mid_, high_);
        const float high = sum(high_, bands_.size());
        const auto n = static_cast<float>(bands_.size());
        s_.low[h] = low / n;
        s_.mid[h] = mid / n;
        s_.high[h] = high / n;
        s_.flux[h] = (low + mid + high) / n;
    }

    Strength& s_;
    Steps steps_;
    std::vector<Band> bands_;
    std::vector<float> shape_;
    sound::RealFft fft_;
    std::vector<float> magnitude_;
    std::array<std::vector<float>, lag + 1> history_;
    std::vector<float> rises_;
    std::size_t mid_ = 0;  // the first band of 180 Hz and more
    std::size_t high_ = 0; // and of 2.5 kHz
};

// Magnitudes on semitones, and how far the recording is tuned off 440 Hz: the spectral peaks' mean distance from
// the nearest semitone, as an angle.
class PitchPass {
  public:
    PitchPass(const Mono& mono, Pitches& p, Profiles& sound)
        : p_(p), sound_(sound), steps_(mono, 0.186, 0.02), shape_(hannWindow(steps_.window)), fft_(steps_.window),
          binHz_(double(mono.rate()) / double(steps_.window)), magnitude_(fft_.bins()),
          top_(std::min(fft_.bins() - 2, static_cast<std::size_t>(2200 / binHz_))) {
        p.hop = double(steps_.hop) / mono.rate();
        const auto from = [this](int band) {
            const double lower = 440 * std::pow(2, (Pitches::lowest + band - 0.5 - 69) / 12);
            return std::min(top_ + 1, static_cast<std::size_t>(std::ceil(lower / binHz_)));
        };
        for (int band = 0; band < profileBands; ++band)
            semitones_.push_back({0, from(band), std::vector<float>(from(band + 1) - from(band), 1.0F)});
    }

    std::size_t window() const { return steps_.window; }
    void take(const Piece& piece) {
        steps_.through(piece, [this](const float* x, std::size_t) { step(x); });
    }
    // Of a recording that was listened to in part, the rest is silent.
    void finish() {
        for (; steps_.next < steps_.count; ++steps_.next) {
            p_.loudness.add({});
            sound_.add({});
        }
        if (std::abs(lean_) > 0) p_.tuning = std::arg(lean_) / (2 * std::numbers::pi) * 100;
    }

  private:
    void step(const float* x) {
        transform(fft_, x, shape_);
        const auto spectrum = fft_.spectrum();
        const float scale = 4.0F / static_cast<float>(steps_.window);
        for (std::size_t b = 0; b <= top_ + 1; ++b)
            magnitude_[b] = scale * std::sqrt(std::norm(spectrum[b]));
        Profile all{};
        bandLevels(semitones_, magnitude_, 1000, all);
        sound_.add(all);
        Profile out{};
        findPeaks();
        for (std::size_t i = 0; i < peaks_.size(); ++i) {
            const Peak& peak = peaks_[i];
            if (peak.hz > 150)
                lean_ += double(peak.magnitude) * std::complex<double>(double(cosines_[i]), double(sines_[i]));
            const auto band = static_cast<int>(std::lround(peak.note)) - Pitches::lowest;
            if (band < 0 || band >= profileBands) continue;
            auto& o = out[static_cast<std::size_t>(band)];
            o = std::max(o, std::sqrt(peak.magnitude));
        }
        p_.loudness.add(out);
    }

    // The spectrum's peaks, by a parabola through the logarithms, and how far each is off its semitone, as an
    // angle.
    void findPeaks() {
        peaks_.clear();
        logs_.clear();
        for (std::size_t b = 2; b <= top_; ++b) {
            const float m = magnitude_[b];
            if (m < 1e-4F || m < magnitude_[b - 1] || m < magnitude_[b + 1]) continue;
            peaks_.push_back({b, m});
            for (const std::size_t k : {b - 1, b, b + 1})
                logs_.push_back(magnitude_[k] + 1e-9F);
        }
        logarithms(logs_);
        for (std::size_t i = 0; i < peaks_.size(); ++i) {
            const double l = double(logs_[3 * i]);
            const double r = double(logs_[3 * i + 2]);
            const double bend = l - 2 * double(logs_[3 * i + 1]) + r;
            const double shift = bend < -1e-9 ? std::clamp(0.5 * (l - r) / bend, -0.5, 0.5) : 0.0;
            peaks_[i].hz = (double(peaks_[i].bin) + shift) * binHz_;
        }
        logs_.resize(peaks_.size());
        angles_.resize(peaks_.size());
        cosines_.resize(peaks_.size());
        sines_.resize(peaks_.size());
        for (std::size_t i = 0; i < peaks_.size(); ++i)
            logs_[i] = static_cast<float>(peaks_[i].hz / 440);
        logarithms(logs_);
        for (std::size_t i = 0; i < peaks_.size(); ++i) {
            const double note = 69 + 12 / std::numbers::ln2 * double(logs_[i]);
            peaks_[i].note = note;
            angles_[i] = static_cast<float>(2 * std::numbers::pi * (note - std::round(note)));
        }
        cosinesAndSines(angles_, cosines_, sines_);
    }

    struct Peak {
        std::size_t bin;
        float magnitude;
        double hz = 0;
        double note = 0; // 69 is 440 Hz
    };

    Pitches& p_;
    Profiles& sound_; // of all that sounds: see turnsOf()
    Steps steps_;
    std::vector<float> shape_;
    sound::RealFft fft_;
    double binHz_;
    std::vector<float> magnitude_;
    std::size_t top_;
    std::vector<Band> semitones_; // each with all its bins whole
    std::complex<double> lean_ = 0;
    std::vector<Peak> peaks_; // of one spectrum
    std::vector<float> logs_;
    std::vector<float> angles_;
    std::vector<float> cosines_;
    std::vector<float> sines_;
};

// A curve over profiles, brought to the moments of the strength.
std::vector<float> spread(const std::vector<float>& novelty, double hop, const Strength& s) {
    std::vector<float> out(s.size(), 0.0F);
    for (std::size_t h = 0; h < s.size(); ++h) {
        const double at = s.seconds(h) / hop;
        const auto i = static_cast<std::size_t>(at);
        if (i + 1 >= novelty.size()) break;
        const auto f = static_cast<float>(at - double(i));
        out[h] = novelty[i] * (1 - f) + novelty[i + 1] * f;
    }
    return out;
}

using Sums = std::array<double, profileBands>;

// One minus the likeness of the sums of the `reach` profiles before each moment and of those after it, times how
// much sounds there.
template <class Sounding>
std::vector<float> unlikeness(const Pitches& p, std::int64_t reach, double quiet, const Sounding& sounding) {
    const auto n = static_cast<std::int64_t>(p.loudness.size());
    std::vector<float> novelty(p.loudness.size(), 0.0F);
    Profiles::Walk walk(p.loudness);
    Sums before{};
    Sums after{};
    const auto add = [&](Sums& to, std::int64_t h, double sign) {
        if (h < 0 || h >= n) return;
        for (std::size_t b = 0; b < to.size(); ++b)
            to[b] += sign * double(walk[static_cast<std::size_t>(h)][b]);
    };
    if (n > 0) walk.stand(0);
    for (std::int64_t h = 0; h < reach; ++h)
        add(after, h, 1);
    for (std::int64_t h = 0; h < n; ++h) {
        walk.stand(static_cast<std::size_t>(h));
        double product = 0;
        double first = quiet;
        double second = quiet;
        for (std::size_t b = 0; b < before.size(); ++b) {
            product += before[b] * after[b];
            first += before[b] * before[b];
            second += after[b] * after[b];
        }
        novelty[static_cast<std::size_t>(h)] =
            static_cast<float>(std::max(0.0, 1 - product / std::sqrt(first * second)) * sounding(first, second));
        add(before, h, 1);
        add(before, h - reach, -1);
        add(after, h, -1);
        add(after, h + reach, 1);
    }
    return novelty;
}

void changeOfPitch(const Pitches& p, Strength& s) {
    constexpr std::int64_t tenth = 5; // profiles
    constexpr std::int64_t fourTenths = 20;
    s.change = spread(
        unlikeness(p, tenth, 1e-3, [](double, double after) { return std::min(1.0, std::sqrt(after)); }), p.hop, s);
    // What begins or ends is no change of harmony: both sides must sound.
    s.turn = spread(unlikeness(p, fourTenths, 0.04,
                               [](double before, double after) {
                                   return std::min(1.0, 3 * std::sqrt(std::min(before, after)) / fourTenths);
                               }),
                    p.hop, s);
}

} // namespace

Curves curves(const Mono& mono, const base::Progress& progress) {
    Curves out;
    StrengthPass strength(mono, out.strength);
    Profiles sound;
    PitchPass pitch(mono, out.pitches, sound);
    // Pieces overlap by the longest window; what does not lie within one does within the next. The first windows
    // lie half before the beginning, the last half beyond the end.
    const auto longest = static_cast<std::int64_t>(std::max(strength.window(), pitch.window()));
    const std::int64_t step =
        std::min<std::int64_t>(65536, mono.frames() + longest + 1); // a short one is one piece
    std::vector<float> samples(static_cast<std::size_t>(step + longest));
    for (std::int64_t at = -longest; at <= mono.frames(); at += step) {
        if (progress.stopped()) break;
        progress.at(std::clamp(double(at) / double(mono.frames() + 1), 0.0, 1.0));
        mono.read(at, samples);
        const Piece piece{samples, at};
        strength.take(piece);
        pitch.take(piece);
    }
    pitch.finish();
    changeOfPitch(out.pitches, out.strength);
    out.turns = turnsOf(sound, out.pitches.hop, out.strength);
    return out;
}

} // namespace hear
