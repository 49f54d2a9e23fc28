#include "project/edit_pins.h"

#include "metre/tempo.h"
#include "metre/time_map.h"
#include "project/changed.h"
#include "project/settle.h"
#include "project/timing.h"
#include "project/with_source.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <iterator>

namespace project {

namespace {

using Pins = std::vector<SourcePin>;

constexpr double aHair = 1e-6; // of a beat

bool isAt(const SourcePin& pin, Beats beat) {
    return std::abs((pin.beat - beat).value) < aHair;
}

Pins::iterator pinAt(Pins& pins, Beats beat) {
    return std::find_if(pins.begin(), pins.end(), [&](const SourcePin& p) { return isAt(p, beat); });
}

std::vector<Beats> inOrder(std::vector<Beats> beats) {
    std::sort(beats.begin(), beats.end());
    return beats;
}

// REQUIRES beats in order.
bool isAmong(const std::vector<Beats>& beats, const SourcePin& pin) {
    const auto at = std::lower_bound(beats.begin(), beats.end(), pin.beat - Beats(aHair));
    return at != beats.end() && isAt(pin, *at);
}

base::Problem noSuchPin() {
    return {"There is no pin on that beat."};
}

base::Problem isLocked(const SourcePin& pin) {
    return {fmt::format("The pin on beat {:g} is locked; unlock it to move it.", pin.beat.value + 1)};
}

// Two stretches of beats beside a pin are at tempos that can be played; and where clips follow the project, at
// ratios that can be stretched.
Result<void> canBeFitted(const Project& p, const Source& s) {
    const std::vector<metre::Pin>& pins = s.beats->pins();
    for (std::size_t i = 0; i + 1 < pins.size(); ++i) {
        const Beats from = pins[i].beat;
        const Bpm bpm = s.beats->tempoAt(from);
        if (!metre::isTempo(bpm))
            return base::problem(
                fmt::format("Between its beats {:g} and {:g} {} would run at {:.1f} BPM; tempos lie "
                            "between {:.0f} and {:.0f}.",
                            from.value + 1, pins[i + 1].beat.value + 1, s.name, bpm.value,
                            metre::slowestTempo.value, metre::fastestTempo.value));
    }
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips) {
            if (c.source != s.id || !rulingOf(p, *t, c, &s).follows) continue;
            const double counts = c.countsAs ? c.countsAs->value / s.beats->meanTempo().value : 1;
            for (std::size_t i = 0; i + 1 < pins.size(); ++i) {
                const double ratio = s.beats->tempoAt(pins[i].beat).value * counts /
                                     p.tempo.tempoAt(c.at + pins[i].beat * counts).value;
                if (ratio <= metre::TimeMap::largestRatio && ratio >= metre::TimeMap::smallestRatio) continue;
                return base::problem(
                    fmt::format("Between its beats {:g} and {:g} {} would be stretched to {:.0f} %; "
                                "it goes from 25 to 400.",
                                pins[i].beat.value + 1, pins[i + 1].beat.value + 1, s.name, ratio * 100));
            }
        }
    return {};
}

// The source with its pins changed.
template <class Change>
Result<Project> withPins(const Project& p, SourceId id, const Change& change) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    if (!s->beats) return base::problem(fmt::format("{} has no beats to pin; say its tempo first.", s->name));
    Pins pins = pinsOf(*s);
    if (Result<void> done = change(pins, *s); !done) return tl::unexpected(done.error());
    Source changed = *s;
    if (auto set = setPins(changed, std::move(pins)); !set)
        return base::problem("Pins cannot cross: each lies after the one before, in the recording and in beats.");
    if (auto fits = canBeFitted(p, changed); !fits) return tl::unexpected(fits.error());
    // A loop's end that no longer lies within the recording is none.
    if (changed.loopBeats && changed.beats->secondsAt(*changed.loopBeats) > s->length() + Seconds(0.05))
        changed.loopBeats.reset();
    return withBeatsOf(p, changed);
}

void put(Pins& pins, SourcePin pin) {
    const auto after =
        std::find_if(pins.begin(), pins.end(), [&](const SourcePin& o) { return o.beat > pin.beat; });
    pins.insert(after, std::move(pin));
}

// Makes room for a pin by hand: heard ones give way to what is said.
void giveWay(Pins& pins, const SourcePin& pin, bool steady) {
    if (steady) {
        const auto others =
            std::count_if(pins.begin(), pins.end(), [](const SourcePin& o) { return !o.isPlain(); });
        // Two by hand are the line; of one, the first downbeat is the other.
        std::erase_if(pins, [&](const SourcePin& o) { return o.isPlain() && (others > 0 || o.beat != Beats(0)); });
        return;
    }
    constexpr Beats near(0.5);
    std::erase_if(pins, [&](const SourcePin& o) {
        const bool crosses = (o.at <= pin.at) != (o.beat <= pin.beat) || o.at == pin.at;
        const bool isNear = std::abs((o.beat - pin.beat).value) < near.value;
        return o.isPlain() && (crosses || isNear);
    });
}

