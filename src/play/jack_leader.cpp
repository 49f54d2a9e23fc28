#include "play/jack_leader.h"

#include "metre/tempo.h"
#include "metre/units.h"
#include "play/snapshot.h"
#include "play/sound_libraries.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <deque>
#include <jack/jack.h>
#include <jack/transport.h>
#include <limits>
#include <readerwriterqueue/readerwriterqueue.h>

namespace play {

using metre::Beats;
using metre::Seconds;

namespace {

constexpr double ticksPerBeat = 1920;
constexpr Seconds looseStep{0.03}; // beside another device's clock
constexpr double sameTempo = 1e-6; // relative
constexpr std::int64_t nowhere = -1;
constexpr double lastFrame = 4294967295.0; // that the transport can count
constexpr double longestBlock = 0.5;       // seconds between two looks, at most

// The project's time as one value that the server's thread may read.
struct KeptTime {
    metre::TempoMap tempo;
    metre::MetreMap metre;
};

// Where the sound that is heard is.
struct HeardAt {
    std::int64_t frame = nowhere; // of the transport
    double beat = 0;
};

struct SaidTime {
    bool known = false;
    double bpm = 0;
    int beats = 0;
    int unit = 0;
};

class JackLeader : public Leader {
  public:
    JackLeader(std::unique_ptr<JackClient> client, JackTime time)
        : owned_(std::move(client)), client_(owned_->get()), time_(time) {}
    ~JackLeader() override { owned_.reset(); } // no callback any more, before what they use goes

    base::Result<void> begin() {
        rate_ = static_cast<int>(jack_get_sample_rate(client_));
        setProject(metre::TempoMap(), metre::MetreMap());
        if (jack_set_sync_callback(client_, &JackLeader::sync, this) != 0 || jack_activate(client_) != 0)
            return base::problem("JACK does not let this program follow its transport.");
        if (time_ == JackTime::Given && jack_set_timebase_callback(client_, 1, &JackLeader::tellTime, this) != 0)
            return base::problem("Another program gives JACK its tempo already.");
        return {};
    }

    std::string name() const override { return "JACK"; }
    bool isThere() override { return !owned_->hasGone(); }
    bool isAskable() const override { return true; }
    void start() override {
        if (isThere()) jack_transport_start(client_);
    }
    void stop() override {
        if (isThere()) jack_transport_stop(client_);
    }
    void locate(Beats to) override {
        if (!isThere()) return;
        const double frame = std::clamp(std::round(frameOf(to)), 0.0, lastFrame);
        located_.store(static_cast<std::int64_t>(frame), std::memory_order_release);
        jack_transport_locate(client_, static_cast<jack_nframes_t>(frame));
    }
    bool rolls() const override { return rolls_.load(std::memory_order_relaxed); }

    std::optional<LedTime> time() override {
        const SaidTime said = said_.read();
        if (!said.known || time_ == JackTime::Given) return {};
        LedTime time{metre::Bpm(said.bpm), {}};
        if (said.beats >= 1 && said.beats <= 32 && said.unit >= 1 && said.unit <= 32 &&
            (said.unit & (said.unit - 1)) == 0)
            time.metre = metre::Metre{said.beats, said.unit};
        return time;
    }

    void setProject(const metre::TempoMap& tempo, const metre::MetreMap& metre) override {
        if (!kept_.empty() && kept_.back()->tempo == tempo && kept_.back()->metre == metre) return;
        kept_.push_back(std::make_unique<KeptTime>(KeptTime{tempo, metre}));
        // Those before the one that is read, by both threads, are read no more.
        forPlaces_.given.enqueue(kept_.back().get());
        std::int64_t read = forPlaces_.taken.load(std::memory_order_acquire);
        if (time_ == JackTime::Given) {
            forTime_.given.enqueue(kept_.back().get());
            read = std::min(read, forTime_.taken.load(std::memory_order_acquire));
        }
        for (; dropped_ + 1 < read; ++dropped_)
            kept_.pop_front();
    }

