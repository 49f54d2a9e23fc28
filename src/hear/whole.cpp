#include "hear/whole.h"

#include "hear/accents.h"
#include "hear/track.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace hear {

namespace {

// Seconds: what is shorter is no song, and all of it is looked at together anyway.
constexpr double shortest = 16;

// The stretches, of so many seconds and half of that apart. Eight hold four bars of a middling tempo: enough for a
// grid, and short enough that a tempo which drifts by a per cent still lies on one. In what is short they are
// shorter.
constexpr double stretchOf(double seconds) {
    return seconds < 40 ? 6 : 8;
}
constexpr std::size_t fewestAttacks = 10;

// Of a stretch's strength, how much lies on its own grid where it is clear: of what follows a click all, of attacks
// at random a third, of what drifts three quarters.
constexpr double clearlyLanded = 0.85;

// How far a clear stretch may lie off the common grid, in seconds: hands that follow a click err by less together.
constexpr double together = 0.012;
// And how far its tempo may lie off the common one: eight seconds tell it to a thousandth.
constexpr double sameTempo = 0.0025;
// How much of what is clear must be so.
constexpr double nearlyAll = 0.95;
// Clear stretches that are fewer than so many say nothing of the rest.
constexpr std::size_t fewestClear = 3;

// By how much more of what is clear may land on the tracked beats than on steady ones before it counts as played.
constexpr double playedBetter = 0.15;

// What strong strokes count beside the tracked beats in saying which lines are beats.
constexpr double strokesCount = 0.5;

// What says where bars begin: where harmony changes from one beat to the next counts most, then where sections
// begin, low strokes, and changes of pitch or colour at the beat itself, which bright drums make too. Chosen on 200
// songs of tools/song_set.py, seeds 11 and 12.
constexpr double harmonyCounts = 1;
constexpr double sectionsCount = 0.6;
constexpr double lowCounts = 0.3;
constexpr double turnsCount = 0.3;
// And where something begins after nothing: that may be a pick-up.
constexpr double openingCounts = 0.1;

// Over how many seconds in all a tempo may miss a whole number and still be meant whole.
constexpr double wholeReach = 0.004;

// A stretch that is not clear at the common tempo may be so at another, up to so far away: then the tempo changes.
// By fewer attacks than these, or much weaker ones than elsewhere, any tempo can be read into it.
constexpr std::array<double, 8> otherTempos = {0.88, 0.91, 0.94, 0.97, 1.03, 1.06, 1.09, 1.12};
constexpr double otherReach = 0.018;
constexpr std::size_t fewestOfOther = 14;
constexpr double otherLanded = 0.9;
constexpr double asStrong = 0.5; // as the middle one of those that are clear
// Less than this of a stretch lies on steady beats where these have left it.
constexpr double missed = 0.6;

struct Stretch {
    double from = 0; // seconds
    std::vector<Event> attacks;
    Grid grid;
    double weight = 0; // the strength of its attacks
};

std::vector<Event> attacksIn(const std::vector<Event>& events, double from, double to) {
    std::vector<Event> list;
    auto e =
        std::lower_bound(events.begin(), events.end(), from, [](const Event& x, double t) { return x.at < t; });
    for (; e != events.end() && e->at < to; ++e)
        if (e->attack) list.push_back(*e);
    return list;
}

double strengthOf(const std::vector<Event>& events) {
    double sum = 0;
    for (const Event& e : events)
        sum += e.strength;
    return sum;
}

struct Stretches {
    std::vector<Stretch> clear;
    std::vector<Stretch> others; // that have attacks enough to be
};

Grid gridIn(const Stretch& stretch, double length, Bpm about, double reach) {
    return straightGrid(stretch.attacks, {stretch.from, stretch.from + length, stretch.from + length}, about,
                        reach);
}

Stretches stretchesOf(const std::vector<Event>& events, const Span& span, Bpm about) {
    Stretches list;
    const double length = stretchOf(span.end - span.start);
    for (double from = span.start; from + length / 2 < span.end; from += length / 2) {
        Stretch stretch{from, attacksIn(events, from, from + length), {}, 0};
        if (stretch.attacks.size() < fewestAttacks) continue;
        stretch.grid = gridIn(stretch, length, about, 0.03);
        stretch.weight = strengthOf(stretch.attacks);
        (stretch.grid.landed >= clearlyLanded ? list.clear : list.others).push_back(std::move(stretch));
    }
    return list;
}

// Weighted.
double medianOf(std::vector<std::pair<double, double>> values) {
    std::sort(values.begin(), values.end());
    double all = 0;
    for (const auto& [value, weight] : values)
        all += weight;
    double half = 0;
    for (const auto& [value, weight] : values)
        if ((half += weight) >= all / 2) return value;
    return values.empty() ? 0 : values.back().first;
}

// By how much a stretch's attacks lie beside the lines of a grid, in seconds, the median.
double besideLines(const Stretch& stretch, const Grid& grid) {
    const double line = grid.period / grid.division;
    std::vector<std::pair<double, double>> offs;
    offs.reserve(stretch.attacks.size());
    for (const Event& e : stretch.attacks) {
        const double place = (e.at - grid.phase) / line;
        offs.emplace_back((place - std::round(place)) * line, e.strength);
    }
    return medianOf(std::move(offs));
}

// The strength of those stretches that are clear at another tempo, or that the tracked beats follow and steady ones
// do not.
double strengthElsewhere(const Stretches& all, const std::vector<double>& tracked,
                         const std::vector<double>& steady, const Span& span, Bpm about) {
    std::vector<std::pair<double, double>> weights;
    weights.reserve(all.clear.size());
    for (const Stretch& s : all.clear)
        weights.emplace_back(s.weight, 1.0);
    const double usual = medianOf(std::move(weights));
    const double length = stretchOf(span.end - span.start);
    const auto isElsewhere = [&](const Stretch& s) {
        return std::any_of(otherTempos.begin(), otherTempos.end(), [&](double factor) {
            return gridIn(s, length, Bpm(about.value * factor), otherReach).landed >= otherLanded;
        });
    };
    const auto isFollowed = [&](const Stretch& s) {
        return landing(tracked, s.attacks) >= otherLanded && landing(steady, s.attacks) < missed;
    };
    double sum = 0;
    for (const Stretch& s : all.others)
        if (s.attacks.size() >= fewestOfOther && s.weight >= asStrong * usual && (isElsewhere(s) || isFollowed(s)))
            sum += s.weight;
    return sum;
}

// One grid through all clear stretches: from the strongest on through twice as much of the recording each time, so
// that what is known of the tempo is always enough for the next fit.
Grid commonGrid(const std::vector<Stretch>& clear, const std::vector<Event>& attacks, const Span& span) {
    const Stretch& strongest = *std::max_element(
        clear.begin(), clear.end(), [](const Stretch& a, const Stretch& b) { return a.weight < b.weight; });
    const double middle = strongest.from + stretchOf(span.end - span.start) / 2;
    Grid grid = strongest.grid;
    for (double reach = stretchOf(span.end - span.start);; reach *= 2) {
        const double from = std::max(span.start, middle - reach);
        const double to = std::min(span.end, middle + reach);
        grid = straightGrid(attacksIn(attacks, from, to), {from, to, to}, Bpm(60 / grid.period));
        if (from <= span.start && to >= span.end) return grid;
    }
}

// Which line of a beat a moment is nearest to.
std::size_t slotOf(const Grid& grid, double at) {
    const auto k = static_cast<std::int64_t>(std::llround((at - grid.phase) * grid.division / grid.period));
    return static_cast<std::size_t>(((k % grid.division) + grid.division) % grid.division);
}

// Whether something is struck within two seconds: there the beats that were tracked have something to go by.
bool isNear(const std::vector<Event>& attacks, double at) {
    const auto e =
        std::lower_bound(attacks.begin(), attacks.end(), at - 2, [](const Event& x, double t) { return x.at < t; });
    return e != attacks.end() && e->at < at + 2;
}

// Which of the grid's lines are beats: those on which the tracked beats lie, and the strong low strokes; and by
// what share of their own weight they outweigh the next.
struct Phase {
    double at = 0; // seconds
    double plain = 1;
};
Phase phaseOfBeats(const Grid& grid, const std::vector<Event>& attacks, const std::vector<double>& tracked,
                   const Strength& s) {
    std::array<double, 4> sums{};
    double all = 1e-9;
    const double line = grid.period / grid.division;
    for (const Event& e : attacks) {
        const double place = (e.at - grid.phase) / line;
        const double n = std::round(place);
        if (std::abs(place - n) * line > together) continue;
        const std::size_t slot = slotOf(grid, e.at);
        const double weight = greatestNear(s.low, s.hop, e.at) + 0.5 * greatestNear(s.flux, s.hop, e.at);
        sums[slot] += weight;
        all += weight;
    }
    for (double& sum : sums)
        sum *= strokesCount / all;
    for (const double beat : tracked)
        if (isNear(attacks, beat)) sums[slotOf(grid, beat)] += 1 / double(tracked.size());
    const auto best = std::max_element(sums.begin(), sums.begin() + grid.division) - sums.begin();
    const double most = sums[static_cast<std::size_t>(best)];
    sums[static_cast<std::size_t>(best)] = 0;
    const double next = *std::max_element(sums.begin(), sums.begin() + grid.division);
    return {grid.phase + double(best) * line, most > 0 ? (most - next) / most : 0};
}

// A tempo that is meant whole is whole: it drifts by less than a hit is known to.
Throughout meantWhole(const Throughout& found, const Span& span) {
    Throughout out = found;
    const double whole = 60 / std::round(60 / found.period);
    const double beats = (span.end - span.start) / found.period;
    if (std::abs(whole - found.period) * beats / 2 >= wholeReach) return out;
    const double middle = std::round(((span.start + span.end) / 2 - found.start) / found.period);
    out.start += middle * (found.period - whole);
    out.period = whole;
    return out;
}

std::vector<double> linesOf(const Throughout& beats, const Span& span) {
    std::vector<double> list;
    const double first = beats.start + std::floor((span.start - beats.start) / beats.period) * beats.period;
    for (double at = first; at <= span.end + beats.period; at += beats.period)
        list.push_back(at);
    return list;
}

} // namespace

