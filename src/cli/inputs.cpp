#include "cli/inputs.h"

#include "base/utf8.h"
#include "deliver/names.h"
#include "hear/key.h"
#include "metre/tempo.h"

#include <algorithm>
#include <fmt/format.h>

namespace cli {

namespace {

// Letters and figures alone, small, and what is no ASCII: what is left of a name whatever separates its words.
std::string bare(const std::string& name) {
    std::string out;
    for (const char c : name) {
        const bool capital = c >= 'A' && c <= 'Z';
        if (capital || (c >= 'a' && c <= 'z') || (c >= '0' && c <= '9') || static_cast<unsigned char>(c) >= 0x80)
            out += capital ? static_cast<char>(c + 32) : c;
    }
    return out;
}

// Whether a file in the folder may be called so by a pattern: `bareName` fits what the pattern gives for an input
// whose key and beats nobody knows before it is heard.
bool mayBeCalled(const std::string& bareName, const std::filesystem::path& input, std::size_t number,
                 const std::string& pattern, const std::optional<metre::Bpm>& to) {
    // Places in bareName up to which the pattern's beginning fits.
    std::set<std::size_t> ends{0};
    const auto take = [&](const std::vector<std::string>& words) {
        std::set<std::size_t> next;
        for (const std::size_t at : ends)
            for (const std::string& word : words)
                if (bareName.compare(at, word.size(), word) == 0) next.insert(at + word.size());
        ends = std::move(next);
    };
    const auto takeNumber = [&] {
        const std::set<std::size_t> from = ends;
        for (const std::size_t at : from)
            for (std::size_t i = at; i < bareName.size() && bareName[i] >= '0' && bareName[i] <= '9'; ++i)
                ends.insert(i + 1);
    };
    const std::string stem = base::toUtf8(input.stem().native());
    for (std::size_t i = 0; i < pattern.size(); ++i) {
        if (pattern[i] != '{') {
            if (const std::string word = bare(pattern.substr(i, 1)); !word.empty())
                take(to ? std::vector<std::string>{word} : std::vector<std::string>{word, ""});
            continue;
        }
        const auto close = std::min(pattern.find('}', i), pattern.size());
        const std::string word = pattern.substr(i + 1, close - i - 1);
        if (word == "name" || word == "track") {
            take({bare(stem), bare(deliver::withoutTempo(stem))});
        } else if (word == "bpm") {
            take({to ? bare(metre::tempoLabel(*to)) : "", ""});
        } else if (word == "number") {
            take({bare(fmt::format("{:02}", number))});
        } else if (word == "key") {
            std::vector<std::string> keys{""};
            for (int root = 0; root < 12; ++root)
                for (const bool minor : {false, true})
                    keys.push_back(bare(hear::keyTag({root, minor})));
            take(keys);
        } else {
            takeNumber();
        }
        i = close;
    }
    takeNumber(); // “name 2”, where there are two
    return ends.count(bareName.size()) > 0;
}

} // namespace

void Inputs::add(const std::filesystem::path& file) {
    if (const auto identity = base::identityOf(file)) all_.insert(*identity);
}

bool Inputs::holds(const std::filesystem::path& file) const {
    const auto identity = base::identityOf(file);
    return identity && all_.count(*identity) > 0;
}

std::vector<std::string> clashes(const std::vector<std::filesystem::path>& files, const Inputs& inputs,
                                 const std::filesystem::path& folder, const std::string& pattern,
                                 const std::string& ending, const std::optional<metre::Bpm>& to) {
    std::vector<std::string> found;
    std::error_code error;
    for (std::filesystem::directory_iterator at(folder, error), end; !error && at != end; at.increment(error)) {
        const std::filesystem::path& there = at->path();
        if (there.extension() != ending || !inputs.holds(there)) continue;
        const std::string name = bare(base::toUtf8(there.stem().native()));
        for (std::size_t i = 0; i < files.size(); ++i)
            if (!base::isSameFile(files[i], there) && mayBeCalled(name, files[i], i + 1, pattern, to)) {
                found.push_back(fmt::format("{} is an input of this call, and what becomes of {} would take its "
                                            "name. Nothing was done; say another folder with --out, or --names.",
                                            base::shownPath(there), base::shownPath(files[i])));
                break;
            }
    }
    return found;
}

} // namespace cli
