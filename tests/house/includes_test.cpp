// The order of the rooms, as docs/architecture.md states it, held against every include.
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <map>
#include <regex>
#include <set>
#include <string>

namespace {

namespace fs = std::filesystem;

// Which rooms a room may include from, besides itself.
const std::map<std::string, std::set<std::string>> below = {
    {"base", {}},
    {"metre", {"base"}},
    {"sound", {"metre", "base"}},
    {"hear", {"sound", "metre", "base"}},
    {"stretch", {"sound", "metre", "base"}},
    {"project", {"stretch", "hear", "sound", "metre", "base"}},
    {"mix", {"project", "stretch", "hear", "sound", "metre", "base"}},
    {"prove", {"mix", "project", "stretch", "hear", "sound", "metre", "base"}},
    {"play", {"prove", "mix", "project", "stretch", "hear", "sound", "metre", "base"}},
    {"shelf", {"prove", "mix", "project", "stretch", "hear", "sound", "metre", "base"}},
    {"deliver", {"prove", "mix", "project", "stretch", "hear", "sound", "metre", "base"}},
    {"app", {"deliver", "play", "shelf", "prove", "mix", "project", "stretch", "hear", "sound", "metre", "base"}},
    {"cli", {"deliver", "play", "shelf", "prove", "mix", "project", "stretch", "hear", "sound", "metre", "base"}},
};

// What is wrong with one include line of a file in a room; empty when nothing is.
std::string wrongWith(const std::string& room, const std::string& line) {
    std::smatch m;
    static const std::regex own(R"(^\s*#\s*include\s+"([a-z]+)/)");
    static const std::regex qt(R"(^\s*#\s*include\s+[<"](Q[A-Z]|Qt))");
    if (room != "app" && std::regex_search(line, m, qt)) return "includes Qt";
    // Timing is worked out in one place, and read in laid.h.
    if (room != "project" && line.find("\"project/timing.h\"") != std::string::npos)
        return "derives timing of its own";
    if (!std::regex_search(line, m, own)) return {};
    const std::string other = m[1];
    if (other == room || below.at(room).count(other) > 0) return {};
    return "includes from " + other;
}

TEST(House, IncludesPointDownwardsAndQtStaysInTheApplication) {
    int files = 0;
    for (const auto& entry : fs::recursive_directory_iterator(fs::path(PM_SOURCE_DIR) / "src")) {
        const auto ending = entry.path().extension();
        if (ending != ".h" && ending != ".cpp") continue;
        const std::string room = entry.path().lexically_relative(fs::path(PM_SOURCE_DIR) / "src").begin()->string();
        ASSERT_TRUE(below.count(room)) << room << " is no room of the architecture";
        std::ifstream in(entry.path());
        std::string line;
        while (std::getline(in, line))
            EXPECT_EQ(wrongWith(room, line), "") << entry.path() << ": " << line;
        ++files;
    }
    EXPECT_GT(files, 50);
}

// Within app/: the window knows the places, these the session, and that the widgets. A place knows another only
// where it holds it.
const std::map<std::string, std::set<std::string>> belowInApp = {
    {"widgets", {}},
    {"session", {"widgets"}},
    {"card", {"session", "widgets"}},
    {"bench", {"card", "session", "widgets"}},
    {"shelf", {"session", "widgets"}},
    {"bars", {"shelf", "session", "widgets"}}, // what is dragged from there lands here
    {"sources", {"session", "widgets"}},
    {"strain", {"session", "widgets"}},
    {"deliver", {"session", "widgets"}},
    {"help", {"session", "widgets"}},
    {"commands", {"bars", "bench", "deliver", "help", "session", "shelf", "sources", "widgets"}},
    {"window",
     {"bars", "bench", "card", "commands", "deliver", "help", "session", "shelf", "sources", "strain", "widgets"}},
};

TEST(House, WithinTheApplicationArrowsPointDownwardsToo) {
    static const std::regex include(R"(^\s*#\s*include\s+"app/([a-z]+)/)");
    const fs::path app = fs::path(PM_SOURCE_DIR) / "src" / "app";
    int seen = 0;
    for (const auto& entry : fs::recursive_directory_iterator(app)) {
        const auto ending = entry.path().extension();
        const fs::path within = entry.path().lexically_relative(app);
        if ((ending != ".h" && ending != ".cpp") || within == "main.cpp") continue;
        const std::string place = within.begin()->string();
        ASSERT_TRUE(belowInApp.count(place)) << place << " is no place of the architecture";
        std::ifstream in(entry.path());
        std::string line;
        std::smatch m;
        while (std::getline(in, line)) {
            if (!std::regex_search(line, m, include)) continue;
            EXPECT_TRUE(m[1] == place || belowInApp.at(place).count(m[1]) > 0) << entry.path() << ": " << line;
            ++seen;
        }
    }
    EXPECT_GT(seen, 100);
}

TEST(House, TheCheckItselfFindsWhatIsWrong) {
    EXPECT_NE(wrongWith("metre", "#include \"sound/audio.h\""), "");
    EXPECT_NE(wrongWith("hear", "#include \"stretch/method.h\""), "");
    EXPECT_NE(wrongWith("play", "#include <QString>"), "");
    EXPECT_NE(wrongWith("base", "#include \"metre/units.h\""), "");
    EXPECT_NE(wrongWith("mix", "#include \"play/scene.h\""), "");
    EXPECT_NE(wrongWith("project", "  # include <QtCore/QObject>"), "");
    EXPECT_EQ(wrongWith("play", "#include \"project/laid.h\""), "");
    EXPECT_NE(wrongWith("app", "#include \"project/timing.h\""), "");
    EXPECT_EQ(wrongWith("app", "#include <QString>"), "");
}

// Every room that is built links only rooms below it: the build says the same as the includes.
TEST(House, LinksSayTheSameAsTheRooms) {
    std::ifstream in(fs::path(PM_SOURCE_DIR) / "src" / "CMakeLists.txt");
    std::string line;
    int rooms = 0;
    static const std::regex call(R"(^room\((\w+)(?: ROOMS ([\w ]+?))?(?: LIBRARIES.*)?\)$)");
    while (std::getline(in, line)) {
        std::smatch m;
        if (!std::regex_match(line, m, call)) continue;
        ++rooms;
        std::istringstream lower(m[2].str());
        std::string other;
        while (lower >> other)
            EXPECT_TRUE(below.at(m[1]).count(other)) << m[1] << " links " << other;
    }
    EXPECT_GE(rooms, 7);
}

} // namespace
