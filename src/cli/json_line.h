// What the commands have in common of a result in JSON: one object, one line.
#pragma once

#include <filesystem>
#include <nlohmann/json.hpp>
#include <string>

namespace cli {

using Json = nlohmann::ordered_json;

// The file's name as it was given; one that is no UTF-8 also as its bytes, in hexadecimal.
void nameInto(Json& j, const std::filesystem::path& file);
// {file, error}
std::string errorLine(const std::filesystem::path& file, const std::string& reason);
std::string dumped(const Json& j);
// To so many of a unit.
double rounded(double value, double perUnit);

} // namespace cli
