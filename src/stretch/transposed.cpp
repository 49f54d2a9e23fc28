#include "stretch/transposed.h"

#include "stretch/tape.h"

#include <algorithm>
#include <cmath>

namespace stretch {

namespace {

class PlayedFaster : public Line {
  public:
    PlayedFaster(std::unique_ptr<Line> line, std::int64_t length, bool circle, int rate, TimeMap map)
        : line_(std::move(line)), lineLength_(length), circle_(circle),
          rate_(rate), passage_{nullptr, {}, {}, std::move(map), 0, 0, false}, tape_(passage_) {}

    std::vector<std::int64_t> cuts() const override {
        std::vector<std::int64_t> list;
        for (const std::int64_t cut : line_->cuts()) {
            // The first frame for which nothing before the line's cut is read.
            auto at = static_cast<std::int64_t>(std::ceil(passage_.map.outputAt(double(cut))));
            const std::int64_t length = passage_.map.outputLength().value;
            while (at < length && tape_.sourceOf({at, at + 1}).from < cut)
                at += 8;
            if (at < length && (list.empty() || at > list.back())) list.push_back(at);
        }
        return list;
    }

    Result<Audio> piece(Span span, const Progress& progress) const override {
        return inParts(span, cuts(), rate_, progress, [&](Span part, const Progress& p) {
            const Span source = tape_.sourceOf(part);
            const auto read = lineOver(source, p.part(0, 0.8));
            if (!read) return read;
            return tape_.piece(part, {&*read, source.from}, p.part(0.8, 1));
        });
    }

  private:
    // The line's frames, round and round on a circle, silent beyond its ends otherwise.
    Result<Audio> lineOver(Span source, const Progress& progress) const {
        Audio out;
        const auto add = [&](const Audio& made, std::int64_t at) {
            if (out.channels.empty()) out = Audio(made.rate, made.channelCount(), Frames(source.length()));
            for (std::size_t c = 0; c < out.channels.size(); ++c)
                std::copy(made.channels[c].begin(), made.channels[c].end(), out.channels[c].begin() + at);
        };
        if (circle_ && source.length() >= lineLength_) {
            const auto all = line_->piece({0, lineLength_}, progress);
            if (!all) return all;
            out = Audio(all->rate, all->channelCount(), Frames(source.length()));
            for (std::size_t c = 0; c < out.channels.size(); ++c) {
                auto at = ((source.from % lineLength_) + lineLength_) % lineLength_;
                for (float& sample : out.channels[c]) {
                    sample = all->channels[c][static_cast<std::size_t>(at)];
                    if (++at == lineLength_) at = 0;
                }
            }
            return out;
        }
        if (!circle_) {
            const Span there{std::clamp<std::int64_t>(source.from, 0, lineLength_ - 1),
                             std::clamp<std::int64_t>(source.to, 1, lineLength_)};
            const auto made = line_->piece({there.from, std::max(there.from + 1, there.to)}, progress);
            if (!made) return made;
            add(*made, there.from - source.from);
            return out;
        }
        for (std::int64_t at = source.from; at < source.to;) {
            const std::int64_t turn = (at >= 0 ? at : at - lineLength_ + 1) / lineLength_;
            const std::int64_t to = std::min(source.to, (turn + 1) * lineLength_);
            const auto made = line_->piece({at - turn * lineLength_, to - turn * lineLength_}, progress);
            if (!made) return made;
            add(*made, at - source.from);
            at = to;
        }
        return out;
    }

    const std::unique_ptr<Line> line_;
    const std::int64_t lineLength_;
    const bool circle_;
    const int rate_;
    const Passage passage_;
    const Tape tape_;
};

} // namespace

std::unique_ptr<Line> playedFaster(std::unique_ptr<Line> line, std::int64_t length, bool circle, int rate,
                                   TimeMap map) {
    return std::make_unique<PlayedFaster>(std::move(line), length, circle, rate, std::move(map));
}

} // namespace stretch
