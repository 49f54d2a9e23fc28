#include "support/audio.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <complex>
#include <numbers>
#include <numeric>
#include <random>

namespace support {

namespace {
std::int64_t count(double seconds, int rate) {
    return std::llround(seconds * rate);
}
} // namespace

Audio sine(double hertz, double seconds, int rate, int channels, double level) {
    Audio a(rate, channels, sound::Frames(count(seconds, rate)));
    for (auto& samples : a.channels)
        for (std::size_t i = 0; i < samples.size(); ++i)
            samples[i] = static_cast<float>(level * std::sin(2 * std::numbers::pi * hertz * double(i) / rate));
    return a;
}

Audio silence(double seconds, int rate, int channels) {
    return {rate, channels, sound::Frames(count(seconds, rate))};
}

// Flattened: the tests, which are not optimised, bring the standard library's generators along as well, and of two
// that have the same name the linker takes either.
[[gnu::flatten]] Audio noise(double seconds, int rate, int channels, unsigned seed, double level) {
    Audio a(rate, channels, sound::Frames(count(seconds, rate)));
    std::mt19937 random(seed);
    std::uniform_real_distribution<float> spread(-1, 1);
    for (auto& samples : a.channels)
        for (float& s : samples)
            s = static_cast<float>(level) * spread(random);
    return a;
}

[[gnu::flatten]] Audio strokes(const std::vector<std::int64_t>& at, double seconds, int rate, int channels) {
    Audio a(rate, channels, sound::Frames(count(seconds, rate)));
    std::mt19937 random(7);
    std::uniform_real_distribution<double> spread(-1, 1);
    std::vector<double> hiss; // all strokes fall alike
    std::vector<double> tone;
    for (int i = 0; i < rate / 5; ++i) {
        const double t = double(i) / rate;
        hiss.push_back(std::exp(-t / 0.01));
        tone.push_back(0.4 * std::cos(2 * std::numbers::pi * 220 * t) * std::exp(-t / 0.05));
    }
    for (const std::int64_t start : at)
        for (std::int64_t i = 0; i < rate / 5 && start + i < a.frames().value; ++i) {
            const auto k = static_cast<std::size_t>(i);
            const double s = 0.5 * spread(random) * hiss[k] + tone[k];
            for (auto& samples : a.channels)
                samples[static_cast<std::size_t>(start + i)] += static_cast<float>(s);
        }
    return a;
}

void pluck(Audio& audio, double at, double hertz, double level, double decay) {
    const auto first = count(at, audio.rate);
    const std::int64_t length = std::min(audio.frames().value - first, count(5 / decay, audio.rate));
    // Each partial turns and falls by the same factor from sample to sample; all of them at a time.
    constexpr std::size_t partials = 8;
    std::array<double, partials> real{};
    std::array<double, partials> imaginary{};
    std::array<double, partials> stepReal{};
    std::array<double, partials> stepImaginary{};
    for (std::size_t k = 0; k < partials; ++k) {
        const double n = double(k) + 1;
        const std::complex<double> step =
            std::polar(std::exp(-decay * std::sqrt(n) / audio.rate), 2 * std::numbers::pi * hertz * n / audio.rate);
        stepReal[k] = step.real();
        stepImaginary[k] = step.imag();
        real[k] = level / n;
    }
    for (std::int64_t i = 0; i < length; ++i) {
        const double rise = std::min(1.0, double(i) / (0.002 * audio.rate));
        for (auto& samples : audio.channels) {
            float& s = samples[static_cast<std::size_t>(first + i)];
            for (std::size_t k = 0; k < partials; ++k)
                s += static_cast<float>(imaginary[k] * rise);
        }
        for (std::size_t k = 0; k < partials; ++k) {
            const double turned = real[k] * stepReal[k] - imaginary[k] * stepImaginary[k];
            imaginary[k] = real[k] * stepImaginary[k] + imaginary[k] * stepReal[k];
            real[k] = turned;
        }
    }
}

Fall::Fall(double tone, double toneDecay, double hissDecay, int rate) {
    for (int i = 0; i < rate / 3; ++i) {
        const double t = double(i) / rate;
        tone_.push_back(0.7 * std::sin(2 * std::numbers::pi * tone * t) * std::exp(-t * toneDecay));
        hiss_.push_back(std::exp(-t * hissDecay));
    }
}

std::vector<double> steadyBeats(double bpm, int beats, double first) {
    std::vector<double> at;
    for (int b = 0; b < beats; ++b)
        at.push_back(first + b * 60 / bpm);
    return at;
}

[[gnu::flatten]] Audio drumLoop(const std::vector<double>& beatSeconds, double seconds, int beatsInBar, int rate) {
    Audio a(rate, 1, sound::Frames(count(seconds, rate)));
    float* samples = a.channels[0].data();
    std::mt19937 random(11);
    std::uniform_real_distribution<double> spread(-1, 1);
    const Fall kick(60, 14, 200, rate);
    const Fall snare(190, 30, 20, rate);
    const Fall hat(0, 1, 70, rate);
    const auto stroke = [&](double at, const Fall& fall, double hiss) {
        const auto first = count(at, rate);
        double before = 0;
        for (std::size_t i = 0; i < fall.size() && first + std::int64_t(i) < a.frames().value; ++i) {
            const double white = spread(random);
            const double s = fall.tone(i) + hiss * (white - before) * fall.hiss(i);
            before = white;
            if (first + std::int64_t(i) >= 0) samples[first + std::int64_t(i)] += static_cast<float>(s);
        }
    };
    for (std::size_t b = 0; b < beatSeconds.size(); ++b) {
        const int inBar = static_cast<int>(b) % beatsInBar;
        const bool low = inBar == 0 || (beatsInBar == 4 && inBar == 2);
        if (low)
            stroke(beatSeconds[b], kick, 0.05);
        else
            stroke(beatSeconds[b], snare, 0.3);
        stroke(beatSeconds[b], hat, 0.12);
        const double next = b + 1 < beatSeconds.size() ? beatSeconds[b + 1]
                            : b > 0                    ? 2 * beatSeconds[b] - beatSeconds[b - 1]
                                                       : seconds;
        stroke((beatSeconds[b] + next) / 2, hat, 0.08);
    }
    float peak = 0;
    for (const float s : a.channels[0])
        peak = std::max(peak, std::abs(s));
    for (float& s : a.channels[0])
        s *= 0.7F / std::max(peak, 1e-6F);
    return a;
}

Audio accented(const std::vector<int>& groups, double eighth) {
    const int inBar = std::accumulate(groups.begin(), groups.end(), 0);
    Audio a = silence(4 * inBar * eighth, 44100);
    for (int bar = 0; bar < 4; ++bar) {
        int at = bar * inBar;
        for (std::size_t g = 0; g < groups.size(); ++g) {
            pluck(a, at * eighth, g == 0 ? 65.4 : 196, g == 0 ? 0.4 : 0.25, 8);
            for (int i = 0; i < groups[g]; ++i)
                pluck(a, (at + i) * eighth, 1047, i == 0 ? 0.1 : 0.06, 40);
            at += groups[g];
        }
    }
    return a;
}

double frequencyOf(const Audio& audio, double nearHertz) {
    const auto& x = audio.channels[0];
    const auto n = static_cast<std::int64_t>(x.size());
    const std::int64_t window = n / 3;
    const std::int64_t hop = n / 3;
    const auto phase = [&](std::int64_t from, double hertz) {
        std::complex<double> sum = 0;
        const std::complex<double> turn = std::polar(1.0, -2 * std::numbers::pi * hertz / audio.rate);
        std::complex<double> phasor = 1;
        for (std::int64_t i = 0; i < window; ++i) {
            const double w = 0.5 - 0.5 * std::cos(2 * std::numbers::pi * (double(i) + 0.5) / double(window));
            sum += w * double(x[static_cast<std::size_t>(from + i)]) * phasor;
            phasor *= turn;
        }
        return sum;
    };
    // First a search on a grid of half a window's bin, within a sixth of a semitone, then the phase between two
    // windows.
    double best = nearHertz;
    double bestLevel = -1;
    const double bin = double(audio.rate) / double(window);
    for (double f = nearHertz * 0.99; f <= nearHertz * 1.01; f += bin / 2)
        if (const double level = std::abs(phase(n / 6, f)); level > bestLevel) {
            bestLevel = level;
            best = f;
        }
    const double advance = std::arg(phase(n / 6 + hop, best) / phase(n / 6, best));
    double turns = best * double(hop) / audio.rate;
    turns = std::round(turns - advance / (2 * std::numbers::pi)) + advance / (2 * std::numbers::pi);
    return turns * audio.rate / double(hop);
}

double cents(double hertz, double reference) {
    return 1200 * std::log2(hertz / reference);
}

std::int64_t lagOf(const Audio& a, std::int64_t atA, const Audio& b, std::int64_t atB, std::int64_t length,
                   std::int64_t reach) {
    const auto sample = [](const Audio& audio, std::int64_t i) {
        return i >= 0 && i < audio.frames().value ? double(audio.channels[0][static_cast<std::size_t>(i)]) : 0.0;
    };
    std::int64_t best = 0;
    double bestScore = -1e300;
    for (std::int64_t lag = -reach; lag <= reach; ++lag) {
        double ab = 0;
        double bb = 1e-12;
        for (std::int64_t i = 0; i < length; ++i) {
            const double y = sample(b, atB + lag + i);
            ab += sample(a, atA + i) * y;
            bb += y * y;
        }
        if (const double score = ab / std::sqrt(bb); score > bestScore) {
            bestScore = score;
            best = lag;
        }
    }
    return best;
}

double energy(const Audio& audio, std::int64_t from, std::int64_t to) {
    double sum = 0;
    for (const auto& samples : audio.channels)
        for (std::int64_t i = std::max<std::int64_t>(0, from); i < std::min<std::int64_t>(to, audio.frames().value);
             ++i)
            sum += double(samples[static_cast<std::size_t>(i)]) * samples[static_cast<std::size_t>(i)];
    return sum;
}

double rmsDb(const Audio& audio) {
    const double mean =
        energy(audio, 0, audio.frames().value) / double(audio.frames().value) / double(audio.channels.size());
    return 10 * std::log10(mean + 1e-20);
}

} // namespace support
