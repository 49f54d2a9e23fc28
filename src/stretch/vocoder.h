// The shared spectral engine of *Held*, *Blend* and *Sung*: a phase vocoder that keeps what belongs together
// together.
#pragma once

#include "stretch/hops.h"
#include "stretch/line.h"
#include "stretch/zones.h"

namespace stretch {

struct VocoderSettings {
    double window = 0.17; // seconds: long for chords, short for one voice
    // What the result's pitch will be multiplied by afterwards: the spectral envelope is moved the other way
    // beforehand, so that formants stay. 1: leaves it alone.
    double formantsAgainst = 1;
    // Seconds around an attack that stay unstretched; at least a quarter of the window.
    double around = 0;
};

// A vocoder that has been given its passage; all channels get the same phase rotations. Its frames are
// dealt out in runs that need nothing of each other: each begins at an attack, where phases are as recorded. Where
// none comes for long, a run begins unheard a second and a half early, and the one before it is led over to the
// phases that it then has, a little with every frame; on a circle the last run is led over to the first. Immutable;
// any thread.
class Vocoder {
  public:
    // The passage must outlive this.
    Vocoder(const Passage& passage, const VocoderSettings& settings);

    // As Line's, over a line that on a circle reaches from −reach() to length + reach() and is to be folded.
    std::vector<std::int64_t> cuts() const;
    Result<Audio> piece(Span span, const Excerpt& in, const Progress& progress) const;
    std::int64_t reach() const { return static_cast<std::int64_t>(size_ / 2); }
    // The source frames that are looked at for a piece.
    Span sourceOf(Span span) const;

  private:
    friend class VocoderRun;

    // Frames are counted from the passage's first; before it they are those of a circle's end.
    struct Run {
        std::int64_t first = 0;
        std::int64_t runUp = 0; // unheard frames before the first
    };

    // Frames on each side of an attack that stay unstretched.
    std::int64_t reachAround() const {
        return std::max(static_cast<std::int64_t>(size_ / 4),
                        static_cast<std::int64_t>(settings_.around * passage_.in.audio->rate));
    }
    std::size_t runOf(std::int64_t frame) const;
    Run runAfter(std::size_t run) const; // for the last: on a circle the first again, else an empty one at the end
    Span framesOf(Span span) const;

    const Passage& passage_;
    VocoderSettings settings_;
    std::size_t size_;
    Hops hops_; // the frames' centres in the output
    std::int64_t frames_;
    Zones zones_;
    std::vector<Run> runs_;
};

// A method that is a vocoder and nothing else.
std::unique_ptr<Line> vocoderLine(Passage passage, const VocoderSettings& settings);

} // namespace stretch
