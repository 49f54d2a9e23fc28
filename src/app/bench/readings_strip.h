// The readings of a source's tempo, side by side in one strip, to pick from.
#pragma once

#include "app/widgets/spoken.h"
#include "hear/reading.h"

#include <QWidget>
#include <array>
#include <optional>
#include <vector>

class QLineEdit;

namespace app {

// All six witnesses in their order, also those that say nothing: that is to be seen too. Those that agree with the
// one that is used, to a thousandth and halves and doubles apart, are underlined; of the others it is said by how
// much they differ. A click or Enter picks; a right click, or the menu key, offers the other tempos that a witness
// thinks possible; a click on Typed types it.
class ReadingsStrip : public QWidget, public Spoken {
    Q_OBJECT
  public:
    explicit ReadingsStrip(QWidget* parent = nullptr);
    // Without a source: empty cells.
    void show(const std::vector<hear::Reading>& readings, std::optional<hear::Witness> chosen, bool hasSource);
    QSize sizeHint() const override { return {600, height_}; }
    QSize minimumSizeHint() const override { return {420, height_}; }
    std::vector<SpokenItem> spoken() override;
    QString spokenCursor() const override;
    QWidget& spokenSurface() override { return *this; }
    // The cell of a witness.
    QRect cell(hear::Witness by) const;
    // How a reading stands to the one that is used: 0 where they agree, else by which part of it they differ; none
    // where either says no tempo.
    static std::optional<double> difference(const hear::Reading& reading, const hear::Reading& used);

  public slots:
    void beginTyping();

  signals:
    void picked(hear::Witness by);
    void pickedOther(hear::Witness by, int which); // index into the reading's others
    void typed(const QString& text);

  protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    bool event(QEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;

  private:
    static constexpr int height_ = 44;
    void paintCell(class QPainter& p, std::size_t i) const;
    void pick(int cell);
    void offerOthers(int cell, const QPoint& at);
    int cellAt(double x) const;

    std::array<hear::Reading, 6> cells_;
    bool hasSource_ = false;
    std::optional<hear::Witness> chosen_;
    int current_ = 0;
    QLineEdit* edit_;
};

} // namespace app
