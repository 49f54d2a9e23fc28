// Four numbers at a time, for inner loops in which the compiler does not find them by itself.
#pragma once

#include <cstdint>
#include <cstring>

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

} // namespace base
