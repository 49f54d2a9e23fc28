#include "hear/loop_fit.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <numbers>

namespace hear {

namespace {

// How likely a loop is this many beats long (common practice).
double habitOf(int beats) {
    if (beats == 4 || beats == 8 || beats == 16 || beats == 32 || beats == 64) return 1;
    if (beats == 6 || beats == 12 || beats == 24 || beats == 3) return 0.35;
    if (beats % 4 == 0) return 0.12;
    return beats % 2 == 0 ? 0.05 : 0.02;
}

// Events on a grid of a given tempo: how near they lie, whatever its phase; sounds of one place in the beat may all
// be early or late together.
class Nearness {
  public:
    Nearness(const std::vector<Event>& events, const Grid& grid) : events_(events), division_(grid.division) {
        spread_ = std::clamp(1.3 * grid.spread, 0.0015, 0.012);
    }

    // Logarithm of the likelihood, up to a constant.
    double at(double period) const {
        const double line = period / division_;
        std::complex<double> sum = 1e-12;
        for (const Event& e : events_)
            sum += std::polar(e.strength, -2 * std::numbers::pi * e.at / line);
        double phase = -std::arg(sum) / (2 * std::numbers::pi) * line;
        std::array<double, 4> lags{};
        double best = -1e300;
        for (int round = 0; round < 4; ++round) {
            std::array<double, 4> offs{};
            std::array<double, 4> weights{};
            double whole = 0;
            double wholeWeight = 1e-9;
            double log = 0;
            for (const Event& e : events_) {
                const double place = (e.at - phase) / line;
                const double n = std::round(place);
                const auto k = static_cast<std::int64_t>(n);
                const auto slot = static_cast<std::size_t>(((k % division_) + division_) % division_);
                const double off = (place - n) * line;
                const double sigma = std::max({e.blur, spread_, 0.0015});
                const double u = (off - lags[slot]) / sigma;
                const double near = std::exp(-0.5 * u * u);
                const double weight = std::pow(e.strength, 0.25) * (e.attack ? 1.0 : 0.3);
                log += weight * std::log(near + 0.03);
                const double w = weight * near / (near + 0.03) / (sigma * sigma);
                offs[slot] += w * off;
                weights[slot] += w;
                whole += w * (off - lags[slot]);
                wholeWeight += w;
            }
            // Lags are small unless many say so.
            for (std::size_t i = 0; i < lags.size(); ++i)
                log -= 0.5 * lags[i] * lags[i] / (0.006 * 0.006);
            best = std::max(best, log);
            phase += whole / wholeWeight;
            for (std::size_t i = 0; i < lags.size(); ++i)
                lags[i] = (offs[i] - weights[i] * whole / wholeWeight) / (weights[i] + 1 / (0.006 * 0.006));
        }
        return best;
    }

