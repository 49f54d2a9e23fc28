#include "app/shelf/own_words_editor.h"

#include "app/widgets/controls.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"

#include <QKeyEvent>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

namespace app {

OwnWordsEditor::OwnWordsEditor(QWidget* parent) : QWidget(parent) {
    setObjectName("ownWords");
    title_ = new ElidedLabel(Qt::ElideMiddle, this);
    title_->setFont(textFont(sizes::text, QFont::DemiBold));
    tags_ = new QLineEdit(this);
    tags_->setObjectName("ownTags");
    tags_->setAccessibleName(tr("Own tags, with commas between them"));
    tags_->setPlaceholderText(tr("Tags: reed, dusk"));
    notes_ = new QLineEdit(this);
    notes_->setObjectName("ownNotes");
    notes_->setAccessibleName(tr("Notes"));
    notes_->setPlaceholderText(tr("Notes"));
    auto* keepIt = button(tr("Keep"), tr("Keep tags and notes (Enter)"), this);
    auto* leave = button(tr("Not now"), tr("Discard the changes (Escape)"), this);
    auto* row = new QHBoxLayout;
    row->addStretch(1);
    row->addWidget(leave);
    row->addWidget(keepIt);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(10, 8, 10, 8);
    all->setSpacing(5);
    all->addWidget(title_);
    all->addWidget(tags_);
    all->addWidget(notes_);
    all->addLayout(row);
    connect(keepIt, &QPushButton::clicked, this, &OwnWordsEditor::keep);
    connect(leave, &QPushButton::clicked, this, &QWidget::hide);
    for (QLineEdit* edit : {tags_, notes_})
        connect(edit, &QLineEdit::returnPressed, this, &OwnWordsEditor::keep);
    hide();
}

void OwnWordsEditor::ask(const std::vector<shelf::Entry>& entries) {
    asked_.clear();
    for (const shelf::Entry& e : entries)
        asked_.emplace_back(e.content, e.own.favourite);
    if (entries.empty()) return;
    const shelf::OwnWords& first = entries.front().own;
    const bool same = std::all_of(entries.begin(), entries.end(), [&](const auto& e) {
        return e.own.tags == first.tags && e.own.notes == first.notes;
    });
    title_->setText(entries.size() == 1 ? qt(entries.front().name) : tr("%1 files").arg(entries.size()));
    tags_->setText(same ? qt(shelf::tagsText(first.tags)) : QString());
    notes_->setText(same ? qt(first.notes) : QString());
    tags_->setPlaceholderText(same ? tr("Tags: reed, dusk") : tr("mixed: what is typed takes their place"));
    show();
    tags_->setFocus();
    tags_->selectAll();
}

void OwnWordsEditor::keep() {
    hide();
    const std::vector<std::string> tags = shelf::tagsFrom(tags_->text().toStdString());
    const std::string notes = notes_->text().trimmed().toStdString();
    std::map<std::string, shelf::OwnWords> of;
    for (const auto& [content, favourite] : asked_)
        of[content] = {tags, notes, favourite};
    emit kept(of);
}

void OwnWordsEditor::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Escape)
        hide();
    else
        QWidget::keyPressEvent(event);
}

} // namespace app
