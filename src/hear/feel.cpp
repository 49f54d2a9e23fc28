#include "hear/feel.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <numbers>

namespace hear {

namespace {

// Loosenesses that are tried, as standard deviations in seconds.
constexpr std::array<double, 4> tried = {0.003, 0.006, 0.012, 0.020};
// What lies on no place at all: ornaments, slurs, noise.
constexpr double stray = 0.06;
// Of a step, how far from its place a hit may lie and still belong to it.
constexpr double ofTheStep = 0.45;
// Seconds, beside that.
constexpr double farthest = 0.060;
// How much of the strength must lie on the grid, so that there is one.
constexpr double leastShare = 0.6;
// What is looser than this, against the step, is not played on that grid but anywhere.
constexpr double loosestStep = 0.24;

struct Weighted {
    double value = 0;
    double weight = 0;
};

double medianOf(std::vector<Weighted> list) {
    std::sort(list.begin(), list.end(), [](const Weighted& a, const Weighted& b) { return a.value < b.value; });
    double all = 0;
    for (const Weighted& w : list)
        all += w.weight;
    double below = 0;
    for (std::size_t i = 0; i < list.size(); ++i) {
        below += list[i].weight;
        if (below < all / 2) continue;
        // Where the half lies between two, their middle.
        if (below - all / 2 < 1e-9 * all && i + 1 < list.size()) return (list[i].value + list[i + 1].value) / 2;
        return list[i].value;
    }
    return 0;
}

double weightOf(const FeelHit& hit) {
    return std::sqrt(std::max(hit.strength, 0.01));
}

// The logarithm of how likely the hits are on a grid.
double likelihood(const std::vector<FeelHit>& hits, const SwungGrid& grid, double loose) {
    const double parts = entryOf(grid.grid).parts;
    double sum = 0;
    for (const FeelHit& hit : hits) {
        const double spread = loose / hit.perBeat.value; // of a beat
        const double off = (hit.at - grid.placeOf(grid.stepNear(hit.at))).value / spread;
        const double on = std::exp(-0.5 * off * off) / (spread * std::sqrt(2 * std::numbers::pi)) / parts;
        sum += weightOf(hit) * std::log((1 - stray) * on + stray);
    }
    return sum;
}

// The grid that explains them best, swung as far as a per cent tells.
SwungGrid explaining(const std::vector<FeelHit>& hits, std::optional<FeelGrid> only) {
    // Enough of a long recording, all over it.
    constexpr std::size_t most = 600;
    std::vector<FeelHit> some;
    const std::size_t stride = hits.size() / most + 1;
    for (std::size_t i = 0; i < hits.size(); i += stride)
        some.push_back(hits[i]);
    SwungGrid best;
    double highest = -1e300;
    for (const FeelGridEntry& entry : feelGridTable) {
        if (only && *only != entry.grid) continue;
        for (double swing = entry.swings ? 46 : evenSwing; swing <= (entry.swings ? 76 : evenSwing); swing += 1)
            for (const double loose : tried)
                if (const double here = likelihood(some, {entry.grid, swing}, loose); here > highest) {
                    highest = here;
                    best = {entry.grid, swing};
                }
    }
    return best;
}

// A hit and the step it belongs to.
struct Belonging {
    const FeelHit* hit = nullptr;
    std::int64_t step = 0;
    double late = 0; // seconds, from the even or the swung place
};

std::vector<Belonging> onGrid(const std::vector<FeelHit>& hits, const SwungGrid& grid) {
    const double step = 1.0 / entryOf(grid.grid).parts;
    std::vector<Belonging> list;
    for (const FeelHit& hit : hits) {
        const std::int64_t at = grid.stepNear(hit.at);
        const double off = (hit.at - grid.placeOf(at)).value;
        const double late = off * hit.perBeat.value;
        if (std::abs(off) <= ofTheStep * step && std::abs(late) <= farthest) list.push_back({&hit, at, late});
    }
    return list;
}

// The place of the second of a pair, in per cent of the pair, against the first of it. None where one of them is
// not played.
std::optional<double> swingOf(const std::vector<Belonging>& list, const SwungGrid& grid) {
    if (!entryOf(grid.grid).swings) return {};
    const double pair = 2.0 / entryOf(grid.grid).parts; // beats
    std::vector<Weighted> firsts;
    std::vector<Weighted> seconds;
    for (const Belonging& b : list) {
        const std::int64_t in = ((b.step % 2) + 2) % 2;
        const double begins = double(b.step - in) / entryOf(grid.grid).parts;
        (in == 0 ? firsts : seconds).push_back({(b.hit->at.value - begins) / pair, weightOf(*b.hit)});
    }
    if (firsts.empty() || seconds.size() < 2) return {};
    return 100 * (medianOf(std::move(seconds)) - medianOf(std::move(firsts)));
}

// The spread of values around the medians of their places: from the median of their absolute values, then from
// those within three times as much. What medians of few took away from it is given back.
double spreadOf(const std::vector<double>& left, std::size_t places) {
    if (left.size() < 4) return 0;
    std::vector<double> sizes;
    sizes.reserve(left.size());
    for (const double x : left)
        sizes.push_back(std::abs(x));
    const auto middle = sizes.begin() + static_cast<std::ptrdiff_t>(sizes.size() / 2);
    std::nth_element(sizes.begin(), middle, sizes.end());
    const double limit = 3 * std::max(1.4826 * *middle, 0.0005);
    double squares = 0;
    std::size_t count = 0;
    for (const double x : sizes)
        if (x <= limit) {
            squares += x * x;
            ++count;
        }
    const double free = double(count) - std::min(double(places), double(count) / 2);
    return std::sqrt(squares / std::max(1.0, free));
}

} // namespace

std::optional<FeelGrid> feelGridFromWord(const std::string& word) {
    for (const FeelGridEntry& entry : feelGridTable)
        if (word == entry.word) return entry.grid;
    return std::nullopt;
}

Beats SwungGrid::placeOf(std::int64_t step) const {
    const double parts = entryOf(grid).parts;
    const bool second = entryOf(grid).swings && step % 2 != 0;
    return Beats((double(step) + (second ? 2 * swing / 100 - 1 : 0)) / parts);
}

std::int64_t SwungGrid::stepNear(Beats at) const {
    const auto about = static_cast<std::int64_t>(std::floor(at.value * entryOf(grid).parts));
    std::int64_t best = about - 1;
    for (std::int64_t step = about; step <= about + 1; ++step)
        if (std::abs((placeOf(step) - at).value) < std::abs((placeOf(best) - at).value)) best = step;
    return best;
}

int Feel::stepsInBar() const {
    return std::max(1, static_cast<int>(std::lround(metre.bar().value * entryOf(grid).parts)));
}

std::optional<Seconds> Feel::offsetAt(std::int64_t step) const {
    const int bar = stepsInBar();
    const auto place = static_cast<int>(((step % bar) + bar) % bar);
    for (const FeelPlace& p : places)
        if (p.place == place) return p.offset;
    return std::nullopt;
}

base::Result<Feel> feelOf(const std::vector<FeelHit>& hits, metre::Metre metre, std::optional<FeelGrid> only) {
    if (hits.size() < fewestFeelHits)
        return base::problem(
            hits.size() == 1
                ? fmt::format("only 1 hit begins in it, and a feel rests on {} at least", fewestFeelHits)
                : fmt::format("only {} hits begin in it, and a feel rests on {} at least", hits.size(),
                              fewestFeelHits));
    SwungGrid grid = explaining(hits, only);
    if (const auto swing = swingOf(onGrid(hits, grid), grid))
        grid.swing = std::clamp(*swing, leastSwing, mostSwing);
    const std::vector<Belonging> list = onGrid(hits, grid);
    double on = 0;
    double all = 1e-9;
    for (const FeelHit& hit : hits)
        all += hit.strength;
    for (const Belonging& b : list)
        on += b.hit->strength;
    if (list.size() < fewestFeelHits || on < leastShare * all)
        return base::problem(fmt::format("only {} of its {} hits lie on its beats", list.size(), hits.size()));
    Feel feel;
    feel.grid = grid.grid;
    feel.metre = metre;
    feel.swing = swingOf(list, grid);
    feel.hits = static_cast<int>(list.size());
    const int bar = feel.stepsInBar();
    std::vector<std::vector<Weighted>> atPlace(static_cast<std::size_t>(bar));
    for (const Belonging& b : list)
        atPlace[static_cast<std::size_t>(((b.step % bar) + bar) % bar)].push_back({b.late, weightOf(*b.hit)});
    std::vector<double> left;
    std::size_t severalAt = 0;
    double step = 0;
    for (const Belonging& b : list)
        step += b.hit->perBeat.value / entryOf(grid.grid).parts / double(list.size());
    for (std::size_t place = 0; place < atPlace.size(); ++place) {
        if (atPlace[place].empty()) continue;
        const double median = medianOf(atPlace[place]);
        feel.places.push_back({static_cast<int>(place), Seconds(median), static_cast<int>(atPlace[place].size())});
        if (atPlace[place].size() < 2) continue;
        ++severalAt;
        for (const Weighted& w : atPlace[place])
            left.push_back(w.value - median);
    }
    feel.loose = Seconds(spreadOf(left, severalAt));
    if (feel.loose.value > loosestStep * step) return base::problem("its hits lie anywhere between its beats");
    return feel;
}

} // namespace hear
