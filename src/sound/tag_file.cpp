#include "sound/tag_file.h"

#include "base/disk.h"
#include "base/hash.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "sound/byte_file.h"
#include "sound/id3_tag.h"
#include "sound/ogg_links.h"
#include "sound/read.h"
#include "sound/vorbis_comment.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <memory>
#include <taglib/opusfile.h>
#include <taglib/vorbisfile.h>
#include <unistd.h>
#include <vector>

namespace sound {

namespace fs = std::filesystem;

namespace {

using Bytes = std::vector<char>;

// Why a file stays as it is, to stand after a colon.
using Why = Result<void>;

// What is written into a file, and where the new one is made.
struct Job {
    const fs::path& from;
    const fs::path& part;
    const Tags& tags;
    const LoopInfo& loop;
    const Replacing& replacing;
    int rate;
};

Bytes bytesOf(ByteFile& file, std::int64_t from, std::int64_t to) {
    Bytes out;
    while (from < to) {
        const auto block =
            file.at(from, static_cast<std::size_t>(std::min<std::int64_t>(to - from, ByteFile::blockSize)));
        if (block.empty()) break;
        out.insert(out.end(), block.begin(), block.end());
        from += static_cast<std::int64_t>(block.size());
    }
    return out;
}

// `head`, then all of the file from a place on.
Why putBefore(const Job& job, ByteFile& file, const Bytes& head, std::int64_t rest) {
    base::disk::Handle out(base::disk::open(job.part, O_WRONLY | O_TRUNC));
    bool isWritten = out.isOpen() && base::disk::writeAll(out.get(), head.data(), head.size());
    while (isWritten && rest < file.size()) {
        const auto block = file.at(rest, ByteFile::blockSize);
        if (block.empty()) errno = file.error();
        isWritten = !block.empty() && base::disk::writeAll(out.get(), block.data(), block.size());
        rest += static_cast<std::int64_t>(block.size());
    }
    if (!isWritten) return base::problem(base::writeReason(job.from, errno));
    if (const int error = out.close(); error != 0) return base::problem(base::writeReason(job.from, error));
    return {};
}

Why intoMp3(const Job& job, ByteFile& file) {
    const Bytes head = bytesOf(file, 0, 10);
    const std::int64_t length = std::min(id3Length(head), file.size());
    auto tag = withId3Texts(bytesOf(file, 0, length), job.tags);
    if (!tag) return tl::unexpected(tag.error());
    return putBefore(job, file, *tag, length);
}

// The blocks before the sound, by their types (RFC 9639, from memory).
Why intoFlac(const Job& job, ByteFile& file) {
    constexpr unsigned lastBlock = 0x80;
    constexpr unsigned streamInfo = 0;
    constexpr unsigned commentBlock = 4;
    std::int64_t at = id3Length(bytesOf(file, 0, 10));
    Bytes head = bytesOf(file, 0, at + 4);
    at += 4;
    struct Block {
        unsigned type;
        Bytes body;
    };
    std::vector<Block> blocks;
    for (bool last = false; !last;) {
        const Bytes start = bytesOf(file, at, at + 4);
        if (start.size() < 4) return base::problem("it is damaged");
        const auto byte = [&](std::size_t i) {
            return static_cast<unsigned>(static_cast<unsigned char>(start[i]));
        };
        last = (byte(0) & lastBlock) != 0;
        const std::int64_t size = byte(1) << 16 | byte(2) << 8 | byte(3);
        blocks.push_back({byte(0) & 0x7FU, bytesOf(file, at + 4, at + 4 + size)});
        if (static_cast<std::int64_t>(blocks.back().body.size()) < size) return base::problem("it is damaged");
        at += 4 + size;
    }
    auto comment =
        std::find_if(blocks.begin(), blocks.end(), [](const Block& b) { return b.type == commentBlock; });
    if (comment == blocks.end()) {
        const auto first = blocks.front().type == streamInfo ? blocks.begin() + 1 : blocks.begin();
        comment = blocks.insert(first, {commentBlock, {}});
    }
    auto changed = withComments(comment->body, job.tags);
    if (!changed) return tl::unexpected(changed.error());
    if (changed->size() > 0xFFFFFF) return base::problem("there is no room left in its comments");
    comment->body = std::move(*changed);
    for (std::size_t i = 0; i < blocks.size(); ++i) {
        const std::size_t size = blocks[i].body.size();
        head.push_back(static_cast<char>(blocks[i].type | (i + 1 == blocks.size() ? lastBlock : 0)));
        for (int shift = 16; shift >= 0; shift -= 8)
            head.push_back(static_cast<char>(size >> shift & 0xFF));
        head.insert(head.end(), blocks[i].body.begin(), blocks[i].body.end());
    }
    return putBefore(job, file, head, at);
}

// The second packet of the stream, laid out on its pages anew by TagLib.
template <class OggFile>
Why intoOgg(const Job& job, const std::string& before) {
    if (auto copied = base::copyBytes(job.from, job.part, job.from); !copied) return copied;
    OggFile file(job.part.c_str(), false);
    if (!file.isValid()) return base::problem("it is damaged");
    const TagLib::ByteVector packet = file.packet(1);
    if (packet.size() < before.size() || std::memcmp(packet.data(), before.data(), before.size()) != 0)
        return base::problem("its comments are damaged");
    const auto rest = std::span<const char>(packet.data(), packet.size()).subspan(before.size());
    auto changed = withComments(rest, job.tags);
    if (!changed) return tl::unexpected(changed.error());
    TagLib::ByteVector all(before.data(), static_cast<unsigned>(before.size()));
    all.append(TagLib::ByteVector(changed->data(), static_cast<unsigned>(changed->size())));
    if (all == packet) return {}; // as it is
    file.setPacket(1, all);
    // Not OggFile's own way, which writes all comments anew.
    if (!static_cast<TagLib::Ogg::File&>(file).TagLib::Ogg::File::save())
        return base::problem(base::writeReason(job.from, 0));
    return {};
}

// The chunk in which a WAV or AIFF holds ID3 texts goes by either name.
std::optional<std::size_t> placeOf(const ChunkFile& file, std::initializer_list<const char*> names) {
    for (std::size_t i = 0; i < file.chunks.size(); ++i)
        for (const char* name : names)
            if (file.chunks[i].id == name) return i;
    return std::nullopt;
}

// A chunk as it is changed by `change`, or made by `make` where there is none.
Why change(ChunkChanges& changes, const Job& job, const ChunkFile& file, const std::optional<std::size_t>& place,
           const char* name, const std::function<Result<Bytes>(Bytes)>& change,
           const std::function<Result<Bytes>()>& make) {
    if (!place) {
        auto made = make();
        if (!made) return tl::unexpected(made.error());
        if (!made->empty()) changes.further.emplace_back(name, std::move(*made));
        return {};
    }
    if (file.chunks[*place].end() > file.size + 1) return base::problem("it was cut off");
    auto there = bodyOf(job.from, file.chunks[*place]);
    if (!there) return tl::unexpected(there.error());
    auto changed = change(std::move(*there));
    if (!changed) return tl::unexpected(changed.error());
    changes.bodies[*place] = std::move(*changed);
    return {};
}

Why intoChunks(const Job& job, ByteFile& bytes) {
    const ChunkFile file = chunksOf(bytes);
    if (file.form == "RF64") return base::problem("files of this size (RF64) hold no tags");
    if (file.form == "RIFX") return base::problem("files of this kind (RIFX) hold no tags");
    if (isCutOff(file)) return base::problem("it was cut off");
    ChunkChanges changes;
    const Tags& t = job.tags;
    if (t.bpm || !t.key.empty() || t.beats) {
        const auto done = change(
            changes, job, file, placeOf(file, {"ID3 ", "id3 "}), file.isBig() ? "ID3 " : "id3 ",
            [&](const Bytes& there) { return withId3Texts(there, t); }, [&] { return withId3Texts({}, t); });
        if (!done) return done;
    }
    if (file.form == "RIFF") {
        const LoopInfo& l = job.loop;
        auto done = change(
            changes, job, file, placeOf(file, {samplerName}), samplerName,
            [&](Bytes there) -> Result<Bytes> { return samplerChunk(std::move(there), l, job.replacing); },
            [&]() -> Result<Bytes> { return l.rootNote || l.loop ? samplerChunk(l, job.rate) : Bytes(); });
        if (done)
            done = change(
                changes, job, file, placeOf(file, {loopName}), loopName,
                [&](Bytes there) -> Result<Bytes> { return loopChunk(std::move(there), l, job.replacing); },
                [&]() -> Result<Bytes> { return l.beats && l.bpm ? loopChunk(l) : Bytes(); });
        if (!done) return done;
    }
    return writeChanged(job.from, file, changes, job.part, job.from);
}

Why into(const Job& job) {
    ByteFile file(job.from);
    const Bytes head = bytesOf(file, 0, 16);
    const std::string_view start(head.data(), head.size());
    if (start.starts_with("RIFF") || start.starts_with("RF64") || start.starts_with("RIFX") ||
        start.starts_with("FORM"))
        return intoChunks(job, file);
    if (start.starts_with("caff") || start.starts_with("riff"))
        return base::problem("files of this kind hold no tags here");
    if (start.starts_with("OggS")) {
        const OggLinks links = oggLinks(file);
        if (links.isCut) return base::problem("it was cut off");
        if (links.links.size() != 1) return base::problem("it was joined from several parts");
        if (links.links.front().codec == "opus") return intoOgg<TagLib::Ogg::Opus::File>(job, "OpusTags");
        return intoOgg<TagLib::Ogg::Vorbis::File>(job, "\x03vorbis");
    }
    const std::int64_t id3 = id3Length(head);
    const Bytes magic = bytesOf(file, id3, id3 + 4);
    if (std::string_view(magic.data(), magic.size()) == "fLaC") return intoFlac(job, file);
    return intoMp3(job, file);
}

// Whether two files hold the same bytes.
bool areAlike(const fs::path& a, const fs::path& b) {
    ByteFile first(a);
    ByteFile second(b);
    if (first.size() != second.size()) return false;
    for (std::int64_t at = 0; at < first.size();) {
        const auto one = first.at(at, ByteFile::blockSize);
        const auto other = second.at(at, ByteFile::blockSize);
        if (one.empty() || !std::equal(one.begin(), one.end(), other.begin(), other.end())) return false;
        at += static_cast<std::int64_t>(one.size());
    }
    return true;
}

// A key of all of a file's samples, and their rate; read in blocks.
struct Content {
    base::Key samples;
    int rate;
};
Result<Content> contentIn(const fs::path& path, const base::Progress& progress) {
    auto reader = Reader::open(path, mostBytes / static_cast<std::int64_t>(sizeof(float)));
    if (!reader) return tl::unexpected(reader.error());
    const auto channels = static_cast<std::size_t>(reader->facts().channels);
    base::KeyMaker maker;
    constexpr std::int64_t block = 1 << 15;
    std::vector<float> samples(std::size_t(block) * channels);
    while (true) {
        if (progress.stopped()) return base::cancelled();
        const auto got = reader->read(samples.data(), block);
        if (!got) return tl::unexpected(got.error());
        if (*got == 0) break;
        maker.add(std::string_view(reinterpret_cast<const char*>(samples.data()),
                                   static_cast<std::size_t>(*got) * channels * sizeof(float)));
        progress.at(reader->progress());
    }
    if (auto ended = reader->end(); !ended) return tl::unexpected(ended.error());
    maker.add(static_cast<std::uint64_t>(reader->facts().frames.value));
    return Content{maker.key(), reader->facts().rate};
}

// What was asked for, as another reader finds it.
bool saysSo(const fs::path& file, const Tags& tags) {
    const Tags back = readTags(file);
    return (!tags.bpm || (back.bpm && tempoText(*back.bpm) == tempoText(*tags.bpm))) &&
           (tags.key.empty() || back.key == tags.key) && (!tags.beats || back.beats == tags.beats);
}

} // namespace

Result<void> tagFile(const fs::path& path, const Tags& tags, const LoopInfo& loop, const Replacing& replacing,
                     const base::Progress& progress) {
    const auto left = [&](const std::string& why) {
        return base::problem(fmt::format("{} was not written into: {}.", base::shownPath(path), why));
    };
    const auto before = contentIn(path, progress.part(0, 0.5));
    if (!before) return tl::unexpected(before.error());
    // Replacing a file needs no right to it, only to its folder; but who may not write it has not been asked.
    if (access(path.c_str(), W_OK) != 0) return left(base::writeReason(path, errno));
    base::PartFile part(path);
    if (auto made = into({path, part.path(), tags, loop, replacing, before->rate}); !made)
        return left(made.error().text);
    if (areAlike(path, part.path())) return {};
    const auto after = contentIn(part.path(), progress.part(0.5, 1));
    if (progress.stopped()) return base::cancelled();
    if (!after || !(after->samples == before->samples)) return left("that would have changed its audio");
    if (!saysSo(part.path(), tags)) return left("what was written could not be read back");
    return part.commit(base::Existing::Replace);
}

} // namespace sound
