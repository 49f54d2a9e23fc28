#include "cli/fit.h"

#include "base/utf8.h"
#include "hear/key.h"
#include "metre/tempo.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/settle.h"
#include "sound/write.h"
#include "stretch/method.h"

#include <cmath>
#include <cstdio>
#include <fmt/format.h>

namespace cli {

namespace {

using base::Result;
using metre::Bpm;
using metre::Frames;

// How long the result is, and which tempo it then has.
struct Aim {
    Frames length;
    std::optional<Bpm> tempo;
};

Result<Aim> aimOf(const FitOptions& o, const project::Source& source) {
    const sound::Audio& audio = source.sound->audio;
    const double frames = static_cast<double>(audio.frames().value);
    const auto tempo = [](const std::optional<std::string>& text) -> Result<std::optional<Bpm>> {
        if (!text) return std::optional<Bpm>();
        const auto parsed = metre::parseTempo(*text);
        if (!parsed) return tl::unexpected(parsed.error());
        return std::optional<Bpm>(*parsed);
    };
    const auto to = tempo(o.to);
    if (!to) return tl::unexpected(to.error());
    auto from = tempo(o.from);
    if (!from) return tl::unexpected(from.error());

    const auto tooFar = [](double ratio) {
        return base::problem(fmt::format("A file can become {} to {} times as long; {:g} times was asked for.",
                                         metre::TimeMap::smallestRatio, metre::TimeMap::largestRatio, ratio));
    };
    const auto within = [](double r) {
        return std::isfinite(r) && r >= metre::TimeMap::smallestRatio && r <= metre::TimeMap::largestRatio;
    };
    if (o.ratio) {
        if (*to || *from || o.beats) return base::problem("Say either --ratio, or tempos and beats; not both.");
        if (!within(*o.ratio)) return tooFar(*o.ratio);
        std::optional<Bpm> becomes;
        if (source.beats && metre::isTempo(Bpm(source.beats->meanTempo().value / *o.ratio)))
            becomes = Bpm(source.beats->meanTempo().value / *o.ratio);
        return Aim{Frames(std::max<std::int64_t>(1, std::llround(frames * *o.ratio))), becomes};
    }
    if (!*to) return base::problem("Say which tempo it shall have with --to, or how much longer with --ratio.");
    if (o.beats) {
        if (*from) return base::problem("Say either --from or --beats; not both.");
        if (!std::isfinite(*o.beats) || *o.beats <= 0 || *o.beats > 1e6)
            return base::problem("--beats must be a number above 0.");
        const double length = *o.beats * 60.0 / (*to)->value * audio.rate;
        if (!within(length / frames)) return tooFar(length / frames);
        return Aim{Frames(std::llround(length)), **to};
    }
    if (!*from && source.beats) from = std::optional<Bpm>(source.beats->meanTempo());
    if (!*from)
        return base::problem(
            fmt::format("{} does not say its tempo, in its name or in a tag. Say it with --from or --beats.",
                        base::shownName(o.in)));
    const double ratio = (*from)->value / (*to)->value;
    if (!within(ratio)) return tooFar(ratio);
    return Aim{Frames(std::max<std::int64_t>(1, std::llround(frames * ratio))), **to};
}

Result<std::string> run(const FitOptions& o, const std::stop_token& stop) {
    std::optional<stretch::Method> method; // none yet: by the kind of sound
    if (o.style != "auto") {
        method = stretch::methodFromWord(o.style);
        if (!method)
            return base::problem(
                fmt::format("“{}” is no style. There are auto, struck, held, blend, sung and tape.", o.style));
    }
    sound::Depth depth = sound::Depth::Int24;
    if (o.depth == "16")
        depth = sound::Depth::Int16;
    else if (o.depth == "float")
        depth = sound::Depth::Float32;
    else if (o.depth != "24")
        return base::problem("--depth is 16, 24 or float.");

    auto imported = project::importFile(o.in, 0, {}, {{}, stop});
    if (!imported) return tl::unexpected(imported.error());
    for (const std::string& w : imported->warnings)
        fmt::print(stderr, "pmetre: {}\n", w);
    const project::Source& source = imported->source;
    const sound::Audio& audio = source.sound->audio;
    const auto aim = aimOf(o, source);
    if (!aim) return tl::unexpected(aim.error());
    const auto map = metre::TimeMap::straight(audio.frames(), aim->length);
    if (!map) return tl::unexpected(map.error());
    if (!method) method = project::methodFor(source.kind);
    const stretch::Settings settings{*method, o.semitones, o.loop, o.formants};
    const auto rendering = stretch::Rendering::plan({audio, source.sound->attacks, true}, *map, settings);
    if (!rendering) return tl::unexpected(rendering.error());
    sound::Tags tags;
    tags.bpm = aim->tempo;
    if (source.key && o.semitones == 0 && *method != stretch::Method::Tape) tags.key = hear::keyTag(*source.key);
    const auto written = sound::write(o.out, project::renderedBlocks(*rendering, audio, 1, stop), depth, tags,
                                      o.overwrite ? base::Existing::Replace : base::Existing::Refuse, {{}, stop});
    if (!written) return tl::unexpected(written.error());
    if (written->clipped > 0)
        fmt::print(stderr, "pmetre: {}: {} samples were above full scale and were cut; --depth float keeps them.\n",
                   base::shownName(o.out), written->clipped);
    return fmt::format("{}: {:.3f} s became {:.3f} s ({:.2f} %) by {}{}", base::shownPath(o.out),
                       audio.length().value, metre::toSeconds(rendering->length(), audio.rate).value,
                       100 * map->meanRatio(), stretch::methodLabel(*method),
                       aim->tempo ? fmt::format(", {} BPM", metre::tempoLabel(*aim->tempo)) : "");
}

} // namespace

int fit(const FitOptions& options, const std::stop_token& stop) {
    const auto said = run(options, stop);
    if (!said) {
        fmt::print(stderr, "pmetre: {}\n", said.error().text);
        return 1;
    }
    fmt::print("{}\n", *said);
    return 0;
}

} // namespace cli
