#include "shelf/library.h"

#include "base/disk.h"
#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "project/save.h"
#include "project/settle.h"
#include "shelf/database.h"
#include "shelf/query_sql.h"
#include "shelf/rows.h"

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstring>
#include <fmt/format.h>

namespace shelf {

namespace fs = std::filesystem;

namespace {

void makeLibrary(SQLite::Database& d) {
    d.exec("CREATE TABLE files (id INTEGER PRIMARY KEY, path BLOB NOT NULL UNIQUE, bytes INTEGER NOT NULL,"
           " changed INTEGER NOT NULL, content TEXT NOT NULL, name TEXT NOT NULL, bpm REAL, maybe INTEGER NOT NULL,"
           " free INTEGER NOT NULL, witness TEXT NOT NULL, beats INTEGER, key INTEGER, kind TEXT NOT NULL,"
           " seconds REAL NOT NULL, heard INTEGER NOT NULL, gone INTEGER NOT NULL, problem TEXT NOT NULL)");
    d.exec("CREATE INDEX files_content ON files (content)");
    // All that a search without conditions looks at, in its order.
    d.exec("CREATE INDEX files_in_order ON files (name COLLATE NOCASE, bpm, key, seconds)");
    // All of what is known, apart: searching walks through the files alone.
    d.exec("CREATE TABLE sources (id INTEGER PRIMARY KEY, source TEXT NOT NULL)");
    d.exec("CREATE TABLE own (content TEXT PRIMARY KEY, notes TEXT NOT NULL, favourite INTEGER NOT NULL) WITHOUT "
           "ROWID");
    d.exec("CREATE TABLE own_tags (content TEXT NOT NULL, tag TEXT NOT NULL, PRIMARY KEY (content, tag)) WITHOUT "
           "ROWID");
    d.exec("CREATE INDEX own_by_tag ON own_tags (tag)");
    d.exec("CREATE TABLE folders (path BLOB PRIMARY KEY) WITHOUT ROWID");
    d.exec("CREATE VIRTUAL TABLE words USING fts5 (name, place, own, sound,"
           " tokenize = 'unicode61 remove_diacritics 2', prefix = '2 3')");
}
// Files that were read before say so again once they are changed.
void addKeyWitness(SQLite::Database& d) {
    d.exec("ALTER TABLE files ADD COLUMN key_witness TEXT NOT NULL DEFAULT ''");
}
// So do those that were listened to before feel was told.
void addFeel(SQLite::Database& d) {
    d.exec("ALTER TABLE files ADD COLUMN feel_grid TEXT");
    d.exec("ALTER TABLE files ADD COLUMN swing REAL");
    d.exec("ALTER TABLE files ADD COLUMN loose REAL");
}
constexpr std::array<Migration, 3> libraryVersions = {makeLibrary, addKeyWitness, addFeel};

} // namespace

Library::Library(std::unique_ptr<Database> database, fs::path file)
    : database_(std::move(database)), file_(std::move(file)) {}
Library::~Library() = default;

fs::path libraryFile() {
    return base::dataFolder() / "library.sqlite";
}

namespace {

enum class State { Whole, Damaged, Unknown };

// Unknown, with the reason, where the check itself could not be done: no memory, no right to read, another program.
State stateOf(SQLite::Database& d, std::string& why) {
    try {
        SQLite::Statement check(d, "PRAGMA quick_check(1)");
        return check.executeStep() && check.getColumn(0).getString() == "ok" ? State::Whole : State::Damaged;
    } catch (const SQLite::Exception& e) {
        why = e.what();
        return saysDamaged(e) ? State::Damaged : State::Unknown;
    } catch (const std::exception& e) {
        why = e.what();
        return State::Unknown;
    }
}

// Puts a damaged database aside, with what belongs to it. Where it is afterwards.
Result<fs::path> putAside(const fs::path& file) {
    fs::path aside;
    std::error_code error;
    for (int i = 1; aside.empty() || fs::exists(aside, error); ++i)
        aside = file.parent_path() / fmt::format("{}-damaged-{}.sqlite", file.stem().string(), i);
    if (base::disk::rename(file, aside) != 0) return base::problem(std::strerror(errno));
    // What was written last may stand only in these.
    for (const char* ending : {"-wal", "-shm"})
        static_cast<void>(base::disk::rename(file.native() + ending, aside.native() + ending));
    return aside;
}

// What SQLite takes for a new database although a file stands there.
bool isTooSmall(const fs::path& file) {
    std::error_code error;
    const auto bytes = fs::file_size(file, error);
    return !error && bytes < 100; // the head of any database
}

} // namespace

Result<std::unique_ptr<Library>> Library::open(const fs::path& file) {
    const std::string what = fmt::format("The library could not be opened from {}", base::shownPath(file));
    bool damaged = false;
    std::error_code error;
    const bool wasThere = fs::exists(file, error);
    auto opened = wasThere && isTooSmall(file) && fs::file_size(file, error) > 0
                      ? Result<std::unique_ptr<Database>>(base::problem(what))
                      : openDatabase(file, libraryVersions, what, &damaged);
    if (!opened && wasThere && isTooSmall(file)) damaged = true;
    if (opened) {
        std::string why;
        const State state = stateOf((*opened)->sqlite, why);
        if (state == State::Unknown) return base::problem(fmt::format("{}: {}.", what, why));
        damaged = state == State::Damaged;
        if (damaged) opened->reset();
    }
    if (!opened && !damaged) return tl::unexpected(opened.error());
    std::string told;
    if (damaged) {
        const auto aside = putAside(file);
        if (!aside) return base::problem(fmt::format("{}: it is damaged.", what));
        opened = openDatabase(file, libraryVersions, what);
        if (!opened) return tl::unexpected(opened.error());
        told = fmt::format("The library was damaged and has been begun anew; the damaged one is kept as {}.",
                           base::shownName(*aside));
    }
    std::unique_ptr<Library> library(new Library(std::move(*opened), file));
    library->told_ = told;
    auto taken = library->takeOwn(damaged);
    if (!taken) return tl::unexpected(taken.error());
    return library;
}

std::vector<fs::path> Library::folders() const {
    const std::lock_guard lock(mutex_);
    auto list = used(notRead, [&] {
        std::vector<fs::path> found;
        SQLite::Statement all(database_->sqlite, "SELECT path FROM folders ORDER BY path");
        while (all.executeStep())
            found.push_back(pathOf(all.getColumn(0)));
        return found;
    });
    return list ? std::move(*list) : std::vector<fs::path>();
}

Result<void> Library::addFolder(const fs::path& folder) {
    auto done = addFolderOnly(folder);
    const std::lock_guard lock(mutex_);
    return done ? exportOwn() : done;
}

Result<void> Library::addFolderOnly(const fs::path& folder) {
    const std::lock_guard lock(mutex_);
    return used(notKept, [&] {
        SQLite::Statement put(database_->sqlite, "INSERT OR REPLACE INTO folders VALUES (?)");
        bindPath(put, 1, folder);
        put.exec();
    });
}

Result<void> Library::removeFolder(const fs::path& folder) {
    const std::lock_guard lock(mutex_);
    auto done = used(notKept, [&] {
        SQLite::Statement put(database_->sqlite, "DELETE FROM folders WHERE path = ?");
        bindPath(put, 1, folder);
        put.exec();
    });
    return done ? exportOwn() : done;
}

Result<std::vector<Library::Known>> Library::knownWithin(const fs::path& folder) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        std::vector<Known> list;
        SQLite::Statement all(database_->sqlite, "SELECT id, path, bytes, changed, gone, heard, problem FROM files"
                                                 " WHERE path > ? AND path < ? ORDER BY path");
        const auto [from, to] = boundsOf(folder);
        bindBytes(all, 1, from);
        bindBytes(all, 2, to);
        while (all.executeStep()) {
            Known known;
            known.id = all.getColumn(0).getInt64();
            known.listed = {pathOf(all.getColumn(1)), all.getColumn(2).getInt64(), all.getColumn(3).getInt64()};
            known.isGone = all.getColumn(4).getInt() != 0;
            // What could not be read may be readable now, though the file is the same: rights, room and memory
            // change.
            known.isCurrent =
                all.getColumn(5).getInt() == hear::listenVersion && all.getColumn(6).getString().empty();
            list.push_back(std::move(known));
        }
        return list;
    });
}

