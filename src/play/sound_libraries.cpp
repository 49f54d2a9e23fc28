#include "play/sound_libraries.h"

#include <dlfcn.h>
#include <jack/jack.h>

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

bool jackAnswers() {
    silenceLibraries();
    jack_status_t status{};
    jack_client_t* client = jack_client_open("Patient Metre asks", JackNoStartServer, &status);
    if (client == nullptr) return false;
    jack_client_close(client);
    return true;
}

JackWatch::JackWatch() : gone_(std::make_shared<std::atomic<bool>>(true)) {
    silenceLibraries();
    jack_status_t status{};
    client_ = jack_client_open("Patient Metre watch", JackNoStartServer, &status);
    if (client_ == nullptr) return;
    jack_on_shutdown(
        client_, [](void* gone) { static_cast<std::atomic<bool>*>(gone)->store(true); }, gone_.get());
    gone_->store(jack_activate(client_) != 0);
}

JackWatch::~JackWatch() {
    if (client_ == nullptr) return;
    if (!hasGone()) {
        jack_client_close(client_);
        return;
    }
    new std::shared_ptr<std::atomic<bool>>(gone_); // the library may still tell of it
}

} // namespace play
