#include "play/sound_libraries.h"

#include <dlfcn.h>
#include <jack/jack.h>
#include <mutex>
#include <utility>
#include <vector>

namespace play {

namespace {

void sayNothing(const char*, int, const char*, int, const char*, ...) {}

} // namespace

// Each has been loaded with what uses it, or it has not, and then there is nothing to silence.
void silenceLibraries() {
    using Say = void (*)(const char*);
    using SetJack = void (*)(Say);
    const Say quiet = [](const char*) {};
    for (const char* name : {"jack_set_error_function", "jack_set_info_function"})
        if (void* found = dlsym(RTLD_DEFAULT, name); found != nullptr) reinterpret_cast<SetJack>(found)(quiet);
    using SayAlsa = void (*)(const char*, int, const char*, int, const char*, ...);
    using SetAlsa = int (*)(SayAlsa);
    if (void* found = dlsym(RTLD_DEFAULT, "snd_lib_error_set_handler"); found != nullptr)
        reinterpret_cast<SetAlsa>(found)(sayNothing);
}

void leaveBehind(std::shared_ptr<void> what) {
    static std::mutex mutex;
    static auto& all = *new std::vector<std::shared_ptr<void>>; // also when the program ends
    const std::lock_guard lock(mutex);
    all.push_back(std::move(what));
}

std::unique_ptr<JackClient> JackClient::open(const char* name) {
    silenceLibraries();
    jack_status_t status{};
    jack_client_t* client = jack_client_open(name, JackNoStartServer, &status);
    return client == nullptr ? nullptr : std::unique_ptr<JackClient>(new JackClient(client));
}

JackClient::JackClient(jack_client_t* client) : client_(client), gone_(std::make_shared<std::atomic<bool>>(false)) {
    jack_on_shutdown(
        client_, [](void* gone) { static_cast<std::atomic<bool>*>(gone)->store(true); }, gone_.get());
}

JackClient::~JackClient() {
    if (hasGone()) {
        leaveBehind(gone_);
        leaveBehind(std::move(kept_));
    } else {
        jack_client_close(client_);
    }
}

} // namespace play
