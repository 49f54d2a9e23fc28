#include "cli/read.h"

#include "hear/key.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "sound/utf8.h"

#include <algorithm>
#include <cmath>
#include <condition_variable>
#include <cstdio>
#include <fmt/format.h>
#include <mutex>
#include <nlohmann/json.hpp>
#include <optional>
#include <thread>

namespace cli {

namespace {

using metre::Bpm;
using Json = nlohmann::ordered_json;

struct Window {
    Bpm low = metre::slowestTempo;
    Bpm high = metre::fastestTempo;
};

metre::Result<Window> parseWindow(const std::string& text) {
    if (text.empty()) return Window{};
    const auto dash = text.find('-');
    if (dash != std::string::npos) {
        const auto low = metre::parseTempo(text.substr(0, dash));
        const auto high = metre::parseTempo(text.substr(dash + 1));
        if (low && high && *low < *high) return Window{*low, *high};
    }
    return metre::problem(fmt::format("“{}” is not a range of tempos. Say it as 70-140.", text));
}

// Half or double the tempo where that brings it into the window; else as it is.
Bpm broughtInto(Bpm bpm, Window w) {
    const auto inside = [&](double v) { return v >= w.low.value && v <= w.high.value; };
    for (const double factor : {1.0, 2.0, 0.5, 4.0, 0.25})
        if (inside(bpm.value * factor)) return Bpm(bpm.value * factor);
    return bpm;
}

double rounded(double value, double perUnit) {
    return std::round(value * perUnit) / perUnit;
}

Json describe(const std::filesystem::path& file, const project::Source& s, const Window& window) {
    Json j = {{"file", sound::toUtf8(file.native())}};
    const hear::Reading* best = nullptr;
    Json candidates = Json::array();
    for (const hear::Reading& r : s.readings) {
        if (!r.bpm) continue;
        candidates.push_back({{"bpm", broughtInto(*r.bpm, window).value},
                              {"weight", r.sureness},
                              {"source", hear::witnessWord(r.by)}});
        if (s.chosen == r.by) best = &r;
    }
    Json bpm = nullptr;
    Json beats = nullptr;
    Json bars = nullptr;
    Json first = nullptr;
    Json times = nullptr;
    Json steady = nullptr;
    if (best != nullptr) {
        const Bpm tempo = broughtInto(*best->bpm, window);
        bpm = tempo.value;
        project::Source at = s;
        at.beats = metre::BeatMap(tempo, s.beats->secondsAt(metre::Beats(0)));
        if (const auto n = at.wholeBeats()) {
            beats = *n;
            bars = *n % 4 == 0 ? Json(*n / 4) : Json(*n / 4.0);
        }
        first = rounded(at.beats->secondsAt(metre::Beats(0)).value, 1e6);
        times = Json::array();
        const double end = at.endBeat().value;
        for (int b = 0; b < end - 1e-9; ++b)
            times.push_back(rounded(at.beats->secondsAt(metre::Beats(b)).value, 1e6));
        steady = true; // a name or a tag can only mean one tempo
    }
    j["bpm"] = bpm;
    j["beats"] = beats;
    j["bars"] = bars;
    j["confidence"] = best != nullptr ? Json(rounded(best->sureness, 1e4)) : Json(nullptr);
    j["source"] = best != nullptr ? Json(hear::witnessWord(best->by)) : Json(nullptr);
    j["candidates"] = candidates;
    j["first_beat_s"] = first;
    j["beats_s"] = times;
    j["key"] = s.key ? Json(hear::keyName(*s.key)) : Json(nullptr);
    j["steady"] = steady;
    return j;
}

struct Outcome {
    std::string line;                  // for standard output; empty when it failed
    std::vector<std::string> messages; // for standard error
};

Outcome readOne(const std::filesystem::path& file, const ReadOptions& options, const Window& window,
                const std::stop_token& stop) {
    const project::Witnesses heeded{!options.ignoreName, !options.ignoreTags};
    const auto imported = project::importFile(file, 0, heeded, {{}, stop});
    if (!imported) return {{}, {imported.error().text}};
    return {describe(file, imported->source, window).dump(-1, ' ', false, Json::error_handler_t::replace),
            imported->warnings};
}

} // namespace

int read(const ReadOptions& options, const std::stop_token& stop) {
    const auto window = parseWindow(options.range);
    if (!window) {
        fmt::print(stderr, "pmetre: {}\n", window.error().text);
        return 2;
    }
    // Workers read ahead, each the next file that nobody has begun; the lines come out in the order of the files.
    std::vector<std::optional<Outcome>> outcomes(options.files.size());
    std::mutex mutex;
    std::condition_variable ready;
    std::size_t next = 0;
    std::vector<std::jthread> workers;
    const std::size_t count = std::clamp<std::size_t>(std::thread::hardware_concurrency(), 1, options.files.size());
    for (std::size_t w = 0; w < count; ++w)
        workers.emplace_back([&] {
            while (true) {
                std::size_t mine = 0;
                {
                    const std::lock_guard lock(mutex);
                    if (next == options.files.size()) return;
                    mine = next++;
                }
                Outcome outcome = readOne(options.files[mine], options, *window, stop);
                const std::lock_guard lock(mutex);
                outcomes[mine] = std::move(outcome);
                ready.notify_all();
            }
        });
    bool failed = false;
    for (std::size_t i = 0; i < outcomes.size(); ++i) {
        Outcome outcome;
        {
            std::unique_lock lock(mutex);
            ready.wait(lock, [&] { return outcomes[i].has_value(); });
            outcome = std::move(*outcomes[i]);
        }
        if (stop.stop_requested()) return 1;
        for (const std::string& m : outcome.messages)
            fmt::print(stderr, "pmetre: {}\n", m);
        if (outcome.line.empty())
            failed = true;
        else
            fmt::print("{}\n", outcome.line);
        std::fflush(stdout);
    }
    return failed ? 1 : 0;
}

} // namespace cli