Result<std::vector<Library::Came>> Library::put(const std::vector<ReadFile>& files) {
    const std::lock_guard lock(mutex_);
    return used(notKept, [&] {
        std::vector<Came> came;
        came.reserve(files.size());
        SQLite::Transaction all(database_->sqlite, SQLite::TransactionBehavior::IMMEDIATE);
        Writer writer(database_->sqlite);
        for (const ReadFile& file : files)
            came.push_back(writer.put(file));
        all.commit();
        return came;
    });
}

Result<void> Library::take(const std::vector<ReadFile>& files) {
    const std::lock_guard lock(mutex_);
    return used(notKept, [&] {
        SQLite::Transaction all(database_->sqlite, SQLite::TransactionBehavior::IMMEDIATE);
        Writer writer(database_->sqlite);
        for (const ReadFile& file : files)
            writer.take(file);
        all.commit();
    });
}

Result<void> Library::eachFile(const std::function<bool(const ReadFile&)>& each) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        SQLite::Statement all(
            database_->sqlite,
            "SELECT f.path, f.bytes, f.changed, f.problem, s.source, f.feel_grid, f.swing, f.loose"
            " FROM files f LEFT JOIN sources s ON s.id = f.id WHERE f.gone = 0 ORDER BY f.path");
        while (all.executeStep()) {
            ReadFile file;
            file.listed = {pathOf(all.getColumn(0)), all.getColumn(1).getInt64(), all.getColumn(2).getInt64()};
            file.problem = all.getColumn(3).getString();
            if (!all.getColumn(4).isNull()) file.source = project::sourceFromJson(all.getColumn(4).getString());
            if (!all.getColumn(5).isNull()) {
                hear::Feel feel;
                feel.grid = hear::feelGridFromWord(all.getColumn(5).getString()).value_or(feel.grid);
                if (!all.getColumn(6).isNull()) feel.swing = all.getColumn(6).getDouble();
                if (!all.getColumn(7).isNull()) feel.loose = metre::Seconds(all.getColumn(7).getDouble());
                file.feel = feel;
            }
            if (!each(file)) return;
        }
    });
}

