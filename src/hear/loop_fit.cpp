#include "hear/loop_fit.h"

#include "hear/loop_weights.h"
#include "hear/many.h"
#include "hear/net.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <cstdint>
#include <numbers>
#include <unordered_map>

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
    Nearness(const std::vector<Event>& events, const Grid& grid) : division_(grid.division) {
        const double spread = std::clamp(1.3 * grid.spread, 0.0015, 0.012);
        marks_.reserve(events.size());
        for (const Event& e : events) {
            const double sigma = std::max({e.blur, spread, 0.0015});
            const double weight =
                std::pow(e.strength, 0.25) * (e.attack ? 1.0 : std::clamp(0.0036 / e.blur, 0.3, 1.0));
            marks_.push_back({e.at, e.strength, sigma, sigma * sigma, weight});
        }
        for (auto* list : {&angles_, &cosines_, &sines_, &nears_, &logs_})
            list->resize(marks_.size());
        offs_.resize(marks_.size());
        slots_.resize(marks_.size());
    }

    // Logarithm of the likelihood, up to a constant.
    double at(double period) {
        const auto known = known_.find(period);
        if (known != known_.end()) return known->second;
        const double log = division_ == 3 ? workedOut<3>(period) : workedOut<4>(period);
        known_.emplace(period, log);
        return log;
    }

  private:
    // An event, with what does not depend on the tempo.
    struct Mark {
        double at;
        double strength;
        double sigma;
        double squared; // sigma
        double weight;
    };

    // The nearest whole number; halves away from nought. Quicker than the C library's where the processor has no
    // instruction for it.
    static double rounded(double x) {
        const auto whole = static_cast<double>(static_cast<std::int64_t>(x));
        const double rest = x - whole;
        return rest >= 0.5 ? whole + 1 : rest <= -0.5 ? whole - 1 : whole;
    }

    // `division`: that of the grid; dividing by a number that is known is many times quicker.
    template <int division>
    double workedOut(double period) {
        const double line = period / division;
        for (std::size_t i = 0; i < marks_.size(); ++i) {
            const double turns = marks_[i].at / line;
            angles_[i] = static_cast<float>(2 * std::numbers::pi * (rounded(turns) - turns));
        }
        cosinesAndSines(angles_, cosines_, sines_);
        std::complex<double> sum = 1e-12;
        for (std::size_t i = 0; i < marks_.size(); ++i)
            sum += marks_[i].strength * std::complex<double>(double(cosines_[i]), double(sines_[i]));
        double phase = -std::arg(sum) / (2 * std::numbers::pi) * line;
        std::array<double, 4> lags{};
        double best = -1e300;
        for (int round = 0; round < 4; ++round) {
            place<division>(line, phase, lags);
            std::array<double, 4> offs{};
            std::array<double, 4> weights{};
            double whole = 0;
            double wholeWeight = 1e-9;
            double log = 0;
            for (std::size_t i = 0; i < marks_.size(); ++i) {
                const Mark& m = marks_[i];
                const auto near = double(nears_[i]);
                log += m.weight * double(logs_[i]);
                const double w = m.weight * near / (near + farOff) / m.squared;
                const std::size_t slot = slots_[i];
                offs[slot] += w * offs_[i];
                weights[slot] += w;
                whole += w * (offs_[i] - lags[slot]);
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

    // How far each event lies off the grid, in which place of a beat, and how near that is.
    template <int division>
    void place(double line, double phase, const std::array<double, 4>& lags) {
        for (std::size_t i = 0; i < marks_.size(); ++i) {
            const Mark& m = marks_[i];
            const double place = (m.at - phase) / line;
            const double n = rounded(place);
            const auto k = static_cast<int>(n); // of lines of a grid: hours of them
            slots_[i] = static_cast<std::uint8_t>(((k % division) + division) % division);
            offs_[i] = (place - n) * line;
            const double u = (offs_[i] - lags[slots_[i]]) / m.sigma;
            nears_[i] = static_cast<float>(-0.5 * u * u);
        }
        exponentials(nears_);
        for (std::size_t i = 0; i < nears_.size(); ++i)
            logs_[i] = nears_[i] + static_cast<float>(farOff);
        logarithms(logs_);
    }

    static constexpr double farOff = 0.03; // added to every nearness

    std::vector<Mark> marks_;
    int division_;
    // Of each event, for one tempo.
    std::vector<float> angles_;
    std::vector<float> cosines_;
    std::vector<float> sines_;
    std::vector<double> offs_;
    std::vector<std::uint8_t> slots_;
    std::vector<float> nears_;
    std::vector<float> logs_;
    std::unordered_map<double, double> known_; // by period
};

// Through the onsets or through the peaks of the strength, whichever lies straighter.
struct Line {
    std::vector<Event> events;
    Grid grid;
};

double shareOfAttacks(const std::vector<Event>& events) {
    double attacks = 0;
    double all = 1e-9;
    for (const Event& e : events) {
        attacks += e.attack ? e.strength : 0;
        all += e.strength;
    }
    return attacks / all;
}

Line straightest(const std::vector<Event>& onsets, const Strength& s, const Span& span, Bpm about) {
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
    if (shareOfAttacks(onsets) < 0.5)
        return {onsets, byOnsets}; // chords that turn: the strength has no peaks there
    const std::vector<Event> peaks = peaksOf(s);
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

Scan scanned(Nearness& near, const Grid& grid, const Span& span, double temper, const base::Progress& progress) {
    const double length = std::max(0.5, span.end - span.start);
    constexpr int steps = 160;
    const double step = std::max(0.0001, 0.0015 / length);
    const double reach = std::min(0.03, step * steps);
    const int n = static_cast<int>(reach / step);
    std::vector<double> logs;
    Scan scan;
    scan.top = -1e300;
    for (int i = -n; i <= n && (i == -n || !progress.stopped()); ++i) {
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

float nearly(double off, double scale) {
    return static_cast<float>(std::exp(-off * off / (scale * scale)));
}

// What is the same for all explanations of a recording.
struct Facts {
    double spread = 0;    // how wide the likelihood is, BPM
    double start = 0;     // the first sound
    bool onLine = false;  // it lies on a line of the grid from the file's start
    double atEnd = 0;     // level of the last 30 ms, over the mean
    double atStart = 0;   // of the first
    double lastEvent = 0; // seconds
    double attacks = 0;   // share of the events' strength
    double blur = 0;      // seconds, mean
    double events = 0;    // log2 of their number
    double sustain = 0;   // median level over loud level
};

Facts factsOf(const std::vector<Event>& events, const Strength& s, const Span& span, const Scan& scan,
              const Line& line) {
    Facts f;
    f.spread = scan.width;
    f.start = events.empty() || std::abs(events.front().at - span.start) >= 0.06 ? span.start : events.front().at;
    const double period = 60 / scan.bpm;
    const double place = f.start / period * line.grid.division;
    f.onLine = std::abs(place - std::round(place)) * period / line.grid.division < 0.015;
    double strength = 1e-9;
    for (const Event& e : events) {
        strength += e.strength;
        f.blur += e.strength * e.blur;
        f.lastEvent = std::max(f.lastEvent, e.at);
    }
    f.attacks = shareOfAttacks(events);
    f.blur /= strength;
    f.events = std::log2(double(events.size()) + 1);
    const auto hops = s.level.size();
    const std::size_t few = std::min<std::size_t>(hops, 6);
    double mean = 1e-9;
    for (const float l : s.level)
        mean += double(l) / double(hops);
    for (std::size_t h = 0; h < few; ++h) {
        f.atStart += double(s.level[h]) / double(few) / mean;
        // The last hops lie partly beyond the file.
        f.atEnd += double(s.level[hops - 1 - std::min(hops - 1, h + 2)]) / double(few) / mean;
    }
    std::vector<float> sorted = s.level;
    std::sort(sorted.begin(), sorted.end());
    f.sustain = double(sorted[hops / 2]) / std::max(1e-6, double(sorted[hops * 19 / 20]));
    return f;
}

// Puts figures into a way to explain a loop, one after the other.
struct Put {
    LoopWay& way;
    std::size_t n = 0;
    void operator()(double x) { way.features[n++] = static_cast<float>(x); }
};

void putTempo(Put& put, double log, const Scan& scan, const Span& span, const Facts& facts) {
    const LoopWay& way = put.way;
    // What the events say. Between the steps of a scan the likelihood of a long recording has peaks that it passed
    // over; by how much they are higher says only how long it is.
    constexpr double higher = 1;
    log = std::min(log, higher);
    put(std::max(-12.0, log) / 3);
    put(std::max(-2.0, log));
    put(std::log(0.02 + std::abs(way.bpm - scan.bpm) / facts.spread));
    put(std::abs(way.bpm / scan.bpm - 1) * 100);
    put(std::min(1.0, facts.spread));
    put(std::log(facts.spread));
    put(way.bpm == scan.bpm);
    // Which numbers people use. What is exact by its length may miss a whole number by a sample.
    const double whole = std::abs(way.bpm - std::round(way.bpm));
    const double length = std::max(0.1, span.file - way.from);
    put(whole < 1e-9);
    put(nearly(whole / way.bpm * length, 0.0003));
    put(nearly(whole / way.bpm * length, 0.0015));
    put(std::min(0.5, whole));
}

void putLength(Put& put, const Span& span, const Facts& facts) {
    const LoopWay& way = put.way;
    const double period = 60 / way.bpm;
    // How exact the length is: of the file, and from the first sound.
    for (const double seconds : {span.file, span.file - facts.start}) {
        const double beats = std::round(seconds / period);
        const double off = beats < 1 ? 1.0 : seconds - beats * period;
        put(nearly(off, 0.0006));
        put(nearly(off, 0.004));
        put(nearly(off, 0.025));
        put(std::clamp(off / 0.03, -2.0, 2.0));
        const double near = double(nearly(off, 0.03));
        const auto count = static_cast<int>(beats);
        put(near * (count % 4 == 0));
        put(near * (count == 4 || count == 8 || count == 16 || count == 32 || count == 64));
        put(near * (count % 3 == 0));
        put(near * (count % 2 == 0));
    }
    // The explanation itself.
    put(way.byLength);
    put(way.beats.has_value());
    put(way.beats && way.from == 0.0);
    put(way.beats ? std::log(habitOf(*way.beats)) : 0);
    put(way.beats ? std::log2(double(*way.beats)) : 0);
    put(way.from > 0 && way.beats);
    const double bars = (span.file - facts.start) / period / 4;
    put(bars - std::floor(bars));
    // Where the last sound begins, in bars: a tail is what follows the bar it lies in.
    const double last = (facts.lastEvent - facts.start) / period / 4;
    put(std::ceil(last + 0.03) * 4 * period + facts.start < span.file - 0.06 ? 1 : 0);
    put(std::min(3.0, (span.file - facts.lastEvent) / period));
    put(std::min(3.0, (span.file - span.end) / period));
}

void describe(LoopWay& way, double log, const Scan& scan, const Line& line, const Span& span, const Facts& facts) {
    Put put{way};
    putTempo(put, log, scan, span, facts);
    putLength(put, span, facts);
    // How much there is to decide by.
    put(facts.start < 0.02);
    put(std::min(2.0, facts.start));
    put(facts.onLine);
    put(std::min(3.0, facts.atEnd));
    put(std::min(3.0, facts.atStart));
    put(facts.attacks);
    put(facts.blur * 100);
    put(facts.events);
    put(facts.sustain);
    put(line.grid.agreement);
    put(line.grid.landed);
    put(std::log(1e-4 + line.grid.spread));
    put(std::log(1e-6 + line.grid.periodError / line.grid.period));
    put(std::log2(std::max(0.2, span.file)));
    put(line.grid.division == 3);
}

} // namespace

LoopWays loopWays(const std::vector<Event>& events, const Strength& s, const Span& span, Bpm about,
                  const base::Progress& progress) {
    // Errors of neighbouring events have causes in common.
    constexpr double temper = 0.8;
    const Line line = straightest(events, s, span, about);
    Nearness near(line.events, line.grid);
    const Scan scan = scanned(near, line.grid, span, temper, progress);
    const Facts facts = factsOf(events, s, span, scan, line);
    LoopWays ways;
    ways.measured = scan.bpm;
    const auto offer = [&](double bpm, double from, std::optional<int> beats, bool byLength) {
        if (progress.stopped() && !ways.list.empty()) return;
        LoopWay way{bpm, from, beats, byLength, {}};
        describe(way, temper * near.at(60 / bpm) - scan.top, scan, line, span, facts);
        ways.list.push_back(way);
    };
    const double reach = std::min(0.025 * scan.bpm, std::max(0.6, 6 * scan.width));
    std::vector<double> tempos{scan.bpm};
    for (double whole = std::ceil(scan.bpm - reach); whole <= scan.bpm + reach; ++whole)
        tempos.push_back(whole);
    for (const double bpm : tempos)
        offer(bpm, facts.start, {}, false);
    for (const double from : {0.0, facts.start}) {
        const double length = span.file - from;
        if (length < 0.1 || (from > 0 && from < 0.004)) continue;
        const double aboutBeats = length * scan.bpm / 60;
        // What is longer than any loop tells its tempo so exactly that only its nearest whole numbers come into
        // question.
        const double range = length < longestLoop ? std::max(1.0, aboutBeats * 0.04) : 2.0;
        for (int beats = std::max(1, static_cast<int>(aboutBeats - range));
             beats <= static_cast<int>(aboutBeats + range) + 1; ++beats) {
            // Cut to whole beats: the length says the tempo.
            const double exact = 60 * beats / length;
            if (std::abs(exact / scan.bpm - 1) < 0.04) offer(exact, from, beats, true);
            // Cut a little wrong.
            for (const double bpm : tempos)
                if (std::abs(60 * beats / bpm - length) < 0.035) offer(bpm, from, beats, false);
        }
    }
    return ways;
}

double scoreOf(const LoopWay& way) {
    return netScore(way.features, loopHiddenBias, loopHiddenWeights, loopOutputWeights, loopDirectWeights);
}

LoopWays KnownWays::at(Bpm about, const base::Progress& progress) {
    for (const auto& [bpm, ways] : known_)
        if (bpm == about) return ways;
    LoopWays ways = loopWays(events_, strength_, span_, about, progress);
    if (!progress.stopped()) known_.emplace_back(about, ways);
    return ways;
}

LoopFit fitLoop(KnownWays& known, Bpm about, const base::Progress& progress) {
    const LoopWays ways = known.at(about, progress);
    const LoopWay* best = nullptr;
    double most = 0;
    for (const LoopWay& way : ways.list)
        if (const double score = scoreOf(way); best == nullptr || score > most) {
            most = score;
            best = &way;
        }
    LoopFit fit;
    fit.period = 60 / best->bpm;
    fit.start = best->from;
    fit.beats = best->beats;
    fit.seconds = best->beats ? fit.period * *best->beats : 0;
    const bool taken = !best->byLength && std::abs(best->bpm - ways.measured) > 0.004;
    if (taken) fit.measured = Bpm(ways.measured);
    return fit;
}

} // namespace hear
