// *Struck*: drums and plucked rhythm. Attacks are copied untouched to their exact places; only what lies between
// them is stretched, in the time domain.
#pragma once

#include "stretch/line.h"

namespace stretch {

// The method, given its passage. Immutable; any thread.
class Struck {
  public:
    // The passage must outlive this. `alike`: where no attack comes for long and the sound is brought to its place
    // all the same, that place is moved by a little to where the passage's sound goes on alike. `lead`: seconds
    // before an attack that are copied with it.
    explicit Struck(const Passage& passage, bool alike = true, double lead = 0.0015);

    // As Line's.
    std::vector<std::int64_t> cuts() const;
    Result<Audio> piece(Span span, const Excerpt& in, const Progress& progress) const;
    // The source frames that are looked at for a piece.
    Span sourceOf(Span span) const;

  private:
    friend class StruckRun;

    // A source frame that sounds at an output frame exactly.
    struct Anchor {
        std::int64_t source = 0;
        std::int64_t output = 0;
        bool exact = true; // false: an end that need not be met to the frame
        bool attack = false;
    };

    std::int64_t frames(double seconds) const { return static_cast<std::int64_t>(seconds * rate_); }
    std::vector<Anchor> attackAnchors() const;
    std::int64_t alikeBeside(std::int64_t source, const Anchor& anchor, std::int64_t output) const;
    std::size_t anchorBefore(std::int64_t output) const;

    const Passage& passage_;
    int rate_;
    double lead_;
    std::vector<Anchor> anchors_;
};

std::unique_ptr<Line> struckLine(Passage passage);

} // namespace stretch
