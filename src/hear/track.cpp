#include "hear/track.h"

#include "base/four.h"
#include "base/spill.h"

#include <algorithm>
#include <array>
#include <cassert>
#include <cmath>
#include <cstdint>

namespace hear {

namespace {

// The constants below were found by trying them on playing with known beats (tools/listening_set.py makes such),
// but for those whose reason is said. Strengths are relative to the strongest nearby, so that costs mean the same
// everywhere.

// An event's hill.
constexpr double nearby = 2;         // seconds either way among which an event is compared
constexpr double plainHeight = 0.6;  // of an event without an accent
constexpr double accentHeight = 0.6; // more for one that is accented all through
constexpr double sharpest = 0.012;   // seconds: no onset is known more exactly than its curve's hop
constexpr double widthOfBlur = 1.5;

// Which tempos are looked at, around the one that is asked for.
constexpr double fastestFactor = 1.32;
constexpr double slowestFactor = 1.6; // pieces slow down at their ends

// What a path costs and gains.
constexpr int swerve = 6;         // hops by which a period may change from one beat to the next
constexpr double turnCost = 700;  // of the squared logarithm of that change: 2 % cost as much as a weak onset
constexpr double strayCost = 5;   // of the squared logarithm of a period against the tempo that is asked for
constexpr double firstGain = 8;   // of beginning on the first event: playing mostly does
constexpr double skipCost = 0.5;  // for each beat left out at the beginning
constexpr float beatGain = 0.8F;  // of something on the beat
constexpr float emptyCost = 0.2F; // of a beat, whether anything is there or not: nothing must cost
constexpr float halfGain = 0.65F; // of something between beats, which keeps the beat in step
constexpr float quarterGain = 0.5F;

// Where a beat lies in the end.
constexpr double around = 2;        // beats either way whose events are asked
constexpr double belongs = 0.03;    // seconds from a quarter of a beat within which an event speaks of it
constexpr double swellWeight = 0.3; // of an event that does not rise at once
constexpr double agrees = 0.018;    // seconds: an attack so near to what its surroundings say is the beat itself
constexpr double ownShare = 0.7;    // nearly
constexpr double tooNear = 0.05;    // seconds: two beats so near are one

constexpr float impossible = -1e30F;
constexpr std::int32_t nowhere = -7; // before all changes of period

// From where each of many states came, a number from −7 to 8: two to a byte, since hours have very many.
class CameFrom {
  public:
    explicit CameFrom(int width) : row_(static_cast<std::size_t>((width + 1) / 2)) {}

    // The next row. REQUIRES as many numbers as a row is wide.
    void add(const std::int32_t* numbers, int width) {
        for (int q = 0; q < width; q += 2) {
            const std::int32_t second = q + 1 < width ? numbers[q + 1] : nowhere;
            row_[static_cast<std::size_t>(q / 2)] = static_cast<std::uint8_t>(numbers[q] + 7 + 16 * (second + 7));
        }
        bytes_.add(row_.data(), row_.size());
    }
    // Quick where rows are asked for from the last to the first.
    std::int32_t at(std::int64_t row, int q) {
        constexpr std::size_t atOnce = 4096; // rows
        const auto r = static_cast<std::size_t>(row);
        if (r < first_ || (r - first_ + 1) * row_.size() > read_.size()) {
            first_ = r + 1 > atOnce ? r + 1 - atOnce : 0;
            read_.resize((r + 1 - first_) * row_.size());
            bytes_.read(first_ * row_.size(), read_.data(), read_.size());
        }
        const int pair = read_[(r - first_) * row_.size() + static_cast<std::size_t>(q / 2)];
        return (q % 2 == 0 ? pair % 16 : pair / 16) - 7;
    }

