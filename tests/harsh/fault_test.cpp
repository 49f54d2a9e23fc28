// Each job with every step to the disk failing once: it ends in a sentence, with what was there before or what was
// to be there, never half of it.
#include "deliver/deliver.h"
#include "harsh/refusals.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/recovery.h"
#include "project/save.h"
#include "shelf/exchange.h"
#include "shelf/library.h"
#include "shelf/memory.h"
#include "shelf/scan.h"
#include "sound/audio_store.h"
#include "sound/read.h"
#include "sound/tag_file.h"
#include "support/audio.h"
#include "support/files.h"

#include <cstdlib>
#include <gtest/gtest.h>
#include <map>
#include <sndfile.h>

namespace {

namespace fs = std::filesystem;
using harsh::Outcome;
using harsh::untilNothingFails;
using support::Folder;

Outcome outcomeOf(const base::Result<void>& result) {
    return result ? Outcome{true, {}} : Outcome{false, result.error().text};
}

// All files within a folder, with what is in them.
std::map<std::string, std::string> contents(const fs::path& folder) {
    std::map<std::string, std::string> all;
    for (const auto& entry : fs::recursive_directory_iterator(folder))
        if (entry.is_regular_file())
            all[entry.path().lexically_relative(folder)] = support::readBytes(entry.path());
    return all;
}

struct Fault : ::testing::Test {
    Folder folder;
    static void SetUpTestSuite() { harsh::gateSqlite(); }
    void SetUp() override { setenv("PATIENT_METRE_DATA", (folder / "data").c_str(), 1); }

