#include "shelf/scan.h"

#include "base/background.h"
#include "base/utf8.h"
#include "project/import.h"

#include <algorithm>
#include <chrono>
#include <condition_variable>
#include <fmt/format.h>
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
    out.files = plan.files;
    if (!plan.there.empty())
        if (auto done = library.setGone(plan.there, false); !done) return tl::unexpected(done.error());

    std::mutex mutex;
    std::condition_variable came;
    std::vector<ReadFile> ready;
    std::size_t next = 0;
    std::size_t ended = 0;
    std::stop_source stop;
    const std::stop_callback passOn(progress.stop, [&] { stop.request_stop(); });
    const std::size_t total = plan.toRead.size();
    const auto count = static_cast<std::size_t>(
        options.jobs > 0 ? options.jobs : std::max(1, static_cast<int>(std::thread::hardware_concurrency())));
    std::vector<std::jthread> workers;
    std::size_t running = std::min(count, total);
    for (std::size_t w = 0; w < std::min(count, total); ++w)
        workers.emplace_back([&] {
            base::workInBackground();
            while (true) {
                std::size_t mine = 0;
                {
                    const std::lock_guard lock(mutex);
                    if (next == total || stop.stop_requested()) {
                        --running;
                        came.notify_all();
                        return;
                    }
                    mine = next++;
                }
                ReadFile read = readForLibrary(plan.toRead[mine], library, options.memory, {{}, stop.get_token()});
                const std::lock_guard lock(mutex);
                ++ended;
                if (read.source || !read.problem.empty()) ready.push_back(std::move(read));
                came.notify_all();
            }
        });
    if (options.onCount) options.onCount(0, total);
    Result<void> kept;
    while (true) {
        std::vector<ReadFile> files;
        std::size_t done = 0;
        bool last = false;
        {
            std::unique_lock lock(mutex);
            came.wait_for(lock, keepAfter, [&] { return ready.size() >= batch || running == 0; });
            files.swap(ready);
            done = ended;
            last = running == 0;
        }
        if (!files.empty() && kept) {
            auto put = library.put(files);
            if (!put) {
                kept = tl::unexpected(put.error());
                stop.request_stop();
            } else {
                for (std::size_t i = 0; i < files.size(); ++i) {
                    if (!files[i].problem.empty()) {
                        ++out.failed;
                        if (out.problems.size() < mostProblems) out.problems.push_back(files[i].problem);
                    } else {
                        ++((*put)[i] == Library::Came::New ? out.fresh : out.changed);
                    }
                }
            }
        }
        if (options.onCount) options.onCount(done, total);
        progress.at(total == 0 ? 1 : double(done) / double(total));
        if (last) break;
    }
    workers.clear();
    if (!kept) return tl::unexpected(kept.error());
    out.cancelled = progress.stopped();
    if (!out.cancelled && !plan.gone.empty()) {
        // What was moved is not gone any more.
        const auto entries = library.entries(plan.gone);
        if (!entries) return tl::unexpected(entries.error());
        std::vector<std::int64_t> gone;
        for (const Entry& entry : *entries) {
            std::error_code error;
            if (!fs::exists(entry.file, error)) gone.push_back(entry.id);
        }
        if (auto done = library.setGone(gone, true); !done) return tl::unexpected(done.error());
        out.gone = gone.size();
    }
    out.seconds = std::chrono::duration<double>(Clock::now() - begun).count();
    return out;
}

} // namespace shelf
