#include "sound/chunk_file.h"

#include "base/disk.h"
#include "base/safe_file.h"
#include "base/utf8.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>

namespace sound {

namespace {

std::uint32_t numberAt(const unsigned char* b, bool big) {
    return big ? std::uint32_t(b[0]) << 24 | std::uint32_t(b[1]) << 16 | std::uint32_t(b[2]) << 8 | b[3]
               : std::uint32_t(b[3]) << 24 | std::uint32_t(b[2]) << 16 | std::uint32_t(b[1]) << 8 | b[0];
}

std::string nameAt(std::span<const unsigned char> bytes, std::size_t at) {
    return bytes.size() >= at + 4 ? std::string(reinterpret_cast<const char*>(bytes.data()) + at, 4)
                                  : std::string();
}

bool isName(const std::string& id) {
    return id.size() == 4 && std::all_of(id.begin(), id.end(), [](char c) { return c >= 0x20 && c < 0x7F; });
}

bool isSound(const std::string& id) {
    return id == "data" || id == "SSND";
}

// What programs that write to a pipe put where the size will be known only later (common practice): nothing, all
// ones, or about half of that.
bool saysNothing(std::uint32_t size) {
    return size == 0 || size >= 0xFFFFFF00U || (size >= 0x7FFFF000U && size <= 0x80000040U);
}

// A file that is written from its beginning to its end, for as long as the disk takes it.
class Sink {
  public:
    explicit Sink(const std::filesystem::path& path)
        : handle_(base::disk::open(path, O_WRONLY | O_CREAT | O_TRUNC)) {
        if (!handle_.isOpen()) error_ = errno;
    }

    void put(const void* bytes, std::size_t n) {
        if (error_ == 0 && !base::disk::writeAll(handle_.get(), bytes, n)) error_ = errno;
        at_ += static_cast<std::int64_t>(n);
    }
    void copy(ByteFile& from, std::int64_t first, std::int64_t end) {
        while (first < end && error_ == 0) {
            const auto n = std::min<std::int64_t>(end - first, std::int64_t(ByteFile::blockSize));
            const auto bytes = from.at(first, static_cast<std::size_t>(n));
            if (bytes.empty()) {
                error_ = from.error() != 0 ? from.error() : EIO;
                return;
            }
            put(bytes.data(), bytes.size());
            first += static_cast<std::int64_t>(bytes.size());
        }
    }
    void putAt(std::int64_t at, const void* bytes, std::size_t n) {
        if (error_ == 0 && !base::disk::writeAllAt(handle_.get(), bytes, n, at)) error_ = errno;
    }
    std::int64_t at() const { return at_; }
    int error() const { return error_; }

