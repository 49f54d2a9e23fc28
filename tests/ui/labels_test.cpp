// Every visible label of the window has room for its words: at two sizes, on every page, in both themes, and, run
// by CTest with QT_SCALE_FACTOR, at 100, 150 and 200 %. Names of files are shortened in their middle and are left
// out.
#include "app/sources/source_columns.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/figure.h"
#include "app/widgets/words.h"
#include "ui/window.h"

#include <QAbstractButton>
#include <QAction>
#include <QCheckBox>
#include <QComboBox>
#include <QHeaderView>
#include <QLineEdit>
#include <QListWidget>
#include <QMap>
#include <QMenu>
#include <QMenuBar>
#include <QStyleOptionButton>
#include <QTranslator>

namespace {

using app::Figure;

struct Said {
    QWidget* widget;
    QString text;
    int needs; // pixels across
    int has;
};

// What the widget says, and how much room that takes; none where it says nothing or shortens it by itself.
std::optional<Said> saidBy(QWidget* w) {
    const auto across = [w](const QString& text) {
        int most = 0;
        for (const QString& line : text.split('\n'))
            most = std::max(most, w->fontMetrics().horizontalAdvance(QString(line).remove('&')));
        return most;
    };
    if (auto* label = qobject_cast<QLabel*>(w)) {
        if (dynamic_cast<app::ElidedLabel*>(w) != nullptr || label->text().isEmpty()) return {};
        if (label->textFormat() == Qt::RichText || Qt::mightBeRichText(label->text())) return {};
        if (label->wordWrap()) return {};
        return Said{w, label->text(), across(label->text()), label->contentsRect().width()};
    }
    if (auto* button = qobject_cast<QAbstractButton*>(w)) {
        if (button->text().isEmpty()) return {};
        return Said{w, button->text(), across(button->text()), button->width() - 2};
    }
    if (auto* box = qobject_cast<QComboBox*>(w))
        return Said{w, box->currentText(), across(box->currentText()), box->width() - 14};
    if (auto* figure = qobject_cast<Figure*>(w))
        return Said{w, figure->text(), figure->sizeHint().width(), figure->width() + 1};
    return {};
}

// All that stands in a window, and is not behind something that scrolls.
std::vector<Said> saidIn(QWidget& window) {
    std::vector<Said> all;
    for (QWidget* w : window.findChildren<QWidget*>())
        if (w->isVisible() && !w->visibleRegion().isEmpty())
            if (auto said = saidBy(w)) all.push_back(*said);
    return all;
}

QString nameOf(const Said& said) {
    return QStringLiteral("“%1” (%2 in %3)")
        .arg(said.text,
             said.widget->objectName().isEmpty() ? said.widget->metaObject()->className()
                                                 : said.widget->objectName(),
             said.widget->parentWidget() != nullptr ? said.widget->parentWidget()->objectName() : QString());
}

// What has no room, and what lies on its neighbour.
QStringList faultsOf(QWidget& window, std::size_t least) {
    QStringList faults;
    const std::vector<Said> all = saidIn(window);
    if (all.size() < least) faults << "hardly anything is shown";
    for (const Said& said : all)
        if (said.needs > said.has)
            faults << QStringLiteral("%1 needs %2 and has %3").arg(nameOf(said)).arg(said.needs).arg(said.has);
    for (std::size_t i = 0; i < all.size(); ++i)
        for (std::size_t k = i + 1; k < all.size(); ++k) {
            if (all[i].widget->parentWidget() != all[k].widget->parentWidget()) continue;
            const QRect both = all[i].widget->geometry().intersected(all[k].widget->geometry());
            if (both.width() > 1 && both.height() > 1)
                faults << QStringLiteral("%1 lies on %2").arg(nameOf(all[i]), nameOf(all[k]));
        }
    for (auto* area : window.findChildren<QScrollArea*>())
        if (area->isVisible() && area->horizontalScrollBarPolicy() == Qt::ScrollBarAlwaysOff &&
            area->widget() != nullptr && area->widget()->width() > area->viewport()->width())
            faults << QStringLiteral("“%1” is %2 wide and %3 of it are seen")
                          .arg(area->objectName())
                          .arg(area->widget()->width())
                          .arg(area->viewport()->width());
    for (auto* header : window.findChildren<QHeaderView*>()) {
        if (!header->isVisible() || header->orientation() != Qt::Horizontal) continue;
        constexpr int sides = 14; // what the style leaves free on both sides
        for (int i = 0; i < header->count(); ++i) {
            const QString text = header->model()->headerData(i, Qt::Horizontal).toString();
            if (header->isSectionHidden(i) || text.isEmpty()) continue;
            const int needs = header->fontMetrics().horizontalAdvance(text) + sides;
            if (needs > header->sectionSize(i))
                faults << QStringLiteral("header “%1” needs %2 and has %3")
                              .arg(text)
                              .arg(needs)
                              .arg(header->sectionSize(i));
        }
    }
    return faults;
}

void expectRoom(QWidget& window, const QString& where, std::size_t least = 20) {
    // Layouts settle over a few turns of the event loop.
    static_cast<void>(QTest::qWaitFor([&] { return faultsOf(window, least).isEmpty(); }, 3000));
    EXPECT_EQ(faultsOf(window, least).join('\n').toStdString(), "") << where.toStdString();
}

// A language that there is not: every text with accents, and longer by two fifths, its places to fill in and the
// letter that is underlined as they were.
class LongerLanguage : public QTranslator {
  public:
    QString translate(const char*, const char* source, const char*, int) const override {
        static const QString plain = QStringLiteral("aeiouyAEIOUYcnst");
        static const QString accented = QStringLiteral("áéíóúýÁÉÍÓÚÝčňšť");
        QString text = QString::fromUtf8(source);
        const bool hasPlaces = text.contains('{') || text.contains('*') || text.contains(".json");
        int letters = 0;
        for (int i = 0; i < text.size() && !hasPlaces; ++i) {
            const bool isPlace = i > 0 && text[i - 1] == '%';
            if (text[i].isLetter()) ++letters;
            if (const auto at = plain.indexOf(text[i]); at >= 0 && !isPlace) text[i] = accented[at];
        }
        return letters < 2 ? text
                           : text + QStringLiteral("éšáň").repeated(letters).left(std::max(1, letters * 2 / 5));
    }
    bool isEmpty() const override { return false; }
};

// In place while it lives.
struct InLanguage {
    QTranslator& translator;
    explicit InLanguage(QTranslator& t) : translator(t) { QCoreApplication::installTranslator(&translator); }
    ~InLanguage() { QCoreApplication::removeTranslator(&translator); }
};

void expectRoomOnEveryPage(const char* language) {
    ui::Window w;
    w.import({ui::hands(), ui::bass(), ui::shaker()});
    const auto clips = project::allClips(w.now());
    // Of several clips most figures differ, and say so; the list of them says most once they are proven.
    w.session().document().select(clips);
    EXPECT_TRUE(
        ui::waitFor([&] { return w.session().proofs().of(clips[0]) && w.session().proofs().of(clips[1]); }));
    expectRoom(*w.window, QStringLiteral("several clips in %1").arg(language));
    w.session().document().select({clips.front()});
    for (const QSize size : {QSize(1280, 800), QSize(1600, 1000)}) {
        w.window->resize(size);
        for (const char* page : {"pageBars", "pageSources", "pageStrain"}) {
            w.child<QAction>(page)->trigger();
            expectRoom(*w.window, QStringLiteral("%1, %2 wide, in %3").arg(page).arg(size.width()).arg(language));
        }
    }
}

TEST(Labels, HaveRoomInALongerLanguage) {
    LongerLanguage longer;
    const InLanguage in(longer);
    EXPECT_NE(QObject::tr("Tempo"), "Tempo");
    expectRoomOnEveryPage("a longer language");
}

TEST(Labels, HaveRoomInGermanAndAreGerman) {
    QTranslator german;
    const auto file = std::filesystem::path(PM_APP).parent_path() / "translations" / "patient-metre_de.qm";
    ASSERT_TRUE(german.load(QString::fromStdString(file.string()))) << file;
    const InLanguage in(german);
    {
        ui::Window w;
        EXPECT_EQ(w.child<QAction>("fitToBars")->text(), "In &Takte einpassen…");
        EXPECT_EQ(app::BarsView::tr("%1 BPM").arg(104), "104 BPM");
        EXPECT_EQ(QCoreApplication::translate("QObject", "%n hits", nullptr, 1), "1 Schlag");
        EXPECT_EQ(QCoreApplication::translate("QObject", "%n hits", nullptr, 3), "3 Schläge");
        // In a menu no letter is underlined twice among its own entries where there are letters enough.
        for (QMenu* menu : w.window->menuBar()->findChildren<QMenu*>()) {
            QMap<QChar, int> letters;
            for (const QAction* action : menu->actions()) {
                const QString text = action->text();
                const auto at = text.indexOf('&');
                if (at >= 0 && at + 1 < text.size()) ++letters[text[at + 1].toLower()];
            }
            int twice = 0;
            for (const int times : letters)
                twice += times - 1;
            EXPECT_LE(twice, 2) << menu->title().toStdString();
        }
    }
    expectRoomOnEveryPage("German");
}

TEST(Labels, WhatColumnsOfSourcesSayIsGerman) {
    QTranslator german;
    const auto file = std::filesystem::path(PM_APP).parent_path() / "translations" / "patient-metre_de.qm";
    ASSERT_TRUE(german.load(QString::fromStdString(file.string()))) << file;
    const InLanguage in(german);
    ui::Window w;
    w.import({ui::hands()});
    const app::SourceRow row{w.now().sources.front(), {}, &w.session().proofs()};
    const auto& rule = app::sourceColumns()[static_cast<std::size_t>(app::sourceColumnAt("Rule"))];
    EXPECT_EQ(rule.tip(row), "nicht auf der Seite");
}

// What the rooms below have as tables is named for translation by hand (core_words.cpp): none is forgotten.
TEST(Labels, WordsOfTheRoomsBelowAreGerman) {
    QTranslator german;
    const auto file = std::filesystem::path(PM_APP).parent_path() / "translations" / "patient-metre_de.qm";
    ASSERT_TRUE(german.load(QString::fromStdString(file.string()))) << file;
    const auto expectThere = [&](const char* word) {
        EXPECT_FALSE(german.translate("QObject", word).isEmpty()) << word;
    };
    for (int w = 0; w <= static_cast<int>(hear::Witness::Typed); ++w) {
        expectThere(hear::witnessLabel(static_cast<hear::Witness>(w)));
        expectThere(hear::witnessWord(static_cast<hear::Witness>(w)));
    }
    for (int k = 0; k <= static_cast<int>(hear::Kind::NoBeat); ++k)
        expectThere(hear::kindLabel(static_cast<hear::Kind>(k)));
    for (const prove::Verdict v :
         {prove::Verdict::Gentle, prove::Verdict::Firm, prove::Verdict::Hard, prove::Verdict::Untouched})
        expectThere(prove::verdictWord(v));
    for (const prove::Landing l : prove::landings)
        expectThere(prove::landingWord(l));
    for (const project::TimeRuleEntry& rule : project::timeRules) {
        expectThere(rule.label);
        expectThere(rule.does);
    }
    for (const stretch::MethodEntry& method : stretch::methodTable)
        expectThere(method.purpose);
}

// Where one reads from the right, all is mirrored but what runs in time.
TEST(Labels, AreMirroredButTimeRunsOn) {
    QApplication::setLayoutDirection(Qt::RightToLeft);
    {
        ui::Window w;
        w.import({ui::hands(), ui::bass()});
        w.openBench();
        w.session().document().select({project::allClips(w.now()).front()});
        w.settle();
        const auto* shelf = w.child<QTabBar>("shelfTabs");
        EXPECT_GT(shelf->mapTo(w.window.get(), shelf->rect().center()).x(), w.window->width() / 2);
        for (const char* name : {"barsView", "rails", "tempoPlot", "feelPlot", "strainPlot", "auditionWave"})
            EXPECT_EQ(w.child<QWidget>(name)->layoutDirection(), Qt::LeftToRight) << name;
        expectRoom(*w.window, "mirrored");
        // The page scrolls on to the right.
        const double before = w.bars().layout().leftBeat;
        w.bars().zoomBy(8, 600);
        w.bars().scrollTo(8);
        EXPECT_GT(w.bars().layout().leftBeat, before);
    }
    QApplication::setLayoutDirection(Qt::LeftToRight);
}

TEST(Labels, HaveRoomOnEveryPageAtEverySizeInEveryTheme) {
    ui::Window w;
    w.import({ui::hands(), ui::bass(), ui::shaker()});
    const auto clips = project::allClips(w.now());
    w.session().document().select({clips.front()});
    for (const app::Theme theme : {app::Theme::Paper, app::Theme::Lamp, app::Theme::Ink}) {
        app::setTheme(theme);
        for (const QSize size : {QSize(1280, 800), QSize(1100, 700)}) {
            w.window->resize(size);
            for (const char* page : {"pageBars", "pageSources", "pageStrain"}) {
                w.child<QAction>(page)->trigger();
                const QString where = QStringLiteral("%1 at %2x%3, %4")
                                          .arg(page)
                                          .arg(size.width())
                                          .arg(size.height())
                                          .arg(theme == app::Theme::Paper  ? "paper"
                                               : theme == app::Theme::Lamp ? "lamp"
                                                                           : "ink");
                expectRoom(*w.window, where);
            }
        }
    }
    app::setTheme(app::Theme::Paper);
}

// A dialog that a command opens.
QWidget* opened(ui::Window& w, const char* command, const char* name) {
    w.child<QAction>(command)->trigger();
    QWidget* found = nullptr;
    EXPECT_TRUE(ui::waitFor([&] {
        for (QWidget* each : QApplication::topLevelWidgets())
            if (each->isVisible() && each->objectName() == name) found = each;
        return found != nullptr;
    })) << name;
    return found;
}

TEST(Labels, HaveRoomInTheBenchWhereAllOfItIsOpen) {
    ui::Window w;
    w.import({ui::hands(), ui::bass()});
    w.openBench();
    const auto clips = project::allClips(w.now());
    // Of several clips most figures differ, and say so; the list of them says most once they are proven.
    w.session().document().select(clips);
    EXPECT_TRUE(
        ui::waitFor([&] { return w.session().proofs().of(clips[0]) && w.session().proofs().of(clips[1]); }));
    expectRoom(*w.window, "several clips");
    auto* list = w.child<QTreeWidget>("selectionList");
    list->resize(240, list->height());
    EXPECT_TRUE(ui::waitFor([&] { return list->header()->length() > 240; }))
        << "it is scrolled, in place of its names";
    EXPECT_GE(list->header()->sectionSize(0), 100);
    w.session().document().select({clips.front()});
    for (const QSize size : {QSize(1280, 800), QSize(1100, 700)}) {
        w.window->resize(size);
        expectRoom(*w.window, QStringLiteral("%1 across").arg(size.width()));
    }
}

TEST(Labels, HaveRoomInEveryDialog) {
    ui::Window w;
    w.import({ui::hands(), ui::bass(), ui::shaker()});
    w.session().document().select({project::allClips(w.now()).front()});

    QWidget* sheet = opened(w, "preferences", "preferencesSheet");
    ASSERT_NE(sheet, nullptr);
    auto* groups = sheet->findChild<QListWidget*>("preferenceGroups");
    for (int i = 0; i < groups->count(); ++i) {
        groups->setCurrentRow(i);
        expectRoom(*sheet, groups->item(i)->text(), 2);
    }
    sheet->close();

    sheet = opened(w, "deliver", "deliverSheet");
    ASSERT_NE(sheet, nullptr);
    expectRoom(*sheet, "the delivery sheet");
    for (const char* box : {"deliver-stems", "deliver-mix", "deliver-proof"})
        sheet->findChild<QCheckBox*>(box)->setChecked(true);
    sheet->findChild<QLineEdit*>("deliverPattern")->setText("{no such thing}");
    expectRoom(*sheet, "the delivery sheet, with much to do and a fault");
    sheet->close();

    for (const auto& [command, name] : {std::pair("nameClip", "textDialog"), std::pair("fitToBars", "numberDialog"),
                                        std::pair("sliceEqually", "numberDialog")}) {
        QWidget* dialog = opened(w, command, name);
        ASSERT_NE(dialog, nullptr);
        expectRoom(*dialog, name, 2);
        dialog->close();
    }
}

} // namespace
