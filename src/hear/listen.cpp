#include "hear/listen.h"

#include "hear/accents.h"
#include "hear/kin.h"
#include "hear/loop_fit.h"
#include "hear/sureness.h"
#include "hear/track.h"
#include "hear/whole.h"
#include "metre/tempo.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>
#include <memory>

namespace hear {

namespace {

// Under this sureness there is no tempo: of loops hardly one lies there.
constexpr double noBeat = 0.05;

// By how much a tempo is halved or doubled to lie in the window, to half a per cent at its edges: it is not
// measured to the end yet. None where it cannot.
std::optional<double> factorInto(Bpm bpm, Window window) {
    const Window wider{Bpm(window.low.value * 0.995), Bpm(window.high.value * 1.005)};
    for (const double k : {1.0, 2.0, 0.5, 4.0, 0.25})
        if (wider.holds(Bpm(bpm.value * k))) return k;
    return std::nullopt;
}

// The tempos within the window; those outside are brought in by halving or doubling, with their weight. A window of
// less than an octave holds no half and no double of many tempos: those stand as they are, since a tempo that lies
// within but has nothing to do with the recording would be worse than none.
std::vector<Candidate> within(const std::vector<Pulse>& pulses, Window window) {
    std::vector<Candidate> out;
    const auto add = [&](Bpm bpm, double weight) {
        for (Candidate& c : out)
            if (std::abs(c.bpm.value / bpm.value - 1) < 0.006) {
                c.weight += weight;
                return;
            }
        out.push_back({bpm, weight, 0});
    };
    const bool narrow = window.high.value < 2 * window.low.value;
    for (const Pulse& p : pulses) {
        const auto k = factorInto(p.bpm, window);
        if (k)
            add(Bpm(p.bpm.value * *k), *k == 1 || narrow ? p.weight : p.weight * 0.8);
        else if (narrow)
            add(p.bpm, p.weight);
    }
    if (out.empty())
        for (const Pulse& p : pulses)
            add(p.bpm, p.weight);
    double sum = 0;
    for (const Candidate& c : out)
        sum += c.weight;
    for (Candidate& c : out)
        c.weight /= sum;
    std::sort(out.begin(), out.end(), [](const Candidate& a, const Candidate& b) { return a.weight > b.weight; });
    return out;
}

// The candidates' weights with the doubt that there is a beat at all: those that are the first, or half or double
// of it, have `sure` together, and what is missing to 1 is that doubt.
std::vector<Candidate> doubted(std::vector<Candidate> list, double sure) {
    const auto isFirst = [first = list.front().bpm](const Candidate& c) { return isKin(c.bpm, first, 1); };
    double kin = 1e-9;
    double others = 1e-9;
    for (const Candidate& c : list)
        (isFirst(c) ? kin : others) += c.weight;
    for (Candidate& c : list)
        c.weight *= isFirst(c) ? sure / kin : std::min(1.0, (1 - sure) / others);
    return list;
}

// A loop with a tail: as many bars as hold all but stray sounds, the usual numbers sooner than others.
int beatsHolding(const std::vector<Event>& events, double start, double period, int bar) {
    // What is weak is no part of the pattern: the release of a note, an echo.
    double total = 1e-9;
    for (const Event& e : events)
        total += std::pow(e.strength, 1.5);
    auto next = events.begin();
    double beyond = total - 1e-9;
    for (int bars = 1;; ++bars) {
        const double end = start + (bars * bar - 0.12) * period;
        for (; next != events.end() && next->at <= end; ++next)
            beyond -= std::pow(next->strength, 1.5);
        if (next == events.end()) beyond = 0; // exactly
        const bool usual = bars == 1 || bars == 2 || bars == 4 || bars == 8 || bars == 16;
        if (beyond <= (usual ? 0.05 : 0.01) * total) return bars * bar;
    }
}

// How far the tracked beats wander from a straight line, smoothed over a bar, in seconds.
double wandering(const std::vector<double>& beats) {
    const auto n = static_cast<double>(beats.size());
    if (beats.size() < 8) return 0;
    double mean = 0;
    for (const double b : beats)
        mean += b / n;
    double xy = 0;
    double xx = 0;
    for (std::size_t i = 0; i < beats.size(); ++i) {
        const double x = double(i) - (n - 1) / 2;
        xy += x * (beats[i] - mean);
        xx += x * x;
    }
    const double period = xy / xx;
    std::vector<double> off(beats.size());
    for (std::size_t i = 0; i < beats.size(); ++i)
        off[i] = beats[i] - mean - (double(i) - (n - 1) / 2) * period;
    double most = 0;
    for (std::size_t i = 0; i + 4 <= off.size(); ++i) {
        std::array<double, 4> four = {off[i], off[i + 1], off[i + 2], off[i + 3]};
        std::sort(four.begin(), four.end());
        most = std::max(most, std::abs(four[1] + four[2]) / 2);
    }
    return most;
}

// How well the moments of beats are known, by what is played on them: the softer it begins, the less. In seconds,
// the median; never less than what beats are found to at best.
double blurOfBeats(const std::vector<double>& beats, const std::vector<Event>& events) {
    constexpr double best = 0.003;
    constexpr double worst = 0.012;
    constexpr double near = 0.04;
    std::vector<double> blurs;
    for (const double beat : beats) {
        const Event* on = nullptr;
        auto e = std::lower_bound(events.begin(), events.end(), beat - near,
                                  [](const Event& x, double t) { return x.at < t; });
        for (; e != events.end() && e->at < beat + near; ++e)
            if (on == nullptr || e->strength > on->strength) on = &*e;
        if (on != nullptr) blurs.push_back(on->attack ? on->blur : worst);
    }
    if (blurs.size() * 2 < beats.size()) return worst;
    std::nth_element(blurs.begin(), blurs.begin() + static_cast<std::ptrdiff_t>(blurs.size() / 2), blurs.end());
    return std::clamp(blurs[blurs.size() / 2], best, worst);
}

void settleFree(Heard& out, std::vector<double> beats, const std::vector<Event>& events) {
    out.steady = false;
    out.beats = std::move(beats);
    // The first downbeat: the beat nearest to the first sound.
    const double first = events.empty() ? out.beats.front() : events.front().at;
    const auto nearest = std::min_element(out.beats.begin(), out.beats.end(), [&](double a, double b) {
        return std::abs(a - first) < std::abs(b - first);
    });
    out.downbeat = static_cast<std::size_t>(nearest - out.beats.begin());
    out.pins = pinsThrough(out.beats, out.downbeat, blurOfBeats(out.beats, events));
    out.bpm = Bpm(60 * double(out.beats.size() - 1) / (out.beats.back() - out.beats.front()));
}

void settleSteady(Heard& out, const LoopFit& settled, double lastSound) {
    out.steady = true;
    out.bpm = Bpm(60 / settled.period);
    out.measured = settled.measured;
    out.downbeat = 0;
    out.loopBeats = settled.beats;
    const double end = settled.beats ? settled.start + (*settled.beats - 0.5) * settled.period : lastSound;
    for (int b = 0; settled.start + b * settled.period <= end; ++b)
        out.beats.push_back(settled.start + b * settled.period);
    out.pins = {{metre::Seconds(settled.start), metre::Beats(0)},
                {metre::Seconds(settled.start + settled.period), metre::Beats(1)}};
}

// Only what lasts longer than this, and has as many strokes, can be played freely.
constexpr double shortestFree = 5.0; // seconds
constexpr std::size_t fewestStrokesFree = 10;

// The beats as played, where the recording is played freely or the window says so; else none.
std::vector<double> freeBeats(const LoopFit& settled, std::vector<double> tracked, const std::vector<Event>& heard,
                              const Strength& s, const Span& span, Playing playing) {
    const Bpm about(60 / settled.period);
    bool isFree = false;
    if (tracked.size() >= 8) {
        std::vector<double> straight;
        for (double t = settled.start; t <= span.file + 0.01; t += settled.period)
            straight.push_back(t);
        isFree = wandering(tracked) > 0.02 && landing(tracked, heard) > landing(straight, heard) + 0.08;
    }
    if (playing == Playing::Free && tracked.size() < 2) tracked = trackedBeats(heard, s, span, about);
    if (playing != Playing::Either) isFree = playing == Playing::Free && tracked.size() >= 2;
    if (!isFree) tracked.clear();
    return tracked;
}

// Whether what was settled by the whole of a recording, with its length, lies on what its clear parts say.
bool explains(const LoopFit& settled, const Throughout& clear, const Span& span) {
    constexpr double near = 0.012; // seconds
    // What begins with a sound later on may begin with a pick-up.
    if (!settled.beats || settled.start > near) return false;
    const auto off = [&](double at) {
        const double beat = (at - clear.start) / clear.period * 2; // halves are lines too
        return std::abs(beat - std::round(beat)) * clear.period / 2;
    };
    const double beats = std::floor((span.end - settled.start) / settled.period);
    return off(settled.start) < near && off(settled.start + beats * settled.period) < near;
}

// The first candidate is what was settled; half and double stand beside it.
void offerHalfAndDouble(Heard& out) {
    out.candidates.front().bpm = *out.bpm;
    for (const double k : {0.5, 2.0}) {
        const Bpm other(out.bpm->value * k);
        const auto isOther = [&](const Candidate& x) { return std::abs(x.bpm.value / other.value - 1) < 0.01; };
        const bool there = std::any_of(out.candidates.begin(), out.candidates.end(), isOther);
        if (!there && metre::Bpm(15) <= other && other <= metre::Bpm(400))
            out.candidates.push_back({other, 0.001, 0});
        else
            for (Candidate& x : out.candidates)
                if (isOther(x)) x.bpm = other;
    }
}

} // namespace

namespace {

// What there is to know of a recording before its beats are looked for.
struct Sounding {
    Sounding(Curves of, double fileSeconds, const std::vector<Onset>& onsets)
        : c(std::move(of)), span(spanOf(c.strength, fileSeconds)), events(hear::events(onsets, Recording::rate, c)),
          classes(classesOf(c.pitches)), colour(colourOf(c, events, span, classes.pitched)),
          none(withoutBeat(c.strength, colour, events, span)), again(c.pitches), ways(events, c.strength, span) {}

