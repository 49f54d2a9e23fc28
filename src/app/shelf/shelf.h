// The shelf: where audio comes from. Its page In project lists the sources.
#pragma once

#include <QListView>
#include <QWidget>

class QLabel;
class QStandardItemModel;

namespace app {

class Session;

class Shelf : public QWidget {
    Q_OBJECT
  public:
    static constexpr const char* sourceMime = "application/x-patient-metre-source";

    explicit Shelf(Session& session, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {240, 400}; }

  signals:
    void placeAsked(qint64 source); // by double click or Enter

  protected:
    void paintEvent(QPaintEvent*) override;

  private:
    void refresh();
    void refreshSelection();

    Session& session_;
    QStandardItemModel* model_;
    QListView* list_;
    QLabel* empty_;
};

} // namespace app
