#include "app/sources/sources_model.h"

#include "app/session/session.h"
#include "app/widgets/text.h"
#include "metre/tempo.h"

#include <QCoreApplication>
#include <algorithm>
#include <unordered_map>

namespace app {

namespace {

using Looks = SourcesColumn::Looks;

const SourcesColumn& columnAt(int column) {
    return sourceColumns()[static_cast<std::size_t>(column)];
}

bool isFigure(Looks looks) {
    return looks != Looks::Source && looks != Looks::Text;
}

} // namespace

SourcesModel::SourcesModel(Session& session, QObject* parent) : QAbstractTableModel(parent), session_(session) {
    soon_.setSingleShot(true);
    soon_.setInterval(100);
    connect(&soon_, &QTimer::timeout, this, &SourcesModel::tellProofs);
    connect(&session_, &Session::changed, this, &SourcesModel::refresh);
    connect(&session_, &Session::proven, this, [this] {
        if (!soon_.isActive()) soon_.start();
    });
    connect(&session_, &Session::preferred, this, [this] {
        look();
        if (!rows_.empty()) emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
    });
    refresh();
}

void SourcesModel::setShown(bool on) {
    isShown_ = on;
    if (!on || !isBehind_) return;
    isBehind_ = false;
    look();
    if (!rows_.empty()) emit dataChanged(index(0, 0), index(rowCount() - 1, columnCount() - 1));
}

void SourcesModel::tellProofs() {
    isBehind_ = !isShown_;
    if (isBehind_ || rows_.empty()) return;
    const int proof = sourceColumnAt("Proof");
    emit dataChanged(index(0, proof), index(rowCount() - 1, proof));
}

void SourcesModel::look() {
    std::unordered_map<std::int64_t, SourceRow*> bySource;
    for (SourceRow& row : rows_) {
        row.clips.clear();
        row.proofs = &session_.proofs();
        row.comfort = session_.preferences().comfort;
        bySource.emplace(row.source->id.value, &row);
    }
    laid_ = session_.laid();
    for (const project::LaidClip& c : laid_->clips())
        if (const auto row = bySource.find(c.clip->source.value); row != bySource.end())
            row->second->clips.push_back(&c);
}

void SourcesModel::refresh() {
    const auto& sources = session_.now().sources;
    const auto before = static_cast<int>(rows_.size());
    const auto after = static_cast<int>(sources.size());
    // Rows that stay are told about only where they changed; new ones arrive at the end.
    if (after < before) {
        beginRemoveRows({}, after, before - 1);
        rows_.resize(sources.size());
        endRemoveRows();
    }
    const int stay = std::min(before, after);
    std::vector<int> changed;
    for (int i = 0; i < stay; ++i) {
        const auto k = static_cast<std::size_t>(i);
        if (rows_[k].source == sources[k]) continue;
        rows_[k].source = sources[k];
        changed.push_back(i);
    }
    if (after > before) {
        beginInsertRows({}, before, after - 1);
        for (std::size_t k = rows_.size(); k < sources.size(); ++k)
            rows_.push_back({sources[k]});
        look();
        endInsertRows();
    } else if (isShown_) {
        look();
    } else {
        isBehind_ = true; // what is not seen is looked up when it is
    }
    for (const int i : changed)
        emit dataChanged(index(i, 0), index(i, columnCount() - 1));
    if (stay == 0 || !isShown_) return;
    for (int c = 0; c < columnCount(); ++c)
        if (columnAt(c).fromClips) emit dataChanged(index(0, c), index(stay - 1, c), {Qt::DisplayRole});
}

project::SourcePtr SourcesModel::at(int row) const {
    return row >= 0 && row < static_cast<int>(rows_.size()) ? rows_[static_cast<std::size_t>(row)].source : nullptr;
}

int SourcesModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}
int SourcesModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(sourceColumns().size());
}

QVariant SourcesModel::data(const QModelIndex& index, int role) const {
    if (!at(index.row())) return {};
    const SourceRow& row = rows_[static_cast<std::size_t>(index.row())];
    const project::Source& s = *row.source;
    const SourcesColumn& column = columnAt(index.column());
    switch (role) {
    case Qt::DisplayRole:
        return column.text(row);
    case Qt::EditRole:
        return s.beats ? qt(metre::tempoLabel(s.beats->meanTempo())) : QString();
    case Qt::ToolTipRole:
        return column.tip(row);
    case Qt::AccessibleTextRole:
        return QStringLiteral("%1: %2").arg(headerData(index.column(), Qt::Horizontal, Qt::DisplayRole).toString(),
                                            column.text(row));
    case SortRole:
        return column.sortKey(row);
    case SetRole:
        return s.set ? QVariant(qlonglong(s.set->value)) : QVariant();
    case SourceRole:
        return qlonglong(s.id.value);
    case ChosenRole:
        return column.witness && s.chosen && s.chosen == shownWitness(s, *column.witness);
    case LandingRole: {
        if (column.looks != Looks::Proof) return {};
        const auto landing = landingOf(row);
        return landing ? QVariant(static_cast<int>(*landing)) : QVariant();
    }
    case DisagreeRole:
        return translated(hear::ranked(s.readings).disagree);
    case FigureRole:
        return isFigure(column.looks);
    case LooksRole:
        return static_cast<int>(column.looks);
    default:
        return {};
    }
}

QVariant SourcesModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || section < 0 || section >= columnCount()) return {};
    const SourcesColumn& column = columnAt(section);
    if (role == Qt::TextAlignmentRole)
        return int((isFigure(column.looks) ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    if (role == Qt::DisplayRole) return QCoreApplication::translate("SourceColumns", column.header);
    return {};
}

Qt::ItemFlags SourcesModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags f = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    if (index.isValid() && columnAt(index.column()).looks == Looks::Tempo) f |= Qt::ItemIsEditable;
    return f;
}

bool SourcesModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || !(flags(index) & Qt::ItemIsEditable)) return false;
    if (value.toString() != data(index, Qt::EditRole).toString())
        emit tempoTyped(data(index, SourceRole).toLongLong(), value.toString());
    return true;
}

} // namespace app
