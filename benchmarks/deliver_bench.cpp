// Delivery of stems beside sox copying and converting the same files: bench_deliver [COUNT] [MINUTES]. 16 stems of
// five minutes, at 44.1 kHz and 100 into a project of 48 kHz and 104. Needs sox.
#include "deliver/deliver.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "support/audio.h"
#include "support/files.h"

#include <chrono>
#include <cstdlib>
#include <fmt/format.h>

int main(int argc, char** argv) {
    const int count = argc > 1 ? std::atoi(argv[1]) : 16;
    const double minutes = argc > 2 ? std::atof(argv[2]) : 5;
    const support::Folder folder;
    project::Project p = *project::setTempo({}, metre::Bpm(104));
    for (int i = 0; i < count; ++i) {
        sound::Audio audio(44100, 2, metre::Frames(std::llround(minutes * 60 * 44100)));
        for (double at = 0; at < minutes * 60 - 1; at += 0.6)
            support::pluck(audio, at, 110 + 13 * i, 0.2, 4);
        const auto file = folder / fmt::format("stem_{:02}_100bpm.wav", i + 1);
        if (!sound::write(file, audio, sound::Depth::Int24, {}, base::Existing::Refuse)) return 1;
        auto imported = project::importFile(file, 48000, {true, true, false, {}});
        if (!imported) return 1;
        auto added = project::addSources(p, {std::move(imported->source)});
        p = std::move(project::place(added.project, added.ids[0], {}, metre::Beats(0))->project);
    }
    const auto laid = project::lay(p);
    deliver::Order order;
    order.folder = folder / "out";
    order.title = "stems";
    for (const auto& what :
         {std::vector{deliver::What::Stems}, std::vector{deliver::What::Stems, deliver::What::Mix}}) {
        order.what = what;
        order.existing = base::Existing::Replace;
        const auto begin = std::chrono::steady_clock::now();
        const auto done = deliver::deliver(laid, *deliver::plan(*laid, order), order);
        const double ours = std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
        const auto middle = std::chrono::steady_clock::now();
        const auto sox =
            support::run("cd " + support::quoted(folder.path()) +
                         " && mkdir -p sox && for f in stem_*.wav; do sox $f -r 48000 sox/$f || exit 1; done");
        const double theirs = std::chrono::duration<double>(std::chrono::steady_clock::now() - middle).count();
        if (sox.status != 0 || !done.problems.empty()) return 1;
        fmt::print(
            "{} files of {} min: ours {:.1f} s, sox copying and converting {} stems {:.1f} s, ratio {:.2f}\n",
            done.written.size(), minutes, ours, count, theirs, ours / theirs);
    }
    return 0;
}
