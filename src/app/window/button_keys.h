// Buttons by keys. Space plays wherever the work is; on a button that was reached by Tab it presses that button,
// and so does Enter on any that has the focus and is in no sheet.
#pragma once

#include <QObject>

namespace app {

// Installed on the application. Interface thread.
class ButtonKeys : public QObject {
    Q_OBJECT
  public:
    using QObject::QObject;

  protected:
    bool eventFilter(QObject* object, QEvent* event) override;

  private:
    const QObject* byKeys_ = nullptr; // the button that was reached by keys and has the focus
};

} // namespace app
