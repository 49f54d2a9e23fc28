// Where one is in the piece: playing, stopping, going to a place.
#pragma once

#include "app/session/audition.h"
#include "app/session/device.h"
#include "app/session/proofs.h"

namespace app {

class Transport : public Part {
    Q_OBJECT
  public:
    Transport(const Common& common, play::Player& player, Audition& audition, Device& device);

    void toggle();
    void stop(); // a second stop goes back to the beginning
    void locate(Beats to);
    // To a place in the piece: while playing from the next bar line on, unless at once.
    void goTo(Beats to, bool atOnce);
    // To the n-th section, counted from 1.
    void goToSection(int n, bool atOnce);
    // Selects a hit's clip and goes to where it is.
    void goTo(const Proofs::Place& place);
    // The play position on the lines that are snapped to.
    Beats snapped() const;

  signals:
    void moved();

  private:
    // What leads cannot be asked to start, stop or go: then that is said.
    bool isOnlyTold();

    play::Player& player_;
    Audition& audition_;
    Device& device_;
};

} // namespace app
