// A|B: hears the selected clips by another method, or as recorded, as loud as they are.
#pragma once

#include "stretch/method.h"

#include <QWidget>
#include <optional>
#include <vector>

class QComboBox;
class QPushButton;

namespace app {

class Session;

// Either is heard at once: both are rendered for as long as the same clips stay selected. Nothing in the document
// changes.
class CompareRow : public QWidget {
    Q_OBJECT
  public:
    explicit CompareRow(Session& session, QWidget* parent = nullptr);
    void swap(); // hears the other, or goes back

  private:
    void hearOther(bool on);
    void refresh();
    void tell();
    std::optional<stretch::Method> other() const; // none: as recorded

    Session& session_;
    QComboBox* with_;
    QPushButton* hear_;
    bool told_ = false; // that the other is heard
};

} // namespace app
