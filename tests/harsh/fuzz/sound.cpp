// Sounds, and what is written in their files.
#include "harsh/fuzz/targets.h"

#include "base/safe_file.h"
#include "sound/carried.h"
#include "sound/id3_tag.h"
#include "sound/loop_info.h"
#include "sound/mp3_frames.h"
#include "sound/read.h"
#include "sound/riff_chunks.h"
#include "sound/tag_file.h"
#include "sound/tags.h"
#include "sound/vorbis_comment.h"

#include <cmath>
#include <fmt/format.h>
#include <sys/mman.h>
#include <unistd.h>

namespace fuzz {

namespace {

// Bytes as a file in memory.
class MemoryFile {
  public:
    explicit MemoryFile(Bytes bytes) : handle_(memfd_create("bytes", 0)) {
        std::size_t done = 0;
        while (done < bytes.size()) {
            const ssize_t n = write(handle_, bytes.data() + done, bytes.size() - done);
            if (n <= 0) break;
            done += static_cast<std::size_t>(n);
        }
    }
    ~MemoryFile() { close(handle_); }
    MemoryFile(const MemoryFile&) = delete;
    MemoryFile& operator=(const MemoryFile&) = delete;
    std::filesystem::path path() const { return fmt::format("/proc/self/fd/{}", handle_); }

  private:
    int handle_;
};

} // namespace

void readSound(Bytes bytes) {
    const MemoryFile file(bytes);
    auto reader = sound::Reader::open(file.path(), std::int64_t(1) << 22);
    if (!reader) {
        mustHold(!reader.error().text.empty(), "a failure has a sentence");
        return;
    }
    std::vector<float> block(std::size_t(4096) * static_cast<std::size_t>(reader->facts().channels));
    std::int64_t frames = 0;
    while (true) {
        const auto got = reader->read(block.data(), 4096);
        if (!got || *got == 0) break;
        mustHold(*got > 0 && *got <= 4096, "no more frames than asked for");
        for (std::int64_t i = 0; i < *got * reader->facts().channels; ++i)
            mustHold(std::isfinite(block[static_cast<std::size_t>(i)]), "samples are numbers");
        frames += *got;
    }
    mustHold(reader->facts().frames.value >= frames, "frames are counted");
    static_cast<void>(reader->end());
}

void readTags(Bytes bytes) {
    const MemoryFile file(bytes);
    const sound::Tags tags = sound::readTags(file.path());
    mustHold(!tags.bpm || (tags.bpm->value >= 20 && tags.bpm->value <= 400), "a tempo is one");
    const sound::LoopInfo loop = sound::readLoopInfo(file.path());
    mustHold(!loop.loop || loop.loop->first < loop.loop->second, "a loop ends after it begins");
    static_cast<void>(sound::readCues(file.path()));
    static_cast<void>(sound::readTimeReference(file.path()));
}

void changeTags(Bytes bytes) {
    sound::Tags tags;
    tags.bpm = metre::Bpm(112.5);
    tags.key = "Dm";
    tags.beats = 16;
    const std::span<const char> span(bytes.data(), bytes.size());
    if (const auto once = sound::withId3Texts(span, tags); once && !span.empty()) {
        const auto again = sound::withId3Texts(*once, tags);
        mustHold(again && *again == *once, "the same texts again change nothing");
    }
    if (const auto once = sound::withComments(span, tags)) {
        const auto again = sound::withComments(*once, tags);
        mustHold(again && *again == *once, "the same comments again change nothing");
    }
}

void changeChunks(Bytes bytes) {
    const MemoryFile file(bytes);
    sound::ByteFile in(file.path());
    const sound::ChunkFile chunks = sound::chunksOf(in);
    if (chunks.form.empty()) return;
    for (const sound::Chunk& chunk : chunks.chunks)
        mustHold(chunk.at >= 12 && chunk.size >= 0, "a chunk lies in the file");
    sound::LoopInfo loop;
    loop.rootNote = 60;
    loop.loop = {metre::Frames(0), metre::Frames(10)};
    loop.bpm = metre::Bpm(120);
    loop.beats = 8;
    for (const sound::Chunk& chunk : chunks.chunks) {
        if (chunk.end() > chunks.size + 1 || chunk.size > 65536) continue;
        const auto body = sound::bodyOf(file.path(), chunk);
        if (!body) continue;
        for (const bool replaces : {false, true}) {
            static_cast<void>(sound::samplerChunk(*body, loop, {replaces, replaces}));
            static_cast<void>(sound::loopChunk(*body, loop, {replaces, replaces}));
        }
    }
    const MemoryFile out({});
    if (!sound::isCutOff(chunks))
        static_cast<void>(sound::writeChanged(file.path(), chunks, {}, out.path(), "out.wav"));
}

void walkMp3(Bytes bytes) {
    const MemoryFile file(bytes);
    sound::ByteFile in(file.path());
    const sound::Mp3Frames frames = sound::mp3Frames(in);
    std::int64_t last = -1;
    for (const sound::Mp3Frame& frame : frames.frames) {
        mustHold(frame.at > last && frame.at + frame.bytes <= in.size(),
                 "frames follow each other within the file");
        last = frame.at;
    }
    for (const sound::Mp3Stretch& kept : frames.kept)
        mustHold(kept.from < kept.to, "what is kept is something");
}

} // namespace fuzz
