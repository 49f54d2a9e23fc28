// The page Strain: what every source would suffer at every project tempo, and where all of them meet.
#pragma once

#include "app/strain/strain_plot.h"

#include <QWidget>

class QLabel;
class QListWidget;
class QPushButton;

namespace app {

class Session;
class KeyPlot;

class StrainPage : public QWidget {
    Q_OBJECT
  public:
    explicit StrainPage(Session& session, QWidget* parent = nullptr);
    StrainPlot& plot() { return *plot_; }

  signals:
    void hinted(const QString& hint); // what the hand can do here; empty: it has gone

  protected:
    void paintEvent(QPaintEvent*) override;
    void showEvent(QShowEvent*) override;
    void enterEvent(QEnterEvent*) override;
    void leaveEvent(QEvent*) override;

  private:
    QWidget* buildSide();
    void connectParts();
    void refresh();
    void showRows(const StrainPlot::Content& content);

    Session& session_;
    StrainPlot* plot_;
    KeyPlot* keys_;
    QPushButton* outCount_;
    QLabel* at_;
    QListWidget* list_; // worst first
    QLabel* out_;       // what is left out, and why
    bool refreshing_ = false;
};

} // namespace app