// One pin alone says no tempo: it goes on at what it was.
void keepTempo(Pins& pins, Bpm bpm) {
    if (pins.size() == 1) pins.push_back({pins.front().at + Seconds(60 / bpm.value), pins.front().beat + Beats(1)});
}

Result<void> isWithin(const Source& s, Seconds at) {
    if (std::isfinite(at.value) && at >= Seconds(0) && at <= s.length()) return {};
    return base::problem(fmt::format("A pin lies within the recording's {:.3f} s.", s.length().value));
}

// Removes plain and set pins alike where `gone` says so, but for locked ones.
template <class Gone>
void take(Pins& pins, const Gone& gone) {
    std::erase_if(pins, [&](const SourcePin& o) { return !o.locked && gone(o); });
}

} // namespace

Result<Project> putPin(const Project& p, SourceId id, Seconds at, Beats beat) {
    return withPins(p, id, [&](Pins& pins, const Source& s) -> Result<void> {
        if (auto in = isWithin(s, at); !in) return in;
        const bool steady = isSteady(s);
        SourcePin pin{at, beat, true};
        if (const auto there = pinAt(pins, beat); there != pins.end()) {
            if (there->locked) return tl::unexpected(isLocked(*there));
            pin.name = there->name;
            pins.erase(there);
        }
        giveWay(pins, pin, steady);
        put(pins, std::move(pin));
        keepTempo(pins, s.beats->meanTempo());
        return {};
    });
}

Result<Project> pinHit(const Project& p, SourceId id, Seconds at, Beats beat) {
    return withPins(p, id, [&](Pins& pins, const Source& s) -> Result<void> {
        if (auto in = isWithin(s, at); !in) return in;
        const Beats was = s.beats->beatAt(at);
        constexpr double same = 1e-6;
        const auto isHit = [&](const SourcePin& o) { return std::abs((o.at - at).value) < same; };
        for (const SourcePin& pin : pins)
            if (isHit(pin) && pin.locked) return tl::unexpected(isLocked(pin));
        take(pins, isHit);
        for (double whole = std::floor(was.value); whole <= std::floor(was.value) + 1; ++whole) {
            const Seconds there = s.beats->secondsAt(Beats(whole));
            const bool isTaken = pinAt(pins, Beats(whole)) != pins.end() || std::abs((there - at).value) < same;
            if (!isTaken && isWithin(s, there)) put(pins, {there, Beats(whole), true});
        }
        put(pins, {at, beat, true});
        return {};
    });
}

Result<Project> movePins(const Project& p, SourceId id, const std::vector<Beats>& which, Seconds by) {
    const std::vector<Beats> beats = inOrder(which);
    return withPins(p, id, [&](Pins& pins, const Source& s) -> Result<void> {
        std::vector<SourcePin> moved;
        for (const SourcePin& pin : pins)
            if (isAmong(beats, pin)) moved.push_back(pin);
        if (moved.empty()) return tl::unexpected(noSuchPin());
        const bool steady = isSteady(s);
        std::erase_if(pins, [&](const SourcePin& o) { return isAmong(beats, o); });
        for (SourcePin& pin : moved) {
            if (pin.locked) return tl::unexpected(isLocked(pin));
            pin.at += by;
            pin.byHand = true;
            if (auto in = isWithin(s, pin.at); !in) return in;
        }
        for (const SourcePin& pin : moved)
            giveWay(pins, pin, steady);
        pins.insert(pins.end(), std::make_move_iterator(moved.begin()), std::make_move_iterator(moved.end()));
        std::sort(pins.begin(), pins.end(), [](const SourcePin& a, const SourcePin& b) { return a.beat < b.beat; });
        keepTempo(pins, s.beats->meanTempo());
        return {};
    });
}

Result<Project> setPinBeat(const Project& p, SourceId id, Beats beat, Beats to) {
    return withPins(p, id, [&](Pins& pins, const Source& s) -> Result<void> {
        const auto there = pinAt(pins, beat);
        if (there == pins.end()) return tl::unexpected(noSuchPin());
        if (there->locked) return tl::unexpected(isLocked(*there));
        SourcePin pin = *there;
        pins.erase(there);
        if (const auto other = pinAt(pins, to); other != pins.end() && !other->isPlain())
            return base::problem(fmt::format("There is a pin on beat {:g} already.", to.value + 1));
        pin.beat = to;
        pin.byHand = true;
        giveWay(pins, pin, isSteady(s));
        put(pins, std::move(pin));
        keepTempo(pins, s.beats->meanTempo());
        return {};
    });
}

