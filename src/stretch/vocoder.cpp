// A phase vocoder with phases locked around spectral peaks: Laroche & Dolson, "Improved Phase Vocoder Time-Scale
// Modification of Audio", IEEE Trans. Speech and Audio Processing 1999; that each output frame is led on from the
// one before by a second analysis one hop earlier is after Puckette, "Phase-locked Vocoder", WASPAA 1995; phases as
// recorded at attacks after Röbel, "A new approach to transient processing in the phase vocoder", DAFx 2003 (all
// from memory). Ours differs in that no phase is ever computed: around each peak, the frame is turned by the one
// angle at which its own past fits best, over all channels together, to what was put out before.
#include "stretch/vocoder.h"

#include "base/four.h"
#include "sound/fft.h"
#include "stretch/bins.h"
#include "stretch/envelope.h"
#include "stretch/loop.h"
#include "stretch/regions.h"
#include "stretch/strikes.h"
#include "stretch/turns.h"

#include <algorithm>
#include <cmath>
#include <complex>
#include <numbers>

namespace stretch {

namespace {

using Spectrum = std::vector<std::complex<float>>;

// Output seconds: a run is no shorter than the first where attacks could begin another, and no longer than the
// second; so long is one led over to the next.
constexpr double shortestRun = 6;
constexpr double longestRun = 10;
constexpr double leadOver = 1.5;

std::size_t windowFor(double seconds, int rate) {
    std::size_t size = 64;
    while (double(size) * 1.42 < seconds * rate)
        size *= 2;
    return size;
}

Hops hopsOf(const Passage& passage, std::int64_t window) {
    return passage.circle ? Hops::onCircle(0, passage.length, window / 4)
                          : Hops::onLine(window / 4 - window / 2, window / 4);
}

} // namespace

Vocoder::Vocoder(const Passage& passage, const VocoderSettings& settings)
    : passage_(passage), settings_(settings), size_(windowFor(settings.window, passage.in.audio->rate)),
      hops_(hopsOf(passage, static_cast<std::int64_t>(size_))),
      frames_(passage.circle ? hops_.onceRound()
                             : hops_.from(passage.length + static_cast<std::int64_t>(size_ / 2))),
      zones_(attackZones(passage, strikesOf(passage), static_cast<std::size_t>(reachAround()))) {
    const auto inFrames = [&](double seconds) {
        return static_cast<std::int64_t>(seconds * passage.in.audio->rate / hops_.hop()) + 1;
    };
    const std::int64_t runUp = std::min(inFrames(leadOver), (frames_ + 1) / 2);
    runs_.push_back({0, passage.circle ? runUp : 0});
    const auto addLong = [&](std::int64_t upTo) {
        while (upTo - runs_.back().first > inFrames(longestRun))
            runs_.push_back({runs_.back().first + inFrames(longestRun) - runUp - 1, runUp});
    };
    for (const std::int64_t reset : zones_.resets()) {
        const std::int64_t frame = hops_.from(reset);
        // Each run has room to be led over to the next.
        const std::int64_t latest = frames_ - (passage.circle ? inFrames(shortestRun) : 1);
        if (frame < runs_.back().first + inFrames(shortestRun) || frame > latest) continue;
        addLong(frame);
        if (frame >= runs_.back().first + inFrames(shortestRun)) runs_.push_back({frame, runUp});
    }
    addLong(frames_);
}

std::size_t Vocoder::runOf(std::int64_t frame) const {
    const auto after = std::upper_bound(runs_.begin(), runs_.end(), frame,
                                        [](std::int64_t f, const Run& run) { return f < run.first; });
    return static_cast<std::size_t>(after - runs_.begin()) - 1;
}

Vocoder::Run Vocoder::runAfter(std::size_t run) const {
    if (run + 1 < runs_.size()) return runs_[run + 1];
    return {frames_, passage_.circle ? runs_.front().runUp : 0};
}

// The frames that sound within a span.
Span Vocoder::framesOf(Span span) const {
    const std::int64_t from = std::clamp<std::int64_t>(hops_.from(span.from - reach() + 1), 0, frames_);
    return {from, std::clamp(hops_.from(span.to + reach()), from, frames_)};
}

std::vector<std::int64_t> Vocoder::cuts() const {
    // From where on nothing sounds of the run before.
    std::vector<std::int64_t> list;
    for (std::size_t i = 1; i < runs_.size(); ++i)
        if (const std::int64_t cut = hops_.at(runs_[i].first - 1) + reach(); cut < passage_.length)
            list.push_back(cut);
    return list;
}

Span Vocoder::sourceOf(Span span) const {
    const Span frames = framesOf(span);
    const Run& run = runs_[runOf(frames.from)];
    const std::int64_t first = hops_.at(run.first - run.runUp);
    const std::int64_t last = hops_.at(frames.to);
    // A look back by a hop, and what rounding to frames may make of it.
    const std::int64_t hop = static_cast<std::int64_t>(hops_.hop()) + 2;
    return {zones_.sourceAt(first) - hop - reach(), zones_.sourceAt(last) + hop + reach()};
}

// The buffers of one rendering; one thread.
class VocoderRun {
  public:
    VocoderRun(const Vocoder& plan, const Excerpt& in, Span span)
        : plan_(plan), in_(in), span_(span), size_(plan.size_), fft_(size_), bins_(fft_.bins()), shape_(size_),
          overlapped_(size_), envelope_(size_, in.audio->rate, plan.settings_.formantsAgainst),
          out_(in.audio->rate, in.audio->channelCount(), Frames(span.length())), power_(bins_ + 4),
          lastPower_(bins_ + 4), regions_(bins_), turning_(bins_), behind_(bins_ + 2 * beside + 4),
          ahead_(bins_ + 2 * beside + 4), rises_(bins_ + 4), scratch_(bins_), main_(bins_), next_(bins_),
          now_(in.audio->channels.size(), Spectrum(bins_)), last_(now_), past_(bins_) {
        // Hann windows squared, a hop apart, sum to this.
        const auto scale = static_cast<float>(plan.hops_.hop() / (0.375 * double(size_)));
        for (std::size_t i = 0; i < size_; ++i) {
            shape_[i] = static_cast<float>(0.5 - 0.5 * std::cos(2 * std::numbers::pi * double(i) / double(size_)));
            overlapped_[i] = scale * shape_[i];
        }
    }

