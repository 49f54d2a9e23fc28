// Maps beats to seconds. Between two points the tempo holds, or glides linearly over beats (a ramp).
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <memory>
#include <optional>
#include <vector>

namespace metre {

// From this beat on the tempo is bpm. Hold: it stays until the next point. Ramp: it glides, linearly over
// beats, to the next point's tempo; at the last point a ramp holds, having nowhere to go.
struct TempoPoint {
    enum class Shape { Hold, Ramp };
    Beats at;
    Bpm bpm;
    Shape shape = Shape::Hold;
    bool operator==(const TempoPoint&) const = default;
};

// A project's tempo over time. An immutable value that is cheap to copy, whatever its length: copies share their
// points. Any thread may read it; reading never allocates or throws. Beat 0 is second 0. Before the first point its
// tempo holds, so that pick-ups may lie at negative beats.
class TempoMap {
  public:
    // One tempo throughout. REQUIRES isTempo(bpm).
    TempoMap() : TempoMap(Bpm(120)) {}
    explicit TempoMap(Bpm bpm);

    // Fails when there is no point, when points are not strictly increasing, when the first is not at beat 0,
    // or when a tempo is out of range.
    static base::Result<TempoMap> make(std::vector<TempoPoint> points);

    // Exact inverses of each other to 1e-9 s within a day of music. REQUIRES finite arguments.
    // A ramp from v0 to v1 BPM over n beats has v(b) = v0 + k b with k = (v1 - v0) / n, so
    // t(b) = 60/k ln(1 + k b / v0) and b(t) = v0/k (exp(k t / 60) - 1): plain calculus, closed form.
    Seconds secondsAt(Beats b) const;
    Beats beatAt(Seconds s) const;

    // The tempo at a moment; at a point, the tempo that begins there.
    Bpm tempoAt(Beats b) const;
    // The tempo over [from, to), where it is one. REQUIRES from < to.
    std::optional<Bpm> steadyTempo(Beats from, Beats to) const;

    // The beats in (0, until) between which seconds run straight over beats to within `error`: every point of the
    // map, and along ramps as many places as that takes. Strictly increasing. REQUIRES error > 0. Along a ramp
    // seconds bend by t'' = −60 k / v², and the line over h beats is off by h² |t''| / 8 at most (the error of
    // linear interpolation; any textbook of numerical analysis), so h = √(8 · error · v² / (60 |k|)), with the
    // lowest v of the stretch.
    std::vector<Beats> bends(Beats until, Seconds error) const;

    const std::vector<TempoPoint>& points() const { return data_->points; }
    bool isSteady() const;
    bool operator==(const TempoMap& o) const { return data_ == o.data_ || data_->points == o.data_->points; }

  private:
    struct Data {
        std::vector<TempoPoint> points;
        std::vector<double> startSeconds; // of each point
    };
    explicit TempoMap(std::shared_ptr<const Data> data) : data_(std::move(data)) {}

    std::size_t segmentAtBeat(Beats b) const;

    std::shared_ptr<const Data> data_; // never null
};

} // namespace metre
