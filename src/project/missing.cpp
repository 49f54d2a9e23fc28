#include "project/missing.h"

#include "project/import.h"
#include "sound/read.h"

#include <algorithm>
#include <set>

namespace project {

namespace fs = std::filesystem;

namespace {

constexpr std::size_t mostFiles = 100000;

bool mayBeAudio(const fs::path& file) {
    std::string ending = file.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(), [](unsigned char c) { return std::tolower(c); });
    static const std::set<std::string> known = {".wav",  ".aif", ".aiff", ".flac", ".ogg", ".oga",
                                                ".opus", ".mp3", ".w64",  ".rf64", ".caf"};
    return known.count(ending) > 0;
}

std::vector<fs::path> filesIn(const fs::path& folder, const base::Progress& progress) {
    std::vector<fs::path> list;
    std::error_code error;
    fs::recursive_directory_iterator it(folder, fs::directory_options::skip_permission_denied, error);
    for (; !error && it != fs::recursive_directory_iterator(); it.increment(error)) {
        if (progress.stopped() || list.size() >= mostFiles) break;
        std::error_code ignored;
        if (it->is_regular_file(ignored) && mayBeAudio(it->path())) list.push_back(it->path());
    }
    return list;
}

} // namespace

std::vector<Found> findMissing(const std::vector<SourcePtr>& missing, const fs::path& folder, int rate,
                               const base::Progress& progress) {
    std::vector<Found> found;
    std::vector<SourcePtr> left = missing;
    std::vector<fs::path> files = filesIn(folder, progress);
    const auto sameName = [&](const fs::path& f) {
        return std::any_of(left.begin(), left.end(),
                           [&](const SourcePtr& s) { return s->file.filename() == f.filename(); });
    };
    std::stable_partition(files.begin(), files.end(), sameName);
    for (std::size_t i = 0; i < files.size() && !left.empty(); ++i) {
        if (progress.stopped()) break;
        progress.at(double(i) / double(files.size()));
        // Only what is of the same rate and channels as something that is missing is read.
        const auto reader = sound::Reader::open(files[i], std::int64_t(1) << 31);
        if (!reader) continue;
        const sound::FileFacts facts = reader->facts();
        const bool fits = std::any_of(left.begin(), left.end(), [&](const SourcePtr& s) {
            return s->facts.rate == facts.rate && s->facts.channels == facts.channels;
        });
        if (!fits) continue;
        auto read = readSource(files[i], rate, {{}, progress.stop});
        if (!read) continue;
        std::erase_if(left, [&](const SourcePtr& s) {
            const bool same =
                s->content.empty() ? s->file.filename() == files[i].filename() : s->content == read->content;
            if (same) found.push_back({s->id, files[i], read->content, read->facts, read->sound});
            return same;
        });
    }
    return found;
}

std::vector<fs::path> audioFilesIn(const fs::path& folder) {
    std::vector<fs::path> list;
    std::error_code error;
    for (fs::directory_iterator it(folder, error); !error && it != fs::directory_iterator(); it.increment(error)) {
        std::error_code ignored;
        if (it->is_regular_file(ignored) && mayBeAudio(it->path())) list.push_back(it->path());
    }
    std::sort(list.begin(), list.end());
    return list;
}

Project withFound(const Project& p, const std::vector<Found>& found) {
    Project out = p;
    for (SourcePtr& s : out.sources)
        for (const Found& f : found)
            if (f.source == s->id && !s->sound) {
                Source there = *s;
                there.file = f.file;
                there.content = f.content;
                there.facts = f.facts;
                there.sound = f.sound;
                s = std::make_shared<const Source>(std::move(there));
            }
    return out;
}

} // namespace project
