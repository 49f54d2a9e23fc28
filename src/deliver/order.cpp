#include "deliver/order.h"

#include "base/safe_file.h"
#include "base/utf8.h"
#include "metre/tempo.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <unordered_map>

namespace deliver {

namespace fs = std::filesystem;
using metre::Beats;

namespace {

constexpr std::array<std::pair<What, const char*>, 6> whatWords{{{What::Loops, "loops"},
                                                                 {What::Stems, "stems"},
                                                                 {What::Mix, "mix"},
                                                                 {What::Click, "click"},
                                                                 {What::Map, "map"},
                                                                 {What::Proof, "proof"}}};

// The same part of the same source with the same settings, at one and the same tempo: where it lies may make it a
// frame longer or shorter, and no more.
bool soundTheSame(const project::LaidClip& a, const project::LaidClip& b) {
    project::Clip there = *a.clip;
    there.id = b.clip->id;
    there.at = b.clip->at;
    if (!(there == *b.clip) || a.source != b.source) return false;
    return !a.time().stretched || (a.time().steadyTempo && a.time().steadyTempo == b.time().steadyTempo);
}

// Equal for clips that sound the same, and nearly always different for others.
base::Key likeness(const project::LaidClip& c) {
    base::KeyMaker maker;
    maker.add(static_cast<std::uint64_t>(c.clip->source.value)).add(c.clip->from.value).add(c.clip->to.value);
    if (c.time().stretched && c.time().steadyTempo) maker.add(c.time().steadyTempo->value);
    return maker.key();
}

// Bits a second of lossy kinds, about: what quality 6 of each comes to, and what the others do.
double bitsASecond(const Order& order, int rate, int channels) {
    if (!sound::isLossy(order.kind)) {
        const int bytes = order.depth == sound::Depth::Int16 ? 2 : order.depth == sound::Depth::Int24 ? 3 : 4;
        return 8.0 * bytes * rate * channels * sound::packedTo(order.kind);
    }
    return (40'000 + 15'000 * order.quality) * channels;
}

std::int64_t bytesOf(const Order& order, const project::Laid& laid, Frames frames, int channels) {
    const double seconds = double(frames.value) / laid.project().rate;
    return std::llround(seconds * bitsASecond(order, rateOf(laid, order), channels) / 8) + 1000;
}

} // namespace

const std::vector<What>& allWhat() {
    static const std::vector<What> all{What::Loops, What::Stems, What::Mix, What::Click, What::Map, What::Proof};
    return all;
}

const char* whatWord(What what) {
    return whatWords[static_cast<std::size_t>(what)].second;
}

std::optional<What> whatFromWord(const std::string& word) {
    for (const auto& [what, text] : whatWords)
        if (word == text) return what;
    return std::nullopt;
}

int rateOf(const project::Laid& laid, const Order& order) {
    return sound::rateIn(order.kind, order.rate.value_or(laid.project().rate));
}

bool isHeard(const project::Laid& laid, std::size_t track) {
    const auto clips = laid.onTrack(track);
    return std::any_of(clips.begin(), clips.end(), [](const project::LaidClip& c) {
        return c.source && c.chain.heard && !c.time().parts.empty();
    });
}

Result<Span> spanOf(const project::Laid& laid, const Order& order) {
    const project::Project& p = laid.project();
    constexpr double hair = 0.02; // beats: what reaches so little into a bar does not sound there
    const int fromBar = order.fromBar.value_or(1);
    int toBar = order.toBar.value_or(0);
    if (!order.toBar) {
        Beats last = laid.end();
        // A clip that ends on a bar line does not sound in the bar that begins there.
        toBar = std::max(fromBar, p.metre.barAt(last - Beats(hair)));
        if (laid.clips().empty()) return base::problem("There is nothing on the page to deliver yet.");
    }
    if (toBar < fromBar)
        return base::problem(
            fmt::format("From bar {} to bar {} there is nothing: the range is empty.", fromBar, toBar));
    Span span;
    span.from = p.metre.startOfBar(fromBar);
    span.to = p.metre.startOfBar(toBar + 1);
    const Seconds begins = p.tempo.secondsAt(span.from);
    const Seconds ends = p.tempo.secondsAt(span.to) + order.tail;
    if (ends - begins > longestDelivery)
        return base::problem(fmt::format("From bar {} to bar {} is {:.1f} hours; {:.0f} can be delivered at once.",
                                         fromBar, toBar, (ends - begins).value / 3600,
                                         longestDelivery.value / 3600));
    span.first = metre::toFrames(begins, p.rate);
    span.length = metre::toFrames(ends, p.rate) - span.first;
    return span;
}

namespace {

// The files of an order, one after the other, each under another name.
class Planning {
  public:
    Planning(const project::Laid& laid, const Order& order)
        : laid_(laid), order_(order), title_(safeName(order.title.empty() ? "project" : order.title)),
          isThere_(isFolder(order.folder)) {}

