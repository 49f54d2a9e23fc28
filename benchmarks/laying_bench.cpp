// Laying out a project of 500 clips: from scratch over steady tempo and over ramps, and again after edits.
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/laid.h"
#include "support/audio.h"

#include <benchmark/benchmark.h>

namespace {

using namespace project;

Project fiveHundred(bool ramps) {
    Project p = *setTempo({}, Bpm(104));
    std::vector<Source> sources;
    for (const double bpm : {92.0, 103.0, 113.0, 124.0, 131.0}) {
        Source s;
        s.name = s.content = std::to_string(bpm);
        s.facts = {48000, 1, Frames(std::llround(16 * 60 / bpm * 48000)), "WAV"};
        s.sound = soundOf(support::strokes({0}, 16 * 60 / bpm));
        s.beats = metre::BeatMap(Bpm(bpm), Seconds(0));
        sources.push_back(std::move(s));
    }
    Added added = addSources(p, std::move(sources));
    p = added.project;
    std::vector<TrackId> tracks;
    for (int t = 0; t < 10; ++t) {
        AddedTrack track = addTrack(p, "track");
        p = track.project;
        tracks.push_back(track.id);
    }
    for (int i = 0; i < 500; ++i)
        p = place(p, added.ids[static_cast<std::size_t>(i) % 5], tracks[static_cast<std::size_t>(i) % 10],
                  Beats(16 * (i / 10)))
                ->project;
    if (!ramps) return p;
    std::vector<metre::TempoPoint> points;
    for (int i = 0; i < 50; ++i)
        points.push_back({Beats(16 * i), Bpm(i % 2 == 0 ? 96 : 112), metre::TempoPoint::Shape::Ramp});
    return *setTempoMap(p, *metre::TempoMap::make(points));
}

void fromScratch(benchmark::State& state) {
    const Project p = fiveHundred(state.range(0) != 0);
    for (auto _ : state)
        benchmark::DoNotOptimize(lay(p));
}
BENCHMARK(fromScratch)->ArgName("ramps")->Arg(0)->Arg(1)->Unit(benchmark::kMillisecond);

void afterOneEdit(benchmark::State& state) {
    const Project p = fiveHundred(true);
    const LaidPtr before = lay(p);
    const Project edited = *moveClips(p, {allClips(p)[250]}, Beats(1), 0);
    std::size_t anew = 0;
    for (auto _ : state) {
        const LaidPtr after = lay(edited, before);
        anew = after->laidAnew();
    }
    state.counters["laid anew"] = double(anew);
}
BENCHMARK(afterOneEdit)->Unit(benchmark::kMillisecond);

void afterMovingTheLoopRange(benchmark::State& state) {
    const Project p = fiveHundred(true);
    const LaidPtr before = lay(p);
    const Project edited = *setLoop(p, {Beats(4), Beats(12)});
    std::size_t anew = 0;
    for (auto _ : state) {
        const LaidPtr after = lay(edited, before);
        anew = after->laidAnew();
    }
    state.counters["laid anew"] = double(anew);
}
BENCHMARK(afterMovingTheLoopRange)->Unit(benchmark::kMillisecond);

} // namespace

BENCHMARK_MAIN();
