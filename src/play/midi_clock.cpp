#include "play/midi_clock.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace play {

namespace {

enum : std::uint8_t { SongPosition = 0xF2, Clock = 0xF8, Start = 0xFA, Continue = 0xFB, Stop = 0xFC };

constexpr std::size_t mostClocks = 4 * ClockReader::perBeat;
constexpr double longestPause = 0.5; // seconds without a clock: it has ended
constexpr double farBeside = 0.012;  // seconds, more than what a busy port delays a message
constexpr int besideInARow = 4;      // clocks
constexpr int perSixteenth = ClockReader::perBeat / 4;
constexpr int highestPosition = 16383; // fourteen bits
constexpr double jump = 0.1;           // seconds off that are a jump and no drift

} // namespace

void ClockReader::take(std::span<const std::uint8_t> message, double at) {
    if (message.empty()) return;
    switch (message[0]) {
    case Clock:
        tick(at);
        break;
    case Start:
        running_ = first_ = true;
        place_ = 0;
        break;
    case Continue:
        if (!running_) first_ = true;
        running_ = true;
        break;
    case Stop:
        if (running_ && !first_) ++place_; // it goes on with the clock that would have come
        running_ = false;
        first_ = true;
        break;
    case SongPosition:
        if (message.size() < 3 || running_) break; // a place is only told while it stands
        place_ = (std::int64_t(message[1] & 0x7F) | std::int64_t(message[2] & 0x7F) << 7) * perSixteenth;
        first_ = true;
        break;
    default:
        break;
    }
}

void ClockReader::tick(double at) {
    if (running_ && !std::exchange(first_, false)) ++place_;
    if (!times_.empty() && at - times_.back() > longestPause) times_.clear();
    if (times_.size() >= 2) {
        const double off = at - (line_.at + line_.interval);
        const bool isFar = std::abs(off) > std::max(farBeside, line_.interval / 2);
        if (!isFar)
            beside_ = 0;
        else
            beside_ = off > 0 ? std::max(beside_, 0) + 1 : std::min(beside_, 0) - 1;
    }
    times_.push_back(at);
    if (times_.size() > mostClocks) times_.pop_front();
    if (std::abs(beside_) >= besideInARow) {
        times_.erase(times_.begin(), times_.end() - besideInARow);
        beside_ = 0;
    }
    fit();
}

void ClockReader::fit() {
    const auto n = static_cast<double>(times_.size());
    if (n < 2) {
        line_ = {times_.back(), 0};
        return;
    }
    // Least squares of time over number, both from their means.
    const double middle = (n - 1) / 2;
    double mean = 0;
    for (const double t : times_)
        mean += (t - times_.front()) / n;
    double slope = 0;
    for (std::size_t i = 0; i < times_.size(); ++i)
        slope += (double(i) - middle) * (times_[i] - times_.front() - mean);
    slope /= n * (n * n - 1) / 12;
    line_ = {times_.front() + mean + middle * slope, slope};
}

std::optional<metre::Bpm> ClockReader::tempo(double now) const {
    if (times_.size() <= perBeat || now - times_.back() > longestPause || line_.interval <= 0) return {};
    const double bpm = 60 / (line_.interval * perBeat);
    // What jitters by so much is known to within so much (the standard error of a slope; any textbook of
    // statistics).
    double square = 0;
    const auto n = static_cast<double>(times_.size());
    for (std::size_t i = 0; i < times_.size(); ++i) {
        const double off = times_[i] - (line_.at - (n - 1 - double(i)) * line_.interval);
        square += off * off;
    }
    const double error = std::sqrt(square / (n - 2) * 12 / (n * (n * n - 1))) / line_.interval * bpm;
    const double hundredth = std::round(bpm * 100) / 100;
    return metre::Bpm(std::abs(hundredth - bpm) <= std::max(3 * error, 1e-6) ? hundredth : bpm);
}

double ClockReader::beatAt(double time) const {
    const auto place = static_cast<double>(place_);
    if (!running_ || first_ || line_.interval <= 0) return place / perBeat;
    // Beyond the next clock only while one may be late.
    const double since = std::clamp((time - line_.at) / line_.interval, -1.0, longestPause / line_.interval);
    return (place + since) / perBeat;
}

void ClockWriter::begin(const Heard& where, std::vector<Message>& list) {
    const double sixteenth = std::max(0.0, std::ceil(where.beat * 4 - 1e-6));
    next_ = static_cast<std::int64_t>(sixteenth) * perSixteenth;
    if (sixteenth == 0) {
        list.push_back({{Start}, 1, where.at});
        return;
    }
    const int position = static_cast<int>(std::min<double>(sixteenth, highestPosition));
    list.push_back(
        {{SongPosition, static_cast<std::uint8_t>(position & 0x7F), static_cast<std::uint8_t>(position >> 7)},
         3,
         where.at});
    list.push_back({{Continue}, 1, where.at});
}

std::vector<ClockWriter::Message> ClockWriter::until(const Heard& where, double time) {
    std::vector<Message> list;
    const double interval = 60 / where.bpm / ClockReader::perBeat;
    const auto timeOf = [&](std::int64_t clock) {
        return where.at + (double(clock) / ClockReader::perBeat - where.beat) * 60 / where.bpm;
    };
    if (where.plays && plays_) {
        // The clock that comes next is one that has not been heard yet, or has just been.
        const double next = timeOf(next_);
        if (next < std::min(where.at, time) - jump ||
            next > std::max(where.at, time) + interval * perSixteenth + jump) {
            list.push_back({{Stop}, 1, where.at});
            begin(where, list);
        }
    } else if (where.plays) {
        begin(where, list);
    } else if (plays_) {
        list.push_back({{Stop}, 1, where.at});
        nextAt_ = std::max(where.at, lastTold_) + interval;
    }
    plays_ = where.plays;
    if (plays_) {
        for (; timeOf(next_) <= time; ++next_)
            list.push_back({{Clock}, 1, timeOf(next_)});
    } else {
        if (nextAt_ < time - 1) nextAt_ = time;
        for (; nextAt_ <= time; nextAt_ += interval)
            list.push_back({{Clock}, 1, nextAt_});
    }
    for (Message& m : list)
        m.at = lastTold_ = std::max(m.at, lastTold_);
    return list;
}

} // namespace play
