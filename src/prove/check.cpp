#include "prove/check.h"

#include "prove/own_place.h"

#include <algorithm>
#include <cmath>

namespace prove {

namespace {

using metre::Beats;

// How well onsets fall on a grid that begins at `first`: on beats best, on parts of them half as well.
double fitOf(const Measured& m, double perBeat, double first) {
    constexpr double narrow = 0.010; // seconds
    double sum = 0;
    for (const Attack& a : m.attacks) {
        const double beats = (double(a.at.value) / m.rate - first) / perBeat;
        const double fromBeat = (beats - std::round(beats)) * perBeat / narrow;
        const double fromPart = (beats - nearestPart(Beats(beats)).value) * perBeat / narrow;
        sum += a.strength * (std::exp(-fromBeat * fromBeat) + 0.5 * std::exp(-fromPart * fromPart));
    }
    return sum;
}

double firstOf(const Measured& m, double perBeat) {
    std::vector<double> fits;
    for (double first = 0; first < perBeat; first += 0.001)
        fits.push_back(fitOf(m, perBeat, first));
    // Where the half beats are played as strongly, the earlier.
    const double enough = 0.97 * *std::max_element(fits.begin(), fits.end());
    auto fit = std::find_if(fits.begin(), fits.end(), [&](double f) { return f >= enough; });
    while (fit + 1 != fits.end() && *(fit + 1) > *fit)
        ++fit;
    double best = 0.001 * double(fit - fits.begin());
    std::vector<double> off;
    for (const Attack& a : m.attacks) {
        const double beats = (double(a.at.value) / m.rate - best) / perBeat;
        if (const double far = (beats - std::round(beats)) * perBeat; std::abs(far) < 0.02) off.push_back(far);
    }
    if (!off.empty()) {
        const auto middle = off.begin() + static_cast<std::ptrdiff_t>(off.size() / 2);
        std::nth_element(off.begin(), middle, off.end());
        best += *middle;
    }
    // The end of one beat is the beginning of the next.
    if (best > perBeat - 0.005) best -= perBeat;
    return best;
}

// Each clear onset of the recording that is found again near where an even change of length puts it.
void compare(Checked& out, const Measured& m, const Measured& original, double perBeat) {
    constexpr double reach = 0.040; // seconds
    const double ratio = double(m.frames.value) / double(std::max<std::int64_t>(1, original.frames.value));
    for (const Attack& attack : original.attacks) {
        if (!attack.isClear) continue;
        const double there = double(attack.at.value) * ratio; // frames of what came out
        const auto after = std::lower_bound(m.attacks.begin(), m.attacks.end(), there,
                                            [](const Attack& a, double f) { return double(a.at.value) < f; });
        std::optional<double> nearest;
        for (auto a = after == m.attacks.begin() ? after : after - 1; a != m.attacks.end() && a <= after; ++a)
            if (const double off = double(a->at.value) - there; !nearest || std::abs(off) < std::abs(*nearest))
                nearest = off;
        if (!nearest || std::abs(*nearest) > reach * m.rate) continue;
        const Seconds at(there / m.rate);
        const Beats beats((at - out.first).value / perBeat);
        out.placed.push_back({at, Seconds(*nearest / m.rate)});
        out.played.push_back({at, Seconds((beats - nearestPart(beats)).value * perBeat)});
    }
}

} // namespace

Landing Checked::landing(Seconds tolerance) const {
    const Landing placing = placingOf(placed, placedSums, tolerance);
    if (!placed.empty() && placing != Landing::InTime) return placing;
    return landingOf(deviations, sums, tolerance);
}

Checked check(const Measured& m, metre::Bpm bpm, metre::Metre metre, std::optional<Seconds> first,
              const Measured* original) {
    const double perBeat = 60 / bpm.value;
    Checked out;
    out.onsets = m.attacks.size();
    out.first = first ? *first : Seconds(m.attacks.empty() ? 0 : firstOf(m, perBeat));
    for (const Attack& a : m.attacks) {
        if (!a.isClear) continue;
        const Seconds at = metre::toSeconds(a.at, m.rate);
        const Beats beats((at - out.first).value / perBeat);
        out.deviations.push_back({at, Seconds((beats - nearestPart(beats)).value * perBeat)});
    }
    // Bars from the first beat on; less than one counts as one.
    const double bar = perBeat * metre.bar().value;
    const double length = double(m.frames.value) / m.rate;
    const double bars = std::max(1.0, std::round((length - out.first.value) / bar));
    out.sums = summed(out.deviations, out.first, out.first + Seconds(bars * bar));
    if (original != nullptr)
        compare(out, m, *original, perBeat);
    else
        out.played = out.deviations;
    out.placedSums = summed(out.placed, out.first, out.first + Seconds(bars * bar));
    out.playedSums = summed(out.played, out.first, out.first + Seconds(bars * bar));
    const double beats = std::max(1.0, std::round(length / perBeat));
    out.lengthError = m.frames - Frames(std::llround(beats * perBeat * m.rate));
    return out;
}

} // namespace prove
