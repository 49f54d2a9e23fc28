// The library as the window works with it: asked on a thread of its own, filled by another.
#pragma once

#include "app/session/mailbox.h"
#include "shelf/scan.h"

#include <QObject>
#include <condition_variable>
#include <deque>
#include <filesystem>
#include <functional>
#include <future>
#include <memory>
#include <mutex>
#include <thread>
#include <vector>

namespace app {

class Jobs;

// Everything here is called on the interface thread, and so is what is handed back.
class LibraryDesk : public QObject {
    Q_OBJECT
  public:
    // The memory is what was settled before; may come to be null.
    using Memory = std::shared_future<std::shared_ptr<shelf::Memory>>;
    LibraryDesk(Jobs& jobs, Memory memory, QObject* parent = nullptr);
    ~LibraryDesk() override;

    // The folders that the user named.
    const std::vector<std::filesystem::path>& folders() const { return folders_; }
    // Own tags, the most used first.
    const std::vector<std::string>& tags() const { return tags_; }
    std::size_t size() const { return size_; }

    // Adds a folder and scans it; forgets one, and leaves its files where they are.
    void addFolder(const std::filesystem::path& folder);
    void removeFolder(const std::filesystem::path& folder);
    // Scans folders again; all of them where none is said.
    void scan(std::vector<std::filesystem::path> folders = {});

    struct Found {
        std::vector<std::int64_t> ids;
        std::vector<shelf::Entry> first; // of those ids, as many as fill a list
    };
    // Hands back what is found, in order; of searches that wait only the last is made.
    void search(const shelf::Query& query, std::function<void(Found)> done);
    void fetch(std::vector<std::int64_t> ids, std::function<void(std::vector<shelf::Entry>)> done);
    // What lies in a folder, and what is known of it.
    struct Listed {
        sound::FolderContent content;
        std::vector<shelf::Entry> known; // by path
    };
    void list(const std::filesystem::path& folder, std::function<void(Listed)> done);
    void foldersIn(const std::filesystem::path& folder,
                   std::function<void(std::vector<std::filesystem::path>)> done);

    void setOwn(std::map<std::string, shelf::OwnWords> of); // by content
    // What was settled for a recording, or taken back.
    void settled(const std::string& content, const std::optional<shelf::Settled>& settled);

    // Reads files that are unread, in this order, one after the other; what was asked for before and has not begun
    // is forgotten. Each is handed on by wasRead().
    void readSoon(std::vector<sound::ListedFile> files);
    std::size_t stillToRead() const { return toRead_; }
    // Takes in what was read by others.
    void put(shelf::ReadFile file);
    // For a worker: the library, once it is open; null where it could not be opened.
    std::shared_ptr<shelf::Library> library() const;
    const Memory& memory() const { return memory_; }

  signals:
    void changed(); // the library, its folders or tags
    void wasRead(const shelf::Entry& entry);
    void said(const QString& sentence);
    void complained(const QString& title, const QStringList& lines);

  private:
    using Work = std::function<void(shelf::Library&)>;
    void later(Work work);
    void work(const std::stop_token& end);
    void readFiles(const std::stop_token& end);
    void takeStock(shelf::Library& library);
    void keep(shelf::Library& library, const shelf::ReadFile& file);

    Jobs& jobs_;
    Memory memory_;
    Mailbox mailbox_;
    std::vector<std::filesystem::path> folders_;
    std::vector<std::string> tags_;
    std::size_t size_ = 0;
    std::size_t toRead_ = 0;
    std::int64_t lastSearch_ = 0;

    mutable std::mutex mutex_; // guards what follows
    std::condition_variable_any wake_;
    std::shared_ptr<shelf::Library> library_;
    bool isOpened_ = false; // or could not be
    std::deque<Work> queue_;
    std::deque<sound::ListedFile> files_;
    std::int64_t searchAsked_ = 0;
    std::jthread thread_; // last: they end first
    std::jthread reader_;
};

} // namespace app
