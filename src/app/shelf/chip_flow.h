// Chips side by side, whole ones only: in one line as many as it has room for, or in as many lines as they take.
#pragma once

#include <QWidget>
#include <vector>

class QPushButton;

namespace app {

class ChipFlow : public QWidget {
  public:
    explicit ChipFlow(QWidget* parent = nullptr);
    void add(QPushButton* chip);
    void remove(QPushButton* chip); // which is deleted by whoever asks
    void setOneLine(bool on);
    // Whether all of them are in view.
    bool showsAll() const { return showsAll_; }

  protected:
    void resizeEvent(QResizeEvent*) override;

  private:
    void arrange();

    std::vector<QPushButton*> chips_;
    bool oneLine_ = true;
    bool showsAll_ = true;
};

} // namespace app
