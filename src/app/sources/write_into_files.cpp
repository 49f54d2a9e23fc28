#include "app/sources/write_into_files.h"

#include "app/session/session.h"
#include "app/widgets/text.h"
#include "base/utf8.h"
#include "project/project.h"

#include <QMessageBox>
#include <QPushButton>

namespace app {

void askToWriteIntoFiles(QWidget* parent, Session& session, const std::vector<project::SourceId>& sources) {
    std::vector<project::SourceId> timed;
    QString first;
    for (const project::SourceId id : sources) {
        const project::SourcePtr s = project::sourceOf(session.now(), id);
        if (!s || !s->beats) continue;
        if (timed.empty()) first = qt(base::shownPath(s->file));
        timed.push_back(id);
    }
    if (timed.empty()) {
        session.delivery().writeIntoFiles(sources); // says so
        return;
    }
    const auto n = static_cast<int>(timed.size());
    auto* box = new QMessageBox(
        QMessageBox::NoIcon, QObject::tr("Write tempo into files"),
        n == 1
            ? QObject::tr("Tempo, key and beats are written into this file. What is not named stays as it is, and "
                          "the audio bit for bit.\n\n%1")
                  .arg(first)
            : QObject::tr("Tempo, key and beats are written into %1 files. What is not named stays as it is, and "
                          "the audio bit for bit.")
                  .arg(n),
        QMessageBox::NoButton, parent);
    box->setObjectName("writeBox");
    box->setTextFormat(Qt::PlainText);
    box->setAttribute(Qt::WA_DeleteOnClose);
    QPushButton* write = box->addButton(QObject::tr("Write"), QMessageBox::AcceptRole);
    QPushButton* stay = box->addButton(QObject::tr("Cancel"), QMessageBox::RejectRole);
    box->setDefaultButton(stay);
    box->setEscapeButton(stay);
    QObject::connect(box, &QMessageBox::buttonClicked, &session, [&session, box, write, timed](QAbstractButton* b) {
        box->close();
        if (b == write) session.delivery().writeIntoFiles(timed);
    });
    box->open();
}

} // namespace app
