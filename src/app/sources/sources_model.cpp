#include "app/sources/sources_model.h"

#include "app/session/session.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/settle.h"

#include <cmath>

namespace app {

namespace {

// The witness whose reading a column shows; Said is what the user said, by typing or by tapping.
const hear::Reading* readingIn(const project::Source& s, int column) {
    switch (column) {
    case SourcesModel::Name:
        return project::readingBy(s, hear::Witness::Name);
    case SourcesModel::Tag:
        return project::readingBy(s, hear::Witness::Tag);
    case SourcesModel::Heard:
        return project::readingBy(s, hear::Witness::Heard);
    case SourcesModel::Length:
        return project::readingBy(s, hear::Witness::Length);
    case SourcesModel::Said: {
        const hear::Reading* typed = project::readingBy(s, hear::Witness::Typed);
        return typed != nullptr ? typed : project::readingBy(s, hear::Witness::Tapped);
    }
    default:
        return nullptr;
    }
}

} // namespace

SourcesModel::SourcesModel(Session& session, QObject* parent) : QAbstractTableModel(parent), session_(session) {
    connect(&session_, &Session::changed, this, &SourcesModel::refresh);
    connect(&session_, &Session::proven, this, [this] {
        if (!rows_.empty()) emit dataChanged(index(0, Proof), index(rowCount() - 1, Proof));
    });
    connect(&session_, &Session::preferred, this, [this] {
        if (!rows_.empty()) emit dataChanged(index(0, Strain), index(rowCount() - 1, Proof));
    });
    refresh();
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
    for (int i = 0; i < std::min(before, after); ++i) {
        const auto k = static_cast<std::size_t>(i);
        if (rows_[k] == sources[k]) continue;
        rows_[k] = sources[k];
        emit dataChanged(index(i, 0), index(i, columns - 1));
    }
    // Rules come from clips, tracks and the project as well.
    if (std::min(before, after) > 0)
        emit dataChanged(index(0, Rule), index(std::min(before, after) - 1, Proof), {Qt::DisplayRole});
    if (after > before) {
        beginInsertRows({}, before, after - 1);
        rows_.assign(sources.begin(), sources.end());
        endInsertRows();
    }
}

project::SourcePtr SourcesModel::at(int row) const {
    return row >= 0 && row < static_cast<int>(rows_.size()) ? rows_[static_cast<std::size_t>(row)] : nullptr;
}

int SourcesModel::rowCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : static_cast<int>(rows_.size());
}
int SourcesModel::columnCount(const QModelIndex& parent) const {
    return parent.isValid() ? 0 : columns;
}

QString SourcesModel::textOf(const project::Source& s, int column) const {
    const QString none = QStringLiteral("–");
    if (const hear::Reading* r = readingIn(s, column)) return r->bpm ? qt(metre::tempoLabel(*r->bpm)) : none;
    const hear::Reading* heard = project::readingBy(s, hear::Witness::Heard);
    const bool isFree = s.chosen == hear::Witness::Heard && heard != nullptr && !heard->steady;
    switch (column) {
    case Source:
        return qt(s.name);
    case Tempo:
        return !s.beats ? none
                        : (isFree ? QStringLiteral("~") : QString()) + qt(metre::tempoLabel(s.beats->meanTempo()));
    case BeatCount:
        if (isFree) return tr("free");
        return s.wholeBeats() ? QString::number(*s.wholeBeats()) : none;
    case Key:
        return s.key ? qt(hear::keyLabel(*s.key)) : none;
    case Kind:
        return QString::fromLatin1(hear::kindLabel(s.kind));
    case Rule:
        return ruleOf(s).first;
    case Sure:
        return s.beats ? QString::number(hear::ranked(s.readings).sureness, 'f', 2) : none;
    case Strain:
        if (const auto strain = strainOf(s))
            return QStringLiteral("%1%2").arg(strain->percent > 0 ? QStringLiteral("+") : QString(),
                                              QString::number(strain->percent, 'f', 1).replace('-', QChar(0x2212)));
        return none;
    case Proof:
        return provenOf(s).text;
    default:
        return none;
    }
}

