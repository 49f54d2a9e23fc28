#include "stretch/known_parts.h"

#include "sound/audio_store.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <vector>

namespace stretch {

namespace {

constexpr std::int64_t blockFrames = 1 << 17;
constexpr std::size_t mostRanges = 8; // of one recording; whoever moves the ends of a loop leaves many behind

// As far as parting looks on either side: five of its frames, of which one lasts up to 0.12 s and each begins half
// of that after the one before.
std::int64_t contextFrames(int rate) {
    return std::llround(0.4 * rate) + 64;
}

} // namespace

// What lasts in a range of the recording; frame 0 is the range's first.
class KnownParts::Kept {
  public:
    // Frames [from, to), worked out where they are not yet.
    using Work = std::function<Audio(Span)>;

    Kept(sound::AudioStore& store, base::Key key, Frames length, const Audio& like)
        : store_(store), key_(key), length_(length.value),
          done_(static_cast<std::size_t>((length_ + blockFrames - 1) / blockFrames), false) {
        if (auto found = store.find(key);
            found && found->audio->frames() == length && found->audio->channelCount() == like.channelCount())
            whole_ = std::move(found->audio);
        else
            draft_ = store.begin(like.rate, like.channelCount(), length);
    }
    bool hasRoom() const { return whole_ != nullptr || draft_ != nullptr; }

    // Copies frames [span.from, span.to) into `to`, from frame `at` of it on; false when stopped, and where the
    // disk refuses them.
    bool copy(Span span, Audio& to, std::int64_t at, const Work& work, const Progress& progress) {
        if (!makeDone(span, work, progress)) return false;
        const sound::AudioPtr from = view(span);
        for (std::size_t c = 0; c < to.channels.size(); ++c)
            std::copy(from->channels[c].begin(), from->channels[c].end(), to.channels[c].begin() + at);
        return true;
    }

  private:
    // Several threads may work on the same block: the same bits come out.
    bool makeDone(Span span, const Work& work, const Progress& progress) {
        while (const auto missing = firstMissing(span)) {
            const Audio made = work(*missing);
            if (progress.stopped() || !draft_->write(Frames(missing->from), made)) return false;
            setDone(*missing);
        }
        return true;
    }

    // The first run of blocks in a span that are not done.
    std::optional<Span> firstMissing(Span span) {
        const std::lock_guard lock(mutex_);
        if (whole_) return std::nullopt;
        const auto last = static_cast<std::size_t>((span.to - 1) / blockFrames);
        auto first = static_cast<std::size_t>(span.from / blockFrames);
        while (first <= last && done_[first])
            ++first;
        if (first > last) return std::nullopt;
        auto end = first;
        while (end <= last && !done_[end])
            ++end;
        return Span{static_cast<std::int64_t>(first) * blockFrames,
                    std::min(static_cast<std::int64_t>(end) * blockFrames, length_)};
    }

    void setDone(Span blocks) {
        const std::lock_guard lock(mutex_);
        for (std::int64_t at = blocks.from; at < blocks.to; at += blockFrames)
            done_[static_cast<std::size_t>(at / blockFrames)] = true;
        if (!whole_ && std::all_of(done_.begin(), done_.end(), [](bool done) { return done; }))
            whole_ = store_.finish(draft_, key_, Frames(length_)).audio;
    }

    sound::AudioPtr view(Span span) {
        const std::lock_guard lock(mutex_);
        if (!whole_) return draft_->view(Frames(span.from), Frames(span.to));
        auto part = std::make_shared<Audio>();
        part->rate = whole_->rate;
        for (const sound::Samples& samples : whole_->channels)
            part->channels.push_back(sound::Samples::viewOf(samples.data() + span.from,
                                                            static_cast<std::size_t>(span.length()), whole_));
        return part;
    }

