// What the user prefers, kept in the data folder from one start to the next.
#pragma once

#include "play/output.h"

#include <QStringList>
#include <filesystem>

namespace app {

struct Preferences {
    play::OutputChoice output;
    bool lamp = false;
    QStringList recent; // folders of projects, the latest first
    static constexpr int mostRecent = 10;
    bool operator==(const Preferences&) const = default;
};

// preferences.ini in the data folder. What is missing or makes no sense has its first value. Interface thread.
Preferences loadPreferences();
// Whole or not at all; a folder that cannot be written to keeps nothing, and that is no error.
void savePreferences(const Preferences& preferences);

} // namespace app
