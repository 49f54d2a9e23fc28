// How a row of the page Sources is drawn.
#pragma once

#include <QStyledItemDelegate>

namespace app {

class SourcesModel;

class SourcesDelegate : public QStyledItemDelegate {
    Q_OBJECT
  public:
    explicit SourcesDelegate(const SourcesModel& model, QObject* parent = nullptr);
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override;

  private:
    const SourcesModel& model_;
};

} // namespace app
