// Files of the shelf as rows of a list: what is known of each, and asked for as it comes into view.
#pragma once

#include "app/session/library_desk.h"

#include <QAbstractListModel>
#include <functional>
#include <memory>
#include <unordered_map>
#include <vector>

namespace app {

// What a row of the shelf says, for whoever draws it.
struct ShelfRow {
    QString name;
    QString tempo;         // "118.5", or a word
    bool isFigure = false; // the tempo is a number
    QString detail;        // "16 beats · D min · 8.10 s"
    QString by;            // "heard"
    bool isFavourite = false;
    bool isPale = false; // gone, or damaged
};

class EntryModel : public QAbstractListModel {
    Q_OBJECT
  public:
    enum Role { RowRole = Qt::UserRole + 1 };
    struct Row {
        std::int64_t id = 0;                       // of the library; 0: it is known by its file
        sound::ListedFile listed;                  // of a folder
        std::shared_ptr<const shelf::Entry> entry; // null while nothing is known of it
        bool isAsked = false;
        bool isStale = false; // what is known of it may be another meanwhile

        std::filesystem::path file() const { return entry ? entry->file : listed.file; }
        // The file was not read, or has changed since.
        bool isUnread() const { return !entry || (!entry->isRead() && entry->problem.empty()); }
    };

    explicit EntryModel(LibraryDesk& desk, QObject* parent = nullptr);

    void setRows(std::vector<Row> rows);
    const std::vector<Row>& rows() const { return rows_; }
    const Row* row(const QModelIndex& index) const;
    int rowOf(const std::filesystem::path& file) const;      // −1: none
    bool isSame(const std::vector<std::int64_t>& ids) const; // as those of the rows, in their order
    // Of these rows this is known now; the others are asked for again as they are looked at.
    void renew(const std::vector<shelf::Entry>& entries);
    // More is known of it.
    void learn(const shelf::Entry& entry);

    int rowCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QMimeData* mimeData(const QModelIndexList& indexes) const override;
    QStringList mimeTypes() const override;

  private:
    void ask(int row) const;
    void askFor();

    LibraryDesk& desk_;
    std::vector<Row> rows_;
    std::unordered_map<std::string, int> byFile_;
    mutable std::vector<int> wanted_; // rows that were looked at and are not known
    std::int64_t filling_ = 0;        // what is asked for rows that are no more is not taken in
};

// A file as the shelf shows it.
ShelfRow rowFor(const EntryModel::Row& row);
// In one line: "118.50 heard · 16 beats · A min · 8.10 s".
QString factsOf(const project::Source& source);

} // namespace app

Q_DECLARE_METATYPE(app::ShelfRow)
