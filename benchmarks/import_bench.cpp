// Bringing in sixty seconds: reading and converting alone, and the whole import with outline, attacks and readings;
// beside plain decoding by libsndfile as the reference.
#include "project/import.h"

#include <benchmark/benchmark.h>
#include <cmath>
#include <filesystem>
#include <sndfile.h>
#include <unistd.h>

namespace {

// Sixty seconds of a made-up chord with strokes, stereo at 44.1 kHz.
std::filesystem::path minute(int format, const char* ending) {
    const auto path =
        std::filesystem::temp_directory_path() / ("patient-metre-bench-" + std::to_string(getpid()) + ending);
    if (std::filesystem::exists(path)) return path;
    SF_INFO info{};
    info.samplerate = 44100;
    info.channels = 2;
    info.format = format;
    SNDFILE* file = sf_open(path.c_str(), SFM_WRITE, &info);
    std::vector<float> block(2 * 44100);
    for (int s = 0; s < 60; ++s) {
        for (int i = 0; i < 44100; ++i) {
            const double t = s + i / 44100.0;
            const double beat = std::fmod(t, 0.5);
            const double v =
                0.2 * std::sin(2 * M_PI * 220 * t) + 0.3 * std::sin(2 * M_PI * 1800 * t) * std::exp(-beat / 0.03);
            block[static_cast<std::size_t>(2 * i)] = static_cast<float>(v);
            block[static_cast<std::size_t>(2 * i) + 1] = static_cast<float>(v * 0.8);
        }
        sf_writef_float(file, block.data(), 44100);
    }
    sf_close(file);
    return path;
}

void decodeOnly(benchmark::State& state, int format, const char* ending) {
    const auto path = minute(format, ending);
    std::vector<float> block(2 * 65536);
    for ([[maybe_unused]] auto _ : state) {
        SF_INFO info{};
        SNDFILE* file = sf_open(path.c_str(), SFM_READ, &info);
        while (sf_readf_float(file, block.data(), 65536) > 0)
            benchmark::DoNotOptimize(block.data());
        sf_close(file);
    }
}

void readAndConvert(benchmark::State& state, int format, const char* ending) {
    const auto path = minute(format, ending);
    for ([[maybe_unused]] auto _ : state)
        benchmark::DoNotOptimize(sound::read(path, 48000));
}

void wholeImport(benchmark::State& state, int format, const char* ending) {
    const auto path = minute(format, ending);
    for ([[maybe_unused]] auto _ : state)
        benchmark::DoNotOptimize(project::importFile(path, 48000));
}

constexpr int mp3 = SF_FORMAT_MPEG | SF_FORMAT_MPEG_LAYER_III;
constexpr int flac = SF_FORMAT_FLAC | SF_FORMAT_PCM_16;
BENCHMARK_CAPTURE(decodeOnly, mp3_reference, mp3, ".mp3")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(readAndConvert, mp3, mp3, ".mp3")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(wholeImport, mp3, mp3, ".mp3")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(decodeOnly, flac_reference, flac, ".flac")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(readAndConvert, flac, flac, ".flac")->Unit(benchmark::kMillisecond);
BENCHMARK_CAPTURE(wholeImport, flac, flac, ".flac")->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
