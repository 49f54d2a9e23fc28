// The bench: the work place for one source. Readings left, the source as recorded in the middle, the Card right.
#pragma once

#include <QWidget>

class QLabel;
class QPushButton;

namespace app {

class Card;
class ReadingsList;
class Session;
class SourceView;

class Bench : public QWidget {
    Q_OBJECT
  public:
    explicit Bench(Session& session, QWidget* parent = nullptr);
    void scaleTempo(double factor); // of the selected source: ½, ×2

  protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;

  private:
    void refresh();

    Session& session_;
    QLabel* name_;
    QLabel* facts_;
    ReadingsList* readings_;
    SourceView* view_;
    QLabel* viewTitle_;
    QPushButton* half_;
    QPushButton* twice_;
    Card* card_;
};

} // namespace app
