#include "app/shelf/search_field.h"

#include "app/shelf/shelf_list.h"

#include <QKeyEvent>
#include <QLineEdit>

namespace app {

namespace {

class DownIntoList : public QObject {
  public:
    DownIntoList(QLineEdit* field, ShelfList* list) : QObject(field), list_(list) {}

    void enter() {
        if (list_->model()->rowCount() == 0) return;
        list_->setFocus();
        const QModelIndex now = list_->currentIndex();
        // The first, where none is; the current one is heard again.
        if (now.isValid())
            emit list_->picked(now);
        else
            list_->setCurrentIndex(list_->model()->index(0, 0));
    }

  protected:
    bool eventFilter(QObject*, QEvent* event) override {
        if (event->type() != QEvent::KeyPress || static_cast<QKeyEvent*>(event)->key() != Qt::Key_Down)
            return false;
        enter();
        return true;
    }

  private:
    ShelfList* list_;
};

} // namespace

void joinSearch(QLineEdit* field, ShelfList* list) {
    auto* down = new DownIntoList(field, list);
    field->installEventFilter(down);
    QObject::connect(field, &QLineEdit::returnPressed, list, [down, list] {
        if (list->currentIndex().isValid())
            emit list->bringInAsked();
        else
            down->enter();
    });
    QObject::connect(list, &ShelfList::leftUpwards, field, [field] { field->setFocus(); });
    QObject::connect(list, &ShelfList::typedOn, field, [field](const QString& text) {
        field->setFocus();
        field->setCursorPosition(static_cast<int>(field->text().size()));
        field->insert(text);
    });
}

} // namespace app
