#include "prove/prove_clip.h"

namespace prove {

Result<void> proveClip(const project::LaidClip& clip, const metre::TempoMap& tempo,
                       const project::RenderingsPtr& there, bool withLevels, Proven& into,
                       const base::Progress& progress) {
    if (!into.source) {
        auto source = measureSource(*clip.source, progress.part(0, 0.4));
        if (!source) return tl::unexpected(source.error());
        into.source = std::make_shared<const Measured>(std::move(*source));
    }
    if (!into.cameOut) {
        const auto rendering = project::ClipRendering::plan(clip.time(), there);
        if (!rendering) return tl::unexpected(rendering.error());
        auto cameOut =
            measureClip(clip, *into.source, rendering->blocks(1, progress.stop), withLevels, progress.part(0.4, 1));
        if (!cameOut) return tl::unexpected(cameOut.error());
        into.cameOut = std::make_shared<const CameOut>(std::move(*cameOut));
    }
    into.proof = std::make_shared<const Proof>(prove(clip, tempo, *into.source, *into.cameOut));
    return {};
}

Result<std::shared_ptr<const Proof>> withLevels(const project::LaidClip& clip, const project::RenderingsPtr& there,
                                                std::shared_ptr<const Proof> proof,
                                                const base::Progress& progress) {
    if (proof->levels) return proof;
    const auto rendering = project::ClipRendering::plan(clip.time(), there);
    if (!rendering) return tl::unexpected(rendering.error());
    const auto levels = measureLevels(clip, rendering->blocks(1, progress.stop), progress);
    if (!levels) return tl::unexpected(levels.error());
    auto out = std::make_shared<Proof>(*proof);
    out->levels = *levels;
    return out;
}

} // namespace prove
