#include "hear/length.h"

#include <algorithm>
#include <cmath>

namespace hear {

std::vector<LengthFit> lengthFits(double seconds, const std::vector<Pulse>& pulses) {
    std::vector<LengthFit> fits;
    if (seconds < 0.1) return fits;
    double sum = 0;
    for (int beats = 1; beats <= 4096; ++beats) {
        const Bpm bpm = tempoOf(beats, seconds);
        if (bpm.value < 40) continue;
        if (bpm.value > 240) break;
        double habit = 0;
        if (beats == 4 || beats == 8 || beats == 16 || beats == 32)
            habit = 1;
        else if (beats % 4 == 0)
            habit = beats % 8 == 0 ? 0.35 : 0.2;
        else if (beats % 3 == 0)
            habit = beats % 6 == 0 ? 0.2 : 0.08;
        else if (beats % 2 == 0)
            habit = 0.06;
        else if (beats == 1)
            habit = 0.02;
        else
            continue;
        const double octave = std::log2(bpm.value / 112);
        double weight = habit * std::exp(-octave * octave / (2 * 0.45 * 0.45));
        if (!pulses.empty()) {
            double heard = 1e-4;
            for (const Pulse& p : pulses)
                if (std::abs(p.bpm.value / bpm.value - 1) < 0.015) heard = std::max(heard, p.weight);
            weight *= heard;
        }
        fits.push_back({beats, bpm, weight});
        sum += weight;
    }
    for (LengthFit& f : fits)
        f.weight /= sum;
    std::sort(fits.begin(), fits.end(), [](const LengthFit& a, const LengthFit& b) { return a.weight > b.weight; });
    return fits;
}

} // namespace hear
