// Other programs and machines that play along: who leads, what comes in and goes out.
#pragma once

#include "app/session/part.h"
#include "play/jack_leader.h"
#include "play/midi_ports.h"
#include "play/player.h"

namespace app {

class Together : public Part {
    Q_OBJECT
  public:
    Together(const Common& common, play::Player& player);
    ~Together() override;

    // Takes what is preferred now: opens and closes ports and servers.
    void take();
    // To be called often: what leads may have gone, or have another tempo.
    void watch();

    // What leads in the project's stead; empty for nothing.
    QString ledBy() const;
    // What the MIDI clock says, as a reading to be picked.
    std::optional<metre::Bpm> midiTempo() const;
    void pickMidiTempo();

  signals:
    void changed();
    void struck(double at); // a pad; seconds of the steady clock

  private:
    template <class T>
    void open(const QString& what, const std::int64_t& turn, std::function<base::Result<std::unique_ptr<T>>()> how,
              std::function<void(std::unique_ptr<T>)> take, const QString& failed);
    void takeLeader();
    void openJack(play::JackTime time);
    void takeInput();
    void takeOutput();
    void followTime();

    play::Player& player_;
    TogetherWays ways_; // that are taken
    std::unique_ptr<play::MidiInput> input_;
    std::unique_ptr<play::MidiSender> sender_;
    std::optional<play::LedTime> followed_;
    std::optional<metre::Bpm> shownTempo_;
    // Fresh numbers for each time something is chosen: what was opened for a choice before is let go.
    std::int64_t leading_ = 1;
    std::int64_t comingIn_ = 0;
    std::int64_t goingOut_ = 0;
};

} // namespace app
