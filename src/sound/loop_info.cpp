#include "sound/loop_info.h"

#include "metre/tempo.h"
#include "sound/chunk_file.h"
#include "sound/snd_io.h"

#include <cmath>
#include <fmt/format.h>

namespace sound {

LoopInfo readLoopInfo(const std::filesystem::path& path) {
    LoopInfo out;
    SF_INFO info{};
    // Only these have such chunks; of others libsndfile would try to make something.
    if (!holdsChunks(path)) return out;
    const auto io = SndIo::read(path, info);
    if (!io) return out;
    SNDFILE* file = io->file();
    SF_LOOP_INFO loop{};
    if (sf_command(file, SFC_GET_LOOP_INFO, &loop, sizeof loop) == SF_TRUE) {
        const Bpm bpm(static_cast<double>(loop.bpm));
        if (metre::isTempo(bpm))
            out.bpm = bpm;
        else if (!(bpm.value == 0)) // 0 says nothing
            out.refused = std::isfinite(bpm.value) ? fmt::format("{:g}", bpm.value) : "no number";
        if (loop.num_beats > 0 && loop.num_beats <= 100000) out.beats = loop.num_beats;
        if (loop.root_key >= 1 && loop.root_key <= 127) out.rootNote = loop.root_key;
    }
    SF_INSTRUMENT instrument{};
    if (sf_command(file, SFC_GET_INSTRUMENT, &instrument, sizeof instrument) == SF_TRUE) {
        const int note = instrument.basenote;
        if (!out.rootNote && note >= 1 && note <= 127) out.rootNote = note;
        if (instrument.loop_count > 0) {
            const auto from = static_cast<std::int64_t>(instrument.loops[0].start);
            const auto to = static_cast<std::int64_t>(instrument.loops[0].end);
            if (from >= 0 && to > from && to <= io->frames()) out.loop = {Frames(from), Frames(to)};
        }
    }
    return out;
}

} // namespace sound
