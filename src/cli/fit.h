// pmetre fit
#pragma once

#include <filesystem>
#include <optional>
#include <stop_token>
#include <string>

namespace cli {

struct FitOptions {
    std::filesystem::path in;
    std::filesystem::path out;
    std::optional<std::string> to; // tempos as typed, checked when used
    std::optional<std::string> from;
    std::optional<double> beats;
    std::optional<double> ratio;
    std::string style = "auto";
    double semitones = 0;
    bool loop = false;
    bool formants = false;
    std::string depth = "24";
    bool overwrite = false;
};

// Renders one file and writes it with its tempo; returns the exit status.
int fit(const FitOptions& options, const std::stop_token& stop);

} // namespace cli
