// The look in one place: colours, fonts and distances. Every widget takes them from here.
#pragma once

#include <QColor>
#include <QFont>
#include <QString>

namespace app {

// The colours of a theme, by what they are for.
struct Tokens {
    QColor paper;      // the page
    QColor sheet;      // raised surfaces: fields, clips, lists
    QColor panel;      // side panels
    QColor bar;        // menu bar, status line, rulers
    QColor rule;       // beat lines, thin borders
    QColor ruleStrong; // bar lines, borders of controls
    QColor ink;        // text, waveforms
    QColor inkSoft;    // labels
    QColor onInk;      // text on ink
    QColor brass;      // selection, pins, tempo
    QColor brassText;  // the same where it is text
    QColor verdigris;  // in time, meters
    QColor amber;      // early
    QColor plum;       // late
    QColor wax;        // play position, overload, errors
    QColor tints[8];   // tracks: a spine and a faint band

    // A track's band: its tint laid thinly over the sheet.
    QColor band(int tint) const;
    const QColor& tint(int index) const { return tints[static_cast<unsigned>(index) % 8]; }
};

// Light, dark, and black on white for whoever needs all the contrast there is.
enum class Theme { Paper, Lamp, Ink };

const Tokens& tokens();
void setTheme(Theme theme); // and the application's palette and style sheet with it
Theme theme();
const Tokens& tokensOf(Theme theme);

// Fonts, by pixel size at 100 %. loadFonts() first, once, after QApplication exists; false when one could not be
// had.
bool loadFonts();
QFont textFont(int pixels, QFont::Weight weight = QFont::Normal);
QFont figureFont(int pixels);

// The ratio of contrast of two colours: 1 to 21 (WCAG 2.1, definition of contrast ratio).
double contrast(const QColor& a, const QColor& b);
// A colour darkened, on dark ground lightened, until it has so much contrast to a ground.
QColor readable(QColor colour, const QColor& ground, double least = 4.5);

namespace sizes {
inline constexpr int label = 11;
inline constexpr int text = 12;
inline constexpr int strong = 13;
inline constexpr int figure = 18;
inline constexpr int largeFigure = 40;
inline constexpr int gap = 8;
inline constexpr int margin = 14;
} // namespace sizes

} // namespace app
