#include "base/user_folders.h"

#include <cstdlib>

namespace base {

namespace {

std::filesystem::path folderIn(const char* variable) {
    const char* value = std::getenv(variable);
    return value == nullptr ? std::filesystem::path() : std::filesystem::path(value);
}

} // namespace

std::filesystem::path dataFolder() {
    if (auto own = folderIn("PATIENT_METRE_DATA"); !own.empty()) return own;
    if (const auto data = folderIn("XDG_DATA_HOME"); data.is_absolute()) return data / "patient-metre";
    return folderIn("HOME") / ".local" / "share" / "patient-metre";
}

std::filesystem::path cacheFolder() {
    if (auto own = folderIn("PATIENT_METRE_DATA"); !own.empty()) return own / "cache";
    if (const auto cache = folderIn("XDG_CACHE_HOME"); cache.is_absolute()) return cache / "patient-metre";
    return folderIn("HOME") / ".cache" / "patient-metre";
}

std::filesystem::path recoveryFolder() {
    return dataFolder() / "recovery";
}

} // namespace base
