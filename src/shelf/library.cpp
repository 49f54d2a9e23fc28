#include "shelf/library.h"

#include "base/safe_file.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "project/save.h"
#include "project/settle.h"
#include "shelf/database.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <set>
#include <unordered_map>

namespace shelf {

namespace fs = std::filesystem;

namespace {

constexpr const char* notKept = "The library could not be written";
constexpr const char* notRead = "The library could not be read";

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
constexpr std::array<Migration, 1> libraryVersions = {makeLibrary};

void bindPath(SQLite::Statement& s, int at, const fs::path& path) {
    s.bind(at, path.native().data(), static_cast<int>(path.native().size()));
}
fs::path pathOf(const SQLite::Column& column) {
    return {std::string(static_cast<const char*>(column.getBlob()), static_cast<std::size_t>(column.getBytes()))};
}

// A key as one number; none is NULL.
int keyNumber(hear::Key key) {
    return key.root + (key.minor ? 12 : 0);
}
hear::Key keyFrom(int number) {
    return {number % 12, number >= 12};
}

// Everything below a folder lies between these, as bytes.
std::pair<std::string, std::string> boundsOf(const fs::path& folder) {
    std::string from = folder.native();
    while (from.size() > 1 && from.back() == '/')
        from.pop_back();
    if (from.empty() || from.back() != '/') from += '/';
    std::string to = from;
    to.back() = '/' + 1;
    return {from, to};
}
void bindBytes(SQLite::Statement& s, int at, const std::string& bytes) {
    s.bind(at, bytes.data(), static_cast<int>(bytes.size()));
}

bool isFree(const project::Source& s) {
    const hear::Reading* heard = project::readingBy(s, hear::Witness::Heard);
    return s.chosen == hear::Witness::Heard && heard != nullptr && !heard->steady;
}

// Statements that are used many times in one call.
class Writer {
  public:
    explicit Writer(SQLite::Database& d)
        : d_(d), byPath_(d, "SELECT id, content, bytes, changed FROM files WHERE path = ?"),
          byContent_(d, "SELECT id, path FROM files WHERE content = ?"),
          insert_(d,
                  "INSERT INTO files (path, bytes, changed, content, name, bpm, maybe, free, witness, beats, key,"
                  " kind, seconds, heard, gone, problem) VALUES (?,?,?,?,?,?,?,?,?,?,?,?,?,?,0,?)"),
          update_(d, "UPDATE files SET path=?, bytes=?, changed=?, content=?, name=?, bpm=?, maybe=?, free=?,"
                     " witness=?, beats=?, key=?, kind=?, seconds=?, heard=?, gone=0, problem=? WHERE id=?"),
          drop_(d, "DELETE FROM files WHERE id = ?"), putSource_(d, "INSERT OR REPLACE INTO sources VALUES (?, ?)"),
          dropSource_(d, "DELETE FROM sources WHERE id = ?"), dropWords_(d, "DELETE FROM words WHERE rowid = ?"),
          putWords_(d, "INSERT INTO words (rowid, name, place, own, sound) VALUES (?, ?, ?, ?, ?)"),
          tags_(d, "SELECT tag FROM own_tags WHERE content = ? ORDER BY tag"),
          own_(d, "SELECT notes, favourite FROM own WHERE content = ?") {}

    Library::Came put(const ReadFile& file) {
        const std::string content = file.source ? file.source->content : std::string();
        std::optional<std::int64_t> id;
        auto came = Library::Came::New;
        byPath_.reset();
        bindPath(byPath_, 1, file.listed.file);
        if (byPath_.executeStep()) {
            id = byPath_.getColumn(0).getInt64();
            came = byPath_.getColumn(1).getString() == content && !content.empty() ? Library::Came::Same
                                                                                   : Library::Came::Changed;
        }
        // The same recording under a name where there is nothing any more: it was moved here.
        for (const std::int64_t other : absentWith(content, file.listed.file)) {
            if (!id) {
                id = other;
                came = Library::Came::Changed;
            } else if (other != *id) {
                remove(other);
            }
        }
        write(id, file, content);
        return came;
    }

