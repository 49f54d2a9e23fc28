#include "shelf/memory.h"

#include "base/utf8.h"
#include "project/settle.h"
#include "sound/read.h"

#include <cstdlib>
#include <fmt/format.h>
#include <sqlite3.h>
#include <sstream>

namespace shelf {

namespace fs = std::filesystem;

struct Memory::Database {
    sqlite3* handle = nullptr;
    Database() = default;
    Database(const Database&) = delete;
    Database& operator=(const Database&) = delete;
    ~Database() { sqlite3_close(handle); }
};

namespace {

// One statement, finished when it goes out of scope.
class Statement {
  public:
    Statement(sqlite3* database, const char* sql) {
        if (sqlite3_prepare_v2(database, sql, -1, &statement_, nullptr) != SQLITE_OK) statement_ = nullptr;
    }
    ~Statement() { sqlite3_finalize(statement_); }
    Statement(const Statement&) = delete;
    Statement& operator=(const Statement&) = delete;

    void bind(int at, const std::string& text) {
        if (statement_ != nullptr)
            sqlite3_bind_text(statement_, at, text.data(), static_cast<int>(text.size()), SQLITE_TRANSIENT);
    }
    int step() { return statement_ == nullptr ? SQLITE_ERROR : sqlite3_step(statement_); }
    std::string text(int column) const {
        const auto* bytes = sqlite3_column_text(statement_, column);
        return bytes == nullptr ? std::string() : std::string(reinterpret_cast<const char*>(bytes));
    }
    std::int64_t number(int column) const { return sqlite3_column_int64(statement_, column); }

  private:
    sqlite3_stmt* statement_ = nullptr;
};

// Pins as "seconds beat seconds beat …", exactly.
std::string written(const std::vector<metre::Pin>& pins) {
    std::string text;
    for (const metre::Pin& pin : pins)
        text += fmt::format("{:a} {:a} ", pin.at.value, pin.beat.value);
    return text;
}

std::vector<metre::Pin> read(const std::string& text) {
    std::vector<metre::Pin> pins;
    std::istringstream words(text);
    std::string seconds;
    std::string beat;
    while (words >> seconds >> beat)
        pins.push_back({metre::Seconds(std::strtod(seconds.c_str(), nullptr)),
                        metre::Beats(std::strtod(beat.c_str(), nullptr))});
    return pins;
}

} // namespace

Memory::Memory(std::unique_ptr<Database> database) : database_(std::move(database)) {}
Memory::~Memory() = default;

Result<std::unique_ptr<Memory>> Memory::open(const fs::path& file) {
    const auto fail = [&](const std::string& reason) {
        return base::problem(
            fmt::format("What was settled before could not be read from {}: {}.", base::shownPath(file), reason));
    };
    std::error_code error;
    fs::create_directories(file.parent_path(), error);
    if (error) return fail(error.message());
    auto database = std::make_unique<Database>();
    if (sqlite3_open(file.c_str(), &database->handle) != SQLITE_OK) return fail(sqlite3_errmsg(database->handle));
    sqlite3_busy_timeout(database->handle, 2000);
    // Losing the last seconds to a power cut is no harm here; a damaged file would be.
    char* message = nullptr;
    const int made =
        sqlite3_exec(database->handle,
                     "PRAGMA journal_mode=WAL; PRAGMA synchronous=NORMAL;"
                     "CREATE TABLE IF NOT EXISTS settled (content TEXT PRIMARY KEY, witness TEXT NOT NULL,"
                     " pins TEXT NOT NULL, loop_beats TEXT NOT NULL) WITHOUT ROWID;",
                     nullptr, nullptr, &message);
    const std::string reason = message == nullptr ? std::string() : std::string(message);
    sqlite3_free(message);
    if (made != SQLITE_OK) return fail(reason);
    return std::unique_ptr<Memory>(new Memory(std::move(database)));
}

std::optional<Settled> Memory::recall(const std::string& content) const {
    const std::lock_guard lock(mutex_);
    Statement find(database_->handle, "SELECT witness, pins, loop_beats FROM settled WHERE content = ?");
    find.bind(1, content);
    if (find.step() != SQLITE_ROW) return std::nullopt;
    Settled settled;
    const auto by = hear::witnessFromWord(find.text(0));
    settled.pins = read(find.text(1));
    if (!by || !metre::BeatMap::make(settled.pins)) return std::nullopt;
    settled.by = *by;
    if (const std::string beats = find.text(2); !beats.empty()) {
        const double value = std::strtod(beats.c_str(), nullptr);
        if (value > 0 && value < 1e6) settled.loopBeats = metre::Beats(value);
    }
    return settled;
}

namespace {

Result<void> done(Statement& statement, sqlite3* database) {
    if (statement.step() == SQLITE_DONE) return {};
    return base::problem(fmt::format("The tempo could not be remembered: {}.", sqlite3_errmsg(database)));
}

} // namespace

Result<void> Memory::remember(const std::string& content, const Settled& settled) {
    const std::lock_guard lock(mutex_);
    Statement put(database_->handle, "INSERT OR REPLACE INTO settled VALUES (?, ?, ?, ?)");
    put.bind(1, content);
    put.bind(2, hear::witnessWord(settled.by));
    put.bind(3, written(settled.pins));
    put.bind(4, settled.loopBeats ? fmt::format("{:a}", settled.loopBeats->value) : std::string());
    return done(put, database_->handle);
}

Result<void> Memory::forget(const std::string& content) {
    const std::lock_guard lock(mutex_);
    Statement remove(database_->handle, "DELETE FROM settled WHERE content = ?");
    remove.bind(1, content);
    return done(remove, database_->handle);
}

Result<void> Memory::forgetAll() {
    const std::lock_guard lock(mutex_);
    Statement remove(database_->handle, "DELETE FROM settled");
    return done(remove, database_->handle);
}

std::size_t Memory::size() const {
    const std::lock_guard lock(mutex_);
    Statement count(database_->handle, "SELECT count(*) FROM settled");
    return count.step() == SQLITE_ROW ? static_cast<std::size_t>(count.number(0)) : 0;
}

std::optional<Settled> settledOf(const project::Source& source) {
    if (!source.beats || !source.chosen) return std::nullopt;
    return Settled{*source.chosen, source.beats->pins(), source.loopBeats};
}

void recallInto(project::Source& source, const Settled& settled) {
    auto map = metre::BeatMap::make(settled.pins);
    if (!map) return;
    hear::Reading reading;
    reading.by = settled.by == hear::Witness::Tapped ? settled.by : hear::Witness::Typed;
    reading.bpm = map->meanTempo();
    reading.beats = settled.loopBeats;
    reading.sureness = 1;
    reading.evidence = fmt::format("settled before, {}", hear::witnessWord(settled.by));
    reading.pins = settled.pins;
    reading.steady = settled.pins.size() == 2;
    project::putReading(source, reading);
    project::useReading(source, reading);
}

fs::path memoryFile() {
    const auto folder = [](const char* name) {
        const char* value = std::getenv(name);
        return value == nullptr ? fs::path() : fs::path(value);
    };
    fs::path base = folder("PATIENT_METRE_DATA");
    if (base.empty() && !folder("XDG_DATA_HOME").empty()) base = folder("XDG_DATA_HOME") / "patient-metre";
    if (base.empty()) base = folder("HOME") / ".local" / "share" / "patient-metre";
    return base / "settled.sqlite";
}

} // namespace shelf
