#include "hear/reading.h"

#include "metre/tempo.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <utility>

namespace hear {

namespace {

constexpr std::array<std::pair<Witness, std::pair<const char*, const char*>>, 6> witnessWords = {{
    {Witness::Name, {"Name", "name"}},
    {Witness::Tag, {"Tag", "tag"}},
    {Witness::Heard, {"Heard", "heard"}},
    {Witness::Length, {"Length", "length"}},
    {Witness::Tapped, {"Tapped", "tapped"}},
    {Witness::Typed, {"Typed", "typed"}},
}};

} // namespace

const char* witnessLabel(Witness w) {
    return witnessWords[static_cast<std::size_t>(w)].second.first;
}
const char* witnessWord(Witness w) {
    return witnessWords[static_cast<std::size_t>(w)].second.second;
}

std::optional<Witness> witnessFromWord(const std::string& word) {
    for (const auto& [witness, texts] : witnessWords)
        if (word == texts.second) return witness;
    return std::nullopt;
}

namespace {

bool says(const Reading& r) {
    return r.bpm.has_value();
}

enum class Kinship { None, Octave, Same };

// Measured tempos of free playing are means: others may differ more and still mean the same.
Kinship kinship(const Reading& a, const Reading& b) {
    const double near = a.steady && b.steady ? 0.004 : 0.04;
    const double ratio = a.bpm->value / b.bpm->value;
    if (std::abs(ratio - 1) < near) return Kinship::Same;
    for (const double k : {0.5, 2.0})
        if (std::abs(ratio / k - 1) < near) return Kinship::Octave;
    return Kinship::None;
}

// Whether one tempo counts beats that go with those of the other: dotted, in threes, half or double. What is
// written is then right about the music, and hearing counted otherwise.
bool goTogether(const Reading& a, const Reading& b) {
    constexpr std::array<double, 10> musical{0.5, 2.0, 2.0 / 3, 1.5, 0.75, 4.0 / 3, 1.0 / 3, 3.0, 0.25, 4.0};
    const double ratio = a.bpm->value / b.bpm->value;
    return std::any_of(musical.begin(), musical.end(), [&](double k) { return std::abs(ratio / k - 1) < 0.004; });
}

bool isMeant(Witness w) {
    return w == Witness::Name || w == Witness::Tag;
}

std::string lower(Witness w) {
    return witnessWord(w);
}

} // namespace

Ranking ranked(const std::vector<Reading>& readings) {
    Ranking out;
    const Reading* best = nullptr;
    double most = -1;
    for (const Reading& r : readings) {
        if (!says(r)) continue;
        double trust = r.sureness;
        if (r.by == Witness::Typed || r.by == Witness::Tapped) trust += 10;
        for (const Reading& o : readings) {
            if (&o == &r || !says(o)) continue;
            // Length follows what was heard and is no second witness to it.
            if ((r.by == Witness::Length && o.by == Witness::Heard) ||
                (r.by == Witness::Heard && o.by == Witness::Length))
                continue;
            const Kinship k = kinship(r, o);
            trust += o.sureness * (k == Kinship::Same ? 0.5 : k == Kinship::Octave ? 0.1 : 0.0);
        }
        if (trust > most) {
            most = trust;
            best = &r;
        }
    }
    if (best == nullptr) return out;
    // Of those that agree with it, the number that was meant; free playing is more than a number.
    for (const Reading& r : readings)
        if (says(r) && isMeant(r.by) && !isMeant(best->by) && best->by != Witness::Typed &&
            best->by != Witness::Tapped && best->steady && kinship(r, *best) == Kinship::Same) {
            best = &r;
            break;
        }
    // What is only measured does not overrule a number that goes with it.
    if (best->steady && (best->by == Witness::Heard || best->by == Witness::Length))
        for (const Reading& r : readings)
            if (says(r) && isMeant(r.by) && goTogether(r, *best)) {
                best = &r;
                break;
            }
    out.best = best->by;
    double doubt = 1 - best->sureness;
    std::string agreeing;
    for (const Reading& r : readings) {
        if (&r == best || !says(r)) continue;
        if (kinship(r, *best) == Kinship::Same) {
            agreeing += (agreeing.empty() ? "" : ", ") + lower(r.by);
            doubt *= 1 - 0.8 * r.sureness;
        } else {
            if (out.disagree.empty())
                out.disagree = fmt::format("{} says {}", lower(best->by), metre::tempoLabel(*best->bpm));
            out.disagree += ", " + lower(r.by) + " " + metre::tempoLabel(*r.bpm);
            doubt = 1 - (1 - doubt) * (1 - 0.4 * r.sureness);
        }
    }
    out.sureness = 1 - doubt;
    out.why = agreeing.empty() ? fmt::format("{} only", lower(best->by))
                               : fmt::format("{} agrees with {}", lower(best->by), agreeing);
    if (best->by == Witness::Typed || best->by == Witness::Tapped) {
        out.why = "you said so";
        out.sureness = 1;
    }
    return out;
}

const Reading* mostTrusted(const std::vector<Reading>& readings) {
    const auto best = ranked(readings).best;
    for (const Reading& r : readings)
        if (best == r.by) return &r;
    return nullptr;
}

double beatSureness(const Reading& heard) {
    if (!heard.bpm) return 0;
    if (heard.others.empty()) return heard.sureness;
    double agreeing = 0;
    for (const Candidate& c : heard.others)
        for (const double k : {1.0, 2.0, 0.5})
            if (std::abs(c.bpm.value / (heard.bpm->value * k) - 1) < 0.06) {
                agreeing += c.weight;
                break;
            }
    return std::min(1.0, agreeing);
}

bool isMaybe(const std::vector<Reading>& readings, std::optional<Witness> chosen) {
    if (chosen != Witness::Heard && chosen != Witness::Length) return false;
    for (const Reading& r : readings)
        if (r.by == Witness::Heard) return beatSureness(r) < sureLine;
    return true;
}

std::optional<Bpm> roundedTempo(Bpm bpm) {
    const Bpm whole(std::round(bpm.value));
    const double off = std::abs(whole.value - bpm.value);
    if (off < 1e-9 || off > 0.2 || !metre::isTempo(whole)) return std::nullopt;
    return whole;
}

} // namespace hear
