// Bars: which metre (time signature) holds where, and positions as bar, beat and part.
#pragma once

#include "base/result.h"
#include "metre/units.h"

#include <string>
#include <string_view>
#include <vector>

namespace metre {

// A time signature, such as 4/4 or 6/8. beats: 1–32; unit: 1, 2, 4, 8, 16 or 32.
struct Metre {
    int beats = 4;
    int unit = 4;

    // The length of one counted beat and of a bar, in quarter notes: in 6/8 a counted beat is half of one.
    Beats counted() const { return Beats(4.0 / unit); }
    Beats bar() const { return Beats(4.0 * beats / unit); }
    bool operator==(const Metre&) const = default;
};

// Reads "4/4" or "6/8". Fails, saying why, on anything else.
base::Result<Metre> parseMetre(std::string_view text);
std::string metreLabel(Metre m);

// A place in the music as people say it: bars and beats count from 1, parts from 0 to 95.
struct BarPosition {
    static constexpr int partsPerBeat = 96;
    int bar = 1;
    int beat = 1;
    int part = 0;
    bool operator==(const BarPosition&) const = default;
};

// The metre holds from this bar (counted from 1) on.
struct MetrePoint {
    int bar = 1;
    Metre metre;
    bool operator==(const MetrePoint&) const = default;
};

// A project's metre over time. An immutable value; any thread may read it; reading never allocates or throws.
class MetreMap {
  public:
    MetreMap() : MetreMap(Metre{}) {} // 4/4
    explicit MetreMap(Metre m);

    // Fails when there is no point, when bars are not strictly increasing from 1, or a metre is out of range.
    static base::Result<MetreMap> make(std::vector<MetrePoint> points);

    // The beat on which a bar begins. Bars below 1 lie before the start, in the first metre.
    Beats startOfBar(int bar) const;
    // The bar that holds a beat, and its metre.
    int barAt(Beats b) const;
    Metre metreAt(Beats b) const;

    // Rounds down to the part, after a nudge of a millionth of a beat so that rounding errors do not show.
    BarPosition positionAt(Beats b) const;
    Beats beatAt(BarPosition p) const;

    const std::vector<MetrePoint>& points() const { return points_; }
    bool operator==(const MetreMap& o) const { return points_ == o.points_; }

  private:
    std::size_t pointAtBeat(Beats b) const;

    std::vector<MetrePoint> points_;
    std::vector<Beats> starts_;
};

// "5 · 2 · 48"
std::string positionLabel(BarPosition p);

} // namespace metre
