// Stretching speed beside the reference libraries, all in one run, one thread, offline: seconds of stereo per CPU
// second, the median of several rounds taken in turn, and each as a ratio to soundtouch and to rubberband's finer
// engine.
#include "hear/onsets.h"
#include "sound/read.h"
#include "sound/resample.h"
#include "stretch/method.h"
#include "support/stretch_references.h"

#include <algorithm>
#include <cmath>
#include <ctime>
#include <fmt/format.h>
#include <functional>
#include <string>

namespace {

void append(sound::Samples& to, const sound::Samples& more) {
    const std::size_t before = to.size();
    to.resize(before + more.size());
    std::copy(more.begin(), more.end(), to.begin() + static_cast<std::ptrdiff_t>(before));
}

double cpuSeconds() {
    timespec t{};
    clock_gettime(CLOCK_PROCESS_CPUTIME_ID, &t);
    return double(t.tv_sec) + double(t.tv_nsec) * 1e-9;
}

// The demo's loops, repeated to about thirty seconds of stereo.
sound::Audio material() {
    sound::Audio out(48000, 2, sound::Frames(0));
    for (const char* name : {"winch_hands_112bpm.wav", "pontoon_marimba.flac", "lock_gate_brushes.mp3"}) {
        const auto r = sound::read(std::string(PM_SOURCE_DIR) + "/demo/canal_journey/audio/" + name, 48000);
        if (!r) {
            fmt::print(stderr, "{}\n", r.error().text);
            std::exit(1);
        }
        for (std::size_t c = 0; c < 2; ++c)
            append(out.channels[c], r->audio.channels[c]);
    }
    return out;
}

struct Contender {
    const char* name;
    std::function<void(const sound::Audio&, double)> run;
    std::vector<double> seconds;
};

// What one channel costs, over what two do.
void printMono(const sound::Audio& a) {
    sound::Audio mono = a;
    mono.channels.resize(1);
    const std::vector<sound::Frames> none;
    fmt::print("one channel's time over two channels':");
    for (const stretch::Method m : stretch::methods()) {
        const auto seconds = [&](const sound::Audio& audio) {
            const auto map = metre::TimeMap::straight(
                audio.frames(), sound::Frames(std::llround(double(audio.frames().value) * 1.15)));
            const double before = cpuSeconds();
            if (!stretch::render({audio, none}, *map, {m})) std::exit(1);
            return cpuSeconds() - before;
        };
        // In turn, so that both see the same moods of the machine.
        std::vector<double> shares;
        for (int i = 0; i < 9; ++i) {
            const double one = seconds(mono);
            shares.push_back(one / seconds(a));
        }
        std::sort(shares.begin(), shares.end());
        fmt::print(" {} {:.2f}", stretch::methodLabel(m), shares[4]);
    }
    fmt::print("\n");
}

// From nothing to a second of sound at a play position, in five minutes of material.
void printFirstPieces(const sound::Audio& a) {
    sound::Audio minutes(a.rate, 2, sound::Frames(0));
    while (minutes.length().value < 300)
        for (std::size_t c = 0; c < 2; ++c)
            append(minutes.channels[c], a.channels[c]);
    std::vector<sound::Frames> attacks;
    for (const auto& o : hear::onsets(minutes))
        attacks.push_back(o.at);
    const std::vector<sound::Frames> none;
    const auto map = metre::TimeMap::straight(minutes.frames(),
                                              sound::Frames(std::llround(double(minutes.frames().value) * 1.15)));
    fmt::print("a first second anywhere in {:.0f} s, planning included, CPU ms, median and worst of 24:\n",
               minutes.length().value);
    for (const stretch::Method m : stretch::methods())
        for (const bool struck : {true, false}) {
            std::vector<double> list;
            for (int i = 0; i < 24; ++i) {
                const double before = cpuSeconds();
                const auto rendering =
                    stretch::Rendering::plan({minutes, struck ? attacks : none, true}, *map, {m});
                const sound::Frames from(rendering->length().value * (2 * i + 1) / 50);
                if (!rendering->piece(from, from + sound::Frames(minutes.rate))) std::exit(1);
                list.push_back(1000 * (cpuSeconds() - before));
            }
            std::sort(list.begin(), list.end());
            fmt::print("  {:<8}{:<24}{:>7.1f}{:>7.1f}\n", stretch::methodLabel(m),
                       struck ? "with its attacks" : "as if without attacks", list[12], list.back());
        }
}

} // namespace

