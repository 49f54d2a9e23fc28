// The shelf's page Folders: the user's folders as a tree, and the files of the one that is chosen.
#pragma once

#include "app/shelf/entry_model.h"

#include <QFileSystemWatcher>
#include <QTimer>
#include <QWidget>

class QComboBox;
class QLabel;
class QLineEdit;
class QPushButton;
class QTreeWidget;
class QTreeWidgetItem;

namespace app {

class Session;
class ShelfList;

class FoldersPage : public QWidget {
    Q_OBJECT
  public:
    explicit FoldersPage(Session& session, QWidget* parent = nullptr);
    ShelfList* list() { return list_; }
    EntryModel& model() { return *model_; }
    // Shows a folder's files; a file of it is selected, where one is said.
    void show(const std::filesystem::path& folder, const std::filesystem::path& file = {});

  signals:
    void addAsked(); // a folder for the library

  protected:
    bool event(QEvent*) override;

  private:
    void buildParts();
    void layOut();
    void connectTree();
    void connectFiles();
    void refreshTree();
    void expand(QTreeWidgetItem* item);
    void look();
    void arrange();
    void readInView();
    void refreshCount();

    Session& session_;
    QTreeWidget* tree_;
    QLineEdit* filter_;
    QComboBox* order_;
    EntryModel* model_;
    ShelfList* list_;
    QLabel* count_;
    QPushButton* add_;
    std::filesystem::path folder_;
    std::filesystem::path toSelect_;
    std::vector<EntryModel::Row> all_; // of the folder, unfiltered
    QFileSystemWatcher watcher_;
    QTimer again_; // a change on disk is looked at once it rests
    QTimer scrolled_;
    QString problem_;
};

} // namespace app