  private:
    std::vector<std::uint8_t> row_;
    base::Spill bytes_{std::size_t(8) << 20};
    std::vector<std::uint8_t> read_;
    std::size_t first_ = 0; // row of what was read
};

// Events as a curve: each a small hill at its own moment, made comparable over loud and quiet passages.
std::vector<float> hills(const std::vector<Event>& events, double hop, std::size_t size) {
    std::vector<float> curve(size, 0.0F);
    for (std::size_t i = 0; i < events.size(); ++i) {
        double strongest = events[i].strength;
        for (std::size_t j = i; j-- > 0 && events[i].at - events[j].at < nearby;)
            strongest = std::max(strongest, events[j].strength);
        for (std::size_t j = i + 1; j < events.size() && events[j].at - events[i].at < nearby; ++j)
            strongest = std::max(strongest, events[j].strength);
        const double height =
            std::sqrt(events[i].strength / strongest) * (plainHeight + accentHeight * events[i].accent);
        const double width = std::max(sharpest, events[i].blur * widthOfBlur);
        const auto from = static_cast<std::int64_t>((events[i].at - 3 * width) / hop);
        const auto to = static_cast<std::int64_t>((events[i].at + 3 * width) / hop) + 1;
        for (std::int64_t h = std::max<std::int64_t>(0, from); h < std::min<std::int64_t>(to, std::int64_t(size));
             ++h) {
            const double off = (double(h) * hop - events[i].at) / width;
            auto& c = curve[static_cast<std::size_t>(h)];
            c = std::max(c, static_cast<float>(height * std::exp(-0.5 * off * off)));
        }
    }
    return curve;
}

// Where a score less its cost is better than what there is, it takes its place, and `by` is noted. REQUIRES a count
// of fours.
void better(const float* scores, const float* costs, std::int32_t by, int count, float* best, std::int32_t* from) {
    using base::four;
    for (int q = 0; q < count; q += 4) {
        const base::Four here = four(scores + q) - four(costs + q);
        const base::Four most = four(best + q);
        const base::FourWhole is = here > most;
        base::put(is ? here : most, best + q);
        base::put(is ? base::FourWhole{by, by, by, by} : four(from + q), from + q);
    }
}

// The best path of beats through a curve, each with the period that led to it.
class BestPath {
  public:
    BestPath(const std::vector<Event>& events, const std::vector<float>& curve, const Span& span, double hop,
             double period)
        : events_(events), curve_(curve), span_(span), hop_(hop), period_(period),
          shortest_(std::max(4, static_cast<int>(period / fastestFactor))),
          periods_(static_cast<int>(period * slowestFactor) + 1 - shortest_ + 1), fours_((periods_ + 3) / 4 * 4) {
        const double lastEvent = events.back().at;
        endFrom_ = static_cast<std::int64_t>(std::max(0.0, lastEvent / hop - period));
        endTo_ = std::min(static_cast<std::int64_t>(curve.size()) - 1,
                          static_cast<std::int64_t>(std::max(lastEvent + belongs, span.end) / hop));
        makeCosts();
    }

    // The moments of its beats, in seconds.
    std::vector<double> beats(const base::Progress& progress) {
        std::vector<double> beats;
        walk(progress);
        if (progress.stopped()) return beats;
        std::int64_t at = bestAt_;
        int p = bestPeriod_;
        while (at >= 0) {
            beats.push_back(double(at) * hop_);
            const std::int32_t by = cameFrom_.at(at, p);
            if (by == nowhere) break;
            at -= shortest_ + p;
            p += by;
        }
        std::reverse(beats.begin(), beats.end());
        return beats;
    }

  private:
    void makeCosts() {
        straying_.resize(static_cast<std::size_t>(fours_));
        for (auto& costs : turning_)
            costs.resize(static_cast<std::size_t>(fours_));
        for (int p = 0; p < periods_; ++p) {
            const double away = std::log((shortest_ + p) / period_);
            straying_[static_cast<std::size_t>(p)] = static_cast<float>(strayCost * away * away);
            for (int by = -swerve; by <= swerve; ++by) {
                const double turn = std::log(double(shortest_ + p + by) / double(shortest_ + p));
                turning_[static_cast<std::size_t>(by + swerve)][static_cast<std::size_t>(p)] =
                    static_cast<float>(turnCost * turn * turn);
            }
        }
    }

    // What a path is worth that begins here: a first beat elsewhere in the first bar costs what it skips.
    float fresh(std::int64_t h) const {
        const double skipped = std::max(0.0, (double(h) * hop_ - span_.start) / (period_ * hop_));
        const bool atFirst = std::abs(double(h) * hop_ - events_.front().at) < belongs;
        return static_cast<float>((atFirst ? firstGain : 0.0) - skipCost * skipped);
    }

