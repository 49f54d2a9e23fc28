#include "deliver/mixdown.h"

#include "project/clip_rendering.h"
#include "sound/decibel.h"

#include <algorithm>
#include <memory>

namespace deliver {

namespace {

constexpr std::int64_t mixBlock = 1 << 16; // frames

std::shared_ptr<sound::Audio> unwoven(const std::vector<float>& woven, int rate, std::int64_t frames,
                                      int channels) {
    auto audio = std::make_shared<sound::Audio>(rate, channels, Frames(frames));
    for (std::size_t c = 0; c < audio->channels.size(); ++c) {
        float* to = &audio->channels[c][0];
        for (std::int64_t i = 0; i < frames; ++i)
            to[i] = woven[static_cast<std::size_t>(2 * i) + c];
    }
    return audio;
}

// A clip that is rendered as it is walked through, from its first frame that is wanted to its last.
class Walk {
  public:
    Walk(const project::LaidClip& clip, const std::stop_token& stop, project::RenderingsPtr there)
        : clip_(clip), stop_(stop), there_(std::move(there)) {}
    ~Walk() = default;
    Walk(const Walk&) = delete;
    Walk& operator=(const Walk&) = delete;

    Frames begins() const { return clip_.time().startFrame; }
    Frames ends() const { return clip_.time().startFrame + clip_.time().length; }
    const project::LaidClip& clip() const { return clip_; }
    bool isBroken() const { return broken_; }

    // Adds what the clip has between these frames of the project to a scene. Frames must not go back.
    Result<void> add(mix::Scene& scene, Frames from, Frames to, int rate) {
        if (!rendering_) {
            auto planned = project::ClipRendering::plan(clip_.time(), there_);
            if (!planned) {
                broken_ = true;
                return tl::unexpected(planned.error());
            }
            rendering_ = std::make_unique<const project::ClipRendering>(std::move(*planned));
            blocks_ = rendering_->blocks(1, stop_);
        }
        const Frames first = std::max(from, begins()) - begins();
        const Frames last = std::min(to, ends()) - begins();
        for (Frames at = first; at < last;) {
            if (!block_ || at >= blockAt_ + block_->frames()) {
                auto block = blocks_.next(at);
                if (!block) {
                    broken_ = !block.error().cancelled;
                    return tl::unexpected(block.error());
                }
                block_ = std::move(*block);
                blockAt_ = at;
            }
            const Frames until = std::min(last, blockAt_ + block_->frames());
            scene.clips.push_back(mix::pieceOf(clip_, rate, blockAt_, block_, at, until));
            at = until;
        }
        return {};
    }

