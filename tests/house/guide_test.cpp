// The guide: the labels and keys that it names are in the product, its links and pictures lead somewhere.
#include "support/files.h"

#include <algorithm>
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <regex>
#include <set>
#include <sstream>

namespace {

namespace fs = std::filesystem;

const fs::path guideRoot = PM_SOURCE_DIR;

std::string guideText(const fs::path& file) {
    std::ostringstream text;
    text << std::ifstream(file).rdbuf();
    return text.str();
}

std::vector<fs::path> guidePages() {
    std::vector<fs::path> list;
    for (const auto& entry : fs::directory_iterator(guideRoot / "docs" / "guide"))
        list.push_back(entry.path());
    std::sort(list.begin(), list.end());
    return list;
}

// Without what a label has besides its words: the letter under the key, and the dots of what asks more.
std::string plainLabel(std::string label) {
    std::erase(label, '&');
    for (std::size_t at; (at = label.find("…")) != std::string::npos;)
        label.erase(at, std::string("…").size());
    return label;
}

// All strings of the sources.
std::set<std::string> stringsOfSources() {
    std::set<std::string> all;
    const std::regex quoted("\"((?:[^\"\\\\]|\\\\.)*)\"");
    for (const auto& entry : fs::recursive_directory_iterator(guideRoot / "src")) {
        const auto ending = entry.path().extension();
        if (ending != ".cpp" && ending != ".h") continue;
        const std::string text = guideText(entry.path());
        for (std::sregex_iterator it(text.begin(), text.end(), quoted), end; it != end; ++it)
            all.insert(plainLabel((*it)[1]));
    }
    return all;
}

std::vector<std::string> foundIn(const std::string& text, const std::regex& what) {
    std::vector<std::string> list;
    for (std::sregex_iterator it(text.begin(), text.end(), what), end; it != end; ++it)
        list.push_back((*it)[1]);
    return list;
}

TEST(Guide, NamesOnlyLabelsThatThereAre) {
    const std::set<std::string> all = stringsOfSources();
    // One star on either side; two are bold.
    const std::regex leaning("(?:^|[^*])\\*([^* ][^*\n]*)\\*(?!\\*)");
    int count = 0;
    for (const fs::path& page : guidePages()) {
        if (page.filename() == "README.md") continue;
        for (const std::string& label : foundIn(guideText(page), leaning)) {
            std::istringstream parts(std::regex_replace(label, std::regex(" > "), "\n"));
            for (std::string part; std::getline(parts, part); ++count)
                EXPECT_TRUE(all.contains(plainLabel(part))) << page.filename() << " names “" << part << "”";
        }
    }
    EXPECT_GT(count, 60);
}

TEST(Guide, NamesOnlyKeysThatThereAre) {
    const std::string table = guideText(guideRoot / "docs" / "help" / "keys.md");
    int count = 0;
    for (const fs::path& page : guidePages())
        for (const std::string& key : foundIn(guideText(page), std::regex("`([^`\n]+)`"))) {
            if (key.find(' ') != std::string::npos || key.find('-') == 3) continue; // a call, or a search
            EXPECT_NE(table.find("| " + key + " |"), std::string::npos) << page.filename() << " names " << key;
            ++count;
        }
    EXPECT_GT(count, 25);
}

TEST(Guide, LeadsSomewhereByEachLink) {
    for (const fs::path& page : guidePages())
        for (const std::string& link : foundIn(guideText(page), std::regex("\\]\\(([^)]+)\\)")))
            EXPECT_TRUE(fs::exists(page.parent_path() / link)) << page.filename() << " leads to " << link;
    EXPECT_EQ(guidePages().size(), 9U) << "eight jobs and their list";
}

} // namespace
