#include "project/leaning.h"

#include "metre/tempo.h"
#include "project/settle.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <fmt/format.h>

namespace project {

namespace {

// How far a tempo lies outside an octave, as what it weighs: a tempo a third of an octave outside has little more
// than half the weight, one that is a whole octave outside a hundredth.
double within(Bpm bpm, Bpm from) {
    const double place = std::log2(bpm.value / from.value);
    const double outside = place < 0 ? -place : std::max(0.0, place - 1);
    return std::exp(-0.5 * outside * outside / (0.33 * 0.33));
}

// What neighbours add: a tempo near most of several weighs up to nine times as much.
double beside(Bpm bpm, const std::vector<Bpm>& neighbours) {
    double near = 0;
    for (const Bpm n : neighbours) {
        const double octaves = std::log2(bpm.value / n.value);
        near += std::exp(-0.5 * octaves * octaves / (0.2 * 0.2));
    }
    return std::exp(2.2 * near / (0.5 + double(neighbours.size())));
}

const char* wordOf(double factor) {
    if (factor == 2) return "counted twice as fast";
    if (factor == 0.5) return "counted half as fast";
    return "counted in threes";
}

void scale(hear::Reading& r, double factor) {
    r.bpm = Bpm(r.bpm->value * factor);
    if (r.beats) r.beats = Beats(r.beats->value * factor);
    for (metre::Pin& pin : r.pins)
        pin.beat = Beats(pin.beat.value * factor);
}

// What a heard tempo is taken times: by how likely each multiple is for whoever leans.
struct Taken {
    double factor = 1;
    double sureness = 0;
};

Taken factorFor(const hear::Reading& heard, const Leaning& leaning) {
    const auto weigh = [&](Bpm bpm, double weight) {
        const double usual = std::max(0.02, within(bpm, Leaning::usual));
        return weight * std::max(0.02, within(bpm, leaning.from)) / usual * beside(bpm, leaning.neighbours);
    };
    // Hearing is not so sure which of half and double is meant that the others were worth nothing.
    constexpr double leastWeight = 0.02;
    constexpr double leastOfThrees = 0.05;
    double factor = 1;
    double most = 0;
    double sum = 0;
    double kin = 0;
    for (const double k : {1.0, 2.0, 0.5, 3.0, 1.0 / 3, 1.5, 2.0 / 3}) {
        const Bpm bpm(heard.bpm->value * k);
        if (!metre::isTempo(bpm)) continue;
        double weight = 0;
        for (const hear::Candidate& c : heard.others)
            if (std::abs(c.bpm.value / bpm.value - 1) < 0.02) weight += c.weight;
        const bool octave = k == 1 || k == 2 || k == 0.5;
        if (!octave && weight < leastOfThrees) continue;
        kin += weight;
        const double score = weigh(bpm, std::max(weight, octave ? leastWeight : 0.0));
        sum += score;
        if (score > most) {
            most = score;
            factor = k;
        }
    }
    return {factor, std::min(1.0, kin) * most / sum};
}

} // namespace

std::vector<Bpm> neighboursOf(const Project& p, const std::filesystem::path& file) {
    std::vector<Bpm> list;
    if (p.sources.empty()) return list;
    list.push_back(p.tempo.tempoAt(Beats(0)));
    for (const SourcePtr& s : p.sources)
        if (s->beats && s->file != file && s->file.parent_path() == file.parent_path() &&
            !hear::isMaybe(s->readings, s->chosen))
            list.push_back(s->beats->meanTempo());
    return list;
}

bool lean(Source& source, const Leaning& leaning) {
    const hear::Reading* found = readingBy(source, hear::Witness::Heard);
    if (found == nullptr || !found->bpm || found->others.empty() || source.window != hear::Window{}) return false;
    hear::Reading heard = *found;
    const auto [factor, sureness] = factorFor(heard, leaning);
    if (factor == 1) return false;
    scale(heard, factor);
    // Dotted quarters become quarters: two of those in a bar of 6/8 are three of these, six of them counted.
    if (factor == 1.5 && heard.metre == metre::Metre{6, 8} && source.metre() == metre::Metre{2, 4}) {
        source.beatsInBar = 6;
        source.beatUnit = 8;
    }
    heard.sureness = sureness;
    // The candidate that was taken comes first, as exact as the tempo is.
    const auto taken = std::find_if(heard.others.begin(), heard.others.end(), [&](const hear::Candidate& c) {
        return std::abs(c.bpm.value / heard.bpm->value - 1) < 0.02;
    });
    if (taken != heard.others.end()) {
        std::rotate(heard.others.begin(), taken, taken + 1);
        heard.others.front().bpm = *heard.bpm;
    }
    const auto rest = heard.evidence.find(" · ");
    heard.evidence = fmt::format("confidence {:.2f} · {}{}", heard.sureness, wordOf(factor),
                                 rest == std::string::npos ? std::string() : heard.evidence.substr(rest));
    putReading(source, std::move(heard));
    if (const hear::Reading* length = readingBy(source, hear::Witness::Length); length != nullptr && length->bpm) {
        hear::Reading scaled = *length;
        scale(scaled, factor);
        // Halves of beats do not fill a length.
        if (!scaled.beats || scaled.beats->value == std::round(scaled.beats->value)) putReading(source, scaled);
    }
    const bool own = source.chosen == hear::Witness::Heard || source.chosen == hear::Witness::Length;
    if (own && hear::ranked(source.readings).best) settle(source);
    return true;
}

} // namespace project
