// What is asked before something is done with files: which, where, and whether something may be lost.
#pragma once

#include <QObject>
#include <QString>
#include <functional>

class QWidget;

namespace app {

class Session;

// Interface thread. Each returns at once; what is answered is done then.
class ProjectDialogs : public QObject {
    Q_OBJECT
  public:
    ProjectDialogs(Session& session, QWidget& window);

    void askImport();
    void askOpen();
    // Into the project's folder, which is asked for where it has none.
    void saveThen(std::function<void()> afterwards);
    void askSaveAs(std::function<void()> afterwards);
    // Does it at once where nothing would be lost; asks otherwise. `what`, as the beginning of a sentence.
    void whenSafe(const QString& what, std::function<void()> done);
    void offerRecent();
    void askMissing();
    void askMap();

  private:
    void rememberRecent();

    Session& session_;
    QWidget& window_;
};

} // namespace app
