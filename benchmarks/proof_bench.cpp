// What proving costs: bench_proof [demo|long]. demo: every clip of the demo project, rendered beforehand; long: a
// stem of five minutes. Processor time, of measuring the recording, of measuring what came out, and of both.
#include "project/clip_rendering.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/save.h"
#include "prove/proof.h"
#include "support/audio.h"

#include <algorithm>
#include <ctime>
#include <fmt/format.h>
#include <set>
#include <string>

namespace {

double processorSeconds() {
    timespec t{};
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &t);
    return double(t.tv_sec) + double(t.tv_nsec) * 1e-9;
}

sound::Audio renderedWhole(const project::LaidClip& clip) {
    const auto plan = project::ClipRendering::plan(clip.time());
    const auto blocks = plan->blocks(1, {});
    sound::Audio all(blocks.rate, blocks.channels, blocks.length);
    for (metre::Frames at(0); at < blocks.length;) {
        const auto block = *blocks.next(at);
        for (std::size_t c = 0; c < all.channels.size(); ++c)
            std::copy(block->channels[c].begin(), block->channels[c].end(), all.channels[c].begin() + at.value);
        at += block->frames();
    }
    return all;
}

// As the window does it: each recording once, each rendering once.
int proveAll(const project::Project& p) {
    const auto laid = project::lay(p);
    std::set<const project::Source*> sources;
    std::set<base::Key, bool (*)(const base::Key&, const base::Key&)> renderings(
        [](const base::Key& a, const base::Key& b) { return a.high != b.high ? a.high < b.high : a.low < b.low; });
    double sourceTime = 0;
    double clipTime = 0;
    double seconds = 0;
    for (const project::LaidClip& clip : laid->clips()) {
        if (clip.time().parts.empty() || !renderings.insert(clip.time().job()->key).second) continue;
        const sound::Audio all = renderedWhole(clip);
        seconds += all.length().value;
        const double begin = processorSeconds();
        const auto source = prove::measureSource(*clip.source);
        const double between = processorSeconds();
        const auto cameOut = prove::measureClip(clip, *source, prove::blocksOf(all), false);
        const prove::Proof proof = prove::prove(clip, p.tempo, *source, *cameOut);
        const double end = processorSeconds();
        if (sources.insert(clip.source.get()).second) sourceTime += between - begin;
        clipTime += end - between;
        fmt::print("{:<24} {:6.1f} s  {:4} hits  recording {:.3f} s, clip {:.3f} s\n", clip.name(),
                   all.length().value, proof.sums.count, between - begin, end - between);
    }
    fmt::print("{:.1f} s of sound: recordings {:.2f} s, clips {:.2f} s, together {:.2f} s of processor time\n",
               seconds, sourceTime, clipTime, sourceTime + clipTime);
    return 0;
}

int longStem() {
    std::vector<std::int64_t> at;
    for (int i = 0; i < 1000; ++i)
        at.push_back(std::int64_t(i) * 14400);
    project::Source s;
    s.name = s.content = "stem";
    sound::Audio audio = support::strokes(at, 300, 48000, 2);
    const sound::Audio ground = support::noise(300, 48000, 2, 1, 0.05);
    for (std::size_t c = 0; c < 2; ++c)
        for (std::size_t i = 0; i < audio.channels[c].size(); ++i)
            audio.channels[c][i] += ground.channels[c][i];
    s.facts = {48000, 2, audio.frames(), "WAV"};
    s.sound = project::soundOf(std::move(audio));
    s.beats = metre::BeatMap(metre::Bpm(100), metre::Seconds(0));
    const auto added = project::addSources(*project::setTempo({}, metre::Bpm(104)), {s});
    return proveAll(project::place(added.project, added.ids[0], {}, metre::Beats(0))->project);
}

} // namespace

int main(int argc, char** argv) {
    if (argc > 1 && std::string(argv[1]) == "long") return longStem();
    const auto loaded = project::loadProject(std::string(PM_SOURCE_DIR) + "/demo/canal_journey");
    if (!loaded) return 1;
    return proveAll(loaded->project);
}
