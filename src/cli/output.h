// What a command prints: results to standard output, messages to standard error, every write checked.
#pragma once

#include <filesystem>
#include <mutex>
#include <string>
#include <string_view>

namespace cli {

// Any thread. A line is written whole or, where the disk is full or nobody reads any more, given up; then
// hasFailed() says so, and the command ends with status 1. Never throws.
class Output {
  public:
    Output();

    // A result. False once standard output is lost: there is no use in going on.
    bool line(std::string_view text);
    // A message in one line: "pmetre: …". Control characters in it are shown as escapes.
    void say(std::string_view text);
    // How far it is, on standard error where that is a terminal, until something else is said; empty takes it away.
    void progress(std::string_view text);
    bool hasFailed() const;

  private:
    static bool write(int to, std::string_view text);
    void clearProgress();

    mutable std::mutex mutex_;
    bool lost_ = false;   // standard output
    bool failed_ = false; // anything
    bool shown_ = false;  // progress stands on the terminal
    bool outIsTerminal_;
    bool errIsTerminal_;
};

} // namespace cli
