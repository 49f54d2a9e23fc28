#include "base/disk.h"
#include "base/utf8.h"
#include "project/describe.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/recovery.h"
#include "project/save.h"
#include "project/settle.h"
#include "project/timing.h"
#include "support/audio.h"
#include "support/files.h"

#include <fmt/format.h>
#include <gtest/gtest.h>
#include <regex>
#include <sndfile.h>
#include <sys/mount.h>
#include <sys/wait.h>
#include <unistd.h>

namespace {

using namespace project;
using support::Folder;

Project withDemoFiles(const std::vector<std::string>& names) {
    Project p = *setTempo({}, Bpm(104));
    p.keys = KeyMap(hear::Key{2, true});
    p.view.snap = metre::Snap::HalfBeat;
    p.view.click = true;
    p.loop = {Beats(4), Beats(12)};
    p.view.looping = true;
    for (const std::string& name : names) {
        auto r = importFile(support::demoAudio(name), p.rate);
        Added added = addSources(p, {r->source});
        auto placed = place(added.project, added.ids[0], {}, Beats(4));
        const std::vector<ClipId> it = {placed->id};
        p = *setTranspose(*setGain(placed->project, it, -2.5), it, 3);
        p = *setFadeOut(*setFadeIn(p, it, {Seconds(0.5), Fade::Shape::Linear}), it, {Seconds(1.25)});
        p = *setLocked(*setPan(*setChannels(p, it, Channels::Swapped), p.tracks[0]->id, -0.25), it, true);
    }
    return p;
}

TEST(Save, WhatIsSavedIsLoaded) {
    const Folder folder;
    const Project p = withDemoFiles({"winch_hands_112bpm.wav", "barge_bell.wav"});
    const auto saved = saveProject(p, folder / "journey", true);
    ASSERT_TRUE(saved) << saved.error().text;
    const auto loaded = loadProject(folder / "journey");
    ASSERT_TRUE(loaded) << loaded.error().text;
    EXPECT_TRUE(loaded->warnings.empty());
    const Project& q = loaded->project;
    EXPECT_EQ(toJson(q, folder / "journey"), toJson(*saved, folder / "journey"));
    EXPECT_EQ(q.tempo, p.tempo);
    EXPECT_EQ(q.keys, p.keys);
    EXPECT_EQ(q.view, p.view);
    EXPECT_EQ(q.loop, p.loop);
    EXPECT_EQ(q.tracks[0]->clips, p.tracks[0]->clips);
    EXPECT_EQ(q.sources[0]->readings, p.sources[0]->readings);
    EXPECT_TRUE(readingBy(*q.sources[0], hear::Witness::Heard)->metre) << "what the accents say is kept too";
    EXPECT_EQ(q.tracks[0]->pan, -0.25);
    EXPECT_EQ(q.sources[0]->readings, p.sources[0]->readings);
    EXPECT_EQ(q.sources[0]->beats, p.sources[0]->beats);
    EXPECT_EQ(q.sources[0]->sound->audio.channels, p.sources[0]->sound->audio.channels);
    EXPECT_FALSE(q.sources[1]->beats);
}

TEST(Save, AudioIsCopiedBitForBitAndTheFolderCanBeMoved) {
    const Folder folder;
    ASSERT_TRUE(saveProject(withDemoFiles({"winch_hands_112bpm.wav"}), folder / "a", true));
    EXPECT_EQ(support::readBytes(folder / "a" / "audio" / "winch_hands_112bpm.wav"),
              support::readBytes(support::demoAudio("winch_hands_112bpm.wav")));
    std::filesystem::rename(folder / "a", folder / "b");
    const auto loaded = loadProject(folder / "b" / "project.json");
    ASSERT_TRUE(loaded);
    EXPECT_TRUE(loaded->warnings.empty());
    EXPECT_TRUE(loaded->project.sources[0]->sound);
}

// Also where the next time nothing is left to be copied.
TEST(Save, WhatAKilledProcessHadHalfCopiedIsClearedAway) {
    const Folder folder;
    std::filesystem::create_directories(folder / "audio");
    const pid_t child = fork();
    if (child == 0) {
        const base::PartFile half(folder / "audio" / "winch.mp3");
        _exit(0); // killed while it copies
    }
    int status = 0;
    waitpid(child, &status, 0);
    ASSERT_FALSE(std::filesystem::is_empty(folder / "audio"));
    ASSERT_TRUE(saveProject({}, folder.path(), true));
    EXPECT_TRUE(std::filesystem::is_empty(folder / "audio"));
}

TEST(Save, TwoFilesOfOneNameStayTwo) {
    const Folder folder;
    std::filesystem::create_directories(folder / "x");
    support::writeSound(folder / "x" / "winch_hands_112bpm.wav", support::sine(440, 1),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    Project p = withDemoFiles({"winch_hands_112bpm.wav"});
    p = addSources(p, {importFile(folder / "x" / "winch_hands_112bpm.wav", p.rate)->source}).project;
    const auto saved = saveProject(p, folder / "p", true);
    ASSERT_TRUE(saved);
    EXPECT_NE(saved->sources[0]->file, saved->sources[1]->file);
    EXPECT_TRUE(loadProject(folder / "p")->warnings.empty());
    ASSERT_TRUE(saveProject(*saved, folder / "p", true)) << "saving again copies nothing twice";
    int files = 0;
    for ([[maybe_unused]] const auto& e : std::filesystem::directory_iterator(folder / "p" / "audio"))
        ++files;
    EXPECT_EQ(files, 2);
}

TEST(Save, AnyFileNameSurvives) {
    const Folder folder;
    const std::string name = "a\xff\xfe канал \"quoted\" 112bpm.wav";
    std::filesystem::copy_file(support::demoAudio("winch_hands_112bpm.wav"), folder / name);
    Project p = addSources({}, {importFile(folder / name, 48000)->source}).project;
    ASSERT_TRUE(saveProject(p, folder / "refers", false));
    const auto refers = loadProject(folder / "refers");
    ASSERT_TRUE(refers) << refers.error().text;
    EXPECT_TRUE(refers->warnings.empty());
    EXPECT_EQ(refers->project.sources[0]->file, folder / name);
    ASSERT_TRUE(saveProject(p, folder / "copies", true));
    EXPECT_TRUE(loadProject(folder / "copies")->warnings.empty());
}

TEST(Load, MissingAudioIsKeptSilentAndNamed) {
    const Folder folder;
    ASSERT_TRUE(saveProject(withDemoFiles({"winch_hands_112bpm.wav", "barge_bell.wav"}), folder / "p", true));
    std::filesystem::remove(folder / "p" / "audio" / "barge_bell.wav");
    const auto loaded = loadProject(folder / "p");
    ASSERT_TRUE(loaded);
    ASSERT_EQ(loaded->warnings.size(), 1U);
    EXPECT_NE(loaded->warnings[0].find("barge_bell.wav"), std::string::npos);
    EXPECT_EQ(loaded->project.sources.size(), 2U);
    EXPECT_FALSE(loaded->project.sources[1]->sound);
    EXPECT_EQ(allClips(loaded->project).size(), 2U);
    // Saving it again loses nothing of what is known.
    ASSERT_TRUE(saveProject(loaded->project, folder / "p", true));
    EXPECT_EQ(loadProject(folder / "p")->project.sources.size(), 2U);
}

TEST(Load, ChangedAudioIsTold) {
    const Folder folder;
    ASSERT_TRUE(saveProject(withDemoFiles({"winch_hands_112bpm.wav"}), folder / "p", true));
    support::writeSound(folder / "p" / "audio" / "winch_hands_112bpm.wav", support::sine(440, 3),
                        SF_FORMAT_WAV | SF_FORMAT_PCM_16);
    const auto loaded = loadProject(folder / "p");
    ASSERT_EQ(loaded->warnings.size(), 1U);
    EXPECT_NE(loaded->warnings[0].find("other audio"), std::string::npos);
}

TEST(Load, DamageIsRefusedWithTheFileAndTheReason) {
    const Folder folder;
    ASSERT_TRUE(saveProject(withDemoFiles({"winch_hands_112bpm.wav"}), folder / "p", true));
    const std::string good = support::readBytes(folder / "p" / "project.json");
    const auto refused = [&](const std::string& text, const std::string& reason) {
        support::writeBytes(folder / "p" / "project.json", text);
        const auto r = loadProject(folder / "p");
        ASSERT_FALSE(r) << reason;
        EXPECT_NE(r.error().text.find("project.json"), std::string::npos) << r.error().text;
        EXPECT_NE(r.error().text.find(reason), std::string::npos) << r.error().text;
    };
    const auto changed = [&](const std::string& from, const std::string& to) {
        std::string text = good;
        const auto at = text.find(from);
        EXPECT_NE(at, std::string::npos) << from;
        return text.replace(at, from.size(), to);
    };
    refused(good.substr(0, good.size() / 2), "damaged");
    refused("", "damaged");
    refused("[]", "not a Patient Metre project");
    refused("{\"format\": 7}", "not a Patient Metre project");
    const std::string version = fmt::format("\"version\": {}", formatVersion);
    refused(changed(version, fmt::format("\"version\": {}", formatVersion + 1)), "newer");
    refused(changed(version, "\"version\": \"two\""), "not a number");
    refused(changed("\"rate\": 48000", "\"rate\": 0"), "out of range");
    refused(changed("\"bpm\": 104.0", "\"bpm\": -5"), "tempos lie between");
    refused(changed("\"bpm\": 104.0", "\"bpm\": \"fast\""), "not a number");
    refused(changed("\"metre\": \"4/4\"", "\"metre\": \"0/4\""), "not a metre");
    refused(changed("\"method\": \"struck\"", "\"method\": \"magic\""), "no method");
    refused(changed("\"tracks\"", "\"trucks\""), "“tracks” is missing");
    refused(changed("\"kind\": \"struck\"", "\"kind\": \"soup\""), "no kind of sound");
    refused(changed("\"gain\": -2.5", "\"gain\": 1e300"), "out of range");
}

TEST(Load, EveryCutOfTheFileIsSurvived) {
    const Folder folder;
    ASSERT_TRUE(saveProject(withDemoFiles({"barge_bell.wav"}), folder / "p", true));
    const std::string good = support::readBytes(folder / "p" / "project.json");
    for (std::size_t n = 0; n + 2 < good.size(); n += 7)
        EXPECT_FALSE(fromJson(good.substr(0, n), folder / "p", "project.json")) << n;
}

TEST(Save, AFullDiskLeavesTheProjectThatWasThere) {
    const Folder folder;
    const std::filesystem::path disk = folder / "disk";
    std::filesystem::create_directories(disk);
    if (mount("tmpfs", disk.c_str(), "tmpfs", 0, "size=1m") != 0) {
        // Without the right to mount, a folder where a file should be refuses just as surely.
        ASSERT_TRUE(saveProject({}, disk / "p", true));
        const std::string before = support::readBytes(disk / "p" / "project.json");
        std::filesystem::remove(disk / "p" / "audio");
        support::writeBytes(disk / "p" / "audio", "in the way");
        EXPECT_FALSE(saveProject(withDemoFiles({"winch_hands_112bpm.wav"}), disk / "p", true));
        EXPECT_EQ(support::readBytes(disk / "p" / "project.json"), before);
        return;
    }
    EXPECT_TRUE(saveProject({}, disk / "p", true));
    const std::string before = support::readBytes(disk / "p" / "project.json");
    const auto r = saveProject(withDemoFiles({"barge_bell.wav", "winch_hands_112bpm.wav"}), disk / "p", true);
    EXPECT_FALSE(r);
    if (!r) {
        EXPECT_NE(r.error().text.find("disk is full"), std::string::npos) << r.error().text;
    }
    EXPECT_EQ(support::readBytes(disk / "p" / "project.json"), before);
    EXPECT_TRUE(std::filesystem::is_empty(disk / "p" / "audio"));
    umount(disk.c_str());
}

TEST(Recovery, WhatACrashLeftIsFound) {
    const Folder folder;
    const Project p = withDemoFiles({"barge_bell.wav"});
    // A process that autosaves and dies without tidying up.
    const pid_t child = fork();
    if (child == 0) {
        auto mine = Autosave::begin(folder.path());
        (void)(*mine)->write({}, {});
        (void)(*mine)->write(p, "/somewhere/journey");
        _exit(0);
    }
    int status = 0;
    waitpid(child, &status, 0);
    const auto found = findRecoveries(folder.path());
    ASSERT_EQ(found.size(), 1U);
    EXPECT_EQ(found[0].projectFolder, "/somewhere/journey");
    Project back = found[0].project;
    EXPECT_TRUE(loadAudio(back, {}).empty());
    EXPECT_EQ(toJson(back, {}), toJson(p, {}));
    removeRecovery(found[0].file);
    EXPECT_TRUE(std::filesystem::is_empty(folder.path())) << "nor is its lock left";
}

TEST(Recovery, WhatADeadProcessHadHalfWrittenIsClearedAway) {
    const Folder folder;
    const pid_t child = fork();
    if (child == 0) {
        const base::PartFile half(folder / "autosave-1.json");
        _exit(0); // killed while it writes
    }
    int status = 0;
    waitpid(child, &status, 0);
    ASSERT_FALSE(std::filesystem::is_empty(folder.path()));
    EXPECT_TRUE(findRecoveries(folder.path()).empty());
    EXPECT_TRUE(std::filesystem::is_empty(folder.path())) << "by the next one that looks for recoveries";
}

TEST(Recovery, WhatWasWrittenIsFoundThoughTheDiskDoesNotHaveItYet) {
    const Folder folder;
    const Project p = *setTempo({}, Bpm(97));
    {
        auto autosave = Autosave::begin(folder.path());
        ASSERT_TRUE(autosave);
        base::disk::setGate([](base::disk::Step step) { return step == base::disk::Step::Sync ? EIO : 0; });
        const auto written = (*autosave)->write(p, {});
        const auto synced = (*autosave)->sync();
        base::disk::setGate(nullptr);
        EXPECT_TRUE(written) << written.error().text;
        ASSERT_FALSE(synced);
        EXPECT_NE(synced.error().text.find("autosave-"), std::string::npos) << synced.error().text;
    }
    const auto found = findRecoveries(folder.path());
    ASSERT_EQ(found.size(), 1U);
    EXPECT_EQ(toJson(found[0].project, {}), toJson(p, {}));
}

TEST(Recovery, WhatTheDiskHasStaysUntilItHasSomethingNewer) {
    const Folder folder;
    const auto documents = [&] {
        int count = 0;
        for (const auto& entry : std::filesystem::directory_iterator(folder.path()))
            count += entry.path().extension() == ".json" ? 1 : 0;
        return count;
    };
    const auto at = [](double bpm) { return *setTempo({}, Bpm(bpm)); };
    {
        auto begun = Autosave::begin(folder.path());
        ASSERT_TRUE(begun);
        Autosave& autosave = **begun;
        ASSERT_TRUE(autosave.sync()) << "nothing to do";
        ASSERT_TRUE(autosave.write(at(91), {}));
        ASSERT_TRUE(autosave.sync());
        ASSERT_TRUE(autosave.write(at(92), {}));
        ASSERT_TRUE(autosave.write(at(93), {}));
        EXPECT_EQ(documents(), 2) << "the one on the disk, and the newest";
        ASSERT_TRUE(autosave.sync());
        EXPECT_EQ(documents(), 1);
        ASSERT_TRUE(autosave.write(at(94), {}));
        support::writeBytes(autosave.file(), ""); // as a power cut leaves what the disk had not taken
    }
    const auto found = findRecoveries(folder.path());
    ASSERT_EQ(found.size(), 1U);
    EXPECT_EQ(toJson(found[0].project, {}), toJson(at(93), {}));
    removeRecovery(found[0].file);
    EXPECT_TRUE(std::filesystem::is_empty(folder.path())) << "all that its process left";
}

TEST(Recovery, ARunningApplicationsAutosaveIsNotOffered) {
    const Folder folder;
    {
        auto first = Autosave::begin(folder.path());
        auto second = Autosave::begin(folder.path());
        ASSERT_TRUE(first && second);
        ASSERT_TRUE((*first)->write({}, {}));
        ASSERT_TRUE((*second)->write({}, {}));
        EXPECT_NE((*first)->file(), (*second)->file()) << "each has its own, even in one process";
        EXPECT_TRUE(findRecoveries(folder.path()).empty());
        (*first)->end();
        EXPECT_FALSE(std::filesystem::exists((*first)->file()));
        EXPECT_TRUE(std::filesystem::exists((*second)->file()));
    }
    // A process with any id may live: only the lock counts.
    support::writeBytes(folder / ("autosave-" + std::to_string(getpid()) + ".json"), "\n" + toJson({}, {}));
    EXPECT_EQ(findRecoveries(folder.path()).size(), 2U) << "that one, and the one whose owner has gone";
    for (const Recovery& r : findRecoveries(folder.path()))
        removeRecovery(r.file);
    support::writeBytes(folder / "autosave-999999999.json", "\nrubbish");
    EXPECT_TRUE(findRecoveries(folder.path()).empty());
    EXPECT_TRUE(std::filesystem::exists(folder / "autosave-999999999.json")) << "what cannot be read is left alone";
}

TEST(Demo, TheProjectOpensWholeAndPlaysSixteenBars) {
    const auto loaded = loadProject(support::demoFolder());
    ASSERT_TRUE(loaded) << loaded.error().text;
    EXPECT_TRUE(loaded->warnings.empty());
    EXPECT_GE(lay(loaded->project)->end().value, 16 * 4);
    EXPECT_GE(loaded->project.sources.size(), 5U);
    // The format document names every member that is stored.
    const std::string document = support::readBytes(std::filesystem::path(PM_SOURCE_DIR) / "docs" / "format.md");
    ASSERT_GT(storedMembers().size(), 50U);
    for (const StoredMember& m : storedMembers()) {
        EXPECT_NE(document.find("`" + m.name + "`"), std::string::npos)
            << m.name << " of a " << m.of << " is not in docs/format.md";
        EXPECT_LE(m.since, formatVersion);
    }
}

} // namespace
