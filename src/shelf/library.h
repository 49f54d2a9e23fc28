// The library: what is known of the audio in the folders that the user named, kept in one database and searched.
#pragma once

#include "base/result.h"
#include "project/project.h"
#include "shelf/memory.h"
#include "shelf/own_words.h"
#include "shelf/query.h"
#include "sound/audio_files.h"

#include <filesystem>
#include <functional>
#include <map>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <vector>

namespace shelf {

// One file, as the shelf shows it.
struct Entry {
    std::int64_t id = 0; // of the library; stays with the recording when its file is moved, renamed or retagged
    std::filesystem::path file;
    std::string name;    // without its ending, as shown
    std::string content; // sound::contentOf() it; empty where it could not be read
    std::optional<metre::Bpm> bpm;
    bool isMaybe = false;            // hearing is not sure that there is a beat
    bool isFree = false;             // played without a click; bpm is its mean
    std::optional<hear::Witness> by; // whose reading that is
    std::optional<int> beats;        // of a loop
    std::optional<hear::Key> key;
    std::optional<hear::Witness> keyBy; // who says so
    hear::Kind kind = hear::Kind::NoBeat;
    metre::Seconds length;
    // How it is played; none: not told, or there is none.
    std::optional<hear::FeelGrid> feelGrid;
    std::optional<double> swing;         // per cent
    std::optional<metre::Seconds> loose; // with feelGrid
    OwnWords own;
    bool isGone = false; // the file was not there when it was last looked for
    std::string problem; // why it could not be read, naming it; empty where it could
    bool isRead() const { return !content.empty(); }
};

// What reading one file came to.
struct ReadFile {
    sound::ListedFile listed;
    std::optional<project::Source> source; // without sound
    std::string problem;                   // why there is none
    std::optional<hear::Feel> feel = std::nullopt;
};

// A small SQLite database of its own, safe against being killed at any moment. Any thread; calls wait for each
// other, and up to two seconds for another program that has the database, so that the interface leaves them to a
// worker.
class Library {
  public:
    // Opens it, or makes it. One that is damaged is put aside under another name and begun anew. The user's own
    // words lie beside it as text (own_words.h): a library without any takes them in before anything is written
    // there; told() says so. When they become fewer, three older versions of that text stay. Fails, naming the
    // file, when it is newer than this version, may not be written, or could not be checked: then it stays as it
    // is.
    static Result<std::unique_ptr<Library>> open(const std::filesystem::path& file);
    ~Library();
    const std::string& told() const { return told_; }

    // The folders that the user named.
    std::vector<std::filesystem::path> folders() const;
    Result<void> addFolder(const std::filesystem::path& folder);
    // What is known of its files stays, as long as they are in no search.
    Result<void> removeFolder(const std::filesystem::path& folder);

    // What is known of the files within a folder, for whoever looks what has changed.
    struct Known {
        std::int64_t id = 0;
        sound::ListedFile listed;
        bool isGone = false;
        bool isCurrent = false; // it was read, and nothing new would be found by reading it again
    };
    Result<std::vector<Known>> knownWithin(const std::filesystem::path& folder) const;

    // Takes in what was read, all or nothing, and says of each what that was.
    enum class Came { New, Changed, Same };
    Result<std::vector<Came>> put(const std::vector<ReadFile>& files);
    // Takes in what another library knows, all or nothing: rows by their paths alone, since nobody can say here
    // what was moved there.
    Result<void> take(const std::vector<ReadFile>& files);
    // Every file that is there, by path, until one is refused.
    Result<void> eachFile(const std::function<bool(const ReadFile&)>& each) const;
    Result<void> setGone(const std::vector<std::int64_t>& ids, bool gone);

    // The recordings found, in order. Words that nothing can be looked for by find nothing.
    Result<std::vector<std::int64_t>> search(const Query& query) const;
    // Of those ids that there are, in the order asked for.
    Result<std::vector<Entry>> entries(const std::vector<std::int64_t>& ids) const;
    // By file, of those that are known; in any order.
    Result<std::vector<Entry>> entriesOf(const std::vector<std::filesystem::path>& files) const;
    // Of the files that lie in a folder itself, by path.
    Result<std::vector<Entry>> entriesIn(const std::filesystem::path& folder) const;
    // All that is known of a file's timing, without sound and id; none where it was not read.
    std::optional<project::Source> sourceOf(std::int64_t id) const;
    // What was heard of a recording with this content, whatever its file is called; none where that was not, or by
    // an older hearing.
    std::optional<project::Source> heardBefore(const std::string& content) const;
    std::size_t size() const;

    // The user's own words, by content, in the database and beside it.
    Result<void> setOwn(const std::map<std::string, OwnWords>& of);
    OwnWords own(const std::string& content) const;
    std::map<std::string, OwnWords> allOwn() const;
    // All own tags, the most used first.
    std::vector<std::string> tags() const;
    // What the user settled, or took back, for this content.
    Result<void> settle(const std::string& content, const std::optional<Settled>& settled);

  private:
    explicit Library(std::unique_ptr<Database> database, std::filesystem::path file);
    Result<void> exportOwn();
    Result<void> takeOwn(bool damaged);
    // In the database alone.
    Result<void> setOwnOnly(const std::map<std::string, OwnWords>& of);
    Result<void> addFolderOnly(const std::filesystem::path& folder);

    std::unique_ptr<Database> database_;
    std::filesystem::path file_;
    std::string told_;
    mutable std::mutex mutex_;
};

// Where the user's library lies: in base::dataFolder().
std::filesystem::path libraryFile();

} // namespace shelf
