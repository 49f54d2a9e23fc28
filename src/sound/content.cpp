#include "sound/content.h"

#include "base/hash.h"
#include "base/utf8.h"
#include "sound/read.h"

#include <bit>
#include <cstdint>
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

} // namespace sound
