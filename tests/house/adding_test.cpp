// docs/adding.md says where each kind of thing is added: the files that it names are there, and hold what it names
// in them.
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <map>
#include <regex>
#include <sstream>
#include <string>

namespace {

namespace fs = std::filesystem;

std::string textOf(const fs::path& file) {
    std::ifstream in(file);
    std::ostringstream text;
    text << in.rdbuf();
    return text.str();
}

TEST(House, ThePageOnAddingNamesWhatIsThere) {
    const fs::path root(PM_SOURCE_DIR);
    std::ifstream page(root / "docs" / "adding.md");
    ASSERT_TRUE(page.is_open());
    static const std::regex named(R"(`((?:src|tests|docs)/[\w/.]+)`(?: \(`([^`]+)`\))?)");
    std::string line;
    std::string kind;
    std::map<std::string, int> rows; // by kind: entry, implementation, test
    int files = 0;
    while (std::getline(page, line)) {
        if (line.rfind("## ", 0) == 0) kind = line.substr(3);
        for (const char* row : {"| entry |", "| implementation |", "| test |"})
            if (line.rfind(row, 0) == 0) ++rows[kind];
        for (auto m = std::sregex_iterator(line.begin(), line.end(), named); m != std::sregex_iterator(); ++m) {
            const fs::path file = root / (*m)[1].str();
            ++files;
            ASSERT_TRUE(fs::exists(file)) << kind << ": " << file;
            if ((*m)[2].matched) {
                EXPECT_NE(textOf(file).find((*m)[2].str()), std::string::npos)
                    << kind << ": " << (*m)[2] << " is not in " << file;
            }
        }
    }
    EXPECT_GE(rows.size(), 6U);
    for (const auto& [of, n] : rows)
        EXPECT_EQ(n, 3) << of << " has one entry, one implementation and one test";
    EXPECT_GT(files, 18);
}

} // namespace