  private:
    base::disk::Handle handle_;
    int error_ = 0;
    std::int64_t at_ = 0;
};

} // namespace

const Chunk* ChunkFile::find(const std::string& id) const {
    const auto found = std::find_if(chunks.begin(), chunks.end(), [&](const Chunk& c) { return c.id == id; });
    return found == chunks.end() ? nullptr : &*found;
}

ChunkFile chunksOf(ByteFile& file) {
    ChunkFile out;
    const auto head = file.at(0, 12);
    const std::string form = nameAt(head, 0);
    const std::string type = nameAt(head, 8);
    const bool wave = (form == "RIFF" || form == "RIFX" || form == "RF64") && type == "WAVE";
    if (!wave && !(form == "FORM" && (type == "AIFF" || type == "AIFC"))) return out;
    out.form = form;
    out.type = type;
    out.size = file.size();
    std::int64_t dataBytes = -1; // of an RF64, which says that in a chunk of its own
    for (std::int64_t at = 12; at + 8 <= out.size;) {
        const auto bytes = file.at(at, 24);
        const std::string id = nameAt(bytes, 0);
        if (!isName(id) || bytes.size() < 8) break;
        const std::uint32_t said = numberAt(bytes.data() + 4, out.isBig());
        Chunk chunk{id, at, said, false};
        if (id == "ds64" && bytes.size() >= 24)
            dataBytes = std::int64_t(numberAt(bytes.data() + 16, false)) |
                        std::int64_t(numberAt(bytes.data() + 20, false)) << 32;
        if (id == "data" && said == 0xFFFFFFFFU && dataBytes >= 0) {
            chunk.size = dataBytes;
        } else if (isSound(id) && saysNothing(said) && chunk.body() + chunk.size != out.size &&
                   (said != 0 || !isName(nameAt(file.at(chunk.body(), 8), 0)))) {
            chunk.size = out.size - chunk.body();
            chunk.isOpen = true;
        }
        out.chunks.push_back(chunk);
        // A last chunk of odd size may lack the byte that makes it even.
        at = chunk.end();
        out.end = std::min(at, out.size);
    }
    if (out.chunks.empty()) out.end = std::min<std::int64_t>(12, out.size);
    return out;
}

bool holdsChunks(const std::filesystem::path& path) {
    ByteFile file(path);
    const auto head = file.at(0, 12);
    const std::string form = nameAt(head, 0);
    const std::string type = nameAt(head, 8);
    return ((form == "RIFF" || form == "RIFX" || form == "RF64") && type == "WAVE") ||
           (form == "FORM" && (type == "AIFF" || type == "AIFC"));
}

bool isCutOff(const ChunkFile& file) {
    return std::any_of(file.chunks.begin(), file.chunks.end(),
                       [&](const Chunk& c) { return isSound(c.id) && c.body() + c.size > file.size; });
}

std::uint32_t chunkNumber(const ChunkBytes& bytes, std::size_t at, bool big) {
    return numberAt(reinterpret_cast<const unsigned char*>(bytes.data()) + at, big);
}

void setChunkNumber(ChunkBytes& bytes, std::size_t at, std::uint32_t value, bool big) {
    for (std::size_t i = 0; i < 4; ++i)
        bytes[at + i] = static_cast<char>(value >> (8 * (big ? 3 - i : i)) & 0xFF);
}

Result<ChunkBytes> bodyOf(const std::filesystem::path& path, const Chunk& chunk) {
    constexpr std::int64_t most = std::int64_t(64) << 20;
    if (chunk.size > most)
        return base::problem(fmt::format("{}: its chunk {} is too long.", base::shownPath(path), chunk.id));
    ChunkBytes bytes(static_cast<std::size_t>(chunk.size));
    const base::disk::Handle in(base::disk::open(path, O_RDONLY));
    if (!in.isOpen() || !base::disk::readAllAt(in.get(), bytes.data(), bytes.size(), chunk.body()))
        return base::problem(fmt::format("{} could not be read: {}.", base::shownPath(path),
                                         errno != 0 ? std::strerror(errno) : "it was cut off"));
    return bytes;
}

Result<void> writeChanged(const std::filesystem::path& from, const ChunkFile& file, const ChunkChanges& changes,
                          const std::filesystem::path& to, const std::filesystem::path& shownAs) {
    ByteFile in(from);
    Sink out(to);
    const bool big = file.isBig();
    constexpr char zero = 0;
    const auto put = [&](const std::string& id, const ChunkBytes& body) {
        ChunkBytes head(8);
        std::copy(id.begin(), id.end(), head.begin());
        setChunkNumber(head, 4, static_cast<std::uint32_t>(body.size()), big);
        out.put(head.data(), head.size());
        out.put(body.data(), body.size());
        if (body.size() % 2 == 1) out.put(&zero, 1);
    };
    out.copy(in, 0, 12);
    for (std::size_t i = 0; i < file.chunks.size(); ++i) {
        const Chunk& chunk = file.chunks[i];
        if (const auto changed = changes.bodies.find(i); changed != changes.bodies.end()) {
            put(chunk.id, changed->second);
            continue;
        }
        const std::int64_t at = out.at();
        out.copy(in, chunk.at, std::min(chunk.end(), file.size));
        if (chunk.size % 2 == 1 && chunk.end() > file.size) out.put(&zero, 1);
        if (!chunk.isOpen) continue;
        ChunkBytes size(4);
        setChunkNumber(size, 0, static_cast<std::uint32_t>(std::min<std::int64_t>(chunk.size, 0xFFFFFFFFLL)), big);
        out.putAt(at + 4, size.data(), size.size());
    }
    for (const auto& [id, body] : changes.further)
        put(id, body);
    if (out.at() - 8 > 0xFFFFFFFFLL)
        return base::problem(fmt::format("{} could not be written: it would become larger than 4 GB, which such "
                                         "files cannot say.",
                                         base::shownPath(shownAs)));
    ChunkBytes size(4);
    setChunkNumber(size, 0, static_cast<std::uint32_t>(out.at() - 8), big);
    out.putAt(4, size.data(), size.size());
    if (file.end < file.size) out.copy(in, file.end, file.size);
    if (out.error() != 0)
        return base::problem(fmt::format("{} could not be written: {}.", base::shownPath(shownAs),
                                         base::writeReason(shownAs, out.error())));
    return {};
}

} // namespace sound
