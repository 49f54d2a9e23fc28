#include "project/settle.h"

#include "project/import.h"
#include "project/pins.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace project {

const hear::Reading* readingBy(const Source& source, hear::Witness by) {
    const auto it = std::find_if(source.readings.begin(), source.readings.end(),
                                 [&](const hear::Reading& r) { return r.by == by; });
    return it == source.readings.end() ? nullptr : &*it;
}

void putReading(Source& source, hear::Reading reading) {
    const auto it = std::find_if(source.readings.begin(), source.readings.end(),
                                 [&](const hear::Reading& r) { return r.by >= reading.by; });
    if (it != source.readings.end() && it->by == reading.by)
        *it = std::move(reading);
    else
        source.readings.insert(it, std::move(reading));
}

namespace {

// What is written counts before what is heard.
void keyFromReadings(Source& source) {
    source.key.reset();
    for (const hear::Witness by : {hear::Witness::Name, hear::Witness::Tag, hear::Witness::Heard})
        if (const hear::Reading* r = readingBy(source, by); r != nullptr && !source.key) source.key = r->key;
}

} // namespace

std::optional<hear::Witness> keyWitness(const Source& source) {
    for (const hear::Witness by : {hear::Witness::Name, hear::Witness::Tag, hear::Witness::Heard})
        if (const hear::Reading* r = readingBy(source, by); r != nullptr && source.key && r->key == source.key)
            return by;
    return std::nullopt;
}

void takeIn(Source& source, const hear::Heard& heard) {
    putReading(source, hear::heardReading(heard));
    putReading(source, hear::lengthReading(heard));
    source.kind = heard.kind;
    source.beatsInBar = heard.beatsInBar;
    source.beatUnit = heard.beatUnit;
    keyFromReadings(source);
}

bool takeHeard(Source& source, const Source& before) {
    const hear::Reading* heard = readingBy(before, hear::Witness::Heard);
    const hear::Reading* length = readingBy(before, hear::Witness::Length);
    if (heard == nullptr || length == nullptr || !(before.window == source.window)) return false;
    putReading(source, *heard);
    putReading(source, *length);
    source.kind = before.kind;
    source.beatsInBar = before.beatsInBar;
    source.beatUnit = before.beatUnit;
    keyFromReadings(source);
    return true;
}

void listenTo(Source& source, const base::Progress& progress) {
    assert(source.sound);
    if (source.sound->audio.rate != source.facts.rate) {
        // Converted samples are not quite the recording's.
        auto read = readSource(source.file, 0, progress.part(0, 0.5));
        if (progress.stopped()) return;
        const auto recording = read ? recordingOf(*read) : tl::unexpected(read.error());
        if (recording && read->content == source.content) {
            const auto heard = hear::listen(*recording, *read->onsets, source.window, progress.part(0.5, 1));
            if (!progress.stopped()) takeIn(source, heard);
            return;
        }
    }
    const auto heard = hear::listen(source.sound->audio, source.sound->onsets, source.window, progress);
    if (!progress.stopped()) takeIn(source, heard);
}

namespace {

// Where beat 0 lies for a reading that knows only a tempo: where it was heard; where the source has it; else at the
// first sound when the file begins with silence that is no part of whole beats, else at the first sample.
Seconds downbeatFor(const Source& source, Bpm bpm, std::optional<Seconds> firstSound) {
    if (source.beats) return source.beats->secondsAt(Beats(0));
    if (const hear::Reading* heard = readingBy(source, hear::Witness::Heard);
        heard != nullptr && !heard->pins.empty())
        for (const metre::Pin& pin : heard->pins)
            if (pin.beat == Beats(0)) return pin.at;
    if (!firstSound && source.sound && !source.sound->attacks.empty())
        firstSound = metre::toSeconds(source.sound->attacks.front(), source.sound->audio.rate);
    if (!firstSound) return Seconds(0);
    const Seconds first = *firstSound;
    if (first < Seconds(0.03)) return Seconds(0);
    const double beats = source.length().value * bpm.value / 60;
    const double off = std::abs(beats - std::round(beats));
    return off < 0.03 && std::round(beats) >= 1 ? Seconds(0) : first;
}

// The loop's beats at this tempo, from those heard at theirs.
std::optional<Beats> loopBeatsFor(const Source& source, Bpm bpm) {
    const hear::Reading* heard = readingBy(source, hear::Witness::Heard);
    if (heard == nullptr || !heard->beats || !heard->bpm) return std::nullopt;
    const double beats = heard->beats->value * bpm.value / heard->bpm->value;
    const double whole = std::round(beats);
    return whole >= 1 && std::abs(beats / whole - 1) < 0.01 ? std::optional(Beats(whole)) : std::nullopt;
}

void use(Source& source, const hear::Reading& reading, std::optional<Seconds> firstSound,
         const std::vector<SourcePin>& kept) {
    assert(reading.bpm);
    source.chosen = reading.by;
    if (!reading.pins.empty()) {
        if (auto map = metre::BeatMap::make(reading.pins)) {
            takeBeats(source, *map, kept);
            source.loopBeats = reading.beats;
            return;
        }
    }
    takeBeats(source, metre::BeatMap(*reading.bpm, downbeatFor(source, *reading.bpm, firstSound)), kept);
    source.loopBeats =
        reading.beats && reading.by != hear::Witness::Tag ? reading.beats : loopBeatsFor(source, *reading.bpm);
}

} // namespace

void useReading(Source& source, const hear::Reading& reading, std::optional<Seconds> firstSound) {
    std::vector<SourcePin> kept = keptPins(source);
    // What somebody says is newer than what they said before, but for what they locked; a name stays at its moment.
    const bool isSaid = reading.by == hear::Witness::Typed || reading.by == hear::Witness::Tapped;
    std::vector<SourcePin> named;
    if (isSaid) {
        for (const SourcePin& pin : kept)
            if (!pin.name.empty() && !pin.locked) named.push_back(pin);
        std::erase_if(kept, [&](const SourcePin& pin) {
            return !pin.locked && (!reading.pins.empty() || !pin.byHand || pin.beat != Beats(0));
        });
    }
    use(source, reading, firstSound, kept);
    std::vector<SourcePin> pins = pinsOf(source);
    bool any = false;
    for (SourcePin& pin : named) {
        pin.beat = source.beats->beatAt(pin.at);
        pin.byHand = false;
        const auto after =
            std::find_if(pins.begin(), pins.end(), [&](const SourcePin& o) { return o.beat > pin.beat; });
        if (hasPinAt(*source.beats, pin.beat)) continue;
        pins.insert(after, pin);
        any = true;
    }
    Source with = source;
    if (any && setPins(with, std::move(pins))) source = std::move(with);
}

void settle(Source& source, std::optional<Seconds> firstSound) {
    const std::vector<SourcePin> kept = keptPins(source);
    source.beats.reset();
    source.notes.clear();
    source.loopBeats.reset();
    source.chosen.reset();
    if (const hear::Reading* best = hear::mostTrusted(source.readings)) use(source, *best, firstSound, kept);
}

stretch::Method methodFor(hear::Kind kind) {
    switch (kind) {
    case hear::Kind::Held:
    case hear::Kind::NoBeat:
        return stretch::Method::Held;
    case hear::Kind::Mix:
        return stretch::Method::Blend;
    case hear::Kind::Voice:
    case hear::Kind::Bass:
        return stretch::Method::Sung;
    case hear::Kind::Keys:
        return stretch::Method::Held;
    case hear::Kind::Struck:
    case hear::Kind::OneHit:
        break;
    }
    return stretch::Method::Struck;
}

} // namespace project
