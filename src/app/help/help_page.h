// Help, as a page in the window: first steps, the guide, the words of the product, keys that can be searched.
#pragma once

#include <QStringList>
#include <QWidget>
#include <utility>
#include <vector>

class QLineEdit;
class QStackedWidget;
class QTabBar;
class QTreeWidget;

namespace app {

class HelpPage : public QWidget {
    Q_OBJECT
  public:
    // A key, and what it does; under a heading each, the menu's name.
    struct Key {
        QString menu;
        QString key;
        QString does;
    };
    explicit HelpPage(const std::vector<Key>& keys, QWidget* parent = nullptr);

    enum Part { FirstSteps, Guide, Words, Keys };
    void show(Part part);

  signals:
    void closed();

  protected:
    void paintEvent(QPaintEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

  private:
    QWidget* text(const QString& resource, const QString& name);
    // A page that leads to others beside it, by its links.
    QWidget* guide();
    QWidget* keysPage(const std::vector<Key>& keys);
    void filter(const QString& words);

    QTabBar* tabs_;
    QStackedWidget* parts_;
    QLineEdit* search_;
    QTreeWidget* keys_;
};

// What the hand does besides the commands of the menus.
std::vector<HelpPage::Key> handKeys();
// All keys as a page of Markdown: docs/help/keys.md.
QString keysAsMarkdown(const std::vector<HelpPage::Key>& keys);

} // namespace app
