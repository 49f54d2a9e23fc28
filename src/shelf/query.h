// What is looked for in the library, and in which order it comes.
#pragma once

#include "hear/listen.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace shelf {

// How the key of what is found goes with a key.
enum class KeyRelation { Same, Related, Any };
enum class Mode { Any, Major, Minor, Neither }; // Neither: no key is known

// In which order what was found comes.
enum class SortedBy {
    Name,
    Tempo,
    Key, // by its signature, flats first
    Kind,
    Length,
    Goes // what goes best with the project first (goesWith())
};

// What is looked for. All that is said must hold.
struct Query {
    // Each must begin a word of name, folder, own tags, notes, key or kind; but "swing 54-60" asks for what swings
    // so.
    std::string words;
    std::vector<std::string> tags; // own tags, each of them
    std::optional<hear::Window> tempo;
    bool octaves = false;         // a tempo counts as its half and its double, too
    std::optional<hear::Key> key; // with `relation`
    KeyRelation relation = KeyRelation::Same;
    Mode mode = Mode::Any;
    std::vector<hear::Kind> kinds; // any of them; empty: all
    std::optional<metre::Seconds> shortest;
    std::optional<metre::Seconds> longest;
    bool favourites = false;
    std::filesystem::path within; // a folder; empty: anywhere
    bool withGone = true;
    bool withDamaged = true;
    SortedBy order = SortedBy::Name;
    bool descending = false;
    // For SortedBy::Goes.
    std::optional<metre::Bpm> projectTempo;
    std::optional<hear::Key> projectKey;
};

// How well something goes with a project: 0 is as it is, and more is worse. The octaves between the tempos, halves
// and doubles considered, plus what its key costs: nothing where it is the project's or closely related, and else a
// tenth for each fifth beyond that, as much as a stretch by 7 %. What has no tempo comes after all that has.
// (The weighing is ours.)
double goesWith(std::optional<metre::Bpm> bpm, std::optional<hear::Key> key, std::optional<metre::Bpm> projectTempo,
                std::optional<hear::Key> projectKey);

} // namespace shelf
