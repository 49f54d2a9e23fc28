// Figures and names typed in a line on the page: tempo, sections, metre and key, tracks.
#include "app/bars/bars_view.h"

#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "metre/snap.h"
#include "metre/tempo.h"
#include "project/edit_time.h"
#include "project/edit_tracks.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <algorithm>
#include <cmath>

namespace app {

void BarsView::ask(const QRect& where, const QString& initial, const QString& name,
                   std::function<void(const QString&)> take) {
    endAsking(false);
    taken_ = std::move(take);
    QRect r = where;
    r.moveLeft(std::clamp(r.left(), 0, std::max(0, viewport()->width() - r.width())));
    r.setHeight(std::max(22, r.height()));
    line_->setGeometry(r);
    line_->setAccessibleName(name);
    line_->setToolTip(name);
    line_->setText(initial);
    line_->selectAll();
    line_->show();
    line_->setFocus();
    emit hinted(name + tr(" · Enter takes it, Esc takes it back"));
}

void BarsView::endAsking(bool take) {
    if (line_->isHidden()) return;
    const QString text = line_->text().trimmed();
    line_->hide();
    setFocus();
    emit hinted({});
    const auto taken = std::move(taken_);
    taken_ = {};
    if (take && taken) taken(text);
}

bool BarsView::eventFilter(QObject* object, QEvent* event) {
    if (object != line_) return QAbstractScrollArea::eventFilter(object, event);
    if (event->type() == QEvent::KeyPress) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Escape || key == Qt::Key_Return || key == Qt::Key_Enter) {
            endAsking(key != Qt::Key_Escape);
            return true;
        }
    }
    // Single-letter shortcuts of the window must not swallow what is typed here.
    if (event->type() == QEvent::ShortcutOverride) event->accept();
    if (event->type() == QEvent::FocusOut) endAsking(true);
    return QAbstractScrollArea::eventFilter(object, event);
}

void BarsView::pick(const LanePick& what) {
    picked_ = what;
    spokenChanged(*this);
    emit pickedChanged();
    viewport()->update();
}

std::optional<TrackId> BarsView::track() const {
    if (headPressed_ && project::trackOf(session_.now(), *headPressed_)) return headPressed_;
    for (const ClipId id : session_.selection().clips)
        if (const project::LaidClip* c = session_.laid()->find(id)) return c->track->id;
    return std::nullopt;
}

// "112", "112 ramp": at what is picked, or at the play position.
void BarsView::typeTempoPoint() {
    const project::Project& p = session_.now();
    Beats at = picked_.at;
    if (picked_.what != LanePick::What::TempoPoint) {
        at = std::max(Beats(0), metre::snapped(session_.player().position(), p.view.snap, p.metre));
        if (picked_.what == LanePick::What::Nothing && picked_.at > Beats(0)) at = picked_.at;
    }
    setShowsLanes(true);
    const QRect lane = layout_.tempoLane(viewport()->width());
    const int x = static_cast<int>(layout_.x(at));
    ask(QRect(x + 8, lane.top() + 6, 84, 24), qt(metre::tempoFigure(p.tempo.tempoAt(at))),
        tr("Tempo from %1 on, in BPM").arg(qt(metre::positionLabel(p.metre.positionAt(at)))),
        [this, at](const QString& text) { setTempoAt(at, text); });
}

void BarsView::setTempoAt(Beats at, const QString& text) {
    const auto bpm = metre::parseTempo(text.toStdString());
    if (!bpm) {
        session_.say(translated(bpm.error().text));
        return;
    }
    metre::TempoPoint point{at, *bpm, metre::TempoPoint::Shape::Hold};
    for (const metre::TempoPoint& there : session_.now().tempo.points())
        if (std::abs((there.at - at).value) < 1e-9) point.shape = there.shape;
    if (!session_.edit(tr("Tempo point"), project::putTempoPoint(session_.now(), point))) return;
    pick({LanePick::What::TempoPoint, at, {}});
    session_.say(
        tr("Tempo %1 BPM from %2 on")
            .arg(qt(metre::tempoFigure(*bpm)), qt(metre::positionLabel(session_.now().metre.positionAt(at)))));
}

std::pair<Beats, Beats> BarsView::pickedRange() const {
    if (picked_.what == LanePick::What::TempoRange) return {picked_.at, picked_.to};
    return {Beats(0), project::furthest};
}

void BarsView::typeTempoChange() {
    setShowsLanes(true);
    const QRect lane = layout_.tempoLane(viewport()->width());
    const bool range = picked_.what == LanePick::What::TempoRange;
    const int x = range ? static_cast<int>(layout_.x(picked_.at)) : BarsLayout::headers + 8;
    ask(QRect(std::max(x, BarsLayout::headers + 4), lane.top() + 6, 96, 24), {},
        range ? tr("By how much the range's tempo changes: −6, +2.5 or 110 %")
              : tr("By how much the tempo of all of it changes: −6, +2.5 or 110 %"),
        [this](const QString& text) { changeTempo(text); });
}

