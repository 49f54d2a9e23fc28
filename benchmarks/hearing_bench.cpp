// Hearing beside the reference libraries, on a set with known truth.
//
//   tools/listening_set.py SET --seed 2
//   bench_hearing SET [--ours] [--octave]  the table; without the references; with a window of one octave given
//   bench_hearing --singles SET           of tools/single_sounds.py: how many are given a tempo
//   bench_hearing --features FILE SET     candidates with their features, for tools/fit_pulse.py
//   bench_hearing --lengths FILE SET      explanations of lengths, for tools/fit_pulse.py --for length
//   bench_hearing --bars FILE SET         bars it may be in, for tools/fit_pulse.py --for bar
//   bench_hearing --kin FILE SET          families of halves and doubles, for tools/fit_pulse.py --for kin
//   bench_hearing --sureness FILE SET     figures of sureness, for tools/fit_sureness.py
//   bench_hearing --figures FILE SET      figures of key and kind, for tools/fit_key_kind.py
//
// Under the table stands what sureness is worth: in ten bins of equal width, how many recordings are in it, how
// sure hearing was of their beat on average, and the share for which the tempo was right within 4 %, octave free;
// and in which metre steady recordings are told to be, by their own.
//
// Measures: tempo within 4 % and 0.1 %, octave right and free, and those of tests/support/hearing_measures.h.
#include "hear/accents.h"
#include "hear/kin.h"
#include "hear/listen.h"
#include "hear/loop_fit.h"
#include "hear/pulse.h"
#include "hear/sureness.h"
#include "sound/read.h"
#include "support/hearing_measures.h"
#include "support/hearing_references.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <cstring>
#include <ctime>
#include <fmt/format.h>
#include <fstream>
#include <functional>
#include <map>
#include <nlohmann/json.hpp>
#include <string>

namespace {

using Json = nlohmann::json;
using measure::allowedContinuity;
using measure::continuity;
using measure::fMeasure;
using measure::keyScore;

struct Score {
    int n = 0;
    double near = 0, nearFree = 0;
    int steady = 0;
    double exact = 0, exactFree = 0;
    int loops = 0;
    double beats = 0, downbeat = 0;
    int played = 0; // songs and free playing
    double f70 = 0, f20 = 0, cml = 0, aml = 0;
    int keyed = 0;
    double key = 0, keyWeighted = 0;
    int kinds = 0;
    double kind = 0;
    double cpu = 0, audio = 0;
};

struct Said {
    double bpm = 0;
    std::vector<double> beats;
    std::optional<int> loopBeats;
    double first = -1;
    std::optional<int> key;
    std::string kind;
    bool knowsLoops = false;
};

const std::map<std::string, std::string> kindOf = {{"drums", "struck"},  {"bass", "bass"},   {"chords", "keys"},
                                                   {"arpeggio", "keys"}, {"guitar", "keys"}, {"pad", "held"},
                                                   {"voice", "voice"},   {"mix", "mix"},     {"song", "mix"}};

void add(Score& s, const Json& truth, const Said& said) {
    const double bpm = truth["bpm"];
    const double ratio = said.bpm / bpm;
    double freely = 1e9;
    for (const double k : {0.5, 1.0, 2.0})
        freely = std::min(freely, std::abs(ratio / k - 1));
    ++s.n;
    s.near += std::abs(ratio - 1) < 0.04;
    s.nearFree += freely < 0.04;
    if (truth["steady"]) {
        ++s.steady;
        s.exact += std::abs(ratio - 1) < 0.001;
        s.exactFree += freely < 0.001;
    }
    const std::string kind = truth["kind"];
    const std::vector<double> beats = truth["beats_s"];
    if (kind == "song" || kind == "free") {
        ++s.played;
        s.f70 += fMeasure(beats, said.beats, 0.07);
        s.f20 += fMeasure(beats, said.beats, 0.02);
        s.cml += continuity(beats, said.beats);
        s.aml += allowedContinuity(beats, said.beats);
    } else {
        ++s.loops;
        s.beats += said.loopBeats == truth["beats"].get<int>();
        s.downbeat += std::abs(said.first - truth["first_beat_s"].get<double>()) <= 0.02;
    }
    if (truth["key"].is_string())
        if (const auto key = hear::parseKey(truth["key"].get<std::string>())) {
            const int number = key->root + (key->minor ? 12 : 0);
            ++s.keyed;
            s.key += said.key == number;
            s.keyWeighted += said.key ? keyScore(number, *said.key) : 0;
        }
    if (const auto k = kindOf.find(kind); k != kindOf.end()) {
        ++s.kinds;
        s.kind += said.kind == k->second;
    }
}

std::string share(double sum, int n) {
    return n == 0 ? "–" : fmt::format("{:.3f}", sum / n);
}

void line(const std::string& name, const Score& s, bool loops) {
    fmt::print("{:<22} {:>4} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6}", name,
               s.n, share(s.near, s.n), share(s.nearFree, s.n), share(s.exact, s.steady),
               share(s.exactFree, s.steady), loops ? share(s.beats, s.loops) : "–",
               loops ? share(s.downbeat, s.loops) : "–", share(s.f70, s.played), share(s.f20, s.played),
               share(s.cml, s.played), share(s.aml, s.played), share(s.key, s.keyed), share(s.keyWeighted, s.keyed),
               loops ? share(s.kind, s.kinds) : "–");
    fmt::print("{}\n", s.audio > 0 ? fmt::format(" {:>8.3f}", s.cpu / s.audio * 60) : std::string());
}

hear::Heard heardIn(const sound::Audio& audio, hear::Window window = {}) {
    return hear::listen(audio, hear::onsets(audio, 0.5), window);
}

Said ours(const hear::Heard& h) {
    Said said;
    said.knowsLoops = true;
    said.bpm = h.bpm ? h.bpm->value : 0;
    said.beats = h.beats;
    said.loopBeats = h.loopBeats;
    if (!h.beats.empty()) said.first = h.beats[h.downbeat];
    if (h.key) said.key = h.key->key.root + (h.key->key.minor ? 12 : 0);
    said.kind = hear::kindLabel(h.kind);
    return said;
}

Said said(const reference::Answer& a) {
    Said s;
    s.bpm = a.bpm;
    s.beats = a.beats;
    s.key = a.key;
    return s;
}

// Sureness against what came of it.
struct Reliability {
    struct Bin {
        int n = 0;
        double sure = 0, right = 0;
    };
    std::array<Bin, 10> bins;
    int loops = 0, none = 0, maybe = 0;

