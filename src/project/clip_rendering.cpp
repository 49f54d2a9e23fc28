#include "project/clip_rendering.h"

#include <algorithm>
#include <deque>
#include <future>
#include <thread>
#include <unordered_map>

namespace project {

namespace {

std::int64_t workers() {
    return std::max(1U, std::thread::hardware_concurrency());
}

} // namespace

// Of a part, what is there of its rendering at this frame of that; null where it must be rendered.
const RenderedSpan* ClipRendering::thereAt(std::size_t part, Frames at) const {
    if (!there_) return nullptr;
    const auto spans = there_->find(parts_[part].job->key);
    if (spans == there_->end()) return nullptr;
    for (const RenderedSpan& span : spans->second)
        if (span.from <= at && at < span.end()) return &span;
    return nullptr;
}

// Whether nothing of a part is to be rendered, what crosses over into its neighbours included.
bool ClipRendering::isThere(std::size_t part) const {
    const Part& p = parts_[part];
    const Frames after = part + 1 < parts_.size() ? Frames(parts_[part + 1].cross.value) : Frames(0);
    Frames at = p.from - Frames(p.cross.value);
    const Frames end = p.from + p.length + after;
    while (at < end) {
        const RenderedSpan* span = thereAt(part, at);
        if (span == nullptr) return false;
        at = span->end();
    }
    return true;
}

Result<ClipRendering> ClipRendering::plan(const Timing& timing, RenderingsPtr there) {
    if (timing.parts.empty()) return base::problem(timing.problem);
    ClipRendering out;
    out.parts_ = timing.parts;
    out.length_ = timing.length;
    out.there_ = std::move(there);
    std::unordered_map<base::Key, std::shared_ptr<const stretch::Rendering>, base::KeyHash> plans;
    for (std::size_t i = 0; i < out.parts_.size(); ++i) {
        const Part& part = out.parts_[i];
        if (out.isThere(i)) {
            out.plans_.push_back(nullptr);
            continue;
        }
        auto& plan = plans[part.job->key];
        if (!plan) {
            auto planned = planOf(*part.job);
            if (!planned) return tl::unexpected(planned.error());
            plan = std::make_shared<const stretch::Rendering>(std::move(*planned));
        }
        out.plans_.push_back(plan);
    }
    return out;
}

// Frames of the clip as one of its parts renders them; silent where the rendering has none.
Result<sound::Audio> ClipRendering::span(std::size_t part, Frames from, Frames to,
                                         const std::stop_token& stop) const {
    const Frames shift = parts_[part].from - parts_[part].at;
    if (plans_[part] == nullptr) {
        const sound::Audio& any = *thereAt(part, from + shift)->audio;
        sound::Audio made(any.rate, any.channelCount(), to - from);
        for (Frames at = from; at < to;) {
            const RenderedSpan& there = *thereAt(part, at + shift);
            const Frames until = std::min(to, there.end() - shift);
            for (std::size_t c = 0; c < made.channels.size(); ++c)
                std::copy_n(there.audio->channels[c].begin() + (at + shift - there.from).value, (until - at).value,
                            made.channels[c].begin() + (at - from).value);
            at = until;
        }
        return made;
    }
    const stretch::Rendering& plan = *plans_[part];
    const Frames first = std::clamp(from + shift, Frames(0), plan.length());
    const Frames last = std::clamp(to + shift, first, plan.length());
    const sound::Audio& material = parts_[part].job->sound->audio;
    if (first < last && last - first == to - from) return plan.piece(first, last, {{}, stop});
    sound::Audio made(material.rate, material.channelCount(), to - from);
    if (first == last) return made;
    const auto piece = plan.piece(first, last, {{}, stop});
    if (!piece) return piece;
    for (std::size_t c = 0; c < made.channels.size(); ++c)
        std::copy(piece->channels[c].begin(), piece->channels[c].end(),
                  made.channels[c].begin() + (first - shift - from).value);
    return made;
}

// What is there from this frame on, no further than `to`, where it lies: a few frames, that stay near while they
// are worked on.
sound::AudioPtr ClipRendering::thereFrom(std::size_t part, Frames from, Frames to) const {
    constexpr Frames few(1 << 16);
    const Frames shift = parts_[part].from - parts_[part].at;
    const RenderedSpan& there = *thereAt(part, from + shift);
    const Frames until = std::min({to, from + few, there.end() - shift});
    auto view = std::make_shared<sound::Audio>();
    view->rate = there.audio->rate;
    for (const sound::Samples& samples : there.audio->channels)
        view->channels.push_back(sound::Samples::viewOf(samples.data() + (from + shift - there.from).value,
                                                        static_cast<std::size_t>((until - from).value),
                                                        there.audio));
    return view;
}

ClipRendering::Block ClipRendering::blockFrom(Frames from) const {
    // The part that sounds there alone or begins to cross over into the next.
    std::size_t i = 0;
    while (i + 1 < parts_.size() && from >= parts_[i + 1].at + Frames(parts_[i + 1].cross.value / 2))
        ++i;
    const bool last = i + 1 == parts_.size();
    const Frames cross = last ? Frames(0) : parts_[i + 1].cross;
    const Frames crossFrom = last ? length_ : parts_[i + 1].at - Frames(cross.value / 2);
    if (from >= crossFrom) return {i, from, crossFrom + cross, true, true};
    // Guided self-scheduling (Polychronopoulos & Kuck, IEEE Trans. Computers 1987; from memory): a share of what is
    // left, so that there are few blocks, each of which begins some way before it is heard, and short ones in the
    // end.
    const Frames share((length_ - from).value / (2 * workers()));
    const Frames shortest = std::clamp(share, Frames(std::int64_t(2) * rate()), Frames(std::int64_t(24) * rate()));
    const Frames longest(std::int64_t(60) * rate());
    Frames to = crossFrom;
    if (plans_[i] == nullptr) {
        to = std::min(to, from + longest);
    } else {
        const auto cuts = plans_[i]->cuts();
        const Frames shift = parts_[i].from - parts_[i].at;
        const auto cut = std::lower_bound(cuts.begin(), cuts.end(), from + shift + shortest);
        if (cut != cuts.end()) to = std::min(to, *cut - shift);
    }
    return {i, from, to, false, plans_[i] != nullptr};
}

Result<sound::AudioPtr> ClipRendering::made(const Block& block, float gain, const std::stop_token& stop) const {
    if (gain == 1 && !block.isRendered) return thereFrom(block.part, block.from, block.to);
    auto made = span(block.part, block.from, block.to, stop);
    if (!made) return tl::unexpected(made.error());
    if (block.crosses) {
        const auto rising = span(block.part + 1, block.from, block.to, stop);
        if (!rising) return tl::unexpected(rising.error());
        const auto cross = static_cast<float>((block.to - block.from).value);
        for (std::size_t c = 0; c < made->channels.size(); ++c)
            for (std::size_t k = 0; k < made->channels[c].size(); ++k) {
                const auto x = (static_cast<float>(k) + 0.5F) / cross;
                float& s = made->channels[c][k];
                s += x * (rising->channels[c][k] - s);
            }
    }
    if (gain != 1)
        for (auto& samples : made->channels)
            for (float& s : samples)
                s *= gain;
    return std::make_shared<const sound::Audio>(std::move(*made));
}

sound::Blocks ClipRendering::blocks(float gain, const std::stop_token& stop) const {
    struct Coming {
        Frames from;
        std::future<Result<sound::AudioPtr>> block;
    };
    struct Ahead {
        std::deque<Coming> blocks;
        Frames until; // up to which they reach
    };
    const auto next = [this, gain, stop, most = static_cast<std::size_t>(workers()),
                       ahead = std::make_shared<Ahead>()](Frames from) -> Result<sound::AudioPtr> {
        auto& [coming, until] = *ahead;
        if (coming.empty() || coming.front().from != from) {
            coming.clear();
            const Block first = blockFrom(from);
            // What takes no time, or has nothing behind it, is not worth a thread.
            if (first.to >= length_ || !first.isRendered) return made(first, gain, stop);
            until = from;
        }
        while (coming.size() <= most && until < length_) {
            const Block block = blockFrom(until);
            if (!block.isRendered) break;
            coming.push_back({block.from, std::async(std::launch::async, [this, block, gain, stop] {
                                  return made(block, gain, stop);
                              })});
            until = block.to;
        }
        auto block = coming.front().block.get();
        coming.pop_front();
        return block;
    };
    const sound::Audio& material = parts_.front().job->sound->audio;
    return {material.rate, material.channelCount(), length_, next};
}

} // namespace project