Result<void> Library::setGone(const std::vector<std::int64_t>& ids, bool gone) {
    const std::lock_guard lock(mutex_);
    return used(notKept, [&] {
        SQLite::Transaction all(database_->sqlite, SQLite::TransactionBehavior::IMMEDIATE);
        SQLite::Statement set(database_->sqlite, "UPDATE files SET gone = ? WHERE id = ?");
        for (const std::int64_t id : ids) {
            set.reset();
            set.bind(1, gone ? 1 : 0);
            set.bind(2, id);
            set.exec();
        }
        all.commit();
    });
}

Result<std::vector<std::int64_t>> Library::search(const Query& query) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        const Conditions conditions = conditionsOf(query);
        SQLite::Statement find(database_->sqlite, "SELECT id, bpm, key FROM files" + conditions.text +
                                                      " ORDER BY " + sqlOrder(query.order));
        int at = 1;
        for (const auto& bind : conditions.binds)
            bind(find, at++);
        struct Hit {
            std::int64_t id;
            double worth;
        };
        std::vector<Hit> hits;
        while (find.executeStep()) {
            const SQLite::Column bpm = find.getColumn(1);
            const SQLite::Column key = find.getColumn(2);
            Hit hit{find.getColumn(0).getInt64(), 0};
            if (query.order == SortedBy::Goes)
                hit.worth = goesWith(bpm.isNull() ? std::nullopt : std::optional(metre::Bpm(bpm.getDouble())),
                                     key.isNull() ? std::nullopt : std::optional(keyFrom(key.getInt())),
                                     query.projectTempo, query.projectKey);
            else if (query.order == SortedBy::Key)
                hit.worth =
                    key.isNull() ? 100 : hear::signatureOf(keyFrom(key.getInt())) + (key.getInt() >= 12 ? 0.5 : 0);
            hits.push_back(hit);
        }
        if (query.order == SortedBy::Goes || query.order == SortedBy::Key)
            std::stable_sort(hits.begin(), hits.end(),
                             [](const Hit& a, const Hit& b) { return a.worth < b.worth; });
        std::vector<std::int64_t> ids;
        ids.reserve(hits.size());
        for (const Hit& hit : hits)
            ids.push_back(hit.id);
        if (query.descending) std::reverse(ids.begin(), ids.end());
        return ids;
    });
}