    Result<Audio> run(const Progress& progress) {
        const Span frames = plan_.framesOf(span_);
        if (frames.from >= frames.to) return std::move(out_);
        for (std::size_t r = plan_.runOf(frames.from); r < plan_.runs_.size(); ++r) {
            const Vocoder::Run& run = plan_.runs_[r];
            if (run.first >= frames.to) break;
            const Vocoder::Run following = plan_.runAfter(r);
            // Having been led over to it, this run is where it would be on its own.
            const bool goesOn = r > plan_.runOf(frames.from);
            if (goesOn) std::swap(main_, next_);
            const std::int64_t begin = goesOn ? run.first : run.first - run.runUp;
            for (std::int64_t k = begin; k < std::min(following.first, frames.to); ++k) {
                if (progress.stopped()) return base::cancelled();
                if (k >= run.first)
                    progress.at(std::clamp(double(k - frames.from) / double(frames.length()), 0.0, 1.0));
                const std::int64_t left = following.first - k;
                step(k, k == begin && !goesOn, left <= following.runUp ? left : 0, left == following.runUp);
                if (k >= frames.from && k >= run.first) put(plan_.hops_.at(k));
            }
        }
        return std::move(out_);
    }

  private:
    // Works out one frame. `left`: frames until the next run, when this one is being led over to it, else 0.
    void step(std::int64_t k, bool first, std::int64_t left, bool leadBegins) {
        const std::int64_t o = plan_.hops_.at(k);
        const std::int64_t previous = plan_.hops_.at(k - 1);
        const std::int64_t source = plan_.zones_.sourceAt(o);
        std::swap(now_, last_);
        std::swap(power_, lastPower_);
        for (std::size_t c = 0; c < now_.size(); ++c) {
            analyse(c, source, now_[c]);
            (c == 0 ? setPower : addPower)(now_[c], power_.data());
        }
        silent_ =
            std::all_of(power_.begin(), power_.begin() + std::ptrdiff_t(bins_), [](float p) { return p == 0; });
        if (silent_) {
            main_.none();
            next_.none();
            for (Spectrum& now : now_)
                std::fill(now.begin(), now.end(), 0.0F);
            return;
        }
        const bool asRecorded = plan_.zones_.resetsBetween(previous, o);
        const bool sameSpeed = source - plan_.zones_.sourceAt(previous) == o - previous;
        if (!first && (asRecorded || !sameSpeed)) {
            for (std::size_t c = 0; c < now_.size(); ++c) {
                analyse(c, source - (o - previous), past_);
                turning_.compare(c, last_[c], past_);
            }
            regions_.find(power_);
        }
        if (asRecorded) lookAhead(source);
        const auto advance = [&](Turns& turns, bool begins) {
            if (begins) {
                turns.none();
            } else if (asRecorded) {
                turning_.find(regions_, power_, lastPower_, turns);
                turns.none(rises_);
            } else if (sameSpeed) { // going on at the recording's own speed, as turned as before
                turns.flatten();
            } else {
                turning_.find(regions_, power_, lastPower_, turns);
            }
        };
        advance(main_, first);
        if (left > 0) {
            advance(next_, leadBegins);
            main_.lead(next_, left);
        }
    }

