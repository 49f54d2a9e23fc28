// Which of half and double is meant: what the recording alone cannot say.
#pragma once

#include "project/project.h"

#include <filesystem>
#include <vector>

namespace project {

// What is known besides the recording.
struct Leaning {
    // The tempos that the user works at: one octave, told from its low end, 30 to 150 BPM. Hearing itself leans to
    // the usual one.
    static constexpr Bpm usual{70};
    static constexpr double least = 30;
    static constexpr double most = 150;
    Bpm from = usual;
    std::vector<Bpm> neighbours; // tempos of what lies beside it
    bool operator==(const Leaning&) const = default;
};

// The tempos that speak for a file's: the project's, once something is in it, and those of the other sources of the
// file's folder.
std::vector<Bpm> neighboursOf(const Project& p, const std::filesystem::path& file);

// Of the tempos that were heard, takes the half, the double, or the third or sixth of another way of counting,
// where what is known besides speaks for it more than the recording speaks against it; never one that was not heard
// as possible. A prior, and no wall. Readings Heard and Length follow, and what is used, if it is one of them and
// nobody chose it. Says whether anything was taken. Any thread.
bool lean(Source& source, const Leaning& leaning);

} // namespace project
