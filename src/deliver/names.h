// What delivered files are called.
#pragma once

#include "project/laid.h"

#include <optional>
#include <set>
#include <string>

namespace deliver {

using base::Result;

inline constexpr const char* usualPattern = "{name}_{bpm}bpm_{key}";

// The key that is heard: transposed with the clip; none where pitch went to no key's place.
std::optional<hear::Key> keyOf(const project::LaidClip& clip);
// How many beats it is, where that is a whole number and it is stretched.
std::optional<int> beatsOf(const project::LaidClip& clip);

// A clip's name by a pattern. {name} is the source's name, of a stretched clip without the tempo that stood in it,
// {bpm} the tempo it has where it begins, of a stretched clip, {key} the key that is heard, {track} its track,
// {beats} how many it is, {number} as given. A word that is unknown for a clip goes with the separator before it,
// and a tempo with the "bpm" behind it. The result is safeName()d. Fails when the pattern is empty or holds an
// unknown word.
Result<std::string> nameOf(const project::LaidClip& clip, int number, const std::string& pattern);

// A name without the tempo that stands in it: two tempos in one name would tell nothing.
std::string withoutTempo(const std::string& name);

// Whether a pattern holds only words that there are. Fails as nameOf() does.
Result<void> patternMeans(const std::string& pattern);

// What a file system can hold: slashes and what others refuse become "_", no dots and spaces at the ends, 200 bytes
// at most, never empty, UTF-8.
std::string safeName(std::string name);

// Names that differ even where upper and lower case do not: the second of a name becomes "name 2".
class DifferentNames {
  public:
    // `ending`: what the file's name ends in; not part of the result.
    std::string different(const std::string& name, const std::string& ending = {});

  private:
    std::set<std::string> taken_;
};

} // namespace deliver