    // Scores are kept for as long as a beat may look back; where each came from, for the whole recording. The score
    // of a beat at hop h with period p stands in row h + p: those that the periods look back to, each by its own
    // length, then lie side by side. Beyond the first and the last period there is nothing.
    void walk(const base::Progress& progress) {
        const int longest = shortest_ + periods_ - 1;
        const std::int64_t rows = longest + periods_ + swerve + 1;
        const std::int64_t width = fours_ + 2 * swerve;
        std::vector<float> score(static_cast<std::size_t>(rows * width), impossible);
        const auto row = [&](std::int64_t r) { return score.data() + (r + rows) % rows * width + swerve; };
        cameFrom_ = CameFrom(periods_);
        std::vector<float> before(static_cast<std::size_t>(fours_));
        std::vector<std::int32_t> came(static_cast<std::size_t>(fours_)); // from which period, as a difference
        float best = impossible;
        bestAt_ = endTo_;
        for (std::int64_t h = 0; h <= endTo_; ++h) {
            if (h % 8192 == 0 && progress.stopped()) return;
            std::fill(before.begin(), before.end(), fresh(h));
            std::fill(came.begin(), came.end(), nowhere);
            // Those periods that lie within what has been.
            const int past = static_cast<int>(std::clamp<std::int64_t>(h - shortest_ + 1, 0, periods_));
            for (int by = -swerve; by <= swerve && past > 0; ++by)
                better(row(h - shortest_ + by) + by, turning_[static_cast<std::size_t>(by + swerve)].data(), by,
                       fours_, before.data(), came.data());
            cameFrom_.add(came.data(), periods_);
            gain(h, past, before);
            std::int64_t r = h % rows;
            for (int q = 0; q < periods_; ++q, r = r + 1 == rows ? 0 : r + 1)
                score[static_cast<std::size_t>(r * width + swerve + q)] = before[static_cast<std::size_t>(q)];
            if (h < endFrom_) continue;
            for (int q = 0; q < periods_; ++q)
                if (const float all = before[static_cast<std::size_t>(q)]; all > best) {
                    best = all;
                    bestAt_ = h;
                    bestPeriod_ = q;
                }
        }
    }

    // Adds to the scores of paths what a beat at a hop is worth with each period: what lies on it, and, of those
    // periods that lie within what has been, on the quarters before.
    void gain(std::int64_t h, int past, std::vector<float>& scores) const {
        const float* curve = curve_.data() + h;
        const float here = beatGain * *curve - emptyCost;
        float* score = scores.data();
        for (int q = 0; q < fours_; q += 4)
            base::put(base::four(score + q) + (here - base::four(straying_.data() + q)), score + q);
        for (int q = 0; q < past; ++q) {
            const int tau = shortest_ + q;
            score[q] += halfGain * curve[-(tau / 2)] + quarterGain * (curve[-(tau / 4)] + curve[-(tau * 3 / 4)]);
        }
    }

