// The library's figures: searches among 50,000 recordings, and scanning beside qm-dsp's detector.
//   bench_library search [ROWS]   p50 and p95 of searches, in milliseconds
//   bench_library scan FOLDER     files and seconds of audio a second, and qm-dsp's tempo detector on the same
#include "shelf/scan.h"
#include "sound/read.h"
#include "support/hearing_references.h"

#include <algorithm>
#include <chrono>
#include <cstdlib>
#include <fmt/format.h>
#include <functional>
#include <random>

namespace {

namespace fs = std::filesystem;
using Clock = std::chrono::steady_clock;

double since(Clock::time_point begun) {
    return std::chrono::duration<double>(Clock::now() - begun).count();
}

const std::vector<std::string>& words() {
    static const std::vector<std::string> list = {"winch", "keel",  "lock",    "gate", "towpath", "reed",   "heron",
                                                  "rope",  "barge", "pontoon", "eddy", "tunnel",  "quay",   "bell",
                                                  "brush", "oar",   "willow",  "weir", "mist",    "lantern"};
    return list;
}

void fill(shelf::Library& library, int rows) {
    std::mt19937 random(1);
    const auto pick = [&](int n) { return int(random() % unsigned(n)); };
    std::vector<shelf::ReadFile> batch;
    for (int i = 0; i < rows; ++i) {
        shelf::ReadFile file;
        const std::string name = fmt::format("{}_{}_{}_{}", words()[std::size_t(pick(20))],
                                             words()[std::size_t(pick(20))], 60 + pick(120), i);
        file.listed = {fmt::format("/packs/{}/{}.wav", words()[std::size_t(pick(20))], name), 1000 + i, i + 1};
        project::Source s;
        s.content = fmt::format("{:016x}", i);
        s.facts = {48000, 2, metre::Frames(48000 + pick(600000)), "WAV 16-bit"};
        if (pick(4) > 0) s.key = hear::Key{pick(12), pick(2) == 1};
        s.kind = static_cast<hear::Kind>(pick(8));
        hear::Reading reading;
        reading.by = hear::Witness::Heard;
        reading.bpm = metre::Bpm(60 + pick(12000) / 100.0);
        reading.sureness = 0.9;
        s.readings = {reading};
        s.chosen = hear::Witness::Heard;
        s.beats = metre::BeatMap(*reading.bpm, metre::Seconds(0));
        file.source = s;
        batch.push_back(std::move(file));
        if (batch.size() == 1000 || i + 1 == rows) {
            if (auto put = library.put(batch); !put) {
                fmt::print(stderr, "{}\n", put.error().text);
                std::exit(1);
            }
            batch.clear();
        }
    }
}

void report(const char* what, std::vector<double> ms, std::size_t found) {
    std::sort(ms.begin(), ms.end());
    fmt::print("{:<34} p50 {:6.1f} ms  p95 {:6.1f} ms  (found {})\n", what, ms[ms.size() / 2],
               ms[ms.size() * 95 / 100], found);
}

int search(int rows) {
    const fs::path folder = fs::temp_directory_path() / "patient-metre-bench-library";
    fs::remove_all(folder);
    {
        auto library = shelf::Library::open(folder / "library.sqlite");
        const auto begun = Clock::now();
        fill(**library, rows);
        fmt::print("{} recordings put in {:.1f} s\n", rows, since(begun));
    }
    const auto opening = Clock::now();
    auto library = shelf::Library::open(folder / "library.sqlite");
    fmt::print("opened and checked in {:.0f} ms, {:.0f} MB\n", 1000 * since(opening),
               double(fs::file_size(folder / "library.sqlite")) / 1e6);
    const auto measure = [&](const char* what, const std::function<shelf::Query(std::size_t)>& query) {
        std::vector<double> ms;
        std::size_t found = 0;
        for (std::size_t i = 0; i < 60; ++i) {
            const auto begun = Clock::now();
            auto ids = (*library)->search(query(i));
            found = ids->size();
            ids->resize(std::min<std::size_t>(ids->size(), 60)); // what a window shows at once
            const auto entries = (*library)->entries(*ids);
            ms.push_back(1000 * since(begun));
        }
        report(what, ms, found);
    };
    measure("one word", [](std::size_t i) {
        shelf::Query q;
        q.words = words()[i % 20];
        return q;
    });
    measure("two letters, typed ahead", [](std::size_t i) {
        shelf::Query q;
        q.words = words()[i % 20].substr(0, 2);
        return q;
    });
    measure("tempo with octaves, related key", [](std::size_t i) {
        shelf::Query q;
        q.tempo = hear::Window{metre::Bpm(90 + double(i)), metre::Bpm(98 + double(i))};
        q.octaves = true;
        q.key = hear::Key{int(i % 12), true};
        q.relation = shelf::KeyRelation::Related;
        return q;
    });
    measure("everything, by name", [](std::size_t) { return shelf::Query(); });
    measure("everything, what goes first", [](std::size_t i) {
        shelf::Query q;
        q.order = shelf::SortedBy::Goes;
        q.projectTempo = metre::Bpm(100 + double(i));
        q.projectKey = hear::Key{2, true};
        return q;
    });
    fs::remove_all(folder);
    return 0;
}

int scan(const fs::path& pack) {
    const fs::path folder = fs::temp_directory_path() / "patient-metre-bench-library";
    fs::remove_all(folder);
    auto library = shelf::Library::open(folder / "library.sqlite");
    shelf::ScanOptions options;
    options.jobs = 1;
    const auto done = shelf::scan(**library, {pack}, options);
    if (!done) return 1;
    double audio = 0;
    const auto entries = (*library)->entries(*(*library)->search({}));
    for (const shelf::Entry& e : *entries)
        audio += e.length.value;
    fmt::print(
        "scanned, one at a time:   {} files, {:.0f} s of audio in {:.2f} s: {:.1f} files/s, {:.0f} x real time\n",
        done->fresh, audio, done->seconds, double(done->fresh) / done->seconds, audio / done->seconds);
    const auto again = shelf::scan(**library, {pack}, options);
    fmt::print("again, nothing changed:   {:.3f} s\n", again->seconds);
    const auto begun = Clock::now();
    for (const shelf::Entry& e : *entries)
        if (const auto read = sound::read(e.file, 0)) reference::qmDsp(read->audio);
    const double reference = since(begun);
    fmt::print("reading and qm-dsp alone: {:.2f} s: {:.0f} x real time; ours takes {:.2f} x as long\n", reference,
               audio / reference, done->seconds / reference);
    fs::remove_all(folder);
    return 0;
}

} // namespace

int main(int argc, char** argv) {
    const std::string what = argc > 1 ? argv[1] : "search";
    if (what == "scan" && argc > 2) return scan(argv[2]);
    return search(argc > 2 ? std::atoi(argv[2]) : 50000);
}
