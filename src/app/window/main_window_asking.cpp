// What the window asks for before something is done: files, folders, and whether something may be lost.
#include "app/widgets/dropped_files.h"
#include "app/widgets/text.h"
#include "app/window/main_window.h"
#include "base/utf8.h"
#include "metre/snap.h"
#include "project/save.h"

#include <QFileDialog>
#include <QInputDialog>
#include <QMenu>
#include <QMessageBox>
#include <QPushButton>
#include <cmath>

namespace app {

void MainWindow::askImport() {
    auto* dialog = new QFileDialog(this, tr("Import audio"));
    dialog->setObjectName("importDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setFileMode(QFileDialog::ExistingFiles);
    dialog->setNameFilters({tr("Audio (*.wav *.aif *.aiff *.flac *.ogg *.oga *.opus *.mp3)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::filesSelected, this, [this](const QStringList& names) {
        std::vector<std::filesystem::path> files;
        for (const QString& n : names)
            files.push_back(pathOf(n));
        const Beats at =
            metre::snapped(session_.player().position(), session_.now().view.snap, session_.now().metre);
        session_.importFiles(std::move(files), {}, at);
    });
    dialog->open();
}

void MainWindow::askOpen() {
    auto* dialog = new QFileDialog(this, tr("Open a project: its folder, or the project.json in it"));
    dialog->setObjectName("openDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setFileMode(QFileDialog::ExistingFile);
    dialog->setNameFilters({tr("Projects (project.json)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::fileSelected, this, [this](const QString& name) { session_.open(pathOf(name)); });
    dialog->open();
}

void MainWindow::saveThen(std::function<void()> afterwards) {
    if (session_.document().folder().empty())
        askSaveAs(std::move(afterwards));
    else
        session_.save(session_.document().folder(), std::move(afterwards));
}

void MainWindow::askSaveAs(std::function<void()> afterwards) {
    auto* dialog = new QFileDialog(this, tr("Save the project as a folder"));
    dialog->setObjectName("saveDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setAcceptMode(QFileDialog::AcceptSave);
    dialog->setFileMode(QFileDialog::AnyFile);
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
                session_.save(folder, afterwards);
            });
    dialog->open();
}

void MainWindow::whenSafe(const QString& what, std::function<void()> done) {
    if (!session_.document().isUnsaved()) {
        done();
        return;
    }
    auto* box = new QMessageBox(QMessageBox::NoIcon, tr("Not saved yet"),
                                tr("%1 loses what was changed since the last save.").arg(what),
                                QMessageBox::NoButton, this);
    box->setObjectName("unsavedBox");
    box->setAttribute(Qt::WA_DeleteOnClose);
    QPushButton* saveButton = box->addButton(tr("Save first"), QMessageBox::AcceptRole);
    QPushButton* loseButton = box->addButton(tr("Lose changes"), QMessageBox::DestructiveRole);
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

void MainWindow::rememberRecent() {
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

void MainWindow::offerRecent() {
    auto* menu = new QMenu(this);
    menu->setObjectName("recentMenu");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    for (const QString& name : session_.preferences().recent) {
        const std::filesystem::path folder = pathKept(name);
        QAction* action = menu->addAction(qt(base::shownName(folder)));
        action->setToolTip(qt(base::shownPath(folder)));
        connect(action, &QAction::triggered, this, [this, folder] {
            whenSafe(tr("Opening another project"), [this, folder] { session_.open(folder); });
        });
    }
    if (menu->isEmpty()) menu->addAction(tr("Nothing was opened or saved yet"))->setEnabled(false);
    menu->setToolTipsVisible(true);
    menu->popup(mapToGlobal(QPoint(20, 60)));
}

void MainWindow::askMissing() {
    auto* dialog =
        new QFileDialog(this, tr("Where may the missing audio lie? All folders within are looked through"));
    dialog->setObjectName("missingDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setFileMode(QFileDialog::Directory);
    connect(dialog, &QFileDialog::fileSelected, this,
            [this](const QString& name) { session_.findMissing(pathOf(name)); });
    dialog->open();
}

void MainWindow::askMap() {
    auto* dialog = new QFileDialog(this, tr("Take tempo and metre from a Standard MIDI File"));
    dialog->setObjectName("mapDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setOption(QFileDialog::DontUseNativeDialog);
    dialog->setFileMode(QFileDialog::ExistingFile);
    dialog->setNameFilters({tr("Standard MIDI Files (*.mid *.midi *.MID)"), tr("All files (*)")});
    connect(dialog, &QFileDialog::fileSelected, this,
            [this](const QString& name) { session_.takeMap(pathOf(name)); });
    dialog->open();
}

void MainWindow::askNumber(const QString& title, const QString& what, double value, double low, double high,
                           int decimals, const std::function<void(double)>& take) {
    auto* dialog = new QInputDialog(this);
    dialog->setObjectName("numberDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(title);
    dialog->setLabelText(what);
    dialog->setInputMode(decimals == 0 ? QInputDialog::IntInput : QInputDialog::DoubleInput);
    if (decimals == 0) {
        dialog->setIntRange(static_cast<int>(low), static_cast<int>(high));
        dialog->setIntValue(static_cast<int>(std::lround(value)));
        connect(dialog, &QInputDialog::intValueSelected, this, [take](int n) { take(n); });
    } else {
        dialog->setDoubleDecimals(decimals);
        dialog->setDoubleRange(low, high);
        dialog->setDoubleValue(value);
        connect(dialog, &QInputDialog::doubleValueSelected, this, [take](double v) { take(v); });
    }
    dialog->open();
}

void MainWindow::askText(const QString& title, const QString& what, const QString& initial,
                         std::function<void(const QString&)> take) {
    auto* dialog = new QInputDialog(this);
    dialog->setObjectName("textDialog");
    dialog->setAttribute(Qt::WA_DeleteOnClose);
    dialog->setWindowTitle(title);
    dialog->setLabelText(what);
    dialog->setTextValue(initial);
    connect(dialog, &QInputDialog::textValueSelected, this,
            [take = std::move(take)](const QString& t) { take(t); });
    dialog->open();
}

} // namespace app
