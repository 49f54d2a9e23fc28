// After Verhelst & Roelands, "An overlap-add technique based on waveform similarity (WSOLA) for high quality
// time-scale modification of speech", ICASSP 1993 (from memory). Ours differs in that it does not overlap at a
// fixed step: it plays on untouched for as long as it is near enough to where it should be, and crosses over only
// where a similar place is found; and in that attacks are fixed points, with each stretch between two of them
// rendered on its own.
#include "stretch/struck.h"

#include "stretch/splice.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace stretch {

namespace {

constexpr double similarWindow = 0.024; // seconds that are compared
// What is looked at of the source beyond two anchors, seconds: how far the sound may be from its ideal place, a
// crossing, the window, and room to round.
constexpr double beyond = 0.2;
constexpr double longest = 6; // seconds from one anchor to the next: where no attack comes, one is set all the same
// Where sound jumps back to where it was louder, it goes on as quiet as it was, or it would be struck again. What
// is taken from it so comes back by some decibels a second, and at the next attack.
constexpr double comingBack = 12; // dB a second
constexpr double leastGain = 0.1;
constexpr double backBefore = 0.008; // seconds before an attack in which the level comes back

// The frames that are compared.
std::int64_t comparedAt(int rate) {
    return std::max<std::int64_t>(16, static_cast<std::int64_t>(similarWindow * rate));
}

} // namespace

Struck::Struck(const Passage& passage, bool alike, double before)
    : passage_(passage), rate_(passage.in.audio->rate), lead_(before) {
    // Where no attack comes for long, the sound is brought to its place all the same: so far a piece must reach
    // back.
    for (const Anchor& a : attackAnchors()) {
        if (!anchors_.empty()) {
            const Anchor from = anchors_.back();
            const auto parts = static_cast<std::int64_t>(double(a.output - from.output) / (longest * rate_));
            for (std::int64_t i = 1; i <= parts; ++i) {
                const std::int64_t output = from.output + (a.output - from.output) * i / (parts + 1);
                std::int64_t source = std::llround(passage.sourceAt(double(output)));
                if (alike) source = alikeBeside(source, anchors_.back(), output);
                if (source > anchors_.back().source && source < a.source)
                    anchors_.push_back({source, output, true, false});
            }
        }
        anchors_.push_back(a);
    }
}

// The place beside a source frame that sounds most as an anchor's would if it were just played on until `output`:
// all that is played from there on lies a crossing of like sounds apart.
std::int64_t Struck::alikeBeside(std::int64_t source, const Anchor& anchor, std::int64_t output) const {
    const std::int64_t playedOn = anchor.source + output - anchor.output;
    const Similarity similar(
        passage_.in, {std::min(playedOn, source) - frames(beyond), std::max(playedOn, source) + frames(beyond)},
        comparedAt(rate_));
    return similar.best(playedOn, source - frames(0.012), source + frames(0.012), source).place;
}

std::vector<Struck::Anchor> Struck::attackAnchors() const {
    std::vector<Anchor> list;
    const std::int64_t first = std::llround(passage_.sourceAt(0));
    const std::int64_t last = std::llround(passage_.sourceAt(double(passage_.length)));
    list.push_back({first, 0, true, false});
    for (const Frames a : passage_.attacks) {
        if (a.value < first || a.value >= last) continue;
        const std::int64_t at = std::llround(passage_.outputAt(double(a.value)));
        // What is copied begins a little before the attack, so that nothing of it is missed.
        const std::int64_t lead = std::min({frames(lead_), a.value - list.back().source, at - list.back().output});
        if (at >= passage_.length || lead < 0) continue;
        const Anchor anchor{a.value - lead, at - lead, true, true};
        const bool onStart = anchor.output == list.back().output;
        if (onStart)
            list.back() = anchor;
        else if (anchor.output - list.back().output >= frames(0.012) || list.size() == 1)
            list.push_back(anchor);
    }
    // A circle ends as its beginning is preceded.
    const std::int64_t lead = frames(lead_);
    if (passage_.circle && passage_.length - lead > list.back().output && last - lead > list.back().source)
        list.push_back({last - lead, passage_.length - lead, true, false});
    list.push_back({last, passage_.length, passage_.circle, false});
    return list;
}

// The last anchor at or before an output frame, and not the end.
std::size_t Struck::anchorBefore(std::int64_t output) const {
    const auto after = std::upper_bound(anchors_.begin() + 1, anchors_.end() - 1, output,
                                        [](std::int64_t o, const Anchor& a) { return o < a.output; });
    return static_cast<std::size_t>(after - anchors_.begin()) - 1;
}

