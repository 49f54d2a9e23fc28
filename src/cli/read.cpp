#include "cli/read.h"

#include "base/utf8.h"
#include "hear/key.h"
#include "metre/tempo.h"
#include "project/import.h"

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

base::Result<hear::Window> parseWindow(const std::string& text) {
    if (text.empty()) return hear::Window{};
    const auto dash = text.find('-');
    if (dash != std::string::npos) {
        const auto low = metre::parseTempo(text.substr(0, dash));
        const auto high = metre::parseTempo(text.substr(dash + 1));
        if (low && high && *low < *high) return hear::Window{*low, *high};
    }
    return base::problem(fmt::format("“{}” is not a range of tempos. Say it as 70-140.", text));
}

double rounded(double value, double perUnit) {
    return std::round(value * perUnit) / perUnit;
}

// By how much a tempo is doubled (or halved, below 1) to lie in the window; 1 where it cannot.
double factorInto(const hear::Window& window, Bpm bpm) {
    for (const double factor : {1.0, 2.0, 0.5, 4.0, 0.25})
        if (window.holds(Bpm(bpm.value * factor))) return factor;
    return 1;
}

// The source as it is read: with its tempo brought into the window.
project::Source broughtInto(project::Source s, const hear::Window& window) {
    if (!s.beats) return s;
    const double factor = factorInto(window, s.beats->meanTempo());
    if (factor == 1) return s;
    std::vector<metre::Pin> pins = s.beats->pins();
    for (metre::Pin& pin : pins)
        pin.beat = metre::Beats(pin.beat.value * factor);
    if (auto map = metre::BeatMap::make(std::move(pins))) s.beats = std::move(*map);
    if (s.loopBeats) {
        s.loopBeats = metre::Beats(s.loopBeats->value * factor);
        if (s.loopBeats->value != std::round(s.loopBeats->value)) s.loopBeats.reset();
    }
    return s;
}

bool isSteady(const project::Source& s) {
    for (const hear::Reading& r : s.readings)
        if (s.chosen == r.by) return r.steady;
    return true;
}

// The beats of the loop, or of the whole recording: of free playing from the first pin to the last.
std::vector<double> beatTimes(const project::Source& s) {
    const auto& pins = s.beats->pins();
    const bool isFree = !isSteady(s);
    const double first = isFree ? pins.front().beat.value : 0;
    const double end = isFree ? pins.back().beat.value + 0.5 : s.endBeat().value - 1e-9;
    std::vector<double> times;
    for (double b = std::ceil(first); b < end; ++b)
        times.push_back(rounded(s.beats->secondsAt(metre::Beats(b)).value, 1e6));
    return times;
}

Json candidatesOf(const project::Source& s, const hear::Window& window) {
    struct Line {
        double weight;
        Bpm bpm;
        const char* by;
    };
    std::vector<Line> lines;
    for (const hear::Reading& r : s.readings) {
        if (!r.bpm) continue;
        if (r.others.empty()) lines.push_back({r.sureness, *r.bpm, hear::witnessWord(r.by)});
        for (const hear::Candidate& c : r.others)
            if (r.by == hear::Witness::Heard || lines.size() < 24)
                lines.push_back({c.weight, c.bpm, hear::witnessWord(r.by)});
    }
    std::stable_sort(lines.begin(), lines.end(), [](const Line& a, const Line& b) { return a.weight > b.weight; });
    Json out = Json::array();
    for (const Line& l : lines)
        out.push_back({{"bpm", rounded(l.bpm.value * factorInto(window, l.bpm), 1e6)},
                       {"weight", rounded(l.weight, 1e6)},
                       {"source", l.by}});
    return out;
}

