// Four numbers at a time, for inner loops in which the compiler does not find them by itself.
#pragma once

#include <cmath>
#include <cstdint>
#include <cstring>
#include <utility>

namespace base {

using Four = float __attribute__((vector_size(16)));
using FourWhole = std::int32_t __attribute__((vector_size(16)));

// From and to memory, wherever it lies. REQUIRES four numbers there.
inline Four four(const float* from) {
    Four out;
    std::memcpy(&out, from, sizeof out);
    return out;
}
inline FourWhole four(const std::int32_t* from) {
    FourWhole out;
    std::memcpy(&out, from, sizeof out);
    return out;
}
template <class Numbers, class Number>
void put(Numbers four, Number* to) {
    std::memcpy(to, &four, sizeof four);
}

// The first, third, … number of four pairs, and the second, fourth, …: real and imaginary parts of complex numbers.
// REQUIRES eight numbers there.
inline std::pair<Four, Four> apart(const float* from) {
    const Four low = four(from);
    const Four high = four(from + 4);
    return {__builtin_shufflevector(low, high, 0, 2, 4, 6), __builtin_shufflevector(low, high, 1, 3, 5, 7)};
}
// Rows become columns.
inline void transpose(Four& a, Four& b, Four& c, Four& d) {
    const Four ab = __builtin_shufflevector(a, b, 0, 4, 1, 5);
    const Four cd = __builtin_shufflevector(c, d, 0, 4, 1, 5);
    const Four beyondAb = __builtin_shufflevector(a, b, 2, 6, 3, 7);
    const Four beyondCd = __builtin_shufflevector(c, d, 2, 6, 3, 7);
    a = __builtin_shufflevector(ab, cd, 0, 1, 4, 5);
    b = __builtin_shufflevector(ab, cd, 2, 3, 6, 7);
    c = __builtin_shufflevector(beyondAb, beyondCd, 0, 1, 4, 5);
    d = __builtin_shufflevector(beyondAb, beyondCd, 2, 3, 6, 7);
}
// REQUIRES numbers of 0 or more.
inline Four root(Four x) {
    return Four{std::sqrt(x[0]), std::sqrt(x[1]), std::sqrt(x[2]), std::sqrt(x[3])};
}
inline Four least(Four a, Four b) {
    return a < b ? a : b;
}
inline Four most(Four a, Four b) {
    return a > b ? a : b;
}

} // namespace base
