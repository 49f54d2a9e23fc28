// Keys of fixed size, made from values.
#pragma once

#include <bit>
#include <compare>
#include <cstddef>
#include <cstdint>
#include <string_view>

namespace base {

// The finaliser of SplitMix64 (Steele, Lea & Flood, "Fast Splittable Pseudorandom Number Generators", OOPSLA 2014;
// constants from memory): every input bit changes about half of the output bits.
constexpr std::uint64_t mixed(std::uint64_t x) {
    x ^= x >> 30;
    x *= 0xBF58476D1CE4E5B9ULL;
    x ^= x >> 27;
    x *= 0x94D049BB133111EBULL;
    return x ^ (x >> 31);
}

// 128 bits: two different values have the same key about never, not even among 10^15 of them. Not meant against
// forgery.
struct Key {
    std::uint64_t high = 0;
    std::uint64_t low = 0;
    auto operator<=>(const Key&) const = default;
    explicit operator bool() const { return high != 0 || low != 0; }
};

// Adds values one after the other; the same values in the same order give the same key, on every machine.
class KeyMaker {
  public:
    KeyMaker& add(std::uint64_t value) {
        high_ = mixed(high_ ^ value) + 0x9E3779B97F4A7C15ULL;
        low_ = mixed(low_ + (value ^ high_) * 0xD6E8FEB86659FD93ULL);
        return *this;
    }
    KeyMaker& add(double value) { return add(std::bit_cast<std::uint64_t>(value == 0 ? 0.0 : value)); }
    KeyMaker& add(std::string_view text) {
        add(static_cast<std::uint64_t>(text.size()));
        std::uint64_t word = 0;
        for (std::size_t i = 0; i < text.size(); ++i) {
            word = word << 8 | static_cast<unsigned char>(text[i]);
            if (i % 8 == 7 || i + 1 == text.size()) add(word);
        }
        return *this;
    }
    // Never the empty key.
    Key key() const { return {mixed(high_) | 1, mixed(low_ ^ high_)}; }

  private:
    std::uint64_t high_ = 0x243F6A8885A308D3ULL; // digits of pi
    std::uint64_t low_ = 0x13198A2E03707344ULL;
};

struct KeyHash {
    std::size_t operator()(const Key& k) const { return static_cast<std::size_t>(k.high ^ k.low); }
};

} // namespace base
