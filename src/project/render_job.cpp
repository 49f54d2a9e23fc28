#include "project/render_job.h"

#include <algorithm>
#include <thread>

namespace project {

namespace {

base::Key keyOf(std::string_view content, int rate, const metre::TimeMap& map, const stretch::Settings& settings) {
    base::KeyMaker maker;
    maker.add(content).add(static_cast<std::uint64_t>(rate)).add(static_cast<std::uint64_t>(settings.method));
    maker.add(settings.semitones).add(std::uint64_t(settings.loop ? 1 : 0) + (settings.formants ? 2 : 0));
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

RenderJobPtr jobOf(const Source& source, metre::TimeMap map, const stretch::Settings& settings) {
    const base::Key key = keyOf(source.content, source.sound->audio.rate, map, settings);
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
    return stretch::Rendering::plan({job.sound->audio, job.sound->attacks, true}, job.map, job.settings);
}

sound::Blocks renderedBlocks(const stretch::Rendering& rendering, const sound::Audio& material, float gain,
                             const std::stop_token& stop) {
    const auto next = [&rendering, gain, stop, cuts = rendering.cuts(),
                       rate = material.rate](Frames from) -> Result<sound::AudioPtr> {
        const Frames minute(std::int64_t(60) * rate);
        const auto cut = std::lower_bound(cuts.begin(), cuts.end(), from + minute);
        const Frames to = cut == cuts.end() ? rendering.length() : *cut;
        const int threads = std::max(1, static_cast<int>(std::thread::hardware_concurrency()));
        auto made = rendering.piece(from, to, {{}, stop}, threads);
        if (!made) return tl::unexpected(made.error());
        if (gain != 1)
            for (auto& samples : made->channels)
                for (float& s : samples)
                    s *= gain;
        return std::make_shared<const sound::Audio>(std::move(*made));
    };
    return {material.rate, material.channelCount(), rendering.length(), next};
}

} // namespace project