    void add(const hear::Heard& h, double bpm, bool loop) {
        const hear::Reading reading = hear::heardReading(h);
        const double sure = hear::beatSureness(reading);
        if (loop) {
            ++loops;
            none += !h.bpm;
            maybe += h.bpm && sure < hear::sureLine;
        }
        if (!h.bpm) return;
        Bin& bin = bins[std::min<std::size_t>(9, static_cast<std::size_t>(sure * 10))];
        ++bin.n;
        bin.sure += sure;
        for (const double k : {0.5, 1.0, 2.0})
            if (std::abs(h.bpm->value / bpm / k - 1) < 0.04) {
                bin.right += 1;
                break;
            }
    }

    void print() const {
        fmt::print("Of {} steady loops {} are given no tempo and {} a maybe.\nsureness: n, mean, right\n", loops,
                   none, maybe);
        for (const Bin& b : bins)
            if (b.n > 0) fmt::print("  {:>5} {:>6.3f} {:>6.3f}\n", b.n, b.sure / b.n, b.right / b.n);
    }
};

// What recordings of one metre are told to be in.
struct MetreCount {
    int n = 0;
    std::map<std::string, int> told;
};

// The usual octave, or that above or below, whichever holds the tempo.
hear::Window octaveAround(double bpm) {
    double low = 70;
    while (bpm >= low * 2)
        low *= std::sqrt(2.0);
    while (bpm < low)
        low /= std::sqrt(2.0);
    return {hear::Bpm(low), hear::Bpm(low * 2)};
}

int singles(const std::string& folder, const Json& truth) {
    struct Count {
        int n = 0, given = 0, sure = 0;
    };
    std::map<std::string, Count> counts;
    for (const auto& [name, t] : truth.items()) {
        const auto read = sound::read(folder + "/" + name, 0);
        if (!read) continue;
        const hear::Heard h = heardIn(read->audio);
        const bool sure = h.bpm && hear::beatSureness(hear::heardReading(h)) >= hear::sureLine;
        for (Count* c : {&counts[t["what"].get<std::string>()], &counts["together"]}) {
            ++c->n;
            c->given += h.bpm.has_value();
            c->sure += sure;
        }
        if (sure)
            fmt::print("{} {} {:.2f} s is given {:.1f}\n", name, t["what"].get<std::string>(),
                       read->audio.length().value, h.bpm->value);
    }
    fmt::print("{:<12}{:>6}{:>8}{:>8}\n", "", "n", "tempo", "sure");
    for (const auto& [what, c] : counts)
        fmt::print("{:<12}{:>6}{:>8}{:>8}\n", what, c.n, c.given, c.sure);
    return 0;
}

void table(const std::string& folder, const Json& truth, bool alone, bool octave) {
    struct Listener {
        const char* name;
        std::function<Said(const sound::Audio&)> listen;
        bool loops;
        Score score;
    };
    hear::Heard last;
    hear::Window window;
    std::vector<Listener> listeners = {
        {"Patient Metre",
         [&](const sound::Audio& a) {
             last = heardIn(a, window);
             return ours(last);
         },
         true,
         {}},
        {"qm-dsp", [](const sound::Audio& a) { return said(reference::qmDsp(a)); }, false, {}},
        {"aubio", [](const sound::Audio& a) { return said(reference::aubio(a)); }, false, {}},
        {"soundtouch", [](const sound::Audio& a) { return said(reference::soundTouch(a)); }, false, {}}};
    if (alone) listeners.resize(1);
    Reliability reliability;
    std::map<std::string, MetreCount> metres;
    std::map<std::string, Score> parts;
    for (const auto& [name, t] : truth.items()) {
        const auto read = sound::read(folder + "/" + name, 0);
        if (!read) {
            fmt::print(stderr, "{}\n", read.error().text);
            continue;
        }
        if (octave) window = octaveAround(t["bpm"]);
        for (Listener& l : listeners) {
            const std::clock_t before = std::clock();
            Said s = l.listen(read->audio);
            l.score.cpu += double(std::clock() - before) / CLOCKS_PER_SEC;
            l.score.audio += read->audio.length().value;
            // A reference hears a loop repeated; only its beats within the recording count.
            std::erase_if(s.beats, [&](double b) { return b > read->audio.length().value; });
            add(l.score, t, s);
            if (&l == &listeners.front()) {
                reliability.add(last, t["bpm"], t["beats"] < 70 && t["steady"]);
                if (t["steady"] && last.metre) {
                    MetreCount& m = metres[t["metre"]];
                    ++m.n;
                    ++m.told[metre::metreLabel(*last.metre)];
                }
                add(parts["  " + t["kind"].get<std::string>()], t, s);
                add(parts["  loops, " + t["condition"].get<std::string>()], t, s);
            }
        }
    }
    fmt::print("{:<22} {:>4} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>6} {:>8}\n",
               "", "n", "4%", "free", "0.1%", "free", "beats", "down", "F70", "F20", "CMLt", "AMLt", "key", "keyw",
               "kind", "CPU s/min");
    for (const Listener& l : listeners)
        line(l.name, l.score, l.loops);
    fmt::print("Patient Metre, by kind and by cut:\n");
    for (const auto& [name, s] : parts)
        line(name, s, true);
    reliability.print();
    fmt::print("metre, where a beat is heard: n, told right, told as\n");
    for (auto& [name, m] : metres) {
        fmt::print("  {:<6}{:>5} {:>6} ", name, m.n, share(m.told[name], m.n));
        for (const auto& [told, n] : m.told)
            if (n > 0) fmt::print("  {} {}", told, n);
        fmt::print("\n");
    }
}

// The length of a bar in seconds. In 6/8 two dotted quarters are counted.
double barSeconds(const Json& t) {
    const auto metre = *metre::parseMetre(t["metre"].get<std::string>());
    return 60 / t["bpm"].get<double>() * (metre.unit == 4 ? metre.beats : metre.beats == 6 ? 2 : metre.beats / 2.0);
}

// What is worked out of a recording before anything is weighed.
struct Prepared {
    sound::Audio audio;
    hear::Recording recording;
    hear::Curves curves;
    hear::Span span;
    std::vector<hear::Event> events;
};

// Hands on every recording of a set that can be read, with its number and its truth.
template <class Take>
void forEach(const std::string& folder, const Json& truth, const Take& take) {
    for (const auto& [name, t] : truth.items()) {
        auto read = sound::read(folder + "/" + name, 0);
        if (!read) continue;
        const hear::Recording recording = *hear::Recording::of(read->audio);
        const hear::Curves c = hear::curves(hear::Mono(recording));
        const auto events = hear::events(hear::onsets(recording, 0.5), hear::Recording::rate, c);
        const hear::Span span = hear::spanOf(c.strength, recording.length().value);
        take(std::int32_t(std::atoi(name.c_str())), t,
             Prepared{std::move(read->audio), recording, c, span, events});
    }
}

// A file of numbers as they lie in memory.
class Numbers {
  public:
    explicit Numbers(const char* file) : out_(file, std::ios::binary) {}
    template <class T>
    void put(const T& value) {
        out_.write(reinterpret_cast<const char*>(&value), sizeof value);
    }

