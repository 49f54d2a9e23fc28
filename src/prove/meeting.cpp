#include "prove/meeting.h"

#include "project/edit_sources.h"
#include "project/edit_time.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <unordered_map>

namespace prove {

namespace {

double weightOf(const Strained& s, const Comfort& comfort) {
    const double bears = comfort.of(s.method);
    return 1 / (bears * bears);
}

std::size_t octavesUsed(const std::vector<Strained>& all, Bpm at) {
    return static_cast<std::size_t>(
        std::count_if(all.begin(), all.end(), [&](const Strained& s) { return usedAt(s, at) != s.bpm; }));
}

} // namespace

Bpm usedAt(const Strained& s, Bpm at) {
    if (!s.octaves) return s.bpm;
    const double far = std::log2(at.value / s.bpm.value);
    // A hair before the middle its own tempo still counts.
    if (far > 0.5 + 1e-12) return Bpm(s.bpm.value * 2);
    if (far < -0.5 - 1e-12) return Bpm(s.bpm.value / 2);
    return s.bpm;
}

double strainTogether(const std::vector<Strained>& all, Bpm at, const Comfort& comfort) {
    double sum = 0;
    double weights = 0;
    for (const Strained& s : all) {
        const double far = std::log(usedAt(s, at).value / at.value);
        sum += weightOf(s, comfort) * far * far;
        weights += weightOf(s, comfort);
    }
    return weights > 0 ? 100 * std::sqrt(sum / weights) : 0;
}

std::optional<Bpm> meetingTempo(const std::vector<Strained>& all, TempoSpan span, const Comfort& comfort,
                                Bpm preferred) {
    if (all.empty()) return std::nullopt;
    const double low = std::log(span.low.value);
    const double high = std::log(span.high.value);
    std::vector<double> edges{low, high};
    for (const Strained& s : all)
        if (s.octaves)
            for (const double half : {-0.5, 0.5})
                if (const double edge = std::log(s.bpm.value) + half * std::log(2.0); edge > low && edge < high)
                    edges.push_back(edge);
    std::sort(edges.begin(), edges.end());
    std::optional<Bpm> best;
    double least = 0;
    for (std::size_t i = 0; i + 1 < edges.size(); ++i) {
        const Bpm middle(std::exp((edges[i] + edges[i + 1]) / 2));
        double sum = 0;
        double weights = 0;
        for (const Strained& s : all) {
            sum += weightOf(s, comfort) * std::log(usedAt(s, middle).value);
            weights += weightOf(s, comfort);
        }
        const Bpm lowest(std::exp(std::clamp(sum / weights, edges[i], edges[i + 1])));
        const double strain = strainTogether(all, lowest, comfort);
        const auto isBetter = [&] {
            if (!best || strain < least - 1e-7) return true;
            if (strain > least + 1e-7) return false;
            const std::size_t octaves = octavesUsed(all, lowest);
            const std::size_t before = octavesUsed(all, *best);
            if (octaves != before) return octaves < before;
            return std::abs(std::log(lowest.value / preferred.value)) <
                   std::abs(std::log(best->value / preferred.value));
        };
        if (isBetter()) {
            best = lowest;
            least = strain;
        }
    }
    return best;
}

std::vector<Strained> StrainedSources::strained() const {
    std::vector<Strained> list;
    list.reserve(in.size());
    for (const StrainedSource& s : in)
        list.push_back(s.strained);
    return list;
}

namespace {

// What the clips of a source make of it.
struct Use {
    const project::LaidClip* following = nullptr; // the first that is
    bool locked = false;

    Strained strained() const {
        return {following->source->beats->meanTempo(), following->clip->stretch.method,
                !locked && !following->clip->countsAs};
    }
};

// By source.
std::unordered_map<std::int64_t, Use> usesOf(const project::Laid& laid) {
    std::unordered_map<std::int64_t, Use> uses;
    for (const project::LaidClip& clip : laid.clips()) {
        Use& use = uses[clip.clip->source.value];
        use.locked = use.locked || clip.clip->locked;
        if (use.following == nullptr && clip.time().follows) use.following = &clip;
    }
    return uses;
}

} // namespace

std::vector<Strained> strainedIn(const project::Laid& laid) {
    const auto uses = usesOf(laid);
    std::vector<Strained> list;
    for (const project::SourcePtr& source : laid.project().sources)
        if (const auto use = uses.find(source->id.value);
            use != uses.end() && use->second.following != nullptr && source->beats)
            list.push_back(use->second.strained());
    return list;
}

StrainedSources strainedSources(const project::Laid& laid) {
    const auto uses = usesOf(laid);
    StrainedSources out;
    for (const project::SourcePtr& source : laid.project().sources) {
        const auto found = uses.find(source->id.value);
        const project::LaidClip* following = found == uses.end() ? nullptr : found->second.following;
        if (!source->beats) {
            out.out.push_back(
                {source->id, source->name, source->kind == hear::Kind::OneHit ? "one hit" : "no tempo"});
        } else if (following != nullptr) {
            out.in.push_back({source->id, source->name, found->second.strained(),
                              following->clip->tint ? *following->clip->tint : following->track->tint});
        } else {
            out.out.push_back({source->id, source->name, found == uses.end() ? "not placed" : "not stretched"});
        }
    }
    return out;
}

base::Result<Met> meet(const project::Laid& laid, const Comfort& comfort) {
    const project::Project& p = laid.project();
    const StrainedSources sources = strainedSources(laid);
    const std::vector<Strained> all = sources.strained();
    const auto at = meetingTempo(all, {}, comfort, p.tempo.points().front().bpm);
    if (!at) return base::problem("No source is stretched: there is nothing to meet.");
    Met met{p, Bpm(std::round(at->value * 10) / 10)}; // what is shown is what is taken
    base::Result<project::Project> next = p;
    for (const StrainedSource& s : sources.in) {
        const double factor = usedAt(s.strained, met.bpm).value / s.strained.bpm.value;
        met.worst = std::max(met.worst,
                             std::abs(strainOf(usedAt(s.strained, met.bpm), met.bpm, s.strained.method).percent));
        if (!next || factor == 1) continue;
        next = project::scaleBeats(*next, s.id, factor);
        ++met.scaled;
    }
    if (next) next = project::setTempo(*next, met.bpm);
    if (!next) return tl::unexpected(next.error());
    met.project = std::move(*next);
    return met;
}

} // namespace prove
