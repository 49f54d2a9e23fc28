#include "stretch/slices.h"

#include <algorithm>
#include <cmath>

namespace stretch {

namespace {

constexpr double crossing = 0.0015; // seconds before an attack
constexpr double tailFade = 0.008;  // seconds of a piece that ends before the next begins

class SlicesLine : public Line {
  public:
    explicit SlicesLine(Passage passage) : passage_(std::move(passage)) {
        const int rate = passage_.in.audio->rate;
        lead_ = std::max<std::int64_t>(1, static_cast<std::int64_t>(crossing * rate));
        tail_ = std::max<std::int64_t>(1, static_cast<std::int64_t>(tailFade * rate));
        // The passage's first source frame begins a piece, and so does every attack; the last ends one. Of a
        // circle, the map goes on before and after.
        const std::int64_t first = passage_.map.points().front().source.value;
        const std::int64_t last = passage_.map.points().back().source.value;
        add(first);
        for (const Frames a : passage_.attacks)
            if (a.value > first + lead_ && a.value < last) add(a.value);
        end_ = last;
        endOutput_ = std::llround(passage_.outputAt(double(last)));
    }

    std::vector<std::int64_t> cuts() const override {
        std::vector<std::int64_t> list;
        for (const Piece& p : pieces_)
            if (const std::int64_t at = p.output - lead_; at > 0 && at < passage_.length) list.push_back(at);
        list.erase(std::unique(list.begin(), list.end()), list.end());
        return list;
    }

    Result<Audio> piece(Span span, const Progress& progress) const override {
        if (progress.stopped()) return base::cancelled();
        const Audio& in = *passage_.in.audio;
        Audio out(in.rate, in.channelCount(), Frames(span.length()));
        // The last piece that begins to sound at or before the span.
        auto at = std::upper_bound(pieces_.begin(), pieces_.end(), span.from + lead_,
                                   [](std::int64_t frame, const Piece& p) { return frame < p.output; });
        if (at != pieces_.begin()) --at;
        if (at != pieces_.begin()) --at; // it may still be crossing over
        for (auto i = static_cast<std::size_t>(at - pieces_.begin());
             i < pieces_.size() && pieces_[i].output - lead_ < span.to; ++i) {
            if (progress.stopped()) return base::cancelled();
            addPiece(i, span, out);
        }
        return out;
    }

  private:
    struct Piece {
        std::int64_t source = 0;
        std::int64_t output = 0;
    };

    void add(std::int64_t source) {
        const std::int64_t output = std::llround(passage_.outputAt(double(source)));
        // Attacks that fall together are one.
        if (!pieces_.empty() && output - pieces_.back().output <= 2 * lead_) return;
        pieces_.push_back({source, output});
    }

    void addPiece(std::size_t i, Span span, Audio& out) const {
        const Piece& p = pieces_[i];
        const bool isFirst = i == 0;
        const bool isLast = i + 1 == pieces_.size();
        const std::int64_t nextSource = isLast ? end_ : pieces_[i + 1].source;
        const std::int64_t room = (isLast ? endOutput_ : pieces_[i + 1].output) - p.output;
        const std::int64_t length = std::min(nextSource - p.source, room);
        const bool cutOff = nextSource - p.source >= room; // the next begins at once
        const std::int64_t rise = isFirst ? 0 : lead_;
        // Sounds over [p.output − rise, p.output + length), less what crosses over into the next.
        const std::int64_t end = p.output + length;
        const std::int64_t fade = isLast && cutOff ? 0
                                  : cutOff         ? lead_
                                                   : std::min(tail_, std::max<std::int64_t>(1, length / 4));
        // Where more room follows, the piece ends before the recording's next attack is heard.
        const std::int64_t fadeEnd = cutOff ? end : end - lead_ / 2;
        const std::int64_t from = std::max(span.from, p.output - rise);
        const std::int64_t to = std::min(span.to, end);
        for (std::size_t c = 0; c < out.channels.size(); ++c)
            for (std::int64_t f = from; f < to; ++f) {
                double gain = 1;
                if (f < p.output) gain = double(f - (p.output - rise) + 1) / double(rise + 1);
                if (fade > 0 && f >= fadeEnd - fade)
                    gain *= std::max(0.0, 1 - double(f - (fadeEnd - fade) + 1) / double(fade + 1));
                out.channels[c][static_cast<std::size_t>(f - span.from)] +=
                    static_cast<float>(gain * double(passage_.in.sample(c, p.source + f - p.output)));
            }
    }

    const Passage passage_;
    std::int64_t lead_ = 1;
    std::int64_t tail_ = 1;
    std::int64_t end_ = 0;
    std::int64_t endOutput_ = 0;
    std::vector<Piece> pieces_; // by place
};

} // namespace

std::unique_ptr<Line> slicesLine(Passage passage) {
    return std::make_unique<SlicesLine>(std::move(passage));
}

} // namespace stretch
