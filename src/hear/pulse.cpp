#include "hear/pulse.h"

#include "hear/net.h"
#include "hear/pulse_weights.h"
#include "sound/fft.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>
#include <numeric>
#include <optional>

namespace hear {

Span spanOf(const Strength& s, double fileSeconds) {
    Span span{0, fileSeconds, fileSeconds};
    if (s.level.empty()) return span;
    const float loudest = *std::max_element(s.level.begin(), s.level.end());
    std::vector<float> sorted = s.level;
    std::nth_element(sorted.begin(), sorted.begin() + static_cast<std::ptrdiff_t>(sorted.size() / 50),
                     sorted.end());
    const float floor = sorted[sorted.size() / 50];
    const float heard = std::max(loudest * 0.004F, std::min(floor * 4, loudest * 0.05F));
    std::size_t first = 0;
    while (first + 1 < s.size() && s.level[first] <= heard)
        ++first;
    std::size_t last = s.size() - 1;
    while (last > first && s.level[last] <= heard)
        --last;
    span.start = s.seconds(first) - (first > 0 ? s.hop / 2 : 0);
    span.end = std::min(fileSeconds, s.seconds(last + 1));
    return span;
}

namespace {

// The magnitudes of one curve's spectrum, over windows of the recording, relative to a train of single pulses.
class Periodicity {
  public:
    Periodicity(const std::vector<float>& curve, double hop, const Span& span) : hop_(hop) {
        const auto from = static_cast<std::size_t>(std::max(0.0, span.start - 0.05) / hop);
        const auto to = std::min(curve.size(), static_cast<std::size_t>(span.file / hop) + 1);
        magnitude_.assign(size / 2 + 1, 0.0F);
        likeness_.assign(size / 2, 0.0F);
        if (to <= from + 8) return;
        const std::vector<float> sharp = sharpened(curve, from, to);
        const std::size_t whole = sharp.size();
        const auto window = static_cast<std::size_t>(12.0 / hop);
        sound::RealFft fft(size);
        double weights = 0;
        const std::size_t pieces = whole <= window * 4 / 3 ? 1 : (whole + window / 2 - 1) / window + 1;
        for (std::size_t w = 0; w < pieces; ++w) {
            const std::size_t length = pieces == 1 ? std::min(whole, size / 2) : window;
            const std::size_t begin = pieces == 1 ? 0 : (whole - window) * w / (pieces - 1);
            auto time = fft.time();
            std::fill(time.begin(), time.end(), 0.0F);
            double sum = 0;
            for (std::size_t i = 0; i < length; ++i) {
                time[i] = sharp[begin + i];
                sum += time[i];
            }
            if (sum < 1e-6) continue;
            weights += sum;
            const std::vector<float> back = likenessOf(time.first(length));
            fft.forward();
            const auto spectrum = fft.spectrum();
            for (std::size_t b = 0; b < magnitude_.size(); ++b)
                magnitude_[b] += std::sqrt(std::norm(spectrum[b])); // weighted by the window's sum
            const float own = back[0];
            for (std::size_t lag = 0; lag + 1 < length && lag < likeness_.size(); ++lag)
                likeness_[lag] += static_cast<float>(sum) * back[lag] / own * static_cast<float>(length) /
                                  (static_cast<float>(length) - 0.875F * static_cast<float>(lag));
        }
        if (weights <= 0) return;
        for (float& m : magnitude_)
            m /= static_cast<float>(weights);
        for (float& l : likeness_)
            l /= static_cast<float>(weights);
        heard_ = true;
    }

