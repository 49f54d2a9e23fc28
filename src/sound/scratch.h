// Large audio that is needed for a while and need not fill the memory.
#pragma once

#include "sound/audio.h"

#include <functional>
#include <memory>
#include <vector>

namespace sound {

// Audio that comes piece by piece, of whatever length. What becomes long is mapped from files that nobody else sees
// and that go with it; what is short, or finds no room on the disk, lies in memory. One thread.
class Aside {
  public:
    Aside(int rate, int channels);
    ~Aside();
    Aside(Aside&&) noexcept;
    Aside& operator=(Aside&&) noexcept;

    // About so many frames will come: what will lie in memory gets its room at once.
    void expect(std::size_t frames);
    // The next frames. REQUIRES as many channels as were said.
    void add(const Audio& block);
    // The same, interleaved.
    void add(const float* interleaved, std::int64_t frames);
    // All of it. Nothing may be added after that.
    AudioPtr finished();

  private:
    struct Channel;
    int rate_;
    std::vector<std::unique_ptr<Channel>> channels_;
    std::vector<float> one_; // a channel of a block
};

// Audio made block by block: `fill` is given frames [from, from + block.frames()), all silent. It is kept as Aside
// keeps it. Any thread.
AudioPtr madeAside(int rate, int channels, Frames length,
                   const std::function<void(Frames from, Audio& block)>& fill);
// The same of audio that is there already.
AudioPtr setAside(Audio audio);

} // namespace sound
