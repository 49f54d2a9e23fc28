// Words of the rooms below that the window shows, named here so that they are translated: the rooms have no
// languages. A test looks each up that their tables have.
#include <QtGlobal>

namespace app {

[[maybe_unused]] const char* const coreWords[] = {
    // hear: who says a tempo, as a title and within a sentence
    QT_TRANSLATE_NOOP("QObject", "Name"),
    QT_TRANSLATE_NOOP("QObject", "Tag"),
    QT_TRANSLATE_NOOP("QObject", "Heard"),
    QT_TRANSLATE_NOOP("QObject", "Length"),
    QT_TRANSLATE_NOOP("QObject", "Tapped"),
    QT_TRANSLATE_NOOP("QObject", "Typed"),
    QT_TRANSLATE_NOOP("QObject", "name"),
    QT_TRANSLATE_NOOP("QObject", "tag"),
    QT_TRANSLATE_NOOP("QObject", "heard"),
    QT_TRANSLATE_NOOP("QObject", "length"),
    QT_TRANSLATE_NOOP("QObject", "tapped"),
    QT_TRANSLATE_NOOP("QObject", "typed"),
    // hear: kinds of sound
    QT_TRANSLATE_NOOP("QObject", "struck"),
    QT_TRANSLATE_NOOP("QObject", "bass"),
    QT_TRANSLATE_NOOP("QObject", "keys"),
    QT_TRANSLATE_NOOP("QObject", "held"),
    QT_TRANSLATE_NOOP("QObject", "voice"),
    QT_TRANSLATE_NOOP("QObject", "mix"),
    QT_TRANSLATE_NOOP("QObject", "one hit"),
    QT_TRANSLATE_NOOP("QObject", "no beat"),
    // prove: how much a clip is strained
    QT_TRANSLATE_NOOP("QObject", "gentle"),
    QT_TRANSLATE_NOOP("QObject", "firm"),
    QT_TRANSLATE_NOOP("QObject", "hard"),
    QT_TRANSLATE_NOOP("QObject", "untouched"),
    // project: what a clip does when the tempo changes
    QT_TRANSLATE_NOOP("QObject", "Stretch"),
    QT_TRANSLATE_NOOP("QObject", "Slices"),
    QT_TRANSLATE_NOOP("QObject", "Place"),
    QT_TRANSLATE_NOOP("QObject", "Fixed"),
    QT_TRANSLATE_NOOP("QObject", "Fills its beats at every tempo"),
    QT_TRANSLATE_NOOP("QObject", "Cut at its onsets: each piece goes to its place and keeps its length"),
    QT_TRANSLATE_NOOP("QObject", "Starts on its beat; the length stays as recorded"),
    QT_TRANSLATE_NOOP("QObject", "Keeps its seconds, whatever the tempo does"),
    // stretch: what each method is good for; their names stand as they are in every language
    QT_TRANSLATE_NOOP("QObject", "Drums, percussion, plucked rhythm: every attack stays as it was played"),
    QT_TRANSLATE_NOOP("QObject", "Pads, chords, drones: long tones stay smooth"),
    QT_TRANSLATE_NOOP("QObject", "Full mixes: tones and attacks each in their own way"),
    QT_TRANSLATE_NOOP("QObject", "A voice or one instrument: its colour stays"),
    QT_TRANSLATE_NOOP("QObject", "Pitch follows speed, as on tape"),
};

} // namespace app
