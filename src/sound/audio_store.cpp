#include "sound/audio_store.h"

#include "base/disk.h"

#include <algorithm>
#include <array>
#include <cstring>
#include <fcntl.h>
#include <fmt/format.h>
#include <sys/stat.h>
#include <unistd.h>

namespace sound {

namespace fs = std::filesystem;

namespace {

constexpr const char* audioEnding = ".audio";
constexpr const char* noteEnding = ".note";
constexpr const char* draftEnding = ".draft";

// The first page of a file. A file is read on the machine that wrote it: numbers are the machine's own.
struct Head {
    std::array<char, 8> magic{};
    std::uint64_t keyHigh = 0;
    std::uint64_t keyLow = 0;
    std::int64_t frames = 0;
    std::int64_t stride = 0; // bytes from one channel to the next
    std::int64_t peaksAt = 0;
    std::int32_t rate = 0;
    std::int32_t channels = 0;
};
constexpr std::array<char, 8> magic{'P', 'M', 'A', 'U', 'D', 'I', 'O', '1'};

std::int64_t wholePages(std::int64_t bytes) {
    return (bytes + pageBytes() - 1) / pageBytes() * pageBytes();
}
std::int64_t channelAt(std::int64_t stride, std::size_t channel) {
    return pageBytes() + stride * static_cast<std::int64_t>(channel);
}

AudioPtr viewOf(const std::vector<std::shared_ptr<const Mapping>>& channels, int rate, std::int64_t from,
                std::int64_t to) {
    auto audio = std::make_shared<Audio>();
    audio->rate = rate;
    for (const auto& mapping : channels)
        audio->channels.push_back(Samples::viewOf(reinterpret_cast<const float*>(mapping->data()) + from,
                                                  static_cast<std::size_t>(to - from), mapping));
    return audio;
}

struct StoredFile {
    fs::path path;
    std::int64_t bytes = 0;
    timespec used{};
};

// The files of a folder with what they take of the disk; damaged names and all.
std::vector<StoredFile> storedIn(const fs::path& folder) {
    std::vector<StoredFile> files;
    std::error_code error;
    for (fs::directory_iterator at(folder, error), end; !error && at != end; at.increment(error)) {
        struct stat s {};
        if (lstat(at->path().c_str(), &s) == 0 && S_ISREG(s.st_mode))
            files.push_back({at->path(), std::int64_t(s.st_blocks) * 512, s.st_mtim});
    }
    return files;
}

std::string nameOf(base::Key key) {
    return fmt::format("{:016x}{:016x}", key.high, key.low);
}

} // namespace

StoreDraft::~StoreDraft() {
    if (!taken_) file_.remove();
    close(handle_);
}

bool StoreDraft::put(std::size_t channel, Frames at, const float* samples, std::size_t count) const {
    if (at < Frames(0) || at + Frames(static_cast<std::int64_t>(count)) > mostFrames_) return false;
    const std::int64_t stride = wholePages(mostFrames_.value * std::int64_t(sizeof(float)));
    return base::disk::writeAllAt(handle_, samples, count * sizeof(float),
                                  channelAt(stride, channel) + at.value * std::int64_t(sizeof(float)));
}

bool StoreDraft::write(Frames at, const Audio& audio) {
    for (std::size_t c = 0; c < channels_.size(); ++c)
        if (!put(c, at, audio.channels[c].data(), audio.channels[c].size())) return false;
    return true;
}

bool StoreDraft::write(Frames at, const float* interleaved, std::int64_t frames) {
    const auto count = static_cast<std::size_t>(frames);
    if (channels_.size() == 1) return put(0, at, interleaved, count);
    std::vector<float> one(count);
    for (std::size_t c = 0; c < channels_.size(); ++c) {
        for (std::size_t i = 0; i < count; ++i)
            one[i] = interleaved[i * channels_.size() + c];
        if (!put(c, at, one.data(), count)) return false;
    }
    return true;
}

AudioPtr StoreDraft::view(Frames from, Frames to) const {
    return viewOf(channels_, rate_, from.value, to.value);
}

AudioStore::AudioStore(fs::path folder, std::int64_t mostBytes)
    : folder_(std::move(folder)), mostBytes_(mostBytes),
      clerk_([this](const std::stop_token& stop) { workOff(stop); }) {
    later([this] {
        // What a killed process was writing.
        for (const StoredFile& file : storedIn(folder_))
            if (file.path.extension() == draftEnding)
                if (auto left = base::LockedFile::take(file.path)) left->remove();
        makeRoom(0);
    });
}

// Bringing files to disk takes the disk from whoever writes: it waits until nobody begins anything for a moment,
// but not for long.
void AudioStore::workOff(const std::stop_token& stop) {
    constexpr auto moment = std::chrono::seconds(2);
    constexpr auto longest = std::chrono::seconds(30);
    constexpr auto atTheEnd = std::chrono::seconds(3);
    std::chrono::steady_clock::time_point endsBy;
    std::unique_lock lock(mutex_);
    while (true) {
        const auto isDue = [&] {
            if (todo_.empty()) return false;
            const auto now = std::chrono::steady_clock::now();
            return settling_ > 0 || now - begunAt_ > moment || now - todo_.front().since > longest;
        };
        if (!stop.stop_requested() && !isDue()) {
            if (todo_.empty())
                changed_.wait(lock, stop, [&] { return !todo_.empty(); });
            else
                changed_.wait_for(lock, stop, moment / 4, isDue);
            continue;
        }
        if (todo_.empty()) return;
        if (stop.stop_requested()) {
            const auto now = std::chrono::steady_clock::now();
            if (endsBy == std::chrono::steady_clock::time_point()) endsBy = now + atTheEnd;
            if (now > endsBy) return;
        }
        const auto work = std::move(todo_.front().work);
        todo_.pop_front();
        busy_ = true;
        lock.unlock();
        work();
        lock.lock();
        busy_ = false;
        changed_.notify_all();
    }
}

AudioStore::~AudioStore() = default;

void AudioStore::later(std::function<void()> work) {
    const std::lock_guard lock(mutex_);
    todo_.push_back({std::move(work), std::chrono::steady_clock::now()});
    changed_.notify_all();
}

void AudioStore::settle() {
    std::unique_lock lock(mutex_);
    ++settling_;
    changed_.notify_all();
    changed_.wait(lock, [this] { return todo_.empty() && !busy_; });
    --settling_;
}

fs::path AudioStore::audioFile(base::Key key) const {
    return folder_ / (nameOf(key) + audioEnding);
}
fs::path AudioStore::noteFile(base::Key key) const {
    return folder_ / (nameOf(key) + noteEnding);
}

std::optional<AudioStore::Kept> AudioStore::find(base::Key key) {
    {
        const std::lock_guard lock(mutex_);
        if (const auto found = finished_.find(key); found != finished_.end()) return found->second;
    }
    const fs::path path = audioFile(key);
    const int handle = base::disk::open(path, O_RDONLY | O_NOFOLLOW);
    if (handle < 0) return std::nullopt;
    const auto found = [&]() -> std::optional<Kept> {
        Head head;
        struct stat s {};
        if (!base::disk::readAllAt(handle, &head, sizeof head, 0) || fstat(handle, &s) != 0) return std::nullopt;
        const std::int64_t bytes = head.frames * std::int64_t(sizeof(float));
        const bool isSound = head.magic == magic && head.keyHigh == key.high && head.keyLow == key.low &&
                             head.rate > 0 && head.channels >= 1 && head.channels <= 2 && head.frames > 0 &&
                             head.frames < std::int64_t(1) << 40 && head.stride % pageBytes() == 0 &&
                             head.stride >= bytes && head.stride < std::int64_t(1) << 44;
        if (!isSound) return std::nullopt;
        const auto cells = static_cast<std::size_t>((head.frames + Peaks::baseFrames - 1) / Peaks::baseFrames);
        if (head.peaksAt < channelAt(head.stride, static_cast<std::size_t>(head.channels) - 1) + bytes ||
            s.st_size < head.peaksAt + std::int64_t(cells * sizeof(Extent)))
            return std::nullopt;
        std::vector<Extent> base(cells);
        if (!base::disk::readAllAt(handle, base.data(), cells * sizeof(Extent), head.peaksAt)) return std::nullopt;
        std::vector<std::shared_ptr<const Mapping>> channels;
        for (std::size_t c = 0; c < static_cast<std::size_t>(head.channels); ++c) {
            auto mapping = Mapping::of(handle, channelAt(head.stride, c), static_cast<std::size_t>(bytes));
            if (!mapping) return std::nullopt;
            channels.push_back(std::move(mapping));
        }
        return Kept{viewOf(channels, head.rate, 0, head.frames),
                    std::make_shared<const Peaks>(Frames(head.frames), std::move(base))};
    }();
    close(handle);
    if (found) utimensat(AT_FDCWD, path.c_str(), nullptr, AT_SYMLINK_NOFOLLOW); // used just now
    return found;
}

std::optional<std::string> AudioStore::note(base::Key key) const {
    {
        const std::lock_guard lock(mutex_);
        if (const auto found = notes_.find(key); found != notes_.end()) return found->second;
    }
    const fs::path path = noteFile(key);
    auto text = base::readText(path);
    if (!text) return std::nullopt;
    utimensat(AT_FDCWD, path.c_str(), nullptr, AT_SYMLINK_NOFOLLOW); // used just now
    return std::move(*text);
}

void AudioStore::setNote(base::Key key, std::string text) {
    {
        const std::lock_guard lock(mutex_);
        notes_[key] = std::move(text);
    }
    later([this, key] {
        std::string newest;
        {
            const std::lock_guard lock(mutex_);
            const auto found = notes_.find(key);
            if (found == notes_.end()) return; // written with an earlier one
            newest = found->second;
        }
        // Where it fails, what it says is worked out again.
        static_cast<void>(base::writeText(noteFile(key), newest, base::Existing::Replace));
        const std::lock_guard lock(mutex_);
        if (const auto found = notes_.find(key); found != notes_.end() && found->second == newest)
            notes_.erase(found);
    });
}

std::shared_ptr<StoreDraft> AudioStore::begin(int rate, int channels, Frames mostFrames, Frames likely) {
    const std::int64_t stride = wholePages(mostFrames.value * std::int64_t(sizeof(float)));
    {
        const std::lock_guard lock(mutex_);
        begunAt_ = std::chrono::steady_clock::now();
    }
    if (!makeRoom(likely.value * channels * std::int64_t(sizeof(float)))) return nullptr;
    auto file = base::LockedFile::make(folder_, "", draftEnding);
    if (!file) return nullptr;
    const int handle = base::disk::open(file->path(), O_RDWR | O_NOFOLLOW);
    std::vector<std::shared_ptr<const Mapping>> mapped;
    if (handle >= 0 && ftruncate(handle, channelAt(stride, static_cast<std::size_t>(channels))) == 0)
        for (std::size_t c = 0; c < static_cast<std::size_t>(channels); ++c)
            if (auto mapping = Mapping::of(handle, channelAt(stride, c), static_cast<std::size_t>(stride)))
                mapped.push_back(std::move(mapping));
    if (static_cast<int>(mapped.size()) != channels) {
        if (handle >= 0) close(handle);
        file->remove();
        return nullptr;
    }
    return std::shared_ptr<StoreDraft>(
        new StoreDraft(std::move(*file), handle, rate, mostFrames, std::move(mapped)));
}

AudioStore::Kept AudioStore::finish(const std::shared_ptr<StoreDraft>& draft, base::Key key, Frames length,
                                    PeaksPtr peaks) {
    Kept kept{draft->view(Frames(0), length), std::move(peaks)};
    if (!kept.peaks) kept.peaks = std::make_shared<const Peaks>(*kept.audio);
    {
        const std::lock_guard lock(mutex_);
        finished_[key] = kept;
    }
    later([this, draft, key, length, kept] {
        const std::int64_t stride = wholePages(draft->mostFrames_.value * std::int64_t(sizeof(float)));
        Head head;
        head.magic = magic;
        head.keyHigh = key.high;
        head.keyLow = key.low;
        head.frames = length.value;
        head.stride = stride;
        // Right after the last channel: what it leaves of its room is never written.
        head.peaksAt =
            channelAt(stride, draft->channels_.size() - 1) + wholePages(length.value * std::int64_t(sizeof(float)));
        head.rate = draft->rate_;
        head.channels = draft->channelCount();
        const auto& base = kept.peaks->base();
        // Under its name it is whole, also after the power went: it comes to disk first.
        if (base::disk::writeAllAt(draft->handle_, base.data(), base.size() * sizeof(Extent), head.peaksAt) &&
            base::disk::writeAllAt(draft->handle_, &head, sizeof head, 0) &&
            base::disk::sync(draft->handle_) == 0 && base::disk::rename(draft->file_.path(), audioFile(key)) == 0)
            draft->taken_ = true;
        makeRoom(0);
        const std::lock_guard lock(mutex_);
        if (const auto found = finished_.find(key); found != finished_.end() && found->second.audio == kept.audio)
            finished_.erase(found);
    });
    return kept;
}

std::int64_t AudioStore::bytes() const {
    std::int64_t sum = 0;
    for (const StoredFile& file : storedIn(folder_))
        sum += file.bytes;
    return sum;
}

void AudioStore::clear() {
    for (const StoredFile& file : storedIn(folder_))
        if (file.path.extension() != draftEnding) unlink(file.path.c_str());
}

// Removes what was used longest ago until so much more fits; false where it cannot.
bool AudioStore::makeRoom(std::int64_t needed) {
    const std::lock_guard lock(roomMutex_);
    const auto now = std::chrono::steady_clock::now();
    if (needed > 0 && needed <= roomLeft_ && now - roomLookedAt_ < std::chrono::seconds(10)) {
        roomLeft_ -= needed;
        return true;
    }
    roomLookedAt_ = now;
    std::vector<StoredFile> files = storedIn(folder_);
    std::int64_t sum = needed;
    for (const StoredFile& file : files)
        sum += file.bytes;
    std::error_code error;
    const fs::space_info room = fs::space(folder_, error);
    std::int64_t most = mostBytes_;
    if (!error) most = std::min(most, (static_cast<std::int64_t>(room.available) + sum - needed) / 2);
    roomLeft_ =
        error ? 0 : std::max<std::int64_t>(0, most - sum); // of a folder that is not there yet nothing is known
    if (sum <= most) return true;
    std::sort(files.begin(), files.end(), [](const StoredFile& a, const StoredFile& b) {
        return a.used.tv_sec != b.used.tv_sec ? a.used.tv_sec < b.used.tv_sec : a.used.tv_nsec < b.used.tv_nsec;
    });
    for (const StoredFile& file : files) {
        if (sum <= most) break;
        if (file.path.extension() == draftEnding) continue;
        if (unlink(file.path.c_str()) == 0) sum -= file.bytes;
    }
    return sum <= most;
}

} // namespace sound
