// The plot of strain: across, every project tempo, halves and doubles on a logarithmic scale; up, how much each
// source would be stretched there.
#pragma once

#include "app/widgets/spoken.h"
#include "prove/meeting.h"

#include <QWidget>
#include <optional>
#include <vector>

class QPushButton;

namespace app {

class StrainPlot : public QWidget, public Spoken {
    Q_OBJECT
  public:
    explicit StrainPlot(QWidget* parent = nullptr);

    struct Content {
        prove::StrainedSources sources;
        prove::Comfort comfort;
        metre::Bpm now{120};
        std::optional<metre::Bpm> meeting;
        std::optional<project::SourceId> selected;
        bool mayChange = true; // the project's tempo
    };
    void show(const Content& content);
    const Content& content() const { return content_; }

    // 60 to 200, or 40 to 240.
    bool isWide() const { return wide_; }
    void setWide(bool wide);

    double x(metre::Bpm bpm) const;
    metre::Bpm bpmAt(double x) const;
    double y(double percent) const;
    QRectF field() const;
    // What stands beside the pointer: the line it is on; empty: none.
    const QString& told() const { return told_; }

    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override;
    QWidget& spokenSurface() override { return *this; }

  signals:
    void sourcePressed(qlonglong source);
    // The upright of the tempo now is dragged, or moved by a key: a fresh number for each gesture.
    void tempoTried(double bpm, qlonglong gesture);
    void useAsked();

  protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void mouseReleaseEvent(QMouseEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void leaveEvent(QEvent*) override;
    void resizeEvent(QResizeEvent*) override;

  private:
    const prove::StrainedSource* lineAt(const QPointF& at) const;
    bool isOnNow(const QPointF& at) const;
    void paintGround(QPainter& p) const;
    void paintLines(QPainter& p) const;
    void paintUprights(QPainter& p) const;
    void paintNames(QPainter& p) const;
    void placeUse();

    Content content_;
    bool wide_ = false;
    std::optional<double> dragged_; // the tempo under the hand
    qlonglong gesture_ = 0;
    QString told_;
    QPointF toldAt_;
    std::optional<project::SourceId> pointed_;
    QPushButton* use_;
};

} // namespace app
