#include "hear/sureness.h"

#include "hear/kin.h"
#include "hear/net.h"
#include "hear/sureness_weights.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace hear {

namespace {

// How the gaps between attacks go: what an echo, a bouncing ball or speech does is not what a beat does.
struct Gaps {
    double regular = 0; // share of neighbouring gaps that are as one to one, two, three or four
    double shrink = 0;  // share that grow shorter by a little
    double spread = 0;  // of their logarithms
    double fall = 0;    // share of attacks weaker than the one before
};

Gaps gapsOf(const std::vector<Event>& events) {
    std::vector<double> gaps;
    Gaps out;
    double falls = 0;
    for (std::size_t i = 1; i < events.size(); ++i) {
        gaps.push_back(std::max(0.02, events[i].at - events[i - 1].at));
        falls += events[i].strength < 0.97 * events[i - 1].strength;
    }
    if (gaps.size() < 2) return out;
    out.fall = falls / double(gaps.size());
    double mean = 0;
    double square = 0;
    for (const double g : gaps) {
        mean += std::log(g) / double(gaps.size());
        square += std::log(g) * std::log(g) / double(gaps.size());
    }
    out.spread = std::sqrt(std::max(0.0, square - mean * mean));
    for (std::size_t i = 1; i < gaps.size(); ++i) {
        const double ratio = gaps[i] / gaps[i - 1];
        const double many = std::max(ratio, 1 / ratio);
        out.regular += many < 4.5 && std::abs(many - std::round(many)) < 0.06 * std::round(many);
        out.shrink += ratio > 0.5 && ratio < 0.95;
    }
    out.regular /= double(gaps.size() - 1);
    out.shrink /= double(gaps.size() - 1);
    return out;
}

} // namespace

namespace {

// Figures, one after the other.
struct Figures {
    std::array<float, surenessFigures> all{};
    std::size_t count = 0;
    void put(double x) { all[count++] = static_cast<float>(x); }
};

// How much the pulses agree, and how long the recording is in seconds and in beats.
void putPulses(Figures& f, const Span& span, const std::vector<Pulse>& pulses) {
    const Pulse& first = pulses.front();
    double agreeing = 0;
    double entropy = 0;
    for (const Pulse& p : pulses) {
        if (isKin(p.bpm, first.bpm, 1)) agreeing += p.weight;
        entropy -= p.weight * std::log(p.weight + 1e-12);
    }
    f.put(std::log((agreeing + 1e-3) / (1 - agreeing + 1e-3)));
    f.put(std::log((first.weight + 1e-3) / (1 - first.weight + 1e-3)));
    f.put(entropy);

    const double seconds = std::max(0.05, span.end - span.start);
    f.put(std::log2(seconds));
    f.put(std::log2(std::max(0.05, span.file)));
    f.put(seconds / std::max(0.05, span.file));
    f.put(std::log2(seconds / (60 / first.bpm.value)));
}

// How many events there are, how alike in strength and distance, and how they lie on a straight grid.
void putEvents(Figures& f, const std::vector<Event>& events, const Span& span, Bpm bpm) {
    double attacks = 0;
    double sum = 1e-9;
    double squares = 1e-9;
    for (const Event& e : events) {
        attacks += e.attack;
        sum += e.strength;
        squares += e.strength * e.strength;
    }
    f.put(std::log2(1 + attacks));
    f.put(std::log2(1 + double(events.size())));
    f.put(attacks / std::max(0.05, span.end - span.start));
    f.put(std::log2(sum * sum / squares));
    f.put(events.front().strength / sum);
    const Gaps gaps = gapsOf(events);
    f.put(gaps.regular);
    f.put(gaps.shrink);
    f.put(gaps.spread);
    f.put(gaps.fall);

    const Grid grid = straightGrid(events, span, bpm);
    f.put(grid.agreement);
    f.put(grid.landed);
    f.put(std::log(1e-4 + grid.spread));
    f.put(std::log(1e-5 + grid.periodError / grid.period));
}

// The level in fifths of what sounds, over the loudest; and how much it wavers from hop to hop.
void putLevels(Figures& f, const Strength& s, const Span& span) {
    const double seconds = std::max(0.05, span.end - span.start);
    std::array<double, 5> fifths{};
    double greatest = 1e-9;
    double mean = 0;
    double rough = 0;
    int hops = 0;
    for (std::size_t h = 1; h < s.size(); ++h) {
        const double place = (s.seconds(h) - span.start) / seconds * 5;
        if (place < 0 || place >= 5) continue;
        fifths[static_cast<std::size_t>(place)] += double(s.level[h]);
        mean += double(s.level[h]);
        rough += std::abs(double(s.level[h]) - double(s.level[h - 1]));
        ++hops;
    }
    for (const double fifth : fifths)
        greatest = std::max(greatest, fifth);
    for (const double fifth : fifths)
        f.put(fifth / greatest);
    f.put(rough / std::max(1e-9, mean));
    f.put(hops > 0 ? mean / hops : 0);

    double peak = 1e-9;
    double flux = 0;
    for (const float x : s.flux) {
        peak = std::max(peak, double(x));
        flux += double(x);
    }
    f.put(std::log(peak));
    f.put(std::log(peak * double(s.size()) / (flux + 1e-9)));
}

// How much begins, changes and turns once it sounds; and the strongest of what does.
void putLater(Figures& f, const Strength& s, const std::vector<Event>& events, const Span& span) {
    const Later most = laterOf(s, span);
    f.put(std::log(0.01 + most.rise));
    f.put(std::log(0.01 + most.change));
    f.put(std::log(0.01 + most.turn));
    double strongest = 0;
    for (const Event& e : events)
        if (e.at > span.start + 0.15) strongest = std::max(strongest, e.attack ? e.strength : 6 * e.strength);
    f.put(std::min(1.0, strongest));
}

} // namespace

std::array<float, surenessFigures> surenessFiguresOf(const Strength& s, const Repetition& again,
                                                     const Colour& colour, const std::vector<Event>& events,
                                                     const Span& span, const std::vector<Pulse>& pulses) {
    Figures f;
    const Pulse& first = pulses.front();
    std::copy(first.features.begin(), first.features.end(), f.all.begin());
    f.count = pulseFeatures;
    putPulses(f, span, pulses);
    putEvents(f, events, span, first.bpm);
    // What is alike at lags that mean nothing.
    const double period = 60 / first.bpm.value;
    f.put((again.after(0.71 * period) + again.after(1.37 * period) + again.after(2.63 * period)) / 3);
    for (const double x : {colour.low, colour.high, colour.pitched, colour.attack, colour.sustain,
                           colour.lines / 10, colour.lowest / 30, colour.moving, colour.tonal})
        f.put(x);
    putLevels(f, s, span);
    putLater(f, s, events, span);
    assert(f.count == f.all.size());
    return f.all;
}

double surenessOf(const std::array<float, surenessFigures>& figures) {
    std::array<double, surenessFigures> x{};
    for (std::size_t i = 0; i < x.size(); ++i)
        x[i] = std::clamp((double(figures[i]) - double(surenessMiddle[i])) / double(surenessScale[i]), -4.0, 4.0);
    const double score =
        surenessBias + netScore(x, surenessHiddenBias, surenessHiddenWeights, surenessOut, surenessDirect);
    return 1 / (1 + std::exp(-score));
}

} // namespace hear
