#include "deliver/midi_map.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <vector>

namespace deliver {

namespace {

using metre::Beats;

constexpr int ticksPerQuarter = 9600;
// A tempo misses by up to half a microsecond a quarter: after so many quarters the next makes up for that.
constexpr double mostQuarters = 800; // 0.4 ms
// A time between events has four bytes of seven bits.
constexpr std::int64_t mostTicks = 0x0FFFFFFF;

struct Event {
    std::int64_t tick = 0;
    std::string bytes; // without its delta time
};

void big(std::string& out, std::uint64_t value, int bytes) {
    for (int i = bytes - 1; i >= 0; --i)
        out.push_back(static_cast<char>((value >> (8 * i)) & 0xFF));
}

// Seven bits a byte, the highest first; all but the last are marked.
void variable(std::string& out, std::uint64_t value) {
    std::string bytes(1, static_cast<char>(value & 0x7F));
    while ((value >>= 7) != 0)
        bytes.insert(bytes.begin(), static_cast<char>((value & 0x7F) | 0x80));
    out += bytes;
}

std::string meta(char type, const std::string& data) {
    std::string out = {'\xFF', type};
    variable(out, data.size());
    return out + data;
}

std::int64_t tickOf(Beats b) {
    return std::llround(b.value * ticksPerQuarter);
}

void addTempos(std::vector<Event>& events, const metre::TempoMap& tempo, Beats end) {
    std::vector<Beats> places{Beats(0)};
    for (const Beats bend : tempo.bends(std::max(end, Beats(1)), metre::Seconds(0.0001)))
        places.push_back(bend);
    places.push_back(std::max({end, places.back() + Beats(1), Beats(1)}));
    std::vector<std::int64_t> ticks;
    for (std::size_t i = 0; i < places.size(); ++i) {
        if (i > 0) {
            const double quarters = (places[i] - places[i - 1]).value;
            const double parts = std::max(1.0, std::ceil(quarters / mostQuarters));
            for (double part = 1; part < parts; ++part)
                ticks.push_back(tickOf(places[i - 1] + Beats(std::round(quarters * part / parts))));
        }
        ticks.push_back(tickOf(places[i]));
    }
    double written = 0; // microseconds that the file has come to so far
    std::int64_t last = 0;
    for (std::size_t i = 0; i + 1 < ticks.size(); ++i) {
        const std::int64_t from = ticks[i];
        const std::int64_t to = ticks[i + 1];
        if (to <= from) continue;
        const double quarters = double(to - from) / ticksPerQuarter;
        const double target = tempo.secondsAt(Beats(double(to) / ticksPerQuarter)).value * 1e6;
        const auto each = std::clamp<std::int64_t>(std::llround((target - written) / quarters), 1, 0xFFFFFF);
        written += double(each) * quarters;
        if (each == last) continue;
        last = each;
        std::string data;
        big(data, static_cast<std::uint64_t>(each), 3);
        events.push_back({from, meta('\x51', data)});
    }
}

void addMetres(std::vector<Event>& events, const metre::MetreMap& metre, Beats end) {
    for (const metre::MetrePoint& point : metre.points()) {
        const Beats at = metre.startOfBar(point.bar);
        if (at > end && point.bar > 1) break;
        std::string data;
        data.push_back(static_cast<char>(point.metre.beats));
        data.push_back(static_cast<char>(std::lround(std::log2(point.metre.unit))));
        data.push_back(static_cast<char>(std::max(1, 24 * 4 / point.metre.unit))); // MIDI clocks a counted beat
        data.push_back(8);                                                         // thirty-seconds a quarter
        events.push_back({tickOf(at), meta('\x58', data)});
    }
}

} // namespace

std::string midiMap(const metre::TempoMap& tempo, const metre::MetreMap& metre, Beats end) {
    std::vector<Event> events;
    addMetres(events, metre, end);
    addTempos(events, tempo, end);
    std::stable_sort(events.begin(), events.end(), [](const Event& a, const Event& b) { return a.tick < b.tick; });
    events.push_back({std::max(tickOf(end), events.back().tick), meta('\x2F', {})});
    std::string track;
    std::int64_t last = 0;
    for (const Event& event : events) {
        for (; event.tick - last > mostTicks; last += mostTicks) {
            variable(track, static_cast<std::uint64_t>(mostTicks));
            track += meta('\x01', {}); // a text that says nothing
        }
        variable(track, static_cast<std::uint64_t>(event.tick - last));
        track += event.bytes;
        last = event.tick;
    }
    std::string file = "MThd";
    big(file, 6, 4);
    big(file, 0, 2);
    big(file, 1, 2);
    big(file, ticksPerQuarter, 2);
    file += "MTrk";
    big(file, track.size(), 4);
    return file + track;
}

} // namespace deliver
