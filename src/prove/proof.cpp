#include "prove/proof.h"

#include "prove/cents.h"
#include "prove/own_place.h"
#include "sound/loudness.h"

#include <algorithm>
#include <cmath>
#include <fmt/format.h>
#include <set>

namespace prove {

namespace {

using project::LaidClip;
using project::Part;

constexpr double reachSeconds = 0.040;
constexpr double nearSeconds = 0.030;
constexpr double endSeconds = 0.015; // what begins so near to the clip's end is its cutting off

// Where a moment of the recording is heard in a part of a clip.
std::optional<double> heardIn(const Part& part, double sourceFrame) {
    const double in = part.job->map.outputAt(sourceFrame) - double(part.from.value);
    if (in < -0.5 || in >= double(part.length.value)) return std::nullopt;
    const auto& points = part.job->map.points();
    if (sourceFrame < double(points.front().source.value) || sourceFrame >= double(points.back().source.value))
        return std::nullopt;
    return std::max(0.0, double(part.at.value) + in);
}

// Of the recording's moments those that the clip plays, each where it first does, in the clip's order.
struct HeardMoment {
    std::size_t moment = 0;
    Frames at;            // of the clip
    double semitones = 0; // that it is transposed by there
};
std::vector<HeardMoment> momentsHeard(const LaidClip& clip, const Measured& source) {
    std::vector<HeardMoment> list;
    std::set<std::size_t> taken;
    for (const Part& part : clip.time().parts)
        for (std::size_t i = 0; i < source.pitches.size(); ++i)
            if (const auto at = heardIn(part, double(source.pitches[i].at.value)); at && taken.insert(i).second)
                list.push_back({i, Frames(std::llround(*at)), part.job->settings.semitones});
    std::sort(list.begin(), list.end(), [](const HeardMoment& a, const HeardMoment& b) { return a.at < b.at; });
    return list;
}

// Which frames of its recording a clip plays.
std::pair<Frames, Frames> playedFrames(const LaidClip& clip) {
    const std::int64_t all = clip.source->sound->audio.frames().value;
    double from = double(all);
    double to = 0;
    for (const Part& part : clip.time().parts) {
        from = std::min(from, part.job->map.sourceAt(double(part.from.value)));
        to = std::max(to, part.job->map.sourceAt(double((part.from + part.length).value)));
    }
    const auto first = std::clamp<std::int64_t>(std::llround(from), 0, all);
    return {Frames(first), Frames(std::clamp<std::int64_t>(std::llround(to), first, all))};
}

std::optional<double> playedLoudness(const LaidClip& clip) {
    const auto [from, to] = playedFrames(clip);
    const sound::Audio& audio = clip.source->sound->audio;
    sound::Meter meter(audio.rate, audio.channelCount(), sound::Meter::Of::Loudness);
    const sound::Blocks all = blocksOf(audio);
    for (Frames at = from; at < to;) {
        const auto block = all.next(at);
        sound::Audio part = **block;
        for (auto& channel : part.channels)
            channel.resize(std::min(channel.size(), static_cast<std::size_t>((to - at).value)));
        meter.add(part);
        at += part.frames();
    }
    return meter.loudness();
}

// What should be heard, and where.
struct Expected {
    Frames at;   // of the clip, as it was rendered
    Beats place; // of the project
    std::optional<Seconds> before;
    bool clear = true;
    const Part* part = nullptr;
};

// Beats that pass in a turn; nothing where the clip does not go round.
double turnBeatsOf(const LaidClip& clip, const metre::BeatMap& fitted) {
    if (!clip.clip->stretch.loop) return 0;
    const Seconds from = clip.clip->turn ? clip.clip->turn->from : fitted.secondsAt(Beats(0));
    const Seconds to = clip.clip->turn ? clip.clip->turn->to : clip.source->wholeEnd();
    return (fitted.beatAt(to) - fitted.beatAt(from)).value;
}

std::vector<Expected> expectedOf(const LaidClip& clip, const metre::TempoMap& tempo, const Measured& source) {
    const project::Source& recording = *clip.source;
    const metre::BeatMap& beats = *recording.beats;
    const metre::BeatMap fitted = recording.fitted();
    const double turn = turnBeatsOf(clip, fitted);
    std::vector<Struck> sounds;
    sounds.reserve(source.attacks.size());
    for (const Attack& a : source.attacks)
        sounds.push_back({beats.beatAt(metre::toSeconds(a.at, source.rate)), a.strength});
    const double perSecond = beats.meanTempo().value / 60;
    const std::vector<Beats> places = ownPlaces(sounds, Beats(std::min(nearSeconds * perSecond, 1.0 / 24)));
    // At one tempo from the first pin to the last it would have been played so.
    const metre::Pin& first = beats.pins().front();
    const auto straight = [&](Seconds s) { return first.beat + Beats((s - first.at).value * perSecond); };

    const double last = double(clip.time().length.value) - endSeconds * source.rate;
    std::vector<Expected> list;
    for (const Part& part : clip.time().parts)
        for (std::size_t i = 0; i < source.attacks.size(); ++i) {
            const Attack& attack = source.attacks[i];
            const auto at = heardIn(part, double(attack.at.value));
            if (!at || *at > last) continue;
            const Seconds recorded = metre::toSeconds(attack.at, source.rate);
            const Seconds heard =
                Seconds((double(clip.time().startFrame.value) + *at) / double(recording.sound->audio.rate));
            const double since = (tempo.beatAt(heard) - clip.clip->at - fitted.beatAt(recorded)).value;
            const double round = turn > 0 ? std::round(since / turn) * turn : 0;
            // Of what swells, where it was played.
            const Beats own = attack.isClear ? places[i] : sounds[i].at;
            const Beats place = clip.clip->at + own + Beats(round);
            const double inSeconds = 60 / tempo.tempoAt(place).value;
            list.push_back({Frames(std::llround(*at)), place, Seconds((straight(recorded) - own).value * inSeconds),
                            attack.isClear, &part});
        }
    std::sort(list.begin(), list.end(), [](const Expected& a, const Expected& b) { return a.at < b.at; });
    return list;
}

// The beginning of what the clip plays, where it was put.
std::vector<Expected> expectedBeginning(const LaidClip& clip, const Measured& source,
                                        const metre::TempoMap& tempo) {
    const project::Timing& time = clip.time();
    if (time.parts.empty()) return {};
    for (const Attack& attack : source.attacks) {
        const auto at = heardIn(time.parts.front(), double(attack.at.value));
        if (!at) continue;
        const Seconds heard((double(time.startFrame.value) + *at) / double(clip.source->sound->audio.rate));
        return {
            {Frames(std::llround(*at)), tempo.beatAt(heard), std::nullopt, attack.isClear, &time.parts.front()}};
    }
    return {};
}

// Whether a clip is judged by where it begins: it is placed, or one hit. What leads is as its beats are.
bool isJudgedByBeginning(const LaidClip& clip) {
    if (clip.ruleFrom == project::RuleFrom::Lead) return false;
    return !clip.time().stretched || clip.source->kind == hear::Kind::OneHit || !clip.source->beats;
}

// By how much a fitted clip's beats lie beside the project's: its first downbeat, from the nearest part of a beat.
Seconds besideGrid(const LaidClip& clip, const metre::TempoMap& tempo) {
    if (!clip.source->beats || !clip.time().follows || clip.ruleFrom == project::RuleFrom::Lead) return Seconds(0);
    return tempo.secondsAt(clip.clip->at) - tempo.secondsAt(nearestPart(clip.clip->at));
}

// The attack nearest to each place, where each is the other's nearest.
std::vector<std::optional<Frames>> found(const std::vector<Expected>& expected, const std::vector<Attack>& attacks,
                                         int rate) {
    const auto nearestTo = [](const auto& list, Frames at) {
        const auto after =
            std::lower_bound(list.begin(), list.end(), at, [](const auto& x, Frames f) { return x.at < f; });
        if (after == list.begin()) return after;
        if (after == list.end()) return after - 1;
        return after->at - at < at - (after - 1)->at ? after : after - 1;
    };
    std::vector<std::optional<Frames>> out(expected.size());
    if (attacks.empty()) return out;
    for (std::size_t i = 0; i < expected.size(); ++i) {
        const auto attack = nearestTo(attacks, expected[i].at);
        if (std::abs(double((attack->at - expected[i].at).value)) > reachSeconds * rate) continue;
        if (nearestTo(expected, attack->at)->at == expected[i].at) out[i] = attack->at;
    }
    return out;
}

// By how much a band's envelope came out later than the part's map says, and how much it moves there: where the
// envelope of what was played, bent as the map bends time, is likest to that of what came out. None where that says
// nothing.
struct Shift {
    Seconds by;
    double power = 0; // of the logarithm of the level
};
std::optional<Shift> shiftIn(Band band, const Expected& expected, const Envelope& before, const Measured& out) {
    const double ms = out.rate / 1000.0;
    constexpr int from = -60; // of the window, around the expected beginning, in ms
    constexpr int to = 120;
    constexpr int step = 4;
    constexpr int reach = 40;
    constexpr double least = 0.9;  // of likeness
    constexpr double moves = 0.25; // of the logarithm of the level: 2 dB
    const Part& part = *expected.part;
    const auto level = [band](const Envelope& e, double frame) { return std::log(e.at(frame, band) + 1e-3); };
    const auto played = [&](double clipFrame) {
        const double rendered = clipFrame - double(part.at.value) + double(part.from.value);
        return level(before, part.job->map.sourceAt(rendered));
    };
    std::vector<double> heard;
    for (int t = from; t <= to; t += step)
        heard.push_back(level(out.envelope, double(expected.at.value) + t * ms));
    const auto n = double(heard.size());
    double meanHeard = 0;
    for (const double x : heard)
        meanHeard += x / n;
    double power = 0;
    for (const double x : heard)
        power += (x - meanHeard) * (x - meanHeard) / n;
    if (power < moves * moves) return std::nullopt;
    // The model at every ms, once for all shifts.
    std::vector<double> model;
    for (int t = from - reach; t <= to + reach; ++t)
        model.push_back(played(double(expected.at.value) + t * ms));
    std::vector<double> likeness;
    for (int shift = -reach; shift <= reach; ++shift) {
        double mean = 0;
        double square = 0;
        double product = 0;
        for (std::size_t k = 0; k < heard.size(); ++k) {
            const double x = model[k * step + static_cast<std::size_t>(reach - shift)];
            mean += x / n;
            square += x * x / n;
            product += x * (heard[k] - meanHeard) / n;
        }
        const double own = square - mean * mean;
        likeness.push_back(own < moves * moves ? 0 : product / std::sqrt(own * power));
    }
    const auto best = std::max_element(likeness.begin(), likeness.end());
    if (*best < least || best == likeness.begin() || best + 1 == likeness.end()) return std::nullopt;
    const double bend = *(best - 1) - 2 * *best + *(best + 1);
    const double between = bend < 0 ? 0.5 * (*(best - 1) - *(best + 1)) / bend : 0;
    return Shift{Seconds((double(best - likeness.begin()) - reach + between) / 1000), power};
}

// The same by the band that moves most there: in a dense mix a stroke shows only where little else sounds.
std::optional<Seconds> shiftOf(const Expected& expected, const Envelope& before, const Measured& out) {
    std::optional<Shift> most;
    for (const Band band : bandsOfEnvelope)
        if (const auto shift = shiftIn(band, expected, before, out); shift && (!most || shift->power > most->power))
            most = shift;
    if (!most) return std::nullopt;
    return most->by;
}

// Whether something begins where it was not expected, and yet the sound came out where it was: it is another.
bool contradicted(const Expected& expected, Frames found, const Envelope& before, const Measured& out) {
    constexpr double suspicious = 0.008; // seconds
    const double moved = double((found - expected.at).value) / out.rate;
    if (std::abs(moved) < suspicious) return false;
    const auto shift = shiftOf(expected, before, out);
    return shift && std::abs(shift->value - moved) > suspicious;
}

std::string whyUnread(const LaidClip& clip, const Proof& proof) {
    const project::Source& source = *clip.source;
    if (!source.beats && source.kind != hear::Kind::OneHit)
        return fmt::format("{} has no beats to be measured by.", source.name);
    if (proof.hits.empty()) return fmt::format("Nothing begins in {} where this clip plays it.", source.name);
    return fmt::format("Nothing in {} begins clearly enough to be measured.", source.name);
}

} // namespace

Landing Proof::landing(Seconds tolerance) const {
    const Landing placing = placingOf(placed, placedSums, tolerance);
    if (placing != Landing::InTime) return placing;
    if (std::abs(offGrid.value) > tolerance.value) return Landing::OffGrid;
    return landingOf(deviations, sums, tolerance);
}

const Hit* Proof::worst() const {
    std::size_t read = 0;
    for (const Hit& hit : hits)
        if (hit.off && read++ == sums.worstIndex) return &hit;
    return nullptr;
}

Result<Measured> measureSource(const project::Source& source, const base::Progress& progress) {
    const sound::Audio& audio = source.sound->audio;
    Wanted wanted{pitchMoments(audio.frames(), audio.rate), {}, {}, &audio};
    // Those of a set are the onsets of all of it together.
    if (!source.set) wanted.onsets = source.sound->onsets;
    return measure(blocksOf(audio), wanted, progress);
}

namespace {

ClipLevels levelsOf(const LaidClip& clip, Levels cameOut) {
    const auto played = cameOut.lufs ? playedLoudness(clip) : std::nullopt;
    return {cameOut, played ? std::optional(*cameOut.lufs - *played) : std::nullopt};
}

} // namespace

Result<ClipLevels> measureLevels(const LaidClip& clip, const sound::Blocks& rendering,
                                 const base::Progress& progress) {
    sound::Meter meter(rendering.rate, rendering.channels, sound::Meter::Of::Both);
    for (Frames at(0); at < rendering.length;) {
        if (progress.stopped()) return base::cancelled();
        progress.at(double(at.value) / double(std::max<std::int64_t>(1, rendering.length.value)));
        const auto block = rendering.next(at);
        if (!block) return tl::unexpected(block.error());
        if ((*block)->frames() == Frames(0)) break;
        meter.add(**block);
        at += (*block)->frames();
    }
    return levelsOf(clip, {meter.loudness(), meter.truePeak()});
}

Result<CameOut> measureClip(const LaidClip& clip, const Measured& source, const sound::Blocks& rendering,
                            bool withLevels, const base::Progress& progress) {
    const std::vector<HeardMoment> list = momentsHeard(clip, source);
    std::vector<Frames> moments;
    moments.reserve(list.size());
    for (const HeardMoment& heard : list)
        moments.push_back(heard.at);
    Wanted wanted{.moments = std::move(moments)};
    if (!withLevels) wanted.levels.reset();
    auto measured = measure(rendering, wanted, progress);
    if (!measured) return tl::unexpected(measured.error());
    std::vector<Pitches> before;
    before.reserve(list.size());
    for (std::size_t i = 0; i < list.size(); ++i) {
        before.push_back(source.pitches[list[i].moment]);
        // Where the key changes, so does the transposition.
        for (Pitches::Peak& peak : before.back().peaks)
            peak.hz *= std::exp2(list[i].semitones / 12);
    }
    CameOut out{std::move(*measured), {}, {}};
    if (out.measured.levels) out.levels = levelsOf(clip, *out.measured.levels);
    out.cents = centsBetween(before, out.measured.pitches);
    out.measured.pitches.clear();
    return out;
}

Proof prove(const LaidClip& clip, const metre::TempoMap& tempo, const Measured& source, const CameOut& cameOut) {
    const Measured& out = cameOut.measured;
    Proof proof;
    proof.levels = cameOut.levels;
    proof.cents = cameOut.cents;
    const project::Timing& time = clip.time();
    const Seconds begins =
        time.stretched ? tempo.secondsAt(time.start) : metre::toSeconds(time.startFrame, out.rate);
    const Seconds ends =
        time.stretched ? tempo.secondsAt(time.end) : begins + metre::toSeconds(time.length, out.rate);
    proof.lengthError = out.frames - (metre::toFrames(ends, out.rate) - metre::toFrames(begins, out.rate));

    const bool byBeginning = isJudgedByBeginning(clip);
    std::vector<Expected> expected;
    if (!byBeginning)
        expected = expectedOf(clip, tempo, source);
    else if (clip.source->beats || clip.source->kind == hear::Kind::OneHit)
        expected = expectedBeginning(clip, source, tempo);
    const auto where = found(expected, out.attacks, out.rate);
    proof.hits.reserve(expected.size());
    std::vector<Deviation> played;
    for (std::size_t i = 0; i < expected.size(); ++i) {
        const Expected& e = expected[i];
        Hit hit{e.at, e.place, e.before, std::nullopt, Seconds(0), Seconds(0)};
        std::optional<Seconds> placed;
        if (e.clear && where[i] && !contradicted(e, *where[i], source.envelope, out))
            placed = metre::toSeconds(*where[i] - e.at, out.rate);
        else if (!e.clear)
            placed = shiftOf(e, source.envelope, out);
        if (placed) {
            // Of what swells, where it was played.
            if (e.clear && !byBeginning)
                hit.played = metre::toSeconds(time.startFrame + e.at, out.rate) - tempo.secondsAt(hit.place);
            hit.placed = *placed;
            hit.off = hit.placed + hit.played;
            hit.at += metre::toFrames(*placed, out.rate);
            const Seconds at = metre::toSeconds(time.startFrame + hit.at, out.rate);
            proof.deviations.push_back({at, *hit.off});
            proof.placed.push_back({at, hit.placed});
            played.push_back({at, hit.played});
        }
        proof.hits.push_back(hit);
    }
    proof.sums = summed(proof.deviations, begins, ends);
    proof.placedSums = summed(proof.placed, begins, ends);
    proof.playedSums = summed(played, begins, ends);
    proof.offGrid = byBeginning ? Seconds(0) : besideGrid(clip, tempo);
    if (proof.deviations.empty()) proof.unread = whyUnread(clip, proof);

    return proof;
}

} // namespace prove
