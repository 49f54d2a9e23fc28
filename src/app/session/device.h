// The sound device: looked for, taken, and noticed when it has gone.
#pragma once

#include "app/session/part.h"
#include "play/player.h"

namespace app {

class Device : public Part {
    Q_OBJECT
  public:
    // `told`: what there was to say when the player's output was opened.
    Device(const Common& common, play::Player& player, const QString& told);

    const QString& told() const { return told_; } // what is wrong with it; empty for nothing
    // Looks for the sound device that is preferred, and takes it; where nobody asked, it says only what is wrong.
    void take(bool isAsked = true);
    // To be called often: a device that has gone is noticed, and what plays goes on silently until it is taken
    // again.
    void watch();

  signals:
    void changed();
    void lost(const QString& sentence);

  private:
    void opened(play::OpenedOutput opened, bool isAsked);

    play::Player& player_;
    QString told_;
};

} // namespace app