Result<Project> removePins(const Project& p, SourceId id, const std::vector<Beats>& which) {
    const std::vector<Beats> beats = inOrder(which);
    return withPins(p, id, [&](Pins& pins, const Source& s) -> Result<void> {
        for (const SourcePin& pin : pins)
            if (isAmong(beats, pin) && pin.locked) return tl::unexpected(isLocked(pin));
        const SourcePin first = pins.front();
        if (std::erase_if(pins, [&](const SourcePin& o) { return isAmong(beats, o); }) == 0)
            return tl::unexpected(noSuchPin());
        if (pins.empty()) pins.push_back({first.at, first.beat});
        keepTempo(pins, s.beats->meanTempo());
        return {};
    });
}

Result<Project> lockPins(const Project& p, SourceId id, const std::vector<Beats>& which, bool on) {
    const std::vector<Beats> beats = inOrder(which);
    return withPins(p, id, [&](Pins& pins, const Source&) -> Result<void> {
        bool any = false;
        for (SourcePin& pin : pins)
            if (isAmong(beats, pin)) {
                pin.locked = on;
                any = true;
            }
        if (!any) return tl::unexpected(noSuchPin());
        return {};
    });
}

Result<Project> namePin(const Project& p, SourceId id, Beats beat, const std::string& name) {
    if (name.size() > longestName) return base::problem("That name is too long.");
    return withPins(p, id, [&](Pins& pins, const Source&) -> Result<void> {
        const auto there = pinAt(pins, beat);
        if (there == pins.end()) return tl::unexpected(noSuchPin());
        there->name = name;
        return {};
    });
}

Result<Project> straightBetween(const Project& p, SourceId id, const std::vector<Beats>& beats) {
    if (beats.size() < 2) return base::problem("Pick two pins or more: what lies between them is laid straight.");
    const auto [from, to] = std::minmax_element(beats.begin(), beats.end());
    return withPins(p, id, [&, from = *from, to = *to](Pins& pins, const Source&) -> Result<void> {
        take(pins, [&](const SourcePin& o) { return o.beat > from + Beats(aHair) && o.beat < to - Beats(aHair); });
        return {};
    });
}

Result<Project> straightToEnd(const Project& p, SourceId id, Beats beat) {
    const SourcePtr s = sourceOf(p, id);
    if (!s || !s->beats) return tl::unexpected(noSuchPin());
    const Beats last = pinsOf(*s).back().beat;
    if (last <= beat) return base::problem("That is the last pin; there is nothing after it to lay straight.");
    return straightBetween(p, id, {beat, last});
}

Result<Project> straightFrom(const Project& p, SourceId id, Beats beat) {
    return withPins(p, id, [&](Pins& pins, const Source& s) -> Result<void> {
        const auto there = pinAt(pins, beat);
        if (there == pins.end()) return tl::unexpected(noSuchPin());
        there->byHand = true;
        take(pins, [&](const SourcePin& o) { return !isAt(o, beat); });
        const hear::Reading* reading = s.chosen ? readingBy(s, *s.chosen) : nullptr;
        keepTempo(pins, reading != nullptr && reading->bpm ? *reading->bpm : s.beats->meanTempo());
        return {};
    });
}

Result<Project> forgetPins(const Project& p, SourceId id) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    const hear::Reading* reading = s->chosen ? readingBy(*s, *s->chosen) : nullptr;
    if (reading == nullptr || !reading->bpm)
        return base::problem(fmt::format("{} has no reading in use to go back to.", s->name));
    Source changed = *s;
    std::erase_if(changed.notes, [](const PinNote& n) { return !n.locked; });
    useReading(changed, *reading);
    return withBeatsOf(p, changed);
}

Result<Project> setBeatsByEar(const Project& p, SourceId id, const metre::BeatMap& map) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    for (const SourcePin& pin : pinsOf(*s))
        if (pin.locked) return tl::unexpected(isLocked(pin));
    Source changed = *s;
    changed.beats = map;
    std::erase_if(changed.notes, [&](const PinNote& n) { return !hasPinAt(map, n.beat); });
    hear::Reading reading;
    reading.by = hear::Witness::Typed;
    reading.bpm = map.meanTempo();
    reading.sureness = 1;
    reading.evidence = "by ear";
    reading.pins = map.pins();
    reading.steady = map.pins().size() <= 2;
    putReading(changed, std::move(reading));
    changed.chosen = hear::Witness::Typed;
    if (changed.loopBeats && map.secondsAt(*changed.loopBeats) > s->length() + Seconds(0.05))
        changed.loopBeats.reset();
    if (auto fits = canBeFitted(p, changed); !fits) return tl::unexpected(fits.error());
    return withBeatsOf(p, changed);
}