void BarsView::changeTempo(const QString& text) {
    if (text.isEmpty()) return;
    const auto value = numberIn(text);
    if (!value) {
        session_.say(tr("“%1” is neither a number of BPM, such as −6, nor a percentage, such as 110 %.").arg(text));
        return;
    }
    const auto [from, to] = pickedRange();
    const bool percent = text.trimmed().endsWith('%');
    auto changed = percent ? project::scaleTempo(session_.now(), {from, to}, *value / 100)
                           : project::shiftTempo(session_.now(), {from, to}, *value);
    if (session_.edit(tr("Tempo"), std::move(changed)))
        session_.say(
            percent
                ? tr("The tempo is %1 % of what it was").arg(*value)
                : tr("The tempo is %1 BPM %2").arg(std::abs(*value)).arg(*value < 0 ? tr("slower") : tr("faster")));
}

void BarsView::typeSection() {
    const project::Project& p = session_.now();
    const bool there = picked_.what == LanePick::What::Section;
    Beats at = picked_.at;
    if (!there && !(picked_.what == LanePick::What::Nothing && picked_.at > Beats(0)))
        at = std::max(Beats(0), metre::snapped(session_.player().position(), p.view.snap, p.metre));
    QString name = tr("section %1").arg(p.sections.size() + 1);
    for (const project::Section& s : p.sections)
        if (std::abs((s.at - at).value) < 1e-9) name = qt(s.name);
    const QRect lane = layout_.sectionsLane(viewport()->width());
    ask(QRect(static_cast<int>(layout_.x(at)) + 14, lane.top() - 1, 130, 22), name,
        tr("Name of the section at %1").arg(qt(metre::positionLabel(p.metre.positionAt(at)))),
        [this, at](const QString& text) {
            if (text.isEmpty()) return;
            if (session_.edit(tr("Section"), project::putSection(session_.now(), at, text.toStdString())))
                pick({LanePick::What::Section, at, {}});
        });
}

void BarsView::typeMetreOrKey() {
    const project::Project& p = session_.now();
    const bool there = picked_.what == LanePick::What::Metre || picked_.what == LanePick::What::Key;
    const int bar = std::max(1, p.metre.barAt(there ? picked_.at : session_.player().position()));
    const auto key = p.keys.keyAt(bar);
    setShowsLanes(true);
    const QRect lane = layout_.metreLane(viewport()->width());
    ask(QRect(static_cast<int>(layout_.x(p.metre.startOfBar(bar))) + 3, lane.top() - 1, 130, 22),
        qt(metre::metreLabel(p.metre.metreAt(p.metre.startOfBar(bar)))) +
            (key ? " " + qt(hear::keyName(*key)) : QString()),
        tr("Metre and key from bar %1 on, such as 3/4, D minor, or 3/4 D minor; “no key” ends the key").arg(bar),
        [this, bar](const QString& text) { setMetreOrKeyAt(bar, text); });
}

void BarsView::setMetreOrKeyAt(int bar, const QString& text) {
    base::Result<project::Project> next = session_.now();
    QString rest = text.simplified();
    const QString first = rest.section(' ', 0, 0);
    if (first.contains('/')) {
        const auto m = metre::parseMetre(first.toStdString());
        if (!m) {
            session_.say(translated(m.error().text));
            return;
        }
        next = project::setMetreAt(*next, bar, *m);
        rest = rest.section(' ', 1);
    }
    if (next && !rest.isEmpty()) {
        if (rest == tr("no key")) {
            next = project::setKeyAt(*next, bar, {});
        } else if (const auto key = hear::parseKey(rest.toStdString())) {
            next = project::setKeyAt(*next, bar, key);
        } else {
            session_.say(tr("“%1” is neither a metre, such as 3/4, nor a key, such as D minor.").arg(rest));
            return;
        }
    }
    if (session_.edit(tr("Metre and key"), std::move(next)))
        session_.say(tr("From bar %1 on: %2").arg(bar).arg(text.simplified()));
}

void BarsView::typeTrackName(TrackId id) {
    const auto& tracks = session_.now().tracks;
    for (std::size_t i = 0; i < tracks.size(); ++i)
        if (tracks[i]->id == id)
            ask(nameRect(layout_, i).adjusted(-4, -2, 8, 3), qt(tracks[i]->name), tr("Name of the track"),
                [this, id](const QString& text) {
                    session_.edit(tr("Rename track"), project::renameTrack(session_.now(), id, text.toStdString()));
                });
}

void BarsView::removePicked() {
    const project::Project& p = session_.now();
    const int bar = p.metre.barAt(picked_.at);
    switch (picked_.what) {
    case LanePick::What::TempoPoint:
        session_.edit(tr("Delete tempo point"), project::removeTempoPoint(p, picked_.at));
        break;
    case LanePick::What::Section:
        session_.edit(tr("Delete section"), project::removeSection(p, picked_.at));
        break;
    case LanePick::What::Metre:
    case LanePick::What::Key: {
        // Whatever changes at that bar.
        base::Result<project::Project> next = p;
        bool any = false;
        for (const metre::MetrePoint& m : p.metre.points())
            if (m.bar == bar && bar > 1) {
                next = project::removeMetreAt(*next, bar);
                any = true;
            }
        for (const project::KeyPoint& k : p.keys.points())
            if (k.bar == bar && next && (bar > 1 || k.key)) {
                next = project::removeKeyAt(*next, bar);
                any = true;
            }
        if (any)
            session_.edit(tr("Delete change"), std::move(next));
        else
            session_.say(tr("Nothing changes at bar %1.").arg(bar));
        break;
    }
    default:
        return;
    }
    pick({});
}

} // namespace app
