// The readings of one source, side by side: who says what tempo, and with what evidence. A click picks one.
#pragma once

#include "hear/reading.h"

#include <QWidget>
#include <vector>

namespace app {

class ReadingsList : public QWidget {
    Q_OBJECT
  public:
    explicit ReadingsList(QWidget* parent = nullptr);
    void show(const std::vector<hear::Reading>& readings, std::optional<hear::Witness> chosen);
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

  signals:
    void picked(hear::Witness by);

  protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void focusInEvent(QFocusEvent*) override { update(); }
    void focusOutEvent(QFocusEvent*) override { update(); }

  private:
    void pick(int row);

    std::vector<hear::Reading> readings_;
    std::optional<hear::Witness> chosen_;
    int current_ = 0; // under the keyboard
};

} // namespace app