// --quick leaves the slow reference out.
int main(int argc, char** argv) {
    const bool quick = argc > 1 && std::string(argv[1]) == "--quick";
    const sound::Audio a = material();
    const auto ours = [](stretch::Method m, bool listen, double semitones = 0,
                         stretch::Method under = stretch::Method::Blend) {
        return [m, listen, semitones, under](const sound::Audio& audio, double ratio) {
            static const std::vector<sound::Frames> known = [&audio] {
                std::vector<sound::Frames> list;
                for (const auto& o : hear::onsets(audio))
                    list.push_back(o.at);
                return list;
            }();
            std::vector<sound::Frames> attacks = known;
            if (listen) {
                attacks.clear();
                for (const auto& o : hear::onsets(audio))
                    attacks.push_back(o.at);
            }
            const auto map = metre::TimeMap::straight(
                audio.frames(), sound::Frames(std::llround(double(audio.frames().value) * ratio)));
            stretch::Settings settings{m, semitones, false};
            settings.underTape = under;
            if (!stretch::render({audio, attacks}, *map, settings)) std::exit(1);
        };
    };
    std::vector<Contender> contenders = {
        {"Struck", ours(stretch::Method::Struck, false), {}},
        {"Struck, finding its attacks first", ours(stretch::Method::Struck, true), {}},
        {"Held", ours(stretch::Method::Held, false), {}},
        {"Blend", ours(stretch::Method::Blend, false), {}},
        {"Sung", ours(stretch::Method::Sung, false), {}},
        {"Tape", ours(stretch::Method::Tape, false), {}},
        {"Struck, 3 semitones up", ours(stretch::Method::Struck, false, 3), {}},
        {"Tape, 3 semitones up, of mixes", ours(stretch::Method::Tape, false, 3), {}},
        {"  of drums", ours(stretch::Method::Tape, false, 3, stretch::Method::Struck), {}},
        {"  of keys", ours(stretch::Method::Tape, false, 3, stretch::Method::Held), {}},
        {"  of voices", ours(stretch::Method::Tape, false, 3, stretch::Method::Sung), {}},
        {"soundtouch", [](const sound::Audio& x, double r) { reference::soundTouch(x, r); }, {}},
        {"rubberband, faster engine",
         [](const sound::Audio& x, double r) { reference::rubberband(x, r, reference::Engine::Faster); },
         {}},
        {"rubberband, finer engine",
         [](const sound::Audio& x, double r) { reference::rubberband(x, r, reference::Engine::Finer); },
         {}},
    };
    if (quick)
        std::erase_if(contenders, [](const Contender& c) { return std::string(c.name).starts_with("rubberband"); });
    constexpr int rounds = 3;
    for (int round = 0; round < rounds; ++round)
        for (Contender& c : contenders) {
            const double before = cpuSeconds();
            for (const double ratio : {0.9, 1.15})
                c.run(a, ratio);
            c.seconds.push_back(cpuSeconds() - before);
        }
    const double played = 2 * a.length().value;
    const auto speed = [&](Contender& c) {
        std::sort(c.seconds.begin(), c.seconds.end());
        return played / c.seconds[rounds / 2];
    };
    const auto speedOf = [&](const std::string& name) {
        const auto it =
            std::find_if(contenders.begin(), contenders.end(), [&](const Contender& c) { return c.name == name; });
        return it == contenders.end() ? std::nan("") : speed(*it);
    };
    const double touch = speedOf("soundtouch");
    const double finer = speedOf("rubberband, finer engine");
    fmt::print("{:.0f} s of stereo at 48 kHz, ratios 0.9 and 1.15, one thread, median of {}\n", a.length().value,
               rounds);
    fmt::print("{:<36}{:>12}{:>14}{:>14}\n", "", "s per CPU s", "× soundtouch", "× finer");
    for (Contender& c : contenders)
        fmt::print("{:<36}{:>12.1f}{:>14.2f}{:>14.1f}\n", c.name, speed(c), speed(c) / touch, speed(c) / finer);
    printMono(a);
    printFirstPieces(a);
    return 0;
}