  private:
    std::ofstream out_;
};

void writeFeatures(const std::string& folder, const Json& truth, const char* file) {
    Numbers out(file);
    forEach(folder, truth, [&](std::int32_t number, const Json& t, const Prepared& p) {
        const auto found = hear::pulses(p.curves, hear::Repetition(p.curves.pitches), p.span);
        out.put(number);
        out.put(static_cast<std::int32_t>(found.size()));
        out.put(static_cast<float>(t["bpm"].get<double>()));
        for (const hear::Pulse& pulse : found) {
            out.put(static_cast<float>(pulse.bpm.value));
            out.put(pulse.features);
        }
    });
}

void writeFigures(const std::string& folder, const Json& truth, const char* file) {
    std::ofstream out(file);
    forEach(folder, truth, [&](std::int32_t number, const Json& t, const Prepared& p) {
        const hear::Classes classes = hear::classesOf(p.curves.pitches);
        const hear::Colour k = hear::colourOf(p.curves, p.events, p.span, classes.pitched);
        int key = -1;
        if (t["key"].is_string())
            if (const auto parsed = hear::parseKey(t["key"].get<std::string>()))
                key = parsed->root + (parsed->minor ? 12 : 0);
        out << number << ' ' << t["kind"].get<std::string>() << ' ' << t["style"].get<std::string>() << ' ' << key;
        for (const auto* twelve : {&classes.all, &classes.bass, &classes.start})
            for (const double x : *twelve)
                out << ' ' << x;
        out << ' ' << classes.pitched;
        for (const double x :
             {k.low, k.high, k.pitched, k.attack, k.sustain, k.lines, k.lowest, k.moving, k.perSecond})
            out << ' ' << x;
        out << '\n';
    });
}

void writeLengths(const std::string& folder, const Json& truth, const char* file) {
    Numbers out(file);
    forEach(folder, truth, [&](std::int32_t number, const Json& t, const Prepared& p) {
        if (!t["steady"] || p.events.empty()) return;
        // As if the tempo had been heard to a per cent.
        const double bpm = t["bpm"];
        const hear::LoopWays ways = hear::loopWays(p.events, p.curves.strength, p.span, hear::Bpm(bpm * 1.003));
        const std::string cut = t["condition"];
        const bool whole = cut == "trimmed" || cut == "miscut" || cut == "lastsilent" || cut == "silence";
        const bool exact = std::any_of(ways.list.begin(), ways.list.end(), [&](const hear::LoopWay& w) {
            return std::abs(w.bpm / bpm - 1) < 0.001 && w.beats.has_value() == whole;
        });
        out.put(number);
        out.put(static_cast<std::int32_t>(ways.list.size()));
        out.put(1.0F);
        for (const hear::LoopWay& w : ways.list) {
            // Right within a thousandth, and with the right beats where one of them has both.
            const bool beats = whole ? w.beats == t["beats"].get<int>() : !w.beats;
            const bool right = std::abs(w.bpm / bpm - 1) < 0.001 && (!exact || beats);
            out.put(right ? 1.0F : 2.0F);
            out.put(w.features);
        }
    });
}

// The same for families of tempos: right is that which the truth is of.
void writeKin(const std::string& folder, const Json& truth, const char* file) {
    Numbers out(file);
    forEach(folder, truth, [&](std::int32_t number, const Json& t, const Prepared& p) {
        if (p.events.empty()) return;
        const auto found = hear::pulses(p.curves, hear::Repetition(p.curves.pitches), p.span);
        if (found.empty()) return;
        hear::KnownWays ways(p.events, p.curves.strength, p.span);
        const auto list = hear::kinOf(found, ways);
        out.put(number);
        out.put(static_cast<std::int32_t>(list.size()));
        out.put(1.0F);
        for (const hear::Kin& kin : list) {
            const double octaves = std::log2(found[kin.members.front()].bpm.value / t["bpm"].get<double>());
            out.put(std::abs(octaves - std::round(octaves)) < 0.057 ? 1.0F : 2.0F); // within 4 %
            out.put(kin.figures);
        }
    });
}

// The same for bars: right are those that have the truth's metre and its length, its half or its double.
void writeBars(const std::string& folder, const Json& truth, const char* file) {
    Numbers out(file);
    forEach(folder, truth, [&](std::int32_t number, const Json& t, const Prepared& p) {
        if (!t["steady"]) return;
        const hear::Heard heard = heardIn(p.audio);
        if (!heard.bpm || !heard.steady) return;
        hear::KnownWays known(p.events, p.curves.strength, p.span);
        const hear::LoopFit loop = hear::fitLoop(known, *heard.bpm);
        const std::vector<hear::BarWay> ways =
            hear::barWays(p.curves.strength, hear::Repetition(p.curves.pitches),
                          {loop.start, loop.period, loop.beats, p.events.back().at});
        out.put(number);
        out.put(static_cast<std::int32_t>(ways.size()));
        out.put(1.0F);
        for (const hear::BarWay& w : ways) {
            bool right = metre::metreLabel(w.metre) == t["metre"].get<std::string>();
            const double bars = w.beats * loop.period / barSeconds(t);
            right = right && (w.metre.beats == 4 || std::abs(bars - 0.5) < 0.01 || std::abs(bars - 1) < 0.02 ||
                              std::abs(bars - 2) < 0.04);
            out.put(right ? 1.0F : 2.0F);
            out.put(w.features);
        }
    });
}

void writeSureness(const std::string& folder, const Json& truth, const char* file) {
    Numbers out(file);
    out.put(static_cast<std::int32_t>(hear::surenessFigures));
    forEach(folder, truth, [&](std::int32_t, const Json& t, const Prepared& p) {
        const hear::Strength& s = p.curves.strength;
        const auto pitched = hear::classesOf(p.curves.pitches).pitched;
        const hear::Colour colour = hear::colourOf(p.curves, p.events, p.span, pitched);
        if (hear::withoutBeat(s, colour, p.events, p.span)) return; // nobody asks how sure it is then
        const hear::Repetition again(p.curves.pitches);
        auto found = hear::pulses(p.curves, again, p.span);
        if (found.empty()) return;
        hear::KnownWays ways(p.events, s, p.span);
        found = hear::weighedByLength(std::move(found), ways);
        const bool single = t["kind"] == "single";
        bool right = false;
        for (const double k : {0.5, 1.0, 2.0})
            right = right || (!single && std::abs(found.front().bpm.value / t["bpm"].get<double>() / k - 1) < 0.04);
        out.put(right ? 1.0F : 0.0F);
        out.put(single ? 1.0F : 0.0F);
        out.put(hear::surenessFiguresOf(s, again, colour, p.events, p.span, found));
    });
}

} // namespace

