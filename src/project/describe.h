// Each struct that is stored, described once: which members it has, under which names, within which limits, since
// which version of the format. Writing and reading (json.cpp) and the check of docs/format.md walk through the
// same.
#pragma once

#include "metre/tempo.h"
#include "project/pins.h"
#include "project/project.h"

#include <array>
#include <cmath>
#include <limits>
#include <string_view>
#include <utility>

namespace project {

// Numbers outside are refused when a file is read.
struct Limits {
    double low = -1e12;
    double high = 1e12;
};

// The words for the values of an enumeration; specialised below.
template <class E>
struct Words;

template <>
struct Words<metre::TempoPoint::Shape> {
    static constexpr const char* what = "shape of tempo";
    static constexpr std::array<std::pair<metre::TempoPoint::Shape, const char*>, 2> all = {
        {{metre::TempoPoint::Shape::Hold, "hold"}, {metre::TempoPoint::Shape::Ramp, "ramp"}}};
};
template <>
struct Words<metre::Snap> {
    static constexpr const char* what = "way to snap";
    static constexpr std::array<std::pair<metre::Snap, const char*>, 5> all = {
        {{metre::Snap::Off, "off"},
         {metre::Snap::QuarterBeat, "quarter-beat"},
         {metre::Snap::HalfBeat, "half-beat"},
         {metre::Snap::Beat, "beat"},
         {metre::Snap::Bar, "bar"}}};
};
template <>
struct Words<TimeRule> {
    static constexpr const char* what = "time rule";
    static constexpr auto all = [] {
        std::array<std::pair<TimeRule, const char*>, timeRules.size()> words{};
        for (std::size_t i = 0; i < words.size(); ++i)
            words[i] = {timeRules[i].rule, timeRules[i].word};
        return words;
    }();
};
template <>
struct Words<Normalise> {
    static constexpr const char* what = "way to normalise";
    static constexpr std::array<std::pair<Normalise, const char*>, 3> all = {
        {{Normalise::No, "no"}, {Normalise::Peak, "peak"}, {Normalise::Loudness, "loudness"}}};
};
template <>
struct Words<Channels> {
    static constexpr const char* what = "choice of channels";
    static constexpr std::array<std::pair<Channels, const char*>, 5> all = {{{Channels::Stereo, "stereo"},
                                                                             {Channels::Mono, "mono"},
                                                                             {Channels::Left, "left"},
                                                                             {Channels::Right, "right"},
                                                                             {Channels::Swapped, "swapped"}}};
};
template <>
struct Words<Fade::Shape> {
    static constexpr const char* what = "shape of fade";
    static constexpr std::array<std::pair<Fade::Shape, const char*>, 2> all = {
        {{Fade::Shape::Linear, "linear"}, {Fade::Shape::EqualPower, "equal-power"}}};
};

template <>
struct Words<Straightness::To> {
    static constexpr const char* what = "degree of straightness";
    static constexpr std::array<std::pair<Straightness::To, const char*>, 3> all = {
        {{Straightness::To::Beat, "beat"}, {Straightness::To::Bar, "bar"}, {Straightness::To::Phrase, "phrase"}}};
};
template <>
struct Words<hear::Playing> {
    static constexpr const char* what = "way of playing";
    static constexpr std::array<std::pair<hear::Playing, const char*>, 3> all = {
        {{hear::Playing::Either, "either"}, {hear::Playing::Steady, "steady"}, {hear::Playing::Free, "free"}}};
};
template <>
struct Words<hear::FeelGrid> {
    static constexpr const char* what = "grid of a feel";
    static constexpr std::array<std::pair<hear::FeelGrid, const char*>, 4> all = {
        {{hear::FeelGrid::Eighths, "8"},
         {hear::FeelGrid::EighthTriplets, "8t"},
         {hear::FeelGrid::Sixteenths, "16"},
         {hear::FeelGrid::SixteenthTriplets, "16t"}}};
};
template <>
struct Words<Lead::Every> {
    static constexpr const char* what = "way to lead";
    static constexpr std::array<std::pair<Lead::Every, const char*>, 3> all = {
        {{Lead::Every::Piece, "piece"}, {Lead::Every::Bar, "bar"}, {Lead::Every::Beat, "beat"}}};
};

// describe(v, x) calls v.member(name, x's member, limits, since) for each. V decides what that does: it is not told
// whether it writes, reads or only takes notice. wrongWith() is what must hold among the members once they are
// read.
template <class T>
const char* wrongWith(const T&) {
    return nullptr;
}

inline constexpr Limits ids{1, 9e15};
inline constexpr Limits beatsAnywhere{-1e6, 1e6};
// Moments of a recording, counted on where it goes round: 25 hours either way, which is also the most that is
// delivered.
inline constexpr Limits momentsAnywhere{-90000, 90000};

template <class V>
void describe(V& v, metre::TempoPoint& p) {
    v.member("beat", p.at, beatsAnywhere);
    v.member("bpm", p.bpm);
    v.member("shape", p.shape);
}

template <class V>
void describe(V& v, metre::MetrePoint& p) {
    v.member("bar", p.bar, Limits{1, 1e6});
    v.member("metre", p.metre);
}

template <class V>
void describe(V& v, KeyPoint& p) {
    v.member("bar", p.bar, Limits{1, 1e6});
    v.member("key", p.key);
}

template <class V>
void describe(V& v, Section& s) {
    v.member("beat", s.at, beatsAnywhere);
    v.member("name", s.name);
}

template <class V>
void describe(V& v, metre::Pin& p) {
    v.member("seconds", p.at, Limits{-1e6, 1e6});
    v.member("beat", p.beat, Limits{-1e7, 1e7});
}

template <class V>
void describe(V& v, hear::Candidate& c) {
    v.member("bpm", c.bpm, Limits{1e-9, 1e6});
    v.member("weight", c.weight);
    v.member("beats", c.beats, Limits{0, 1e9});
}

template <class V>
void describe(V& v, hear::Reading& r) {
    v.member("by", r.by);
    v.member("bpm", r.bpm);
    v.member("beats", r.beats);
    v.member("key", r.key);
    v.member("sureness", r.sureness);
    v.member("evidence", r.evidence);
    v.member("steady", r.steady, {}, 2);
    v.member("others", r.others, {}, 2);
    v.member("pins", r.pins, {}, 2);
    v.member("metre", r.metre, {}, 7);
    v.member("comesIn", r.comesIn, momentsAnywhere, 10);
}
inline const char* wrongWith(const hear::Reading& r) {
    if (r.bpm && !metre::isTempo(*r.bpm)) return "a reading's tempo is out of range";
    if (!r.pins.empty() && !metre::BeatMap::make(r.pins)) return "the pins of a reading do not follow each other";
    return nullptr;
}

template <class V>
void describe(V& v, hear::Window& w) {
    v.member("low", w.low, Limits{1e-9, 1e6});
    v.member("high", w.high, Limits{1e-9, 1e6});
    v.member("feel", w.playing, {}, 6);
}
inline const char* wrongWith(const hear::Window& w) {
    return w.high > w.low ? nullptr : "“listen” is no range of tempos";
}

template <class V>
void describe(V& v, Marks& m) {
    v.member("from", m.from, momentsAnywhere);
    v.member("to", m.to, momentsAnywhere);
}
inline const char* wrongWith(const Marks& m) {
    return m.to > m.from ? nullptr : "the marks of a source are out of range";
}

template <class V>
void describe(V& v, PinNote& n) {
    v.member("beat", n.beat, beatsAnywhere);
    v.member("byHand", n.byHand);
    v.member("locked", n.locked);
    v.member("name", n.name);
}

template <class V>
void describe(V& v, Straightness& s) {
    v.member("to", s.to);
    v.member("percent", s.percent, Limits{0, 100});
}

template <class V>
void describe(V& v, Lead& l) {
    v.member("clip", l.clip, ids);
    v.member("every", l.every);
    v.member("smooth", l.smooth, Limits{0, smoothest.value});
}

template <class V>
void describe(V& v, Source& s) {
    v.member("id", s.id, ids);
    v.member("name", s.name);
    v.member("file", s.file);
    v.member("content", s.content);
    v.member("rate", s.facts.rate, Limits{sound::lowestRate, sound::highestRate});
    v.member("channels", s.facts.channels, Limits{1, sound::mostChannels});
    v.member("frames", s.facts.frames, Limits{1, 1e12});
    v.member("format", s.facts.format);
    v.member("readings", s.readings);
    v.member("chosen", s.chosen);
    v.member("pins", s.beats);
    v.member("key", s.key);
    v.member("loopBeats", s.loopBeats, Limits{1e-9, 1e6}, 2);
    v.member("beatsInBar", s.beatsInBar, Limits{1, 64}, 2);
    v.member("kind", s.kind, {}, 2);
    v.member("listen", s.window, {}, 2);
    v.member("marks", s.marks, {}, 2);
    v.member("following", s.following, {}, 4);
    v.member("set", s.set, ids, 5);
    v.member("pinNotes", s.notes, {}, 6);
    v.member("straight", s.straight, {}, 6);
    v.member("beatUnit", s.beatUnit, Limits{1, 32}, 6);
    v.member("sensitivity", s.sensitivity, Limits{0, 1}, 6);
}
inline const char* wrongWith(const Source& s) {
    for (std::size_t i = 0; i < s.notes.size(); ++i) {
        if (i > 0 && s.notes[i].beat <= s.notes[i - 1].beat) return "the notes on pins do not follow each other";
        if (!s.beats || !hasPinAt(*s.beats, s.notes[i].beat)) return "a note on a pin has no pin";
    }
    for (const int unit : {1, 2, 4, 8, 16, 32})
        if (s.beatUnit == unit) return nullptr;
    return "“beatUnit” is out of range";
}

template <class V>
void describe(V& v, hear::FeelPlace& p) {
    v.member("place", p.place, Limits{0, 4096});
    v.member("offset", p.offset, Limits{-0.2, 0.2});
    v.member("hits", p.hits, Limits{0, 1e9});
}

template <class V>
void describe(V& v, hear::Feel& f) {
    v.member("grid", f.grid);
    v.member("metre", f.metre);
    v.member("swing", f.swing, Limits{hear::leastSwing, hear::mostSwing});
    v.member("loose", f.loose, Limits{0, 1});
    v.member("places", f.places);
    v.member("hits", f.hits, Limits{0, 1e9});
}
inline const char* wrongWith(const hear::Feel& f) {
    for (std::size_t i = 0; i < f.places.size(); ++i)
        if (f.places[i].place >= f.stepsInBar() || (i > 0 && f.places[i].place <= f.places[i - 1].place))
            return "the places of a feel do not follow each other in its bar";
    return nullptr;
}

template <class V>
void describe(V& v, Tighten& t) {
    v.member("percent", t.percent, Limits{0, 100});
    v.member("grid", t.grid);
    v.member("swing", t.swing, Limits{hear::leastSwing, hear::mostSwing});
    v.member("feel", t.feel);
    v.member("feelName", t.feelName);
    v.member("leave", t.leave, Limits{0, mostLeft.value});
    v.member("weaker", t.weaker, Limits{0, 1});
}

template <class V>
void describe(V& v, Fade& f) {
    v.member("seconds", f.length, Limits{0, longestFade.value});
    v.member("shape", f.shape);
}

template <class V>
void describe(V& v, Clip& c) {
    v.member("id", c.id, ids);
    v.member("source", c.source, ids);
    v.member("at", c.at, beatsAnywhere);
    v.member("from", c.from, momentsAnywhere);
    v.member("to", c.to, momentsAnywhere);
    v.member("rule", c.rule);
    v.member("heldTempo", c.heldTempo, {}, 4);
    v.member("countsAs", c.countsAs, {}, 9);
    v.member("tighten", c.tighten, {}, 10);
    v.member("method", c.stretch.method);
    v.member("semitones", c.stretch.semitones, Limits{-mostSemitones, mostSemitones});
    v.member("formants", c.stretch.formants, {}, 3);
    v.member("quiet", c.stretch.quiet, {}, 4);
    v.member("sensitivity", c.stretch.sensitivity, Limits{0, 1}, 4);
    v.member("loop", c.stretch.loop);
    v.member("turn", c.turn, {}, 4);
    v.member("followsKey", c.followsKey, {}, 4);
    v.member("toRelatives", c.toRelatives, {}, 4);
    v.member("gain", c.gainDb, Limits{-200, 60});
    v.member("normalise", c.normalise, {}, 4);
    v.member("normaliseDb", c.normaliseDb, Limits{-200, 200}, 4);
    v.member("channels", c.channels, {}, 3);
    v.member("flipLeft", c.flipLeft, {}, 4);
    v.member("flipRight", c.flipRight, {}, 4);
    v.member("fadeIn", c.fadeIn, {}, 3);
    v.member("fadeOut", c.fadeOut, {}, 3);
    v.member("mute", c.mute, {}, 4);
    v.member("locked", c.locked, {}, 3);
    v.member("tint", c.tint, Limits{0, 63}, 4);
    v.member("name", c.name, {}, 4);
}
inline const char* wrongWith(const Clip& c) {
    if (c.countsAs && !metre::isTempo(*c.countsAs)) return "the tempo that a clip counts as is out of range";
    if (c.heldTempo && !metre::isTempo(*c.heldTempo)) return "a clip's tempo is out of range";
    if (c.turn && (c.turn->to - c.turn->from).value < shortestTurn) return "a clip's turn is out of range";
    return c.to > c.from ? nullptr : "a clip's times are out of range";
}

template <class V>
void describe(V& v, Track& t) {
    v.member("id", t.id, ids);
    v.member("name", t.name);
    v.member("tint", t.tint, Limits{0, 63});
    v.member("gain", t.gainDb, Limits{-200, 60});
    v.member("pan", t.pan, Limits{-1, 1}, 3);
    v.member("mute", t.mute);
    v.member("solo", t.solo);
    v.member("rule", t.rule, {}, 4);
    v.member("tighten", t.tighten, {}, 11);
    v.member("clips", t.clips);
}

template <class V>
void describe(V& v, LoopRange& l) {
    v.member("from", l.from, Limits{0, 1e6});
    v.member("to", l.to, Limits{0, 1e6});
}
inline const char* wrongWith(const LoopRange& l) {
    return l.to > l.from ? nullptr : "the loop range is out of range";
}

template <class V>
void describe(V& v, TrackHeight& h) {
    v.member("track", h.track, ids);
    v.member("height", h.height, Limits{0, 2});
}

template <class V>
void describe(V& v, View& view) {
    v.member("snap", view.snap);
    v.member("looping", view.looping);
    v.member("click", view.click);
    v.member("clickGain", view.clickDb, Limits{-200, 60});
    v.member("countIn", view.countIn, Limits{0, mostCountIn});
    v.member("outputGain", view.outputDb, Limits{-200, 60});
    v.member("heights", view.heights);
}

inline const char* wrongWith(const Project& p) {
    for (std::size_t i = 1; i < p.sections.size(); ++i)
        if (p.sections[i].at <= p.sections[i - 1].at) return "the sections do not follow each other";
    return nullptr;
}

template <class V>
void describe(V& v, Project& p) {
    v.member("rate", p.rate, Limits{lowestProjectRate, highestProjectRate});
    v.member("tempo", p.tempo);
    v.member("lead", p.lead, {}, 6);
    v.member("metre", p.metre);
    v.member("keys", p.keys, {}, 4);
    v.member("sections", p.sections, {}, 4);
    v.member("rule", p.rule, {}, 4);
    v.member("following", p.following, {}, 4);
    v.member("loop", p.loop);
    v.member("sources", p.sources);
    v.member("tracks", p.tracks);
    v.member("nextId", p.nextId, ids);
    v.member("view", p.view, {}, 8);
}

// A name that a stored struct has in the file.
struct StoredMember {
    std::string of; // "clip"
    std::string name;
    int since = 1;
};
// All of them: what docs/format.md must describe.
std::vector<StoredMember> storedMembers();

} // namespace project