    OwnWords own(const std::string& content) {
        OwnWords words;
        tags_.reset();
        tags_.bind(1, content);
        while (tags_.executeStep())
            words.tags.push_back(tags_.getColumn(0).getString());
        own_.reset();
        own_.bind(1, content);
        if (own_.executeStep()) {
            words.notes = own_.getColumn(0).getString();
            words.favourite = own_.getColumn(1).getInt() != 0;
        }
        return words;
    }

    // What a row is found by.
    void index(std::int64_t id, const fs::path& file, const std::string& name, const OwnWords& own,
               std::optional<hear::Key> key, hear::Kind kind) {
        dropWords_.reset();
        dropWords_.bind(1, id);
        dropWords_.exec();
        putWords_.reset();
        putWords_.bind(1, id);
        putWords_.bind(2, name);
        // The folders nearest to it name the pack; those far off are the same for all.
        const fs::path folder = file.parent_path();
        putWords_.bind(3, base::shownName(folder.parent_path()) + " " + base::shownName(folder));
        putWords_.bind(4, tagsText(own.tags) + " " + own.notes);
        std::string sound = hear::kindLabel(kind);
        if (key) sound += " " + hear::keyName(*key) + " " + hear::keyTag(*key);
        putWords_.bind(5, sound);
        putWords_.exec();
    }

  private:
    std::vector<std::int64_t> absentWith(const std::string& content, const fs::path& besides) {
        std::vector<std::int64_t> ids;
        if (content.empty()) return ids;
        byContent_.reset();
        byContent_.bind(1, content);
        while (byContent_.executeStep()) {
            const fs::path path = pathOf(byContent_.getColumn(1));
            std::error_code error;
            if (path != besides && !fs::exists(path, error)) ids.push_back(byContent_.getColumn(0).getInt64());
        }
        return ids;
    }

    void remove(std::int64_t id) {
        for (SQLite::Statement* s : {&drop_, &dropSource_, &dropWords_}) {
            s->reset();
            s->bind(1, id);
            s->exec();
        }
    }

    void write(std::optional<std::int64_t> id, const ReadFile& file, const std::string& content) {
        SQLite::Statement& s = id ? update_ : insert_;
        s.reset();
        s.clearBindings();
        bindPath(s, 1, file.listed.file);
        s.bind(2, file.listed.bytes);
        s.bind(3, file.listed.changed);
        s.bind(4, content);
        const std::string name = base::shownName(file.listed.file.stem());
        s.bind(5, name);
        const project::Source* source = file.source ? &*file.source : nullptr;
        if (source != nullptr && source->beats) s.bind(6, source->beats->meanTempo().value);
        s.bind(7, source != nullptr && hear::isMaybe(source->readings, source->chosen) ? 1 : 0);
        s.bind(8, source != nullptr && isFree(*source) ? 1 : 0);
        s.bind(9, source != nullptr && source->chosen ? hear::witnessWord(*source->chosen) : "");
        if (source != nullptr && source->beats && !isFree(*source))
            if (const auto beats = source->wholeBeats()) s.bind(10, *beats);
        if (source != nullptr && source->key) s.bind(11, keyNumber(*source->key));
        s.bind(12, source != nullptr ? hear::kindWord(source->kind) : hear::kindWord(hear::Kind::NoBeat));
        s.bind(13, source != nullptr ? source->length().value : 0.0);
        s.bind(14, source != nullptr ? hear::listenVersion : 0);
        s.bind(15, file.problem);
        if (id) s.bind(16, *id);
        s.exec();
        const std::int64_t row = id ? *id : d_.getLastInsertRowid();
        SQLite::Statement& known = source != nullptr ? putSource_ : dropSource_;
        known.reset();
        known.bind(1, row);
        if (source != nullptr) known.bind(2, project::sourceToJson(*source));
        known.exec();
        index(row, file.listed.file, name, own(content), source != nullptr ? source->key : std::nullopt,
              source != nullptr ? source->kind : hear::Kind::NoBeat);
    }

