// Autosave, and finding again what a crash left behind.
#pragma once

#include "project/project.h"

#include <filesystem>
#include <string>
#include <vector>

namespace project {

// One running application's autosave: a file in the recovery folder, removed at a clean end.
struct Recovery {
    std::filesystem::path file;          // the autosaved document
    std::filesystem::path projectFolder; // where the project lies; empty when it was never saved
    Project project;                     // without audio: loadAudio() reads it
};

// The file this process autosaves to.
std::filesystem::path autosaveFile(const std::filesystem::path& recoveryFolder);

// Writes the document there, whole or not at all; its sources are referred to where they are. Any thread.
Result<void> autosave(const Project& p, const std::filesystem::path& projectFolder,
                      const std::filesystem::path& recoveryFolder);

// What processes that are no longer running left there; damaged files are passed over and left alone.
std::vector<Recovery> findRecoveries(const std::filesystem::path& recoveryFolder);

void removeAutosave(const std::filesystem::path& file);

} // namespace project
