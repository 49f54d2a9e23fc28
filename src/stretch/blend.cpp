#include "stretch/blend.h"

#include "stretch/known_parts.h"
#include "stretch/loop.h"
#include "stretch/struck.h"
#include "stretch/vocoder.h"

#include <algorithm>

namespace stretch {

namespace {

// Seconds around attacks in which both parts are as they were: what parting has smeared from one into the other
// there still adds up.
constexpr double around = 0.045;

class BlendLine : public Line {
  public:
    BlendLine(Passage passage, double formantsAgainst)
        : passage_(std::move(passage)), vocoder_(passage_, {0.085, formantsAgainst, around}),
          struck_(passage_, false, around) {}

    std::vector<std::int64_t> cuts() const override { return vocoder_.cuts(); }

    Result<Audio> piece(Span span, const Progress& progress) const override {
        return inParts(span, cuts(), passage_.in.audio->rate, progress, [&](Span part, const Progress& p) {
            if (!passage_.circle) return straight(part, p);
            return folded(part, passage_.length, vocoder_.reach(), p,
                          [&](Span there, const Progress& q) { return straight(there, q); });
        });
    }

  private:
    Result<Audio> straight(Span span, const Progress& progress) const {
        Span source = vocoder_.sourceOf(span);
        const Span struck{std::max<std::int64_t>(span.from, 0), std::min(span.to, passage_.length)};
        if (struck.from < struck.to) {
            const Span also = struck_.sourceOf(struck);
            source = {std::min(source.from, also.from), std::max(source.to, also.to)};
        }
        const Parts parts = passage_.parts != nullptr ? passage_.parts->of(passage_, source, progress.part(0, 0.4))
                                                      : parted(passage_, source, progress.part(0, 0.4));
        if (progress.stopped()) return base::cancelled();
        auto out = vocoder_.piece(span, {&parts.lasting, source.from}, progress.part(0.4, 0.8));
        if (!out) return out;
        const auto strokes = struck_.piece(span, {&parts.striking, source.from}, progress.part(0.8, 1));
        if (!strokes) return strokes;
        for (std::size_t c = 0; c < out->channels.size(); ++c)
            for (std::size_t i = 0; i < out->channels[c].size(); ++i)
                out->channels[c][i] += strokes->channels[c][i];
        return out;
    }

    const Passage passage_;
    const Vocoder vocoder_;
    const Struck struck_;
};

} // namespace

std::unique_ptr<Line> blendLine(Passage passage, double formantsAgainst) {
    return std::make_unique<BlendLine>(std::move(passage), formantsAgainst);
}

} // namespace stretch