    SQLite::Database& d_;
    SQLite::Statement byPath_, byContent_, insert_, update_, drop_, putSource_, dropSource_, dropWords_, putWords_,
        tags_, own_;
};

constexpr const char* entryColumns =
    "id, path, name, content, bpm, maybe, free, witness, beats, key, kind, seconds,"
    " gone, problem";

Entry entryFrom(const SQLite::Statement& row) {
    Entry e;
    e.id = row.getColumn(0).getInt64();
    e.file = pathOf(row.getColumn(1));
    e.name = row.getColumn(2).getString();
    e.content = row.getColumn(3).getString();
    if (!row.getColumn(4).isNull()) e.bpm = metre::Bpm(row.getColumn(4).getDouble());
    e.isMaybe = row.getColumn(5).getInt() != 0;
    e.isFree = row.getColumn(6).getInt() != 0;
    e.by = hear::witnessFromWord(row.getColumn(7).getString());
    if (!row.getColumn(8).isNull()) e.beats = row.getColumn(8).getInt();
    if (!row.getColumn(9).isNull()) e.key = keyFrom(row.getColumn(9).getInt());
    e.kind = hear::kindFromWord(row.getColumn(10).getString()).value_or(hear::Kind::NoBeat);
    e.length = metre::Seconds(row.getColumn(11).getDouble());
    e.isGone = row.getColumn(12).getInt() != 0;
    e.problem = row.getColumn(13).getString();
    return e;
}

// Words as FTS5 takes them: each quoted, and taken as the beginning of one.
std::string matchOf(const std::string& words) {
    std::string match;
    std::string word;
    const auto take = [&] {
        if (!word.empty()) match += (match.empty() ? "\"" : " \"") + word + "\"*";
        word.clear();
    };
    for (const char c : base::toUtf8(words)) {
        if (c == ' ' || c == '\t' || c == '"' || c == '\0' || c == '_' || c == ',')
            take();
        else
            word += c;
    }
    take();
    return match;
}

// What is bound to a statement that is put together, in order.
struct Conditions {
    std::string text;
    std::vector<std::function<void(SQLite::Statement&, int)>> binds;

