#include "app/bench/rails_view.h"

#include "app/bench/rails_paint.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "project/edit_pins.h"

#include <QContextMenuEvent>
#include <QInputDialog>
#include <QKeyEvent>
#include <QPainter>
#include <QWheelEvent>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

constexpr double margin = 8;  // pixels beside all of it, so that knobs at its ends are whole
constexpr double closest = 8; // pixels a sample

// Whether a scene still shows what it would show if it were made now.
bool isShown(const RailsScene& scene, const Session& session, const project::SourcePtr& source,
             std::optional<ClipId> clip) {
    const project::Project& now = session.now();
    const project::Project& then = scene.project();
    if (scene.source() != source || scene.isPlaced() != clip.has_value() || !(then.tempo == now.tempo) ||
        !(then.metre == now.metre) || then.rate != now.rate)
        return false;
    if (!clip) return true;
    const project::LaidClip* laid = session.laid()->find(*clip);
    return laid != nullptr && scene.clip()->id() == *clip && scene.clip()->timing == laid->timing;
}

} // namespace

RailsView::RailsView(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("rails");
    setLayoutDirection(Qt::LeftToRight);
    setAccessibleName(tr("The source as recorded, and as it is heard on the grid"));
    setMinimumSize(200, 150);
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    connect(&session_, &Session::proven, this, [this] {
        stale_ = true;
        spokenChanged(*this);
        update();
    });
    connect(&session_, &Session::rendered, this, [this] {
        if (!scene_ || renderChanges_ == session_.player().renderChanges()) return;
        renderChanges_ = session_.player().renderChanges();
        stale_ = true;
        update();
    });
    connect(&session_, &Session::ticked, this, &RailsView::followPlaying);
    connect(&session_.transport(), &Transport::moved, this, [this] { setOwnCounts(false); });
}

void RailsView::followPlaying() {
    if (!scene_) return;
    play::Player& player = session_.player();
    const bool isRaw = player.isPlayingRaw();
    if (isRaw && !wasRaw_) setOwnCounts(true);
    const bool ended = wasRaw_ && !isRaw;
    if (ended) {
        if (announced_) own_ = announced_;
        announced_.reset();
    }
    wasRaw_ = isRaw;
    if (isRaw) {
        own_ = player.rawPosition();
        follow(*own_);
        update();
        return;
    }
    const Beats at = player.position();
    if (at == lastPosition_ && !ended) return;
    lastPosition_ = at;
    if (const auto line = projectLine(); line && player.isPlaying() && !ownCounts_) follow(*line);
    update();
}

std::optional<Seconds> RailsView::projectLine() const {
    if (!scene_ || !scene_->isHeard()) return {};
    const Beats at = session_.player().position();
    const Seconds recorded = scene_->recordedAt(scene_->project().tempo.secondsAt(at));
    if (recorded < Seconds(0) || recorded > scene_->source()->length()) return {};
    return recorded;
}

void RailsView::setOwnCounts(bool own) {
    if (!own) announced_.reset();
    if (ownCounts_ == own) return;
    ownCounts_ = own;
    update();
    emit lineChanged(own);
}

void RailsView::refresh() {
    const auto id = session_.selection().source;
    const project::SourcePtr source = id ? project::sourceOf(session_.now(), *id) : nullptr;
    if (!source) {
        scene_.reset();
        picked_.clear();
        stale_ = true;
        spokenChanged(*this);
        update();
        return;
    }
    std::optional<project::ClipId> clip;
    for (const project::LaidClip& c : session_.laid()->clips()) {
        if (c.clip->source != *id) continue;
        const auto& chosen = session_.selection().clips;
        const bool isSelected = std::find(chosen.begin(), chosen.end(), c.id()) != chosen.end();
        if (!clip || isSelected) clip = c.id();
        if (isSelected) break;
    }
    const bool isOther = !scene_ || scene_->source()->id != source->id;
    if (!isOther && isShown(*scene_, session_, source, clip)) return;
    const auto scene = std::make_shared<const RailsScene>(session_.laid(), source, clip);
    if (isOther) {
        picked_.clear();
        drag_ = {};
        tried_.reset();
        own_.reset();
        announced_.reset();
        setOwnCounts(false);
        lastPosition_ = session_.player().position();
        wholeView_ = true;
    }
    // What is dragged was changed by somebody else: undo, or a reading that came in.
    if (drag_.what != Drag::What::Nothing && drag_.what != Drag::What::Band && drag_.what != Drag::What::Phase &&
        drag_.revision != session_.document().revision())
        endDrag();
    scene_ = scene;
    keepPicked();
    // Under the hand that drags, the scale stays.
    if (wholeView_ && drag_.what == Drag::What::Nothing) fit();
    layOut();
}