    const Curves c;
    const Span span;
    const std::vector<Event> events;
    const Classes classes;
    const Colour colour;
    const std::optional<Kind> none;
    const Repetition again;
    KnownWays ways;
    std::vector<Pulse> found;
    double sure = 0;

    void findPulses() {
        if (!none) found = pulses(c, again, span);
        if (!found.empty() && span.end - span.start < longestLoop) found = weighedByLength(std::move(found), ways);
        if (!found.empty()) sure = surenessOf(surenessFiguresOf(c.strength, again, colour, events, span, found));
    }
    // Who says between which tempos has more than the recording to go by.
    bool hasBeat(const Window& window) const {
        return !found.empty() && sure >= (window == Window{} ? noBeat : noBeat / 5);
    }
    Kind kind(const Window& window) const {
        if (hasBeat(window)) return kindOf(colour);
        return none ? *none : silentKind(c.strength, colour, events, span);
    }
    std::optional<HeardKey> key(const Window& window) const {
        std::optional<HeardKey> key = keyOf(classes);
        if (key && key->sureness < 0.25) key.reset(); // noise has pitches too, but no root
        if (hasBeat(window)) {
            if (kind(window) == Kind::Struck) key.reset(); // drums are tuned, but to no key
        } else if (std::count_if(classes.all.begin(), classes.all.end(), [](double t) { return t > 0.15; }) < 3) {
            key.reset(); // one note, with its overtones, has a root but no mode
        }
        return key;
    }
};

// Null for silence, and when it is stopped.
std::unique_ptr<Sounding> soundingOf(const Recording& recording, const std::vector<Onset>& onsets,
                                     const base::Progress& progress) {
    const Mono mono(recording);
    if (mono.peak() < 1e-5F || mono.frames() < 64) return nullptr;
    Curves c = curves(mono, progress.part(0, 0.9));
    if (progress.stopped()) return nullptr;
    auto out = std::make_unique<Sounding>(std::move(c), recording.length().value, onsets);
    if (progress.stopped()) return nullptr;
    out->findPulses();
    return out;
}

} // namespace

KindAndKey kindAndKeyIn(const Recording& recording, const std::vector<Onset>& onsets, Window window,
                        const base::Progress& progress) {
    const auto sounding = soundingOf(recording, onsets, progress);
    return sounding ? KindAndKey{sounding->kind(window), sounding->key(window)} : KindAndKey{};
}

Heard listen(const Recording& recording, const std::vector<Onset>& onsets, Window window,
             const base::Progress& progress) {
    Heard out;
    out.onsets = onsets;
    const double fileSeconds = recording.length().value;
    out.span = {0, fileSeconds, fileSeconds};
    const auto sounding = soundingOf(recording, onsets, progress);
    if (!sounding) return out;
    const Curves& c = sounding->c;
    const Strength& s = c.strength;
    const std::vector<Event>& heard = sounding->events;
    const std::vector<Pulse>& found = sounding->found;
    out.span = sounding->span;
    out.kind = sounding->kind(window);
    out.key = sounding->key(window);
    if (!sounding->hasBeat(window)) return out;
    out.candidates = doubted(within(found, window), sounding->sure);
    out.sureness = out.candidates.front().weight;
    const Bpm about = out.candidates.front().bpm;

    if (progress.stopped()) return out;
    LoopFit settled = fitLoop(sounding->ways, about, progress);
    if (progress.stopped()) return out;
    const double lastEvent = heard.back().at;
    std::vector<double> tracked;
    if (lastEvent - out.span.start > shortestFree && heard.size() >= fewestStrokesFree)
        tracked = trackedBeats(heard, s, out.span, Bpm(60 / settled.period), progress);
    if (progress.stopped()) return out;
    const auto throughout = window.playing == Playing::Free
                                ? std::nullopt
                                : steadyThroughout(heard, tracked, s, out.span, Bpm(60 / settled.period));
    if (progress.stopped()) return out;
    // Of 157 songs (seeds 11 and 12) whose beats were right these stood out by .78 in all but one in twenty.
    constexpr double plainly = 0.75;
    if (throughout) {
        const double doubt = std::min(1.0, throughout->plain / plainly);
        for (Candidate& candidate : out.candidates)
            candidate.weight *= doubt;
        out.sureness *= doubt;
    }
    const bool isSong = throughout && !explains(settled, *throughout, out.span);
    if (isSong) settled = {throughout->period, throughout->start, {}, 0, {}};
    const BarWay bar = barOf(s, sounding->again, {settled.start, settled.period, settled.beats, lastEvent});
    // Bars that are no whole number of beats come in pairs.
    const int beatsInBars = static_cast<int>(bar.beats == std::floor(bar.beats) ? bar.beats : 2 * bar.beats);
    if (isSong) settled.start = firstBarLine(*throughout, beatsInBars, heard, c);
    if (!settled.beats) {
        settled.beats = beatsHolding(heard, settled.start, settled.period, beatsInBars);
        settled.seconds = *settled.beats * settled.period;
    }
    const Playing playing = throughout && window.playing == Playing::Either ? Playing::Steady : window.playing;
    if (std::vector<double> played = freeBeats(settled, std::move(tracked), heard, s, out.span, playing);
        !played.empty())
        settleFree(out, std::move(played), heard);
    else
        settleSteady(out, settled, std::max(lastEvent, out.span.end - settled.period / 2));
    if (throughout && out.steady) out.comesIn = comesIn(settled.start, settled.period, beatsInBars, heard);
    out.metre = bar.metre;
    out.beatsInBar = beatsInBars;
    out.beatUnit = beatsInBars == bar.beats ? 4 : 8;
    out.loopSeconds = settled.seconds > 0 ? settled.seconds : out.span.end - settled.start;
    if (out.steady) out.fits = lengthFits(out.loopSeconds, found);
    offerHalfAndDouble(out);
    progress.at(1);
    return out;
}

Heard listen(const sound::Audio& audio, const std::vector<Onset>& onsets, Window window,
             const base::Progress& progress) {
    const auto recording = Recording::of(audio);
    if (!recording) return {};
    Heard heard = listen(*recording, atRate(onsets, audio.rate, Recording::rate), window, progress);
    heard.onsets = onsets;
    return heard;
}

namespace {

std::string silentBecause(Kind kind) {
    return kind == Kind::OneHit ? "one hit, no beat" : "no beat";
}

std::string barsOf(int beats, const Heard& heard) {
    const double bars = beats / metre::Metre{heard.beatsInBar, heard.beatUnit}.bar().value;
    if (bars != std::floor(bars)) return {};
    const bool usual = !heard.metre || *heard.metre == metre::Metre{4, 4};
    if (usual) return bars == 1 ? " · 1 bar" : fmt::format(" · {} bars", bars);
    const std::string metre = metre::metreLabel(*heard.metre);
    return bars == 1 ? fmt::format(" · 1 bar of {}", metre) : fmt::format(" · {} bars of {}", bars, metre);
}

} // namespace

Reading heardReading(const Heard& heard) {
    Reading r;
    r.by = Witness::Heard;
    if (heard.key) r.key = heard.key->key;
    if (!heard.bpm) {
        r.evidence = silentBecause(heard.kind);
        return r;
    }
    r.bpm = heard.bpm;
    r.sureness = heard.sureness;
    r.steady = heard.steady;
    r.pins = heard.pins;
    if (heard.loopBeats) r.beats = Beats(*heard.loopBeats);
    r.others = heard.candidates;
    r.metre = heard.metre;
    r.evidence = fmt::format("confidence {:.2f}", heard.sureness);
    if (!heard.steady) r.evidence += " · played free";
    if (heard.measured) r.evidence += fmt::format(" · measured {}", metre::tempoFigure(*heard.measured));
    if (heard.comesIn) {
        r.comesIn = metre::Seconds(*heard.comesIn);
        r.evidence += fmt::format(" · beat from {}:{:04.1f}", static_cast<int>(*heard.comesIn / 60),
                                  std::fmod(*heard.comesIn, 60));
    }
    std::string also;
    for (std::size_t i = 1; i < std::min<std::size_t>(heard.candidates.size(), 3); ++i)
        also += (also.empty() ? "" : ", ") + metre::tempoLabel(heard.candidates[i].bpm);
    if (!also.empty()) r.evidence += fmt::format(" · also {}", also);
    return r;
}

Reading lengthReading(const Heard& heard) {
    Reading r;
    r.by = Witness::Length;
    if (!heard.bpm || heard.fits.empty()) {
        r.evidence = !heard.bpm      ? silentBecause(heard.kind)
                     : !heard.steady ? "played free: no one length of a beat"
                                     : "no whole number of beats fits";
        return r;
    }
    // The fit that goes with what was heard; with it the others, likeliest first.
    const LengthFit* best = &heard.fits.front();
    for (const LengthFit& f : heard.fits)
        if (heard.loopBeats == f.beats) best = &f;
    r.bpm = best->bpm;
    r.beats = Beats(best->beats);
    r.sureness = best->weight * heard.sureness; // it is weighed by what was heard
    r.others.push_back({best->bpm, best->weight, best->beats});
    for (const LengthFit& f : heard.fits)
        if (&f != best && r.others.size() < 12) r.others.push_back({f.bpm, f.weight, f.beats});
    const double off = std::abs(best->bpm.value / heard.bpm->value - 1);
    r.evidence = best->beats == 1 ? "1 beat" : fmt::format("{} beats", best->beats);
    r.evidence += barsOf(best->beats, heard);
    r.evidence += off < 1e-6 ? " · exact" : " · nearly";
    return r;
}

} // namespace hear
