#include "cli/fit.h"

#include "cli/fit_asked.h"

#include "base/number.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "cli/feel.h"
#include "cli/in_order.h"
#include "cli/inputs.h"
#include "cli/json_line.h"
#include "cli/sound_options.h"
#include "deliver/file_tags.h"
#include "deliver/names.h"
#include "hear/name.h"
#include "metre/tempo.h"
#include "project/clip_rendering.h"
#include "project/edit_clips.h"
#include "project/edit_sources.h"
#include "project/edit_time.h"
#include "project/import.h"
#include "project/laid.h"
#include "project/settle.h"
#include "project/tighten.h"
#include "sound/carried.h"
#include "sound/mapped.h"
#include "sound/resample.h"
#include "sound/write.h"
#include "stretch/method.h"

#include <algorithm>
#include <cmath>
#include <condition_variable>
#include <fmt/format.h>
#include <mutex>
#include <new>

namespace cli {

namespace {

using base::Result;
using metre::Beats;
using metre::Bpm;
using metre::Frames;
using metre::Seconds;

// Names for files in a folder, given out in the order of the arguments, whoever is ready first.
class NameDesk {
  public:
    explicit NameDesk(std::stop_token stop) : stop_(std::move(stop)) {}
    // Waits until all before it have theirs, or nobody wants any more. An index is served once, with a name or
    // without.
    std::string served(std::size_t index, const std::string& name, const std::string& ending) {
        std::unique_lock lock(mutex_);
        if (!turn_.wait(lock, stop_, [&] { return next_ == index; })) return name;
        std::string unique = name.empty() ? name : names_.different(name, ending);
        ++next_;
        turn_.notify_all();
        return unique;
    }