    void setStep(Step step) override {
        step_ = step;
        next_ = nowhere;
    }

    std::optional<Beats> waitsAt() override {
        const std::int64_t at = waits_.load(std::memory_order_acquire);
        if (at == nowhere || at == ready_.load(std::memory_order_relaxed)) return {};
        return Beats(beatOf(double(at)));
    }
    void isReady(Beats at) override {
        const std::int64_t waits = waits_.load(std::memory_order_acquire);
        if (waits != nowhere && std::abs(beatOf(double(waits)) - at.value) < 1e-6)
            ready_.store(waits, std::memory_order_release);
    }

    LedPlace look(const metre::TempoMap& heard, int n, bool anew) override {
        jack_position_t pos;
        const jack_transport_state_t state = jack_transport_query(client_, &pos);
        LedPlace place;
        place.rolls = state == JackTransportRolling;
        if (step_ == Step::Loose) place.loose = looseStep;
        const std::int64_t frame = place.rolls && step_ == Step::Loose
                                       ? static_cast<std::int64_t>(jack_get_current_transport_frame(client_))
                                       : static_cast<std::int64_t>(pos.frame);
        const KeptTime& kept = forPlaces_.newest();
        // Whether it goes on from the block before; a cycle that was missed is a step like any other.
        std::int64_t located = frame;
        const bool isLocated = located_.compare_exchange_strong(located, nowhere, std::memory_order_acq_rel);
        const bool goesOn =
            next_ != nowhere && !isLocated && frame >= frame_ && double(frame - frame_) < longestBlock * rate_;
        if (time_ == JackTime::Taken && isTold(pos)) {
            followBeats(pos, kept.metre, double(frame), goesOn && wasTold_, heard, place);
        } else {
            if (wasTold_) forgetBeats();
            followFrames(frame, goesOn, kept.tempo, place);
            if (anew) place.at = target_;
        }
        frame_ = frame;
        next_ = place.rolls ? frame + n : frame; // at the project's rate where that matters
        rolls_.store(place.rolls, std::memory_order_relaxed);
        return place;
    }

    void begins(Beats at) override { heard_.write({frame_, at.value}); }

  private:
    // One thread gives, another takes the newest.
    struct Handed {
        moodycamel::ReaderWriterQueue<const KeptTime*> given{64};
        std::atomic<std::int64_t> taken{0};
        const KeptTime* now = nullptr;
        const KeptTime& newest() {
            const KeptTime* next = nullptr;
            while (given.try_dequeue(next)) {
                now = next;
                taken.fetch_add(1, std::memory_order_release);
            }
            return *now; // one is given before any of the threads runs
        }
    };
    struct Line {
        bool known = false;
        double frame = 0;
        double quarters = 0;
        double bpm = 120;
    };

