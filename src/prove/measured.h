// What is measured of audio, whatever made it: where sounds begin, at which pitches they sound, how loud it is.
#pragma once

#include "base/progress.h"
#include "base/result.h"
#include "hear/onsets.h"
#include "sound/loudness.h"
#include "sound/write.h"

#include <array>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace prove {

using base::Result;
using metre::Frames;
using metre::Seconds;

// The beginning of a sound.
struct Attack {
    Frames at;           // at the audio's own rate
    double strength = 0; // relative to the strongest: 0 to 1
    bool isClear = true; // it rises at once; where what swells begins, nobody can say to a few milliseconds
};

// How loud it is, moment by moment: RMS of both channels together, one value for each `cell` frames; of all that
// sounds, and of what is low and what is bright in it, where a stroke still shows in a dense mix.
enum class Band { All, Low, Bright }; // below 180 Hz, above 5 kHz
inline constexpr std::array bandsOfEnvelope{Band::All, Band::Low, Band::Bright};
struct Envelope {
    std::int64_t cell = 96; // 2 ms
    std::array<std::vector<float>, bandsOfEnvelope.size()> levels;
    // At a frame, between the middles of two cells; 0 outside.
    double at(double frame, Band band = Band::All) const;
};

// The pitches that sound at a moment, as they show in a window as long at every rate.
inline constexpr Seconds pitchWindow{8192.0 / 44100};
struct Pitches {
    struct Peak {
        double hz = 0;
        double weight = 0; // square root of its magnitude, relative to the loudest of the moment: 0 to 1
    };
    Frames at; // the middle of the window
    std::vector<Peak> peaks;
};

// How loud audio is as a whole.
struct Levels {
    std::optional<double> lufs;     // none: silence
    std::optional<double> truePeak; // dBTP
};

struct Measured {
    int rate = 48000;
    Frames frames;
    std::vector<Attack> attacks; // in order
    Envelope envelope;
    std::vector<Pitches> pitches;
    std::optional<Levels> levels; // where they were wanted
};

// Up to 240 moments, evenly over so many frames.
std::vector<Frames> pitchMoments(Frames frames, int rate);

// What is wanted of a measurement.
struct Wanted {
    std::optional<std::vector<Frames>> moments =
        {}; // in order: those whose pitches are wanted; none: pitchMoments()
    std::optional<std::vector<hear::Onset>> onsets =
        {}; // where they are known, in the audio's own frames; none: heard
    std::optional<sound::Meter::Of> levels = sound::Meter::Of::Both; // none: they are not measured
    // The same audio, where it lies in memory: with the onsets known, none of it need be converted for listening.
    const sound::Audio* audio = nullptr;
};

// Measures audio in little memory; an empty block ends it before its length. Fails as the making of the blocks
// does, and where the disk has no room for listening to what is long. Any thread; takes about a 200th of the
// audio's length.
Result<Measured> measure(const sound::Blocks& blocks, const Wanted& wanted, const base::Progress& progress = {});
// A file, at its own rate. Fails, naming it, where there is no audio to be had; what there is to warn of is added
// to `warnings`.
Result<Measured> measureFile(const std::filesystem::path& file, const Wanted& wanted,
                             std::vector<std::string>& warnings, const base::Progress& progress = {});
// Audio in memory, as blocks. Refers to it.
sound::Blocks blocksOf(const sound::Audio& audio);

} // namespace prove
