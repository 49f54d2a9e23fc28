#include "support/files.h"

#include <atomic>
#include <cstdlib>
#include <fmt/format.h>
#include <fstream>
#include <sndfile.h>
#include <sstream>
#include <stdexcept>
#include <sys/wait.h>
#include <unistd.h>

namespace support {

namespace fs = std::filesystem;

Folder::Folder() {
    static std::atomic<int> counter{0};
    path_ = fs::temp_directory_path() / fmt::format("patient-metre-test-{}-{}", getpid(), counter++);
    fs::create_directories(path_);
}

Folder::~Folder() {
    std::error_code ignored;
    fs::remove_all(path_, ignored);
}

fs::path demoFolder() {
    return fs::path(PM_SOURCE_DIR) / "demo" / "canal_journey";
}
fs::path demoAudio(const std::string& name) {
    return demoFolder() / "audio" / name;
}

void writeBytes(const fs::path& path, const std::string& bytes) {
    std::ofstream out(path, std::ios::binary);
    out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
    if (!out) throw std::runtime_error("could not write " + path.string());
}

std::string readBytes(const fs::path& path) {
    std::ifstream in(path, std::ios::binary);
    std::ostringstream text;
    text << in.rdbuf();
    return text.str();
}

void writeSound(const fs::path& path, const sound::Audio& audio, int sndfileFormat) {
    SF_INFO info{};
    info.samplerate = audio.rate;
    info.channels = audio.channelCount();
    info.format = sndfileFormat;
    SNDFILE* file = sf_open(path.c_str(), SFM_WRITE, &info);
    if (file == nullptr) throw std::runtime_error(sf_strerror(nullptr));
    std::vector<float> frames;
    for (std::int64_t i = 0; i < audio.frames().value; ++i)
        for (const auto& samples : audio.channels)
            frames.push_back(samples[static_cast<std::size_t>(i)]);
    sf_writef_float(file, frames.data(), audio.frames().value);
    sf_close(file);
}

void cutFile(const fs::path& from, const fs::path& to, double share) {
    const std::string bytes = readBytes(from);
    writeBytes(to, bytes.substr(0, static_cast<std::size_t>(double(bytes.size()) * share)));
}

std::string quoted(const fs::path& path) {
    std::string out = "'";
    for (const char c : path.native())
        out += c == '\'' ? std::string("'\\''") : std::string(1, c);
    return out + "'";
}

Ran run(const std::string& command) {
    const Folder folder;
    const std::string line =
        fmt::format("( {} ) >{} 2>{} </dev/null", command, quoted(folder / "out"), quoted(folder / "err"));
    const int status = std::system(line.c_str());
    return {WIFEXITED(status) ? WEXITSTATUS(status) : 128 + WTERMSIG(status), readBytes(folder / "out"),
            readBytes(folder / "err")};
}

} // namespace support
