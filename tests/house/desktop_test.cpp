// At home on the desktop: what is installed, and whether those who read it find it in order.
#include "support/files.h"

#include <gtest/gtest.h>
#include <regex>
#include <set>
#include <sstream>

namespace {

namespace fs = std::filesystem;
using support::quoted;
using support::run;

const fs::path& source() {
    static const fs::path path(PM_SOURCE_DIR);
    return path;
}

TEST(Desktop, EntryAndMetadataAreValid) {
    const auto entry = run("desktop-file-validate " +
                           quoted(source() / "share/applications/org.patientmetre.PatientMetre.desktop"));
    EXPECT_EQ(entry.status, 0) << entry.out << entry.err;
    EXPECT_EQ(entry.out, "");
    const auto metadata = run("appstreamcli validate --no-net " +
                              quoted(source() / "share/metainfo/org.patientmetre.PatientMetre.metainfo.xml"));
    EXPECT_EQ(metadata.status, 0) << metadata.out;
}

// shared-mime-info (freedesktop.org): a project is told from any other JSON by what stands in it.
TEST(Desktop, AProjectIsKnownByItsContent) {
    const support::Folder folder;
    fs::create_directories(folder / "mime/packages");
    fs::copy(source() / "share/mime/patient-metre.xml", folder / "mime/packages/patient-metre.xml");
    const auto made = run("update-mime-database " + quoted(folder / "mime"));
    ASSERT_EQ(made.status, 0) << made.err;
    const std::string magic = support::readBytes(folder / "mime/magic");
    EXPECT_NE(magic.find("patient-metre-project"), std::string::npos);
    // Where the words are looked for they stand.
    const std::string project = support::readBytes(support::demoFolder() / "project.json");
    EXPECT_EQ(project.front(), '{');
    EXPECT_LT(project.find("patient-metre-project"), 4096U);
}

TEST(Desktop, InstallsWhatItNeedsAndStartsFromThere) {
    const support::Folder folder;
    const auto installed = run("cmake --install " + quoted(PM_BINARY_DIR) + " --prefix " + quoted(folder / "usr"));
    ASSERT_EQ(installed.status, 0) << installed.err;
    for (const char* file :
         {"bin/patient-metre", "bin/pmetre", "share/applications/org.patientmetre.PatientMetre.desktop",
          "share/metainfo/org.patientmetre.PatientMetre.metainfo.xml", "share/mime/packages/patient-metre.xml",
          "share/icons/hicolor/scalable/apps/patient-metre.svg", "share/icons/hicolor/16x16/apps/patient-metre.png",
          "share/icons/hicolor/256x256/apps/patient-metre.png", "share/man/man1/pmetre.1.gz",
          "share/man/man1/patient-metre.1.gz", "share/bash-completion/completions/pmetre",
          "share/patient-metre/canal_journey/project.json"})
        EXPECT_TRUE(fs::exists(folder / "usr" / file)) << file;
    EXPECT_EQ(run(quoted(folder / "usr/bin/pmetre") + " --version").status, 0);
    const auto shot =
        run("cd / && env QT_QPA_PLATFORM=offscreen PATIENT_METRE_OUTPUT=simulated PATIENT_METRE_DATA=" +
            quoted(folder / "data") + " " + quoted(folder / "usr/bin/patient-metre") + " --shot " +
            quoted(folder / "window.png"));
    EXPECT_EQ(shot.status, 0) << shot.err;
    EXPECT_GT(fs::file_size(folder / "window.png"), 10000U);
}

// The package for Debian, into a root of its own: it installs, starts and leaves nothing behind.
TEST(Desktop, ThePackageInstallsStartsAndGoesWithoutATrace) {
    const support::Folder folder;
    const auto packed = run("cpack -G DEB --config " + quoted(fs::path(PM_BINARY_DIR) / "CPackConfig.cmake") +
                            " -B " + quoted(folder / "packed"));
    ASSERT_EQ(packed.status, 0) << packed.out << packed.err;
    fs::path package;
    for (const auto& entry : fs::directory_iterator(folder / "packed"))
        if (entry.path().extension() == ".deb") package = entry.path();
    ASSERT_FALSE(package.empty());
    fs::create_directories(folder / "root/var/lib/dpkg/info");
    fs::create_directories(folder / "root/var/lib/dpkg/updates");
    support::writeBytes(folder / "root/var/lib/dpkg/status", "");
    support::writeBytes(folder / "root/var/lib/dpkg/available", "");
    const std::string dpkg =
        "dpkg --force-not-root --force-depends --force-script-chrootless --log=/dev/null --root=" +
        quoted(folder / "root") + " ";
    const auto installed = run(dpkg + "-i " + quoted(package));
    ASSERT_EQ(installed.status, 0) << installed.err;
    EXPECT_EQ(run(quoted(folder / "root/usr/bin/pmetre") + " --version").status, 0);
    const auto removed = run(dpkg + "-P patient-metre");
    EXPECT_EQ(removed.status, 0) << removed.err;
    EXPECT_FALSE(fs::exists(folder / "root/usr/bin"));
    EXPECT_FALSE(fs::exists(folder / "root/usr/share/patient-metre"));
}

// What a command offers stands in the manual and can be completed; both are written by tools/make_man.py.
TEST(Desktop, ManualAndCompletionKnowEveryOption) {
    const std::string manual = support::readBytes(source() / "share/man/pmetre.1");
    const std::string completion = support::readBytes(source() / "share/bash-completion/pmetre");
    const std::string all = run(std::string(PM_PMETRE) + " --help").out;
    std::set<std::string> commands;
    const std::string listed = all.substr(all.find("Subcommands:"));
    std::istringstream lines(listed.substr(0, listed.find("\n\n")));
    const std::regex command("^  ([a-z]+) .*");
    for (std::string line; std::getline(lines, line);)
        if (std::smatch match; std::regex_match(line, match, command)) commands.insert(match[1]);
    EXPECT_EQ(commands, (std::set<std::string>{"read", "fit", "feel", "check", "meet", "lead", "scan", "find",
                                               "deliver", "tag"}));
    for (const std::string& name : commands) {
        EXPECT_NE(manual.find(".SS pmetre " + name), std::string::npos) << name;
        const std::string help = run(std::string(PM_PMETRE) + " " + name + " --help").out;
        const std::string complete = completion.substr(completion.find("      " + name + ") "));
        const std::string words = complete.substr(0, complete.find('\n'));
        const std::regex option("\n  (?:-\\w,)?(--[a-z-]+)");
        for (std::sregex_iterator it(help.begin(), help.end(), option), end; it != end; ++it) {
            const std::string word = (*it)[1];
            EXPECT_NE(words.find(word), std::string::npos) << name << " " << word << " (run tools/make_man.py)";
            if (word == "--help") continue;
            EXPECT_NE(manual.find(std::regex_replace(word, std::regex("-"), "\\-")), std::string::npos) << word;
        }
    }
    // The shell takes it, and offers what begins so.
    const auto offered =
        run("bash -c 'source " + (source() / "share/bash-completion/pmetre").string() +
            "; COMP_WORDS=(pmetre fit --tr); COMP_CWORD=2; _pmetre 2>/dev/null; echo ${COMPREPLY[@]}'");
    EXPECT_EQ(offered.out, "--transpose --trust --trust-hearing\n");
}

} // namespace
