#include "cli/json_line.h"

#include "base/utf8.h"

#include <cmath>
#include <fmt/format.h>

namespace cli {

void nameInto(Json& j, const std::filesystem::path& file) {
    j["file"] = base::toUtf8(file.native());
    if (base::isUtf8(file.native())) return;
    std::string hex;
    for (const char c : file.native())
        hex += fmt::format("{:02x}", static_cast<unsigned char>(c));
    j["file_bytes"] = hex;
}

std::string errorLine(const std::filesystem::path& file, const std::string& reason) {
    Json j = Json::object();
    nameInto(j, file);
    j["error"] = base::toUtf8(reason);
    return dumped(j);
}

std::string dumped(const Json& j) {
    return j.dump(-1, ' ', false, Json::error_handler_t::replace);
}

double rounded(double value, double perUnit) {
    return std::round(value * perUnit) / perUnit;
}

} // namespace cli