  private:
    std::stop_token stop_;
    std::mutex mutex_;
    std::condition_variable_any turn_;
    std::size_t next_ = 0;
    deliver::DifferentNames names_;
};

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

constexpr Bpm nominal{100};

// So many beats from the first sample to the last.
void setBeats(project::Source& s, double beats) {
    s.beats = *metre::BeatMap::make({{Seconds(0), Beats(0)}, {s.length(), Beats(beats)}});
    s.loopBeats.reset();
    if (beats == std::round(beats)) s.loopBeats = Beats(beats);
    s.chosen = hear::Witness::Typed;
}

// Gives the source the beats that count: those that were said, else those of the reading that the window would use.
Result<void> setTempo(project::Source& s, const std::filesystem::path& in, const FitOptions& o, const Asked& a) {
    if (a.ratio) {
        // Of no tempo: a nominal one, which nobody is told.
        s.beats = metre::BeatMap(nominal, Seconds(0));
        s.loopBeats.reset();
        s.chosen.reset();
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
    const std::string name = base::shownPath(in);
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

// Whether a file says its tempo without being listened to.
bool saysTempo(const std::filesystem::path& in) {
    return hear::readName(in).bpm || sound::readTags(in).bpm;
}
// What its name or a tag says of its tempo, whichever ranks higher; none where neither does.
std::optional<hear::Reading> writtenIn(const project::Source& source) {
    std::vector<hear::Reading> written;
    for (const hear::Reading& r : source.readings)
        if (r.by == hear::Witness::Name || r.by == hear::Witness::Tag) written.push_back(r);
    const hear::Reading* best = hear::mostTrusted(written);
    return best == nullptr ? std::nullopt : std::optional(*best);
}

// The tempo of another file, by the same trust.
Result<Bpm> tempoOfFile(const FitOptions& o, const std::stop_token& stop) {
    const auto heard = project::listenToFile(*o.like, {}, {{}, stop});
    if (!heard) return tl::unexpected(heard.error());
    const project::Source& s = heard->source;
    if (const auto written = o.trust ? writtenIn(s) : std::nullopt) return *written->bpm;
    if (!s.beats) return base::problem(fmt::format("{} has no tempo to be like.", base::shownPath(*o.like)));
    if (hear::isMaybe(s.readings, s.chosen) && !o.trustHearing)
        return base::problem(fmt::format(
            "{} may have {} BPM, but that is only heard, and not sure. Say it with --to, or take what is heard "
            "with --trust-hearing.",
            base::shownPath(*o.like), metre::tempoLabel(s.beats->meanTempo())));
    return s.beats->meanTempo();
}

// A clip that was laid out, with its length in frames times the ratio, and no tempo.
Result<project::LaidClip> byRatio(project::LaidClip clip, double ratio, bool loop) {
    const auto frames = clip.source->sound->audio.frames();
    auto map = metre::TimeMap::straight(frames, Frames(std::llround(double(frames.value) * ratio)));
    if (!map) return tl::unexpected(map.error());
    auto time = std::make_shared<project::Timing>(clip.time());
    stretch::Settings settings = clip.clip->stretch;
    settings.loop = loop;
    time->length = map->outputLength();
    time->tempo = Bpm(0); // none
    time->steadyTempo.reset();
    time->parts = {
        {Frames(0), time->length, project::jobOf(*clip.source, std::move(*map), settings), Frames(0), Frames(0)}};
    clip.timing = std::move(time);
    return clip;
}

// A project of this one clip, laid out as the window lays it.
Result<project::LaidPtr> laidAlone(const project::Source& source, const FitOptions& o, const Asked& a) {
    project::Project p;
    p.rate = source.sound->audio.rate;
    p.tempo = metre::TempoMap(a.ratio ? nominal : *a.to);
    project::Added added = project::addSources(p, {source});
    auto placed = project::place(added.project, added.ids[0], {}, -source.beats->beatAt(Seconds(0)));
    if (!placed) return tl::unexpected(placed.error());
    p = std::move(placed->project);
    project::Track track = *p.tracks[0];
    project::Clip& clip = track.clips[0];
    clip.rule = project::TimeRule::Stretch;
    if (a.method) clip.stretch.method = *a.method;
    if (a.tighten) {
        if (auto can = project::canBeDrawn(source, *a.tighten); !can) return tl::unexpected(can.error());
        clip.tighten = *a.tighten;
    }
    clip.stretch.semitones = a.semitones;
    clip.stretch.formants = o.formants;
    clip.stretch.loop = o.loop || (clip.stretch.loop && !a.ratio);
    p.tracks[0] = std::make_shared<const project::Track>(track);
    return project::lay(p);
}

// What the new file says of itself: its tempo and key, and what the file it is made of said besides.
sound::WriteAs saidIn(const std::filesystem::path& in, const project::LaidClip& clip, const FitOptions& o,
                      const std::optional<Bpm>& becomes, Frames length, int rate) {
    deliver::Music music{becomes, deliver::keyOf(clip)};
    if (o.loop) {
        music.loop = {Frames(0), length};
        if (becomes && !o.ratio) music.beats = deliver::beatsOf(clip);
    }
    deliver::FileTags says = deliver::tagsSaying(music);
    sound::WriteAs as;
    as.tags = std::move(says.tags);
    as.tags.others = sound::readTags(in).others;
    as.reference = sound::readTimeReference(in);
    const project::RenderJob& job = *clip.time().job();
    for (sound::CuePoint cue : sound::readCues(in)) {
        const double at = job.map.outputAt(double(cue.at.value));
        cue.at = Frames(std::llround(at * rate / job.sound->audio.rate));
        if (cue.at >= Frames(0) && cue.at < length) as.cues.push_back(std::move(cue));
    }
    if (!o.loop) return as;
    as.loop = std::move(says.loop);
    const auto semitones = static_cast<int>(std::lround(clip.clip->stretch.semitones));
    if (const auto root = sound::readLoopInfo(in).rootNote; root && !music.key)
        as.loop.rootNote = std::clamp(*root + semitones, 1, 127);
    return as;
}

// Where a file goes: as it was said, or by its name into the folder.
struct Target {
    std::optional<std::filesystem::path> out;
    NameDesk* desk = nullptr;
    std::size_t index = 0;
    bool served = false;

    Target(std::optional<std::filesystem::path> as, NameDesk* names, std::size_t at)
        : out(std::move(as)), desk(names), index(at) {}
    Target(const Target&) = delete;
    Target& operator=(const Target&) = delete;
    // Whoever comes after waits for this one's turn to be over.
    ~Target() {
        if (desk != nullptr && !served) desk->served(index, {}, {});
    }
    Result<std::filesystem::path> path(const project::LaidClip& clip, const FitOptions& o, const Asked& a) {
        if (out) return *out;
        const auto name =
            deliver::nameOf(clip, static_cast<int>(index) + 1, o.names.value_or(deliver::usualPattern));
        if (!name) return tl::unexpected(name.error());
        served = true;
        const char* ending = sound::kindEnding(a.kind);
        return *o.folder / (desk->served(index, *name, ending) + ending);
    }
};

struct Fitted {
    std::string line;
    std::vector<std::string> messages;
};

// Depth, quality and dither.
void shape(sound::WriteAs& as, const std::filesystem::path& out, const project::Source& source,
           const project::RenderJob& job, int renderedRate, int rate, const FitOptions& o, const Asked& a) {
    as.depth = a.depth.value_or(depthOf(source.facts.format));
    if (!sound::takesDepth(out, as.depth)) as.depth = sound::Depth::Int24;
    as.quality = a.quality.value_or(as.quality);
    // What was made anew lies between the steps of 16 bits; what is only copied lies on them.
    const bool isCopied =
        job.map.isIdentity() && job.settings.semitones == 0 && rate == renderedRate && rate == source.facts.rate;
    as.dither = as.depth == sound::Depth::Int16 && !isCopied && !sound::isLossy(*sound::kindOf(out));
    as.existing = o.overwrite ? base::Existing::Replace : base::Existing::Refuse;
}

std::string objectOf(const std::filesystem::path& in, const std::filesystem::path& out,
                     const project::Source& source, Bpm own, const project::RenderJob& job, double seconds,
                     const Asked& a) {
    Json j = Json::object();
    nameInto(j, in);
    j["out"] = base::toUtf8(out.native());
    j["from_bpm"] = a.ratio ? Json(nullptr) : Json(rounded(own.value, 1e6));
    j["by"] = a.ratio ? Json(nullptr) : Json(hear::witnessWord(*source.chosen));
    j["bpm"] = a.to ? Json(rounded(a.to->value, 1e6)) : Json(nullptr); // none by a ratio
    j["free"] = source.beats->pins().size() > 2;
    j["ratio"] = rounded(job.map.meanRatio(), 1e6);
    j["method"] = stretch::methodWord(job.settings.method);
    j["seconds"] = rounded(seconds, 1e6);
    return dumped(j);
}

std::string sentenceOf(const std::filesystem::path& out, const project::Source& source, Bpm own,
                       const project::RenderJob& job, double seconds, const Asked& a) {
    std::string line =
        fmt::format("{}: {:.3f} s became {:.3f} s ({:.2f} %) by {}", base::shownPath(out), source.length().value,
                    seconds, 100 * job.map.meanRatio(), stretch::methodLabel(job.settings.method));
    if (!a.ratio)
        line += fmt::format(", from {} ({}{}) to {} BPM", metre::tempoLabel(own), saidBy(*source.chosen),
                            source.beats->pins().size() > 2 ? ", played free" : "", metre::tempoLabel(*a.to));
    return line;
}

Result<Fitted> fitOne(const std::filesystem::path& in, Target& target, const FitOptions& o, const Asked& a,
                      const Inputs& inputs, const std::stop_token& stop) {
    Fitted fitted;
    if (target.out)
        if (auto may = mayWrite(in, *target.out, o.overwrite, inputs); !may) return tl::unexpected(may.error());
    // Nobody is asked what was said already.
    project::Witnesses heeded;
    const bool isSaid = a.ratio || a.beats || a.from || (o.trust && saysTempo(in));
    heeded.ear = !isSaid || (a.tighten && !a.method); // bars count where it is tightened
    heeded.kind = !a.method;                          // it says which method is best
    // A tape alone goes by no hits; transposed, time is stretched before it is played.
    heeded.attacks = a.method != stretch::Method::Tape || a.semitones != 0 || a.tighten || o.loop;
    project::Keeping keeping(0);
    keeping.outlined = false;
    auto imported = project::importFile(in, keeping, heeded, {{}, stop});
    if (!imported) return tl::unexpected(imported.error());
    fitted.messages = imported->warnings;
    project::Source source = std::move(imported->source);
    if (const auto written = o.trust ? writtenIn(source) : std::nullopt) project::useReading(source, *written);
    if (auto set = setTempo(source, in, o, a); !set) return tl::unexpected(set.error());
    if (a.tighten && a.tighten->percent > 0)
        if (const auto beats = project::beatsOfHits(source)) {
            fitted.messages.push_back(fmt::format("{} was fitted first: its hits run at {} BPM, not at {}.",
                                                  base::shownPath(in), metre::tempoFigure(beats->meanTempo()),
                                                  metre::tempoFigure(source.beats->meanTempo())));
            source.beats = *beats;
        }
    const Bpm own = source.beats->meanTempo();
    const double ratio = a.ratio ? *a.ratio : own.value / a.to->value;
    if (auto can = canBecome(ratio); !can) return tl::unexpected(can.error());
    const auto laid = laidAlone(source, o, a);
    if (!laid) return tl::unexpected(laid.error());
    project::LaidClip it = (*laid)->clips().front();
    if (a.ratio && !it.time().parts.empty()) {
        auto exact = byRatio(std::move(it), *a.ratio, o.loop);
        if (!exact) return base::problem(fmt::format("{}: {}", base::shownPath(in), exact.error().text));
        it = std::move(*exact);
    }
    if (it.time().parts.empty()) return base::problem(it.time().problem);
    const auto out = target.path(it, o, a);
    if (!out) return tl::unexpected(out.error());
    if (!target.out)
        if (auto may = mayWrite(in, *out, o.overwrite, inputs); !may) return tl::unexpected(may.error());
    const project::RenderJob& job = *it.time().job();
    const auto rendering = project::ClipRendering::plan(it.time());
    if (!rendering) return base::problem(fmt::format("{}: {}", base::shownPath(in), rendering.error().text));

    const auto blocks =
        sound::resampled(rendering->blocks(1, stop), sound::rateIn(*sound::kindOf(*out), rendering->rate()));
    sound::WriteAs as = saidIn(in, it, o, a.to, blocks.length, blocks.rate);
    shape(as, *out, source, job, rendering->rate(), blocks.rate, o, a);
    if (const std::string parted = base::otherNamesNote(*out); o.overwrite && !parted.empty())
        fitted.messages.push_back(parted);
    const auto written = sound::write(*out, blocks, as, {{}, stop});
    if (!written) return tl::unexpected(written.error());
    if (written->clipped > 0)
        fitted.messages.push_back(fmt::format(
            "{}: {} above full scale and cut; --depth float keeps them.", base::shownPath(*out),
            written->clipped == 1 ? "one sample was" : fmt::format("{} samples were", written->clipped)));
    const double seconds = metre::toSeconds(rendering->length(), rendering->rate()).value;
    fitted.line =
        o.table ? sentenceOf(*out, source, own, job, seconds, a) : objectOf(in, *out, source, own, job, seconds, a);
    return fitted;
}

Outcome outcomeOf(const std::filesystem::path& in, Target& target, const FitOptions& o, const Asked& a,
                  const Inputs& inputs, const std::stop_token& stop) {
    const auto failed = [&](const base::Problem& problem) {
        if (problem.cancelled) return Outcome{{}, {}, true};
        return Outcome{o.table ? std::string() : errorLine(in, problem.text), {problem.text}, true};
    };
    try {
        const auto fitted = fitOne(in, target, o, a, inputs, stop);
        if (!fitted) return failed(fitted.error());
        return {fitted->line, fitted->messages};
    } catch (const std::bad_alloc&) {
        return failed(
            {fmt::format("{} could not be fitted: there is not enough memory for it.", base::shownPath(in))});
    }
}

// What is fitted, and where to.
struct Named {
    std::vector<std::filesystem::path> files;
    std::optional<std::filesystem::path> out; // of one file; none: into the folder
    bool failed = false;                      // a file of a list or a folder could not be had
};

// A list that could not be read has said why, and its problem has no text.
Result<Named> intoFolder(const FitOptions& o, const Asked& a, Output& output) {
    Named named;
    if (auto pattern = deliver::patternMeans(o.names.value_or(deliver::usualPattern)); !pattern)
        return tl::unexpected(pattern.error());
    if (auto may = means(o, a, std::string("files") + sound::kindEnding(a.kind)); !may)
        return tl::unexpected(may.error());
    auto listed = expanded(o.given, output, named.failed);
    if (!listed) return base::problem("");
    named.files = std::move(*listed);
    std::error_code ignored;
    if (std::filesystem::exists(*o.folder, ignored) && !std::filesystem::is_directory(*o.folder, ignored))
        return base::problem(
            fmt::format("--out: {} is a file, and not a folder to write to.", base::shownPath(*o.folder)));
    return named;
}

// The file that a list on standard input names.
Result<std::filesystem::path> listedOne(const FitOptions& o, Output& output, bool& failed) {
    Given list = o.given;
    list.files = {"-"};
    const auto listed = expanded(list, output, failed);
    if (!listed) return base::problem("");
    if (listed->size() != 1)
        return base::problem(
            fmt::format("The list on standard input names {} files; of more or fewer than one, say "
                        "the folder to write to with --out.",
                        listed->size()));
    return listed->front();
}

Result<Named> intoFile(const FitOptions& o, const Asked& a, Output& output) {
    Named named;
    named.files = o.given.files;
    if (named.files.size() == 2 && named.files.front() == "-") {
        auto one = listedOne(o, output, named.failed);
        if (!one) return tl::unexpected(one.error());
        named.files.front() = std::move(*one);
    }
    if (named.files.size() != 2)
        return base::problem("Say the file to fit and the file to write, or a folder to write to with --out.");
    for (const auto& [said, option] :
         {std::pair(o.names.has_value(), "--names"), std::pair(o.format.has_value(), "--format")})
        if (said)
            return base::problem(fmt::format("{} does nothing without --out: the output has its name.", option));
    named.out = named.files.back();
    named.files.pop_back();
    std::error_code ignored;
    for (const auto& path : {named.files.front(), *named.out})
        if (std::filesystem::is_directory(path, ignored))
            return base::problem(
                fmt::format("{} is a folder. Say where files of folders go with --out.", base::shownPath(path)));
    if (!sound::isWritable(*named.out))
        return base::problem(fmt::format("{} could not be written: its name must end in .wav, .aiff, .flac, .ogg, "
                                         ".opus or .mp3.",
                                         base::shownPath(*named.out)));
    if (auto may = means(o, a, *named.out); !may) return tl::unexpected(may.error());
    return named;
}

// Makes the folder, and looks whether two results would have one name. What is wrong is said.
bool prepareFolder(const FitOptions& o, const Asked& a, const Named& named, const Inputs& inputs, Output& output) {
    std::error_code error;
    std::filesystem::create_directories(*o.folder, error);
    if (error) {
        output.say(fmt::format("{} could not be made: {}.", base::shownPath(*o.folder),
                               base::writeReason(*o.folder, error.value())));
        return false;
    }
    const std::vector<std::string> found = clashes(
        named.files, inputs, *o.folder, o.names.value_or(deliver::usualPattern), sound::kindEnding(a.kind), a.to);
    for (const std::string& clash : found)
        output.say(clash);
    return found.empty();
}

} // namespace

int fit(const FitOptions& options, const std::stop_token& stop, Output& output) {
    const sound::MappedBound bound(sound::littleMapped);
    const auto wrong = [&](const std::string& text) {
        if (!text.empty()) output.say(text);
        return 2;
    };
    auto asked = understood(options);
    if (!asked) return wrong(asked.error().text);
    auto named = options.folder ? intoFolder(options, *asked, output) : intoFile(options, *asked, output);
    if (!named) return wrong(named.error().text);
    Inputs inputs;
    for (const std::filesystem::path& file : named->files)
        inputs.add(file);
    if (options.like) inputs.add(*options.like);
    if (options.feel) {
        inputs.add(*options.feel);
        auto lent = feelOfFile(*options.feel, stop);
        if (!lent) {
            if (!lent.error().cancelled) output.say(lent.error().text);
            return 1;
        }
        asked->tighten->feel = std::move(lent->feel);
        asked->tighten->feelName = std::move(lent->name);
    }
    if (options.like) {
        const auto like = tempoOfFile(options, stop);
        if (!like) {
            if (!like.error().cancelled) output.say(like.error().text);
            return 1;
        }
        asked->to = *like;
    }
    if (options.folder && !prepareFolder(options, *asked, *named, inputs, output)) return 1;
    // What ends the work, or the taking of its results, ends waiting for a name.
    std::stop_source ended;
    const std::stop_callback passOn(stop, [&ended] { ended.request_stop(); });
    NameDesk desk(ended.get_token());
    const bool allDone =
        inOrder(named->files, options.given.jobs, options.given.quiet, stop, output,
                [&](const std::filesystem::path& in, std::size_t index, const std::stop_token& lost) {
                    const std::stop_callback endWith(lost, [&ended] { ended.request_stop(); });
                    Target target(named->out, options.folder ? &desk : nullptr, index);
                    return outcomeOf(in, target, options, *asked, inputs, lost);
                });
    return named->failed || !allDone ? 1 : 0;
}

} // namespace cli