    const std::vector<Event>& events_;
    const std::vector<float>& curve_;
    const Span& span_;
    const double hop_;
    const double period_; // in hops
    const int shortest_;
    const int periods_;    // how many, a hop apart
    const int fours_;      // the same, filled up to fours
    std::int64_t endFrom_; // the end: the best within the last period of sound
    std::int64_t endTo_;
    std::array<std::vector<float>, 2 * swerve + 1> turning_; // what a change of period costs
    std::vector<float> straying_;                            // and a period off the tempo
    CameFrom cameFrom_{0};
    std::int64_t bestAt_ = 0;
    int bestPeriod_ = 0;
};

// What sounds around a beat, on it and on the quarters between, says where it lies.
double settledBeat(const std::vector<Event>& events, const std::vector<double>& rough, std::size_t i) {
    const std::size_t a = i > 0 ? i - 1 : 0;
    const std::size_t b = std::min(rough.size() - 1, i + 1);
    const double local = (rough[b] - rough[a]) / double(b - a);
    double sum = 0;
    double weights = 1e-9;
    double own = 0;
    double ownStrength = 0;
    auto e = std::lower_bound(events.begin(), events.end(), rough[i] - around * local,
                              [](const Event& x, double t) { return x.at < t; });
    for (; e != events.end() && e->at < rough[i] + around * local; ++e) {
        const double place = (e->at - rough[i]) / local;
        // Which beat's neighbourhood the event belongs to, by the rough beats themselves.
        const auto after = std::lower_bound(rough.begin(), rough.end(), e->at);
        const auto k = static_cast<std::size_t>(std::max<std::ptrdiff_t>(1, after - rough.begin()));
        const double from = k < rough.size() ? rough[k - 1] : rough.back();
        const double here = k < rough.size() ? rough[k] - rough[k - 1] : local;
        const double quarter = (e->at - from) / here * 4;
        const double off = (quarter - std::round(quarter)) * here / 4;
        const double u = off / belongs;
        if (std::abs(u) >= 1) continue;
        const double w = e->strength * (1 - u * u) * std::exp(-place * place) * (e->attack ? 1.0 : swellWeight);
        sum += w * off;
        weights += w;
        if (std::abs(e->at - rough[i]) < belongs && e->attack && e->strength > ownStrength) {
            own = e->at;
            ownStrength = e->strength;
        }
    }
    double beat = rough[i] + sum / weights;
    if (ownStrength > 0 && std::abs(own - beat) < agrees) beat += ownShare * (own - beat);
    return beat;
}

} // namespace

std::vector<double> trackedBeats(const std::vector<Event>& events, const Strength& s, const Span& span, Bpm about,
                                 const base::Progress& progress) {
    const auto size = static_cast<std::size_t>(span.file / s.hop) + 1;
    if (events.size() < 2 || size < 8) return {};
    const std::vector<float> curve = hills(events, s.hop, size);
    const std::vector<double> rough =
        BestPath(events, curve, span, s.hop, 60 / about.value / s.hop).beats(progress);
    std::vector<double> beats = rough;
    for (std::size_t i = 0; i < beats.size() && rough.size() > 2; ++i)
        beats[i] = settledBeat(events, rough, i);
    std::sort(beats.begin(), beats.end());
    beats.erase(std::unique(beats.begin(), beats.end(), [](double a, double b) { return b - a < tooNear; }),
                beats.end());
    return beats;
}

double landing(const std::vector<double>& beats, const std::vector<Event>& events) {
    double landed = 0;
    double total = 1e-9;
    for (const Event& e : events) {
        total += e.strength;
        const auto after = std::lower_bound(beats.begin(), beats.end(), e.at);
        if (after == beats.end() || after == beats.begin()) {
            const double off = after == beats.end() ? e.at - beats.back() : beats.front() - e.at;
            landed += e.strength * std::exp(-off * off / (0.02 * 0.02));
            continue;
        }
        const double span = *after - *(after - 1);
        const double place = (e.at - *(after - 1)) / span * 4;
        const double off = std::abs(place - std::round(place)) / 4 * span;
        landed += e.strength * std::exp(-off * off / (0.015 * 0.015));
    }
    return landed / total;
}

namespace {

// The slopes of those lines from one beat on that pass all beats up to some other within a tolerance.
struct Cone {
    double least = -1e300;
    double most = 1e300;
    // One more beat, so many beats and seconds away.
    void narrow(double seconds, double tolerance, double beats) {
        least = std::max(least, (seconds - tolerance) / beats);
        most = std::min(most, (seconds + tolerance) / beats);
    }
    bool isOpen() const { return least <= most; }
    bool holds(double slope) const { return least <= slope && slope <= most; }
};

} // namespace

std::vector<metre::Pin> pinsThrough(const std::vector<double>& beats, std::size_t downbeat, double tolerance) {
    assert(beats.size() >= 2);
    const auto pin = [&](std::size_t i) {
        return metre::Pin{metre::Seconds(beats[i]), metre::Beats(double(i) - double(downbeat))};
    };
    std::vector<metre::Pin> pins = {pin(0)};
    std::size_t from = 0;
    while (from + 1 < beats.size()) {
        std::size_t to = from + 1;
        Cone near;
        Cone nearly;
        for (std::size_t far = from + 2; far < beats.size() && near.isOpen(); ++far) {
            const double last = beats[far - 1] - beats[from];
            near.narrow(last, tolerance, double(far - 1 - from));
            nearly.narrow(last, 8 * tolerance, double(far - 1 - from));
            const double slope = (beats[far] - beats[from]) / double(far - from);
            if (near.holds(slope)) to = far;
            if (!nearly.holds(slope)) break;
        }
        pins.push_back(pin(to));
        from = to;
    }
    return pins;
}

} // namespace hear
