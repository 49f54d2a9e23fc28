#include "app/session/library_desk.h"

#include "app/session/jobs.h"
#include "app/widgets/text.h"
#include "base/background.h"

#include <fmt/format.h>

namespace app {

namespace fs = std::filesystem;

namespace {
constexpr std::size_t firstFetched = 80; // entries that come with what is found
}

LibraryDesk::LibraryDesk(Jobs& jobs, Memory memory, QObject* parent)
    : QObject(parent), jobs_(jobs), memory_(std::move(memory)) {
    thread_ = std::jthread([this](const std::stop_token& end) { work(end); });
    reader_ = std::jthread([this](const std::stop_token& end) { readFiles(end); });
}

LibraryDesk::~LibraryDesk() = default;

std::shared_ptr<shelf::Library> LibraryDesk::library() const {
    const std::lock_guard lock(mutex_);
    return library_;
}

void LibraryDesk::later(Work work) {
    const std::lock_guard lock(mutex_);
    if (isOpened_ && !library_) return;
    queue_.push_back(std::move(work));
    wake_.notify_all();
}

void LibraryDesk::work(const std::stop_token& end) {
    auto opened = shelf::Library::open(shelf::libraryFile());
    {
        const std::lock_guard lock(mutex_);
        isOpened_ = true;
        if (opened)
            library_ = std::move(*opened);
        else
            queue_.clear();
        wake_.notify_all();
    }
    if (!library_) {
        mailbox_.post([this, text = translated(opened.error().text)] { emit said(text); });
        return;
    }
    if (!library_->told().empty())
        mailbox_.post([this, text = translated(library_->told())] {
            emit complained(tr("The library was begun anew"), {text});
        });
    takeStock(*library_);
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return !queue_.empty(); }) || !queue_.empty()) {
        const Work next = std::move(queue_.front());
        queue_.pop_front();
        lock.unlock();
        try {
            next(*library_);
        } catch (const std::exception& e) {
            mailbox_.post([this, text = QString::fromUtf8(e.what())] { emit said(text); });
        }
        lock.lock();
    }
}

void LibraryDesk::takeStock(shelf::Library& library) {
    mailbox_.post([this, folders = library.folders(), tags = library.tags(), size = library.size()] {
        folders_ = folders;
        tags_ = tags;
        size_ = size;
        emit changed();
    });
}

void LibraryDesk::addFolder(const fs::path& folder) {
    later([this, folder](shelf::Library& library) {
        std::error_code error;
        const fs::path whole = fs::canonical(folder, error);
        if (auto done = library.addFolder(error ? folder : whole); !done) {
            mailbox_.post([this, text = translated(done.error().text)] { emit said(text); });
            return;
        }
        takeStock(library);
        mailbox_.post([this, whole] { scan({whole}); });
    });
}

void LibraryDesk::removeFolder(const fs::path& folder) {
    later([this, folder](shelf::Library& library) {
        const auto done = library.removeFolder(folder);
        const QString text = done ? tr("%1 is no longer looked through; its files are where they were.")
                                        .arg(qt(base::shownPath(folder)))
                                  : translated(done.error().text);
        takeStock(library);
        mailbox_.post([this, text] { emit said(text); });
    });
}

void LibraryDesk::scan(std::vector<fs::path> folders) {
    const std::shared_ptr<shelf::Library> library = this->library();
    if (!library) return;
    if (folders.empty()) folders = folders_;
    if (folders.empty()) {
        emit said(tr("No folder is in the library yet: add one."));
        return;
    }
    const QString what =
        folders.size() == 1 ? tr("Scanning %1").arg(qt(base::shownName(folders.front()))) : tr("Scanning folders");
    jobs_.start<base::Result<shelf::Scanned>>(
        Lane::Scan, what,
        [this, library, folders, memory = memory_](const base::Progress& progress) {
            shelf::ScanOptions options;
            options.memory = memory.get().get();
            // One for those who work with the window meanwhile.
            options.jobs = std::max(1, static_cast<int>(std::thread::hardware_concurrency()) - 1);
            auto shown = std::chrono::steady_clock::now();
            options.onCount = [&](std::size_t, std::size_t) {
                const auto now = std::chrono::steady_clock::now();
                if (now - shown < std::chrono::seconds(2)) return;
                shown = now;
                takeStock(*library); // what is there already can be heard already
            };
            return shelf::scan(*library, folders, options, progress);
        },
        [this](const base::Result<shelf::Scanned>& done) {
            if (!done) {
                emit complained(tr("The folders could not be scanned"), {translated(done.error().text)});
                return;
            }
            later([this](shelf::Library& l) { takeStock(l); });
            QStringList problems;
            for (const std::string& problem : done->problems)
                problems << translated(problem);
            if (!problems.isEmpty())
                emit complained(tr("%1 of %2 files could not be read").arg(done->failed).arg(done->files),
                                problems);
            QString text = tr("%1 files in the library's folders: %2 new, %3 changed, %4 gone")
                               .arg(done->files)
                               .arg(done->fresh)
                               .arg(done->changed)
                               .arg(done->gone);
            if (done->cancelled)
                text = tr("Cancelled: %1 files were read and are kept.").arg(done->fresh + done->changed);
            emit said(text);
        },
        1);
}

