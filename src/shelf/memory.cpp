#include "shelf/memory.h"

#include "base/number.h"
#include "base/user_folders.h"
#include "base/utf8.h"
#include "project/settle.h"
#include "shelf/database.h"

#include <array>
#include <fmt/format.h>

namespace shelf {

namespace fs = std::filesystem;

namespace {

// Pins as "seconds beat seconds beat …", exactly.
std::string written(const std::vector<metre::Pin>& pins) {
    std::string text;
    for (const metre::Pin& pin : pins)
        text += base::numberText(pin.at.value) + ' ' + base::numberText(pin.beat.value) + ' ';
    return text;
}

// None where anything in it is no number.
std::optional<std::vector<metre::Pin>> pinsFrom(std::string_view text) {
    std::vector<double> numbers;
    while (!text.empty()) {
        const auto space = text.find(' ');
        const auto number = base::numberFrom(text.substr(0, space));
        if (!number) return std::nullopt;
        numbers.push_back(*number);
        text = space == std::string_view::npos ? std::string_view() : text.substr(space + 1);
    }
    if (numbers.size() % 2 != 0) return std::nullopt;
    std::vector<metre::Pin> pins;
    for (std::size_t i = 0; i < numbers.size(); i += 2)
        pins.push_back({metre::Seconds(numbers[i]), metre::Beats(numbers[i + 1])});
    return pins;
}

// What each version adds to the one before; the database says in its user_version how many it has been given.
void makeTable(SQLite::Database& database) {
    database.exec("CREATE TABLE IF NOT EXISTS settled (content TEXT PRIMARY KEY, witness TEXT NOT NULL,"
                  " pins TEXT NOT NULL, loop_beats TEXT NOT NULL) WITHOUT ROWID");
}
// Numbers were hexadecimal floats before; a row that cannot be read settles nothing and goes.
void writeDecimals(SQLite::Database& database) {
    SQLite::Statement all(database, "SELECT content, pins, loop_beats FROM settled");
    SQLite::Statement put(database, "UPDATE settled SET pins = ?, loop_beats = ? WHERE content = ?");
    SQLite::Statement drop(database, "DELETE FROM settled WHERE content = ?");
    std::vector<std::array<std::string, 3>> rows;
    while (all.executeStep())
        rows.push_back({all.getColumn(0).getString(), all.getColumn(1).getString(), all.getColumn(2).getString()});
    for (const auto& [content, pins, beats] : rows) {
        const auto read = pinsFrom(pins);
        const auto number = base::numberFrom(beats);
        if (!read) {
            drop.bind(1, content);
            drop.exec();
            drop.reset();
            continue;
        }
        put.bind(1, written(*read));
        put.bind(2, number ? base::numberText(*number) : std::string());
        put.bind(3, content);
        put.exec();
        put.reset();
    }
}
constexpr std::array<Migration, 2> migrations = {makeTable, writeDecimals};

} // namespace

Memory::Memory(std::unique_ptr<Database> database) : database_(std::move(database)) {}
Memory::~Memory() = default;

Result<std::unique_ptr<Memory>> Memory::open(const fs::path& file) {
    const std::string what =
        fmt::format("What was settled before could not be read from {}", base::shownPath(file));
    auto opened = openDatabase(file, migrations, what);
    if (!opened) return tl::unexpected(opened.error());
    return std::unique_ptr<Memory>(new Memory(std::move(*opened)));
}

std::optional<Settled> Memory::recall(const std::string& content) const {
    const std::lock_guard lock(mutex_);
    const auto found = used("recall", [&]() -> std::optional<Settled> {
        SQLite::Statement find(database_->sqlite,
                               "SELECT witness, pins, loop_beats FROM settled WHERE content = ?");
        find.bind(1, content);
        if (!find.executeStep()) return std::nullopt;
        const auto by = hear::witnessFromWord(find.getColumn(0).getString());
        const auto pins = pinsFrom(find.getColumn(1).getString());
        if (!by || !pins || !metre::BeatMap::make(*pins)) return std::nullopt;
        Settled settled{*by, *pins, {}};
        if (const auto beats = base::numberFrom(find.getColumn(2).getString()); beats && *beats > 0 && *beats < 1e6)
            settled.loopBeats = metre::Beats(*beats);
        return settled;
    });
    return found ? *found : std::nullopt;
}

namespace {
constexpr const char* notRemembered = "The tempo could not be remembered";
}

Result<void> Memory::remember(const std::string& content, const Settled& settled) {
    const std::lock_guard lock(mutex_);
    return used(notRemembered, [&] {
        SQLite::Statement put(database_->sqlite, "INSERT OR REPLACE INTO settled VALUES (?, ?, ?, ?)");
        put.bind(1, content);
        put.bind(2, hear::witnessWord(settled.by));
        put.bind(3, written(settled.pins));
        put.bind(4, settled.loopBeats ? base::numberText(settled.loopBeats->value) : std::string());
        put.exec();
    });
}

Result<void> Memory::forget(const std::string& content) {
    const std::lock_guard lock(mutex_);
    return used(notRemembered, [&] {
        SQLite::Statement remove(database_->sqlite, "DELETE FROM settled WHERE content = ?");
        remove.bind(1, content);
        remove.exec();
    });
}

Result<void> Memory::forgetAll() {
    const std::lock_guard lock(mutex_);
    return used(notRemembered, [&] { database_->sqlite.exec("DELETE FROM settled"); });
}

std::size_t Memory::size() const {
    const std::lock_guard lock(mutex_);
    const auto count =
        used("count", [&] { return database_->sqlite.execAndGet("SELECT count(*) FROM settled").getInt64(); });
    return count ? static_cast<std::size_t>(*count) : 0;
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

void recallInto(project::Source& source, const Memory* memory) {
    if (memory == nullptr) return;
    if (const auto settled = memory->recall(source.content)) recallInto(source, *settled);
}

fs::path memoryFile() {
    return base::dataFolder() / "settled.sqlite";
}

} // namespace shelf
