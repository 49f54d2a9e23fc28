// Edits that can be told from what is left of them, and where a hand works.
#pragma once

#include "project/project.h"

#include <cmath>
#include <filesystem>

namespace harsh {

// The n-th edit gives the project a tempo of its own.
inline metre::Bpm tempoOf(int edit) {
    return metre::Bpm(60 + 0.01 * edit);
}
inline int editOf(const project::Project& p) {
    return static_cast<int>(std::lround((p.tempo.points().front().bpm.value - 60) * 100));
}

// What a hand works with: audio that is brought in, and folders beside it.
struct Place {
    std::filesystem::path folder;
    std::filesystem::path loops() const { return folder / "loops"; }
    std::filesystem::path journey() const { return folder / "journey"; } // the project
    std::filesystem::path out() const { return folder / "out"; }         // what is delivered
};

} // namespace harsh
