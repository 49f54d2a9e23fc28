#include "app/help/help_page.h"

#include "app/widgets/controls.h"
#include "app/widgets/tokens.h"

#include <QFile>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QStackedWidget>
#include <QTabBar>
#include <QTextBlock>
#include <QTextBrowser>
#include <QTreeWidget>
#include <QVBoxLayout>
#include <functional>
#include <utility>
#include <vector>

namespace app {

namespace {

// Gives those pieces of a block that are meant another look.
void dress(const QTextBlock& block, const std::function<bool(const QTextCharFormat&)>& isMeant,
           const QTextCharFormat& look) {
    std::vector<std::pair<int, int>> places; // first and last position: setting a format changes the fragments
    for (auto it = block.begin(); !it.atEnd(); ++it)
        if (const QTextFragment piece = it.fragment(); isMeant(piece.charFormat()))
            places.emplace_back(piece.position(), piece.position() + piece.length());
    for (const auto& [from, to] : places) {
        QTextCursor cursor(block);
        cursor.setPosition(from);
        cursor.setPosition(to, QTextCursor::KeepAnchor);
        cursor.mergeCharFormat(look);
    }
}

// Keys and names of files in the face of the text, as on the page of keys: one of equal widths would be the
// machine's. Links in ink, underlined in brass: the usual blue is of no theme here.
void dressPieces(const QTextBlock& block) {
    QTextCharFormat own;
    own.setFont(textFont(14, QFont::DemiBold));
    dress(
        block, [](const QTextCharFormat& f) { return f.fontFixedPitch(); }, own);
    QTextCharFormat link;
    link.setForeground(tokens().ink);
    link.setFontUnderline(true);
    link.setUnderlineColor(tokens().brass);
    link.setFontWeight(QFont::DemiBold);
    dress(
        block, [](const QTextCharFormat& f) { return f.isAnchor(); }, link);
}

// Shows a text of the resources, dressed as all of them are. Pictures are for readers outside the window, who see
// it in them.
void fill(QTextBrowser& browser, const QString& resource) {
    QFile file(resource);
    if (!file.open(QIODevice::ReadOnly)) return;
    QStringList lines = QString::fromUtf8(file.readAll()).split('\n');
    lines.removeIf([](const QString& line) { return line.startsWith(QStringLiteral("![")); });
    browser.setMarkdown(lines.join('\n'));
    // Air between lines and paragraphs, and headings in the face of the figures.
    for (QTextBlock block = browser.document()->begin(); block.isValid(); block = block.next()) {
        QTextCursor cursor(block);
        QTextBlockFormat format = block.blockFormat();
        format.setLineHeight(128, QTextBlockFormat::ProportionalHeight);
        format.setBottomMargin(9);
        cursor.setBlockFormat(format);
        dressPieces(block);
        if (format.headingLevel() == 0) continue;
        cursor.select(QTextCursor::BlockUnderCursor);
        QTextCharFormat heading;
        heading.setFont(figureFont(26));
        cursor.mergeCharFormat(heading);
    }
    browser.moveCursor(QTextCursor::Start);
}

} // namespace

HelpPage::HelpPage(const std::vector<Key>& keys, QWidget* parent) : QWidget(parent) {
    setObjectName("helpPage");
    tabs_ = new QTabBar(this);
    tabs_->setObjectName("helpTabs");
    tabs_->setAccessibleName(tr("Parts of the help"));
    tabs_->setDrawBase(false);
    tabs_->setExpanding(false);
    for (const QString& part : {tr("First steps"), tr("Guide"), tr("Words"), tr("Keys")})
        tabs_->addTab(part);
    parts_ = new QStackedWidget(this);
    parts_->addWidget(text(QStringLiteral(":/help/first-steps.md"), tr("First steps")));
    parts_->addWidget(guide());
    parts_->addWidget(text(QStringLiteral(":/help/words.md"), tr("Words")));
    parts_->addWidget(keysPage(keys));

    auto* close = button(tr("Close"), tr("Back to the bars (Escape)"), this);
    close->setObjectName("helpClose");
    auto* head = new QHBoxLayout;
    head->setContentsMargins(10, 2, sizes::margin, 2);
    head->addWidget(tabs_);
    head->addStretch(1);
    head->addWidget(close);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(0, 0, 0, 0);
    all->setSpacing(0);
    all->addLayout(head);
    all->addWidget(parts_, 1);
    connect(tabs_, &QTabBar::currentChanged, parts_, &QStackedWidget::setCurrentIndex);
    connect(search_, &QLineEdit::textChanged, this, &HelpPage::filter);
    connect(close, &QPushButton::clicked, this, &HelpPage::closed);
}

QWidget* HelpPage::keysPage(const std::vector<Key>& keys) {
    auto* page = new QWidget(parts_);
    search_ = new QLineEdit(page);
    search_->setObjectName("helpSearch");
    search_->setAccessibleName(tr("Search the keys"));
    search_->setPlaceholderText(tr("type what you want to do, or a key"));
    search_->setClearButtonEnabled(true);
    search_->setMaximumWidth(320);
    keys_ = new QTreeWidget(page);
    keys_->setObjectName("helpKeys");
    keys_->setAccessibleName(tr("Keys"));
    keys_->setRootIsDecorated(false);
    keys_->setIndentation(0);
    keys_->setFrameShape(QFrame::NoFrame);
    keys_->setSelectionMode(QAbstractItemView::NoSelection);
    keys_->setFont(textFont(sizes::strong));
    keys_->setHeaderLabels({tr("Key"), tr("Command"), tr("Menu")});
    keys_->header()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
    keys_->header()->setSectionResizeMode(1, QHeaderView::Stretch);
    keys_->header()->setStretchLastSection(false);
    keys_->header()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
    for (const Key& key : keys) {
        auto* row = new QTreeWidgetItem(keys_, {key.key, key.does, key.menu});
        row->setFont(0, textFont(sizes::strong, QFont::DemiBold));
        row->setForeground(2, tokens().inkSoft);
    }
    auto* column = new QVBoxLayout(page);
    column->setContentsMargins(14, 10, 14, 0);
    column->setSpacing(8);
    column->addWidget(search_);
    column->addWidget(keys_, 1);
    return page;
}

QWidget* HelpPage::text(const QString& resource, const QString& name) {
    auto* browser = new QTextBrowser(this);
    browser->setAccessibleName(name);
    browser->setFrameShape(QFrame::NoFrame);
    browser->setOpenLinks(false);
    browser->setFont(textFont(14));
    browser->document()->setDocumentMargin(18);
    browser->document()->setDefaultFont(textFont(14));
    fill(*browser, resource);
    QPalette colours = browser->palette();
    colours.setColor(QPalette::Base, tokens().paper);
    browser->setPalette(colours);
    // Lines that are too long are hard to follow.
    auto* page = new QWidget(this);
    auto* row = new QHBoxLayout(page);
    row->setContentsMargins(0, 0, 0, 0);
    browser->setMaximumWidth(760);
    row->addWidget(browser, 1);
    row->addStretch(0);
    return page;
}

QWidget* HelpPage::guide() {
    const QString folder = QStringLiteral(":/guide/");
    QWidget* page = text(folder + QStringLiteral("README.md"), tr("Guide"));
    auto* browser = page->findChild<QTextBrowser*>();
    browser->setObjectName("guide");
    // The way back to the list stands at the head of each page.
    connect(browser, &QTextBrowser::anchorClicked, this, [browser, folder](const QUrl& link) {
        const QString name = link.fileName();
        if (QFile::exists(folder + name)) fill(*browser, folder + name);
    });
    return page;
}

void HelpPage::filter(const QString& words) {
    const QStringList all = words.split(' ', Qt::SkipEmptyParts);
    for (int i = 0; i < keys_->topLevelItemCount(); ++i) {
        QTreeWidgetItem* row = keys_->topLevelItem(i);
        const QString text = row->text(0) + ' ' + row->text(1) + ' ' + row->text(2);
        row->setHidden(!std::all_of(all.begin(), all.end(),
                                    [&](const QString& word) { return text.contains(word, Qt::CaseInsensitive); }));
    }
}

void HelpPage::show(Part part) {
    tabs_->setCurrentIndex(part);
    if (part == Keys)
        search_->setFocus();
    else
        tabs_->setFocus();
}

void HelpPage::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape)
        emit closed();
    else
        QWidget::keyPressEvent(event);
}

