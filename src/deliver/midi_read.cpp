#include "deliver/midi_map.h"

#include "metre/tempo.h"

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <fmt/format.h>
#include <map>

namespace deliver {

namespace {

using metre::Beats;
using metre::Bpm;

// Walks through bytes; once beyond them it is broken, and gives zeroes.
class MidiBytes {
  public:
    explicit MidiBytes(std::string_view bytes) : bytes_(bytes) {}
    bool isAtEnd() const { return at_ >= bytes_.size(); }
    bool isBroken() const { return broken_; }
    std::size_t left() const { return bytes_.size() - at_; }

    std::uint32_t big(int count) {
        std::uint32_t value = 0;
        for (int i = 0; i < count; ++i)
            value = (value << 8) | byte();
        return value;
    }
    std::uint8_t byte() {
        if (isAtEnd()) {
            broken_ = true;
            return 0;
        }
        return static_cast<std::uint8_t>(bytes_[at_++]);
    }
    std::uint8_t peek() const { return isAtEnd() ? 0 : static_cast<std::uint8_t>(bytes_[at_]); }
    // Seven bits a byte, four bytes at most.
    std::uint32_t variable() {
        std::uint32_t value = 0;
        for (int i = 0; i < 4; ++i) {
            const std::uint8_t b = byte();
            value = (value << 7) | (b & 0x7FU);
            if ((b & 0x80U) == 0) return value;
        }
        broken_ = true;
        return value;
    }
    std::string_view take(std::size_t count) {
        if (count > left()) {
            broken_ = true;
            count = left();
        }
        const std::string_view taken = bytes_.substr(at_, count);
        at_ += count;
        return taken;
    }

