// The columns of Sources: one entry each, from which the table, its sorting, its widths and its painting follow.
#pragma once

#include "project/laid.h"
#include "prove/landing.h"
#include "prove/strain.h"

#include <QString>
#include <QVariant>
#include <optional>
#include <span>
#include <string_view>
#include <vector>

namespace app {

class Proofs;

// A source, with what a column may show of it. Valid until the next change of the document.
struct SourceRow {
    project::SourcePtr source;                     // never null
    std::vector<const project::LaidClip*> clips{}; // its own, in the order of the page
    const Proofs* proofs = nullptr;                // never null
    prove::Comfort comfort{};
};

struct SourcesColumn {
    enum class Looks { Source, Text, Figure, Tempo, Sureness, Proof };
    const char* header;                     // to be translated
    int width;                              // pixels at 100 %; 0: what the others leave
    Looks looks = Looks::Figure;            // text lies left, figures right
    bool fromClips = false;                 // whether it says something of its clips, and not of the source alone
    std::optional<hear::Witness> witness{}; // whose reading it shows
    QString (*text)(const SourceRow& row);
    QVariant (*sortKey)(const SourceRow& row); // a number where the column shows one
    QString (*tip)(const SourceRow& row);
};

// In the order in which they stand. docs/adding.md says how another comes among them.
std::span<const SourcesColumn> sourceColumns();
// By its header, untranslated. REQUIRES that there is one.
int sourceColumnAt(std::string_view header);
// Whose reading a column of this witness shows: under what was said, that which was typed, else that which was
// tapped.
std::optional<hear::Witness> shownWitness(const project::Source& source, hear::Witness by);
// How the clips of a row landed, the worst of them; none while that is not known.
std::optional<prove::Landing> landingOf(const SourceRow& row);

} // namespace app
