#include "support/free_playing.h"

#include "support/audio.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <random>

namespace support {

namespace {

constexpr int rate = 44100;

// The tempo at each beat, as a factor.
std::vector<double> tempos(const FreePlaying& how, int beats, std::mt19937& random) {
    std::vector<double> list(static_cast<std::size_t>(beats) + 1, 1.0);
    std::normal_distribution<double> step(0, 0.012);
    double walk = 0;
    for (std::size_t b = 0; b < list.size(); ++b) {
        const double share = double(b) / beats;
        switch (how.drift) {
        case FreePlaying::Drift::Walk:
            walk = std::clamp(walk * 0.97 + step(random), -0.06, 0.06);
            list[b] = 1 + walk;
            break;
        case FreePlaying::Drift::Ramp:
            list[b] = 0.94 + 0.12 * share;
            break;
        case FreePlaying::Drift::Ritardando:
            list[b] = share < 0.75 ? 1 : 1 - (share - 0.75) / 0.25 / 3;
            break;
        }
    }
    return list;
}

// Something like speech: noise in bands that open and close, in no time at all.
void speak(sound::Audio& audio, double seconds, std::mt19937& random) {
    std::uniform_real_distribution<double> any(-1, 1);
    std::uniform_real_distribution<double> share(0, 1);
    double at = 0.1;
    while (at < seconds - 0.35) {
        const double length = 0.12 + 0.2 * share(random);
        const double pitch = 110 + 40 * share(random);
        const double formant = 500 + 1500 * share(random);
        const auto first = static_cast<std::size_t>(at * rate);
        const auto n = static_cast<std::size_t>(length * rate);
        double phase = 0;
        for (std::size_t i = 0; i < n && first + i < audio.channels[0].size(); ++i) {
            const double t = double(i) / double(n);
            const double open = std::sin(std::numbers::pi * t);
            phase += pitch * (1 + 0.1 * t) / rate;
            const double buzz = std::exp(-8 * (phase - std::floor(phase)));
            const double voice = buzz * std::sin(2 * std::numbers::pi * formant * double(i) / rate);
            audio.channels[0][first + i] += static_cast<float>(0.25 * open * open * (voice + 0.05 * any(random)));
        }
        at += length + 0.03 + 0.2 * share(random) * share(random);
    }
}

// A tone that dies away, worked out once for all strokes on it.
class Dying {
  public:
    Dying(double hertz, double decay) {
        for (int i = 0; double(i) < rate * 0.4; ++i) {
            const double t = double(i) / rate;
            const double fall = std::exp(-t * decay);
            if (fall < 1e-3) break;
            falls_.push_back(fall);
            tones_.push_back(std::sin(2 * std::numbers::pi * hertz * t));
        }
    }
    std::size_t size() const { return falls_.size(); }
    double fall(std::size_t i) const { return falls_[i]; }
    double tone(std::size_t i) const { return tones_[i]; }

