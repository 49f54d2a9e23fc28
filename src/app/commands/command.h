// What a command is: an entry of the tables that feed the menu bar, the menus at the pointer, the keys and the
// help.
#pragma once

#include "app/commands/reach.h"
#include "app/session/offer.h"

#include <QString>
#include <functional>
#include <vector>

namespace app {

// When a command can be given.
enum class Needs { Nothing, Clips, OneClip, Source, Sources, Set, Track, Pick, Pins, Undo, Redo };

// Where a command stands in a menu at the pointer: in the order of the work, with lines between.
enum class Among { Most, Fit, Sound, Recording, Rest };

// Offered at the pointer: at which places, among what, and in which menu within the menu, empty for none.
struct AtPointer {
    unsigned places = OnBar;
    Among among = Among::Rest;
    QString under = {};
};

struct Command {
    QString name; // of its action; for tests and for pictures
    QString text; // with its mnemonic
    QString keys; // as QKeySequence reads them, the first shown; several are parted by "; "
    Needs needs = Needs::Nothing;
    std::function<void(Reach&)> run;
    std::function<bool(const Reach&)> isOn = {}; // empty: it is not a switch
    AtPointer pointer = {};
};

// Commands between two lines of a menu of the bar, or in a menu within it.
struct CommandGroup {
    QString within; // empty: in the menu itself
    std::vector<Command> commands;
};

struct CommandMenu {
    QString title; // with its mnemonic
    std::vector<CommandGroup> groups;
};

// The tables, by subject.
CommandMenu fileCommands();
CommandMenu editCommands();
CommandMenu sourceCommands();
CommandMenu pinCommands();
CommandMenu clipCommands();
CommandMenu fitCommands();
CommandMenu trackCommands();
CommandMenu tempoCommands();
CommandMenu playCommands();
CommandMenu viewCommands();
CommandMenu helpCommands();
// Parts of others that are long enough for a file of their own.
std::vector<CommandGroup> leadCommands();  // of pins
std::vector<CommandGroup> ledByCommands(); // of the tempo
std::vector<CommandGroup> proofCommands(); // of the tempo

// All of them, in the order of the bar.
std::vector<CommandMenu> allCommands();

} // namespace app
