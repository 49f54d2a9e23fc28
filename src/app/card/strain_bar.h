// How far clips are stretched, as a mark on a bar: gentle in the middle, firm and hard towards the ends.
#pragma once

#include "prove/strain.h"

#include <QWidget>
#include <optional>

namespace app {

class StrainBar : public QWidget {
  public:
    explicit StrainBar(QWidget* parent = nullptr);
    // No mark without a strain. `comfort`: up to how many per cent is gentle.
    void show(const std::optional<prove::Strain>& strain, double comfort);
    QSize sizeHint() const override { return {90, 12}; }

  protected:
    void paintEvent(QPaintEvent*) override;

  private:
    std::optional<prove::Strain> strain_;
    double comfort_ = 10;
};

} // namespace app
