#include "sound/audio_files.h"

#include "base/utf8.h"

#include <algorithm>
#include <array>
#include <fmt/format.h>
#include <set>
#include <sys/stat.h>
#include <utility>

namespace sound {

namespace fs = std::filesystem;

namespace {

constexpr std::array<std::string_view, 11> endings = {".wav",  ".aif", ".aiff", ".flac", ".ogg", ".oga",
                                                      ".opus", ".mp3", ".w64",  ".rf64", ".caf"};

bool isHidden(const fs::path& path) {
    const std::string& name = path.native();
    const auto slash = name.rfind('/');
    const std::size_t first = slash == std::string::npos ? 0 : slash + 1;
    return first < name.size() && name[first] == '.';
}

ListedFile listedAs(const fs::path& file, const struct stat& s) {
    return {file, static_cast<std::int64_t>(s.st_size),
            static_cast<std::int64_t>(s.st_mtim.tv_sec) * 1'000'000'000 + s.st_mtim.tv_nsec};
}

// Lists one folder; what is wrong with it, in words, or nothing.
template <class File, class Folder>
std::string listOne(const fs::path& folder, const File& onFile, const Folder& onFolder) {
    std::error_code error;
    for (fs::directory_iterator it(folder, error), end; !error && it != end; it.increment(error)) {
        const fs::path& path = it->path();
        if (isHidden(path)) continue;
        struct stat s {};
        if (stat(path.c_str(), &s) != 0) continue; // a link to nowhere, or gone meanwhile
        if (S_ISDIR(s.st_mode))
            onFolder(path, s);
        else if (S_ISREG(s.st_mode) && mayBeAudio(path))
            onFile(listedAs(path, s));
    }
    if (!error) return {};
    if (error == std::errc::permission_denied) return "you may not look into it";
    if (error == std::errc::no_such_file_or_directory) return "it is not there";
    if (error == std::errc::not_a_directory) return "it is no folder";
    return error.message();
}

} // namespace

bool mayBeAudio(const fs::path& file) {
    if (isHidden(file)) return false;
    std::string ending = file.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(),
                   [](unsigned char c) { return c >= 'A' && c <= 'Z' ? char(c - 'A' + 'a') : char(c); });
    return std::find(endings.begin(), endings.end(), ending) != endings.end();
}

Listing audioWithin(const fs::path& folder, const base::Progress& progress) {
    Listing listing;
    std::set<std::pair<dev_t, ino_t>> visited;
    std::vector<fs::path> waiting = {folder};
    struct stat own {};
    if (stat(folder.c_str(), &own) == 0) visited.emplace(own.st_dev, own.st_ino);
    while (!waiting.empty() && !progress.stopped() && !listing.hasMore) {
        const fs::path here = std::move(waiting.back());
        waiting.pop_back();
        const std::string problem = listOne(
            here,
            [&](ListedFile file) {
                if (listing.files.size() < mostListed)
                    listing.files.push_back(std::move(file));
                else
                    listing.hasMore = true;
            },
            [&](const fs::path& inner, const struct stat& s) {
                if (visited.emplace(s.st_dev, s.st_ino).second) waiting.push_back(inner);
            });
        if (!problem.empty())
            listing.unread.emplace_back(here,
                                        fmt::format("{} could not be listed: {}.", base::shownPath(here), problem));
    }
    std::sort(listing.files.begin(), listing.files.end(),
              [](const ListedFile& a, const ListedFile& b) { return a.file.native() < b.file.native(); });
    return listing;
}

FolderContent audioIn(const fs::path& folder) {
    FolderContent content;
    const std::string problem = listOne(
        folder, [&](ListedFile file) { content.files.push_back(std::move(file)); },
        [&](const fs::path& inner, const struct stat&) { content.folders.push_back(inner); });
    if (!problem.empty())
        content.problem = fmt::format("{} could not be listed: {}.", base::shownPath(folder), problem);
    std::sort(content.files.begin(), content.files.end(),
              [](const ListedFile& a, const ListedFile& b) { return a.file.native() < b.file.native(); });
    std::sort(content.folders.begin(), content.folders.end());
    return content;
}

std::optional<ListedFile> listed(const fs::path& file) {
    struct stat s {};
    if (stat(file.c_str(), &s) != 0 || !S_ISREG(s.st_mode)) return std::nullopt;
    return listedAs(file, s);
}

} // namespace sound
