// The sources of the project as a table: one row a source, every reading a column.
#pragma once

#include "project/project.h"
#include "prove/landing.h"
#include "prove/strain.h"

#include <QAbstractTableModel>

namespace app {

class Session;

class SourcesModel : public QAbstractTableModel {
    Q_OBJECT
  public:
    enum Column {
        Source,
        Name,
        Tag,
        Heard,
        Length,
        Said,
        Tempo,
        BeatCount,
        Key,
        Kind,
        Rule,
        Sure,
        Strain,
        Proof,
        columns
    };
    enum Role {
        SortRole = Qt::UserRole + 1, // a number where the column shows one
        SourceRole,                  // qlonglong: its id
        SetRole,                     // qlonglong: its set's; invalid where it belongs to none
        ChosenRole,                  // true in the column of the reading in use
        DisagreeRole,                // text; empty where the readings agree
        FigureRole,                  // true where the text is a figure to be compared
        LandingRole                  // int: how its clips landed; invalid where that is not known
    };

    explicit SourcesModel(Session& session, QObject* parent = nullptr);
    project::SourcePtr at(int row) const; // null beyond the last

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
    QString textOf(const project::Source& s, int column) const;
    // The time rule that counts for its clips, and where it comes from.
    std::pair<QString, QString> ruleOf(const project::Source& s) const;
    // What is proven of its clips: the worst of them.
    struct Proven {
        QString text;
        QString tip;
        std::optional<prove::Landing> landing;
        double farthest = -1; // ms
    };
    Proven provenOf(const project::Source& s) const;
    // The strain of its clips, where it is the same for all, else of the most strained.
    std::optional<prove::Strain> strainOf(const project::Source& s) const;
    QVariant sortKeyOf(const project::Source& s, int column) const;

    Session& session_;
    std::vector<project::SourcePtr> rows_;
};

} // namespace app
