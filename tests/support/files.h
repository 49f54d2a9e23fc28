// Files for tests: a folder of one's own, the demo, damaged files.
#pragma once

#include "sound/audio.h"

#include <filesystem>
#include <string>
#include <vector>

namespace support {

// A fresh folder, removed in the end.
class Folder {
  public:
    Folder();
    ~Folder();
    Folder(const Folder&) = delete;
    Folder& operator=(const Folder&) = delete;
    const std::filesystem::path& path() const { return path_; }
    std::filesystem::path operator/(const std::string& name) const { return path_ / name; }

  private:
    std::filesystem::path path_;
};

std::filesystem::path demoFolder();
std::filesystem::path demoAudio(const std::string& name);

void writeBytes(const std::filesystem::path& path, const std::string& bytes);
std::string readBytes(const std::filesystem::path& path);
// Through libsndfile itself, so that reading is not tested with our own writing.
void writeSound(const std::filesystem::path& path, const sound::Audio& audio, int sndfileFormat);
// The first bytes of a file, as another file.
void cutFile(const std::filesystem::path& from, const std::filesystem::path& to, double share);

struct Ran {
    int status = -1;
    std::string out;
    std::string err;
};
// Runs a command line through the shell.
Ran run(const std::string& command);
std::string quoted(const std::filesystem::path& path);

} // namespace support
