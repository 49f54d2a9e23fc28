// Help in the window, and the same text in docs.
#include "app/help/help_page.h"
#include "app/widgets/tokens.h"
#include "ui/window.h"

#include <QPushButton>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTreeWidget>

namespace {

int shownKeys(QTreeWidget& keys) {
    int shown = 0;
    for (int i = 0; i < keys.topLevelItemCount(); ++i)
        shown += keys.topLevelItem(i)->isHidden() ? 0 : 1;
    return shown;
}

TEST(Help, IsAPageThatComesAndGoesByKey) {
    ui::Window w;
    auto* tabs = w.child<QTabBar>("pages");
    EXPECT_EQ(tabs->count(), 3);
    w.key(Qt::Key_F1);
    ASSERT_EQ(tabs->count(), 4);
    EXPECT_EQ(tabs->currentIndex(), 3);
    auto* page = w.child<app::HelpPage>("helpPage");
    EXPECT_TRUE(page->isVisible());
    QString all;
    for (const QTextBrowser* text : page->findChildren<QTextBrowser*>())
        all += text->toPlainText();
    EXPECT_TRUE(all.contains("canal-boat journey")) << all.toStdString();
    EXPECT_TRUE(all.contains("Meeting tempo"));
    w.key(Qt::Key_Escape);
    EXPECT_EQ(tabs->count(), 3);
    EXPECT_EQ(tabs->currentIndex(), 0);
}

TEST(Help, TheTextsAreInFacesThatComeWithTheProduct) {
    ui::Window w;
    w.key(Qt::Key_F1);
    int pieces = 0;
    for (const QTextBrowser* text : w.child<app::HelpPage>("helpPage")->findChildren<QTextBrowser*>())
        for (QTextBlock block = text->document()->begin(); block.isValid(); block = block.next())
            for (auto it = block.begin(); !it.atEnd(); ++it, ++pieces) {
                const QString family = it.fragment().charFormat().font().family();
                EXPECT_TRUE(family == app::textFont(14).family() || family == app::figureFont(26).family())
                    << family.toStdString() << ": " << it.fragment().text().toStdString();
            }
    EXPECT_GT(pieces, 20);
}

TEST(Help, TheGuideLeadsFromPageToPage) {
    ui::Window w;
    w.child<QAction>("guide")->trigger();
    auto* guide = w.child<QTextBrowser>("guide");
    ASSERT_TRUE(guide->isVisible());
    EXPECT_TRUE(guide->toPlainText().contains("Eight jobs"));
    emit guide->anchorClicked(QUrl("4-stems.md"));
    EXPECT_TRUE(guide->toPlainText().contains("Sixteen files of one song")) << guide->toPlainText().toStdString();
    EXPECT_FALSE(guide->toPlainText().contains("screenshots")) << "pictures are left out";
    emit guide->anchorClicked(QUrl("https://example.org/none.md"));
    EXPECT_TRUE(guide->toPlainText().contains("Sixteen files of one song")) << "and it leads nowhere else";
    emit guide->anchorClicked(QUrl("README.md"));
    EXPECT_TRUE(guide->toPlainText().contains("Eight jobs"));
}

TEST(Help, KeysAreSearched) {
    ui::Window w;
    w.key(Qt::Key_F1, Qt::ShiftModifier);
    auto* keys = w.child<QTreeWidget>("helpKeys");
    const int all = shownKeys(*keys);
    EXPECT_GT(all, 40);
    w.type("deliver");
    ASSERT_EQ(shownKeys(*keys), 1);
    for (int i = 0; i < keys->topLevelItemCount(); ++i)
        if (!keys->topLevelItem(i)->isHidden()) {
            EXPECT_EQ(keys->topLevelItem(i)->text(0), "Ctrl+D");
        }
    auto* search = w.child<QLineEdit>("helpSearch");
    search->clear();
    EXPECT_EQ(shownKeys(*keys), all);
}

// docs/help/keys.md is what `patient-metre --print-keys` prints.
TEST(Help, TheKeysInTheDocsAreThoseOfTheWindow) {
    ui::Window w;
    const std::string docs = support::readBytes(std::filesystem::path(PM_SOURCE_DIR) / "docs/help/keys.md");
    EXPECT_EQ(docs, app::keysAsMarkdown(w.window->allKeys()).toStdString());
}

// A window that was moved and divided stands so again.
TEST(Help, TheWindowComesBackAsItWasLeft) {
    {
        ui::Window w;
        w.window->resize(1150, 740);
        w.window->close();
    }
    ui::Window w;
    ASSERT_FALSE(w.session().preferences().window.isEmpty());
    w.window->restoreWindow();
    EXPECT_EQ(w.window->size(), QSize(1150, 740));
}

} // namespace
