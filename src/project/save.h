// A project as a folder: project.json (described in docs/format.md) and audio/.
#pragma once

#include "base/progress.h"
#include "project/project.h"

#include <filesystem>

namespace sound {
class AudioStore;
}

namespace project {

inline constexpr int formatVersion = 11;
inline constexpr const char* projectFileName = "project.json";

// Writes the project into a folder, making the folder when needed. With copyAudio, sources whose files lie
// elsewhere are copied into its audio/ folder first, bit for bit; what is returned refers to the copies.
// project.json is replaced last and whole, so that a failure leaves the project that was there as it was. What a
// store keeps of the sources counts for their copies. Any thread; takes time.
Result<Project> saveProject(const Project& p, const std::filesystem::path& folder, bool copyAudio,
                            const base::Progress& progress = {}, sound::AudioStore* store = nullptr);

struct Loaded {
    Project project;
    std::vector<std::string> warnings; // missing or changed audio, by name
};

// Reads a project from its folder, or from its project.json. A source whose audio is missing is kept, silent, with
// a warning. Fails, naming the file and the reason, when the file is damaged, is of a newer version, or is no
// project.
// With a store, its audio is kept there.
Result<Loaded> loadProject(const std::filesystem::path& path, const base::Progress& progress = {},
                           sound::AudioStore* store = nullptr);

// The document as text, file names relative to `folder` where they lie in it; and back, without audio.
std::string toJson(const Project& p, const std::filesystem::path& folder);
Result<Project> fromJson(const std::string& text, const std::filesystem::path& folder, const std::string& shownAs);

// What is known of one source, without its id and its audio, as text; and back: none where it is no such text, or
// of a newer version.
std::string sourceToJson(const Source& source);
std::optional<Source> sourceFromJson(const std::string& text);

// Reads the audio of every source of a document that has none yet, several side by side. Returns warnings, in the
// order of the sources.
std::vector<std::string> loadAudio(Project& p, const base::Progress& progress, sound::AudioStore* store = nullptr);

} // namespace project
