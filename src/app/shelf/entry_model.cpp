#include "app/shelf/entry_model.h"

#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/settle.h"

#include <QMimeData>
#include <QTimer>
#include <QUrl>
#include <algorithm>

namespace app {

namespace {

QString joined(const QStringList& parts) {
    return parts.join(QStringLiteral(" · "));
}

QString secondsText(metre::Seconds s) {
    if (s.value < 100) return QStringLiteral("%1 s").arg(s.value, 0, 'f', 2);
    const int whole = static_cast<int>(s.value + 0.5);
    return QStringLiteral("%1:%2").arg(whole / 60).arg(whole % 60, 2, 10, QChar('0'));
}

// "D min by name"
QString keyText(hear::Key key, std::optional<hear::Witness> by) {
    const QString label = qt(hear::keyLabel(key));
    switch (by.value_or(hear::Witness::Typed)) {
    case hear::Witness::Name:
        return QObject::tr("%1 by name").arg(label);
    case hear::Witness::Tag:
        return QObject::tr("%1 by tag").arg(label);
    case hear::Witness::Heard:
        return QObject::tr("%1 heard").arg(label);
    default:
        return label;
    }
}

} // namespace

ShelfRow rowFor(const EntryModel::Row& row) {
    ShelfRow r;
    if (!row.entry) {
        r.name = qt(base::shownName(row.listed.file.stem()));
        r.tempo = row.id != 0 ? QString() : QObject::tr("not read yet");
        return r;
    }
    const shelf::Entry& e = *row.entry;
    r.name = qt(e.name);
    r.isFavourite = e.own.favourite;
    QStringList detail;
    if (e.beats) detail << (*e.beats == 1 ? QObject::tr("1 beat") : QObject::tr("%1 beats").arg(*e.beats));
    if (e.isFree) detail << QObject::tr("played free");
    if (e.key) detail << keyText(*e.key, e.keyBy);
    if (e.isRead()) detail << secondsText(e.length);
    const bool isSaid = e.kind == hear::Kind::OneHit || e.kind == hear::Kind::NoBeat; // in the tempo's place
    if (e.isRead() && !isSaid) detail << kindText(e.kind);
    // Even playing needs no word.
    constexpr double swung = 52; // per cent
    if (e.swing && *e.swing >= swung) detail << QObject::tr("swing %1 %").arg(*e.swing, 0, 'f', 0);
    if (!e.own.tags.empty()) detail << qt(shelf::tagsText(e.own.tags));
    r.detail = joined(detail);
    if (e.isGone) {
        r.tempo = QObject::tr("gone");
        r.isPale = true;
    } else if (!e.problem.empty()) {
        r.tempo = QObject::tr("cannot be read");
        r.isPale = true;
    } else if (!e.isRead()) {
        r.tempo = QObject::tr("not read yet");
    } else if (!e.bpm) {
        r.tempo = e.kind == hear::Kind::OneHit ? QObject::tr("one hit") : QObject::tr("no beat");
    } else {
        const QString figure = qt(metre::tempoLabel(*e.bpm));
        r.isFigure = !e.isMaybe;
        r.tempo =
            e.isMaybe ? QObject::tr("maybe %1").arg(figure) : (e.isFree ? QStringLiteral("~") : QString()) + figure;
        if (e.by) r.by = witnessInText(*e.by);
    }
    return r;
}

QString factsOf(const project::Source& s) {
    QStringList parts;
    if (s.beats) {
        QString tempo = qt(metre::tempoFigure(s.beats->meanTempo()));
        if (s.chosen) tempo += ' ' + witnessInText(*s.chosen);
        if (hear::isMaybe(s.readings, s.chosen)) tempo = QObject::tr("maybe %1").arg(tempo);
        parts << tempo;
        if (const auto beats = s.wholeBeats()) parts << QObject::tr("%1 beats").arg(*beats);
    }
    if (s.key) parts << keyText(*s.key, project::keyWitness(s));
    parts << secondsText(s.length());
    return joined(parts);
}

EntryModel::EntryModel(LibraryDesk& desk, QObject* parent) : QAbstractListModel(parent), desk_(desk) {
    connect(&desk_, &LibraryDesk::wasRead, this, &EntryModel::learn);
}

void EntryModel::setRows(std::vector<Row> rows) {
    beginResetModel();
    rows_ = std::move(rows);
    byFile_.clear();
    for (std::size_t i = 0; i < rows_.size(); ++i)
        if (const auto file = rows_[i].file(); !file.empty()) byFile_.emplace(file.native(), static_cast<int>(i));
    wanted_.clear();
    ++filling_;
    endResetModel();
}

const EntryModel::Row* EntryModel::row(const QModelIndex& index) const {
    return index.isValid() && index.row() < rowCount() ? &rows_[static_cast<std::size_t>(index.row())] : nullptr;
}

int EntryModel::rowOf(const std::filesystem::path& file) const {
    const auto found = byFile_.find(file.native());
    return found == byFile_.end() ? -1 : found->second;
}

bool EntryModel::isSame(const std::vector<std::int64_t>& ids) const {
    return std::equal(rows_.begin(), rows_.end(), ids.begin(), ids.end(),
                      [](const Row& r, std::int64_t id) { return r.id == id; });
}

void EntryModel::renew(const std::vector<shelf::Entry>& entries) {
    std::unordered_map<std::int64_t, const shelf::Entry*> byId;
    for (const shelf::Entry& e : entries)
        byId.emplace(e.id, &e);
    for (std::size_t i = 0; i < rows_.size(); ++i) {
        Row& r = rows_[i];
        r.isAsked = false;
        const auto found = byId.find(r.id);
        r.isStale = found == byId.end();
        if (r.isStale) continue;
        r.entry = std::make_shared<const shelf::Entry>(*found->second);
        byFile_.insert_or_assign(r.entry->file.native(), static_cast<int>(i));
    }
    if (!rows_.empty()) emit dataChanged(index(0), index(rowCount() - 1));
}

void EntryModel::learn(const shelf::Entry& entry) {
    const int at = rowOf(entry.file);
    if (at < 0) return;
    rows_[static_cast<std::size_t>(at)].entry = std::make_shared<const shelf::Entry>(entry);
    emit dataChanged(index(at), index(at));
}

int EntryModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}