std::vector<std::int64_t> Struck::cuts() const {
    std::vector<std::int64_t> list;
    std::int64_t last = 0;
    for (const Anchor& a : anchors_)
        if (a.output >= last + frames(2) && a.output < passage_.length) {
            list.push_back(a.output);
            last = a.output;
        }
    return list;
}

Span Struck::sourceOf(Span span) const {
    const Anchor& a = anchors_[anchorBefore(span.from)];
    const Anchor& b = anchors_[anchorBefore(std::max(span.from, span.to - 1)) + 1];
    return {a.source - frames(beyond), b.source + frames(beyond)};
}

// One rendering; one thread.
class StruckRun {
  public:
    StruckRun(const Struck& plan, const Excerpt& in, Span span)
        : plan_(plan), in_(in), span_(span), cross_(std::max<std::int64_t>(8, frames(0.012))),
          drift_(frames(0.025)), out_(plan.rate_, in.audio->channelCount(), Frames(span.length())),
          similar_(in, comparedAt(plan.rate_)) {}

    Result<Audio> run(const Progress& progress) {
        const Span span{std::max<std::int64_t>(span_.from, 0), std::min(span_.to, plan_.passage_.length)};
        if (span.from >= span.to) return std::move(out_);
        for (std::size_t i = plan_.anchorBefore(span.from) + 1; i < plan_.anchors_.size(); ++i) {
            const Anchor& a = plan_.anchors_[i - 1];
            const Anchor& b = plan_.anchors_[i];
            if (a.output >= span.to) break;
            if (progress.stopped() || !fill(a, b, progress)) return base::cancelled();
            progress.at(std::clamp(double(b.output - span.from) / double(span.length()), 0.0, 1.0));
        }
        return std::move(out_);
    }

  private:
    using Anchor = Struck::Anchor;

    std::int64_t frames(double seconds) const { return plan_.frames(seconds); }

    // A gain that goes from one value to another.
    struct Gain {
        double from;
        double to;
    };

    // Output frames [from, to) play the source at output + lag.
    void play(std::int64_t from, std::int64_t to, std::int64_t lag, Gain gain = {1, 1}) {
        const Span heard{std::max(from, span_.from), std::min(to, span_.to)};
        if (heard.from >= heard.to) return;
        for (std::size_t c = 0; c < out_.channels.size(); ++c) {
            float* out = out_.channels[c].data() + (heard.from - span_.from);
            in_.copy(c, {heard.from + lag, heard.to + lag}, out);
            if (gain.from == 1 && gain.to == 1) continue;
            const double slope = (gain.to - gain.from) / double(to - from);
            for (std::int64_t o = heard.from; o < heard.to; ++o)
                out[o - heard.from] *= static_cast<float>(gain.from + slope * double(o - from));
        }
    }

    // The power of n frames of the source from a frame on, and that of its first difference.
    struct Power {
        double whole = 1e-9;
        double bright = 1e-9;
    };
    Power power(std::int64_t from, std::int64_t n) const {
        Power sum;
        for (std::size_t c = 0; c < out_.channels.size(); ++c) {
            auto last = double(in_.sample(c, from - 1));
            for (std::int64_t i = from; i < from + n; ++i) {
                const auto here = double(in_.sample(c, i));
                sum.whole += here * here;
                sum.bright += (here - last) * (here - last);
                last = here;
            }
        }
        return sum;
    }

    // The gain by which the sound from one source frame on is neither louder nor brighter than from another on, so
    // far as that is before the next attack.
    double asQuiet(std::int64_t from, std::int64_t as, std::int64_t attack) const {
        const std::int64_t n =
            std::clamp<std::int64_t>(attack - std::max(from, as), frames(0.002) + 1, frames(similarWindow) + 1);
        const Power here = power(from, n);
        const Power there = power(as, n);
        const double gain = std::sqrt(std::min(there.whole / here.whole, there.bright / here.bright));
        return std::isfinite(gain) ? gain : 1; // what is no number is no level
    }

    double recovered(double gain, std::int64_t n) const {
        return std::min(1.0, gain * std::pow(10, comingBack / 20 * double(n) / plan_.rate_));
    }

