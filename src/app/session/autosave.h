// Keeps a copy of the unsaved document where the next start finds it.
#pragma once

#include "app/session/document.h"
#include "app/session/mailbox.h"
#include "project/recovery.h"

#include <QObject>
#include <QTimer>
#include <condition_variable>
#include <memory>
#include <mutex>
#include <optional>
#include <thread>

namespace app {

// Writes a little after each change, on a thread of its own; another brings what was written to disk, so that no
// edit waits for a disk that is busy. What was written is removed once something newer is safe: the document was
// saved as it is, or the program ends as it should.
class Autosave : public QObject {
    Q_OBJECT
  public:
    explicit Autosave(Document& document, QObject* parent = nullptr);
    ~Autosave() override; // a clean end

    // This file holds nothing that is not in the document now; it goes as soon as the document is safe by itself.
    void supersedes(const std::filesystem::path& recovered);
    // The document was saved as it is.
    void nothingToKeep();
    // Whether what is there now has been written.
    bool isUpToDate() const { return written_ == document_.revision(); }

  signals:
    void failed(const QString& sentence);

  private:
    struct ToWrite {
        project::Project project;
        std::filesystem::path folder;
        std::int64_t revision = 0;
    };
    void changed();
    void write();
    void writeOrders(const std::stop_token& end);
    void bringToDisk(const std::stop_token& end);
    void failedWith(const QString& problem);
    void removeSuperseded();

    Document& document_;
    Mailbox mailbox_;
    QTimer soon_;   // after the last change
    QTimer latest_; // after the first that is not written yet
    std::int64_t written_ = 0;
    std::vector<std::filesystem::path> superseded_;

    std::mutex mutex_; // guards what follows
    std::condition_variable_any wake_;
    std::optional<ToWrite> order_;
    bool remove_ = false;
    std::unique_ptr<project::Autosave> file_;   // once there is one, it stays
    std::optional<std::int64_t> toBringToDisk_; // the revision that was written
    std::jthread writing_;
    std::jthread bringing_; // last: ends first
};

} // namespace app