void HelpPage::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().paper);
}

std::vector<HelpPage::Key> handKeys() {
    const auto on = [](const QString& place, const QString& key, const QString& does) {
        return HelpPage::Key{place, key, does};
    };
    const QString bars = QObject::tr("on the bars");
    const QString figures = QObject::tr("on figures");
    const QString bench = QObject::tr("on the rails");
    return {
        on(bars, QObject::tr("1 – 9"), QObject::tr("To that section from the next bar line on; with Alt at once")),
        on(bars, QObject::tr("Left, Right"), QObject::tr("Play position by one grid step")),
        on(bars, QObject::tr("Up, Down"),
           QObject::tr("To the lane or track above or below; with Shift its clip as well")),
        on(bars, QObject::tr("Ctrl+Left, Ctrl+Right"),
           QObject::tr("To the clip, section, point or change before or after; with Shift that clip as well")),
        on(bars, QObject::tr("Alt+arrows in a lane"),
           QObject::tr("Moves a section or a point; up and down turn its tempo, with Shift finer")),
        on(bars, QObject::tr("Enter"), QObject::tr("Opens the Bench; in a lane, and on an empty track, types")),
        on(bars, QObject::tr("Alt while dragging"), QObject::tr("Free of the grid; Ctrl copies")),
        on(bars, QObject::tr("Edge of a clip"),
           QObject::tr("Upper third repeats, middle trims, lower third stretches")),
        on(bars, QObject::tr("Out of the window"),
           QObject::tr("A clip dragged there is handed over as a fitted file")),
        on(bars, QObject::tr("Ctrl+wheel"), QObject::tr("Zoom; Shift+wheel scrolls sideways")),
        on(QObject::tr("on buttons"), QObject::tr("Enter"),
           QObject::tr("Presses it; Space too where it was reached by Tab")),
        on(figures, QObject::tr("Wheel"), QObject::tr("Turns it; with Shift finer")),
        on(figures, QObject::tr("Double click"), QObject::tr("Types it, as Enter does; Escape takes it back")),
        on(bench, QObject::tr("Ctrl+PgUp, Ctrl+PgDown"),
           QObject::tr("To the pin before or after; with Shift that pin as well")),
        on(bench, QObject::tr("Left, Right"),
           QObject::tr(
               "Moves the picked pins by 1 ms, without any the tried click; with Ctrl ten, with Shift a tenth")),
        on(bench, QObject::tr("Enter"), QObject::tr("Names the picked pin; without any, pins here")),
        on(bench, QObject::tr("Shift while dragging a knob"), QObject::tr("Ten times slower, free of onsets"))};
}

QString keysAsMarkdown(const std::vector<HelpPage::Key>& keys) {
    QString text = QStringLiteral("# Keys\n\n| key | what it does | in the menu |\n|---|---|---|\n");
    for (const HelpPage::Key& key : keys)
        text += QStringLiteral("| %1 | %2 | %3 |\n").arg(QString(key.key).replace('|', "\\|"), key.does, key.menu);
    return text;
}

} // namespace app