  private:
    const std::vector<Event>& events_;
    std::int64_t division_;
    double spread_;
};

// Through the onsets or through the peaks of the strength, whichever lies straighter.
struct Line {
    std::vector<Event> events;
    Grid grid;
};

Line straightest(const std::vector<Event>& onsets, const Strength& s, const Span& span, Bpm about) {
    const std::vector<Event> peaks = peaksOf(s);
    const auto through = [&](const std::vector<Event>& these) {
        Grid best = straightGrid(these, span, about);
        for (const double length : {span.file, span.file - span.start}) {
            const auto beats = std::round(length * about.value / 60);
            if (beats < 2 || beats > 64) continue;
            const Bpm whole(60 * beats / length);
            if (std::abs(whole.value / about.value - 1) > 0.025) continue;
            const Grid other = straightGrid(these, span, whole, 0.004);
            if (other.agreement > best.agreement - 0.02) best = other;
        }
        return best;
    };
    const Grid byOnsets = through(onsets);
    const Grid byPeaks = through(peaks);
    if (byOnsets.blur > 0.003 && byPeaks.periodError < byOnsets.periodError) return {peaks, byPeaks};
    return {onsets, byOnsets};
}

// The likelihood over tempo, sampled finely around the grid.
struct Scan {
    double bpm = 120;   // its highest point
    double top = 0;     // logarithm there
    double width = 0.1; // BPM: the area under it over its height
};

Scan scanned(const Nearness& near, const Grid& grid, const Span& span, double temper) {
    const double length = std::max(0.5, span.end - span.start);
    constexpr int steps = 160;
    const double step = std::max(0.0001, 0.0015 / length);
    const double reach = std::min(0.03, step * steps);
    const int n = static_cast<int>(reach / step);
    std::vector<double> logs;
    Scan scan;
    scan.top = -1e300;
    for (int i = -n; i <= n; ++i) {
        const double period = grid.period * (1 + step * i);
        const double l = temper * near.at(period);
        logs.push_back(l);
        if (l > scan.top) {
            scan.top = l;
            scan.bpm = 60 / period;
        }
    }
    double area = 0;
    for (const double l : logs)
        area += std::exp(l - scan.top);
    scan.width = std::max(area * step * scan.bpm, 0.0005);
    return scan;
}

} // namespace

LoopFit fitLoop(const std::vector<Event>& events, const Strength& s, const Span& span, Bpm about) {
    // Errors of neighbouring events have causes in common.
    constexpr double temper = 0.8;
    const Line line = straightest(events, s, span, about);
    const Nearness near(line.events, line.grid);
    const Scan scan = scanned(near, line.grid, span, temper);
    const double first = events.empty() ? span.start : events.front().at;
    const double start = std::abs(first - span.start) < 0.06 ? first : span.start;
    const double period = 60 / scan.bpm;

    // A tempo's share before anything is heard: three fifths are whole numbers, most others lie anywhere.
    constexpr double wholeShare = 0.6;
    constexpr double anyShare = 0.35; // a BPM
    const auto likely = [&](double bpm) { return std::exp(temper * near.at(60 / bpm) - scan.top); };

    LoopFit best{period, start, {}, 0, {}};
    double most = 0;
    const auto offer = [&](double score, double bpm, double from, std::optional<int> beats, bool byLength) {
        if (score <= most) return;
        most = score;
        best.period = 60 / bpm;
        best.start = from;
        best.beats = beats;
        best.seconds = beats ? best.period * *beats : 0;
        best.measured = !byLength && std::abs(bpm - scan.bpm) > 0.004 && std::abs(bpm - std::round(bpm)) < 1e-9
                            ? std::optional(Bpm(scan.bpm))
                            : std::nullopt;
    };
    // Offers the tempos near the scan's top that a condition lets through: whole ones, and the top itself.
    const auto offerNear = [&](double prior, double from, const auto& beatsAt) {
        const double reach = std::min(0.02 * scan.bpm, 6 * scan.width);
        for (double whole = std::ceil(scan.bpm - reach); whole <= scan.bpm + reach; ++whole)
            if (const auto [fits, beats] = beatsAt(whole); fits)
                offer(prior * wholeShare * likely(whole), whole, from, beats, false);
        if (const auto [fits, beats] = beatsAt(scan.bpm); fits)
            offer(prior * anyShare * scan.width, scan.bpm, from, beats, false);
    };
    using Fits = std::pair<bool, std::optional<int>>;

    // Unrelated: what is left after the last beat lies anywhere within some seconds.
    offerNear(0.3 / 3.0, start, [](double) { return Fits{true, {}}; });
    // A whole file that begins with a rest has its first sound on a line of the grid.
    const double place = start / period * line.grid.division;
    const bool onLine = std::abs(place - std::round(place)) * period / line.grid.division < 0.015;
    const double fromZero = start < 0.06                   ? 1.0
                            : onLine && start < 4 * period ? std::min(0.4, 8 * period / span.file)
                                                           : 0.01;
    struct Way {
        double length;
        double from;
        double prior;
    };
    for (const Way& way : {Way{span.file, 0, fromZero}, Way{span.file - start, start, 0.3}}) {
        if (way.length < 0.1) continue;
        const double aboutBeats = way.length * scan.bpm / 60;
        const double range = std::max(1.0, aboutBeats * 0.03);
        for (int beats = std::max(1, static_cast<int>(aboutBeats - range));
             beats <= static_cast<int>(aboutBeats + range) + 1; ++beats) {
            const double habit = way.prior * habitOf(beats);
            // Cut to whole beats: the length says the tempo.
            const double bpm = 60 * beats / way.length;
            if (std::abs(bpm / scan.bpm - 1) < 0.04) {
                const double exact = bpm * 0.0015 / way.length; // BPM that a millisecond and a half make
                const double share =
                    anyShare + (std::abs(bpm - std::round(bpm)) < exact ? wholeShare / (2 * exact) : 0.0);
                offer(0.55 * habit * bpm / way.length * share * likely(bpm), bpm, way.from, beats, true);
            }
            // Cut a little wrong: within 35 ms.
            offerNear(0.12 * habit / 0.07, way.from, [&](double b) {
                return Fits{std::abs(60 * beats / b - way.length) < 0.035, beats};
            });
        }
    }
    return best;
}

} // namespace hear
