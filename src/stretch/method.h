// What a stretching method is given, and what it promises. Each method has a file of its own.
#pragma once

#include "base/progress.h"
#include "base/result.h"
#include "metre/time_map.h"
#include "sound/audio.h"

#include <array>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <vector>

namespace stretch {

using base::Progress;
using base::Result;
using metre::Frames;
using metre::TimeMap;
using sound::Audio;

// Counted up with every change to what comes out: renderings that are kept on disk are known by it.
inline constexpr int renderVersion = 4;

enum class Method { Struck, Held, Blend, Sung, Tape };

struct Settings {
    Method method = Method::Struck;
    double semitones = 0;  // −24 to 24, fractions are cents; on Tape added to the change its speed implies
    bool loop = false;     // input and output are circles: the end runs on into the beginning
    bool formants = false; // kept where they are when transposing; Tape cannot
    bool quiet = false;    // the noise under the material turned down first (quiet.h)
    // Not stretched at all: cut at the material's attacks, each piece at its place and as long as it was recorded.
    // Transposed, the pieces are played faster or slower, which changes their length.
    bool slices = false;
    double sensitivity = 0.5; // which attacks those are, 0 to 1: for whoever makes the list of them
    // On Tape, what transposition needs is stretched by another method first, and then played at another speed.
    Method underTape = Method::Blend;
    bool operator==(const Settings&) const = default;
};

// Which of a recording's attacks strike (strikes.h), found when that is first asked and kept: it is the same at
// every tempo. Of one recording and its attacks, always the same ones. Any thread.
class KnownStrikes {
  public:
    const std::vector<Frames>& of(const Audio& audio, const std::vector<Frames>& attacks) const;

  private:
    mutable std::once_flag once_;
    mutable std::vector<Frames> strikes_;
};

class KnownParts; // known_parts.h

// The sound to be stretched, with what is known of it. Must outlive the call, and a Rendering made of it.
struct Material {
    const Audio& audio;
    const std::vector<Frames>& attacks; // where sounds begin, ascending; may be empty
    // Known already: every sample is a number. Otherwise that is looked through first, which takes a while for
    // hours of sound.
    bool allNumbers = false;
    // Those of the attacks that strike (strikes.h), for material that has to stay together with other material and
    // is therefore not asked itself; null: it is.
    const std::vector<Frames>* strikes = nullptr;
    const KnownStrikes* known = nullptr; // where what it says of itself is kept; null: nowhere
    const KnownParts* parts = nullptr;   // likewise, what lasts in it
};

class Line;

// What is to be rendered, planned out: any piece of it can be rendered at any time, on any thread, and comes out
// with the same bits as in the whole. What every method keeps:
// - the whole has exactly map.outputLength() frames, the channels and the rate of the material;
// - frames of the map outside the material are silent, and so are samples that are no numbers;
// - the identity map, without transposition, returns the material bit for bit;
// - equal channels stay equal; silence stays silent;
// - the same arguments give the same result, bit for bit;
// - a source frame at a point of the map sounds at that point's output frame.
// Immutable; all members may be called from any thread.
class Rendering {
  public:
    // Quick, but for a loop, whose sound is copied. Fails when there is no sound, and when settings are out of
    // range or go, together with the map, beyond what can be done.
    static Result<Rendering> plan(const Material& material, const TimeMap& map, const Settings& settings);
    ~Rendering();
    Rendering(Rendering&&) noexcept;
    Rendering& operator=(Rendering&&) noexcept;

    Frames length() const;
    // Frames, ascending, from which a piece may begin without rendering much that comes before.
    std::vector<Frames> cuts() const;
    // Output frames from `from` up to, not including, `to`; several pieces may be made side by side. Memory besides
    // the result does not grow with it. Takes time. REQUIRES 0 <= from < to <= length(). Fails when memory does not
    // reach, and when cancelled.
    Result<Audio> piece(Frames from, Frames to, const Progress& progress = {}) const;
    // All of it. Fails as piece() does; absurd lengths are refused before they are tried.
    Result<Audio> whole(const Progress& progress = {}) const;

  private:
    struct Plan;
    explicit Rendering(std::unique_ptr<const Plan> plan);
    std::unique_ptr<const Plan> plan_;
};

// Plans and renders the whole.
Result<Audio> render(const Material& material, const TimeMap& map, const Settings& settings,
                     const Progress& progress = {});

// How long a rendering may be, and how much memory its result may take at once.
constexpr double greatestHours = 48;
constexpr std::int64_t greatestBytes = std::int64_t(8) << 30;

// A method: one entry, from which everything else follows but how it is made (rendering.cpp).
struct MethodEntry {
    Method method;
    const char* label;         // "Struck", as shown
    const char* word;          // "struck", in files and on the command line
    const char* plain;         // the plain word, taken on the command line too
    const char* purpose;       // one line, to be translated: what it is good for
    double comfort;            // up to how many per cent of length it is gentle, as a rule (prove/strain.h)
    bool pitchFollows = false; // the speed; it has no formants to keep
};

// In the order in which they are offered.
inline constexpr std::array methodTable{
    MethodEntry{Method::Struck, "Struck", "struck", "drums",
                "Drums, percussion, plucked rhythm: every attack stays as it was played", 18},
    MethodEntry{Method::Held, "Held", "held", "tonal", "Pads, chords, drones: long tones stay smooth", 9},
    MethodEntry{Method::Blend, "Blend", "blend", "mix", "Full mixes: tones and attacks each in their own way", 12},
    MethodEntry{Method::Sung, "Sung", "sung", "voice", "A voice or one instrument: its colour stays", 9},
    MethodEntry{Method::Tape, "Tape", "tape", "tape", "Pitch follows speed, as on tape", 9, true},
};

constexpr const MethodEntry& entryOf(Method m) {
    return methodTable[static_cast<std::size_t>(m)];
}
const std::vector<Method>& methods();
inline const char* methodLabel(Method m) {
    return entryOf(m).label;
}
inline const char* methodWord(Method m) {
    return entryOf(m).word;
}
inline const char* methodPurpose(Method m) {
    return entryOf(m).purpose;
}
// Takes the word, or the plain word for it.
std::optional<Method> methodFromWord(const std::string& word);

} // namespace stretch
