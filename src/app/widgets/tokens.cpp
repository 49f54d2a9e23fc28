#include "app/widgets/tokens.h"

#include <QApplication>
#include <QFontDatabase>
#include <QPalette>
#include <cmath>
#include <map>
#include <tuple>

// Resources of a static library must be asked for by name, outside any namespace.
static void initAssets() {
    Q_INIT_RESOURCE(assets);
}

namespace app {

namespace {

Theme current = Theme::Paper;

Tokens paperTokens() {
    Tokens t;
    t.paper = QColor("#F4EFE4");
    t.sheet = QColor("#FBF8F0");
    t.panel = QColor("#EFE8D9");
    t.bar = QColor("#E7DFCB");
    t.rule = QColor("#DDD3BD");
    t.ruleStrong = QColor("#91866D");
    t.ink = QColor("#1F2A37");
    t.inkSoft = QColor("#525A65");
    t.onInk = QColor("#FBF8F0");
    t.brass = QColor("#A8802B");
    t.brassText = QColor("#7A5B17");
    t.verdigris = QColor("#2E7D6B");
    t.amber = QColor("#C27617");
    t.plum = QColor("#8C3B6E");
    t.wax = QColor("#B23A2E");
    const char* tints[] = {"#7C8F6B", "#8A6F9E", "#5E86A0", "#B0745A", "#A08F4E", "#6B9A94", "#9E6F7E", "#77809A"};
    for (int i = 0; i < 8; ++i)
        t.tints[i] = QColor(tints[i]);
    return t;
}

Tokens lampTokens() {
    Tokens t;
    t.paper = QColor("#1B1F25");
    t.sheet = QColor("#232830");
    t.panel = QColor("#20242B");
    t.bar = QColor("#2A2F37");
    t.rule = QColor("#363B43");
    t.ruleStrong = QColor("#787466");
    t.ink = QColor("#EDE6D6");
    t.inkSoft = QColor("#B9B4A4");
    t.onInk = QColor("#1B1F25");
    t.brass = QColor("#D0A64C");
    t.brassText = QColor("#DDB767");
    t.verdigris = QColor("#55B39C");
    t.amber = QColor("#E39B3C");
    t.plum = QColor("#CC7FAF");
    t.wax = QColor("#E2705F");
    const char* tints[] = {"#93A681", "#A78DBB", "#7BA3BD", "#CB9078", "#BDAC6B", "#86B5AF", "#BB8C9B", "#949DB7"};
    for (int i = 0; i < 8; ++i)
        t.tints[i] = QColor(tints[i]);
    return t;
}

Tokens inkTokens() {
    Tokens t;
    t.paper = QColor("#FFFFFF");
    t.sheet = QColor("#FFFFFF");
    t.panel = QColor("#FFFFFF");
    t.bar = QColor("#F2F2F2");
    t.rule = QColor("#A8A8A8");
    t.ruleStrong = QColor("#404040");
    t.ink = QColor("#000000");
    t.inkSoft = QColor("#262626");
    t.onInk = QColor("#FFFFFF");
    t.brass = QColor("#6B4A00");
    t.brassText = QColor("#5A3E00");
    t.verdigris = QColor("#00523F");
    t.amber = QColor("#8A4A00");
    t.plum = QColor("#6A0F4A");
    t.wax = QColor("#9B1010");
    const char* tints[] = {"#33501F", "#4B2E66", "#174A6B", "#7A2F12", "#5A4A00", "#0F5A50", "#6B2440", "#2E3A5C"};
    for (int i = 0; i < 8; ++i)
        t.tints[i] = QColor(tints[i]);
    return t;
}

QString styleSheet(const Tokens& t) {
    // %1 paper %2 sheet %3 panel %4 bar %5 rule %6 ruleStrong %7 ink %8 inkSoft %9 brass %10 onInk; %11 the ending
    // of the marks of the theme (tools/make_marks.py)
    return QStringLiteral(R"(
QMainWindow, QDialog { background: %1; }
QMenuBar { background: %4; color: %7; padding: 2px 6px; }
QMenuBar::item { padding: 4px 8px; background: transparent; }
QMenuBar::item:selected { background: %5; }
QMenu { background: %2; color: %7; border: 1px solid %6; padding: 4px 0; }
QMenu::item { padding: 5px 24px 5px 24px; }
QMenu::item:selected { background: %5; }
QMenu::item:disabled { color: %6; }
QMenu::separator { height: 1px; background: %5; margin: 4px 0; }
QPushButton { background: %2; color: %7; border: 1px solid %6; border-radius: 4px; padding: 4px 10px; min-height: 15px; }
QPushButton:hover { background: %3; }
QPushButton:focus { border: 2px solid %9; padding: 3px 9px; }
QPushButton:checked, QPushButton[primary="true"] { background: %7; color: %10; border-color: %7; }
QPushButton:checked:focus, QPushButton[primary="true"]:focus { border: 2px solid %9; }
QPushButton:disabled { color: %6; border-color: %5; }
QPushButton[link="true"] { background: transparent; border: none; color: %7; text-decoration: underline; padding: 2px 4px; }
QPushButton[link="true"]:focus { border: 1px solid %9; }
QPushButton[word="true"] { background: transparent; color: %8; border: none; border-bottom: 2px solid transparent; border-radius: 0; padding: 0 5px; min-height: 0; }
QPushButton[word="true"]:checked { color: %7; font-weight: 600; border-bottom: 2px solid %9; }
QPushButton[word="true"]:focus { border-bottom: 2px dotted %9; }
#emptyPage { background: %2; border: 1px solid %5; border-radius: 6px; }
QPushButton[narrow="true"] { padding: 2px 3px; }
QPushButton[narrow="true"]:focus { padding: 1px 2px; }
QLineEdit, QSpinBox, QDoubleSpinBox { background: %2; color: %7; border: 1px solid %6; border-radius: 3px; padding: 3px 6px; selection-background-color: %9; selection-color: %2; }
QLineEdit:focus, QSpinBox:focus, QDoubleSpinBox:focus { border: 2px solid %9; padding: 2px 5px; }
QSpinBox, QDoubleSpinBox { padding-right: 50px; min-height: 18px; }
QSpinBox::up-button, QDoubleSpinBox::up-button, QSpinBox::down-button, QDoubleSpinBox::down-button { subcontrol-origin: border; subcontrol-position: center right; width: 23px; height: 22px; border: none; border-left: 1px solid %5; }
QSpinBox::down-button, QDoubleSpinBox::down-button { right: 24px; }
QSpinBox::up-button:hover, QDoubleSpinBox::up-button:hover, QSpinBox::down-button:hover, QDoubleSpinBox::down-button:hover { background: %3; }
QSpinBox::up-arrow, QDoubleSpinBox::up-arrow { image: url(:/plus%11.png); width: 9px; height: 9px; }
QSpinBox::down-arrow, QDoubleSpinBox::down-arrow { image: url(:/minus%11.png); width: 9px; height: 9px; }
QComboBox { background: %2; color: %7; border: 1px solid %6; border-radius: 4px; padding: 3px 8px; min-width: 52px; }
QComboBox::drop-down { border: none; width: 20px; }
QComboBox::down-arrow { image: url(:/arrow.png); width: 9px; height: 6px; }
QComboBox:focus { border: 2px solid %9; padding: 2px 7px; }
QComboBox QAbstractItemView { background: %2; color: %7; selection-background-color: %5; selection-color: %7; border: 1px solid %6; }
QToolTip { background: %7; color: %10; border: none; padding: 4px 6px; }
QScrollBar:horizontal { background: %1; height: 10px; }
QScrollBar:vertical { background: %1; width: 10px; }
QScrollBar::handle { background: %6; border-radius: 3px; min-width: 24px; min-height: 24px; margin: 2px; }
QScrollBar::add-line, QScrollBar::sub-line { width: 0; height: 0; }
QScrollBar::add-page, QScrollBar::sub-page { background: transparent; }
QSlider { min-height: 16px; }
QSlider::groove:horizontal { background: %5; height: 3px; }
QSlider::handle:horizontal { background: %9; width: 12px; height: 12px; margin: -5px 0; border-radius: 6px; }
QSlider::handle:horizontal:focus { border: 2px solid %7; width: 8px; height: 8px; }
QSlider::handle:horizontal:disabled { background: %6; }
QSplitter::handle { background: %7; }
QProgressBar { background: %5; border: none; border-radius: 2px; max-height: 6px; }
QProgressBar::chunk { background: %9; border-radius: 2px; }
QTabBar { background: transparent; font-weight: 600; }
QTabBar::tab { color: %8; background: transparent; border: none; border-bottom: 2px solid transparent; padding: 3px 2px; margin-right: 14px; }
QTabBar::tab:selected { color: %7; border-bottom: 2px solid %9; }
QTabBar::tab:selected:focus { border-bottom: 2px dotted %9; }
QTableView { background: transparent; color: %7; border: none; selection-background-color: %2; selection-color: %7; outline: none; }
QTableView QLineEdit { padding: 0 4px; }
QHeaderView { background: %4; }
QHeaderView::section { background: %4; color: %8; border: none; border-bottom: 1px solid %6; padding: 4px 8px 4px 6px; }
QListWidget { background: transparent; color: %7; border: none; outline: none; }
QListWidget::item { padding: 6px 10px; border-left: 3px solid transparent; }
QListWidget::item:selected { background: %2; color: %7; border-left: 3px solid %9; }
QTreeWidget { background: transparent; color: %7; border: none; outline: none; }
QTreeWidget { selection-background-color: %2; show-decoration-selected: 1; }
QTreeWidget::item { padding: 2px 4px; border-bottom: 1px solid %5; }
QTreeWidget::item:selected, QTreeWidget::branch:selected { background: %2; color: %7; }
QLabel { color: %7; }
QLabel[soft="true"] { color: %8; }
QCheckBox { color: %7; spacing: 7px; }
QCheckBox::indicator { width: 12px; height: 12px; background: %2; border: 1px solid %6; border-radius: 2px; }
QCheckBox::indicator:checked { background: %7; border-color: %7; image: url(:/tick%11.png); }
QCheckBox::indicator:focus { width: 10px; height: 10px; border: 2px solid %9; }
)")
        .arg(t.paper.name(), t.sheet.name(), t.panel.name(), t.bar.name(), t.rule.name(), t.ruleStrong.name(),
             t.ink.name(), t.inkSoft.name(), t.brass.name())
        .arg(t.onInk.name(), current == Theme::Lamp ? QStringLiteral("-lamp") : QString());
}

} // namespace

QColor Tokens::band(int index) const {
    const QColor c = tint(index);
    const auto mixed = [](int a, int b) { return static_cast<int>(std::lround(a * 0.22 + b * 0.78)); };
    return {mixed(c.red(), sheet.red()), mixed(c.green(), sheet.green()), mixed(c.blue(), sheet.blue())};
}

const Tokens& tokensOf(Theme which) {
    static const Tokens paper = paperTokens();
    static const Tokens lamp = lampTokens();
    static const Tokens ink = inkTokens();
    return which == Theme::Paper ? paper : which == Theme::Lamp ? lamp : ink;
}

const Tokens& tokens() {
    return tokensOf(current);
}
Theme theme() {
    return current;
}

void setTheme(Theme which) {
    current = which;
    const Tokens& t = tokens();
    QPalette palette;
    palette.setColor(QPalette::Window, t.paper);
    palette.setColor(QPalette::WindowText, t.ink);
    palette.setColor(QPalette::Base, t.sheet);
    palette.setColor(QPalette::AlternateBase, t.panel);
    palette.setColor(QPalette::Text, t.ink);
    palette.setColor(QPalette::Button, t.sheet);
    palette.setColor(QPalette::ButtonText, t.ink);
    palette.setColor(QPalette::Highlight, t.brass);
    palette.setColor(QPalette::HighlightedText, t.sheet);
    palette.setColor(QPalette::PlaceholderText, t.inkSoft);
    palette.setColor(QPalette::ToolTipBase, t.ink);
    palette.setColor(QPalette::ToolTipText, t.onInk);
    QApplication::setPalette(palette);
    qApp->setStyleSheet(styleSheet(t));
}

bool loadFonts() {
    initAssets();
    bool all = true;
    for (const char* file : {":/fonts/Inter-Regular.otf", ":/fonts/Inter-Medium.otf", ":/fonts/Inter-SemiBold.otf",
                             ":/fonts/MetreFigures-Regular.ttf"})
        all = QFontDatabase::addApplicationFont(QString::fromLatin1(file)) >= 0 && all;
    QApplication::setFont(textFont(sizes::text));
    return all;
}

namespace {

// Fonts are asked for at every stroke of the brush; each is made once.
const QFont& madeFont(const QString& family, int pixels, QFont::Weight weight) {
    static std::map<std::tuple<QString, int, int>, QFont> made;
    const auto [at, isNew] = made.try_emplace({family, pixels, int(weight)}, family);
    if (isNew) {
        at->second.setPixelSize(pixels);
        at->second.setWeight(weight);
    }
    return at->second;
}

} // namespace

QFont textFont(int pixels, QFont::Weight weight) {
    return madeFont(QStringLiteral("Inter"), pixels, weight);
}

QFont figureFont(int pixels) {
    return madeFont(QStringLiteral("Metre Figures"), pixels, QFont::Normal);
}

double contrast(const QColor& a, const QColor& b) {
    const auto luminance = [](const QColor& c) {
        const auto linear = [](double v) { return v <= 0.03928 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
        return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
    };
    const double la = luminance(a);
    const double lb = luminance(b);
    return (std::max(la, lb) + 0.05) / (std::min(la, lb) + 0.05);
}

QColor readable(QColor colour, const QColor& ground, double least) {
    for (int i = 0; i < 24 && contrast(colour, ground) < least; ++i)
        colour = ground.lightness() > 128 ? colour.darker(108) : colour.lighter(108);
    return colour;
}

} // namespace app
