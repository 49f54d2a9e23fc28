#include "app/bars/bars_view.h"

#include "app/bars/bars_cursors.h"
#include "app/bars/empty_page.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "metre/snap.h"
#include "project/edit_clips.h"
#include "project/edit_tracks.h"
#include "project/laid.h"
#include "sound/decibel.h"

#include <QContextMenuEvent>
#include <QHelpEvent>
#include <QLineEdit>
#include <QScrollBar>
#include <QToolTip>
#include <algorithm>
#include <cmath>

namespace app {

namespace {
constexpr double slowestScroll = 2.0; // pixels a beat: the widest view
constexpr double closest = 2000.0;
constexpr int beatsPerScrollStep = 16; // scroll bar units a beat
} // namespace

BarsView::BarsView(Session& session, QWidget* parent)
    : QAbstractScrollArea(parent), session_(session), empty_(new EmptyPage(viewport())),
      line_(new QLineEdit(viewport())) {
    setObjectName("barsView");
    setLayoutDirection(Qt::LeftToRight); // time runs so in every language
    setAccessibleName(tr("Bars: tracks and clips"));
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::StrongFocus);
    setAcceptDrops(true);
    viewport()->setAcceptDrops(true);
    viewport()->setMouseTracking(true);
    viewport()->setAttribute(Qt::WA_OpaquePaintEvent);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOn);
    line_->setObjectName("barsLine");
    line_->setFont(textFont(sizes::text));
    line_->hide();
    line_->installEventFilter(this);
    connect(&session_, &Session::changed, this, [this] {
        layout_.take(session_.now());
        foldLanes();
        placeEmptyPage();
        if (tool_ && !tool_->stillHolds()) cancelDrag();
        updateScrollBars();
        paintChanges();
    });
    connect(&session_, &Session::opened, this, [this] {
        layout_.take(session_.now());
        foldLanes();
        placeEmptyPage();
        endAsking(false);
        waves_.clear();
        pick({});
        zoomToAll();
    });
    connect(&session_, &Session::rendered, this, &BarsView::paintChanges);
    connect(&session_, &Session::proven, this, &BarsView::paintChanges);
    connect(&session_, &Session::selectionChanged, this, &BarsView::paintChanges);
    connect(&session_, &Session::ticked, this, [this] {
        followPlayPosition();
        takeLevels();
    });
    connect(&session_.transport(), &Transport::moved, this, [this] { spokenChanged(*this); });
    connect(&session_.importing(), &Importing::broughtIn, this, [this](const BroughtIn& brought) {
        if (brought.isAll) zoomToAll();
    });
    layout_.take(session_.now());
    updateScrollBars();
}

