#include "shelf/hear_known.h"

namespace shelf {

base::Result<project::Source> heardOrKnown(const std::filesystem::path& file, project::ReadSource& read,
                                           const Library* library, const Memory* memory,
                                           const base::Progress& progress) {
    if (auto found = project::findAttacks(read, progress.part(0, 0.4)); !found)
        return tl::unexpected(found.error());
    auto settled = project::settledOf(file, read, {}, progress.part(0.4, 1),
                                      library != nullptr ? library->heardBefore(read.content) : std::nullopt);
    if (!settled) return tl::unexpected(settled.error());
    recallInto(settled->source, memory);
    settled->source.sound = read.sound;
    return std::move(settled->source);
}

} // namespace shelf
