#include "sound/tag_file.h"

#include "base/safe_file.h"
#include "base/utf8.h"
#include "sound/read.h"
#include "sound/riff_chunks.h"

#include <fmt/format.h>
#include <vector>

namespace sound {

namespace fs = std::filesystem;

Result<void> tagFile(const fs::path& path, const Tags& tags, const LoopInfo& loop) {
    const auto before = read(path, 0);
    if (!before) return tl::unexpected(before.error());
    base::PartFile part(path);
    std::error_code error;
    fs::copy_file(path, part.path(), fs::copy_options::overwrite_existing, error);
    if (error)
        return base::problem(fmt::format("{} was not written into: {}.", base::shownName(path),
                                         base::writeReason(path, error.value())));
    std::vector<ChunkBytes> chunks;
    if (loop.rootNote || loop.loop) chunks.push_back(samplerChunk(loop, before->facts.rate));
    if (loop.beats && loop.bpm) chunks.push_back(loopChunk(loop));
    if (!chunks.empty() && !putChunks(part.path(), chunks))
        return base::problem(fmt::format("The loop points could not be written into {}.", base::shownName(path)));
    if (auto written = writeTags(part.path(), tags); !written)
        return base::problem(fmt::format("The tempo could not be written into {}.", base::shownName(path)));
    const auto after = read(part.path(), 0);
    if (!after || after->content != before->content)
        return base::problem(fmt::format("{} was left as it is: writing into it would have changed its audio.",
                                         base::shownName(path)));
    const auto status = fs::status(path, error);
    if (!error) fs::permissions(part.path(), status.permissions(), error);
    return part.commit(base::Existing::Replace);
}

} // namespace sound
