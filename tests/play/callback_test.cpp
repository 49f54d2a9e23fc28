// The audio callback neither locks nor allocates. This program replaces the allocator and the mutex calls of the C
// library by ones that count when they are called inside the callback.
#include "play/player.h"
#include "play/simulated_output.h"
#include "project/edit_time.h"
#include "project/save.h"
#include "support/files.h"
#include "support/wait.h"

#include <atomic>
#include <cstdlib>
#include <dlfcn.h>
#include <gtest/gtest.h>
#include <pthread.h>

namespace {

thread_local bool insideCallback = false;
std::atomic<int> allocations{0};
std::atomic<int> locks{0};

} // namespace

#ifndef PM_SANITIZED

namespace {
void noteAllocation() {
    if (insideCallback) ++allocations;
}
} // namespace

extern "C" {
void* __libc_malloc(std::size_t);
void __libc_free(void*);
void* __libc_calloc(std::size_t, std::size_t);
void* __libc_realloc(void*, std::size_t);

void* malloc(std::size_t n) {
    noteAllocation();
    return __libc_malloc(n);
}
void free(void* p) {
    if (p != nullptr) noteAllocation();
    __libc_free(p);
}
void* calloc(std::size_t n, std::size_t size) {
    noteAllocation();
    return __libc_calloc(n, size);
}
void* realloc(void* p, std::size_t n) {
    noteAllocation();
    return __libc_realloc(p, n);
}
int pthread_mutex_lock(pthread_mutex_t* m) {
    using Lock = int (*)(pthread_mutex_t*);
    static const auto real = reinterpret_cast<Lock>(dlsym(RTLD_NEXT, "pthread_mutex_lock"));
    if (insideCallback) ++locks;
    return real(m);
}
}

namespace {

TEST(Callback, TheTrapItselfWorks) {
    insideCallback = true;
    void* volatile p = std::malloc(100);
    std::free(p);
    pthread_mutex_t m = PTHREAD_MUTEX_INITIALIZER;
    pthread_mutex_lock(&m);
    pthread_mutex_unlock(&m);
    insideCallback = false;
    EXPECT_GE(allocations.exchange(0), 2);
    EXPECT_GE(locks.exchange(0), 1);
}

} // namespace

#endif

namespace {

using namespace play;

// Wraps an output so that the trap is armed exactly while the callback runs.
class Trapped : public Output {
  public:
    base::Result<void> start(Callback callback) override {
        return inner_.start([callback](float* out, int n) {
            insideCallback = true;
            callback(out, n);
            insideCallback = false;
        });
    }
    void stop() override { inner_.stop(); }
    int rate() const override { return inner_.rate(); }
    bool setRate(int rate) override { return inner_.setRate(rate); }
    bool isSimulated() const override { return true; }
    std::string description() const override { return inner_.description(); }
    bool isAlive() override { return true; }
    std::int64_t framesPlayed() const { return inner_.framesPlayed(); }

  private:
    SimulatedOutput inner_{48000, SimulatedOutput::Pace::RealTime, 1};
};

TEST(Callback, NeitherLocksNorAllocatesWhateverIsDoneMeanwhile) {
    auto trapped = std::make_unique<Trapped>();
    Trapped* out = trapped.get();
    auto loaded = project::loadProject(support::demoFolder());
    ASSERT_TRUE(loaded);
    project::Project p = loaded->project;
    p.view.click = true;
    p.view.looping = true;
    Player player(std::move(trapped), [] {});
    project::LaidPtr laid = project::lay(p);
    player.setProject(laid);
    player.play();
    allocations = 0;
    locks = 0;
    const auto playOn = [&](std::int64_t frames) {
        const auto end = out->framesPlayed() + frames;
        ASSERT_TRUE(support::waitFor([&] {
            player.tick();
            return out->framesPlayed() >= end;
        }));
    };
    for (int i = 0; i < 6; ++i) {
        p = *project::setTempo(p, metre::Bpm(96 + 4 * i));
        player.setProject(laid = project::lay(p, laid));
        playOn(4800);
        player.locate(metre::Beats(8 + i));
        p.loop.to = metre::Beats(30 + i);
        player.setProject(laid = project::lay(p, laid));
        playOn(2400);
        player.stop();
        playOn(600);
        player.play();
        playOn(1200);
    }
    EXPECT_EQ(allocations.load(), 0);
    EXPECT_EQ(locks.load(), 0);
}

} // namespace
