#include "app/bars/empty_page.h"

#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QDateTime>
#include <QFileInfo>
#include <QGridLayout>
#include <QLabel>
#include <QLocale>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

namespace app {

namespace {

constexpr std::size_t fewRecent = 4;

// "today", "yesterday", else the date.
QString dayOf(const std::filesystem::path& folder) {
    const QDate day = QFileInfo(QString::fromLocal8Bit((folder / "project.json").c_str())).lastModified().date();
    if (!day.isValid()) return QObject::tr("no longer there");
    const QDate today = QDate::currentDate();
    if (day == today) return QObject::tr("today");
    if (day == today.addDays(-1)) return QObject::tr("yesterday");
    return QLocale().toString(day, QLocale::ShortFormat);
}

} // namespace

EmptyPage::EmptyPage(QWidget* parent) : QFrame(parent) {
    setObjectName("emptyPage");
    setAccessibleName(tr("Ways to begin"));
    setFrameShape(QFrame::StyledPanel);
    setFixedWidth(500);
    auto* title = new QLabel(tr("Drop loops, samples or stems here"), this);
    title->setFont(figureFont(24));
    title->setAlignment(Qt::AlignCenter);
    QLabel* what =
        label(tr("Each gets a track, its first downbeat on a bar line, fitted to the project's tempo."), this);
    what->setAlignment(Qt::AlignCenter);
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(14);
    grid->setVerticalSpacing(8);
    grid->setColumnStretch(1, 1);
    const auto offer = [&](const char* name, const QString& text, const QString& hint, bool isFirst) {
        QPushButton* b = button(text, {}, this);
        b->setObjectName(QString::fromLatin1(name));
        b->setProperty("primary", isFirst);
        b->setMinimumWidth(210);
        QLabel* said = label(hint, this);
        const int row = grid->rowCount();
        grid->addWidget(b, row, 0);
        grid->addWidget(said, row, 1, Qt::AlignLeft | Qt::AlignVCenter);
        demo_ = b;
        demoHint_ = said;
        return b;
    };
    connect(offer("emptyImport", tr("Import files…"), tr("Ctrl+I"), true), &QPushButton::clicked, this,
            &EmptyPage::importAsked);
    connect(offer("emptyFolder", tr("Add a folder to the library…"), tr("then found by tempo and key"), false),
            &QPushButton::clicked, this, &EmptyPage::folderAsked);
    connect(offer("emptyDemo", tr("Open the demo"), tr("ten recordings, in time at 104"), false),
            &QPushButton::clicked, this, &EmptyPage::demoAsked);
    recentBox_ = new QWidget(this);
    recent_ = new QVBoxLayout(recentBox_);
    recent_->setContentsMargins(0, 6, 0, 0);
    recent_->setSpacing(2);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(36, 24, 36, 20);
    all->setSizeConstraint(QLayout::SetMinimumSize);
    all->setSpacing(10);
    all->addWidget(title);
    all->addWidget(what);
    all->addSpacing(4);
    all->addLayout(grid);
    all->addWidget(recentBox_);
    setRecent({});
}

void EmptyPage::setHasDemo(bool on) {
    demo_->setVisible(on);
    demoHint_->setVisible(on);
    adjustSize();
}

void EmptyPage::setRecent(const std::vector<std::filesystem::path>& folders) {
    qDeleteAll(recentBox_->findChildren<QWidget*>(QString(), Qt::FindDirectChildrenOnly));
    recentBox_->setVisible(!folders.empty());
    recent_->addWidget(label(tr("Recent"), recentBox_));
    for (std::size_t i = 0; i < std::min(fewRecent, folders.size()); ++i) {
        auto* row = new QWidget(recentBox_);
        auto* line = new QHBoxLayout(row);
        line->setContentsMargins(0, 0, 0, 0);
        QPushButton* b = button(qt(base::shownName(folders[i])), qt(base::shownPath(folders[i])), row);
        b->setObjectName(QStringLiteral("emptyRecent-%1").arg(i));
        b->setProperty("link", true);
        connect(b, &QPushButton::clicked, this,
                [this, folder = keptPath(folders[i])] { emit recentAsked(folder); });
        line->addWidget(b);
        line->addStretch(1);
        line->addWidget(label(dayOf(folders[i]), row));
        recent_->addWidget(row);
    }
    adjustSize();
}

} // namespace app
