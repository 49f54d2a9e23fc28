#include "hear/grid.h"

#include "hear/summits.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <iterator>
#include <numbers>
#include <optional>
#include <utility>

namespace hear {

namespace {

// How surely an onset's moment is known: a stroke is at its height at once, a bow or a breath takes its time.
double blurOf(const Strength& s, double at) {
    const auto hopAt = [&](double t) {
        return static_cast<std::size_t>(std::clamp(t / s.hop, 0.0, double(s.size() - 1)));
    };
    double before = 0;
    if (at > 0.012) before = s.level[hopAt(at - 0.009)];
    double soon = 0;
    for (std::size_t h = hopAt(at); h <= hopAt(at + 0.012); ++h)
        soon = std::max(soon, double(s.level[h]));
    double most = soon;
    for (std::size_t h = hopAt(at); h <= hopAt(at + 0.09); ++h)
        most = std::max(most, double(s.level[h]));
    if (most - before < 0.15 * most) return 0.004; // hidden in what goes on sounding
    const double share = (soon - before) / (most - before);
    return 0.0012 + 0.02 * std::max(0.0, 0.65 - share);
}

constexpr float clearRise = 0.09F; // of the spectrum, see Strength::flux: with this much something is struck

struct Rising {
    Event event;
    float rise = 0;
};

std::vector<Rising> risings(const std::vector<Onset>& onsets, int rate, const Strength& s) {
    std::vector<Rising> list;
    for (const Onset& o : onsets) {
        const double at = metre::toSeconds(o.at, rate).value;
        float rise = 0;
        for (auto h = static_cast<std::size_t>(std::max(0.0, at - 0.03) / s.hop);
             h < s.size() && s.seconds(h) < at + 0.04; ++h)
            rise = std::max(rise, s.flux[h]);
        if (rise >= quietestRise) list.push_back({{at, std::max(0.05, o.strength), blurOf(s, at), true}, rise});
    }
    return list;
}

// The peaks of the change of pitch.
std::vector<Event> changesOf(const Strength& s) {
    std::vector<Event> list;
    for (const std::size_t h : summits(s.change, 0.09F, static_cast<std::size_t>(0.12 / s.hop)))
        list.push_back({s.seconds(h) + besideSummit(s.change, h) * s.hop, std::min(1.0, double(s.change[h])) * 0.5,
                        0.012, false});
    return list;
}

Event eventOf(const Turn& turn) {
    return {turn.at, turn.height * 0.5, std::clamp(0.0015 + 0.05 * turn.takes, 0.004, 0.03), false};
}

// Moments, to be asked whether one is near.
class Moments {
  public:
    template <class List>
    static Moments of(const List& list) {
        Moments out;
        out.at_.reserve(list.size());
        for (const auto& moment : list)
            out.at_.push_back(moment.at);
        std::sort(out.at_.begin(), out.at_.end());
        return out;
    }
    static Moments of(const std::vector<Onset>& list, int rate) {
        Moments out;
        out.at_.reserve(list.size());
        for (const Onset& o : list)
            out.at_.push_back(metre::toSeconds(o.at, rate).value);
        return out;
    }
    bool hasNear(double at, double reach) const {
        const auto after = std::lower_bound(at_.begin(), at_.end(), at);
        return (after != at_.end() && *after - at < reach) || (after != at_.begin() && at - *(after - 1) < reach);
    }
    // Quick where moments come about in order.
    void add(double at) { at_.insert(std::upper_bound(at_.begin(), at_.end(), at), at); }

