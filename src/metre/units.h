// The units of time. A beat cannot be passed where a second is meant: each unit is its own type, and only
// sums, differences and scalings that make sense compile. A beat is always a quarter note, whatever the metre.
#pragma once

#include <cmath>
#include <compare>
#include <cstdint>

namespace metre {

// A number with a unit. Rep is double for seconds and beats, 64-bit for frames.
template <class Tag, class Rep>
struct Quantity {
    Rep value{};

    constexpr Quantity() = default;
    constexpr explicit Quantity(Rep v) : value(v) {}

    constexpr auto operator<=>(const Quantity&) const = default;
    constexpr Quantity operator-() const { return Quantity(-value); }
    constexpr Quantity operator+(Quantity o) const { return Quantity(value + o.value); }
    constexpr Quantity operator-(Quantity o) const { return Quantity(value - o.value); }
    constexpr Quantity operator*(Rep k) const { return Quantity(value * k); }
    constexpr Quantity& operator+=(Quantity o) { return *this = *this + o; }
    constexpr Quantity& operator-=(Quantity o) { return *this = *this - o; }
};

using Seconds = Quantity<struct SecondsTag, double>;
using Beats = Quantity<struct BeatsTag, double>;         // quarter notes
using Frames = Quantity<struct FramesTag, std::int64_t>; // sample frames, one sample per channel
using Bpm = Quantity<struct BpmTag, double>;             // beats (quarter notes) a minute

// The frame nearest to a moment. REQUIRES rate > 0 and s finite.
inline Frames toFrames(Seconds s, int rate) {
    return Frames(std::llround(s.value * rate));
}
inline Seconds toSeconds(Frames f, int rate) {
    return Seconds(static_cast<double>(f.value) / rate);
}

// The time that a number of beats takes at a tempo that does not change. REQUIRES bpm > 0.
inline Seconds duration(Beats b, Bpm bpm) {
    return Seconds(b.value * 60.0 / bpm.value);
}

} // namespace metre
