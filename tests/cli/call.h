// Calling pmetre from tests.
#pragma once

#include <nlohmann/json.hpp>
#include <sstream>
#include <string>
#include <vector>

namespace support {

// The command line that calls it with these arguments.
inline std::string pmetre(const std::string& arguments) {
    return std::string(PM_PMETRE) + " " + arguments;
}

// What it printed, a line an object.
inline std::vector<nlohmann::json> objects(const std::string& out) {
    std::vector<nlohmann::json> list;
    std::istringstream in(out);
    for (std::string line; std::getline(in, line);)
        list.push_back(nlohmann::json::parse(line));
    return list;
}

} // namespace support
