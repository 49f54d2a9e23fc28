// Opening files: by libsndfile, but for MP3 (mp3_decoder.cpp).
#include "sound/decoder.h"

#include "sound/ogg_links.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <sndfile.h>
#include <unistd.h>
#include <vector>

namespace sound {

namespace {

constexpr const char* unknown = "it is not an audio file of a kind that is known here, or it is damaged";

struct CloseFile {
    void operator()(SNDFILE* f) const { sf_close(f); }
};
using File = std::unique_ptr<SNDFILE, CloseFile>;

std::string formatName(int format) {
    const int major = format & SF_FORMAT_TYPEMASK;
    const int sub = format & SF_FORMAT_SUBMASK;
    std::string name;
    switch (major) {
    case SF_FORMAT_OGG:
        return sub == SF_FORMAT_OPUS ? "Ogg Opus" : "Ogg Vorbis";
    case SF_FORMAT_RF64:
        name = "RF64";
        break;
    case SF_FORMAT_AIFF:
        name = "AIFF";
        break;
    case SF_FORMAT_FLAC:
        name = "FLAC";
        break;
    default:
        name = "WAV";
    }
    switch (sub) {
    case SF_FORMAT_PCM_S8:
    case SF_FORMAT_PCM_U8:
        return name + " 8-bit";
    case SF_FORMAT_PCM_16:
        return name + " 16-bit";
    case SF_FORMAT_PCM_24:
        return name + " 24-bit";
    case SF_FORMAT_PCM_32:
        return name + " 32-bit";
    case SF_FORMAT_FLOAT:
        return name + " float";
    case SF_FORMAT_DOUBLE:
        return name + " double";
    default:
        return name;
    }
}

// libsndfile shortens a cut WAV or AIFF to what is there and mentions it only in its log.
bool logSaysCut(SNDFILE* file) {
    std::array<char, 4096> log{};
    sf_command(file, SFC_GET_LOG_INFO, log.data(), static_cast<int>(log.size()) - 1);
    const std::string_view text(log.data());
    for (std::size_t at = text.find("data "); at != std::string_view::npos; at = text.find("data ", at + 1)) {
        const std::string_view line = text.substr(at, text.find('\n', at) - at);
        if (line.find("should be") != std::string_view::npos) return true;
    }
    const std::size_t ssnd = text.find("SSND");
    return ssnd != std::string_view::npos &&
           text.substr(ssnd, text.find('\n', ssnd) - ssnd).find("should be") != std::string_view::npos;
}

bool isSane(std::int64_t frames) {
    return frames > 0 && frames < std::int64_t(1) << 40;
}

class SndDecoder : public Decoder {
  public:
    SndDecoder(File file, const SF_INFO& info) : file_(std::move(file)) {
        rate = info.samplerate;
        channels = info.channels;
        format = formatName(info.format);
        if (isSane(info.frames)) declared = info.frames;
        saysNothing_ = !isSane(info.frames);
    }
    std::int64_t read(float* out, std::int64_t n) override {
        return std::max<sf_count_t>(0, sf_readf_float(file_.get(), out, n));
    }
    std::string flaw() const override {
        return saysNothing_ || logSaysCut(file_.get()) ? "the file was cut off" : std::string();
    }

  private:
    File file_;
    bool saysNothing_ = false;
};

// One link of an Ogg file, as if it were a file of its own.
class Window {
  public:
    Window(const std::filesystem::path& path, std::int64_t from, std::int64_t to)
        : handle_(open(path.c_str(), O_RDONLY | O_CLOEXEC)), from_(from), length_(to - from) {}
    ~Window() {
        if (handle_ >= 0) close(handle_);
    }
    Window(const Window&) = delete;
    Window& operator=(const Window&) = delete;

    static SF_VIRTUAL_IO* io() {
        static SF_VIRTUAL_IO functions = {
            [](void* w) -> sf_count_t { return self(w).length_; },
            [](sf_count_t offset, int whence, void* w) -> sf_count_t {
                Window& me = self(w);
                const sf_count_t base = whence == SEEK_SET ? 0 : whence == SEEK_CUR ? me.at_ : me.length_;
                me.at_ = std::clamp<std::int64_t>(base + offset, 0, me.length_);
                return me.at_;
            },
            [](void* to, sf_count_t n, void* w) -> sf_count_t {
                Window& me = self(w);
                const auto wanted = static_cast<std::size_t>(std::min<std::int64_t>(n, me.length_ - me.at_));
                const ssize_t got = pread(me.handle_, to, wanted, me.from_ + me.at_);
                if (got > 0) me.at_ += got;
                return std::max<ssize_t>(0, got);
            },
            [](const void*, sf_count_t, void*) -> sf_count_t { return 0; },
            [](void* w) -> sf_count_t { return self(w).at_; }};
        return &functions;
    }

