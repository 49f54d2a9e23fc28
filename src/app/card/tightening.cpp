#include "app/card/tightening.h"

#include "app/card/shared.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/feel_text.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "project/feel_file.h"

#include <QComboBox>
#include <QCoreApplication>
#include <QGridLayout>
#include <QInputDialog>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <algorithm>
#include <cmath>

namespace app {

using project::ClipId;
using project::LaidClip;
using project::Tighten;
using Clips = std::vector<ClipId>;

namespace {

constexpr int mostOffered = 20; // recordings in the menu

QString percentText(double v) {
    return QObject::tr("%1 %").arg(v, 0, 'f', v == std::round(v) ? 0 : 1);
}

} // namespace

Tightening::Tightening(Session& session, QWidget* card) : QObject(card), session_(session), card_(card) {
    amount_ = new Figure(tr("Tighten, in per cent"), 14, card);
    amount_->setObjectName("tighten");
    amount_->setToolTip(
        tr("How far hits are drawn to the grid that the recording plays: 0 % as played, 100 % exactly. "
           "Wheel: ±5, with Shift ±1."));
    amount_->setRoomFor("100 %");
    amount_->setAlignment(Qt::AlignRight);
    feel_ = button(tr("its own"), tr("Whose feel hits are drawn to"), card);
    feel_->setObjectName("tightenFeel");
    feel_->setProperty("link", true);
    menu_ = new QMenu(feel_);
    connect(amount_, &Figure::typed, this, [this](const QString& text) {
        if (const auto v = numberIn(text))
            setAmount(*v);
        else
            session_.say(tr("“%1” is not a percentage.").arg(text));
    });
    connect(amount_, &Figure::turned, this, &Tightening::turnAmount);
    connect(feel_, &QPushButton::clicked, this, [this] {
        fillMenu();
        menu_->popup(feel_->mapToGlobal(QPoint(0, feel_->height())));
    });
}

QWidget* Tightening::amount() {
    return amount_;
}
QWidget* Tightening::feel() {
    return feel_;
}

std::int64_t Tightening::selectedObject() const {
    std::int64_t object = 0;
    for (const ClipId id : session_.selection().clips)
        object = object * 1000003 + id.value;
    return object;
}

// Each clip keeps what is not changed of its own.
void Tightening::change(const QString& what, const Change& how, const project::Gesture& gesture) {
    const Clips clips = session_.selection().clips;
    base::Result<project::Project> next = session_.now();
    for (const ClipId id : clips) {
        const project::Clip* clip = next ? project::clipOf(*next, id) : nullptr;
        if (clip == nullptr) continue;
        Tighten tighten = clip->tighten;
        how(tighten);
        next = project::setTighten(*next, {id}, tighten);
    }
    apply(what, std::move(next), gesture);
    emit changed();
}

void Tightening::apply(const QString& what, base::Result<project::Project> next, const project::Gesture& gesture) {
    const project::Project before = session_.now();
    if (!session_.edit(what, std::move(next), gesture)) return;
    const Clips& clips = session_.selection().clips;
    QStringList told = fittedFirstText(project::fittedFirst(before, session_.now(), clips));
    int stuck = 0;
    int drawn = 0;
    for (const ClipId id : clips)
        if (const LaidClip* clip = session_.laid()->find(id)) {
            stuck += clip->time().hitsStuck;
            drawn += clip->time().hitsDrawn;
        }
    if (stuck > 0)
        told << tr("%n hits have no room to be drawn and stay as they were played; %1 are drawn", nullptr, stuck)
                    .arg(drawn);
    if (!told.isEmpty()) session_.say(told.join(QStringLiteral(" · ")));
}

void Tightening::setAmount(double percent) {
    change(tr("Tighten"), [percent](Tighten& t) { t.percent = percent; });
}

void Tightening::turnAmount(int steps, bool fine) {
    const double by = steps * (fine ? 1 : 5);
    change(tr("Tighten"), [by](Tighten& t) { t.percent = std::clamp(t.percent + by, 0.0, 100.0); },
           {"turn tighten", selectedObject(), amount_->turn()});
}

void Tightening::addRows(QGridLayout* grid, int& row) {
    const auto add = [&](const QString& title, QWidget* w) {
        grid->addWidget(label(title, card_), row, 0, Qt::AlignLeft | Qt::AlignVCenter);
        grid->addWidget(w, row++, 1, Qt::AlignLeft | Qt::AlignVCenter);
    };
    grid_ = new QComboBox(card_);
    grid_->setObjectName("tightenGrid");
    grid_->setAccessibleName(tr("Grid that hits are drawn to"));
    grid_->addItem(tr("what it plays"), -1);
    for (const hear::FeelGridEntry& entry : hear::feelGridTable)
        grid_->addItem(gridLabel(entry.grid), static_cast<int>(entry.grid));
    connect(grid_, &QComboBox::activated, this, [this](int index) {
        const int which = grid_->itemData(index).toInt();
        change(tr("Tighten to"), [which](Tighten& t) {
            t.grid = which < 0 ? std::nullopt : std::optional(static_cast<hear::FeelGrid>(which));
        });
    });
    add(tr("Tighten to"), grid_);
    swing_ = new Figure(tr("Swing that hits are drawn to, in per cent"), 16, card_);
    swing_->setObjectName("tightenSwing");
    swing_->setToolTip(
        tr("Where the second of each pair falls: 50 % even, 66.7 % triplets. Empty: the recording's own, "
           "or that of the feel it takes."));
    swing_->setRoomFor("00.0 %");
    connect(swing_, &Figure::typed, this, [this](const QString& text) {
        std::optional<double> swing;
        if (!text.trimmed().isEmpty()) {
            swing = numberIn(text);
            if (!swing) {
                session_.say(tr("“%1” is not a percentage.").arg(text));
                return;
            }
        }
        change(tr("Swing"), [swing](Tighten& t) { t.swing = swing; });
    });
    connect(swing_, &Figure::turned, this, [this](int steps, bool fine) {
        const double by = steps * (fine ? 0.1 : 1.0);
        change(tr("Swing"),
               [by](Tighten& t) {
                   t.swing = std::clamp(t.swing.value_or(hear::evenSwing) + by, hear::leastSwing, hear::mostSwing);
               },
               {"turn swing", selectedObject(), swing_->turn()});
    });
    add(tr("Swing"), swing_);
    leave_ = new Figure(tr("Hits that are left alone, in milliseconds"), 16, card_);
    leave_->setObjectName("tightenLeave");
    leave_->setToolTip(tr("Hits that lie nearer than this stay where they were played"));
    leave_->setRoomFor("000 ms");
    const auto milliseconds = [](double ms) { return project::Seconds(ms / 1000); };
    connect(leave_, &Figure::typed, this, [this, milliseconds](const QString& text) {
        QString plain = text.trimmed();
        if (plain.endsWith("ms")) plain.chop(2);
        const auto v = numberIn(plain);
        if (!v)
            session_.say(tr("“%1” is not a number of milliseconds.").arg(text));
        else
            change(tr("Leave alone"), [&](Tighten& t) { t.leave = milliseconds(*v); });
    });
    connect(leave_, &Figure::turned, this, [this, milliseconds](int steps, bool fine) {
        const double by = steps * (fine ? 0.1 : 1.0);
        change(tr("Leave alone"),
               [&](Tighten& t) {
                   t.leave =
                       milliseconds(std::clamp(t.leave.value * 1000 + by, 0.0, project::mostLeft.value * 1000));
               },
               {"turn leave", selectedObject(), leave_->turn()});
    });
    add(tr("Leave alone"), leave_);
    weaker_ = new Figure(tr("Hits that are left for being weaker, in per cent of the strongest"), 16, card_);
    weaker_->setObjectName("tightenWeaker");
    weaker_->setToolTip(
        tr("Hits weaker than this, of the strongest, go along with their neighbours: ghost notes, say"));
    weaker_->setRoomFor("100 %");
    const auto setWeaker = [this](double percent, bool isTurned) {
        change(
            tr("Leave weaker"),
            [&](Tighten& t) {
                t.weaker = isTurned ? std::clamp(t.weaker + percent / 100, 0.0, 1.0) : percent / 100;
            },
            isTurned ? project::Gesture{"turn weaker", selectedObject(), weaker_->turn()} : project::Gesture{});
    };
    connect(weaker_, &Figure::typed, this, [this, setWeaker](const QString& text) {
        QString plain = text.trimmed();
        if (plain.endsWith('%')) plain.chop(1);
        if (const auto v = numberIn(plain))
            setWeaker(*v, false);
        else
            session_.say(tr("“%1” is not a percentage.").arg(text));
    });
    connect(weaker_, &Figure::turned, this,
            [setWeaker](int steps, bool fine) { setWeaker(steps * (fine ? 1.0 : 5.0), true); });
    add(tr("Leave weaker"), weaker_);
}

// One's own, those that are made and kept, and those of the other recordings.
void Tightening::fillMenu() {
    menu_->clear();
    const auto offer = [&](QMenu* menu, const QString& name, const std::optional<hear::Feel>& feel) {
        QAction* action = menu->addAction(name.left(60).replace('&', QStringLiteral("&&")));
        if (feel) action->setToolTip(feelWords(*feel));
        connect(action, &QAction::triggered, this, [this, name, feel] { take(name, feel); });
    };
    offer(menu_, tr("Its own"), std::nullopt);
    menu_->addSeparator();
    std::vector<std::string> problems;
    for (const project::NamedFeel& kept : project::keptFeels(problems))
        offer(menu_, QCoreApplication::translate("Feels", kept.name.c_str()), kept.feel);
    for (const std::string& problem : problems)
        session_.say(translated(problem));
    QMenu* others = menu_->addMenu(tr("Take the feel of"));
    int offered = 0;
    for (const project::SourcePtr& source : session_.now().sources) {
        if (offered == mostOffered || !source->sound || !source->beats) continue;
        if (const auto feel = project::feelOf(*source)) {
            offer(others, qt(source->name), *feel);
            ++offered;
        }
    }
    others->setEnabled(offered > 0);
    menu_->addSeparator();
    QAction* keeping = menu_->addAction(tr("Keep this feel…"));
    connect(keeping, &QAction::triggered, this, &Tightening::keep);
}

void Tightening::take(const QString& name, const std::optional<hear::Feel>& feel) {
    auto next = project::takeFeel(session_.now(), session_.selection().clips, name.toStdString(), feel);
    apply(tr("Take a feel"), std::move(next));
    emit changed();
}

void Tightening::keep() {
    const Clips clips = session_.selection().clips;
    const LaidClip* clip = clips.empty() ? nullptr : session_.laid()->find(clips.front());
    if (clip == nullptr || !clip->source) return;
    const auto feel = project::markedFeel(*clip->source);
    if (!feel) {
        session_.say(translated(feel.error().text));
        return;
    }
    auto* dialog = new QInputDialog(card_);
    dialog->setObjectName("feelName");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(tr("Keep this feel"));
    dialog->setLabelText(tr("The name under which it can be taken again, in every project"));
    dialog->setTextValue(qt(clip->source->name));
    connect(dialog, &QInputDialog::textValueSelected, this,
            [this, feel = *feel, from = qt(clip->source->name)](const QString& text) {
                const QString name = text.trimmed();
                const auto kept = project::keepFeel({name.toStdString(), feel});
                session_.say(kept ? tr("The feel of %1 is kept as %2").arg(from, name)
                                  : translated(kept.error().text));
            });
    dialog->open();
}

void Tightening::refresh() {
    const project::Laid& laid = *session_.laid();
    const Clips& clips = session_.selection().clips;
    const bool any = !clips.empty();
    const QString none = QStringLiteral("–");
    const QString mixed = tr("mixed");
    const auto percent = shared(laid, clips, [](const LaidClip& c) { return c.clip->tighten.percent; });
    amount_->setEnabled(any);
    amount_->setText(!any ? none : percent ? percentText(*percent) : mixed);
    const auto name = shared(laid, clips, [](const LaidClip& c) {
        return c.clip->tighten.feel ? c.clip->tighten.feelName : std::string();
    });
    feel_->setEnabled(any);
    QString shown = !any ? none : !name ? mixed : name->empty() ? tr("its own") : qt(*name);
    constexpr int room = 92; // pixels
    shown = feel_->fontMetrics().elidedText(shown, Qt::ElideRight, room);
    feel_->setText(shown.replace('&', QStringLiteral("&&")));
    const LaidClip* first = clips.empty() ? nullptr : laid.find(clips.front());
    const auto own = first != nullptr && first->source && first->source->sound && first->source->beats
                         ? std::optional(project::feelOf(*first->source))
                         : std::nullopt;
    feel_->setToolTip(own && *own ? tr("Whose feel hits are drawn to. Its own: %1.").arg(feelWords(**own))
                      : own       ? translated(own->error().text)
                                  : tr("Whose feel hits are drawn to"));
    const auto grid = shared(laid, clips, [](const LaidClip& c) {
        return c.clip->tighten.grid ? static_cast<int>(*c.clip->tighten.grid) : -1;
    });
    grid_->setEnabled(any);
    grid_->setPlaceholderText(any ? mixed : none);
    grid_->setCurrentIndex(grid && any ? grid_->findData(*grid) : -1);
    const auto swing = shared(laid, clips, [](const LaidClip& c) { return c.clip->tighten.swing; });
    swing_->setEnabled(any);
    swing_->setText(!any ? none : !swing ? mixed : *swing ? percentText(std::round(**swing * 10) / 10) : tr("own"));
    const auto leave = shared(laid, clips, [](const LaidClip& c) { return c.clip->tighten.leave.value * 1000; });
    leave_->setEnabled(any);
    leave_->setText(!any ? none : leave ? tr("%1 ms").arg(std::round(*leave * 10) / 10) : mixed);
    const auto weaker = shared(laid, clips, [](const LaidClip& c) { return c.clip->tighten.weaker * 100; });
    weaker_->setEnabled(any);
    weaker_->setText(!any ? none : weaker ? percentText(std::round(*weaker)) : mixed);
}

} // namespace app
