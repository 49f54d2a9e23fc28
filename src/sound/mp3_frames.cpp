#include "sound/mp3_frames.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <optional>

namespace sound {

namespace {

struct Header {
    int version = 0; // 1, 2, or 25 for 2.5
    int layer = 0;
    int rate = 0;
    int channels = 0;
    int bytes = 0;
    int samples = 0;
    bool alike(const Header& o) const { return version == o.version && layer == o.layer && rate == o.rate; }
};

std::optional<Header> headerOf(std::span<const unsigned char> b) {
    if (b.size() < 4 || b[0] != 0xFF || (b[1] & 0xE0) != 0xE0) return std::nullopt;
    constexpr std::array<int, 4> versions = {25, 0, 2, 1};
    constexpr std::array<std::array<int, 3>, 3> rates = {
        {{44100, 48000, 32000}, {22050, 24000, 16000}, {11025, 12000, 8000}}};
    // kbit/s: MPEG 1 layers I, II, III; MPEG 2 layer I, and II and III.
    constexpr std::array<std::array<int, 15>, 5> bitrates = {
        {{0, 32, 64, 96, 128, 160, 192, 224, 256, 288, 320, 352, 384, 416, 448},
         {0, 32, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 384},
         {0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320},
         {0, 32, 48, 56, 64, 80, 96, 112, 128, 144, 160, 176, 192, 224, 256},
         {0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160}}};
    Header h;
    h.version = versions[(b[1] >> 3) & 3];
    h.layer = 4 - ((b[1] >> 1) & 3);
    const unsigned rate = (b[2] >> 2) & 3;
    const unsigned bitrate = b[2] >> 4;
    if (h.version == 0 || h.layer == 4 || rate == 3 || bitrate == 0 || bitrate == 15 || (b[3] & 3) == 2)
        return std::nullopt;
    h.rate = rates[h.version == 1 ? 0 : h.version == 2 ? 1 : 2][rate];
    h.channels = (b[3] >> 6) == 3 ? 1 : 2;
    const std::size_t table = h.version == 1 ? static_cast<std::size_t>(h.layer - 1) : h.layer == 1 ? 3 : 4;
    const int bits = bitrates[table][bitrate] * 1000;
    const int padding = (b[2] >> 1) & 1;
    h.samples = h.layer == 1 ? 384 : h.layer == 3 && h.version != 1 ? 576 : 1152;
    h.bytes = h.layer == 1 ? (12 * bits / h.rate + padding) * 4 : h.samples / 8 * bits / h.rate + padding;
    return h.bytes > 4 ? std::optional(h) : std::nullopt;
}

bool startsWith(std::span<const unsigned char> bytes, const char* text) {
    const std::size_t n = std::strlen(text);
    return bytes.size() >= n && std::memcmp(bytes.data(), text, n) == 0;
}

std::int64_t big32(std::span<const unsigned char> b, std::size_t at) {
    return (std::int64_t(b[at]) << 24) | (b[at + 1] << 16) | (b[at + 2] << 8) | b[at + 3];
}

// Past a tag that begins here; the same place when none does.
std::int64_t pastTag(ByteFile& file, std::int64_t at) {
    const auto head = file.at(at, 32);
    if (startsWith(head, "ID3") && head.size() >= 10) {
        const std::int64_t size =
            (head[6] & 0x7F) << 21 | (head[7] & 0x7F) << 14 | (head[8] & 0x7F) << 7 | (head[9] & 0x7F);
        return at + 10 + size + ((head[5] & 0x10) != 0 ? 10 : 0);
    }
    if (startsWith(head, "TAG")) return at + 128;
    if (startsWith(head, "APETAGEX") && head.size() >= 24) {
        const std::int64_t size = head[12] | head[13] << 8 | head[14] << 16 | std::int64_t(head[15]) << 24;
        return at + 32 + size;
    }
    return at;
}

// Whether as many frames as are asked for, all alike, follow each other from here on, or run to the end of the
// file.
bool runsFrom(ByteFile& file, std::int64_t at, int wanted) {
    std::optional<Header> first;
    int run = 0;
    for (; run < wanted && at < file.size(); ++run) {
        const auto h = headerOf(file.at(at, 4));
        if (!h || (first && !first->alike(*h))) {
            // The end of a file, with or without a tag, ends a short run as well; one frame alone is chance.
            return run >= 2 && pastTag(file, at) != at;
        }
        if (!first) first = h;
        at += h->bytes;
    }
    return run >= 2;
}

constexpr int runNeeded = 6;
constexpr std::int64_t farthestStart = 1 << 16; // bytes that may lie before the first frame

// The next place at or after this one from which frames run.
std::optional<std::int64_t> nextRun(ByteFile& file, std::int64_t at, std::int64_t reach) {
    const std::int64_t last = std::min(file.size(), at + reach);
    while (at < last) {
        if (const std::int64_t past = pastTag(file, at); past != at) {
            at = past;
            continue;
        }
        if (runsFrom(file, at, runNeeded)) return at;
        ++at;
    }
    return std::nullopt;
}

constexpr int mostDelay = 4096; // frames; more is no encoder's

// What an encoder writes into a first frame of silence.
struct Info {
    std::int64_t frames = -1; // that follow; −1: not said
    int delay = 0;
    int padding = 0;
    bool hasDelay = false;
};

std::optional<Info> infoOf(ByteFile& file, const Mp3Frame& frame, const Header& h) {
    const auto b = file.at(frame.at, frame.bytes);
    const std::size_t side = h.version == 1 ? (h.channels == 1 ? 17 : 32) : (h.channels == 1 ? 9 : 17);
    const std::size_t at = 4 + side;
    // Another encoder's, always in the same place: version, delay, quality, bytes and frames.
    constexpr std::size_t other = 4 + 32;
    if (h.layer == 3 && b.size() >= other + 18 && startsWith(b.subspan(other), "VBRI")) {
        Info info;
        info.frames = big32(b, other + 14);
        info.delay = b[other + 6] << 8 | b[other + 7];
        info.hasDelay = info.delay <= mostDelay;
        return info;
    }
    if (h.layer != 3 || b.size() < at + 8) return std::nullopt;
    if (!startsWith(b.subspan(at), "Xing") && !startsWith(b.subspan(at), "Info")) return std::nullopt;
    Info info;
    const std::int64_t flags = big32(b, at + 4);
    std::size_t next = at + 8;
    if ((flags & 1) != 0 && b.size() >= next + 4) info.frames = big32(b, next);
    for (const auto& [flag, size] : {std::pair(1, 4), std::pair(2, 4), std::pair(4, 100), std::pair(8, 4)})
        if ((flags & flag) != 0) next += static_cast<std::size_t>(size);
    // The encoder's name in nine bytes, twelve of other things, then delay and padding in twelve bits each.
    if (b.size() >= next + 24 && b[next] != 0) {
        info.delay = b[next + 21] << 4 | b[next + 22] >> 4;
        info.padding = (b[next + 22] & 15) << 8 | b[next + 23];
        info.hasDelay = true;
    }
    return info;
}

constexpr int decoderDelay = 529; // frames that decoding layer III puts before the sound, common to all decoders

// Walks over the frames of a file, which may be several that were joined.
class Walk {
  public:
    explicit Walk(ByteFile& file) : file_(file) {}

