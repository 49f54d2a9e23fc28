#include "shelf/database.h"

#include <sqlite3.h>
#include <system_error>

namespace shelf {

namespace {
constexpr int busyMilliseconds = 2000;
}

bool saysDamaged(const SQLite::Exception& e) {
    const int code = e.getErrorCode() & 0xFF;
    return code == SQLITE_NOTADB || code == SQLITE_CORRUPT;
}

Result<std::unique_ptr<Database>> openDatabase(const std::filesystem::path& file,
                                               std::span<const Migration> versions, const std::string& what,
                                               bool* damaged) {
    std::error_code error;
    std::filesystem::create_directories(file.parent_path(), error);
    if (error) return base::problem(fmt::format("{}: {}.", what, error.message()));
    try {
        auto database = std::make_unique<Database>(Database{
            SQLite::Database(file.string(), SQLite::OPEN_READWRITE | SQLite::OPEN_CREATE, busyMilliseconds)});
        SQLite::Database& sqlite = database->sqlite;
        // Losing the last seconds to a power cut is no harm here; a damaged file would be.
        sqlite.exec("PRAGMA journal_mode=WAL");
        sqlite.exec("PRAGMA synchronous=NORMAL");
        SQLite::Transaction all(sqlite, SQLite::TransactionBehavior::IMMEDIATE);
        const int version = sqlite.execAndGet("PRAGMA user_version").getInt();
        if (version > static_cast<int>(versions.size()))
            throw std::runtime_error("it was written by a newer Patient Metre");
        for (auto m = static_cast<std::size_t>(std::max(0, version)); m < versions.size(); ++m)
            versions[m](sqlite);
        sqlite.exec(fmt::format("PRAGMA user_version={}", versions.size()));
        all.commit();
        return database;
    } catch (const SQLite::Exception& e) {
        if (damaged != nullptr) *damaged = saysDamaged(e);
        return base::problem(fmt::format("{}: {}.", what, e.what()));
    } catch (const std::exception& e) {
        return base::problem(fmt::format("{}: {}.", what, e.what()));
    }
}

} // namespace shelf
