// Paths and own words as they stand in the texts that the library writes.
#pragma once

#include "base/utf8.h"
#include "shelf/own_words.h"

#include <filesystem>
#include <fmt/format.h>
#include <nlohmann/json.hpp>
#include <string>

namespace shelf {

// File names are bytes: as they are where they are text, else in hexadecimal.
inline nlohmann::ordered_json pathToText(const std::filesystem::path& path) {
    if (base::isUtf8(path.native())) return path.native();
    std::string hex;
    for (const char c : path.native())
        hex += fmt::format("{:02x}", static_cast<unsigned char>(c));
    return nlohmann::ordered_json{{"bytes", hex}};
}

// Fails by an exception where it is neither.
inline std::filesystem::path pathFromText(const nlohmann::ordered_json& j) {
    if (j.is_string()) return j.get<std::string>();
    std::string bytes;
    if (j.is_object() && j.contains("bytes") && j["bytes"].is_string()) {
        const std::string hex = j["bytes"].get<std::string>();
        for (std::size_t i = 0; i + 1 < hex.size(); i += 2)
            bytes += static_cast<char>(std::stoi(hex.substr(i, 2), nullptr, 16));
    }
    return bytes;
}

inline nlohmann::ordered_json ownToText(const std::string& content, const OwnWords& own) {
    return {{"content", content}, {"tags", own.tags}, {"notes", own.notes}, {"favourite", own.favourite}};
}
// By content. Fails by an exception.
inline std::pair<std::string, OwnWords> ownFromText(const nlohmann::ordered_json& j) {
    OwnWords own{j.at("tags").get<std::vector<std::string>>(), j.at("notes").get<std::string>(),
                 j.at("favourite").get<bool>()};
    return {j.at("content").get<std::string>(), std::move(own)};
}

} // namespace shelf
