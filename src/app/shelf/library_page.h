// The shelf's page Library: all that was scanned, searched.
#pragma once

#include "app/shelf/entry_model.h"

#include <QTimer>
#include <QWidget>

class QLabel;
class QLineEdit;
class QPushButton;

namespace app {

class FilterStrip;
class Session;
class ShelfList;

class LibraryPage : public QWidget {
    Q_OBJECT
  public:
    explicit LibraryPage(Session& session, QWidget* parent = nullptr);
    ShelfList* list() { return list_; }
    EntryModel& model() { return *model_; }
    void focusSearch();
    void openLimits();
    void askFolder();

  private:
    void buildParts();
    void connectParts();
    void search();
    void refresh();

    Session& session_;
    QLineEdit* words_;
    FilterStrip* filter_;
    EntryModel* model_;
    ShelfList* list_;
    QLabel* count_;
    QLabel* empty_;
    QPushButton* add_;
    QPushButton* again_;
    QTimer soon_;                     // a search is made once nothing was typed for a moment
    std::optional<metre::Bpm> tempo_; // of the last search
    std::optional<hear::Key> key_;
};

} // namespace app
