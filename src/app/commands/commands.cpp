#include "app/commands/commands.h"

#include <QAction>
#include <QKeySequence>
#include <QMap>
#include <QMenu>
#include <QMenuBar>
#include <QWidget>

namespace app {

namespace {

QList<QKeySequence> keysOf(const Command& c) {
    return c.keys.isEmpty() ? QList<QKeySequence>() : QKeySequence::listFromString(c.keys);
}

} // namespace

Commands::Commands(std::vector<CommandMenu> menus, Reach& reach)
    : QObject(&reach.frame.widget()), reach_(reach), menus_(std::move(menus)) {
    QWidget& window = reach.frame.widget();
    for (const CommandMenu& menu : menus_)
        for (const CommandGroup& group : menu.groups)
            for (const Command& c : group.commands) {
                auto* action = new QAction(c.text, &window);
                action->setObjectName(c.name);
                action->setShortcuts(keysOf(c));
                action->setCheckable(static_cast<bool>(c.isOn));
                connect(action, &QAction::triggered, this, [&reach, run = c.run] { run(reach); });
                window.addAction(action); // its keys hold while no menu has it
                entries_.push_back({&c, action});
            }
}

void Commands::fill(QMenuBar& bar) const {
    auto entry = entries_.begin();
    for (const CommandMenu& menu : menus_) {
        QMenu* top = bar.addMenu(menu.title);
        bool before = false; // whether what came before stood in a menu of its own
        for (const CommandGroup& group : menu.groups) {
            const bool isWithin = !group.within.isEmpty();
            if (!top->isEmpty() && !(isWithin && before)) top->addSeparator();
            QMenu* in = isWithin ? top->addMenu(group.within) : top;
            for (std::size_t i = 0; i < group.commands.size(); ++i)
                in->addAction((entry++)->action);
            before = isWithin;
        }
    }
}

void Commands::fill(QMenu& menu, Offer place) const {
    for (const Among among : {Among::Most, Among::Fit, Among::Sound, Among::Recording, Among::Rest}) {
        QList<QAction*> here;
        QMap<QString, QList<QAction*>> under;
        QList<QString> order; // of what is shown here: an action is held by an empty name
        for (const Entry& e : entries_) {
            const AtPointer& pointer = e.command->pointer;
            if ((pointer.places & place) == 0 || pointer.among != among) continue;
            if (!e.action->isEnabled() && among != Among::Most) continue;
            if (pointer.under.isEmpty()) {
                here << e.action;
                order << QString();
                continue;
            }
            if (!under.contains(pointer.under)) order << pointer.under;
            under[pointer.under] << e.action;
        }
        if (!order.isEmpty() && !menu.isEmpty()) menu.addSeparator();
        for (const QString& name : order) {
            if (name.isEmpty())
                menu.addAction(here.takeFirst());
            else if (under[name].size() == 1) // a menu of one is none
                menu.addAction(under[name].front());
            else
                menu.addMenu(name)->addActions(under[name]);
        }
    }
}

void Commands::refresh(const std::function<bool(Needs)>& can, const QString& undo, const QString& redo) {
    for (const Entry& e : entries_) {
        const Command& c = *e.command;
        e.action->setEnabled(can(c.needs));
        if (c.isOn) e.action->setChecked(c.isOn(reach_));
        if (c.needs == Needs::Undo || c.needs == Needs::Redo) {
            const QString& what = c.needs == Needs::Undo ? undo : redo;
            e.action->setText(what.isEmpty() ? c.text : QStringLiteral("%1: %2").arg(c.text, what));
        }
    }
}

std::vector<Commands::Keyed> Commands::keys() const {
    std::vector<Keyed> list;
    for (const CommandMenu& menu : menus_)
        for (const CommandGroup& group : menu.groups)
            for (const Command& c : group.commands)
                if (const auto keys = keysOf(c); !keys.isEmpty())
                    list.push_back({QString(menu.title).remove('&'),
                                    keys.front().toString(QKeySequence::NativeText),
                                    QString(c.text).remove('&').remove(QStringLiteral("…"))});
    return list;
}

QAction* Commands::action(const QString& name) const {
    for (const Entry& e : entries_)
        if (e.action->objectName() == name) return e.action;
    return nullptr;
}

} // namespace app
