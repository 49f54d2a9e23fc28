#include "sound/ogg_links.h"

#include <cstring>

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
            // Anything else at the end: a page that was cut, or bytes that are no page.
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

} // namespace sound
