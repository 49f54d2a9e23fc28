// Opening files: by libsndfile, but for MP3 (mp3_decoder.cpp).
#include "sound/decoder.h"

#include "sound/chunk_file.h"
#include "sound/ogg_links.h"
#include "sound/snd_io.h"

#include <algorithm>
#include <cstring>
#include <span>
#include <vector>

namespace sound {

namespace {

constexpr const char* unknown = "it is not an audio file of a kind that is known here, or it is damaged";

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
    case SF_FORMAT_W64:
        name = "Wave64";
        break;
    case SF_FORMAT_CAF:
        name = "CAF";
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

bool isSane(std::int64_t frames) {
    return frames > 0 && frames < std::int64_t(1) << 40;
}

class SndDecoder : public Decoder {
  public:
    SndDecoder(std::unique_ptr<SndIo> io, const SF_INFO& info, bool isCut) : io_(std::move(io)), isCut_(isCut) {
        rate = info.samplerate;
        channels = info.channels;
        format = formatName(info.format);
        if (isSane(info.frames)) declared = info.frames;
    }
    std::int64_t read(float* out, std::int64_t n) override {
        return std::max<sf_count_t>(0, sf_readf_float(io_->file(), out, n));
    }
    std::string flaw() const override { return isCut_ ? "the file was cut off" : std::string(); }
    int error() const override { return io_->error(); }

  private:
    std::unique_ptr<SndIo> io_;
    bool isCut_;
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
        while (io_) {
            const std::int64_t got = sf_readf_float(io_->file(), out, n);
            if (got > 0) return got;
            SF_INFO info{};
            error_ = io_->error();
            if (error_ != 0 || ++at_ >= links_.links.size() || !openLink(at_, info)) io_.reset();
        }
        return 0;
    }

    std::string flaw() const override {
        if (unlike_)
            return "it was joined from parts of different rates or channels, and only the first of them can be "
                   "used";
        return links_.isCut ? "the file was cut off" : std::string();
    }
    int error() const override { return error_; }

  private:
    bool openLink(std::size_t i, SF_INFO& info) {
        io_ = SndIo::read(path_, info, links_.links[i].from, links_.links[i].to);
        return io_ != nullptr;
    }

    std::filesystem::path path_;
    OggLinks links_;
    std::unique_ptr<SndIo> io_; // of the link that is read
    int error_ = 0;
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
    if (file.error() != 0) return base::problem(std::strerror(file.error()));
    const bool wav = (has(head, 0, "RIFF") || has(head, 0, "RF64") || has(head, 0, "RIFX")) && has(head, 8, "WAVE");
    const bool aiff = has(head, 0, "FORM") && (has(head, 8, "AIFF") || has(head, 8, "AIFC"));
    const bool others = has(head, 0, "caff") || (has(head, 0, "riff\x2E\x91\xCF\x11") && has(head, 24, "wave"));
    bool flac = has(head, 0, "fLaC");
    if (!flac && has(head, 0, "ID3") && head.size() >= 10) {
        // A tag of another kind of file stands before some FLACs.
        const std::int64_t size =
            (head[6] & 0x7F) << 21 | (head[7] & 0x7F) << 14 | (head[8] & 0x7F) << 7 | (head[9] & 0x7F);
        flac = has(file.at(10 + size, 4), 0, "fLaC");
    }
    if (!wav && !aiff && !flac && !others) return openMp3(path);
    SF_INFO info{};
    auto io = SndIo::read(path, info);
    if (!io) return base::problem(unknown);
    const bool isCut = (wav || aiff) && isCutOff(chunksOf(file));
    return std::make_unique<SndDecoder>(std::move(io), info, isCut);
}

} // namespace sound
