#include "project/render_job.h"

#include "project/settle.h"
#include "stretch/draft.h"

#include <algorithm>

namespace project {

namespace {

base::Key keyOf(const Source& source, const metre::TimeMap& map, const stretch::Settings& settings) {
    base::KeyMaker maker;
    maker.add(source.content).add(static_cast<std::uint64_t>(source.sound->audio.rate));
    maker.add(source.sound->attacksKey.high).add(source.sound->attacksKey.low);
    maker.add(static_cast<std::uint64_t>(stretch::renderVersion)).add(static_cast<std::uint64_t>(settings.method));
    maker.add(settings.semitones)
        .add(std::uint64_t(settings.loop ? 1 : 0) + (settings.formants ? 2 : 0) + (settings.slices ? 4 : 0) +
             (settings.quiet ? 8 : 0));
    maker.add(settings.sensitivity).add(static_cast<std::uint64_t>(settings.underTape));
    for (const metre::TimePoint& point : map.points()) {
        maker.add(static_cast<std::uint64_t>(point.source.value));
        maker.add(static_cast<std::uint64_t>(point.output.value));
    }
    return maker.key();
}

base::Key derived(base::Key from, std::string_view how) {
    return base::KeyMaker().add(from.high).add(from.low).add(how).key();
}

} // namespace

RenderJobPtr jobOf(const Source& source, metre::TimeMap map, stretch::Settings settings) {
    // Stems that belong together are stretched alike.
    if (!source.sound->strikes) settings.underTape = methodFor(source.kind);
    const base::Key key = keyOf(source, map, settings);
    return std::make_shared<const RenderJob>(RenderJob{source.sound, std::move(map), settings, key});
}

RenderJobPtr byMethod(const RenderJob& job, stretch::Method method) {
    RenderJob other = job;
    other.settings.method = method;
    if (method != job.settings.method) other.key = derived(job.key, stretch::methodWord(method));
    return std::make_shared<const RenderJob>(std::move(other));
}

RenderJobPtr asRecorded(const RenderJob& job) {
    const Frames from = job.map.points().front().source;
    const Frames length = std::min(job.map.outputLength(), job.map.points().back().source - from);
    return std::make_shared<const RenderJob>(
        RenderJob{job.sound,
                  *metre::TimeMap::make({{from, Frames(0)}, {from + length, length}}),
                  {},
                  derived(job.key, "as recorded")});
}

Result<stretch::Rendering> planOf(const RenderJob& job) {
    // Reading has made every sample a number.
    if (job.settings.slices) {
        const std::vector<Frames> starts = sliceStarts(*job.sound, job.settings.sensitivity);
        return stretch::Rendering::plan({job.sound->audio, starts, true}, job.map, job.settings);
    }
    const auto& strikes = job.sound->strikes;
    return stretch::Rendering::plan({job.sound->audio, job.sound->attacks, true, strikes ? &*strikes : nullptr,
                                     &job.sound->known, job.sound->parts.get()},
                                    job.map, job.settings);
}

sound::Audio draftOf(const RenderJob& job, Frames from, Frames to) {
    if (job.settings.slices) {
        const std::vector<Frames> starts = sliceStarts(*job.sound, job.settings.sensitivity);
        return stretch::draft({job.sound->audio, starts, true}, job.map, job.settings, from, to);
    }
    return stretch::draft({job.sound->audio, job.sound->attacks, true}, job.map, job.settings, from, to);
}

} // namespace project
