// Every word of a command stands in the translation template, in the context the program looks it up in.
#include <filesystem>
#include <fstream>
#include <gtest/gtest.h>
#include <map>
#include <regex>
#include <set>
#include <sstream>
#include <string>
#include <vector>

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

// The texts of a file of translations by context and source, with their forms.
std::map<std::string, std::vector<std::string>> textsIn(const std::string& all) {
    static const std::regex context(R"(<context>\s*<name>([^<]*)</name>)");
    static const std::regex message(R"(<message[^>]*>[\s\S]*?</message>)");
    static const std::regex source(R"(<source>([\s\S]*?)</source>)");
    static const std::regex form(R"(<numerusform>([\s\S]*?)</numerusform>)");
    static const std::regex plain(R"(<translation[^>]*>([^<]*)</translation>)");
    std::map<std::string, std::vector<std::string>> texts;
    std::size_t from = 0;
    while ((from = all.find("<context>", from)) != std::string::npos) {
        const std::string part = all.substr(from, all.find("</context>", from) - from);
        from += part.size();
        std::smatch name;
        if (!std::regex_search(part, name, context)) continue;
        for (auto m = std::sregex_iterator(part.begin(), part.end(), message); m != std::sregex_iterator(); ++m) {
            const std::string block = m->str();
            std::smatch of;
            if (!std::regex_search(block, of, source)) continue;
            std::vector<std::string>& forms = texts[name[1].str() + "|" + of[1].str()];
            for (auto f = std::sregex_iterator(block.begin(), block.end(), form); f != std::sregex_iterator(); ++f)
                forms.push_back((*f)[1].str());
            std::smatch text;
            if (forms.empty() && std::regex_search(block, text, plain)) forms.push_back(text[1].str());
        }
    }
    return texts;
}

std::multiset<std::string> placesIn(const std::string& text) {
    static const std::regex place(R"(%(\d|n)|\{[a-z]+\})");
    std::multiset<std::string> places;
    for (auto m = std::sregex_iterator(text.begin(), text.end(), place); m != std::sregex_iterator(); ++m)
        places.insert(m->str());
    return places;
}

TEST(House, EveryTextHasItsGermanWithTheSamePlacesToFillIn) {
    const fs::path folder = fs::path(PM_SOURCE_DIR) / "share/translations";
    const auto wanted = textsIn(readWhole(folder / "patient-metre_template.ts"));
    const auto german = textsIn(readWhole(folder / "patient-metre_de.ts"));
    ASSERT_GT(wanted.size(), 1000U);
    for (const auto& [key, forms] : wanted) {
        const auto at = german.find(key);
        ASSERT_NE(at, german.end()) << key << "; run tools/update_translations.sh";
        const std::string source = key.substr(key.find('|') + 1);
        const bool isCounted = source.find("%n") != std::string::npos;
        EXPECT_EQ(at->second.size(), isCounted ? 2U : 1U) << key;
        for (const std::string& text : at->second) {
            EXPECT_FALSE(text.empty()) << key;
            EXPECT_EQ(placesIn(text), placesIn(source)) << key << " is " << text;
            EXPECT_EQ(text.find("&amp;") != std::string::npos, source.find("&amp;") != std::string::npos) << key;
        }
    }
    EXPECT_EQ(german.size(), wanted.size()) << "and no more";
}

} // namespace