void RailsView::keepPicked() {
    const auto& pins = scene_->pins();
    std::erase_if(picked_, [&](Beats b) {
        const auto at = std::lower_bound(pins.begin(), pins.end(), b - Beats(1e-6),
                                         [](const project::SourcePin& p, Beats beat) { return p.beat < beat; });
        return at == pins.end() || at->beat > b + Beats(1e-6);
    });
}

// All of it, from a little before its beginning to a little behind its end, in both rails.
void RailsView::fit() {
    if (!scene_ || width() < 40) return;
    const double recorded = std::max(1e-3, scene_->source()->length().value);
    const double heard = (scene_->heardAt(Seconds(recorded)) - scene_->heardAt(Seconds(0))).value;
    layout_.perSecond = (width() - 2 * margin) / std::max(recorded, heard);
    layout_.from = -margin / layout_.perSecond;
}

void RailsView::layOut() {
    layout_.size = size();
    if (scene_) {
        layout_.two = scene_->isHeard() && height() > 140;
        const double span = width() / layout_.perSecond;
        const double first = scene_->hasBeats() ? scene_->beats().secondsAt(Beats(0)).value : 0;
        // Where both rails stand one over the other: at the first downbeat while that is near the left, else there.
        const double anchor = std::clamp(first, layout_.from, layout_.from + span / 4);
        const bool dragging = drag_.what == Drag::What::Upper || drag_.what == Drag::What::Lower;
        if (!dragging) layout_.heardFrom = scene_->heardAt(Seconds(anchor)).value - (anchor - layout_.from);
    }
    stale_ = true;
    spokenChanged(*this);
    update();
    emit viewChanged();
}

void RailsView::resizeEvent(QResizeEvent*) {
    if (wholeView_) fit();
    layOut();
}

Seconds RailsView::here() const {
    if (ownCounts_ && announced_) return *announced_;
    if (!ownCounts_)
        if (const auto line = projectLine()) return *line;
    if (own_) return *own_;
    return scene_ && scene_->hasBeats() ? std::max(Seconds(0), scene_->beats().secondsAt(Beats(0))) : Seconds(0);
}

std::optional<Beats> RailsView::hereInProject() const {
    if (!scene_ || !scene_->isPlaced()) return {};
    return scene_->project().tempo.beatAt(scene_->heardAt(here()));
}

void RailsView::goHere(Seconds at) {
    if (!scene_) return;
    own_ = std::clamp(at, Seconds(0), scene_->source()->length());
    announced_.reset();
    setOwnCounts(true);
    const double x = layout_.x(*own_);
    if (x < 0 || x > width()) scrollTo(*own_ - layout_.span(width() / 3.0));
    spokenChanged(*this);
    update();
}

void RailsView::stepOnset(bool forward) {
    if (!scene_) return;
    // What plays runs on meanwhile: the next step is from the onset that was told, unless that is long past.
    constexpr Seconds longPast(3);
    const play::Player& player = session_.player();
    const std::optional<Seconds> running = player.isPlayingRaw() ? own_
                                           : player.isPlaying()  ? projectLine()
                                                                 : std::nullopt;
    const bool isPast = running && std::abs((here() - *running).value) >= longPast.value;
    const auto at = scene_->onsetFrom(isPast ? *running : here(), forward);
    if (!at) {
        session_.say(forward ? tr("No onset comes after this.") : tr("No onset comes before this."));
        return;
    }
    goHere(*at);
    if (player.isPlayingRaw()) announced_ = *at;
    QString said = tr("Onset at %1 s").arg(at->value, 0, 'f', 3);
    if (const auto miss = scene_->missOf(*at, grid_)) said += " · " + missText(*miss, scene_->project());
    session_.say(said);
}

void RailsView::showTried(const std::optional<metre::BeatMap>& beats) {
    if (tried_ == beats) return;
    tried_ = beats;
    stale_ = true;
    update();
}

project::Marks RailsView::marks() const {
    if (drag_.what == Drag::What::Mark || drag_.what == Drag::What::NewMarks) return drag_.marks;
    return shownMarks(*scene_->source());
}