    fs::path loop(const std::string& name, double seconds = 1.2) const {
        std::vector<std::int64_t> at;
        for (int i = 0; i < 4; ++i)
            at.push_back(std::int64_t(seconds / 4 * 48000) * i);
        const fs::path file = folder / name;
        support::writeSound(file, support::strokes(at, seconds), SF_FORMAT_WAV | SF_FORMAT_PCM_16);
        return file;
    }
    // A new library with these own words in it.
    const std::map<std::string, shelf::OwnWords> words{{"c", {{"reed"}, "dusk", true}}};
    void makeLibrary(const fs::path& file) const {
        fs::remove_all(file.parent_path());
        auto library = shelf::Library::open(file);
        ASSERT_TRUE(library);
        ASSERT_TRUE((*library)->setOwn(words));
    }
    project::Project twoClips() const {
        auto added = project::addSources(*project::setTempo({}, metre::Bpm(180)),
                                         {project::importFile(loop("a_200bpm.wav"), 48000)->source,
                                          project::importFile(loop("b_190bpm.wav"), 48000)->source});
        return project::placeSources(added.project, added.ids, {}, metre::Beats(0))->project;
    }
};

TEST_F(Fault, SavingLeavesTheProjectBeforeOrTheProjectAfter) {
    const project::Project first = twoClips();
    const project::Project then = *project::setTempo(first, metre::Bpm(170));
    const fs::path journey = folder / "journey";
    std::string before;
    std::string after;
    const auto clean = [&] {
        fs::remove_all(journey);
        ASSERT_TRUE(project::saveProject(first, journey, false));
        before = support::readBytes(journey / "project.json");
    };
    const long steps = untilNothingFails(
        clean,
        [&] {
            const auto saved = project::saveProject(then, journey, true);
            return saved ? Outcome{true, {}} : Outcome{false, saved.error().text};
        },
        [&](const Outcome& outcome) {
            const auto all = contents(journey);
            if (outcome.done && after.empty()) after = all.at("project.json");
            EXPECT_TRUE(all.at("project.json") == (outcome.done ? after : before));
            // Copies that no project refers to do not stay.
            EXPECT_EQ(all.size(), outcome.done ? 3U : 1U);
            if (outcome.done) {
                EXPECT_TRUE(all.at("audio/a_200bpm.wav") == support::readBytes(folder / "a_200bpm.wav"));
            }
        });
    EXPECT_GT(steps, 10);
}

TEST_F(Fault, AutosavingKeepsWhatWasAutosavedBefore) {
    const project::Project p = twoClips();
    auto begun = project::Autosave::begin(folder / "recovery");
    ASSERT_TRUE(begun);
    project::Autosave& autosave = **begun;
    fs::path fileBefore;
    std::string before;
    const long steps = untilNothingFails(
        [&] {
            ASSERT_TRUE(autosave.write(p, {}));
            ASSERT_TRUE(autosave.sync());
            fileBefore = autosave.file();
            before = support::readBytes(fileBefore);
        },
        [&] {
            const auto written = autosave.write(*project::setTempo(p, metre::Bpm(99)), {});
            return outcomeOf(written ? autosave.sync() : written);
        },
        [&](const Outcome& outcome) {
            EXPECT_EQ(fs::exists(fileBefore) && support::readBytes(fileBefore) == before, !outcome.done);
            // Something newer that the disk does not have yet may stand beside it.
            EXPECT_EQ(contents(folder / "recovery").size(), autosave.file() == fileBefore || outcome.done ? 2U : 3U)
                << "the documents and their lock";
        });
    EXPECT_GT(steps, 5);
}

TEST_F(Fault, WhatCannotBeRecoveredNowIsStillThereAfterwards) {
    const project::Project p = twoClips();
    const fs::path recovery = folder / "recovery";
    untilNothingFails(
        [&] {
            fs::remove_all(recovery);
            auto autosave = project::Autosave::begin(recovery);
            ASSERT_TRUE(autosave);
            ASSERT_TRUE((*autosave)->write(p, {}));
        },
        [&] {
            const auto found = project::findRecoveries(recovery);
            return Outcome{found.size() == 1, "It was passed over."};
        },
        [&](const Outcome&) { EXPECT_EQ(project::findRecoveries(recovery).size(), 1U); });
}

TEST_F(Fault, ImportingGivesTheWholeSoundOrASentence) {
    for (const char* name : {"a.wav", "a.flac", "a.ogg", "a.mp3", "a.aiff"}) {
        const fs::path file = folder / name;
        const auto made = support::run("ffmpeg -v error -y -i " + support::quoted(loop("x_200bpm.wav")) + " " +
                                       support::quoted(file));
        ASSERT_EQ(made.status, 0) << made.err;
        const auto whole = project::importFile(file, 44100);
        ASSERT_TRUE(whole);
        std::optional<project::ImportedSource> got;
        untilNothingFails([&] { got.reset(); },
                          [&] {
                              auto imported = project::importFile(file, 44100);
                              if (!imported) return Outcome{false, imported.error().text};
                              got = std::move(*imported);
                              return Outcome{true, {}};
                          },
                          [&](const Outcome& outcome) {
                              if (!outcome.done) return;
                              EXPECT_EQ(got->source.content, whole->source.content) << name;
                              EXPECT_EQ(got->source.readings, whole->source.readings) << name;
                              EXPECT_TRUE(got->source.sound->audio.channels == whole->source.sound->audio.channels)
                                  << name;
                          });
    }
}

TEST_F(Fault, DeliveringWritesEachFileWholeOrNotAtAll) {
    const project::Project p = twoClips();
    const auto laid = project::lay(p);
    deliver::Order order;
    order.what = {deliver::What::Loops, deliver::What::Stems, deliver::What::Mix, deliver::What::Map};
    order.clips = project::allClips(p);
    order.folder = folder / "out";
    order.kind = sound::FileKind::Flac;
    order.title = "journey";
    std::map<std::string, std::string> all;
    std::vector<deliver::Planned> plan;
    deliver::Delivered came;
    untilNothingFails(
        [&] {
            fs::remove_all(order.folder);
            plan = *deliver::plan(*laid, order);
        },
        [&] {
            came = {};
            came = deliver::deliver(laid, plan, order);
            const bool done = came.written.size() == plan.size() && came.problems.empty();
            return Outcome{done, came.problems.empty() ? std::string() : came.problems.front()};
        },
        [&](const Outcome& outcome) {
            std::error_code error;
            const auto there =
                fs::exists(order.folder, error) ? contents(order.folder) : std::map<std::string, std::string>();
            if (outcome.done && all.empty()) all = there;
            for (const auto& [name, bytes] : there)
                EXPECT_TRUE(all.count(name) > 0 && all.at(name) == bytes)
                    << name << " " << bytes.size() << " " << (all.count(name) > 0 ? all.at(name).size() : 0);
            for (const fs::path& file : came.written)
                EXPECT_EQ(there.count(file.filename()), 1U) << file;
            if (outcome.done) {
                EXPECT_TRUE(there == all);
            }
        });
}

TEST_F(Fault, TaggingLeavesTheFileBeforeOrTheFileAfter) {
    loop("plain.wav");
    for (const char* name : {"a.wav", "a.flac", "a.mp3", "a.aiff", "a.ogg"}) {
        const fs::path file = folder / "tagged" / name;
        const fs::path original = folder / name;
        fs::create_directories(file.parent_path());
        ASSERT_EQ(support::run("ffmpeg -v error -y -i " + support::quoted(folder / "plain.wav") + " " +
                               support::quoted(original))
                      .status,
                  0);
        const std::string before = support::readBytes(original);
        std::string after;
        untilNothingFails(
            [&] {
                fs::remove_all(file.parent_path());
                fs::create_directories(file.parent_path());
                fs::copy_file(original, file);
            },
            [&] {
                sound::LoopInfo info;
                info.rootNote = 62;
                return outcomeOf(sound::tagFile(file, {metre::Bpm(200), "Dm", {}}, info));
            },
            [&](const Outcome& outcome) {
                const auto all = contents(file.parent_path());
                EXPECT_EQ(all.size(), 1U) << "no part stays";
                if (outcome.done && after.empty()) after = all.at(name);
                EXPECT_TRUE(all.at(name) == (outcome.done ? after : before)) << name;
            });
    }
}

TEST_F(Fault, ScanningNamesWhatItMissesAndFindsItTheNextTime) {
    fs::create_directories(folder / "packs");
    for (const char* name : {"packs/a_200bpm.wav", "packs/b_190bpm.wav"})
        loop(name);
    const fs::path database = folder / "library" / "library.sqlite";
    untilNothingFails([&] { fs::remove_all(database.parent_path()); },
                      [&] {
                          auto library = shelf::Library::open(database);
                          if (!library) return Outcome{false, library.error().text};
                          if (auto added = (*library)->addFolder(folder / "packs"); !added)
                              return Outcome{false, added.error().text};
                          const auto scanned = shelf::scan(**library, {folder / "packs"});
                          if (!scanned) return Outcome{false, scanned.error().text};
                          if (scanned->failed > 0) return Outcome{false, scanned->problems.front()};
                          return Outcome{scanned->fresh == 2, "It has found less."};
                      },
                      [&](const Outcome&) {
                          auto library = shelf::Library::open(database);
                          ASSERT_TRUE(library) << library.error().text;
                          EXPECT_TRUE((*library)->told().find("damaged") == std::string::npos)
                              << (*library)->told();
                          const auto scanned = shelf::scan(**library, {folder / "packs"});
                          ASSERT_TRUE(scanned);
                          EXPECT_EQ(scanned->failed, 0U);
                          EXPECT_EQ((*library)->search({})->size(), 2U);
                      });
}

TEST_F(Fault, WhatIsSettledIsKeptOrSaidNotToBe) {
    const fs::path file = folder / "memory" / "settled.sqlite";
    shelf::Settled settled;
    settled.pins = {{metre::Seconds(0), metre::Beats(0)}, {metre::Seconds(1), metre::Beats(2)}};
    untilNothingFails([&] { fs::remove_all(file.parent_path()); },
                      [&] {
                          auto memory = shelf::Memory::open(file);
                          if (!memory) return Outcome{false, memory.error().text};
                          return outcomeOf((*memory)->remember("reed", settled));
                      },
                      [&](const Outcome& outcome) {
                          const auto memory = shelf::Memory::open(file);
                          ASSERT_TRUE(memory) << memory.error().text;
                          const auto there = (*memory)->recall("reed");
                          if (outcome.done) {
                              EXPECT_EQ(there, settled);
                          }
                      });
}

TEST_F(Fault, TheUsersOwnWordsAreInTheDatabaseOrBesideItAlways) {
    const fs::path file = folder / "library" / "library.sqlite";
    untilNothingFails([&] { makeLibrary(file); },
                      [&] {
                          auto library = shelf::Library::open(file);
                          if (!library) return Outcome{false, library.error().text};
                          return outcomeOf((*library)->setOwn({{"d", {{"lock"}, "", false}}}));
                      },
                      [&](const Outcome& outcome) {
                          {
                              auto library = shelf::Library::open(file);
                              ASSERT_TRUE(library) << library.error().text;
                              EXPECT_EQ((*library)->own("c"), words.at("c"));
                              if (outcome.done) {
                                  EXPECT_EQ((*library)->own("d").tags, std::vector<std::string>{"lock"});
                              }
                          }
                          const auto beside =
                              shelf::ownWordsFrom(support::readBytes(file.parent_path() / "library-own.json"));
                          ASSERT_TRUE(beside);
                          EXPECT_EQ(beside->of.at("c"), words.at("c"));
                      });
}

TEST_F(Fault, ALibraryIsWrittenAsTextAndTakenInWholeOrNotAtAll) {
    const fs::path from = folder / "from" / "library.sqlite";
    const fs::path into = folder / "into" / "library.sqlite";
    const fs::path file = folder / "library.jsonl";
    makeLibrary(from);
    std::string whole;
    const auto told = [](const auto& done) { return done ? Outcome{true, {}} : Outcome{false, done.error().text}; };
    untilNothingFails([&] { fs::remove(file); },
                      [&] {
                          auto library = shelf::Library::open(from);
                          if (!library) return Outcome{false, library.error().text};
                          return told(shelf::exportLibrary(**library, file));
                      },
                      [&](const Outcome& outcome) {
                          EXPECT_EQ(fs::exists(file), outcome.done);
                          if (outcome.done) whole = support::readBytes(file);
                      });
    ASSERT_NE(whole.find("dusk"), std::string::npos);
    untilNothingFails([&] { fs::remove_all(into.parent_path()); },
                      [&] {
                          auto library = shelf::Library::open(into);
                          if (!library) return Outcome{false, library.error().text};
                          return told(shelf::takeLibrary(**library, file));
                      },
                      [&](const Outcome& outcome) {
                          auto library = shelf::Library::open(into);
                          ASSERT_TRUE(library) << library.error().text;
                          if (outcome.done) {
                              EXPECT_EQ((*library)->own("c"), words.at("c"));
                          }
                      });
}

TEST_F(Fault, ADatabaseThatIsBegunAnewLosesNoWordBesideIt) {
    const fs::path file = folder / "library" / "library.sqlite";
    untilNothingFails(
        [&] {
            makeLibrary(file);
            for (const char* ending : {"", "-wal", "-shm"})
                fs::remove(file.native() + ending);
        },
        [&] {
            auto library = shelf::Library::open(file);
            if (!library) return Outcome{false, library.error().text};
            return outcomeOf((*library)->addFolder("/packs"));
        },
        [&](const Outcome&) {
            auto library = shelf::Library::open(file);
            ASSERT_TRUE(library) << library.error().text;
            EXPECT_EQ((*library)->own("c"), words.at("c"));
        });
}

TEST_F(Fault, TheStoreGivesTheSoundOrTheFileIsReadIntoMemory) {
    const fs::path file = loop("a_200bpm.wav");
    const auto whole = project::readSource(file, 48000);
    ASSERT_TRUE(whole);
    std::optional<project::ReadSource> got;
    untilNothingFails(
        [&] {
            got.reset();
            fs::remove_all(folder / "store");
        },
        [&] {
            sound::AudioStore store(folder / "store", std::int64_t(1) << 30);
            for (int twice = 0; twice < 2; ++twice) {
                auto read = project::readSource(file, {48000, &store});
                if (!read) return Outcome{false, read.error().text};
                got = std::move(*read);
                store.settle();
                EXPECT_TRUE(got->sound->audio.channels == whole->sound->audio.channels);
            }
            return Outcome{true, {}};
        },
        [&](const Outcome& outcome) {
            if (!outcome.done) return;
            EXPECT_EQ(got->content, whole->content);
            for (const auto& [name, bytes] : contents(folder / "store"))
                EXPECT_NE(fs::path(name).extension(), ".draft") << name;
        });
}

} // namespace
