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

// A source frame that sounds at an output frame exactly.
struct Anchor {
    std::int64_t source = 0;
    std::int64_t output = 0;
    bool exact = true; // false: an end that need not be met to the frame
    bool attack = false;
};

class Struck {
  public:
    Struck(const Material& material, const TimeMap& map)
        : in_(material.audio), map_(map), rate_(material.audio.rate),
          cross_(std::max<std::int64_t>(8, frames(0.012))), drift_(frames(0.025)),
          similar_(material.audio, std::max<std::int64_t>(16, frames(0.024))),
          out_(in_.rate, in_.channelCount(), map.outputLength()) {
        placeAnchors(material.attacks);
    }

    Result<Audio> run(const Progress& progress) {
        for (std::size_t i = 1; i < anchors_.size(); ++i) {
            if (!fill(anchors_[i - 1], anchors_[i], progress)) return metre::cancelled();
            progress.at(double(anchors_[i].output) / double(out_.frames().value));
        }
        return std::move(out_);
    }

  private:
    std::int64_t frames(double seconds) const { return static_cast<std::int64_t>(seconds * rate_); }

    void placeAnchors(const std::vector<Frames>& attacks) {
        const auto& first = map_.points().front();
        const auto& last = map_.points().back();
        anchors_.push_back({first.source.value, 0, true, false});
        for (const Frames a : attacks) {
            if (a < first.source || a >= last.source) continue;
            const std::int64_t at = std::llround(map_.outputAt(double(a.value)));
            // What is copied begins a little before the attack, so that nothing of it is missed.
            const std::int64_t lead =
                std::min({frames(0.0015), a.value - anchors_.back().source, at - anchors_.back().output});
            if (at >= out_.frames().value || lead < 0) continue;
            const Anchor anchor{a.value - lead, at - lead, true, true};
            const bool onStart = anchor.output == anchors_.back().output;
            if (onStart)
                anchors_.back() = anchor;
            else if (anchor.output - anchors_.back().output >= frames(0.012) || anchors_.size() == 1)
                anchors_.push_back(anchor);
        }
        anchors_.push_back({last.source.value, last.output.value, false, false});
    }

    float sample(std::size_t c, std::int64_t at) const {
        return at >= 0 && at < in_.frames().value ? in_.channels[c][static_cast<std::size_t>(at)] : 0.0F;
    }

    // Output frames [from, to) play the source at output + lag.
    void play(std::int64_t from, std::int64_t to, std::int64_t lag) {
        const std::int64_t begin = std::clamp(-lag, from, std::max(from, to));
        const std::int64_t end = std::clamp(in_.frames().value - lag, begin, std::max(begin, to));
        for (std::size_t c = 0; c < in_.channels.size(); ++c)
            std::copy(in_.channels[c].begin() + (begin + lag), in_.channels[c].begin() + (end + lag),
                      out_.channels[c].begin() + begin);
    }

    // Goes from one lag to another over n output frames. The gain holds the level between the two extremes: equal
    // amplitude where the two are alike, equal power where they are not.
    void crossOver(std::int64_t from, std::int64_t n, std::int64_t lag, std::int64_t to, double likeness) {
        const double r = std::clamp(likeness, 0.0, 1.0);
        for (std::int64_t i = 0; i < n; ++i) {
            const double x = 0.5 - 0.5 * std::cos(std::numbers::pi * (double(i) + 0.5) / double(n));
            const double gain = 1 / std::sqrt((1 - x) * (1 - x) + x * x + 2 * x * (1 - x) * r);
            const auto a = static_cast<float>((1 - x) * gain);
            const auto b = static_cast<float>(x * gain);
            for (std::size_t c = 0; c < out_.channels.size(); ++c)
                out_.channels[c][static_cast<std::size_t>(from + i)] =
                    a * sample(c, from + i + lag) + b * sample(c, from + i + to);
        }
    }

    // Renders from one anchor up to the next. False when cancelled.
    bool fill(const Anchor& a, const Anchor& b, const Progress& progress) {
        const std::int64_t lag = a.source - a.output;
        const std::int64_t endLag = b.source - b.output;
        const std::int64_t length = b.output - a.output;
        if (lag == endLag) {
            play(a.output, b.output, lag);
            return true;
        }
        const std::int64_t head = a.attack ? std::min({frames(0.040), length / 2, (b.source - a.source) / 2}) : 0;
        const std::int64_t bodyStart = a.output + head;
        // Where the last crossing, onto the next attack, may begin; it is chosen where the two are most alike.
        const std::int64_t lastCross = std::min(cross_, std::max<std::int64_t>(1, (length - head) / 2));
        const std::int64_t zone = b.exact ? std::max(bodyStart, b.output - lastCross - frames(0.06)) : b.output;

        const double offset = double(bodyStart + lag) - map_.sourceAt(double(bodyStart));
        const auto idealLag = [&](std::int64_t o) {
            const double left = 1 - double(o - bodyStart) / double(std::max<std::int64_t>(1, b.output - bodyStart));
            return static_cast<std::int64_t>(std::llround(map_.sourceAt(double(o)) + offset * left)) - o;
        };
        const std::int64_t step = frames(0.006) + 1;
        std::int64_t here = a.output;
        std::int64_t current = lag;
        std::int64_t o = bodyStart;
        while (o < zone) {
            if (progress.stopped()) return false;
            const std::int64_t off = current - idealLag(o);
            const std::int64_t room =
                b.source - (o + current) - 2 * cross_; // before the next attack would be heard
            const bool must = std::abs(off) > drift_ || (room < step && off > 0);
            if ((must || std::abs(off) > drift_ / 2) && o + cross_ <= b.output) {
                const std::int64_t wanted = idealLag(o + cross_) + o + (off > 0 ? -drift_ / 3 : drift_ / 3);
                const std::int64_t low = std::max(wanted - drift_, a.source + head);
                const std::int64_t high = std::min(wanted + drift_, b.source - cross_);
                if (low <= high) {
                    const auto best = similar_.best(o + current, low, high, std::clamp(wanted, low, high));
                    if (best.place != o + current && (must || best.likeness > 0.97)) {
                        play(here, o, current);
                        crossOver(o, cross_, current, best.place - o, best.likeness);
                        current = best.place - o;
                        here = o + cross_;
                        o = here;
                        continue;
                    }
                }
            }
            o += step;
        }
        if (b.exact && current != endLag) {
            const std::int64_t at = lastCrossing(std::max(here, zone), a, b, head, lastCross, current, endLag);
            const std::int64_t n = std::min(lastCross, b.output - at);
            play(here, at, current);
            crossOver(at, n, current, endLag, similar_.at(at + current, at + endLag));
            here = at + n;
            current = endLag;
        }
        play(here, b.output, current);
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

    const Audio& in_;
    const TimeMap& map_;
    int rate_;
    std::int64_t cross_; // frames of a crossing
    std::int64_t drift_; // frames that the sound may be away from its ideal place, outside attacks
    Similarity similar_;
    Audio out_;
    std::vector<Anchor> anchors_;
};

} // namespace

Result<Audio> renderStruck(const Material& material, const TimeMap& map, const Progress& progress) {
    return Struck(material, map).run(progress);
}

} // namespace stretch
