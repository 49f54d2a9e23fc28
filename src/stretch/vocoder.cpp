// A phase vocoder with phases locked around spectral peaks: Laroche & Dolson, "Improved Phase Vocoder Time-Scale
// Modification of Audio", IEEE Trans. Speech and Audio Processing 1999; that each output frame is led on from the
// one before by a second analysis one hop earlier is after Puckette, "Phase-locked Vocoder", WASPAA 1995; phases as
// recorded at attacks after Röbel, "A new approach to transient processing in the phase vocoder", DAFx 2003 (all
// from memory). Ours differs in that no phase is ever computed: around each peak, the frame is turned by the one
// angle at which its own past fits best, over all channels together, to what was put out before.
#include "stretch/vocoder.h"

#include "sound/fft.h"
#include "stretch/envelope.h"
#include "stretch/loop.h"
#include "stretch/strikes.h"

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

// What goes on from one frame to the next.
struct Voice {
    std::vector<Spectrum> before; // what was put out before, by channel
    Spectrum turn;                // of all channels alike, so that they stay to each other as they were
    bool level = true;            // turn changes no levels

    Voice(std::size_t channels, std::size_t bins) : before(channels, Spectrum(bins)), turn(bins, 1.0F) {}
};

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
          envelope_(size_, in.audio->rate, plan.settings_.formantsAgainst),
          out_(in.audio->rate, in.audio->channelCount(), Frames(span.length())), power_(bins_), behind_(bins_),
          ahead_(bins_), rises_(bins_), scratch_(bins_), fits_(bins_), past_(bins_), before_(bins_),
          main_(in.audio->channels.size(), bins_), next_(in.audio->channels.size(), bins_),
          // Hann windows squared, a hop apart, sum to this.
          scale_(static_cast<float>(plan.hops_.hop() / (0.375 * double(size_)))) {
        for (std::size_t i = 0; i < size_; ++i)
            shape_[i] = static_cast<float>(0.5 - 0.5 * std::cos(2 * std::numbers::pi * double(i) / double(size_)));
        now_.assign(in.audio->channels.size(), Spectrum(bins_));
        back_.assign(in.audio->channels.size(), Spectrum(bins_));
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
    struct Region {
        std::size_t from;
        std::size_t peak;
        std::size_t to;
    };

    // Works out one frame. `left`: frames until the next run, when this one is being led over to it, else 0.
    void step(std::int64_t k, bool first, std::int64_t left, bool leadBegins) {
        const std::int64_t o = plan_.hops_.at(k);
        const std::int64_t previous = plan_.hops_.at(k - 1);
        const std::int64_t source = plan_.zones_.sourceAt(o);
        std::fill(power_.begin(), power_.end(), 0.0F);
        for (std::size_t c = 0; c < now_.size(); ++c) {
            analyse(c, source, now_[c]);
            for (std::size_t b = 0; b < bins_; ++b)
                power_[b] += std::norm(now_[c][b]);
        }
        silent_ = std::all_of(power_.begin(), power_.end(), [](float p) { return p == 0; });
        if (silent_) {
            begin(main_);
            begin(next_);
            for (std::size_t c = 0; c < now_.size(); ++c) {
                std::fill(main_.before[c].begin(), main_.before[c].end(), 0.0F);
                std::fill(next_.before[c].begin(), next_.before[c].end(), 0.0F);
            }
            return;
        }
        const bool asRecorded = plan_.zones_.resetsBetween(previous, o);
        const bool sameSpeed = source - plan_.zones_.sourceAt(previous) == o - previous;
        if (!first && (asRecorded || !sameSpeed))
            for (std::size_t c = 0; c < back_.size(); ++c)
                analyse(c, source - (o - previous), back_[c]);
        if (asRecorded) lookAhead(source);
        if (!first && (asRecorded || !sameSpeed)) findRegions();
        const auto advance = [&](Voice& voice, bool begins) {
            if (begins) {
                begin(voice);
            } else if (asRecorded) {
                turnAroundPeaks(voice);
                for (std::size_t b = 0; b < bins_; ++b)
                    if (rises_[b] != 0) voice.turn[b] = 1;
            } else if (sameSpeed) { // going on at the recording's own speed, as turned as before
                flatten(voice);
            } else {
                turnAroundPeaks(voice);
            }
        };
        advance(main_, first);
        if (left > 0) {
            advance(next_, leadBegins);
            lead(left);
            remember(next_);
        }
        remember(main_);
    }

    // Finds the bins in which an attack brings more than there was: those begin with it, while what lasts through
    // it goes on.
    void lookAhead(std::int64_t source) {
        powerAt(source - static_cast<std::int64_t>(size_ / 4), behind_);
        powerAt(source + plan_.reachAround() + static_cast<std::int64_t>(size_ / 8), ahead_);
        constexpr float rise = 2;
        for (std::size_t b = 0; b < bins_; ++b) {
            float then = 0;
            float before = 0;
            for (std::size_t k = b > 2 ? b - 2 : 0; k < std::min(bins_, b + 3); ++k) {
                then += ahead_[k];
                before += behind_[k];
            }
            rises_[b] = static_cast<char>(then > rise * before);
        }
    }

    void powerAt(std::int64_t source, std::vector<float>& power) {
        std::fill(power.begin(), power.end(), 0.0F);
        for (std::size_t c = 0; c < now_.size(); ++c) {
            analyse(c, source, scratch_);
            for (std::size_t b = 0; b < bins_; ++b)
                power[b] += std::norm(scratch_[b]);
        }
    }

    // Phases as they are recorded.
    static void begin(Voice& voice) {
        std::fill(voice.turn.begin(), voice.turn.end(), 1.0F);
        voice.level = true;
    }

    // Takes the levels out of the turns.
    static void flatten(Voice& voice) {
        if (voice.level) return;
        for (auto& t : voice.turn)
            t = unit(t);
        voice.level = true;
    }

    static std::complex<float> unit(std::complex<float> x) { return x / std::max(1e-9F, std::sqrt(std::norm(x))); }

    void remember(Voice& voice) const {
        for (std::size_t c = 0; c < now_.size(); ++c)
            for (std::size_t b = 0; b < bins_; ++b)
                voice.before[c][b] = now_[c][b] * voice.turn[b];
    }

    // Turns what is heard towards what will be, so that nothing is left to turn after `left` more frames.
    void lead(std::int64_t left) {
        const auto share = float(left) / float(left + 1);
        // Neighbours mostly turn alike: what was worked out for one holds for the next.
        std::complex<float> turn;
        std::complex<float> next;
        std::complex<float> led;
        for (std::size_t b = 0; b < bins_; ++b) {
            if (b == 0 || main_.turn[b] != turn || next_.turn[b] != next) {
                turn = main_.turn[b];
                next = next_.turn[b];
                const std::complex<float> there = unit(next);
                const float apart = std::arg(turn * std::conj(there));
                led = std::sqrt(std::norm(turn)) * there * std::polar(1.0F, apart * share);
            }
            main_.turn[b] = led;
        }
    }

    // Puts out the frame that was worked out.
    void put(std::int64_t o) {
        if (silent_) return;
        for (std::size_t c = 0; c < now_.size(); ++c) {
            const auto spectrum = fft_.spectrum();
            std::copy(main_.before[c].begin(), main_.before[c].end(), spectrum.begin());
            if (envelope_.moves()) envelope_.move(spectrum);
            spectrum[0].imag(0);
            spectrum[bins_ - 1].imag(0);
            fft_.inverse();
            overlap(c, o - plan_.reach());
        }
    }

    void analyse(std::size_t c, std::int64_t centre, Spectrum& to) {
        const auto time = fft_.time();
        const std::int64_t from = centre - plan_.reach();
        in_.copy(c, {from, from + static_cast<std::int64_t>(size_)}, time.data());
        for (std::size_t i = 0; i < size_; ++i)
            time[i] *= shape_[i];
        fft_.forward(to);
    }

    // Parts the bins around the peaks of the power; the regions meet where it is lowest between peaks.
    void findRegions() {
        regions_.clear();
        // An offset has no phase to turn.
        std::size_t from = 0;
        while (from + 1 < bins_ && power_[from + 1] < power_[from])
            ++from;
        offsetEnd_ = from;
        std::size_t peak = nextPeak(from);
        while (from < bins_) {
            const std::size_t following = nextPeak(peak + 1);
            std::size_t to = bins_;
            if (following < bins_) {
                to = static_cast<std::size_t>(std::min_element(power_.begin() + std::ptrdiff_t(peak),
                                                               power_.begin() + std::ptrdiff_t(following)) -
                                              power_.begin()) +
                     1;
            }
            regions_.push_back({from, peak, to});
            from = to;
            peak = following;
        }
    }

    // Turns the bins of each region together.
    void turnAroundPeaks(Voice& voice) {
        compare(voice);
        std::fill(voice.turn.begin(), voice.turn.begin() + std::ptrdiff_t(offsetEnd_), 1.0F);
        for (const Region& region : regions_)
            turnAround(voice, region);
        voice.level = false;
    }

    // Bin by bin, over all channels: what was put out before times its own past's conjugate, and the power of both.
    void compare(const Voice& voice) {
        std::fill(fits_.begin(), fits_.end(), 0.0F);
        std::fill(past_.begin(), past_.end(), 0.0F);
        std::fill(before_.begin(), before_.end(), 0.0F);
        for (std::size_t c = 0; c < back_.size(); ++c)
            for (std::size_t b = 0; b < bins_; ++b) {
                fits_[b] += voice.before[c][b] * std::conj(back_[c][b]);
                past_[b] += std::norm(back_[c][b]);
                before_[b] += std::norm(voice.before[c][b]);
            }
    }

    void turnAround(Voice& voice, const Region& region) {
        const std::size_t low = std::max(region.from, region.peak > 1 ? region.peak - 1 : 0);
        const std::size_t high = std::min(region.to, region.peak + 2);
        const std::complex<float> fit = sumOf(fits_, low, high);
        const float magnitude = std::sqrt(std::norm(fit));
        // Where the past has nothing like it, something begins: as recorded.
        const bool begins = sumOf(past_, low, high) < 0.003F * sumOf(power_, low, high) || magnitude < 1e-20F;
        std::complex<float> turn = 1;
        if (!begins) {
            turn = fit / magnitude;
            // How well the whole region fits, turned, to what was put out before: 1 entirely.
            const float both = (sumOf(fits_, region.from, region.to) * std::conj(turn)).real();
            const float past = 1e-30F + sumOf(past_, region.from, region.to);
            const float put = 1e-30F + sumOf(before_, region.from, region.to);
            turn *= levelAt(both / std::sqrt(past * put));
        }
        std::fill(voice.turn.begin() + std::ptrdiff_t(region.from), voice.turn.begin() + std::ptrdiff_t(region.to),
                  turn);
    }

    template <class Number>
    static Number sumOf(const std::vector<Number>& bins, std::size_t from, std::size_t to) {
        Number sum = 0;
        for (std::size_t b = from; b < to; ++b)
            sum += bins[b];
        return sum;
    }

    // Frames that do not fit each other entirely lose power where they overlap. A sample in the middle of a frame
    // is made of it and of a quarter each of its neighbours, whose likeness is r, and that of the two r².
    static float levelAt(float likeness) {
        const float r = std::clamp(likeness, 0.3F, 1.0F);
        return std::sqrt(2.25F / (1.125F + r + 0.125F * r * r));
    }

    std::size_t nextPeak(std::size_t from) const {
        for (std::size_t b = std::max<std::size_t>(from, 2); b + 2 < bins_; ++b)
            if (power_[b] > power_[b - 1] && power_[b] >= power_[b + 1] && power_[b] > power_[b - 2] &&
                power_[b] >= power_[b + 2])
                return b;
        return bins_;
    }

    void overlap(std::size_t c, std::int64_t at) {
        const auto time = fft_.time();
        const std::int64_t begin = std::max<std::int64_t>(0, span_.from - at);
        const std::int64_t end = std::min(static_cast<std::int64_t>(size_), span_.to - at);
        sound::Samples& y = out_.channels[c];
        for (std::int64_t i = begin; i < end; ++i)
            y[static_cast<std::size_t>(at - span_.from + i)] +=
                scale_ * shape_[static_cast<std::size_t>(i)] * time[static_cast<std::size_t>(i)];
    }

    const Vocoder& plan_;
    const Excerpt in_;
    const Span span_;
    std::size_t size_;
    sound::RealFft fft_;
    std::size_t bins_;
    std::vector<float> shape_;
    Envelope envelope_;
    Audio out_;
    std::vector<float> power_;
    std::vector<Region> regions_; // of its peaks
    std::size_t offsetEnd_ = 0;   // bins below it are an offset
    std::vector<float> behind_;   // the power before an attack
    std::vector<float> ahead_;    // and after it
    std::vector<char> rises_;     // what it brings
    Spectrum scratch_;
    Spectrum fits_;              // see compare()
    std::vector<float> past_;    // the power of back_
    std::vector<float> before_;  // and of what was put out before
    Voice main_;                 // what is heard
    Voice next_;                 // the run to come, unheard
    std::vector<Spectrum> now_;  // the frame
    std::vector<Spectrum> back_; // the recording one hop before it
    bool silent_ = true;
    float scale_;
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
