// Listening: what a recording says of its own tempo, beats, key and kind.
#pragma once

#include "base/progress.h"
#include "hear/kind.h"
#include "hear/length.h"
#include "hear/onsets.h"
#include "hear/reading.h"
#include "hear/tonality.h"
#include "metre/beat_map.h"

#include <optional>
#include <vector>

namespace hear {

// How a recording was played, where somebody says so: to a click, or free.
enum class Playing { Either, Steady, Free };

// Between which tempos to listen; one octave settles half and double.
struct Window {
    Bpm low{slowestPulse};
    Bpm high{fastestPulse};
    Playing playing = Playing::Either;
    bool operator==(const Window&) const = default;
    bool holds(Bpm bpm) const { return bpm >= low && bpm <= high; }
};

// What listen() finds in the same recording may be another with another of these: what was heard and kept is then
// heard again.
inline constexpr int listenVersion = 10;

struct Heard {
    std::vector<Candidate> candidates; // heaviest first; half and double of the first always among them
    std::optional<Bpm> bpm;            // none: no beat
    std::optional<Bpm> measured;       // where the whole number within the measurement's error was taken instead
    double sureness = 0;
    bool steady = true;
    std::optional<metre::Metre> metre; // as the accents say; none: no beat
    int beatsInBar = 4;                // of those heard, or of halves of them: see beatUnit
    int beatUnit = 4;                  // 8: halves of beats are counted, as seven of them in a bar of 7/8
    std::vector<double> beats;    // seconds, those of the loop or of the whole playing; beats[downbeat] is beat 0
    std::size_t downbeat = 0;     // index of the first downbeat
    std::vector<metre::Pin> pins; // through the beats; two for a steady recording
    std::optional<int> loopBeats; // whole beats from the first downbeat to the end of the loop
    std::vector<LengthFit> fits;  // whole beats in the trimmed length, likeliest first
    double loopSeconds = 0;       // the trimmed length that `fits` speak of
    std::optional<double>
        comesIn; // seconds: where its beat comes in, behind a beginning that says little; see whole.h
    std::optional<HeardKey> key;
    Kind kind = Kind::NoBeat;
    Span span;
    std::vector<Onset> onsets;
};

// Listens to the whole of a recording. `onsets` are hear::onsets() of the same. Any thread; about three
// thousandths of the audio's length. Nothing heard is no error: bpm is empty. Returns what it has when stopped.
Heard listen(const Recording& recording, const std::vector<Onset>& onsets, Window window = {},
             const base::Progress& progress = {});
// Of audio in memory, with onsets at its own rate.
Heard listen(const sound::Audio& audio, const std::vector<Onset>& onsets, Window window = {},
             const base::Progress& progress = {});

// The kind and the key that listen() would find, and nothing else: beats are neither followed nor counted. NoBeat
// and none for silence, and when stopped. Any thread.
struct KindAndKey {
    Kind kind = Kind::NoBeat;
    std::optional<HeardKey> key;
};
KindAndKey kindAndKeyIn(const Recording& recording, const std::vector<Onset>& onsets, Window window = {},
                        const base::Progress& progress = {});

// What was heard, as readings: the tempo with its candidates and where its beats lie; and what the length says of
// it. Either has no tempo where nothing was heard, with the reason as its evidence.
Reading heardReading(const Heard& heard);
Reading lengthReading(const Heard& heard);

} // namespace hear