void RailsView::pick(std::vector<Beats> beats) {
    picked_ = std::move(beats);
    std::sort(picked_.begin(), picked_.end());
    if (scene_) keepPicked();
    stale_ = true;
    spokenChanged(*this);
    update();
    emit pickedChanged();
}

void RailsView::setGrid(EyeGrid grid) {
    grid_ = grid;
    stale_ = true;
    update();
    emit gridChanged();
}

// ---- zooming and scrolling

void RailsView::zoomBy(double factor, double x) {
    if (!scene_) return;
    const Seconds there = layout_.at(x);
    const double before = layout_.perSecond;
    fit();
    const double whole = layout_.perSecond;
    wholeView_ = before * factor <= whole * 1.0001;
    if (wholeView_) {
        layOut();
        return;
    }
    layout_.perSecond = std::min(before * factor, closest * scene_->project().rate);
    scrollTo(there - layout_.span(x));
}

void RailsView::zoomToAll() {
    wholeView_ = true;
    fit();
    layOut();
}

void RailsView::scrollTo(Seconds from) {
    if (!scene_) return;
    const double least = -margin / layout_.perSecond;
    const double most = std::max(least, scene_->source()->length().value - 0.3 * width() / layout_.perSecond);
    layout_.from = std::clamp(from.value, least, most);
    layOut();
}

void RailsView::zoomToPicked() {
    if (!scene_) return;
    Seconds from = marks().from;
    Seconds to = marks().to;
    if (picked_.size() > 1) {
        const auto [low, high] = std::minmax_element(picked_.begin(), picked_.end());
        from = scene_->beats().secondsAt(*low);
        to = scene_->beats().secondsAt(*high);
    }
    wholeView_ = false;
    layout_.perSecond =
        std::min((width() - 80) / std::max(1e-4, (to - from).value), closest * scene_->project().rate);
    scrollTo(from - layout_.span(40));
}

void RailsView::zoomToBeat() {
    if (!scene_ || !scene_->hasBeats()) return;
    const Beats beat(picked_.size() == 1 ? picked_.front()
                                         : Beats(std::floor(scene_->beats().beatAt(here()).value + 1e-6)));
    const Seconds from = scene_->beats().secondsAt(beat);
    const Seconds to = scene_->beats().secondsAt(beat + Beats(1));
    wholeView_ = false;
    layout_.perSecond = std::min(width() * 0.6 / (to - from).value, closest * scene_->project().rate);
    scrollTo(from - layout_.span(width() * 0.2));
}

void RailsView::follow(Seconds at) {
    const double x = layout_.x(at);
    if (drag_.what == Drag::What::Nothing && (x < 0 || x > width() - 10))
        scrollTo(at - layout_.span(width() * 0.1));
}

void RailsView::wheelEvent(QWheelEvent* event) {
    const QPoint turn = event->angleDelta();
    const bool sideways = turn.x() != 0 || event->modifiers().testFlag(Qt::ShiftModifier);
    const double by = turn.x() != 0 ? turn.x() : turn.y();
    if (sideways)
        scrollTo(Seconds(layout_.from) - layout_.span(by / 120.0 * width() / 8));
    else
        zoomBy(std::pow(1.25, by / 120.0), event->position().x());
    event->accept();
}

// ---- pins, by name

// ---- keys

// Keys that are the window's elsewhere are the rails' own while they have the focus.
bool RailsView::event(QEvent* event) {
    if (event->type() == QEvent::ShortcutOverride) {
        const auto* key = static_cast<QKeyEvent*>(event);
        switch (key->key()) {
        case Qt::Key_Delete:
        case Qt::Key_Backspace:
        case Qt::Key_F2:
            if (!picked_.empty()) event->accept();
            break;
        case Qt::Key_Z:
            if (!key->modifiers().testFlag(Qt::ControlModifier)) event->accept();
            break;
        case Qt::Key_Up:
        case Qt::Key_Down:
        case Qt::Key_Left:
        case Qt::Key_Right:
            event->accept();
            break;
        case Qt::Key_Plus:
        case Qt::Key_Equal:
        case Qt::Key_Minus:
            if (!key->modifiers().testFlag(Qt::AltModifier)) event->accept();
            break;
        case Qt::Key_0:
            if (key->modifiers().testFlag(Qt::ControlModifier)) event->accept();
            break;
        default:
            break;
        }
        if (event->isAccepted()) return true;
    }
    return QWidget::event(event);
}

