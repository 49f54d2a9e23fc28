#include "sound/ogg_links.h"

#include "base/disk.h"
#include "base/hash.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstring>
#include <fcntl.h>

namespace sound {

namespace {

struct Page {
    std::int64_t bytes = 0;
    bool begins = false; // of a stream
    bool ends = false;
    std::string codec; // of a page that begins one
};

bool isPage(std::span<const unsigned char> b) {
    return b.size() >= 27 && std::memcmp(b.data(), "OggS", 4) == 0 && b[4] == 0;
}

Page pageAt(ByteFile& file, std::int64_t at) {
    Page page;
    const auto head = file.at(at, 27 + 255 + 64);
    if (!isPage(head)) return page;
    const std::size_t segments = head[26];
    if (head.size() < 27 + segments) return page;
    std::int64_t body = 0;
    for (std::size_t i = 0; i < segments; ++i)
        body += head[27 + i];
    page.bytes = 27 + static_cast<std::int64_t>(segments) + body;
    page.begins = (head[5] & 2) != 0;
    page.ends = (head[5] & 4) != 0;
    if (page.begins) {
        const auto packet = head.subspan(27 + segments);
        if (packet.size() >= 7 && std::memcmp(packet.data(), "\x01vorbis", 7) == 0) page.codec = "vorbis";
        if (packet.size() >= 8 && std::memcmp(packet.data(), "OpusHead", 8) == 0) page.codec = "opus";
    }
    return page;
}

} // namespace

OggLinks oggLinks(ByteFile& file) {
    OggLinks out;
    bool inBody = true; // pages that begin streams stand together at the beginning of a link
    bool ended = true;
    std::int64_t at = 0;
    while (at < file.size()) {
        const Page page = pageAt(file, at);
        if (page.bytes == 0 || at + page.bytes > file.size()) {
            // A page that was cut; or bytes that are none, such as zeros, which are no loss behind a stream's end.
            if (std::memcmp(file.at(at, 4).data(), "OggS", std::min<std::size_t>(4, file.at(at, 4).size())) == 0)
                out.isCut = true;
            break;
        }
        if (page.begins && inBody) {
            if (!out.links.empty()) out.links.back().to = at;
            out.links.push_back({at, at, page.codec});
        }
        if (out.links.empty()) return out;
        inBody = !page.begins;
        ended = page.ends;
        at += page.bytes;
        out.links.back().to = at;
    }
    if (!ended) out.isCut = true;
    return out;
}

namespace {

// The checksum of a page whose own is taken as zero (the same RFC; polynomial 04C11DB7).
std::uint32_t pageSum(std::span<const unsigned char> page) {
    static const auto table = [] {
        std::array<std::uint32_t, 256> made{};
        for (std::uint32_t i = 0; i < 256; ++i) {
            std::uint32_t r = i << 24;
            for (int bit = 0; bit < 8; ++bit)
                r = (r & 0x80000000U) != 0 ? (r << 1) ^ 0x04C11DB7U : r << 1;
            made[i] = r;
        }
        return made;
    }();
    std::uint32_t sum = 0;
    for (const unsigned char byte : page)
        sum = (sum << 8) ^ table[(sum >> 24) ^ byte];
    return sum;
}

constexpr std::size_t serialAt = 14;
constexpr std::size_t sumAt = 22;

void putLittle(unsigned char* to, std::uint32_t value) {
    for (int i = 0; i < 4; ++i)
        to[i] = static_cast<unsigned char>(value >> (8 * i) & 0xFF);
}

} // namespace

bool setOggSerial(const std::filesystem::path& path) {
    ByteFile file(path);
    base::KeyMaker key;
    std::vector<std::pair<std::int64_t, std::int64_t>> pages; // where, and how long
    for (std::int64_t at = 0; at < file.size();) {
        const Page page = pageAt(file, at);
        if (page.bytes == 0 || at + page.bytes > file.size()) break;
        pages.emplace_back(at, page.bytes);
        const auto bytes = file.at(at, static_cast<std::size_t>(page.bytes)).subspan(sumAt + 4);
        key.add(std::string_view(reinterpret_cast<const char*>(bytes.data()), bytes.size()));
        at += page.bytes;
    }
    const auto serial = static_cast<std::uint32_t>(key.key().low);
    base::disk::Handle out(base::disk::open(path, O_WRONLY));
    if (!out.isOpen()) return false;
    for (const auto& [at, size] : pages) {
        const auto there = file.at(at, static_cast<std::size_t>(size));
        std::vector<unsigned char> page(there.begin(), there.end());
        putLittle(page.data() + serialAt, serial);
        putLittle(page.data() + sumAt, 0);
        putLittle(page.data() + sumAt, pageSum(page));
        if (!base::disk::writeAllAt(out.get(), page.data(), 27, at)) return false;
    }
    errno = file.error() != 0 ? file.error() : out.close();
    return errno == 0;
}

} // namespace sound
