#include "project/pins.h"

#include "project/timing.h"

#include <algorithm>
#include <cmath>

namespace project {

namespace {

constexpr double sameBeat = 1e-6;

const PinNote* noteAt(const Source& s, Beats beat) {
    const auto it = std::lower_bound(s.notes.begin(), s.notes.end(), beat - Beats(sameBeat),
                                     [](const PinNote& n, Beats b) { return n.beat < b; });
    return it == s.notes.end() || it->beat > beat + Beats(sameBeat) ? nullptr : &*it;
}

// What was heard between two pins, as pins of whole beats counted from the first of them; none where the two do not
// agree with it on how many beats lie between.
void addHeard(std::vector<SourcePin>& out, const metre::BeatMap& heard, const SourcePin* before,
              const SourcePin* after) {
    const SourcePin& from = before != nullptr ? *before : *after;
    const double counted = heard.beatAt(from.at).value;
    if (before != nullptr && after != nullptr) {
        const double beats = heard.beatAt(after->at).value - counted;
        if (std::abs(beats - (after->beat - before->beat).value) > 0.5) return;
    }
    // Heard pins lie on whole beats; so that the pin by hand is one, they are counted from it.
    const double shift = std::round(from.beat.value - counted);
    constexpr double clear = 0.5; // of a beat
    for (const metre::Pin& pin : heard.pins()) {
        const Beats beat(pin.beat.value + shift);
        const bool isAfter = before == nullptr || (pin.at > before->at && (beat - before->beat).value > clear);
        const bool isBefore = after == nullptr || (pin.at < after->at && (after->beat - beat).value > clear);
        if (isAfter && isBefore) out.push_back({pin.at, beat});
    }
}

} // namespace

bool hasPinAt(const metre::BeatMap& map, Beats beat) {
    const auto& pins = map.pins();
    const auto it = std::lower_bound(pins.begin(), pins.end(), beat - Beats(sameBeat),
                                     [](const metre::Pin& p, Beats b) { return p.beat < b; });
    return it != pins.end() && it->beat < beat + Beats(sameBeat);
}

bool isSteady(const Source& source) {
    return !source.beats || source.beats->pins().size() <= 2;
}

std::vector<SourcePin> pinsOf(const Source& source) {
    if (!source.beats) return {};
    std::vector<SourcePin> list;
    list.reserve(source.beats->pins().size());
    for (const metre::Pin& pin : source.beats->pins()) {
        SourcePin one{pin.at, pin.beat};
        if (const PinNote* note = noteAt(source, pin.beat)) {
            one.byHand = note->byHand;
            one.locked = note->locked;
            one.name = note->name;
        }
        list.push_back(one);
    }
    if (list.size() > 2) return list;
    // The second of a line that was heard, and speaks for no place, goes to the end.
    const Beats end(std::floor(source.endBeat().value + sameBeat));
    if (list.back().isPlain() && end > list.front().beat + Beats(1))
        list.back() = {source.beats->secondsAt(end), end};
    return list;
}

std::vector<metre::Pin> beatsOf(const Source& s, Beats step) {
    const double hair = 1e-6;
    const auto first = std::ceil(s.beats->beatAt(Seconds(0)).value / step.value - hair);
    const auto last = std::floor(s.beats->beatAt(s.length()).value / step.value + hair);
    std::vector<metre::Pin> list;
    list.reserve(static_cast<std::size_t>(std::max(0.0, last - first + 1)));
    for (double n = first; n <= last; ++n) {
        const Beats beat(n * step.value);
        list.push_back({s.beats->secondsAt(beat), beat});
    }
    return list;
}

Result<void> setPins(Source& source, std::vector<SourcePin> pins) {
    std::vector<metre::Pin> bare;
    bare.reserve(pins.size());
    std::vector<PinNote> notes;
    for (SourcePin& pin : pins) {
        bare.push_back({pin.at, pin.beat});
        if (!pin.isPlain()) notes.push_back({pin.beat, pin.byHand, pin.locked, std::move(pin.name)});
    }
    auto map = metre::BeatMap::make(std::move(bare));
    if (!map) return tl::unexpected(map.error());
    source.beats = std::move(*map);
    source.notes = std::move(notes);
    return {};
}

metre::BeatMap through(const metre::BeatMap& heard, const std::vector<SourcePin>& hand) {
    if (hand.empty()) return heard;
    std::vector<SourcePin> all;
    if (heard.pins().size() <= 2) {
        all = hand;
        if (hand.size() == 1) {
            const Bpm bpm = heard.meanTempo();
            all.push_back({hand.front().at + Seconds(60 / bpm.value), hand.front().beat + Beats(1)});
        }
    } else {
        addHeard(all, heard, nullptr, &hand.front());
        for (std::size_t i = 0; i < hand.size(); ++i) {
            all.push_back(hand[i]);
            addHeard(all, heard, &hand[i], i + 1 < hand.size() ? &hand[i + 1] : nullptr);
        }
    }
    std::vector<metre::Pin> pins;
    pins.reserve(all.size());
    for (const SourcePin& pin : all)
        pins.push_back({pin.at, pin.beat});
    auto map = metre::BeatMap::make(std::move(pins));
    return map ? *map : heard;
}

std::vector<SourcePin> keptPins(const Source& source) {
    std::vector<SourcePin> kept = pinsOf(source);
    std::erase_if(kept, [](const SourcePin& p) { return p.isPlain(); });
    return kept;
}

void takeBeats(Source& source, const metre::BeatMap& heard, const std::vector<SourcePin>& kept) {
    source.beats = through(heard, kept);
    source.notes.clear();
    for (const SourcePin& pin : kept)
        if (hasPinAt(*source.beats, pin.beat)) source.notes.push_back({pin.beat, pin.byHand, pin.locked, pin.name});
}

std::vector<Section> sectionsOf(const Project& p) {
    std::vector<Section> all = p.sections;
    for (const TrackPtr& t : p.tracks)
        for (const Clip& c : t->clips) {
            const SourcePtr s = sourceOf(p, c.source);
            if (!s || !s->beats || s->notes.empty()) continue;
            const ClipTime time(p.tempo, c, s.get(), rulingOf(p, *t, c, s.get()).follows);
            for (const PinNote& note : s->notes) {
                const Seconds at = s->beats->secondsAt(note.beat);
                if (note.name.empty() || at < c.from || at >= c.to) continue;
                const Beats there = time.projectBeatOf(at);
                const bool taken = std::any_of(all.begin(), all.end(), [&](const Section& other) {
                    return std::abs((other.at - there).value) < 1e-3;
                });
                if (!taken && there >= Beats(0)) all.push_back({there, note.name});
            }
        }
    std::sort(all.begin(), all.end(), [](const Section& a, const Section& b) { return a.at < b.at; });
    return all;
}

} // namespace project