    static bool isTold(const jack_position_t& p) {
        return (p.valid & JackPositionBBT) != 0 && p.beat_type >= 1 && p.beats_per_bar >= 1 &&
               p.ticks_per_beat >= 1 && p.frame_rate > 0 && p.bar >= 1 && p.beat >= 1 &&
               metre::isTempo(metre::Bpm(p.beats_per_minute * 4 / double(p.beat_type)));
    }
    static ToldBeats::Told toldBy(const jack_position_t& p, const metre::MetreMap& metre) {
        const bool exact = (p.valid & JackTickDouble) != 0;
        const double offset = (p.valid & JackBBTFrameOffset) != 0 ? double(p.bbt_offset) : 0;
        const double quarter = 4 / double(p.beat_type); // of a beat
        // Where both count the same bars the project knows where they begin; else all are as long as this one.
        const Beats start = metre.startOfBar(p.bar);
        const double bar = double(p.beats_per_bar) * quarter;
        const bool same = std::abs(metre.metreAt(start).bar().value - bar) < 1e-9;
        const double begins = same ? start.value : (p.bar - 1) * bar;
        const double ticks = exact ? p.tick_double : double(p.tick);
        return {p.frame - offset, begins + (p.beat - 1 + ticks / p.ticks_per_beat) * quarter,
                exact ? 0 : quarter / p.ticks_per_beat, p.beats_per_minute / quarter, double(p.frame_rate)};
    }
    // Bars and beats of another program.
    void followBeats(const jack_position_t& pos, const metre::MetreMap& metre, double frame, bool goesOn,
                     const metre::TempoMap& heard, LedPlace& place) {
        const ToldBeats::Told told = toldBy(pos, metre);
        const double since = (frame - pos.frame) / pos.frame_rate;
        place.at = Beats(beats_.quartersAt(told, pos.frame) + since / 60 * told.bpm);
        said_.write({true, told.bpm, static_cast<int>(std::lround(pos.beats_per_bar)),
                     static_cast<int>(std::lround(pos.beat_type))});
        line_.write({true, frame, place.at->value, told.bpm});
        // At another tempo it cannot stay with the beats: until the project has theirs it goes on from where it
        // was.
        if (goesOn && std::abs(heard.tempoAt(*place.at).value - told.bpm) > sameTempo * told.bpm)
            place.loose = Seconds(std::numeric_limits<int>::max());
        wasTold_ = true;
        target_ = *place.at;
    }
    // Frames only: they count by the project's tempo from where it was located. A tempo that changes since then
    // keeps bar and beat.
    void followFrames(std::int64_t frame, bool goesOn, const metre::TempoMap& tempo, LedPlace& place) {
        if (goesOn)
            target_ = tempo.beatAt(tempo.secondsAt(target_) + Seconds(double(frame - frame_) / rate_));
        else
            target_ = tempo.beatAt(Seconds(double(frame) / rate_));
        const bool isThere = step_ == Step::Exact ? frame == next_ : !place.rolls && frame == frame_;
        if (!goesOn || !isThere) place.at = target_;
    }
    void forgetBeats() {
        beats_.forget();
        said_.write({});
        line_.write({});
        wasTold_ = false;
    }
    // On the line that is told, else by the project's own tempo. Interface thread.
    double frameOf(Beats at) const {
        const Line line = line_.read();
        if (line.known) return line.frame + (at.value - line.quarters) * 60 / line.bpm * rate_;
        return kept_.back()->tempo.secondsAt(at).value * rate_;
    }
    double beatOf(double frame) const {
        const Line line = line_.read();
        if (line.known) return line.quarters + (frame - line.frame) * line.bpm / 60 / rate_;
        return kept_.back()->tempo.beatAt(Seconds(frame / rate_)).value;
    }

    // The server asks, each cycle, whether it may begin to roll. Its own thread.
    static int sync(jack_transport_state_t state, jack_position_t* pos, void* self) {
        auto& leader = *static_cast<JackLeader*>(self);
        const auto at = static_cast<std::int64_t>(pos->frame);
        leader.waits_.store(at, std::memory_order_release);
        return state != JackTransportStarting || leader.ready_.load(std::memory_order_acquire) == at ? 1 : 0;
    }

