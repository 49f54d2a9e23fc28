// The shelf's page In project: the sources.
#pragma once

#include "project/project.h"

#include <QListView>
#include <QWidget>
#include <vector>

class QLabel;
class QStandardItemModel;

namespace app {

class Session;

class InProjectPage : public QWidget {
    Q_OBJECT
  public:
    static constexpr const char* sourceMime = "application/x-patient-metre-source";

    explicit InProjectPage(Session& session, QWidget* parent = nullptr);
    QListView* list() { return list_; }

  signals:
    void placeAsked(qint64 source); // by double click or Enter
    void picked(qint64 source);

  private:
    void refresh();
    void refreshSelection();

    Session& session_;
    QStandardItemModel* model_;
    base::SharedList<project::SourcePtr> shown_; // by row
    QListView* list_;
    QLabel* empty_;
};

} // namespace app