    bool heard() const { return heard_; }
    // 0 to 1: how much of the curve beats at this frequency.
    float at(double hz) const {
        const double bin = hz * hop_ * double(size);
        const auto i = static_cast<std::size_t>(bin);
        if (i + 1 >= magnitude_.size()) return 0;
        const auto f = static_cast<float>(bin - double(i));
        return magnitude_[i] * (1 - f) + magnitude_[i + 1] * f;
    }
    // The curve's likeness to itself this much later.
    float later(double seconds) const {
        const double lag = seconds / hop_;
        const auto i = static_cast<std::size_t>(lag);
        if (i + 3 >= likeness_.size() || i < 1) return 0;
        return std::max({likeness_[i - 1], likeness_[i], likeness_[i + 1], likeness_[i + 2]});
    }

  private:
    static constexpr std::size_t size = 32768;

    // A piece's products with itself, so many hops later each; for as many lags as it has hops at least.
    static std::vector<float> likenessOf(std::span<const float> piece) {
        std::size_t room = 64; // twice the piece, so that its end does not meet its beginning
        while (room < 2 * piece.size())
            room *= 2;
        sound::RealFft fft(room);
        const auto time = fft.time();
        std::fill(std::copy(piece.begin(), piece.end(), time.begin()), time.end(), 0.0F);
        fft.forward();
        for (auto& x : fft.spectrum())
            x = std::norm(x);
        fft.inverse();
        return {time.begin(), time.end()};
    }

    static std::vector<float> sharpened(const std::vector<float>& curve, std::size_t from, std::size_t to) {
        constexpr std::size_t reach = 40;
        std::vector<double> sums(to - from + 1, 0.0);
        for (std::size_t i = from; i < to; ++i)
            sums[i - from + 1] = sums[i - from] + double(curve[i]);
        std::vector<float> sharp(to - from);
        for (std::size_t i = 0; i < sharp.size(); ++i) {
            const std::size_t a = i > reach ? i - reach : 0;
            const std::size_t b = std::min(sharp.size(), i + reach + 1);
            const auto mean = static_cast<float>((sums[b] - sums[a]) / double(b - a));
            sharp[i] = std::max(0.0F, curve[from + i] - mean);
        }
        return sharp;
    }

    double hop_;
    bool heard_ = false;
    std::vector<float> magnitude_;
    std::vector<float> likeness_;
};

struct Views {
    Periodicity flux;
    Periodicity low;
    Periodicity mid;
    Periodicity high;
    Periodicity change;
    Periodicity turn;
    Views(const Strength& s, const Span& span)
        : flux(s.flux, s.hop, span), low(s.low, s.hop, span), mid(s.mid, s.hop, span), high(s.high, s.hop, span),
          change(s.change, s.hop, span), turn(s.turn, s.hop, span) {}