QVariant EntryModel::data(const QModelIndex& index, int role) const {
    const Row* r = row(index);
    if (r == nullptr) return {};
    if ((!r->entry || r->isStale) && r->id != 0 && !r->isAsked) ask(index.row());
    switch (role) {
    case RowRole:
        return QVariant::fromValue(rowFor(*r));
    case Qt::DisplayRole:
        return rowFor(*r).name;
    case Qt::AccessibleTextRole: {
        const ShelfRow shown = rowFor(*r);
        return joined({shown.name, shown.tempo, shown.by, shown.detail});
    }
    case Qt::ToolTipRole: {
        QStringList lines = {qt(base::shownPath(r->file()))};
        if (r->entry && !r->entry->problem.empty()) lines << translated(r->entry->problem);
        if (r->entry && r->entry->isGone) lines << tr("The file was not there at the last scan.");
        if (r->entry && !r->entry->own.notes.empty()) lines << qt(r->entry->own.notes);
        return lines.join('\n');
    }
    default:
        return {};
    }
}

Qt::ItemFlags EntryModel::flags(const QModelIndex& index) const {
    return index.isValid() ? Qt::ItemIsEnabled | Qt::ItemIsSelectable | Qt::ItemIsDragEnabled : Qt::NoItemFlags;
}

QStringList EntryModel::mimeTypes() const {
    return {QStringLiteral("text/uri-list")};
}

QMimeData* EntryModel::mimeData(const QModelIndexList& indexes) const {
    QList<QUrl> urls;
    for (const QModelIndex& index : indexes)
        if (const Row* r = row(index)) {
            // Names are bytes; Qt's own way from text would lose those that are no UTF-8.
            const QByteArray bytes = QByteArray::fromStdString(r->file().native()).toPercentEncoding("/");
            urls << QUrl::fromEncoded("file://" + bytes);
        }
    auto* data = new QMimeData;
    data->setUrls(urls);
    return data;
}

void EntryModel::ask(int row) const {
    auto* self = const_cast<EntryModel*>(this);
    self->rows_[static_cast<std::size_t>(row)].isAsked = true;
    if (wanted_.empty()) QTimer::singleShot(0, self, &EntryModel::askFor);
    wanted_.push_back(row);
}

// All that was looked at since is asked for at once, and what is beside it.
void EntryModel::askFor() {
    if (wanted_.empty()) return;
    constexpr int beside = 40;
    const auto [least, most] = std::minmax_element(wanted_.begin(), wanted_.end());
    const int from = std::max(0, *least - beside);
    const int to = std::min(rowCount(), *most + beside + 1);
    wanted_.clear();
    std::vector<std::int64_t> ids;
    for (int i = from; i < to; ++i) {
        Row& r = rows_[static_cast<std::size_t>(i)];
        if ((r.entry && !r.isStale) || r.id == 0) continue;
        r.isAsked = true;
        ids.push_back(r.id);
    }
    desk_.fetch(ids, [this, from, to, filling = filling_](std::vector<shelf::Entry> entries) {
        if (filling != filling_) return;
        for (shelf::Entry& e : entries)
            for (int i = from; i < to; ++i) {
                Row& r = rows_[static_cast<std::size_t>(i)];
                if (r.id != e.id) continue;
                byFile_.insert_or_assign(e.file.native(), i);
                r.isStale = false;
                r.entry = std::make_shared<const shelf::Entry>(std::move(e));
                break;
            }
        emit dataChanged(index(from), index(to - 1));
    });
}

} // namespace app
