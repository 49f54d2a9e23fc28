// What “pmetre fit” was asked for, looked through before any work.
#pragma once

#include "base/result.h"
#include "cli/fit.h"
#include "cli/inputs.h"
#include "metre/units.h"
#include "project/project.h"
#include "sound/write.h"
#include "stretch/method.h"

#include <filesystem>
#include <optional>

namespace cli {

using base::Result;
using metre::Bpm;

// What was asked for, once it has been found to make sense.
struct Asked {
    std::optional<Bpm> to;
    std::optional<Bpm> from;
    std::optional<double> beats;
    std::optional<double> ratio;
    double semitones = 0;
    std::optional<stretch::Method> method;   // none: by the kind of sound
    std::optional<project::Tighten> tighten; // none: as it is played; its feel is looked for later
    std::optional<sound::Depth> depth;       // none: the input's
    std::optional<int> quality;
    sound::FileKind kind = sound::FileKind::Wav; // of files in a folder
};

// Fails where a file cannot become so many times as long.
Result<void> canBecome(double ratio);
// Fails in a sentence where what was asked for makes no sense.
Result<Asked> understood(const FitOptions& o);
// Whether it means anything for files of a name.
Result<void> means(const FitOptions& o, const Asked& a, const std::filesystem::path& out);
// What can be seen of a file to be written before any work.
Result<void> mayWrite(const std::filesystem::path& in, const std::filesystem::path& out, bool overwrite,
                      const Inputs& inputs);

} // namespace cli
