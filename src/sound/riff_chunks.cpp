#include "sound/riff_chunks.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <fstream>

namespace sound {

namespace {

ChunkBytes startOf(const char* name) {
    return {name, name + 4};
}

void put32(ChunkBytes& out, std::uint32_t value) {
    for (int i = 0; i < 4; ++i)
        out.push_back(static_cast<char>((value >> (8 * i)) & 0xFF));
}

void put16(ChunkBytes& out, std::uint16_t value) {
    out.push_back(static_cast<char>(value & 0xFF));
    out.push_back(static_cast<char>(value >> 8));
}

std::uint32_t get32(const char* at) {
    std::uint32_t value = 0;
    for (int i = 0; i < 4; ++i)
        value |= static_cast<std::uint32_t>(static_cast<unsigned char>(at[i])) << (8 * i);
    return value;
}

} // namespace

ChunkBytes samplerChunk(const LoopInfo& loop, int rate) {
    ChunkBytes out;
    for (const char c : {'s', 'm', 'p', 'l'})
        out.push_back(c);
    put32(out, loop.loop ? 60 : 36);
    put32(out, 0); // maker
    put32(out, 0); // product
    put32(out, static_cast<std::uint32_t>(1'000'000'000LL / rate));
    put32(out, static_cast<std::uint32_t>(loop.rootNote.value_or(60)));
    put32(out, 0); // fine pitch
    put32(out, 0); // SMPTE format
    put32(out, 0); // SMPTE offset
    put32(out, loop.loop ? 1 : 0);
    put32(out, 0); // no data of a sampler's own
    if (loop.loop) {
        put32(out, 0);
        put32(out, 0); // forwards
        put32(out, static_cast<std::uint32_t>(loop.loop->first.value));
        put32(out, static_cast<std::uint32_t>(loop.loop->second.value - 1)); // the last frame that sounds
        put32(out, 0);
        put32(out, 0); // for ever
    }
    return out;
}

ChunkBytes loopChunk(const LoopInfo& loop) {
    ChunkBytes out;
    for (const char c : {'a', 'c', 'i', 'd'})
        out.push_back(c);
    put32(out, 24);
    put32(out, loop.rootNote ? 2 : 0); // stretches; with a root note
    put16(out, static_cast<std::uint16_t>(loop.rootNote.value_or(60)));
    put16(out, 0x8000);
    put32(out, 0);
    put32(out, static_cast<std::uint32_t>(*loop.beats));
    put16(out, 4); // unit of the metre
    put16(out, 4); // beats in a bar
    const auto tempo = static_cast<float>(loop.bpm->value);
    std::uint32_t bits = 0;
    std::memcpy(&bits, &tempo, sizeof bits);
    put32(out, bits);
    return out;
}

std::vector<ChunkBytes> cueChunks(const std::vector<CuePoint>& cues) {
    if (cues.empty()) return {};
    ChunkBytes points = startOf("cue ");
    put32(points, static_cast<std::uint32_t>(4 + 24 * cues.size()));
    put32(points, static_cast<std::uint32_t>(cues.size()));
    ChunkBytes names = startOf("LIST");
    ChunkBytes labels = startOf("adtl");
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
    if (labels.size() == 4) return {points};
    put32(names, static_cast<std::uint32_t>(labels.size()));
    names.insert(names.end(), labels.begin(), labels.end());
    return {points, names};
}

bool putChunks(const std::filesystem::path& path, const std::vector<ChunkBytes>& chunks) {
    std::fstream file(path, std::ios::in | std::ios::out | std::ios::binary);
    std::array<char, 12> head{};
    if (!file.read(head.data(), head.size())) return false;
    if (std::memcmp(head.data(), "RIFF", 4) != 0 || std::memcmp(head.data() + 8, "WAVE", 4) != 0) return true;
    file.seekg(0, std::ios::end);
    const std::uint64_t size = static_cast<std::uint64_t>(file.tellg());
    std::uint64_t at = 12;
    while (at + 8 <= size) {
        std::array<char, 12> there{};
        file.clear();
        file.seekg(static_cast<std::streamoff>(at));
        file.read(there.data(), there.size());
        if (file.gcount() < 8) return false;
        file.clear();
        const std::uint64_t length = get32(there.data() + 4);
        for (const ChunkBytes& chunk : chunks)
            if (std::memcmp(there.data(), chunk.data(), 4) == 0 &&
                (std::memcmp(chunk.data(), "LIST", 4) != 0 ||
                 std::memcmp(there.data() + 8, chunk.data() + 8, 4) == 0)) {
                // Set aside under a name that nobody reads; moving all that follows would touch the audio.
                file.seekp(static_cast<std::streamoff>(at));
                file.write("JUNK", 4);
            }
        at += 8 + length + length % 2;
    }
    file.clear();
    file.seekp(0, std::ios::end);
    std::uint64_t total = size;
    if (size % 2 == 1) {
        file.put(0);
        ++total;
    }
    for (const ChunkBytes& chunk : chunks) {
        file.write(chunk.data(), static_cast<std::streamsize>(chunk.size()));
        total += chunk.size();
    }
    if (total > 0xFFFFFFFFULL) return false;
    ChunkBytes length;
    put32(length, static_cast<std::uint32_t>(total - 8));
    file.seekp(4);
    file.write(length.data(), 4);
    file.flush();
    return static_cast<bool>(file);
}

} // namespace sound
