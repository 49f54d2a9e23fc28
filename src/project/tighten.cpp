#include "project/tighten.h"

#include "project/changed.h"
#include "project/counted.h"
#include "project/edit_pins.h"
#include "project/sets.h"
#include "project/settle.h"
#include "project/timing.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <mutex>
#include <unordered_map>

namespace project {

namespace {

// What belongs to a step at all, in parts of it: the rest are ornaments between.
constexpr double belongs = 0.4;

// How much faster or slower than before time may run between two hits.
constexpr double leastGap = 0.5;
constexpr double mostGap = 2;

// The feels that were found, by what they were found from.
class FoundFeels {
  public:
    Result<hear::Feel> of(const base::Key& key, const std::function<Result<hear::Feel>()>& find) {
        {
            const std::lock_guard lock(mutex_);
            if (const auto known = kept_.find(key); known != kept_.end()) return known->second;
        }
        auto feel = find();
        const std::lock_guard lock(mutex_);
        if (kept_.size() >= most) kept_.clear(); // they are found again soon enough
        kept_.emplace(key, feel);
        return feel;
    }

  private:
    static constexpr std::size_t most = 8192;
    std::mutex mutex_; // guards what follows
    std::unordered_map<base::Key, Result<hear::Feel>, base::KeyHash> kept_;
};

base::Key keyOf(const Source& source, std::optional<hear::FeelGrid> grid) {
    base::KeyMaker maker;
    maker.add(source.sound->attacksKey.high).add(source.sound->attacksKey.low);
    maker.add(static_cast<std::uint64_t>(source.sound->audio.rate));
    maker.add(static_cast<std::uint64_t>(source.beatsInBar)).add(static_cast<std::uint64_t>(source.beatUnit));
    maker.add(static_cast<std::uint64_t>(grid ? 1 + static_cast<int>(*grid) : 0));
    for (const metre::Pin& pin : source.beats->pins())
        maker.add(pin.at.value).add(pin.beat.value);
    return maker.key();
}

} // namespace

std::vector<hear::FeelHit> feelHits(const std::vector<hear::Onset>& onsets, int rate, const metre::BeatMap& beats) {
    std::vector<hear::FeelHit> hits;
    hits.reserve(onsets.size());
    for (const hear::Onset& onset : onsets) {
        const Beats at = beats.beatAt(metre::toSeconds(onset.at, rate));
        hits.push_back({at, Seconds(60 / beats.tempoAt(at).value), onset.strength});
    }
    return hits;
}

std::vector<hear::FeelHit> feelHits(const Source& source) {
    return feelHits(source.sound->onsets, source.sound->audio.rate, *source.beats);
}

Result<hear::Feel> feelOf(const Source& source, std::optional<hear::FeelGrid> grid) {
    static FoundFeels found;
    if (!source.sound) return base::problem(fmt::format("{} is not there to be listened to.", source.name));
    if (source.kind == hear::Kind::OneHit && !source.set)
        return base::problem(fmt::format("{} is one hit and has no feel.", source.name));
    if (!source.beats) return base::problem(fmt::format("{} has no beats to have a feel around.", source.name));
    // What is kept knows no name: the same hits may be in several files.
    auto feel = found.of(keyOf(source, grid), [&] { return hear::feelOf(feelHits(source), source.metre(), grid); });
    if (!feel) return base::problem(fmt::format("{} has no feel: {}.", source.name, feel.error().text));
    return feel;
}

std::vector<hear::FeelHit> markedHits(const Source& source) {
    std::vector<hear::FeelHit> hits = feelHits(source);
    if (!source.marks) return hits;
    const Beats from = source.beats->beatAt(source.marks->from);
    const Beats to = source.beats->beatAt(source.marks->to);
    std::erase_if(hits, [&](const hear::FeelHit& hit) { return hit.at < from || hit.at >= to; });
    return hits;
}

Result<hear::Feel> markedFeel(const Source& source) {
    if (!source.marks || !source.sound || !source.beats) return feelOf(source);
    auto feel = hear::feelOf(markedHits(source), source.metre());
    if (!feel)
        return base::problem(fmt::format("This part of {} has no feel: {}.", source.name, feel.error().text));
    return feel;
}

std::optional<metre::BeatMap> beatsOfHits(const Source& source) {
    constexpr Seconds least(0.006);
    constexpr double sure = 4; // standard errors
    if (!source.sound || !source.beats || source.beats->pins().size() > 2) return std::nullopt;
    // A loop whose beats fill its file to two milliseconds has its tempo by its length.
    if (const auto whole = source.wholeBeats())
        if (std::abs((source.beats->secondsAt(Beats(*whole)) - source.length()).value) < 0.002) return std::nullopt;
    const auto feel = feelOf(source);
    if (!feel) return std::nullopt;
    const hear::SwungGrid grid = feel->swung();
    const int parts = hear::entryOf(grid.grid).parts;
    // By how much each hit lies beside what its place has in common, against where it lies; both in beats.
    struct Point {
        double at = 0;
        double off = 0;
    };
    std::vector<Point> points;
    for (const hear::FeelHit& hit : feelHits(source)) {
        const std::int64_t step = grid.stepNear(hit.at);
        const double off = (hit.at - grid.placeOf(step)).value;
        if (std::abs(off) * parts > belongs) continue;
        const double common = feel->offsetAt(step).value_or(Seconds(0)).value / hit.perBeat.value;
        points.push_back({hit.at.value, off - common});
    }
    if (points.size() < static_cast<std::size_t>(hear::fewestFeelHits)) return std::nullopt;
    const auto n = double(points.size());
    double meanAt = 0;
    double meanOff = 0;
    for (const Point& p : points) {
        meanAt += p.at / n;
        meanOff += p.off / n;
    }
    double both = 0;
    double square = 1e-12;
    for (const Point& p : points) {
        both += (p.at - meanAt) * (p.off - meanOff);
        square += (p.at - meanAt) * (p.at - meanAt);
    }
    const double slope = both / square; // beats a beat
    double left = 0;
    for (const Point& p : points)
        left += std::pow(p.off - meanOff - slope * (p.at - meanAt), 2);
    const double error = std::sqrt(left / (n - 2) / square);
    const double beats = points.back().at - points.front().at;
    const Seconds perBeat(60 / source.beats->meanTempo().value);
    if (std::abs(slope) * beats * perBeat.value < least.value || std::abs(slope) < sure * error)
        return std::nullopt;
    const Seconds zero = source.beats->secondsAt(Beats(0));
    return metre::BeatMap(Bpm(source.beats->meanTempo().value / (1 + slope)), zero);
}

void findFeel(const Source& source) {
    if (source.sound && source.beats) static_cast<void>(feelOf(source));
}

namespace {

// The swing that is kept of a recording's own: none where what was read is no more than its looseness makes of even
// playing, since hits would be drawn away from where they were meant.
double swingKept(const hear::Feel& feel, Seconds perBeat) {
    constexpr double sure = 2.5; // standard errors
    if (!feel.swing) return hear::evenSwing;
    std::array<double, 2> hits{};
    for (const hear::FeelPlace& place : feel.places)
        hits[static_cast<std::size_t>(place.place % 2)] += place.hits;
    if (hits[0] < 1 || hits[1] < 1) return hear::evenSwing;
    // A median of many varies by a quarter more than their mean.
    const double pair = 2 * perBeat.value / hear::entryOf(feel.grid).parts;
    const double error = 100 * 1.2533 * feel.loose.value / pair * std::sqrt(1 / hits[0] + 1 / hits[1]);
    return std::abs(*feel.swing - hear::evenSwing) > sure * error ? *feel.swing : hear::evenSwing;
}

// Where a hit is drawn to, and how far.
class Target {
  public:
    Target(const Tighten& tighten, const hear::Feel& own, Seconds perBeat)
        : lent_(tighten.feel ? &*tighten.feel : nullptr) {
        const hear::FeelGrid grid = tighten.grid ? *tighten.grid : lent_ ? lent_->grid : own.grid;
        const bool swings = hear::entryOf(grid).swings;
        const double ownSwing = own.grid == grid ? swingKept(own, perBeat) : hear::evenSwing;
        const double lentSwing = lent_ && lent_->grid == grid ? lent_->swing.value_or(ownSwing) : ownSwing;
        to_ = {grid, swings ? tighten.swing.value_or(lentSwing) : hear::evenSwing};
        // By its own swing a hit is told what it is; by that of another it is drawn elsewhere.
        by_ = {grid, swings ? ownSwing : hear::evenSwing};
    }

