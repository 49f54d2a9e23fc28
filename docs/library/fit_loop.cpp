// Fits a loop to a tempo: fit_loop IN OUT BPM. What the file says of its tempo is not asked; it is heard.
#include "hear/listen.h"
#include "metre/time_map.h"
#include "sound/read.h"
#include "sound/write.h"
#include "stretch/method.h"

#include <cmath>
#include <cstdio>
#include <cstdlib>

int main(int argc, char** argv) {
    if (argc != 4) return 2;
    const auto file = sound::read(argv[1], 0); // at its own rate
    if (!file) return std::fprintf(stderr, "%s\n", file.error().text.c_str()), 1;
    const sound::Audio& audio = file->audio;

    const hear::Heard heard = hear::listen(audio, hear::onsets(audio));
    if (!heard.bpm) return std::fprintf(stderr, "No beat is heard in %s.\n", argv[1]), 1;
    std::printf("%.2f BPM, confidence %.2f\n", heard.bpm->value, heard.sureness);

    std::vector<metre::Frames> attacks;
    for (const hear::Onset& onset : heard.onsets)
        attacks.push_back(onset.at);
    const double ratio = heard.bpm->value / std::atof(argv[3]);
    const auto map = metre::TimeMap::straight(
        audio.frames(), metre::Frames(std::llround(static_cast<double>(audio.frames().value) * ratio)));
    if (!map) return std::fprintf(stderr, "%s\n", map.error().text.c_str()), 1;
    stretch::Settings settings;
    settings.method = heard.kind == hear::Kind::Struck ? stretch::Method::Struck : stretch::Method::Blend;
    const auto fitted = stretch::render({audio, attacks}, *map, settings);
    if (!fitted) return std::fprintf(stderr, "%s\n", fitted.error().text.c_str()), 1;
    const auto written = sound::write(argv[2], *fitted, sound::Depth::Int24, {}, base::Existing::Refuse);
    return written ? 0 : (std::fprintf(stderr, "%s\n", written.error().text.c_str()), 1);
}
