// Everything that can be done by name: one table, which feeds the menu bar, the menus at the pointer, the shortcuts
// and the page of keys.
#pragma once

#include "app/session/offer.h"

#include <QKeySequence>
#include <QList>
#include <QObject>
#include <QString>
#include <functional>
#include <vector>

class QAction;
class QMenu;
class QMenuBar;
class QWidget;

namespace app {

// When a command can be given.
enum class Needs { Nothing, Clips, OneClip, Source, Set, Track, Pick, Pins, Undo, Redo };

struct Command {
    const char* name; // of its action; for tests and for pictures
    QString menu;     // which menu of the bar, with its mnemonic
    QString text;     // with its mnemonic
    QList<QKeySequence> keys;
    Needs needs = Needs::Nothing;
    unsigned offers = OnBar;
    std::function<void()> run;
    std::function<bool()> isOn = {}; // empty: it is not a switch
    bool opensGroup = false;         // a line above it
    QString under = {};              // in menus at the pointer: the menu within the menu that has it; empty: none
    QString within = {};             // in the bar, the same
};

// Builds a table, menu by menu, in the order in which they stand.
class CommandList {
  public:
    void menu(const QString& title) {
        menu_ = title;
        under_.clear();
        within_.clear();
        line_ = false;
    }
    // Those that follow stand, at the pointer, in a menu of their own; empty ends it.
    void under(const QString& title) { under_ = title; }
    // In the bar, the same.
    void within(const QString& title) { within_ = title; }
    void line() { line_ = true; } // above the next
    void add(const char* name, const QString& text, const QList<QKeySequence>& keys, Needs needs, unsigned offers,
             std::function<void()> run, std::function<bool()> isOn = {}) {
        table_.push_back(
            {name, menu_, text, keys, needs, offers, std::move(run), std::move(isOn), line_, under_, within_});
        line_ = false;
    }
    std::vector<Command> take() { return std::move(table_); }

  private:
    QString menu_;
    QString under_;
    QString within_;
    bool line_ = false;
    std::vector<Command> table_;
};

class Commands : public QObject {
    Q_OBJECT
  public:
    // The actions belong to `window`, and their shortcuts hold in it.
    Commands(std::vector<Command> table, QWidget* window);

    void fill(QMenuBar& bar) const;
    // The menu at the pointer for a place: the same actions, shortest first.
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
    const std::vector<Command>& table() const { return table_; }

  private:
    std::vector<Command> table_;
    std::vector<QAction*> actions_;
};

} // namespace app
