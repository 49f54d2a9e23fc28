#include "cli/output.h"

#include "base/utf8.h"

#include <cerrno>
#include <cstring>
#include <fmt/format.h>
#include <unistd.h>

namespace cli {

Output::Output() : outIsTerminal_(isatty(STDOUT_FILENO) == 1), errIsTerminal_(isatty(STDERR_FILENO) == 1) {}

bool Output::write(int to, std::string_view text) {
    while (!text.empty()) {
        const ssize_t done = ::write(to, text.data(), text.size());
        if (done < 0 && errno == EINTR) continue;
        if (done <= 0) return false;
        text.remove_prefix(static_cast<std::size_t>(done));
    }
    return true;
}

bool Output::line(std::string_view text) {
    const std::lock_guard lock(mutex_);
    if (lost_) return false;
    clearProgress();
    std::string whole = outIsTerminal_ ? base::escaped(text) : std::string(text);
    whole += '\n';
    if (write(STDOUT_FILENO, whole)) return true;
    lost_ = failed_ = true;
    const std::string why = fmt::format("pmetre: the results could not be written: {}.\n", std::strerror(errno));
    write(STDERR_FILENO, why);
    return false;
}

void Output::say(std::string_view text) {
    const std::lock_guard lock(mutex_);
    clearProgress();
    std::string whole = "pmetre: ";
    whole += base::escaped(text);
    whole += '\n';
    if (!write(STDERR_FILENO, whole)) failed_ = true;
}

void Output::progress(std::string_view text) {
    const std::lock_guard lock(mutex_);
    if (!errIsTerminal_) return;
    clearProgress();
    if (text.empty()) return;
    write(STDERR_FILENO, base::escaped(text));
    shown_ = true;
}

void Output::clearProgress() {
    if (shown_) write(STDERR_FILENO, "\r\x1b[K");
    shown_ = false;
}

bool Output::hasFailed() const {
    const std::lock_guard lock(mutex_);
    return failed_;
}

} // namespace cli
