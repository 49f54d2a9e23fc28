// A window is killed while a hand works in it, at any moment: what is lost is half a second of edits at most, and
// what is found afterwards is whole.
#include "harsh/hand/edits.h"
#include "project/recovery.h"
#include "project/save.h"
#include "support/files.h"

#include <chrono>
#include <csignal>
#include <cstdlib>
#include <fcntl.h>
#include <fstream>
#include <gtest/gtest.h>
#include <map>
#include <random>
#include <sstream>
#include <sys/wait.h>
#include <thread>
#include <unistd.h>

namespace {

namespace fs = std::filesystem;
using Clock = std::chrono::system_clock;
using support::Folder;
using support::quoted;

// How many windows are killed in each of the four tests; PM_KILLS says more for the long run.
int kills() {
    const char* said = std::getenv("PM_KILLS");
    return said != nullptr ? std::max(1, std::atoi(said) / 4) : 5;
}

struct Edit {
    int number = 0;
    std::int64_t at = 0; // microseconds
};

std::vector<Edit> editsIn(const fs::path& log) {
    std::vector<Edit> edits;
    std::istringstream lines(support::readBytes(log));
    std::string word;
    Edit edit;
    while (lines >> word >> edit.number >> edit.at)
        edits.push_back(edit);
    return edits;
}

std::map<std::string, std::string> contentsOf(const fs::path& folder) {
    std::map<std::string, std::string> all;
    for (const auto& entry : fs::directory_iterator(folder))
        all[entry.path().filename()] = support::readBytes(entry.path());
    return all;
}

int savedEdit(const fs::path& journey) {
    if (!fs::exists(journey / "project.json")) return 0;
    const auto loaded = project::loadProject(journey);
    EXPECT_TRUE(loaded) << loaded.error().text;
    if (!loaded) return 0;
    for (const std::string& warning : loaded->warnings)
        ADD_FAILURE() << warning;
    return harsh::editOf(loaded->project);
}

// Where the hand works, begun in a process of its own; killed after so long. When that was, in microseconds.
std::int64_t killedAfter(const harsh::Place& place, std::chrono::milliseconds time) {
    const std::string log = (place.folder / "log").string();
    const pid_t child = fork();
    if (child == 0) {
        const int out = open(log.c_str(), O_WRONLY | O_CREAT | O_TRUNC, 0644);
        dup2(out, STDOUT_FILENO);
        execl(PM_HAND, PM_HAND, "work", place.folder.c_str(), nullptr);
        _exit(127);
    }
    // From the first edit on.
    for (int i = 0; i < 6000 && editsIn(log).empty(); ++i)
        std::this_thread::sleep_until(Clock::now() + std::chrono::milliseconds(10));
    std::this_thread::sleep_until(Clock::now() + time);
    const std::int64_t at =
        std::chrono::duration_cast<std::chrono::microseconds>(Clock::now().time_since_epoch()).count();
    kill(child, SIGKILL);
    waitpid(child, nullptr, 0);
    return at;
}

void killAndLook(unsigned seed) {
    SCOPED_TRACE("seed " + std::to_string(seed));
    const Folder folder;
    const harsh::Place place{folder.path()};
    fs::create_directories(place.loops());
    for (const char* name :
         {"winch_hands_112bpm.wav", "rope_shaker_124.wav", "heron_whistle.mp3", "keel_bass_96.aiff"})
        fs::copy_file(support::demoAudio(name), place.loops() / name);
    const auto before = contentsOf(place.loops());
    setenv("PATIENT_METRE_DATA", (folder / "data").c_str(), 1);
    setenv("QT_QPA_PLATFORM", "offscreen", 1);
    std::mt19937 dice(seed);
    const std::int64_t killed =
        killedAfter(place, std::chrono::milliseconds(std::uniform_int_distribution<int>(300, 5000)(dice)));
    const auto edits = editsIn(folder / "log");
    ASSERT_FALSE(edits.empty());
    int owed = 0; // half a second before the end
    for (const Edit& edit : edits)
        if (edit.at <= killed - 500'000) owed = edit.number;
    // In a copy: whoever looks for recoveries clears away as well, and that is the next start's to do.
    const Folder copied;
    if (fs::exists(folder / "data" / "recovery"))
        fs::copy(folder / "data" / "recovery", copied.path(), fs::copy_options::recursive);
    const auto found = project::findRecoveries(copied.path());
    ASSERT_LE(found.size(), 1U);
    const int recovered = found.empty() ? 0 : harsh::editOf(found.front().project);
    const int saved = savedEdit(place.journey());
    EXPECT_GE(std::max(recovered, saved), owed) << "of " << edits.back().number << "; saved " << saved;
    EXPECT_TRUE(contentsOf(place.loops()) == before) << "sources are as they were";

    // The next start.
    const auto looked = support::run(quoted(PM_HAND) + " look " + quoted(folder.path()));
    EXPECT_EQ(looked.status, 0) << looked.err;
    std::istringstream words(looked.out);
    std::string word;
    int offered = 0;
    int edit = 0;
    words >> word >> offered >> edit;
    EXPECT_EQ(offered, found.empty() ? 0 : 1) << "what is there is offered";
    if (offered == 1) {
        EXPECT_EQ(edit, recovered);
    }
    EXPECT_TRUE(contentsOf(place.loops()) == before);
    for (const auto& entry : fs::recursive_directory_iterator(folder.path())) {
        const std::string name = entry.path().filename();
        EXPECT_EQ(name.find(".patient-metre-part-"), std::string::npos) << entry.path();
        EXPECT_NE(entry.path().extension(), ".draft") << entry.path();
        EXPECT_EQ(name.find("autosave-"), std::string::npos) << entry.path();
    }
    savedEdit(place.journey()); // and it opens without a warning
}

void killMany(unsigned first) {
    std::random_device anew;
    const unsigned from = std::getenv("PM_KILLS") != nullptr ? anew() : 0;
    for (int i = 0; i < kills() && !::testing::Test::HasFailure(); ++i)
        killAndLook(from + first + 4 * unsigned(i));
}

TEST(Kill, LosesHalfASecondAtMostAndLeavesNothingStale1) {
    killMany(1);
}
TEST(Kill, LosesHalfASecondAtMostAndLeavesNothingStale2) {
    killMany(2);
}
TEST(Kill, LosesHalfASecondAtMostAndLeavesNothingStale3) {
    killMany(3);
}
TEST(Kill, LosesHalfASecondAtMostAndLeavesNothingStale4) {
    killMany(4);
}

} // namespace
