// How near a stretched recording comes to the same notes performed at the other tempo: ours beside the reference
// libraries, in one run.
//
//   tools/stretch_set.py SET
//   bench_quality SET [--ours] [--kind KIND]
//
// --ours leaves the references out, --kind all kinds but one.
//
// Our own measures. For each recording: the length's error in frames; where its attacks lie against the truth's,
// both found by the same detector (ms, median and 95 %; sharp: 95 % of those that the detector hears within
// 2 ms of their note in the truth), and how many it has where the truth has none and no note
// begins (a share of the truth's); how steep they are against the truth's; how much louder it is in the 20 ms
// before them than the truth (dB, median and 90 %); the spectral distance, the sum over a twelfth-of-a-second grid
// and bands a semitone wide of the difference of root magnitudes, over the truth's sum; the level's change (dB);
// and how far the channels' coherence is from the recording's, the mean of octave bands. The table begins with
// self-checks: the truth itself must score nothing, and the truth delayed by 5 ms, detuned by 10 cents, and smeared
// over 10 ms must each show. Under each kind stands which method is nearest to the truth and what the choice by
// kind loses to it, with the standard error of the mean of the differences. Of voices it is also said how far the
// pitch lies from the truth's, moment by moment (cents, median and 90 %), and by how much the harmonics stand
// further out of the noise or less (dB; median, 10 % and 90 %).
//
// A second table is of tones of which everything is known: what is off the partials of a steady chord (dB), how
// much their level wavers (%), how far they are out of tune (cents), the same transposed by three semitones; the
// click where a loop comes round, over the loop's own (dB); and the error of the phase between channels (degrees).
#include "hear/listen.h"
#include "project/settle.h"
#include "sound/fft.h"
#include "sound/read.h"
#include "stretch/method.h"
#include "support/stretch_measures.h"
#include "support/stretch_references.h"
#include "support/voice_measures.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <ctime>
#include <fmt/format.h>
#include <fstream>
#include <functional>
#include <map>
#include <nlohmann/json.hpp>
#include <numbers>
#include <string>
#include <vector>

namespace {

using sound::Audio;
using sound::Frames;

double cpuSeconds() {
    timespec t{};
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &t);
    return double(t.tv_sec) + double(t.tv_nsec) * 1e-9;
}

std::vector<float> monoOf(const Audio& a) {
    std::vector<float> x(a.channels[0].begin(), a.channels[0].end());
    for (std::size_t c = 1; c < a.channels.size(); ++c)
        for (std::size_t i = 0; i < x.size(); ++i)
            x[i] += a.channels[c][i];
    return x;
}

// Root magnitudes in bands a semitone wide, every 20 ms.
std::vector<std::vector<double>> bandsOf(const Audio& a) {
    constexpr std::size_t size = 8192;
    const std::vector<float> x = monoOf(a);
    const auto hop = static_cast<std::size_t>(a.rate / 50);
    sound::RealFft fft(size);
    std::vector<std::vector<double>> out;
    for (std::size_t at = 0; at < x.size(); at += hop) {
        auto time = fft.time();
        for (std::size_t i = 0; i < size; ++i) {
            const auto from = static_cast<std::int64_t>(at + i) - static_cast<std::int64_t>(size / 2);
            const bool inside = from >= 0 && from < static_cast<std::int64_t>(x.size());
            const double w = 0.5 - 0.5 * std::cos(2 * std::numbers::pi * double(i) / size);
            time[i] = inside ? x[static_cast<std::size_t>(from)] * static_cast<float>(w) : 0.0F;
        }
        fft.forward();
        const auto spectrum = fft.spectrum();
        std::vector<double> bands;
        for (double hz = 50; hz < 16000; hz *= std::exp2(1 / 12.0)) {
            const auto low = static_cast<std::size_t>(hz * size / a.rate);
            const auto high = std::max(low + 1, static_cast<std::size_t>(hz * std::exp2(1 / 12.0) * size / a.rate));
            double power = 0;
            for (std::size_t b = low; b < high; ++b)
                power += double(std::norm(spectrum[b]));
            bands.push_back(std::sqrt(std::sqrt(power)));
        }
        out.push_back(std::move(bands));
    }
    return out;
}

double spectralDistance(const Audio& made, const Audio& truth) {
    const auto a = bandsOf(made);
    const auto b = bandsOf(truth);
    double off = 0;
    double sum = 1e-9;
    for (std::size_t t = 0; t < std::min(a.size(), b.size()); ++t)
        for (std::size_t k = 0; k < b[t].size(); ++k) {
            off += std::abs(a[t][k] - b[t][k]);
            sum += b[t][k];
        }
    return off / sum;
}