    void add(const std::string& condition) { text += (text.empty() ? " WHERE " : " AND ") + condition; }
    void bind(std::function<void(SQLite::Statement&, int)> how) { binds.push_back(std::move(how)); }
};

Conditions conditionsOf(const Query& q) {
    Conditions c;
    const auto text = [&](const std::string& value) {
        c.bind([value](SQLite::Statement& s, int at) { s.bind(at, value); });
    };
    const auto number = [&](double value) { c.bind([value](SQLite::Statement& s, int at) { s.bind(at, value); }); };
    const std::string match = matchOf(q.words);
    if (!match.empty()) {
        c.add("id IN (SELECT rowid FROM words WHERE words MATCH ?)");
        text(match);
    }
    for (const std::string& tag : q.tags) {
        c.add("content IN (SELECT content FROM own_tags WHERE tag = ?)");
        text(cleanTag(tag));
    }
    if (q.favourites) c.add("content IN (SELECT content FROM own WHERE favourite = 1)");
    if (q.tempo) {
        const auto within = [&](double factor) {
            number(q.tempo->low.value * factor - 0.005);
            number(q.tempo->high.value * factor + 0.005);
        };
        c.add(q.octaves ? "(bpm BETWEEN ? AND ? OR bpm BETWEEN ? AND ? OR bpm BETWEEN ? AND ?)"
                        : "bpm BETWEEN ? AND ?");
        within(1);
        if (q.octaves) {
            within(0.5);
            within(2);
        }
    }
    if (q.key && q.relation != KeyRelation::Any) {
        std::string keys;
        for (int n = 0; n < 24; ++n) {
            const hear::Key other = keyFrom(n);
            if (q.relation == KeyRelation::Same ? other == *q.key : hear::areRelated(*q.key, other))
                keys += (keys.empty() ? "" : ",") + std::to_string(n);
        }
        c.add("key IN (" + keys + ")");
    }
    if (q.mode == Mode::Major) c.add("key < 12");
    if (q.mode == Mode::Minor) c.add("key >= 12");
    if (q.mode == Mode::Neither) c.add("key IS NULL");
    if (!q.kinds.empty()) {
        std::string marks;
        for (const hear::Kind kind : q.kinds) {
            marks += marks.empty() ? "?" : ",?";
            text(hear::kindWord(kind));
        }
        c.add("kind IN (" + marks + ")");
    }
    if (q.shortest) {
        c.add("seconds >= ?");
        number(q.shortest->value);
    }
    if (q.longest) {
        c.add("seconds <= ?");
        number(q.longest->value);
    }
    if (!q.within.empty()) {
        c.add("path > ? AND path < ?");
        for (const std::string& bound : {boundsOf(q.within).first, boundsOf(q.within).second})
            c.bind([bound](SQLite::Statement& s, int at) { bindBytes(s, at, bound); });
    }
    if (!q.withGone) c.add("gone = 0");
    if (!q.withDamaged) c.add("problem = ''");
    return c;
}

const char* sqlOrder(Order order) {
    switch (order) {
    case Order::Tempo:
        return "bpm IS NULL, bpm, name COLLATE NOCASE";
    case Order::Kind:
        return "kind, name COLLATE NOCASE";
    case Order::Length:
        return "seconds, name COLLATE NOCASE";
    case Order::Name:
    case Order::Key:
    case Order::Goes:
        break;
    }
    return "name COLLATE NOCASE";
}

} // namespace

double goesWith(std::optional<metre::Bpm> bpm, std::optional<hear::Key> key, std::optional<metre::Bpm> projectTempo,
                std::optional<hear::Key> projectKey) {
    double cost = 0;
    if (projectTempo) {
        if (!bpm) return 100;
        const double octaves = std::log2(bpm->value / projectTempo->value);
        cost += std::abs(octaves - std::round(octaves));
        cost += 1e-3 * std::abs(std::round(octaves)); // the same tempo before its half or double
    }
    if (projectKey && key && !hear::areRelated(*key, *projectKey)) {
        const int apart = std::abs(hear::signatureOf(*key) - hear::signatureOf(*projectKey));
        cost += 0.1 * (std::min(apart, 12 - apart) - 1);
    }
    return cost;
}

Library::Library(std::unique_ptr<Database> database, fs::path file)
    : database_(std::move(database)), file_(std::move(file)) {}
Library::~Library() = default;

fs::path libraryFile() {
    return base::dataFolder() / "library.sqlite";
}

namespace {

fs::path ownFile(const fs::path& library) {
    return library.parent_path() / (library.stem().string() + "-own.json");
}

bool isWhole(SQLite::Database& d) {
    SQLite::Statement check(d, "PRAGMA quick_check(1)");
    return check.executeStep() && check.getColumn(0).getString() == "ok";
}

// Puts a damaged database aside, with what belongs to it. Where it is afterwards.
Result<fs::path> putAside(const fs::path& file) {
    fs::path aside;
    std::error_code error;
    for (int i = 1; aside.empty() || fs::exists(aside, error); ++i)
        aside = file.parent_path() / fmt::format("{}-damaged-{}.sqlite", file.stem().string(), i);
    fs::rename(file, aside, error);
    if (error) return base::problem(error.message());
    for (const char* ending : {"-wal", "-shm"})
        fs::remove(fs::path(file.native() + ending), error);
    return aside;
}

} // namespace

Result<std::unique_ptr<Library>> Library::open(const fs::path& file) {
    const std::string what = fmt::format("The library could not be opened from {}", base::shownPath(file));
    bool damaged = false;
    auto opened = openDatabase(file, libraryVersions, what, &damaged);
    if (opened) {
        const auto whole = used("check", [&] { return isWhole((*opened)->sqlite); });
        damaged = !whole || !*whole;
        if (damaged) opened->reset();
    }
    if (!damaged) {
        if (!opened) return tl::unexpected(opened.error());
        return std::unique_ptr<Library>(new Library(std::move(*opened), file));
    }
    const auto aside = putAside(file);
    if (!aside) return base::problem(fmt::format("{}: it is damaged.", what));
    auto fresh = openDatabase(file, libraryVersions, what);
    if (!fresh) return tl::unexpected(fresh.error());
    std::unique_ptr<Library> library(new Library(std::move(*fresh), file));
    library->told_ = fmt::format("The library was damaged and has been begun anew; the damaged one is kept as {}.",
                                 base::shownName(*aside));
    const auto text = base::readText(ownFile(file));
    const auto words = text ? ownWordsFrom(*text) : base::Result<AllOwnWords>(tl::unexpected(text.error()));
    if (words) {
        auto kept = used(notKept, [&] {
            SQLite::Transaction all(library->database_->sqlite);
            SQLite::Statement own(library->database_->sqlite, "INSERT OR REPLACE INTO own VALUES (?, ?, ?)");
            SQLite::Statement tag(library->database_->sqlite, "INSERT OR REPLACE INTO own_tags VALUES (?, ?)");
            SQLite::Statement folder(library->database_->sqlite, "INSERT OR REPLACE INTO folders VALUES (?)");
            for (const auto& [content, w] : words->of) {
                own.reset();
                own.bind(1, content);
                own.bind(2, w.notes);
                own.bind(3, w.favourite ? 1 : 0);
                own.exec();
                for (const std::string& t : w.tags) {
                    tag.reset();
                    tag.bind(1, content);
                    tag.bind(2, t);
                    tag.exec();
                }
            }
            for (const fs::path& f : words->folders) {
                folder.reset();
                bindPath(folder, 1, f);
                folder.exec();
            }
            all.commit();
        });
        if (!kept) return tl::unexpected(kept.error());
        library->told_ += " Your own tags and folders are in it; scan to fill it again.";
    }
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
    const std::lock_guard lock(mutex_);
    auto done = used(notKept, [&] {
        SQLite::Statement put(database_->sqlite, "INSERT OR REPLACE INTO folders VALUES (?)");
        bindPath(put, 1, folder);
        put.exec();
    });
    return done ? exportOwn() : done;
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
            known.isCurrent =
                all.getColumn(5).getInt() == hear::listenVersion || !all.getColumn(6).getString().empty();
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
            if (query.order == Order::Goes)
                hit.worth = goesWith(bpm.isNull() ? std::nullopt : std::optional(metre::Bpm(bpm.getDouble())),
                                     key.isNull() ? std::nullopt : std::optional(keyFrom(key.getInt())),
                                     query.projectTempo, query.projectKey);
            else if (query.order == Order::Key)
                hit.worth =
                    key.isNull() ? 100 : hear::signatureOf(keyFrom(key.getInt())) + (key.getInt() >= 12 ? 0.5 : 0);
            hits.push_back(hit);
        }
        if (query.order == Order::Goes || query.order == Order::Key)
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
        Writer writer(database_->sqlite);
        for (const std::int64_t id : ids) {
            find.reset();
            find.bind(1, id);
            if (!find.executeStep()) continue;
            list.push_back(entryFrom(find));
            list.back().own = writer.own(list.back().content);
        }
        return list;
    });
}