void RailsView::step(int by, Qt::KeyboardModifiers modifiers) {
    const double ms = modifiers.testFlag(Qt::ShiftModifier)     ? 0.1
                      : modifiers.testFlag(Qt::ControlModifier) ? 10
                                                                : 1;
    if (modifiers.testFlag(Qt::AltModifier))
        nudgeBeat(Beats(by));
    else if (!picked_.empty())
        nudge(Seconds(by * ms / 1000));
    else
        emit phaseAsked(by * ms / 1000, true);
}

void RailsView::turnTried(int way, Qt::KeyboardModifiers modifiers) {
    const bool fine = modifiers.testFlag(Qt::ShiftModifier);
    const bool coarse = modifiers.testFlag(Qt::ControlModifier);
    if (fine && coarse)
        emit triedScaled(way > 0 ? 2 : 0.5);
    else
        emit triedTurned(way * (fine ? 0.01 : coarse ? 1 : 0.1));
}

void RailsView::pickNeighbour(int by, bool extend) {
    if (!scene_ || scene_->pins().empty()) return;
    const auto& pins = scene_->pins();
    const auto from = [&] { return by > 0 ? picked_.back() : picked_.front(); };
    const auto at = std::find_if(pins.begin(), pins.end(),
                                 [&](const auto& p) { return !picked_.empty() && holds({from()}, p.beat); });
    const auto last = static_cast<std::ptrdiff_t>(pins.size()) - 1;
    const std::ptrdiff_t index = at == pins.end() ? (by > 0 ? 0 : last) : at - pins.begin() + by;
    const project::SourcePin& pin = pins[static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(index, 0, last))];
    ++press_;
    std::vector<Beats> beats;
    if (extend) beats = picked_;
    if (!holds(beats, pin.beat)) beats.push_back(pin.beat);
    std::sort(beats.begin(), beats.end());
    pick(std::move(beats));
    goHere(pin.at);
}

void RailsView::keyPressEvent(QKeyEvent* event) {
    const Qt::KeyboardModifiers m = event->modifiers();
    const bool fine = m.testFlag(Qt::ShiftModifier);
    const bool coarse = m.testFlag(Qt::ControlModifier);
    switch (event->key()) {
    case Qt::Key_Left:
        return step(-1, m);
    case Qt::Key_Right:
        return step(1, m);
    case Qt::Key_Up:
    case Qt::Key_Down:
        return turnTried(event->key() == Qt::Key_Up ? 1 : -1, m);
    case Qt::Key_Return:
    case Qt::Key_Enter:
        return picked_.empty() ? pinHere() : namePicked();
    case Qt::Key_PageUp:
        if (coarse) return pickNeighbour(-1, fine);
        return scrollTo(Seconds(layout_.from) - layout_.span(width() * 0.8));
    case Qt::Key_PageDown:
        if (coarse) return pickNeighbour(1, fine);
        return scrollTo(Seconds(layout_.from) + layout_.span(width() * 0.8));
    case Qt::Key_Delete:
    case Qt::Key_Backspace:
        return removePicked();
    case Qt::Key_F2:
        return namePicked();
    case Qt::Key_Plus:
    case Qt::Key_Equal:
        return zoomBy(1.25, std::clamp(layout_.x(here()), 0.0, double(width())));
    case Qt::Key_Minus:
        return zoomBy(0.8, std::clamp(layout_.x(here()), 0.0, double(width())));
    case Qt::Key_0:
        if (coarse) return zoomToAll();
        break;
    case Qt::Key_Z:
        if (!coarse) return fine ? zoomToBeat() : zoomToPicked();
        break;
    case Qt::Key_Escape:
        if (drag_.what != Drag::What::Nothing)
            endDrag();
        else
            pick({});
        return;
    default:
        break;
    }
    QWidget::keyPressEvent(event);
}

void RailsView::contextMenuEvent(QContextMenuEvent* event) {
    if (event->reason() == QContextMenuEvent::Mouse) {
        const Under at = under(event->pos());
        if (at.isPin && !holds(picked_, *at.beat)) pick({*at.beat});
        if (!at.isPin && layout_.upper().united(layout_.onsets()).contains(event->pos()))
            goHere(snapped(event->pos().x(), false));
        emit menuAsked(event->globalPos());
    } else {
        emit menuAsked(mapToGlobal(QPoint(static_cast<int>(layout_.x(here())), layout_.upper().center().y())));
    }
}

} // namespace app
