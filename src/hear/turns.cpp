#include "hear/turns.h"

#include "hear/grid.h"
#include "hear/summits.h"

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

using Way = std::array<double, profileBands>;

using Sound = Profiles::Walk;

// The mean of the profiles [from, to).
Way meanOf(const Sound& sound, std::size_t from, std::size_t to) {
    Way mean{};
    for (std::size_t h = from; h < to; ++h)
        for (std::size_t b = 0; b < mean.size(); ++b)
            mean[b] += double(sound[h][b]) / double(to - from);
    return mean;
}

// The change near `at` between the chords that sound since `since` and until `until`.
std::optional<Turn> turnNear(Sound& sound, std::size_t count, double hop, double at, double since, double until) {
    const auto hopOf = [&](double t) {
        return static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(std::lround(t / hop), 0, std::ptrdiff_t(count)));
    };
    const std::size_t a = hopOf(std::max(since, at - before));
    const std::size_t b = hopOf(at - amid);
    const std::size_t c = hopOf(at + amid) + 1;
    const std::size_t d = hopOf(std::min(until, at + before));
    if (b <= a || d <= c) return std::nullopt;
    sound.stand(b);
    const Way first = meanOf(sound, a, b);
    Way way = meanOf(sound, c, d);
    double length = 0;
    for (std::size_t k = 0; k < way.size(); ++k) {
        way[k] -= first[k];
        length += way[k] * way[k];
    }
    if (length < 1e-6) return std::nullopt;
    // How far from the first chord to the second, from profile a on.
    std::vector<double> done;
    for (std::size_t h = a; h < d; ++h) {
        double sum = 0;
        for (std::size_t k = 0; k < way.size(); ++k)
            sum += (double(sound[h][k]) - first[k]) * way[k];
        done.push_back(sum / length);
    }
    // Where it goes through a part of the way, nearest to the peak.
    const auto through = [&](double part) -> std::optional<double> {
        std::optional<double> best;
        for (std::size_t i = 1; i < done.size(); ++i) {
            const double last = done[i - 1];
            if (last >= part || done[i] < part) continue;
            const double t = (double(a + i - 1) + (part - last) / (done[i] - last)) * hop;
            if (!best || std::abs(t - at) < std::abs(*best - at)) best = t;
        }
        return best;
    };
    const auto begun = through(share);
    if (!begun) return std::nullopt;
    const double from = through(0.1).value_or(*begun - amid);
    const double to = through(0.6).value_or(*begun + amid);
    return Turn{*begun + early, 0, std::max(hop, to - from)};
}

} // namespace

std::vector<Turn> turnsOf(const Profiles& sound, double hop, const Strength& s) {
    Sound walk(sound);
    std::vector<Turn> list;
    const std::vector<std::size_t> peaks = summits(s.turn, quietestTurn, static_cast<std::size_t>(apart / s.hop));
    for (std::size_t i = 0; i < peaks.size(); ++i) {
        const double at = s.seconds(peaks[i]);
        const double since = i > 0 ? s.seconds(peaks[i - 1]) + amid : 0;
        const double until = i + 1 < peaks.size() ? s.seconds(peaks[i + 1]) - amid : s.seconds(s.size());
        if (auto turn = turnNear(walk, sound.size(), hop, at, since, until)) {
            turn->height = std::min(1.0, double(s.turn[peaks[i]]));
            list.push_back(*turn);
        }
    }
    return list;
}

} // namespace hear
