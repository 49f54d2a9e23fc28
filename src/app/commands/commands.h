// The tables of commands as actions: the menu bar, the menus at the pointer, the keys.
#pragma once

#include "app/commands/command.h"

#include <QObject>
#include <vector>

class QAction;
class QMenu;
class QMenuBar;

namespace app {

class Commands : public QObject {
    Q_OBJECT
  public:
    // What commands reach outlives them. The actions belong to the reach's window, and their keys hold in it.
    Commands(std::vector<CommandMenu> menus, Reach& reach);

    void fill(QMenuBar& bar) const;
    // The menu at the pointer for a place: the same actions in the order of the work, with lines between. What
    // cannot be done now is left out, but grey among what is done most.
    void fill(QMenu& menu, Offer place) const;
    // Which can be given, and which are on; what undo and redo would do, by name.
    void refresh(const std::function<bool(Needs)>& can, const QString& undo, const QString& redo);
    // Those that have keys: the menu that has it, its first key, what it does.
    struct Keyed {
        QString menu;
        QString key;
        QString does;
    };
    std::vector<Keyed> keys() const;
    QAction* action(const QString& name) const;
    const std::vector<CommandMenu>& menus() const { return menus_; }

  private:
    struct Entry {
        const Command* command;
        QAction* action;
    };
    Reach& reach_;
    std::vector<CommandMenu> menus_;
    std::vector<Entry> entries_; // in the order of the tables
};

} // namespace app
