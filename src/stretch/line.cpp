#include "stretch/line.h"

#include "base/four.h"

#include <algorithm>

namespace stretch {

namespace {

// What of a span there is, counted from its beginning.
Span thereOf(const Excerpt& in, Span span) {
    const std::int64_t first = std::clamp<std::int64_t>(in.begin - span.from, 0, span.length());
    return {first, std::clamp(in.begin + in.audio->frames().value - span.from, first, span.length())};
}

} // namespace

void Excerpt::copy(std::size_t channel, Span span, float* to) const {
    const Span there = thereOf(*this, span);
    std::fill(to, to + there.from, 0.0F);
    const auto from = audio->channels[channel].begin() + (span.from - begin);
    if (there.length() > 0) std::copy(from + there.from, from + there.to, to + there.from);
    std::fill(to + there.to, to + span.length(), 0.0F);
}

void Excerpt::shaped(std::size_t channel, std::int64_t from, std::span<const float> window, float* to) const {
    const Span span{from, from + static_cast<std::int64_t>(window.size())};
    const Span there = thereOf(*this, span);
    std::fill(to, to + there.from, 0.0F);
    if (there.length() > 0) {
        const float* x = audio->channels[channel].data() + (span.from - begin + there.from);
        std::int64_t i = there.from;
        for (; i + 4 <= there.to; i += 4, x += 4)
            base::put(base::four(x) * base::four(window.data() + i), to + i);
        for (; i < there.to; ++i, ++x)
            to[i] = *x * window[static_cast<std::size_t>(i)];
    }
    std::fill(to + there.to, to + span.length(), 0.0F);
}

Result<Audio> inParts(Span span, const std::vector<std::int64_t>& cuts, int rate, const Progress& progress,
                      const std::function<Result<Audio>(Span, const Progress&)>& render) {
    const std::int64_t least = std::int64_t(12) * rate;
    std::vector<Span> parts;
    std::int64_t from = span.from;
    for (const std::int64_t cut : cuts)
        if (cut >= from + least && cut + least / 2 < span.to) {
            parts.push_back({from, cut});
            from = cut;
        }
    parts.push_back({from, span.to});
    if (parts.size() == 1) return render(span, progress);
    Audio out;
    for (const Span part : parts) {
        const double length = double(span.length());
        auto made = render(
            part, progress.part(double(part.from - span.from) / length, double(part.to - span.from) / length));
        if (!made) return made;
        if (out.channels.empty()) out = Audio(made->rate, made->channelCount(), Frames(span.length()));
        for (std::size_t c = 0; c < out.channels.size(); ++c)
            std::copy(made->channels[c].begin(), made->channels[c].end(),
                      out.channels[c].begin() + (part.from - span.from));
    }
    return out;
}

} // namespace stretch