void LibraryDesk::search(const shelf::Query& query, std::function<void(Found)> done) {
    std::int64_t number = 0;
    {
        const std::lock_guard lock(mutex_);
        number = ++searchAsked_;
    }
    later([this, query, number, done = std::move(done)](shelf::Library& library) {
        {
            const std::lock_guard lock(mutex_);
            if (number != searchAsked_) return; // another came meanwhile
        }
        auto ids = library.search(query);
        if (!ids) {
            mailbox_.post([this, text = translated(ids.error().text)] { emit said(text); });
            return;
        }
        Found found;
        found.ids = std::move(*ids);
        const std::vector<std::int64_t> first(
            found.ids.begin(),
            found.ids.begin() + static_cast<std::ptrdiff_t>(std::min(firstFetched, found.ids.size())));
        if (auto entries = library.entries(first)) found.first = std::move(*entries);
        mailbox_.post([done, found = std::move(found)]() mutable { done(std::move(found)); });
    });
}

void LibraryDesk::fetch(std::vector<std::int64_t> ids, std::function<void(std::vector<shelf::Entry>)> done) {
    later([this, ids = std::move(ids), done = std::move(done)](shelf::Library& library) {
        auto entries = library.entries(ids);
        if (entries) mailbox_.post([done, entries = std::move(*entries)]() mutable { done(std::move(entries)); });
    });
}

void LibraryDesk::list(const fs::path& folder, std::function<void(Listed)> done) {
    later([this, folder, done = std::move(done)](shelf::Library& library) {
        Listed listed;
        listed.content = sound::audioIn(folder);
        if (auto known = library.entriesIn(folder)) listed.known = std::move(*known);
        mailbox_.post([done, listed = std::move(listed)]() mutable { done(std::move(listed)); });
    });
}

void LibraryDesk::foldersIn(const fs::path& folder, std::function<void(std::vector<fs::path>)> done) {
    later([this, folder, done = std::move(done)](shelf::Library&) {
        mailbox_.post([done, folders = sound::audioIn(folder).folders]() mutable { done(std::move(folders)); });
    });
}

void LibraryDesk::setOwn(std::map<std::string, shelf::OwnWords> of) {
    later([this, of = std::move(of)](shelf::Library& library) {
        if (auto done = library.setOwn(of); !done)
            mailbox_.post([this, text = translated(done.error().text)] { emit said(text); });
        takeStock(library);
    });
}

void LibraryDesk::settled(const std::string& content, const std::optional<shelf::Settled>& settled) {
    later([this, content, settled](shelf::Library& library) {
        if (library.settle(content, settled)) takeStock(library);
    });
}

void LibraryDesk::readSoon(std::vector<sound::ListedFile> files) {
    toRead_ = files.size();
    const std::lock_guard lock(mutex_);
    files_.assign(std::make_move_iterator(files.begin()), std::make_move_iterator(files.end()));
    wake_.notify_all();
}

void LibraryDesk::put(shelf::ReadFile file) {
    later([this, file = std::move(file)](shelf::Library& library) { keep(library, file); });
}

void LibraryDesk::keep(shelf::Library& library, const shelf::ReadFile& file) {
    if (!library.put({file})) return; // it is read again another time
    auto entries = library.entriesOf({file.listed.file});
    if (!entries || entries->empty()) return;
    mailbox_.post([this, entry = std::move(entries->front())] { emit wasRead(entry); });
}

void LibraryDesk::readFiles(const std::stop_token& end) {
    base::workInBackground();
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return isOpened_ && !files_.empty(); })) {
        const std::shared_ptr<shelf::Library> library = library_;
        if (!library) return;
        const sound::ListedFile next = std::move(files_.front());
        files_.pop_front();
        const std::size_t left = files_.size();
        lock.unlock();
        const shelf::ReadFile read = shelf::readForLibrary(next, *library, memory_.get().get(), {{}, end});
        if (read.source || !read.problem.empty()) keep(*library, read);
        mailbox_.post([this, left] { toRead_ = left; });
        lock.lock();
    }
}

} // namespace app
