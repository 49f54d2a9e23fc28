#include "app/window/commands.h"

#include <QAction>
#include <QMap>
#include <QMenu>
#include <QMenuBar>
#include <algorithm>

namespace app {

Commands::Commands(std::vector<Command> table, QWidget* window) : QObject(window), table_(std::move(table)) {
    for (const Command& c : table_) {
        auto* action = new QAction(c.text, window);
        action->setObjectName(QString::fromLatin1(c.name));
        action->setShortcuts(c.keys);
        action->setCheckable(static_cast<bool>(c.isOn));
        connect(action, &QAction::triggered, this, [run = c.run] { run(); });
        window->addAction(action); // its keys hold while no menu has it
        actions_.push_back(action);
    }
}

void Commands::fill(QMenuBar& bar) const {
    QMenu* menu = nullptr;
    QMap<QString, QMenu*> within;
    for (std::size_t i = 0; i < table_.size(); ++i) {
        const Command& c = table_[i];
        if (menu == nullptr || menu->title() != c.menu) {
            menu = bar.addMenu(c.menu);
            within.clear();
        } else if (c.opensGroup) {
            menu->addSeparator();
        }
        if (c.within.isEmpty()) {
            menu->addAction(actions_[i]);
            continue;
        }
        QMenu*& sub = within[c.within];
        if (sub == nullptr) sub = menu->addMenu(c.within);
        sub->addAction(actions_[i]);
    }
}

void Commands::fill(QMenu& menu, Offer place) const {
    QList<QAction*> offered;
    QMap<QString, QMenu*> within;
    for (std::size_t i = 0; i < table_.size(); ++i) {
        if ((table_[i].offers & place) == 0) continue;
        const QString& under = table_[i].under;
        if (under.isEmpty()) {
            offered << actions_[i];
            continue;
        }
        QMenu*& sub = within[under];
        if (sub == nullptr) {
            sub = new QMenu(under, &menu);
            offered << sub->menuAction();
        }
        sub->addAction(actions_[i]);
    }
    std::stable_sort(offered.begin(), offered.end(),
                     [](const QAction* a, const QAction* b) { return a->text().size() < b->text().size(); });
    menu.addActions(offered);
}

void Commands::refresh(const std::function<bool(Needs)>& can, const QString& undo, const QString& redo) {
    for (std::size_t i = 0; i < table_.size(); ++i) {
        const Command& c = table_[i];
        actions_[i]->setEnabled(can(c.needs));
        if (c.isOn) actions_[i]->setChecked(c.isOn());
        const QString& what = c.needs == Needs::Undo ? undo : redo;
        if (c.needs == Needs::Undo || c.needs == Needs::Redo)
            actions_[i]->setText(what.isEmpty() ? c.text : QStringLiteral("%1: %2").arg(c.text, what));
    }
}

std::vector<Commands::Keyed> Commands::keys() const {
    std::vector<Keyed> list;
    for (const Command& c : table_)
        if (!c.keys.isEmpty() && !c.keys.front().isEmpty())
            list.push_back({QString(c.menu).remove('&'), c.keys.front().toString(QKeySequence::NativeText),
                            QString(c.text).remove('&').remove(QStringLiteral("…"))});
    return list;
}

QAction* Commands::action(const QString& name) const {
    for (QAction* a : actions_)
        if (a->objectName() == name) return a;
    return nullptr;
}

} // namespace app