std::pair<QString, QString> SourcesModel::ruleOf(const project::Source& s) const {
    std::optional<std::pair<QString, QString>> all;
    for (const project::LaidClip& c : session_.laid()->clips()) {
        if (c.clip->source != s.id) continue;
        const bool wants = c.rule == project::TimeRule::Stretch || c.rule == project::TimeRule::Slices;
        const std::pair<QString, QString> one{ruleWord(c.rule), wants && !c.time().follows
                                                                    ? tr("not following the tempo")
                                                                    : ruleFromWord(c.ruleFrom)};
        if (all && *all != one) return {tr("several"), tr("its clips differ")};
        all = one;
    }
    return all.value_or(std::pair(QStringLiteral("–"), tr("it is not on the page")));
}

std::optional<prove::Strain> SourcesModel::strainOf(const project::Source& s) const {
    std::optional<prove::Strain> most;
    for (const project::LaidClip& c : session_.laid()->clips()) {
        if (c.clip->source != s.id || !c.time().stretched) continue;
        const prove::Strain strain = prove::strainOf(c, session_.preferences().comfort);
        if (!most || std::abs(strain.percent) > std::abs(most->percent)) most = strain;
    }
    return most;
}

SourcesModel::Proven SourcesModel::provenOf(const project::Source& s) const {
    const Proofs& proofs = session_.proofs();
    Proven out{QStringLiteral("–"), tr("it is not on the page"), {}};
    int clips = 0;
    int waiting = 0;
    const auto isWorse = [](prove::Landing a, prove::Landing b) {
        const auto rank = [](prove::Landing l) {
            return l == prove::Landing::InTime ? 1 : l == prove::Landing::Unread ? 0 : 2;
        };
        return rank(a) > rank(b);
    };
    for (const project::LaidClip& c : session_.laid()->clips()) {
        if (c.clip->source != s.id) continue;
        ++clips;
        if (proofs.isWaiting(c.id())) ++waiting;
        const auto proof = proofs.of(c.id());
        if (!proof) continue;
        const prove::Landing landing = proof->landing(proofs.tolerance());
        const double worst = std::abs(proof->sums.worst.value) * 1000;
        if (!out.landing || isWorse(landing, *out.landing) || (landing == *out.landing && worst > out.farthest)) {
            out.landing = landing;
            out.farthest = proof->deviations.empty() ? -1 : worst;
            out.tip =
                proof->deviations.empty()
                    ? qt(proof->unread)
                    : tr("%1: %2 hits, median %3 ms, 95 % within %4 ms, worst %5, drift %6 ms")
                          .arg(tr(prove::landingWord(landing)))
                          .arg(proof->sums.count)
                          .arg(proof->sums.median.value * 1000, 0, 'f', 1)
                          .arg(proof->sums.p95.value * 1000, 0, 'f', 1)
                          .arg(offText(proof->sums.worst))
                          .arg(QString::number(proof->sums.drift.value * 1000, 'f', 1).replace('-', QChar(0x2212)));
            if (proof->cents)
                out.tip +=
                    tr(", pitch %1 cents").arg(QString::number(*proof->cents, 'f', 1).replace('-', QChar(0x2212)));
        }
    }
    if (waiting > 0 && !out.landing) {
        out.text = QStringLiteral("…");
        out.tip = tr("being measured");
    } else if (out.landing) {
        out.text = out.farthest < 0 ? tr("unread") : tr("%1 ms").arg(out.farthest, 0, 'f', 1);
        if (waiting > 0) out.tip += tr("; %1 of %2 clips are being measured").arg(waiting).arg(clips);
    }
    return out;
}

