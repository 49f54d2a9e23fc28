#include "hear/turns.h"

#include "hear/grid.h"

#include <algorithm>
#include <cmath>
#include <optional>

namespace hear {

namespace {

constexpr double apart = 0.3;  // seconds between two turns at least
constexpr double before = 0.5; // seconds of each chord that are looked at, at most
constexpr double amid = 0.2;   // seconds around the change that belong to neither

constexpr double share = 0.2;  // of the way, at which the other chord has begun
constexpr double early = 0.06; // seconds by which the profiles' windows see what begins at once

using Way = std::array<double, Pitches::bands>;

std::vector<std::size_t> peaksOfTurn(const Strength& s) {
    std::vector<std::size_t> list;
    const auto wide = static_cast<std::size_t>(apart / s.hop);
    for (std::size_t h = 1; h + 1 < s.turn.size(); ++h) {
        const float here = s.turn[h];
        if (here < quietestTurn || here < s.turn[h - 1] || here <= s.turn[h + 1]) continue;
        const auto from = s.turn.begin() + static_cast<std::ptrdiff_t>(h > wide ? h - wide : 0);
        const auto to = s.turn.begin() + static_cast<std::ptrdiff_t>(std::min(s.turn.size(), h + wide));
        if (*std::max_element(from, to) <= here) list.push_back(h);
    }
    return list;
}

// The mean of the profiles [from, to).
Way meanOf(const Pitches& p, std::ptrdiff_t from, std::ptrdiff_t to) {
    Way mean{};
    for (std::ptrdiff_t h = from; h < to; ++h)
        for (std::size_t b = 0; b < mean.size(); ++b)
            mean[b] += double(p.sound[static_cast<std::size_t>(h)][b]) / double(to - from);
    return mean;
}

// The change near `at` between the chords that sound since `since` and until `until`.
std::optional<Turn> turnNear(const Pitches& p, double at, double since, double until) {
    const auto hopOf = [&](double t) {
        return std::clamp<std::ptrdiff_t>(std::lround(t / p.hop), 0, std::ssize(p.loudness));
    };
    const std::ptrdiff_t a = hopOf(std::max(since, at - before));
    const std::ptrdiff_t b = hopOf(at - amid);
    const std::ptrdiff_t c = hopOf(at + amid) + 1;
    const std::ptrdiff_t d = hopOf(std::min(until, at + before));
    if (b <= a || d <= c) return std::nullopt;
    const Way first = meanOf(p, a, b);
    Way way = meanOf(p, c, d);
    double length = 0;
    for (std::size_t k = 0; k < way.size(); ++k) {
        way[k] -= first[k];
        length += way[k] * way[k];
    }
    if (length < 1e-6) return std::nullopt;
    // How far from the first chord to the second.
    const auto done = [&](std::ptrdiff_t h) {
        double sum = 0;
        for (std::size_t k = 0; k < way.size(); ++k)
            sum += (double(p.sound[static_cast<std::size_t>(h)][k]) - first[k]) * way[k];
        return sum / length;
    };
    // Where it goes through a share, nearest to the peak.
    const auto through = [&](double part) -> std::optional<double> {
        std::optional<double> best;
        double last = done(a);
        for (std::ptrdiff_t h = a + 1; h < d; ++h) {
            const double now = done(h);
            if (last < part && now >= part) {
                const double t = (double(h - 1) + (part - last) / (now - last)) * p.hop;
                if (!best || std::abs(t - at) < std::abs(*best - at)) best = t;
            }
            last = now;
        }
        return best;
    };
    const auto begun = through(share);
    if (!begun) return std::nullopt;
    const double from = through(0.1).value_or(*begun - amid);
    const double to = through(0.6).value_or(*begun + amid);
    return Turn{*begun + early, 0, std::max(p.hop, to - from)};
}

} // namespace

std::vector<Turn> turnsOf(const Pitches& pitches, const Strength& s) {
    std::vector<Turn> list;
    const std::vector<std::size_t> peaks = peaksOfTurn(s);
    for (std::size_t i = 0; i < peaks.size(); ++i) {
        const double at = s.seconds(peaks[i]);
        const double since = i > 0 ? s.seconds(peaks[i - 1]) + amid : 0;
        const double until = i + 1 < peaks.size() ? s.seconds(peaks[i + 1]) - amid : s.seconds(s.size());
        if (auto turn = turnNear(pitches, at, since, until)) {
            turn->height = std::min(1.0, double(s.turn[peaks[i]]));
            list.push_back(*turn);
        }
    }
    return list;
}

} // namespace hear
