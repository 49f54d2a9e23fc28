#include "shelf/rows.h"

#include "base/utf8.h"
#include "project/save.h"
#include "project/settle.h"

namespace shelf {

namespace fs = std::filesystem;

void bindPath(SQLite::Statement& s, int at, const fs::path& path) {
    s.bind(at, path.native().data(), static_cast<int>(path.native().size()));
}
fs::path pathOf(const SQLite::Column& column) {
    return {std::string(static_cast<const char*>(column.getBlob()), static_cast<std::size_t>(column.getBytes()))};
}

int keyNumber(hear::Key key) {
    return key.root + (key.minor ? 12 : 0);
}
hear::Key keyFrom(int number) {
    return {number % 12, number >= 12};
}

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

namespace {

bool isFree(const project::Source& s) {
    const hear::Reading* heard = project::readingBy(s, hear::Witness::Heard);
    return s.chosen == hear::Witness::Heard && heard != nullptr && !heard->steady;
}

// Five columns: bpm, maybe, free, witness, beats. What is not bound is NULL.
void bindTiming(SQLite::Statement& s, int at, const project::Source* source) {
    if (source != nullptr && source->beats) s.bind(at, source->beats->meanTempo().value);
    s.bind(at + 1, source != nullptr && hear::isMaybe(source->readings, source->chosen) ? 1 : 0);
    s.bind(at + 2, source != nullptr && isFree(*source) ? 1 : 0);
    s.bind(at + 3, source != nullptr && source->chosen ? hear::witnessWord(*source->chosen) : "");
    if (source != nullptr && source->beats && !isFree(*source))
        if (const auto beats = source->wholeBeats()) s.bind(at + 4, *beats);
}

} // namespace

Writer::Writer(SQLite::Database& d)
    : d_(d), byPath_(d, "SELECT id, content, bytes, changed FROM files WHERE path = ?"),
      byContent_(d, "SELECT id, path FROM files WHERE content = ?"),
      insert_(d, "INSERT INTO files (path, bytes, changed, content, name, bpm, maybe, free, witness, beats, key,"
                 " kind, seconds, heard, gone, problem, key_witness, feel_grid, swing, loose)"
                 " VALUES (?,?,?,?,?,?,?,?,?,?,?,?,?,?,0,?,?,?,?,?)"),
      update_(d, "UPDATE files SET path=?, bytes=?, changed=?, content=?, name=?, bpm=?, maybe=?, free=?,"
                 " witness=?, beats=?, key=?, kind=?, seconds=?, heard=?, gone=0, problem=?, key_witness=?,"
                 " feel_grid=?, swing=?, loose=? WHERE id=?"),
      retime_(d, "UPDATE files SET bpm=?, maybe=?, free=?, witness=?, beats=? WHERE id=?"),
      drop_(d, "DELETE FROM files WHERE id = ?"), putSource_(d, "INSERT OR REPLACE INTO sources VALUES (?, ?)"),
      dropSource_(d, "DELETE FROM sources WHERE id = ?"), dropWords_(d, "DELETE FROM words WHERE rowid = ?"),
      putWords_(d, "INSERT INTO words (rowid, name, place, own, sound) VALUES (?, ?, ?, ?, ?)"),
      knownFeel_(d,
                 "SELECT feel_grid, swing, loose FROM files WHERE content = ? AND feel_grid IS NOT NULL LIMIT 1"),
      reader_(d) {}

Library::Came Writer::put(const ReadFile& file) {
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
        } else if (other != *id && came == Library::Came::Changed) {
            remove(other);
        }
    }
    write(id, file, content);
    return came;
}

void Writer::take(const ReadFile& file) {
    std::optional<std::int64_t> id;
    byPath_.reset();
    bindPath(byPath_, 1, file.listed.file);
    if (byPath_.executeStep()) id = byPath_.getColumn(0).getInt64();
    byPath_.reset();
    write(id, file, file.source ? file.source->content : std::string());
}

void Writer::retime(std::int64_t id, const project::Source& source) {
    retime_.reset();
    retime_.clearBindings();
    bindTiming(retime_, 1, &source);
    retime_.bind(6, id);
    retime_.exec();
    putSource_.reset();
    putSource_.bind(1, id);
    putSource_.bind(2, project::sourceToJson(source));
    putSource_.exec();
}

Reader::Reader(SQLite::Database& d)
    : tags_(d, "SELECT tag FROM own_tags WHERE content = ? ORDER BY tag"),
      own_(d, "SELECT notes, favourite FROM own WHERE content = ?") {}

OwnWords Reader::own(const std::string& content) {
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

void Writer::index(std::int64_t id, const fs::path& file, const std::string& name, const OwnWords& own,
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

std::vector<std::int64_t> Writer::absentWith(const std::string& content, const fs::path& besides) {
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

void Writer::remove(std::int64_t id) {
    for (SQLite::Statement* s : {&drop_, &dropSource_, &dropWords_}) {
        s->reset();
        s->bind(1, id);
        s->exec();
    }
}

// Three columns. A recording that was not listened to again has the feel that is known of it.
void Writer::bindFeel(SQLite::Statement& s, int at, const ReadFile& file, const std::string& content) {
    if (file.feel) {
        s.bind(at, hear::entryOf(file.feel->grid).word);
        if (file.feel->swing) s.bind(at + 1, *file.feel->swing);
        s.bind(at + 2, file.feel->loose.value);
        return;
    }
    if (content.empty()) return;
    knownFeel_.reset();
    knownFeel_.bind(1, content);
    if (!knownFeel_.executeStep()) return;
    s.bind(at, knownFeel_.getColumn(0).getString());
    if (!knownFeel_.getColumn(1).isNull()) s.bind(at + 1, knownFeel_.getColumn(1).getDouble());
    s.bind(at + 2, knownFeel_.getColumn(2).getDouble());
    knownFeel_.reset();
}

void Writer::write(std::optional<std::int64_t> id, const ReadFile& file, const std::string& content) {
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
    bindTiming(s, 6, source);
    if (source != nullptr && source->key) s.bind(11, keyNumber(*source->key));
    s.bind(12, source != nullptr ? hear::kindWord(source->kind) : hear::kindWord(hear::Kind::NoBeat));
    s.bind(13, source != nullptr ? source->length().value : 0.0);
    s.bind(14, source != nullptr ? hear::listenVersion : 0);
    s.bind(15, file.problem);
    const auto keyBy = source != nullptr ? project::keyWitness(*source) : std::nullopt;
    s.bind(16, keyBy ? hear::witnessWord(*keyBy) : "");
    bindFeel(s, 17, file, content);
    if (id) s.bind(20, *id);
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
    e.keyBy = hear::witnessFromWord(row.getColumn(14).getString());
    if (!row.getColumn(15).isNull()) e.feelGrid = hear::feelGridFromWord(row.getColumn(15).getString());
    if (!row.getColumn(16).isNull()) e.swing = row.getColumn(16).getDouble();
    if (!row.getColumn(17).isNull()) e.loose = metre::Seconds(row.getColumn(17).getDouble());
    return e;
}

} // namespace shelf