    double comb(double hz) const {
        double sum = 0;
        for (int k = 1; k <= 4; ++k)
            sum += double(flux.at(hz * k)) + 0.6 * double(change.at(hz * k)) + 0.3 * double(low.at(hz * k));
        return sum + 0.5 * double(flux.at(hz * 8));
    }
    // The frequency near hz where most harmonics agree.
    double tuned(double hz, double by) const {
        double best = hz;
        double most = -1;
        for (double f = hz * (1 - by); f <= hz * (1 + by); f += hz * by / 12)
            if (const double c = comb(f); c > most) {
                most = c;
                best = f;
            }
        return best;
    }
};

// How near a length is to a whole number of beats: the number, and the distance in seconds.
struct Whole {
    int beats = 0;
    double off = 1;
};
Whole wholeBeats(double seconds, double hz) {
    const double n = std::round(seconds * hz);
    return {static_cast<int>(n), n < 1 ? 1.0 : std::abs(seconds - n / hz)};
}

float nearness(double off, double scale) {
    return static_cast<float>(std::exp(-off * off / (scale * scale)));
}

void describe(Pulse& p, const Views& v, const Repetition& again, const Span& span, double onsetsPerSecond,
              const std::vector<float>& all) {
    const double hz = p.bpm.value / 60;
    std::size_t n = 0;
    const auto put = [&](double x) { p.features[n++] = static_cast<float>(x); };
    for (const double k : {0.125, 0.25, 1.0 / 3, 0.5, 2.0 / 3, 1.0, 1.5, 2.0, 3.0, 4.0, 6.0, 8.0})
        put(v.flux.at(hz * k));
    for (const double k : {0.25, 0.5, 1.0, 2.0, 3.0, 4.0})
        put(v.low.at(hz * k));
    for (const double k : {0.5, 1.0, 2.0, 4.0})
        put(v.mid.at(hz * k));
    for (const double k : {0.25, 0.5, 1.0, 2.0, 3.0, 4.0})
        put(v.high.at(hz * k));
    for (const double k : {0.125, 0.25, 1.0 / 3, 0.5, 1.0, 2.0, 3.0, 4.0})
        put(v.change.at(hz * k));
    for (const double k : {0.5, 1.0, 2.0, 3.0, 4.0, 6.0, 8.0})
        put(v.flux.later(k / hz));
    for (const double k : {1.0, 2.0, 4.0})
        put(v.low.later(k / hz));
    for (const double k : {1.0, 2.0, 4.0})
        put(v.change.later(k / hz));
    for (const double k : {1.0 / 16, 0.125, 0.25, 1.0 / 3, 0.5, 1.0})
        put(v.turn.at(hz * k));
    for (const double k : {2.0, 4.0, 8.0})
        put(v.turn.later(k / hz));
    // The length, from the first sound and from the start of the file.
    const Whole a = wholeBeats(span.file, hz);
    const Whole b = wholeBeats(span.file - span.start, hz);
    const Whole w = a.off <= b.off ? a : b;
    put(nearness(w.off, 0.004));
    put(nearness(w.off, 0.02));
    const float close = nearness(w.off, 0.012);
    put(w.beats % 4 == 0 ? close : 0);
    put(w.beats % 3 == 0 ? close : 0);
    put(w.beats % 8 == 0 ? close : 0);
    for (const int beats : {4, 8, 16, 32})
        put(w.beats == beats ? close : 0);
    put(w.beats >= 48 ? close : 0);
    // The tempo itself.
    const double octave = std::log2(p.bpm.value / 110);
    for (const double centre : {-1.4, -0.9, -0.6, -0.35, -0.1, 0.15, 0.4, 0.65, 0.9})
        put(std::max(0.0, 1 - std::abs(octave - centre) / (centre < -0.8 || centre > 0.6 ? 0.5 : 0.26)));
    put(octave * octave);
    // How busy a beat is.
    const double perBeat = std::log2(std::max(0.1, onsetsPerSecond / hz));
    put(perBeat);
    put(perBeat * perBeat);
    // How it compares with the best of its kin.
    put(all.empty() ? 0 : v.comb(hz) / (1e-6 + double(*std::max_element(all.begin(), all.end()))));
    put(v.comb(hz));
    // Chords that change by bars, and what comes again after beats, against what is alike at lags that mean
    // nothing.
    for (const double k : {0.0625, 0.125, 0.25, 0.5})
        put(v.turn.at(hz * k));
    const double otherwise = (again.after(0.71 / hz) + again.after(1.37 / hz) + again.after(2.63 / hz)) / 3;
    for (const double k : {1.0, 2.0, 4.0, 8.0})
        put(again.after(k / hz) - otherwise);
    put(again.after(3 / hz) - otherwise);
    p.features[n] = 1;
}

double onsetRate(const Strength& s, const Span& span) {
    const float greatest = *std::max_element(s.flux.begin(), s.flux.end());
    int count = 0;
    for (std::size_t h = 2; h + 2 < s.size(); ++h)
        if (s.flux[h] > 0.2F * greatest && s.flux[h] >= s.flux[h - 1] && s.flux[h] > s.flux[h + 1] &&
            s.flux[h] >= s.flux[h - 2] && s.flux[h] > s.flux[h + 2])
            ++count;
    return count / std::max(0.1, span.end - span.start);
}

// How often chords turn, in Hz: the slowest rate at which all of the first turns come, where there is one.
std::optional<double> rateOfTurns(std::vector<Turn> turns) {
    constexpr std::size_t enough = 24;
    if (turns.size() < 3) return std::nullopt;
    turns.resize(std::min(turns.size(), enough));
    const double length = turns.back().at - turns.front().at;
    const auto agreement = [&](double hz) {
        std::complex<double> sum = 0;
        double whole = 1e-9;
        for (const Turn& turn : turns) {
            sum += std::polar(turn.height, 2 * std::numbers::pi * hz * turn.at);
            whole += turn.height;
        }
        return std::abs(sum) / whole;
    };
    const double step = 0.1 / length; // a tenth of a turn from the first to the last
    for (double hz = 0.15; hz < 1.8; hz += step) {
        double most = agreement(hz);
        if (most < 0.88) continue;
        double best = hz;
        for (double f = hz - step; f < hz + 4 * step; f += step / 50) {
            const double here = agreement(f);
            if (here > most) best = f;
            most = std::max(most, here);
        }
        if (most > 0.97) return best;
    }
    return std::nullopt;
}

void add(std::vector<Pulse>& out, double hz) {
    const double bpm = hz * 60;
    if (bpm < slowestPulse || bpm > fastestPulse) return;
    for (const Pulse& p : out)
        if (std::abs(p.bpm.value / bpm - 1) < 0.008) return;
    out.push_back({Bpm(bpm), {}, 0});
}

} // namespace

std::vector<Pulse> pulses(const Curves& curves, const Repetition& again, const Span& span) {
    const Strength& s = curves.strength;
    std::vector<Pulse> out;
    if (s.size() < 32) return out;
    const Views views(s, span);
    if (!views.flux.heard() && !views.change.heard()) return out;

    // Peaks of the comb, and their kin.
    std::vector<std::pair<double, double>> peaks;
    const double step = 1.004;
    for (double f = 0.5; f <= 5.0; f *= step) {
        const double c = views.comb(f);
        if (c >= views.comb(f / step) && c > views.comb(f * step)) peaks.emplace_back(c, f);
    }
    std::sort(peaks.rbegin(), peaks.rend());
    if (peaks.size() > 10) peaks.resize(10);
    for (const auto& [c, f] : peaks)
        add(out, views.tuned(f, 0.006));
    for (const auto& [c, f] : peaks)
        for (const double k : {0.5, 2.0, 1.0 / 3, 3.0, 2.0 / 3, 1.5, 0.25, 4.0})
            add(out, views.tuned(f * k, 0.006));
    if (const auto hz = rateOfTurns(curves.turns))
        for (const double beats : {4.0, 2.0, 3.0, 8.0, 6.0, 1.0})
            if (const double f = *hz * beats; f > 0.6 && f < 3.6) add(out, f);
    for (const double length : {span.file, span.file - span.start})
        for (const int beats : {4, 8, 16, 32, 64, 6, 12, 24, 3, 5, 7, 10, 20, 2})
            if (const double f = beats / length; f > 0.6 && f < 3.6) add(out, f);

    const double busy = onsetRate(s, span);
    std::vector<float> combs;
    combs.reserve(out.size());
    for (const Pulse& p : out)
        combs.push_back(static_cast<float>(views.comb(p.bpm.value / 60)));
    for (Pulse& p : out) {
        describe(p, views, again, span, busy, combs);
        p.weight = netScore(p.features, hiddenBias, hiddenWeights, outputWeights, directWeights);
    }
    std::sort(out.begin(), out.end(), [](const Pulse& x, const Pulse& y) { return x.weight > y.weight; });
    double sum = 0;
    const double highest = out.empty() ? 0 : out.front().weight;
    for (Pulse& p : out)
        sum += p.weight = std::exp(p.weight - highest);
    for (Pulse& p : out)
        p.weight /= sum;
    return out;
}

} // namespace hear
