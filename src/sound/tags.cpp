#include "sound/tags.h"

#include "base/number.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "sound/read.h"

#include <cmath>
#include <fmt/format.h>
#include <taglib/fileref.h>
#include <taglib/tpropertymap.h>

namespace sound {

namespace {

std::string first(const TagLib::PropertyMap& properties, const char* name) {
    const auto found = properties.find(name);
    if (found == properties.end() || found->second.isEmpty()) return {};
    return found->second.front().to8Bit(true);
}

} // namespace

std::string tempoText(Bpm bpm) {
    std::string text = fmt::format("{:.3f}", bpm.value);
    while (text.back() == '0')
        text.pop_back();
    if (text.back() == '.') text.pop_back();
    return text;
}

Tags readTags(const std::filesystem::path& path) {
    Tags tags;
    const TagLib::FileRef file(path.c_str(), false);
    if (file.isNull() || file.file() == nullptr) return tags;
    const TagLib::PropertyMap properties = file.file()->properties();
    const std::string bpm = first(properties, "BPM");
    if (!bpm.empty()) {
        if (const auto parsed = metre::parseTempo(bpm))
            tags.bpm = *parsed;
        else
            tags.refused = bpm;
    }
    tags.key = first(properties, "INITIALKEY");
    if (const auto beats = base::typedNumber(first(properties, "BEATS"));
        beats && *beats >= 1 && *beats <= 100000 && *beats == std::floor(*beats))
        tags.beats = static_cast<int>(*beats);
    for (const auto& [name, values] : properties) {
        if (name == "BPM" || name == "INITIALKEY" || name == "BEATS") continue;
        std::vector<std::string>& all = tags.others[name.to8Bit(true)];
        for (const TagLib::String& value : values)
            all.push_back(value.to8Bit(true));
    }
    return tags;
}

Result<void> writeTags(const std::filesystem::path& path, const Tags& tags) {
    {
        TagLib::FileRef file(path.c_str(), false);
        const auto fail = [&] {
            return base::problem(fmt::format("The tempo could not be written into {}.", base::shownName(path)));
        };
        if (file.isNull() || file.file() == nullptr) return fail();
        TagLib::PropertyMap properties = file.file()->properties();
        if (tags.bpm)
            properties.replace("BPM",
                               TagLib::StringList(TagLib::String(tempoText(*tags.bpm), TagLib::String::UTF8)));
        if (!tags.key.empty())
            properties.replace("INITIALKEY", TagLib::StringList(TagLib::String(tags.key, TagLib::String::UTF8)));
        if (tags.beats) properties.replace("BEATS", TagLib::String(std::to_string(*tags.beats)));
        for (const auto& [name, values] : tags.others) {
            TagLib::StringList list;
            for (const std::string& value : values)
                list.append(TagLib::String(value, TagLib::String::UTF8));
            properties.replace(TagLib::String(name, TagLib::String::UTF8), list);
        }
        file.file()->setProperties(properties);
        if (!file.save()) return fail();
    }
    const Tags back = readTags(path);
    const bool bpmThere = !tags.bpm || (back.bpm && std::abs(back.bpm->value - tags.bpm->value) < 0.001);
    if (!bpmThere || (!tags.key.empty() && back.key != tags.key))
        return base::problem(
            fmt::format("The tempo written into {} could not be read back.", base::shownName(path)));
    return {};
}

} // namespace sound