QVariant SourcesModel::sortKeyOf(const project::Source& s, int column) const {
    if (column == Source || column == Key || column == Kind || column == Rule) return textOf(s, column).toLower();
    if (const hear::Reading* r = readingIn(s, column)) return r->bpm ? r->bpm->value : -1.0;
    switch (column) {
    case Tempo:
        return s.beats ? s.beats->meanTempo().value : -1.0;
    case BeatCount:
        return s.wholeBeats() ? double(*s.wholeBeats()) : -1.0;
    case Sure:
        return s.beats ? hear::ranked(s.readings).sureness : -1.0;
    case Strain: {
        const auto strain = strainOf(s);
        return strain ? std::abs(strain->percent) : -1.0;
    }
    case Proof:
        return provenOf(s).farthest;
    default:
        return -1.0;
    }
}

QVariant SourcesModel::data(const QModelIndex& index, int role) const {
    const project::SourcePtr s = at(index.row());
    if (!s) return {};
    const int column = index.column();
    const hear::Reading* r = readingIn(*s, column);
    switch (role) {
    case Qt::DisplayRole:
        return textOf(*s, column);
    case Qt::EditRole:
        return s->beats ? qt(metre::tempoLabel(s->beats->meanTempo())) : QString();
    case Qt::ToolTipRole:
        if (column == Source) return qt(base::shownPath(s->file));
        if (r != nullptr) return qt(r->evidence);
        if (column == Rule) return ruleOf(*s).second;
        if (column == Proof) return provenOf(*s).tip;
        if (column == Strain)
            if (const auto strain = strainOf(*s)) return tr(prove::verdictWord(strain->verdict));
        if (column == Tempo || column == Sure) {
            const hear::Ranking ranking = hear::ranked(s->readings);
            return qt(ranking.disagree.empty() ? ranking.why : ranking.why + "; " + ranking.disagree);
        }
        return {};
    case Qt::AccessibleTextRole:
        return QStringLiteral("%1: %2").arg(headerData(column, Qt::Horizontal, Qt::DisplayRole).toString(),
                                            textOf(*s, column));
    case SortRole:
        return sortKeyOf(*s, column);
    case SetRole:
        return s->set ? QVariant(qlonglong(s->set->value)) : QVariant();
    case SourceRole:
        return qlonglong(s->id.value);
    case ChosenRole:
        return r != nullptr && s->chosen == r->by;
    case LandingRole: {
        if (column != Proof) return {};
        const auto landing = provenOf(*s).landing;
        return landing ? QVariant(static_cast<int>(*landing)) : QVariant();
    }
    case DisagreeRole:
        return qt(hear::ranked(s->readings).disagree);
    case FigureRole:
        return column != Source && column != Key && column != Kind && column != Rule;
    default:
        return {};
    }
}

QVariant SourcesModel::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::TextAlignmentRole)
        return section == Source || section == Key || section == Kind || section == Rule
                   ? int(Qt::AlignLeft | Qt::AlignVCenter)
                   : int(Qt::AlignRight | Qt::AlignVCenter);
    if (role != Qt::DisplayRole) return {};
    switch (section) {
    case Source:
        return tr("Source");
    case Name:
        return tr("Name");
    case Tag:
        return tr("Tag");
    case Heard:
        return tr("Heard");
    case Length:
        return tr("Length");
    case Said:
        return tr("Said");
    case Tempo:
        return tr("Tempo");
    case BeatCount:
        return tr("Beats");
    case Key:
        return tr("Key");
    case Kind:
        return tr("Kind");
    case Rule:
        return tr("Rule");
    case Sure:
        return tr("Sure");
    case Strain:
        return tr("Strain %");
    case Proof:
        return tr("Proof");
    default:
        return {};
    }
}

Qt::ItemFlags SourcesModel::flags(const QModelIndex& index) const {
    Qt::ItemFlags f = Qt::ItemIsEnabled | Qt::ItemIsSelectable;
    if (index.column() == Tempo) f |= Qt::ItemIsEditable;
    return f;
}

bool SourcesModel::setData(const QModelIndex& index, const QVariant& value, int role) {
    if (role != Qt::EditRole || index.column() != Tempo) return false;
    if (value.toString() != data(index, Qt::EditRole).toString())
        emit tempoTyped(data(index, SourceRole).toLongLong(), value.toString());
    return true;
}

} // namespace app
