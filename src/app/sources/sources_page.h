// The page *Sources*: one row a source, with every reading; many rows are edited at once.
#pragma once

#include "project/project.h"

#include <QWidget>
#include <functional>
#include <vector>

class QLabel;
class QLayout;
class QLineEdit;
class QPushButton;
class QSortFilterProxyModel;
class QTableView;

namespace app {

class Session;
class SourcesModel;

class SourcesPage : public QWidget {
    Q_OBJECT
  public:
    explicit SourcesPage(Session& session, QWidget* parent = nullptr);

  protected:
    void resizeEvent(QResizeEvent* event) override;
    void paintEvent(QPaintEvent*) override;
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

  private:
    void chooseColumns();
    void shareWidth();
    QLayout* buildTools();
    void connectTools(QPushButton* half, QPushButton* twice, QPushButton* roundAll, QPushButton* follow,
                      QPushButton* again, QPushButton* write);
    void buildTable();
    void connectTable();
    std::vector<project::SourceId> selected() const;
    void refresh();
    void followSelection();
    void setTempo(const QString& text, const std::vector<project::SourceId>& ids);

    Session& session_;
    SourcesModel* model_;
    QSortFilterProxyModel* sorted_;
    QTableView* table_;
    QLineEdit* filter_;
    QPushButton* set_ = nullptr;
    QLineEdit* tempo_;
    QLabel* count_;
    QLabel* empty_;
    std::vector<QPushButton*> needRows_;
    bool following_ = false;
};

} // namespace app