  private:
    std::vector<double> falls_;
    std::vector<double> tones_;
};

// Flattened, as audio.cpp says of its own.
[[gnu::flatten]] void stroke(sound::Audio& audio, double at, const Dying& dying, double level, double noise,
                             std::mt19937& random) {
    std::uniform_real_distribution<double> any(-1, 1);
    const auto first = static_cast<std::size_t>(std::max(0.0, at * rate));
    for (std::size_t i = 0; first + i < audio.channels[0].size() && i < dying.size(); ++i)
        audio.channels[0][first + i] +=
            static_cast<float>(level * dying.fall(i) * ((1 - noise) * dying.tone(i) + noise * any(random)));
}

} // namespace

FreePiece played(const FreePlaying& how) {
    std::mt19937 random(how.seed);
    const int beats = how.bars * how.beatsInBar;
    const std::vector<double> tempo = tempos(how, beats, random);
    const double before = how.before == FreePlaying::Before::Nothing ? 0.05 : 2.3;
    FreePiece piece;
    piece.beatsInBar = how.beatsInBar;
    piece.bpm = how.bpm;
    double at = before;
    for (int b = 0; b <= beats; ++b) {
        piece.beats.push_back(at);
        at += 60 / (how.bpm * tempo[static_cast<std::size_t>(b)]);
    }
    const double end = piece.beats.back();
    piece.beats.pop_back();
    piece.audio = silence(at + 1, rate);
    if (how.before == FreePlaying::Before::Word) speak(piece.audio, before - 0.2, random);
    std::uniform_real_distribution<double> own(-0.001, 0.001);
    std::uniform_real_distribution<double> share(0, 1);
    const double chords[4][3] = {
        {146.8, 220, 349.2}, {116.5, 233.1, 293.7}, {130.8, 196, 329.6}, {110, 220, 277.2}};
    const Dying low(60, 14);
    const Dying bright(190, 20);
    const Dying hiss(8000, 60);
    for (int b = 0; b < beats; ++b) {
        const double here = piece.beats[static_cast<std::size_t>(b)];
        const double next = b + 1 < beats ? piece.beats[static_cast<std::size_t>(b) + 1] : end;
        const int inBar = b % how.beatsInBar;
        const auto& chord = chords[(b / how.beatsInBar) % 4];
        for (int part = 0; part < how.parts; ++part) {
            double place = double(part) / how.parts;
            if (how.parts == 2 && part == 1) place = how.swing;
            const double when = here + place * (next - here) + own(random);
            if (part > 0 && share(random) < 0.3) continue; // not every one is played
            if (how.drums) {
                if (part == 0 && (inBar == 0 || (how.beatsInBar == 4 && inBar == 2)))
                    stroke(piece.audio, when, low, 0.6, 0.1, random);
                else if (part == 0)
                    stroke(piece.audio, when, bright, 0.45, 0.7, random);
                stroke(piece.audio, when, hiss, 0.12, 1, random);
            } else if (part == 0) {
                pluck(piece.audio, when, chord[0] / 2, inBar == 0 ? 0.25 : 0.16, 3);
                for (const double hertz : chord)
                    pluck(piece.audio, when, hertz, inBar == 0 ? 0.1 : 0.06, 4);
            } else {
                pluck(piece.audio, when, chord[static_cast<std::size_t>((b + part) % 3)] * 2, 0.12, 6);
            }
        }
    }
    return piece;
}

std::vector<FreePiece> freePieces() {
    std::vector<FreePiece> all;
    unsigned seed = 11;
    const auto add = [&](const std::string& name, FreePlaying how) {
        how.seed = seed++;
        FreePiece piece = played(how);
        piece.name = name;
        all.push_back(std::move(piece));
    };
    using Drift = FreePlaying::Drift;
    using Before = FreePlaying::Before;
    for (const bool drums : {true, false}) {
        const std::string kind = drums ? "drums" : "plucked";
        add("walk, " + kind, {Drift::Walk, Before::Nothing, 97, 20, 4, 2, 0.5, drums, 0});
        add("walk after silence, " + kind, {Drift::Walk, Before::Silence, 112, 20, 4, 2, 0.5, drums, 0});
        add("ramp, " + kind, {Drift::Ramp, Before::Nothing, 90, 20, 4, 2, 0.5, drums, 0});
        add("ritardando, " + kind, {Drift::Ritardando, Before::Nothing, 104, 20, 4, 2, 0.5, drums, 0});
        add("swing, " + kind, {Drift::Walk, Before::Nothing, 120, 24, 4, 2, 0.64, drums, 0});
        add("three, " + kind, {Drift::Walk, Before::Nothing, 108, 24, 3, 2, 0.5, drums, 0});
        add("six eighths, " + kind, {Drift::Walk, Before::Nothing, 70, 24, 2, 3, 0.5, drums, 0});
        add("walk after a word, " + kind, {Drift::Walk, Before::Word, 100, 20, 4, 2, 0.5, drums, 0});
    }
    return all;
}

} // namespace support