std::optional<Throughout> steadyThroughout(const std::vector<Event>& events, const std::vector<double>& tracked,
                                           const Strength& s, const Span& span, Bpm tempo) {
    if (span.end - span.start < shortest) return {};
    const Stretches stretches = stretchesOf(events, span, tempo);
    const std::vector<Stretch>& clear = stretches.clear;
    if (clear.size() < fewestClear) return {};
    std::vector<Event> attacks; // of the clear stretches, each once
    double until = 0;
    for (const Stretch& stretch : clear)
        for (const Event& e : stretch.attacks)
            if (e.at >= until) {
                attacks.push_back(e);
                until = e.at + 1e-9;
            }
    const Grid grid = commonGrid(clear, attacks, span);
    const Phase phase = phaseOfBeats(grid, attacks, tracked, s);
    Throughout found{grid.period, phase.at, 0, phase.plain};
    const std::vector<double> steady = linesOf(found, span);
    double on = 0;
    double all = 1e-9 + strengthElsewhere(stretches, tracked, steady, span, tempo);
    for (const Stretch& stretch : clear) {
        all += stretch.weight;
        if (std::abs(besideLines(stretch, grid)) < together &&
            std::abs(stretch.grid.period / grid.period - 1) < sameTempo)
            on += stretch.weight;
    }
    found.share = on / all;
    if (found.share < nearlyAll) return {};
    if (landing(tracked, attacks) > landing(steady, attacks) + playedBetter) return {};
    return meantWhole(found, span);
}

