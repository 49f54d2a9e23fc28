// The library: what is kept, what is found, and what survives.
#include "shelf/library.h"

#include "shelf/own_words.h"
#include "support/files.h"
#include "support/small_disk.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <algorithm>
#include <gmock/gmock.h>
#include <gtest/gtest.h>

namespace {

namespace fs = std::filesystem;
using hear::Key;
using hear::Kind;
using hear::Witness;
using metre::Bpm;
using metre::Seconds;
using shelf::Library;
using shelf::Query;
using support::Folder;
using ::testing::ElementsAre;
using ::testing::UnorderedElementsAre;

struct Made {
    std::string path;
    std::string content;
    std::optional<double> bpm;
    std::optional<Key> key;
    Kind kind = Kind::Struck;
    double seconds = 8;
};

shelf::ReadFile read(const Made& made) {
    shelf::ReadFile file;
    file.listed = {made.path, 1000, 5};
    project::Source s;
    s.file = made.path;
    s.name = fs::path(made.path).stem().string();
    s.content = made.content;
    s.facts = {48000, 1, metre::Frames(std::int64_t(made.seconds * 48000)), "WAV 16-bit"};
    s.key = made.key;
    s.kind = made.kind;
    if (made.bpm) {
        hear::Reading reading;
        reading.by = Witness::Name;
        reading.bpm = Bpm(*made.bpm);
        reading.sureness = 0.9;
        s.readings = {reading};
        s.chosen = Witness::Name;
        s.beats = metre::BeatMap(Bpm(*made.bpm), Seconds(0));
    }
    file.source = s;
    return file;
}

std::unique_ptr<Library> opened(const Folder& folder) {
    auto library = Library::open(folder / "library.sqlite");
    EXPECT_TRUE(library) << library.error().text;
    return std::move(*library);
}

std::vector<std::string> names(const Library& library, const Query& query) {
    const auto ids = library.search(query);
    EXPECT_TRUE(ids) << ids.error().text;
    std::vector<std::string> list;
    const auto entries = library.entries(*ids);
    for (const shelf::Entry& e : *entries)
        list.push_back(e.name);
    return list;
}

std::unique_ptr<Library> withLoops(const Folder& folder) {
    auto library = opened(folder);
    EXPECT_TRUE(library->put({
        read({"/packs/Locks/winch_hands_112bpm.wav", "a", 112, {}}),
        read({"/packs/Locks/keel_bass_Dm.wav", "b", 96, Key{2, true}, Kind::Bass, 5}),
        read({"/packs/Reeds/towpath_accordion.flac", "c", 56, Key{5, false}, Kind::Keys, 25}),
        read({"/packs/Reeds/heron_whistle.wav", "d", 224, Key{6, false}, Kind::Voice, 12}),
        read({"/packs/Reeds/barge_bell.wav", "e", {}, {}, Kind::OneHit, 2}),
    }));
    return library;
}

TEST(Library, FindsByTheBeginningsOfWordsOfNameFolderKindAndKey) {
    const Folder folder;
    const auto library = withLoops(folder);
    Query q;
    EXPECT_EQ(names(*library, q).size(), 5U);
    q.words = "HAND";
    EXPECT_THAT(names(*library, q), ElementsAre("winch_hands_112bpm"));
    q.words = "reeds whis";
    EXPECT_THAT(names(*library, q), ElementsAre("heron_whistle"));
    q.words = "minor";
    EXPECT_THAT(names(*library, q), ElementsAre("keel_bass_Dm"));
    q.words = "one hit";
    EXPECT_THAT(names(*library, q), ElementsAre("barge_bell"));
    q.words = "ands"; // no beginning of a word
    EXPECT_THAT(names(*library, q), ElementsAre());
    for (const char* odd : {"\"", "a\" OR \"b", "NEAR(", "*", "-", "é\xff"}) { // nothing of it is a command
        q.words = odd;
        EXPECT_TRUE(library->search(q)) << odd;
    }
}

TEST(Library, FindsWhatSwingsSo) {
    const Folder folder;
    const auto library = opened(folder);
    const auto swung = [](const char* file, const char* content, std::optional<double> swing) {
        auto one = read({file, content, 100, {}});
        if (swing) {
            one.feel.emplace();
            one.feel->swing = swing;
            one.feel->loose = metre::Seconds(0.004);
        }
        return one;
    };
    ASSERT_TRUE(library->put({swung("/packs/even.wav", "a", 50), swung("/packs/light.wav", "b", 56),
                              swung("/packs/triplets.wav", "c", 66.7), swung("/packs/held.wav", "d", {})}));
    const auto found = [&](const char* words) {
        Query q;
        q.words = words;
        return names(*library, q);
    };
    EXPECT_THAT(found("swing 54-60"), ElementsAre("light"));
    EXPECT_THAT(found("swing 67"), ElementsAre("triplets"));
    EXPECT_THAT(found("packs swing 50-70"), ElementsAre("even", "light", "triplets"));
    EXPECT_THAT(found("light swing 60-70"), ElementsAre());
    EXPECT_THAT(found("swing"), ElementsAre()) << "a word like others";
    Query all;
    const auto entries = library->entries(*library->search(all));
    EXPECT_EQ(entries->at(2).swing, 56.0);
    EXPECT_EQ(entries->at(2).loose, metre::Seconds(0.004));
    EXPECT_FALSE(entries->at(1).feelGrid);
    // The same recording under another name, of which only the content is known.
    ASSERT_TRUE(library->put({swung("/packs/again.wav", "b", {})}));
    EXPECT_THAT(found("again swing 54-60"), ElementsAre("again"));
}

TEST(Library, SaysWhereTempoAndKeyAreKnownFromAlsoAfterAnOlderOneWasOpened) {
    const Folder folder;
    auto tagged = read({"/packs/Locks/sluice_Am.wav", "k", 90, Key{9, true}});
    hear::Reading tag;
    tag.by = Witness::Tag;
    tag.key = Key{9, true};
    tagged.source->readings.push_back(tag);
    const auto keyBy = [](const Library& library) {
        Query q;
        q.words = "sluice";
        const auto entries = library.entries(*library.search(q));
        EXPECT_EQ(entries->size(), 1U);
        EXPECT_EQ(entries->front().by, Witness::Name);
        return entries->front().keyBy;
    };
    {
        auto library = withLoops(folder);
        ASSERT_TRUE(library->put({tagged}));
        EXPECT_EQ(keyBy(*library), Witness::Tag);
    }
    {
        SQLite::Database old((folder / "library.sqlite").string(), SQLite::OPEN_READWRITE);
        for (const char* column : {"key_witness", "feel_grid", "swing", "loose"})
            old.exec(std::string("ALTER TABLE files DROP COLUMN ") + column);
        old.exec("PRAGMA user_version=1");
    }
    auto library = opened(folder);
    EXPECT_EQ(names(*library, {}).size(), 6U) << "nothing is lost";
    EXPECT_EQ(keyBy(*library), std::nullopt);
    ASSERT_TRUE(library->put({tagged}));
    EXPECT_EQ(keyBy(*library), Witness::Tag);
}

TEST(Library, FindsByTempoWithHalvesAndDoublesOnRequest) {
    const Folder folder;
    const auto library = withLoops(folder);
    Query q;
    q.tempo = hear::Window{Bpm(90), Bpm(112)};
    EXPECT_THAT(names(*library, q), UnorderedElementsAre("keel_bass_Dm", "winch_hands_112bpm"));
    q.octaves = true;
    EXPECT_THAT(names(*library, q),
                UnorderedElementsAre("keel_bass_Dm", "winch_hands_112bpm", "towpath_accordion", "heron_whistle"));
}

TEST(Library, FindsByKeyModeKindAndLength) {
    const Folder folder;
    const auto library = withLoops(folder);
    Query q;
    q.key = Key{2, true}; // D minor; F major is its relative, F sharp major is far off
    EXPECT_THAT(names(*library, q), ElementsAre("keel_bass_Dm"));
    q.relation = shelf::KeyRelation::Related;
    EXPECT_THAT(names(*library, q), UnorderedElementsAre("keel_bass_Dm", "towpath_accordion"));
    q.relation = shelf::KeyRelation::Any;
    EXPECT_EQ(names(*library, q).size(), 5U);
    q = {};
    q.mode = shelf::Mode::Major;
    EXPECT_THAT(names(*library, q), UnorderedElementsAre("towpath_accordion", "heron_whistle"));
    q.mode = shelf::Mode::Minor;
    EXPECT_THAT(names(*library, q), ElementsAre("keel_bass_Dm"));
    q.mode = shelf::Mode::Neither;
    EXPECT_THAT(names(*library, q), UnorderedElementsAre("winch_hands_112bpm", "barge_bell"));
    q = {};
    q.kinds = {Kind::Bass, Kind::Voice};
    EXPECT_THAT(names(*library, q), UnorderedElementsAre("keel_bass_Dm", "heron_whistle"));
    q = {};
    q.shortest = Seconds(4);
    q.longest = Seconds(10);
    EXPECT_THAT(names(*library, q), UnorderedElementsAre("keel_bass_Dm", "winch_hands_112bpm"));
}

TEST(Library, FindsWithinAFolderAndNotBesideIt) {
    const Folder folder;
    const auto library = withLoops(folder);
    ASSERT_TRUE(library->put({read({"/packs/Reeds2/other.wav", "z", 100, {}})}));
    Query q;
    q.within = "/packs/Reeds";
    EXPECT_EQ(names(*library, q).size(), 3U);
    q.within = "/packs";
    EXPECT_EQ(names(*library, q).size(), 6U);
}

TEST(Library, WhatLiesDeeperInAFolderIsNotListedWithIt) {
    const Folder folder;
    const auto library = opened(folder);
    ASSERT_TRUE(library->put({read({"/loops/quay/winch.wav", "a", 100, {}}),
                              read({"/loops/quay/night/bell.wav", "b", 90, {}}),
                              read({"/loops/quayside.wav", "c", 80, {}})}));
    const auto in = library->entriesIn("/loops/quay");
    ASSERT_TRUE(in);
    ASSERT_EQ(in->size(), 1U);
    EXPECT_EQ(in->front().file, "/loops/quay/winch.wav");
    EXPECT_EQ(library->entriesIn("/loops/quay/")->size(), 1U);
    EXPECT_EQ(library->entriesIn("/")->size(), 0U);
}

TEST(Library, OrdersByWhatGoesWithTheProject) {
    const Folder folder;
    const auto library = withLoops(folder);
    Query q;
    q.order = shelf::SortedBy::Goes;
    q.projectTempo = Bpm(112);
    q.projectKey = Key{2, true};
    // The same tempo; its half in a related key; its double, far off in key (3 fifths beyond the related ones); a
    // sixth of an octave away; and last what has no tempo.
    EXPECT_THAT(names(*library, q), ElementsAre("winch_hands_112bpm", "towpath_accordion", "keel_bass_Dm",
                                                "heron_whistle", "barge_bell"));
    q.projectTempo = Bpm(96);
    EXPECT_EQ(names(*library, q).front(), "keel_bass_Dm");
}

TEST(Library, OrdersByTempoKeyAndLengthBothWays) {
    const Folder folder;
    const auto library = withLoops(folder);
    Query q;
    q.order = shelf::SortedBy::Tempo;
    EXPECT_EQ(names(*library, q).front(), "towpath_accordion");
    EXPECT_EQ(names(*library, q).back(), "barge_bell") << "no tempo comes last";
    q.order = shelf::SortedBy::Length;
    q.descending = true;
    EXPECT_EQ(names(*library, q).front(), "towpath_accordion");
}

TEST(Library, TheUsersOwnWordsAreFoundAndTakenBack) {
    const Folder folder;
    const auto library = withLoops(folder);
    shelf::OwnWords words{shelf::tagsFrom(" Reed ,dusk, reed"), "for the tunnel", true};
    EXPECT_THAT(words.tags, ElementsAre("dusk", "reed"));
    ASSERT_TRUE(library->setOwn({{"c", words}}));
    Query q;
    q.tags = {"REED"};
    EXPECT_THAT(names(*library, q), ElementsAre("towpath_accordion"));
    q = {};
    q.words = "tunn";
    EXPECT_THAT(names(*library, q), ElementsAre("towpath_accordion"));
    q = {};
    q.favourites = true;
    EXPECT_THAT(names(*library, q), ElementsAre("towpath_accordion"));
    EXPECT_EQ(library->own("c"), words);
    EXPECT_THAT(library->tags(), ElementsAre("dusk", "reed"));
    ASSERT_TRUE(library->setOwn({{"c", {}}}));
    EXPECT_TRUE(names(*library, q).empty());
    q = {};
    q.words = "tunn";
    EXPECT_TRUE(names(*library, q).empty());
}

// The file's place is looked at on the disk: what is not there any more was moved, what still is has a copy.
TEST(Library, AMovedFileIsTheSameEntryAndACopyIsAnother) {
    const Folder folder;
    const auto library = opened(folder);
    const std::string first = folder / "first.wav";
    support::writeBytes(first, "x");
    ASSERT_TRUE(library->put({read({first, "same", 112, {}})}));
    ASSERT_TRUE(library->setOwn({{"same", {{"reed"}, "", false}}}));
    const auto id = library->search({})->front();

    const std::string copy = folder / "copy.wav";
    support::writeBytes(copy, "x");
    EXPECT_THAT(*library->put({read({copy, "same", 112, {}})}), ElementsAre(Library::Came::New));
    EXPECT_EQ(library->size(), 2U);

    fs::remove(first);
    const std::string moved = folder / "moved_100bpm.wav";
    support::writeBytes(moved, "x");
    EXPECT_THAT(*library->put({read({moved, "same", 100, {}})}), ElementsAre(Library::Came::Changed));
    EXPECT_EQ(library->size(), 2U);
    const auto entry = library->entries({id})->front();
    EXPECT_EQ(entry.file, moved);
    EXPECT_EQ(entry.bpm, Bpm(100)) << "its name says another tempo now";
    EXPECT_THAT(entry.own.tags, ElementsAre("reed"));
    Query q;
    q.words = "moved";
    EXPECT_EQ(library->search(q)->size(), 1U);
    q.words = "first";
    EXPECT_TRUE(library->search(q)->empty());
}

TEST(Library, NamesInAnyBytesComeBackAsTheyAre) {
    const Folder folder;
    const auto library = opened(folder);
    const std::string odd = "/packs/\xff\xfe ein\nzwei\"'%.wav";
    ASSERT_TRUE(library->put({read({odd, "a", 112, {}})}));
    ASSERT_TRUE(library->addFolder("/packs/\xff"));
    EXPECT_EQ(library->entries(*library->search({}))->front().file.native(), odd);
    EXPECT_EQ(library->entriesOf({odd})->size(), 1U);
    EXPECT_EQ(library->folders().front().native(), "/packs/\xff");
}

TEST(Library, WhatTheUserSettledIsShownAndTakenBack) {
    const Folder folder;
    const auto library = withLoops(folder);
    const auto bpm = [&] {
        Query q;
        q.words = "winch";
        return library->entries(*library->search(q))->front().bpm;
    };
    ASSERT_TRUE(
        library->settle("a", shelf::Settled{Witness::Typed, metre::BeatMap(Bpm(56), Seconds(0)).pins(), {}}));
    EXPECT_NEAR(bpm()->value, 56, 1e-9);
    EXPECT_EQ(library->size(), 5U);
    ASSERT_TRUE(library->settle("a", std::nullopt));
    EXPECT_NEAR(bpm()->value, 112, 1e-9);
}

// Two copies, one of which is gone: neither settling a tempo nor reading the other again brings it back or forgets
// it.
TEST(Library, AFileThatIsGoneIsStillGoneAfterItsCopyWasChanged) {
    const Folder folder;
    const auto library = opened(folder);
    const std::string here = folder / "here.wav";
    const std::string gone = folder / "gone.wav";
    for (const std::string& file : {here, gone}) {
        support::writeBytes(file, "x");
        ASSERT_TRUE(library->put({read({file, "same", 112, {}})}));
    }
    fs::remove(gone);
    ASSERT_TRUE(library->setGone({library->entriesOf({gone})->front().id}, true));
    const auto isStillGone = [&] {
        const auto entries = library->entriesOf({gone});
        return library->size() == 2 && entries->size() == 1 && entries->front().isGone;
    };
    ASSERT_TRUE(
        library->settle("same", shelf::Settled{Witness::Typed, metre::BeatMap(Bpm(56), Seconds(0)).pins(), {}}));
    EXPECT_TRUE(isStillGone());
    EXPECT_NEAR(library->entriesOf({gone})->front().bpm->value, 56, 1e-9) << "it is the same recording";
    ASSERT_TRUE(library->put({read({here, "same", 112, {}})})); // retagged, say
    EXPECT_TRUE(isStillGone());
}

TEST(Library, ADamagedOneIsBegunAnewWithTheUsersOwnWords) {
    for (const bool wholly : {true, false}) {
        const Folder folder;
        {
            const auto library = withLoops(folder);
            for (int i = 0; i < 400; ++i)
                ASSERT_TRUE(library->put(
                    {read({"/packs/n" + std::to_string(i) + ".wav", "n" + std::to_string(i), 100, {}})}));
            ASSERT_TRUE(library->setOwn({{"c", {{"reed"}, "dusk", true}}}));
            ASSERT_TRUE(library->addFolder("/packs"));
        }
        std::string bytes = support::readBytes(folder / "library.sqlite");
        ASSERT_GT(bytes.size(), 40000U);
        std::fill(bytes.begin() + (wholly ? 0 : 8192), bytes.begin() + 32768, 'x');
        support::writeBytes(folder / "library.sqlite", bytes);
        const auto library = Library::open(folder / "library.sqlite");
        ASSERT_TRUE(library) << library.error().text;
        EXPECT_NE((*library)->told().find("damaged"), std::string::npos);
        EXPECT_EQ((*library)->size(), 0U);
        EXPECT_THAT((*library)->folders(), ElementsAre(fs::path("/packs")));
        ASSERT_TRUE((*library)->put({read({"/packs/Reeds/towpath_accordion.flac", "c", 56, {}})}));
        Query q;
        q.tags = {"reed"};
        EXPECT_EQ((*library)->search(q)->size(), 1U);
        EXPECT_TRUE(fs::exists(folder / "library-damaged-1.sqlite"));
    }
}

TEST(Library, ANewerOneIsRefusedAndLeftAlone) {
    const Folder folder;
    { withLoops(folder); }
    SQLite::Database((folder / "library.sqlite").string(), SQLite::OPEN_READWRITE).exec("PRAGMA user_version=99");
    const auto library = Library::open(folder / "library.sqlite");
    ASSERT_FALSE(library);
    EXPECT_NE(library.error().text.find("newer"), std::string::npos) << library.error().text;
    EXPECT_NE(library.error().text.find("library.sqlite"), std::string::npos) << library.error().text;
    EXPECT_FALSE(fs::exists(folder / "library-damaged-1.sqlite"));
}

TEST(Library, OneThatAnotherProgramHoldsIsRefusedInWordsAndNotLost) {
    const Folder folder;
    const auto library = withLoops(folder);
    SQLite::Database other((folder / "library.sqlite").string(), SQLite::OPEN_READWRITE);
    other.exec("BEGIN EXCLUSIVE");
    EXPECT_EQ(library->search({})->size(), 5U) << "reading goes on";
    const auto put = library->put({read({"/packs/new.wav", "n", 100, {}})});
    ASSERT_FALSE(put);
    EXPECT_NE(put.error().text.find("locked"), std::string::npos) << put.error().text;
    other.exec("ROLLBACK");
    EXPECT_TRUE(library->put({read({"/packs/new.wav", "n", 100, {}})}));
    EXPECT_EQ(library->size(), 6U);
}

TEST(Library, OnAFullDiskItSaysSoAndKeepsWhatItHad) {
    const support::SmallDisk disk(2000);
    auto library = opened(disk.folder());
    std::size_t kept = 0;
    std::string problem;
    for (int i = 0; i < 5000 && problem.empty(); ++i) {
        const std::string number = std::to_string(i);
        const auto put = library->put({read({"/packs/n" + number + ".wav", "c" + number, 100, {}})});
        if (put)
            ++kept;
        else
            problem = put.error().text;
    }
    EXPECT_NE(problem.find("could not be written"), std::string::npos) << problem;
    if (disk.isMounted()) {
        EXPECT_NE(problem.find("full"), std::string::npos) << problem;
    }
    EXPECT_GT(kept, 20U);
    EXPECT_EQ(library->size(), kept);
    library.reset();
    const auto again = Library::open(disk.folder() / "library.sqlite");
    ASSERT_TRUE(again) << again.error().text;
    EXPECT_TRUE((*again)->told().empty()) << (*again)->told();
    EXPECT_EQ((*again)->size(), kept);
}

// Whatever becomes of the database, the words beside it are the only copy and come in again.
TEST(Library, OneThatIsGoneEmptyOrAByteLongTakesTheUsersOwnWordsFromBesideIt) {
    for (const std::optional<std::string>& left :
         {std::optional<std::string>(), std::optional<std::string>(""), std::optional<std::string>("x")}) {
        const Folder folder;
        {
            const auto library = withLoops(folder);
            ASSERT_TRUE(library->setOwn({{"c", {{"reed"}, "dusk", true}}}));
            ASSERT_TRUE(library->addFolder("/packs"));
        }
        for (const char* ending : {"", "-wal", "-shm"})
            fs::remove(folder / (std::string("library.sqlite") + ending));
        if (left) support::writeBytes(folder / "library.sqlite", *left);
        const std::string before = support::readBytes(folder / "library-own.json");
        const auto library = Library::open(folder / "library.sqlite");
        ASSERT_TRUE(library) << library.error().text;
        EXPECT_EQ((*library)->own("c"), (shelf::OwnWords{{"reed"}, "dusk", true}));
        EXPECT_THAT((*library)->folders(), ElementsAre(fs::path("/packs")));
        // What a scan does first.
        ASSERT_TRUE((*library)->addFolder("/packs"));
        EXPECT_EQ(support::readBytes(folder / "library-own.json"), before);
    }
}

TEST(Library, WhenTheUsersOwnWordsBecomeFewerTheOlderOnesStayBeside) {
    const Folder folder;
    const auto library = withLoops(folder);
    ASSERT_TRUE(library->setOwn({{"a", {{"dusk"}, "", false}}, {"c", {{"reed"}, "", true}}}));
    const std::string both = support::readBytes(folder / "library-own.json");
    ASSERT_TRUE(library->setOwn({{"c", {}}}));
    EXPECT_EQ(support::readBytes(folder / "library-own-before-1.json"), both);
    // Many times over there are three of them, the newest among them.
    for (int i = 0; i < 8; ++i) {
        ASSERT_TRUE(library->setOwn({{"c", {{"reed"}, "", true}}}));
        ASSERT_TRUE(library->setOwn({{"c", {}}}));
    }
    int copies = 0;
    for (const auto& entry : fs::directory_iterator(folder.path()))
        copies += entry.path().filename().native().find("-before-") != std::string::npos ? 1 : 0;
    EXPECT_EQ(copies, 3);
}

TEST(Library, WordsBesideItThatCannotBeReadAreKeptAndNotWrittenOver) {
    const Folder folder;
    support::writeBytes(folder / "library-own.json", "{ half of");
    const auto library = Library::open(folder / "library.sqlite");
    ASSERT_TRUE(library) << library.error().text;
    EXPECT_NE((*library)->told().find("could not be taken"), std::string::npos) << (*library)->told();
    ASSERT_TRUE((*library)->addFolder("/packs"));
    EXPECT_EQ(support::readBytes(folder / "library-own-before-1.json"), "{ half of");
}

TEST(Library, WhatCouldNotBeReadIsNotTakenForRead) {
    const Folder folder;
    const auto library = withLoops(folder);
    shelf::ReadFile locked;
    locked.listed = {"/packs/locked.wav", 1000, 5};
    locked.problem = "locked.wav could not be read: you may not read this file.";
    ASSERT_TRUE(library->put({locked}));
    const auto known = library->knownWithin("/packs");
    ASSERT_TRUE(known);
    for (const Library::Known& k : *known)
        EXPECT_EQ(k.isCurrent, k.listed.file != "/packs/locked.wav") << k.listed.file;
}

TEST(Library, WordsThatNothingCanBeLookedForByFindNothing) {
    const Folder folder;
    const auto library = withLoops(folder);
    for (const char* words : {"\"", " _ ", ","}) {
        Query q;
        q.words = words;
        EXPECT_EQ(library->search(q)->size(), 0U) << words;
    }
    Query blank;
    blank.words = "  ";
    EXPECT_EQ(library->search(blank)->size(), 5U) << "nothing was asked for";
}

} // namespace
