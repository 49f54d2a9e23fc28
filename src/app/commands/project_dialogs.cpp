#include "app/commands/project_dialogs.h"

#include "app/session/session.h"
#include "app/widgets/dropped_files.h"
#include "app/widgets/file_dialog.h"
#include "app/widgets/text.h"
#include "base/utf8.h"

#include <QMenu>
#include <QMessageBox>
#include <QPushButton>

namespace app {

ProjectDialogs::ProjectDialogs(Session& session, QWidget& window)
    : QObject(&window), session_(session), window_(window) {
    session_.files().askBefore(
        [this](const QString& what, const std::function<void()>& go) { whenSafe(what, go); });
    connect(&session_, &Session::opened, this, &ProjectDialogs::rememberRecent);
    connect(&session_.files(), &Files::saved, this, &ProjectDialogs::rememberRecent);
}

void ProjectDialogs::askImport() {
    QFileDialog* dialog =
        fileDialog(&window_, "importDialog", tr("Import audio"), QFileDialog::ExistingFiles,
                   {tr("Audio (*.wav *.aif *.aiff *.flac *.ogg *.oga *.opus *.mp3)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::filesSelected, this, [this](const QStringList& names) {
        std::vector<std::filesystem::path> files;
        for (const QString& n : names)
            files.push_back(pathOf(n));
        session_.importing().bringIn(std::move(files), {}, session_.transport().snapped());
    });
    dialog->open();
}

void ProjectDialogs::askOpen() {
    QFileDialog* dialog =
        fileDialog(&window_, "openDialog", tr("Open a project: its folder, or the project.json in it"),
                   QFileDialog::ExistingFile, {tr("Projects (project.json)"), tr("All files (*)")});
    const auto take = [this](const QString& name) { session_.files().open(pathOf(name)); };
    connect(dialog, &QFileDialog::fileSelected, this, take);
    // A folder that is a project is opened, not looked into.
    connect(dialog, &QFileDialog::directoryEntered, this, [dialog, take](const QString& folder) {
        std::error_code error;
        if (!std::filesystem::exists(pathOf(folder) / "project.json", error)) return;
        dialog->close();
        take(folder);
    });
    dialog->open();
}

void ProjectDialogs::saveThen(std::function<void()> afterwards) {
    if (session_.document().folder().empty())
        askSaveAs(std::move(afterwards));
    else
        session_.files().save(session_.document().folder(), std::move(afterwards));
}

void ProjectDialogs::askSaveAs(std::function<void()> afterwards) {
    QFileDialog* dialog =
        fileDialog(&window_, "saveDialog", tr("Save the project as a folder"), QFileDialog::AnyFile);
    dialog->setAcceptMode(QFileDialog::AcceptSave);
    dialog->setLabelText(QFileDialog::FileName, tr("Folder:"));
    connect(dialog, &QFileDialog::fileSelected, this,
            [this, afterwards = std::move(afterwards)](const QString& name) {
                const std::filesystem::path folder = pathOf(name);
                std::error_code error;
                const bool foreign = std::filesystem::exists(folder, error) &&
                                     !std::filesystem::is_empty(folder, error) &&
                                     !std::filesystem::exists(folder / "project.json", error);
                if (foreign) {
                    session_.complain(tr("The project was not saved"),
                                      {tr("%1 holds other things already. Choose a new name; the project becomes a "
                                          "folder of that name.")
                                           .arg(name)});
                    return;
                }
                session_.files().save(folder, afterwards);
            });
    dialog->open();
}

void ProjectDialogs::whenSafe(const QString& what, std::function<void()> done) {
    if (!session_.document().isUnsaved()) {
        done();
        return;
    }
    auto* box = new QMessageBox(QMessageBox::NoIcon, tr("Not saved yet"),
                                tr("%1 loses what was changed since the last save.").arg(what),
                                QMessageBox::NoButton, &window_);
    box->setObjectName("unsavedBox");
    box->setAttribute(Qt::WA_DeleteOnClose);
    QPushButton* saveButton = box->addButton(tr("Save first"), QMessageBox::AcceptRole);
    QPushButton* loseButton = box->addButton(tr("Discard changes"), QMessageBox::DestructiveRole);
    QPushButton* stayButton = box->addButton(tr("Stay"), QMessageBox::RejectRole);
    box->setDefaultButton(saveButton);
    box->setEscapeButton(stayButton);
    connect(box, &QMessageBox::buttonClicked, this,
            [this, box, saveButton, loseButton, what, done = std::move(done)](QAbstractButton* b) {
                box->close();
                if (b == saveButton)
                    // What was changed while it was being saved is asked about again.
                    saveThen([this, what, done] { whenSafe(what, done); });
                else if (b == loseButton)
                    done();
            });
    box->open();
}

void ProjectDialogs::rememberRecent() {
    const auto& folder = session_.document().folder();
    if (folder.empty()) return;
    Preferences p = session_.preferences();
    const QString name = keptPath(folder);
    p.recent.removeAll(name);
    p.recent.prepend(name);
    while (p.recent.size() > Preferences::mostRecent)
        p.recent.removeLast();
    session_.prefer(p);
}

void ProjectDialogs::offerRecent() {
    auto* menu = new QMenu(&window_);
    menu->setObjectName("recentMenu");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (const QString& name : session_.preferences().recent) {
        const std::filesystem::path folder = pathKept(name);
        QAction* action = menu->addAction(qt(base::shownName(folder)));
        action->setToolTip(qt(base::shownPath(folder)));
        connect(action, &QAction::triggered, this, [this, folder] {
            whenSafe(tr("Opening another project"), [this, folder] { session_.files().open(folder); });
        });
    }
    if (menu->isEmpty()) menu->addAction(tr("No project was opened or saved yet"))->setEnabled(false);
    menu->setToolTipsVisible(true);
    menu->popup(window_.mapToGlobal(QPoint(20, 60)));
}

void ProjectDialogs::askMissing() {
    QFileDialog* dialog = fileDialog(&window_, "missingDialog",
                                     tr("Where may the missing audio lie? All folders within are looked through"),
                                     QFileDialog::Directory);
    connect(dialog, &QFileDialog::fileSelected, this,
            [this](const QString& name) { session_.sounds().findMissing(pathOf(name)); });
    dialog->open();
}

void ProjectDialogs::askMap() {
    QFileDialog* dialog = fileDialog(&window_, "mapDialog", tr("Take tempo and metre from a Standard MIDI File"),
                                     QFileDialog::ExistingFile,
                                     {tr("Standard MIDI Files (*.mid *.midi *.MID)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::fileSelected, this,
            [this](const QString& name) { session_.tempoTaking().fromMap(pathOf(name)); });
    dialog->open();
}

} // namespace app