Json describe(const std::filesystem::path& file, const project::Source& read, const hear::Window& window) {
    const project::Source s = broughtInto(read, window);
    const hear::Ranking ranking = hear::ranked(s.readings);
    Json j = {{"file", base::toUtf8(file.native())}};
    Json beats = nullptr;
    Json bars = nullptr;
    if (s.beats && isSteady(s))
        if (const auto n = s.wholeBeats()) {
            beats = *n;
            bars = *n % s.beatsInBar == 0 ? Json(*n / s.beatsInBar) : Json(double(*n) / s.beatsInBar);
        }
    const std::vector<double> times = s.beats ? beatTimes(s) : std::vector<double>{};
    if (s.beats && !isSteady(s)) beats = times.size();
    j["bpm"] = s.beats ? Json(rounded(s.beats->meanTempo().value, 1e6)) : Json(nullptr);
    j["beats"] = beats;
    j["bars"] = bars;
    j["confidence"] = s.beats ? Json(rounded(ranking.sureness, 1e4)) : Json(nullptr);
    j["source"] = s.chosen ? Json(hear::witnessWord(*s.chosen)) : Json(nullptr);
    j["candidates"] = candidatesOf(s, window);
    j["first_beat_s"] = s.beats ? Json(rounded(s.beats->secondsAt(metre::Beats(0)).value, 1e6)) : Json(nullptr);
    j["beats_s"] = s.beats ? Json(times) : Json(nullptr);
    j["key"] = s.key ? Json(hear::keyName(*s.key)) : Json(nullptr);
    j["steady"] = s.beats ? Json(isSteady(s)) : Json(nullptr);
    j["kind"] = hear::kindWord(s.kind);
    j["beats_in_bar"] = s.beats ? Json(s.beatsInBar) : Json(nullptr);
    j["disagreement"] = ranking.disagree.empty() ? Json(nullptr) : Json(ranking.disagree);
    Json readings = Json::object();
    for (const hear::Reading& r : s.readings)
        readings[hear::witnessWord(r.by)] = {{"bpm", r.bpm ? Json(rounded(r.bpm->value, 1e6)) : Json(nullptr)},
                                             {"beats", r.beats ? Json(r.beats->value) : Json(nullptr)},
                                             {"key", r.key ? Json(hear::keyName(*r.key)) : Json(nullptr)},
                                             {"sureness", rounded(r.sureness, 1e4)},
                                             {"evidence", base::toUtf8(r.evidence)}};
    j["readings"] = readings;
    return j;
}

// The same for people: a line of columns.
constexpr const char* tableForm = "{:>8}  {:>5}  {:>5}  {:<8}  {:<8}  {:<7}  {}  {}";

std::string tableHead() {
    return fmt::format(tableForm, "tempo", "beats", "sure", "by", "kind", "key", "     ", "file");
}

std::string tableLine(const std::filesystem::path& file, const project::Source& read, const hear::Window& window) {
    const project::Source s = broughtInto(read, window);
    const hear::Ranking ranking = hear::ranked(s.readings);
    const auto whole = s.beats && isSteady(s) ? s.wholeBeats() : std::nullopt;
    std::string line = fmt::format(
        tableForm, s.beats ? metre::tempoFigure(s.beats->meanTempo()) : "–", whole ? std::to_string(*whole) : "–",
        s.beats ? fmt::format("{:.2f}", ranking.sureness) : "–", s.chosen ? hear::witnessWord(*s.chosen) : "–",
        hear::kindLabel(s.kind), s.key ? hear::keyLabel(*s.key) : "–", s.beats && !isSteady(s) ? "free " : "     ",
        base::toUtf8(file.native()));
    if (!ranking.disagree.empty()) line += "  (" + ranking.disagree + ")";
    return line;
}

struct Outcome {
    std::string line;                  // for standard output; empty when it failed
    std::vector<std::string> messages; // for standard error
};

Outcome readOne(const std::filesystem::path& file, const ReadOptions& options, const hear::Window& window,
                const std::stop_token& stop) {
    const project::Witnesses heeded{!options.ignoreName, !options.ignoreTags, true, window};
    const auto imported = project::importFile(file, 0, heeded, {{}, stop});
    if (!imported) return {{}, {imported.error().text}};
    if (options.table) return {tableLine(file, imported->source, window), imported->warnings};
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
    if (options.table) fmt::print("{}\n", tableHead());
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