int main(int argc, char** argv) {
    std::string folder;
    std::string file;
    std::map<std::string, bool> asked;
    bool understood = true;
    for (int i = 1; i < argc; ++i) {
        const std::string word = argv[i];
        if (word.rfind("--", 0) != 0)
            folder = word;
        else {
            asked[word] = true;
            if (word == "--features" || word == "--figures" || word == "--sureness" || word == "--lengths" ||
                word == "--bars" || word == "--kin") {
                understood = understood && i + 1 < argc;
                if (understood) file = argv[++i];
            } else
                understood = understood && (word == "--ours" || word == "--octave" || word == "--singles");
        }
    }
    if (!understood || folder.empty()) {
        fmt::print(stderr, "Usage: bench_hearing [--ours] [--octave] [--singles] [--features FILE | --figures FILE "
                           "| --sureness FILE | --lengths FILE | --bars FILE | --kin FILE] FOLDER\n");
        return 2;
    }
    const Json truth = Json::parse(std::ifstream(folder + "/truth.json"), nullptr, false);
    if (truth.is_discarded()) {
        fmt::print(stderr, "{}/truth.json could not be read; tools/listening_set.py makes it.\n", folder);
        return 1;
    }
    if (asked["--features"])
        writeFeatures(folder, truth, file.c_str());
    else if (asked["--figures"])
        writeFigures(folder, truth, file.c_str());
    else if (asked["--lengths"])
        writeLengths(folder, truth, file.c_str());
    else if (asked["--bars"])
        writeBars(folder, truth, file.c_str());
    else if (asked["--kin"])
        writeKin(folder, truth, file.c_str());
    else if (asked["--sureness"])
        writeSureness(folder, truth, file.c_str());
    else if (asked["--singles"])
        return singles(folder, truth);
    else
        table(folder, truth, asked["--ours"], asked["--octave"]);
    return 0;
}