namespace {

// How much more begins in the bar after each beat than in the bar before it, or less, squared: where drums come in
// or rest, a section begins. Before the first beat nothing does.
std::vector<double> sectionsAt(double from, double period, std::size_t beats, int bar,
                               const std::vector<Event>& events) {
    std::vector<double> each(beats, 0.0);
    for (const Event& e : events) {
        const double beat = std::floor((e.at - from + 0.03) / period);
        if (beat >= 0 && beat < double(beats)) each[static_cast<std::size_t>(beat)] += e.strength;
    }
    std::vector<double> out(beats, 0.0);
    const auto n = static_cast<std::size_t>(bar);
    for (std::size_t i = 0; i + n <= beats; ++i) {
        double more = 0;
        for (std::size_t k = 0; k < n; ++k)
            more += each[i + k] - (i > k ? each[i - 1 - k] : 0);
        out[i] = more * more;
    }
    return out;
}

// By how much what sounds in each beat differs in pitch from what sounded in the one before, 0 to 2, without what
// all beats have in common: drums are in all of them.
std::vector<double> harmonyAt(double from, double period, std::size_t beats, const Pitches& pitches) {
    std::vector<Profile> sums(beats, Profile{});
    Profile mean{};
    Profiles::Walk walk(pitches.loudness);
    for (std::size_t h = 0; h < pitches.loudness.size(); ++h) {
        walk.stand(h);
        const Profile& here = walk[h];
        const double beat = (double(h) * pitches.hop - from) / period;
        if (beat < 0 || beat >= double(beats)) continue;
        Profile& sum = sums[static_cast<std::size_t>(beat)];
        for (std::size_t b = 0; b < here.size(); ++b) {
            sum[b] += here[b];
            mean[b] += here[b] / static_cast<float>(beats);
        }
    }
    std::vector<double> out(beats, 0.0);
    for (std::size_t i = 1; i < beats; ++i) {
        double both = 0;
        double first = 1e-9;
        double second = 1e-9;
        for (std::size_t b = 0; b < mean.size(); ++b) {
            const double x = double(sums[i - 1][b]) - double(mean[b]);
            const double y = double(sums[i][b]) - double(mean[b]);
            both += x * y;
            first += x * x;
            second += y * y;
        }
        out[i] = 1 - both / std::sqrt(first * second);
    }
    return out;
}

// The mean of every so many values from one on, over the mean of all.
double accentOf(const std::vector<double>& values, int bar, int offset) {
    double on = 0;
    double all = 1e-9;
    int count = 0;
    for (std::size_t i = 0; i < values.size(); ++i) {
        all += values[i] / double(values.size());
        if (static_cast<int>(i % static_cast<std::size_t>(bar)) != offset) continue;
        on += values[i];
        ++count;
    }
    return count > 0 ? on / count / all : 0;
}

} // namespace

