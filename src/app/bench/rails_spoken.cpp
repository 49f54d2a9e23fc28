// The rails in words: the line, the marks, the pins, and the beats in view with where they land.
#include "app/bench/rails_view.h"

#include "app/widgets/landing_mark.h"
#include "app/widgets/text.h"

#include <algorithm>
#include <cmath>

namespace app {

namespace {

constexpr std::size_t mostRungs = 256; // a page of them; zoomed in there are fewer

QString seconds(Seconds at) {
    return QObject::tr("%1 s").arg(at.value, 0, 'f', 3);
}
QString keyOfBeat(const char* what, Beats beat) {
    return QStringLiteral("%1 %2").arg(QLatin1String(what)).arg(beat.value, 0, 'g', 12);
}

} // namespace

QString RailsView::spokenCursor() const {
    return picked_.empty() ? QStringLiteral("line") : keyOfBeat("pin", picked_.back());
}

std::vector<SpokenItem> RailsView::spoken() {
    if (!scene_) return {};
    const double length = scene_->source()->length().value;
    std::vector<SpokenItem> list;
    SpokenItem line{QStringLiteral("line"), QAccessible::Slider, tr("Place in the recording"), seconds(here())};
    line.where = QRect(static_cast<int>(layout_.x(here())) - 2, 0, 5, layout_.upper().bottom());
    line.number = SpokenNumber{here().value, 0, length, 0.1, [this](double at) { goHere(Seconds(at)); }};
    line.actions = {{tr("Pin here"), [this] { pinHere(); }},
                    {tr("Next onset"), [this] { stepOnset(true); }},
                    {tr("Previous onset"), [this] { stepOnset(false); }}};
    line.reach = [this] { pick({}); };
    list.push_back(std::move(line));
    if (const auto& set = scene_->source()->marks) {
        const project::Marks m = *set;
        for (const bool isFirst : {true, false}) {
            const Seconds at = isFirst ? m.from : m.to;
            SpokenItem mark{isFirst ? QStringLiteral("mark 1") : QStringLiteral("mark 2"), QAccessible::Slider,
                            isFirst ? tr("first mark") : tr("second mark"), seconds(at)};
            mark.where = QRect(static_cast<int>(layout_.x(at)) - 3, 0, 7, RailsLayout::ruler);
            mark.number =
                SpokenNumber{at.value, isFirst ? 0 : m.from.value, isFirst ? m.to.value : length, 0.01,
                             [this, m, isFirst](double to) {
                                 emit marksAsked(isFirst ? to : m.from.value, isFirst ? m.to.value : to, true);
                             }};
            list.push_back(std::move(mark));
        }
    }
    list.push_back(spokenPins());
    if (scene_->hasBeats() && scene_->isHeard()) list.push_back(spokenRungs());
    return list;
}

SpokenItem RailsView::spokenPins() {
    SpokenItem group{QStringLiteral("pins"), QAccessible::Grouping, tr("Pins")};
    group.where = layout_.rungs();
    for (const project::SourcePin& pin : scene_->pins()) {
        QStringList parts{tr("pin on beat %1").arg(beatNumber(pin.beat))};
        if (!pin.name.empty()) parts << qt(pin.name);
        parts << (pin.byHand ? tr("set by hand") : tr("as heard"));
        if (pin.locked) parts << tr("locked");
        SpokenItem item{keyOfBeat("pin", pin.beat), QAccessible::Slider, parts.join(QStringLiteral(", ")),
                        seconds(pin.at)};
        const auto reach = [this, beat = pin.beat, at = pin.at] {
            pick({beat});
            goHere(at);
        };
        item.where = QRect(static_cast<int>(layout_.x(pin.at)) - RailsLayout::knob, layout_.rungs().top(),
                           2 * RailsLayout::knob, layout_.rungs().height());
        item.isSelected = holds(picked_, pin.beat);
        item.number = SpokenNumber{pin.at.value, 0, scene_->source()->length().value, 0.001,
                                   [this, beat = pin.beat, at = pin.at](double to) {
                                       ++press_;
                                       pick({beat});
                                       nudge(Seconds(to) - at);
                                   }};
        item.reach = reach;
        item.actions = {{tr("Lock or unlock"),
                         [this, reach] {
                             reach();
                             lockPicked();
                         }},
                        {tr("Name"),
                         [this, reach] {
                             reach();
                             namePicked();
                         }},
                        {tr("Remove"), [this, reach] {
                             reach();
                             removePicked();
                         }}};
        group.children.push_back(std::move(item));
    }
    return group;
}

// Beats without a pin, as far as they are in view.
SpokenItem RailsView::spokenRungs() {
    SpokenItem group{QStringLiteral("beats"), QAccessible::Grouping, tr("Beats in view")};
    group.where = layout_.rungs();
    const auto first = std::ceil(scene_->beats().beatAt(layout_.at(0)).value);
    const auto last = std::floor(scene_->beats().beatAt(layout_.at(width())).value);
    for (double beat = first; beat <= last && group.children.size() < mostRungs; ++beat) {
        if (project::hasPinAt(scene_->beats(), Beats(beat))) continue;
        const Seconds at = scene_->beats().secondsAt(Beats(beat));
        if (at < Seconds(0) || at > scene_->source()->length()) continue;
        QString name = tr("beat %1").arg(beatNumber(Beats(beat)));
        if (const auto miss = scene_->missOf(at, grid_))
            name += QStringLiteral(", ") + offText(Seconds(miss->ms / 1000));
        SpokenItem item{keyOfBeat("beat", Beats(beat)), QAccessible::ListItem, name, seconds(at)};
        item.where = QRect(static_cast<int>(layout_.x(at)) - 3, layout_.rungs().top(), 7, layout_.rungs().height());
        item.actions = {{tr("Pin here"), [this, at] {
                             goHere(at);
                             pinHere();
                         }}};
        group.children.push_back(std::move(item));
    }
    return group;
}

} // namespace app
