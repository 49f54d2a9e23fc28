#include "sound/shard.h"

#include "base/hash.h"

#include <charconv>
#include <fstream>
#include <vector>

namespace sound {

bool Shard::holds(const std::filesystem::path& file) const {
    if (isAll()) return true;
    constexpr std::streamsize piece = 1 << 12;
    std::ifstream in(file, std::ios::binary);
    in.seekg(0, std::ios::end);
    const auto size = static_cast<std::streamoff>(in.tellg());
    if (!in || size < 0) return part == 1;
    std::string bytes(static_cast<std::size_t>(piece), '\0');
    in.seekg(size / 2);
    in.read(bytes.data(), piece);
    if (in.bad()) return part == 1;
    base::KeyMaker maker;
    maker.add(static_cast<std::uint64_t>(size));
    maker.add(std::string_view(bytes.data(), static_cast<std::size_t>(in.gcount())));
    return static_cast<int>(maker.key().low % static_cast<std::uint64_t>(of)) == part - 1;
}

std::optional<Shard> shardFrom(const std::string& text) {
    Shard shard;
    const char* end = text.data() + text.size();
    const auto part = std::from_chars(text.data(), end, shard.part);
    if (part.ec != std::errc() || part.ptr == end || *part.ptr != '/') return std::nullopt;
    const auto of = std::from_chars(part.ptr + 1, end, shard.of);
    if (of.ec != std::errc() || of.ptr != end) return std::nullopt;
    if (shard.of < 1 || shard.of > mostShards || shard.part < 1 || shard.part > shard.of) return std::nullopt;
    return shard;
}

} // namespace sound
