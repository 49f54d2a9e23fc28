// The outline of what is auditioned, with where it is; pressed, it is heard from there.
#pragma once

#include "app/widgets/spoken.h"
#include "project/project.h"

#include <QPixmap>
#include <QWidget>
#include <memory>

namespace app {

class AuditionWave : public QWidget, public Spoken {
    Q_OBJECT
  public:
    explicit AuditionWave(QWidget* parent = nullptr);
    void show(const std::shared_ptr<const project::Source>& source);
    void showPosition(std::optional<metre::Seconds> at);
    QSize sizeHint() const override { return {200, 46}; }

    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override { return QStringLiteral("place"); }
    QWidget& spokenSurface() override { return *this; }

  signals:
    void pressedAt(metre::Seconds at);

  protected:
    void paintEvent(QPaintEvent*) override;
    void paintSound(QPainter& p);
    void mousePressEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

  private:
    void press(double x);

    std::shared_ptr<const project::Source> source_;
    std::optional<metre::Seconds> at_;
    QPixmap outline_;
    const void* drawn_ = nullptr; // the sound and the theme of outline_
    QColor drawnInk_;
};

} // namespace app