double energy(const std::vector<float>& x, double from, double to) {
    double sum = 1e-9;
    for (auto i = std::max<std::int64_t>(0, std::llround(from));
         i < std::min<std::int64_t>(std::int64_t(x.size()), std::llround(to)); ++i)
        sum += double(x[std::size_t(i)]) * double(x[std::size_t(i)]);
    return sum;
}

// The greatest rise of the level from one millisecond to the next two, over the level that follows.
double steepness(const std::vector<float>& x, double at, int rate) {
    const double ms = rate / 1000.0;
    double rise = 0;
    for (double t = at - 8 * ms; t < at + 8 * ms; t += ms / 4)
        rise = std::max(rise, std::sqrt(energy(x, t, t + 2 * ms)) - std::sqrt(energy(x, t - 2 * ms, t)));
    return rise / std::sqrt(energy(x, at, at + 30 * ms));
}

struct Score {
    std::vector<double> onset, sharp, steep, before, distance, level, coherence;
    std::vector<double> cents, harmonics; // of voices
    int attacks = 0;                      // the truth's
    int doubled = 0;                      // attacks where the truth has none
    std::int64_t length = 0;
    double cpu = 0;
    double seconds = 0;
};

double quantile(std::vector<double> v, double q) {
    if (v.empty()) return std::nan("");
    std::sort(v.begin(), v.end());
    return v[static_cast<std::size_t>(q * double(v.size() - 1))];
}
double mean(const std::vector<double>& v) {
    double sum = 0;
    for (const double x : v)
        sum += x;
    return v.empty() ? std::nan("") : sum / double(v.size());
}

void add(Score& s, const Audio& made, const Audio& truth, const std::vector<double>& moments, bool struck) {
    s.length = std::max(s.length, std::abs(made.frames().value - truth.frames().value));
    s.distance.push_back(spectralDistance(made, truth));
    const std::vector<float> x = monoOf(made);
    const std::vector<float> y = monoOf(truth);
    s.level.push_back(10 * std::log10(energy(x, 0, double(x.size())) / double(x.size()) /
                                      energy(y, 0, double(y.size())) * double(y.size())));
    if (!struck) return;
    const auto inTruth = hear::onsets(truth, 0.7);
    const auto isNear = [&](double seconds, const hear::Onset& o) {
        return std::abs(seconds * truth.rate - double(o.at.value)) < 0.025 * truth.rate;
    };
    for (const auto& o : hear::onsets(made, 0.5))
        s.doubled +=
            std::none_of(inTruth.begin(), inTruth.end(),
                         [&](const hear::Onset& t) { return isNear(double(t.at.value) / truth.rate, o); }) &&
            std::none_of(moments.begin(), moments.end(), [&](double m) { return isNear(m, o); });
    std::vector<double> found;
    for (const auto& o : hear::onsets(made, 0.7))
        found.push_back(double(o.at.value));
    for (const auto& o : hear::onsets(truth, 0.5)) {
        const auto at = double(o.at.value);
        // Attacks that stand for a note, and not the first, which begins the file.
        double fromNote = truth.rate;
        for (const double m : moments)
            fromNote = std::min(fromNote, std::abs(m * truth.rate - at));
        const bool note = fromNote < 0.02 * truth.rate;
        if (!note || at < 0.05 * truth.rate) continue;
        ++s.attacks;
        double nearest = 0.03 * truth.rate;
        double there = at;
        for (const double f : found)
            if (std::abs(f - at) < std::abs(nearest)) {
                nearest = f - at;
                there = f;
            }
        s.onset.push_back(std::abs(nearest) / truth.rate * 1000);
        if (fromNote < 0.002 * truth.rate) s.sharp.push_back(s.onset.back());
        s.steep.push_back(steepness(x, there, truth.rate) / steepness(y, at, truth.rate));
        const double ms = truth.rate / 1000.0;
        s.before.push_back(std::abs(10 * std::log10((energy(x, at - 20 * ms, at - 2 * ms) + 1e-6) /
                                                    (energy(y, at - 20 * ms, at - 2 * ms) + 1e-6))));
    }
}

void addVoice(Score& s, const Audio& made, const Audio& truth) {
    const support::VoiceOff off = support::voiceOff(made, truth);
    s.cents.insert(s.cents.end(), off.cents.begin(), off.cents.end());
    s.harmonics.insert(s.harmonics.end(), off.harmonics.begin(), off.harmonics.end());
}