  private:
    std::vector<double> at_; // ascending
};

} // namespace

std::vector<Event> events(const std::vector<Onset>& onsets, int rate, const Curves& curves) {
    const Strength& s = curves.strength;
    const auto n = s.size();
    std::vector<Rising> rising = risings(onsets, rate, s);
    const std::vector<Turn>& turns = curves.turns;
    const auto isStruck = [](const Rising& r) { return r.rise >= clearRise; };
    const bool blends =
        turns.size() >= 2 && std::count_if(rising.begin(), rising.end(), isStruck) < std::ssize(turns);
    if (blends) {
        std::erase_if(rising, [&](const Rising& r) { return !isStruck(r); });
        // A chord that begins out of silence is noticed sooner than one that takes another's place.
        for (Rising& r : rising) {
            r.event.blur = std::max(r.event.blur, 0.03);
            r.event.strength *= 0.3;
        }
    }
    std::vector<Event> out;
    std::transform(rising.begin(), rising.end(), std::back_inserter(out), [](const Rising& r) { return r.event; });
    const Moments struck = Moments::of(out);
    const Moments turning = Moments::of(turns);
    const Moments begun = Moments::of(onsets, rate);
    // Changes of pitch that no onset stands for, not even one too quiet to count; nor a turn.
    const auto isKnown = [&](const Event& change) {
        if (blends) return struck.hasNear(change.at, 0.09) || turning.hasNear(change.at, 0.3);
        return begun.hasNear(change.at, 0.09);
    };
    for (const Event& change : changesOf(s))
        if (!isKnown(change)) out.push_back(change);
    // Chords that blend into each other, where nothing else is near.
    const Moments there = Moments::of(out);
    Moments added;
    for (const Turn& turn : turns) {
        if (blends ? struck.hasNear(turn.at, 0.1) : there.hasNear(turn.at, 0.2) || added.hasNear(turn.at, 0.2))
            continue;
        out.push_back(eventOf(turn));
        added.add(turn.at);
    }
    std::sort(out.begin(), out.end(), [](const Event& a, const Event& b) { return a.at < b.at; });
    const float lowest = n == 0 ? 1 : std::max(1e-4F, *std::max_element(s.low.begin(), s.low.end()));
    for (Event& e : out) {
        const auto near = static_cast<std::size_t>(std::max(0.0, e.at - 0.05) / s.hop);
        float change = 0;
        float low = 0;
        for (std::size_t h = near; h < std::min(n, near + static_cast<std::size_t>(0.1 / s.hop)); ++h) {
            change = std::max(change, s.change[h]);
            low = std::max(low, s.low[h]);
        }
        e.accent = std::min(1.0, 0.6 * double(change) + 0.5 * double(low / lowest));
    }
    return out;
}

std::vector<Event> peaksOf(const Strength& s) {
    std::vector<Event> out;
    const auto n = s.size();
    std::vector<float> curve(n);
    float greatest = 1e-6F;
    for (std::size_t h = 0; h < n; ++h)
        greatest = std::max(greatest, s.flux[h]);
    for (std::size_t h = 1; h + 1 < n; ++h)
        curve[h] =
            0.25F * s.flux[h - 1] + 0.5F * s.flux[h] + 0.25F * s.flux[h + 1] + 0.15F * greatest * s.change[h];
    for (const std::size_t h : summits(curve, 0.12F * greatest, static_cast<std::size_t>(0.05 / s.hop)))
        out.push_back({s.seconds(h) + besideSummit(curve, h) * s.hop, std::min(1.0, double(curve[h] / greatest)),
                       0.004, true});
    return out;
}

namespace {

std::complex<double> phasor(const std::vector<Event>& events, double hz) {
    std::complex<double> sum = 0;
    for (const Event& e : events)
        sum += std::polar(e.strength, -2 * std::numbers::pi * hz * e.at);
    return sum;
}

double clarity(const std::vector<Event>& events, double hz, double total) {
    std::array<std::complex<double>, 4> sums{}; // at hz and at twice, three and four times as many
    for (const Event& e : events) {
        const std::complex<double> turn = std::polar(1.0, -2 * std::numbers::pi * hz * e.at);
        std::complex<double> power = e.strength;
        for (std::complex<double>& sum : sums)
            sum += power *= turn;
    }
    constexpr std::array weights{1.0, 1.0, 0.6, 1.0};
    double clear = 0;
    for (std::size_t k = 0; k < sums.size(); ++k)
        clear += weights[k] * std::abs(sums[k]) / total;
    return clear;
}

// Solves A x = b in place by elimination; A symmetric and positive.
template <std::size_t N>
std::array<double, N> solved(std::array<std::array<double, N>, N> a, std::array<double, N> b) {
    for (std::size_t i = 0; i < N; ++i) {
        const double pivot = std::abs(a[i][i]) < 1e-12 ? 1e-12 : a[i][i];
        for (std::size_t r = i + 1; r < N; ++r) {
            const double k = a[r][i] / pivot;
            for (std::size_t c = i; c < N; ++c)
                a[r][c] -= k * a[i][c];
            b[r] -= k * b[i];
        }
    }
    std::array<double, N> x{};
    for (std::size_t i = N; i-- > 0;) {
        double sum = b[i];
        for (std::size_t c = i + 1; c < N; ++c)
            sum -= a[i][c] * x[c];
        x[i] = sum / (std::abs(a[i][i]) < 1e-12 ? 1e-12 : a[i][i]);
    }
    return x;
}

constexpr std::size_t places = 4; // at most four lines a beat have lags of their own
using Fit = std::array<double, 2 + places>;

struct Matched {
    double line; // which line, in beats
    std::size_t place;
    double at;
    double weight;
    double blur;
};

// The period within reach of the one it has at which the events lie clearest, how many lines a beat has, and the
// phase of the line nearest to the first event.
void setOut(Grid& g, const std::vector<Event>& events, double reach, double total) {
    double best = -1;
    const double middle = 1 / g.period;
    for (int i = -24; i <= 24; ++i) {
        const double hz = middle * (1 + reach * i / 24);
        if (const double c = clarity(events, hz, total); c > best) {
            best = c;
            g.period = 1 / hz;
        }
    }
    // Four lines a beat or three?
    const double hz = 1 / g.period;
    const double fours = std::abs(phasor(events, 4 * hz)) + 0.5 * std::abs(phasor(events, 2 * hz));
    const double threes = std::abs(phasor(events, 3 * hz)) + 0.2 * std::abs(phasor(events, 2 * hz));
    g.division = threes > fours * 1.15 ? 3 : 4;
    const int d = g.division;
    // The phase of the lines, and of those the beat nearest to the first event.
    g.phase = -std::arg(phasor(events, hz * d) + 1e-12) / (2 * std::numbers::pi * hz * d);
    const double first = events.front().at;
    const double line = g.period / d;
    g.phase += std::round((first - g.phase) / line) * line;
}

// How far an event lies from the nearest line, in seconds, and its strength.
using Distances = std::vector<std::pair<double, double>>;

// The events that lie near a line, and the distances of all. `line` is the distance of two lines before any fit.
std::vector<Matched> matchedTo(const Grid& g, const std::vector<Event>& events, double line, double scale,
                               Distances& distances) {
    const int d = g.division;
    std::vector<Matched> matched;
    for (const Event& e : events) {
        const double place = (e.at - g.phase) / line * (line / (g.period / d));
        const double n = std::round(place);
        const double off = (place - n) * g.period / d;
        distances.emplace_back(std::abs(off), e.strength);
        const double u = off / (scale * 2.5);
        if (std::abs(u) >= 1) continue;
        const double tukey = (1 - u * u) * (1 - u * u);
        const double w = tukey * std::sqrt(e.strength) * (e.attack ? 1.0 : 0.1);
        const auto k = static_cast<std::int64_t>(n);
        const auto slot = static_cast<std::size_t>(((k % d) + d) % d);
        matched.push_back({n / d, slot, e.at, w, e.blur});
    }
    return matched;
}

// What one round of fitting rests on.
struct Support {
    double sum = 0;   // of all weights
    double lever = 0; // how far apart the matched lines lie
    Fit fit{};
};

// Moves the grid to where the matched events lie best, by weighted least squares with a lag for each place in the
// beat. None where they say nothing of the period.
std::optional<Support> drawn(Grid& g, const std::vector<Matched>& matched) {
    Support s;
    std::array<std::array<double, 2 + places>, 2 + places> a{};
    Fit b{};
    double mean = 0;
    for (const Matched& m : matched) {
        s.sum += m.weight;
        mean += m.weight * m.line;
    }
    mean /= s.sum;
    for (const Matched& m : matched) {
        Fit row{};
        row[0] = 1;
        row[1] = m.line - mean;
        row[2 + m.place] = 1;
        for (std::size_t i = 0; i < row.size(); ++i) {
            for (std::size_t j = 0; j < row.size(); ++j)
                a[i][j] += m.weight * row[i] * row[j];
            b[i] += m.weight * row[i] * (m.at - g.phase - m.line * g.period);
        }
        s.lever += m.weight * row[1] * row[1];
    }
    for (std::size_t i = 2; i < 2 + places; ++i)
        a[i][i] += 0.3 * s.sum / double(g.division) * 0.2 + 0.5; // lags are small unless many say so
    a[0][0] += 1e-9;
    a[1][1] += 1e-9;
    if (s.lever < 1e-9) return {};
    s.fit = solved(a, b);
    const double bend = std::clamp(s.fit[1], -0.01 * g.period, 0.01 * g.period);
    g.phase += s.fit[0] - mean * bend;
    g.period += bend;
    return s;
}

// How well the grid explains the events, and how exact its period is.
void weigh(Grid& g, const std::vector<Matched>& matched, const Support& s, Distances distances, double line,
           double total) {
    double residual = 0;
    double known = 0;
    for (const Matched& m : matched) {
        const double r = m.at - g.phase - m.line * g.period - s.fit[2 + m.place];
        residual += m.weight * r * r;
        known += m.weight * m.blur * m.blur;
    }
    g.blur = std::sqrt(known / s.sum);
    std::sort(distances.begin(), distances.end());
    double half = 0;
    for (const auto& [off, strength] : distances) {
        half += strength;
        g.spread = off;
        if (half >= total / 2) break;
    }
    const double noise = std::hypot(g.blur, std::sqrt(residual / s.sum)) *
                         std::sqrt(double(matched.size()) / std::max(1.0, double(matched.size()) - 2.0)) *
                         (matched.size() < 5 ? 2.0 : 1.0);
    const double each = s.sum / double(matched.size());
    g.periodError = noise / std::sqrt(s.lever / each);
    g.landed = 0;
    g.agreement = 0;
    for (const auto& [off, strength] : distances) {
        if (off < std::min(0.02, line * 0.25)) g.landed += strength / total;
        g.agreement += strength / total * std::exp(-off * off / (0.008 * 0.008));
    }
}

} // namespace

Grid straightGrid(const std::vector<Event>& events, const Span& span, Bpm about, double reach) {
    Grid g;
    g.period = 60 / about.value;
    if (events.empty()) return g;
    double total = 0;
    for (const Event& e : events)
        total += e.strength;
    const double length = std::max(0.5, span.file - span.start);
    setOut(g, events, std::min(reach, 0.35 / (length / g.period)), total);
    const double line = g.period / g.division;
    double scale = std::min(0.03, line * 0.35);
    for (int round = 0; round < 8; ++round) {
        Distances distances;
        const std::vector<Matched> matched = matchedTo(g, events, line, scale, distances);
        if (matched.size() < 2) break;
        const auto support = drawn(g, matched);
        if (!support) break;
        weigh(g, matched, *support, std::move(distances), line, total);
        scale = std::max(0.004, std::min(scale * 0.7, line * 0.35));
    }
    return g;
}

} // namespace hear