namespace {

template <class Change>
Result<Project> withOne(const Project& p, SourceId id, const Change& change) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    Source changed = *s;
    change(changed);
    return withSource(p, changed);
}

} // namespace

Result<Project> setStraightness(const Project& p, SourceId id, Straightness straight) {
    if (auto in = within(straight.percent, 0, 100, "How strictly a recording follows", "%"); !in)
        return tl::unexpected(in.error());
    return withOne(p, id, [&](Source& s) { s.straight = straight; });
}

Result<Project> setOnsetSensitivity(const Project& p, SourceId id, double sensitivity) {
    if (auto in = within(sensitivity, 0, 1, "A sensitivity", ""); !in) return tl::unexpected(in.error());
    return withOne(p, id, [&](Source& s) { s.sensitivity = sensitivity; });
}

Result<Project> setSourceMetre(const Project& p, SourceId id, metre::Metre metre) {
    const bool quarters = metre.unit == 4 && metre.beats >= 2 && metre.beats <= 12;
    const bool eighths =
        metre.unit == 8 && (metre.beats == 6 || metre.beats == 7 || metre.beats == 9 || metre.beats == 12);
    if (!quarters && !eighths)
        return base::problem("A bar of a recording has 2 to 12 beats, or is one of 6/8, 7/8, 9/8 and 12/8.");
    return withOne(p, id, [&](Source& s) {
        s.beatsInBar = metre.beats;
        s.beatUnit = metre.unit;
    });
}

namespace {

Result<Project> withBeatsShifted(const Project& p, SourceId id, Beats by) {
    return withPins(p, id, [&](Pins& pins, const Source& s) -> Result<void> {
        const Seconds zero = s.beats->secondsAt(by);
        if (zero < Seconds(-1e-9) || zero >= s.length())
            return base::problem(
                fmt::format("The first downbeat of {} must lie within its {:.3f} s.", s.name, s.length().value));
        for (SourcePin& pin : pins)
            pin.beat -= by;
        // Where it lies was said by hand, and listening again leaves it there; of a line it is a pin.
        if (const auto there = pinAt(pins, Beats(0)); there != pins.end()) {
            there->byHand = true;
        } else if (isSteady(s)) {
            std::erase_if(pins, [](const SourcePin& o) { return o.isPlain(); });
            put(pins, {zero, Beats(0), true});
            keepTempo(pins, s.beats->meanTempo());
        }
        return {};
    });
}

} // namespace

Result<Project> shiftDownbeat(const Project& p, SourceId id, int beats) {
    const SourcePtr s = sourceOf(p, id);
    auto shifted = withBeatsShifted(p, id, Beats(beats));
    if (!shifted || !s->loopBeats) return shifted;
    // The loop ends where it ended, so that going back gives back all of its beats.
    const Beats left = *s->loopBeats - Beats(beats);
    Source changed = *sourceOf(*shifted, id);
    changed.loopBeats = left >= Beats(1) ? std::optional(left) : std::nullopt;
    return withBeatsOf(*shifted, changed);
}

Result<Project> setIntroduction(const Project& p, SourceId id, Seconds at, int bars) {
    const SourcePtr s = sourceOf(p, id);
    if (!s) return tl::unexpected(mayChange(p, id).error());
    if (!s->beats) return base::problem(fmt::format("{} has no tempo yet; its first downbeat needs one.", s->name));
    if (bars < 0 || bars > 1000) return base::problem("An introduction has 0 to 1000 bars.");
    if (auto in = isWithin(*s, at); !in) return tl::unexpected(in.error());
    const Beats length = s->metre().bar() * double(bars);
    auto pinned = putPin(p, id, at, Beats(std::round(s->beats->beatAt(at).value)));
    if (!pinned) return pinned;
    const Beats there(std::round(s->beats->beatAt(at).value));
    const SourcePtr now = sourceOf(*pinned, id);
    // The first downbeat may lie before the recording begins: its first bars are silent then.
    Source changed = *now;
    Pins pins = pinsOf(*now);
    for (SourcePin& pin : pins)
        pin.beat += length - there;
    if (auto set = setPins(changed, std::move(pins)); !set) return tl::unexpected(set.error());
    if (changed.beats->secondsAt(Beats(0)) < Seconds(-1e-3))
        return base::problem(fmt::format("{} begins less than {} bars before that.", s->name, bars));
    changed.loopBeats.reset();
    return withBeatsOf(*pinned, changed);
}

} // namespace project
