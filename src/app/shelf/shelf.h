// The shelf: where audio comes from. Library, Folders and In project, and what is picked there auditioned at its
// foot.
#pragma once

#include <QWidget>
#include <filesystem>
#include <vector>

class QStackedWidget;
class QTabBar;

namespace app {

class AuditionPanel;
class EntryModel;
class FoldersPage;
class InProjectPage;
class LibraryPage;
class OwnWordsEditor;
class Session;
class ShelfList;

class Shelf : public QWidget {
    Q_OBJECT
  public:
    explicit Shelf(Session& session, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {258, 400}; }

    void search();       // the search field of the library
    void searchWithin(); // and its limits
    void toggleHearing();
    void addFolder();

  signals:
    void placeAsked(qint64 source); // of a source, by double click or Enter
    void importAsked(const std::vector<std::filesystem::path>& files);

  protected:
    void paintEvent(QPaintEvent*) override;
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;

  private:
    void serve(ShelfList* list, EntryModel& model);
    void bringIn(const std::vector<std::filesystem::path>& files);
    void offerMenu(ShelfList* list, EntryModel& model, const QPoint& at);

    Session& session_;
    QTabBar* tabs_;
    QStackedWidget* pages_;
    LibraryPage* library_;
    FoldersPage* folders_;
    InProjectPage* inProject_;
    OwnWordsEditor* words_;
    AuditionPanel* audition_;
};

} // namespace app
