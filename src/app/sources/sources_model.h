// The sources of the project as a table: one row a source, a column for each of sourceColumns().
#pragma once

#include "app/sources/source_columns.h"

#include <QAbstractTableModel>
#include <QTimer>

namespace app {

class Session;

class SourcesModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    enum Role {
        SortRole = Qt::UserRole + 1, // a number where the column shows one
        SourceRole,                  // qlonglong: its id
        SetRole,                     // qlonglong: its set's; invalid where it belongs to none
        ChosenRole,                  // true in the column of the reading in use
        DisagreeRole,                // text; empty where the readings agree
        FigureRole,                  // true where the text is a figure to be compared
        LandingRole,                 // int: how its clips landed; invalid where that is not known
        LooksRole                    // int: the column's SourcesColumn::Looks
    };

    explicit SourcesModel(Session& session, QObject* parent = nullptr);
    project::SourcePtr at(int row) const; // null beyond the last
    // While nobody sees it, what is proven is not told clip by clip.
    void setShown(bool on);

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override;
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;

  signals:
    void tempoTyped(qlonglong source, const QString& text); // in place, in the column Tempo

  public:
    bool setData(const QModelIndex& index, const QVariant& value, int role) override;

  private:
    void refresh();
    void look(); // for the clips of each source, once for all of them

    void tellProofs();

    Session& session_;
    QTimer soon_; // proofs come one after the other: told together
    bool isShown_ = false;
    bool isBehind_ = false;
    project::LaidPtr laid_; // holds the clips of the rows
    std::vector<SourceRow> rows_;
};

} // namespace app
