// Lays out the demo project from its audio: sixteen bars of music for a canal-boat journey, in D minor at 104.
// Usage: make_demo_project FOLDER (the folder that holds audio/; project.json is written beside it)
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"
#include "project/import.h"
#include "project/save.h"

#include <cstdio>
#include <fmt/format.h>

namespace {

using metre::Beats;
using metre::Bpm;

struct Placing {
    const char* file;
    const char* track;
    double trackDb;
    std::vector<int> bars;
};

const std::vector<Placing> placings = {
    {"winch_hands_112bpm.wav", "Winch hands", -8, {3, 7, 11}},
    {"pontoon_marimba.flac", "Marimba", -11, {3, 7, 11}},
    {"keel_bass_96.aiff", "Bass", -7, {3, 5, 7, 9, 11, 13}},
    {"rope_shaker_124.wav", "Shaker", -17, {5, 7, 9, 11, 13}},
    {"heron_whistle.mp3", "Whistle", -13, {7}},
    {"kalimba_eddies.ogg", "Kalimba", -14, {11}},
    {"lock_gate_brushes.mp3", "Brushes", -14, {7}},
    {"towpath_accordion.ogg", "Accordion", -19, {11}},
    {"reed_drone_D.wav", "Reed drone", -18, {1, 15}},
    {"barge_bell.wav", "Barge bell", -16, {1, 7, 15}},
};

base::Result<project::Project> lay(const std::filesystem::path& folder) {
    auto titled = project::setTempo({}, Bpm(104));
    if (!titled) return titled;
    project::Project p = std::move(*titled);
    p.keys = project::KeyMap(hear::Key{2, true});
    p.loop = {Beats(24), Beats(40), false};
    p.sections = {{Beats(0), "mist"}, {Beats(8), "towpath"}, {Beats(24), "weir"}, {Beats(40), "home"}};
    for (const Placing& placing : placings) {
        auto imported = project::importFile(folder / "audio" / placing.file, p.rate);
        if (!imported) return tl::unexpected(imported.error());
        project::Added added = project::addSources(p, {std::move(imported->source)});
        p = std::move(added.project);
        const project::SourceId id = added.ids.front();
        project::AddedTrack track = project::addTrack(p, placing.track);
        auto levelled = project::setTrackGain(track.project, track.id, placing.trackDb);
        if (!levelled) return levelled;
        p = std::move(*levelled);
        for (const int bar : placing.bars) {
            auto placed = project::place(p, id, track.id, p.metre.startOfBar(bar));
            if (!placed) return tl::unexpected(placed.error());
            p = std::move(placed->project);
        }
    }
    return p;
}

} // namespace

int main(int argc, char** argv) {
    if (argc != 2) {
        std::fprintf(stderr, "Usage: make_demo_project FOLDER\n");
        return 2;
    }
    const std::filesystem::path folder = std::filesystem::absolute(argv[1]);
    auto p = lay(folder);
    if (p) p = project::saveProject(*p, folder, true);
    if (!p) {
        fmt::print(stderr, "{}\n", p.error().text);
        return 1;
    }
    fmt::print("{} sources, {} clips\n", p->sources.size(), project::allClips(*p).size());
    return 0;
}
