// What the user prefers, kept in the data folder from one start to the next.
#pragma once

#include "app/session/audition_ways.h"
#include "app/session/deliver_ways.h"
#include "app/widgets/tokens.h"
#include "play/output.h"
#include "project/leaning.h"
#include "prove/landing.h"
#include "prove/strain.h"

#include <QByteArray>
#include <QString>
#include <QStringList>
#include <QVariant>
#include <filesystem>
#include <optional>
#include <utility>
#include <vector>

namespace app {

// What a file that comes in does.
enum class NewSources {
    KeepTime,   // it is fitted to the project's time
    AsRecorded, // it stays as it was recorded
    Lead        // the project takes its tempo, where it is the first
};

// Who says when the project plays, where, and at which tempo.
enum class LedBy {
    Project,   // itself
    Jack,      // a JACK server's transport, tempo and metre too where a program gives them to it
    JackGiven, // likewise, and the project gives tempo and metre to it
    Midi       // a MIDI clock; its tempo is picked
};

// Other programs and machines that play along.
struct TogetherWays {
    LedBy ledBy = LedBy::Project;
    std::string midiIn;  // as play::midiInputs() calls it; empty: none
    std::string midiOut; // where the project's clock is sent
    bool pads = true;    // whether what is struck on the port that comes in taps the tempo
    bool operator==(const TogetherWays&) const = default;
};

struct Preferences {
    play::OutputChoice output;
    Theme theme = Theme::Paper;
    AuditionWays audition;
    TogetherWays together;
    NewSources newSources = NewSources::KeepTime;
    metre::Bpm worksFrom = project::Leaning::usual; // the low end of the octave of tempos that the user works at
    bool copyAudio = true; // what comes in is copied into the project's folder when that is saved
    QStringList recent;    // folders of projects, the latest first
    metre::Seconds tolerance = prove::usualTolerance; // up to how far off a hit is in time
    prove::Comfort comfort;                           // what each method bears
    DeliverWays delivery;
    QByteArray window; // where it stood, and how large it was
    QByteArray sides;  // how its parts shared the width
    QByteArray levels; // and the height
    static constexpr int mostRecent = 10;
    bool operator==(const Preferences&) const = default;
};

// How a preference is asked for in the window.
struct Asked {
    enum class Group { Device, NewSources, Together, Pads, Proof, Appearance };
    Group group = Group::Device;
    QString name;                                        // of the control
    QString title;                                       // what is chosen
    QString tells;                                       // what that changes; empty: the next one says it for both
    std::vector<std::pair<QString, QVariant>> choices{}; // none: a figure in ±%
};

// One preference, as a table has it.
struct PreferenceEntry {
    QString key;                // its name in the file
    std::optional<Asked> asked; // none: it is kept without being asked for here
};

// Who may lead, in words, by the word in the file.
std::vector<std::pair<QString, QVariant>> leadingWays();

// What a file that is imported does, in words, by its word in the file.
std::vector<std::pair<QString, QVariant>> newSourceWays();

// Every preference, in the order of the file and of the window.
std::vector<PreferenceEntry> preferenceTable();
// What a preference is, as the file would have it. REQUIRES that the table has the key.
QVariant preferenceOf(const Preferences& preferences, const QString& key);
// A value that makes no sense is brought within the limits, or leaves it as it is.
void setPreference(Preferences& preferences, const QString& key, const QVariant& value);

// preferences.ini in the data folder. What is missing or makes no sense has its first value. Any thread; saving
// takes as long as the disk does (see PreferenceKeeper).
Preferences loadPreferences();
// Whole or not at all; a folder that cannot be written to keeps nothing, and that is no error.
void savePreferences(const Preferences& preferences);

} // namespace app
