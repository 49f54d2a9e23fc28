// A picture of the window, taken by the application itself: for the documentation and for machines without a
// monitor.
#pragma once

#include <QObject>
#include <QString>
#include <QTimer>

namespace app {

class MainWindow;

struct ShotOptions {
    QString file;   // PNG
    QString dialog; // trigger this menu action, and take the dialog it opens with the window
};

// Waits until everything that was asked for is there and fitted, writes the picture, and ends the application with
// status 0, or 1 when it could not be written. The window must outlive this.
class Shot : public QObject {
    Q_OBJECT
  public:
    Shot(MainWindow& window, ShotOptions options);

  private:
    void look();
    void take();

    MainWindow& window_;
    ShotOptions options_;
    QTimer timer_;
    int settled_ = 0; // rounds in which there was nothing left to do
};

} // namespace app
