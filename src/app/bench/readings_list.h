// The readings of a source's tempo, one under the other, to pick from.
#pragma once

#include "hear/reading.h"

#include <QWidget>
#include <array>
#include <optional>
#include <vector>

namespace app {

// All six witnesses in their order, also those that say nothing: that is to be seen too. A click or Enter picks; a
// right click, or the menu key, offers the other tempos that a witness thinks possible.
class ReadingsList : public QWidget {
    Q_OBJECT
  public:
    explicit ReadingsList(QWidget* parent = nullptr);
    // Without a source: empty rows.
    void show(const std::vector<hear::Reading>& readings, std::optional<hear::Witness> chosen);
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

  signals:
    void picked(hear::Witness by);
    void pickedOther(hear::Witness by, int which); // index into the reading's others
    void typingAsked();                            // the empty row Typed

  protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    bool event(QEvent*) override;

  private:
    void pick(int row);
    void offerOthers(int row, const QPoint& at);

    std::array<hear::Reading, 6> rows_;
    bool empty_ = true;
    std::optional<hear::Witness> chosen_;
    int current_ = 0;
};

} // namespace app
