// What the databases of this room have in common: opened with their versions, and no exception leaves them.
#pragma once

#include "base/result.h"

#include <SQLiteCpp/SQLiteCpp.h>
#include <filesystem>
#include <fmt/format.h>
#include <memory>
#include <span>
#include <string>

namespace shelf {

using base::Result;

struct Database {
    SQLite::Database sqlite;
};

// What a version adds to the one before.
using Migration = void (*)(SQLite::Database&);

// Opens a database, or makes it with the folders it lies in, and brings what an older version wrote up to date: it
// says in its user_version how many of the migrations it has been given. Waits up to two seconds for another
// program that has it. `what` begins the sentence in which it fails, before the reason. `damaged`, where given, is
// set when the reason is that it is damaged.
Result<std::unique_ptr<Database>> openDatabase(const std::filesystem::path& file,
                                               std::span<const Migration> versions, const std::string& what,
                                               bool* damaged = nullptr);

// Whether an error says that the database is damaged, and not merely that it could not be read now.
bool saysDamaged(const SQLite::Exception& e);

// Calls what uses the database; what goes wrong there becomes a sentence.
template <class Use>
auto used(const char* what, const Use& use) -> Result<decltype(use())> {
    try {
        if constexpr (std::is_void_v<decltype(use())>) {
            use();
            return {};
        } else {
            return use();
        }
    } catch (const std::exception& e) {
        return base::problem(fmt::format("{}: {}.", what, e.what()));
    }
}

} // namespace shelf