Result<std::vector<Entry>> Library::entries(const std::vector<std::int64_t>& ids) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        std::vector<Entry> list;
        list.reserve(ids.size());
        SQLite::Statement find(database_->sqlite, fmt::format("SELECT {} FROM files WHERE id = ?", entryColumns));
        Reader reader(database_->sqlite);
        for (const std::int64_t id : ids) {
            find.reset();
            find.bind(1, id);
            if (!find.executeStep()) continue;
            list.push_back(entryFrom(find));
            list.back().own = reader.own(list.back().content);
        }
        return list;
    });
}

Result<std::vector<Entry>> Library::entriesOf(const std::vector<fs::path>& files) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        std::vector<Entry> list;
        SQLite::Statement find(database_->sqlite, fmt::format("SELECT {} FROM files WHERE path = ?", entryColumns));
        Reader reader(database_->sqlite);
        for (const fs::path& file : files) {
            find.reset();
            bindPath(find, 1, file);
            if (!find.executeStep()) continue;
            list.push_back(entryFrom(find));
            list.back().own = reader.own(list.back().content);
        }
        return list;
    });
}

Result<std::vector<Entry>> Library::entriesIn(const fs::path& folder) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        std::vector<Entry> list;
        // Of what lies deeper only the path is looked at.
        SQLite::Statement find(database_->sqlite,
                               fmt::format("SELECT {} FROM files WHERE path > ? AND path < ?"
                                           " AND instr(substr(path, ?), x'2F') = 0 ORDER BY path",
                                           entryColumns));
        const auto [from, to] = boundsOf(folder);
        bindBytes(find, 1, from);
        bindBytes(find, 2, to);
        find.bind(3, static_cast<std::int64_t>(from.size()) + 1);
        Reader reader(database_->sqlite);
        while (find.executeStep()) {
            Entry e = entryFrom(find);
            e.own = reader.own(e.content);
            list.push_back(std::move(e));
        }
        return list;
    });
}

std::optional<project::Source> Library::sourceOf(std::int64_t id) const {
    const std::lock_guard lock(mutex_);
    auto found = used(notRead, [&]() -> std::optional<project::Source> {
        SQLite::Statement find(database_->sqlite,
                               "SELECT s.source, f.path FROM sources s JOIN files f ON f.id = s.id"
                               " WHERE s.id = ?");
        find.bind(1, id);
        if (!find.executeStep()) return std::nullopt;
        auto source = project::sourceFromJson(find.getColumn(0).getString());
        if (source) {
            source->file = pathOf(find.getColumn(1));
            source->name = base::shownName(source->file.stem());
        }
        return source;
    });
    return found ? std::move(*found) : std::nullopt;
}

std::optional<project::Source> Library::heardBefore(const std::string& content) const {
    const std::lock_guard lock(mutex_);
    auto found = used(notRead, [&]() -> std::optional<project::Source> {
        SQLite::Statement find(database_->sqlite, "SELECT s.source FROM sources s JOIN files f ON f.id = s.id"
                                                  " WHERE f.content = ? AND f.heard = ? LIMIT 1");
        find.bind(1, content);
        find.bind(2, hear::listenVersion);
        if (!find.executeStep()) return std::nullopt;
        return project::sourceFromJson(find.getColumn(0).getString());
    });
    return found ? std::move(*found) : std::nullopt;
}

std::size_t Library::size() const {
    const std::lock_guard lock(mutex_);
    const auto count =
        used(notRead, [&] { return database_->sqlite.execAndGet("SELECT count(*) FROM files").getInt64(); });
    return count ? static_cast<std::size_t>(*count) : 0;
}

} // namespace shelf
