#include "app/sources/source_columns.h"

#include "app/session/proofs.h"
#include "app/session/standing.h"
#include "app/widgets/feel_text.h"
#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/settle.h"
#include "project/tighten.h"

#include <QCoreApplication>
#include <algorithm>
#include <array>
#include <cmath>

namespace app {

namespace {

using hear::Witness;
using project::readingBy;

const QString none = QStringLiteral("–");

QString tr(const char* text) {
    return QCoreApplication::translate("app", text);
}

QString signedText(double value, int digits) {
    return QString::number(value, 'f', digits).replace('-', QChar(0x2212));
}

// What the user said, by typing or by tapping.
const hear::Reading* saidOf(const project::Source& s) {
    const hear::Reading* typed = readingBy(s, Witness::Typed);
    return typed != nullptr ? typed : readingBy(s, Witness::Tapped);
}

// Columns of one witness each.
const hear::Reading* readingFor(const project::Source& s, Witness by) {
    return by == Witness::Typed ? saidOf(s) : readingBy(s, by);
}
template <Witness by>
QString readingText(const SourceRow& row) {
    const hear::Reading* r = readingFor(*row.source, by);
    return r != nullptr && r->bpm ? qt(metre::tempoLabel(*r->bpm)) : none;
}
template <Witness by>
QVariant readingKey(const SourceRow& row) {
    const hear::Reading* r = readingFor(*row.source, by);
    return r != nullptr && r->bpm ? r->bpm->value : -1.0;
}
template <Witness by>
QString readingTip(const SourceRow& row) {
    const hear::Reading* r = readingFor(*row.source, by);
    return r != nullptr ? translated(r->evidence) : QString();
}
template <Witness by>
constexpr SourcesColumn readingColumn(const char* header, int width) {
    return {header,         width,         SourcesColumn::Looks::Figure, false, by, readingText<by>,
            readingKey<by>, readingTip<by>};
}

template <QString (*text)(const SourceRow&)>
QVariant byText(const SourceRow& row) {
    return text(row).toLower();
}
QString noTip(const SourceRow&) {
    return {};
}

QString nameText(const SourceRow& row) {
    return qt(row.source->name);
}
QString nameTip(const SourceRow& row) {
    return qt(base::shownPath(row.source->file));
}

bool isFree(const project::Source& s) {
    const hear::Reading* heard = readingBy(s, Witness::Heard);
    return s.chosen == Witness::Heard && heard != nullptr && !heard->steady;
}
QString tempoText(const SourceRow& row) {
    const project::Source& s = *row.source;
    if (!s.beats) return none;
    return (isFree(s) ? QStringLiteral("~") : QString()) + qt(metre::tempoLabel(s.beats->meanTempo()));
}
QVariant tempoKey(const SourceRow& row) {
    return row.source->beats ? row.source->beats->meanTempo().value : -1.0;
}
QString rankingTip(const SourceRow& row) {
    const hear::Ranking ranking = hear::ranked(row.source->readings);
    return translated(ranking.disagree.empty() ? ranking.why : ranking.why + "; " + ranking.disagree);
}

QString beatsText(const SourceRow& row) {
    if (isFree(*row.source)) return tr("free");
    const auto beats = row.source->wholeBeats();
    return beats ? QString::number(*beats) : none;
}
QVariant beatsKey(const SourceRow& row) {
    const auto beats = row.source->wholeBeats();
    return beats ? double(*beats) : -1.0;
}

QString keyText(const SourceRow& row) {
    return row.source->key ? qt(hear::keyLabel(*row.source->key)) : none;
}
QString kindText(const SourceRow& row) {
    return app::kindText(row.source->kind);
}

// The time rule that counts for its clips, and where it comes from.
std::pair<QString, QString> ruleOf(const SourceRow& row) {
    std::optional<std::pair<QString, QString>> all;
    for (const project::LaidClip* c : row.clips) {
        const bool wants = project::entryOf(c->rule).needsBeats;
        // What does not follow says how it stands: "held at 107", "as recorded".
        const bool stays = wants && !c->time().follows;
        const std::pair<QString, QString> one{
            stays ? standingOf(*c, metre::TempoMap(metre::Bpm(120))) : ruleWord(c->rule),
            stays ? tr("not following the project's tempo") : ruleFromWord(c->ruleFrom)};
        if (all && *all != one) return {tr("several"), tr("the clips differ")};
        all = one;
    }
    return all.value_or(std::pair(none, tr("not on the page")));
}
QString ruleText(const SourceRow& row) {
    return ruleOf(row).first;
}
QString ruleTip(const SourceRow& row) {
    return ruleOf(row).second;
}

QString sureText(const SourceRow& row) {
    return row.source->beats ? QString::number(hear::ranked(row.source->readings).sureness, 'f', 2) : none;
}
QVariant sureKey(const SourceRow& row) {
    return row.source->beats ? hear::ranked(row.source->readings).sureness : -1.0;
}

// The strain of its clips, where it is the same for all, else of the most strained.
std::optional<prove::Strain> strainOf(const SourceRow& row) {
    std::optional<prove::Strain> most;
    for (const project::LaidClip* c : row.clips) {
        if (!c->time().stretched) continue;
        const prove::Strain strain = prove::strainOf(*c, row.comfort);
        if (!most || std::abs(strain.percent) > std::abs(most->percent)) most = strain;
    }
    return most;
}
QString strainText(const SourceRow& row) {
    const auto strain = strainOf(row);
    if (!strain) return none;
    return (strain->percent > 0 ? QStringLiteral("+") : QString()) + signedText(strain->percent, 1);
}
QVariant strainKey(const SourceRow& row) {
    const auto strain = strainOf(row);
    return strain ? std::abs(strain->percent) : -1.0;
}
QString strainTip(const SourceRow& row) {
    const auto strain = strainOf(row);
    return strain ? verdictText(strain->verdict) : QString();
}

// How it is played; sorted by swing, then by looseness.
QString feelColumn(const SourceRow& row) {
    if (!row.source->sound || !row.source->beats) return none;
    const auto feel = project::feelOf(*row.source);
    if (!feel) return none;
    QString text = feelText(*feel);
    return text.left(text.lastIndexOf(' ')); // its unit stands in the tooltip
}
QVariant feelKey(const SourceRow& row) {
    if (!row.source->sound || !row.source->beats) return -1.0;
    const auto feel = project::feelOf(*row.source);
    return feel ? feel->swing.value_or(0) + feel->loose.value : -1.0;
}
QString feelTip(const SourceRow& row) {
    if (!row.source->sound) return {};
    const auto feel = project::feelOf(*row.source);
    return feel ? feelWords(*feel) : translated(feel.error().text);
}

// What is proven of its clips: the worst of them.
struct Proven {
    std::shared_ptr<const prove::Proof> proof; // null while none is known
    prove::Landing landing = prove::Landing::Unread;
    double farthest = -1; // ms; −1: unread
    int waiting = 0;
};
Proven provenOf(const SourceRow& row) {
    const auto rank = [](prove::Landing l) {
        return prove::isWrong(l) ? 3 : l == prove::Landing::Loose ? 2 : l == prove::Landing::InTime ? 1 : 0;
    };
    Proven out;
    for (const project::LaidClip* c : row.clips) {
        if (row.proofs->isWaiting(c->id())) ++out.waiting;
        const auto proof = row.proofs->of(c->id());
        if (!proof) continue;
        const prove::Landing landing = proof->landing(row.proofs->tolerance());
        const double farthest = proof->deviations.empty() ? -1 : std::abs(proof->sums.worst.value) * 1000;
        if (out.proof && rank(landing) < rank(out.landing)) continue;
        if (out.proof && rank(landing) == rank(out.landing) && farthest <= out.farthest) continue;
        out.proof = proof;
        out.landing = landing;
        out.farthest = farthest;
    }
    return out;
}
QString proofText(const SourceRow& row) {
    const Proven proven = provenOf(row);
    if (!proven.proof) return proven.waiting > 0 ? QStringLiteral("…") : none;
    return proven.farthest < 0 ? tr("unread") : tr("%1 ms").arg(proven.farthest, 0, 'f', 1);
}
QVariant proofKey(const SourceRow& row) {
    return provenOf(row).farthest;
}
QString proofTip(const SourceRow& row) {
    const Proven proven = provenOf(row);
    if (!proven.proof) return proven.waiting > 0 ? tr("being measured") : tr("not on the page");
    const prove::Proof& proof = *proven.proof;
    QString tip = translated(proof.unread);
    if (!proof.deviations.empty())
        tip = tr("%1: %2 hits, median %3 ms, 95 % within %4 ms, worst %5, drift %6 ms")
                  .arg(landingLabel(proven.landing))
                  .arg(proof.sums.count)
                  .arg(proof.sums.median.value * 1000, 0, 'f', 1)
                  .arg(proof.sums.p95.value * 1000, 0, 'f', 1)
                  .arg(offText(proof.sums.worst), signedText(proof.sums.drift.value * 1000, 1));
    if (proof.cents) tip += tr(", pitch %1 cents").arg(signedText(*proof.cents, 1));
    if (proven.waiting > 0)
        tip +=
            tr("; %1 of %2 clips are being measured").arg(proven.waiting).arg(static_cast<int>(row.clips.size()));
    return tip;
}

using Looks = SourcesColumn::Looks;

constexpr std::array columns{
    SourcesColumn{QT_TRANSLATE_NOOP("SourceColumns", "Source"),
                  0,
                  Looks::Source,
                  false,
                  {},
                  nameText,
                  byText<nameText>,
                  nameTip},
    readingColumn<Witness::Name>(QT_TRANSLATE_NOOP("SourceColumns", "Name"), 54),
    readingColumn<Witness::Tag>(QT_TRANSLATE_NOOP("SourceColumns", "Tag"), 46),
    readingColumn<Witness::Heard>(QT_TRANSLATE_NOOP("SourceColumns", "Heard"), 62),
    readingColumn<Witness::Length>(QT_TRANSLATE_NOOP("SourceColumns", "Length"), 62),
    readingColumn<Witness::Typed>(QT_TRANSLATE_NOOP("SourceColumns", "By hand"), 60),
    SourcesColumn{
        QT_TRANSLATE_NOOP("SourceColumns", "Tempo"), 76, Looks::Tempo, false, {}, tempoText, tempoKey, rankingTip},
    SourcesColumn{
        QT_TRANSLATE_NOOP("SourceColumns", "Beats"), 46, Looks::Figure, false, {}, beatsText, beatsKey, noTip},
    SourcesColumn{
        QT_TRANSLATE_NOOP("SourceColumns", "Key"), 52, Looks::Text, false, {}, keyText, byText<keyText>, noTip},
    SourcesColumn{
        QT_TRANSLATE_NOOP("SourceColumns", "Kind"), 60, Looks::Text, false, {}, kindText, byText<kindText>, noTip},
    SourcesColumn{
        QT_TRANSLATE_NOOP("SourceColumns", "Rule"), 64, Looks::Text, true, {}, ruleText, byText<ruleText>, ruleTip},
    SourcesColumn{QT_TRANSLATE_NOOP("SourceColumns", "Confidence"),
                  80,
                  Looks::Sureness,
                  false,
                  {},
                  sureText,
                  sureKey,
                  rankingTip},
    SourcesColumn{QT_TRANSLATE_NOOP("SourceColumns", "Strain %"),
                  64,
                  Looks::Figure,
                  true,
                  {},
                  strainText,
                  strainKey,
                  strainTip},
    SourcesColumn{
        QT_TRANSLATE_NOOP("SourceColumns", "Feel"), 98, Looks::Text, false, {}, feelColumn, feelKey, feelTip},
    SourcesColumn{
        QT_TRANSLATE_NOOP("SourceColumns", "Proof"), 78, Looks::Proof, true, {}, proofText, proofKey, proofTip},
};

} // namespace

std::span<const SourcesColumn> sourceColumns() {
    return columns;
}

int sourceColumnAt(std::string_view header) {
    const auto at =
        std::find_if(columns.begin(), columns.end(), [&](const SourcesColumn& c) { return header == c.header; });
    return static_cast<int>(at - columns.begin());
}

std::optional<hear::Witness> shownWitness(const project::Source& source, hear::Witness by) {
    const hear::Reading* r = readingFor(source, by);
    return r != nullptr ? std::optional(r->by) : std::nullopt;
}

std::optional<prove::Landing> landingOf(const SourceRow& row) {
    const Proven proven = provenOf(row);
    return proven.proof ? std::optional(proven.landing) : std::nullopt;
}

} // namespace app