double firstBarLine(const Throughout& beats, int beatsInBar, const std::vector<Event>& events, const Curves& c) {
    const Strength& s = c.strength;
    const double first = events.empty() ? beats.start : events.front().at;
    const double last = events.empty() ? beats.start : events.back().at;
    // The beat at or before the first sound.
    const double from = beats.start + std::floor((first - beats.start + 0.03) / beats.period) * beats.period;
    std::vector<double> low;
    std::vector<double> turn;
    for (double at = from; at <= last + 0.03; at += beats.period) {
        low.push_back(greatestNear(s.low, s.hop, at));
        turn.push_back(std::max(greatestNear(s.change, s.hop, at), greatestNear(s.turn, s.hop, at)));
    }
    const std::vector<double> opening = sectionsAt(from, beats.period, low.size(), beatsInBar, events);
    std::vector<double> sections = opening;
    std::fill_n(sections.begin(), std::min<std::size_t>(sections.size(), std::size_t(beatsInBar)), 0.0);
    const std::vector<double> harmony = harmonyAt(from, beats.period, low.size(), c.pitches);
    int best = 0;
    double most = -1;
    for (int offset = 0; offset < beatsInBar; ++offset) {
        const auto accent = [&](const std::vector<double>& values) { return accentOf(values, beatsInBar, offset); };
        const double score = harmonyCounts * accent(harmony) + lowCounts * accent(low) + turnsCount * accent(turn) +
                             sectionsCount * accent(sections) + openingCounts * accent(opening);
        if (score > most) {
            most = score;
            best = offset;
        }
    }
    double line = from + best * beats.period;
    if (best > 0 && line - beatsInBar * beats.period >= -0.02) line -= beatsInBar * beats.period;
    return line;
}

std::optional<double> comesIn(double start, double period, int beatsInBar, const std::vector<Event>& events) {
    constexpr double asMuch = 0.5;    // of what begins in a full bar
    constexpr double full = 0.75;     // of the bars, in order of that, where a full one stands
    constexpr std::size_t fewest = 8; // bars
    const double bar = period * beatsInBar;
    std::vector<double> each;
    for (const Event& e : events) {
        const double in = std::floor((e.at - start + 0.03) / bar);
        if (in < 0) continue;
        const auto i = static_cast<std::size_t>(in);
        if (i >= each.size()) each.resize(i + 1, 0.0);
        if (e.attack) each[i] += e.strength;
    }
    if (each.size() < fewest) return {};
    std::vector<double> sorted = each;
    const auto there = sorted.begin() + static_cast<std::ptrdiff_t>(full * double(sorted.size()));
    std::nth_element(sorted.begin(), there, sorted.end());
    const auto first = std::find_if(each.begin(), each.end(), [&](double x) { return x >= asMuch * *there; });
    const auto bars = first - each.begin();
    if (bars == 0 || first == each.end() || *there <= 0) return {};
    return start + double(bars) * bar;
}

} // namespace hear