    std::int64_t stepOf(Beats at) const { return by_.stepNear(at); }
    // Of a step's length, how far a hit lies from it.
    double beside(Beats at) const {
        return std::abs((at - by_.placeOf(stepOf(at))).value) * hear::entryOf(by_.grid).parts;
    }
    Beats of(std::int64_t step, Seconds heardBeat) const {
        Beats place = to_.placeOf(step);
        if (lent_ != nullptr && lent_->grid == to_.grid)
            if (const auto late = lent_->offsetAt(step)) place += Beats(late->value / heardBeat.value);
        return place;
    }

  private:
    const hear::Feel* lent_;
    hear::SwungGrid to_;
    hear::SwungGrid by_;
};

std::vector<DrawnHit> aimed(const Source& source, const metre::BeatMap& fitted, const Tighten& tighten,
                            const Target& target, const HeardBeat& heardBeat) {
    const int rate = source.sound->audio.rate;
    std::vector<DrawnHit> hits;
    std::vector<double> strengths;
    std::optional<std::int64_t> lastStep;
    std::size_t last = 0; // who has it
    for (const hear::Onset& onset : source.sound->onsets) {
        DrawnHit hit{metre::toSeconds(onset.at, rate), {}, {}, DrawnHit::Way::Beside};
        hit.played = fitted.beatAt(hit.at);
        hit.becomes = hit.played;
        const std::int64_t step = target.stepOf(hit.played);
        const Seconds beat = heardBeat(hit.played);
        if (onset.strength >= tighten.weaker && target.beside(hit.played) <= belongs) {
            const Beats to = target.of(step, beat);
            const double off = (hit.played - to).value * beat.value;
            hit.way = std::abs(off) <= tighten.leave.value ? DrawnHit::Way::Left : DrawnHit::Way::Drawn;
            if (hit.way == DrawnHit::Way::Drawn)
                hit.becomes = hit.played + (to - hit.played) * (tighten.percent / 100);
            // Of several at one step the strongest is it, and the others go along.
            if (lastStep == step) {
                DrawnHit& other = hits[last];
                DrawnHit& weaker = strengths[last] >= onset.strength ? hit : other;
                weaker.way = DrawnHit::Way::Beside;
                weaker.becomes = weaker.played;
            }
            if (hit.way != DrawnHit::Way::Beside) {
                lastStep = step;
                last = hits.size();
            }
        }
        hits.push_back(hit);
        strengths.push_back(onset.strength);
    }
    return hits;
}

// A moment that is pinned: a hit, or one that must stay.
struct Anchor {
    Seconds at;
    Beats played;
    Beats becomes;
    DrawnHit* hit = nullptr;
};

std::vector<Anchor> anchorsOf(std::vector<DrawnHit>& hits, const metre::BeatMap& fitted,
                              const std::vector<Seconds>& fixed) {
    std::vector<Anchor> list;
    list.reserve(fixed.size() + hits.size());
    for (const Seconds at : fixed)
        list.push_back({at, fitted.beatAt(at), fitted.beatAt(at), nullptr});
    std::sort(list.begin(), list.end(), [](const Anchor& a, const Anchor& b) { return a.at < b.at; });
    if (list.empty()) return list;
    const Seconds first = list.front().at;
    const Seconds end = list.back().at;
    for (DrawnHit& hit : hits) {
        if (hit.way == DrawnHit::Way::Beside) continue;
        if (hit.at <= first || hit.at >= end) {
            hit.way = hit.becomes == hit.played ? DrawnHit::Way::Left : DrawnHit::Way::Stuck;
            hit.becomes = hit.played;
            continue;
        }
        list.push_back({hit.at, hit.played, hit.becomes, &hit});
    }
    std::sort(list.begin(), list.end(), [](const Anchor& a, const Anchor& b) {
        return a.at < b.at || (a.at == b.at && a.hit == nullptr && b.hit != nullptr);
    });
    // What is pinned already needs no hit there.
    constexpr double same = 0.0005; // seconds
    for (std::size_t i = 0; i + 1 < list.size();) {
        const bool together = (list[i + 1].at - list[i].at).value < same;
        if (!together) {
            ++i;
            continue;
        }
        Anchor& gone = list[i + 1].hit != nullptr ? list[i + 1] : list[i];
        if (gone.hit != nullptr) {
            gone.hit->way = gone.hit->becomes == gone.hit->played ? DrawnHit::Way::Left : DrawnHit::Way::Stuck;
            gone.hit->becomes = gone.hit->played;
        }
        list.erase(list.begin() + (&gone - list.data()));
    }
    return list;
}

// Takes back what asks for too much: of two neighbours the one that goes farther, until all have room.
void giveRoom(std::vector<Anchor>& list) {
    const auto goes = [](const Anchor& a) { return std::abs((a.becomes - a.played).value); };
    const auto takeBack = [](Anchor& a) {
        a.becomes = a.played;
        a.hit->becomes = a.played;
        a.hit->way = DrawnHit::Way::Stuck;
    };
    for (bool isSettled = false; !isSettled;) {
        isSettled = true;
        for (std::size_t i = 0; i + 1 < list.size(); ++i) {
            const double before = (list[i + 1].played - list[i].played).value;
            const double after = (list[i + 1].becomes - list[i].becomes).value;
            if (after >= leastGap * before && after <= mostGap * before) continue;
            takeBack(goes(list[i]) >= goes(list[i + 1]) && list[i].hit != nullptr ? list[i] : list[i + 1]);
            isSettled = false;
        }
    }
}

} // namespace

Drawn drawnTo(const Source& source, const metre::BeatMap& fitted, const Tighten& tighten, const hear::Feel& own,
              const std::vector<Seconds>& fixed, const HeardBeat& heardBeat) {
    Drawn out{
        fitted,
        aimed(source, fitted, tighten, Target(tighten, own, Seconds(60 / fitted.meanTempo().value)), heardBeat), 0,
        0};
    std::vector<Anchor> anchors = anchorsOf(out.hits, fitted, fixed);
    if (anchors.size() < 2) return out;
    giveRoom(anchors);
    for (const DrawnHit& hit : out.hits) {
        out.drawn += hit.way == DrawnHit::Way::Drawn ? 1 : 0;
        out.stuck += hit.way == DrawnHit::Way::Stuck ? 1 : 0;
    }
    if (out.drawn == 0) return out;
    // The pins that it has go along with the hits around them.
    std::vector<metre::Pin> pins;
    auto kept = fitted.pins().begin();
    const auto keptEnd = fitted.pins().end();
    for (; kept != keptEnd && kept->at < anchors.front().at; ++kept)
        pins.push_back(*kept);
    for (std::size_t i = 0; i < anchors.size(); ++i) {
        pins.push_back({anchors[i].at, anchors[i].becomes});
        if (i + 1 == anchors.size()) break;
        const Anchor& a = anchors[i];
        const Anchor& b = anchors[i + 1];
        for (; kept != keptEnd && kept->at < b.at; ++kept) {
            if (kept->at <= a.at) continue;
            const double share = (kept->at - a.at).value / (b.at - a.at).value;
            const Beats by = (a.becomes - a.played) * (1 - share) + (b.becomes - b.played) * share;
            pins.push_back({kept->at, kept->beat + by});
        }
    }
    for (; kept != keptEnd; ++kept)
        if (kept->at > anchors.back().at) pins.push_back(*kept);
    // Behind the last pin time runs on as it does in the recording.
    const Seconds later = pins.back().at + Seconds(1);
    pins.push_back({later, fitted.beatAt(later)});
    const Seconds sooner = pins.front().at - Seconds(1);
    pins.insert(pins.begin(), metre::Pin{sooner, fitted.beatAt(sooner)});
    if (auto made = metre::BeatMap::make(std::move(pins))) out.beats = std::move(*made);
    return out;
}

Result<void> canBeDrawn(const Source& source, const Tighten& tighten) {
    if (auto feel = feelOf(source, tighten.grid); !feel) return tl::unexpected(feel.error());
    if (!tighten.feel || tighten.feel->places.empty()) return {};
    const double own = source.metre().bar().value;
    const double theirs = tighten.feel->metre.bar().value;
    const double many = std::max(own, theirs) / std::min(own, theirs);
    if (std::abs(many - std::round(many)) < 1e-6) return {};
    return base::problem(fmt::format("{} is in {}, and that feel is of bars in {}.", source.name,
                                     metre::metreLabel(source.metre()), metre::metreLabel(tighten.feel->metre)));
}

namespace {

Result<void> isInRange(const Tighten& tighten) {
    if (auto fits = project::within(tighten.percent, 0, 100, "Tightening", "%"); !fits) return fits;
    if (tighten.swing)
        if (auto fits = project::within(*tighten.swing, hear::leastSwing, hear::mostSwing, "A swing", "%"); !fits)
            return fits;
    if (auto fits =
            project::within(tighten.leave.value * 1000, 0, 1000 * mostLeft.value, "What is left alone", "ms");
        !fits)
        return fits;
    return project::within(tighten.weaker, 0, 1, "A strength", "");
}

// The beats of what is about to be tightened run as its hits do. Where that cannot be it is tightened as it is.
Project fittedToHits(Project p, const std::vector<ClipId>& ids) {
    for (const ClipId id : ids) {
        const Clip* clip = clipOf(p, id);
        const SourcePtr source =
            clip != nullptr && clip->tighten.percent == 0 ? sourceOf(p, clip->source) : nullptr;
        const auto beats = source && !source->set ? beatsOfHits(*source) : std::nullopt;
        if (!beats) continue;
        // The last beat that lies within the recording by both.
        const Seconds within = source->length() - Seconds(0.001);
        const Beats last(std::floor(std::min(source->beats->beatAt(within), beats->beatAt(within)).value));
        if (auto straight = putPin(p, source->id, beats->secondsAt(last), last)) p = std::move(*straight);
    }
    return p;
}

Result<void> canTighten(const Project& p, const Clip& clip, const Tighten& tighten) {
    const SourcePtr source = sourceOf(p, clip.source);
    if (!source) return base::problem("The clip's source is no longer in the project.");
    if (leads(p, clip))
        return base::problem("The clip leads and plays as recorded: stop leading, and it can be tightened.");
    const hear::Reading* heard = readingBy(*source, hear::Witness::Heard);
    const bool isFree = source->chosen == hear::Witness::Heard && heard != nullptr && !heard->steady;
    if (isFree && source->beats && source->beats->pins().size() <= 2)
        return base::problem(fmt::format(
            "{} is played free; pins must say where its beats are before it can be tightened.", source->name));
    return canBeDrawn(*countedBy(source, clip), tighten);
}

} // namespace

Result<Project> setTrackTighten(const Project& p, TrackId id, const std::optional<Tighten>& tighten) {
    if (tighten)
        if (auto fits = isInRange(*tighten); !fits) return tl::unexpected(fits.error());
    return withTrack(p, id, [&](Track& t) { t.tighten = tighten; });
}

Result<Project> setTighten(const Project& p, const std::vector<ClipId>& ids, const Tighten& tighten) {
    if (auto fits = isInRange(tighten); !fits) return tl::unexpected(fits.error());
    const std::vector<ClipId> all = withTheirSetsHere(p, ids);
    for (const ClipId id : all)
        if (const Clip* clip = clipOf(p, id); clip != nullptr && tighten.percent > 0)
            if (auto can = canTighten(p, *clip, tighten); !can) return tl::unexpected(can.error());
    return withClips(tighten.percent > 0 ? fittedToHits(p, all) : p, all, [&](Clip& c) { c.tighten = tighten; });
}

std::vector<FittedFirst> fittedFirst(const Project& before, const Project& after, const std::vector<ClipId>& ids) {
    std::vector<FittedFirst> list;
    for (const ClipId id : ids) {
        const Clip* clip = clipOf(after, id);
        const SourcePtr was = clip != nullptr ? sourceOf(before, clip->source) : nullptr;
        const SourcePtr is = clip != nullptr ? sourceOf(after, clip->source) : nullptr;
        if (!was || !is || !was->beats || !is->beats || was->beats->meanTempo() == is->beats->meanTempo()) continue;
        const auto isTold = [&](const FittedFirst& told) { return told.source == is->id; };
        if (std::none_of(list.begin(), list.end(), isTold))
            list.push_back({is->id, is->name, was->beats->meanTempo(), is->beats->meanTempo()});
    }
    return list;
}

Result<Project> takeFeel(const Project& p, const std::vector<ClipId>& ids, const std::string& name,
                         const std::optional<hear::Feel>& feel) {
    Result<Project> next = p;
    for (const ClipId id : ids) {
        const Clip* clip = next ? clipOf(*next, id) : nullptr;
        if (clip == nullptr) continue;
        Tighten tighten = clip->tighten;
        tighten.feel = feel;
        tighten.feelName = feel ? name : std::string();
        if (feel && tighten.percent == 0) tighten.percent = 100; // it is meant to be heard
        next = setTighten(*next, {id}, tighten);
    }
    return next;
}

} // namespace project
