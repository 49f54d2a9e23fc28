#include "cli/fit_asked.h"

#include "base/number.h"
#include "base/safe_file.h"
#include "base/utf8.h"
#include "cli/sound_options.h"
#include "metre/tempo.h"
#include "metre/time_map.h"
#include "project/project.h"

#include <cmath>
#include <fmt/format.h>

namespace cli {

namespace {

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

} // namespace

Result<void> canBecome(double ratio) {
    if (ratio >= metre::TimeMap::smallestRatio && ratio <= metre::TimeMap::largestRatio) return {};
    return base::problem(fmt::format("A file can become {} to {} times as long; {:g} times was asked for.",
                                     metre::TimeMap::smallestRatio, metre::TimeMap::largestRatio, ratio));
}

namespace {

// The figures that were asked for, each by itself.
Result<Asked> figuresOf(const FitOptions& o) {
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
    return Asked{*to, *from, *beats, *ratio, semitones->value_or(0), {}, {}, {}, {}};
}

// How far its hits are drawn, but for the feel they are drawn to.
Result<std::optional<project::Tighten>> tightenOf(const FitOptions& o) {
    if (!o.tighten) {
        for (const auto& [said, option] :
             {std::pair(o.grid.has_value(), "--grid"), std::pair(o.swing.has_value(), "--swing"),
              std::pair(o.feel.has_value(), "--feel"), std::pair(o.leave.has_value(), "--leave")})
            if (said) return base::problem(fmt::format("{} does nothing without --tighten.", option));
        return std::optional<project::Tighten>();
    }
    if (o.ratio) return base::problem("--tighten needs beats; say --to, not --ratio.");
    project::Tighten t;
    const auto inRange = [](const std::optional<std::string>& text, const char* option, double low, double high,
                            double& value) -> Result<void> {
        const auto said = number(text, option);
        if (!said) return tl::unexpected(said.error());
        if (!*said) return {};
        value = **said;
        if (value >= low && value <= high) return {};
        return base::problem(fmt::format("{} lies between {:g} and {:g}.", option, low, high));
    };
    if (auto ok = inRange(o.tighten, "--tighten", 0, 100, t.percent); !ok) return tl::unexpected(ok.error());
    if (o.grid && *o.grid != "auto") {
        t.grid = hear::feelGridFromWord(*o.grid);
        if (!t.grid)
            return base::problem(fmt::format("“{}” is no grid. There are auto, 8, 8t, 16 and 16t.", *o.grid));
    }
    if (o.swing) {
        double swing = 0;
        if (auto ok = inRange(o.swing, "--swing", hear::leastSwing, hear::mostSwing, swing); !ok)
            return tl::unexpected(ok.error());
        t.swing = swing;
    }
    double leave = 0;
    if (auto ok = inRange(o.leave, "--leave", 0, 1000 * project::mostLeft.value, leave); !ok)
        return tl::unexpected(ok.error());
    t.leave = metre::Seconds(leave / 1000);
    return std::optional<project::Tighten>(t);
}

// What does not go together.
Result<void> agree(const FitOptions& o, const Asked& a) {
    if (std::abs(a.semitones) > project::mostSemitones)
        return base::problem("--transpose goes up to 24 semitones either way.");
    if (a.ratio && (a.to || a.from || a.beats || o.like))
        return base::problem("Say either --ratio, or tempos and beats; not both.");
    if (a.to && o.like) return base::problem("Say either --to or --like; not both.");
    if (a.ratio)
        if (auto can = canBecome(*a.ratio); !can) return can;
    if (!a.ratio && !a.to && !o.like)
        return base::problem("Say which tempo it shall have with --to, or how much longer with --ratio.");
    if (a.beats && a.from) return base::problem("Say either --from or --beats; not both.");
    if (a.beats && !(*a.beats > 0 && *a.beats <= 1e6)) return base::problem("--beats must be a number above 0.");
    const char* said = a.ratio ? "--ratio" : a.beats ? "--beats" : a.from ? "--from" : nullptr;
    if (o.trust && *o.trust != "name")
        return base::problem(
            fmt::format("“{}” is nobody to trust. There is name: what its name or a tag says.", *o.trust));
    if (o.trust && o.trustHearing) return base::problem("Say either --trust name or --trust-hearing; not both.");
    for (const auto& [on, option] : {std::pair(o.steady, "--steady"), std::pair(o.trustHearing, "--trust-hearing"),
                                     std::pair(o.trust.has_value(), "--trust")})
        if (said != nullptr && on)
            return base::problem(
                fmt::format("{} does nothing with {}: what is heard is not asked then.", option, said));
    if (o.formants && a.semitones == 0)
        return base::problem("--formants does nothing without --transpose: the colour stays where the pitch does.");
    if (a.from && a.to)
        if (auto can = canBecome(a.from->value / a.to->value); !can) return can;
    return {};
}

} // namespace

Result<Asked> understood(const FitOptions& o) {
    auto asked = figuresOf(o);
    if (!asked) return asked;
    Asked& a = *asked;
    if (auto together = agree(o, a); !together) return tl::unexpected(together.error());
    const auto tighten = tightenOf(o);
    if (!tighten) return tl::unexpected(tighten.error());
    a.tighten = *tighten;
    if (o.style != "auto") {
        a.method = stretch::methodFromWord(o.style);
        if (!a.method)
            return base::problem(
                fmt::format("“{}” is not a style. There are auto, struck, held, blend, sung and tape.", o.style));
    }
    if (o.depth) {
        const auto depth = depthIn(*o.depth);
        if (!depth) return tl::unexpected(depth.error());
        a.depth = *depth;
    }
    const auto quality = qualityIn(o.quality);
    if (!quality) return tl::unexpected(quality.error());
    a.quality = *quality;
    if (o.format) {
        const auto kind = formatIn(*o.format);
        if (!kind) return tl::unexpected(kind.error());
        a.kind = *kind;
    }
    return asked;
}

Result<void> means(const FitOptions& o, const Asked& a, const std::filesystem::path& out) {
    const auto kind = sound::kindOf(out);
    if (!kind) return {};
    if (a.depth && !sound::takesDepth(out, *a.depth))
        return base::problem(
            fmt::format("--depth {} does nothing for {}: such files have none.", *o.depth, base::shownPath(out)));
    if (a.quality && !sound::isLossy(*kind))
        return base::problem(
            fmt::format("--quality does nothing for {}: nothing is lost in such files.", base::shownPath(out)));
    return {};
}

Result<void> mayWrite(const std::filesystem::path& in, const std::filesystem::path& out, bool overwrite,
                      const Inputs& inputs) {
    const auto fail = [&](const char* reason) {
        return base::problem(fmt::format("{} could not be written: {}.", base::shownPath(out), reason));
    };
    if (base::isSameFile(in, out)) return fail("it is the input itself, which is never changed");
    if (inputs.holds(out)) return fail("it is an input of this call, and inputs are never changed");
    std::error_code ignored;
    if (!overwrite && std::filesystem::exists(out, ignored))
        return fail("a file of that name is there already; --overwrite replaces it");
    return {};
}

} // namespace cli
