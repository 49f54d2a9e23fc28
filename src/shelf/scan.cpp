#include "shelf/scan.h"

#include "base/background.h"
#include "base/utf8.h"
#include "project/import.h"

#include <algorithm>
#include <chrono>
#include <condition_variable>
#include <fmt/format.h>
#include <mutex>
#include <new>
#include <thread>
#include <unordered_map>

namespace shelf {

namespace fs = std::filesystem;

namespace {

using Clock = std::chrono::steady_clock;

constexpr std::size_t batch = 64;                          // files that are kept at once
constexpr auto keepAfter = std::chrono::milliseconds(500); // at the latest

// What is to be read, and what is only to be marked.
struct Plan {
    std::vector<sound::ListedFile> toRead;
    std::vector<std::int64_t> there; // again
    std::vector<std::int64_t> gone;
    std::size_t files = 0;
};

bool liesWithin(const fs::path& file, const fs::path& folder) {
    const std::string& f = folder.native();
    return file.native().size() > f.size() && file.native().compare(0, f.size(), f) == 0 &&
           (f.back() == '/' || file.native()[f.size()] == '/');
}

Result<void> addTo(Plan& plan, Scanned& out, const Library& library, const fs::path& folder,
                   const base::Progress& progress) {
    const sound::Listing listing = sound::audioWithin(folder, progress);
    auto known = library.knownWithin(folder);
    if (!known) return tl::unexpected(known.error());
    std::unordered_map<std::string, const Library::Known*> byPath;
    for (const Library::Known& k : *known)
        byPath.emplace(k.listed.file.native(), &k);
    plan.files += listing.files.size();
    for (const sound::ListedFile& file : listing.files) {
        const auto found = byPath.find(file.file.native());
        if (found == byPath.end()) {
            plan.toRead.push_back(file);
            continue;
        }
        const Library::Known& k = *found->second;
        if (!(k.listed == file) || !k.isCurrent)
            plan.toRead.push_back(file);
        else if (k.isGone)
            plan.there.push_back(k.id);
        byPath.erase(found);
    }
    if (progress.stopped() || listing.hasMore) return {}; // who knows what else is there
    for (const auto& left : byPath) {
        const fs::path path = left.first;
        const Library::Known* k = left.second;
        // What lies in a folder that could not be listed is not gone for that.
        const bool unseen = std::any_of(listing.unread.begin(), listing.unread.end(), [&](const auto& unread) {
            std::error_code error;
            return liesWithin(path, unread.first) && fs::exists(unread.first, error);
        });
        if (!k->isGone && !unseen) plan.gone.push_back(k->id);
    }
    for (const auto& [where, why] : listing.unread) {
        ++out.failed;
        if (out.problems.size() < mostProblems) out.problems.push_back(why);
    }
    return {};
}

} // namespace

ReadFile readForLibrary(const sound::ListedFile& listed, const Library& library, const Memory* memory,
                        const base::Progress& progress) {
    ReadFile out{listed, {}, {}};
    for (int attempt = 0; attempt < 2; ++attempt) {
        try {
            auto read = project::listenToFile(out.listed.file, {}, progress,
                                              [&](const std::string& c) { return library.heardBefore(c); });
            if (!read) {
                if (read.error().cancelled) return out;
                out.problem = read.error().text;
            } else {
                out.problem.clear();
                out.source = std::move(read->source);
                out.feel = std::move(read->feel);
                recallInto(*out.source, memory);
            }
        } catch (const std::bad_alloc&) {
            out.problem = fmt::format("{} could not be read: there is not enough memory for it.",
                                      base::shownPath(listed.file));
        } catch (const std::exception& e) {
            out.problem = fmt::format("{} could not be read: {}.", base::shownPath(listed.file), e.what());
        }
        const auto now = sound::listed(out.listed.file);
        if (!now || *now == out.listed) return out;
        out.listed = *now;
    }
    out.source.reset();
    out.problem = fmt::format("{} was changed while it was read; it is read with the next scan.",
                              base::shownPath(listed.file));
    out.listed.changed = 0; // which no file is
    return out;
}

namespace {

// Reads files with several workers, and hands out what they have read in batches.
class Readers {
  public:
    // REQUIRES toRead and library to outlive it. Nothing is begun after a stop.
    Readers(const std::vector<sound::ListedFile>& toRead, const Library& library, const ScanOptions& options,
            const std::stop_token& stop)
        : toRead_(toRead), passOn_(stop, Passing{stop_}) {
        const auto count = static_cast<std::size_t>(
            options.jobs > 0 ? options.jobs : std::max(1, static_cast<int>(std::thread::hardware_concurrency())));
        running_ = std::min(count, toRead.size());
        for (std::size_t w = 0; w < std::min(count, toRead.size()); ++w)
            workers_.emplace_back([this, &library, &options] { work(library, options); });
    }

