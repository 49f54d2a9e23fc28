// A part of many files, so that several machines share them.
#pragma once

#include <filesystem>
#include <optional>
#include <string>

namespace sound {

// Part `part` of `of`, 1 to `of`. Which part a file falls to follows from what is in it, not from its name or
// place: its size and 4 kB from its middle. So copies of one recording fall to the same part, any number of
// parts is the same whole, and what is added later changes nothing of the others.
struct Shard {
    int part = 1;
    int of = 1;

    bool isAll() const { return of <= 1; }
    // A file that cannot be read falls to the first part, where it is named. Any thread; reads 4 kB.
    bool holds(const std::filesystem::path& file) const;
};

inline constexpr int mostShards = 1'000'000;
// "2/4"; none where it is no such part.
std::optional<Shard> shardFrom(const std::string& text);

} // namespace sound