    // Goes from one lag to another over n output frames. The gain holds the level between the two extremes: equal
    // amplitude where the two are alike, equal power where they are not. `level` is that of the one, then of the
    // other.
    void crossOver(std::int64_t from, std::int64_t n, std::int64_t lag, std::int64_t to, double likeness,
                   Gain level) {
        const double r = std::clamp(likeness, 0.0, 1.0);
        for (std::int64_t i = std::max<std::int64_t>(0, span_.from - from); i < std::min(n, span_.to - from); ++i) {
            const double x = 0.5 - 0.5 * std::cos(std::numbers::pi * (double(i) + 0.5) / double(n));
            const double gain = 1 / std::sqrt((1 - x) * (1 - x) + x * x + 2 * x * (1 - x) * r);
            const auto a = static_cast<float>((1 - x) * gain * level.from);
            const auto b = static_cast<float>(x * gain * level.to);
            for (std::size_t c = 0; c < out_.channels.size(); ++c)
                out_.channels[c][static_cast<std::size_t>(from + i - span_.from)] =
                    a * in_.sample(c, from + i + lag) + b * in_.sample(c, from + i + to);
        }
    }

    // The way from one anchor to the next: what bounds it, and how far it has been rendered.
    struct Way {
        const Anchor& a;
        const Anchor& b;
        std::int64_t endLag = b.source - b.output;
        std::int64_t head = 0;      // of the attack, which is played as it is
        std::int64_t bodyStart = 0; // where the first crossing may begin
        std::int64_t cross = 0;     // how long a crossing takes
        std::int64_t lastCross = 0; // and the one onto the next attack
        std::int64_t zone = 0;      // where that one may begin
        double offset = 0;          // of what is played from the time map where the body begins
        std::int64_t here = a.output;
        std::int64_t current = a.source - a.output; // the lag that is played
        double gain = 1;
    };

    Way wayBetween(const Anchor& a, const Anchor& b) const {
        Way w{a, b};
        const std::int64_t length = b.output - a.output;
        w.head = a.attack ? std::min({frames(0.040), length / 2, (b.source - a.source) / 2}) : 0;
        w.bodyStart = a.output + w.head;
        // Between the strokes of a roll there is less sound than the time that is to be made of it; there must be
        // room in it to go back and to cross over without meeting either stroke.
        w.cross = std::clamp((b.source - a.source - w.head) / 4, std::min(cross_, frames(0.002) + 8), cross_);
        // Where the last crossing, onto the next attack, may begin; it is chosen where the two are most alike, and
        // not before what leads up to that attack has left the last one behind.
        w.lastCross = std::min(w.cross, std::max<std::int64_t>(1, (length - w.head) / 2));
        w.zone = b.exact
                     ? std::clamp(std::max(b.output - w.lastCross - frames(0.06), a.source + w.head / 2 - w.endLag),
                                  w.bodyStart, std::max(w.bodyStart, b.output - w.lastCross))
                     : b.output;
        w.offset = double(w.bodyStart + w.current) - plan_.passage_.sourceAt(double(w.bodyStart));
        return w;
    }

    // The lag that the time map asks for at an output frame.
    std::int64_t idealLag(const Way& w, std::int64_t o) const {
        const double left =
            1 - double(o - w.bodyStart) / double(std::max<std::int64_t>(1, w.b.output - w.bodyStart));
        return static_cast<std::int64_t>(std::llround(plan_.passage_.sourceAt(double(o)) + w.offset * left)) - o;
    }

    // Plays up to an output frame, and crosses over to another lag within n frames.
    void jump(Way& w, std::int64_t at, std::int64_t n, std::int64_t to, double likeness) {
        const double before = recovered(w.gain, at - w.here);
        play(w.here, at, w.current, {w.gain, before});
        // Where nothing is left in which the level could come back, the crossing brings it back.
        w.gain = at + n == w.b.output && w.b.exact
                     ? 1
                     : std::clamp(before * asQuiet(at + to, at + w.current, w.b.source), leastGain, 1.0);
        crossOver(at, n, w.current, to, likeness, {before, w.gain});
        w.current = to;
        w.here = at + n;
    }

