#include "cli/fit.h"

#include "base/number.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "deliver/loops.h"
#include "metre/tempo.h"
#include "project/clip_rendering.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/settle.h"
#include "sound/write.h"
#include "stretch/method.h"

#include <cmath>
#include <fmt/format.h>
#include <new>

namespace cli {

namespace {

using base::Result;
using metre::Beats;
using metre::Bpm;
using metre::Seconds;

// What was asked for, once it has been found to make sense.
struct Asked {
    std::optional<Bpm> to;
    std::optional<Bpm> from;
    std::optional<double> beats;
    std::optional<double> ratio;
    double semitones = 0;
    std::optional<stretch::Method> method; // none: by the kind of sound
    std::optional<sound::Depth> depth;     // none: the input's
};

Result<std::optional<Bpm>> tempo(const std::optional<std::string>& text) {
    if (!text) return std::optional<Bpm>();
    const auto parsed = metre::parseTempo(*text);
    if (!parsed) return tl::unexpected(parsed.error());
    return std::optional<Bpm>(*parsed);
}

Result<std::optional<double>> number(const std::optional<std::string>& text, const char* option) {
    if (!text) return std::optional<double>();
    const auto parsed = base::typedNumber(*text);
    if (!parsed) return base::problem(fmt::format("“{}” is not a number for {}.", *text, option));
    return parsed;
}

base::Problem tooFar(double ratio) {
    return {fmt::format("A file can become {} to {} times as long; {:g} times was asked for.",
                        metre::TimeMap::smallestRatio, metre::TimeMap::largestRatio, ratio)};
}

bool isWithin(double ratio) {
    return ratio >= metre::TimeMap::smallestRatio && ratio <= metre::TimeMap::largestRatio;
}

Result<Asked> understood(const FitOptions& o) {
    Asked a;
    const auto to = tempo(o.to);
    if (!to) return tl::unexpected(to.error());
    const auto from = tempo(o.from);
    if (!from) return tl::unexpected(from.error());
    const auto beats = number(o.beats, "--beats");
    if (!beats) return tl::unexpected(beats.error());
    const auto ratio = number(o.ratio, "--ratio");
    if (!ratio) {
        // “nan” and “inf” are no numbers either; the limits say more.
        return base::problem(fmt::format("{} A file can become {} to {} times as long.", ratio.error().text,
                                         metre::TimeMap::smallestRatio, metre::TimeMap::largestRatio));
    }
    const auto semitones = number(o.semitones, "--transpose");
    if (!semitones) return tl::unexpected(semitones.error());
    a = {*to, *from, *beats, *ratio, semitones->value_or(0), {}, {}};
    if (std::abs(a.semitones) > project::mostSemitones)
        return base::problem("--transpose goes up to 24 semitones either way.");
    if (a.ratio && (a.to || a.from || a.beats))
        return base::problem("Say either --ratio, or tempos and beats; not both.");
    if (a.ratio && !isWithin(*a.ratio)) return tl::unexpected(tooFar(*a.ratio));
    if (!a.ratio && !a.to)
        return base::problem("Say which tempo it shall have with --to, or how much longer with --ratio.");
    if (a.beats && a.from) return base::problem("Say either --from or --beats; not both.");
    if (a.beats && !(*a.beats > 0 && *a.beats <= 1e6)) return base::problem("--beats must be a number above 0.");
    if (a.from && !isWithin(a.from->value / a.to->value))
        return tl::unexpected(tooFar(a.from->value / a.to->value));
    if (o.style != "auto") {
        a.method = stretch::methodFromWord(o.style);
        if (!a.method)
            return base::problem(
                fmt::format("“{}” is no style. There are auto, struck, held, blend, sung and tape.", o.style));
    }
    if (o.depth) {
        if (*o.depth == "16")
            a.depth = sound::Depth::Int16;
        else if (*o.depth == "24")
            a.depth = sound::Depth::Int24;
        else if (*o.depth == "float")
            a.depth = sound::Depth::Float32;
        else
            return base::problem("--depth is 16, 24 or float.");
        if (sound::isWritable(o.out) && !sound::takesDepth(o.out, *a.depth))
            return base::problem(fmt::format("--depth {} does nothing for {}: such files have none.", *o.depth,
                                             base::shownPath(o.out)));
    }
    return a;
}

// What can be seen before any work.
Result<void> mayWrite(const FitOptions& o) {
    const auto fail = [&](const char* reason) {
        return base::problem(fmt::format("{} could not be written: {}.", base::shownPath(o.out), reason));
    };
    if (!sound::isWritable(o.out)) return fail("its name must end in .wav, .aiff, .flac or .ogg");
    if (base::isSameFile(o.in, o.out)) return fail("it is the input itself, which is never changed");
    std::error_code ignored;
    if (!o.overwrite && std::filesystem::exists(o.out, ignored))
        return fail("a file of that name is there already; --overwrite replaces it");
    return {};
}

const char* saidBy(hear::Witness by) {
    switch (by) {
    case hear::Witness::Name:
        return "by its name";
    case hear::Witness::Tag:
        return "by its tag";
    case hear::Witness::Heard:
        return "as heard";
    case hear::Witness::Length:
        return "by its length";
    case hear::Witness::Tapped:
        return "as tapped";
    case hear::Witness::Typed:
        break;
    }
    return "as you said";
}

sound::Depth depthOf(const std::string& format) {
    if (format.ends_with("16-bit") || format.ends_with(" 8-bit")) return sound::Depth::Int16;
    if (format.ends_with("float") || format.ends_with("double") || format.ends_with("32-bit"))
        return sound::Depth::Float32;
    return sound::Depth::Int24;
}

// So many beats from the first sample to the last.
void setBeats(project::Source& s, double beats) {
    s.beats = *metre::BeatMap::make({{Seconds(0), Beats(0)}, {s.length(), Beats(beats)}});
    s.loopBeats.reset();
    if (beats == std::round(beats)) s.loopBeats = Beats(beats);
    s.chosen = hear::Witness::Typed;
}

// Gives the source the beats that count: those that were said, else those of the reading that the window would use.
Result<void> setTempo(project::Source& s, const FitOptions& o, const Asked& a) {
    if (a.ratio) {
        setBeats(s, s.length().value * 100 / 60); // at a nominal tempo of 100
        return {};
    }
    if (a.beats) {
        setBeats(s, *a.beats);
        return {};
    }
    if (a.from) {
        s.beats = metre::BeatMap(*a.from, Seconds(0)); // it holds from the first sample on
        s.loopBeats.reset();
        s.chosen = hear::Witness::Typed;
        return {};
    }
    const std::string name = base::shownPath(o.in);
    if (!s.beats)
        return base::problem(
            fmt::format("{} does not say its tempo, in its name or in a tag, and none is heard. Say it "
                        "with --from or --beats.",
                        name));
    if (hear::isMaybe(s.readings, s.chosen) && !o.trustHearing) {
        const hear::Reading* heard = project::readingBy(s, hear::Witness::Heard);
        std::string list;
        for (const hear::Candidate& c : heard->others)
            list += (list.empty() ? "" : ", ") + metre::tempoLabel(c.bpm);
        return base::problem(
            fmt::format("{} may have {} BPM, but that is only heard, and not sure ({:.2f}; heard: {}). "
                        "Say it with --from or --beats, or take what is heard with --trust-hearing.",
                        name, metre::tempoLabel(s.beats->meanTempo()), hear::beatSureness(*heard), list));
    }
    if (o.steady && s.beats->pins().size() > 2) {
        const Seconds first = s.beats->secondsAt(Beats(0));
        s.beats = metre::BeatMap(s.beats->meanTempo(), first);
        s.loopBeats.reset();
    }
    return {};
}

Result<std::string> run(const FitOptions& o, const Asked& a, const std::stop_token& stop, Output& output) {
    if (auto may = mayWrite(o); !may) return tl::unexpected(may.error());
    auto imported = project::importFile(o.in, 0, {}, {{}, stop});
    if (!imported) return tl::unexpected(imported.error());
    for (const std::string& w : imported->warnings)
        output.say(w);
    project::Source source = std::move(imported->source);
    const bool knewTempo = source.beats.has_value();
    const Bpm had = knewTempo ? source.beats->meanTempo() : Bpm(0);
    if (auto set = setTempo(source, o, a); !set) return tl::unexpected(set.error());
    const Bpm own = source.beats->meanTempo();
    const double ratio = a.ratio ? *a.ratio : own.value / a.to->value;
    if (!isWithin(ratio)) return tl::unexpected(tooFar(ratio));

    // A project of this one clip, laid out as the window lays it.
    project::Project p;
    p.rate = source.sound->audio.rate;
    p.tempo = metre::TempoMap(a.ratio ? Bpm(100 / *a.ratio) : *a.to);
    project::Added added = project::addSources(p, {source});
    auto placed = project::place(added.project, added.ids[0], {}, -source.beats->beatAt(Seconds(0)));
    if (!placed) return tl::unexpected(placed.error());
    p = std::move(placed->project);
    project::Track track = *p.tracks[0];
    project::Clip& clip = track.clips[0];
    clip.rule = project::TimeRule::Stretch;
    if (a.method) clip.stretch.method = *a.method;
    clip.stretch.semitones = a.semitones;
    clip.stretch.formants = o.formants;
    clip.stretch.loop = o.loop || (clip.stretch.loop && !a.ratio);
    p.tracks[0] = std::make_shared<const project::Track>(track);
    const project::LaidPtr laid = project::lay(p);
    const project::LaidClip& it = laid->clips().front();
    if (it.time().parts.empty()) return base::problem(it.time().problem);
    const project::RenderJob& job = *it.time().job();
    const auto rendering = project::ClipRendering::plan(it.time());
    if (!rendering) return base::problem(fmt::format("{}: {}", base::shownPath(o.in), rendering.error().text));

    sound::Tags tags;
    std::optional<Bpm> becomes = a.to;
    if (a.ratio && knewTempo && metre::isTempo(Bpm(had.value / *a.ratio))) becomes = Bpm(had.value / *a.ratio);
    tags.bpm = becomes;
    if (const auto key = deliver::keyOf(it)) tags.key = hear::keyTag(*key);
    const sound::Audio& audio = job.sound->audio;
    sound::Depth depth = a.depth.value_or(depthOf(source.facts.format));
    if (!sound::takesDepth(o.out, depth)) depth = sound::Depth::Int24;
    const auto written = sound::write(o.out, rendering->blocks(1, stop), depth, tags,
                                      o.overwrite ? base::Existing::Replace : base::Existing::Refuse, {{}, stop});
    if (!written) return tl::unexpected(written.error());
    if (written->clipped > 0)
        output.say(fmt::format("{}: {} samples were above full scale and were cut; --depth float keeps them.",
                               base::shownPath(o.out), written->clipped));
    std::string told = fmt::format("{}: {:.3f} s became {:.3f} s ({:.2f} %) by {}", base::shownPath(o.out),
                                   source.length().value, metre::toSeconds(rendering->length(), audio.rate).value,
                                   100 * job.map.meanRatio(), stretch::methodLabel(job.settings.method));
    if (!a.ratio) {
        told += fmt::format(", from {} ({}{}) to {} BPM", metre::tempoLabel(own), saidBy(*source.chosen),
                            source.beats->pins().size() > 2 ? ", played free" : "", metre::tempoLabel(*a.to));
    } else if (becomes) {
        told += fmt::format(", {} BPM", metre::tempoLabel(*becomes));
    }
    return told;
}

} // namespace

int fit(const FitOptions& options, const std::stop_token& stop, Output& output) {
    const auto asked = understood(options);
    if (!asked) {
        output.say(asked.error().text);
        return 2;
    }
    try {
        const auto told = run(options, *asked, stop, output);
        if (told) return output.line(*told) ? 0 : 1;
        if (!told.error().cancelled) output.say(told.error().text);
    } catch (const std::bad_alloc&) {
        output.say(
            fmt::format("{} could not be fitted: there is not enough memory for it.", base::shownPath(options.in)));
    }
    return 1;
}

} // namespace cli
