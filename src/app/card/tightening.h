// The settings of the Card that draw hits to a grid, or to the feel of another.
#pragma once

#include "project/tighten.h"

#include <QObject>
#include <functional>

class QComboBox;
class QGridLayout;
class QMenu;
class QPushButton;
class QWidget;

namespace app {

class Figure;
class Session;

class Tightening : public QObject {
    Q_OBJECT
  public:
    Tightening(Session& session, QWidget* card);
    // For the Card's own grid: how far, and to whose feel.
    QWidget* amount();
    QWidget* feel();
    // Those behind More.
    void addRows(QGridLayout* grid, int& row);
    void refresh();

  signals:
    void changed();

  private:
    using Change = std::function<void(project::Tighten&)>;
    // An edit of the selected clips; says whose beats were fitted for it, and how many hits have no room.
    void apply(const QString& what, base::Result<project::Project> next, const project::Gesture& gesture = {});
    void change(const QString& what, const Change& how, const project::Gesture& gesture = {});
    void setAmount(double percent);
    void turnAmount(int steps, bool fine);
    void fillMenu();
    void take(const QString& name, const std::optional<hear::Feel>& feel);
    void keep();
    std::int64_t selectedObject() const;

    Session& session_;
    QWidget* card_;
    Figure* amount_;
    QPushButton* feel_;
    QMenu* menu_;
    QComboBox* grid_ = nullptr;
    Figure* swing_ = nullptr;
    Figure* leave_ = nullptr;
    Figure* weaker_ = nullptr;
};

} // namespace app
