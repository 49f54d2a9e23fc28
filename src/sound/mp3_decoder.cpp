// MP3 through libmpg123, fed frame by frame, so that it neither searches nor talks.
#include "sound/decoder.h"
#include "sound/mp3_frames.h"

#include <algorithm>
#include <cstring>
#include <fmt/format.h>
#include <mpg123.h>

namespace sound {

namespace {

struct Close {
    void operator()(mpg123_handle* h) const {
        mpg123_close(h);
        mpg123_delete(h);
    }
};
using Handle = std::unique_ptr<mpg123_handle, Close>;

Handle newHandle(const Mp3Frames& frames) {
    static const bool begun = mpg123_init() == MPG123_OK; // a no-op in newer versions
    Handle handle(begun ? mpg123_new(nullptr, nullptr) : nullptr);
    if (!handle) return nullptr;
    // Delay and padding are ours to cut (mp3_frames.h), so that files that were joined are cut right as well.
    const long flags = MPG123_QUIET | MPG123_FORCE_FLOAT | MPG123_IGNORE_INFOFRAME | MPG123_NO_PEEK_END |
                       MPG123_NO_READAHEAD | (frames.channels == 1 ? MPG123_FORCE_MONO : MPG123_FORCE_STEREO);
    mpg123_param(handle.get(), MPG123_ADD_FLAGS, flags, 0);
    mpg123_param(handle.get(), MPG123_REMOVE_FLAGS, MPG123_GAPLESS, 0);
    mpg123_format_none(handle.get());
    mpg123_format(handle.get(), frames.rate, frames.channels == 1 ? MPG123_MONO : MPG123_STEREO,
                  MPG123_ENC_FLOAT_32);
    if (mpg123_open_feed(handle.get()) != MPG123_OK) return nullptr;
    return handle;
}

class Mp3Decoder : public Decoder {
  public:
    Mp3Decoder(std::unique_ptr<ByteFile> file, Mp3Frames frames, Handle handle)
        : file_(std::move(file)), frames_(std::move(frames)), handle_(std::move(handle)) {
        rate = frames_.rate;
        channels = frames_.channels;
        format = "MP3";
        declared = 0;
        for (const Mp3Stretch& s : frames_.kept)
            declared += s.to - s.from;
    }

    std::int64_t read(float* out, std::int64_t n) override {
        std::int64_t done = 0;
        const auto perFrame = static_cast<std::size_t>(channels);
        while (done < n && stretch_ < frames_.kept.size()) {
            const Mp3Stretch& s = frames_.kept[stretch_];
            if (at_ >= s.to) {
                ++stretch_;
                continue;
            }
            if (used_ == decoded_.size() / perFrame && !decodeNext()) break;
            const auto left = static_cast<std::int64_t>(decoded_.size() / perFrame - used_);
            if (at_ < s.from) {
                const std::int64_t skip = std::min(left, s.from - at_);
                used_ += static_cast<std::size_t>(skip);
                at_ += skip;
                continue;
            }
            const std::int64_t take = std::min({left, n - done, s.to - at_});
            std::copy_n(decoded_.data() + used_ * perFrame, static_cast<std::size_t>(take) * perFrame,
                        out + static_cast<std::size_t>(done) * perFrame);
            used_ += static_cast<std::size_t>(take);
            at_ += take;
            done += take;
        }
        return done;
    }

    std::string flaw() const override {
        return frames_.isCut || broken_ ? "the file was cut off or is damaged" : "";
    }
    int error() const override { return file_->error(); }

  private:
    // The next MPEG frame's sound; silence of its length where it cannot be decoded.
    bool decodeNext() {
        if (next_ == frames_.frames.size()) return false;
        const Mp3Frame& frame = frames_.frames[next_++];
        const auto bytes = file_->at(frame.at, frame.bytes);
        const auto wanted = static_cast<std::size_t>(frames_.samples) * static_cast<std::size_t>(channels);
        decoded_.assign(wanted, 0.0F);
        used_ = 0;
        if (bytes.size() < frame.bytes || mpg123_feed(handle_.get(), bytes.data(), bytes.size()) != MPG123_OK) {
            broken_ = true;
            return !bytes.empty();
        }
        for (std::size_t filled = 0; filled < wanted;) {
            off_t number = 0;
            unsigned char* sound = nullptr;
            std::size_t size = 0;
            const int result = mpg123_decode_frame(handle_.get(), &number, &sound, &size);
            if (result == MPG123_NEW_FORMAT) continue;
            const std::size_t got = std::min(size / sizeof(float), wanted - filled);
            if (got > 0) std::memcpy(decoded_.data() + filled, sound, got * sizeof(float));
            filled += got;
            if (result == MPG123_OK && got > 0) continue;
            if (result != MPG123_OK && result != MPG123_NEED_MORE) broken_ = true;
            break;
        }
        return true;
    }

    std::unique_ptr<ByteFile> file_;
    Mp3Frames frames_;
    Handle handle_;
    std::vector<float> decoded_;
    std::size_t used_ = 0;    // of decoded_, in frames of sound
    std::size_t next_ = 0;    // MPEG frame
    std::int64_t at_ = 0;     // frames of sound, decoded and used or skipped
    std::size_t stretch_ = 0; // of what is kept
    bool broken_ = false;
};

} // namespace

Result<std::unique_ptr<Decoder>> openMp3(const std::filesystem::path& path) {
    auto file = std::make_unique<ByteFile>(path);
    Mp3Frames frames = mp3Frames(*file);
    if (file->error() != 0) return base::problem(std::strerror(file->error()));
    if (frames.frames.empty() || frames.kept.empty())
        return base::problem("it is not an audio file of a kind that is known here, or it is damaged");
    Handle handle = newHandle(frames);
    if (!handle) return base::problem("the MP3 decoder could not be started");
    return std::make_unique<Mp3Decoder>(std::move(file), std::move(frames), std::move(handle));
}

} // namespace sound