  private:
    static Window& self(void* w) { return *static_cast<Window*>(w); }
    int handle_;
    std::int64_t from_;
    std::int64_t length_;
    std::int64_t at_ = 0;
};

class OggDecoder : public Decoder {
  public:
    OggDecoder(std::filesystem::path path, OggLinks links) : path_(std::move(path)), links_(std::move(links)) {}

    // Opens the first link, and adds up the lengths of all. Fails with a reason.
    Result<void> begin() {
        declared = 0;
        for (std::size_t i = 0; i < links_.links.size(); ++i) {
            SF_INFO info{};
            if (!openLink(i, info)) {
                if (i == 0) return base::problem(unknown);
                unlike_ = true;
                links_.links.resize(i);
                break;
            }
            if (i == 0) {
                rate = info.samplerate;
                channels = info.channels;
                format = formatName(info.format);
            } else if (info.samplerate != rate || info.channels != channels) {
                unlike_ = true;
                links_.links.resize(i);
                break;
            }
            if (isSane(info.frames) && declared >= 0) {
                declared += info.frames;
            } else {
                declared = -1;
                links_.isCut = true; // its last page does not say where it ends, or what cannot be
            }
        }
        isExact = !links_.isCut;
        SF_INFO info{};
        openLink(0, info);
        return {};
    }

    std::int64_t read(float* out, std::int64_t n) override {
        while (file_) {
            const std::int64_t got = sf_readf_float(file_.get(), out, n);
            if (got > 0) return got;
            SF_INFO info{};
            if (++at_ >= links_.links.size() || !openLink(at_, info)) file_.reset();
        }
        return 0;
    }

    std::string flaw() const override {
        if (unlike_)
            return "it was joined from parts of different rates or channels, and only the first of them can be "
                   "used";
        return links_.isCut ? "the file was cut off" : std::string();
    }

  private:
    bool openLink(std::size_t i, SF_INFO& info) {
        file_.reset();
        window_ = std::make_unique<Window>(path_, links_.links[i].from, links_.links[i].to);
        file_.reset(sf_open_virtual(Window::io(), SFM_READ, &info, window_.get()));
        return file_ != nullptr;
    }

    std::filesystem::path path_;
    OggLinks links_;
    std::unique_ptr<Window> window_; // outlives file_
    File file_;
    std::size_t at_ = 0;
    bool unlike_ = false;
};

bool has(std::span<const unsigned char> bytes, std::size_t at, const char* text) {
    const std::size_t n = std::strlen(text);
    return bytes.size() >= at + n && std::memcmp(bytes.data() + at, text, n) == 0;
}

} // namespace

Result<std::unique_ptr<Decoder>> openDecoder(const std::filesystem::path& path) {
    ByteFile file(path);
    const auto copied = file.at(0, 32);
    const std::vector<unsigned char> head(copied.begin(), copied.end());
    if (has(head, 0, "OggS")) {
        OggLinks links = oggLinks(file);
        if (links.links.empty() || links.links.front().codec.empty()) return base::problem(unknown);
        auto ogg = std::make_unique<OggDecoder>(path, std::move(links));
        if (auto begun = ogg->begin(); !begun) return tl::unexpected(begun.error());
        return ogg;
    }
    const bool wav = (has(head, 0, "RIFF") || has(head, 0, "RF64") || has(head, 0, "RIFX")) && has(head, 8, "WAVE");
    const bool aiff = has(head, 0, "FORM") && (has(head, 8, "AIFF") || has(head, 8, "AIFC"));
    bool flac = has(head, 0, "fLaC");
    if (!flac && has(head, 0, "ID3") && head.size() >= 10) {
        // A tag of another kind of file stands before some FLACs.
        const std::int64_t size =
            (head[6] & 0x7F) << 21 | (head[7] & 0x7F) << 14 | (head[8] & 0x7F) << 7 | (head[9] & 0x7F);
        flac = has(file.at(10 + size, 4), 0, "fLaC");
    }
    if (!wav && !aiff && !flac) return openMp3(path);
    SF_INFO info{};
    File opened(sf_open(path.c_str(), SFM_READ, &info));
    if (!opened) return base::problem(unknown);
    return std::make_unique<SndDecoder>(std::move(opened), info);
}

} // namespace sound
