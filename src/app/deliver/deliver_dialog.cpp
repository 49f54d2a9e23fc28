#include "app/deliver/deliver_dialog.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QFileDialog>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QStandardPaths>
#include <algorithm>

namespace app {

DeliverDialog::DeliverDialog(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    setWindowTitle(tr("Deliver fitted loops"));
    setObjectName("deliverDialog");
    setMinimumWidth(560);
    which_ = new QLabel(this);
    which_->setFont(textFont(sizes::strong, QFont::DemiBold));
    folder_ = new QLineEdit(this);
    folder_->setObjectName("deliverFolder");
    folder_->setAccessibleName(tr("Folder"));
    const std::filesystem::path project = session_.document().folder();
    folder_->setText(project.empty() ? QStandardPaths::writableLocation(QStandardPaths::MusicLocation) + "/fitted"
                                     : qt(base::shownPath(project / "fitted")));
    auto* choose = button(tr("Choose…"), tr("Choose the folder"), this);
    pattern_ = new QLineEdit("{name}_{bpm}bpm_{key}", this);
    pattern_->setObjectName("deliverPattern");
    pattern_->setAccessibleName(tr("Name pattern"));
    pattern_->setToolTip(tr("{name}, {bpm}, {key}, {track}, {beats} and {number} are filled in."));
    depth_ = new QComboBox(this);
    depth_->setAccessibleName(tr("Bits"));
    depth_->addItem(tr("WAV 24 bit"), static_cast<int>(sound::Depth::Int24));
    depth_->addItem(tr("WAV 16 bit"), static_cast<int>(sound::Depth::Int16));
    depth_->addItem(tr("WAV float"), static_cast<int>(sound::Depth::Float32));
    names_ = new QPlainTextEdit(this);
    names_->setAccessibleName(tr("Names that will be written"));
    names_->setReadOnly(true);
    names_->setTabChangesFocus(true);
    names_->setMinimumHeight(110);
    replace_ = new QCheckBox(tr("Replace the files that are there already"), this);
    replace_->setObjectName("deliverReplace");
    trouble_ = new QLabel(this);
    trouble_->setObjectName("deliverTrouble");
    trouble_->setWordWrap(true);
    deliver_ = button(tr("Deliver"), tr("Write the loops"), this);
    deliver_->setObjectName("deliverButton");
    deliver_->setProperty("primary", true);
    deliver_->setDefault(true);
    auto* cancel = button(tr("Close"), tr("Close without writing"), this);

    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(18, 16, 18, 16);
    grid->setVerticalSpacing(9);
    grid->setHorizontalSpacing(12);
    grid->addWidget(which_, 0, 0, 1, 3);
    grid->addWidget(label(tr("Folder"), this), 1, 0);
    grid->addWidget(folder_, 1, 1);
    grid->addWidget(choose, 1, 2);
    grid->addWidget(label(tr("Names"), this), 2, 0);
    grid->addWidget(pattern_, 2, 1);
    grid->addWidget(depth_, 2, 2);
    grid->addWidget(names_, 3, 1, 1, 2);
    grid->addWidget(replace_, 4, 1, 1, 2);
    grid->addWidget(trouble_, 5, 1, 1, 2);
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(8);
    buttons->addStretch(1);
    buttons->addWidget(cancel);
    buttons->addWidget(deliver_);
    grid->addLayout(buttons, 6, 0, 1, 3);

    connect(choose, &QPushButton::clicked, this, [this] {
        const QString chosen =
            QFileDialog::getExistingDirectory(this, tr("Folder for the loops"), folder_->text(),
                                              QFileDialog::ShowDirsOnly | QFileDialog::DontUseNativeDialog);
        if (!chosen.isEmpty()) folder_->setText(chosen);
    });
    connect(cancel, &QPushButton::clicked, this, &QDialog::close);
    connect(deliver_, &QPushButton::clicked, this, &DeliverDialog::deliver);
    for (QLineEdit* e : {folder_, pattern_})
        connect(e, &QLineEdit::textChanged, this, &DeliverDialog::refresh);
    connect(replace_, &QCheckBox::toggled, this, &DeliverDialog::refresh);
    connect(&session_, &Session::changed, this, &DeliverDialog::refresh);
    connect(&session_, &Session::selectionChanged, this, &DeliverDialog::refresh);
    refresh();
}

deliver::LoopOptions DeliverDialog::options() const {
    deliver::LoopOptions o;
    o.folder = pathOf(QDir::cleanPath(folder_->text().trimmed()));
    o.pattern = pattern_->text().toStdString();
    o.depth = static_cast<sound::Depth>(depth_->currentData().toInt());
    o.existing = replace_->isChecked() ? base::Existing::Replace : base::Existing::Refuse;
    return o;
}

void DeliverDialog::refresh() {
    const auto plan = deliver::planLoops(*session_.laid(), session_.document().selectedOrAllClips(), options());
    const auto n = plan ? static_cast<int>(plan->size()) : 0;
    const bool selected = !session_.selection().clips.empty();
    which_->setText(n == 1     ? tr("One loop, fitted to the project")
                    : selected ? tr("%1 selected loops, fitted to the project").arg(n)
                               : tr("All %1 loops, fitted to the project").arg(n));
    QString trouble;
    QStringList lines;
    bool existing = false;
    if (!plan)
        trouble = qt(plan.error().text);
    else
        for (const deliver::PlannedLoop& loop : *plan) {
            existing = existing || loop.exists;
            lines << qt(base::shownName(loop.file)) + (loop.exists ? tr("   – is there already") : QString());
        }
    if (folder_->text().trimmed().isEmpty())
        trouble = tr("Say into which folder.");
    else if (plan && n == 0)
        trouble = tr("There is nothing to deliver yet.");
    else if (existing && !replace_->isChecked())
        trouble = tr("Some of these names are taken. Tick the box to replace those files, or choose another folder "
                     "or pattern.");
    names_->setPlainText(lines.join('\n'));
    replace_->setVisible(existing);
    trouble_->setText(trouble);
    trouble_->setVisible(!trouble.isEmpty());
    deliver_->setEnabled(trouble.isEmpty());
}

void DeliverDialog::deliver() {
    refresh(); // the disk may have changed since
    auto plan = deliver::planLoops(*session_.laid(), session_.document().selectedOrAllClips(), options());
    if (!plan || !deliver_->isEnabled()) return;
    session_.deliver(options(), std::move(*plan));
    close();
}

} // namespace app
