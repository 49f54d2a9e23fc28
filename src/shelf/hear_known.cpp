#include "shelf/hear_known.h"

#include "base/utf8.h"
#include "project/tighten.h"

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
    project::findFeel(settled->source);
    return std::move(settled->source);
}

project::Source soundsAs(const std::optional<project::Source>& known, const project::ReadSource& read,
                         const std::filesystem::path& file) {
    project::Source source = known && known->content == read.content ? *known : project::Source();
    source.file = file;
    source.name = base::shownName(file.stem());
    source.facts = read.facts;
    source.content = read.content;
    source.sound = read.sound;
    return source;
}

} // namespace shelf
