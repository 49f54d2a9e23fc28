#include "support/made_songs.h"

#include "support/audio.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <numbers>
#include <random>

namespace support {

namespace {

using sound::Audio;

// One letter a quarter of a beat: 'k' low, 's' bright, 'h' a hiss alone; each with a hiss where hats play.
struct Pattern {
    const char* name;
    int beats;
    const char* low;
    const char* bright;
    int hats; // of a beat: how many
    double fastest;
};
constexpr std::array<Pattern, 9> patterns = {{
    {"rock", 4, "x.......x.......", "....x.......x...", 2, 160},
    {"four on the floor", 4, "x...x...x...x...", "....x.......x...", 2, 140},
    {"broken", 4, "x.....x...x.....", "....x..x.x..x..x", 2, 150},
    {"late kick", 4, "x......x..x.....", "....x.......x...", 4, 105},
    {"half time", 4, "x.........x.....", "........x.......", 2, 160},
    {"one drop", 4, "........x.......", "........x.......", 2, 110},
    {"waltz", 3, "x...........", "....x...x...", 1, 170},
    {"slow waltz", 3, "x.......x...", "....x.......", 2, 120},
    {"three with ghosts", 3, "x.......x.x.", "....x..x....", 2, 130},
}};

class Maker {
  public:
    Maker(unsigned seed, int rate)
        : random_(seed), rate_(rate), lowFall_(58, 14, 200, rate), brightFall_(190, 30, 20, rate),
          hissFall_(0, 1, 70, rate) {}

    MadeSong make() {
        const Pattern& pattern = patterns[whole(patterns.size())];
        song_.beatsInBar = pattern.beats;
        song_.bpm =
            std::round(72 + share() * (pattern.fastest - 72)) + (share() < 0.5 ? 0 : 0.1 * double(whole(10)));
        constexpr std::array<int, 4> intros = {1, 2, 4, 8};
        const std::array<const char*, 6> beginnings = {"none", "pad", "chords", "noise", "silence", "pick-up"};
        const std::size_t beginning = whole(beginnings.size());
        const int intro = beginning == 0 ? 0 : intros[whole(intros.size())];
        const int first = 12 + static_cast<int>(whole(7));
        constexpr std::array<int, 4> rests = {0, 4, 8, 12};
        const int rest = rests[whole(rests.size())];
        const int second = rest > 0 ? 8 : 0;
        const std::size_t ending = whole(3); // cut, held, fade
        const int outro = ending == 1 ? 2 : 0;
        const int bars = intro + first + rest + second + outro;
        lead_ = share() < 0.5 ? 0 : 0.05 + share();
        jitter_ = std::array<double, 3>{0, 0.002, 0.004}[whole(3)];
        hasBass_ = share() < 0.8;
        hasChords_ = share() < 0.7 || !hasBass_; // drums alone may say nothing of where a bar begins
        const double soft = std::array<double, 3>{1, 0.1, 0.02}[whole(3)];
        song_.what = std::string(pattern.name) + " at " + std::to_string(song_.bpm) + ", " + beginnings[beginning] +
                     " of " + std::to_string(intro) + " bars, break of " + std::to_string(rest);

        song_.audio = silence(lead_ + bars * song_.bar() + (outro > 0 ? 1.5 : 0.2), rate_);
        for (int bar = 0; bar < bars; ++bar)
            roots_.push_back(std::array<int, 5>{0, 5, 7, 9, 2}[whole(5)]);
        begin(beginning, intro, soft);
        body(pattern, intro, first);
        if (rest > 0) pad(intro + first, rest, 0.5);
        if (second > 0) body(pattern, intro + first + rest, second);
        if (outro > 0) pad(bars - outro, outro, 0.7);
        if (ending == 2) fade(bars);
        for (int b = 0; b < bars * song_.beatsInBar; ++b)
            song_.beats.push_back(lead_ + b * 60 / song_.bpm);
        finish();
        return std::move(song_);
    }

  private:
    double share() { return std::uniform_real_distribution<double>(0, 1)(random_); }
    std::size_t whole(std::size_t below) { return std::min(below - 1, std::size_t(share() * double(below))); }
    double at(int bar, double beat = 0) const { return lead_ + bar * song_.bar() + beat * 60 / song_.bpm; }
    double near(double moment) {
        return jitter_ > 0 ? std::max(0.0, moment + std::normal_distribution<double>(0, jitter_)(random_)) : moment;
    }
    double root(int bar) const { return 55 * std::pow(2, roots_[static_cast<std::size_t>(bar)] / 12.0); }

