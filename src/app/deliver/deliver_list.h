// The files that a delivery writes, a row each: what they will be called, how large they will be, and what became
// of them.
#pragma once

#include "deliver/order.h"

#include <QTreeWidget>
#include <vector>

namespace app {

// Bytes as a person reads them: 38 kB, 4.2 MB.
QString sizeText(std::int64_t bytes);

// Interface thread.
class DeliverList : public QTreeWidget {
    Q_OBJECT
  public:
    explicit DeliverList(QWidget* parent);

    // What is planned; of very many the first thousand, and how many more there are.
    void plan(const std::vector<deliver::Planned>& files);
    // From now on they are being written.
    void begin();
    void done(int file, bool written);
    // What still waits will not be written any more.
    void end();

  private:
    void show(int row, const QString& name, const QString& size, const QString& state);
    void showState(int row, const QString& state, const QColor& colour);
};

} // namespace app
