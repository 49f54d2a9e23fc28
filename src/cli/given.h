// The files that a command was given: by name, in folders, in a list on standard input.
#pragma once

#include "base/result.h"
#include "cli/output.h"
#include "sound/shard.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace CLI {
class App;
}

namespace cli {

struct Given {
    std::vector<std::filesystem::path> files; // as on the command line; "-" stands for standard input
    bool deeper = false;                      // -r: of folders, what lies in folders within them as well
    bool byZeros = false;                     // -0: names on standard input end with a zero byte each
    bool quiet = false;                       // no progress
    int jobs = 0;                             // 0: as many as there are processors
    sound::Shard shard;                       // of the files, the part that is meant
};

// The options of Given, but for the files themselves.
void addGiven(CLI::App& command, Given& given, bool folders);
// --shard
void addShard(CLI::App& command, Given& given);

// The files meant, in order: each folder replaced by the audio in it. What could not be listed is said, and
// `failed` set. None, with a message, where the list on standard input is none: then the call itself is wrong.
std::optional<std::vector<std::filesystem::path>> expanded(const Given& given, Output& output, bool& failed);

// The names on standard input, for "-": one a line, whose end may be that of other systems; or ended by zero bytes.
// Fails where it has zero bytes that were not asked for.
base::Result<std::vector<std::filesystem::path>> namesFromInput(bool byZeros);

} // namespace cli
