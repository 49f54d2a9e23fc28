// What the command line never does: lose a file, keep silent about a result, or obey half.
#include "cli/call.h"
#include "project/save.h"
#include "sound/read.h"
#include "sound/tags.h"
#include "support/audio.h"
#include "support/files.h"

#include <algorithm>
#include <cmath>
#include <csignal>
#include <cstdlib>
#include <fcntl.h>
#include <gtest/gtest.h>
#include <sndfile.h>
#include <sstream>
#include <sys/resource.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

namespace {

namespace fs = std::filesystem;
using nlohmann::json;
using support::Folder;
using support::objects;
using support::quoted;
using support::run;
constexpr auto call = support::pmetre;

// Eight strokes at 120.
void strokesInto(const fs::path& file, int frames = 192000) {
    std::vector<std::int64_t> at;
    for (int i = 0; i * 24000 < frames; ++i)
        at.push_back(i * 24000);
    fs::create_directories(file.parent_path());
    support::writeSound(file, support::strokes(at, frames / 48000.0, 48000), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
}

TEST(Inputs, NoResultTakesTheNameOfAnotherInputOfTheCall) {
    const Folder folder;
    const fs::path in = folder / "in";
    strokesInto(in / "a_124bpm.wav");
    strokesInto(in / "a_104bpm.wav", 150000);
    fs::create_directory_symlink(in, folder / "other");
    fs::create_hard_link(in / "a_104bpm.wav", folder / "hard.wav");
    const std::string first = support::readBytes(in / "a_124bpm.wav");
    const std::string second = support::readBytes(in / "a_104bpm.wav");
    const std::string a = quoted(in / "a_124bpm.wav");
    for (const std::string& files :
         {a + " " + quoted(in / "a_104bpm.wav"), quoted(in / "a_104bpm.wav") + " " + a,
          a + " " + quoted(folder / "other" / "a_104bpm.wav"), a + " " + quoted(folder / "hard.wav"), quoted(in)}) {
        for (const fs::path& out : {in, folder / "other"}) {
            const auto r = run(call("fit " + files + " --out " + quoted(out) + " --to 104 --overwrite"));
            EXPECT_EQ(r.status, 1) << files;
            EXPECT_NE(r.err.find("input"), std::string::npos) << r.err;
            EXPECT_TRUE(r.out.empty()) << "nothing is done then: " << r.out;
            EXPECT_TRUE(support::readBytes(in / "a_124bpm.wav") == first);
            EXPECT_TRUE(support::readBytes(in / "a_104bpm.wav") == second);
        }
    }
    // The one that --like names is an input as well.
    EXPECT_EQ(run(call("fit " + a + " " + quoted(in / "a_104bpm.wav") + " --like " + quoted(in / "a_104bpm.wav") +
                       " --overwrite"))
                  .status,
              1);
    EXPECT_TRUE(support::readBytes(in / "a_104bpm.wav") == second);
    // Inputs that have nothing to do with it are no hindrance.
    strokesInto(in / "b_90bpm.wav");
    EXPECT_EQ(run(call("fit " + a + " " + quoted(in / "b_90bpm.wav") + " --out " + quoted(in) + " --to 99")).status,
              0);
}

TEST(Inputs, ADeliveryReplacesNoRecordingOfItsProject) {
    const Folder folder;
    fs::copy(support::demoFolder(), folder / "journey", fs::copy_options::recursive);
    const fs::path audio = folder / "journey" / "audio";
    fs::copy_file(audio / "winch_hands_112bpm.wav", folder / "before.wav");
    const auto r = run(call("deliver " + quoted(folder / "journey") + " --out " + quoted(audio) +
                            " --what loops --names '{name}_112bpm' --overwrite"));
    EXPECT_EQ(r.status, 1);
    EXPECT_NE(r.err.find("recording of this project"), std::string::npos) << r.err;
    EXPECT_TRUE(support::readBytes(audio / "winch_hands_112bpm.wav") == support::readBytes(folder / "before.wav"));
}

TEST(Ratio, IsObeyedToTheFrameAndOneIsTheIdentity) {
    const Folder folder;
    for (const int frames : {105435, 192000, 192001, 99991}) {
        strokesInto(folder / "in.wav", frames);
        for (const std::string style : {"auto", "struck", "held", "blend", "sung", "tape"}) {
            if (style != "auto" && frames != 99991) continue;
            for (const auto& [ratio, value] :
                 {std::pair("1", 1.0), {"0.7", 0.7}, {"1.25", 1.25}, {"1.0004", 1.0004}}) {
                const auto r = run(call("fit " + quoted(folder / "in.wav") + " " + quoted(folder / "out.wav") +
                                        " --overwrite --ratio " + ratio + " --style " + style));
                ASSERT_EQ(r.status, 0) << r.err;
                const auto out = sound::read(folder / "out.wav", 0);
                ASSERT_TRUE(out);
                EXPECT_EQ(out->audio.frames().value, std::llround(frames * value)) << style << ratio;
                if (value == 1) {
                    EXPECT_EQ(out->content, sound::read(folder / "in.wav", 0)->content) << style;
                }
                const json j = objects(r.out).at(0);
                for (const char* key : {"from_bpm", "by", "bpm"})
                    EXPECT_TRUE(j.at(key).is_null()) << key;
                EXPECT_FALSE(sound::readTags(folder / "out.wav").bpm);
            }
        }
    }
}

TEST(Ratio, NamesInAFolderSayNoTempo) {
    const Folder folder;
    strokesInto(folder / "winch_120bpm.wav");
    const auto r = run(call("fit " + quoted(folder / "winch_120bpm.wav") + " --out " + quoted(folder / "out") +
                            " --ratio 1.5 --style struck"));
    ASSERT_EQ(r.status, 0) << r.err;
    EXPECT_TRUE(fs::exists(folder / "out" / "winch.wav")) << r.out;
}

// 174,000 frames of a loop of 176,400, at 44.1 kHz.
TEST(Beats, ALoopThatWasCutALittleShortComesOutAsWholeBeats) {
    const Folder folder;
    for (const int frames : {174000, 176400, 175001}) {
        std::vector<std::int64_t> at;
        for (int i = 0; i < 8; ++i)
            at.push_back(i * 22050);
        support::writeSound(folder / "clicks.wav", support::strokes(at, frames / 44100.0, 44100),
                            SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        for (const auto& [said, bpm] : {std::pair("120", 120.0), {"104", 104.0}, {"93.7", 93.7}}) {
            const auto r = run(call("fit " + quoted(folder / "clicks.wav") + " " + quoted(folder / "out.wav") +
                                    " --overwrite --to " + said));
            ASSERT_EQ(r.status, 0) << r.err;
            EXPECT_EQ(sound::read(folder / "out.wav", 0)->audio.frames().value, std::llround(8 * 60 / bpm * 44100))
                << frames << " to " << bpm;
        }
    }
}

TEST(Lists, LinesMayEndAsOtherSystemsEndThemAndZeroesAreAskedFor) {
    const Folder folder;
    strokesInto(folder / "a_120bpm.wav");
    strokesInto(folder / "b_120bpm.wav");
    const std::string a = (folder / "a_120bpm.wav").string();
    const std::string b = (folder / "b_120bpm.wav").string();
    support::writeBytes(folder / "crlf", a + "\r\n" + b + "\r\n");
    support::writeBytes(folder / "zeros", a + '\0' + b + '\0');
    const auto crlf = run(call("read - < " + quoted(folder / "crlf")));
    EXPECT_EQ(crlf.status, 0) << crlf.err;
    EXPECT_EQ(objects(crlf.out).size(), 2U);
    for (const char* command :
         {"read -", "check --bpm 120 -", "meet -", "tag --bpm 120 -", "fit - --to 99 --out x"}) {
        const auto zeros = run("cd " + quoted(folder.path()) + " && " + call(command) + " < zeros");
        EXPECT_EQ(zeros.status, 2) << command;
        EXPECT_NE(zeros.err.find("-0"), std::string::npos) << zeros.err;
        EXPECT_TRUE(zeros.out.empty()) << zeros.out;
    }
    EXPECT_EQ(objects(run(call("read -0 - < " + quoted(folder / "zeros"))).out).size(), 2U);
    // One file to fit may come from a list, too.
    support::writeBytes(folder / "one", a + "\n");
    const auto fitted = run(call("fit - " + quoted(folder / "out.wav") + " --to 99 < " + quoted(folder / "one")));
    EXPECT_EQ(fitted.status, 0) << fitted.err;
    EXPECT_TRUE(fs::exists(folder / "out.wav"));
    EXPECT_EQ(run(call("fit - " + quoted(folder / "out2.wav") + " --to 99 < " + quoted(folder / "crlf"))).status,
              2);
}

TEST(Names, NothingInThemReachesATerminal) {
    const Folder folder;
    const std::string odd = "bell\a\x1b[31m\nnext_120bpm.wav";
    strokesInto(folder / odd);
    for (const char* command :
         {"read --table", "check --table --bpm 120", "meet --table", "tag --table --bpm 120"}) {
        const auto r =
            run(call(std::string(command) + " " + quoted(folder / odd) + " " + quoted(folder / (odd + "x"))));
        for (const std::string& text : {r.out, r.err}) {
            EXPECT_EQ(text.find('\a'), std::string::npos) << command;
            EXPECT_EQ(text.find('\x1b'), std::string::npos) << command;
            EXPECT_EQ(text.find("\nnext"), std::string::npos) << command;
        }
        EXPECT_NE(r.err.find("\\x1b[31m\\x0anext"), std::string::npos) << command << r.err;
    }
}

TEST(Words, AreOursAndSayWhatIsWrong) {
    const Folder folder;
    strokesInto(folder / "a_120bpm.wav");
    const std::string a = quoted(folder / "a_120bpm.wav");
    support::writeBytes(folder / "list.wav", "milk");
    for (const auto& [arguments, status, reason] : {std::tuple(std::string(), 2, "Say what is to be done"),
                                                    {"fit " + a + " x.doc --to 99", 2, "must end in"},
                                                    {"fit " + a + " --out " + a + " --to 99", 2, "is a file"},
                                                    {"find --limit 0", 2, "1 to 1000000"},
                                                    {"tag " + a + " --replace-loops --bpm 120", 2, "--beats"},
                                                    {"tag " + quoted(folder / "list.wav") + " --bpm 120", 1,
                                                     "list.wav could not be read: it is not an audio file"}}) {
        const auto r = run("cd " + quoted(folder.path()) + " && " + call(arguments));
        EXPECT_EQ(r.status, status) << arguments << r.err;
        EXPECT_NE(r.err.find(reason), std::string::npos) << arguments << "\n" << r.err;
        EXPECT_EQ(std::count(r.err.begin(), r.err.end(), '\n'), 1) << r.err;
    }
    // Those that cannot be read have their place among what meets.
    const auto met = run(call("meet " + a + " " + quoted(folder / "list.wav")));
    EXPECT_EQ(met.status, 1);
    const json files = objects(met.out).at(0).at("files");
    ASSERT_EQ(files.size(), 2U);
    EXPECT_TRUE(files[1].contains("error")) << files;
}

TEST(Words, TheMp3LibraryIsSilent) {
    const Folder folder;
    std::string bytes = support::readBytes(support::demoAudio("heron_whistle.mp3"));
    for (std::size_t i = 3000; i < bytes.size(); i += 997)
        bytes[i] = static_cast<char>(bytes[i] ^ 0x5A);
    support::writeBytes(folder / "broken.mp3", bytes);
    const auto r = run(call("read " + quoted(folder / "broken.mp3")));
    std::istringstream lines(r.err);
    for (std::string line; std::getline(lines, line);)
        EXPECT_EQ(line.substr(0, 8), "pmetre: ") << line;
}

TEST(Outputs, OfTheSameCallAreTheSameToTheByte) {
    const Folder folder;
    strokesInto(folder / "a_120bpm.wav");
    for (const char* ending : {"ogg", "opus", "mp3", "flac", "wav"}) {
        const fs::path out = folder / (std::string("out.") + ending);
        std::string first;
        for (int i = 0; i < 2; ++i) {
            const auto r =
                run(call("fit " + quoted(folder / "a_120bpm.wav") + " " + quoted(out) + " --to 99 --overwrite"));
            ASSERT_EQ(r.status, 0) << r.err;
            if (i == 0) first = support::readBytes(out);
        }
        EXPECT_TRUE(support::readBytes(out) == first) << ending;
        // What another decoder makes of it.
        EXPECT_EQ(run("ffmpeg -v error -i " + quoted(out) + " -f null -").err, "") << ending;
    }
}

TEST(Outputs, WhatIsReplacedHandsOnItsPermissions) {
    const Folder folder;
    strokesInto(folder / "a_120bpm.wav");
    const fs::path out = folder / "out.wav";
    for (const mode_t mode : {mode_t(0600), mode_t(0664), mode_t(0444)}) {
        support::writeBytes(out, "before");
        chmod(out.c_str(), mode);
        ASSERT_EQ(
            run(call("fit " + quoted(folder / "a_120bpm.wav") + " " + quoted(out) + " --to 99 --overwrite")).status,
            0);
        struct stat facts {};
        stat(out.c_str(), &facts);
        EXPECT_EQ(facts.st_mode & 0777, mode);
        fs::remove(out);
    }
    support::writeBytes(out, "before");
    fs::create_hard_link(out, folder / "twin.wav");
    const auto r = run(call("fit " + quoted(folder / "a_120bpm.wav") + " " + quoted(out) + " --to 99 --overwrite"));
    EXPECT_EQ(r.status, 0);
    EXPECT_NE(r.err.find("hard link"), std::string::npos) << "the other name keeps what it was, and that is said";
    EXPECT_TRUE(support::readBytes(folder / "twin.wav") == "before");
}

TEST(Outputs, SixteenBitsAreDitheredAndEveryNameItsOwnWay) {
    const Folder folder;
    // So quiet that rounding alone would leave nothing.
    support::writeSound(folder / "a.wav", support::sine(220, 2, 48000, 1, 0.4 / 32768),
                        SF_FORMAT_WAV | SF_FORMAT_FLOAT);
    for (const char* name : {"x.wav", "y.wav"}) {
        const auto r = run(call("fit " + quoted(folder / "a.wav") + " " + quoted(folder / name) +
                                " --ratio 1.1 --style held --depth 16"));
        ASSERT_EQ(r.status, 0) << r.err;
    }
    const auto x = sound::read(folder / "x.wav", 0)->audio.channels[0];
    const auto y = sound::read(folder / "y.wav", 0)->audio.channels[0];
    double same = 0;
    double own = 0;
    for (std::size_t i = 0; i < x.size(); ++i) {
        own += double(x[i]) * double(x[i]);
        same += double(x[i]) * double(y[i]);
    }
    EXPECT_GT(own, 0) << "something of it is there";
    EXPECT_LT(same / own, 0.6) << "the noises do not add up as one";
}

TEST(Limits, AClipThatReachesBeyondADayIsRefusedByName) {
    const Folder folder;
    fs::copy(support::demoFolder(), folder / "journey", fs::copy_options::recursive);
    const fs::path file = folder / "journey" / "project.json";
    json j = json::parse(support::readBytes(file));
    const json good = j;
    for (const auto& [member, value] : {std::pair("to", 1e9), {"from", -1e9}}) {
        j = good;
        j["tracks"][0]["clips"][0][member] = value;
        support::writeBytes(file, j.dump());
        const auto r = run("timeout 20 " + call("deliver " + quoted(folder / "journey") + " --out " +
                                                quoted(folder / "out") + " --what mix"));
        EXPECT_EQ(r.status, 1) << r.err;
        EXPECT_NE(r.err.find(std::string("“") + member + "” is out of range"), std::string::npos) << r.err;
        EXPECT_NE(r.err.find("90000"), std::string::npos) << "the limit is named";
    }
}

// The processor's time that a process has had, in seconds.
double timeOf(pid_t process) {
    std::istringstream words(support::readBytes("/proc/" + std::to_string(process) + "/stat"));
    std::string word;
    for (int i = 0; i < 13; ++i)
        words >> word;
    double user = 0;
    double system = 0;
    words >> user >> system;
    return (user + system) / double(sysconf(_SC_CLK_TCK));
}

// Asked to end in the middle of long work, each command does so with less than a second of work on each of two
// cores.
TEST(Ending, EveryCommandEndsSoonWhateverRuns) {
    const Folder folder;
    support::writeSound(folder / "long_120bpm.wav", support::noise(600, 48000, 1),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const std::string file = (folder / "long_120bpm.wav").string();
    fs::create_directories(folder / "packs");
    fs::create_hard_link(file, folder / "packs" / "long.wav");
    fs::copy(support::demoFolder(), folder / "journey", fs::copy_options::recursive);
    // Twenty hours of it, to be mixed.
    json j = json::parse(support::readBytes(folder / "journey" / "project.json"));
    for (json& track : j["tracks"])
        for (json& clip : track["clips"])
            if (clip["loop"] == true) clip["to"] = 70000;
    support::writeBytes(folder / "journey" / "project.json", j.dump());
    const std::string out = (folder / "out.wav").string();
    const std::string away = (folder / "away").string();
    const std::vector<std::vector<std::string>> calls{
        {"read", file},
        {"fit", file, out, "--to", "99", "--style", "held"},
        {"fit", file, out, "--ratio", "1.1"},
        {"fit", file, "--out", away, "--to", "99"},
        {"check", file, "--bpm", "120"},
        {"meet", file},
        {"lead", file, "--json"},
        {"scan", (folder / "packs").string()},
        {"tag", file, "--bpm", "120", "--beats", "16"},
        {"deliver", (folder / "journey").string(), "--out", away, "--what", "mix"}};
    setenv("PATIENT_METRE_DATA", (folder / "data").c_str(), 1);
    for (const auto& words : calls) {
        std::vector<char*> arguments{const_cast<char*>("pmetre")};
        for (const std::string& word : words)
            arguments.push_back(const_cast<char*>(word.c_str()));
        arguments.push_back(nullptr);
        const pid_t child = fork();
        if (child == 0) {
            const int nothing = open("/dev/null", O_WRONLY);
            dup2(nothing, STDOUT_FILENO);
            dup2(nothing, STDERR_FILENO);
            std::signal(SIGINT, SIG_DFL);
            execv(PM_PMETRE, arguments.data());
            _exit(127);
        }
        // In the middle of it: a little work was done, and it has not ended.
        int status = 0;
        bool ended = false;
        while (!ended && timeOf(child) < 0.15)
            ended = waitpid(child, &status, WNOHANG) == child;
        ASSERT_FALSE(ended) << words[0] << " has less to do than this test needs";
        const double before = timeOf(child);
        kill(child, SIGINT);
        rusage used{};
        wait4(child, &status, 0, &used);
        const double after = double(used.ru_utime.tv_sec + used.ru_stime.tv_sec) +
                             1e-6 * double(used.ru_utime.tv_usec + used.ru_stime.tv_usec);
        EXPECT_TRUE(WIFSIGNALED(status) && WTERMSIG(status) == SIGINT) << words[0] << " " << status;
        EXPECT_LT(after - before, 2.0) << words[0];
    }
    EXPECT_FALSE(fs::exists(out));
    for (const auto& entry : fs::recursive_directory_iterator(folder.path()))
        EXPECT_EQ(entry.path().filename().native().find("-part-"), std::string::npos) << entry.path();
}

} // namespace
