// The user's own words in the library, and beside it.
#include "base/disk.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "project/save.h"
#include "project/settle.h"
#include "shelf/database.h"
#include "shelf/library.h"
#include "shelf/rows.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fmt/format.h>

namespace shelf {

namespace fs = std::filesystem;

namespace {

fs::path ownFile(const fs::path& library) {
    return library.parent_path() / (library.stem().string() + "-own.json");
}

// Copies the words beside a library to the next free of three names, the oldest of which then makes room. Where.
Result<fs::path> keptBeside(const fs::path& beside) {
    const auto name = [&](int n) {
        return beside.parent_path() / fmt::format("{}-before-{}.json", beside.stem().string(), n);
    };
    constexpr int most = 3;
    std::error_code error;
    int free = 1;
    while (free < most && fs::exists(name(free), error))
        ++free;
    if (free == most && fs::exists(name(most), error))
        for (int n = 1; n < most; ++n)
            if (base::disk::rename(name(n + 1), name(n)) != 0) return base::problem(std::strerror(errno));
    if (auto copied = base::copyFile(beside, name(free), base::Existing::Replace); !copied)
        return tl::unexpected(copied.error());
    return name(free);
}

// A database without a word of its own: new, or one that somebody emptied.
bool isBlank(SQLite::Database& d) {
    return d.execAndGet("SELECT (SELECT count(*) FROM files) + (SELECT count(*) FROM own) +"
                        " (SELECT count(*) FROM own_tags) + (SELECT count(*) FROM folders)")
               .getInt64() == 0;
}

} // namespace

// The user's own words from beside a database that has none; told() says what was found.
Result<void> Library::takeOwn(bool damaged) {
    const auto blank = used(notRead, [&] { return isBlank(database_->sqlite); });
    if (!blank) return tl::unexpected(blank.error());
    const fs::path beside = ownFile(file_);
    std::error_code error;
    if (!*blank || !fs::exists(beside, error)) return {};
    // A disk that refuses now may not do so the next time: then nothing is begun without these words.
    const auto text = base::readText(beside);
    if (!text) return tl::unexpected(text.error());
    const auto words = ownWordsFrom(*text);
    if (!words) {
        // Nothing is written over it, as long as nobody knows what is in it.
        const auto kept = keptBeside(beside);
        told_ += fmt::format("{}Your own tags could not be taken from {}: {}.{}", told_.empty() ? "" : " ",
                             base::shownPath(beside), words.error().text,
                             kept ? fmt::format(" It is kept as {}.", base::shownName(*kept)) : "");
        if (!kept) return tl::unexpected(kept.error());
        return {};
    }
    if (words->of.empty() && words->folders.empty()) return {};
    // Taken in whole before anything is written beside it again.
    auto done = setOwnOnly(words->of);
    for (const fs::path& folder : words->folders)
        if (done) done = addFolderOnly(folder);
    if (!done) return done;
    if (!damaged) told_ = "The library was begun anew.";
    told_ += " Your own tags and folders are in it; scan to fill it again.";
    return {};
}

Result<void> Library::setOwn(const std::map<std::string, OwnWords>& of) {
    auto done = setOwnOnly(of);
    const std::lock_guard lock(mutex_);
    return done ? exportOwn() : done;
}

Result<void> Library::setOwnOnly(const std::map<std::string, OwnWords>& of) {
    const std::lock_guard lock(mutex_);
    return used(notKept, [&] {
        SQLite::Database& d = database_->sqlite;
        SQLite::Transaction all(d, SQLite::TransactionBehavior::IMMEDIATE);
        SQLite::Statement clear(d, "DELETE FROM own_tags WHERE content = ?");
        SQLite::Statement drop(d, "DELETE FROM own WHERE content = ?");
        SQLite::Statement tag(d, "INSERT OR REPLACE INTO own_tags VALUES (?, ?)");
        SQLite::Statement put(d, "INSERT INTO own VALUES (?, ?, ?)");
        SQLite::Statement rows(d, fmt::format("SELECT {} FROM files WHERE content = ?", entryColumns));
        Writer writer(d);
        for (const auto& [content, words] : of) {
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
}

OwnWords Library::own(const std::string& content) const {
    const std::lock_guard lock(mutex_);
    auto words = used(notRead, [&] { return Reader(database_->sqlite).own(content); });
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
        // Read within it as well: what another program writes meanwhile would be lost.
        SQLite::Transaction all(d, SQLite::TransactionBehavior::IMMEDIATE);
        std::vector<std::pair<std::int64_t, project::Source>> sources;
        SQLite::Statement rows(
            d, "SELECT s.id, s.source FROM sources s JOIN files f ON f.id = s.id WHERE f.content = ?");
        rows.bind(1, content);
        while (rows.executeStep()) {
            auto source = project::sourceFromJson(rows.getColumn(1).getString());
            if (!source) continue;
            std::erase_if(source->readings, [](const hear::Reading& r) {
                return r.by == hear::Witness::Typed || r.by == hear::Witness::Tapped;
            });
            if (settled)
                recallInto(*source, *settled);
            else
                project::settle(*source);
            sources.emplace_back(rows.getColumn(0).getInt64(), std::move(*source));
        }
        if (sources.empty()) return;
        rows.reset();
        Writer writer(d);
        for (const auto& [id, source] : sources)
            writer.retime(id, source);
        all.commit();
    });
}

// Beside the database, for the day on which that is damaged.
namespace {

std::map<std::string, OwnWords> ownIn(SQLite::Database& d) {
    std::map<std::string, OwnWords> all;
    SQLite::Statement own(d, "SELECT content, notes, favourite FROM own");
    while (own.executeStep()) {
        OwnWords& w = all[own.getColumn(0).getString()];
        w.notes = own.getColumn(1).getString();
        w.favourite = own.getColumn(2).getInt() != 0;
    }
    SQLite::Statement tags(d, "SELECT content, tag FROM own_tags ORDER BY content, tag");
    while (tags.executeStep())
        all[tags.getColumn(0).getString()].tags.push_back(tags.getColumn(1).getString());
    return all;
}

} // namespace

std::map<std::string, OwnWords> Library::allOwn() const {
    const std::lock_guard lock(mutex_);
    auto all = used(notRead, [&] { return ownIn(database_->sqlite); });
    return all ? std::move(*all) : std::map<std::string, OwnWords>();
}

Result<void> Library::exportOwn() {
    auto words = used(notRead, [&] {
        AllOwnWords all;
        all.of = ownIn(database_->sqlite);
        SQLite::Statement folders(database_->sqlite, "SELECT path FROM folders ORDER BY path");
        while (folders.executeStep())
            all.folders.push_back(pathOf(folders.getColumn(0)));
        return all;
    });
    if (!words) return tl::unexpected(words.error());
    const fs::path beside = ownFile(file_);
    const std::string text = toText(*words);
    // Should this be less than it was, whatever the reason, the older stays beside it.
    std::error_code error;
    if (fs::exists(beside, error)) {
        const auto before = base::readText(beside);
        if (before && *before == text) return {};
        const auto older =
            before ? ownWordsFrom(*before) : base::Result<AllOwnWords>(tl::unexpected(before.error()));
        if (!older || words->of.size() < older->of.size())
            if (auto kept = keptBeside(beside); !kept) return tl::unexpected(kept.error());
    }
    return base::writeText(beside, text, base::Existing::Replace);
}

} // namespace shelf