    // Jumps at an output frame where what is played has drifted from the time map, to where the sound is alike.
    bool mayJump(Way& w, std::int64_t o, std::int64_t step) {
        const std::int64_t off = w.current - idealLag(w, o);
        const std::int64_t room = w.b.source - (o + w.current) - 2 * w.cross; // before the next attack is heard
        const bool must = std::abs(off) > drift_ || (room < step && off > 0);
        if (!(must || std::abs(off) > drift_ / 2) || o + w.cross > w.b.output) return false;
        const std::int64_t wanted = idealLag(w, o + w.cross) + o + (off > 0 ? -drift_ / 3 : drift_ / 3);
        const std::int64_t low = std::max(wanted - drift_, w.a.source + w.head);
        // Before an attack there is to be room for this crossing and for another away from there.
        const std::int64_t high = std::min(wanted + drift_, w.b.source - (w.b.exact ? 2 : 1) * w.cross);
        if (low > high) return false;
        const auto best = similar_.best(o + w.current, low, high, std::clamp(wanted, low, high));
        if (best.place == o + w.current || !(must || best.likeness > 0.97)) return false;
        jump(w, o, w.cross, best.place - o, best.likeness);
        return true;
    }

    // From where the body ends up to the next anchor.
    void arrive(Way& w) {
        const Anchor& b = w.b;
        if (b.exact && w.current != w.endLag) {
            const std::int64_t at =
                lastCrossing(std::max(w.here, w.zone), w.a, b, w.head, w.lastCross, w.current, w.endLag);
            jump(w, at, std::min(w.lastCross, b.output - at), w.endLag, similar_.at(at + w.current, at + w.endLag));
        }
        const std::int64_t rest = b.output - w.here;
        if (!b.exact) {
            play(w.here, b.output, w.current, {w.gain, recovered(w.gain, rest)});
            return;
        }
        // Long before an attack nothing covers a step: what leads up to it is met as slowly as it is long.
        const std::int64_t back =
            b.attack ? std::min(rest, std::max(frames(backBefore), frames(plan_.lead_))) : rest;
        const double before = recovered(w.gain, rest - back);
        play(w.here, b.output - back, w.current, {w.gain, before});
        play(b.output - back, b.output, w.current, {before, 1});
    }

    // Renders from one anchor up to the next. False when cancelled.
    bool fill(const Anchor& a, const Anchor& b, const Progress& progress) {
        const std::int64_t lag = a.source - a.output;
        if (lag == b.source - b.output) {
            play(a.output, b.output, lag);
            return true;
        }
        similar_.goOn({a.source - frames(beyond), b.source + frames(beyond)});
        Way w = wayBetween(a, b);
        const std::int64_t step = std::min(frames(0.006), w.cross) + 1;
        for (std::int64_t o = w.bodyStart; o < w.zone;) {
            if (progress.stopped()) return false;
            o = mayJump(w, o, step) ? w.here : o + step;
        }
        arrive(w);
        return true;
    }

    // The best output frame for the crossing onto the next attack: alike, and neither side inside an attack.
    std::int64_t lastCrossing(std::int64_t from, const Anchor& a, const Anchor& b, std::int64_t head,
                              std::int64_t n, std::int64_t lag, std::int64_t endLag) const {
        const std::int64_t latest = std::max(from, b.output - n);
        std::int64_t best = latest;
        double bestLikeness = -2;
        for (std::int64_t o = from; o <= latest; o += frames(0.002) + 1) {
            if (o + lag + n > b.source || o + endLag < a.source + head / 2) continue;
            const double likeness = similar_.roughly(o + lag, o + endLag);
            if (likeness > bestLikeness) {
                bestLikeness = likeness;
                best = o;
            }
        }
        if (bestLikeness < -1.5) best = std::clamp(b.source - lag - n, from, latest);
        return best;
    }

    const Struck& plan_;
    const Excerpt in_;
    const Span span_;
    std::int64_t cross_; // frames of a crossing
    std::int64_t drift_; // frames that the sound may be away from its ideal place, outside attacks
    Audio out_;
    Similarity similar_; // goes on with the anchors
};

Result<Audio> Struck::piece(Span span, const Excerpt& in, const Progress& progress) const {
    return StruckRun(*this, in, span).run(progress);
}

namespace {

class StruckLine : public Line {
  public:
    explicit StruckLine(Passage passage) : passage_(std::move(passage)), struck_(passage_) {}

    std::vector<std::int64_t> cuts() const override { return struck_.cuts(); }
    Result<Audio> piece(Span span, const Progress& progress) const override {
        return struck_.piece(span, passage_.in, progress);
    }

  private:
    const Passage passage_;
    const Struck struck_;
};

} // namespace

std::unique_ptr<Line> struckLine(Passage passage) {
    return std::make_unique<StruckLine>(std::move(passage));
}

} // namespace stretch
