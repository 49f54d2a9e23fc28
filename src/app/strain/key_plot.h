// Beside the strain of tempos that of keys: for each of the twelve project keys, how far the sources would be
// transposed.
#pragma once

#include "app/widgets/spoken.h"
#include "prove/key_meeting.h"

#include <QWidget>

namespace app {

class KeyPlot : public QWidget, public Spoken {
    Q_OBJECT
  public:
    explicit KeyPlot(QWidget* parent = nullptr);
    void show(const prove::KeyMeeting& meeting, std::optional<hear::Key> now);
    QSize sizeHint() const override { return {600, 158}; }

    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override;
    QWidget& spokenSurface() override { return *this; }

  signals:
    void keyAsked(int root, bool minor);
    void hinted(const QString& hint);

  protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void leaveEvent(QEvent*) override;

  private:
    QRectF column(int root) const;
    std::optional<int> rootAt(double x) const;
    QString told(int root) const;

    prove::KeyMeeting meeting_;
    std::optional<hear::Key> now_;
    std::optional<int> pointed_;
};

} // namespace app
