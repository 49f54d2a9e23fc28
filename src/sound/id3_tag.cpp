#include "sound/id3_tag.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <functional>
#include <optional>
#include <string>
#include <string_view>

namespace sound {

namespace {

using Bytes = std::vector<char>;

constexpr std::size_t headBytes = 10;
constexpr const char* damaged = "its ID3 tag is damaged";

constexpr unsigned unsynchronised = 0x80;
constexpr unsigned extended = 0x40;
constexpr unsigned withFooter = 0x10;

unsigned byteAt(std::span<const char> b, std::size_t at) {
    return static_cast<unsigned char>(b[at]);
}

std::size_t plainSize(std::span<const char> b, std::size_t at, std::size_t bytes) {
    std::size_t size = 0;
    for (std::size_t i = 0; i < bytes; ++i)
        size = size << 8 | byteAt(b, at + i);
    return size;
}

// Seven bits in each byte; none where a byte has an eighth.
std::optional<std::size_t> safeSize(std::span<const char> b, std::size_t at) {
    std::size_t size = 0;
    for (std::size_t i = 0; i < 4; ++i) {
        if (byteAt(b, at + i) > 0x7F) return std::nullopt;
        size = size << 7 | byteAt(b, at + i);
    }
    return size;
}

void putSafe(Bytes& out, std::size_t size) {
    for (int shift = 21; shift >= 0; shift -= 7)
        out.push_back(static_cast<char>(size >> shift & 0x7F));
}

// How a version writes its frames.
struct Version {
    int number;
    std::size_t idBytes;
    std::size_t frameHead; // bytes before what a frame holds
    const char* tempo;
    const char* key;
    const char* own; // a text under a name of one's own
};
constexpr std::array<Version, 3> versions{
    {{2, 3, 6, "TBP", "TKE", "TXX"}, {3, 4, 10, "TBPM", "TKEY", "TXXX"}, {4, 4, 10, "TBPM", "TKEY", "TXXX"}}};

struct Frame {
    std::string id;
    Bytes all; // with its head
};

bool isFrameId(std::string_view id) {
    return std::all_of(id.begin(), id.end(),
                       [](char c) { return (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9'); });
}

// The frames from `at` on, up to padding or the end; none where they do not lead there. Some programs wrote the
// sizes of version 4 as version 3 does.
std::optional<std::vector<Frame>> framesOf(std::span<const char> body, const Version& v, bool plainSizes) {
    std::vector<Frame> frames;
    std::size_t at = 0;
    while (at < body.size() && body[at] != 0) {
        if (at + v.frameHead > body.size()) return std::nullopt;
        const std::string id(body.data() + at, v.idBytes);
        if (!isFrameId(id)) return std::nullopt;
        std::optional<std::size_t> size;
        if (v.number == 4 && !plainSizes)
            size = safeSize(body, at + 4);
        else
            size = plainSize(body, at + v.idBytes, v.number == 2 ? 3 : 4);
        if (!size || *size > body.size() - at - v.frameHead) return std::nullopt;
        const std::size_t whole = v.frameHead + *size;
        frames.push_back({id, Bytes(body.begin() + static_cast<std::ptrdiff_t>(at),
                                    body.begin() + static_cast<std::ptrdiff_t>(at + whole))});
        at += whole;
    }
    // Padding is nothing but zeros.
    if (std::any_of(body.begin() + static_cast<std::ptrdiff_t>(at), body.end(), [](char c) { return c != 0; }))
        return std::nullopt;
    return frames;
}

// A zero was put behind each byte of ones (6.1 of the specification of version 2.4).
Bytes synchronised(std::span<const char> body) {
    Bytes out;
    out.reserve(body.size());
    for (std::size_t i = 0; i < body.size(); ++i) {
        out.push_back(body[i]);
        if (byteAt(body, i) == 0xFF && i + 1 < body.size() && body[i + 1] == 0) ++i;
    }
    return out;
}

Frame textFrame(const Version& v, const char* id, const std::string& text) {
    Frame frame{id, Bytes(id, id + v.idBytes)};
    const std::size_t size = 1 + text.size();
    if (v.number == 4)
        putSafe(frame.all, size);
    else
        for (int shift = v.number == 2 ? 16 : 24; shift >= 0; shift -= 8)
            frame.all.push_back(static_cast<char>(size >> shift & 0xFF));
    if (v.number > 2) frame.all.insert(frame.all.end(), 2, 0);
    frame.all.push_back(0); // Latin-1; what is written here is ASCII
    frame.all.insert(frame.all.end(), text.begin(), text.end());
    return frame;
}

// The name under which a frame of one's own stands, in capitals; what is not ASCII in it as "?".
std::string ownName(const Frame& frame, const Version& v) {
    std::span<const char> rest(frame.all);
    rest = rest.subspan(std::min(v.frameHead, rest.size()));
    if (rest.empty()) return {};
    const unsigned coding =
        byteAt(rest, 0); // 0 Latin-1, 1 UTF-16 with its order of bytes before it, 2 UTF-16, 3 UTF-8
    const bool wide = coding == 1 || coding == 2;
    rest = rest.subspan(1);
    bool lowFirst = false;
    if (coding == 1 && rest.size() >= 2) {
        lowFirst = byteAt(rest, 0) == 0xFF;
        rest = rest.subspan(2);
    }
    std::string name;
    for (std::size_t i = 0; i + (wide ? 1 : 0) < rest.size(); i += wide ? 2 : 1) {
        const unsigned low = byteAt(rest, wide && !lowFirst ? i + 1 : i);
        const unsigned high = wide ? byteAt(rest, lowFirst ? i + 1 : i) : 0;
        if (low == 0 && high == 0) break;
        const char c = high != 0 || low > 0x7F ? '?' : static_cast<char>(low);
        name.push_back(c >= 'a' && c <= 'z' ? static_cast<char>(c - 32) : c);
    }
    return name;
}

// In the place of the first frame that says the same; others of them go.
void put(std::vector<Frame>& frames, const Frame& frame, const std::function<bool(const Frame&)>& saysThat) {
    bool done = false;
    for (auto it = frames.begin(); it != frames.end();) {
        if (!saysThat(*it)) {
            ++it;
        } else if (!done) {
            *it++ = frame;
            done = true;
        } else {
            it = frames.erase(it);
        }
    }
    if (!done) frames.push_back(frame);
}

void putTexts(std::vector<Frame>& frames, const Version& v, const Tags& tags) {
    const auto putText = [&](const char* id, const std::string& text) {
        put(frames, textFrame(v, id, text), [&](const Frame& f) { return f.id == id; });
    };
    if (tags.bpm) putText(v.tempo, tempoText(*tags.bpm));
    if (!tags.key.empty()) putText(v.key, tags.key);
    if (tags.beats)
        put(frames, textFrame(v, v.own, std::string("BEATS\0", 6) + std::to_string(*tags.beats)),
            [&](const Frame& f) { return f.id == v.own && ownName(f, v) == "BEATS"; });
}

Bytes written(const Version& v, unsigned flags, const std::vector<Frame>& frames, std::size_t atLeast) {
    Bytes body;
    for (const Frame& frame : frames)
        body.insert(body.end(), frame.all.begin(), frame.all.end());
    if (body.size() < atLeast) body.resize(atLeast, 0);
    Bytes out{'I', 'D', '3', static_cast<char>(v.number), 0, static_cast<char>(flags)};
    putSafe(out, body.size());
    out.insert(out.end(), body.begin(), body.end());
    return out;
}

} // namespace

std::int64_t id3Length(std::span<const char> head) {
    if (head.size() < headBytes || std::memcmp(head.data(), "ID3", 3) != 0) return 0;
    const std::size_t size = safeSize(head, 6).value_or(0);
    const bool footer = byteAt(head, 3) == 4 && (byteAt(head, 5) & withFooter) != 0;
    return static_cast<std::int64_t>(headBytes + size + (footer ? headBytes : 0));
}

base::Result<std::vector<char>> withId3Texts(std::span<const char> tag, const Tags& tags) {
    if (tag.empty()) {
        std::vector<Frame> frames;
        putTexts(frames, versions[2], tags);
        return written(versions[2], 0, frames, 0);
    }
    if (id3Length(tag) == 0) return base::problem(damaged);
    const unsigned number = byteAt(tag, 3);
    if (number < 2 || number > 4) return base::problem("its ID3 tag is of a version that is not known here");
    const Version& v = versions[number - 2];
    const unsigned flags = byteAt(tag, 5);
    const unsigned known = number == 2 ? unsynchronised : number == 3 ? 0xE0U : 0xF0U;
    const auto size = safeSize(tag, 6);
    if ((flags & ~known) != 0 || !size || *size + headBytes > tag.size()) return base::problem(damaged);
    // Version 4 marks each frame by itself where bytes were put in between, and keeps them so.
    const bool isTakenApart = (flags & unsynchronised) != 0 && number < 4;
    Bytes body(tag.begin() + headBytes, tag.begin() + static_cast<std::ptrdiff_t>(headBytes + *size));
    if (isTakenApart) body = synchronised(body);
    std::span<const char> frameBytes(body);
    if ((flags & extended) != 0 && number > 2) {
        // It says nothing of the sound, and what it says of the tag would no longer be so.
        if (body.size() < 6) return base::problem(damaged);
        const std::size_t length = number == 3 ? plainSize(body, 0, 4) + 4 : safeSize(body, 0).value_or(0);
        if (length < 6 || length > body.size()) return base::problem(damaged);
        frameBytes = frameBytes.subspan(length);
    }
    auto frames = framesOf(frameBytes, v, false);
    const bool plain = !frames && number == 4;
    if (plain) frames = framesOf(frameBytes, v, true);
    if (!frames) return base::problem(damaged);
    putTexts(*frames, v, tags);
    const unsigned kept = number == 4 ? flags & (unsynchronised | 0x20U) : flags & 0x20U;
    // With a footer there is no padding.
    return written(v, kept, *frames, (flags & withFooter) != 0 && number == 4 ? 0 : *size);
}

} // namespace sound
