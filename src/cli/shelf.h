// pmetre scan, find and tag: the library on the command line, and tags written into files.
#pragma once

#include "cli/given.h"
#include "cli/output.h"

#include <optional>
#include <stop_token>
#include <string>
#include <vector>

namespace cli {

struct ScanCommand {
    Given given; // folders
    std::vector<std::filesystem::path> taken;
    std::optional<std::filesystem::path> exported;
    bool table = false;
};
// Brings folders into the library; they belong to it from then on. Prints what was done. Returns the exit status.
int scan(const ScanCommand& command, const std::stop_token& stop, Output& output);

struct FindCommand {
    std::vector<std::string> words;
    std::string bpm; // "90-110", or one tempo
    bool octaves = false;
    std::string key;
    bool related = false;
    std::string mode;
    std::vector<std::string> kinds;
    std::vector<std::string> tags;
    int limit = 0; // 0: all
    bool table = false;
};
// Prints what is found in the library, a line a file. Returns the exit status.
int find(const FindCommand& command, Output& output);

struct TagCommand {
    Given given;
    std::string bpm;
    std::string key;
    int beats = 0; // 0: not said
    std::optional<int> root;
    bool replaceLoops = false;
    bool table = false;
};
// Writes tempo, key and number of beats into files, their audio bit for bit as it was. Returns the exit status.
int tag(const TagCommand& command, const std::stop_token& stop, Output& output);

} // namespace cli
