// What is done to the picked pins by keys and commands.
#include "app/bench/rails_view.h"

#include "app/widgets/text.h"
#include "project/edit_pins.h"

#include <QInputDialog>
#include <algorithm>
#include <cmath>

namespace app {

bool holds(const std::vector<Beats>& list, Beats beat) {
    const auto at = std::lower_bound(list.begin(), list.end(), beat - Beats(1e-6));
    return at != list.end() && *at < beat + Beats(1e-6);
}

void RailsView::changedByHand(const QString& name, const base::Result<project::Project>& next, const QPointF& at) {
    if (!scene_) return;
    if (!next) {
        tell(translated(next.error().text), at, true);
        return;
    }
    const bool dragging =
        drag_.what == Drag::What::Upper || drag_.what == Drag::What::Lower || drag_.what == Drag::What::Hit;
    // Counted up before the change is told, so that it is known for our own.
    drag_.revision = session_.document().revision() + 1;
    session_.settle(name, *next, dragging ? Gesture{"pin", scene_->source()->id.value, press_} : Gesture{});
    drag_.revision = session_.document().revision();
}

void RailsView::pinHere() {
    if (!scene_ || !scene_->hasBeats()) {
        session_.say(tr("No beats to pin yet: type a tempo first."));
        return;
    }
    const Seconds at = here();
    const Beats beat(std::round(scene_->beats().beatAt(at).value));
    auto next = project::putPin(session_.now(), scene_->source()->id, at, beat);
    if (!next) {
        session_.say(translated(next.error().text));
        return;
    }
    session_.settle(tr("Pin"), std::move(next));
    pick({beat});
    session_.say(tr("Pinned: %1 s is beat %2").arg(at.value, 0, 'f', 3).arg(beatNumber(beat)));
}

void RailsView::removePicked() {
    if (!scene_ || picked_.empty()) return;
    const auto n = static_cast<int>(picked_.size());
    if (session_.settle(tr("Remove pins"), project::removePins(session_.now(), scene_->source()->id, picked_)))
        session_.say(n == 1 ? tr("One pin removed") : tr("%1 pins removed").arg(n));
}

void RailsView::markHere(bool isFirst) {
    if (!scene_) return;
    const project::Marks m = shownMarks(*scene_->source());
    const auto [from, to] = std::minmax({here(), isFirst ? m.to : m.from});
    ++press_;
    emit marksAsked(from.value, to.value, true);
}

void RailsView::nudge(Seconds by) {
    if (!scene_ || picked_.empty()) return;
    const Gesture gesture{"nudge pin", scene_->source()->id.value, press_};
    if (!session_.settle(tr("Move pins"), project::movePins(session_.now(), scene_->source()->id, picked_, by),
                         gesture))
        return;
    const Seconds at = scene_->beats().secondsAt(picked_.front());
    session_.say(tr("Beat %1 at %2 s").arg(beatNumber(picked_.front())).arg(at.value, 0, 'f', 4));
}

void RailsView::nudgeBeat(Beats by) {
    if (!scene_ || picked_.size() != 1) return;
    const Beats to = picked_.front() + by;
    if (!session_.settle(tr("Pin to another beat"),
                         project::setPinBeat(session_.now(), scene_->source()->id, picked_.front(), to)))
        return;
    pick({to});
    session_.say(tr("The pin is beat %1 now").arg(beatNumber(to)));
}

void RailsView::lockPicked() {
    if (!scene_ || picked_.empty()) return;
    const bool on = std::any_of(scene_->pins().begin(), scene_->pins().end(),
                                [&](const auto& p) { return holds(picked_, p.beat) && !p.locked; });
    if (session_.edit(on ? tr("Lock pins") : tr("Unlock pins"),
                      project::lockPins(session_.now(), scene_->source()->id, picked_, on)))
        session_.say(on ? tr("Locked: nothing moves these pins") : tr("Unlocked"));
}

void RailsView::namePicked() {
    if (!scene_ || picked_.size() != 1) {
        session_.say(tr("Pick one pin to name."));
        return;
    }
    const Beats beat = picked_.front();
    QString name;
    for (const project::SourcePin& pin : scene_->pins())
        if (holds({beat}, pin.beat)) name = qt(pin.name);
    auto* dialog = new QInputDialog(this);
    dialog->setObjectName("pinName");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("Name the pin"));
    dialog->setLabelText(tr("What begins here: verse, break, weir. It shows over the bars."));
    dialog->setTextValue(name);
    connect(dialog, &QInputDialog::textValueSelected, this, [this, beat](const QString& text) {
        if (scene_)
            session_.edit(tr("Name the pin"), project::namePin(session_.now(), scene_->source()->id, beat,
                                                               text.trimmed().toStdString()));
    });
    dialog->open();
}

void RailsView::straightBetween() {
    if (scene_ && session_.settle(tr("Straight between"),
                                  project::straightBetween(session_.now(), scene_->source()->id, picked_)))
        session_.say(tr("Straight between the picked pins"));
}

void RailsView::straightToEnd() {
    if (!scene_ || picked_.size() != 1) {
        session_.say(tr("Pick the pin from which it is to be straight."));
        return;
    }
    if (session_.settle(tr("Straight to the end"),
                        project::straightToEnd(session_.now(), scene_->source()->id, picked_.front())))
        session_.say(tr("Straight from here to the last pin"));
}

void RailsView::straightFrom() {
    if (!scene_ || picked_.size() != 1) {
        session_.say(tr("Pick the pin from which it is to be straight."));
        return;
    }
    if (session_.settle(tr("Straight from here"),
                        project::straightFrom(session_.now(), scene_->source()->id, picked_.front())))
        session_.say(tr("Straight from this pin on, and before it"));
}

} // namespace app