  private:
    const project::LaidClip& clip_;
    std::stop_token stop_;
    project::RenderingsPtr there_;
    std::unique_ptr<const project::ClipRendering> rendering_;
    sound::Blocks blocks_;
    sound::AudioPtr block_;
    Frames blockAt_;
    bool broken_ = false;
};

} // namespace

Result<sound::Blocks> loopBlocks(const project::LaidPtr& laid, project::ClipId id, const std::stop_token& stop,
                                 const project::RenderingsPtr& there) {
    const project::LaidClip* clip = laid->find(id);
    if (clip == nullptr) return base::problem("The clip is no longer in the project.");
    if (clip->time().parts.empty()) return base::problem(clip->time().problem);
    auto planned = project::ClipRendering::plan(clip->time(), there);
    if (!planned) return tl::unexpected(planned.error());
    struct Loop {
        project::LaidPtr laid;
        project::LaidClip alone;
        project::ClipRendering rendering;
        sound::Blocks blocks;
    };
    const auto loop = std::make_shared<Loop>(Loop{laid, *clip, std::move(*planned), {}});
    loop->alone.chain.heard = true;
    loop->alone.chain.trackDb = 0;
    loop->alone.chain.pan = 0;
    loop->blocks = loop->rendering.blocks(1, stop);
    const int rate = loop->blocks.rate;
    const int channels = loop->blocks.channels;
    const auto next = [loop, rate, channels](Frames from) -> Result<sound::AudioPtr> {
        const auto block = loop->blocks.next(from);
        if (!block) return block;
        const std::int64_t frames = (*block)->frames().value;
        mix::Scene scene;
        scene.rate = rate;
        scene.clips.push_back(mix::pieceOf(loop->alone, rate, from, *block));
        std::vector<float> woven(static_cast<std::size_t>(2 * frames), 0.0F);
        for (std::int64_t at = 0; at < frames; at += mixBlock)
            mix::add(scene, (loop->alone.time().startFrame + from).value + at, woven.data() + 2 * at,
                     static_cast<int>(std::min(mixBlock, frames - at)));
        return sound::AudioPtr(unwoven(woven, rate, frames, channels));
    };
    return sound::Blocks{rate, channels, loop->rendering.length(), next};
}

sound::Blocks clickBlocks(const project::LaidPtr& laid, const Span& span) {
    const project::Project& p = laid->project();
    auto scene = std::make_shared<mix::Scene>();
    scene->rate = p.rate;
    scene->tempo = p.tempo;
    scene->metre = p.metre;
    scene->click = mix::clickAt(p.rate);
    scene->clickGain = static_cast<float>(sound::factorFromDb(p.view.clickDb));
    const auto next = [scene, span](Frames from) -> Result<sound::AudioPtr> {
        const std::int64_t frames = std::min(mixBlock, (span.length - from).value);
        std::vector<float> woven(static_cast<std::size_t>(2 * frames), 0.0F);
        mix::add(*scene, (span.first + from).value, woven.data(), static_cast<int>(frames));
        return sound::AudioPtr(unwoven(woven, scene->rate, frames, 2));
    };
    return {p.rate, 2, span.length, next};
}

std::string Mixed::mixBroken() const {
    const auto first =
        std::find_if(broken.begin(), broken.end(), [](const std::string& why) { return !why.empty(); });
    return first == broken.end() ? std::string() : *first;
}

Result<void> mixDown(const project::LaidPtr& laid, const Span& span, std::vector<std::string>& problems,
                     const TakeMixed& take, const base::Progress& progress, const project::RenderingsPtr& there) {
    const int rate = laid->project().rate;
    const std::size_t tracks = laid->project().tracks.size();
    std::vector<std::vector<std::unique_ptr<Walk>>> walks(tracks);
    std::vector<bool> heard(tracks, false);
    for (const project::LaidClip& clip : laid->clips()) {
        if (!clip.source || !clip.chain.heard) continue;
        if (clip.time().parts.empty()) {
            if (!clip.time().problem.empty()) problems.push_back(clip.time().problem);
            continue;
        }
        walks[clip.trackIndex].push_back(std::make_unique<Walk>(clip, progress.stop, there));
        heard[clip.trackIndex] = true;
    }
    std::vector<std::string> broken(tracks);
    std::vector<float> woven(2 * mixBlock);
    std::vector<float> sum(2 * mixBlock);
    for (Frames at(0); at < span.length; at += Frames(mixBlock)) {
        if (progress.stopped()) return base::cancelled();
        progress.at(double(at.value) / double(span.length.value));
        const std::int64_t frames = std::min(mixBlock, (span.length - at).value);
        const Frames from = span.first + at;
        const Frames to = from + Frames(frames);
        std::fill(sum.begin(), sum.end(), 0.0F);
        std::vector<std::shared_ptr<sound::Audio>> made(tracks);
        Mixed mixed;
        mixed.at = at;
        for (std::size_t t = 0; t < tracks; ++t) {
            mixed.tracks.push_back(nullptr);
            if (!heard[t]) continue;
            mix::Scene scene;
            scene.rate = rate;
            for (auto& walk : walks[t]) {
                if (!walk || walk->begins() >= to) continue;
                if (walk->ends() <= from) {
                    walk.reset(); // what it holds is no longer needed
                    continue;
                }
                if (walk->isBroken()) continue;
                if (auto added = walk->add(scene, from, to, rate); !added) {
                    if (added.error().cancelled) return added;
                    broken[t] = added.error().text;
                }
            }
            std::fill(woven.begin(), woven.end(), 0.0F);
            mix::add(scene, from.value, woven.data(), static_cast<int>(frames));
            for (std::size_t i = 0; i < static_cast<std::size_t>(2 * frames); ++i)
                sum[i] += woven[i];
            made[t] = unwoven(woven, rate, frames, 2);
            mixed.tracks.back() = made[t].get();
        }
        const auto whole = unwoven(sum, rate, frames, 2);
        mixed.mix = whole.get();
        mixed.broken = broken;
        if (auto taken = take(mixed); !taken) return taken;
    }
    return {};
}

} // namespace deliver
