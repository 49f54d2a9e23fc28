#include "shelf/own_words.h"

#include "base/utf8.h"
#include "shelf/library_text.h"

#include <algorithm>
#include <fmt/format.h>
#include <nlohmann/json.hpp>

namespace shelf {

using Json = nlohmann::ordered_json;

std::string toText(const AllOwnWords& words) {
    Json out = {{"format", "patient-metre-own-words"}, {"version", 1}};
    out["folders"] = Json::array();
    for (const auto& folder : words.folders)
        out["folders"].push_back(pathToText(folder));
    out["recordings"] = Json::array();
    for (const auto& [content, own] : words.of)
        out["recordings"].push_back(ownToText(content, own));
    return out.dump(1, '\t', false, Json::error_handler_t::replace) + "\n";
}

base::Result<AllOwnWords> ownWordsFrom(const std::string& text) {
    AllOwnWords words;
    try {
        const Json j = Json::parse(text);
        if (j.at("version").get<int>() != 1) return base::problem("it was written by a newer Patient Metre");
        for (const Json& folder : j.at("folders"))
            words.folders.push_back(pathFromText(folder));
        for (const Json& r : j.at("recordings"))
            words.of.insert(ownFromText(r));
    } catch (const std::exception& e) {
        return base::problem(fmt::format("it cannot be read ({})", e.what()));
    }
    return words;
}

std::string cleanTag(const std::string& typed) {
    std::string tag = base::toUtf8(typed);
    const auto isSpace = [](char c) { return c == ' ' || c == '\t' || c == '\n' || c == '\r'; };
    while (!tag.empty() && isSpace(tag.back()))
        tag.pop_back();
    tag.erase(tag.begin(), std::find_if_not(tag.begin(), tag.end(), isSpace));
    for (char& c : tag)
        if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
    return tag;
}

std::vector<std::string> tagsFrom(const std::string& typed) {
    std::vector<std::string> tags;
    std::size_t from = 0;
    while (from <= typed.size()) {
        const std::size_t comma = std::min(typed.find(',', from), typed.size());
        std::string tag = cleanTag(typed.substr(from, comma - from));
        if (!tag.empty() && std::find(tags.begin(), tags.end(), tag) == tags.end()) tags.push_back(std::move(tag));
        from = comma + 1;
    }
    std::sort(tags.begin(), tags.end());
    return tags;
}

std::string tagsText(const std::vector<std::string>& tags) {
    std::string text;
    for (const std::string& tag : tags)
        text += (text.empty() ? "" : ", ") + tag;
    return text;
}

} // namespace shelf