    Result<std::vector<Planned>> files() {
        if (wants(What::Loops))
            if (auto added = addLoops(); !added) return tl::unexpected(added.error());
        if (auto added = addSpan(); !added) return tl::unexpected(added.error());
        if (wants(What::Proof) && !laid_.clips().empty()) {
            const auto each = static_cast<std::int64_t>(laid_.clips().size());
            add(What::Proof, safeName(title_ + "_proof"), ".html", 4000 + 6000 * each);
            add(What::Proof, safeName(title_ + "_proof"), ".csv", 500 + 200 * each);
        }
        if (files_.empty()) return base::problem("There is nothing to deliver yet.");
        if (auto may = mayReplace(); !may) return tl::unexpected(may.error());
        return std::move(files_);
    }

  private:
    static bool isFolder(const fs::path& folder) {
        std::error_code ignored;
        return fs::is_directory(folder, ignored);
    }
    bool wants(What what) const {
        return std::find(order_.what.begin(), order_.what.end(), what) != order_.what.end();
    }
    Planned& add(What what, const std::string& name, const char* ending, std::int64_t bytes) {
        Planned file;
        file.what = what;
        file.file = order_.folder / (names_.different(name, ending) + ending);
        std::error_code ignored;
        file.exists = isThere_ && fs::exists(fs::symlink_status(file.file, ignored));
        file.bytes = bytes;
        files_.push_back(std::move(file));
        return files_.back();
    }

    Result<void> addLoops() {
        // A pattern is wrong whether there are clips or not.
        if (auto means = patternMeans(order_.pattern); !means) return tl::unexpected(means.error());
        int loops = 0;
        std::unordered_map<base::Key, std::vector<const project::LaidClip*>, base::KeyHash> alike;
        for (const project::ClipId id : order_.clips) {
            const project::LaidClip* clip = laid_.find(id);
            if (clip == nullptr || !clip->source) continue;
            auto& like = alike[likeness(*clip)];
            if (std::any_of(like.begin(), like.end(),
                            [&](const auto* other) { return soundTheSame(*other, *clip); }))
                continue;
            like.push_back(clip);
            const auto name = nameOf(*clip, ++loops, order_.pattern);
            if (!name) return tl::unexpected(name.error());
            add(What::Loops, *name, sound::kindEnding(order_.kind),
                bytesOf(order_, laid_, clip->time().length, clip->source->facts.channels))
                .clip = id;
        }
        return {};
    }

    // What is made of a range of bars.
    Result<void> addSpan() {
        const bool ranged = wants(What::Stems) || wants(What::Mix) || wants(What::Click) || wants(What::Map);
        if (!ranged || (laid_.clips().empty() && !order_.toBar)) return {};
        const auto span = spanOf(laid_, order_);
        if (!span) return tl::unexpected(span.error());
        const char* ending = sound::kindEnding(order_.kind);
        const std::int64_t bytes = bytesOf(order_, laid_, span->length, 2);
        const auto& tracks = laid_.project().tracks;
        int number = 0;
        for (std::size_t t = 0; t < tracks.size() && wants(What::Stems); ++t)
            if (isHeard(laid_, t))
                add(What::Stems, safeName(fmt::format("{}_stem_{:02}_{}", title_, ++number, tracks[t]->name)),
                    ending, bytes)
                    .track = t;
        if (wants(What::Mix)) add(What::Mix, safeName(title_ + "_mix"), ending, bytes);
        if (wants(What::Click)) add(What::Click, safeName(title_ + "_click"), ending, bytes);
        if (wants(What::Map)) add(What::Map, safeName(title_ + "_tempo_map"), ".mid", 1000);
        return {};
    }

    // A recording is never replaced by what is made of it, under whichever name it is reached.
    Result<void> mayReplace() const {
        if (std::none_of(files_.begin(), files_.end(), [](const Planned& file) { return file.exists; })) return {};
        std::vector<base::FileIdentity> recordings;
        for (const project::SourcePtr& source : laid_.project().sources)
            if (const auto identity = base::identityOf(source->file)) recordings.push_back(*identity);
        std::sort(recordings.begin(), recordings.end());
        for (const Planned& file : files_) {
            if (!file.exists) continue;
            const auto identity = base::identityOf(file.file);
            if (identity && std::binary_search(recordings.begin(), recordings.end(), *identity))
                return base::problem(fmt::format("{} would be replaced, and it is a recording of this project. "
                                                 "Choose another folder or other names.",
                                                 base::shownPath(file.file)));
        }
        return {};
    }

    const project::Laid& laid_;
    const Order& order_;
    const std::string title_;
    const bool isThere_; // its folder
    DifferentNames names_;
    std::vector<Planned> files_;
};

} // namespace

Result<std::vector<Planned>> plan(const project::Laid& laid, const Order& order) {
    return Planning(laid, order).files();
}

} // namespace deliver