  private:
    std::string_view bytes_;
    std::size_t at_ = 0;
    bool broken_ = false;
};

// What the tracks say, by tick; of several at one tick the last counts.
struct Said {
    std::map<std::int64_t, std::uint32_t> tempos;       // microseconds a quarter
    std::map<std::int64_t, std::pair<int, int>> metres; // beats, and the power of two of the unit
};

bool readTrack(std::string_view bytes, Said& said) {
    MidiBytes in(bytes);
    std::int64_t tick = 0;
    std::uint8_t running = 0;
    while (!in.isAtEnd()) {
        tick += in.variable();
        if (in.isBroken()) return false;
        std::uint8_t status = in.peek();
        if (status & 0x80U) {
            in.byte();
        } else {
            status = running; // a status byte that is not repeated
            if (status == 0) return false;
        }
        // Strictly these end a running status; others write on as if they did not.
        if (status == 0xFF) {
            const std::uint8_t type = in.byte();
            const std::string_view data = in.take(in.variable());
            if (in.isBroken()) return false;
            MidiBytes value(data);
            if (type == 0x51 && data.size() == 3) said.tempos[tick] = value.big(3);
            if (type == 0x58 && data.size() >= 2) {
                const int beats = value.byte();
                said.metres[tick] = {beats, value.byte()};
            }
            if (type == 0x2F) return true;
        } else if (status == 0xF0 || status == 0xF7) {
            in.take(in.variable());
        } else if (status > 0xF0) {
            return false; // nothing that stands in files
        } else {
            running = status;
            const std::uint8_t kind = status & 0xF0U;
            in.take(kind == 0xC0 || kind == 0xD0 ? 1 : 2);
        }
        if (in.isBroken()) return false;
    }
    return true; // without its end, but whole
}

metre::MetreMap metresOf(const Said& said, double ticksPerQuarter, ReadMap& out) {
    std::vector<metre::MetrePoint> points{{1, {4, 4}}};
    int left = 0;
    for (const auto& [tick, value] : said.metres) {
        const metre::Metre metre{value.first, value.second <= 5 ? 1 << value.second : 0};
        const auto valid = metre::parseMetre(fmt::format("{}/{}", metre.beats, metre.unit));
        const Beats at(double(tick) / ticksPerQuarter);
        const auto now = metre::MetreMap::make(points);
        if (!valid || !now) {
            ++left;
            continue;
        }
        const int bar = now->barAt(at + Beats(1e-6));
        if (std::abs((now->startOfBar(bar) - at).value) > 1e-3) {
            ++left; // within a bar
            continue;
        }
        out.hasMetre = true;
        if (points.back().bar == bar)
            points.back().metre = metre;
        else if (!(points.back().metre == metre))
            points.push_back({bar, metre});
    }
    if (left > 0)
        out.warnings.push_back(
            fmt::format("{} changes of metre were left out: they are none, or lie within a bar.", left));
    const auto map = metre::MetreMap::make(std::move(points));
    return map ? *map : metre::MetreMap();
}

metre::TempoMap temposOf(const Said& said, double ticksPerQuarter, ReadMap& out) {
    std::vector<metre::TempoPoint> points{{Beats(0), Bpm(120), metre::TempoPoint::Shape::Hold}};
    int left = 0;
    for (const auto& [tick, each] : said.tempos) {
        const Bpm bpm(each > 0 ? 60e6 / each : 0);
        if (!metre::isTempo(bpm)) {
            ++left;
            continue;
        }
        out.hasTempo = true;
        const Beats at(double(tick) / ticksPerQuarter);
        if (at.value < 1e-9)
            points.front().bpm = bpm;
        else if (!(points.back().bpm == bpm))
            points.push_back({at, bpm, metre::TempoPoint::Shape::Hold});
    }
    if (left > 0)
        out.warnings.push_back(fmt::format("{} tempos were left out: they are not between {} and {} BPM.", left,
                                           metre::slowestTempo.value, metre::fastestTempo.value));
    const auto map = metre::TempoMap::make(std::move(points));
    return map ? *map : metre::TempoMap();
}

} // namespace

Maps fromBar(const metre::TempoMap& tempo, const metre::MetreMap& metre, int bar) {
    if (bar == 1) return {tempo, metre};
    const Beats from = metre.startOfBar(bar);
    using Shape = metre::TempoPoint::Shape;
    std::vector<metre::TempoPoint> tempos{{Beats(0), tempo.tempoAt(from), Shape::Hold}};
    for (const metre::TempoPoint& point : tempo.points()) {
        // A ramp that is under way goes on.
        if (point.at <= from)
            tempos.front().shape = point.shape;
        else
            tempos.push_back({point.at - from, point.bpm, point.shape});
    }
    std::vector<metre::MetrePoint> metres{{1, metre.metreAt(from)}};
    for (const metre::MetrePoint& point : metre.points())
        if (point.bar > bar) metres.push_back({point.bar - bar + 1, point.metre});
    const auto tempoMap = metre::TempoMap::make(std::move(tempos));
    const auto metreMap = metre::MetreMap::make(std::move(metres));
    return {tempoMap ? *tempoMap : tempo, metreMap ? *metreMap : metre};
}

base::Result<ReadMap> readMidiMap(std::string_view bytes) {
    const auto fail = [](const char* reason) { return base::problem(reason); };
    MidiBytes in(bytes);
    if (in.take(4) != "MThd") return fail("it is no Standard MIDI File");
    const std::uint32_t headLength = in.big(4);
    if (in.isBroken() || headLength < 6 || headLength > in.left()) return fail("its head is cut off");
    MidiBytes head(in.take(headLength));
    head.big(2); // format: tracks of all are read
    const std::uint32_t tracks = head.big(2);
    const std::uint32_t division = head.big(2);
    double ticksPerQuarter = division;
    ReadMap out;
    const bool isSmpte = (division & 0x8000U) != 0;
    if (isSmpte) {
        const int frames = 256 - static_cast<int>(division >> 8); // a second
        const int perFrame = static_cast<int>(division & 0xFFU);
        if ((frames != 24 && frames != 25 && frames != 29 && frames != 30) || perFrame == 0)
            return fail("its time base makes no sense");
        const double perSecond = (frames == 29 ? 30000.0 / 1001 : frames) * perFrame;
        ticksPerQuarter = perSecond / 2; // at 120
    } else if (division == 0) {
        return fail("its time base makes no sense");
    }
    Said said;
    std::uint32_t read = 0;
    while (!in.isAtEnd()) {
        const bool isComplete = read > 0 && read >= tracks; // what stands behind is no loss
        if (in.left() < 8 && isComplete) break;
        const std::string_view kind = in.take(4);
        const std::uint32_t length = in.big(4);
        if ((in.isBroken() || length > in.left()) && isComplete) break;
        if (in.isBroken() || length > in.left()) return fail("it is cut off");
        const std::string_view chunk = in.take(length);
        if (kind != "MTrk") continue; // what one does not know is passed over
        if (!readTrack(chunk, said)) return fail("one of its tracks is damaged");
        ++read;
    }
    if (read == 0) return fail("there is no track in it");
    if (read < tracks) out.warnings.push_back(fmt::format("It says it has {} tracks, and has {}.", tracks, read));
    if (isSmpte) {
        if (!said.tempos.empty())
            out.warnings.push_back(
                "It counts in seconds, not in beats: its tempos mean nothing and were left out.");
        said.tempos.clear();
    }
    out.maps.metre = metresOf(said, ticksPerQuarter, out);
    out.maps.tempo = temposOf(said, ticksPerQuarter, out);
    return out;
}

} // namespace deliver
