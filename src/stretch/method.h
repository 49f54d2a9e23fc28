// What a stretching method is given, and what it promises. Each method has a file of its own.
#pragma once

#include "metre/result.h"
#include "metre/time_map.h"
#include "sound/audio.h"
#include "sound/progress.h"

#include <optional>
#include <string>
#include <vector>

namespace stretch {

using metre::Frames;
using metre::Result;
using metre::TimeMap;
using sound::Audio;
using sound::Progress;

enum class Method { Struck, Held, Blend, Sung, Tape };

struct Settings {
    Method method = Method::Struck;
    double semitones = 0;  // −24 to 24, fractions are cents; Tape adds it to the change its speed implies
    bool loop = false;     // input and output are circles: the end runs on into the beginning
    bool formants = false; // kept where they are when transposing; Tape cannot
    bool operator==(const Settings&) const = default;
};

// The sound to be stretched, with what is known of it. Must outlive the call.
struct Material {
    const Audio& audio;
    const std::vector<Frames>& attacks; // where sounds begin, ascending; may be empty
};

// Renders the whole map: the result has exactly map.outputLength() frames, the channels and the rate of the
// material. Frames of the map outside the material are silent, and so are samples that are no numbers. What every
// method keeps:
// - the identity map, without transposition, returns the material bit for bit;
// - equal channels stay equal; silence stays silent;
// - the same arguments give the same result, bit for bit;
// - a source frame at a point of the map sounds at that point's output frame.
// Any thread; takes time. Fails when settings are out of range, when memory does not reach, and when cancelled.
Result<Audio> render(const Material& material, const TimeMap& map, const Settings& settings,
                     const Progress& progress = {});

// All of them, in the order in which they are offered.
const std::vector<Method>& methods();

const char* methodLabel(Method m);   // "Struck", as shown
const char* methodWord(Method m);    // "struck", in files and on the command line
const char* methodPurpose(Method m); // one line: what it is good for
// Takes the word, or the plain word for it: drums, tonal, mix, voice.
std::optional<Method> methodFromWord(const std::string& word);

} // namespace stretch