    sound::AudioStore& store_;
    const base::Key key_;
    const std::int64_t length_;
    std::mutex mutex_; // guards the two below
    std::vector<bool> done_;
    sound::AudioPtr whole_; // once all of it is there
    std::shared_ptr<sound::StoreDraft> draft_;
};

KnownParts::KnownParts(sound::AudioStore& store, base::Key recording) : store_(store), recording_(recording) {}
KnownParts::~KnownParts() = default;

std::shared_ptr<KnownParts::Kept> KnownParts::keptFor(Span range, bool circle, const Audio& like) const {
    const std::lock_guard lock(mutex_);
    const Range which{range.from, range.to, circle};
    if (const auto known = kept_.find(which); known != kept_.end()) return known->second;
    if (kept_.size() >= mostRanges) kept_.erase(kept_.begin());
    const base::Key key = base::KeyMaker()
                              .add("lasting")
                              .add(static_cast<std::uint64_t>(renderVersion))
                              .add(recording_.high)
                              .add(recording_.low)
                              .add(static_cast<std::uint64_t>(range.from))
                              .add(static_cast<std::uint64_t>(range.to))
                              .add(static_cast<std::uint64_t>(circle))
                              .key();
    auto kept = std::make_shared<Kept>(store_, key, Frames(range.length()), like);
    if (!kept->hasRoom()) kept = nullptr;
    kept_[which] = kept;
    return kept;
}

Parts KnownParts::of(const Passage& passage, Span span, const Progress& progress) const {
    const Audio& in = *passage.in.audio;
    Span range{0, in.frames().value}; // that is kept, once
    Span whole = range;               // where it holds, again and again on a circle
    if (passage.circle) {
        range = {std::llround(passage.sourceAt(0)), std::llround(passage.sourceAt(double(passage.length)))};
        const std::int64_t context = contextFrames(in.rate);
        whole = {passage.in.begin + context, passage.in.begin + in.frames().value - context};
        if (range.from < whole.from || range.to > whole.to) return parted(passage, span, progress);
    }
    const auto kept = range.length() > 0 ? keptFor(range, passage.circle, in) : nullptr;
    if (!kept) return parted(passage, span, progress);
    const Audio empty(in.rate, in.channelCount(), Frames(span.length()));
    Parts out{empty, empty};
    for (std::int64_t at = span.from; at < span.to && !progress.stopped();) {
        const Progress part = progress.part(double(at - span.from) / double(span.length()), 1);
        const std::int64_t lap =
            passage.circle ? static_cast<std::int64_t>(std::floor(double(at - range.from) / double(range.length())))
                           : 0;
        const std::int64_t shift = range.from + lap * range.length();
        std::int64_t to = std::min({span.to, shift + range.length(), whole.to});
        bool copied = false;
        if (at >= whole.from && at < to)
            copied = kept->copy(
                {at - shift, to - shift}, out.lasting, at - span.from,
                [&](Span blocks) {
                    return parted(passage, {blocks.from + range.from, blocks.to + range.from}, part).lasting;
                },
                part);
        if (!copied) {
            // Beyond what is kept, or what the disk refused.
            if (at < whole.from)
                to = std::min(span.to, whole.from);
            else if (at >= whole.to)
                to = span.to;
            const Audio lasting = parted(passage, {at, to}, part).lasting;
            for (std::size_t c = 0; c < lasting.channels.size(); ++c)
                std::copy(lasting.channels[c].begin(), lasting.channels[c].end(),
                          out.lasting.channels[c].begin() + (at - span.from));
        }
        at = to;
    }
    for (std::size_t c = 0; c < in.channels.size(); ++c) {
        passage.in.copy(c, span, out.striking.channels[c].data());
        float* striking = out.striking.channels[c].data();
        const float* lasting = out.lasting.channels[c].data();
        for (std::size_t i = 0; i < out.striking.channels[c].size(); ++i)
            striking[i] -= lasting[i];
    }
    return out;
}

} // namespace stretch
