// The selected clips as a list: what each is called, where it lies, its tempo, method and strain.
#pragma once

#include <QTreeWidget>

namespace app {

class Session;

class SelectionList : public QTreeWidget {
    Q_OBJECT
  public:
    explicit SelectionList(QWidget* parent = nullptr);
    void show(const Session& session);

    static constexpr int most = 500; // rows; more are counted in the last

  protected:
    void resizeEvent(QResizeEvent* event) override;

  private:
    void shareWidth();
};

} // namespace app