    // Flattened, as audio.cpp says of its own.
    [[gnu::flatten]] void stroke(double moment, const Fall& fall, double hiss, double level) {
        const auto first = static_cast<std::size_t>(std::max<std::int64_t>(0, std::llround(moment * rate_)));
        auto& to = song_.audio.channels[0];
        double before = 0;
        for (std::size_t i = 0; i < fall.size() && first + i < to.size(); ++i) {
            const double white = 2 * share() - 1;
            const double s = fall.tone(i) + hiss * (white - before) * fall.hiss(i);
            before = white;
            to[first + i] += static_cast<float>(level * s);
        }
    }
    void low(double moment, double level = 1) { stroke(near(moment), lowFall_, 0.05, level); }
    void bright(double moment, double level = 0.8) { stroke(near(moment), brightFall_, 0.3, level); }
    void hiss(double moment, double level = 0.5) { stroke(near(moment), hissFall_, 0.2, level); }

    void body(const Pattern& pattern, int from, int bars) {
        song_.drums.emplace_back(at(from), at(from + bars));
        for (int bar = from; bar < from + bars; ++bar) {
            for (int step = 0; step < 4 * pattern.beats; ++step) {
                if (pattern.low[step] == 'x') low(at(bar, step / 4.0));
                if (pattern.bright[step] == 'x') bright(at(bar, step / 4.0), step % 4 == 0 ? 0.8 : 0.4);
            }
            for (int h = 0; h < pattern.beats * pattern.hats; ++h)
                hiss(at(bar, double(h) / pattern.hats), h % pattern.hats == 0 ? 0.5 : 0.35);
            if (hasBass_)
                for (int step = 0; step < 4 * pattern.beats; ++step)
                    if (pattern.low[step] == 'x') pluck(song_.audio, near(at(bar, step / 4.0)), root(bar), 0.25, 5);
            if (hasChords_) chord(at(bar), bar, 0.1);
        }
    }
    void chord(double moment, int bar, double level) {
        for (const double third : {1.0, 1.26, 1.498})
            pluck(song_.audio, near(moment), 4 * root(bar) * third, level, 2);
    }

    // A chord that swells and stays, another each bar or two.
    void pad(int from, int bars, double level) {
        for (int bar = from; bar < from + bars; bar += 2) {
            const double length = std::min(2, from + bars - bar) * song_.bar();
            const auto first = static_cast<std::size_t>(at(bar) * rate_);
            const double hertz = root(bar);
            auto& to = song_.audio.channels[0];
            for (std::size_t i = 0; i < std::size_t(length * rate_) && first + i < to.size(); ++i) {
                const double t = double(i) / rate_;
                const double swell = std::min({1.0, t / 0.3, (length - t) / 0.3});
                double s = 0;
                for (const double third : {1.0, 1.26, 1.498, 2.0})
                    s += std::sin(2 * std::numbers::pi * 4 * hertz * third * t);
                to[first + i] += static_cast<float>(0.06 * level * swell * s);
            }
        }
    }

    void begin(std::size_t what, int bars, double soft) {
        auto& to = song_.audio.channels[0];
        if (what == 1) pad(0, bars, 1);
        if (what == 2)
            for (int bar = 0; bar < bars; ++bar)
                chord(at(bar), bar, 0.15);
        if (what == 3)
            for (std::size_t i = 0; i < std::size_t(at(bars) * rate_); ++i)
                to[i] += static_cast<float>(0.1 * (2 * share() - 1));
        if (what >= 1 && what <= 3)
            for (std::size_t i = 0; i < std::size_t(at(bars) * rate_); ++i)
                to[i] *= static_cast<float>(soft);
        if (what == 5)
            for (int k = 0; k < 4; ++k)
                bright(at(bars) - (1 - k / 4.0) * 60 / song_.bpm, 0.3 + 0.1 * k);
    }

    void fade(int bars) {
        auto& to = song_.audio.channels[0];
        const auto from = static_cast<std::size_t>(at(bars - 8) * rate_);
        // What is played 26 dB softer than it was says nothing any more.
        song_.drums.back().second = std::min(song_.drums.back().second, at(bars - 8) + 0.78 * 8 * song_.bar());
        for (std::size_t i = from; i < to.size(); ++i) {
            const double left = double(to.size() - i) / double(to.size() - from);
            to[i] *= static_cast<float>(left * left);
        }
    }

    void finish() {
        float most = 1e-6F;
        for (const float x : song_.audio.channels[0])
            most = std::max(most, std::abs(x));
        for (float& x : song_.audio.channels[0])
            x *= 0.7F / most;
    }

    std::mt19937 random_;
    int rate_;
    const Fall lowFall_;
    const Fall brightFall_;
    const Fall hissFall_;
    MadeSong song_;
    std::vector<int> roots_; // of each bar's chord, in semitones
    double lead_ = 0;        // seconds of silence before it
    double jitter_ = 0;      // of each stroke, seconds
    bool hasBass_ = true;
    bool hasChords_ = true;
};

} // namespace

MadeSong madeSong(unsigned seed, int rate) {
    return Maker(seed, rate).make();
}

} // namespace support
