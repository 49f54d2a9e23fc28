// What stands on an empty page: what can be dropped there, and ways to begin.
#pragma once

#include <QFrame>
#include <QStringList>
#include <filesystem>
#include <vector>

class QGridLayout;
class QVBoxLayout;

namespace app {

class EmptyPage : public QFrame {
    Q_OBJECT
  public:
    explicit EmptyPage(QWidget* parent = nullptr);
    // Projects that were opened or saved last, the newest first; the first few are offered.
    void setRecent(const std::vector<std::filesystem::path>& folders);
    // Without a demo beside the program there is no button for it.
    void setHasDemo(bool on);

  signals:
    void importAsked();
    void folderAsked(); // for the library
    void demoAsked();
    void recentAsked(const QString& folder); // as keptPath() keeps it

  private:
    QWidget* demo_ = nullptr;
    QWidget* demoHint_ = nullptr;
    QWidget* recentBox_;
    QVBoxLayout* recent_;
};

} // namespace app