double coherenceError(const Audio& made, const Audio& from) {
    if (made.channels.size() < 2) return 0;
    const auto a = support::coherence(made);
    const auto b = support::coherence(from);
    double sum = 0;
    for (std::size_t i = 0; i < a.size(); ++i)
        sum += std::abs(a[i] - b[i]);
    return sum / double(a.size());
}

Audio cutTo(Audio a, std::int64_t frames) {
    for (auto& x : a.channels)
        x.resize(static_cast<std::size_t>(frames));
    return a;
}

// Stretches by a ratio, transposes by semitones, as a loop or not.
using SteadyStretcher = std::function<Audio(const Audio&, double, double, bool)>;

void printSteady(const std::vector<std::pair<std::string, SteadyStretcher>>& contenders) {
    const std::vector<double> chord = {261.63, 329.63, 392.00, 523.25};
    const Audio steady = support::tones(chord, 1, 6);
    const Audio loop = support::tones({110, 165, 220}, 1, 2);
    Audio beside = support::tones({440}, 1, 4, 2);
    for (std::size_t i = 0; i < beside.channels[1].size(); ++i)
        beside.channels[1][i] = static_cast<float>(0.2 * std::cos(2 * std::numbers::pi * 440 * double(i) / 48000));
    std::vector<double> higher;
    for (const double h : chord)
        higher.push_back(h * std::exp2(3 / 12.0));
    const auto cents = [](const Audio& a, const std::vector<double>& hertz) {
        double worst = 0;
        for (const double h : hertz)
            worst = std::max(worst, std::abs(1200 * std::log2(support::peakNear(a, h) / h)));
        return worst;
    };
    fmt::print("tones, the worst of × 0.85 and × 1.2\n{:<26}{:>8}{:>9}{:>7}{:>14}{:>9}{:>7}{:>7}{:>9}\n", "",
               "off dB", "ripple %", "cents", "transp. off dB", "ripple %", "cents", "seam", "phase °");
    for (const auto& [name, stretcher] : contenders) {
        double off = -200, ripple = 0, tune = 0, offUp = -200, rippleUp = 0, tuneUp = 0, seam = -200, phase = 0;
        for (const double ratio : {0.85, 1.2}) {
            const Audio a = stretcher(steady, ratio, 0, false);
            off = std::max(off, support::offTheTones(a, chord));
            ripple = std::max(ripple, support::ripplePercent(a, chord));
            tune = std::max(tune, cents(a, chord));
            const Audio up = stretcher(steady, ratio, 3, false);
            offUp = std::max(offUp, support::offTheTones(up, higher));
            rippleUp = std::max(rippleUp, support::ripplePercent(up, higher));
            tuneUp = std::max(tuneUp, cents(up, higher));
            const auto length = std::llround(double(loop.frames().value) * ratio);
            seam = std::max(seam, support::seamClickDb(cutTo(stretcher(loop, ratio, 0, true), length)) -
                                      support::seamClickDb(loop));
            phase = std::max(
                phase, std::abs(std::remainder(support::phaseBetween(stretcher(beside, ratio, 0, false), 440) -
                                                   support::phaseBetween(beside, 440),
                                               360.0)));
        }
        fmt::print("{:<26}{:>8.1f}{:>9.2f}{:>7.2f}{:>14.1f}{:>9.2f}{:>7.2f}{:>7.1f}{:>9.2f}\n", "  " + name, off,
                   ripple, tune, offUp, rippleUp, tuneUp, seam, phase);
    }
}

Audio smeared(const Audio& a) {
    Audio out = a;
    const auto n = static_cast<std::size_t>(a.rate / 100);
    for (std::size_t c = 0; c < a.channels.size(); ++c)
        for (std::size_t i = 0; i < a.channels[c].size(); ++i)
            out.channels[c][i] =
                0.5F * (a.channels[c][i] + (i + n < a.channels[c].size() ? a.channels[c][i + n] : 0.0F));
    return out;
}

} // namespace

