#include "sound/vorbis_comment.h"

#include <cstdint>
#include <string>

namespace sound {

namespace {

using Bytes = std::vector<char>;

std::uint32_t little(std::span<const char> b, std::size_t at) {
    std::uint32_t value = 0;
    for (std::size_t i = 4; i-- > 0;)
        value = value << 8 | static_cast<unsigned char>(b[at + i]);
    return value;
}

void putLittle(Bytes& out, std::size_t value) {
    for (int shift = 0; shift < 32; shift += 8)
        out.push_back(static_cast<char>(value >> shift & 0xFF));
}

bool isNamed(const std::string& comment, const std::string& name) {
    if (comment.size() <= name.size() || comment[name.size()] != '=') return false;
    for (std::size_t i = 0; i < name.size(); ++i) {
        const char c = comment[i];
        if ((c >= 'a' && c <= 'z' ? static_cast<char>(c - 32) : c) != name[i]) return false;
    }
    return true;
}

void put(std::vector<std::string>& all, const std::string& name, const std::string& text) {
    bool done = false;
    for (auto it = all.begin(); it != all.end();) {
        if (!isNamed(*it, name)) {
            ++it;
        } else if (!done) {
            *it = it->substr(0, name.size() + 1) + text; // the name as it was written
            ++it;
            done = true;
        } else {
            it = all.erase(it);
        }
    }
    if (!done) all.push_back(name + "=" + text);
}

} // namespace

base::Result<std::vector<char>> withComments(std::span<const char> comments, const Tags& tags) {
    std::string vendor = "Patient Metre";
    std::vector<std::string> all;
    std::size_t at = 0;
    if (!comments.empty()) {
        const auto text = [&](std::string& to) {
            if (comments.size() - at < 4) return false;
            const std::size_t size = little(comments, at);
            at += 4;
            if (size > comments.size() - at) return false;
            to.assign(comments.data() + at, size);
            at += size;
            return true;
        };
        bool isWhole = text(vendor) && comments.size() - at >= 4;
        if (isWhole) {
            const std::uint32_t count = little(comments, at);
            at += 4;
            for (std::uint32_t i = 0; isWhole && i < count; ++i) {
                std::string comment;
                isWhole = text(comment);
                all.push_back(std::move(comment));
            }
        }
        if (!isWhole) return base::problem("its comments are damaged");
    }
    if (tags.bpm) put(all, "BPM", tempoText(*tags.bpm));
    if (!tags.key.empty()) put(all, "INITIALKEY", tags.key);
    if (tags.beats) put(all, "BEATS", std::to_string(*tags.beats));
    Bytes out;
    putLittle(out, vendor.size());
    out.insert(out.end(), vendor.begin(), vendor.end());
    putLittle(out, all.size());
    for (const std::string& comment : all) {
        putLittle(out, comment.size());
        out.insert(out.end(), comment.begin(), comment.end());
    }
    out.insert(out.end(), comments.begin() + static_cast<std::ptrdiff_t>(at), comments.end());
    return out;
}

} // namespace sound
