#include "prove/own_place.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <optional>

namespace prove {

namespace {

constexpr double onBeat = 1.0 / 12;
constexpr double together = 1.0 / 30; // of a beat, either way
constexpr std::size_t enough = 3;

double phaseOf(Beats b) {
    return b.value - std::floor(b.value);
}

// Places within the beat at which sounds keep falling, found from the most crowded on.
// `late`: by how much those on beats are late; the places are what they would be if they were not.
std::vector<double> keptPlaces(std::vector<double> phases, double late, double near) {
    std::sort(phases.begin(), phases.end());
    std::vector<double> places;
    while (phases.size() >= enough) {
        std::size_t bestFrom = 0;
        std::size_t bestCount = 0;
        for (std::size_t from = 0, to = 0; from < phases.size(); ++from) {
            while (to < phases.size() && phases[to] - phases[from] <= 2 * together)
                ++to;
            if (to - from > bestCount) {
                bestCount = to - from;
                bestFrom = from;
            }
        }
        if (bestCount < enough) break;
        const double centre = phases[bestFrom + bestCount / 2];
        const double part = nearestPart(Beats(centre - late)).value;
        places.push_back(std::abs(part - (centre - late)) <= near ? part : centre - late);
        const auto from = phases.begin() + static_cast<std::ptrdiff_t>(bestFrom);
        const auto gone =
            std::remove_if(from, from + static_cast<std::ptrdiff_t>(bestCount), [](double) { return true; });
        phases.erase(gone, from + static_cast<std::ptrdiff_t>(bestCount));
        // Stragglers beside it belong to it.
        std::erase_if(phases, [&](double phase) { return std::abs(phase - centre) <= 1.5 * together; });
    }
    return places;
}

} // namespace

Beats nearestPart(Beats b) {
    static constexpr std::array<double, 7> parts{0, 1.0 / 4, 1.0 / 3, 1.0 / 2, 2.0 / 3, 3.0 / 4, 1};
    const double whole = std::floor(b.value);
    const double phase = b.value - whole;
    const auto nearest = std::min_element(
        parts.begin(), parts.end(), [&](double x, double y) { return std::abs(x - phase) < std::abs(y - phase); });
    return Beats(whole + *nearest);
}

std::vector<Beats> ownPlaces(const std::vector<Struck>& sounds, Beats near) {
    std::vector<Beats> places;
    std::vector<bool> settled(sounds.size(), false);
    places.reserve(sounds.size());
    for (const Struck& s : sounds)
        places.push_back(s.at);
    // On each beat the strongest near it.
    for (std::size_t i = 0; i < sounds.size();) {
        const double beat = std::round(sounds[i].at.value);
        std::optional<std::size_t> best;
        std::size_t k = i;
        for (; k < sounds.size() && std::round(sounds[k].at.value) == beat; ++k)
            if (std::abs(sounds[k].at.value - beat) <= onBeat &&
                (!best || sounds[k].strength > sounds[*best].strength))
                best = k;
        if (best) {
            places[*best] = Beats(beat);
            settled[*best] = true;
        }
        i = k;
    }
    std::vector<double> phases;
    for (std::size_t i = 0; i < sounds.size(); ++i)
        if (!settled[i] && std::abs(sounds[i].at.value - std::round(sounds[i].at.value)) > onBeat / 2)
            phases.push_back(phaseOf(sounds[i].at));
    std::vector<double> late;
    for (std::size_t i = 0; i < sounds.size(); ++i)
        if (settled[i]) late.push_back((sounds[i].at - places[i]).value);
    const auto middle = late.begin() + static_cast<std::ptrdiff_t>(late.size() / 2);
    std::nth_element(late.begin(), middle, late.end());
    const double lateness = late.empty() ? 0 : *middle;
    const std::vector<double> kept =
        keptPlaces(std::move(phases), lateness, late.empty() ? near.value : near.value / 4);
    for (std::size_t i = 0; i < sounds.size(); ++i) {
        if (settled[i]) continue;
        const double phase = phaseOf(sounds[i].at - Beats(lateness));
        const double whole = std::floor(sounds[i].at.value - lateness);
        std::optional<double> own;
        for (const double place : kept)
            if (std::abs(place - phase) <= 1.5 * together &&
                (!own || std::abs(place - phase) < std::abs(*own - phase)))
                own = place;
        if (own)
            places[i] = Beats(whole + *own);
        else if (const Beats part = nearestPart(sounds[i].at);
                 std::abs((part - sounds[i].at).value) <= near.value && part.value != std::round(part.value))
            places[i] = part;
    }
    return places;
}

} // namespace prove
