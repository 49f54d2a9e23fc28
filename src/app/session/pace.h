// How often the window looks at what plays: sixty times a second while something moves, seldom else.
#pragma once

#include "app/session/audition.h"
#include "play/player.h"

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

namespace app {

class Pace : public QObject {
    Q_OBJECT
  public:
    // `timer` ticks; it is begun, and paced from then on.
    Pace(const play::Player& player, const Audition& audition, QTimer& timer, QObject* parent);
    // Something was done: what comes of it is looked at closely for a while.
    void wake();

  private:
    void look();
    bool isMoving() const;

    const play::Player& player_;
    const Audition& audition_;
    QTimer& timer_;
    QElapsedTimer still_; // since when
};

} // namespace app