    // Bars, beats and ticks for the other programs, of the cycle that comes. The server's thread.
    static void tellTime(jack_transport_state_t, jack_nframes_t n, jack_position_t* pos, int, void* self) {
        auto& leader = *static_cast<JackLeader*>(self);
        const KeptTime& kept = leader.forTime_.newest();
        const HeardAt heard = leader.heard_.read();
        const auto frame = static_cast<std::int64_t>(pos->frame);
        const bool near = heard.frame != nowhere && frame >= heard.frame &&
                          frame - heard.frame <= 4 * static_cast<std::int64_t>(n);
        // The server fills its own figure of the rate in only later.
        const Seconds since(double(near ? frame - heard.frame : frame) / leader.rate_);
        const Beats at = kept.tempo.beatAt(near ? kept.tempo.secondsAt(Beats(heard.beat)) + since : since);
        const int bar = kept.metre.barAt(at + Beats(1e-9));
        const Beats start = kept.metre.startOfBar(bar);
        const metre::Metre metre = kept.metre.metreAt(start);
        const double quarter = metre.counted().value;
        const double within = std::max(0.0, (at - start).value / quarter);
        const double beat = std::floor(within + 1e-9);
        pos->valid = static_cast<jack_position_bits_t>(JackPositionBBT | JackTickDouble);
        pos->bar = bar;
        pos->beat = static_cast<int>(beat) + 1;
        pos->tick_double = std::max(0.0, (within - beat) * ticksPerBeat);
        pos->tick = static_cast<int>(pos->tick_double);
        pos->bar_start_tick = start.value / quarter * ticksPerBeat;
        pos->beats_per_bar = static_cast<float>(metre.beats);
        pos->beat_type = static_cast<float>(metre.unit);
        pos->ticks_per_beat = ticksPerBeat;
        pos->beats_per_minute = kept.tempo.tempoAt(at).value / quarter;
    }

    std::unique_ptr<JackClient> owned_;
    jack_client_t* const client_;
    const JackTime time_;
    int rate_ = 48000; // the server's
    std::atomic<bool> rolls_{false};
    std::atomic<std::int64_t> located_{nowhere}; // frame that was asked for, and not seen yet
    std::atomic<std::int64_t> waits_{nowhere};   // frame at which it wants to begin
    std::atomic<std::int64_t> ready_{0};         // frame whose sound is there

    // Interface thread.
    std::deque<std::unique_ptr<const KeptTime>> kept_;
    std::int64_t dropped_ = 0;

    Handed forTime_;   // of the server's thread
    Handed forPlaces_; // of the audio callback
    Snapshot<HeardAt> heard_;
    Snapshot<SaidTime> said_;
    Snapshot<Line> line_;

    // The audio callback's own.
    Step step_ = Step::Exact;
    std::int64_t frame_ = 0;      // of this block
    std::int64_t next_ = nowhere; // that follows it
    Beats target_;                // its place
    bool wasTold_ = false;
    ToldBeats beats_;
};

} // namespace

double ToldBeats::quartersAt(const Told& told, double frame) {
    keep(told);
    return on(frame);
}

void ToldBeats::keep(const Told& told) {
    const double slope = told.bpm / 60 / told.rate;
    constexpr double hair = 1e-7;
    const double middle = told.quarters + told.step / 2;
    const double most = told.step / 2 + told.step + hair;
    const auto agrees = [&](double place) { return std::abs(place - middle) <= most; };
    constexpr int mostBeside = 4;
    constexpr double longestCycle = 8192;
    const bool goesOn = known_ && slope == slope_ && told.frame >= last_ && told.frame - last_ <= longestCycle;
    last_ = told.frame;
    if (known_ && slope == slope_ && agrees(on(told.frame))) {
        beside_ = 0;
        return;
    }
    if (goesOn && ++beside_ < mostBeside) return;
    beside_ = 0;
    known_ = true;
    slope_ = slope;
    // Most programs count from frame 0 at one tempo: then that line is exact.
    frame_ = 0;
    quarters_ = 0;
    if (agrees(on(told.frame))) return;
    frame_ = told.frame;
    quarters_ = middle;
}

base::Result<std::unique_ptr<Leader>> openJackLeader(JackTime time) {
    auto client = JackClient::open("Patient Metre time");
    if (!client) return base::problem("No JACK server answers.");
    auto leader = std::make_unique<JackLeader>(std::move(client), time);
    if (auto begun = leader->begin(); !begun) return tl::unexpected(begun.error());
    return leader;
}

} // namespace play
