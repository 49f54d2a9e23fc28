// A label that says as much as there is room for; all of it in its tooltip.
#pragma once

#include <QLabel>
#include <QPainter>

namespace app {

class ElidedLabel : public QLabel {
  public:
    explicit ElidedLabel(Qt::TextElideMode mode, QWidget* parent = nullptr) : QLabel(parent), mode_(mode) {
        setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
    }
    QSize minimumSizeHint() const override { return {0, QLabel::minimumSizeHint().height()}; }

  protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.setFont(font());
        p.setPen(palette().color(foregroundRole()));
        p.drawText(contentsRect(), Qt::AlignLeft | Qt::AlignVCenter,
                   fontMetrics().elidedText(text(), mode_, contentsRect().width()));
    }

  private:
    Qt::TextElideMode mode_;
};

} // namespace app
