#include "play/output.h"

#include "play/alsa_output.h"
#include "play/jack_output.h"
#include "play/simulated_output.h"
#include "play/sound_libraries.h"

#include <cstdlib>
#include <fmt/format.h>
#include <string_view>

namespace play {

namespace {

std::unique_ptr<Output> openDevice(int rate, const OutputChoice& choice, std::string& why) {
    if (auto output = openJackOutput(choice.device)) return output;
    return openAlsaOutput(rate, choice, why);
}

} // namespace

std::unique_ptr<Output> silentOutput(int rate) {
    return std::make_unique<SimulatedOutput>(rate, SimulatedOutput::Pace::RealTime);
}

std::vector<std::string> outputDevices() {
    silenceLibraries();
    std::vector<std::string> names = jackDevices();
    for (std::string& name : alsaDevices())
        names.push_back(std::move(name));
    return names;
}

OpenedOutput openOutput(int rate, const OutputChoice& choice) {
    const char* asked = std::getenv("PATIENT_METRE_OUTPUT");
    std::string why = "no sound device was found";
    if (choice.simulated || (asked != nullptr && std::string_view(asked) == "simulated")) {
        why = "a simulated output was asked for";
    } else {
        silenceLibraries();
        if (auto output = openDevice(rate, choice, why)) return {std::move(output), {}};
        if (!choice.device.empty()) {
            OutputChoice any = choice;
            any.device.clear();
            if (auto output = openDevice(rate, any, why)) {
                std::string told =
                    fmt::format("{} is not there: playing through {}.", choice.device, output->description());
                return {std::move(output), std::move(told)};
            }
        }
    }
    return {silentOutput(rate), fmt::format("Playing silently: {}.", why)};
}

} // namespace play
