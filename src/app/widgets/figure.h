// A figure that is turned with the wheel and typed after a double click.
#pragma once

#include "app/widgets/spoken.h"

#include <QElapsedTimer>
#include <QWidget>
#include <cstdint>

class QLineEdit;

namespace app {

// Shows text in the font for figures. Wheel, Up and Down turn it (finer with Shift held); a double click, Enter, F2
// or a digit types it; Enter then takes the new text, Escape takes it back.
class Figure : public QWidget, public Spoken {
    Q_OBJECT
  public:
    Figure(const QString& accessibleName, int pixels, QWidget* parent = nullptr);

    void setText(const QString& text);
    QString text() const { return text_; }
    // The widest text it must have room for.
    void setRoomFor(const QString& text);
    // Right-aligned in columns of figures.
    void setAlignment(Qt::Alignment alignment);
    // What it belongs to refuses to be changed: shown softly, and said in the tooltip and to readers of the screen.
    void setLocked(bool locked);
    bool isTyping() const;
    // The turn that is under way: a fresh number for each focus, each entry of the pointer, and after each pause.
    std::int64_t turn() const { return turn_; }
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override { return sizeHint(); }

    std::vector<SpokenItem> spoken() override { return {}; }
    QWidget& spokenSurface() override { return *this; }
    QAccessible::Role spokenRole() const override { return QAccessible::SpinBox; }
    QString spokenValue() const override { return text_; }
    std::vector<SpokenAction> spokenActions() override;

  public slots:
    void beginTyping(const QString& initial = {});

  signals:
    void turned(int steps, bool fine);
    void typed(const QString& text);

  protected:
    void paintEvent(QPaintEvent*) override;
    void wheelEvent(QWheelEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void focusInEvent(QFocusEvent*) override;
    void enterEvent(QEnterEvent*) override;
    bool event(QEvent*) override;
    void leaveEvent(QEvent*) override;
    bool eventFilter(QObject*, QEvent*) override;

  private:
    void endTyping(bool take);
    void freshTurn();
    void emitTurned(int steps, bool fine);

    int pixels_;
    QString text_;
    QString room_;
    QString tip_; // while it is locked, what stands there else
    bool isLocked_ = false;
    Qt::Alignment alignment_ = Qt::AlignLeft;
    QLineEdit* edit_;
    std::int64_t turn_ = 0;
    QElapsedTimer lastTurn_;
    int wheel_ = 0; // eighths of a degree not yet turned
};

} // namespace app
