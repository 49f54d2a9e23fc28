#include "app/session/together.h"

#include "app/widgets/text.h"
#include "metre/tempo.h"
#include "project/edit_time.h"

namespace app {

// Opening takes a moment, and is done by a job; what was chosen anew meanwhile counts.
template <class T>
void Together::open(const QString& what, const std::int64_t& turn,
                    std::function<base::Result<std::unique_ptr<T>>()> how,
                    std::function<void(std::unique_ptr<T>)> take, const QString& failed) {
    using Opened = base::Result<std::shared_ptr<std::unique_ptr<T>>>;
    jobs_.start<Opened>(
        Lane::Device, what,
        [how = std::move(how)](const base::Progress&) -> Opened {
            auto opened = how();
            if (!opened) return tl::unexpected(opened.error());
            return std::make_shared<std::unique_ptr<T>>(std::move(*opened));
        },
        [this, &turn, asked = turn, take = std::move(take), failed](Opened opened) {
            if (asked != turn) return;
            if (opened)
                take(std::move(**opened));
            else
                complain(failed, {translated(opened.error().text)});
            emit changed();
        });
}

Together::Together(const Common& common, play::Player& player) : Part(common), player_(player) {
    take();
}

Together::~Together() {
    input_.reset(); // no more strokes
    sender_.reset();
}

QString Together::ledBy() const {
    return player_.leader() != nullptr ? qt(player_.leader()->name()) : QString();
}

std::optional<metre::Bpm> Together::midiTempo() const {
    return input_ ? input_->tempo() : std::nullopt;
}

void Together::take() {
    const TogetherWays before = ways_;
    ways_ = preferences_.together;
    if (ways_.midiIn != before.midiIn) takeInput();
    if (ways_.midiOut != before.midiOut) takeOutput();
    const bool otherClock = ways_.ledBy == LedBy::Midi && ways_.midiIn != before.midiIn;
    if (ways_.ledBy != before.ledBy || otherClock) takeLeader();
}

void Together::takeLeader() {
    followed_.reset();
    ++leading_;
    if (player_.leader() != nullptr) player_.setLeader(nullptr);
    switch (ways_.ledBy) {
    case LedBy::Project:
        break;
    case LedBy::Jack:
        openJack(play::JackTime::Taken);
        break;
    case LedBy::JackGiven:
        openJack(play::JackTime::Given);
        break;
    case LedBy::Midi:
        if (input_)
            player_.setLeader(input_->leader());
        else if (ways_.midiIn.empty())
            say(tr("Choose the port that the MIDI clock comes in by first: Preferences, Other programs."));
        break;
    }
    emit changed();
}

void Together::openJack(play::JackTime time) {
    open<play::Leader>(
        tr("Looking for JACK"), leading_, [time] { return play::openJackLeader(time); },
        [this, time](std::unique_ptr<play::Leader> leader) {
            player_.setLeader(std::move(leader));
            say(time == play::JackTime::Given ? tr("JACK says when the project plays, at the project's tempo")
                                              : tr("JACK says when the project plays, and where"));
        },
        tr("JACK does not lead"));
}

void Together::takeInput() {
    ++comingIn_;
    if (ways_.ledBy == LedBy::Midi && player_.leader() != nullptr) player_.setLeader(nullptr);
    input_.reset();
    if (ways_.midiIn.empty()) return;
    const auto onStroke = [this](double at) {
        mailbox_.post([this, at] {
            if (ways_.pads) emit struck(at);
        });
    };
    open<play::MidiInput>(
        tr("Opening a MIDI port"), comingIn_,
        [name = ways_.midiIn, onStroke] { return play::MidiInput::open(name, onStroke); },
        [this](std::unique_ptr<play::MidiInput> input) {
            input_ = std::move(input);
            if (ways_.ledBy == LedBy::Midi) takeLeader();
        },
        tr("No MIDI comes in"));
}

void Together::takeOutput() {
    ++goingOut_;
    sender_.reset();
    if (ways_.midiOut.empty()) return;
    open<play::MidiPort>(
        tr("Opening a MIDI port"), goingOut_, [name = ways_.midiOut] { return play::openMidiOutput(name); },
        [this](std::unique_ptr<play::MidiPort> port) {
            sender_ =
                std::make_unique<play::MidiSender>(std::move(port), [&player = player_] { return player.heard(); });
        },
        tr("No MIDI goes out"));
}

void Together::watch() {
    if (player_.leader() != nullptr && !player_.leader()->isThere()) {
        const QString gone = ledBy();
        player_.setLeader(nullptr);
        ++leading_;
        say(tr("%1 has gone: the project goes by itself").arg(gone));
        emit changed();
    }
    followTime();
    const auto midi = midiTempo();
    if (midi.has_value() != shownTempo_.has_value() ||
        (midi && metre::tempoFigure(*midi) != metre::tempoFigure(*shownTempo_))) {
        shownTempo_ = midi;
        emit changed();
    }
}

// The project takes the tempo and the metre of what leads, as one step for as long as that leads.
void Together::followTime() {
    if (player_.leader() == nullptr) return;
    const auto said = player_.leader()->time();
    if (!said || said == followed_) return;
    followed_ = said;
    const project::Project& p = now();
    const bool sameTempo = p.tempo.isSteady() && p.tempo.points().front().bpm == said->bpm;
    const bool sameMetre = !said->metre || p.metre.points().front().metre == *said->metre;
    if (sameTempo && sameMetre) return;
    base::Result<project::Project> next = p;
    if (!sameTempo) next = project::setTempoMap(*next, metre::TempoMap(said->bpm));
    if (next && !sameMetre) next = project::setMetre(*next, *said->metre);
    if (edit(tr("Tempo of %1").arg(ledBy()), std::move(next), {"led tempo", 0, leading_}))
        say(tr("%1 leads: %2 BPM").arg(ledBy(), qt(metre::tempoFigure(said->bpm))));
}

void Together::pickMidiTempo() {
    const auto bpm = midiTempo();
    if (!bpm) {
        say(input_ ? tr("No MIDI clock comes in.")
                   : tr("Choose the port that the MIDI clock comes in by first: Preferences, Other programs."));
        return;
    }
    if (edit(tr("Tempo of MIDI"), project::setTempo(now(), *bpm)))
        say(tr("Project tempo %1 BPM, as the MIDI clock has it").arg(qt(metre::tempoFigure(*bpm))));
}

} // namespace app
