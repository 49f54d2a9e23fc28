// Where the product keeps what belongs to its user rather than to a project.
#pragma once

#include <filesystem>

namespace base {

// PATIENT_METRE_DATA if that is set; else $XDG_DATA_HOME/patient-metre; else ~/.local/share/patient-metre. All that
// is kept lies in it, so that one variable moves everything. Need not exist yet. Any thread.
std::filesystem::path dataFolder();

// What a crash would leave behind lies here: dataFolder()/recovery.
std::filesystem::path recoveryFolder();

// What can be made again and may be deleted at any time: dataFolder()/cache where PATIENT_METRE_DATA is set; else
// $XDG_CACHE_HOME/patient-metre; else ~/.cache/patient-metre.
std::filesystem::path cacheFolder();

} // namespace base
