#include "hear/track.h"

#include "base/four.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>

namespace hear {

namespace {

// Events as a curve: each a small hill at its own moment, made comparable over loud and quiet passages.
std::vector<float> hills(const std::vector<Event>& events, double hop, std::size_t size) {
    std::vector<float> curve(size, 0.0F);
    for (std::size_t i = 0; i < events.size(); ++i) {
        // Relative to the strongest within two seconds.
        double strongest = events[i].strength;
        for (std::size_t j = i; j-- > 0 && events[i].at - events[j].at < 2;)
            strongest = std::max(strongest, events[j].strength);
        for (std::size_t j = i + 1; j < events.size() && events[j].at - events[i].at < 2; ++j)
            strongest = std::max(strongest, events[j].strength);
        const double height = std::sqrt(events[i].strength / strongest) * (0.6 + 0.6 * events[i].accent);
        const double width = std::max(0.012, events[i].blur * 1.5);
        const auto from = static_cast<std::int64_t>((events[i].at - 3 * width) / hop);
        const auto to = static_cast<std::int64_t>((events[i].at + 3 * width) / hop) + 1;
        for (std::int64_t h = std::max<std::int64_t>(0, from); h < std::min<std::int64_t>(to, std::int64_t(size));
             ++h) {
            const double off = (double(h) * hop - events[i].at) / width;
            auto& c = curve[static_cast<std::size_t>(h)];
            c = std::max(c, static_cast<float>(height * std::exp(-0.5 * off * off)));
        }
    }
    return curve;
}

// Where a score less its cost is better than what there is, it takes its place, and `by` is noted. REQUIRES a count
// of fours.
void better(const float* scores, const float* costs, std::int32_t by, int count, float* best, std::int32_t* from) {
    using base::four;
    for (int q = 0; q < count; q += 4) {
        const base::Four here = four(scores + q) - four(costs + q);
        const base::Four most = four(best + q);
        const base::FourWhole is = here > most;
        base::put(is ? here : most, best + q);
        base::put(is ? base::FourWhole{by, by, by, by} : four(from + q), from + q);
    }
}

} // namespace

std::vector<double> trackedBeats(const std::vector<Event>& events, const Strength& s, const Span& span, Bpm about) {
    std::vector<double> beats;
    const double hop = s.hop;
    const auto size = static_cast<std::size_t>(span.file / hop) + 1;
    if (events.size() < 2 || size < 8) return beats;
    const std::vector<float> curve = hills(events, hop, size);
    const double period = 60 / about.value / hop;
    const int shortest = std::max(4, static_cast<int>(period / 1.32));
    const int longest = static_cast<int>(period * 1.6) + 1; // pieces slow down at their ends
    const int periods = longest - shortest + 1;
    const double lastEvent = events.back().at;
    // The end: the best within the last period of sound.
    const auto endFrom = static_cast<std::int64_t>(std::max(0.0, lastEvent / hop - period));
    const auto endTo = std::min(static_cast<std::int64_t>(size) - 1,
                                static_cast<std::int64_t>(std::max(lastEvent + 0.03, span.end) / hop));
    constexpr int swerve = 6;
    constexpr std::int8_t nowhere = -100;
    // Scores are kept for as long as a beat may look back; where each came from, for the whole recording. The score
    // of a beat at hop h with period p stands in row h + p: those that the periods look back to, each by its own
    // length, then lie side by side. Beyond the first and the last period there is nothing.
    const std::int64_t rows = longest + periods + swerve + 1;
    const int fours = (periods + 3) / 4 * 4;
    const std::int64_t width = fours + 2 * swerve;
    std::vector<float> score(static_cast<std::size_t>(rows * width), -1e30F);
    const auto row = [&](std::int64_t r) { return score.data() + (r + rows) % rows * width + swerve; };
    std::vector<std::int8_t> cameFrom(static_cast<std::size_t>((endTo + 1) * periods), nowhere);
    std::array<std::vector<float>, 2 * swerve + 1> turning;         // what a change of period costs
    std::vector<float> straying(static_cast<std::size_t>(periods)); // and a period off the tempo
    for (auto& costs : turning)
        costs.resize(static_cast<std::size_t>(fours));
    for (int p = 0; p < periods; ++p) {
        const double away = std::log((shortest + p) / period);
        straying[static_cast<std::size_t>(p)] = static_cast<float>(5 * away * away);
        for (int by = -swerve; by <= swerve; ++by) {
            const double turn = std::log(double(shortest + p + by) / double(shortest + p));
            turning[static_cast<std::size_t>(by + swerve)][static_cast<std::size_t>(p)] =
                static_cast<float>(700 * turn * turn);
        }
    }
    std::vector<float> before(static_cast<std::size_t>(fours));
    std::vector<std::int32_t> came(static_cast<std::size_t>(fours)); // from which period, as a difference
    float best = -1e30F;
    std::int64_t at = endTo;
    int p = 0;
    for (std::int64_t h = 0; h <= endTo; ++h) {
        // Playing mostly begins on a beat; a first beat elsewhere in the first bar costs what it skips.
        const double skipped = std::max(0.0, (double(h) * hop - span.start) / (period * hop));
        const bool atFirst = std::abs(double(h) * hop - events.front().at) < 0.03;
        const auto fresh = static_cast<float>((atFirst ? 8.0 : 0.0) - 0.5 * skipped);
        std::fill(before.begin(), before.end(), fresh);
        std::fill(came.begin(), came.end(), nowhere);
        // Those periods that lie within what has been.
        const int past = static_cast<int>(std::clamp<std::int64_t>(h - shortest + 1, 0, periods));
        for (int by = -swerve; by <= swerve && past > 0; ++by)
            better(row(h - shortest + by) + by, turning[static_cast<std::size_t>(by + swerve)].data(), by, fours,
                   before.data(), came.data());
        const float here = 0.8F * curve[static_cast<std::size_t>(h)] - 0.2F;
        std::int64_t r = h % rows;
        for (int q = 0; q < periods; ++q, r = r + 1 == rows ? 0 : r + 1) {
            const int tau = shortest + q;
            // Something sounds often between beats too, which keeps the beat in step; a beat on nothing costs.
            float gain = here - straying[static_cast<std::size_t>(q)];
            if (q < past)
                gain += 0.65F * curve[static_cast<std::size_t>(h - tau / 2)] +
                        0.5F * (curve[static_cast<std::size_t>(h - tau / 4)] +
                                curve[static_cast<std::size_t>(h - tau * 3 / 4)]);
            const float all = before[static_cast<std::size_t>(q)] + gain;
            score[static_cast<std::size_t>(r * width + swerve + q)] = all;
            cameFrom[static_cast<std::size_t>(h * periods + q)] =
                static_cast<std::int8_t>(came[static_cast<std::size_t>(q)]);
            if (h >= endFrom && all > best) {
                best = all;
                at = h;
                p = q;
            }
        }
    }
    while (at >= 0) {
        beats.push_back(double(at) * hop);
        const std::int8_t by = cameFrom[static_cast<std::size_t>(at * periods + p)];
        if (by == nowhere) break;
        at -= shortest + p;
        p += by;
    }
    std::reverse(beats.begin(), beats.end());

    // What sounds around a beat, on it and on the quarters between, says where it lies.
    const std::vector<double> rough = beats;
    for (std::size_t i = 0; i < beats.size() && rough.size() > 2; ++i) {
        const std::size_t a = i > 0 ? i - 1 : 0;
        const std::size_t b = std::min(rough.size() - 1, i + 1);
        const double local = (rough[b] - rough[a]) / double(b - a);
        double sum = 0;
        double weights = 1e-9;
        double own = 0;
        double ownStrength = 0;
        auto e = std::lower_bound(events.begin(), events.end(), rough[i] - 2 * local,
                                  [](const Event& x, double t) { return x.at < t; });
        for (; e != events.end() && e->at < rough[i] + 2 * local; ++e) {
            const double place = (e->at - rough[i]) / local;
            // Which beat's neighbourhood the event belongs to, by the rough beats themselves.
            const auto after = std::lower_bound(rough.begin(), rough.end(), e->at);
            const auto k = static_cast<std::size_t>(std::max<std::ptrdiff_t>(1, after - rough.begin()));
            const double from = k < rough.size() ? rough[k - 1] : rough.back();
            const double here = k < rough.size() ? rough[k] - rough[k - 1] : local;
            const double quarter = (e->at - from) / here * 4;
            const double off = (quarter - std::round(quarter)) * here / 4;
            const double u = off / 0.03;
            if (std::abs(u) >= 1) continue;
            const double w = e->strength * (1 - u * u) * std::exp(-place * place) * (e->attack ? 1.0 : 0.3);
            sum += w * off;
            weights += w;
            if (std::abs(e->at - rough[i]) < 0.03 && e->attack && e->strength > ownStrength) {
                own = e->at;
                ownStrength = e->strength;
            }
        }
        beats[i] = rough[i] + sum / weights;
        // An attack that agrees with its surroundings is the beat itself, nearly.
        if (ownStrength > 0 && std::abs(own - beats[i]) < 0.018) beats[i] += 0.7 * (own - beats[i]);
    }
    std::sort(beats.begin(), beats.end());
    beats.erase(std::unique(beats.begin(), beats.end(), [](double a, double b) { return b - a < 0.05; }),
                beats.end());
    return beats;
}

std::vector<metre::Pin> pinsThrough(const std::vector<double>& beats, std::size_t downbeat, double tolerance) {
    assert(beats.size() >= 2);
    const auto pin = [&](std::size_t i) {
        return metre::Pin{metre::Seconds(beats[i]), metre::Beats(double(i) - double(downbeat))};
    };
    std::vector<metre::Pin> pins = {pin(0)};
    std::size_t from = 0;
    while (from + 1 < beats.size()) {
        std::size_t to = from + 1;
        for (std::size_t far = from + 2; far < beats.size(); ++far) {
            double worst = 0;
            for (std::size_t i = from + 1; i < far; ++i) {
                const double line =
                    beats[from] + (beats[far] - beats[from]) * double(i - from) / double(far - from);
                worst = std::max(worst, std::abs(line - beats[i]));
            }
            if (worst <= tolerance) to = far;
            if (worst > 8 * tolerance) break;
        }
        pins.push_back(pin(to));
        from = to;
    }
    return pins;
}

} // namespace hear
