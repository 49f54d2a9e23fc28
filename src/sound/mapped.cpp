#include "sound/mapped.h"

#include <algorithm>
#include <array>
#include <atomic>
#include <cerrno>
#include <chrono>
#include <condition_variable>
#include <csignal>
#include <cstdio>
#include <mutex>
#include <sys/mman.h>
#include <unistd.h>

namespace sound {

namespace {

// Every mapping there is, in a form that a signal handler can read.
struct Slot {
    std::atomic<std::uintptr_t> first{0}; // 0: free
    std::atomic<std::uintptr_t> end{0};
    std::atomic<bool> failed{false};
};
constexpr std::size_t mostMappings = 32768; // the system allows about twice as many
std::array<Slot, mostMappings> slots;
std::atomic<std::size_t> slotsUsed{0}; // none is taken from here on
std::atomic<std::int64_t> unread{0};
std::mutex slotMutex; // for whoever takes, gives back or walks through slots

struct sigaction before;

// Reading a page of a file that is no longer to be had: silence takes its place.
void onBusError(int number, siginfo_t* info, void* context) {
    const auto at = reinterpret_cast<std::uintptr_t>(info->si_addr);
    const std::size_t used = slotsUsed.load();
    for (std::size_t i = 0; i < used; ++i) {
        Slot& slot = slots[i];
        const std::uintptr_t first = slot.first.load();
        if (first == 0 || at < first || at >= slot.end.load()) continue;
        const auto page = static_cast<std::uintptr_t>(pageBytes());
        void* place = reinterpret_cast<void*>(at / page * page); // NOLINT(performance-no-int-to-ptr)
        slot.failed.store(true);
        unread.fetch_add(1);
        if (mmap(place, page, PROT_READ, MAP_PRIVATE | MAP_ANONYMOUS | MAP_FIXED, -1, 0) != MAP_FAILED) return;
    }
    // Somebody else's.
    if ((before.sa_flags & SA_SIGINFO) != 0 && before.sa_sigaction != nullptr) {
        before.sa_sigaction(number, info, context);
        return;
    }
    std::signal(number, SIG_DFL);
}

void catchBusErrors() {
    static const bool once = [] {
        struct sigaction own {};
        own.sa_sigaction = onBusError;
        own.sa_flags = SA_SIGINFO;
        sigemptyset(&own.sa_mask);
        return sigaction(SIGBUS, &own, &before) == 0;
    }();
    static_cast<void>(once);
}

std::size_t takeSlot(std::uintptr_t first, std::uintptr_t end) {
    const std::lock_guard lock(slotMutex);
    const std::size_t used = slotsUsed.load();
    std::size_t i = 0;
    while (i < used && slots[i].first.load() != 0)
        ++i;
    if (i == mostMappings) return mostMappings;
    slots[i].failed.store(false);
    slots[i].end.store(end);
    slots[i].first.store(first);
    if (i == used) slotsUsed.store(used + 1);
    return i;
}

// The whole pages within, or around, a stretch.
struct Pages {
    std::uintptr_t first;
    std::uintptr_t end;
};
Pages pagesAround(const Stretch& s) {
    const auto page = static_cast<std::uintptr_t>(pageBytes());
    const auto first = reinterpret_cast<std::uintptr_t>(s.first);
    return {first / page * page, (first + s.bytes + page - 1) / page * page};
}

void release(std::uintptr_t first, std::uintptr_t end) {
    if (first < end)
        madvise(reinterpret_cast<void*>(first), end - first, MADV_DONTNEED); // NOLINT(performance-no-int-to-ptr)
}

} // namespace

std::int64_t pageBytes() {
    static const std::int64_t bytes = sysconf(_SC_PAGESIZE);
    return bytes;
}

std::shared_ptr<const Mapping> Mapping::of(int handle, std::int64_t offset, std::size_t bytes) {
    if (bytes == 0) return nullptr;
    catchBusErrors();
    void* data = mmap(nullptr, bytes, PROT_READ, MAP_SHARED, handle, offset);
    if (data == MAP_FAILED) return nullptr;
    std::shared_ptr<const Mapping> made(new Mapping(static_cast<const std::byte*>(data), bytes));
    return made->slot_ < mostMappings ? made : nullptr;
}

Mapping::Mapping(const std::byte* data, std::size_t bytes)
    : data_(data), bytes_(bytes),
      slot_(takeSlot(reinterpret_cast<std::uintptr_t>(data), reinterpret_cast<std::uintptr_t>(data) + bytes)) {}

Mapping::~Mapping() {
    const std::lock_guard lock(slotMutex); // nobody walks through it now
    if (slot_ < mostMappings) slots[slot_].first.store(0);
    munmap(const_cast<std::byte*>(data_), bytes_);
}

std::int64_t unreadPages() {
    return unread.load();
}

void fetch(const Stretch& stretch) {
    if (stretch.bytes == 0) return;
    const Pages pages = pagesAround(stretch);
    void* first = reinterpret_cast<void*>(pages.first); // NOLINT(performance-no-int-to-ptr)
#ifdef MADV_POPULATE_READ
    if (madvise(first, pages.end - pages.first, MADV_POPULATE_READ) == 0) return;
#endif
    // Older systems: a look at each page.
    const auto* at = static_cast<const volatile char*>(first);
    for (std::uintptr_t i = 0; i < pages.end - pages.first; i += static_cast<std::uintptr_t>(pageBytes()))
        static_cast<void>(at[i]);
}

void releaseMappedBut(const std::vector<Stretch>& kept) {
    std::vector<Pages> keep;
    keep.reserve(kept.size());
    for (const Stretch& s : kept)
        if (s.bytes > 0) keep.push_back(pagesAround(s));
    std::sort(keep.begin(), keep.end(), [](const Pages& a, const Pages& b) { return a.first < b.first; });
    const std::lock_guard lock(slotMutex);
    const std::size_t used = slotsUsed.load();
    for (std::size_t i = 0; i < used; ++i) {
        std::uintptr_t at = slots[i].first.load();
        if (at == 0 || slots[i].failed.load()) continue;
        const std::uintptr_t end = slots[i].end.load();
        for (const Pages& k : keep) {
            if (k.end <= at) continue;
            if (k.first >= end) break;
            release(at, k.first);
            at = std::max(at, k.end);
        }
        release(at, end);
    }
}

MappedBound::MappedBound(std::int64_t bytes)
    : guard_([bytes](const std::stop_token& stop) {
          // Memory is read at some gigabytes a second: so often it is looked at that little can come in between.
          constexpr auto often = std::chrono::milliseconds(5);
          std::mutex mutex;
          std::condition_variable_any never;
          std::unique_lock lock(mutex);
          const std::int64_t program = residentMapped(); // and its libraries
          while (!stop.stop_requested()) {
              if (residentMapped() > program + bytes) releaseMappedBut({});
              never.wait_for(lock, stop, often, [] { return false; });
          }
      }) {}

bool isInMemory(const Stretch& stretch) {
    if (stretch.bytes == 0) return true;
    const auto page = static_cast<std::uintptr_t>(pageBytes());
    const auto first = reinterpret_cast<std::uintptr_t>(stretch.first) / page * page;
    const std::uintptr_t end = reinterpret_cast<std::uintptr_t>(stretch.first) + stretch.bytes;
    std::vector<unsigned char> pages((end - first + page - 1) / page);
    if (mincore(reinterpret_cast<void*>(first), end - first, pages.data()) != 0) return false;
    return std::all_of(pages.begin(), pages.end(), [](unsigned char p) { return (p & 1U) != 0; });
}

std::int64_t residentMapped() {
    std::int64_t pages = 0;
    if (std::FILE* file = std::fopen("/proc/self/statm", "r")) {
        long long size = 0;
        long long resident = 0;
        long long shared = 0;
        if (std::fscanf(file, "%lld %lld %lld", &size, &resident, &shared) == 3) pages = shared;
        std::fclose(file);
    }
    return pages * pageBytes();
}

} // namespace sound
