// A store of audio on disk, mapped into memory where it is heard: what is too much to be kept there.
#pragma once

#include "base/hash.h"
#include "base/safe_file.h"
#include "sound/mapped.h"
#include "sound/peaks.h"

#include <chrono>
#include <condition_variable>
#include <deque>
#include <filesystem>
#include <functional>
#include <memory>
#include <mutex>
#include <optional>
#include <string>
#include <thread>
#include <unordered_map>
#include <vector>

namespace sound {

using PeaksPtr = std::shared_ptr<const Peaks>;

// Audio being written into a store. Until it is finished nobody else sees it; left unfinished, it goes with its
// last view. Members may be called from several threads, for different frames.
class StoreDraft {
  public:
    ~StoreDraft();
    StoreDraft(const StoreDraft&) = delete;
    StoreDraft& operator=(const StoreDraft&) = delete;

    int rate() const { return rate_; }
    int channelCount() const { return static_cast<int>(channels_.size()); }
    Frames mostFrames() const { return mostFrames_; }
    // Frames from `at` on. False when the disk refuses them, or they do not fit: what was to be written is not
    // there.
    bool write(Frames at, const Audio& audio);
    // The same, interleaved.
    bool write(Frames at, const float* interleaved, std::int64_t frames);
    // Frames [from, to) of what was written; the rest of it is silence.
    AudioPtr view(Frames from, Frames to) const;

  private:
    friend class AudioStore;
    StoreDraft(base::LockedFile file, int handle, int rate, Frames mostFrames,
               std::vector<std::shared_ptr<const Mapping>> channels)
        : file_(std::move(file)), handle_(handle), rate_(rate), mostFrames_(mostFrames),
          channels_(std::move(channels)) {}
    bool put(std::size_t channel, Frames at, const float* samples, std::size_t count) const;

    base::LockedFile file_;
    int handle_;
    int rate_;
    Frames mostFrames_;
    std::vector<std::shared_ptr<const Mapping>> channels_;
    bool taken_ = false; // into the store
};

// A folder of audio files under keys. All of it can be made again: the folder may be deleted at any time, and what
// is in use stays whole. What was used longest ago goes when it grows too large, and more than half of the room on
// its disk is never taken. Where it cannot be written, nothing is found and nothing begun. Several processes may
// share it. All members may be called from any thread.
class AudioStore {
  public:
    AudioStore(std::filesystem::path folder, std::int64_t mostBytes);
    // Brings what is finished to disk, for a few seconds at most; the rest will be made again.
    ~AudioStore();
    AudioStore(const AudioStore&) = delete;
    AudioStore& operator=(const AudioStore&) = delete;

    struct Kept {
        AudioPtr audio;
        PeaksPtr peaks;
    };
    // What lies under a key, whole. None where there is no such thing, or it is damaged.
    std::optional<Kept> find(base::Key key);
    // A text kept beside audio, or for itself; it goes by its own age. None where there is none.
    std::optional<std::string> note(base::Key key) const;
    void setNote(base::Key key, std::string text);

    // Room for up to so many frames, `likely` of which will be written; null where there is none. REQUIRES rate >
    // 0, channels 1 or 2, 0 < likely <= mostFrames.
    std::shared_ptr<StoreDraft> begin(int rate, int channels, Frames mostFrames, Frames likely);
    std::shared_ptr<StoreDraft> begin(int rate, int channels, Frames frames) {
        return begin(rate, channels, frames, frames);
    }
    // All that was written, `length` frames, under a key, with its outline (worked out here if it is not given). It
    // is found from now on; by other processes, and later, once it has come to disk, which goes on behind. REQUIRES
    // 0 < length <= mostFrames.
    Kept finish(const std::shared_ptr<StoreDraft>& draft, base::Key key, Frames length, PeaksPtr peaks = nullptr);

    // How much of the disk it takes.
    std::int64_t bytes() const;
    const std::filesystem::path& folder() const { return folder_; }
    // Removes all of it that is not being written.
    void clear();
    // Returns once all that was finished lies on disk.
    void settle();

  private:
    void later(std::function<void()> work);
    void workOff(const std::stop_token& stop);
    bool makeRoom(std::int64_t needed);
    std::filesystem::path audioFile(base::Key key) const;
    std::filesystem::path noteFile(base::Key key) const;

    const std::filesystem::path folder_;
    const std::int64_t mostBytes_;
    std::mutex roomMutex_;      // one thread at a time makes room; guards the two below
    std::int64_t roomLeft_ = 0; // that may be taken before anybody looks again
    std::chrono::steady_clock::time_point roomLookedAt_;
    mutable std::mutex mutex_; // guards all below
    std::condition_variable_any changed_;
    struct Task {
        std::function<void()> work;
        std::chrono::steady_clock::time_point since;
    };
    std::deque<Task> todo_;
    std::unordered_map<base::Key, Kept, base::KeyHash> finished_;     // on their way to disk
    std::unordered_map<base::Key, std::string, base::KeyHash> notes_; // likewise
    bool busy_ = false;
    int settling_ = 0;                              // how many wait for it
    std::chrono::steady_clock::time_point begunAt_; // the last draft
    std::jthread clerk_;                            // last: uses all above
};

} // namespace sound
