#include "sound/tag_file.h"

#include "base/safe_file.h"
#include "base/utf8.h"
#include "sound/read.h"

#include <array>
#include <cstdint>
#include <cstring>
#include <fmt/format.h>
#include <fstream>
#include <vector>

namespace sound {

namespace fs = std::filesystem;

namespace {

using Bytes = std::vector<char>;

void put32(Bytes& out, std::uint32_t value) {
    for (int i = 0; i < 4; ++i)
        out.push_back(static_cast<char>((value >> (8 * i)) & 0xFF));
}

void put16(Bytes& out, std::uint16_t value) {
    out.push_back(static_cast<char>(value & 0xFF));
    out.push_back(static_cast<char>(value >> 8));
}

std::uint32_t get32(const char* at) {
    std::uint32_t value = 0;
    for (int i = 0; i < 4; ++i)
        value |= static_cast<std::uint32_t>(static_cast<unsigned char>(at[i])) << (8 * i);
    return value;
}

Bytes samplerChunk(const LoopInfo& loop, int rate) {
    Bytes out;
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

// Tempo and number of beats, as loops carry them in WAV; libsndfile reads it as loop information.
Bytes loopChunk(const LoopInfo& loop) {
    Bytes out;
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

// Gives a RIFF WAVE file these chunks in the place of any of the same names. Leaves other files alone.
bool putChunks(const fs::path& path, const std::vector<Bytes>& chunks) {
    std::fstream file(path, std::ios::in | std::ios::out | std::ios::binary);
    std::array<char, 12> head{};
    if (!file.read(head.data(), head.size())) return false;
    if (std::memcmp(head.data(), "RIFF", 4) != 0 || std::memcmp(head.data() + 8, "WAVE", 4) != 0) return true;
    file.seekg(0, std::ios::end);
    const std::uint64_t size = static_cast<std::uint64_t>(file.tellg());
    std::uint64_t at = 12;
    while (at + 8 <= size) {
        std::array<char, 8> there{};
        file.seekg(static_cast<std::streamoff>(at));
        if (!file.read(there.data(), there.size())) return false;
        const std::uint64_t length = get32(there.data() + 4);
        for (const Bytes& chunk : chunks)
            if (std::memcmp(there.data(), chunk.data(), 4) == 0) {
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
    for (const Bytes& chunk : chunks) {
        file.write(chunk.data(), static_cast<std::streamsize>(chunk.size()));
        total += chunk.size();
    }
    if (total > 0xFFFFFFFFULL) return false;
    Bytes length;
    put32(length, static_cast<std::uint32_t>(total - 8));
    file.seekp(4);
    file.write(length.data(), 4);
    file.flush();
    return static_cast<bool>(file);
}

} // namespace

Result<void> tagFile(const fs::path& path, const Tags& tags, const LoopInfo& loop) {
    const auto before = read(path, 0);
    if (!before) return tl::unexpected(before.error());
    base::PartFile part(path);
    std::error_code error;
    fs::copy_file(path, part.path(), fs::copy_options::overwrite_existing, error);
    if (error)
        return base::problem(fmt::format("{} was not written into: {}.", base::shownName(path),
                                         base::writeReason(path, error.value())));
    std::vector<Bytes> chunks;
    if (loop.rootNote || loop.loop) chunks.push_back(samplerChunk(loop, before->facts.rate));
    if (loop.beats && loop.bpm) chunks.push_back(loopChunk(loop));
    if (!chunks.empty() && !putChunks(part.path(), chunks))
        return base::problem(fmt::format("The loop points could not be written into {}.", base::shownName(path)));
    if (auto written = writeTags(part.path(), tags); !written)
        return base::problem(fmt::format("The tempo could not be written into {}.", base::shownName(path)));
    const auto after = read(part.path(), 0);
    if (!after || after->content != before->content)
        return base::problem(fmt::format("{} was left as it is: writing into it would have changed its audio.",
                                         base::shownName(path)));
    const auto status = fs::status(path, error);
    if (!error) fs::permissions(part.path(), status.permissions(), error);
    return part.commit(base::Existing::Replace);
}

} // namespace sound
