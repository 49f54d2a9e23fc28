// A list on the shelf: two lines a row, walked with the arrow keys, dragged from.
#pragma once

#include <QListView>

namespace app {

// Draws rows that say what they are under EntryModel::RowRole: a name and a tempo, and below them details and who
// says so.
QAbstractItemDelegate* shelfDelegate(QObject* parent);

class ShelfList : public QListView {
    Q_OBJECT
  public:
    ShelfList(const QString& name, QWidget* parent = nullptr);

  signals:
    void picked(const QModelIndex& index); // by arrow key, or a click
    void typedOn(const QString& text);     // a letter or more: what is searched for goes on
    void stopAsked();                      // by Escape: what is auditioned
    void leftUpwards();                    // Up in the first row
    void bringInAsked();                   // by Enter or a double click: what is selected
    void menuAsked(const QPoint& at);      // global
    void scrolled();

  protected:
    bool event(QEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void currentChanged(const QModelIndex& now, const QModelIndex& before) override;
    void focusInEvent(QFocusEvent*) override;
    void keyPressEvent(QKeyEvent*) override;
    void mouseDoubleClickEvent(QMouseEvent*) override;
    void contextMenuEvent(QContextMenuEvent*) override;
    void startDrag(Qt::DropActions) override;
    void resizeEvent(QResizeEvent*) override;
    void paintEvent(QPaintEvent*) override;

  private:
    bool quiet_ = false; // a row is selected, and not heard
};

} // namespace app
