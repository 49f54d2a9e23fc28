#include "sound/riff_chunks.h"

#include "base/disk.h"

#include <algorithm>
#include <bit>
#include <cerrno>
#include <fcntl.h>
#include <unistd.h>

namespace sound {

namespace {

void put32(ChunkBytes& out, std::uint32_t value) {
    for (int i = 0; i < 4; ++i)
        out.push_back(static_cast<char>((value >> (8 * i)) & 0xFF));
}

void put16(ChunkBytes& out, std::uint16_t value) {
    out.push_back(static_cast<char>(value & 0xFF));
    out.push_back(static_cast<char>(value >> 8));
}

std::uint32_t numberIn(const ChunkBytes& bytes, std::size_t at) {
    return chunkNumber(bytes, at, false);
}
void setNumber(ChunkBytes& bytes, std::size_t at, std::uint32_t value) {
    setChunkNumber(bytes, at, value, false);
}

// The sampler chunk: nine numbers, loops of six each, and data of a sampler's own.
constexpr std::size_t noteAt = 12;
constexpr std::size_t countAt = 28;
constexpr std::size_t samplerHead = 36;
constexpr std::size_t loopBytes = 24;

void putLoop(ChunkBytes& out, const std::pair<Frames, Frames>& loop) {
    put32(out, 0); // its number
    put32(out, 0); // forwards
    put32(out, static_cast<std::uint32_t>(loop.first.value));
    put32(out, static_cast<std::uint32_t>(loop.second.value - 1)); // the last frame that sounds
    put32(out, 0);                                                 // no fraction
    put32(out, 0);                                                 // for ever
}

// The loop chunk: what of it is meant, root note, two unknown fields, beats, metre, tempo.
constexpr std::uint32_t hasRoot = 2;
constexpr std::size_t loopHead = 24;

} // namespace

ChunkBytes samplerChunk(const LoopInfo& loop, int rate) {
    ChunkBytes out;
    put32(out, 0); // maker
    put32(out, 0); // product
    put32(out, static_cast<std::uint32_t>(1'000'000'000LL / rate));
    put32(out, static_cast<std::uint32_t>(loop.rootNote.value_or(60)));
    put32(out, 0); // fine pitch
    put32(out, 0); // SMPTE format
    put32(out, 0); // SMPTE offset
    put32(out, loop.loop ? 1 : 0);
    put32(out, 0); // no data of a sampler's own
    if (loop.loop) putLoop(out, *loop.loop);
    return out;
}

ChunkBytes samplerChunk(ChunkBytes there, const LoopInfo& loop, const Replacing& replacing) {
    if (there.size() < samplerHead) return there;
    const std::size_t count = numberIn(there, countAt);
    if (count > (there.size() - samplerHead) / loopBytes) return there;
    if (loop.rootNote && replacing.root) setNumber(there, noteAt, static_cast<std::uint32_t>(*loop.rootNote));
    if (loop.loop && (count == 0 || replacing.loops)) {
        ChunkBytes one;
        putLoop(one, *loop.loop);
        const auto first = there.begin() + samplerHead;
        there.erase(first, first + static_cast<std::ptrdiff_t>(count * loopBytes));
        there.insert(there.begin() + samplerHead, one.begin(), one.end());
        setNumber(there, countAt, 1);
    }
    return there;
}

ChunkBytes loopChunk(const LoopInfo& loop) {
    ChunkBytes out;
    put32(out, loop.rootNote ? hasRoot : 0);
    put16(out, static_cast<std::uint16_t>(loop.rootNote.value_or(60)));
    put16(out, 0x8000);
    put32(out, 0);
    put32(out, static_cast<std::uint32_t>(*loop.beats));
    put16(out, 4); // unit of the metre
    put16(out, 4); // beats in a bar
    put32(out, std::bit_cast<std::uint32_t>(static_cast<float>(loop.bpm->value)));
    return out;
}

ChunkBytes loopChunk(ChunkBytes there, const LoopInfo& loop, const Replacing& replacing) {
    if (there.size() < loopHead) return there;
    if (loop.rootNote && replacing.root) {
        setNumber(there, 0, numberIn(there, 0) | hasRoot);
        there[4] = static_cast<char>(*loop.rootNote);
        there[5] = 0;
    }
    if (loop.beats) setNumber(there, 12, static_cast<std::uint32_t>(*loop.beats));
    if (loop.bpm) setNumber(there, 20, std::bit_cast<std::uint32_t>(static_cast<float>(loop.bpm->value)));
    return there;
}

std::vector<NamedChunk> cueChunks(const std::vector<CuePoint>& cues) {
    if (cues.empty()) return {};
    ChunkBytes points;
    put32(points, static_cast<std::uint32_t>(cues.size()));
    const std::string list = "adtl";
    ChunkBytes labels(list.begin(), list.end());
    for (std::size_t i = 0; i < cues.size(); ++i) {
        const auto id = static_cast<std::uint32_t>(i + 1);
        const auto at = static_cast<std::uint32_t>(std::clamp<std::int64_t>(cues[i].at.value, 0, 0xFFFFFFFFLL));
        put32(points, id);
        put32(points, at); // in playing order, which is that of the samples
        for (const char c : {'d', 'a', 't', 'a'})
            points.push_back(c);
        put32(points, 0);
        put32(points, 0);
        put32(points, at);
        if (cues[i].name.empty()) continue;
        for (const char c : {'l', 'a', 'b', 'l'})
            labels.push_back(c);
        put32(labels, static_cast<std::uint32_t>(4 + cues[i].name.size() + 1));
        put32(labels, id);
        labels.insert(labels.end(), cues[i].name.begin(), cues[i].name.end());
        labels.push_back(0);
        if (labels.size() % 2 == 1) labels.push_back(0);
    }
    if (labels.size() == list.size()) return {{"cue ", points}};
    return {{"cue ", points}, {"LIST", labels}};
}

bool appendChunks(const std::filesystem::path& path, const std::vector<NamedChunk>& chunks) {
    base::disk::Handle file(base::disk::open(path, O_RDWR));
    if (!file.isOpen()) return false;
    const off_t size = lseek(file.get(), 0, SEEK_END);
    ChunkBytes all(size % 2 == 1 ? 1 : 0, 0);
    for (const auto& [name, body] : chunks) {
        all.insert(all.end(), name.begin(), name.end());
        put32(all, static_cast<std::uint32_t>(body.size()));
        all.insert(all.end(), body.begin(), body.end());
        if (body.size() % 2 == 1) all.push_back(0);
    }
    const std::int64_t total = size + static_cast<std::int64_t>(all.size()) - 8;
    ChunkBytes length;
    put32(length, static_cast<std::uint32_t>(total));
    errno = EFBIG;
    if (size < 12 || total > 0xFFFFFFFFLL || !base::disk::writeAllAt(file.get(), all.data(), all.size(), size) ||
        !base::disk::writeAllAt(file.get(), length.data(), length.size(), 4))
        return false;
    errno = file.close();
    return errno == 0;
}

} // namespace sound
