// Every word of a command stands in the translation template, in the context the program looks it up in.
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <regex>
#include <sstream>
#include <string>

namespace {

namespace fs = std::filesystem;

std::string readWhole(const fs::path& file) {
    std::ifstream in(file);
    std::ostringstream text;
    text << in.rdbuf();
    return text.str();
}

std::string asXml(std::string text) {
    text = std::regex_replace(text, std::regex("&"), "&amp;");
    text = std::regex_replace(text, std::regex(R"(\\")"), "&quot;");
    return std::regex_replace(text, std::regex("'"), "&apos;");
}

TEST(House, EveryWordOfACommandCanBeTranslated) {
    const fs::path root(PM_SOURCE_DIR);
    const std::string reach = readWhole(root / "src/app/commands/reach.h");
    std::smatch looked;
    ASSERT_TRUE(std::regex_search(reach, looked, std::regex(R"re(translate\("([^"]+)", text\))re")));

    const std::string all = readWhole(root / "share/translations/patient-metre_template.ts");
    const auto begin = all.find("<name>" + looked[1].str() + "</name>");
    ASSERT_NE(begin, std::string::npos) << "the template has no context " << looked[1];
    const std::string context = all.substr(begin, all.find("</context>", begin) - begin);

    static const std::regex word(R"re(\bwords\("((?:[^"\\]|\\.)*)"\))re");
    int words = 0;
    for (const auto& file : fs::directory_iterator(root / "src/app/commands")) {
        if (file.path().extension() != ".cpp") continue;
        const std::string text = readWhole(file.path());
        for (auto m = std::sregex_iterator(text.begin(), text.end(), word); m != std::sregex_iterator();
             ++m, ++words)
            EXPECT_NE(context.find("<source>" + asXml((*m)[1].str()) + "</source>"), std::string::npos)
                << file.path().filename() << ": \"" << (*m)[1] << "\"; run tools/update_translations.sh";
    }
    EXPECT_GT(words, 200);
}

} // namespace