    Mp3Frames frames() {
        const auto start = nextRun(file_, pastTag(file_, 0), farthestStart);
        if (!start) return out_;
        kind_ = *headerOf(file_.at(*start, 4));
        out_.rate = kind_.rate;
        out_.samples = kind_.samples;
        out_.channels = kind_.channels;
        at_ = *start;
        while (at_ < file_.size() && step()) {
        }
        endPart();
        return std::move(out_);
    }

  private:
    std::int64_t count() const { return static_cast<std::int64_t>(out_.frames.size()); }

    // A frame, or what lies between two. False at the end.
    bool step() {
        const auto h = headerOf(file_.at(at_, 4));
        if (!h || !h->alike(kind_)) return passOver();
        if (at_ + h->bytes > file_.size()) {
            out_.isCut = true;
            return false;
        }
        const Mp3Frame frame{at_, static_cast<std::uint16_t>(h->bytes)};
        at_ += h->bytes;
        if (auto info = infoOf(file_, frame, *h)) {
            if (count() > 0) endPart();
            part_ = info;
            // It is silence, and no part of the sound; it is left out, and what follows begins at once.
            promised_ = info->frames >= 0 ? count() + info->frames : -1;
            return true;
        }
        out_.channels = std::max(out_.channels, h->channels);
        out_.frames.push_back(frame);
        return true;
    }

    bool passOver() {
        const std::int64_t past = pastTag(file_, at_);
        const auto next = nextRun(file_, past, file_.size());
        if (!next) {
            // A tag, or padding, at the end is no loss; the beginning of a frame is.
            const bool isTag = past != at_;
            const auto rest = file_.at(at_, 4);
            if (!isTag && !rest.empty() && rest[0] == 0xFF && at_ + 4 > file_.size()) out_.isCut = true;
            return false;
        }
        if (!headerOf(file_.at(*next, 4))->alike(kind_)) return false; // another kind of sound was joined on
        at_ = *next;
        return true;
    }

    void endPart() {
        if (promised_ >= 0 && count() < promised_) out_.isCut = true;
        std::int64_t from = partFrom_;
        std::int64_t to = count() * out_.samples;
        if (part_ && part_->hasDelay) {
            from += part_->delay + decoderDelay;
            if (promised_ < 0 || count() >= promised_) to -= std::max(0, part_->padding - decoderDelay);
        }
        if (to > from) out_.kept.push_back({from, to});
        partFrom_ = count() * out_.samples;
        part_.reset();
        promised_ = -1;
    }

    ByteFile& file_;
    Mp3Frames out_;
    Header kind_{};
    std::int64_t at_ = 0;
    std::optional<Info> part_;   // of the joined file that is being walked over
    std::int64_t partFrom_ = 0;  // its first frame of sound, decoded
    std::int64_t promised_ = -1; // MPEG frames, by which it ends
};

} // namespace

Mp3Frames mp3Frames(ByteFile& file) {
    return Walk(file).frames();
}

} // namespace sound
