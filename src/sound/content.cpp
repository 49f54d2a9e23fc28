#include "sound/content.h"

#include "base/disk.h"
#include "base/utf8.h"
#include "sound/read.h"

#include <algorithm>
#include <array>
#include <bit>
#include <cstdint>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <optional>

namespace sound {

namespace {

// One channel after the other, each begun with how many samples it has.
class ContentMaker {
  public:
    ContentMaker(int rate, std::size_t channels)
        : hash_(base::mixed(static_cast<std::uint64_t>(rate) * 31 + channels)) {}
    void begin(std::uint64_t samples) { hash_ = base::mixed(hash_ ^ samples); }
    void add(float s) { hash_ = (hash_ ^ std::bit_cast<std::uint32_t>(s)) * 0x9E3779B97F4A7C15ULL + 1; }
    void end() { hash_ = base::mixed(hash_); }
    std::string text() const { return fmt::format("{:016x}", hash_); }

  private:
    std::uint64_t hash_;
};

} // namespace

std::string contentOf(const Audio& audio) {
    ContentMaker maker(audio.rate, audio.channels.size());
    for (const auto& samples : audio.channels) {
        maker.begin(samples.size());
        for (const float s : samples)
            maker.add(s);
        maker.end();
    }
    return maker.text();
}

std::string contentOf(const std::vector<float>& interleaved, int channels, int rate) {
    const auto stride = static_cast<std::size_t>(channels);
    ContentMaker maker(rate, stride);
    for (std::size_t c = 0; c < stride; ++c) {
        maker.begin(interleaved.size() / stride);
        for (std::size_t i = c; i < interleaved.size(); i += stride)
            maker.add(interleaved[i]);
        maker.end();
    }
    return maker.text();
}

base::Result<std::string> contentOfFile(const std::filesystem::path& file, Frames frames,
                                        const base::Progress& progress) {
    std::optional<ContentMaker> maker;
    std::size_t channels = 1;
    for (std::size_t c = 0; c < channels; ++c) {
        auto reader = Reader::open(file, mostBytes / static_cast<std::int64_t>(sizeof(float)));
        if (!reader) return tl::unexpected(reader.error());
        channels = static_cast<std::size_t>(reader->facts().channels);
        if (!maker) maker.emplace(reader->facts().rate, channels);
        maker->begin(static_cast<std::uint64_t>(frames.value));
        constexpr std::int64_t block = 1 << 15;
        std::vector<float> buffer(static_cast<std::size_t>(block) * channels);
        while (true) {
            if (progress.stopped()) return base::cancelled();
            const auto got = reader->read(buffer.data(), block);
            if (!got) return tl::unexpected(got.error());
            if (*got == 0) break;
            for (std::size_t i = 0; i < static_cast<std::size_t>(*got); ++i)
                maker->add(buffer[i * channels + c]);
            progress.at((double(c) + reader->progress()) / double(channels));
        }
        if (reader->facts().frames != frames)
            return base::problem(fmt::format("{} was changed while it was read.", base::shownPath(file)));
        maker->end();
    }
    return maker->text();
}

std::optional<base::Key> keyOfBytes(const std::filesystem::path& file, const base::Progress& progress) {
    const base::disk::Handle in(base::disk::open(file, O_RDONLY));
    if (!in.isOpen()) return std::nullopt;
    std::array<base::KeyMaker, 4> lanes; // side by side, so that the processor can work on them at once
    std::vector<std::uint64_t> block(std::size_t(1) << 15);
    const auto blockBytes = static_cast<std::int64_t>(block.size() * sizeof block[0]);
    std::error_code error;
    const auto size = static_cast<double>(std::filesystem::file_size(file, error));
    std::int64_t bytes = 0;
    while (true) {
        if (progress.stopped()) return std::nullopt;
        if (!error && size > 0) progress.at(std::min(1.0, double(bytes) / size));
        std::int64_t filled = 0;
        while (filled < blockBytes) {
            const ssize_t got = base::disk::read(in.get(), reinterpret_cast<char*>(block.data()) + filled,
                                                 static_cast<std::size_t>(blockBytes - filled));
            if (got < 0) return std::nullopt;
            if (got == 0) break;
            filled += got;
        }
        if (filled == 0) break;
        bytes += filled;
        // What the last block does not fill counts as zeros; how many bytes there are is added in the end.
        std::memset(reinterpret_cast<char*>(block.data()) + filled, 0,
                    static_cast<std::size_t>(blockBytes - filled));
        const auto words = static_cast<std::size_t>((filled + 31) / 32 * 4);
        for (std::size_t i = 0; i < words; i += 4)
            for (std::size_t lane = 0; lane < 4; ++lane)
                lanes[lane].add(block[i + lane]);
        if (filled < blockBytes) break;
    }
    base::KeyMaker all;
    all.add(static_cast<std::uint64_t>(bytes)).add(file.extension().native());
    for (const base::KeyMaker& lane : lanes)
        all.add(lane.key().high).add(lane.key().low);
    return all.key();
}

} // namespace sound