    ~Readers() { stop(); }
    Readers(const Readers&) = delete;
    Readers& operator=(const Readers&) = delete;

    struct Batch {
        std::vector<ReadFile> files;
        std::size_t ended = 0; // of all, so far
        bool isLast = false;
    };
    // Waits until a batch is full, all is read, or what is there has waited long enough.
    Batch next() {
        std::unique_lock lock(mutex_);
        came_.wait_for(lock, keepAfter, [&] { return ready_.size() >= batch || running_ == 0; });
        Batch out{{}, ended_, running_ == 0};
        out.files.swap(ready_);
        return out;
    }
    void stop() { stop_.request_stop(); }

  private:
    struct Passing {
        std::stop_source& to;
        void operator()() const { to.request_stop(); }
    };

    void work(const Library& library, const ScanOptions& options) {
        base::workInBackground();
        while (const auto mine = take()) {
            ReadFile read = readForLibrary(toRead_[*mine], library, options.memory, {{}, stop_.get_token()});
            const std::lock_guard lock(mutex_);
            ++ended_;
            if (read.source || !read.problem.empty()) ready_.push_back(std::move(read));
            came_.notify_all();
        }
    }
    std::optional<std::size_t> take() {
        const std::lock_guard lock(mutex_);
        if (next_ < toRead_.size() && !stop_.stop_requested()) return next_++;
        --running_;
        came_.notify_all();
        return {};
    }

    const std::vector<sound::ListedFile>& toRead_;
    std::mutex mutex_;
    std::condition_variable came_;
    std::vector<ReadFile> ready_;
    std::size_t next_ = 0;
    std::size_t ended_ = 0;
    std::size_t running_ = 0;
    std::stop_source stop_;
    const std::stop_callback<Passing> passOn_;
    std::vector<std::jthread> workers_;
};

Result<void> keep(Library& library, const std::vector<ReadFile>& files, Scanned& out) {
    const auto put = library.put(files);
    if (!put) return tl::unexpected(put.error());
    for (std::size_t i = 0; i < files.size(); ++i) {
        if (!files[i].problem.empty()) {
            ++out.failed;
            if (out.problems.size() < mostProblems) out.problems.push_back(files[i].problem);
        } else {
            ++((*put)[i] == Library::Came::New ? out.fresh : out.changed);
        }
    }
    return {};
}

// Reads what the plan says and keeps it in the library, until all is read or a batch could not be kept.
Result<void> readAll(Library& library, const Plan& plan, const ScanOptions& options, Scanned& out,
                     const base::Progress& progress) {
    const std::size_t total = plan.toRead.size();
    Readers readers(plan.toRead, library, options, progress.stop);
    if (options.onCount) options.onCount(0, total);
    Result<void> kept;
    while (true) {
        const Readers::Batch came = readers.next();
        if (!came.files.empty() && kept) {
            kept = keep(library, came.files, out);
            if (!kept) readers.stop();
        }
        if (options.onCount) options.onCount(came.ended, total);
        progress.at(total == 0 ? 1 : double(came.ended) / double(total));
        if (came.isLast) return kept;
    }
}

// What was moved is not gone any more.
Result<void> setAside(Library& library, const Plan& plan, Scanned& out) {
    const auto entries = library.entries(plan.gone);
    if (!entries) return tl::unexpected(entries.error());
    std::vector<std::int64_t> gone;
    for (const Entry& entry : *entries) {
        std::error_code error;
        if (!fs::exists(entry.file, error)) gone.push_back(entry.id);
    }
    if (auto done = library.setGone(gone, true); !done) return done;
    out.gone = gone.size();
    return {};
}

} // namespace

Result<Scanned> scan(Library& library, const std::vector<fs::path>& folders, const ScanOptions& options,
                     const base::Progress& progress) {
    const auto begun = Clock::now();
    Scanned out;
    Plan plan;
    for (const fs::path& folder : folders) {
        if (auto added = addTo(plan, out, library, folder, progress); !added) return tl::unexpected(added.error());
    }
    std::sort(plan.toRead.begin(), plan.toRead.end(), [](const auto& a, const auto& b) { return a.file < b.file; });
    plan.toRead.erase(std::unique(plan.toRead.begin(), plan.toRead.end()), plan.toRead.end());
    if (!options.shard.isAll())
        std::erase_if(plan.toRead, [&](const auto& file) { return !options.shard.holds(file.file); });
    out.files = plan.files;
    if (!plan.there.empty())
        if (auto done = library.setGone(plan.there, false); !done) return tl::unexpected(done.error());

    if (auto kept = readAll(library, plan, options, out, progress); !kept) return tl::unexpected(kept.error());
    out.cancelled = progress.stopped();
    if (!out.cancelled && !plan.gone.empty())
        if (auto done = setAside(library, plan, out); !done) return tl::unexpected(done.error());
    out.seconds = std::chrono::duration<double>(Clock::now() - begun).count();
    return out;
}

} // namespace shelf
