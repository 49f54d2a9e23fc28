// How the tables of commands say keys and names.
#pragma once

#include <QKeySequence>
#include <QList>
#include <set>
#include <string>

namespace app {

inline QList<QKeySequence> keys(QKeyCombination combination) {
    return {QKeySequence(combination)};
}
inline QList<QKeySequence> standard(QKeySequence::StandardKey key) {
    return {QKeySequence(key)};
}

// Names of actions that are made in a loop must live as long as the table.
inline const char* kept(const std::string& name) {
    static std::set<std::string> names;
    return names.insert(name).first->c_str();
}

} // namespace app