int main(int argc, char** argv) {
    std::string folder;
    std::string only;
    bool ours = false;
    for (int i = 1; i < argc; ++i) {
        const std::string word = argv[i];
        if (word == "--ours")
            ours = true;
        else if (word == "--kind" && i + 1 < argc)
            only = argv[++i];
        else
            folder = word;
    }
    if (folder.empty()) {
        fmt::print(stderr, "Usage: bench_quality FOLDER [--ours] [--kind KIND]\n");
        return 2;
    }
    const auto truth = nlohmann::json::parse(std::ifstream(folder + "/truth.json"), nullptr, false);
    if (truth.is_discarded()) {
        fmt::print(stderr, "{}/truth.json could not be read; tools/stretch_set.py makes it.\n", folder);
        return 1;
    }
    struct Piece {
        Audio from, to;
        std::vector<Frames> attacks;
        hear::Kind kind;
    };
    using Stretcher = std::function<Audio(const Piece&)>;
    const auto byUs = [](std::optional<stretch::Method> method) {
        return Stretcher([method](const Piece& p) {
            const auto map = metre::TimeMap::straight(p.from.frames(), p.to.frames());
            const stretch::Method m = method ? *method : project::methodFor(p.kind);
            auto made = stretch::render({p.from, p.attacks}, *map, {m, 0, false});
            if (!made) std::exit(1);
            return std::move(*made);
        });
    };
    const auto ratioOf = [](const Piece& p) { return double(p.to.frames().value) / double(p.from.frames().value); };
    std::vector<std::pair<std::string, Stretcher>> stretchers = {
        {"the truth", [](const Piece& p) { return p.to; }},
        {"the truth, 5 ms late",
         [](const Piece& p) {
             Audio a = p.to;
             for (auto& x : a.channels) {
                 std::vector<float> late(static_cast<std::size_t>(a.rate / 200), 0.0F);
                 late.insert(late.end(), x.begin(), x.end());
                 late.resize(static_cast<std::size_t>(p.to.frames().value));
                 x = std::move(late);
             }
             return a;
         }},
        {"the truth, 10 cents off",
         [](const Piece& p) {
             const std::vector<Frames> none;
             const auto map = metre::TimeMap::straight(
                 p.to.frames(), Frames(std::llround(double(p.to.frames().value) * std::exp2(-10 / 1200.0))));
             Audio a = *stretch::render({p.to, none}, *map, {stretch::Method::Tape});
             for (auto& x : a.channels)
                 x.resize(static_cast<std::size_t>(p.to.frames().value));
             return a;
         }},
        {"the truth, smeared", [](const Piece& p) { return smeared(p.to); }},
        {"Struck", byUs(stretch::Method::Struck)},
        {"Held", byUs(stretch::Method::Held)},
        {"Blend", byUs(stretch::Method::Blend)},
        {"Sung", byUs(stretch::Method::Sung)},
        {"by kind", byUs(std::nullopt)},
    };
    if (!ours) {
        stretchers.emplace_back("rubberband, faster", [&](const Piece& p) {
            return reference::rubberband(p.from, ratioOf(p), reference::Engine::Faster);
        });
        stretchers.emplace_back("rubberband, finer", [&](const Piece& p) {
            return reference::rubberband(p.from, ratioOf(p), reference::Engine::Finer);
        });
        stretchers.emplace_back("soundtouch",
                                [&](const Piece& p) { return reference::soundTouch(p.from, ratioOf(p)); });
    }
    const bool sox = !ours && reference::sox(support::tones({440}, 1, 0.5), 1.1).has_value();
    if (sox)
        stretchers.emplace_back("sox, tempo -m",
                                [&](const Piece& p) { return *reference::sox(p.from, ratioOf(p)); });
    std::map<std::string, std::vector<Score>> scores;
    for (const auto& [name, t] : truth.items()) {
        const std::string kind = t["kind"];
        const double ratio = t["ratio"];
        const std::string row = ratio < 0.6 || ratio > 1.7 ? fmt::format("{} × {}", kind, ratio) : kind;
        if (!only.empty() && kind != only) continue;
        const auto from = sound::read(folder + "/" + name + "_from.wav", 0);
        const auto to = sound::read(folder + "/" + name + "_to.wav", 0);
        if (!from || !to) continue;
        Piece piece{from->audio, to->audio, {}, hear::Kind::Struck};
        const auto onsets = hear::onsets(piece.from);
        for (const auto& o : onsets)
            piece.attacks.push_back(o.at);
        piece.kind = hear::listen(piece.from, onsets).kind;
        auto& list = scores[row];
        list.resize(stretchers.size());
        for (std::size_t i = 0; i < stretchers.size(); ++i) {
            const double before = cpuSeconds();
            const Audio made = stretchers[i].second(piece);
            list[i].cpu += cpuSeconds() - before;
            list[i].seconds += piece.from.length().value;
            add(list[i], made, piece.to, t["to_s"], kind != "pad" && kind != "voice" && kind != "sung");
            list[i].coherence.push_back(coherenceError(made, piece.from));
            if (kind == "voice" || kind == "sung") addVoice(list[i], made, piece.to);
        }
    }
    for (const auto& [kind, list] : scores) {
        fmt::print("{}\n{:<26}{:>8}{:>9}{:>8}{:>8}{:>9}{:>8}{:>8}{:>8}{:>8}{:>10}{:>10}{:>10}\n", kind, "",
                   "length", "onset", "95 %", "sharp", "doubled", "steep", "before", "90 %", "level", "coherence",
                   "distance", "× speed");
        for (std::size_t i = 0; i < list.size(); ++i) {
            const Score& s = list[i];
            fmt::print(
                "{:<26}{:>8}{:>9.2f}{:>8.2f}{:>8.2f}{:>8.1f}%{:>8.2f}{:>8.1f}{:>8.1f}{:>8.2f}{:>10.3f}{:>10.3f}"
                "{:>10.0f}\n",
                "  " + stretchers[i].first, s.length, quantile(s.onset, 0.5), quantile(s.onset, 0.95),
                quantile(s.sharp, 0.95), 100.0 * s.doubled / std::max(1, s.attacks), mean(s.steep),
                quantile(s.before, 0.5), quantile(s.before, 0.9), mean(s.level), mean(s.coherence),
                mean(s.distance), s.seconds / s.cpu);
        }
        if (!list.front().cents.empty()) {
            fmt::print("{:<26}{:>8}{:>9}{:>12}{:>8}{:>8}\n", "  pitch and harmonics", "cents", "90 %", "harm. dB",
                       "10 %", "90 %");
            for (std::size_t i = 0; i < list.size(); ++i)
                fmt::print("{:<26}{:>8.2f}{:>9.2f}{:>12.2f}{:>8.2f}{:>8.2f}\n", "  " + stretchers[i].first,
                           quantile(list[i].cents, 0.5), quantile(list[i].cents, 0.9),
                           quantile(list[i].harmonics, 0.5), quantile(list[i].harmonics, 0.1),
                           quantile(list[i].harmonics, 0.9));
        }
        const auto at = [&](const char* name) {
            return static_cast<std::size_t>(
                std::find_if(stretchers.begin(), stretchers.end(), [&](const auto& x) { return x.first == name; }) -
                stretchers.begin());
        };
        std::size_t best = at("Struck");
        for (const char* name : {"Held", "Blend", "Sung"})
            if (mean(list[at(name)].distance) < mean(list[best].distance)) best = at(name);
        const std::vector<double>& chosen = list[at("by kind")].distance;
        std::vector<double> loses;
        for (std::size_t i = 0; i < chosen.size(); ++i)
            loses.push_back(chosen[i] - list[best].distance[i]);
        double spread = 0;
        for (const double d : loses)
            spread += (d - mean(loses)) * (d - mean(loses));
        const double n = double(loses.size());
        fmt::print("  nearest: {}; the choice by kind loses {:.3f} ± {:.3f}\n", stretchers[best].first, mean(loses),
                   n > 1 ? std::sqrt(spread / (n - 1) / n) : 0.0);
    }
    const auto ourSteady = [](stretch::Method m) {
        return SteadyStretcher([m](const Audio& a, double ratio, double semitones, bool loop) {
            const std::vector<Frames> none;
            const auto map =
                metre::TimeMap::straight(a.frames(), Frames(std::llround(double(a.frames().value) * ratio)));
            return *stretch::render({a, none}, *map, {m, semitones, loop});
        });
    };
    std::vector<std::pair<std::string, SteadyStretcher>> steady = {{"Struck", ourSteady(stretch::Method::Struck)},
                                                                   {"Held", ourSteady(stretch::Method::Held)},
                                                                   {"Blend", ourSteady(stretch::Method::Blend)},
                                                                   {"Sung", ourSteady(stretch::Method::Sung)}};
    if (!ours) {
        for (const auto& [name, engine] : {std::pair("rubberband, faster", reference::Engine::Faster),
                                           std::pair("rubberband, finer", reference::Engine::Finer)})
            steady.emplace_back(name, [engine = engine](const Audio& a, double ratio, double semitones, bool) {
                return reference::rubberband(a, ratio, engine, semitones);
            });
        steady.emplace_back("soundtouch", [](const Audio& a, double ratio, double semitones, bool) {
            return reference::soundTouch(a, ratio, semitones);
        });
    }
    if (sox)
        steady.emplace_back("sox, tempo -m, untransposed",
                            [](const Audio& a, double ratio, double, bool) { return *reference::sox(a, ratio); });
    printSteady(steady);
    return 0;
}
