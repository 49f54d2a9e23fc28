#include "project/lead.h"

#include "hear/track.h"
#include "metre/tempo.h"
#include "project/changed.h"
#include "project/pins.h"
#include "project/timing.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>

namespace project {

namespace {

constexpr double sameTempo = 1e-9; // of itself

// As few of these as keep all of them within so much of the lines between. Beat 0, by which the clip lies in the
// project, is one of them, and so are the few before it.
std::vector<metre::Pin> fewest(const std::vector<metre::Pin>& beats, Seconds smooth) {
    const auto zero =
        std::find_if(beats.begin(), beats.end(), [](const metre::Pin& b) { return b.beat >= Beats(0); });
    if (beats.end() - zero < 2) return beats;
    std::vector<double> moments;
    moments.reserve(beats.size());
    for (auto b = zero; b != beats.end(); ++b)
        moments.push_back(b->at.value);
    std::vector<metre::Pin> kept(beats.begin(), zero);
    for (const metre::Pin& pin : hear::pinsThrough(moments, 0, smooth.value))
        kept.push_back(*(zero + std::lround(pin.beat.value)));
    return kept;
}

} // namespace

Result<LeadTempo> leadTempo(const Source& source, Lead::Every every, Seconds smooth) {
    if (!source.beats) return base::problem(fmt::format("{} has no beats to lead with.", source.name));
    if (!(smooth >= Seconds(0)) || smooth > smoothest)
        return base::problem(fmt::format("Beats may miss by 0 to {:.0f} ms.", smoothest.value * 1000));
    const std::vector<metre::Pin> beats = beatsOf(source);
    if (beats.size() < 2)
        return base::problem(fmt::format("{} has only one beat; to lead takes two.", source.name));
    std::vector<metre::Pin> points;
    if (every == Lead::Every::Piece) {
        points = {source.beats->pins().front(), source.beats->pins().back()};
    } else {
        points = every == Lead::Every::Beat ? beats : beatsOf(source, source.metre().bar());
        if (points.size() < 2) points = {beats.front(), beats.back()};
        if (smooth > Seconds(0)) points = fewest(points, smooth);
    }
    LeadTempo out;
    for (std::size_t i = 0; i + 1 < points.size(); ++i) {
        const Bpm bpm(60 * (points[i + 1].beat - points[i].beat).value / (points[i + 1].at - points[i].at).value);
        if (!metre::isTempo(bpm))
            return base::problem(fmt::format("{} cannot lead: from its beat {:g}, {:.3f} s in, it would be {:g} "
                                             "BPM; tempos lie between {:.0f} and "
                                             "{:.0f}.",
                                             source.name, points[i].beat.value + 1, points[i].at.value, bpm.value,
                                             metre::slowestTempo.value, metre::fastestTempo.value));
        if (!out.bpm.empty() && std::abs(bpm.value / out.bpm.back().value - 1) < sameTempo) continue;
        out.beats.push_back(points[i]);
        out.bpm.push_back(bpm);
    }
    std::vector<metre::Pin> line = out.beats;
    line.push_back(points.back());
    const auto map = metre::BeatMap::make(std::move(line));
    if (!map) return tl::unexpected(map.error());
    const Seconds atZero = map->secondsAt(Beats(0)) - source.beats->secondsAt(Beats(0));
    for (const metre::Pin& b : beats)
        out.worst = std::max(out.worst, Seconds(std::abs((map->secondsAt(b.beat) - b.at - atZero).value)));
    return out;
}

Result<metre::TempoMap> tempoOf(const LeadTempo& lead, Beats at) {
    std::vector<metre::TempoPoint> points;
    points.reserve(lead.beats.size() + 1);
    for (std::size_t i = 0; i < lead.beats.size(); ++i) {
        // What lies before the beginning sets the tempo there.
        const Beats there = std::max(Beats(0), i == 0 ? Beats(0) : at + lead.beats[i].beat);
        if (!points.empty() && there <= points.back().at) points.pop_back();
        points.push_back({there, lead.bpm[i]});
    }
    return metre::TempoMap::make(std::move(points));
}

Project withLead(Project p) {
    if (!p.lead) return p;
    const Clip* clip = clipOf(p, p.lead->clip);
    const SourcePtr source = clip != nullptr ? sourceOf(p, clip->source) : nullptr;
    const auto lead = source ? leadTempo(*source, p.lead->every, p.lead->smooth)
                             : tl::unexpected(base::Problem{"The clip that led is gone."});
    if (!lead) {
        p.lead.reset();
        return p;
    }
    p.lead->source = clip->source;
    p.lead->at = clip->at;
    auto map = tempoOf(*lead, clip->at);
    if (!map) {
        p.lead.reset();
        return p;
    }
    if (*map == p.tempo) return p;
    if (auto led = withTempo(p, std::move(*map))) return std::move(*led);
    p.lead.reset();
    return p;
}

Result<Project> setLead(const Project& p, ClipId id, Lead::Every every, Seconds smooth) {
    if (auto may = mayChange(p, std::vector<ClipId>{id}); !may) return tl::unexpected(may.error());
    const Clip* clip = clipOf(p, id);
    const SourcePtr source = sourceOf(p, clip->source);
    if (!source) return base::problem("The clip's source is no longer in the project.");
    if (auto lead = leadTempo(*source, every, smooth); !lead) return tl::unexpected(lead.error());
    Project out = p;
    out.lead = Lead{id, every, smooth, clip->source, clip->at};
    eachTrack(out, [&](Track& track) {
        bool any = false;
        for (Clip& c : track.clips)
            if (leads(out, c) && (c.heldTempo || c.countsAs)) {
                c.heldTempo.reset();
                c.countsAs.reset();
                any = true;
            }
        return any;
    });
    out = withLead(std::move(out));
    if (!out.lead) return base::problem(fmt::format("{} cannot lead from so far in the piece.", source->name));
    return out;
}

Lead::Every leadAsPlayed(const Project& p, ClipId id) {
    const Clip* clip = clipOf(p, id);
    const SourcePtr source = clip != nullptr ? sourceOf(p, clip->source) : nullptr;
    return !source || isSteady(*source) ? Lead::Every::Piece : Lead::Every::Beat;
}

Result<Project> letGo(const Project& p) {
    Project out = p;
    out.lead.reset();
    return out;
}

Result<Project> holdTempo(const Project& p, std::optional<Bpm> bpm) {
    if (!p.lead) return base::problem("Nothing leads; the tempo is the project's own.");
    const SourcePtr source = sourceOf(p, p.lead->source);
    if (!bpm && source && source->beats) bpm = source->beats->meanTempo();
    if (!bpm || !metre::isTempo(*bpm)) return base::problem("That tempo is out of range.");
    Project out = p;
    out.lead.reset();
    return withTempo(out, metre::TempoMap(*bpm));
}

Result<void> mayChangeTempo(const Project& p) {
    if (!p.lead) return {};
    const SourcePtr source = sourceOf(p, p.lead->source);
    return base::problem(
        fmt::format("{} leads, and the tempo is its own. Stop leading first: Led by, in the head strip.",
                    source ? source->name : std::string("A recording")));
}

} // namespace project
