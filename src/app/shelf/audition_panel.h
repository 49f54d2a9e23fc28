// The foot of the shelf: what is picked there, how it is heard, and how loud.
#pragma once

#include <QWidget>

class QLabel;
class QPushButton;

namespace app {

class AuditionWave;
class LevelBar;
class Session;

class AuditionPanel : public QWidget {
    Q_OBJECT
  public:
    explicit AuditionPanel(Session& session, QWidget* parent = nullptr);
    // Lets what is picked be heard, or stops it.
    void toggleHearing();

  protected:
    void paintEvent(QPaintEvent*) override;

  private:
    void buildParts();
    void connectParts();
    void refresh();
    void tick();

    Session& session_;
    QLabel* name_;
    QLabel* facts_;
    AuditionWave* wave_;
    QPushButton* hear_;
    QPushButton* inTempo_;
    QPushButton* repeat_;
    QPushButton* automatic_;
    QPushButton* inKey_;
    QPushButton* atOnce_;
    LevelBar* level_;
};

} // namespace app
