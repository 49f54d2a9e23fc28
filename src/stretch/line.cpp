#include "stretch/line.h"

#include <algorithm>

namespace stretch {

void Excerpt::copy(std::size_t channel, Span span, float* to) const {
    const std::int64_t length = span.length();
    const std::int64_t first = std::clamp<std::int64_t>(begin - span.from, 0, length);
    const std::int64_t end = std::clamp(begin + audio->frames().value - span.from, first, length);
    std::fill(to, to + first, 0.0F);
    const auto from = audio->channels[channel].begin() + (span.from - begin);
    if (end > first) std::copy(from + first, from + end, to + first);
    std::fill(to + end, to + length, 0.0F);
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