    // Finds the bins in which an attack brings more than there was: those begin with it, while what lasts through
    // it goes on.
    void lookAhead(std::int64_t source) {
        powerAt(source - static_cast<std::int64_t>(size_ / 4), behind_);
        powerAt(source + plan_.reachAround() + static_cast<std::int64_t>(size_ / 8), ahead_);
        constexpr float rise = 2;
        const auto about = [](const float* power) {
            return base::four(power) + base::four(power + 1) + base::four(power + 2) + base::four(power + 3) +
                   base::four(power + 4);
        };
        for (std::size_t b = 0; b < bins_; b += 4)
            base::put(about(&ahead_[b]) > rise * about(&behind_[b]), &rises_[b]);
    }

    void powerAt(std::int64_t source, std::vector<float>& power) {
        for (std::size_t c = 0; c < now_.size(); ++c) {
            analyse(c, source, scratch_);
            (c == 0 ? setPower : addPower)(scratch_, power.data() + beside);
        }
    }

    // Puts out the frame that was worked out.
    void put(std::int64_t o) {
        if (silent_) return;
        for (std::size_t c = 0; c < now_.size(); ++c) {
            const auto spectrum = fft_.spectrum();
            main_.turn(now_[c], spectrum);
            if (envelope_.moves()) envelope_.move(spectrum);
            spectrum[0].imag(0);
            spectrum[bins_ - 1].imag(0);
            fft_.inverse();
            overlap(c, o - plan_.reach());
        }
    }

    void analyse(std::size_t c, std::int64_t centre, Spectrum& to) {
        in_.shaped(c, centre - plan_.reach(), shape_, fft_.time().data());
        fft_.forward(to);
    }

    void overlap(std::size_t c, std::int64_t at) {
        const std::int64_t begin = std::max<std::int64_t>(0, span_.from - at);
        const std::int64_t end = std::min(static_cast<std::int64_t>(size_), span_.to - at);
        if (begin < end)
            addShaped(fft_.time().data() + begin, overlapped_.data() + begin, static_cast<std::size_t>(end - begin),
                      out_.channels[c].data() + (at - span_.from + begin));
    }

    const Vocoder& plan_;
    const Excerpt in_;
    const Span span_;
    std::size_t size_;
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;      // of what is looked at
    std::vector<float> overlapped_; // and of what is put out
    Envelope envelope_;
    Audio out_;
    std::vector<float> power_; // of the frame, over all channels, and room for whole fours
    std::vector<float> lastPower_;
    Regions regions_; // of its peaks
    Turning turning_;
    static constexpr std::size_t beside = 2; // silent bins on either side of the next two
    std::vector<float> behind_;              // the power before an attack
    std::vector<float> ahead_;               // and after it
    std::vector<std::int32_t> rises_;        // not 0 in the bins in which it brings something
    Spectrum scratch_;
    Turns main_;                 // of what is heard
    Turns next_;                 // of the run to come, unheard
    std::vector<Spectrum> now_;  // the frame as recorded, by channel
    std::vector<Spectrum> last_; // and the one before
    Spectrum past_;              // a channel of the recording one hop before the frame
    bool silent_ = true;
};

Result<Audio> Vocoder::piece(Span span, const Excerpt& in, const Progress& progress) const {
    return VocoderRun(*this, in, span).run(progress);
}

namespace {

class VocoderLine : public Line {
  public:
    VocoderLine(Passage passage, const VocoderSettings& settings)
        : passage_(std::move(passage)), vocoder_(passage_, settings) {}

    std::vector<std::int64_t> cuts() const override { return vocoder_.cuts(); }
    Result<Audio> piece(Span span, const Progress& progress) const override {
        if (!passage_.circle) return vocoder_.piece(span, passage_.in, progress);
        return folded(span, passage_.length, vocoder_.reach(), progress,
                      [&](Span part, const Progress& p) { return vocoder_.piece(part, passage_.in, p); });
    }

  private:
    const Passage passage_;
    const Vocoder vocoder_;
};

} // namespace

std::unique_ptr<Line> vocoderLine(Passage passage, const VocoderSettings& settings) {
    return std::make_unique<VocoderLine>(std::move(passage), settings);
}

} // namespace stretch
