#include "cli/output.h"

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
    std::string whole = outIsTerminal_ ? escaped(text) : std::string(text);
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
    whole += errIsTerminal_ ? escaped(text) : std::string(text);
    whole += '\n';
    if (!write(STDERR_FILENO, whole)) failed_ = true;
}

void Output::progress(std::string_view text) {
    const std::lock_guard lock(mutex_);
    if (!errIsTerminal_) return;
    clearProgress();
    if (text.empty()) return;
    write(STDERR_FILENO, escaped(text));
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

std::string escaped(std::string_view text) {
    std::string out;
    for (std::size_t i = 0; i < text.size(); ++i) {
        const auto c = static_cast<unsigned char>(text[i]);
        // C1 controls are two bytes in UTF-8: C2 80 to C2 9F.
        const bool c1 = c == 0xC2 && i + 1 < text.size() && static_cast<unsigned char>(text[i + 1]) < 0xA0;
        if (c < 0x20 || c == 0x7F)
            out += fmt::format("\\x{:02x}", c);
        else if (c1)
            out += fmt::format("\\x{:02x}", static_cast<unsigned char>(text[++i]));
        else
            out += text[i];
    }
    return out;
}

} // namespace cli