Result<std::vector<Entry>> Library::entriesOf(const std::vector<fs::path>& files) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        std::vector<Entry> list;
        SQLite::Statement find(database_->sqlite, fmt::format("SELECT {} FROM files WHERE path = ?", entryColumns));
        Writer writer(database_->sqlite);
        for (const fs::path& file : files) {
            find.reset();
            bindPath(find, 1, file);
            if (!find.executeStep()) continue;
            list.push_back(entryFrom(find));
            list.back().own = writer.own(list.back().content);
        }
        return list;
    });
}

Result<std::vector<Entry>> Library::entriesIn(const fs::path& folder) const {
    const std::lock_guard lock(mutex_);
    return used(notRead, [&] {
        std::vector<Entry> list;
        SQLite::Statement find(database_->sqlite, fmt::format("SELECT {} FROM files WHERE path > ? AND path < ?"
                                                              " ORDER BY path",
                                                              entryColumns));
        const auto [from, to] = boundsOf(folder);
        bindBytes(find, 1, from);
        bindBytes(find, 2, to);
        Writer writer(database_->sqlite);
        while (find.executeStep()) {
            Entry e = entryFrom(find);
            if (e.file.native().find('/', from.size()) != std::string::npos) continue; // deeper
            e.own = writer.own(e.content);
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

Result<void> Library::setOwn(const std::vector<std::string>& contents, const OwnWords& words) {
    const std::lock_guard lock(mutex_);
    auto done = used(notKept, [&] {
        SQLite::Database& d = database_->sqlite;
        SQLite::Transaction all(d, SQLite::TransactionBehavior::IMMEDIATE);
        SQLite::Statement clear(d, "DELETE FROM own_tags WHERE content = ?");
        SQLite::Statement drop(d, "DELETE FROM own WHERE content = ?");
        SQLite::Statement tag(d, "INSERT OR REPLACE INTO own_tags VALUES (?, ?)");
        SQLite::Statement put(d, "INSERT INTO own VALUES (?, ?, ?)");
        SQLite::Statement rows(d, fmt::format("SELECT {} FROM files WHERE content = ?", entryColumns));
        Writer writer(d);
        for (const std::string& content : contents) {
            if (content.empty()) continue;
            for (SQLite::Statement* s : {&clear, &drop}) {
                s->reset();
                s->bind(1, content);
                s->exec();
            }
            for (const std::string& t : words.tags) {
                tag.reset();
                tag.bind(1, content);
                tag.bind(2, cleanTag(t));
                tag.exec();
            }
            if (!words.isEmpty()) {
                put.reset();
                put.bind(1, content);
                put.bind(2, words.notes);
                put.bind(3, words.favourite ? 1 : 0);
                put.exec();
            }
            std::vector<Entry> entries;
            rows.reset();
            rows.bind(1, content);
            while (rows.executeStep())
                entries.push_back(entryFrom(rows));
            for (const Entry& e : entries)
                writer.index(e.id, e.file, e.name, words, e.key, e.kind);
        }
        all.commit();
    });
    return done ? exportOwn() : done;
}

OwnWords Library::own(const std::string& content) const {
    const std::lock_guard lock(mutex_);
    auto words = used(notRead, [&] { return Writer(database_->sqlite).own(content); });
    return words ? std::move(*words) : OwnWords();
}

std::vector<std::string> Library::tags() const {
    const std::lock_guard lock(mutex_);
    auto list = used(notRead, [&] {
        std::vector<std::string> found;
        SQLite::Statement all(database_->sqlite,
                              "SELECT tag FROM own_tags GROUP BY tag ORDER BY count(*) DESC, tag LIMIT 200");
        while (all.executeStep())
            found.push_back(all.getColumn(0).getString());
        return found;
    });
    return list ? std::move(*list) : std::vector<std::string>();
}

Result<void> Library::settle(const std::string& content, const std::optional<Settled>& settled) {
    const std::lock_guard lock(mutex_);
    return used(notKept, [&] {
        SQLite::Database& d = database_->sqlite;
        std::vector<ReadFile> files;
        SQLite::Statement rows(d, "SELECT s.source, f.path, f.bytes, f.changed FROM sources s JOIN files f"
                                  " ON f.id = s.id WHERE f.content = ?");
        rows.bind(1, content);
        while (rows.executeStep()) {
            auto source = project::sourceFromJson(rows.getColumn(0).getString());
            if (!source) continue;
            std::erase_if(source->readings, [](const hear::Reading& r) {
                return r.by == hear::Witness::Typed || r.by == hear::Witness::Tapped;
            });
            if (settled)
                recallInto(*source, *settled);
            else
                project::settle(*source);
            files.push_back(
                {{pathOf(rows.getColumn(1)), rows.getColumn(2).getInt64(), rows.getColumn(3).getInt64()},
                 std::move(source),
                 {}});
        }
        if (files.empty()) return;
        SQLite::Transaction all(d, SQLite::TransactionBehavior::IMMEDIATE);
        Writer writer(d);
        for (const ReadFile& file : files)
            writer.put(file);
        all.commit();
    });
}

// Beside the database, for the day on which that is damaged.
Result<void> Library::exportOwn() {
    auto words = used(notRead, [&] {
        AllOwnWords all;
        SQLite::Statement own(database_->sqlite, "SELECT content, notes, favourite FROM own");
        while (own.executeStep()) {
            OwnWords& w = all.of[own.getColumn(0).getString()];
            w.notes = own.getColumn(1).getString();
            w.favourite = own.getColumn(2).getInt() != 0;
        }
        SQLite::Statement tags(database_->sqlite, "SELECT content, tag FROM own_tags ORDER BY content, tag");
        while (tags.executeStep())
            all.of[tags.getColumn(0).getString()].tags.push_back(tags.getColumn(1).getString());
        SQLite::Statement folders(database_->sqlite, "SELECT path FROM folders ORDER BY path");
        while (folders.executeStep())
            all.folders.push_back(pathOf(folders.getColumn(0)));
        return all;
    });
    if (!words) return tl::unexpected(words.error());
    return base::writeText(ownFile(file_), toText(*words), base::Existing::Replace);
}

} // namespace shelf