void BarsView::paintEvent(QPaintEvent* event) {
    QPainter p(viewport());
    const Beats at = session_.player().position();
    paintedX_ = static_cast<int>(std::lround(layout_.x(at)));
    BarsScene scene{session_, layout_, viewport()->size(), drag_, at, lineIsStrong_, {}, picked_, levels_, waves_,
                    titles_,  hovered_};
    for (const ClipId id : session_.selection().clips)
        scene.selected.insert(id.value);
    for (const QRect& part : event->region()) {
        p.save();
        paintBars(p, scene, part);
        p.restore();
    }
    if (hasFocus()) {
        p.setPen(QPen(tokens().brass, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(viewport()->rect().adjusted(0, 0, -1, -1));
        if (const auto index = emptyTrackAtCursor()) {
            p.setPen(QPen(tokens().brass, 2));
            p.drawRect(QRect(2, layout_.y(*index) + 1, BarsLayout::headers - 4, layout_.heightOf(*index) - 3));
        }
    }
}

// Once for all that happens before the page is painted again. Hidden, it is painted whole when it is shown.
void BarsView::paintChanges() {
    spokenChanged(*this);
    if (std::exchange(willLook_, true)) return;
    QMetaObject::invokeMethod(
        this,
        [this] {
            willLook_ = false;
            if (isVisible()) viewport()->update(changes_.since(session_, layout_, viewport()->size()));
        },
        Qt::QueuedConnection);
}

void BarsView::setLineStrong(bool strong) {
    lineIsStrong_ = strong;
    viewport()->update();
}

void BarsView::focusInEvent(QFocusEvent*) {
    viewport()->update();
}
void BarsView::focusOutEvent(QFocusEvent*) {
    viewport()->update();
}

void BarsView::resizeEvent(QResizeEvent*) {
    updateScrollBars();
    placeEmptyPage();
}

void BarsView::updateScrollBars() {
    const project::Project& p = session_.now();
    const double visible = (viewport()->width() - BarsLayout::headers) / layout_.perBeat;
    const double end = std::max(session_.laid()->end().value + 16, 64.0);
    const double first = p.metre.startOfBar(p.metre.barAt(firstBeat()) - 1).value;
    QScrollBar* h = horizontalScrollBar();
    h->setRange(static_cast<int>(first * beatsPerScrollStep),
                static_cast<int>(std::max(0.0, end - visible) * beatsPerScrollStep));
    h->setPageStep(std::max(1, static_cast<int>(visible * beatsPerScrollStep)));
    h->setSingleStep(beatsPerScrollStep);
    h->setValue(static_cast<int>(std::lround(layout_.leftBeat * beatsPerScrollStep)));
    const int height = layout_.allTracks() + BarsLayout::heights[1] / 2;
    const int room = viewport()->height() - layout_.top();
    verticalScrollBar()->setRange(0, p.tracks.empty() ? 0 : std::max(0, height - room));
    verticalScrollBar()->setPageStep(std::max(1, room));
    verticalScrollBar()->setSingleStep(BarsLayout::heights[1] / 2);
}

void BarsView::scrollContentsBy(int, int) {
    layout_.leftBeat = static_cast<double>(horizontalScrollBar()->value()) / beatsPerScrollStep;
    layout_.scrollY = verticalScrollBar()->value();
    viewport()->update();
}

void BarsView::scrollTo(double leftBeat) {
    horizontalScrollBar()->setValue(static_cast<int>(std::lround(leftBeat * beatsPerScrollStep)));
}

void BarsView::zoomBy(double factor, double aroundX) {
    const Beats held = layout_.beat(aroundX);
    layout_.perBeat = std::clamp(layout_.perBeat * factor, slowestScroll, closest);
    const double left = held.value - (aroundX - BarsLayout::headers) / layout_.perBeat;
    const metre::MetreMap& metre = session_.now().metre;
    layout_.leftBeat = std::max(left, metre.startOfBar(metre.barAt(firstBeat()) - 1).value);
    updateScrollBars();
    viewport()->update();
}

void BarsView::zoomToAll() {
    const double first = firstBeat().value - (firstBeat() < Beats(0) ? 1 : 0);
    const double end = std::max(16.0, session_.laid()->end().value + 2);
    layout_.perBeat =
        std::clamp((viewport()->width() - BarsLayout::headers) / (end - first), slowestScroll, closest);
    layout_.leftBeat = first;
    updateScrollBars();
    scrollTo(first);
    viewport()->update();
}

void BarsView::zoomToSelection() {
    Beats from(1e18);
    Beats to(-1e18);
    for (const ClipId id : session_.selection().clips)
        if (const project::LaidClip* c = session_.laid()->find(id)) {
            from = std::min(from, c->time().start);
            to = std::max(to, c->time().end);
        }
    if (picked_.what == LanePick::What::TempoRange) {
        from = picked_.at;
        to = picked_.to;
    }
    if (from >= to) {
        session_.say(tr("Nothing is selected."));
        return;
    }
    const double margin = (to - from).value * 0.04;
    layout_.perBeat = std::clamp((viewport()->width() - BarsLayout::headers) / ((to - from).value + 2 * margin),
                                 slowestScroll, closest);
    layout_.leftBeat = from.value - margin;
    updateScrollBars();
    scrollTo(from.value - margin);
    viewport()->update();
}

void BarsView::showPlace(ClipId id, Beats at) {
    const project::LaidClip* clip = session_.laid()->find(id);
    if (clip == nullptr) return;
    const int top = layout_.y(clip->trackIndex);
    const int height = layout_.heightOf(clip->trackIndex);
    if (top < layout_.top() || top + height > viewport()->height())
        verticalScrollBar()->setValue(verticalScrollBar()->value() + top - layout_.top() -
                                      std::max(0, (viewport()->height() - layout_.top() - height) / 2));
    const double x = layout_.x(at);
    if (x < BarsLayout::headers + 20 || x > viewport()->width() - 20)
        scrollTo(at.value - (viewport()->width() - BarsLayout::headers) / layout_.perBeat / 3);
    viewport()->update();
}

void BarsView::setShowsLanes(bool on) {
    if (layout_.lanes == on) return;
    layout_.lanes = on;
    updateScrollBars();
    viewport()->update();
}

void BarsView::placeEmptyPage() {
    empty_->setVisible(session_.now().tracks.empty());
    empty_->resize(empty_->width(), empty_->sizeHint().height());
    const int left = BarsLayout::headers + (viewport()->width() - BarsLayout::headers - empty_->width()) / 2;
    const int top = layout_.top() + (viewport()->height() - layout_.top() - empty_->sizeHint().height()) / 2;
    empty_->move(std::max(BarsLayout::headers, left), std::max(layout_.top() + 6, top));
}

// Where nothing changes over the piece the lanes are one line. They open by themselves when a change is made, and
// fold with the last one.
void BarsView::foldLanes() {
    const project::Project& p = session_.now();
    const bool changes = p.tempo.points().size() > 1 || p.metre.points().size() > 1 || p.keys.points().size() > 1;
    if (changes != timeChanges_) setShowsLanes(changes);
    timeChanges_ = changes;
}

// Of what is on the page, or beat 0.
Beats BarsView::firstBeat() const {
    Beats first(0);
    for (const project::LaidClip& c : session_.laid()->clips())
        first = std::min(first, c.time().start);
    return first;
}

void BarsView::stepHeights(int by) {
    const auto& tracks = session_.now().tracks;
    if (tracks.empty()) return;
    int height = 2;
    for (const project::TrackPtr& t : tracks)
        height = std::min(height, session_.now().view.heightOf(t->id));
    session_.document().setTrackHeight({}, height + by);
}

// Falling like the output's, 30 dB a second; the highest stays for a second and a half.
void BarsView::takeLevels() {
    const std::size_t tracks = session_.now().tracks.size();
    levels_.resize(tracks);
    for (std::size_t i = 0; i < tracks; ++i) {
        TrackLevel& level = levels_[i];
        const double now = sound::dbFromFactor(
            std::max(session_.player().takeTrackPeak(i, 0), session_.player().takeTrackPeak(i, 1)));
        const TrackLevel before = level;
        level.shown = std::max(now, std::max(-120.0, level.shown - 0.5));
        if (now >= level.highest || --level.hold < 0) {
            level.highest = std::max(now, -120.0);
            level.hold = 90;
        }
        if (now > 0) level.over = true;
        const bool seen = std::max(before.shown, -60.0) != std::max(level.shown, -60.0) ||
                          std::max(before.highest, -60.0) != std::max(level.highest, -60.0) ||
                          before.over != level.over;
        if (seen) viewport()->update(trackMeterRect(layout_, i).adjusted(-2, -1, 2, 1));
    }
}

void BarsView::followPlayPosition() {
    const double x = layout_.x(session_.player().position());
    const int now = static_cast<int>(std::lround(x));
    if (now == paintedX_) return;
    if (follows_ && session_.player().isPlaying() && !tool_ &&
        (x > viewport()->width() - 4 || x < BarsLayout::headers - 4))
        scrollTo(std::floor(session_.player().position().value));
    for (const int at : {paintedX_, now})
        viewport()->update(at - 8, BarsLayout::overview, 16, viewport()->height());
    const int inOverview = static_cast<int>(overviewX(session_, viewport()->width(), session_.player().position()));
    if (inOverview == overviewX_) return;
    overviewX_ = inOverview;
    viewport()->update(0, 0, viewport()->width(), BarsLayout::overview);
}

void BarsView::cancelDrag() {
    const std::unique_ptr<BarsTool> tool = std::move(tool_);
    if (tool && tool->stillHolds()) tool->cancel();
    drag_ = {};
    viewport()->update();
}

void BarsView::contextMenuEvent(QContextMenuEvent* event) {
    QPoint at = event->pos();
    const auto& selected = session_.selection().clips;
    // By the menu key it is the selection's, wherever the pointer is.
    if (event->reason() == QContextMenuEvent::Keyboard && !selected.empty())
        at = layout_.clip(*session_.laid()->find(selected.front())).center().toPoint();
    const QPoint onScreen = viewport()->mapToGlobal(at);
    if (const auto index = emptyTrackAtCursor(); event->reason() == QContextMenuEvent::Keyboard && index) {
        const QRect head(0, layout_.y(*index), BarsLayout::headers, layout_.heightOf(*index));
        emit menuAsked(OnTrack, viewport()->mapToGlobal(head.center()));
        return;
    }
    if (event->reason() == QContextMenuEvent::Keyboard && selected.empty() &&
        picked_.what != LanePick::What::Nothing) {
        const bool tempo = picked_.what == LanePick::What::TempoPoint || picked_.what == LanePick::What::TempoRange;
        emit menuAsked(tempo ? OnTempo : picked_.what == LanePick::What::Section ? OnSection : OnMetre, onScreen);
        return;
    }
    const Under u = under(at);
    const project::Project& p = session_.now();
    switch (u.what) {
    case Under::What::Body:
    case Under::What::Edge:
    case Under::What::Fade: {
        const ClipId id = u.clip->id();
        if (std::find(selected.begin(), selected.end(), id) == selected.end()) session_.document().select({id});
        emit menuAsked(OnClip, onScreen);
        return;
    }
    case Under::What::Head:
        headPressed_ = p.tracks[u.track]->id;
        selectTrack(u.track);
        emit menuAsked(OnTrack, onScreen);
        return;
    case Under::What::Point:
        pick({LanePick::What::TempoPoint, u.at, {}});
        emit menuAsked(OnTempo, onScreen);
        return;
    case Under::What::TempoLane:
        if (picked_.what != LanePick::What::TempoRange || u.at < picked_.at || u.at > picked_.to)
            pick({LanePick::What::Nothing, std::max(Beats(0), metre::snapped(u.at, p.view.snap, p.metre)), {}});
        emit menuAsked(OnTempo, onScreen);
        return;
    case Under::What::Section:
        pick({LanePick::What::Section, u.at, {}});
        emit menuAsked(OnSection, onScreen);
        return;
    case Under::What::SectionLane:
        pick({LanePick::What::Nothing, std::max(Beats(0), metre::snapped(u.at, p.view.snap, p.metre)), {}});
        emit menuAsked(OnSection, onScreen);
        return;
    case Under::What::MetreLane:
        pick({LanePick::What::Metre, p.metre.startOfBar(std::max(1, p.metre.barAt(u.at))), {}});
        emit menuAsked(OnMetre, onScreen);
        return;
    default:
        emit menuAsked(OnPage, onScreen);
    }
}

bool BarsView::viewportEvent(QEvent* event) {
    if (event->type() == QEvent::ToolTip) {
        const auto* help = static_cast<QHelpEvent*>(event);
        const project::LaidClip* clip = clipAt(help->pos());
        QString text;
        if (clip != nullptr) {
            text = QStringLiteral("%1\n%2").arg(
                qt(clip->name()), qt(metre::positionLabel(session_.now().metre.positionAt(clip->clip->at))));
            if (clip->clip->locked) text += "\n" + tr("locked");
            if (const QString problem = translated(session_.player().problemWith(clip->id())); !problem.isEmpty())
                text += "\n" + problem;
        } else if (help->pos().y() < BarsLayout::overview) {
            text = tr("The whole piece: click or drag to look elsewhere.");
        } else if (help->pos().y() < BarsLayout::ruler) {
            text = tr("Click: play from here. Drag: loop range.");
        }
        QToolTip::showText(help->globalPos(), text, viewport());
        return true;
    }
    return QAbstractScrollArea::viewportEvent(event);
}

} // namespace app
