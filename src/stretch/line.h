// How a method renders: piece by piece, each piece the same bits as in the whole.
#pragma once

#include "stretch/method.h"

#include <functional>
#include <memory>
#include <span>

namespace stretch {

// What a map may ask of a method in between: the widest stretch and two octaves of transposition together.
constexpr double widestRatio = 17;

// Frames from `from` up to, not including, `to`.
struct Span {
    std::int64_t from = 0;
    std::int64_t to = 0;
    std::int64_t length() const { return to - from; }
};

// Sound that need not begin at frame 0: frame g of what it is taken from is its sample g − begin. Outside it is
// silent. The audio must outlive it.
struct Excerpt {
    const Audio* audio = nullptr;
    std::int64_t begin = 0;

    float sample(std::size_t channel, std::int64_t frame) const {
        const std::int64_t i = frame - begin;
        return i >= 0 && i < audio->frames().value ? audio->channels[channel][static_cast<std::size_t>(i)] : 0.0F;
    }
    // Copies the frames of a span, silent where there are none.
    void copy(std::size_t channel, Span span, float* to) const;
    // The same from a frame on, times a window and as long as that.
    void shaped(std::size_t channel, std::int64_t from, std::span<const float> window, float* to) const;
};

// What a method is to render. Immutable.
struct Passage {
    std::shared_ptr<const Audio> unrolled; // what `in` looks at, where that is not the material itself
    Excerpt in;
    std::vector<Frames> attacks; // source frames, ascending
    TimeMap map;
    std::int64_t before = 0; // output frames of the map that come before the passage's frame 0
    std::int64_t length = 0; // output frames
    // The source before and after the passage, its attacks and its map are its own end and its own beginning, as
    // far as a method looks.
    bool circle = false;
    std::optional<std::vector<Frames>> strikes = std::nullopt; // which of the attacks are; none: the sound tells
    const KnownStrikes* known = nullptr; // where that is kept, if `in` is a recording as it is
    const KnownParts* parts = nullptr;   // where its parts are kept, also where it is unrolled

    double sourceAt(double output) const { return map.sourceAt(output + double(before)); }
    double outputAt(double source) const { return map.outputAt(source) - double(before); }
};

// A method that has been given its passage. Immutable; all members may be called from any thread.
class Line {
  public:
    Line() = default;
    virtual ~Line() = default;
    Line(const Line&) = delete;
    Line& operator=(const Line&) = delete;

    // The output frames from which a piece may begin without rendering much that comes before; ascending, within
    // the passage.
    virtual std::vector<std::int64_t> cuts() const = 0;
    // REQUIRES a span within the passage. Every frame comes out with the same bits in whatever span it is asked
    // for. Fails when cancelled.
    virtual Result<Audio> piece(Span span, const Progress& progress) const = 0;
};

// Renders a span in parts, cut where that is cheap, so that what a part needs does not grow with the span.
Result<Audio> inParts(Span span, const std::vector<std::int64_t>& cuts, int rate, const Progress& progress,
                      const std::function<Result<Audio>(Span, const Progress&)>& render);

} // namespace stretch
