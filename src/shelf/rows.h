// The rows of the library: how a file stands in one, and what belongs to it is written.
#pragma once

#include "shelf/database.h"
#include "shelf/library.h"

namespace shelf {

void bindPath(SQLite::Statement& s, int at, const std::filesystem::path& path);
void bindBytes(SQLite::Statement& s, int at, const std::string& bytes);
std::filesystem::path pathOf(const SQLite::Column& column);

// A key as one number; none is NULL.
int keyNumber(hear::Key key);
hear::Key keyFrom(int number);

// Everything below a folder lies between these, as bytes.
std::pair<std::string, std::string> boundsOf(const std::filesystem::path& folder);

// The columns of an entry, and an entry from them, without own words.
inline constexpr const char* entryColumns =
    "id, path, name, content, bpm, maybe, free, witness, beats, key, kind, seconds,"
    " gone, problem, key_witness, feel_grid, swing, loose";
Entry entryFrom(const SQLite::Statement& row);

// Statements that are used many times in one call.
inline constexpr const char* notKept = "The library could not be written";
inline constexpr const char* notRead = "The library could not be read";

// What the user says of recordings.
class Reader {
  public:
    explicit Reader(SQLite::Database& d);
    OwnWords own(const std::string& content);

  private:
    SQLite::Statement tags_, own_;
};

class Writer {
  public:
    explicit Writer(SQLite::Database& d);

    Library::Came put(const ReadFile& file);
    // By its path alone.
    void take(const ReadFile& file);
    // Another tempo is used of a row, which else stays as it is.
    void retime(std::int64_t id, const project::Source& source);
    OwnWords own(const std::string& content) { return reader_.own(content); }
    // What a row is found by.
    void index(std::int64_t id, const std::filesystem::path& file, const std::string& name, const OwnWords& own,
               std::optional<hear::Key> key, hear::Kind kind);

  private:
    std::vector<std::int64_t> absentWith(const std::string& content, const std::filesystem::path& besides);
    void remove(std::int64_t id);
    void write(std::optional<std::int64_t> id, const ReadFile& file, const std::string& content);
    void bindFeel(SQLite::Statement& s, int at, const ReadFile& file, const std::string& content);

    SQLite::Database& d_;
    SQLite::Statement byPath_, byContent_, insert_, update_, retime_, drop_, putSource_, dropSource_, dropWords_,
        putWords_, knownFeel_;
    Reader reader_;
};

} // namespace shelf
