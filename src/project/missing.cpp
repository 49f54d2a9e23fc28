#include "project/missing.h"

#include "sound/audio_files.h"
#include "sound/read.h"

#include <algorithm>

namespace project {

namespace fs = std::filesystem;

std::vector<Found> findMissing(const std::vector<SourcePtr>& missing, const fs::path& folder, Keeping keeping,
                               const base::Progress& progress) {
    std::vector<Found> found;
    std::vector<SourcePtr> left = missing;
    std::vector<fs::path> files;
    for (sound::ListedFile& listed : sound::audioWithin(folder, progress).files)
        files.push_back(std::move(listed.file));
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
        auto read = readSource(files[i], keeping, {{}, progress.stop});
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

Patch patchOf(const std::vector<Found>& found) {
    Patch patch;
    patch.reserve(found.size());
    for (const Found& f : found)
        patch.push_back({f.source, f.file, f.content, f.facts, f.sound, nullptr});
    return patch;
}

} // namespace project
